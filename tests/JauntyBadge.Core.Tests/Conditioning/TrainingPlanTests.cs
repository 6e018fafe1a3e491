using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Core.Tests.Conditioning;

public class TrainingPlanTests
{
    private static readonly DogProfile Plain = new() { Name = "Bracken", Purposes = [Purpose.Walks] };

    private static List<string> Ids(DogProfile dog) => [.. TrainingPlan.For(dog).Steps.Select(s => s.Step.Id)];

    [Fact]
    public void The_default_school_has_steps_for_every_stage()
    {
        Assert.True(TrainingPlan.For(Plain).Steps.Count >= 25);
        Assert.Equal(Enum.GetValues<Stage>(), Step.All.Select(s => s.Stage).Distinct());
        Assert.Equal(24, Sign.All.Count);
        Assert.All(Enum.GetValues<SignGroup>(), g => Assert.Contains(Sign.All, s => s.Group == g));
    }

    [Fact]
    public void Every_step_comes_after_its_prerequisites_in_every_plan()
    {
        var dogs = from t in Enum.GetValues<Temperament>()
                   from s in Enum.GetValues<Sensitivity>()
                   from p in Enum.GetValues<Purpose>()
                   select Plain with { Temperament = t, Sensitivities = [s], Purposes = [p] };
        Assert.All(dogs, dog =>
        {
            var plan = Ids(dog);
            foreach (var step in Step.All.Where(s => plan.Contains(s.Id)))
                Assert.All(step.After.Where(plan.Contains), before => Assert.True(plan.IndexOf(before) < plan.IndexOf(step.Id), $"{before} before {step.Id}"));
        });
    }

    [Fact]
    public void Purposes_choose_the_last_steps()
    {
        Assert.Contains("walk-meet", Ids(Plain));
        Assert.DoesNotContain("clinic-table", Ids(Plain));
        var clinic = Plain with { Purposes = [Purpose.Clinic] };
        Assert.Contains("clinic-table", Ids(clinic));
        Assert.Contains(TrainingPlan.For(clinic).LeftOut, s => s.Step.Id == "walk-meet" && s.Reason == "Only for walks.");
    }

    [Fact]
    public void Temperament_and_sensitivities_reorder_and_annotate()
    {
        var clicks = Ids(Plain with { Sensitivities = [Sensitivity.Clicks] });
        Assert.True(clicks.IndexOf("click-near") < clicks.IndexOf("look-at-it"));
        Assert.True(Ids(Plain).IndexOf("click-near") > Ids(Plain).IndexOf("hold-long"));
        Assert.Contains("new-look", Ids(Plain with { Temperament = Temperament.Soured }));
        Assert.DoesNotContain("odd-objects", Ids(Plain with { Temperament = Temperament.Bold }));
        Assert.Contains("shallow-cup", Ids(Plain with { HeadShapeSeen = HeadShape.Short }));
        var snatchy = TrainingPlan.For(Plain with { Sensitivities = [Sensitivity.Snatchy] });
        Assert.Contains("squeeze tube", snatchy.Steps.Single(s => s.Step.Id == "touch-it").Notes.Single(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(Temperament.Bold, "Wait for the pause")]
    [InlineData(Temperament.Wary, "Off at once")]
    public void The_pawing_policy_follows_the_dog(Temperament temperament, string choice) =>
        Assert.StartsWith(choice, TrainingPlan.For(Plain with { Temperament = temperament }).Policies.Single(p => p.Topic == "When it paws").Choice, StringComparison.Ordinal);

    [Fact]
    public void A_step_that_left_the_plan_counts_as_the_next_one()
    {
        var plan = TrainingPlan.For(Plain);
        Assert.Equal(plan.IndexOf("muzzle-appears"), plan.IndexOf("odd-objects"));
        Assert.Equal(0, plan.IndexOf("no-such-step"));
    }

    [Fact]
    public void What_is_passed_is_what_is_on_record()
    {
        var plan = TrainingPlan.For(Plain);
        HashSet<string> all = [.. plan.Steps.Select(s => s.Step.Id)];
        Assert.Equal((0, 0, false), (plan.PassedShare(new HashSet<string>(), true), plan.PassedShare(new HashSet<string>(), false), plan.WearsIt(new HashSet<string>())));
        Assert.Equal((1, 1, true), (plan.PassedShare(all, true), plan.PassedShare(all, false), plan.WearsIt(all)));
        Assert.True(plan.WearsIt(all.Except(["happy-wear"]).ToHashSet()));
        Assert.Equal("happy-wear", plan.NextAfter(all.Except(["happy-wear"]).ToHashSet())!.Id);
        Assert.Equal("touch-it", plan.NextAfter(all.Except(["touch-it", "worn-still"]).ToHashSet())!.Id);
        Assert.Null(plan.NextAfter(all));
    }

    [Fact]
    public void Every_step_has_three_easier_rungs_none_of_them_its_own_target()
    {
        Assert.All(Step.All, s => Assert.Equal(3, s.Easier.Distinct().Except(Enumerable.Range(0, s.Ladder.Count).Select(s.TargetText)).Count()));
        Assert.Equal("nearly all the way, marked as it arrives", Step.Find("hold-short")!.TargetText(-2));
        Assert.Null(Step.Find("hold-short")!.Hold(-1));
        Assert.Equal((-3, 3), (Step.Find("hold-short")!.Within(-9), Step.Find("hold-short")!.Within(99)));
    }

    [Fact]
    public void Targets_speak_and_holds_have_times()
    {
        var hold = Step.All.Single(s => s.Id == "hold-short");
        Assert.Equal("3 s", hold.TargetText(2));
        Assert.Equal(TimeSpan.FromSeconds(3), hold.Hold(2));
        Assert.Equal("once", Step.All.Single(s => s.Id == "first-close").TargetText(0));
        Assert.Null(Step.All.Single(s => s.Id == "first-close").Hold(0));
        Assert.Equal("2 cm", Step.All.Single(s => s.Id == "nose-at-rim").TargetText(1));
    }
}
