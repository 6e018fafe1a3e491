using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>A wanted range, both ends in.</summary>
public readonly record struct Window(Length Low, Length High)
{
    public Length Middle => (Low + High) / 2;

    /// <summary>Distance to the nearer end: positive inside, negative outside.</summary>
    public Length MarginOf(Length value) => UnitMath.Min(value - Low, High - value);
}

/// <summary>The numbers of the fit criteria.</summary>
public static class FitRules
{
    public static readonly Grounded<Length> EverydayLow = new(
        "fit.everyday-low",
        "Least nose and eye room, everyday",
        Length.FromMillimeters(12.7),
        Basis.Practice("half an inch")
    );
    public static readonly Grounded<Length> EverydayHigh = new(
        "fit.everyday-high",
        "Greatest nose and eye room, everyday",
        Length.FromMillimeters(25.4),
        Basis.Practice("an inch")
    );
    public static readonly Grounded<Length> WorkingLow = new(
        "fit.working-low",
        "Least nose and eye room, working",
        Length.FromMillimeters(6),
        Basis.House("snug, yet off the nose and the eyes")
    );
    public static readonly Grounded<Length> WorkingHigh = new(
        "fit.working-high",
        "Greatest nose and eye room, working",
        Length.FromMillimeters(13),
        Basis.House("snug; twice the least")
    );
    public static readonly Grounded<Length> ChinRoom = new(
        "fit.chin-room",
        "Least room under the closed jaw",
        Length.FromMillimeters(6),
        Basis.Practice("a little space under the jaw")
    );
    public static readonly Grounded<Length> FloorClearance = new(
        "fit.floor-clearance",
        "The opened jaw stays this far inside the floor",
        Length.FromMillimeters(3),
        Basis.House("skin and hair are not counted in the readings")
    )
    {
        Least = 3,
    };
    public static readonly Grounded<Angle> WidestGape = new(
        "fit.widest-gape",
        "The widest opening looked at",
        Angle.FromDegrees(60),
        Basis.House("wider than any yawn in a basket")
    )
    {
        SetElsewhere = "It only ends the search.",
    };
    public static readonly Grounded<Angle> HalfPant = new(
        "fit.half-pant",
        "Opening from which a dog can pant a little",
        Angle.FromDegrees(8),
        Basis.House("below it the mouth is as good as closed")
    )
    {
        Least = 8,
    };
    public static readonly Grounded<Angle> FullPant = new(
        "fit.full-pant",
        "Opening from which a dog can pant fully",
        Angle.FromDegrees(15),
        Basis.House("where the trade's three inches of panting room begin")
    )
    {
        Least = 15,
    };
    public static readonly Grounded<Angle> Yawn = new("fit.yawn", "Opening from which a dog can yawn", Angle.FromDegrees(30), Basis.House("twice a full pant"))
    {
        Least = 30,
        Most = 45,
    };
    public static readonly Grounded<Length> WidthLow = new(
        "fit.width-low",
        "Least spare width",
        Length.FromMillimeters(6),
        Basis.House("so that jowls are not jammed")
    );
    public static readonly Grounded<Length> WidthHigh = new(
        "fit.width-high",
        "Greatest spare width",
        Length.FromMillimeters(30),
        Basis.House("so that the basket does not twist")
    );
    public static readonly Grounded<Length> Finger = new(
        "fit.finger",
        "Thickness of a finger under the strap",
        Length.FromMillimeters(16),
        Basis.House("a usual finger; measure your own")
    )
    {
        SetElsewhere = "Set under How you fit, beside a dog's fits.",
    };
    public static readonly Grounded<Length> Marginal = new(
        "fit.marginal",
        "A criterion that holds by less than this is marginal",
        Length.FromMillimeters(2),
        Basis.House("the soft tape's own doubt")
    );
    public static readonly Grounded<Length> SleeveEyeRoom = new(
        "fit.sleeve-eye-room",
        "Least distance of a sleeve's or face cover's edge from the eye",
        Length.FromMillimeters(6),
        Basis.House("fabric moves")
    )
    {
        Least = 6,
    };
    public static readonly Grounded<TimeSpan> SleeveCap = new(
        "fit.sleeve-cap",
        "Longest a sleeve is worn",
        TimeSpan.FromMinutes(5),
        Basis.House("a dog in a sleeve cannot pant")
    )
    {
        Least = 1,
        Most = 5,
    };

    public static readonly Grounded<TimeSpan> CoverCap = new(
        "fit.cover-cap",
        "Longest a face cover is worn",
        TimeSpan.FromMinutes(15),
        Basis.House("a short visit; a flat face cools poorly under anything")
    )
    {
        Least = 1,
        Most = 15,
    };

    public static readonly Grounded<Length> LargeRoom = new(
        "fit.large-room",
        "Room under the jaw beyond what the needed opening asks from which a basket hangs",
        Length.FromMillimeters(30),
        Basis.House("it catches on things and swings; twice as much, and it is no fit")
    );
    public static readonly Grounded<double> LargeGirth = new(
        "fit.large-girth",
        "Girth over the needed one from which a basket swings, times",
        1.3,
        Basis.House("it turns on the face; twice the excess, and it is no fit")
    )
    {
        Least = 1.1,
        Most = 1.6,
    };
    public static readonly Grounded<double> NoFitBeyond = new(
        "fit.no-fit-beyond",
        "How many times that excess makes it no fit",
        2,
        Basis.House("worse the further out, until it is another dog's basket")
    );

    public static IReadOnlyList<IGrounded> All { get; } =
    [
        EverydayLow,
        EverydayHigh,
        WorkingLow,
        WorkingHigh,
        ChinRoom,
        FloorClearance,
        WidestGape,
        HalfPant,
        FullPant,
        Yawn,
        WidthLow,
        WidthHigh,
        Finger,
        Marginal,
        SleeveEyeRoom,
        SleeveCap,
        CoverCap,
        LargeRoom,
        LargeGirth,
        NoFitBeyond,
        Headline.EvenChance,
    ];

    /// <summary>The window for nose room and eye room, shrunk for a small dog.</summary>
    public static (Window Window, Basis Basis) SeatWindow(FitStyle style, SnoutModel snout)
    {
        var rules = snout.Rules;
        var (low, high) = (rules[Bounds(style).Low], rules[Bounds(style).High]);
        var eye = snout.EyeLine.Value;
        var basis =
            eye < rules[SnoutRules.SmallDogFrom]
                ? Basis.House(
                    $"{low.Millimeters}–{high.Millimeters} mm shrunk by {snout.SmallDogScale:0.00} for a snout under {rules[SnoutRules.SmallDogFrom].Millimeters} mm, never under {rules[SnoutRules.SmallestWindow].Millimeters} mm"
                )
                : rules.Basis(Bounds(style).Low);
        return (new Window(SnoutRules.Scaled(low, eye, rules), SnoutRules.Scaled(high, eye, rules)), basis);
    }

    /// <summary>The longest a type is worn; null for a basket.</summary>
    public static TimeSpan? Cap(MuzzleType type, HouseRules rules) =>
        type switch
        {
            MuzzleType.Sleeve => rules[SleeveCap],
            MuzzleType.FaceCover => rules[CoverCap],
            _ => null,
        };

    /// <summary>The opening a class begins at.</summary>
    public static Angle From(GapeClass gape, HouseRules rules) =>
        gape switch
        {
            GapeClass.Closed => Angle.Zero,
            GapeClass.HalfPant => rules[HalfPant],
            GapeClass.FullPant => rules[FullPant],
            _ => rules[Yawn],
        };

    /// <summary>Least and greatest nose and eye room of a fit style, not yet shrunk for a small dog.</summary>
    public static (Grounded<Length> Low, Grounded<Length> High) Bounds(FitStyle style) =>
        style == FitStyle.Working ? (WorkingLow, WorkingHigh) : (EverydayLow, EverydayHigh);

    /// <summary>Fingers under the neck strap by fit style. Basis: Practice.</summary>
    public static int Fingers(FitStyle style) => style == FitStyle.Working ? 1 : 2;
}
