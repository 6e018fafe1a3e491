using System.Text.Json;
using System.Text.Json.Nodes;
using JauntyBadge.Core.Wearing;
using JauntyBadge.Data.Wearing;

namespace JauntyBadge.Server.Wearing;

/// <summary>Puts together what two phones tell of one wear, part by part, as <see cref="WearTold"/> has it.</summary>
internal static class TwoHands
{
    private static readonly JsonSerializerOptions Plain = new();

    /// <summary>The wear as it is to be kept, with what was said of it when.</summary>
    /// <param name="there">What is on record; null where it begins.</param>
    /// <param name="entry">What is told now: parts of it, where it says when which part was said; otherwise the whole, by a hand that had seen the whole.</param>
    /// <param name="now">Now, UTC: a device says how long ago something was said, so that no two clocks are compared.</param>
    public static (WearEntry Whole, WearTold Told) Told(WearRow? there, WearEntry entry, DateTime now)
    {
        var before = there?.LastTold ?? WearTold.Nothing;
        var theirs = there is null ? new WearEntry() : EntryOf(there);
        var (parts, mine) = (Parts(theirs), Parts(entry));
        // Who looked at the whole of it says only what is other than it was.
        var ago =
            entry.Said
            ?? Enum.GetValues<WearPart>()
                .Where(p => there is not null && !JsonNode.DeepEquals(parts[p.ToString()], mine[p.ToString()]))
                .ToDictionary(p => p, _ => 0.0);
        IReadOnlyList<KeyValuePair<WearPart, DateTime>> said = [.. ago.Select(s => KeyValuePair.Create(s.Key, now - TimeSpan.FromSeconds(s.Value)))];
        var told = before.With(said, entry.TakenBack ?? []);
        if (there is null || entry.Said is null)
            return (entry with { Signs = Standing(entry.Signs ?? [], told) }, told);
        foreach (var (part, at) in said)
        {
            if (before.Hears(part, at))
                parts[part.ToString()] = mine[part.ToString()]?.DeepClone();
        }

        return (
            parts.Deserialize<WearEntry>(Plain)! with
            {
                // What was seen was seen, whoever saw it.
                Signs = Standing([.. (theirs.Signs ?? []).Concat(entry.Signs ?? []).OrderBy(s => s.At)], told),
                Rubs = [.. (theirs.Rubs ?? []).Union(entry.Rubs ?? [])],
                EndedAt = WearTold.Off(theirs.EndedAt?.UtcDateTime, entry.EndedAt?.UtcDateTime),
            },
            told
        );
    }

    private static JsonObject Parts(WearEntry entry) => JsonSerializer.SerializeToNode(entry, Plain)!.AsObject();

    private static IReadOnlyList<WearSignEntry> Standing(IReadOnlyList<WearSignEntry> signs, WearTold told) =>
        [.. signs.DistinctBy(s => s.Id).Where(s => told.TakenBack?.Contains(s.Id!.Value) != true)];

    private static WearEntry EntryOf(WearRow row) =>
        new(
            row.StartedAt,
            row.EndedAt,
            row.Occasion,
            row.HappyId,
            row.Place,
            row.ForWhat,
            row.Who,
            row.Strap,
            row.Exercise,
            row.CapMinutes,
            [.. row.Seen.Select(s => new WearSignEntry(s.Id, s.SignId, s.At))],
            row.Rubs,
            row.TreatId,
            row.TreatPieces,
            row.Note,
            Ending: row.Ending
        );
}
