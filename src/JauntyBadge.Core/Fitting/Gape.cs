using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>What a dog can do with its mouth open this far.</summary>
public enum GapeClass
{
    Closed,
    HalfPant,
    FullPant,
    Yawn,
}

/// <summary>How far the jaw opens inside a basket.</summary>
public static class Gape
{
    private const double SearchStepRad = Math.PI / 720;
    private const double PrecisionRad = 1e-7;

    /// <summary>The class of an opening (House, see <see cref="FitRules"/>).</summary>
    public static GapeClass Classify(Angle gape) =>
        gape < FitRules.HalfPant.Value ? GapeClass.Closed
        : gape < FitRules.FullPant.Value ? GapeClass.HalfPant
        : gape < FitRules.Yawn.Value ? GapeClass.FullPant
        : GapeClass.Yawn;

    /// <summary>
    /// The widest opening, 0 to 60°, up to which the turned lower border stays 3 mm inside the floor all the way, counted
    /// straight down, so that a deeper front never lessens the gape. What lies behind the rear edge is free, but for the chin.
    /// Zero when not even the closed mouth keeps that distance.
    /// </summary>
    public static Angle Widest(SnoutModel snout, BasketModel basket, Seat seat)
    {
        var jaw = new JawInBasket(snout, basket, seat);
        var keep = FitRules.FloorClearance.Value.Millimeters;
        var limit = FitRules.WidestGape.Value.Radians;
        var (open, blocked) = (0.0, 0.0);
        if (jaw.ClearanceMm(0) < keep)
            return Angle.Zero;
        while (open < limit)
        {
            blocked = Math.Min(open + SearchStepRad, limit);
            if (jaw.ClearanceMm(blocked) < keep)
                break;
            open = blocked;
        }

        if (open >= limit)
            return FitRules.WidestGape.Value;
        while (blocked - open > PrecisionRad)
        {
            var middle = (open + blocked) / 2;
            (open, blocked) = jaw.ClearanceMm(middle) < keep ? (open, middle) : (middle, blocked);
        }

        return Angle.FromRadians(open);
    }

    /// <summary>Least room between the lower border and the floor on the way to an opening, straight down; negative goes through it.</summary>
    public static Length FloorRoom(SnoutModel snout, BasketModel basket, Seat seat, Angle opening) =>
        Length.FromMillimeters(OnTheWay(opening.Radians).Min(new JawInBasket(snout, basket, seat).ClearanceMm));

    /// <summary>The openings looked at from the closed mouth up to and with this one.</summary>
    private static IEnumerable<double> OnTheWay(double openingRad)
    {
        for (var passed = 0.0; passed < openingRad; passed += SearchStepRad)
            yield return passed;
        yield return openingRad;
    }
}

/// <summary>The lower border turning inside one seated basket, in plain mm for the search.</summary>
internal sealed class JawInBasket(SnoutModel snout, BasketModel basket, Seat seat)
{
    private readonly PointMm hinge = snout.HingePoint;
    private readonly IReadOnlyList<PointMm> border = snout.LowerBorder;
    private readonly double frontX = -seat.NoseRoom.Millimeters;
    private readonly double rearX = basket.Length.Millimeters - seat.NoseRoom.Millimeters;
    private readonly double frontY = basket.DepthFront.Millimeters;
    private readonly double slope = (basket.DepthRear - basket.DepthFront) / basket.Length;

    /// <summary>Least room above the floor, straight down, of the chin and of what lies in front of the rear edge.</summary>
    public double ClearanceMm(double openingRad) => Tightest(openingRad).RoomMm;

    /// <summary>Where that room is least.</summary>
    public (PointMm At, double RoomMm) Tightest(double openingRad)
    {
        var (sin, cos) = Math.SinCos(openingRad);
        var before = Turn(border[0], sin, cos);
        var tightest = (At: before, RoomMm: Inside(before));
        void Look(PointMm point)
        {
            if (Inside(point) is var room && room < tightest.RoomMm)
                tightest = (point, room);
        }

        foreach (var point in border.Skip(1))
        {
            var turned = Turn(point, sin, cos);
            if (turned.X <= rearX)
                Look(turned);
            if (before.X <= rearX != turned.X <= rearX)
                Look(Between(before, turned, (rearX - before.X) / (turned.X - before.X)));
            before = turned;
        }

        return tightest;
    }

    private PointMm Turn(PointMm point, double sin, double cos)
    {
        var (dx, dy) = (point.X - hinge.X, point.Y - hinge.Y);
        return new PointMm(hinge.X + dx * cos + dy * sin, hinge.Y + dy * cos - dx * sin);
    }

    private double Inside(PointMm point) => frontY + slope * (point.X - frontX) - point.Y;

    private static PointMm Between(PointMm a, PointMm b, double share) => new(a.X + share * (b.X - a.X), a.Y + share * (b.Y - a.Y));
}
