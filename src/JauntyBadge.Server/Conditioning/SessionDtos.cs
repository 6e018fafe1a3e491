using FluentValidation;
using JauntyBadge.Core;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Data.Conditioning;

namespace JauntyBadge.Server.Conditioning;

/// <summary>Which set something was tapped in: its number in the session, the step and the target that were shown.</summary>
public interface ITapped
{
    int? Set { get; }
    string? StepId { get; }
    int? Target { get; }
}

/// <summary>When something was done, by a device's clock.</summary>
public interface IMoment
{
    DateTimeOffset? At { get; }

    /// <summary>When it was sent, by the same clock: what that is off is taken out.</summary>
    DateTimeOffset? SentAt { get; }
}

/// <summary>One go's outcome.</summary>
/// <param name="Success">Whether it did what the step asks.</param>
/// <param name="HeldMs">How long it held, where the step has a timer.</param>
/// <param name="Set">The set it was tapped in: it counts in that one or in none.</param>
/// <param name="StepId">The step that was shown.</param>
/// <param name="Target">The target that was shown.</param>
/// <param name="At">When it was tapped, by the pad's clock; the time it arrived when left out.</param>
/// <param name="SentAt">When this was sent, by the same clock: what that is off is taken out of the other.</param>
public sealed record GoEntry(
    bool? Success = null,
    int? HeldMs = null,
    int? Set = null,
    string? StepId = null,
    int? Target = null,
    DateTimeOffset? At = null,
    DateTimeOffset? SentAt = null
) : ITapped, IMoment;

public sealed class GoEntryValidator : AbstractValidator<GoEntry>
{
    private const int LongestHoldMs = 60 * 60 * 1000;

    public GoEntryValidator()
    {
        this.SaysWhere();
        RuleFor(g => g.Success).NotNull().WithMessage("Say whether the go succeeded.");
        RuleFor(g => g.HeldMs).InclusiveBetween(0, LongestHoldMs).WithMessage("A hold is 0 to 3600000 ms.");
    }
}

/// <summary>A sign seen.</summary>
public sealed record SignEntry(
    string? SignId = null,
    int? Set = null,
    string? StepId = null,
    int? Target = null,
    DateTimeOffset? At = null,
    DateTimeOffset? SentAt = null
) : ITapped, IMoment;

public sealed class SignEntryValidator : AbstractValidator<SignEntry>
{
    public SignEntryValidator()
    {
        this.SaysWhere();
        RuleFor(s => s.SignId).Must(id => id is not null && Sign.Find(id) is not null).WithMessage("\"{PropertyValue}\" is not a sign on the list.");
    }
}

/// <summary>A session as a device began it, perhaps while the server was away.</summary>
/// <param name="Id">The session's, made by the device: sent twice it is begun once.</param>
/// <param name="At">When it was begun, by the device's clock; now when left out.</param>
/// <param name="StepId">The step that was shown; where the plan stands when left out.</param>
/// <param name="Target">The target that was shown.</param>
/// <param name="Note">Why it was trained though it was not to be: it rested, was stopped, had had enough that day. It stays on record.</param>
/// <param name="SentAt">When this was sent, by the same clock.</param>
public sealed record SessionEntry(
    Guid? Id = null,
    DateTimeOffset? At = null,
    string? StepId = null,
    int? Target = null,
    string? Note = null,
    DateTimeOffset? SentAt = null
) : IMoment;

public sealed class SessionEntryValidator : AbstractValidator<SessionEntry>
{
    private const int LongestNote = 500;

    public SessionEntryValidator() => RuleFor(s => s.Note).MaximumLength(LongestNote).WithMessage($"Up to {LongestNote} letters, please.");
}

/// <summary>When something was done on a device; the time it arrived when left out.</summary>
public sealed record MomentEntry(DateTimeOffset? At = null, DateTimeOffset? SentAt = null) : IMoment;

/// <summary>Where to go on instead of what the rule decided of a set.</summary>
/// <param name="Target">A target of the set's step; −1 to −3 are its easier rungs.</param>
/// <param name="Note">Why; it stays on record.</param>
public sealed record OverruleSetEntry(int? Target = null, string? Note = null);

public sealed class OverruleSetEntryValidator : AbstractValidator<OverruleSetEntry>
{
    private const int LongestNote = 500;

    public OverruleSetEntryValidator()
    {
        RuleFor(o => o.Target).NotNull().WithMessage("Say at which target it goes on.");
        RuleFor(o => o.Note)
            .Must(n => !string.IsNullOrWhiteSpace(n) && n.Length <= LongestNote)
            .WithMessage($"Write down why, in up to {LongestNote} letters.");
    }
}

/// <summary>What a finished set can be made to go on at.</summary>
/// <param name="Set">The set's number.</param>
/// <param name="StepName">Its step.</param>
/// <param name="Rungs">The targets and easier rungs of the step, the easiest first.</param>
public sealed record OverruleDto(int Set, string StepName, IReadOnlyList<RungDto> Rungs);

public sealed record RungDto(int Target, string Text);

internal static class TappedRules
{
    public static void SaysWhere<T>(this AbstractValidator<T> validator)
        where T : ITapped
    {
        validator.RuleFor(t => t.Set).NotNull().WithMessage("Say in which set of the session it was tapped.");
        validator.RuleFor(t => t.StepId).NotNull().WithMessage("Say which step was shown.");
        validator.RuleFor(t => t.Target).NotNull().WithMessage("Say which target was shown.");
    }
}

public sealed record GoDto(Guid Id, bool Success, int? HeldMs, DateTime At);

public sealed record SeenDto(Guid Id, string SignId, SignGroup Group);

/// <summary>A set with its goes, and the rule's decision once it is finished.</summary>
/// <param name="HoldSeconds">The criterion of a target that is time; null for any other.</param>
/// <param name="HoldTargets">What each go of it asks to be held.</param>
/// <param name="Kind">How it is worked at.</param>
/// <param name="Count">How many in a row it asks for, where they are counted.</param>
/// <param name="InARow">How many went well in a row so far, a miss halving them, where they are counted.</param>
public sealed record SetDto(
    int Number,
    string StepId,
    string StepName,
    int Target,
    string TargetText,
    double? HoldSeconds,
    IReadOnlyList<double>? HoldTargets,
    IReadOnlyList<GoDto> Goes,
    IReadOnlyList<SeenDto> Signs,
    DecisionKind? Decision,
    string? Reason,
    string? Basis,
    string? IfStuck,
    bool EndSession,
    string? Overruled,
    StepKind Kind,
    int? Count,
    int? InARow,
    long Version
);

/// <summary>What comes after the set that ended a session.</summary>
/// <param name="AsksEasyGo">One easy go is to end it, and was not had yet.</param>
/// <param name="Says">What to do now, in a sentence.</param>
/// <param name="Set">Where the easy go, and what is seen now, is tapped; with what was.</param>
public sealed record AfterDto(bool AsksEasyGo, string Says, SetDto Set);

/// <summary>A dog as its sessions need it.</summary>
internal sealed record PlannedDog(string Name, TrainingPlan Plan, SessionPlan Session, HouseRules Rules, ConditioningWords Words)
{
    /// <summary>Why its training is stopped; null where it is not, or where nothing asks.</summary>
    public TrainingStop? Stop { get; init; }

    public static PlannedDog Of(TrainedDog dog, ConditioningWords words) =>
        new(dog.Measured.Dog.Name, dog.Training.Plan, dog.Training.ForSession(), dog.Measured.Rules, words) { Stop = dog.Training.Stop };

    /// <summary>The plan a session is trained by: as it began.</summary>
    public SessionPlan PlanOf(SessionRow session) => session.BegunWith ?? Session;

    /// <summary>Earlier sets of the step of the open set, where they matter to how it stands.</summary>
    public IReadOnlyList<SetRecord> Earlier { get; init; } = [];

    /// <summary>How an open set stands.</summary>
    public (SetStart Start, SetDecision Decision) Standing(SessionRow session, SetRow open)
    {
        var (set, plan) = (open.ToRecord(), PlanOf(session));
        var start = Progression.StartOf(plan, set, Progression.GoodDays(plan, set, Earlier, Rules), Backs(session), Progression.Before(set, Earlier));
        return (start, GoRules.Decide(start, set.Goes, set.Signs, Rules));
    }

    /// <summary>Times the session went back.</summary>
    public static int Backs(SessionRow session) => session.Sets.Count(s => s.Decision == DecisionKind.Back);
}

/// <summary>A session. The open set, if any, is the last one.</summary>
/// <param name="Step">The step of the latest set.</param>
/// <param name="IsClear">The open set is decided: finish it; more goes would not be looked at.</param>
/// <param name="Settles">What would settle the open set, or that it is settled and by what, in a sentence; null where none is open.</param>
/// <param name="GoesInSet">Goes after which the open set is full.</param>
/// <param name="After">What comes after the set that ended it; null while it goes on, and once a later session was begun.</param>
/// <param name="Stop">Training is stopped after it: why, in a sentence; null where it is not.</param>
/// <param name="EndNow">A sign over threshold was tapped in the open set: end now.</param>
/// <param name="SettledBy">The groups of signs one of which settles a set by itself.</param>
/// <param name="Meanwhile">That somebody changed the plan while it was under way, and what holds; null where nobody did.</param>
/// <param name="Overrule">How the decision of the set finished last can be overruled; null where it cannot: nothing is finished, the next set has begun, or the dog went over threshold.</param>
public sealed record SessionDto(
    Guid Id,
    Guid DogId,
    string DogName,
    DateTime StartedAt,
    DateTime? EndedAt,
    string? GapReason,
    int GoesInSet,
    StepDto? Step,
    IReadOnlyList<SetDto> Sets,
    SetDto? OpenSet,
    bool IsClear,
    string? Settles,
    bool EndNow,
    IReadOnlyList<SignGroup> SettledBy,
    OverruleDto? Overrule,
    AfterDto? After,
    string? Stop,
    string? Meanwhile = null
)
{
    /// <param name="session">The session with its sets.</param>
    /// <param name="dog">Whose it is, with the plan it is trained by.</param>
    /// <param name="isLast">No later session of the dog was begun.</param>
    internal static SessionDto Of(SessionRow session, PlannedDog dog, bool isLast = true)
    {
        var rows = session.Sets.Where(s => !s.IsAfter).OrderBy(s => s.Number).ToList();
        var open = session.EndedAt is null ? rows.SingleOrDefault(s => s.ClosedAt is null) : null;
        var (start, standing) = open is null ? (null, null) : dog.Standing(session, open);
        var plan = dog.PlanOf(session);
        return new SessionDto(
            session.Id,
            session.DogId,
            dog.Name,
            session.StartedAt,
            session.EndedAt,
            session.Away is { } away ? dog.Words.Away(away) : session.GapReason,
            start?.MostGoes ?? Progression.GoesInSet,
            rows.Count == 0 ? null : StepOf(rows[^1].StepId, dog),
            [.. rows.Where(s => s.ClosedAt is not null).Select(s => Of(s, plan, dog.Words))],
            open is null ? null : Of(open, plan, dog.Words, standing),
            standing is { DecidedAfter: not null },
            standing is null ? null : dog.Words.Standing(standing),
            open is not null && Progression.EndsNow(open.ToRecord().Worst),
            GoRules.SettledBy(plan.Temperament, plan.Rule),
            OverruleOf(rows, session, dog.Words),
            isLast ? AfterOf(session, plan, dog.Words) : null,
            session.EndedAt is not null && dog.Stop is { } stop ? dog.Words.Stopped(stop) : null
        );
    }

    private static AfterDto? AfterOf(SessionRow session, SessionPlan plan, ConditioningWords words)
    {
        if (AfterRow(session) is not { } after || LastSet(session) is not { } last)
            return null;
        var easy = last.DecidedBy is { } facts ? Progression.EasyGoAfter(facts) : null;
        var asks = easy is not null && after.Goes.Count == 0 && after.Decision is null;
        return new AfterDto(asks, words.After(asks, last.Decision == DecisionKind.EndNow || after.Decision == DecisionKind.EndNow), Of(after, plan, words));
    }

    private static SetRow? LastSet(SessionRow session) => session.Sets.Where(s => !s.IsAfter && s.ClosedAt is not null).MaxBy(s => s.Number);

    /// <summary>What came after the set that ended a session, as it is or as it would be begun; null while it goes on.</summary>
    internal static SetRow? AfterRow(SessionRow session)
    {
        if (session.EndedAt is not { } ended || LastSet(session) is not { } last)
            return null;
        return session.Sets.SingleOrDefault(s => s.IsAfter)
            ?? new SetRow
            {
                SessionId = session.Id,
                DogId = session.DogId,
                Number = last.Number + 1,
                StepId = last.StepId,
                Target = Progression.WellBelow(last.Target),
                IsAfter = true,
                StartedAt = ended,
                ClosedAt = ended,
                Day = last.Day,
            };
    }

    private static OverruleDto? OverruleOf(List<SetRow> rows, SessionRow session, ConditioningWords words)
    {
        if (rows.LastOrDefault(s => s.ClosedAt is not null) is not { } last || !last.CanBeOverruled(session.Sets) || KnownStep(last.StepId) is not { } step)
            return null;
        var rungs = Enumerable.Range(SetStart.EasiestRung, step.Targets.Count - SetStart.EasiestRung);
        return new(last.Number, words.Called(step), [.. rungs.Select(t => new RungDto(t, words.Target(step, t)))]);
    }

    private static StepDto? StepOf(string stepId, PlannedDog dog) =>
        dog.Plan.Steps.FirstOrDefault(s => s.Step.Id == stepId) is { } planned ? StepDto.Of(planned, dog.Words)
        : KnownStep(stepId) is { } retired ? StepDto.Of(new PlannedStep(retired, []), dog.Words)
        : null;

    private static SetDto Of(SetRow set, SessionPlan plan, ConditioningWords words, SetDecision? standing = null)
    {
        var step = plan.Find(set.StepId);
        var target = step?.Within(set.Target) ?? 0;
        var asks = new Criterion(target, set.AskedMs.AsHold());
        var asked = step is null ? asks.Asked : asks.HoldOn(step);
        var kind = step?.KindAt(target) ?? StepKind.Repeat;
        return new SetDto(
            set.Number,
            set.StepId,
            step is null ? set.StepId : words.Called(step),
            target,
            step is null ? "" : words.Target(step, asks),
            asked?.TotalSeconds,
            asked is { } hold ? HoldTargets(set, hold, kind) : null,
            [.. set.Goes.OrderBy(g => g.Number).Select(g => new GoDto(g.Id, g.Success, g.HeldMs, g.At))],
            [.. set.Signs.OrderBy(s => s.Number).Select(s => new SeenDto(s.Id, s.SignId, Sign.Find(s.SignId)?.Group ?? SignGroup.AtEase))],
            set.Decision,
            ReasonOf(set, words),
            set.Basis is { } ground ? words.Ground(ground) : null,
            set.DecidedBy is { } facts ? words.IfStuck(facts) : set.IfStuck,
            set.EndSession,
            set is { Overruled: { } note, OverruledTo: { } to } ? words.Overruled(step, to, note) : set.Overruled,
            kind,
            kind == StepKind.Count ? step!.CountOf(target) : null,
            standing?.InARow,
            set.Version
        );
    }

    /// <summary>Why a set was decided so: the facts in words, in older sets what was said then.</summary>
    internal static string? ReasonOf(SetRow set, ConditioningWords words) => set.DecidedBy is { } facts ? words.Reason(facts) : set.Reason;

    /// <summary>What each go of a set asks to be held: never foretold, and the same whenever it is looked at, for the seed is the set's own.</summary>
    private static IReadOnlyList<double> HoldTargets(SetRow set, TimeSpan criterion, StepKind kind) =>
        kind == StepKind.Once
            ? [.. Enumerable.Repeat(criterion.TotalSeconds, GoRules.MostEvents)]
            :
            [
                .. Holds
                    .Varied(criterion, Progression.GoesInSet, new Random(BitConverter.ToInt32(set.SessionId.ToByteArray()) ^ (set.Number * 7919)))
                    .Select(t => t.TotalSeconds),
            ];

    private static Step? KnownStep(string id) => Core.Conditioning.Step.Find(id);
}
