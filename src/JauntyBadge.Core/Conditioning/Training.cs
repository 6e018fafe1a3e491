using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Core.Conditioning;

/// <summary>What is on record of a dog's training, and where that puts its plan.</summary>
/// <param name="Dog">The dog.</param>
/// <param name="Plan">Its plan.</param>
/// <param name="Passed">Ids of the steps it has passed.</param>
/// <param name="MovedTo">Where the plan was moved to last; null where it never was, or where every step was passed then.</param>
/// <param name="MovedAt">When that was; null where it never was.</param>
/// <param name="NotBefore">The day that last move asks to wait for.</param>
/// <param name="LastTrained">The practice's day of the last finished set.</param>
/// <param name="IsOpen">A session was begun and not ended.</param>
/// <param name="Week">The owner's days.</param>
/// <param name="Rule">How its sets are decided.</param>
/// <param name="Stuck">Where it does not get on; null where it does.</param>
/// <param name="Rules">The numbers that decide.</param>
public sealed record Training(
    DogProfile Dog,
    TrainingPlan Plan,
    IReadOnlySet<string> Passed,
    PlanPosition? MovedTo,
    DateTime? MovedAt,
    DateOnly? NotBefore,
    DateOnly? LastTrained,
    bool IsOpen,
    TrainingWeek Week,
    GoRule Rule,
    Stuck? Stuck,
    HouseRules Rules
)
{
    /// <summary>Why it is stopped until somebody says what is different; null where it is not.</summary>
    public TrainingStop? Stop { get; init; }

    /// <summary>The sessions of its last day of training.</summary>
    public IReadOnlyList<HeldSession> LastSessions { get; init; } = [];

    /// <summary>When somebody last said where the plan stands; null where nobody has.</summary>
    public DateTime? MovedByHandAt { get; init; }

    /// <summary>Somebody has said where the plan stands since it was trained last.</summary>
    private bool WasSetSince => MovedByHandAt > LastSessions.Select(s => (DateTime?)s.EndedAt).Max();

    /// <summary>Where a session begun on a day starts, and why if that is lower than where the plan stands; null where every step is passed.</summary>
    public (PlanPosition Position, LongAway? Away)? StartOn(DateOnly today) =>
        Position is not { } position ? null
        : WasSetSince ? (position, null)
        : Progression.AfterGap(Plan, position, LastTrained, today, Rules);

    /// <summary>Days it was away, where that is so long that where to begin is found anew; null where it was not, or somebody has said since where it stands.</summary>
    public int? DaysGone(DateOnly today) =>
        LastTrained is { } last && today.DayNumber - last.DayNumber is var days && TimeSpan.FromDays(days) > Rules[Progression.GoneSoLong] && !WasSetSince
            ? days
            : null;

    /// <summary>Whether where to begin is found by trying: a dog never trained nor set anywhere, or one that was away for very long.</summary>
    public bool MayFindBeginning(DateOnly today) => !IsOpen && ((LastTrained is null && MovedAt is null) || DaysGone(today) is not null);

    /// <summary>
    /// Where the plan stands: where it was moved to last, as long as that step is in it; else its first step that is not passed, which is also
    /// where a step that came into the plan later is trained. Null when all are passed.
    /// </summary>
    public PlanPosition? Position =>
        MovedTo is { } move && Find(move.StepId) is { } step ? move with { At = move.At.Within(step) }
        : Plan.NextAfter(Passed) is { } next ? new PlanPosition(next.Id, GoRules.BeginsAt(Dog.Temperament, Rule, Rules), NotBefore)
        : null;

    /// <summary>It wears its muzzle: every step up to the purpose's last is passed, and upkeep is what is left.</summary>
    public bool WearsIt => Plan.WearsIt(Passed);

    /// <summary>Steps that have to be passed by the day it is wanted, and are not.</summary>
    public int StepsLeft => Plan.Steps.Take(ForSession().Wanted(Week.ReadyAt)).Count(s => !Passed.Contains(s.Step.Id));

    /// <summary>The last step it passed at home, before other places; null where there is none.</summary>
    public Step? LastEasy => Plan.Steps.LastOrDefault(s => s.Step.Stage < Stage.Places && Passed.Contains(s.Step.Id))?.Step;

    /// <summary>The plan as a session begun now keeps it.</summary>
    public SessionPlan ForSession() => Plan.ForSession(Dog.Temperament, Rule);

    /// <summary>A step of the plan; null where it is not in it.</summary>
    public Step? Find(string stepId) => Plan.Steps.FirstOrDefault(s => s.Step.Id == stepId)?.Step;

    /// <summary>How its training stands, among those of a practice.</summary>
    public TrainingStanding StandingOn(DateOnly today) => TrainingStanding.Of(Plan, Passed, Position, Stop, Stuck, LastTrained, Week, StepsLeft, today, Rules);
}
