using FsCheck.Xunit;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Handover;
using JauntyBadge.Core.Handover.Papers;
using JauntyBadge.Core.Measuring;
using UnitsNet;
using static JauntyBadge.Core.Tests.Heads;

namespace JauntyBadge.Core.Tests.Handover;

/// <summary>Papers at 1:1: what is drawn is as long as it says, on however many pages.</summary>
public class PaperTests
{
    private static readonly HandoverWords Words = new(Writing.Usual);

    /// <summary>Against numeric unrolling: a frustum rolled out of the pattern again, strip by strip, has the girths and the length it came from.</summary>
    [Property(MaxTest = 300)]
    public void A_cup_rolled_up_again_is_the_frustum(byte front, byte wider, byte length)
    {
        var (c1, h) = (60.0 + front, 20.0 + length);
        var c2 = c1 * 1.02 + wider;
        var cup = CupPattern.For(Mm(c1), Mm(c2), Mm(h), HouseRules.Ours);
        var (r1, r2) = (cup.InnerRadius!.Value.Millimeters, cup.OuterRadius!.Value.Millimeters);
        var angle = cup.Angle!.Value.Radians;

        // Arc lengths summed from chords of the unrolled edges.
        static double Along(double radius, double angle)
        {
            const int Steps = 20_000;
            var sum = 0.0;
            for (var i = 0; i < Steps; i++)
            {
                var (a, b) = (angle * i / Steps, angle * (i + 1) / Steps);
                sum += Math.Sqrt(Math.Pow(radius * (Math.Cos(b) - Math.Cos(a)), 2) + Math.Pow(radius * (Math.Sin(b) - Math.Sin(a)), 2));
            }

            return sum;
        }

        Assert.Equal(c1, Along(r1, angle), 3);
        Assert.Equal(c2, Along(r2, angle), 3);
        // Rolled up, the side leans: its height is what the slant leaves of it.
        var lean = (c2 - c1) / (2 * Math.PI);
        Assert.Equal(h, Math.Sqrt(Math.Pow(cup.Slant.Millimeters, 2) - lean * lean), 6);
        Assert.Equal(r2 - r1, cup.Slant.Millimeters, 6);
        Assert.True(angle < 2 * Math.PI);
        // The chord, by the two corners.
        Assert.Equal(2 * r2 * Math.Abs(Math.Sin(angle / 2)), Math.Abs(cup.Chord.Millimeters), 6);
    }

    /// <summary>A worked case by hand: girths 2π·30 and 2π·45, length 80. Slant √(80² + 15²) = 81.39.</summary>
    [Fact]
    public void A_cup_worked_by_hand()
    {
        var cup = CupPattern.For(Mm(2 * Math.PI * 30), Mm(2 * Math.PI * 45), Mm(80), HouseRules.Ours);
        Assert.Equal(81.394, cup.Slant.Millimeters, 3);
        Assert.Equal(162.788, cup.InnerRadius!.Value.Millimeters, 3);
        Assert.Equal(244.182, cup.OuterRadius!.Value.Millimeters, 3);
        Assert.Equal(66.344, cup.Angle!.Value.Degrees, 3);
        Assert.Equal(12, cup.Flap.Millimeters);
    }

    /// <summary>The bound hit exactly: girths a hundredth apart are a cylinder, a hair more is a cone.</summary>
    [Fact]
    public void Girths_a_hundredth_apart_make_a_cylinder()
    {
        Assert.True(CupPattern.For(Mm(198), Mm(200), Mm(80), HouseRules.Ours).IsCylinder);
        Assert.True(CupPattern.For(Mm(200), Mm(198), Mm(80), HouseRules.Ours).IsCylinder);
        Assert.False(CupPattern.For(Mm(197.9), Mm(200), Mm(80), HouseRules.Ours).IsCylinder);
        Assert.Equal(200, CupPattern.For(Mm(200), Mm(200), Mm(80), HouseRules.Ours).Chord.Millimeters);
        Assert.Throws<ArgumentOutOfRangeException>(() => CupPattern.For(Mm(260), Mm(200), Mm(80), HouseRules.Ours));
        Assert.Throws<ArgumentOutOfRangeException>(() => CupPattern.For(Mm(180), Mm(200), Mm(0), HouseRules.Ours));
    }

    /// <summary>Drawn, the edges are as long as the girths, to a hundredth of a millimetre a chord.</summary>
    [Fact]
    public void The_drawn_cup_has_the_girths()
    {
        var snout = SnoutModel.From(Medium());
        var (front, rear, length) = CupPattern.On(snout);
        Assert.Equal(snout.Girth.Mm * 1.15, rear.Millimeters, 6);
        Assert.True(length < snout.FitLine.Value);
        var drawn = CupPattern.For(front, rear, length, HouseRules.Ours).Draw(Words).Marks.OfType<PaperLine>().Single(l => l.Closed).Points;
        var half = drawn.Count / 2;
        static double Along(IEnumerable<PointMm> points) => points.Zip(points.Skip(1)).Sum(p => Distance(p.First, p.Second));
        var edges = Enumerable
            .Range(1, drawn.Count - 2)
            .Where(cut => Distance(drawn[cut], drawn[cut + 1]) > 20)
            .Select(cut => (Along(drawn.Take(cut + 1)), Along(drawn.Skip(cut + 1))))
            .Single();
        Assert.Equal(front.Millimeters, edges.Item1, 0.2);
        Assert.Equal(rear.Millimeters, edges.Item2, 0.2);
        Assert.True(half > 8);
    }

    [Fact]
    public void The_strip_has_fit_line_eye_line_and_the_gaps_of_both_schools()
    {
        var snout = SnoutModel.From(Medium());
        var strip = PaperDrawings.Strip(snout, Words);
        var across = strip.Marks.OfType<PaperLine>().Where(l => l.Accent).Select(l => l.Points[0].X).ToList();
        Assert.Equal([0, snout.FitLine.Mm, snout.EyeLine.Mm], across);
        var boxes = strip.Marks.OfType<PaperLine>().Where(l => l.Shade > 0).Select(l => (Left: l.Points.Min(p => p.X), Right: l.Points.Max(p => p.X))).ToList();
        Assert.Equal(4, boxes.Count);
        foreach (var style in Enum.GetValues<FitStyle>())
        {
            var window = FitRules.SeatWindow(style, snout).Window;
            Assert.Contains(boxes, b => Math.Abs(b.Left + window.High.Millimeters) < 1e-9 && Math.Abs(b.Right + window.Low.Millimeters) < 1e-9);
            Assert.Contains(
                boxes,
                b =>
                    Math.Abs(b.Left - (snout.EyeLine.Mm - window.High.Millimeters)) < 1e-9
                    && Math.Abs(b.Right - (snout.EyeLine.Mm - window.Low.Millimeters)) < 1e-9
            );
        }
    }

    [Fact]
    public void The_strap_strip_rings_the_hole_to_mark_at_its_loop()
    {
        var range = new Window(Mm(300), Mm(420));
        var marked = StrapSetting.For(Mm(362), range, Mm(15))!;
        var strap = PaperDrawings.Strap(range, Mm(15), marked, Words);
        var holes = strap.Marks.OfType<PaperLine>().Where(l => l.Closed && !l.Accent && l.Points.Count > 8).Select(l => l.Points.Average(p => p.X)).ToList();
        Assert.Equal(9, holes.Count);
        Assert.Equal(300, holes[0], 6);
        var ring = strap.Marks.OfType<PaperLine>().Single(l => l.Closed && l.Accent).Points.Average(p => p.X);
        Assert.Equal(marked.Loop.Millimeters, ring, 6);
        Assert.Contains($"hole {marked.Hole}", string.Join(" ", strap.Marks.OfType<PaperText>().Select(t => t.Says)), StringComparison.Ordinal);
    }

    /// <summary>Every point of a drawing stands on a page, wherever it is cut, and neighbouring pages share a strip.</summary>
    [Theory]
    [InlineData(40, 30, 1)]
    [InlineData(225, 150, 1)]
    [InlineData(400, 30, 2)]
    [InlineData(560, 26, 3)]
    [InlineData(300, 400, 4)]
    public void Tiles_cover_the_drawing(double width, double height, int pages)
    {
        var drawing = new PaperDrawing("Any", [new PaperLine([new(-7, 3), new(width - 7, 3), new(width - 7, height + 3), new(-7, height + 3)], true)], []);
        foreach (var size in new[] { PaperSize.A4, PaperSize.Letter })
        {
            var laid = PaperPages.Of(drawing, size, Words);
            if (size == PaperSize.A4)
                Assert.Equal(pages, laid.Pages.Count);
            var (left, top) = (laid.Drawing.Left, laid.Drawing.Top);
            for (var x = left; x <= left + laid.Drawing.Width; x += laid.Drawing.Width / 41)
            for (var y = top; y <= top + laid.Drawing.Height; y += laid.Drawing.Height / 41)
                Assert.Contains(
                    laid.Pages,
                    p => x >= p.FromX - 1e-6 && x <= p.FromX + laid.AreaWidth + 1e-6 && y >= p.FromY - 1e-6 && y <= p.FromY + laid.AreaHeight + 1e-6
                );
            foreach (var (a, b) in laid.Pages.Zip(laid.Pages.Skip(1)).Where(p => p.First.Row == p.Second.Row))
                Assert.Equal(laid.AreaWidth - 10, b.FromX - a.FromX, 6);
        }
    }

    /// <summary>On every page there is a check square of 30 mm and a ruler's edge of 150.</summary>
    [Fact]
    public void Every_page_has_its_check_square_and_ruler()
    {
        var laid = PaperPages.Of(
            PaperDrawings.Strap(new Window(Mm(380), Mm(560)), Mm(15), StrapSetting.AtHole(4, new Window(Mm(380), Mm(560)), Mm(15))!, Words),
            PaperSize.Letter,
            Words
        );
        Assert.True(laid.Pages.Count > 1);
        foreach (var page in laid.Pages)
        {
            var square = page.Marks.OfType<PaperLine>().Single(l => l.Closed);
            Assert.Equal(30, square.Points.Max(p => p.X) - square.Points.Min(p => p.X), 9);
            Assert.Contains(page.Marks.OfType<PaperLine>(), l => l.Points is [var a, var b] && Math.Abs(b.X - a.X - 150) < 1e-9 && a.Y.Equals(b.Y));
            Assert.All(page.Marks.OfType<PaperLine>().SelectMany(l => l.Points), p => Assert.InRange(p.X, 0, laid.Sheet.WidthMm));
        }
    }

    /// <summary>What stands on its side reaches to the left of its base line: it is printed too, and no page's edge cuts it.</summary>
    [Theory]
    [InlineData(3.2)]
    [InlineData(7)]
    public void Words_on_their_side_lie_within_the_drawing_and_off_the_outline(double letters)
    {
        var basket = Box(118, 96, 86, 88);
        var drawing = PaperDrawings.Views(basket, Words, letters);
        var upright = drawing.Marks.OfType<PaperText>().Where(t => t.Upright).ToList();
        Assert.Equal(3, upright.Count);
        Assert.All(upright, t => Assert.True(t.At.X - t.SizeMm >= drawing.Left, $"{t.Says} at {t.At.X:0.#}, the drawing begins at {drawing.Left:0.#}"));
        var around = drawing.Marks.OfType<PaperText>().Single(t => t.Says.Contains("around", StringComparison.Ordinal));
        Assert.True(around.At.Y - around.SizeMm >= basket.DepthRear.Millimeters, $"{around.Says} begins at {around.At.Y - around.SizeMm:0.#}");
        Assert.True(around.At.Y <= drawing.Top + drawing.Height);
    }

    [Fact]
    public void A_template_is_the_basket()
    {
        var basket = Box(118, 96, 86, 88);
        var side = BasketDrawing.Side(basket);
        Assert.Equal(118, side.Outline.Max(p => p.X), 9);
        Assert.Equal(96, side.Outline.Max(p => p.Y), 9);
        var opening = BasketDrawing.Opening(basket);
        Assert.Equal(86, opening.Outline.Max(p => p.X) - opening.Outline.Min(p => p.X), 6);
        Assert.Equal(88, opening.Outline.Max(p => p.Y) - opening.Outline.Min(p => p.Y), 6);
        Assert.Equal(basket.OpeningGirth, opening.Dimensions.Single(d => d.Part == BasketPart.Girth).Value);
    }

    private static double Distance(PointMm a, PointMm b) => Math.Sqrt(Math.Pow(a.X - b.X, 2) + Math.Pow(a.Y - b.Y, 2));
}
