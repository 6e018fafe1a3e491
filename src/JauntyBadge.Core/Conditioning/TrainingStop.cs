namespace JauntyBadge.Core.Conditioning;

/// <summary>Why training is stopped until a person has said what is different.</summary>
public enum StopCause
{
    /// <summary>Over threshold again at the same step, within a few sessions.</summary>
    OverThresholdHere,

    /// <summary>Over threshold again and again, wherever.</summary>
    OverThresholdAnywhere,

    /// <summary>Put back from the same step again and again, and no further for it.</summary>
    RoundAndRound,
}

/// <summary>What a person may have changed when training goes on after a stop.</summary>
public enum WhatDiffers
{
    AnotherObject,
    AnotherSchool,

    /// <summary>A stage back: the plan is moved there.</summary>
    StageBack,
    OtherFood,
    AnotherPlace,

    /// <summary>Pain was looked for, by a veterinarian.</summary>
    PainLookedFor,

    /// <summary>A qualified behaviour professional works with it.</summary>
    Professional,
}

/// <summary>What a session came to, as recognition looks at it.</summary>
/// <param name="Session">Its place among the dog's sessions.</param>
/// <param name="OverAt">The step at which it went over threshold; null where it did not.</param>
/// <param name="PutBackFrom">The step from which it was put back: after going over threshold, or where it could not go on at the easiest rung.</param>
/// <param name="Passed">The steps it passed.</param>
public sealed record SessionOutcome(long Session, string? OverAt, string? PutBackFrom, IReadOnlyList<string> Passed);

/// <summary>
/// A dog that goes over threshold again and again is not trained any more (House): the plan stops until a person has said what is different.
/// Fear of that kind is seldom trained away by more goes.
/// </summary>
/// <param name="Cause">What was recognised.</param>
/// <param name="StepId">Where it was last.</param>
/// <param name="Times">How many times.</param>
/// <param name="Sessions">Within how many sessions; for being put back, since it was passed last.</param>
public sealed record TrainingStop(StopCause Cause, string StepId, int Times, int Sessions)
{
    public static readonly Grounded<int> TimesHere = new(
        "train.stop-here",
        "Times over threshold at one step, within a few sessions, that stop training",
        2,
        Basis.House("once may be bad luck")
    )
    {
        SetElsewhere = "It guards the dog.",
    };
    public static readonly Grounded<int> WithinHere = new("train.stop-here-within", "The few sessions", 5, Basis.House("a week")) { Least = 3, Most = 10 };
    public static readonly Grounded<int> TimesAnywhere = new(
        "train.stop-anywhere",
        "Times over threshold anywhere, within some sessions, that stop training",
        3,
        Basis.House("it is not the step")
    )
    {
        SetElsewhere = "It guards the dog.",
    };
    public static readonly Grounded<int> WithinAnywhere = new("train.stop-anywhere-within", "Those sessions", 10, Basis.House("two weeks"))
    {
        Least = 6,
        Most = 20,
    };
    public static readonly Grounded<int> TimesPutBack = new(
        "train.stop-put-back",
        "Times put back from one step, never passing it, that stop training",
        3,
        Basis.House("round and round is no way on")
    )
    {
        Least = 2,
        Most = 4,
    };

    public static IReadOnlyList<IGrounded> All { get; } = [TimesHere, WithinHere, TimesAnywhere, WithinAnywhere, TimesPutBack];

    /// <summary>Recognises it: what stopped training stays until a person speaks, whatever was trained on a device meanwhile.</summary>
    /// <param name="sessions">What sessions came to, the oldest first, since a person last said what is different; those in which nothing of this happened may be left out.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static TrainingStop? Of(IReadOnlyList<SessionOutcome> sessions, HouseRules rules)
    {
        for (var i = sessions.Count - 1; i >= 0; i--)
        {
            if (sessions[i].PutBackFrom is { } from && After(sessions, i, from, rules) is { } stop)
                return stop;
        }

        return null;
    }

    private static TrainingStop? After(IReadOnlyList<SessionOutcome> sessions, int last, string from, HouseRules rules)
    {
        var (now, here, anywhere, back, since, passed) = (sessions[last], 0, 0, 0, sessions[last].Session, false);
        for (var i = last; i >= 0; i--)
        {
            var (one, ago) = (sessions[i], now.Session - sessions[i].Session);
            here += one.OverAt is not null && one.OverAt == now.OverAt && ago < rules[WithinHere] ? 1 : 0;
            anywhere += one.OverAt is not null && now.OverAt is not null && ago < rules[WithinAnywhere] ? 1 : 0;
            passed |= one.Passed.Contains(from);
            if (!passed && one.PutBackFrom == from)
                (back, since) = (back + 1, one.Session);
        }

        return here >= rules[TimesHere] ? new(StopCause.OverThresholdHere, from, here, rules[WithinHere])
            : anywhere >= rules[TimesAnywhere] ? new(StopCause.OverThresholdAnywhere, from, anywhere, rules[WithinAnywhere])
            : back >= rules[TimesPutBack] ? new(StopCause.RoundAndRound, from, back, (int)(now.Session - since) + 1)
            : null;
    }

    /// <summary>What sessions came to.</summary>
    /// <param name="sets">What became of sets, the oldest first.</param>
    public static IReadOnlyList<SessionOutcome> Outcomes(IEnumerable<SetOutcome> sets) =>
        [.. sets.GroupBy(s => s.Session).Select((session, place) => Outcome(place, session))];

    /// <summary>Whether a set was put back from the easiest rung, so from its step.</summary>
    internal static bool CouldNotGoOn(DecisionKind made, int target) => made == DecisionKind.Back && target == SetStart.EasiestRung;

    /// <summary>What one came to.</summary>
    internal static SessionOutcome Outcome(long place, IEnumerable<SetOutcome> sets)
    {
        var all = sets.ToList();
        var over = all.FindLast(s => s.Decision == DecisionKind.EndNow)?.StepId;
        var stuck = all.FindLast(s => CouldNotGoOn(s.Decision, s.Target))?.StepId;
        return new(place, over, over ?? stuck, [.. all.Where(s => s.Decision == DecisionKind.Passed).Select(s => s.StepId)]);
    }

    /// <summary>Where training goes on once somebody said what is different: a stage back where that is it, else where it stands.</summary>
    public static PlanPosition GoesOnAt(TrainingPlan plan, TrainingStop stop, WhatDiffers differs, PlanPosition stands, GoRule rule, HouseRules rules) =>
        differs == WhatDiffers.StageBack
            ? new(AStageBack([.. plan.Steps.Select(s => s.Step)], stop.StepId).Id, GoRules.BeginsAt(plan.Dog.Temperament, rule, rules), stands.NotBefore)
            : stands;

    /// <summary>The first step of the stage before the one a plan stands at; the first of all where there is none.</summary>
    public static Step AStageBack(IReadOnlyList<Step> steps, string stepId)
    {
        var at = steps.FirstOrDefault(s => s.Id == stepId)?.Stage ?? Stage.Ready;
        var before = steps.Select(s => s.Stage).Where(s => s < at).DefaultIfEmpty(at).Max();
        return steps.First(s => s.Stage == before || before == at);
    }
}
