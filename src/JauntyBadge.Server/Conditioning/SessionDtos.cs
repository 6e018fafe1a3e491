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

/// <summary>One go's outcome.</summary>
/// <param name="Success">Whether it did what the step asks.</param>
/// <param name="HeldMs">How long it held, where the step has a timer.</param>
/// <param name="Set">The set it was tapped in: it counts in that one or in none.</param>
/// <param name="StepId">The step that was shown.</param>
/// <param name="Target">The target that was shown.</param>
/// <param name="At">When it was tapped, by the pad's clock; the time it arrived when left out.</param>
public sealed record GoEntry(bool? Success = null, int? HeldMs = null, int? Set = null, string? StepId = null, int? Target = null, DateTimeOffset? At = null)
    : ITapped;

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
public sealed record SignEntry(string? SignId = null, int? Set = null, string? StepId = null, int? Target = null, DateTimeOffset? At = null) : ITapped;

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
public sealed record SessionEntry(Guid? Id = null, DateTimeOffset? At = null, string? StepId = null, int? Target = null);

/// <summary>When something was done on a device; the time it arrived when left out.</summary>
public sealed record MomentEntry(DateTimeOffset? At = null);

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
    long Version
);

/// <summary>A dog as its sessions need it.</summary>
internal sealed record PlannedDog(string Name, TrainingPlan Plan, SessionPlan Session, HouseRules Rules, ConditioningWords Words)
{
    public static PlannedDog Of(TrainedDog dog, ConditioningWords words) =>
        new(dog.Measured.Dog.Name, dog.Training.Plan, dog.Training.ForSession(), dog.Measured.Rules, words);

    /// <summary>The plan a session is trained by: as it began.</summary>
    public SessionPlan PlanOf(SessionRow session) => session.BegunWith ?? Session;

    /// <summary>How an open set stands.</summary>
    public SetDecision Standing(SessionRow session, SetRow open)
    {
        var set = open.ToRecord();
        return GoRules.Decide(Progression.StartOf(PlanOf(session), set, 0, Backs(session)), set.Goes, set.Signs, Rules);
    }

    /// <summary>Times the session went back.</summary>
    public static int Backs(SessionRow session) => session.Sets.Count(s => s.Decision == DecisionKind.Back);
}

/// <summary>A session. The open set, if any, is the last one.</summary>
/// <param name="Step">The step of the latest set.</param>
/// <param name="IsClear">The open set is decided: finish it; more goes would not be looked at.</param>
/// <param name="Settles">What would settle the open set, or that it is settled and by what, in a sentence; null where none is open.</param>
/// <param name="EndNow">A sign over threshold was tapped in the open set: end now.</param>
/// <param name="SettledBy">The groups of signs one of which settles a set by itself.</param>
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
    OverruleDto? Overrule
)
{
    /// <param name="session">The session with its sets.</param>
    /// <param name="dog">Whose it is, with the plan it is trained by.</param>
    internal static SessionDto Of(SessionRow session, PlannedDog dog)
    {
        var rows = session.Sets.OrderBy(s => s.Number).ToList();
        var open = session.EndedAt is null ? rows.SingleOrDefault(s => s.ClosedAt is null) : null;
        var standing = open is null ? null : dog.Standing(session, open);
        return new SessionDto(
            session.Id,
            session.DogId,
            dog.Name,
            session.StartedAt,
            session.EndedAt,
            session.Away is { } away ? dog.Words.Away(away) : session.GapReason,
            Progression.GoesInSet,
            rows.Count == 0 ? null : StepOf(rows[^1].StepId, dog),
            [.. rows.Where(s => s.ClosedAt is not null).Select(s => Of(s, dog.Words))],
            open is null ? null : Of(open, dog.Words),
            standing is { DecidedAfter: not null },
            standing is null ? null : dog.Words.Standing(standing),
            open is not null && Progression.EndsNow(open.ToRecord().Worst),
            GoRules.SettledBy(dog.PlanOf(session).Temperament, dog.PlanOf(session).Rule),
            OverruleOf(rows, dog.Words)
        );
    }

    private static OverruleDto? OverruleOf(List<SetRow> rows, ConditioningWords words)
    {
        if (rows.LastOrDefault(s => s.ClosedAt is not null) is not { } last || !last.CanBeOverruled(rows) || KnownStep(last.StepId) is not { } step)
            return null;
        var rungs = Enumerable.Range(SetStart.EasiestRung, step.Targets.Count - SetStart.EasiestRung);
        return new(last.Number, words.Called(step), [.. rungs.Select(t => new RungDto(t, words.Target(step, t)))]);
    }

    private static StepDto? StepOf(string stepId, PlannedDog dog) =>
        dog.Plan.Steps.FirstOrDefault(s => s.Step.Id == stepId) is { } planned ? StepDto.Of(planned, dog.Words)
        : KnownStep(stepId) is { } retired ? StepDto.Of(new PlannedStep(retired, []), dog.Words)
        : null;

    private static SetDto Of(SetRow set, ConditioningWords words)
    {
        var step = KnownStep(set.StepId);
        var target = Shown(set);
        var between = set.AskedMs.AsHold();
        var asked = between ?? step?.HoldOf(target);
        return new SetDto(
            set.Number,
            set.StepId,
            step is null ? set.StepId : words.Called(step),
            target,
            step is null ? "" : words.Target(step, target, between),
            asked?.TotalSeconds,
            asked is { } hold ? HoldTargets(set, hold) : null,
            [.. set.Goes.OrderBy(g => g.Number).Select(g => new GoDto(g.Id, g.Success, g.HeldMs, g.At))],
            [.. set.Signs.OrderBy(s => s.Number).Select(s => new SeenDto(s.Id, s.SignId, Sign.Find(s.SignId)?.Group ?? SignGroup.AtEase))],
            set.Decision,
            ReasonOf(set, words),
            set.Basis is { } ground ? words.Ground(ground) : null,
            set.DecidedBy is { } facts ? words.IfStuck(facts) : set.IfStuck,
            set.EndSession,
            set is { Overruled: { } note, OverruledTo: { } to } ? words.Overruled(step, to, note) : set.Overruled,
            set.Version
        );
    }

    /// <summary>Why a set was decided so: the facts in words, in older sets what was said then.</summary>
    internal static string? ReasonOf(SetRow set, ConditioningWords words) => set.DecidedBy is { } facts ? words.Reason(facts) : set.Reason;

    /// <summary>What each go of a set asks to be held: never foretold, and the same whenever it is looked at, for the seed is the set's own.</summary>
    private static IReadOnlyList<double> HoldTargets(SetRow set, TimeSpan criterion) =>
        [
            .. Holds
                .Varied(criterion, Progression.GoesInSet, new Random(BitConverter.ToInt32(set.SessionId.ToByteArray()) ^ (set.Number * 7919)))
                .Select(t => t.TotalSeconds),
        ];

    /// <summary>The target as it is shown.</summary>
    internal static int Shown(SetRow set) => KnownStep(set.StepId)?.Within(set.Target) ?? 0;

    private static Step? KnownStep(string id) => Core.Conditioning.Step.Find(id);
}
