namespace JauntyBadge.Core.Measuring.Photos;

/// <summary>The words of pictures. It decides nothing.</summary>
public static class PhotoWords
{
    private const string WhereToHold =
        "Hold it in front of the nose or under the chin, flat in the plane through the middle of the head; beside the snout it lies nearer to the camera and makes the head seem smaller.";

    /// <summary>What a refusal comes to.</summary>
    public const string TakeAgain = "Take the picture again";

    /// <summary>By what name programs know a refusal.</summary>
    public static string Code(PhotoRefusal refusal) =>
        refusal switch
        {
            NoSheet => "corners",
            TooSlanted => "too-slanted",
            ReferenceTooSmall => "reference-too-small",
            ReferenceTooFar => "reference-too-far",
            TurnedClose => "turned-close",
            OutOfPlane => "out-of-plane",
            _ => throw new ArgumentOutOfRangeException(nameof(refusal)),
        };

    /// <summary>Why a picture cannot be measured.</summary>
    public static string Message(PhotoRefusal refusal) =>
        refusal switch
        {
            NoSheet => "The reference's points do not make a sheet with four corners.",
            TooSlanted r => $"The reference is turned away from the camera by {r.Slant.Degrees:0}°; up to {r.Greatest.Degrees:0}° can be measured.",
            ReferenceTooSmall r => $"The reference is only {r.Pixels:0} pixels across; {r.Needed:0} are needed.",
            ReferenceTooFar r => $"The reference is too far from {Of(r.Landmark)} for its size.",
            TurnedClose r =>
                $"At {Of(r.Landmark)} the reference's plane would be much {Side(r.Further)} the camera, and it is turned away by {r.Slant.Degrees:0}°.",
            OutOfPlane r => $"The reference does not lie in the plane of the head: at {Of(r.Landmark)} its plane would be much {Side(r.Further)} the camera.",
            _ => throw new ArgumentOutOfRangeException(nameof(refusal)),
        };

    /// <summary>How to take it again.</summary>
    public static string Retake(PhotoRefusal refusal) =>
        refusal switch
        {
            NoSheet => "Place one point on each corner. If a corner is hidden, take the picture again with the whole reference in sight.",
            TooSlanted => $"{WhereToHold} Take the picture square on. Check too that corner 1 to corner 2 runs along a long side.",
            ReferenceTooSmall => "Go nearer, use a larger sheet, or take a sharper picture, so that the reference fills more of it.",
            ReferenceTooFar => $"{WhereToHold} Or use a larger sheet.",
            TurnedClose => $"Take the picture square on, and from further away. {WhereToHold}",
            OutOfPlane => $"{WhereToHold} Take the picture again.",
            _ => throw new ArgumentOutOfRangeException(nameof(refusal)),
        };

    /// <summary>What would make more of a picture.</summary>
    public static string Advice(PhotoHint hint) =>
        hint switch
        {
            OfTheOtherView h => $"{string.Join(", ", h.Landmarks.Select(Of))}: not seen in a picture {From(h.View)}, so left out. "
                + $"Was it taken {From(h.View == PhotoView.Side ? PhotoView.Top : PhotoView.Side)}?",
            NoLengthYet { Placed: 0 } h => $"No landmark of a picture {From(h.View)} is marked yet. Begin with the nose tip and the inner eye.",
            NoLengthYet { Placed: 1 } => "One landmark gives no length: mark a second one, such as the nose tip and the inner eye.",
            NoLengthYet => "These landmarks give no length together: mark the nose tip and the inner eye, or both ends of the fit line.",
            StepBack => "The camera was turned and close by: take the picture square on and from further away, and every length is surer.",
            _ => throw new ArgumentOutOfRangeException(nameof(hint)),
        };

    /// <summary>How a length comes from a picture.</summary>
    public static string How(PhotoWay way) =>
        way switch
        {
            PhotoWay.Straight => "straight between the two landmarks",
            PhotoWay.MadeSlanted => "seen straight ahead, made slanted with the inner eye spacing",
            PhotoWay.MadeSlantedAsUsual => "seen straight ahead, made slanted with the inner eye spacing usual for the head shape",
            PhotoWay.AlongTheLevel => "along the head's level, as the bridge shows it",
            PhotoWay.AlongNoseToEye => "along the line from nose tip to inner eye, since the bridge was not marked",
            PhotoWay.OverTheStop => "nose to stop and stop to base of skull; the tape follows the skull's curve and reads a little more",
            PhotoWay.BetweenEllipseAndBox => "between an ellipse and a rounded box of the height and width; a girth cannot be seen",
            _ => throw new ArgumentOutOfRangeException(nameof(way)),
        };

    private static string From(PhotoView view) => view == PhotoView.Side ? "from the side" : "from above";

    private static string Side(bool further) => further ? "further from" : "nearer to";

    private static string Of(Landmark landmark) =>
        landmark switch
        {
            Landmark.NoseTip => "the nose tip",
            Landmark.Occiput => "the base of the skull",
            Landmark.ThroatBump => "the throat bump",
            _ => $"the landmark {char.ToLowerInvariant(landmark.ToString()[0])}{landmark.ToString()[1..]}",
        };
}
