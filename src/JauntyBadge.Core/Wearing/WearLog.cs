namespace JauntyBadge.Core.Wearing;

/// <summary>What a dog's log of wears says.</summary>
public static class WearLog
{
    public static readonly Grounded<int> Remembered = new(
        "wear.remembered",
        "Days for which a comfortable wear tells how long the next may be",
        90,
        Basis.House("after a season without, a dog begins again with little")
    )
    {
        Least = 14,
        Most = 180,
    };

    /// <summary>Worried at so many wears in a row, it goes back a step in its plan.</summary>
    public const int WorriedInARow = 2;

    public static readonly Grounded<double> AfterBad = new(
        "wear.after-bad",
        "Longest next wear after one that went badly, as a share of what was borne of it",
        0.5,
        Basis.House("where it broke is known; half of it is well before")
    )
    {
        Most = 0.5,
    };

    public static IReadOnlyList<IGrounded> All { get; } = [Remembered, AfterBad, Wear.CountsFrom];

    /// <summary>Whether its last wears ask for the plan to go back to its last easy step: one over threshold, or so many in a row that went badly.</summary>
    /// <param name="wears">The wears since the plan was last moved, the oldest first.</param>
    public static bool GoesBack(IReadOnlyList<Wear> wears) =>
        wears is [.., { OverThreshold: true }] || (wears.Count >= WorriedInARow && wears.TakeLast(WorriedInARow).All(w => w.WentBadly));
}

/// <summary>What a dog's wears until now leave of the next.</summary>
/// <param name="Longest">Its own longest comfortable wear of the last months, of those since one went badly; null where there is none.</param>
public sealed record WearPast(TimeSpan? Longest = null)
{
    /// <summary>Nothing on record.</summary>
    public static WearPast None { get; } = new();

    /// <summary>What was borne of the last one that went badly; null where none did of late.</summary>
    public TimeSpan? BadBorne { get; init; }

    /// <summary>It was trained with a muzzle on since that one.</summary>
    public bool TrainedSince { get; init; }

    /// <summary>One went badly today.</summary>
    public bool BadToday { get; init; }

    /// <summary>How long it wore one today, all together.</summary>
    public TimeSpan WornToday { get; init; }

    /// <summary>The longest a wear of today was told to be.</summary>
    public TimeSpan LongestCapToday { get; init; }

    /// <summary>What is left of the pause after the last one.</summary>
    public TimeSpan PauseLeft { get; init; }

    /// <summary>What wears leave of the next on a day, without the pause.</summary>
    /// <param name="wears">The oldest first; of one day in the order they were had.</param>
    /// <param name="today">The day.</param>
    /// <param name="lastTrained">The last day on which it was trained with a muzzle on; null for none.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static WearPast Of(IReadOnlyList<Wear> wears, DateOnly today, DateOnly? lastTrained, HouseRules rules)
    {
        List<Wear> recent = [.. wears.Where(w => w.Day <= today && today.DayNumber - w.Day.DayNumber <= rules[WearLog.Remembered])];
        var bad = recent.FindLastIndex(w => w.WentBadly);
        List<Wear> had = [.. recent.Where(w => w.Day == today)];
        return new(recent.Skip(bad + 1).Where(w => w.WasComfortable).Select(w => (TimeSpan?)w.Borne).Max())
        {
            BadBorne = bad < 0 ? null : recent[bad].Borne,
            TrainedSince = bad >= 0 && lastTrained > recent[bad].Day,
            BadToday = had.Any(w => w.WentBadly),
            WornToday = had.Aggregate(TimeSpan.Zero, (sum, w) => sum + w.Lasted),
            LongestCapToday = had.Select(w => w.Cap ?? TimeSpan.Zero).DefaultIfEmpty().Max(),
        };
    }

    /// <summary>How much is left of a pause as long as the last wear (House). A clock set back since makes it no longer than that.</summary>
    /// <param name="began">When the last wear was begun.</param>
    /// <param name="ended">When it ended.</param>
    /// <param name="now">Now.</param>
    public static TimeSpan Pause(DateTime began, DateTime ended, DateTime now)
    {
        var (lasted, gone) = (ended - began, now > ended ? now - ended : TimeSpan.Zero);
        return lasted > gone ? lasted - gone : TimeSpan.Zero;
    }
}
