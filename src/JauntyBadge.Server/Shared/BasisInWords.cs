using System.Text.Json;
using System.Text.Json.Serialization;
using JauntyBadge.Core;

namespace JauntyBadge.Server.Shared;

/// <summary>Writes a ground in the language of whoever asks, wherever it stands in an answer.</summary>
/// <param name="asked">The request.</param>
internal sealed class BasisInWords(IHttpContextAccessor asked) : JsonConverter<Basis>
{
    private sealed record Told(BasisKind Kind, string Note);

    public override Basis? Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
        JsonSerializer.Deserialize<Told>(ref reader, options) is { } told ? new(told.Kind, told.Note) : null;

    public override void Write(Utf8JsonWriter writer, Basis value, JsonSerializerOptions options) =>
        JsonSerializer.Serialize(writer, new Told(value.Kind, Pen.LanguageOf(asked.HttpContext?.Request).Of(value.Note)), options);
}
