using UnitsNet;

namespace JauntyBadge.Core.Measuring.Photos;

/// <summary>Why a picture cannot be measured: what was found, and by how much. <see cref="PhotoWords"/> has the words.</summary>
public abstract record PhotoRefusal;

/// <summary>The reference's points make no sheet with four corners, or a ruler's two marks coincide.</summary>
public sealed record NoSheet : PhotoRefusal;

/// <summary>The reference is turned away from the camera.</summary>
/// <param name="Slant">By how much.</param>
/// <param name="Greatest">What can be measured.</param>
public sealed record TooSlanted(Angle Slant, Angle Greatest) : PhotoRefusal;

/// <summary>The reference covers too few pixels.</summary>
/// <param name="Pixels">Its shortest side.</param>
/// <param name="Needed">What is needed.</param>
public sealed record ReferenceTooSmall(double Pixels, double Needed) : PhotoRefusal;

/// <summary>A landmark lies too far from the reference for its size.</summary>
public sealed record ReferenceTooFar(Landmark Landmark) : PhotoRefusal;

/// <summary>The camera was turned and close by.</summary>
/// <param name="Landmark">Where it shows.</param>
/// <param name="Further">Whether the reference's plane would lie further from the camera there, or nearer.</param>
/// <param name="Slant">How far it was turned.</param>
public sealed record TurnedClose(Landmark Landmark, bool Further, Angle Slant) : PhotoRefusal;

/// <summary>The reference does not lie in the plane of the head.</summary>
/// <param name="Landmark">Where it shows.</param>
/// <param name="Further">Whether its plane would lie further from the camera there, or nearer.</param>
public sealed record OutOfPlane(Landmark Landmark, bool Further) : PhotoRefusal;

/// <summary>What would make more of a picture that can be measured.</summary>
public abstract record PhotoHint;

/// <summary>Landmarks that are not seen from there are left out.</summary>
public sealed record OfTheOtherView(PhotoView View, IReadOnlyList<Landmark> Landmarks) : PhotoHint;

/// <summary>Nothing can be measured yet.</summary>
/// <param name="View">From where the picture was taken.</param>
/// <param name="Placed">How many landmarks of this view are placed.</param>
public sealed record NoLengthYet(PhotoView View, int Placed) : PhotoHint;

/// <summary>Nobody said the head's shape, which decides how slanted the nose to inner eye runs.</summary>
public sealed record ShapeNotSaid : PhotoHint;

/// <summary>The camera was turned and close by, which costs certainty.</summary>
public sealed record StepBack : PhotoHint;

/// <summary>How a length comes from a picture.</summary>
public enum PhotoWay
{
    /// <summary>Straight between two landmarks.</summary>
    Straight,

    /// <summary>Seen straight ahead, made slanted with the inner eye spacing read.</summary>
    MadeSlanted,

    /// <summary>The same with the spacing usual for the head shape.</summary>
    MadeSlantedAsUsual,

    /// <summary>The same with a spacing between those of long and short heads, where nobody said the shape.</summary>
    MadeSlantedBetween,

    /// <summary>Along the head's level, as the bridge shows it.</summary>
    AlongTheLevel,

    /// <summary>Along the line from nose tip to inner eye.</summary>
    AlongNoseToEye,

    /// <summary>Nose to stop and stop to base of skull.</summary>
    OverTheStop,

    /// <summary>A girth between an ellipse and a rounded box.</summary>
    BetweenEllipseAndBox,
}
