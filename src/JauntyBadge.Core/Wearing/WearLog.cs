namespace JauntyBadge.Core.Wearing;

/// <summary>What an occasion was to the dog.</summary>
public enum Occasion
{
    Fun,
    Ordinary,
    Stressful,
}

/// <summary>A wear as the rules see it.</summary>
/// <param name="Day">The day it began.</param>
/// <param name="Lasted">How long it was on.</param>
/// <param name="Occasion">What it was to the dog.</param>
/// <param name="Worried">A sign of worry or worse was seen.</param>
/// <param name="Rubbed">It left a mark.</param>
public sealed record Wear(DateOnly Day, TimeSpan Lasted, Occasion Occasion, bool Worried = false, bool Rubbed = false);

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

    /// <summary>Its own longest comfortable wear of the last months: no sign of worry, no mark. Null where there is none.</summary>
    public static TimeSpan? LongestComfortable(IEnumerable<Wear> wears, DateOnly today, HouseRules rules) =>
        wears
            .Where(w => !w.Worried && !w.Rubbed && w.Lasted > TimeSpan.Zero && today.DayNumber - w.Day.DayNumber <= rules[Remembered])
            .Select(w => (TimeSpan?)w.Lasted)
            .Max();

    /// <summary>Whether its last wears were all worried, so that the plan goes back to its last easy step.</summary>
    /// <param name="wears">The wears since the plan was last moved, the oldest first.</param>
    public static bool GoesBack(IReadOnlyList<Wear> wears) => wears.Count >= WorriedInARow && wears.TakeLast(WorriedInARow).All(w => w.Worried);
}
