using System.Text.Json;
using System.Text.Json.Serialization;
using JauntyBadge.Core;

namespace JauntyBadge.Data;

/// <summary>Records kept whole in a column, as JSON.</summary>
internal static class JsonColumn
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase), new LengthInMm(), new MassInGrams() },
    };

    public static T Read<T>(string json) => JsonSerializer.Deserialize<T>(json, Options)!;

    public static string Write<T>(T record) => JsonSerializer.Serialize(record, Options);
}
