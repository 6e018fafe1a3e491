using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Core.Tests.Conditioning;

/// <summary>How the training of one dog of many stands (House): no source outside the project.</summary>
public class TrainingStandingTests
{
    private static readonly DateOnly Today = new(2026, 6, 15);

    private static readonly TrainingPlan Plan = TrainingPlan.For(new DogProfile { Name = "Reed", Purposes = [Purpose.Walks] });

    private static TrainingStanding Standing(
        PlanPosition? place,
        int? trainedDaysAgo = 1,
        Stuck? stuck = null,
        IReadOnlySet<string>? passed = null,
        DateOnly? by = null,
        int stepsLeft = 5,
        TrainingStop? stop = null
    ) =>
        TrainingStanding.Of(
            Plan,
            passed ?? new HashSet<string>(),
            place,
            stop,
            stuck,
            trainedDaysAgo is { } days ? Today.AddDays(-days) : null,
            TrainingWeek.Usual with
            {
                By = by,
            },
            stepsLeft,
            Today,
            HouseRules.Ours
        );

    private static PlanPosition First => new(Plan.Steps[0].Step.Id, 0);

    [Fact]
    public void What_asks_for_a_look_comes_before_what_gets_on()
    {
        var stuck = new Stuck(First.StepId, 4);
        Assert.Equal(TrainingState.NotBegun, Standing(First, trainedDaysAgo: null).State);
        Assert.Equal(TrainingState.UnderWay, Standing(First).State);
        Assert.Equal(TrainingState.Stuck, Standing(First, stuck: stuck).State);
        Assert.Equal(TrainingState.Stuck, Standing(First, trainedDaysAgo: 40, stuck: stuck).State);
        Assert.Equal(TrainingState.Ready, Standing(null).State);
        Assert.Equal(TrainingState.Ready, Standing(First, stuck: stuck, passed: Plan.Steps.Select(s => s.Step.Id).ToHashSet()).State);
        Assert.Equal(TrainingState.Resting, Standing(First with { NotBefore = Today.AddDays(1) }, stuck: stuck).State);
        var stop = new TrainingStop(StopCause.OverThresholdHere, First.StepId, 2, 5);
        Assert.Equal(TrainingState.Stopped, Standing(First with { NotBefore = Today.AddDays(1) }, stuck: stuck, stop: stop).State);
        Assert.Equal(
            "Stopped. Over threshold twice at \"Rank the treats\" within five sessions. Look for pain, ask a professional, and say what is different.",
            Words.Conditioning.Standing(Standing(First, stop: stop), Today)
        );
        Assert.True(TrainingState.Stopped < TrainingState.Stuck);
        Assert.True(TrainingState.Stuck < TrainingState.Overdue && TrainingState.Overdue < TrainingState.UnderWay);
    }

    [Fact]
    public void It_is_overdue_from_the_day_after_the_house_number_and_rests_up_to_its_day()
    {
        var most = HouseRules.Ours[Progress.OverdueAfter];
        Assert.Equal(TrainingState.UnderWay, Standing(First, trainedDaysAgo: most).State);
        Assert.Equal(TrainingState.Overdue, Standing(First, trainedDaysAgo: most + 1).State);
        Assert.Equal(TrainingState.UnderWay, Standing(First with { NotBefore = Today }).State);
    }

    [Fact]
    public void A_date_counts_while_there_are_steps_to_go_and_up_to_its_day()
    {
        Assert.Equal(Today, Standing(First, by: Today).Wanted);
        Assert.Null(Standing(First, by: Today.AddDays(-1)).Wanted);
        Assert.Null(Standing(First, by: Today.AddDays(9), stepsLeft: 0).Wanted);
        Assert.Null(Standing(First).Wanted);
    }

    [Fact]
    public void Each_state_is_said_with_its_facts()
    {
        Assert.Contains("Four sessions", Words.Conditioning.Standing(Standing(First, stuck: new Stuck(First.StepId, 4)), Today), StringComparison.Ordinal);
        Assert.Contains("Not trained for 12 days", Words.Conditioning.Standing(Standing(First, trainedDaysAgo: 12), Today), StringComparison.Ordinal);
        Assert.Contains("until 17 June", Words.Conditioning.Standing(Standing(First with { NotBefore = Today.AddDays(2) }), Today), StringComparison.Ordinal);
        Assert.StartsWith("It begins with \"", Words.Conditioning.Standing(Standing(First, trainedDaysAgo: null), Today), StringComparison.Ordinal);
        Assert.Contains("Happy wears", Words.Conditioning.Standing(Standing(null), Today), StringComparison.Ordinal);
    }
}
