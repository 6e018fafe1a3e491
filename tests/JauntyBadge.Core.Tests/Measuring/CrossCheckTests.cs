using JauntyBadge.Core;
using JauntyBadge.Core.Measuring;
using UnitsNet;
using static JauntyBadge.Core.Tests.Heads;

namespace JauntyBadge.Core.Tests.Measuring;

public class CrossCheckTests
{
    private static readonly Mass Kg28 = Mass.FromKilograms(28);

    private static readonly Circumstances Medium28 = new() { BodyMass = Kg28 };

    private static IReadOnlyList<Finding> Findings(Circumstances about, params Reading[] readings) => Assessment.Of(readings, about).Findings;

    private static IReadOnlyList<FindingCode> Codes(params Reading[] readings) => [.. Findings(Medium28, readings).Select(f => f.Code)];

    private static Reading Left(double mm) => Read(Measure.NoseToInnerEye, mm, Side.Left);

    private static Reading Right(double mm) => Read(Measure.NoseToInnerEye, mm, Side.Right);

    [Theory]
    [InlineData(100, 103, false)]
    [InlineData(100, 105, false)]
    [InlineData(100, 105.5, true)] // over 5 mm
    [InlineData(60, 63.5, true)] // under 5 mm but over 5 %
    public void Sides_that_differ_are_taken_again(double left, double right, bool found) =>
        Assert.Equal(found, Codes(Left(left), Right(right)).Contains(FindingCode.SidesDiffer));

    [Fact]
    public void One_side_only_is_said() => Assert.Contains(FindingCode.OneSideOnly, Codes(Left(100)));

    [Theory]
    [InlineData(199, false)]
    [InlineData(200, true)]
    public void Eyes_too_far_apart_for_their_distance_are_found(double spacing, bool found) =>
        Assert.Equal(found, Codes(Left(100), Right(102), Read(Measure.InnerEyeSpacing, spacing)).Contains(FindingCode.ImpossibleSpacing));

    /// <summary>2√(80²+72²) = 215.3 and 2(80+72) = 304: bounds of a convex section, widened by twice the standard uncertainty.</summary>
    [Theory]
    [InlineData(273, false)]
    [InlineData(225, false)]
    [InlineData(190, true)]
    [InlineData(330, true)]
    public void Girth_must_go_with_height_and_width(double girth, bool found) =>
        Assert.Equal(
            found,
            Codes(Read(Measure.SnoutGirth, girth), Read(Measure.SnoutHeight, 80), Read(Measure.SnoutWidth, 72)).Contains(FindingCode.GirthBounds)
        );

    [Fact]
    public void Just_past_the_bound_but_within_the_doubt_is_not_called_wrong() =>
        Assert.DoesNotContain(FindingCode.GirthBounds, Codes(Read(Measure.SnoutGirth, 306), Read(Measure.SnoutHeight, 80), Read(Measure.SnoutWidth, 72)));

    [Theory]
    [InlineData(95, false)]
    [InlineData(9.5, true)] // centimetres typed as millimetres
    [InlineData(950, true)]
    public void A_slip_of_the_unit_is_caught(double eye, bool found) => Assert.Equal(found, Codes(Left(eye), Right(eye)).Contains(FindingCode.Implausible));

    [Theory]
    [InlineData(99, 103, false)]
    [InlineData(99, 104, true)]
    public void Two_readings_too_far_apart_ask_for_a_third(double first, double second, bool found) =>
        Assert.Equal(found, Codes(Read(Measure.SnoutWidth, first), Read(Measure.SnoutWidth, second)).Contains(FindingCode.ThirdReading));

    [Fact]
    public void Findings_say_what_by_how_much_and_what_to_take_again_in_the_users_unit()
    {
        var finding = Findings(Medium28, Left(95), Right(103)).Single();
        Assert.Contains("differ by 0.8 cm (9.5 cm and 10.3 cm)", new MeasuringWords(Words.In(ReadingUnit.Cm)).Message(finding), StringComparison.Ordinal);
        Assert.Contains("tear duct", Words.Measuring.Retake(finding), StringComparison.Ordinal);
    }

    private static readonly Reading[] MeasuredWell =
    [
        Left(98),
        Right(100),
        Read(Measure.FitLineLength, 80),
        Read(Measure.SnoutGirth, 272),
        Read(Measure.SnoutHeight, 80),
        Read(Measure.SnoutWidth, 73),
        Read(Measure.JawToNose, 149),
        Read(Measure.NeckGirth, 430),
        Read(Measure.NoseToOcciput, 232),
        Read(Measure.InnerEyeSpacing, 44),
        Read(Measure.StopToNose, 99),
        Read(Measure.StopToOcciput, 118),
        Read(Measure.SkullWidth, 118),
        Read(Measure.HeadGirth, 485),
    ];

    [Fact]
    public void A_medium_large_dog_measured_well_raises_nothing() => Assert.Empty(Findings(Medium28, MeasuredWell));

    [Theory]
    [InlineData(80, false)]
    [InlineData(74, false)] // within twice the doubt of both
    [InlineData(70, false)] // within the doubt of a gap that was not written down
    [InlineData(64, true)]
    [InlineData(96, true)]
    public void Fit_line_and_gap_must_make_the_nose_to_inner_eye(double fitLine, bool found) =>
        Assert.Equal(found, Codes(Left(99), Right(99), Read(Measure.FitLineLength, fitLine)).Contains(FindingCode.FitLineGap));

    [Fact]
    public void A_gap_written_down_counts_instead_of_the_usual_one() =>
        Assert.DoesNotContain(
            Findings(Medium28 with { FitLineGap = Mm(13) }, Left(100), Right(100), Read(Measure.FitLineLength, 87)),
            f => f.Code == FindingCode.FitLineGap
        );

    [Theory]
    [InlineData(100, 235, HeadShape.Medium, false)]
    [InlineData(100, 95, HeadShape.Medium, true)] // the part longer than the whole
    [InlineData(100, 160, HeadShape.Medium, true)]
    [InlineData(60, 235, HeadShape.Medium, true)]
    [InlineData(40, 235, HeadShape.Short, false)]
    public void The_face_is_a_plausible_share_of_the_head(double eye, double whole, HeadShape shape, bool found)
    {
        var about = new Circumstances { OtherWays = [new(ShapeWay.Seen, null, shape, Basis.House("in a test"))] };
        Assert.Equal(found, Findings(about, Left(eye), Right(eye), Read(Measure.NoseToOcciput, whole)).Any(f => f.Code == FindingCode.FaceShare));
    }

    [Fact]
    public void Three_readings_with_an_odd_one_propose_it_and_nothing_is_thrown_away()
    {
        Reading[] girths = [Read(Measure.NeckGirth, 430), Read(Measure.NeckGirth, 431), Read(Measure.NeckGirth, 445)];
        var assessed = Assessment.Of(girths, Medium28);
        Assert.Contains("445 mm stands apart", Said(assessed.Findings.Single(f => f.Code == FindingCode.OddOneOut)), StringComparison.Ordinal);
        Assert.Equal(3, assessed.Measured.Single().Count);
    }

    /// <summary>Modified z-score of 3.5 over median and MAD (Iglewicz &amp; Hoaglin 1993, recalled): median 100, MAD 4, so ±3.5·1.4826·4 = ±20.76.</summary>
    [Fact]
    public void The_practices_own_range_is_robust_and_needs_eight_dogs()
    {
        double[] dogs = [92, 96, 96, 100, 100, 104, 104, 108, 900];
        var range = BreedRange.Of([.. dogs.Select(Mm)], HouseRules.Ours)!;
        Assert.Equal(100, range.Median.Millimeters, 9);
        Assert.Equal(100 - 3.5 * 1.4826 * 4, range.Low.Millimeters, 6);
        Assert.Null(BreedRange.Of([.. dogs.Take(7).Select(Mm)], HouseRules.Ours));
        var alike = BreedRange.Of([.. Enumerable.Repeat(Mm(100), 8)], HouseRules.Ours)!;
        Assert.Equal((94, 106), (alike.Low.Millimeters, alike.High.Millimeters));

        var about = Medium28 with { OwnRanges = new Dictionary<Measure, BreedRange> { [Measure.SnoutWidth] = range } };
        Assert.Contains("9 earlier dogs", Said(Findings(about, Read(Measure.SnoutWidth, 75)).Single()), StringComparison.Ordinal);
        Assert.Empty(Findings(about, Read(Measure.SnoutWidth, 85)));
    }

    [Fact]
    public void What_is_missing_is_listed_for_each_use()
    {
        var nothing = Completeness.Missing([], FitStyle.Everyday);
        Assert.Equal(
            [Measure.FitLineLength, Measure.SnoutHeight, Measure.SnoutGirth, Measure.SnoutWidth],
            nothing.Where(m => m.Use == MeasureUse.Choosing).Select(m => m.Measure)
        );
        Assert.Equal([Measure.NeckGirth, Measure.HeadGirth], nothing.Where(m => m.Use == MeasureUse.Strap).Select(m => m.Measure));
        Assert.Equal(3, nothing.Count(m => m.Use == MeasureUse.HeadShape));
        Assert.Equal(Measure.FitLineLength, nothing.Single(m => m.Blocking).Measure);
        Assert.Equal(6, Completeness.Missing([], FitStyle.Working).Count(m => m.Use == MeasureUse.Choosing || m.Measure == Measure.NeckGirth));

        var some = Measured.From([Left(98), Left(100)], Coat.Ordinary, HouseRules.Ours);
        Assert.True(Completeness.CanFit(some));
        Assert.Equal(1.0 / 5, Completeness.Share(some, FitStyle.Everyday), 9);
        Assert.Equal(1.0 / 6, Completeness.Share(some, FitStyle.Working), 9);
        Assert.DoesNotContain(Completeness.Missing(some, FitStyle.Everyday), m => m.Blocking);
        Assert.Empty(Completeness.Missing(Measured.From(MeasuredWell, Coat.Ordinary, HouseRules.Ours), FitStyle.Working));
    }

    [Fact]
    public void What_was_not_read_is_completed_with_a_wider_doubt_and_says_so()
    {
        var all = CompletedMeasures.Of(
            Assessment.Of([Read(Measure.FitLineLength, 80), Read(Measure.SnoutHeight, 78), Read(Measure.SnoutGirth, 270)], Medium28)
        );
        CompletedMeasure Of(Measure measure) => all.Single(m => m.Measure == measure);
        Assert.Equal((Provenance.Measured, 1), (Of(Measure.SnoutGirth).State, Of(Measure.SnoutGirth).Count));
        Assert.Equal(Provenance.Derived, Of(Measure.SnoutWidth).State);
        Assert.Equal(SnoutSection.OtherSide(Mm(270), Mm(78))!.Value.Millimeters, Of(Measure.SnoutWidth).Mean.Millimeters, 6);
        Assert.True(Of(Measure.SnoutWidth).StandardUncertainty > Of(Measure.SnoutHeight).StandardUncertainty);
        Assert.Equal(Provenance.Derived, Of(Measure.JawToNose).State);
        var bare = CompletedMeasures.Of(Assessment.Of([Left(98)], Medium28));
        Assert.Equal(Provenance.Assumed, bare.Single(m => m.Measure == Measure.SnoutWidth).State);
        Assert.Equal(0.15, bare.Single(m => m.Measure == Measure.SnoutWidth).StandardUncertainty / bare.Single(m => m.Measure == Measure.SnoutWidth).Mean, 9);
        Assert.Single(CompletedMeasures.Of(Assessment.Of([Read(Measure.NeckGirth, 430)], Medium28)));
    }

    /// <summary>Ready is: everything to choose by is read, and nothing asks to be taken again.</summary>
    [Fact]
    public void What_is_doubted_and_whether_all_is_ready_come_with_the_assessment()
    {
        var about = new Circumstances { FitStyle = FitStyle.Working, BodyMass = Mass.FromKilograms(28) };
        var well = Assessment.Of(MeasuredWell, about);
        Assert.True(well.IsReady, string.Join("; ", well.Missing.Select(m => m.Measure)) + string.Join("; ", well.Findings.Select(Said)));
        var slip = Assessment.Of([.. MeasuredWell.Where(r => r.Measure != Measure.NeckGirth), Read(Measure.NeckGirth, 43)], about);
        Assert.Equal([Measure.NeckGirth], slip.Doubted);
        Assert.False(slip.IsReady);
        var missing = Assessment.Of([.. MeasuredWell.Where(r => r.Measure != Measure.SnoutGirth)], about);
        Assert.Empty(missing.Doubted);
        Assert.False(missing.IsReady);
    }
}
