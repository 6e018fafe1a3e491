using FsCheck.Xunit;
using JauntyBadge.Core;
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
        return Math.Abs(girth.Millimeters - pieces) < 1e-9
            && girth >= least
            && girth <= greatest
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
        Assert.Contains("left out", Words.Measuring.Of(impossible.EyeLine.Origin), StringComparison.Ordinal);
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

    [Fact]
    public void A_head_is_drawn_to_scale_from_its_numbers()
    {
        var snout = SnoutModel.From(Medium(eye: 100, height: 80, width: 72));
        var drawing = HeadDrawing.Of(snout);
        Assert.Equal(100, drawing.EyeCorner.X, 9);
        Assert.Equal(151, drawing.Hinge.X, 9);
        Assert.Equal(72, drawing.Section.Points.Max(p => p.X) - drawing.Section.Points.Min(p => p.X), 6);
        Assert.Equal(80, drawing.Section.Points.Max(p => p.Y) - drawing.Section.Points.Min(p => p.Y), 6);
        Assert.Equal(
            430 / Math.PI,
            Math.Sqrt(Math.Pow(drawing.HighNeckTop.X - drawing.HighNeckUnder.X, 2) + Math.Pow(drawing.HighNeckTop.Y - drawing.HighNeckUnder.Y, 2)),
            0.2
        );
        foreach (var guide in MeasureDefinition.All.Select(m => m.Guide))
        {
            var mark = drawing.Marks.First(m => m.Measure == guide.Measure && m.View == guide.View);
            Assert.NotEmpty(mark.Landmarks);
            Assert.True(MeasureDefinition.For(guide.Measure).IsGirth || mark.Dimension.Count == 2, guide.Name);
        }
    }

    /// <summary>A dimension line is as long as the length it stands for, in every view that shows it straight.</summary>
    [Fact]
    public void Views_are_in_the_dogs_own_proportions()
    {
        var numbers = (Medium(eye: 100, height: 80, width: 72) with { InnerEyeSpacing = Mm(44), FitLineLength = Mm(80) })
            .With(new(Measure.SkullWidth), Mm(118))
            .With(new(Measure.StopToNose), Mm(98));
        var drawing = HeadDrawing.Of(SnoutModel.From(numbers));
        double Drawn(Measure measure, DrawingView view) => Apart(drawing.Marks.Single(m => m.Measure == measure && m.View == view && m.Side is null).Dimension);
        foreach (var view in new[] { DrawingView.Top, DrawingView.Front })
        {
            Assert.Equal(72, Drawn(Measure.SnoutWidth, view), 6);
            Assert.Equal(118, Drawn(Measure.SkullWidth, view), 6);
            Assert.Equal(44, Drawn(Measure.InnerEyeSpacing, view), 6);
        }

        Assert.Equal(80, Drawn(Measure.SnoutHeight, DrawingView.Side), 6);
        Assert.Equal(80, Drawn(Measure.FitLineLength, DrawingView.Top), 6);
        Assert.Equal(98, Drawn(Measure.StopToNose, DrawingView.Side), 6);
        Assert.Equal(151, Drawn(Measure.JawToNose, DrawingView.Side), 6);
        var above = drawing.Above.Contour.Points();
        Assert.Equal(118, above.Max(p => p.Y) - above.Min(p => p.Y), 1.0);
    }

    private static double Apart(IReadOnlyList<PointMm> ends) => Math.Sqrt(Math.Pow(ends[0].X - ends[1].X, 2) + Math.Pow(ends[0].Y - ends[1].Y, 2));

    [Fact]
    public void The_fit_line_and_its_gap_stand_in_for_the_eye_line()
    {
        var fitLine = new SnoutNumbers { FitLineLength = Mm(80) };
        var usual = SnoutModel.From(fitLine);
        Assert.Equal((99.05, 80), (usual.EyeLine.Mm, usual.FitLine.Mm));
        Assert.Equal((Provenance.Derived, Provenance.Measured), (usual.EyeLine.Provenance, usual.FitLine.Provenance));
        Assert.Equal(95, SnoutModel.From(fitLine with { FitLineGap = Mm(15) }).EyeLine.Mm, 9);
        Assert.Equal(98, SnoutModel.From(fitLine with { NoseToInnerEyeLeft = Mm(98) }).EyeLine.Mm, 9);
    }

    /// <summary>The usual gap behind a fit line is the one that the eye line it leads to has in front of it.</summary>
    [Property]
    public bool A_usual_gap_is_the_same_from_both_ends(byte length)
    {
        var fitLine = Mm(6 + length);
        var eye = fitLine + SnoutRules.GapBehind(fitLine, HouseRules.Ours);
        return Math.Abs(SnoutModel.From(new SnoutNumbers { NoseToInnerEyeLeft = eye }).FitLine.Mm - fitLine.Millimeters) < 1e-6;
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
