using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Core.Conditioning;

/// <summary>Where a dog stands in its plan.</summary>
/// <param name="StepId">The step to train next.</param>
/// <param name="At">What is asked for there.</param>
/// <param name="NotBefore">The earliest day for the next session; null for any time.</param>
public sealed record PlanPosition(string StepId, Criterion At, DateOnly? NotBefore = null)
{
    /// <summary>Its target, the lower one where the hold lies between two.</summary>
    public int Target => At.Target;
}

/// <summary>The same by places in a plan.</summary>
/// <param name="Step">The place of the step to train next, from 0.</param>
/// <param name="At">What is asked for there.</param>
/// <param name="WaitDays">Days before the next session, 0 for any time.</param>
internal readonly record struct PlanPlace(int Step, Criterion At, int WaitDays = 0);

/// <summary>A set of goes as it was trained.</summary>
/// <param name="StepId">The step trained.</param>
/// <param name="Asks">What was asked for.</param>
/// <param name="Day">The day it was trained.</param>
/// <param name="Goes">The goes in order, right or missed.</param>
/// <param name="Signs">The signs seen, each with how many goes were done by then.</param>
public sealed record SetRecord(string StepId, Criterion Asks, DateOnly Day, IReadOnlyList<bool> Goes, IReadOnlyList<SeenAt> Signs)
{
    /// <summary>The worst group of signs seen; at ease when none was.</summary>
    public SignGroup Worst => Signs.Select(s => s.Group).DefaultIfEmpty(SignGroup.AtEase).Max();

    /// <summary>Its target, the lower one where the hold lay between two.</summary>
    public int Target => Asks.Target;

    /// <summary>When it was begun; null where only the day is known.</summary>
    public DateTime? At { get; init; }

    /// <summary>It came after the set that ended its session: an easy go, and what was seen then.</summary>
    public bool IsAfter { get; init; }

    /// <summary>Every go went well, and nothing but ease was seen.</summary>
    internal bool WentAtEase => Goes.Count > 0 && Goes.All(g => g) && Worst == SignGroup.AtEase;

    /// <summary>How long its goes were held, in order, where the timer ran.</summary>
    public IReadOnlyList<HeldGo> Holds { get; init; } = [];

    /// <summary>A set by its log.</summary>
    /// <param name="stepId">The step trained.</param>
    /// <param name="asks">What was asked for.</param>
    /// <param name="day">The day.</param>
    /// <param name="goes">The goes in order.</param>
    /// <param name="signs">The signs in order, each with how many goes were logged before it; a sign that is on the list no more reads as at ease.</param>
    public static SetRecord Logged(
        string stepId,
        Criterion asks,
        DateOnly day,
        IReadOnlyList<LoggedGo> goes,
        IEnumerable<(int AfterGo, string SignId)> signs
    ) =>
        new(stepId, asks, day, [.. goes.Select(g => g.Success)], [.. signs.Select(s => new SeenAt(s.AfterGo, Sign.Find(s.SignId)?.Group ?? SignGroup.AtEase))])
        {
            Holds = [.. Held(goes)],
        };

    /// <summary>
    /// The goes that were timed. Where some of a set were, a miss that was not is a dog that was out again before the timer ran: left out, it would make a
    /// dog seem to stay longer than it does (docs/hold-trial.md).
    /// </summary>
    private static IEnumerable<HeldGo> Held(IReadOnlyList<LoggedGo> goes) =>
        goes.Any(g => g.Held > TimeSpan.Zero)
            ? goes.Where(g => g.Held > TimeSpan.Zero || !g.Success).Select(g => new HeldGo(g.Held ?? TimeSpan.Zero, g.Success))
            : [];
}

/// <summary>A go as it was tapped.</summary>
/// <param name="Success">Right or missed.</param>
/// <param name="Held">How long it was held; null where the timer did not run.</param>
public readonly record struct LoggedGo(bool Success, TimeSpan? Held);

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

/// <summary>How a step came to be passed.</summary>
public enum PassedHow
{
    /// <summary>Its top target went well in a set.</summary>
    Trained,

    /// <summary>By hand, with a note.</summary>
    ByHand,

    /// <summary>Skipped where the dog was tried at a later stage and took it at ease: tried, not trained.</summary>
    Tried,
}

/// <summary>The plan a session is trained by: as it was when the session began, whatever is edited since.</summary>
/// <param name="Rule">How sets are decided.</param>
/// <param name="Temperament">The dog's.</param>
/// <param name="StepIds">The steps in order.</param>
public sealed record SessionPlan(GoRule Rule, Temperament Temperament, IReadOnlyList<string> StepIds)
{
    private IReadOnlyList<Step>? steps;

    private HashSet<string>? gates;

    /// <summary>A copy works its steps out anew: they hang on the edition.</summary>
    private SessionPlan(SessionPlan other) =>
        (Rule, Temperament, StepIds, HeedsHolds, Edition) = (other.Rule, other.Temperament, other.StepIds, other.HeedsHolds, other.Edition);

    /// <summary>By which rules its sets are decided; the first in sessions from before that was kept.</summary>
    public Edition Edition { get; init; }

    /// <summary>What is held next follows from the dog's own holds: so for fearful dogs. False in sessions from before that was asked.</summary>
    public bool HeedsHolds { get; init; }

    /// <summary>The steps in order; one that ships no more is left out.</summary>
    public IReadOnlyList<Step> Steps() => steps ??= [.. StepIds.Select(Find).OfType<Step>()];

    /// <summary>A step as this session has it, in the plan or not; null where it is taught no more.</summary>
    public Step? Find(string stepId) => Step.Find(stepId)?.In(Edition);

    /// <summary>How many steps, from the first on, have to be passed: up to one of them, or to the last before upkeep where that is null or not in the plan.</summary>
    public int Wanted(string? readyAt)
    {
        var last = Steps().Index().Where(s => s.Item.Id == readyAt).Select(s => s.Index + 1).FirstOrDefault();
        return last > 0 ? last : Steps().TakeWhile(s => s.Stage != Stage.Upkeep).Count();
    }

    /// <summary>The last step of a stage in this plan is its gate.</summary>
    public bool IsGate(string stepId) => (gates ??= Step.Gates(Steps())).Contains(stepId);
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

/// <summary>Takes a dog through its plan, set by set.</summary>
public static class Progression
{
    /// <summary>How long ago a device may have begun a session that it sends now (House: a week without a network).</summary>
    public static readonly TimeSpan LongestAway = TimeSpan.FromDays(7);

    /// <summary>
    /// Whether a finished set's decision may still be overruled on the pad: nothing has happened since, and the dog did not go over threshold, after which it rests.
    /// </summary>
    /// <param name="decision">What was decided; null while the set is open.</param>
    /// <param name="wentOn">A later set is finished, or something was tapped in it.</param>
    public static bool CanBeOverruled(DecisionKind? decision, bool wentOn) => decision is not (null or DecisionKind.EndNow) && !wentOn;

    /// <summary>Most goes in a set.</summary>
    public const int GoesInSet = GoRules.MostGoes;

    public static readonly Grounded<TimeSpan> ShortGap = new(
        "train.short-gap",
        "After a longer gap the plan starts one target lower",
        TimeSpan.FromDays(7),
        Basis.House("a week without practice")
    );
    public static readonly Grounded<TimeSpan> LongGap = new(
        "train.long-gap",
        "After a longer gap the plan starts one stage lower",
        TimeSpan.FromDays(30),
        Basis.House("a month without practice")
    );
    public static readonly Grounded<TimeSpan> VeryLongGap = new(
        "train.very-long-gap",
        "After a longer gap the plan starts two stages lower, two rungs below the first target",
        TimeSpan.FromDays(90),
        Basis.House("a season without practice: what was learned has faded, and what was feared less so")
    );
    public static readonly Grounded<TimeSpan> EarlySession = new(
        "train.early-session",
        "A session up to the first fastening lasts at most",
        TimeSpan.FromMinutes(3),
        Basis.Practice("one to three minutes early on")
    );
    public static readonly Grounded<TimeSpan> LaterSession = new(
        "train.later-session",
        "A session once it is worn lasts at most",
        TimeSpan.FromMinutes(5),
        Basis.Practice("about five minutes once worn")
    );
    public static readonly Grounded<int> DaysApart = new(
        "train.days-apart",
        "Hours between sessions that count as two different days",
        8,
        Basis.House("a night between: late and early are one day to a dog")
    );
    public static readonly Grounded<TimeSpan> GoneSoLong = new(
        "train.gone-so-long",
        "After a longer gap where to begin is found anew",
        TimeSpan.FromDays(180),
        Basis.House("half a year without practice: nobody knows what is left, so it is asked")
    );
    public static readonly Grounded<int> GoesInSession = new(
        "train.goes-in-session",
        "Goes after which a session ends with its set",
        30,
        Basis.Practice("about thirty; it should want more")
    );

    public static IReadOnlyList<IGrounded> All { get; } = [ShortGap, LongGap, VeryLongGap, GoneSoLong, DaysApart, EarlySession, LaterSession, GoesInSession];

    /// <summary>The rung that is begun at after a very long gap: two below the first target (House).</summary>
    private const int VeryLongRung = -2;

    /// <summary>Whether a sign just tapped ends the session at once.</summary>
    public static bool EndsNow(SignGroup group) => group == SignGroup.OverThreshold;

    /// <summary>Where a set stands before its first go.</summary>
    /// <param name="plan">The plan of the session.</param>
    /// <param name="set">The set.</param>
    /// <param name="goodDaysBefore">Earlier days on which the step's top target went well, or an event at this target.</param>
    /// <param name="backsBefore">Times it went back in this session already.</param>
    /// <param name="before">What went before at this target.</param>
    public static SetStart StartOf(SessionPlan plan, SetRecord set, int goodDaysBefore, int backsBefore, AtTarget before = default)
    {
        var step = plan.Find(set.StepId);
        return step is null
            ? new(plan.Rule, plan.Temperament, Math.Clamp(set.Target, SetStart.EasiestRung, 0), 0, false, goodDaysBefore, backsBefore)
            {
                Edition = plan.Edition,
            }
            : StartOf(plan, step, step.Within(set.Target), plan.IsGate(step.Id), goodDaysBefore, backsBefore, before);
    }

    /// <summary>The same at a target of a step.</summary>
    internal static SetStart StartOf(SessionPlan plan, Step step, int target, bool isGate, int goodDaysBefore, int backsBefore, AtTarget before) =>
        new(plan.Rule, plan.Temperament, target, step.TopTarget, isGate, goodDaysBefore, backsBefore)
        {
            Kind = step.KindAt(target),
            Count = Math.Max(1, step.CountOf(target)),
            GoodGoesBefore = before.GoodGoes,
            UnsureBefore = before.Unsure,
            HeedsMisses = plan.Edition != Edition.First && plan is { Rule: GoRule.AsSoonAsClear } && plan.Temperament.IsFearful(),
            Edition = plan.Edition,
        };

    /// <summary>What went before at the target of a set, in earlier sets of its step.</summary>
    /// <param name="set">The set.</param>
    /// <param name="earlier">Earlier sets of the same dog, the oldest first.</param>
    public static AtTarget Before(SetRecord set, IEnumerable<SetRecord> earlier)
    {
        var here = earlier.Where(s => s.StepId == set.StepId && !s.IsAfter).ToList();
        return new(
            here.Where(s => s.Target == set.Target).Reverse().TakeWhile(s => s.WentAtEase).Sum(s => s.Goes.Count),
            here.LastOrDefault() is { Worst: SignGroup.Unsure } last && last.Target == set.Target
        );
    }

    /// <summary>Days other than a set's own on which its step's top target went well; of an event, on which this target did.</summary>
    /// <param name="plan">The plan of the session.</param>
    /// <param name="set">The set.</param>
    /// <param name="earlier">Earlier sets of the same dog.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static int GoodDays(SessionPlan plan, SetRecord set, IEnumerable<SetRecord> earlier, HouseRules rules)
    {
        if (plan.Find(set.StepId) is not { } step)
            return 0;
        var isEvent = step.KindAt(step.Within(set.Target)) == StepKind.Once;
        var here = earlier.Where(s => s.StepId == set.StepId && !s.IsAfter);
        // An event that went wrong begins again.
        here = isEvent ? here.Where(s => s.Target == set.Target).Reverse().TakeWhile(s => s.WentAtEase) : here.Where(WentWell);
        var good = here.Where(s => s.Day != set.Day).ToList();
        if (plan.Edition == Edition.First)
            return good.Select(s => s.Day).Distinct().Count();

        // Counted back from the set: each so far from the one after it.
        var (days, next) = (0, set);
        foreach (var one in good.OrderByDescending(s => s.Day).ThenByDescending(s => s.At))
        {
            if (one.Day == next.Day || IsTooSoon(one, next))
                continue;
            (days, next) = (days + 1, one);
        }

        return days;

        bool IsTooSoon(SetRecord one, SetRecord next) => next.At - one.At is { } apart && apart < TimeSpan.FromHours(rules[DaysApart]);

        bool WentWell(SetRecord before) =>
            before.Target >= step.TopTarget
            && GoRules.Decide(StartOf(plan, before, rules[GoRules.GateDays], 0), before.Goes, before.Signs, rules).Kind == DecisionKind.Passed;
    }

    /// <summary>Decides after a set, by the record: what went before at its step counts.</summary>
    /// <param name="plan">The plan of the session.</param>
    /// <param name="set">The set just finished, at least one go or one sign.</param>
    /// <param name="passed">Ids of the steps passed already.</param>
    /// <param name="earlier">Earlier sets of the same dog, the oldest first.</param>
    /// <param name="session">How long the session has lasted, its goes with this set's, and the times it went back before.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static Decision AfterSet(
        SessionPlan plan,
        SetRecord set,
        IReadOnlySet<string> passed,
        IReadOnlyList<SetRecord> earlier,
        (TimeSpan Length, int Goes, int Backs) session,
        HouseRules rules
    ) =>
        AfterSet(
            plan,
            set,
            passed,
            GoodDays(plan, set, earlier, rules),
            session,
            rules,
            [.. earlier.Where(s => s.StepId == set.StepId && !s.IsAfter).SelectMany(s => s.Holds)],
            Before(set, earlier)
        );

    /// <summary>Decides after a set.</summary>
    /// <param name="plan">The plan of the session.</param>
    /// <param name="set">The set just finished, at least one go or one sign.</param>
    /// <param name="passed">Ids of the steps passed already.</param>
    /// <param name="goodDaysBefore">Earlier days on which the step's top target went well.</param>
    /// <param name="session">How long the session has lasted, its goes with this set's, and the times it went back before.</param>
    /// <param name="rules">The numbers that decide.</param>
    /// <param name="heldBefore">Earlier holds at the step, the oldest first.</param>
    /// <param name="before">What went before at this target.</param>
    public static Decision AfterSet(
        SessionPlan plan,
        SetRecord set,
        IReadOnlySet<string> passed,
        int goodDaysBefore,
        (TimeSpan Length, int Goes, int Backs) session,
        HouseRules rules,
        IReadOnlyList<HeldGo>? heldBefore = null,
        AtTarget before = default
    )
    {
        var steps = plan.Steps();
        var step = plan.Find(set.StepId) ?? steps[0];
        var start = StartOf(plan, set, goodDaysBefore, session.Backs, before);
        var made = GoRules.Decide(start, set.Goes, set.Signs, rules);

        // A set finished by hand before it is clear changes nothing.
        made =
            made.Kind == DecisionKind.GoOn
                ? made with
                {
                    Kind = DecisionKind.Same,
                    DecidedAfter = made.Goes,
                    By = set.Worst == SignGroup.Unsure ? DecidedBy.Unsure : DecidedBy.Count,
                    SettlesRight = null,
                    SettlesMissed = null,
                }
                : made;
        made = plan.HeedsHolds ? ByHolds(made, step, start, set.Asks, [.. heldBefore ?? [], .. set.Holds], rules) : made;
        var place = PlaceOf(steps, step);
        var then = PlaceAfter(steps, place, made, i => steps[i].Id == step.Id || passed.Contains(steps[i].Id));
        var isBack = made is { Kind: DecisionKind.EndNow } or { Kind: DecisionKind.Back, StepsBack: > 0 };
        var (back, next) = (isBack ? steps[then!.Value.Step] : null, made.Kind == DecisionKind.Passed && then is { } on ? steps[on.Step] : null);
        PlanPosition? position =
            then is not { } t ? null
            : back is null && next is null ? new(step.Id, t.At)
            : new(steps[t.Step].Id, t.At, t.WaitDays > 0 ? set.Day.AddDays(t.WaitDays) : null);
        var (enough, number) = EnoughFor(made, step, set, session, plan.Edition, rules);
        return new Decision(
            made,
            position,
            made.EndSession || enough != EnoughToday.No,
            new DecisionFacts(made, step.Id, set.Target, start.IsFearful, (back ?? next)?.Id, made.Kind == DecisionKind.Passed && next is null, enough, number)
            {
                Edition = plan.Edition,
                WentBack = back is null ? null : place - then!.Value.Step,
            },
            BasisOf(made, plan.Rule, rules)
        );
    }

    /// <summary>Why the session is enough for today, beside what the set says; nothing where that ends it anyway.</summary>
    private static (EnoughToday Enough, double Number) EnoughFor(
        SetDecision made,
        Step step,
        SetRecord set,
        (TimeSpan Length, int Goes, int Backs) session,
        Edition edition,
        HouseRules rules
    )
    {
        var longest = Longest(step.Stage, rules);
        return made.Kind == DecisionKind.EndNow || (made.EndSession && edition != Edition.First) ? (EnoughToday.No, 0)
            : session.Length >= longest ? (EnoughToday.Minutes, longest.TotalMinutes)
            : session.Goes >= rules[GoesInSession]
                ? (edition != Edition.First && set.Goes is [.., false] ? EnoughToday.GoesOnAMiss : EnoughToday.Goes, session.Goes)
            : WasNewPlace(made, step, set.Target) ? (EnoughToday.Place, 0)
            : (EnoughToday.No, 0);
    }

    /// <summary>Whether a set was at a new place and is done with it: one a session is enough.</summary>
    internal static bool WasNewPlace(SetDecision made, Step step, int target) =>
        step.NewPlace && target >= 0 && made.Kind is (DecisionKind.Raise or DecisionKind.Passed);

    /// <summary>What comes after the set that ended a session: whether one easy go is asked for, and where. Null after going over threshold: then it is over.</summary>
    /// <param name="decision">What was decided of the last set.</param>
    /// <returns>The target, well below the one trained.</returns>
    public static int? EasyGoAfter(DecisionFacts decision) =>
        decision.Made.Kind == DecisionKind.EndNow ? null
        : decision is { Made: { EndSession: true, Kind: DecisionKind.Back or DecisionKind.Same }, Enough: EnoughToday.No }
        || decision.Enough == EnoughToday.GoesOnAMiss
            ? WellBelow(decision.Target)
        : null;

    /// <summary>Where a plan stands after a set of a session that came in while it rests, from a dead spot or trained all the same: the rest holds.</summary>
    /// <param name="next">Where the decision puts it.</param>
    /// <param name="standing">Where it stood just before.</param>
    /// <param name="isSince">It was put there since the session began.</param>
    /// <param name="day">The day of the set.</param>
    public static PlanPosition? UnderRest(PlanPosition? next, PlanPosition? standing, bool isSince, DateOnly day) =>
        standing?.NotBefore is not { } rest || rest <= day ? next
        : isSince || next is null ? standing
        : next with { NotBefore = next.NotBefore > rest ? next.NotBefore : rest };

    /// <summary>Two targets below, the easiest rung at least (House).</summary>
    public static int WellBelow(int target) => Math.Max(SetStart.EasiestRung, target - 2);

    /// <summary>Where to start today after a pause, and why if it is lower than where the plan stood.</summary>
    /// <param name="plan">The dog's plan.</param>
    /// <param name="position">Where the plan stands.</param>
    /// <param name="lastTrained">Day of the last session; null for a dog never trained.</param>
    /// <param name="today">Today.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static (PlanPosition Position, LongAway? Away) AfterGap(
        TrainingPlan plan,
        PlanPosition position,
        DateOnly? lastTrained,
        DateOnly today,
        HouseRules rules
    )
    {
        if (lastTrained is not { } last)
            return (position, null);
        var gap = TimeSpan.FromDays(today.DayNumber - last.DayNumber);
        var step = plan.Steps[Math.Min(plan.IndexOf(position.StepId), plan.Steps.Count - 1)].Step;
        if (gap > rules[LongGap])
        {
            var far = gap > rules[VeryLongGap];
            var below = plan.Steps.Select(s => s.Step.Stage).Where(s => s < step.Stage).Distinct().OrderDescending().Take(far ? 2 : 1).ToList();
            var start = plan.Steps.First(s => s.Step.Stage == below.LastOrDefault(step.Stage)).Step;
            return (new PlanPosition(start.Id, far ? VeryLongRung : 0), new LongAway((int)gap.TotalDays, start.Id, Math.Max(1, below.Count)));
        }

        if (gap > rules[ShortGap] && position.Target > SetStart.EasiestRung)
            return (position with { At = position.Target - 1 }, new LongAway((int)gap.TotalDays, null));
        return (position, null);
    }

    /// <summary>
    /// How long to ask for next, from what the dog holds, where the target is time: a raise lengthens the hold as far as its holds bear it, half as much again at
    /// most and never past the last target; a step back shortens it to what they bear (<see cref="Holds.Next"/>). With no hold on record the count decides.
    /// (House: for fearful dogs. For others the next target did better; docs/hold-trial.md tells.)
    /// </summary>
    /// <param name="made">What the count made of the set.</param>
    /// <param name="step">The step trained.</param>
    /// <param name="start">Where the set stood.</param>
    /// <param name="asks">What was asked for.</param>
    /// <param name="held">Its holds, the oldest first, this set's included.</param>
    /// <param name="rules">The numbers that decide.</param>
    internal static SetDecision ByHolds(SetDecision made, Step step, SetStart start, Criterion asks, IReadOnlyList<HeldGo> held, HouseRules rules)
    {
        var target = start.Target;
        if (start.Kind == StepKind.Once || made.StepsBack > 0)
            return made;
        if (made.Kind == DecisionKind.Same)
            return made with { NextAsked = asks.Asked };
        if (made.Kind is not (DecisionKind.Raise or DecisionKind.Back) || step.HoldOf(target) is not { } rung)
            return made;
        var present = asks.Asked ?? rung;
        // Shorter than the first target are the rungs below it.
        if (made.Kind == DecisionKind.Back && present <= step.HoldOf(0))
            return made;
        if (Holds.Estimate(held, rules[Holds.Share], rules).Criterion is not { } borne)
            return made;
        var (wanted, top) = (Holds.Next(present, borne, made.Kind, rules), step.HoldOf(step.TopTarget)!.Value);
        var next = wanted < top ? wanted : top;
        // What it does not bear is not asked again: what it bears is.
        if (
            start.Edition != Edition.First
            && made.Kind == DecisionKind.Raise
            && next == present
            && Holds.Next(present, borne, null, rules) is var less
            && less < present
        )
            next = less;
        var at = step.TargetUpTo(next);
        return made with
        {
            Kind = made.Kind == DecisionKind.Raise && next <= present ? DecisionKind.Same : made.Kind,
            By = made.Kind == DecisionKind.Raise ? DecidedBy.Held : made.By,
            NextTarget = at,
            NextAsked = next == step.HoldOf(at) ? null : next,
            Borne = borne,
        };
    }

    /// <summary>Where the plan stands after a decision, by the places of its steps; null when the last one is passed.</summary>
    /// <param name="steps">The plan's steps.</param>
    /// <param name="place">The place of the step trained.</param>
    /// <param name="made">What was made of the set.</param>
    /// <param name="isPassed">Whether the step at a place is passed, the one just passed included.</param>
    internal static PlanPlace? PlaceAfter(IReadOnlyList<Step> steps, int place, SetDecision made, Func<int, bool> isPassed)
    {
        switch (made.Kind)
        {
            case DecisionKind.EndNow:
                var back = Math.Clamp(place - made.StepsBack, 0, steps.Count - 1);
                return new(back, steps[back].Within(made.StartsAt ?? 0), made.NotBeforeDays);
            case DecisionKind.Back when made.StepsBack > 0:
                return place == 0 ? new(0, SetStart.EasiestRung, 1) : new(place - 1, steps[place - 1].TopTarget / 2);
            case DecisionKind.Passed:
                for (var i = 0; i < steps.Count; i++)
                {
                    if (!isPassed(i))
                        return new(i, made.StartsAt ?? 0);
                }

                return null;
            default:
                return new(place, made.AsksNext());
        }
    }

    /// <summary>The longest a session lasts at a stage.</summary>
    internal static TimeSpan Longest(Stage stage, HouseRules rules) => rules[stage > Stage.FirstFastening ? LaterSession : EarlySession];

    /// <summary>A step's place in a plan; one that is not in it counts as the one it came after.</summary>
    private static int PlaceOf(IReadOnlyList<Step> steps, Step step)
    {
        var order = Step.All.Select(s => s.Id).ToList();
        return steps.Index().Where(s => s.Item.Id == step.Id).Select(s => (int?)s.Index).FirstOrDefault()
            ?? steps.Index().Where(s => order.IndexOf(s.Item.Id) < order.IndexOf(step.Id)).Select(s => s.Index + 1).DefaultIfEmpty(0).Max();
    }

    private static Basis BasisOf(SetDecision made, GoRule rule, HouseRules rules) =>
        (made.Kind, made.By) switch
        {
            (DecisionKind.EndNow, _) => rules.Basis(GoRules.StepsBack),
            (_, DecidedBy.AnotherDay) => rules.Basis(GoRules.GateDays),
            (_, DecidedBy.Held) => Basis.House("a frightened dog's hold grows as its own holds bear it: it pulls out less so, tried on virtual dogs"),
            (_, DecidedBy.Worried or DecidedBy.Unsure) => Basis.House("a sign comes before the count"),
            _ when rule == GoRule.SteadyTens => rules.Basis(GoRules.EnoughOfTen),
            _ => Basis.Published("Wald 1945, Ann. Math. Stat. 16:117–186: a sequential test, with the house numbers for what is ready and what is not yet"),
        };
}
