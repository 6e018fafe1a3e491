namespace JauntyBadge.Core.Conditioning;

/// <summary>How the owner's sessions went so far: life comes between.</summary>
/// <param name="Planned">Sessions planned.</param>
/// <param name="Held">Those that were held.</param>
public sealed record SessionsHeld(int Planned, int Held)
{
    /// <summary>So far apart, sets are of two sessions (House: less than what is asked for between them).</summary>
    private static readonly TimeSpan Apart = TimeSpan.FromMinutes(40);

    /// <summary>
    /// Counted from a log over the days of the week there are, the first day to the last but today. Rest that the rule asked for is not missed; a day of which
    /// the hours are not known was held in full.
    /// </summary>
    /// <param name="log">What was trained, the oldest first.</param>
    /// <param name="week">The days of the week with a session.</param>
    /// <param name="perDay">Sessions on each.</param>
    /// <param name="today">The day up to which it is counted.</param>
    /// <param name="restDays">Days of rest after going over threshold, the day itself included.</param>
    public static SessionsHeld Of(IReadOnlyList<SetRecord> log, IReadOnlyList<DayOfWeek> week, int perDay, DateOnly today, int restDays)
    {
        if (log.Count == 0)
            return new(0, 0);
        var held = log.GroupBy(s => s.Day).ToDictionary(d => d.Key, d => Math.Min(perDay, HeldOn([.. d], perDay)));
        var rests = log.Where(s => s.Worst == SignGroup.OverThreshold).SelectMany(s => Enumerable.Range(1, restDays - 1).Select(s.Day.AddDays)).ToHashSet();
        var planned = Enumerable
            .Range(log[0].Day.DayNumber, Math.Max(0, today.DayNumber - log[0].Day.DayNumber))
            .Select(DateOnly.FromDayNumber)
            .Where(d => week.Contains(d.DayOfWeek) && !rests.Contains(d))
            .ToList();
        return new(planned.Count * perDay, planned.Sum(d => held.GetValueOrDefault(d)));
    }

    private static int HeldOn(List<SetRecord> sets, int perDay) =>
        sets.Exists(s => s.At is null) ? perDay : 1 + sets.Zip(sets.Skip(1)).Count(p => p.Second.At - p.First.At > Apart);
}
