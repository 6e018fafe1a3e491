using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Core.Conditioning;

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
        : decision is { Made.EndsWithEasyGo: true, Enough: EnoughToday.No } || decision.Enough == EnoughToday.GoesOnAMiss ? WellBelow(decision.Target)
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

    /// <summary>
    /// Whether what a set decided moves the plan. A session goes on by the plan it began with though somebody set that by hand meanwhile; what was set by hand then stands afterwards (House), but for a
    /// dog that went over threshold: whoever set the plan had not seen that.
    /// </summary>
    /// <param name="decided">What was decided.</param>
    /// <param name="setByHandMeanwhile">Somebody set the plan by hand since the session began.</param>
    public static bool MovesPlan(DecisionKind decided, bool setByHandMeanwhile) => !setByHandMeanwhile || decided == DecisionKind.EndNow;

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
