namespace JauntyBadge.Core.Measuring;

/// <summary>How one measure is taken, for the person holding the tape.</summary>
/// <param name="Measure">Which measure.</param>
/// <param name="Name">Its name in plain words.</param>
/// <param name="Where">The landmarks it runs between.</param>
/// <param name="How">How the tape is held.</param>
/// <param name="Mistake">The usual mistake.</param>
/// <param name="HasSides">Whether it is taken left and right.</param>
/// <param name="Optional">Whether a fit can be worked out well without it.</param>
public sealed record MeasureGuide(
    Measure Measure, string Name, string Where, string How, string Mistake, bool HasSides = false, bool Optional = false)
{
    /// <summary>Every measure in the order of the bench. Basis: Practice, as the trade takes them.</summary>
    public static IReadOnlyList<MeasureGuide> All { get; } =
    [
        new(Measure.NoseToInnerEye, "Nose to inner eye",
            "Nose tip to the inner eye corner, at the tear duct.",
            "Straight line, both sides: they seldom agree, and the shorter side rules the fit.",
            "Going to the outer corner or the lower lid, or following the cheek.", HasSides: true),
        new(Measure.SnoutGirth, "Snout girth",
            "Around the snout at the fit line, 13 to 25 mm in front of the eyes.",
            "Mouth closed, tape snug and level all the way round.",
            "Letting the tape slide forward to where the snout is thinner."),
        new(Measure.SnoutHeight, "Snout height",
            "At the fit line, from the bridge to the underside of the jaw.",
            "Mouth closed; a ruler held upright against two flat cards reads best.",
            "Measuring over the lips instead of under the jaw bone."),
        new(Measure.SnoutWidth, "Snout width",
            "The widest part of the snout, lips and jowls included.",
            "From above, without pressing the jowls in.",
            "Measuring bone to bone, so that the jowls end up jammed."),
        new(Measure.JawToNose, "Jaw to nose",
            "Throat bump to below the nose tip, horizontally.",
            "Head level; from the bump along a level tape to a plumb line dropped from the nose.",
            "Going point to point: that is the slanted side of the triangle and always too long."),
        new(Measure.NeckGirth, "Neck girth",
            "Around the high neck, right behind skull and jaw.",
            "Snug, not digging in; part long hair.",
            "Measuring where the everyday collar hangs, which is lower and thicker."),
        new(Measure.InnerEyeSpacing, "Inner eye spacing",
            "Between the two inner eye corners.",
            "Across the bridge, straight.",
            "Taking the outer corners.", Optional: true),
    ];

    /// <summary>The guide of one measure.</summary>
    public static MeasureGuide For(Measure measure) => All.First(g => g.Measure == measure);
}
