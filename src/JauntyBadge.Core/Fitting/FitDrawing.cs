using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Heads;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>A dimension of a drawing: a length between two points, mm.</summary>
public sealed record Dimension(string Name, PointMm From, PointMm To, Length Value);

/// <summary>A muzzle over a snout, side view and section at the rear edge, to scale.</summary>
/// <param name="Head">The head, with the section of its closed snout.</param>
/// <param name="Basket">Outline, bars and strap; a stroke named "shove" is where the front wall and rear edge stand when it is pushed back until the nose touches.</param>
/// <param name="BasketSection">Section of the basket's rear edge.</param>
/// <param name="Dimensions">Nose room, eye room and chin room in the side view.</param>
/// <param name="SectionDimensions">Width and depth in the section, snout and basket.</param>
/// <param name="Gape">Where the jaw touches.</param>
public sealed record FitDrawing(
    HeadDrawing Head,
    IReadOnlyList<Stroke> Basket,
    Stroke BasketSection,
    IReadOnlyList<Dimension> Dimensions,
    IReadOnlyList<Dimension> SectionDimensions,
    Angle Gape
)
{
    /// <summary>The muzzle as it is made; empty where only its lengths are known.</summary>
    public IReadOnlyList<MuzzleField> Drawn { get; init; } = [];

    private const int UprightBars = 5;
    private const double SectionGap = 7;

    /// <summary>Draws a ranked muzzle, a sleeve or cover as the tube it is.</summary>
    /// <param name="fit">The muzzle on the dog.</param>
    /// <param name="look">What the dog looks like besides its lengths; null for a dog nobody said anything of.</param>
    public static FitDrawing Of(RankedFit fit, HeadLook? look = null)
    {
        var drawing = fit is { Assessment: { } assessment, Basket: { } basket }
            ? Of(fit.Question.Snout, basket, assessment, look)
            : OfTube(fit.Question.Snout, fit.Size.Length, fit.Size.GirthRange()!.Value.High, look);
        var wall = drawing.Basket.Single(s => s.Name == StrokePart.Wall).Points;
        return drawing with { Drawn = DrawnMuzzle.Of(fit.Model, FitScore.Sight(fit.Model, fit.Brief)?.Colour.Hex, drawing.Head, wall, fit.Strap) };
    }

    /// <summary>Draws an assessed basket.</summary>
    public static FitDrawing Of(SnoutModel snout, BasketModel basket, FitAssessment fit, HeadLook? look = null)
    {
        var head = HeadDrawing.Of(snout, look);
        var front = -fit.Seat.NoseRoom.Millimeters;
        var rear = front + basket.Length.Millimeters;
        var (depthFront, depthRear) = (basket.DepthFront.Millimeters, basket.DepthRear.Millimeters);
        double Floor(double x) => depthFront + (depthRear - depthFront) * (x - front) / (rear - front);

        var strokes = new List<Stroke>
        {
            new(StrokePart.Wall, [new(rear, 0), new(front, 0), new(front, depthFront), new(rear, depthRear)], true),
            new(StrokePart.Strap, Strap(head, rear, depthRear), false),
            new(StrokePart.Rail, [new(front, depthFront * 0.5), new(rear, depthRear * 0.5)], false),
            new(StrokePart.Shove, [new(rear - front, 0), new(0, 0), new(0, depthFront), new(rear - front, depthRear)], true),
        };
        for (var bar = 1; bar < UprightBars; bar++)
        {
            var x = front + (rear - front) * bar / UprightBars;
            strokes.Add(new Stroke(StrokePart.Bar, [new(x, 0), new(x, Floor(x))], false));
        }

        var chin = Fitting.Gape.TightestClosed(snout, basket, fit.Seat);
        var above = -0.16 * snout.Height.Mm;
        return new FitDrawing(
            head,
            strokes,
            new Stroke(StrokePart.BasketSection, SnoutSection.Outline(basket.DepthRear, basket.WidthRear), true),
            [
                new("noseRoom", new(front, above), new(0, above), fit.Seat.NoseRoom),
                new("eyeRoom", new(rear, above), new(snout.EyeLine.Mm, above), fit.Seat.EyeRoom),
                new("chinRoom", chin.At, new(chin.At.X, chin.At.Y + chin.RoomMm), fit.ChinRoom),
            ],
            Section(snout, basket),
            fit.Gape
        );
    }

    /// <summary>Draws a sleeve or cover, which lies on the closed snout; its section at its widest setting.</summary>
    private static FitDrawing OfTube(SnoutModel snout, Length length, Length widest, HeadLook? look)
    {
        var head = HeadDrawing.Of(snout, look);
        var (rear, high) = (length.Millimeters, snout.Height.Mm);
        var above = -0.16 * high;
        return new FitDrawing(
            head,
            [
                new(StrokePart.Wall, [new(rear, 0), new(0.04 * rear, 0.02 * high), new(0.10 * rear, 0.86 * high), new(rear, high)], true),
                new(StrokePart.Strap, Strap(head, rear, high), false),
            ],
            new Stroke(StrokePart.BasketSection, SnoutSection.OutlineAround(snout.Height.Value, snout.Width.Value, widest), true),
            [new("eyeRoom", new(rear, above), new(snout.EyeLine.Mm, above), snout.EyeLine.Value - length)],
            [.. SnoutSize(snout)],
            Angle.Zero
        );
    }

    private static IReadOnlyList<Dimension> Section(SnoutModel snout, BasketModel basket)
    {
        var (wide, deep) = (basket.WidthRear.Millimeters / 2, basket.DepthRear.Millimeters);
        return
        [
            new("basketWidth", new(-wide, -SectionGap), new(wide, -SectionGap), basket.WidthRear),
            new("basketDepth", new(wide + SectionGap, 0), new(wide + SectionGap, deep), basket.DepthRear),
            .. SnoutSize(snout),
        ];
    }

    private static IEnumerable<Dimension> SnoutSize(SnoutModel snout)
    {
        var (wide, deep) = (snout.Width.Mm / 2, snout.Height.Mm);
        yield return new("snoutWidth", new(-wide, deep * 0.35), new(wide, deep * 0.35), snout.Width.Value);
        yield return new("snoutDepth", new(0, 0), new(0, deep), snout.Height.Value);
    }

    private static IReadOnlyList<PointMm> Strap(HeadDrawing head, double rear, double depthRear) =>
        Smooth.Through([new(rear, depthRear * 0.5), new((rear + head.HighNeckTop.X) / 2, depthRear * 0.40), head.HighNeckTop]);
}
