namespace JauntyBadge.Core.Wearing;

/// <summary>What an occasion was to the dog.</summary>
public enum Occasion
{
    Fun,
    Ordinary,
    Stressful,
}

/// <summary>How a wear came to its end.</summary>
public enum WearEnding
{
    /// <summary>Taken off in its time.</summary>
    TakenOff,

    /// <summary>Stopped: something was wrong.</summary>
    Stopped,

    /// <summary>The dog got it off by itself.</summary>
    PawedOff,
}

/// <summary>A wear as the rules see it.</summary>
/// <param name="Day">The day it counts to.</param>
/// <param name="Lasted">How long it was on; nothing while it is.</param>
/// <param name="Meant">What it was meant to be to the dog.</param>
/// <param name="Worried">A sign of worry or worse was seen.</param>
/// <param name="Rubbed">It left a mark.</param>
public sealed record Wear(DateOnly Day, TimeSpan Lasted, Occasion Meant, bool Worried = false, bool Rubbed = false)
{
    public static readonly Grounded<TimeSpan> CountsFrom = new(
        "wear.counts-from",
        "Under so many minutes a wear without a bad sign counts for nothing in the balance",
        TimeSpan.FromMinutes(2),
        Basis.House("on and off again is no walk, and no happy memory either")
    )
    {
        Most = 10,
    };

    /// <summary>
    /// The practice's day a wear counts to: that on which it ended, or on which it began while it is on (House: past midnight only the new day can still be told what
    /// to do, so that one which goes badly then is the last of the new day too).
    /// </summary>
    /// <param name="clock">Where the practice is.</param>
    /// <param name="startedAt">UTC.</param>
    /// <param name="endedAt">UTC; null while it is on.</param>
    public static DateOnly DayOf(TimeProvider clock, DateTime startedAt, DateTime? endedAt) => clock.DayOf(endedAt ?? startedAt);

    /// <summary>A sign of being over threshold was seen.</summary>
    public bool OverThreshold { get; init; }

    /// <summary>A sign of trouble with breath, heat or swallowing was seen.</summary>
    public bool Red { get; init; }

    /// <summary>How it ended.</summary>
    public WearEnding Ending { get; init; }

    /// <summary>How long it was told to be at most; null where nobody said.</summary>
    public TimeSpan? Cap { get; init; }

    /// <summary>It went badly, whatever it was meant to be (House).</summary>
    public bool WentBadly => Worried || OverThreshold || Red || Ending != WearEnding.TakenOff;

    /// <summary>What of it was borne: what lay beyond its cap was not asked for.</summary>
    public TimeSpan Borne => Cap is { } cap && cap < Lasted ? cap : Lasted;

    /// <summary>It says how long the next may be: it went well and left no mark.</summary>
    public bool WasComfortable => !WentBadly && !Rubbed && Borne > TimeSpan.Zero;

    /// <summary>
    /// What it was to the dog in the end: stressful where it went badly; nothing where it was over before it counted. One that was meant to be stressful counts
    /// however short it was: an injection takes a minute.
    /// </summary>
    public Occasion? Was(HouseRules rules) => AsHad == Occasion.Stressful || Lasted >= rules[CountsFrom] ? AsHad : null;

    /// <summary>The same, whether it counts or not.</summary>
    public Occasion AsHad => WentBadly ? Occasion.Stressful : Meant;
}
