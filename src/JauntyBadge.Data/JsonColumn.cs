using System.Text.Json;
using System.Text.Json.Serialization;
using JauntyBadge.Core;

namespace JauntyBadge.Data;

/// <summary>Records kept whole in a column, as JSON. A practice may have been kept by an earlier release: terms are known by earlier spellings too.</summary>
internal static class JsonColumn
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        RespectNullableAnnotations = true,
        RespectRequiredConstructorParameters = false,
        Converters = { new TermConverterFactory(), new LengthInMm(), new MassInGrams() },
    };

    /// <summary>Reads a record; null where it cannot be read, so that one row never takes a page with it.</summary>
    public static T? Find<T>(string? json)
        where T : class
    {
        if (json is null)
            return null;
        try
        {
            return JsonSerializer.Deserialize<T>(json, Options);
        }
        catch (Exception problem) when (problem is JsonException or ArgumentException or NotSupportedException or FormatException)
        {
            return null;
        }
    }

    public static string Write<T>(T record) => JsonSerializer.Serialize(record, Options);

    /// <summary>Terms are written in camel case. Read are those of earlier releases too: "Neck strap" is neckStrap.</summary>
    private sealed class TermConverterFactory : JsonConverterFactory
    {
        public override bool CanConvert(Type typeToConvert) => typeToConvert.IsEnum;

        public override JsonConverter CreateConverter(Type typeToConvert, JsonSerializerOptions options) =>
            (JsonConverter)Activator.CreateInstance(typeof(TermConverter<>).MakeGenericType(typeToConvert))!;
    }

    private sealed class TermConverter<T> : JsonConverter<T>
        where T : struct, Enum
    {
        private static readonly Dictionary<string, T> Terms = Enum.GetValues<T>().DistinctBy(t => t.ToString()).ToDictionary(t => Letters(t.ToString()));

        private static string Letters(string text) => string.Concat(text.Where(char.IsLetterOrDigit)).ToUpperInvariant();

        private static T Of(string? text) =>
            Terms.TryGetValue(Letters(text ?? ""), out var term) ? term : throw new JsonException($"\"{text}\" is no {typeof(T).Name}.");

        private static string Said(T term) => JsonNamingPolicy.CamelCase.ConvertName(term.ToString());

        public override T Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            reader.TokenType == JsonTokenType.Number ? (T)Enum.ToObject(typeof(T), reader.GetInt32()) : Of(reader.GetString());

        public override void Write(Utf8JsonWriter writer, T value, JsonSerializerOptions options) => writer.WriteStringValue(Said(value));

        public override T ReadAsPropertyName(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) => Of(reader.GetString());

        public override void WriteAsPropertyName(Utf8JsonWriter writer, T value, JsonSerializerOptions options) => writer.WritePropertyName(Said(value));
    }
}
