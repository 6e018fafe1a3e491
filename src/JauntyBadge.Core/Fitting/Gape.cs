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
    /// <summary>The class of an opening (House, see <see cref="FitRules"/>).</summary>
    public static GapeClass Classify(Angle gape, HouseRules rules) =>
        gape < rules[FitRules.HalfPant] ? GapeClass.Closed
        : gape < rules[FitRules.FullPant] ? GapeClass.HalfPant
        : gape < rules[FitRules.Yawn] ? GapeClass.FullPant
        : GapeClass.Yawn;

    /// <summary>
    /// The widest opening, 0 to 60°, up to which the turned lower border stays 3 mm inside the floor all the way, counted
    /// straight down, so that a deeper front never lessens the gape. What lies behind the rear edge is free, but for the chin.
    /// Zero when not even the closed mouth keeps that distance.
    /// </summary>
    public static Angle Widest(SnoutModel snout, BasketModel basket, Seat seat) =>
        Of(new JawTurn(SnoutMm.Of(snout)).WidestRad(FloorOf(basket, seat), snout.Rules[FitRules.FloorClearance].Millimeters, FitRules.WidestGape.Ours.Radians));

    /// <summary>An opening in radians as an angle, the widest looked at being exactly that.</summary>
    internal static Angle Of(double rad) => rad >= FitRules.WidestGape.Ours.Radians ? FitRules.WidestGape.Ours : Angle.FromRadians(rad);

    /// <summary>Least room between the lower border and the floor on the way to an opening, straight down; negative goes through it.</summary>
    public static Length FloorRoom(SnoutModel snout, BasketModel basket, Seat seat, Angle opening) =>
        Length.FromMillimeters(new JawTurn(SnoutMm.Of(snout)).LeastRoom(FloorOf(basket, seat), opening.Radians));

    /// <summary>Where the closed mouth is nearest to the floor, and by how much.</summary>
    internal static (PointMm At, double RoomMm) TightestClosed(SnoutModel snout, BasketModel basket, Seat seat) =>
        new JawTurn(SnoutMm.Of(snout)).Tightest(FloorOf(basket, seat), 0, 1);

    private static FloorLine FloorOf(BasketModel basket, Seat seat) => new(BasketMm.Of(basket), seat.NoseRoom.Millimeters);
}
