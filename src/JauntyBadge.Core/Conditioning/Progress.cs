namespace JauntyBadge.Core.Conditioning;

/// <summary>A set as progress looks at it.</summary>
/// <param name="Session">Number of its session, growing.</param>
/// <param name="Set">What was trained.</param>
/// <param name="Decision">What was decided.</param>
public sealed record TrainedSet(long Session, SetRecord Set, DecisionKind Decision);

/// <summary>What became of a set.</summary>
/// <param name="Session">Number of its session, growing.</param>
/// <param name="StepId">Its step.</param>
/// <param name="Target">Its target.</param>
/// <param name="Decision">What was decided.</param>
public sealed record SetOutcome(long Session, string StepId, int Target, DecisionKind Decision);

/// <summary>A step as it went.</summary>
/// <param name="StepId">The step.</param>
/// <param name="Sessions">Sessions in which it was trained.</param>
/// <param name="First">The first day.</param>
/// <param name="Last">The last.</param>
/// <param name="Goes">Goes that succeeded, with their interval.</param>
/// <param name="WorriedSets">Sets with a sign of worry or worse.</param>
public sealed record StepProgress(string StepId, int Sessions, DateOnly First, DateOnly Last, ShareOf Goes, int WorriedSets);

/// <summary>A session as it went.</summary>
/// <param name="Day">The day.</param>
/// <param name="Goes">Goes that succeeded, with their interval.</param>
/// <param name="Signs">Signs by group.</param>
/// <param name="LongestHold">The longest hold with its nose in the muzzle; null where none was timed.</param>
/// <param name="Asked">The longest criterion asked for.</param>
/// <param name="Passed">Steps passed in it.</param>
public sealed record SessionProgress(DateOnly Day, ShareOf Goes, IReadOnlyDictionary<SignGroup, int> Signs, TimeSpan? LongestHold, TimeSpan? Asked, int Passed);

/// <summary>A dog that does not get on.</summary>
/// <param name="StepId">Where.</param>
/// <param name="Sessions">Sessions in a row at it that brought it no further.</param>
public sealed record Stuck(string StepId, int Sessions);

/// <summary>How a dog has come on.</summary>
public sealed record Progress(
    IReadOnlyList<SessionProgress> Sessions,
    IReadOnlyList<StepProgress> Steps,
    Stuck? Stuck,
    IReadOnlyList<(TimeSpan At, double StillIn)> StillIn
)
{
    public static readonly Grounded<int> StuckAfter = new(
        "progress.stuck",
        "Sessions in a row that bring it no further, after which a dog counts as stuck",
        3,
        Basis.House("two may be bad days")
    )
    {
        Least = 2,
        Most = 8,
    };

    public static readonly Grounded<int> OverdueAfter = new(
        "progress.overdue",
        "Days without a session after which one is overdue",
        4,
        Basis.House("twice the usual rest")
    )
    {
        Least = 2,
        Most = 14,
    };

    /// <summary>Days before its last session that are looked at to tell whether a dog is stuck: more than it takes to be, with pauses (House). It bounds what is read.</summary>
    public const int StuckLooksBack = 120;

    public static IReadOnlyList<IGrounded> All { get; } = [StuckAfter, OverdueAfter];

    /// <summary>Tells how a dog has come on.</summary>
    /// <param name="sets">Every finished set, the oldest first.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static Progress Of(IReadOnlyList<TrainedSet> sets, HouseRules rules) =>
        new(
            [.. sets.GroupBy(s => s.Session).Select(OfSession)],
            [.. sets.GroupBy(s => s.Set.StepId).Select(OfStep)],
            StuckAt([.. sets.Select(s => new SetOutcome(s.Session, s.Set.StepId, s.Set.Target, s.Decision))], rules),
            ProductLimit.Of([.. sets.Where(s => Step.Find(s.Set.StepId)?.Stage == Stage.Hold).SelectMany(s => s.Set.Holds).TakeLast(rules[Holds.Remembered])])
        );

    /// <summary>Whether a session is overdue.</summary>
    public static bool IsOverdue(DateOnly lastTrained, DateOnly today, HouseRules rules) => today.DayNumber - lastTrained.DayNumber > rules[OverdueAfter];

    /// <summary>
    /// Where a dog is stuck: so many sessions in a row at one step, and none of them brought it further there than it had been. A raise that only wins
    /// back what the session before lost is none: a dog that goes up a rung and down again each day would never count as stuck.
    /// </summary>
    /// <param name="sets">What became of its sets, the oldest first.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static Stuck? StuckAt(IReadOnlyList<SetOutcome> sets, HouseRules rules)
    {
        if (sets.Count == 0)
            return null;
        var (at, best, without) = (sets[^1].StepId, int.MinValue, 0);
        foreach (var session in sets.GroupBy(s => s.Session))
        {
            var here = session.Where(s => s.StepId == at).ToList();
            var reached = here.Where(s => s.Decision is DecisionKind.Raise or DecisionKind.Passed).Select(s => s.Target + 1).DefaultIfEmpty(int.MinValue).Max();
            var elsewhere = session.Any(s => s.StepId != at && s.Decision is DecisionKind.Raise or DecisionKind.Passed);
            without = here.Count == 0 || reached > best || elsewhere ? 0 : without + 1;
            best = Math.Max(best, reached);
        }

        return without >= rules[StuckAfter] ? new(at, without) : null;
    }

    private static SessionProgress OfSession(IEnumerable<TrainedSet> sets)
    {
        var all = sets.ToList();
        // Times on the mat or of a hand on the neck are not holds in the muzzle.
        var inIt = all.Where(s => Step.Find(s.Set.StepId)?.Stage is Stage.NoseIn or Stage.Hold or Stage.FirstFastening or Stage.WearingStill or Stage.Moving)
            .ToList();
        var held = inIt.SelectMany(s => s.Set.Holds).Select(h => h.Held).ToList();
        var asked = inIt.Select(s => Step.Find(s.Set.StepId) is { } step ? s.Set.Asks.HoldOn(step) : s.Set.Asks.Asked).OfType<TimeSpan>().ToList();
        return new(
            all[0].Set.Day,
            Goes(all),
            Enum.GetValues<SignGroup>().ToDictionary(g => g, g => all.Sum(s => s.Set.Signs.Count(x => x.Group == g))),
            held.Count == 0 ? null : held.Max(),
            asked.Count == 0 ? null : asked.Max(),
            all.Count(s => s.Decision == DecisionKind.Passed)
        );
    }

    private static StepProgress OfStep(IGrouping<string, TrainedSet> sets)
    {
        var all = sets.ToList();
        return new(
            sets.Key,
            all.Select(s => s.Session).Distinct().Count(),
            all[0].Set.Day,
            all[^1].Set.Day,
            Goes(all),
            all.Count(s => s.Set.Worst >= SignGroup.Worried)
        );
    }

    private static ShareOf Goes(List<TrainedSet> sets) => ShareOf.Wilson(sets.Sum(s => s.Set.Goes.Count(g => g)), sets.Sum(s => s.Set.Goes.Count));
}
