using FsCheck.Xunit;
using JauntyBadge.Core;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using NetTopologySuite.Geometries;
using NetTopologySuite.Geometries.Utilities;
using UnitsNet;
using static JauntyBadge.Core.Tests.Heads;

namespace JauntyBadge.Core.Tests.Fitting;

public class GapeTests
{
    private static double GapeDeg(SnoutModel snout, BasketModel basket) => Gape.Widest(snout, basket, SeatOf(snout, basket)).Degrees;

    [Fact]
    public void Gape_grows_with_front_depth()
    {
        var snout = SnoutModel.From(Medium());
        var gapes = Enumerable.Range(0, 8).Select(i => GapeDeg(snout, Box(100, 96 + 5 * i, depthRear: 118))).ToList();
        Assert.Equal(gapes.Order(), gapes);
        Assert.True(gapes[^1] > gapes[0] + 5);
    }

    /// <summary>Law: nothing that deepens a basket lessens the gape.</summary>
    [Property]
    public bool A_deeper_basket_never_opens_less(byte front, byte rear, byte deeper)
    {
        var snout = SnoutModel.From(Medium());
        var (df, dr) = (84.0 + front % 60, 84.0 + rear % 60);
        var gape = GapeDeg(snout, Box(100, df, depthRear: dr));
        return GapeDeg(snout, Box(100, df + deeper % 20, depthRear: dr)) >= gape - 1e-4
            && GapeDeg(snout, Box(100, df, depthRear: dr + deeper % 20)) >= gape - 1e-4;
    }

    [Fact]
    public void Gape_shrinks_when_depth_moves_from_front_to_neck()
    {
        var snout = SnoutModel.From(Medium());
        var gapes = Enumerable.Range(0, 6).Select(i => GapeDeg(snout, Box(100, 115 - 4 * i, depthRear: 115 + 4 * i))).ToList();
        Assert.Equal(gapes.OrderDescending(), gapes);
        Assert.Equal(6, gapes.Distinct().Count());
    }

    [Fact]
    public void A_floor_that_touches_the_closed_jaw_leaves_no_gape()
    {
        var snout = SnoutModel.From(Medium());
        Assert.Equal(0, GapeDeg(snout, Box(100, 82)));
        Assert.Equal(GapeClass.Closed, Gape.Classify(Angle.Zero, HouseRules.Ours));
        Assert.Equal(60, GapeDeg(snout, Box(100, 400)));
    }

    [Theory]
    [InlineData(7.9, GapeClass.Closed)]
    [InlineData(8, GapeClass.HalfPant)]
    [InlineData(15, GapeClass.FullPant)]
    [InlineData(29.9, GapeClass.FullPant)]
    [InlineData(30, GapeClass.Yawn)]
    public void Classes_begin_at_their_bounds(double deg, GapeClass expected) => Assert.Equal(expected, Gape.Classify(Angle.FromDegrees(deg), HouseRules.Ours));

    /// <summary>
    /// Second way: NetTopologySuite turns the border, cuts it at the rear edge and looks whether it (or the chin, wherever it
    /// is) meets what lies below the floor less 3 mm, in steps of 0.1°.
    /// </summary>
    [Property(MaxTest = 60)]
    public bool Gape_equals_a_brute_force_polygon_check(byte eye, byte high, byte front, byte rear, sbyte longer)
    {
        var xe = 40.0 + eye % 90;
        var snout = SnoutModel.From(Medium(xe, xe * (0.6 + high % 60 / 100.0), xe * 0.7));
        var h = snout.Height.Mm;
        var basket = Box(xe + longer % 14, h + 6 + front % 70, snout.Width.Mm + 14, h + 6 + rear % 45);
        return Math.Abs(GapeDeg(snout, basket) - BruteForceDeg(snout, basket)) <= 0.1;
    }

    private static double BruteForceDeg(SnoutModel snout, BasketModel basket)
    {
        const double Step = 0.1;
        var seat = SeatOf(snout, basket);
        var factory = new GeometryFactory();
        var front = -seat.NoseRoom.Millimeters;
        var rear = front + basket.Length.Millimeters;
        var (df, dr) = (basket.DepthFront.Millimeters, basket.DepthRear.Millimeters);

        // Everything below the floor raised by 3 mm, drawn far past both ends: a polygon no part of the border may enter.
        double Limit(double x) => df + (dr - df) * (x - front) / (rear - front) - 3;
        var (from, to) = (front - 500, rear + 500);
        var below = factory.CreatePolygon([new(from, Limit(from)), new(to, Limit(to)), new(to, 5000), new(from, 5000), new(from, Limit(from))]);
        var inFront = factory.ToGeometry(new Envelope(-1000, rear, -1000, 5000));
        var border = factory.CreateLineString([.. snout.LowerBorder.Select(p => new Coordinate(p.X, p.Y))]);
        for (var deg = 0.0; deg <= 60; deg += Step)
        {
            var turned = AffineTransformation.RotationInstance(-deg * Math.PI / 180, snout.HingePoint.X, snout.HingePoint.Y).Transform(border);
            var chin = turned.GetGeometryN(0).Coordinates[0];
            if (turned.Intersection(inFront).Intersects(below) || below.Intersects(factory.CreatePoint(chin)))
                return Math.Max(0, deg - Step / 2);
        }

        return 60;
    }

    /// <summary>
    /// Containment: a basket has enough gape at an opening exactly when, at every half degree up to it, what of the turned border lies in
    /// front of the rear edge is covered by the basket's polygon drawn in by 3 mm from below (NetTopologySuite).
    /// </summary>
    [Property(MaxTest = 200)]
    public bool Enough_gape_is_containment_in_the_basket(byte eye, byte high, byte front, byte rear, byte needed)
    {
        var xe = 40.0 + eye % 90;
        var snout = SnoutModel.From(Medium(xe, xe * (0.6 + high % 60 / 100.0), xe * 0.7));
        var basket = Box(xe, snout.Height.Mm + 6 + front % 70, snout.Width.Mm + 14, snout.Height.Mm + 6 + rear % 45);
        var seat = SeatOf(snout, basket);
        var (x0, x1) = (-seat.NoseRoom.Millimeters, xe - seat.NoseRoom.Millimeters);
        var factory = new GeometryFactory();
        var inside = factory.CreatePolygon([
            new(x0, -500),
            new(x1, -500),
            new(x1, basket.DepthRear.Millimeters - 3),
            new(x0, basket.DepthFront.Millimeters - 3),
            new(x0, -500),
        ]);
        var inFront = factory.ToGeometry(new Envelope(-1000, x1, -1000, 5000));
        var border = factory.CreateLineString([.. snout.LowerBorder.Select(p => new Coordinate(p.X, p.Y))]);
        bool Contained(double deg) =>
            inside
                .Buffer(1e-7)
                .Covers(
                    AffineTransformation.RotationInstance(-deg * Math.PI / 180, snout.HingePoint.X, snout.HingePoint.Y).Transform(border).Intersection(inFront)
                );
        var asked = Angle.FromDegrees(1 + needed % 35);
        var room = Gape.FloorRoom(snout, basket, seat, asked) - FitRules.FloorClearance.Ours;
        var contained = Enumerable.Range(0, (int)(2 * asked.Degrees) + 1).All(i => Contained(i / 2.0));
        return Math.Abs(room.Millimeters) < 0.01 || room > Length.Zero == contained;
    }

    /// <summary>Common practice, no source: 3 to 5 in more girth than the closed snout is a full pant, 15–30°, in a box of inner length nose-to-eye.</summary>
    [Theory]
    [InlineData(100, 80, 72)]
    [InlineData(112, 86, 78)]
    public void The_trades_panting_room_is_a_full_pant(double eye, double height, double width)
    {
        var snout = SnoutModel.From(Medium(eye, height, width));
        double GapeFor(double inches)
        {
            var basket = BasketModel.FromLengthAndGirth(
                Mm(eye),
                snout.Girth.Value + Length.FromInches(inches),
                Mm(width) + BasketModel.BoxSpareWidth.Ours,
                Mm(300),
                Mm(600)
            )!;
            Assert.Equal(width + 14, basket.WidthRear.Millimeters, 9);
            return GapeDeg(snout, basket);
        }

        // "About" 15–30° (chapter 2): a degree and a half is allowed at each end.
        Assert.InRange(GapeFor(3), 13.5, 21);
        Assert.InRange(GapeFor(4), 17, 27);
        Assert.InRange(GapeFor(5), 22, 31.5);
        Assert.Equal(GapeClass.FullPant, Gape.Classify(Angle.FromDegrees(GapeFor(4)), HouseRules.Ours));
    }
}
