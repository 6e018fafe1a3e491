using System.Text.Json;
using System.Text.Json.Serialization;

namespace JauntyBadge.Server.Shared;

/// <summary>Takes numbers that are numbers: 1e999 is more than a double can hold, and none of ours.</summary>
internal sealed class FiniteNumbers : JsonConverter<double>
{
    public override double Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
        reader.TokenType == JsonTokenType.Number && reader.TryGetDouble(out var value) && double.IsFinite(value) ? value : throw new JsonException();

    public override void Write(Utf8JsonWriter writer, double value, JsonSerializerOptions options) => writer.WriteNumberValue(value);
}
