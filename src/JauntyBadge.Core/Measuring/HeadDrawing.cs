using JauntyBadge.Core.Measuring.Heads;
using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>From where a head is looked at.</summary>
public enum DrawingView
{
    /// <summary>Nose to the left; x from the nose tip towards the skull, y down from the bridge line.</summary>
    Side,

    /// <summary>From above, nose to the left; x as before, y towards the dog's left.</summary>
    Top,

    /// <summary>From the front; x towards the dog's left, y down from the bridge line.</summary>
    Front,
}

/// <summary>What a line of a drawing shows.</summary>
public enum StrokePart
{
    /// <summary>The snout cut across at the fit line.</summary>
    Section,

    /// <summary>The outline of a muzzle.</summary>
    Wall,
    Strap,
    Rail,
    Bar,

    /// <summary>The muzzle pushed back as far as it goes.</summary>
    Shove,
    BasketSection,
}

/// <summary>A line of a drawing, mm.</summary>
public sealed record Stroke(StrokePart Name, IReadOnlyList<PointMm> Points, bool Closed);

/// <summary>A place a measure is taken from, named.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="At">Where it is, mm.</param>
/// <param name="Label">Where its name stands.</param>
public sealed record LandmarkPoint(string Name, PointMm At, LabelPlace Label)
{
    /// <summary>One whose name stands at it until it is placed.</summary>
    internal LandmarkPoint(string name, PointMm at)
        : this(name, at, new(at, LabelAnchor.Middle)) { }
}

/// <summary>Where one measure runs in one view.</summary>
/// <param name="Measure">Which measure.</param>
/// <param name="Side">The side, where it has two and the view can tell them apart.</param>
/// <param name="View">The view.</param>
/// <param name="Paths">The tape's path.</param>
/// <param name="Landmarks">The places it runs between.</param>
/// <param name="Dimension">A dimension line's two ends, clear of the head; empty for a girth.</param>
/// <param name="Behind">Where the tape runs behind the head.</param>
public sealed record MeasureMark(
    Measure Measure,
    Side? Side,
    DrawingView View,
    IReadOnlyList<IReadOnlyList<PointMm>> Paths,
    IReadOnlyList<LandmarkPoint> Landmarks,
    IReadOnlyList<PointMm> Dimension,
    IReadOnlyList<IReadOnlyList<PointMm>> Behind
);

/// <summary>A dog's head from the side, from above and from the front, to scale from its own numbers.</summary>
/// <remarks>
/// Snout, eye line, hinge, lower border and section are the model's and exact; base of the skull, stop, eye spacing and skull width are
/// as read where they were. The rest is drawn in proportion and by what the dog looks like, so that a person sees this dog; no criterion reads it.
/// </remarks>
public sealed record HeadDrawing(
    DrawnView Side,
    DrawnView Above,
    DrawnView FromTheFront,
    PointMm Hinge,
    PointMm EyeCorner,
    PointMm HighNeckTop,
    PointMm HighNeckUnder,
    Stroke Section,
    IReadOnlyList<MeasureMark> Marks
)
{
    /// <summary>The model a drawing uses before a dog is measured: usual lengths wherever a reading is missing.</summary>
    public static SnoutModel ModelToDraw(SnoutNumbers numbers, Mass? bodyMass)
    {
        if (numbers.NoseToInnerEyeLeft is not null || numbers.NoseToInnerEyeRight is not null || numbers.FitLineLength is not null)
            return SnoutModel.From(numbers);
        var usual = PlausibleRange.Usual(Measure.NoseToInnerEye, numbers.HeadShape, bodyMass ?? Mass.FromKilograms(20), numbers.Rules);
        return SnoutModel.From(numbers with { NoseToInnerEyeLeft = usual });
    }

    /// <summary>Draws the head of a model.</summary>
    /// <param name="snout">Its lengths.</param>
    /// <param name="look">What it looks like besides; null for a dog nobody said anything of.</param>
    public static HeadDrawing Of(SnoutModel snout, HeadLook? look = null)
    {
        var sketch = new HeadSketch(snout);
        var looks = look ?? HeadLook.Plain;
        var side = new SideHead(snout, sketch, looks);
        var drawing = new HeadDrawing(
            side.Draw(),
            TopHead.Draw(snout, sketch, looks),
            FrontHead.Draw(snout, sketch, looks),
            snout.HingePoint,
            side.EyeCorner,
            side.NeckTop,
            side.NeckUnder,
            new Stroke(StrokePart.Section, SnoutSection.Outline(snout.Height.Value, snout.Width.Value), true),
            []
        );
        var marks = MeasureMarks.Of(snout, sketch, drawing);
        var labels = Enum.GetValues<DrawingView>().ToDictionary(v => v, v => new HeadLabels(v, drawing.In(v), marks));
        return drawing with { Marks = [.. marks.Select(m => labels[m.View].Placed(m))], LabelHeights = labels.ToDictionary(l => l.Key, l => l.Value.Height) };
    }

    /// <summary>One of its views.</summary>
    public DrawnView In(DrawingView view) =>
        view switch
        {
            DrawingView.Side => Side,
            DrawingView.Top => Above,
            _ => FromTheFront,
        };

    /// <summary>How high names are written in a view, mm.</summary>
    public double LabelHeight(DrawingView view) => LabelHeights[view];

    private Dictionary<DrawingView, double> LabelHeights { get; init; } = [];

    /// <summary>The small picture of a head for a badge.</summary>
    public static HeadPortrait Portrait(SnoutModel snout, HeadLook look) => HeadPortrait.Of(new SideHead(snout, new HeadSketch(snout), look).Draw());
}
