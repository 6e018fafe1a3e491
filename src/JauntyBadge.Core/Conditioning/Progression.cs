namespace JauntyBadge.Core.Conditioning;

/// <summary>Where a dog stands in its plan.</summary>
/// <param name="StepId">The step to train next.</param>
/// <param name="Target">Index on its ladder, 0 the easiest.</param>
/// <param name="NotBefore">The earliest day for the next session; null for any time.</param>
public sealed record PlanPosition(string StepId, int Target, DateOnly? NotBefore = null);

/// <summary>A finished set of goes.</summary>
/// <param name="StepId">The step trained.</param>
/// <param name="Target">Index of the target on the step's ladder.</param>
/// <param name="Day">The day it was trained.</param>
/// <param name="Goes">How many goes, 1 to <see cref="Progression.GoesInSet"/>.</param>
/// <param name="Successes">How many succeeded.</param>
/// <param name="Worst">The worst group of signs tapped; at ease when none was.</param>
public sealed record SetRecord(string StepId, int Target, DateOnly Day, int Goes, int Successes, SignGroup Worst)
{
    public double Share => Goes == 0 ? 0 : (double)Successes / Goes;

    /// <summary>Eight of ten or better, long enough to tell, and at ease.</summary>
    public bool WentWell(HouseRules rules) => Share >= rules[Progression.GoodShare] && Worst == SignGroup.AtEase && Goes >= rules[Progression.FewestToRaise];
}

/// <summary>What the rule makes of a set.</summary>
public enum DecisionKind
{
    /// <summary>End now, two steps back, not before tomorrow.</summary>
    EndNow,

    /// <summary>Back to the last target that went well.</summary>
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

/// <summary>The rule's decision after a set.</summary>
/// <param name="Kind">What to do.</param>
/// <param name="Next">Where the plan stands now; null when the last step is passed.</param>
/// <param name="EndSession">Whether the session should end here.</param>
/// <param name="Reason">Why, in one or two sentences.</param>
/// <param name="Basis">What the rule stands on.</param>
/// <param name="IfStuck">The step's way out, when the dog has been here before.</param>
public sealed record Decision(DecisionKind Kind, PlanPosition? Next, bool EndSession, string Reason, Basis Basis, string? IfStuck = null);

/// <summary>Decides after every set what comes next.</summary>
public static class Progression
{
    /// <summary>Goes in a full set.</summary>
    public const int GoesInSet = 10;

    public static readonly Grounded<double> GoodShare = new("train.good-share", "Share of goes from which the target is raised", 0.8, Basis.Practice("eight of ten"));
    public static readonly Grounded<double> PoorShare = new("train.poor-share", "Share of goes under which the target goes back", 0.5, Basis.Practice("half of the goes"));
    public static readonly Grounded<int> FewestToRaise = new("train.fewest-goes", "A shorter set never raises the target", 5, Basis.House("two of two tells nothing"));
    public static readonly Grounded<int> StepsBack = new("train.steps-back", "Steps back after a dog went over threshold", 2, Basis.Practice("two steps back, another day"));
    public static readonly Grounded<int> DaysToPass = new("train.days-to-pass", "Days on which the top target must go well before a step is passed", 2, Basis.House("one good day may be luck"));
    public static readonly Grounded<TimeSpan> ShortGap = new("train.short-gap", "After a longer gap the plan starts one target lower", TimeSpan.FromDays(7), Basis.House("a week without practice"));
    public static readonly Grounded<TimeSpan> LongGap = new("train.long-gap", "After a longer gap the plan starts one stage lower", TimeSpan.FromDays(30), Basis.House("a month without practice"));
    public static readonly Grounded<TimeSpan> EarlySession = new("train.early-session", "A session up to the first fastening lasts at most", TimeSpan.FromMinutes(3), Basis.Practice("one to three minutes early on"));
    public static readonly Grounded<TimeSpan> LaterSession = new("train.later-session", "A session once it is worn lasts at most", TimeSpan.FromMinutes(5), Basis.Practice("about five minutes once worn"));

    public static IReadOnlyList<IGrounded> All { get; } =
        [GoodShare, PoorShare, FewestToRaise, StepsBack, DaysToPass, ShortGap, LongGap, EarlySession, LaterSession];

    /// <summary>Whether a sign just tapped ends the session at once.</summary>
    public static bool EndsNow(SignGroup group) => group == SignGroup.OverThreshold;

    /// <summary>Decides after a set.</summary>
    /// <param name="plan">The dog's plan.</param>
    /// <param name="set">The set just finished, at least one go or one sign.</param>
    /// <param name="earlier">Earlier sets of this dog, oldest first.</param>
    /// <param name="sessionLength">How long the session has lasted.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static Decision AfterSet(TrainingPlan plan, SetRecord set, IReadOnlyList<SetRecord> earlier, TimeSpan sessionLength, HouseRules rules)
    {
        var index = plan.IndexOf(set.StepId);
        var step = plan.Steps[Math.Min(index, plan.Steps.Count - 1)].Step;
        var count = $"{set.Successes} of {set.Goes} went well";
        var cap = step.Stage > Stage.FirstFastening ? rules[LaterSession] : rules[EarlySession];
        var enough = sessionLength >= cap;
        var closing = enough ? $" {cap.TotalMinutes:0} minutes are enough for today: end while it wants more." : "";
        var here = new PlanPosition(set.StepId, set.Target);
        Decision Keep(DecisionKind kind, PlanPosition next, string reason, Basis basis, bool stuck = false) =>
            new(kind, next, enough, reason + closing, basis, stuck ? step.IfStuck : null);

        if (EndsNow(set.Worst))
        {
            var back = plan.Steps[Math.Max(0, index - rules[StepsBack])].Step;
            return new Decision(
                DecisionKind.EndNow, new PlanPosition(back.Id, 0, set.Day.AddDays(1)), true,
                $"It went over threshold ({count}). End now. Next time two steps back, at \"{back.Name}\", and not before tomorrow.", rules.Basis(StepsBack), step.IfStuck);
        }

        if (set.Worst == SignGroup.Worried || set.Share < rules[PoorShare])
        {
            var safe = earlier.LastOrDefault(s => s.StepId == set.StepId && s.Target < set.Target && s.WentWell(rules))?.Target ?? 0;
            var why = set.Worst == SignGroup.Worried ? $"It was worried ({count})" : $"Only {count}";
            return Keep(
                DecisionKind.Back, here with { Target = safe },
                safe == set.Target ? $"{why}. It is at the first target already: make it easier." : $"{why}, so back to {step.TargetText(safe)}, the last target that was easy.",
                rules.Basis(PoorShare), stuck: true);
        }

        if (set.Worst == SignGroup.Unsure || set.Share < rules[GoodShare])
            return Keep(DecisionKind.Same, here, set.Worst == SignGroup.Unsure ? $"It was unsure ({count}), so the same again." : $"{count}; the same again until it is 8 in 10.", rules.Basis(GoodShare));
        if (set.Goes < rules[FewestToRaise])
            return Keep(DecisionKind.Same, here, $"{count}, but {set.Goes} is too few to tell, so the same again.", rules.Basis(FewestToRaise));
        if (set.Target < step.TopTarget)
            return Keep(DecisionKind.Raise, here with { Target = set.Target + 1 }, $"{count} and it was at ease, so on to {step.TargetText(set.Target + 1)}.", rules.Basis(GoodShare));

        var goodDays = earlier.Append(set).Where(s => s.StepId == set.StepId && s.Target == set.Target && s.WentWell(rules)).Select(s => s.Day).Distinct().Count();
        if (goodDays < rules[DaysToPass])
        {
            return new Decision(
                DecisionKind.Same, here, true, $"{count} at the top target. One more such set on another day and the step is passed.", rules.Basis(DaysToPass));
        }

        var next = index + 1 < plan.Steps.Count ? plan.Steps[index + 1].Step : null;
        return new Decision(
            DecisionKind.Passed, next is null ? null : new PlanPosition(next.Id, 0), enough,
            next is null ? $"{count}, on two days. That was the last step." : $"{count}, on two days: \"{step.Name}\" is passed. Next: \"{next.Name}\".{closing}", rules.Basis(DaysToPass));
    }

    /// <summary>Where to start today after a pause, and why if it is lower than where the plan stood.</summary>
    /// <param name="plan">The dog's plan.</param>
    /// <param name="position">Where the plan stands.</param>
    /// <param name="lastTrained">Day of the last session; null for a dog never trained.</param>
    /// <param name="today">Today.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static (PlanPosition Position, string? Reason) AfterGap(TrainingPlan plan, PlanPosition position, DateOnly? lastTrained, DateOnly today, HouseRules rules)
    {
        if (lastTrained is not { } last)
            return (position, null);
        var gap = TimeSpan.FromDays(today.DayNumber - last.DayNumber);
        var step = plan.Steps[Math.Min(plan.IndexOf(position.StepId), plan.Steps.Count - 1)].Step;
        if (gap > rules[LongGap])
        {
            var lower = plan.Steps.Select(s => s.Step).Where(s => s.Stage < step.Stage).Select(s => s.Stage).DefaultIfEmpty(step.Stage).Max();
            var start = plan.Steps.First(s => s.Step.Stage == lower).Step;
            return (new PlanPosition(start.Id, 0), $"{gap.TotalDays:0} days without training, so one stage lower, at \"{start.Name}\".");
        }

        if (gap > rules[ShortGap] && position.Target > 0)
            return (position with { Target = position.Target - 1 }, $"{gap.TotalDays:0} days without training, so one target lower.");
        return (position, null);
    }
}
