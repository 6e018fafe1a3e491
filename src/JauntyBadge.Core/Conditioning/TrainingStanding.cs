namespace JauntyBadge.Core.Conditioning;

/// <summary>How a dog's training stands, what asks for a look coming first.</summary>
public enum TrainingState
{
    /// <summary>Over threshold again and again: stopped until somebody says what is different.</summary>
    Stopped,

    /// <summary>Session after session brings it no further.</summary>
    Stuck,

    /// <summary>Begun, and not trained for days.</summary>
    Overdue,

    /// <summary>It rests after going over threshold.</summary>
    Resting,

    /// <summary>It gets on.</summary>
    UnderWay,

    /// <summary>Never trained.</summary>
    NotBegun,

    /// <summary>It wears its muzzle.</summary>
    Ready,
}

/// <summary>How the training of one dog stands on a day, among those of a practice.</summary>
/// <param name="State">What it comes to.</param>
/// <param name="Place">Where the plan stands; null where every step is passed.</param>
/// <param name="Passed">Steps of its plan that are passed.</param>
/// <param name="Steps">Steps of its plan.</param>
/// <param name="Stop">Why it is stopped.</param>
/// <param name="Stuck">Where it does not get on.</param>
/// <param name="LastTrained">The day of its last session; null for a dog never trained.</param>
/// <param name="Wanted">The day it is wanted, today or later, while there are steps to go.</param>
/// <param name="StepsLeft">Steps to pass by then.</param>
public sealed record TrainingStanding(
    TrainingState State,
    PlanPosition? Place,
    int Passed,
    int Steps,
    TrainingStop? Stop,
    Stuck? Stuck,
    DateOnly? LastTrained,
    DateOnly? Wanted,
    int StepsLeft
)
{
    /// <summary>Days whose sessions count as held lately (House: two weeks, so that a week off does not empty it).</summary>
    public const int LatelyDays = 14;

    /// <summary>Tells how a dog's training stands.</summary>
    /// <param name="plan">Its plan.</param>
    /// <param name="passed">The steps it has passed.</param>
    /// <param name="place">Where the plan stands.</param>
    /// <param name="stop">Why it is stopped, where it is.</param>
    /// <param name="stuck">Where it does not get on, where it does not.</param>
    /// <param name="lastTrained">The day of its last session.</param>
    /// <param name="week">The owner's days and date.</param>
    /// <param name="stepsLeft">Steps to pass by the date.</param>
    /// <param name="today">The day.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static TrainingStanding Of(
        TrainingPlan plan,
        IReadOnlySet<string> passed,
        PlanPosition? place,
        TrainingStop? stop,
        Stuck? stuck,
        DateOnly? lastTrained,
        TrainingWeek week,
        int stepsLeft,
        DateOnly today,
        HouseRules rules
    )
    {
        var state =
            place is null || plan.WearsIt(passed) ? TrainingState.Ready
            : stop is not null ? TrainingState.Stopped
            : place.NotBefore > today ? TrainingState.Resting
            : lastTrained is not { } last ? TrainingState.NotBegun
            : stuck is not null ? TrainingState.Stuck
            : Progress.IsOverdue(last, today, rules) ? TrainingState.Overdue
            : TrainingState.UnderWay;
        return new(
            state,
            place,
            plan.Steps.Count(s => passed.Contains(s.Step.Id)),
            plan.Steps.Count,
            state == TrainingState.Stopped ? stop : null,
            state == TrainingState.Stuck ? stuck : null,
            lastTrained,
            week.By >= today && stepsLeft > 0 ? week.By : null,
            stepsLeft
        );
    }
}
