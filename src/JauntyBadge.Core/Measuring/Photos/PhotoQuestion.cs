using UnitsNet;

namespace JauntyBadge.Core.Measuring.Photos;

/// <summary>From where the picture was taken.</summary>
public enum PhotoView
{
    /// <summary>From the side, camera level with the head.</summary>
    Side,

    /// <summary>From straight above.</summary>
    Top,
}

/// <summary>A place on the head that is marked on a picture.</summary>
public enum Landmark
{
    NoseTip,

    /// <summary>The inner eye corner of the side that is seen.</summary>
    InnerEye,

    /// <summary>The bridge at the fit line.</summary>
    FitLineTop,

    /// <summary>The underside of the jaw at the fit line.</summary>
    FitLineUnder,

    ThroatBump,

    /// <summary>A point on top of the snout, near the nose; with <see cref="BridgeBack"/> it gives the head's own level.</summary>
    BridgeFront,

    BridgeBack,
    Stop,
    Occiput,
    InnerEyeLeft,
    InnerEyeRight,

    /// <summary>Where lips and jowls stand out furthest.</summary>
    SnoutLeft,

    SnoutRight,
    SkullLeft,
    SkullRight,
}

/// <summary>The thing of known size in the picture.</summary>
public enum ReferenceKind
{
    /// <summary>An ID-1 card, 85.60 × 53.98 mm.</summary>
    Card,

    /// <summary>An A4 sheet, 210 × 297 mm.</summary>
    A4,

    /// <summary>An A5 sheet, 148 × 210 mm.</summary>
    A5,

    /// <summary>Two marks on a ruler: scale only.</summary>
    Ruler,
}

/// <summary>The reference as marked.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Corners">Four corners in any order, or a ruler's two marks.</param>
/// <param name="Length">The distance of a ruler's two marks; not needed for the others.</param>
/// <param name="LongSideFirst">The corners go around the reference and begin along a long side; otherwise that is told from the picture.</param>
public sealed record PhotoReference(ReferenceKind Kind, IReadOnlyList<PixelPoint> Corners, Length? Length = null, bool LongSideFirst = false);

/// <summary>A picture with what was marked on it.</summary>
public sealed record PhotoQuestion(PhotoView View, PhotoReference Reference, IReadOnlyDictionary<Landmark, PixelPoint> Landmarks)
{
    /// <summary>The side of the dog that a side picture shows.</summary>
    public Side Side { get; init; } = Side.Left;

    /// <summary>The head shape, whose usual spacing and height are taken where they are not known; null where nobody said it, and the doubt then spans all three.</summary>
    public HeadShape? HeadShape { get; init; }

    /// <summary>Width and height of the picture in pixels; null when not known.</summary>
    public (double Width, double Height)? PictureSize { get; init; }

    /// <summary>The inner eye spacing when it is known, for the slant of the nose to inner eye that a side picture cannot see.</summary>
    public Measured? InnerEyeSpacing { get; init; }

    /// <summary>The snout's other extent when it is known: its width for a side picture, its height for one from above. Gives a girth.</summary>
    public Measured? OtherExtent { get; init; }

    /// <summary>How far a click lies off, one standard deviation in pixels; null for the House value.</summary>
    public double? ClickPixels { get; init; }

    /// <summary>The numbers that decide.</summary>
    public HouseRules Rules { get; init; } = HouseRules.Ours;
}

/// <summary>A measure worked out from a picture.</summary>
/// <param name="Measure">Which measure.</param>
/// <param name="Side">Its side, where it has two.</param>
/// <param name="Value">The length.</param>
/// <param name="StandardUncertainty">All of its doubt together.</param>
/// <param name="FromClicks">What the scatter of the landmarks brings.</param>
/// <param name="FromReference">What the scatter of the reference's corners brings.</param>
/// <param name="FromPlane">What landmarks off the reference's plane, and anything assumed, bring.</param>
/// <param name="How">In which way.</param>
/// <param name="WaitsForShape">The head's shape decides a correction, and nobody said it.</param>
public sealed record PhotoMeasure(
    Measure Measure,
    Side? Side,
    Length Value,
    Length StandardUncertainty,
    Length FromClicks,
    Length FromReference,
    Length FromPlane,
    PhotoWay How,
    bool WaitsForShape = false
);

/// <summary>What a picture gives.</summary>
/// <param name="Measures">As far as the landmarks go.</param>
/// <param name="MillimetresPerPixel">Scale at the reference.</param>
/// <param name="Slant">How far the reference is turned away from the camera.</param>
/// <param name="Hints">What would give more: landmarks that are missing or belong to the other view, and a camera too near; empty when nothing would.</param>
public sealed record PhotoSolution(IReadOnlyList<PhotoMeasure> Measures, double MillimetresPerPixel, Angle Slant, IReadOnlyList<PhotoHint> Hints);
