namespace JauntyBadge.Core.Measuring.Photos;

/// <summary>The words of pictures. It decides nothing.</summary>
/// <param name="writing">How they are said.</param>
public sealed class PhotoWords(Writing writing)
{
    private string WhereToHold =>
        writing.Say(
            "Hold it in front of the nose or under the chin, flat in the plane through the middle of the head; beside the snout it lies nearer to the camera and makes the head seem smaller."
        );

    /// <summary>What a refusal comes to.</summary>
    public string TakeAgain => writing.Say("Take the picture again");

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
    public string Message(PhotoRefusal refusal) =>
        refusal switch
        {
            NoSheet => writing.Say("The reference's points do not make a sheet with four corners."),
            TooSlanted r => writing.Say(
                $"The reference is turned away from the camera by {r.Slant.Degrees:0}°; up to {r.Greatest.Degrees:0}° can be measured."
            ),
            ReferenceTooSmall r => writing.Say($"The reference is only {r.Pixels:0} pixels across; {r.Needed:0} are needed."),
            ReferenceTooFar r => writing.Say($"The reference is too far from {Of(r.Landmark)} for its size."),
            TurnedClose r => writing.Say(
                $"At {Of(r.Landmark)} the reference's plane would be much {Side(r.Further)} the camera, and it is turned away by {r.Slant.Degrees:0}°."
            ),
            OutOfPlane r => writing.Say(
                $"The reference does not lie in the plane of the head: at {Of(r.Landmark)} its plane would be much {Side(r.Further)} the camera."
            ),
            _ => throw new ArgumentOutOfRangeException(nameof(refusal)),
        };

    /// <summary>How to take it again.</summary>
    public string Retake(PhotoRefusal refusal) =>
        refusal switch
        {
            NoSheet => writing.Say("Place one point on each corner. If a corner is hidden, take the picture again with the whole reference in sight."),
            TooSlanted => writing.Say($"{WhereToHold} Take the picture square on. Check too that corner 1 to corner 2 runs along a long side."),
            ReferenceTooSmall => writing.Say("Go nearer, use a larger sheet, or take a sharper picture, so that the reference fills more of it."),
            ReferenceTooFar => writing.Say($"{WhereToHold} Or use a larger sheet."),
            TurnedClose => writing.Say($"Take the picture square on, and from further away. {WhereToHold}"),
            OutOfPlane => writing.Say($"{WhereToHold} Take the picture again."),
            _ => throw new ArgumentOutOfRangeException(nameof(refusal)),
        };

    /// <summary>What would make more of a picture.</summary>
    public string Advice(PhotoHint hint) =>
        hint switch
        {
            OfTheOtherView h => writing.Say(
                $"{string.Join(", ", h.Landmarks.Select(Of))}: not seen in a picture {From(h.View)}, so left out. "
                    + $"Was it taken {From(h.View == PhotoView.Side ? PhotoView.Top : PhotoView.Side)}?"
            ),
            NoLengthYet { Placed: 0 } h => writing.Say($"No landmark of a picture {From(h.View)} is marked yet. Begin with the nose tip and the inner eye."),
            NoLengthYet { Placed: 1 } => writing.Say("One landmark gives no length: mark a second one, such as the nose tip and the inner eye."),
            NoLengthYet => writing.Say("These landmarks give no length together: mark the nose tip and the inner eye, or both ends of the fit line."),
            ShapeNotSaid => writing.Say(
                "Say first whether the head is long, medium or short: it decides how slanted the nose to inner eye runs. Until then the doubt spans every shape."
            ),
            StepBack => writing.Say("The camera was turned and close by: take the picture square on and from further away, and every length is surer."),
            _ => throw new ArgumentOutOfRangeException(nameof(hint)),
        };

    /// <summary>How a length comes from a picture.</summary>
    public string How(PhotoWay way) =>
        way switch
        {
            PhotoWay.Straight => writing.Say("straight between the two landmarks"),
            PhotoWay.MadeSlanted => writing.Say("seen straight ahead, made slanted with the inner eye spacing"),
            PhotoWay.MadeSlantedAsUsual => writing.Say("seen straight ahead, made slanted with the inner eye spacing usual for the head shape"),
            PhotoWay.MadeSlantedBetween => writing.Say("seen straight ahead, made slanted with an inner eye spacing between those of long and short heads"),
            PhotoWay.AlongTheLevel => writing.Say("along the head's level, as the bridge shows it"),
            PhotoWay.AlongNoseToEye => writing.Say("along the line from nose tip to inner eye, since the bridge was not marked"),
            PhotoWay.OverTheStop => writing.Say("nose to stop and stop to base of skull; the tape follows the skull's curve and reads a little more"),
            PhotoWay.BetweenEllipseAndBox => writing.Say("between an ellipse and a rounded box of the height and width; a girth cannot be seen"),
            _ => throw new ArgumentOutOfRangeException(nameof(way)),
        };

    private string From(PhotoView view) => view == PhotoView.Side ? writing.Say("from the side") : writing.Say("from above");

    private string Side(bool further) => further ? writing.Say("further from") : writing.Say("nearer to");

    private string Of(Landmark landmark) =>
        landmark switch
        {
            Landmark.NoseTip => writing.Say("the nose tip"),
            Landmark.Occiput => writing.Say("the base of the skull"),
            Landmark.ThroatBump => writing.Say("the throat bump"),
            _ => writing.Say($"the landmark {writing.Say(Writing.Lower(landmark.ToString()))}"),
        };
}
