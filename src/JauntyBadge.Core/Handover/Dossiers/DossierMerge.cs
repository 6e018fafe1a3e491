using System.Text.Json.Nodes;

namespace JauntyBadge.Core.Handover.Dossiers;

/// <summary>Whose word counts where two practices say something else of the same thing.</summary>
public enum Differing
{
    /// <summary>What is here stays.</summary>
    Ours,

    /// <summary>What comes in replaces it.</summary>
    Theirs,
}

/// <summary>A list of a dossier against what is here.</summary>
/// <param name="Section">Which.</param>
/// <param name="InFile">How many it holds.</param>
/// <param name="New">How many of them are not here.</param>
/// <param name="Differ">How many are here and say something else.</param>
public sealed record DossierCount(string Section, int InFile, int New, int Differ);

/// <summary>Something of the dog itself that two practices have otherwise.</summary>
public sealed record DossierDiffers(string Field, string? Here, string? InFile);

/// <summary>A dossier laid together with what is here.</summary>
/// <param name="Merged">All of both.</param>
/// <param name="Counts">What each list brings.</param>
/// <param name="Differs">What of the dog itself is otherwise.</param>
public sealed record DossierMerge(JsonObject Merged, IReadOnlyList<DossierCount> Counts, IReadOnlyList<DossierDiffers> Differs)
{
    /// <summary>Something comes in that is not here.</summary>
    public bool BringsAnything => Counts.Any(c => c.New > 0);

    /// <summary>Something would be replaced.</summary>
    public bool Disagrees => Differs.Count > 0 || Counts.Any(c => c.Differ > 0);

    /// <summary>
    /// Lays two dossiers of one dog together by id: what only one has is in, what both have is in once, and where they say something else of it whoever is told decides. The order
    /// of each is kept; between what both have, the earlier time comes first.
    /// </summary>
    /// <param name="here">What is here; null for a dog that is not.</param>
    /// <param name="incoming">What comes in.</param>
    /// <param name="differing">Whose word counts.</param>
    public static DossierMerge Of(JsonObject? here, JsonObject incoming, Differing differing)
    {
        if (here is null)
            return new(incoming, [.. DossierFormat.Sections.Select(s => new DossierCount(s.Name, List(incoming, s).Count, List(incoming, s).Count, 0))], []);
        var merged = new JsonObject();
        foreach (var (name, value) in incoming)
            merged[name] = value is JsonArray ? new JsonArray() : Copy(value);
        var differs = new List<DossierDiffers>();
        foreach (var single in new[] { "dog", "habits" })
        {
            differs.AddRange(Fields(single, here[single], incoming[single]));
            merged[single] = Copy(differing == Differing.Theirs ? incoming[single] ?? here[single] : here[single] ?? incoming[single]);
        }

        if (here["numbers"] is JsonObject ours && merged["numbers"] is JsonObject numbers)
            foreach (var (id, value) in ours.Where(o => !numbers.ContainsKey(o.Key)).ToList())
                numbers[id] = Copy(value);

        var counts = new List<DossierCount>();
        var chosen = new Dictionary<(string Section, string Id), JsonObject>();
        foreach (var section in DossierFormat.Sections)
        {
            var (mine, theirs) = (ById(here, section), ById(incoming, section));
            counts.Add(
                new(
                    section.Name,
                    theirs.Count,
                    theirs.Keys.Count(id => !mine.ContainsKey(id)),
                    theirs.Count(t => mine.TryGetValue(t.Key, out var m) && !AreSame(m, t.Value))
                )
            );
            foreach (var id in mine.Keys.Union(theirs.Keys))
            {
                var item =
                    !mine.TryGetValue(id, out var m) ? theirs[id]
                    : !theirs.TryGetValue(id, out var t) ? m
                    : differing == Differing.Theirs ? t
                    : m;
                chosen[(section.Name, id)] = (JsonObject)item.DeepClone();
            }
        }

        var order = 0L;
        var placed = new Dictionary<string, List<JsonObject>>();
        foreach (var (section, id, part) in Laid(Line(here), Line(incoming)))
        {
            // Goes and signs stand inside their session; what the chosen one has not is of the other.
            if (!chosen.TryGetValue((section, id), out var item) || Inside(item, part) is not { } record)
                continue;
            record[DossierFormat.Order] = ++order;
            if (part is null)
                (placed.TryGetValue(section, out var list) ? list : placed[section] = []).Add(item);
        }

        foreach (var section in DossierFormat.Sections)
        {
            var all = section.IsOrdered
                ? placed.GetValueOrDefault(section.Name) ?? []
                : [.. chosen.Where(c => c.Key.Section == section.Name).OrderBy(c => Time(c.Value, section), StringComparer.Ordinal).Select(c => c.Value)];
            merged[section.Name] = new JsonArray([.. all]);
        }

        Place(merged);
        PassedOnce(merged);
        return new(merged, counts, differs);
    }

    /// <summary>Whether two records say the same, wherever they stand in the order.</summary>
    public static bool AreSame(JsonNode? a, JsonNode? b) => JsonNode.DeepEquals(Bare(a), Bare(b));

    private static JsonNode? Bare(JsonNode? node)
    {
        var bare = Copy(node);
        Strip(bare);
        return bare;

        static void Strip(JsonNode? part)
        {
            if (part is JsonObject record)
            {
                record.Remove(DossierFormat.Order);
                record.Remove(DossierFormat.Place);
                foreach (var (_, value) in record)
                    Strip(value);
            }
            else if (part is JsonArray list)
                foreach (var value in list)
                    Strip(value);
        }
    }

    private static JsonNode? Copy(JsonNode? node) => node?.DeepClone();

    private static JsonArray List(JsonObject dossier, DossierSection section) => dossier[section.Name] as JsonArray ?? [];

    private static string IdOf(JsonNode record, string member) => record[member]!.ToString();

    private static Dictionary<string, JsonObject> ById(JsonObject dossier, DossierSection section) =>
        List(dossier, section).OfType<JsonObject>().DistinctBy(r => IdOf(r, section.Id)).ToDictionary(r => IdOf(r, section.Id));

    private static string Time(JsonNode record, DossierSection section) =>
        section.Time is { } member ? record[member]?.ToString() ?? "" : IdOf(record, section.Id);

    private static IEnumerable<DossierDiffers> Fields(string single, JsonNode? here, JsonNode? incoming)
    {
        if (here is not JsonObject mine || incoming is not JsonObject theirs)
            yield break;
        foreach (var name in mine.Select(m => m.Key).Union(theirs.Select(t => t.Key)))
        {
            if (!JsonNode.DeepEquals(mine[name], theirs[name]))
                yield return new(single == "dog" ? name : $"{single}.{name}", mine[name]?.ToJsonString(), theirs[name]?.ToJsonString());
        }
    }

    /// <summary>A record in the order of a dossier: one of a list, or a go or sign inside a session.</summary>
    private sealed record Spot(string Section, string Id, (string List, string Id)? Part, long Order, string Time)
    {
        public (string, string, (string, string)?) Key => (Section, Id, Part);
    }

    /// <summary>Everything of a dossier that has a place in its order.</summary>
    private static List<Spot> Line(JsonObject dossier)
    {
        var spots = new List<Spot>();
        foreach (var section in DossierFormat.Sections.Where(s => s.IsOrdered))
        {
            foreach (var record in List(dossier, section).OfType<JsonObject>())
            {
                var id = IdOf(record, section.Id);
                spots.Add(new(section.Name, id, null, OrderOf(record), Time(record, section)));
                if (section.Name == DossierFormat.Sessions)
                    spots.AddRange(
                        Parts(record)
                            .Select(p => new Spot(section.Name, id, (p.List, IdOf(p.Record, "id")), OrderOf(p.Record), p.Record["at"]?.ToString() ?? ""))
                    );
            }
        }

        return [.. spots.OrderBy(s => s.Order)];
    }

    private static long OrderOf(JsonObject record) => Whole(record[DossierFormat.Order]);

    /// <summary>A whole number, read from a file or made here.</summary>
    private static long Whole(JsonNode? node) =>
        node is not JsonValue value ? 0
        : value.TryGetValue(out long number) ? number
        : value.TryGetValue(out int small) ? small
        : 0;

    private static IEnumerable<(string List, JsonObject Record)> Parts(JsonObject session) =>
        from set in (session["sets"] as JsonArray ?? []).OfType<JsonObject>()
        from list in PartLists
        from record in (set[list] as JsonArray ?? []).OfType<JsonObject>()
        select (list, record);

    private static readonly string[] PartLists = ["goes", "signs"];

    private static JsonObject? Inside(JsonObject item, (string List, string Id)? part) =>
        part is not { } p ? item : Parts(item).Where(r => r.List == p.List && IdOf(r.Record, "id") == p.Id).Select(r => r.Record).FirstOrDefault();

    /// <summary>Two orders laid into one that breaks neither as long as they agree.</summary>
    private static IEnumerable<(string Section, string Id, (string List, string Id)? Part)> Laid(List<Spot> here, List<Spot> incoming)
    {
        var (mine, theirs) = (here.Select(s => s.Key).ToHashSet(), incoming.Select(s => s.Key).ToHashSet());
        var done = new HashSet<(string, string, (string, string)?)>();
        var (i, j) = (0, 0);
        while (i < here.Count || j < incoming.Count)
        {
            if (i < here.Count && done.Contains(here[i].Key))
                i++;
            else if (j < incoming.Count && done.Contains(incoming[j].Key))
                j++;
            else
            {
                var next =
                    i == here.Count ? incoming[j]
                    : j == incoming.Count ? here[i]
                    : theirs.Contains(here[i].Key) && !mine.Contains(incoming[j].Key) ? incoming[j]
                    : mine.Contains(incoming[j].Key) ? here[i]
                    : string.CompareOrdinal(incoming[j].Time, here[i].Time) < 0 ? incoming[j]
                    : here[i];
                done.Add(next.Key);
                yield return next.Key;
            }
        }
    }

    /// <summary>A step that both passed counts once: the earlier pass, while the other stays on record.</summary>
    private static void PassedOnce(JsonObject dossier)
    {
        var counted = new HashSet<string>();
        foreach (var pass in ((JsonArray)dossier[DossierFormat.Passes]!).OfType<JsonObject>().Where(p => p["withdrawnAt"] is null))
        {
            if (counted.Add(pass["stepId"]!.ToString()))
                continue;
            pass["withdrawnAt"] = $"{pass["day"]}T00:00:00Z";
            pass["withdrawnNote"] = "Passed in two practices; the earlier one counts.";
        }
    }

    /// <summary>Numbers the sets through, as they were begun.</summary>
    private static void Place(JsonObject dossier)
    {
        var place = 0L;
        foreach (
            var set in (dossier[DossierFormat.Sessions] as JsonArray ?? [])
                .OfType<JsonObject>()
                .SelectMany(s => (s["sets"] as JsonArray ?? []).OfType<JsonObject>())
                .OrderBy(s => s["startedAt"]?.ToString(), StringComparer.Ordinal)
                .ThenBy(s => Whole(s[DossierFormat.Place]))
        )
            set[DossierFormat.Place] = ++place;
    }
}
