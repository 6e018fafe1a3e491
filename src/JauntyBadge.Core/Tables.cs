using System.Reflection;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace JauntyBadge.Core;

/// <summary>Reads the rule tables that ship inside the core. A bad table stops the program at start, never later.</summary>
internal static class Tables
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase), new LengthInMm(), new MassInGrams() },
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
        ReadCommentHandling = JsonCommentHandling.Skip,
    };

    /// <summary>Reads one table.</summary>
    /// <exception cref="InvalidDataException">The table is missing, empty, or has a row that cannot be read.</exception>
    public static IReadOnlyList<TRow> Read<TRow>(string name)
    {
        using var stream =
            Assembly.GetExecutingAssembly().GetManifestResourceStream(name) ?? throw new InvalidDataException($"The table {name} does not ship with the core.");
        try
        {
            var rows = JsonSerializer.Deserialize<List<TRow>>(stream, Options);
            return rows is { Count: > 0 } ? rows : throw new InvalidDataException($"The table {name} is empty.");
        }
        catch (JsonException problem)
        {
            throw new InvalidDataException($"The table {name} has a row that cannot be read: {problem.Message}", problem);
        }
    }

    /// <summary>Stops with the table's name and the rows that break a promise.</summary>
    /// <exception cref="InvalidDataException">There is at least one such row.</exception>
    public static void Refuse(string name, string promise, IEnumerable<string> offenders)
    {
        var listed = offenders.ToList();
        if (listed.Count > 0)
            throw new InvalidDataException($"The table {name} breaks \"{promise}\": {string.Join(", ", listed)}.");
    }

    /// <summary>Stops when two rows carry the same id.</summary>
    public static void RefuseTwins(string name, IEnumerable<string> ids) =>
        Refuse(name, "every id once", ids.GroupBy(id => id).Where(g => g.Count() > 1).Select(g => g.Key));
}
