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
/// <param name="Optional">Whether neither fit style asks for it.</param>
/// <param name="Asks">What to ask oneself while it is read, where a slip would show in no number; null where none is usual.</param>
public sealed record MeasureGuide(
    Measure Measure,
    string Name,
    string Where,
    string Find,
    string How,
    string Mistake,
    DrawingView View = DrawingView.Side,
    bool HasSides = false,
    bool Optional = false,
    string? Asks = null
);

/// <summary>What a measure is wanted for.</summary>
public enum MeasureUse
{
    Choosing,
    Strap,
    HeadShape,
}

/// <summary>The usual length of a measure for a head shape, in mm per cube root of a kilogram of body mass. Basis: Memory.</summary>
public sealed record UsualLength(double Long, double Medium, double Short)
{
    public double For(HeadShape shape) =>
        shape switch
        {
            HeadShape.Long => Long,
            HeadShape.Short => Short,
            _ => Medium,
        };
}

/// <summary>Everything that is known of one measure: how it is taken, what it is for, what is usual, and who asks for it.</summary>
/// <param name="Guide">How it is taken.</param>
/// <param name="Use">What it is wanted for; null for one that only refines another.</param>
/// <param name="NeededFor">What cannot be answered without it, in words that follow "for".</param>
/// <param name="Usual">Its usual length; null where it follows from another measure.</param>
/// <param name="IsGirth">Whether a tape goes all the way round, so that the coat counts.</param>
/// <param name="Everyday">Its place in the order the everyday style takes, 1 first; null where it does not ask for it.</param>
/// <param name="Working">The same of the working style.</param>
public sealed record MeasureDefinition(
    MeasureGuide Guide,
    MeasureUse? Use,
    string NeededFor,
    UsualLength? Usual,
    bool IsGirth = false,
    int? Everyday = null,
    int? Working = null
)
{
    /// <summary>Every measure in the order of the enum. Basis: Practice, as the trade takes them.</summary>
    public static IReadOnlyList<MeasureDefinition> All { get; } =
        Checked([
            new(
                new(
                    Measure.NoseToInnerEye,
                    "Nose to inner eye",
                    "Nose tip to the inner eye corner, at the tear duct.",
                    "Look at the corner of the eye nearest the nose: the small pink point where tears gather.",
                    "Straight line, both sides: they seldom agree, and the shorter side rules the fit.",
                    "Going to the outer corner or the lower lid, or following the cheek.",
                    HasSides: true,
                    Asks: "The dog's own side, as it looks ahead? To the corner nearest the nose, not the outer one?"
                ),
                MeasureUse.Choosing,
                "where the basket's rear edge comes to lie",
                new(38, 33, 18),
                Working: 4
            ),
            new(
                new(
                    Measure.FitLineLength,
                    "Fit line to nose",
                    "From the fit line, where a basket's rear edge will sit in front of the eyes, straight ahead to the front of the nose.",
                    "Lay a finger across the snout right in front of the eyes; its front edge is about where a basket's rear edge sits, often near the corner of the lips.",
                    "Along the top of the snout, tape straight. Write down the gap you left to the eyes.",
                    "Starting at the stop or level with the eyes: then the basket's edge would touch them."
                ),
                MeasureUse.Choosing,
                "where the basket's rear edge comes to lie",
                new(32, 27, 13),
                Everyday: 1
            ),
            new(
                new(
                    Measure.SnoutGirth,
                    "Snout girth",
                    "Around the snout at the fit line, where it is largest in front of the eyes.",
                    "Same place as the fit line: a finger's breadth in front of the eyes.",
                    "Mouth closed, tape snug and level all the way round.",
                    "Letting the tape slide forward to where the snout is thinner.",
                    DrawingView.Front,
                    Asks: "Right in front of the eyes, and still there as you read?"
                ),
                MeasureUse.Choosing,
                "the room to pant",
                new(71, 90, 98),
                IsGirth: true,
                Everyday: 3,
                Working: 3
            ),
            new(
                new(
                    Measure.SnoutHeight,
                    "Snout height",
                    "At the fit line, from the bridge to the underside of the jaw.",
                    "Bridge: the bone on top of the snout. Underside: the jaw bone, not the hanging lip.",
                    "Mouth closed; a ruler held upright against two flat cards reads best.",
                    "Measuring over the lips instead of under the jaw bone.",
                    Asks: "Mouth closed?"
                ),
                MeasureUse.Choosing,
                "the depth under the jaw",
                new(21, 27, 26),
                Everyday: 2
            ),
            new(
                new(
                    Measure.SnoutWidth,
                    "Snout width",
                    "The widest part of the snout, lips and jowls included.",
                    "Look from above for where lips and jowls stand out furthest.",
                    "From above, without pressing the jowls in.",
                    "Measuring bone to bone, so that the jowls end up jammed.",
                    DrawingView.Top,
                    Asks: "Lips and jowls taken in?"
                ),
                MeasureUse.Choosing,
                "jowls that are not jammed",
                new(19, 24, 29),
                Everyday: 4
            ),
            new(
                new(
                    Measure.JawToNose,
                    "Jaw to nose",
                    "Throat bump to below the nose tip, horizontally.",
                    "Run a finger back under the jaw to the bump where the windpipe goes into the throat.",
                    "Head level; from the bump along a level tape to a plumb line dropped from the nose.",
                    "Going point to point: that is the slanted side of the triangle and always too long.",
                    Asks: "Tape level, to the plumb line below the nose, not up to the nose itself?"
                ),
                MeasureUse.Choosing,
                "where the jaw turns",
                new(54, 50, 32),
                Working: 5
            ),
            new(
                new(
                    Measure.NoseToOcciput,
                    "Nose to base of skull",
                    "Nose tip to where the skull bone ends and the neck begins.",
                    "Stroke back over the head until the bone ends under your finger: a small bump or edge.",
                    "Soft tape along the top of the head, snug.",
                    "Stopping at the ears, or going on down the neck."
                ),
                MeasureUse.Choosing,
                "checking the other lengths",
                new(82, 73, 53),
                Working: 1
            ),
            new(
                new(
                    Measure.NeckGirth,
                    "Neck girth",
                    "Around the high neck, right behind skull and jaw.",
                    "Slide the collar up until it lies right behind the ears and the jaw.",
                    "Snug, not digging in; part long hair.",
                    "Measuring where the everyday collar hangs, which is lower and thicker.",
                    Asks: "High, right behind the ears, not where the collar hangs?"
                ),
                MeasureUse.Strap,
                "the neck strap",
                new(130, 140, 145),
                IsGirth: true,
                Everyday: 5,
                Working: 2
            ),
            new(
                new(
                    Measure.InnerEyeSpacing,
                    "Inner eye spacing",
                    "Between the two inner eye corners.",
                    "The pink corners nearest the nose, both eyes.",
                    "Across the bridge, straight.",
                    "Taking the outer corners.",
                    DrawingView.Front,
                    Optional: true
                ),
                null,
                "",
                null
            ),
            new(
                new(
                    Measure.StopToNose,
                    "Stop to nose",
                    "From the stop to the front of the nose.",
                    "The stop is the step between snout and forehead; on a long head it is only a slope between the eyes.",
                    "Straight along the bridge.",
                    "Starting on the forehead above the step.",
                    Optional: true
                ),
                MeasureUse.HeadShape,
                "the face against the skull, and the airway caution",
                new(40, 34, 18)
            ),
            new(
                new(
                    Measure.StopToOcciput,
                    "Stop to base of skull",
                    "From the stop back to where the skull bone ends.",
                    "The same stop as before, then back over the head until the bone ends.",
                    "Along the top of the head.",
                    "Going on down the neck.",
                    Optional: true
                ),
                MeasureUse.HeadShape,
                "the face against the skull, and the airway caution",
                new(43, 38, 34)
            ),
            new(
                new(
                    Measure.SkullWidth,
                    "Skull width",
                    "Across the skull at its widest, cheek bone to cheek bone.",
                    "Feel for the two cheek bones below and behind the eyes.",
                    "With a caliper, or between two flat cards; bone, not cheek muscle.",
                    "Taking the ears or the cheeks in.",
                    DrawingView.Top,
                    Optional: true
                ),
                MeasureUse.HeadShape,
                "the breadth of the skull",
                new(32, 38, 44)
            ),
            new(
                new(
                    Measure.HeadGirth,
                    "Head girth",
                    "Around the head at its widest, ears included.",
                    "Over the ears where they are widest and under the jaw.",
                    "Ears flat against the head as a strap slipping off would lay them.",
                    "Leaving the ears out: they are what holds a strap.",
                    DrawingView.Front,
                    Optional: true
                ),
                MeasureUse.Strap,
                "whether a strap can slip off over the ears",
                new(145, 160, 165),
                IsGirth: true
            ),
        ]);

    public Measure Measure => Guide.Measure;

    /// <summary>Its lines on a bench: one, or one a side.</summary>
    public IEnumerable<MeasureLine> Lines => Guide.HasSides ? [new(Measure, Side.Left), new(Measure, Side.Right)] : [new(Measure)];

    /// <summary>The row of one measure.</summary>
    public static MeasureDefinition For(Measure measure) => All[(int)measure];

    /// <summary>Its place in the order a fit style takes; null where it does not ask for it.</summary>
    public int? PlaceIn(FitStyle style) => style == FitStyle.Working ? Working : Everyday;

    private static IReadOnlyList<MeasureDefinition> Checked(IReadOnlyList<MeasureDefinition> rows)
    {
        const string Table = "measures";
        Tables.Refuse(
            Table,
            "every measure once, in the order of the enum",
            Enum.GetValues<Measure>().Where((m, i) => i >= rows.Count || rows[i].Measure != m).Select(m => m.ToString())
        );
        Tables.Refuse(
            Table,
            "optional exactly where no fit style asks for it",
            rows.Where(r => r.Guide.Optional == (r.Everyday is not null || r.Working is not null)).Select(r => r.Measure.ToString())
        );
        return rows;
    }
}
