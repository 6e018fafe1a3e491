using UnitsNet;

namespace JauntyBadge.Core.Measuring.Photos;

/// <summary>The numbers a picture is measured and refused by.</summary>
public static class PhotoRules
{
    private const string PartOfThePose = "Tried together with the way the camera's place is found; not set alone.";

    public static readonly Grounded<Length> CardLong = new(
        "photo.card-long",
        "Long side of an ID-1 card",
        Length.FromMillimeters(85.60),
        Basis.Published("ISO/IEC 7810, ID-1")
    );
    public static readonly Grounded<Length> CardShort = new(
        "photo.card-short",
        "Short side of an ID-1 card",
        Length.FromMillimeters(53.98),
        Basis.Published("ISO/IEC 7810, ID-1")
    );
    public static readonly Grounded<Length> A4Long = new("photo.a4-long", "Long side of an A4 sheet", Length.FromMillimeters(297), Basis.Published("ISO 216"));
    public static readonly Grounded<Length> A4Short = new(
        "photo.a4-short",
        "Short side of an A4 sheet, long side of A5",
        Length.FromMillimeters(210),
        Basis.Published("ISO 216")
    );
    public static readonly Grounded<Length> A5Short = new(
        "photo.a5-short",
        "Short side of an A5 sheet",
        Length.FromMillimeters(148),
        Basis.Published("ISO 216")
    );

    public static readonly Grounded<double> Click = new(
        "photo.click",
        "How far a placed landmark lies off, one standard deviation in pixels",
        2.0,
        Basis.House("a careful click under the magnifier; a landmark under fur has no sharp edge")
    );

    public static readonly Grounded<double> CornerShare = new(
        "photo.corner-share",
        "The same for a corner of the reference, as a share of it",
        0.5,
        Basis.House("a printed corner is sharp")
    );

    public static readonly Grounded<double> SmallestSide = new(
        "photo.smallest-side",
        "Least length of the reference's short side on the picture, pixels",
        60,
        Basis.House("two clicks two pixels off are then 5 % of it")
    );

    public static readonly Grounded<double> Furthest = new(
        "photo.furthest",
        "Greatest distance of a landmark from the reference, in its long sides",
        6,
        Basis.House("further out the corners' own scatter decides the result")
    );

    public static readonly Grounded<Angle> GreatestSlant = new(
        "photo.greatest-slant",
        "The reference may be turned away from the camera by up to",
        Angle.FromDegrees(40),
        Basis.House("beyond it a corner's scatter and the head's depth count too much")
    );

    public static readonly Grounded<double> DepthChange = new(
        "photo.depth-change",
        "Scale at a landmark over scale at the reference, at most (or its inverse)",
        1.6,
        Basis.House("a head beside the reference is as far away as it is; more means that the reference lies in another plane")
    );

    public static readonly Grounded<double> PlaneOffset = new(
        "photo.plane-offset",
        "Half width of the error by landmarks off the reference's plane, as a share of a length",
        0.025,
        Basis.House("25 mm nearer or further at one metre; rectangular")
    );

    public static readonly Grounded<Length> UsualDistance = new(
        "photo.usual-distance",
        "Distance a picture is usually taken from",
        Length.FromMillimeters(1000),
        Basis.House("arm and a step: the head fills the picture of a telephone")
    )
    {
        SetElsewhere = PartOfThePose,
    };

    public static readonly Grounded<double> DistanceDoubt = new(
        "photo.u-distance",
        "Standard uncertainty of that distance, as a share",
        0.35,
        Basis.House("from half a metre to two")
    )
    {
        SetElsewhere = PartOfThePose,
    };

    public static readonly Grounded<Angle> UsualTilt = new(
        "photo.usual-tilt",
        "How far a camera that is meant to be square on is off, one standard deviation about either axis",
        Angle.FromDegrees(12),
        Basis.House("held by hand beside a dog")
    )
    {
        SetElsewhere = PartOfThePose,
    };

    public static readonly Grounded<double> MiddleDoubt = new(
        "photo.u-middle",
        "Standard uncertainty of the picture's middle where its size is not known, as a share of what is marked on it",
        0.25,
        Basis.House("a head is seldom exactly in the middle")
    );

    public static readonly Grounded<double> SideDepth = new(
        "photo.side-depth",
        "How far the eye lies off the head's middle plane in a picture from the side, times the inner eye spacing",
        0.5,
        Basis.Published("geometry: the eyes lie half their spacing to either side")
    );

    public static readonly Grounded<double> CardLevel = new(
        "photo.card-level",
        "How far below the bridge the reference is held in a picture from above, times the snout's height",
        0.3,
        Basis.House("level with the upper lips")
    );

    public static readonly Grounded<Length> DepthDoubt = new(
        "photo.u-depth",
        "Standard uncertainty of a landmark's depth in a picture from above",
        Length.FromMillimeters(6),
        Basis.House("heads are rounder or flatter by so much")
    );

    public static readonly Grounded<double> CloseFrom = new(
        "photo.close",
        "Camera nearer than this many of the longest lengths marked: step back",
        2.5,
        Basis.House("nearer, a turned camera stretches one end of the head")
    );

    public static readonly Grounded<Angle> RulerSlant = new(
        "photo.ruler-slant",
        "Slant allowed for where only a ruler gives the scale",
        Angle.FromDegrees(15),
        Basis.House("two points cannot show a slant; taken as equally likely up to it")
    );

    public static readonly Grounded<Angle> LevelDoubt = new(
        "photo.level-doubt",
        "Doubt of the head's level where the bridge was not marked",
        Angle.FromDegrees(4),
        Basis.House("nose tip and eye corner are not quite level on every head")
    );

    public static readonly Grounded<double> SpacingDoubt = new(
        "photo.spacing-doubt",
        "Standard uncertainty of an assumed inner eye spacing, as a share of the eye line",
        0.12,
        Basis.House("heads of one length differ by about a quarter of their spacing")
    );

    public static readonly Grounded<double> SkullCurve = new(
        "photo.skull-curve",
        "Standard uncertainty of nose to base of skull by the skull's curve, as a share",
        0.025,
        Basis.House("the tape follows the curve; the picture gives two straight lines")
    );

    public static readonly Grounded<double> ShortSkullCurve = new(
        "photo.short-skull-curve",
        "The tape from nose to base of skull over the dome of a short head, times the picture's two straight lines",
        1.05,
        Basis.House("a short head is domed; a long one hardly")
    );

    public static readonly Grounded<double> SpacingSpan = new(
        "photo.spacing-span",
        "Standard uncertainty of the inner eye spacing where nobody said the head's shape, as a share of the eye line",
        0.19,
        Basis.House("from long heads to short ones")
    );

    public static IReadOnlyList<IGrounded> All { get; } =
    [
        CardLong,
        CardShort,
        A4Long,
        A4Short,
        A5Short,
        Click,
        CornerShare,
        SmallestSide,
        Furthest,
        GreatestSlant,
        DepthChange,
        PlaneOffset,
        UsualDistance,
        DistanceDoubt,
        UsualTilt,
        MiddleDoubt,
        SideDepth,
        CardLevel,
        DepthDoubt,
        CloseFrom,
        RulerSlant,
        LevelDoubt,
        SpacingDoubt,
        SkullCurve,
        ShortSkullCurve,
        SpacingSpan,
    ];

    /// <summary>A share by head shape; between the long and the short one where nobody said which.</summary>
    internal static double ByShape(HeadShape? shape, HouseRules rules, Func<HeadShape, Grounded<double>> ratio) =>
        shape is { } told ? rules[ratio(told)] : (rules[ratio(HeadShape.Long)] + rules[ratio(HeadShape.Short)]) / 2;

    /// <summary>Long and short side of a flat reference; null for a ruler.</summary>
    public static (Length Long, Length Short)? Size(ReferenceKind kind) =>
        kind switch
        {
            ReferenceKind.Card => (CardLong.Ours, CardShort.Ours),
            ReferenceKind.A4 => (A4Long.Ours, A4Short.Ours),
            ReferenceKind.A5 => (A4Short.Ours, A5Short.Ours),
            _ => null,
        };
}
