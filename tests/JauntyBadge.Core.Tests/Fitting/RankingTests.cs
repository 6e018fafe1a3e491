using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using UnitsNet;
using static JauntyBadge.Core.Tests.Heads;

namespace JauntyBadge.Core.Tests.Fitting;

public class RankingTests
{
    private static readonly SnoutModel Snout = SnoutModel.From(Medium(eye: 98, height: 80, width: 73));

    private static DogProfile Dog(params Purpose[] purposes) =>
        new()
        {
            Name = "Bracken",
            Breeds = [BreedList.Shipped.Find("labrador-retriever")!],
            BodyMass = Mass.FromKilograms(28),
            Purposes = purposes,
        };

    private static readonly WearPlan Minute = new(TimeSpan.FromMinutes(5), false);

    private static IReadOnlyList<RankedFit> Rank(DogProfile dog, SnoutModel? snout = null, WearPlan? wear = null) =>
        Ranking.Rank(Catalogue.Shipped, new FitQuestion(snout ?? Snout, MuzzleBrief.For(dog, new() { Wear = wear }), Mm(16)) { Draws = Draws(snout ?? Snout) });

    [Fact]
    public void The_shipped_catalogue_is_rich_enough_to_choose_from()
    {
        Assert.True(Catalogue.Shipped.Count >= 24);
        Assert.True(Catalogue.Shipped.Sum(m => m.Sizes.Count) >= 150);
        Assert.All(Enum.GetValues<Closure>(), c => Assert.Contains(Catalogue.Shipped, m => m.Closure == c));
        Assert.All(Enum.GetValues<MuzzleType>(), t => Assert.Contains(Catalogue.Shipped, m => m.Type == t));
        Assert.All(Enum.GetValues<Material>(), t => Assert.Contains(Catalogue.Shipped, m => m.Material == t));
    }

    [Fact]
    public void What_may_be_worn_comes_first_by_chance_then_weights_then_what_is_out_the_nearest_miss_first()
    {
        var ranked = Rank(Dog(Purpose.Walks));
        Assert.Equal(Catalogue.Shipped.Sum(m => m.Sizes.Count), ranked.Count);
        Assert.Equal(Verdict.Fits, ranked[0].Verdict);
        Assert.Equal(ranked.Select(f => !f.MayBeWorn).Order(), ranked.Select(f => !f.MayBeWorn));
        var steps = ranked
            .Where(f => f.MayBeWorn)
            .Select(f =>
                (
                    f.Chance < 0.8 ? 0
                    : f.Warns ? 1
                    : 2,
                    Math.Min(19, Math.Floor(f.Chance!.Value / 0.05 + 1e-9)),
                    !f.Size.IsLengthAndGirthOnly,
                    !f.Warns,
                    f.Weighted
                )
            )
            .ToList();
        Assert.Equal(steps.OrderDescending(), steps);
        Assert.Equal([0, 2], steps.Select(s => s.Item1).Distinct().Order());
        Assert.False(ranked[0].Warns);
        var misses = ranked.Where(f => f.Verdict == Verdict.Out && !f.IsRefused).Select(f => f.TightestMargin.Millimeters).ToList();
        Assert.Equal(misses.OrderDescending(), misses);
        Assert.Equal(ranked.Select(f => f.Size.Id), Rank(Dog(Purpose.Walks)).Select(f => f.Size.Id));
    }

    [Theory]
    [InlineData(HeadShape.Long, 118, 66, 59, 380)]
    [InlineData(HeadShape.Medium, 84, 68, 63, 380)]
    [InlineData(HeadShape.Short, 54, 66, 73, 330)]
    [InlineData(HeadShape.Medium, 44, 35, 36, 220)]
    public void Every_head_shape_finds_something(HeadShape shape, double eye, double height, double width, double neck)
    {
        var snout = SnoutModel.From(Medium(eye, height, width) with { HeadShape = shape, JawToNose = null, NeckGirth = Mm(neck) });
        Assert.NotEqual(Verdict.Out, Rank(Dog(Purpose.Walks) with { HeadShapeSeen = shape }, snout)[0].Verdict);
    }

    [Theory]
    [InlineData(true, HeadShape.Medium, true)]
    [InlineData(false, HeadShape.Medium, false)]
    [InlineData(true, HeadShape.Short, false)]
    public void A_sleeve_is_for_the_clinic_alone_and_never_for_a_short_face(bool clinicOnly, HeadShape shape, bool allowed)
    {
        var dog = Dog(clinicOnly ? [Purpose.Clinic] : [Purpose.Clinic, Purpose.Walks]) with { HeadShapeSeen = shape };
        var sleeves = Rank(dog, wear: Minute).Where(f => f.Model.Type == MuzzleType.Sleeve).ToList();
        Assert.Equal(allowed, sleeves.Any(f => f.Verdict != Verdict.Out));
        Assert.Equal(allowed, sleeves.All(f => f.Criteria.All(c => c.Name != CriterionName.Use || c.Verdict != Verdict.Out)));
    }

    [Theory]
    [InlineData(true, HeadShape.Short, true)]
    [InlineData(true, HeadShape.Medium, false)]
    [InlineData(false, HeadShape.Short, false)]
    public void A_face_cover_is_for_short_faces_on_short_visits(bool clinicOnly, HeadShape shape, bool allowed)
    {
        var dog = Dog(clinicOnly ? [Purpose.Clinic] : [Purpose.Walks]) with { HeadShapeSeen = shape };
        var cover = Catalogue.Shipped.First(m => m.Type == MuzzleType.FaceCover);
        Assert.Equal(allowed, MuzzleBrief.For(dog, new()).Refusals(cover, Words.Fitting).Count == 0);
    }

    [Fact]
    public void A_dog_that_injured_someone_gets_only_what_holds()
    {
        var ranked = Rank(Dog(Purpose.Walks) with { BiteTier = BiteTier.Injured });
        Assert.All(ranked.Where(f => f.Verdict != Verdict.Out), f => Assert.True(f.Model is { DoesNotGive: true, CollarLink: true, FrontBar: true }));
        var deep = MuzzleBrief.For(Dog(Purpose.Walks) with { BiteTier = BiteTier.SeveralOrDeep }, new());
        Assert.Equal(FitStyle.Working, deep.FitStyle);
        Assert.NotEmpty(deep.Refusals(Catalogue.Shipped.First(m => m.Id == "heron"), Words.Fitting));
    }

    [Fact]
    public void A_scavenger_gets_no_open_front() =>
        Assert.All(Rank(Dog(Purpose.Scavenging)).Where(f => f.Verdict != Verdict.Out), f => Assert.NotEqual(FrontOpening.Fixed, f.Model.FrontOpening));

    /// <summary>Common practice, no source: a basket deeper at the neck than in front cannot let the mouth open, so it is out for a walk; deep in front it is not.</summary>
    [Theory]
    [InlineData(82, 128, Verdict.Out)]
    [InlineData(128, 104, Verdict.Fits)]
    public void A_neck_deep_basket_is_out_for_a_walk(double front, double rear, Verdict verdict)
    {
        var size = new MuzzleSize(
            "any-m",
            "M",
            Mm(98),
            Mm(400),
            Mm(560),
            Mass.FromGrams(300),
            DepthFront: Mm(front),
            DepthRear: Mm(rear),
            WidthRear: Mm(90),
            OpeningGirth: SnoutSection.Girth(Mm(rear), Mm(90))
        );
        var fit = Ranking.Judge(
            Catalogue.Shipped.Single(m => m.Id == "withy"),
            size,
            new FitQuestion(Snout, MuzzleBrief.For(Dog(Purpose.Walks), new()), Mm(16))
        );
        Assert.Equal(verdict, fit.Verdict);
        Assert.Equal(verdict, fit.Criteria.Single(c => c.Name == CriterionName.Gape).Verdict);
    }

    [Fact]
    public void The_brief_says_why()
    {
        var walks = MuzzleBrief.For(Dog(Purpose.Walks), new());
        Assert.Equal((15, FitStyle.Everyday, 2), (walks.NeededGape.Degrees, walks.FitStyle, walks.Fingers));
        var clinic = MuzzleBrief.For(Dog(Purpose.Walks, Purpose.Clinic), new() { Uses = [Purpose.Clinic] });
        Assert.Equal(8, clinic.NeededGape.Degrees, 9);
        var working = MuzzleBrief.For(Dog(Purpose.Working), new());
        Assert.Equal((FitStyle.Working, 1), (working.FitStyle, working.Fingers));
        Assert.Equal(FitStyle.Everyday, MuzzleBrief.For(Dog(Purpose.Working), new() { FitStyle = FitStyle.Everyday }).FitStyle);
        Assert.All(walks.Lines.Concat(working.Lines), l => Assert.True(l.Reason.Length > 5 && l.Basis.Note.Length > 5));
    }

    [Fact]
    public void A_sleeve_that_stops_short_of_the_eyes_on_a_snout_in_its_range_serves_a_minute_with_its_mouth_held_shut()
    {
        var best = Rank(Dog(Purpose.Clinic), wear: Minute).First(f => f.Model.Type == MuzzleType.Sleeve);
        Assert.Equal(Verdict.Marginal, best.Verdict);
        Assert.Null(best.Assessment);
        Assert.Equal(
            [CriterionName.Seat, CriterionName.Gape, CriterionName.Girth, CriterionName.NeckStrap, CriterionName.Heat],
            best.Criteria.Where(c => !c.IsSoft).Select(c => c.Name)
        );
    }

    /// <summary>A head so small that its seat window has no width, and a basket exactly as long as its eye line: 0 of 0 is a seat in the middle.</summary>
    [Theory]
    [InlineData(1)]
    [InlineData(0.001)]
    [InlineData(15)]
    public void The_score_of_the_tiniest_head_is_a_number(double eye)
    {
        var head = SnoutModel.From(
            new SnoutNumbers
            {
                NoseToInnerEyeLeft = Heads.Mm(eye),
                NoseToInnerEyeRight = Heads.Mm(eye),
                HeadShape = HeadShape.Short,
            }
        );
        var brief = MuzzleBrief.For(
            new DogProfile
            {
                Name = "Mite",
                HeadShapeSeen = HeadShape.Short,
                Purposes = [Purpose.Clinic],
            },
            new()
        );
        var model = Catalogue.Shipped.First(m => m.Type == MuzzleType.Basket);
        MuzzleModel Long(double mm) => model with { Sizes = [model.Sizes[0] with { Id = "mite-1", Length = Mm(mm) }] };
        foreach (var mm in new[] { eye, eye / 2, eye * 2 })
        {
            var fit = Ranking.Rank([Long(mm)], new FitQuestion(head, brief, FitRules.Finger.Ours)).Single();
            Assert.True(double.IsFinite(fit.Weighted), $"{mm}");
        }
    }
}
