using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Core.Tests.Conditioning;

/// <summary>The order that trainers keep (Practice; the handbook's chapter on conditioning), held by every plan there can be.</summary>
public class PlanOrderTests
{
    private static readonly DogProfile Plain = new() { Name = "Bracken", Purposes = [Purpose.Walks] };

    /// <summary>Temperament × fears (each, none, some together, all) × purposes (each, none, all) × shape × school × deep bite.</summary>
    public static IEnumerable<(DogProfile Dog, School School)> Every() =>
        from temperament in Enum.GetValues<Temperament>()
        from fears in Fears
        from purposes in Purposes
        from shape in Enum.GetValues<HeadShape>()
        from school in School.All
        from tier in (BiteTier[])[BiteTier.None, BiteTier.SeveralOrDeep]
        select (Plain with { Temperament = temperament, Sensitivities = fears, Purposes = purposes, HeadShapeSeen = shape, BiteTier = tier }, school);

    private static readonly Sensitivity[][] Fears =
    [
        [],
        .. Enum.GetValues<Sensitivity>().Select(s => (Sensitivity[])[s]),
        [Sensitivity.Clicks, Sensitivity.HandsBehindHead],
        [Sensitivity.PeopleNear, Sensitivity.OddObjects, Sensitivity.Paws],
        Enum.GetValues<Sensitivity>(),
    ];

    private static readonly Purpose[][] Purposes =
    [
        [],
        .. Enum.GetValues<Purpose>().Select(p => (Purpose[])[p]),
        Enum.GetValues<Purpose>(),
    ];

    [Fact]
    public void No_plan_breaks_the_order()
    {
        var broken = new SortedDictionary<string, int>(StringComparer.Ordinal);
        var plans = 0;
        foreach (var (dog, school) in Every())
        {
            plans++;
            foreach (var row in PlanOrder.Broken(TrainingPlan.For(dog, school)))
            {
                var at = $"{row.Id} in {school.Id}, {dog.Temperament}, {string.Join("+", dog.Sensitivities)}, {dog.HeadShape.Shape}";
                broken[at] = broken.GetValueOrDefault(at) + 1;
            }
        }

        Assert.True(plans >= 2000);
        Assert.True(broken.Count == 0, string.Join("\n", broken.Take(40)));
    }

    /// <summary>The checker can fail: every row is broken by some order of steps that a plan could have had.</summary>
    [Fact]
    public void Every_row_is_broken_by_a_plan_put_wrong()
    {
        var seen = new HashSet<string>();
        foreach (var (dog, school) in Every())
        {
            var plan = TrainingPlan.For(dog, school);
            IEnumerable<IReadOnlyList<PlannedStep>> wrong =
            [
                [.. plan.Steps.Reverse()],
                [.. plan.Steps.Skip(1)],
                [],
                [.. Step.All.Select(s => new PlannedStep(s, []))],
            ];
            seen.UnionWith(wrong.SelectMany(steps => PlanOrder.Broken(plan with { Steps = steps })).Select(r => r.Id));
            if (seen.Count == OrderRow.All.Count)
                return;
        }

        Assert.Empty(OrderRow.All.Select(r => r.Id).Except(seen));
    }

    [Fact]
    public void A_lure_is_not_offered_to_a_dog_soured_by_one()
    {
        var soured = Plain with { Temperament = Temperament.Soured };
        Assert.Equal(
            [SchoolId.GoodNewsFirst, SchoolId.OwnChoice, SchoolId.MealtimeCup, SchoolId.LeftAlone],
            School.All.Where(s => s.IsFor(soured)).Select(s => s.Id)
        );
        Assert.All(School.All, s => Assert.True(s.IsFor(Plain)));
        var plan = TrainingPlan.For(soured, School.Of(SchoolId.TastyFloor));
        Assert.Equal((SchoolId.GoodNewsFirst, SchoolId.TastyFloor), (plan.School.Id, plan.Declined!.Id));
        Assert.Null(TrainingPlan.For(soured, School.Of(SchoolId.LeftAlone)).Declined);
    }

    [Fact]
    public void What_must_not_be_missing_is_there()
    {
        var all = TrainingPlan.For(Plain with { Purposes = Enum.GetValues<Purpose>() }).Steps.Select(s => s.Step).ToList();
        Assert.All(
            (string[])["worn-minutes", "worn-moving", "worn-out", "worn-settled", "another-muzzle", "clinic-side", "groomer-noises"],
            id => Assert.Contains(all, s => s.Id == id)
        );

        // From one minute up to half an hour, each at rest, then moving, then out.
        Assert.Equal(
            [60, 600, 600, 1800],
            new[] { "worn-still", "worn-minutes", "worn-moving", "worn-out" }.Select(id => Step.Find(id)!.HoldOf(Step.Find(id)!.TopTarget)!.Value.TotalSeconds)
        );
    }

    /// <summary>Who must be there, distance, lead and barrier stand at every step at which somebody else comes near.</summary>
    [Theory]
    [InlineData(BiteTier.Injured, false)]
    [InlineData(BiteTier.SeveralOrDeep, false)]
    [InlineData(BiteTier.None, true)]
    public void A_deep_bite_or_fear_of_people_changes_visitors_and_being_held(BiteTier tier, bool minds)
    {
        var dog = Plain with { BiteTier = tier, Sensitivities = minds ? [Sensitivity.PeopleNear] : [], Purposes = [Purpose.Clinic, Purpose.Visitors] };
        foreach (var id in (string[])["visitors-door", "clinic-handling", "clinic-side", "clinic-table", "other-hands"])
        {
            var notes = string.Join(" ", TrainingPlan.For(dog).Steps.Single(s => s.Step.Id == id).Notes);
            foreach (
                var word in (string[])
                    ["professional", "lead", "barrier", "distance", minds ? "It is afraid of people near it." : "It has bitten so that it hurt."]
            )
                Assert.Contains(word, notes, StringComparison.Ordinal);
        }

        Assert.DoesNotContain(
            TrainingPlan.For(Plain with { BiteTier = BiteTier.ContactNoInjury }).Steps,
            s => s.Notes.Any(n => n.Contains("professional", StringComparison.Ordinal))
        );
    }
}
