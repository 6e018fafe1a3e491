namespace JauntyBadge.Core.Handover.Keeping;

/// <summary>Which backups are kept: the newest of each of the last days, weeks and months.</summary>
public static class BackupKeeping
{
    public static readonly Grounded<int> Days = new(
        "handover.backup-days",
        "Days of which a backup is kept",
        7,
        Basis.House("a slip is seldom noticed the same day, mostly within the week")
    );

    public static readonly Grounded<int> Weeks = new("handover.backup-weeks", "Weeks of which a backup is kept", 4, Basis.House("a month of weeks"));

    public static readonly Grounded<int> Months = new(
        "handover.backup-months",
        "Months of which a backup is kept",
        12,
        Basis.House("a year: what a season did is seen again in the next")
    )
    {
        Most = 60,
    };

    public static readonly Grounded<int> OldAfter = new(
        "handover.backup-old",
        "Days after which the last good backup is too old",
        7,
        Basis.House("a week of work is what one may bear to lose")
    );

    public static IReadOnlyList<IGrounded> All { get; } = [Days, Weeks, Months, OldAfter];

    /// <summary>Those to keep, of backups made at these times by the practice's clock. The newest is always among them.</summary>
    public static IReadOnlySet<DateTime> Keep(IEnumerable<DateTime> made, DateOnly today, HouseRules rules)
    {
        var newest = made.OrderDescending().ToList();
        IEnumerable<DateTime> NewestOf<T>(Func<DateOnly, T> of) => newest.GroupBy(m => of(PracticeClock.DayShown(m))).Select(g => g.First());
        return newest
            .Take(1)
            // What was made today stays today, however often somebody asked for one.
            .Concat(newest.Where(m => PracticeClock.DayShown(m) == today))
            .Concat(NewestOf(d => d).Where(m => today.DayNumber - PracticeClock.DayShown(m).DayNumber < rules[Days]))
            .Concat(NewestOf(d => Monday(d)).Where(m => Monday(today).DayNumber - Monday(PracticeClock.DayShown(m)).DayNumber < 7 * rules[Weeks]))
            .Concat(NewestOf(Month).Where(m => Month(today) - Month(PracticeClock.DayShown(m)) < rules[Months]))
            .ToHashSet();
    }

    /// <summary>Whether the last good one is too old; where there never was one, whether there is anything to lose.</summary>
    /// <param name="last">The day of the last good backup; null for none.</param>
    /// <param name="since">The first day on record; null for an empty practice.</param>
    /// <param name="today">The practice's day.</param>
    /// <param name="rules">The numbers that hold.</param>
    public static bool IsOld(DateOnly? last, DateOnly? since, DateOnly today, HouseRules rules) =>
        (last ?? since) is { } from && today.DayNumber - from.DayNumber > rules[OldAfter];

    private static DateOnly Monday(DateOnly day) => day.AddDays(-(((int)day.DayOfWeek + 6) % 7));

    private static int Month(DateOnly day) => 12 * day.Year + day.Month;
}
