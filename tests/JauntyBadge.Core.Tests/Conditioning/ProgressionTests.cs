using FsCheck.Xunit;
using JauntyBadge.Core;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Core.Tests.Conditioning;

/// <summary>The progression table of chapter 3, row by row (common practice; House where said).</summary>
public class ProgressionTests
{
    private const string StepId = "hold-short"; // 1, 2, 3, 5 s
    private static readonly DateOnly Day = new(2026, 3, 10);
    private static readonly TrainingPlan Plan = TrainingPlan.For(new DogProfile { Name = "Bracken", Purposes = [Purpose.Walks] });
    private static readonly TimeSpan Brief = TimeSpan.FromMinutes(1);

    private static SetRecord Set(int target, int goes, int good, SignGroup worst = SignGroup.AtEase, int day = 0) =>
        new(StepId, target, Day.AddDays(day), goes, good, worst);

    private static Decision After(SetRecord set, params SetRecord[] earlier) => Progression.AfterSet(Plan, set, earlier, Brief, HouseRules.Ours);

    [Theory]
    [InlineData(1, 10, 10, SignGroup.OverThreshold, DecisionKind.EndNow)]
    [InlineData(1, 10, 10, SignGroup.Worried, DecisionKind.Back)]
    [InlineData(1, 10, 4, SignGroup.AtEase, DecisionKind.Back)]
    [InlineData(1, 10, 5, SignGroup.AtEase, DecisionKind.Same)]
    [InlineData(1, 10, 7, SignGroup.AtEase, DecisionKind.Same)]
    [InlineData(1, 10, 10, SignGroup.Unsure, DecisionKind.Same)]
    [InlineData(1, 10, 8, SignGroup.AtEase, DecisionKind.Raise)]
    [InlineData(1, 10, 10, SignGroup.AtEase, DecisionKind.Raise)]
    [InlineData(1, 5, 4, SignGroup.AtEase, DecisionKind.Raise)]
    [InlineData(1, 4, 4, SignGroup.AtEase, DecisionKind.Same)] // House: too few to tell
    [InlineData(3, 10, 9, SignGroup.AtEase, DecisionKind.Same)] // top target, first good day
    public void Each_row_decides(int target, int goes, int good, SignGroup worst, DecisionKind kind)
    {
        var decision = After(Set(target, goes, good, worst));
        Assert.Equal(kind, decision.Kind);
        Assert.True(decision.Reason.Length > 20);
        Assert.NotEmpty(decision.Basis.Note);
    }

    [Fact]
    public void Over_threshold_ends_now_two_steps_back_and_not_before_tomorrow()
    {
        var decision = After(Set(2, 3, 3, SignGroup.OverThreshold));
        Assert.True(decision.EndSession);
        Assert.Equal(Plan.IndexOf(StepId) - 2, Plan.IndexOf(decision.Next!.StepId));
        Assert.Equal((0, Day.AddDays(1)), (decision.Next.Target, decision.Next.NotBefore));
        var first = Plan.Steps[0].Step.Id;
        Assert.Equal(first, Progression.AfterSet(Plan, new SetRecord(first, 0, Day, 1, 0, SignGroup.OverThreshold), [], Brief, HouseRules.Ours).Next!.StepId);
    }

    [Fact]
    public void Worried_goes_back_to_the_last_target_that_went_well()
    {
        var decision = After(Set(3, 10, 9, SignGroup.Worried), Set(0, 10, 10), Set(1, 10, 9), Set(2, 10, 6));
        Assert.Equal(1, decision.Next!.Target);
        Assert.NotNull(decision.IfStuck);
        Assert.Equal(0, After(Set(2, 10, 2)).Next!.Target);
        Assert.Contains("first target already", After(Set(0, 10, 2)).Reason, StringComparison.Ordinal);
    }

    [Fact]
    public void Raising_goes_up_one_target() => Assert.Equal(2, After(Set(1, 10, 9)).Next!.Target);

    [Theory]
    [InlineData(-1, DecisionKind.Passed)]
    [InlineData(0, DecisionKind.Same)] // the same day does not count twice
    public void A_step_is_passed_after_two_good_sets_on_different_days(int earlierDay, DecisionKind kind)
    {
        var decision = After(Set(3, 10, 9), Set(3, 10, 8, day: earlierDay));
        Assert.Equal(kind, decision.Kind);
        Assert.Equal(kind == DecisionKind.Passed ? Plan.IndexOf(StepId) + 1 : Plan.IndexOf(StepId), Plan.IndexOf(decision.Next!.StepId));
    }

    [Fact]
    public void The_last_step_passed_ends_the_plan()
    {
        var last = Plan.Steps[^1].Step;
        var set = new SetRecord(last.Id, last.TopTarget, Day, 10, 10, SignGroup.AtEase);
        var decision = Progression.AfterSet(Plan, set, [set with { Day = Day.AddDays(-2) }], Brief, HouseRules.Ours);
        Assert.Equal(DecisionKind.Passed, decision.Kind);
        Assert.Null(decision.Next);
    }

    [Fact]
    public void A_session_ends_while_the_dog_wants_more()
    {
        Assert.False(Progression.AfterSet(Plan, Set(1, 10, 9), [], TimeSpan.FromMinutes(2.9), HouseRules.Ours).EndSession);
        Assert.True(Progression.AfterSet(Plan, Set(1, 10, 9), [], TimeSpan.FromMinutes(3), HouseRules.Ours).EndSession);
        var worn = new SetRecord("worn-still", 0, Day, 10, 9, SignGroup.AtEase);
        Assert.False(Progression.AfterSet(Plan, worn, [], TimeSpan.FromMinutes(4), HouseRules.Ours).EndSession);
    }

    [Theory]
    [InlineData(7, StepId, 2)]
    [InlineData(8, StepId, 1)]
    [InlineData(30, StepId, 1)]
    [InlineData(31, "nose-at-rim", 0)]
    public void A_gap_starts_lower_and_says_why(int days, string step, int target)
    {
        var (position, reason) = Progression.AfterGap(Plan, new PlanPosition(StepId, 2), Day, Day.AddDays(days), HouseRules.Ours);
        Assert.Equal((step, target), (position.StepId, position.Target));
        Assert.Equal(days > 7, reason is not null);
        Assert.Equal(new PlanPosition(StepId, 2), Progression.AfterGap(Plan, new PlanPosition(StepId, 2), null, Day, HouseRules.Ours).Position);
    }

    /// <summary>Law: whatever happens in a set, the plan stands at a step it has, at a target that step has.</summary>
    [Property]
    public bool Every_decision_lands_inside_the_plan(byte stepAt, byte targetAt, byte goes, byte good, byte worst)
    {
        var step = Plan.Steps[stepAt % Plan.Steps.Count].Step;
        var n = 1 + goes % 10;
        var set = new SetRecord(step.Id, targetAt % step.Ladder.Count, Day, n, good % (n + 1), (SignGroup)(worst % 4));
        var next = Progression.AfterSet(Plan, set, [], Brief, HouseRules.Ours).Next;
        return next is not null && Plan.Steps.Any(s => s.Step.Id == next.StepId && next.Target >= 0 && next.Target <= s.Step.TopTarget);
    }
}
