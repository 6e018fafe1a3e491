using JauntyBadge.Core.Measuring;
using UnitsNet;
using static JauntyBadge.Core.Tests.Heads;

namespace JauntyBadge.Core.Tests.Measuring;

public class CrossCheckTests
{
    private static readonly Mass Kg28 = Mass.FromKilograms(28);

    private static IReadOnlyList<string> Codes(params Reading[] readings) =>
        [.. CrossChecks.Run(readings, HeadShape.Medium, Kg28).Select(f => f.Code)];

    private static Reading Left(double mm) => Read(Measure.NoseToInnerEye, mm, Side.Left);

    private static Reading Right(double mm) => Read(Measure.NoseToInnerEye, mm, Side.Right);

    [Theory]
    [InlineData(100, 103, false)]
    [InlineData(100, 105, false)]
    [InlineData(100, 105.5, true)] // over 5 mm
    [InlineData(60, 63.5, true)] // under 5 mm but over 5 %
    public void Sides_that_differ_are_taken_again(double left, double right, bool found) =>
        Assert.Equal(found, Codes(Left(left), Right(right)).Contains("sides-differ"));

    [Fact]
    public void One_side_only_is_said() => Assert.Contains("one-side-only", Codes(Left(100)));

    [Theory]
    [InlineData(199, false)]
    [InlineData(200, true)]
    public void Eyes_too_far_apart_for_their_distance_are_found(double spacing, bool found) =>
        Assert.Equal(found, Codes(Left(100), Right(102), Read(Measure.InnerEyeSpacing, spacing)).Contains("impossible-spacing"));

    /// <summary>2√(80²+72²) = 215.3 and 2(80+72) = 304: bounds of a convex section, widened by twice the standard uncertainty.</summary>
    [Theory]
    [InlineData(273, false)]
    [InlineData(225, false)]
    [InlineData(190, true)]
    [InlineData(330, true)]
    public void Girth_must_go_with_height_and_width(double girth, bool found) =>
        Assert.Equal(found, Codes(Read(Measure.SnoutGirth, girth), Read(Measure.SnoutHeight, 80), Read(Measure.SnoutWidth, 72)).Contains("girth-bounds"));

    [Fact]
    public void Just_past_the_bound_but_within_the_doubt_is_not_called_wrong() =>
        Assert.DoesNotContain("girth-bounds", Codes(Read(Measure.SnoutGirth, 306), Read(Measure.SnoutHeight, 80), Read(Measure.SnoutWidth, 72)));

    [Theory]
    [InlineData(95, false)]
    [InlineData(9.5, true)] // centimetres typed as millimetres
    [InlineData(950, true)]
    public void A_slip_of_the_unit_is_caught(double eye, bool found) =>
        Assert.Equal(found, Codes(Left(eye), Right(eye)).Contains("implausible"));

    [Theory]
    [InlineData(99, 103, false)]
    [InlineData(99, 104, true)]
    public void Two_readings_too_far_apart_ask_for_a_third(double first, double second, bool found) =>
        Assert.Equal(found, Codes(Read(Measure.SnoutWidth, first), Read(Measure.SnoutWidth, second)).Contains("third-reading"));

    [Fact]
    public void Findings_say_what_by_how_much_and_what_to_take_again_in_the_users_unit()
    {
        var finding = CrossChecks.Run([Left(95), Right(103)], HeadShape.Medium, Kg28, ReadingUnit.Cm).Single();
        Assert.Contains("differ by 0.8 cm (9.5 cm and 10.3 cm)", finding.Message, StringComparison.Ordinal);
        Assert.Contains("tear duct", finding.Retake, StringComparison.Ordinal);
    }

    [Fact]
    public void A_medium_large_dog_measured_well_raises_nothing() => Assert.Empty(CrossChecks.Run(
        [
            Left(98), Right(100), Read(Measure.SnoutGirth, 272), Read(Measure.SnoutHeight, 80), Read(Measure.SnoutWidth, 73),
            Read(Measure.JawToNose, 149), Read(Measure.NeckGirth, 430),
        ],
        HeadShape.Medium, Kg28));

    [Fact]
    public void What_is_missing_is_listed_with_what_it_is_for()
    {
        Assert.Equal(7, Completeness.Missing([]).Count);
        var some = Measured.From([Left(98), Left(100)]);
        Assert.Equal(99, some.Single().Mean.Millimeters, 9);
        Assert.Equal(6, Completeness.Missing(some).Count);
        Assert.True(Completeness.CanFit(some));
        Assert.Equal(1.0 / 7, Completeness.Share(some), 9);
    }
}
