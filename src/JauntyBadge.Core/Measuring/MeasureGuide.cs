namespace JauntyBadge.Core.Measuring;

/// <summary>How one measure is taken, for the person holding the tape.</summary>
/// <param name="Measure">Which measure.</param>
/// <param name="Name">Its name in plain words.</param>
/// <param name="Where">The landmarks it runs between.</param>
/// <param name="Find">How the landmarks are found by eye and finger, for someone who never did.</param>
/// <param name="How">How the tape is held.</param>
/// <param name="Mistake">The usual mistake.</param>
/// <param name="View">The view of the head drawing that shows it best.</param>
/// <param name="HasSides">Whether it is taken left and right.</param>
/// <param name="Optional">Whether neither school asks for it.</param>
public sealed record MeasureGuide(
    Measure Measure, string Name, string Where, string Find, string How, string Mistake, DrawingView View = DrawingView.Side, bool HasSides = false,
    bool Optional = false)
{
    /// <summary>Every measure in the order of the enum. Basis: Practice, as the trade takes them.</summary>
    public static IReadOnlyList<MeasureGuide> All { get; } =
    [
        new(Measure.NoseToInnerEye, "Nose to inner eye",
            "Nose tip to the inner eye corner, at the tear duct.",
            "Look at the corner of the eye nearest the nose: the small pink point where tears gather.",
            "Straight line, both sides: they seldom agree, and the shorter side rules the fit.",
            "Going to the outer corner or the lower lid, or following the cheek.", HasSides: true),
        new(Measure.FitLineLength, "Fit line to nose",
            "From the fit line, 13 to 25 mm in front of the eyes, straight ahead to the front of the nose.",
            "Lay a finger across the snout right in front of the eyes; its front edge is about where a basket's rear edge sits, often near the corner of the lips.",
            "Along the top of the snout, tape straight. Write down the gap you left to the eyes.",
            "Starting at the stop or level with the eyes: then the basket's edge would touch them."),
        new(Measure.SnoutGirth, "Snout girth",
            "Around the snout at the fit line, where it is largest in front of the eyes.",
            "Same place as the fit line: a finger's breadth in front of the eyes.",
            "Mouth closed, tape snug and level all the way round.",
            "Letting the tape slide forward to where the snout is thinner.", DrawingView.Front),
        new(Measure.SnoutHeight, "Snout height",
            "At the fit line, from the bridge to the underside of the jaw.",
            "Bridge: the bone on top of the snout. Underside: the jaw bone, not the hanging lip.",
            "Mouth closed; a ruler held upright against two flat cards reads best.",
            "Measuring over the lips instead of under the jaw bone."),
        new(Measure.SnoutWidth, "Snout width",
            "The widest part of the snout, lips and jowls included.",
            "Look from above for where lips and jowls stand out furthest.",
            "From above, without pressing the jowls in.",
            "Measuring bone to bone, so that the jowls end up jammed.", DrawingView.Top),
        new(Measure.JawToNose, "Jaw to nose",
            "Throat bump to below the nose tip, horizontally.",
            "Run a finger back under the jaw to the bump where the windpipe goes into the throat.",
            "Head level; from the bump along a level tape to a plumb line dropped from the nose.",
            "Going point to point: that is the slanted side of the triangle and always too long."),
        new(Measure.NoseToOcciput, "Nose to base of skull",
            "Nose tip to where the skull bone ends and the neck begins.",
            "Stroke back over the head until the bone ends under your finger: a small bump or edge.",
            "Soft tape along the top of the head, snug.",
            "Stopping at the ears, or going on down the neck."),
        new(Measure.NeckGirth, "Neck girth",
            "Around the high neck, right behind skull and jaw.",
            "Slide the collar up until it lies right behind the ears and the jaw.",
            "Snug, not digging in; part long hair.",
            "Measuring where the everyday collar hangs, which is lower and thicker."),
        new(Measure.InnerEyeSpacing, "Inner eye spacing",
            "Between the two inner eye corners.",
            "The pink corners nearest the nose, both eyes.",
            "Across the bridge, straight.",
            "Taking the outer corners.", DrawingView.Front, Optional: true),
        new(Measure.StopToNose, "Stop to nose",
            "From the stop to the front of the nose.",
            "The stop is the step between snout and forehead; on a long head it is only a slope between the eyes.",
            "Straight along the bridge.",
            "Starting on the forehead above the step.", Optional: true),
        new(Measure.StopToOcciput, "Stop to base of skull",
            "From the stop back to where the skull bone ends.",
            "The same stop as before, then back over the head until the bone ends.",
            "Along the top of the head.",
            "Going on down the neck.", Optional: true),
        new(Measure.SkullWidth, "Skull width",
            "Across the skull at its widest, cheek bone to cheek bone.",
            "Feel for the two cheek bones below and behind the eyes.",
            "With a caliper, or between two flat cards; bone, not cheek muscle.",
            "Taking the ears or the cheeks in.", DrawingView.Top, Optional: true),
        new(Measure.HeadGirth, "Head girth",
            "Around the head at its widest, ears included.",
            "Over the ears where they are widest and under the jaw.",
            "Ears flat against the head as a strap slipping off would lay them.",
            "Leaving the ears out: they are what holds a strap.", DrawingView.Front, Optional: true),
    ];

    /// <summary>The guide of one measure.</summary>
    public static MeasureGuide For(Measure measure) => All[(int)measure];

    /// <summary>A line's name in plain words, such as "nose to inner eye, left".</summary>
    internal static string NameOf(MeasureLine line) =>
        For(line.Measure).Name + (line.Side is { } side ? $", {side.ToString().ToLowerInvariant()}" : "");
}
