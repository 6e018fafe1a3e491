using System.Text.Json;
using System.Text.Json.Serialization;
using UnitsNet;

namespace JauntyBadge.Core;

/// <summary>Writes a length in JSON as its number of millimetres, as tables, rows and the API have it.</summary>
public sealed class LengthInMm : JsonConverter<Length>
{
    public override Length Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) => Length.FromMillimeters(reader.GetDouble());

    public override void Write(Utf8JsonWriter writer, Length value, JsonSerializerOptions options) => writer.WriteNumberValue(value.Millimeters);
}

/// <summary>Writes a mass in JSON as its number of grams.</summary>
public sealed class MassInGrams : JsonConverter<Mass>
{
    public override Mass Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) => Mass.FromGrams(reader.GetDouble());

    public override void Write(Utf8JsonWriter writer, Mass value, JsonSerializerOptions options) => writer.WriteNumberValue(value.Grams);
}
