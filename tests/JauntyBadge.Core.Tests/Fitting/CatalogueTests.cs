using JauntyBadge.Core;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using UnitsNet;
using static JauntyBadge.Core.Tests.Heads;

namespace JauntyBadge.Core.Tests.Fitting;

public class CatalogueTests
{
    private static MuzzleModel Model(string id) => Catalogue.Shipped.Single(m => m.Id == id);

    private static readonly MuzzleSize Good = new(
        "x-m",
        "M",
        Mm(98),
        Mm(380),
        Mm(560),
        Mass.FromGrams(200),
        20,
        DepthFront: Mm(120),
        DepthRear: Mm(100),
        WidthRear: Mm(88),
        WidthFront: Mm(74),
        OpeningGirth: Mm(335)
    );

    public static TheoryData<string, string> WrongSizes =>
        new()
        {
            { "label", "" },
            { "label", "a label of more than twenty letters" },
            { "lengthMm", "4" },
            { "depthFrontMm", "900" },
            { "depthRearMm", "2" },
            { "widthRearMm", "1" },
            { "widthFrontMm", "500" },
            { "openingGirthMm", "20" },
            { "neckStrapMinMm", "10" },
            { "neckStrapMaxMm", "2000" },
            { "massG", "0" },
            { "price", "-1" },
        };

    [Theory]
    [MemberData(nameof(WrongSizes))]
    public void A_wrong_number_of_a_size_is_named(string field, string value)
    {
        double Number() => double.Parse(value, System.Globalization.CultureInfo.InvariantCulture);
        var wrong = field switch
        {
            "label" => Good with { Label = value },
            "lengthMm" => Good with { Length = Mm(Number()) },
            "depthFrontMm" => Good with { DepthFront = Mm(Number()) },
            "depthRearMm" => Good with { DepthRear = Mm(Number()) },
            "widthRearMm" => Good with { WidthRear = Mm(Number()) },
            "widthFrontMm" => Good with { WidthFront = Mm(Number()) },
            "openingGirthMm" => Good with { OpeningGirth = Mm(Number()) },
            "neckStrapMinMm" => Good with { NeckStrapMin = Mm(Number()) },
            "neckStrapMaxMm" => Good with { NeckStrapMax = Mm(Number()) },
            "massG" => Good with { Mass = Mass.FromGrams(Number()) },
            _ => Good with { Price = (decimal)Number() },
        };
        Assert.Empty(MuzzleCheck.Of(MuzzleType.Basket, Good));
        Assert.Contains(MuzzleCheck.Of(MuzzleType.Basket, wrong), p => p.Field == field && p.Says.Length > 10);
    }

    [Fact]
    public void A_basket_needs_its_girth_and_a_strap_both_its_ends()
    {
        Assert.Equal(["openingGirthMm"], MuzzleCheck.Of(MuzzleType.Basket, Good with { OpeningGirth = null }).Select(p => p.Field));
        Assert.Equal(["neckStrapMaxMm"], MuzzleCheck.Of(MuzzleType.Basket, Good with { NeckStrapMax = null }).Select(p => p.Field));
        Assert.Empty(MuzzleCheck.Of(MuzzleType.Basket, new MuzzleSize("y", "Y", Mm(98), OpeningGirth: Mm(340))));
        Assert.Equal(
            ["girthMaxMm"],
            MuzzleCheck.Of(MuzzleType.Sleeve, new MuzzleSize("y", "Y", Mm(60), GirthMin: Mm(200), GirthMax: Mm(190))).Select(p => p.Field)
        );
    }

    [Theory]
    [InlineData("frontBarGapMm", 200)]
    [InlineData("plateMm", 0)]
    [InlineData("formableMm", 90)]
    [InlineData("holePitchMm", 1)]
    [InlineData("leadDays", -3)]
    public void A_wrong_number_of_a_model_is_named(string field, double value)
    {
        var model = Model("withy");
        model = field switch
        {
            "frontBarGapMm" => model with { FrontBarGap = Mm(value) },
            "plateMm" => model with { Plate = Mm(value) },
            "formableMm" => model with { Formable = Mm(value) },
            "holePitchMm" => model with { HolePitch = Mm(value) },
            _ => model with { LeadDays = (int)value },
        };
        Assert.Equal([field], MuzzleCheck.Of(model).Select(p => p.Field));
    }

    [Fact]
    public void Two_sizes_of_one_label_are_refused() =>
        Assert.Equal(["sizes[1].label"], MuzzleCheck.Of(Model("withy") with { Sizes = [Good, Good with { Id = "x-m2", Label = "m" }] }).Select(p => p.Field));

    [Fact]
    public void Every_feature_has_words_both_ways_and_some_model_has_it_and_some_has_not()
    {
        foreach (var feature in Enum.GetValues<Feature>())
        {
            Assert.EndsWith(".", Words.Fitting.Of(feature, true), StringComparison.Ordinal);
            Assert.EndsWith(".", Words.Fitting.Of(feature, false), StringComparison.Ordinal);
            Assert.Contains(Catalogue.Shipped, m => m.Has(feature));
            Assert.Contains(Catalogue.Shipped, m => !m.Has(feature));
            Assert.True(Enum.IsDefined(feature.Criterion()));
        }
    }

    [Fact]
    public void Closures_and_fronts_exclude_and_imply_what_they_should()
    {
        foreach (var model in Catalogue.Shipped)
        {
            Assert.Equal(model.Has(Feature.OpenFront), !model.Has(Feature.ClosedFront));
            Assert.False(model.Has(Feature.ClipAlone) && model.Has(Feature.Buckle));
            Assert.Equal(model.Has(Feature.TwoClosures), model.Has(Feature.QuickClip) && model.Has(Feature.Buckle));
            Assert.True(!model.Has(Feature.Metal) || model.Has(Feature.DoesNotGive));
            Assert.True(!model.Has(Feature.DoesNotGive) || model.Has(Feature.Sturdy));
        }
    }

    [Fact]
    public void A_practices_own_stands_in_place_of_the_shipped_and_can_put_one_away()
    {
        var own = Model("withy") with { Note = "Ours." };
        var list = new MuzzleList(
            new Dictionary<string, MuzzleModel?>
            {
                ["withy"] = own,
                ["minute"] = null,
                ["ours"] = own with { Id = "ours", Name = "Aardwolf", Sizes = [Good] },
            }
        );
        Assert.Equal("Ours.", list.Find("withy")!.Note);
        Assert.Null(list.Find("minute"));
        Assert.Equal("Aardwolf", list.All[0].Name);
        Assert.Equal(("ours", "M"), (list.FindSize("x-m")!.Value.Model.Id, list.FindSize("x-m")!.Value.Size.Label));
        Assert.Null(list.FindSize("minute-1"));
        Assert.Null(list.FindSize(null));
        Assert.Equal(Catalogue.Shipped.Count, MuzzleList.Shipped.All.Count);
    }

    [Theory]
    [InlineData(5, 0, 0)]
    [InlineData(0, 5, 0)]
    [InlineData(0, 0, 5)]
    public void Weights_pull_the_order_their_way_without_touching_the_chance(double comfort, double safety, double feeding)
    {
        var snout = SnoutModel.From(Medium(98, 80, 73));
        var dog = new DogProfile
        {
            Name = "Any",
            HeadShapeSeen = HeadShape.Medium,
            BodyMass = Mass.FromKilograms(28),
            Purposes = [Purpose.Walks],
        };
        var question = new FitQuestion(snout, MuzzleBrief.For(dog, new() { CoatHex = "#2e2c2b" }), Mm(16))
        {
            Draws = Draws(snout, 200),
            Weights = new(comfort, safety, feeding),
        };
        var worn = Ranking.Rank(Catalogue.Shipped, question).Where(f => f.MayBeWorn).ToList();
        foreach (
            var step in worn.GroupBy(f =>
                (f.Model.Type, Math.Min(19, Math.Floor(f.Chance!.Value / 0.05 + 1e-9)), f.Size.IsLengthAndGirthOnly, f.Warns, f.Chance < 0.8)
            )
        )
        {
            var scores = step.Select(f =>
                    Math.Round(
                        comfort > 0 ? f.Score.Comfort
                            : safety > 0 ? f.Score.Safety
                            : f.Score.Feeding,
                        6
                    )
                )
                .ToList();
            Assert.Equal(scores.OrderDescending(), scores);
        }

        Assert.All(worn, f => Assert.InRange(Math.Min(f.Score.Comfort, Math.Min(f.Score.Safety, f.Score.Feeding)), 0, 1));
        Assert.All(worn, f => Assert.InRange(Math.Max(f.Score.Comfort, Math.Max(f.Score.Safety, f.Score.Feeding)), 0, 1));
        Assert.Equal((1.0 + 0.5 + 0) / 3, new FitScore(1, 0.5, 0).Weighted(new Weights(0, 0, 0)), 9);
    }

    [Fact]
    public void Sleeves_and_covers_come_after_baskets_and_carry_their_caution()
    {
        var snout = SnoutModel.From(Medium(98, 80, 73));
        var dog = new DogProfile
        {
            Name = "Any",
            HeadShapeSeen = HeadShape.Medium,
            Purposes = [Purpose.Clinic],
        };
        var minute = new BriefQuestion { Wear = new(TimeSpan.FromMinutes(5), false) };
        var worn = Ranking
            .Rank(Catalogue.Shipped, new FitQuestion(snout, MuzzleBrief.For(dog, minute), Mm(16)) { Draws = Draws(snout, 100) })
            .TakeWhile(f => f.MayBeWorn)
            .ToList();
        var kinds = worn.Select(f => f.Model.Type != MuzzleType.Basket).ToList();
        Assert.Contains(true, kinds);
        Assert.Equal(kinds.Order(), kinds);
        Assert.Contains("5 minutes at most", Words.Fitting.Caution(MuzzleType.Sleeve)!, StringComparison.Ordinal);
        Assert.Contains("15 minutes at most", Words.Fitting.Caution(MuzzleType.FaceCover)!, StringComparison.Ordinal);
        Assert.Null(Words.Fitting.Caution(MuzzleType.Basket));
    }

    [Fact]
    public void What_is_refused_has_no_chance_whatever_its_geometry()
    {
        var snout = SnoutModel.From(Medium(98, 80, 73));
        var dog = new DogProfile
        {
            Name = "Any",
            HeadShapeSeen = HeadShape.Medium,
            BiteTier = BiteTier.SeveralOrDeep,
            Purposes = [Purpose.Walks],
        };
        var ranked = Ranking.Rank(Catalogue.Shipped, new FitQuestion(snout, MuzzleBrief.For(dog, new()), Mm(16)) { Draws = Draws(snout, 100) });
        Assert.All(ranked.Where(f => f.IsRefused), f => Assert.Equal((0, Verdict.Out), (f.Chance, f.Verdict)));
        Assert.All(ranked.Where(f => f.IsRefused), f => Assert.Null(f.Retake));
        Assert.Empty(Remedies.For(ranked.First(f => f.IsRefused), ranked));
    }

    /// <summary>The number on which the order stands is the one the sentences tell.</summary>
    [Fact]
    public void Verdicts_by_number_and_by_sentence_agree_over_the_whole_catalogue()
    {
        foreach (
            var (eye, high, wide, shape) in new[]
            {
                (98.0, 80.0, 73.0, HeadShape.Medium),
                (116, 65, 55, HeadShape.Long),
                (42, 52, 67, HeadShape.Short),
                (40, 38, 35, HeadShape.Medium),
            }
        )
        {
            var snout = SnoutModel.From(
                Medium(eye, high, wide) with
                {
                    HeadShape = shape,
                    NeckGirth = Mm(4 * eye + 60),
                    HeadGirth = Mm(4 * eye + 90),
                    SnoutHeight = shape == HeadShape.Short ? null : Mm(high),
                }
            );
            var dog = new DogProfile
            {
                Name = "Any",
                HeadShapeSeen = shape,
                Purposes = [Purpose.Clinic],
            };
            foreach (var fit in Ranking.Rank(Catalogue.Shipped, new FitQuestion(snout, MuzzleBrief.For(dog, new()), Mm(16))))
            {
                Assert.Equal(fit.Criteria.Where(c => !c.IsSoft).Max(c => c.Verdict), fit.Verdict);
                Assert.Equal(fit.Verdict, fit.Deciding.Verdict);
                Assert.All(fit.Criteria, c => Assert.True(c.IsSoft || c.Margin is null || c.Value is not null, $"{c.Name}"));
            }
        }
    }
}
