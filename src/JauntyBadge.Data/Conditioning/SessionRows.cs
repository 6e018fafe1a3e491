using JauntyBadge.Core.Conditioning;

namespace JauntyBadge.Data.Conditioning;

/// <summary>One training session.</summary>
public sealed class SessionRow : INumbered, IOfDog
{
    public Guid Id { get; set; }
    public long Number { get; set; }
    public Guid DogId { get; set; }
    public DateTime StartedAt { get; set; }
    public DateTime? EndedAt { get; set; }

    /// <summary>Why it started lower than the plan stood, after a pause: a <see cref="LongAway"/> as JSON, in older sessions a sentence.</summary>
    public string? GapReason { get; set; }

    /// <summary>Why it started lower than the plan stood; null where it did not, and in older sessions.</summary>
    public LongAway? Away
    {
        get => GapReason is ['{', ..] ? JsonColumn.Find<LongAway>(GapReason) : null;
        set => GapReason = value is null ? null : JsonColumn.Write(value);
    }

    /// <summary>A <see cref="SessionPlan"/> as JSON: the plan it began with; null in older sessions.</summary>
    public string? Plan { get; set; }

    /// <summary>The plan it began with; null in older sessions.</summary>
    public SessionPlan? BegunWith
    {
        get => JsonColumn.Find<SessionPlan>(Plan);
        set => Plan = value is null ? null : JsonColumn.Write(value);
    }

    /// <summary>Why it was trained though it was not to be; null for most.</summary>
    public string? Note { get; set; }

    public List<SetRow> Sets { get; set; } = [];
}

/// <summary>A set of goes at one target, and what the rule made of it.</summary>
public sealed class SetRow : IVersioned, IOfDog
{
    public int Id { get; set; }
    public long Version { get; set; }
    public Guid SessionId { get; set; }
    public Guid DogId { get; set; }

    /// <summary>1 for the first set of the session.</summary>
    public int Number { get; set; }

    public required string StepId { get; set; }
    public int Target { get; set; }

    /// <summary>The hold asked for, where it lies between two targets.</summary>
    public int? AskedMs { get; set; }

    /// <summary>What came after the set that ended its session: an easy go, and what was seen then.</summary>
    public bool IsAfter { get; set; }

    public DateTime StartedAt { get; set; }
    public DateOnly Day { get; set; }
    public DateTime? ClosedAt { get; set; }
    public DecisionKind? Decision { get; set; }

    /// <summary>A <see cref="DecisionFacts"/> as JSON; null in older sets, which have <see cref="Reason"/>.</summary>
    public string? Facts { get; set; }

    /// <summary>Why it was decided so, as it was said then, in sets decided before that was kept in facts.</summary>
    public string? Reason { get; set; }

    /// <summary>The step's way out, as it was said then, in the same sets.</summary>
    public string? IfStuck { get; set; }

    public string? Basis { get; set; }
    public bool EndSession { get; set; }

    /// <summary>The note of whoever let it go on elsewhere than the rule decided; null where the rule had its way.</summary>
    public string? Overruled { get; set; }

    /// <summary>The target it went on at then; null in older sets, whose note names it.</summary>
    public int? OverruledTo { get; set; }

    /// <summary>What was decided, in facts; null while it is open and in older sets.</summary>
    public DecisionFacts? DecidedBy
    {
        get => JsonColumn.Find<DecisionFacts>(Facts);
        set => Facts = value is null ? null : JsonColumn.Write(value);
    }

    /// <summary>The numbers it was decided by, by the fingerprint they are kept under; null in older sets.</summary>
    public string? RulesId { get; set; }

    public List<GoRow> Goes { get; set; } = [];
    public List<SignRow> Signs { get; set; } = [];

    /// <summary>The set as the progression rule sees it.</summary>
    public SetRecord ToRecord() => Record() with { At = StartedAt, IsAfter = IsAfter };

    private SetRecord Record() =>
        SetRecord.Logged(
            StepId,
            new(Target, AskedMs.AsHold()),
            Day,
            [.. Goes.OrderBy(g => g.Number).Select(g => new LoggedGo(g.Success, g.HeldMs.AsHold()))],
            Signs.OrderBy(s => s.Number).Select(s => (Goes.Count(g => g.Number < s.Number), s.SignId))
        );

    /// <summary>Whether its decision may still be overruled.</summary>
    /// <param name="sets">The sets of its session.</param>
    public bool CanBeOverruled(IEnumerable<SetRow> sets) =>
        Progression.CanBeOverruled(
            Decision,
            sets.Any(s => s.Number > Number && (s.IsAfter || s.ClosedAt is not null || s.Goes.Count > 0 || s.Signs.Count > 0))
        );

    /// <summary>Closes the set with the rule's decision and answers where the plan stands now.</summary>
    /// <param name="decision">What was decided.</param>
    /// <param name="rulesId">The numbers it was decided by.</param>
    /// <param name="at">When.</param>
    public PlanMoveRow Close(Decision decision, string rulesId, DateTime at)
    {
        var next = decision.Next;
        (ClosedAt, Decision, DecidedBy, Basis, EndSession, RulesId) = (
            at,
            decision.Kind,
            decision.Facts,
            decision.Basis.ToString(),
            decision.EndSession,
            rulesId
        );
        return new PlanMoveRow
        {
            DogId = DogId,
            At = at,
            StepId = next?.StepId,
            Target = next?.Target ?? 0,
            AskedMs = next?.At.Asked.AsMs(),
            NotBefore = next?.NotBefore,
            Why = new(MoveCause.Decided) { Decision = decision.Facts },
        };
    }
}

/// <summary>A step a dog has passed: a fact with its day, never inferred from where the plan stands.</summary>
public sealed class StepPassRow : IOfDog
{
    public int Id { get; set; }

    /// <summary>Its own in whichever practice it is.</summary>
    public Guid Uid { get; set; } = Guid.NewGuid();

    public Guid DogId { get; set; }
    public required string StepId { get; set; }
    public DateOnly Day { get; set; }
    public PassedHow How { get; set; }

    /// <summary>The set that showed it; null where it was passed by hand.</summary>
    public int? SetId { get; set; }

    /// <summary>When somebody said that it counts no longer; null where it counts.</summary>
    public DateTime? WithdrawnAt { get; set; }

    /// <summary>Why it counts no longer.</summary>
    public string? WithdrawnNote { get; set; }

    public SetRow? Set { get; set; }

    /// <summary>Why, where it was passed by hand; where it was tried, a <see cref="MoveWhy"/> as JSON, in older passes a sentence.</summary>
    public string? Note { get; set; }

    /// <summary>Why it counts as passed, in facts; null for a note, and in older passes.</summary>
    public MoveWhy? Why
    {
        get => Note is ['{', ..] && How == PassedHow.Tried ? JsonColumn.Find<MoveWhy>(Note) : null;
        init => Note = value is null ? null : JsonColumn.Write(value);
    }
}

/// <summary>How a dog's sets are decided from then on; the latest one holds.</summary>
public sealed class GoRuleRow : INumbered, IOfDog
{
    public int Id { get; set; }

    /// <summary>Its own in whichever practice it is.</summary>
    public Guid Uid { get; set; } = Guid.NewGuid();

    public long Number { get; set; }
    public Guid DogId { get; set; }
    public DateTime At { get; set; }
    public GoRule Rule { get; set; }
    public required string Reason { get; set; }
}

/// <summary>How a dog is trained and on which days, as chosen from then on; the latest one holds.</summary>
public sealed class PlanChoiceRow : INumbered, IOfDog
{
    public int Id { get; set; }

    /// <summary>Its own in whichever practice it is.</summary>
    public Guid Uid { get; set; } = Guid.NewGuid();

    public long Number { get; set; }
    public Guid DogId { get; set; }
    public DateTime At { get; set; }
    public SchoolId School { get; set; }

    /// <summary>Policies chosen by topic, as JSON.</summary>
    public string PolicyChoices { get; set; } = "{}";

    /// <summary>A <see cref="TrainingWeek"/> as JSON; null for the usual one.</summary>
    public string? Week { get; set; }

    /// <summary>Why the school or a policy was chosen; null for the House way.</summary>
    public string? Reason { get; set; }

    public IReadOnlyDictionary<PolicyTopic, string> Policies
    {
        get => JsonColumn.Find<Dictionary<PolicyTopic, string>>(PolicyChoices) ?? [];
        set => PolicyChoices = JsonColumn.Write(value);
    }

    public TrainingWeek Days
    {
        get => JsonColumn.Find<TrainingWeek>(Week) ?? TrainingWeek.Usual;
        set => Week = JsonColumn.Write(value);
    }
}

/// <summary>One go.</summary>
public sealed class GoRow : INumbered
{
    /// <summary>Made by the pad, so that a go sent twice counts once.</summary>
    public Guid Id { get; set; }

    public long Number { get; set; }
    public int SetId { get; set; }
    public bool Success { get; set; }
    public int? HeldMs { get; set; }
    public DateTime At { get; set; }
}

/// <summary>A sign seen during a set.</summary>
public sealed class SignRow : INumbered
{
    public Guid Id { get; set; }
    public long Number { get; set; }
    public int SetId { get; set; }
    public required string SignId { get; set; }
    public DateTime At { get; set; }
}

/// <summary>Where the plan was moved to, by the rule or by hand. The latest one is where it stands.</summary>
public sealed class PlanMoveRow : INumbered, IOfDog
{
    public int Id { get; set; }

    /// <summary>Its own in whichever practice it is.</summary>
    public Guid Uid { get; set; } = Guid.NewGuid();

    public long Number { get; set; }
    public Guid DogId { get; set; }
    public DateTime At { get; set; }

    /// <summary>Null when the last step is passed.</summary>
    public string? StepId { get; set; }

    public int Target { get; set; }

    /// <summary>The hold to ask for, where it lies between two targets.</summary>
    public int? AskedMs { get; set; }

    public DateOnly? NotBefore { get; set; }

    /// <summary>The note of whoever moved it by hand; in older moves by the rule what was said then. Empty where <see cref="Cause"/> says it all.</summary>
    public string Reason { get; set; } = "";

    public bool ByHand { get; set; }

    /// <summary>Somebody said what is different, and training that was stopped goes on.</summary>
    public bool Resumes { get; set; }

    /// <summary>A <see cref="MoveWhy"/> as JSON; null where <see cref="Reason"/> says it.</summary>
    public string? Cause { get; set; }

    /// <summary>Where it was moved to; null when the last step is passed.</summary>
    public PlanPosition? Position => StepId is { } step ? new(step, new(Target, AskedMs.AsHold()), NotBefore) : null;

    /// <summary>Why it was moved, in facts; null for a note, and in older moves.</summary>
    public MoveWhy? Why
    {
        get => JsonColumn.Find<MoveWhy>(Cause);
        init => Cause = value is null ? null : JsonColumn.Write(value);
    }
}

/// <summary>Holds as they are kept: in whole milliseconds.</summary>
public static class KeptHolds
{
    public static TimeSpan? AsHold(this int? ms) => ms is { } kept ? TimeSpan.FromMilliseconds(kept) : null;

    public static int? AsMs(this TimeSpan? hold) => hold is { } asked ? (int)asked.TotalMilliseconds : null;
}
