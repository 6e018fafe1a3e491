using System.Xml.Linq;
using FsCheck.Xunit;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Heads;
using NetTopologySuite.Geometries;
using UnitsNet;
using static JauntyBadge.Core.Tests.Heads;

namespace JauntyBadge.Core.Tests.Fitting;

public class TryOnAndOrderTests
{
    private static readonly DogProfile Dog = new()
    {
        Name = "Bracken",
        HeadShapeSeen = HeadShape.Medium,
        BodyMass = Mass.FromKilograms(28),
        Purposes = [Purpose.Walks],
    };

    private static FitQuestion Question(SnoutModel? snout = null, DogProfile? dog = null)
    {
        var head = snout ?? SnoutModel.From(Medium(98, 80, 73));
        return new(head, MuzzleBrief.For(dog ?? Dog, new()), Mm(16)) { Draws = Draws(head, 200) };
    }

    private static RankedFit Fit(string modelId, FitQuestion question, Func<MuzzleSize, MuzzleSize> size, Func<MuzzleModel, MuzzleModel>? with = null)
    {
        var model = Catalogue.Shipped.Single(m => m.Id == modelId);
        return Ranking.Judge((with ?? (m => m))(model), size(model.Sizes[model.Sizes.Count / 2]), question);
    }

    private static MuzzleSize Good(MuzzleSize s, double length = 98, double width = 90, double min = 400) =>
        s with
        {
            Length = Mm(length),
            DepthFront = Mm(130),
            DepthRear = Mm(105),
            WidthRear = Mm(width),
            OpeningGirth = SnoutSection.Girth(Mm(105), Mm(width)),
            NeckStrapMin = Mm(min),
            NeckStrapMax = Mm(560),
        };

    [Theory]
    [InlineData(470, 20, 7, 460)] // half way between 7 and 8: the tighter
    [InlineData(471, 20, 8, 480)]
    [InlineData(480, 20, 8, 480)]
    [InlineData(341, 20, 1, 340)]
    [InlineData(351, 20, 2, 360)]
    [InlineData(340, 20, 1, 340)]
    public void The_hole_is_the_one_nearest_to_the_loop(double wanted, double pitch, int hole, double loop)
    {
        var setting = StrapSetting.For(Mm(wanted), new Window(Mm(340), Mm(560)), Mm(pitch))!;
        Assert.Equal((hole, 12), (setting.Hole!.Value, setting.Holes!.Value));
        Assert.Equal(loop, setting.Loop.Millimeters, 9);
    }

    [Fact]
    public void A_sliding_strap_is_set_by_millimetres_and_one_out_of_range_not_at_all()
    {
        var range = new Window(Mm(340), Mm(560));
        Assert.Equal(62, StrapSetting.For(Mm(402), range, null)!.FromTightest!.Value.Millimeters, 9);
        Assert.Null(StrapSetting.For(Mm(300), range, null));
        Assert.Null(StrapSetting.AtHole(13, range, Mm(20)));
        Assert.Equal(380, StrapSetting.AtHole(3, range, Mm(20))!.Loop.Millimeters, 9);
    }

    [Theory]
    [InlineData(520, ForeheadStrap.None, Verdict.Fits)]
    [InlineData(440, ForeheadStrap.None, Verdict.Out)]
    [InlineData(440, ForeheadStrap.Optional, Verdict.Marginal)]
    public void A_loop_larger_than_the_head_slips_off_unless_a_forehead_strap_stops_it(double head, ForeheadStrap strap, Verdict verdict)
    {
        var fit = BasketFit.Assess(SnoutModel.From(Medium() with { HeadGirth = Mm(head) }), Box(100, 130), Everyday() with { ForeheadStrap = strap });
        Assert.Equal(verdict, fit.Criteria.Single(c => c.Name == CriterionName.SlipOff).Verdict);
    }

    [Fact]
    public void A_plate_forming_and_a_hole_save_a_near_miss_and_are_judged_anew()
    {
        var question = Question();
        var shortOne = Fit("hatch", question, s => Good(s, length: 84), m => m with { Formable = null, HolePitch = null });
        var plate = Assert.Single(Remedies.For(shortOne, []));
        Assert.Equal([RemedyKind.Plate], plate.Kinds);
        Assert.Equal(94, plate.After.Size.Length.Millimeters);
        Assert.NotEqual(Verdict.Out, plate.After.Verdict);

        var narrow = Fit("hatch", question, s => Good(s, width: 76), m => m with { Plate = null, HolePitch = null });
        var forming = Assert.Single(Remedies.For(narrow, []));
        Assert.Contains("4 mm wider", Words.Fitting.Of(forming), StringComparison.Ordinal); // 76 − 73 leaves 3, and 6 is wanted: 3 more would be as likely as not

        var loop = NeckStrap.Loop(Mm(430), 2, Mm(16)).Millimeters;
        var tight = Fit("withy", question, s => Good(s, min: loop + 15));
        Assert.Equal([RemedyKind.Strap], Assert.Single(Remedies.For(tight, [])).Kinds);
        Assert.Empty(Remedies.For(Fit("withy", question, s => Good(s, length: 60)), []));
    }

    [Fact]
    public void Another_size_of_the_model_is_a_remedy()
    {
        var ranked = Ranking.Rank(Catalogue.Shipped, Question());
        var small = ranked.First(f => f is { Verdict: Verdict.Out, IsRefused: false } && ranked.Any(o => o.Model.Id == f.Model.Id && o.Verdict != Verdict.Out));
        Assert.True(-small.TightestMargin <= Remedies.NearMiss.Ours);
        var sizes = ranked.Where(f => f.Model.Id == small.Model.Id).ToList();
        Assert.Contains(Remedies.For(small, sizes), r => r.Kinds is [RemedyKind.Size] && r.After.Verdict != Verdict.Out);
    }

    [Fact]
    public void A_training_muzzle_is_soft_quick_and_a_size_or_two_up()
    {
        var training = TrainingMuzzle.From(Ranking.Rank(Catalogue.Shipped, Question()));
        Assert.NotEmpty(training);
        Assert.All(training, f => Assert.True(f.Fit.Model.Has(Feature.QuickClip) && f.Fit.Model.Has(Feature.Soft) && f.Fit.Size.Length > Mm(98)));
        Assert.Equal(training.Select(f => f.Fit.Size.Price).Order(), training.Select(f => f.Fit.Size.Price));
    }

    /// <summary>Chapter 2: rides into the eyes ← forehead strap too tight, basket too long, neck strap too loose.</summary>
    [Fact]
    public void Rides_into_the_eyes_leads_to_the_length_when_the_length_says_so()
    {
        var question = Question();
        var ranked = Ranking.Rank(Catalogue.Shipped, question);
        var longOne = Fit("withy", question, s => Good(s, length: 122));
        var symptom = Symptom.Find("rides-into-eyes")!;
        Assert.Equal(["forehead-too-tight", "too-long", "neck-too-loose"], symptom.Causes.Take(3));
        var causes = TryOn.Diagnose(symptom, longOne, longOne.Strap, ranked);
        Assert.Equal(("forehead-too-tight", null), (causes[0].Cause.Id, causes[0].Likely));
        var tooLong = causes.Single(c => c.Likely == true);
        Assert.Equal("too-long", tooLong.Cause.Id);
        Assert.Equal(("neck-too-loose", false), (causes[^1].Cause.Id, causes[^1].Likely!.Value));
        var size = tooLong.Remedies.First(r => r.Kind == RemedyKind.Size);
        Assert.NotEqual(Verdict.Out, size.After);
        Assert.Contains("becomes", size.Effect, StringComparison.Ordinal);
        Assert.All(causes, c => Assert.Equal(c.Remedies.Select(r => r.Kind).Order(), c.Remedies.Select(r => r.Kind)));
    }

    [Fact]
    public void A_strap_fastened_too_loose_is_found_and_the_right_hole_named()
    {
        var question = Question();
        var good = Fit("withy", question, s => Good(s));
        var right = good.Strap!;
        var loose = StrapSetting.AtHole(right.Hole!.Value + 2, new Window(Mm(400), Mm(560)), Mm(20));
        var cause = TryOn.Diagnose(Symptom.Find("strap-loose")!, good, loose, [good]).Single(c => c.Cause.Id == "neck-too-loose");
        Assert.True(cause.Likely);
        Assert.Contains($"hole {right.Hole} of", Assert.Single(cause.Remedies).Does, StringComparison.Ordinal);
    }

    [Fact]
    public void Every_symptom_of_every_type_is_diagnosed_without_a_hitch()
    {
        var ranked = Ranking.Rank(Catalogue.Shipped, Question());
        foreach (var fit in ranked.GroupBy(f => f.Model.Id).Select(g => g.First()))
        {
            foreach (var symptom in Symptom.All)
                Assert.All(TryOn.Diagnose(symptom, fit, fit.Strap, ranked), d => Assert.True(d.Evidence.Length > 5 && d.Remedies.All(r => r.Does.Length > 5)));
        }
    }

    /// <summary>A muzzle made to the sheet fits the snout it came from, whatever the head.</summary>
    [Property(MaxTest = 150)]
    public bool What_is_ordered_fits(byte eye, byte high, byte wide, byte shape, bool working)
    {
        var xe = 25.0 + eye % 110;
        var snout = SnoutModel.From(
            Medium(xe, xe * (0.5 + high % 80 / 100.0), xe * (0.45 + wide % 90 / 100.0)) with
            {
                HeadShape = (HeadShape)(shape % 3),
                JawToNose = null,
            }
        );
        var dog = Dog with { HeadShapeSeen = (HeadShape)(shape % 3), Purposes = [working ? Purpose.Working : Purpose.Walks] };
        var question = Question(snout, dog);
        var sheet = OrderSheet.For(dog, question);
        var at = sheet.Dimensions.ToDictionary(d => d.Name);
        var random = new Random(eye + 256 * high);
        Length Within(string name, double share) => at[name].Least!.Value + (at[name].Most!.Value - at[name].Least!.Value) * share;

        // Every corner of the windows, and points between them, fit by the product's own criteria, and no front is shallower than its rear.
        bool Fits(Func<int, double> share)
        {
            var made = new BasketModel(
                Within("Inner length", share(0)),
                Within("Depth in front", share(1)),
                Within("Depth at the rear edge", share(2)),
                Within("Width at the rear edge", share(3)),
                Within("Girth at the rear edge", share(4)),
                at["Neck strap loop"].Least,
                at["Neck strap loop"].Most
            );
            var fit = BasketFit.Assess(
                snout,
                made,
                new FitRequest(question.Brief.FitStyle, question.Brief.NeededGape, question.Brief.Fingers, Mm(16), ForeheadStrap: ForeheadStrap.Fitted)
            );
            return made.DepthFront >= made.DepthRear && fit.Criteria.All(c => c.Verdict != Verdict.Out);
        }

        return Enumerable.Range(0, 32).All(corner => Fits(i => corner >> i & 1))
            && Enumerable.Range(0, 20).All(_ => Fits(_ => random.NextDouble()))
            && at["Depth in front"].Least >= at["Depth at the rear edge"].Most
            && sheet.Check.Criteria.All(c => c.Verdict != Verdict.Out)
            && sheet.Dimensions.All(d => (d.Least ?? d.Wanted) <= d.Wanted + Mm(1e-6) && d.Wanted <= (d.Most ?? d.Wanted) + Mm(1e-6));
    }

    [Fact]
    public void The_sheet_says_what_is_odd_about_a_head_and_what_the_maker_must_confirm()
    {
        var pug = new Breed("made-up", "Made up", HeadShape.Short, [BreedTrait.NoBridge, BreedTrait.HeavyJowls], 12);
        var dog = Dog with { HeadShapeSeen = HeadShape.Short, Breeds = [pug], BiteTier = BiteTier.Injured };
        var snout = SnoutModel.From(
            new SnoutNumbers
            {
                NoseToInnerEyeLeft = Mm(40),
                NoseToInnerEyeRight = Mm(42),
                SnoutGirth = Mm(215),
                NeckGirth = Mm(380),
                HeadShape = HeadShape.Short,
            }
        );
        var sheet = OrderSheet.For(dog, Question(snout, dog));
        Assert.Contains(sheet.ShapeNotes, n => n.Contains("No bridge", StringComparison.Ordinal));
        Assert.Contains(sheet.ShapeNotes, n => n.Contains("assumed", StringComparison.Ordinal));
        Assert.Contains(sheet.Confirm, c => c.Contains("does not give", StringComparison.Ordinal));
        Assert.Contains(sheet.Features, f => f.StartsWith("Front bar", StringComparison.Ordinal));
    }

    /// <summary>Read back by System.Xml: one user unit is one millimetre, and a wall is as long as the basket.</summary>
    [Fact]
    public void The_svg_is_to_scale_in_millimetres()
    {
        var ranked = Ranking.Rank(Catalogue.Shipped, Question());
        var svg = XDocument.Parse(FitSvg.Write([ranked[0], ranked[1]], "Bracken & <friends>", HeadLook.Plain)).Root!;
        double Number(string text) => double.Parse(text, System.Globalization.CultureInfo.InvariantCulture);
        var box = svg.Attribute("viewBox")!.Value.Split(' ').Select(Number).ToList();
        Assert.Equal($"{box[2]:0.##}mm", svg.Attribute("width")!.Value);
        Assert.Equal("Bracken & <friends>", svg.Elements().First().Value);
        var wall = svg.Descendants().Where(e => e.Attribute("stroke-width")?.Value == "1.2").First().Attribute("d")!.Value;
        var xs = wall.TrimEnd('Z').Split(['M', 'L'], StringSplitOptions.RemoveEmptyEntries).Select(p => Number(p.Split(' ')[0])).ToList();
        Assert.Equal(ranked[0].Size.Length.Millimeters, xs.Max() - xs.Min(), 0.02);
        Assert.Throws<ArgumentException>(() => FitSvg.Write([], "", HeadLook.Plain));
    }

    [Fact]
    public void A_sleeve_is_drawn_to_its_length_too()
    {
        var sleeve = Ranking.Rank(Catalogue.Shipped, Question()).First(f => f.Model.Type == MuzzleType.Sleeve);
        var drawing = FitDrawing.Of(sleeve);
        Assert.Equal(98 - sleeve.Size.Length.Millimeters, drawing.Dimensions.Single().Value.Millimeters, 6);
        Assert.Equal(sleeve.Size.Length.Millimeters, drawing.Basket.Single(s => s.Name == StrokePart.Wall).Points.Max(p => p.X), 9);
        Assert.Equal(sleeve.Size.GirthRange()!.Value.High.Millimeters, Around(drawing.BasketSection.Points), 0.5);
        Assert.Equal(["snoutWidth", "snoutDepth"], drawing.SectionDimensions.Select(d => d.Name));
    }

    [Fact]
    public void A_try_on_sums_up_to_what_was_fine_and_what_was_not()
    {
        var all = TryOnCheck.For(MuzzleType.Basket).ToDictionary(c => c.Id, _ => true);
        static (double, string?) Summed(TryOnFinding found) => (found.FineShare, Words.Fitting.Wrong(found));
        Assert.Equal((1, null), Summed(TryOnFinding.Of(MuzzleType.Basket, all, [])));
        Assert.Equal((2 / 12.0, null), Summed(TryOnFinding.Of(MuzzleType.Basket, new Dictionary<string, bool> { ["nose"] = true, ["chin"] = true }, [])));

        // A No is said by what was seen, or by the question when nothing was picked; a symptom without a No counts for nothing.
        all["sight"] = all["paw"] = false;
        Assert.Equal(
            (10 / 12.0, "Rides into the eyes; “Can it not be pawed off?” No"),
            Summed(TryOnFinding.Of(MuzzleType.Basket, all, ["rides-into-eyes", "strap-tight"]))
        );
    }

    /// <summary>Common practice: a sleeve holds the mouth shut, so it is not asked to open; what lies on the face is asked about breath instead.</summary>
    [Theory]
    [InlineData(MuzzleType.Basket, true, false, 12)]
    [InlineData(MuzzleType.Sleeve, false, true, 9)]
    [InlineData(MuzzleType.FaceCover, false, true, 9)]
    public void What_is_looked_at_depends_on_the_type(MuzzleType type, bool mouth, bool breath, int checks)
    {
        var asked = TryOnCheck.For(type);
        Assert.Equal((mouth, breath, checks), (asked.Any(c => c.Id == "mouth"), asked.Any(c => c.Id == "breath"), asked.Count));
        Assert.Equal(1, TryOnFinding.Of(type, asked.ToDictionary(c => c.Id, _ => true), []).FineShare);
    }

    /// <summary>NetTopologySuite's buffer of the box, and the outline's own perimeter, are second and third ways to the length all round.</summary>
    [Theory]
    [InlineData(80, 73, 300)]
    [InlineData(52, 60, 215)]
    [InlineData(38, 35, 150)]
    public void What_lies_all_round_a_snout_is_as_long_as_it_should_be(double height, double width, double girth)
    {
        var outline = SnoutSection.OutlineAround(Mm(height), Mm(width), Mm(girth));
        Assert.Equal(girth, Around(outline), 0.005 * girth);
        Coordinate[] box = [.. SnoutSection.Outline(Mm(height), Mm(width)).Select(p => new Coordinate(p.X, p.Y))];
        var distance = (girth - SnoutSection.Girth(Mm(height), Mm(width)).Millimeters) / (2 * Math.PI);
        var buffered = new Polygon(new LinearRing([.. box, box[0]])).Buffer(distance, 32);
        Assert.All(outline, p => Assert.Equal(0, buffered.Boundary.Distance(new Point(p.X, p.Y)), 0.1));
    }

    private static double Around(IReadOnlyList<PointMm> points) =>
        points.Zip([.. points.Skip(1), points[0]], (a, b) => Math.Sqrt(Math.Pow(a.X - b.X, 2) + Math.Pow(a.Y - b.Y, 2))).Sum();

    /// <summary>Of two that are as sure, the one whose shape is known comes first, whatever the weights say.</summary>
    [Fact]
    public void A_known_shape_comes_before_a_chart_of_length_and_girth()
    {
        var question = Question();
        var known = Catalogue.Shipped.Single(m => m.Id == "withy") with
        {
            Name = "Zeta",
            Sizes = [Good(new MuzzleSize("zeta-m", "M", Mm(98), Mm(400), Mm(560), Mass.FromGrams(400)))],
        };
        var chart = Catalogue.Shipped.Single(m => m.Id == "lantern") with
        {
            Name = "Alpha",
            Sizes = [new("alpha-m", "M", Mm(98), Mm(400), Mm(560), Mass.FromGrams(100), OpeningGirth: Mm(question.Snout.Girth.Mm + 110))],
        };
        var ranked = Ranking.Rank([chart, known], question);
        Assert.Equal(["Zeta", "Alpha"], ranked.Select(f => f.Model.Name));

        // Its width and depth are not known, and their doubt counts: 6 to 30 mm spare about an assumed 14 ± 8 holds four times in five.
        Assert.InRange(ranked[1].Chance!.Value, 0.5, 0.83);
    }

    /// <summary>A chart of length and girth still works, and says what was assumed.</summary>
    [Fact]
    public void Length_and_girth_alone_are_judged_as_a_box()
    {
        var question = Question();
        var size = new MuzzleSize("any-m", "M", Mm(98), OpeningGirth: Mm(question.Snout.Girth.Mm + 100));
        var fit = Ranking.Judge(Catalogue.Shipped[0], size, question);
        Assert.Equal(Verdict.Marginal, fit.Verdict);
        Assert.Contains("a box of its girth", fit.Criteria.Single(c => c.Name == CriterionName.Gape).Reason, StringComparison.Ordinal);
        Assert.Contains(fit.NotChecked, n => n.Name == CriterionName.Width && n.Reason.Contains("assumed", StringComparison.Ordinal));
        Assert.Contains(fit.NotChecked, n => n.Name == CriterionName.NeckStrap);
        Assert.Equal(GapeClass.FullPant, fit.Assessment!.GapeClass);
        Assert.Null(fit.Strap);
    }
}
