namespace JauntyBadge.Core.Handover.Days;

/// <summary>An entry as it was last handed out.</summary>
/// <param name="Entry">What it said.</param>
/// <param name="Sequence">How often it was changed since (Published: RFC 5545, SEQUENCE).</param>
/// <param name="Cancelled">It is gone.</param>
/// <param name="ChangedAt">When it was last changed, UTC.</param>
public sealed record Published(DayEntry Entry, int Sequence, bool Cancelled, DateTime ChangedAt);

/// <summary>What a calendar says now, given what it said before.</summary>
public static class Publication
{
    /// <summary>So long something of the past, or gone, is still handed out, so that a calendar taken in seldom hears of it (House).</summary>
    public static readonly TimeSpan Remembered = TimeSpan.FromDays(30);

    /// <summary>
    /// Lays what there is now over what was handed out: unchanged keeps its number, changed gets the next, what is gone is cancelled, what has gone by stays as it was said. Handed
    /// out twice in a row it is the same.
    /// </summary>
    /// <param name="before">What was handed out, by key.</param>
    /// <param name="now">What there is.</param>
    /// <param name="today">The practice's day.</param>
    /// <param name="at">Now, UTC.</param>
    public static IReadOnlyList<Published> Of(IEnumerable<Published> before, IEnumerable<DayEntry> now, DateOnly today, DateTime at)
    {
        var known = before.ToDictionary(p => p.Entry.Key);
        var told = new List<Published>();
        foreach (var entry in now)
        {
            told.Add(
                !known.Remove(entry.Key, out var was) ? new(entry, 0, false, at)
                : was.Entry == entry && !was.Cancelled ? was
                : new(entry, was.Sequence + 1, false, at)
            );
        }

        foreach (var gone in known.Values.Where(p => p.Entry.Day >= today.AddDays(-(int)Remembered.TotalDays)))
            told.Add(gone.Cancelled || gone.Entry.Day < today ? gone : gone with { Cancelled = true, Sequence = gone.Sequence + 1, ChangedAt = at });
        return [.. told.OrderBy(p => p.Entry.Day).ThenBy(p => p.Entry.Key, StringComparer.Ordinal)];
    }
}
