using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>The numbers the snout model stands on.</summary>
public static class SnoutRules
{
    private static readonly Basis MillersAverages = Basis.Published(
        "ratios of average skull measurements, Evans & de Lahunta, Miller's Anatomy of the Dog (recalled)"
    );

    private static readonly Basis OurSketch = Basis.House("a plain jaw shape that a fitter can check against the dog");

    private static readonly Basis UsualProportion = Basis.Memory("usual proportions of such heads, recalled; measure instead");

    public static readonly Grounded<Length> FitLineGap = new(
        "snout.fit-line-gap",
        "How far the fit line lies in front of the eyes",
        Length.FromMillimeters(19.05),
        Basis.Practice("the middle of half an inch to an inch")
    );

    public static readonly Grounded<Length> SmallDogFrom = new(
        "snout.small-dog",
        "Below this nose-to-eye, windows and the fit-line gap shrink in proportion",
        Length.FromMillimeters(70),
        Basis.House("half an inch in front of the eye is a third of a toy dog's snout")
    );

    public static readonly Grounded<Length> SmallestWindow = new(
        "snout.smallest-window",
        "No window bound or gap shrinks below this",
        Length.FromMillimeters(4),
        Basis.House("less than this cannot be set by hand on a dog")
    );

    public static readonly Grounded<double> HingeLong = new("snout.hinge-long", "Jaw hinge, times the eye line, long heads", 1.43, MillersAverages);
    public static readonly Grounded<double> HingeMedium = new("snout.hinge-medium", "Jaw hinge, times the eye line, medium heads", 1.51, MillersAverages);
    public static readonly Grounded<double> HingeShort = new("snout.hinge-short", "Jaw hinge, times the eye line, short heads", 1.77, MillersAverages);
    public static readonly Grounded<double> HingeDrop = new("snout.hinge-drop", "Hinge below the bridge line, times the snout height", 0.55, OurSketch);
    public static readonly Grounded<double> ChinForward = new("snout.chin-forward", "Chin behind the nose tip, times the eye line", 0.06, OurSketch);
    public static readonly Grounded<double> ChinDrop = new("snout.chin-drop", "Chin below the bridge line, times the snout height", 0.75, OurSketch);
    public static readonly Grounded<double> CornerShare = new(
        "snout.corner-share",
        "Corner radius of the snout's section, times its smaller side",
        0.25,
        Basis.House("between a box and an oval; girth bounds hold for both")
    )
    {
        SetElsewhere = "Part of every girth and of the drawing; not set by a practice.",
    };

    public static readonly Grounded<double> WidthLong = new("snout.width-long", "Usual snout width, times the eye line, long heads", 0.50, UsualProportion);
    public static readonly Grounded<double> WidthMedium = new(
        "snout.width-medium",
        "Usual snout width, times the eye line, medium heads",
        0.75,
        UsualProportion
    );
    public static readonly Grounded<double> WidthShort = new("snout.width-short", "Usual snout width, times the eye line, short heads", 1.40, UsualProportion);
    public static readonly Grounded<double> HeightLong = new("snout.height-long", "Usual snout height, times its width, long heads", 1.12, UsualProportion);
    public static readonly Grounded<double> HeightMedium = new(
        "snout.height-medium",
        "Usual snout height, times its width, medium heads",
        1.08,
        UsualProportion
    );
    public static readonly Grounded<double> HeightShort = new("snout.height-short", "Usual snout height, times its width, short heads", 0.90, UsualProportion);

    public static readonly Grounded<double> SpacingLong = new(
        "snout.spacing-long",
        "Usual inner eye spacing, times the eye line, long heads",
        0.31,
        UsualProportion
    );
    public static readonly Grounded<double> SpacingMedium = new(
        "snout.spacing-medium",
        "Usual inner eye spacing, times the eye line, medium heads",
        0.44,
        UsualProportion
    );
    public static readonly Grounded<double> SpacingShort = new(
        "snout.spacing-short",
        "Usual inner eye spacing, times the eye line, short heads",
        0.80,
        UsualProportion
    );

    public static IReadOnlyList<IGrounded> All { get; } =
    [
        FitLineGap,
        SmallDogFrom,
        SmallestWindow,
        HingeLong,
        HingeMedium,
        HingeShort,
        HingeDrop,
        ChinForward,
        ChinDrop,
        CornerShare,
        WidthLong,
        WidthMedium,
        WidthShort,
        HeightLong,
        HeightMedium,
        HeightShort,
        SpacingLong,
        SpacingMedium,
        SpacingShort,
    ];

    public static Grounded<double> HingeRatio(HeadShape shape) => Pick(shape, HingeLong, HingeMedium, HingeShort);

    public static Grounded<double> WidthRatio(HeadShape shape) => Pick(shape, WidthLong, WidthMedium, WidthShort);

    public static Grounded<double> HeightRatio(HeadShape shape) => Pick(shape, HeightLong, HeightMedium, HeightShort);

    /// <summary>Usual inner eye spacing, times the eye line.</summary>
    public static Grounded<double> SpacingRatio(HeadShape shape) => Pick(shape, SpacingLong, SpacingMedium, SpacingShort);

    /// <summary>The share by which windows shrink for a nose-to-eye this long: 1 from 70 mm up.</summary>
    public static double ScaleFor(Length eyeLine, HouseRules rules) => Math.Min(1, eyeLine / rules[SmallDogFrom]);

    /// <summary>A window bound or gap, shrunk for a small dog, never under <see cref="SmallestWindow"/>.</summary>
    public static Length Scaled(Length bound, Length eyeLine, HouseRules rules) =>
        Length.FromMillimeters(ScaledMm(bound.Millimeters, eyeLine.Millimeters, rules[SmallDogFrom].Millimeters, rules[SmallestWindow].Millimeters));

    /// <summary>The usual gap between fit line and eyes for a nose-to-eye this long.</summary>
    public static Length UsualGap(Length eyeLine, HouseRules rules) => Scaled(rules[FitLineGap], eyeLine, rules);

    /// <summary>The same in plain mm.</summary>
    internal static double ScaledMm(double bound, double eyeLine, double smallDogFrom, double smallestWindow) =>
        Math.Max(bound * Math.Min(1, eyeLine / smallDogFrom), Math.Min(bound, smallestWindow));

    /// <summary>The usual gap behind a fit line this far from the nose: the one that, added to it, gives an eye line whose usual gap it is.</summary>
    public static Length GapBehind(Length fitLineLength, HouseRules rules)
    {
        var whole = rules[FitLineGap];
        if (fitLineLength + whole >= rules[SmallDogFrom])
            return whole;

        // gap = whole · (fit + gap) / small, solved for gap; never under the smallest.
        var inProportion = fitLineLength * (whole / (rules[SmallDogFrom] - whole));
        return UnitMath.Max(inProportion, UnitMath.Min(whole, rules[SmallestWindow]));
    }

    /// <summary>Whether no triangle has this nose-to-eye on both sides and this spacing between the eyes.</summary>
    public static bool Contradict(Length noseToEye, Length innerEyeSpacing) => innerEyeSpacing >= 2 * noseToEye;

    /// <summary>The number of a head shape.</summary>
    internal static Grounded<double> Pick(HeadShape shape, Grounded<double> forLong, Grounded<double> forMedium, Grounded<double> forShort) =>
        shape switch
        {
            HeadShape.Long => forLong,
            HeadShape.Short => forShort,
            _ => forMedium,
        };
}
