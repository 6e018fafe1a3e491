namespace JauntyBadge.Core.Conditioning;

/// <summary>What the rule makes of a set.</summary>
public enum DecisionKind
{
    /// <summary>End now, steps back, another day.</summary>
    EndNow,

    /// <summary>One target easier.</summary>
    Back,

    /// <summary>Same target again.</summary>
    Same,

    /// <summary>Next target of this step.</summary>
    Raise,

    /// <summary>The step is passed; on to the next.</summary>
    Passed,

    /// <summary>Nothing is clear yet: the set goes on.</summary>
    GoOn,
}

/// <summary>The rule's decision after a set, and where the plan stands then.</summary>
/// <param name="Set">What was made of the set.</param>
/// <param name="Next">Where the plan stands now; null when the last step is passed.</param>
/// <param name="EndSession">Whether the session should end here.</param>
/// <param name="Facts">What its words speak of.</param>
/// <param name="Basis">What the rule stands on.</param>
public sealed record Decision(SetDecision Set, PlanPosition? Next, bool EndSession, DecisionFacts Facts, Basis Basis)
{
    public DecisionKind Kind => Set.Kind;
}

/// <summary>Why a session is enough for today.</summary>
public enum EnoughToday
{
    /// <summary>It is not.</summary>
    No,

    /// <summary>Its time is up.</summary>
    Minutes,

    /// <summary>So many goes are enough.</summary>
    Goes,

    /// <summary>So many goes are enough, and the last of them was missed.</summary>
    GoesOnAMiss,

    /// <summary>It was at a new place.</summary>
    Place,
}

/// <summary>A decision in codes and numbers, as it is kept with its set; the words for it stand in <see cref="ConditioningWords"/>.</summary>
/// <param name="Made">What was made of the set.</param>
/// <param name="StepId">The step trained.</param>
/// <param name="Target">Its target.</param>
/// <param name="IsFearful">The dog is heeded at its first unsure sign.</param>
/// <param name="Then">The step begun next: after going over threshold or once this one is passed; null where it stays at this one, or was the plan's last.</param>
/// <param name="WasLast">The plan's last step is passed.</param>
/// <param name="Enough">Why the session is enough for today.</param>
/// <param name="Number">The minutes or goes that are.</param>
public sealed record DecisionFacts(
    SetDecision Made,
    string StepId,
    int Target,
    bool IsFearful,
    string? Then = null,
    bool WasLast = false,
    EnoughToday Enough = EnoughToday.No,
    double Number = 0
)
{
    /// <summary>By which rules it was decided.</summary>
    public Edition Edition { get; init; }

    /// <summary>How many steps it really goes back; null in older decisions, where it is as many as were asked for.</summary>
    public int? WentBack { get; init; }

    /// <summary>The step has a way out to offer: the dog could not go on.</summary>
    public bool OffersWayOut => Made.Kind is DecisionKind.Back or DecisionKind.EndNow;
}

/// <summary>Why a plan was moved, other than by a person.</summary>
public enum MoveCause
{
    /// <summary>By what was decided after a set.</summary>
    Decided,

    /// <summary>Wears in a row went badly.</summary>
    WorriedWears,

    /// <summary>Where to begin was found by trying.</summary>
    Tried,

    /// <summary>The dog was over threshold at a wear.</summary>
    OverThresholdWear,

    /// <summary>Somebody said what is different, and it goes on after training was stopped.</summary>
    Resumed,
}

/// <summary>Why a plan was moved, in codes and facts; the words stand in <see cref="ConditioningWords"/>.</summary>
/// <param name="Cause">What moved it.</param>
public sealed record MoveWhy(MoveCause Cause)
{
    /// <summary>What was decided after a set.</summary>
    public DecisionFacts? Decision { get; init; }

    /// <summary>The step it was moved to.</summary>
    public string? StepId { get; init; }

    /// <summary>Wears in a row, or steps that were tried.</summary>
    public int Number { get; init; }

    /// <summary>How many of them went well and at ease.</summary>
    public int WentWell { get; init; }

    /// <summary>What is different now, where training had stopped.</summary>
    public WhatDiffers? Differs { get; init; }
}

/// <summary>What went before at a target, in earlier sets of its step.</summary>
/// <param name="GoodGoes">Goes that went well and at ease, with none missed since.</param>
/// <param name="Unsure">The set before was at this target and ended unsure.</param>
public readonly record struct AtTarget(int GoodGoes, bool Unsure);

/// <summary>Why a session starts lower than its plan stands.</summary>
/// <param name="Days">Days without training.</param>
/// <param name="StageStep">The first step of the stage below, where it starts there; null for one target lower.</param>
/// <param name="Stages">How many stages lower, where it starts at a stage.</param>
public sealed record LongAway(int Days, string? StageStep, int Stages = 1);
