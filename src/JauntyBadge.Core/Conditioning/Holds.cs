namespace JauntyBadge.Core.Conditioning;

/// <summary>A hold: how long, and whether the handler ended it by marking or the dog by pulling out.</summary>
/// <param name="Held">How long; zero for a dog that was out again before the timer ran.</param>
/// <param name="Marked">The handler marked it at the target: the dog might have gone on.</param>
public readonly record struct HeldGo(TimeSpan Held, bool Marked);

/// <summary>How a criterion for holding was come by.</summary>
public enum HoldEstimate
{
    /// <summary>By rank among holds that the dog ended itself.</summary>
    Percentile,

    /// <summary>By the rate of pulling out, where marked holds hide how long it would have gone on.</summary>
    Survival,
}

/// <summary>What a dog holds, from its last goes.</summary>
/// <param name="How">By which way.</param>
/// <param name="Rank">The rank in the percentile schedule, interpolated; null for survival.</param>
/// <param name="PullOuts">Holds the dog ended.</param>
/// <param name="Held">Time held in all.</param>
/// <param name="Criterion">What it holds in the share wanted, before bounds and rounding; null where nothing was held.</param>
public sealed record HoldCriterion(HoldEstimate How, double? Rank, int PullOuts, TimeSpan Held, TimeSpan? Criterion);

/// <summary>Where the target is time: what to ask of the next go, and of the next set.</summary>
public static class Holds
{
    public static readonly Grounded<double> Share = new(
        "hold.share",
        "Share of goes in which the dog holds the next criterion",
        0.8,
        Basis.House("four in five: most goes end well")
    );
    public static readonly Grounded<int> Remembered = new(
        "hold.remembered",
        "Goes looked back on for the next criterion",
        20,
        Basis.House("two or three sets: older ones are another dog")
    );
    public static readonly Grounded<double> MostRaise = new(
        "hold.most-raise",
        "A raise lengthens the criterion at most so many times",
        1.5,
        Basis.House("longer leaps fail")
    )
    {
        Least = 1.1,
    };
    public static readonly Grounded<double> BackTo = new("hold.back-to", "Going back shortens it at least to this share", 0.7, Basis.House("felt as easier"));

    public static IReadOnlyList<IGrounded> All { get; } = [Share, Remembered, MostRaise, BackTo];

    private static readonly TimeSpan Shortest = TimeSpan.FromSeconds(1);
    private static readonly TimeSpan CoarseFrom = TimeSpan.FromSeconds(30);

    /// <summary>
    /// What the dog holds in a share of goes, from the last ones. Holds it ended itself go by the percentile schedule (Published: Galbicka 1994,
    /// J. Appl. Behav. Anal. 27:739–760): rank (m+1)(1−w), interpolated. Where any was marked, they are censored: an exponential rate of pulling out,
    /// (f + ½)/T by Jeffreys' prior, gives −ln w · T/(f + ½) (Published: Lawless, Statistical Models and Methods for Lifetime Data, recalled).
    /// </summary>
    /// <param name="goes">The goes, oldest first.</param>
    /// <param name="share">The share wanted, w, over 0 and under 1.</param>
    /// <param name="rules">The numbers that decide.</param>
    /// <exception cref="ArgumentOutOfRangeException">The share is out of range.</exception>
    public static HoldCriterion Estimate(IReadOnlyList<HeldGo> goes, double share, HouseRules rules)
    {
        if (!(share > 0 && share < 1))
            throw new ArgumentOutOfRangeException(nameof(share), "A share lies between 0 and 1.");
        var last = goes.TakeLast(rules[Remembered]).ToList();
        var (pullOuts, held) = (last.Count(h => !h.Marked), TimeSpan.FromTicks(last.Sum(h => h.Held.Ticks)));
        if (last.Exists(h => h.Marked))
            return new(HoldEstimate.Survival, null, pullOuts, held, -Math.Log(share) * held / (pullOuts + 0.5));
        if (last.Count == 0)
            return new(HoldEstimate.Percentile, null, 0, held, null);
        var rank = Rank(last.Count, share);
        return new(HoldEstimate.Percentile, rank, pullOuts, held, AtRank([.. last.Select(h => h.Held).Order()], rank));
    }

    /// <summary>The rank of the percentile schedule, counted from the shortest of m holds as 1.</summary>
    public static double Rank(int m, double share) => (m + 1) * (1 - share);

    /// <summary>
    /// The criterion of the next set: after a raise at least the present one and at most half as much again, after going back at most 0.7 of it
    /// and at least a second; rounded down to half a second, from half a minute up to five seconds.
    /// </summary>
    /// <param name="present">The present criterion.</param>
    /// <param name="estimate">What the dog holds; null where that is not known.</param>
    /// <param name="decision">What became of the set; any other than a raise or a step back leaves the estimate as it is.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static TimeSpan Next(TimeSpan present, TimeSpan? estimate, DecisionKind? decision, HouseRules rules)
    {
        var wanted = estimate ?? present;
        var bounded = decision switch
        {
            DecisionKind.Raise or DecisionKind.Passed => Within(wanted, present, present * rules[MostRaise]),
            DecisionKind.Back or DecisionKind.EndNow => Within(wanted, Shortest, Longer(Shortest, present * rules[BackTo])),
            _ => Longer(Shortest, wanted),
        };
        var rounded = RoundedDown(bounded);
        return decision is DecisionKind.Raise or DecisionKind.Passed ? Longer(present, rounded) : rounded;
    }

    /// <summary>
    /// What each go of a set asks for, so that it cannot be foretold: half of them the criterion, the others evenly between a second and it, in an
    /// order of chance. The same seed gives the same.
    /// </summary>
    /// <param name="criterion">The criterion, a second or more.</param>
    /// <param name="goes">How many goes.</param>
    /// <param name="random">A seeded generator.</param>
    public static IReadOnlyList<TimeSpan> Varied(TimeSpan criterion, int goes, Random random)
    {
        var shorter = goes / 2;
        var all = Enumerable
            .Range(0, goes)
            .Select(i => i >= shorter ? criterion : RoundedDown(Shortest + (Longer(Shortest, criterion) - Shortest) * ((i + 0.5) / Math.Max(1, shorter))))
            .ToArray();
        random.Shuffle(all);
        return all;
    }

    private static TimeSpan AtRank(TimeSpan[] ordered, double rank)
    {
        var at = Math.Clamp(rank, 1, ordered.Length) - 1;
        var (low, high) = (ordered[(int)Math.Floor(at)], ordered[(int)Math.Ceiling(at)]);
        return low + (high - low) * (at - Math.Floor(at));
    }

    private static TimeSpan RoundedDown(TimeSpan time)
    {
        var step = time >= CoarseFrom ? 5.0 : 0.5;
        return TimeSpan.FromSeconds(Math.Max(Shortest.TotalSeconds, Math.Floor(time.TotalSeconds / step + 1e-9) * step));
    }

    private static TimeSpan Within(TimeSpan time, TimeSpan least, TimeSpan most) =>
        time < least ? least
        : time > most ? most
        : time;

    private static TimeSpan Longer(TimeSpan a, TimeSpan b) => a > b ? a : b;
}
