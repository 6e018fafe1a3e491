using FsCheck.Xunit;
using JauntyBadge.Core.Measuring;
using UnitsNet;
using static JauntyBadge.Core.Tests.Heads;

namespace JauntyBadge.Core.Tests.Measuring;

public class SnoutTests
{
    /// <summary>Girth bounds of a convex section in its box, and the ellipse of the check values: a=40, b=30 gives 221.0349 (Ramanujan 1914).</summary>
    [Fact]
    public void Girth_bounds_hold_a_known_ellipse()
    {
        var (least, greatest) = SnoutSection.GirthBounds(Mm(60), Mm(80));
        Assert.Equal(200, least.Millimeters, 9);
        Assert.Equal(280, greatest.Millimeters, 9);
        Assert.InRange(221.0349, least.Millimeters, greatest.Millimeters);
    }

    /// <summary>Second way: the rounded box's girth as a sum of straight and quarter-round pieces.</summary>
    [Property]
    public bool A_rounded_box_lies_in_its_bounds_and_gives_its_sides_back(byte a, byte b)
    {
        var (h, w) = (20.0 + a, 20.0 + b);
        var r = Math.Min(h, w) / 4;
        var pieces = 2 * (h - 2 * r) + 2 * (w - 2 * r) + 2 * Math.PI * r;
        var girth = SnoutSection.Girth(Mm(h), Mm(w));
        var (least, greatest) = SnoutSection.GirthBounds(Mm(h), Mm(w));
        return Math.Abs(girth.Millimeters - pieces) < 1e-9 && girth >= least && girth <= greatest
            && Math.Abs(SnoutSection.OtherSide(girth, Mm(h))!.Value.Millimeters - w) < 1e-9;
    }

    [Fact]
    public void The_shorter_side_rules_and_inner_eye_spacing_makes_it_straight()
    {
        var plain = SnoutModel.From(Medium(eye: 100));
        Assert.Equal(100, plain.EyeLine.Mm, 9);
        Assert.Equal(Provenance.Measured, plain.EyeLine.Provenance);

        // 3-4-5 triangle: slanted 100, half the spacing 60, straight ahead 80.
        var straight = SnoutModel.From(Medium(eye: 100) with { InnerEyeSpacing = Mm(120) });
        Assert.Equal(80, straight.EyeLine.Mm, 9);
        Assert.Equal(Provenance.Derived, straight.EyeLine.Provenance);
        var impossible = SnoutModel.From(Medium(eye: 50) with { InnerEyeSpacing = Mm(120) });
        Assert.Equal(50, impossible.EyeLine.Mm, 9);
        Assert.Contains("left out", impossible.EyeLine.How, StringComparison.Ordinal);
        Assert.Throws<ArgumentException>(() => SnoutModel.From(new SnoutNumbers()));
    }

    /// <summary>Hinge ratios follow from the average skulls: mandible over facial length (Miller's Anatomy of the Dog, recalled).</summary>
    [Theory]
    [InlineData(HeadShape.Long, 163, 114)]
    [InlineData(HeadShape.Medium, 134, 89)]
    [InlineData(HeadShape.Short, 85, 48)]
    public void The_hinge_of_an_unmeasured_jaw_follows_the_average_skull(HeadShape shape, double mandible, double face)
    {
        var snout = SnoutModel.From(Medium() with { JawToNose = null, HeadShape = shape });
        Assert.Equal(mandible / face, snout.Hinge.Mm / snout.EyeLine.Mm, 0.006);
        Assert.Equal(Provenance.Derived, snout.Hinge.Provenance);
    }

    [Fact]
    public void What_is_missing_is_completed_and_says_so()
    {
        var noWidth = SnoutModel.From(Medium() with { SnoutWidth = null });
        Assert.Equal(72, noWidth.Width.Mm, 9);
        Assert.Equal(Provenance.Derived, noWidth.Width.Provenance);

        var girthOnly = SnoutModel.From(Medium() with { SnoutWidth = null, SnoutHeight = null });
        Assert.Equal(Provenance.Assumed, girthOnly.Height.Provenance);
        Assert.Equal(girthOnly.Girth.Mm, SnoutSection.Girth(girthOnly.Height.Value, girthOnly.Width.Value).Millimeters, 6);

        var nothing = SnoutModel.From(new SnoutNumbers { NoseToInnerEyeLeft = Mm(100) });
        Assert.All([nothing.Height, nothing.Width, nothing.Girth], s => Assert.Equal(Provenance.Assumed, s.Provenance));
    }

    [Theory]
    [InlineData(100, 19.05)]
    [InlineData(70, 19.05)]
    [InlineData(35, 9.525)]
    [InlineData(12, 4)]
    public void The_fit_line_gap_shrinks_for_small_dogs_but_never_under_four(double eye, double gap) =>
        Assert.Equal(eye - gap, SnoutModel.From(Medium(eye, 40, 36)).FitLine.Mm, 9);

    /// <summary>GUM, JCGM 100:2008, 4.3.7: a resolution of ±0.5 mm has u = 0.2887 mm.</summary>
    [Fact]
    public void Resolution_follows_the_rectangular_distribution() =>
        Assert.Equal(0.2887, Uncertainty.Rectangular(Mm(0.5)).Millimeters, 4);

    [Fact]
    public void Uncertainty_of_a_mean_adds_repeats_resolution_and_tape()
    {
        // Readings 98, 100, 102: s = 2, n = 3; a = 0.5; tape 2 mm (House).
        var three = new[] { 98.0, 100, 102 }.Select(v => Read(Measure.SnoutGirth, v)).ToList();
        Assert.Equal(Math.Sqrt(4.0 / 3 + 1.0 / 12 + 4), Uncertainty.OfMean(three).Millimeters, 9);
        Assert.Throws<ArgumentException>(() => Uncertainty.OfMean([]));

        // ISO 5725-6: r = 2.8 s_r, with the pooled 1.5 mm (House).
        Assert.Equal(4.2, Uncertainty.RepeatabilityLimit.Millimeters, 9);
    }

    [Fact]
    public void A_head_is_drawn_to_scale_from_its_numbers()
    {
        var snout = SnoutModel.From(Medium(eye: 100, height: 80, width: 72));
        var drawing = HeadDrawing.Of(snout);
        Assert.Equal(100, drawing.EyeCorner.X, 9);
        Assert.Equal(151, drawing.Hinge.X, 9);
        Assert.Equal(72, drawing.Section.Points.Max(p => p.X) - drawing.Section.Points.Min(p => p.X), 6);
        Assert.Equal(80, drawing.Section.Points.Max(p => p.Y) - drawing.Section.Points.Min(p => p.Y), 6);
        Assert.Equal(430 / Math.PI, Math.Sqrt(Math.Pow(drawing.HighNeckTop.X - drawing.HighNeckUnder.X, 2) + Math.Pow(drawing.HighNeckTop.Y - drawing.HighNeckUnder.Y, 2)), 0.2);
        Assert.All(Enum.GetValues<Measure>(), m => Assert.Contains(drawing.Marks, mark => mark.Measure == m));
    }

    [Fact]
    public void A_dog_not_measured_yet_is_drawn_from_usual_lengths()
    {
        var small = HeadDrawing.ModelToDraw(new SnoutNumbers(), Mass.FromKilograms(3));
        var large = HeadDrawing.ModelToDraw(new SnoutNumbers(), Mass.FromKilograms(40));
        Assert.True(large.EyeLine.Value > 2 * small.EyeLine.Value);
        Assert.NotEmpty(HeadDrawing.Of(HeadDrawing.ModelToDraw(new SnoutNumbers { InnerEyeSpacing = Mm(400) }, null)).Marks);
    }
}
