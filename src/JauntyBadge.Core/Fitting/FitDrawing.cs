using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>A dimension of a drawing: a length between two points, mm.</summary>
public sealed record Dimension(string Name, PointMm From, PointMm To, Length Value);

/// <summary>A basket over a snout, side view and section at the rear edge, to scale.</summary>
/// <param name="Head">The head, with the section of its closed snout.</param>
/// <param name="Basket">Outline, bars and strap.</param>
/// <param name="BasketSection">Section of the basket's rear edge.</param>
/// <param name="Dimensions">Nose room, eye room and chin room.</param>
/// <param name="Gape">Where the jaw touches.</param>
public sealed record FitDrawing(
    HeadDrawing Head, IReadOnlyList<Stroke> Basket, Stroke BasketSection, IReadOnlyList<Dimension> Dimensions, Angle Gape)
{
    private const int UprightBars = 5;

    /// <summary>Draws an assessed basket.</summary>
    public static FitDrawing Of(SnoutModel snout, BasketModel basket, FitAssessment fit)
    {
        var head = HeadDrawing.Of(snout);
        var front = -fit.Seat.NoseRoom.Millimeters;
        var rear = front + basket.Length.Millimeters;
        var (depthFront, depthRear) = (basket.DepthFront.Millimeters, basket.DepthRear.Millimeters);
        double Floor(double x) => depthFront + (depthRear - depthFront) * (x - front) / (rear - front);

        var strokes = new List<Stroke>
        {
            new("wall", [new(rear, 0), new(front, 0), new(front, depthFront), new(rear, depthRear)], true),
            new("strap", Strap(head, rear, depthRear), false),
            new("rail", [new(front, depthFront * 0.5), new(rear, depthRear * 0.5)], false),
        };
        for (var bar = 1; bar < UprightBars; bar++)
        {
            var x = front + (rear - front) * bar / UprightBars;
            strokes.Add(new Stroke("bar", [new(x, 0), new(x, Floor(x))], false));
        }

        var chin = new JawInBasket(snout, basket, fit.Seat).Tightest(0);
        var above = -0.16 * snout.Height.Mm;
        return new FitDrawing(
            head, strokes, new Stroke("basketSection", SnoutSection.Outline(basket.DepthRear, basket.WidthRear), true),
            [
                new("noseRoom", new(front, above), new(0, above), fit.Seat.NoseRoom),
                new("eyeRoom", new(rear, above), new(snout.EyeLine.Mm, above), fit.Seat.EyeRoom),
                new("chinRoom", chin.At, new(chin.At.X, chin.At.Y + chin.RoomMm), fit.ChinRoom),
            ],
            fit.Gape);
    }

    private static IReadOnlyList<PointMm> Strap(HeadDrawing head, double rear, double depthRear) =>
        Smooth.Through([new(rear, depthRear * 0.5), new((rear + head.HighNeckTop.X) / 2, depthRear * 0.40), head.HighNeckTop]);
}
