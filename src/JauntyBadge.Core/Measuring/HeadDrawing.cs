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
    Jaw,
    Head,
    Ear,
    Nose,
    Eye,
    Mouth,

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
public sealed record LandmarkPoint(string Name, PointMm At);

/// <summary>Where one measure runs in one view.</summary>
/// <param name="Measure">Which measure.</param>
/// <param name="Side">The side, where it has two and the view can tell them apart.</param>
/// <param name="View">The view.</param>
/// <param name="Paths">The tape's path.</param>
/// <param name="Landmarks">The places it runs between.</param>
/// <param name="Dimension">A dimension line's two ends, clear of the head; empty for a girth.</param>
public sealed record MeasureMark(
    Measure Measure,
    Side? Side,
    DrawingView View,
    IReadOnlyList<IReadOnlyList<PointMm>> Paths,
    IReadOnlyList<LandmarkPoint> Landmarks,
    IReadOnlyList<PointMm> Dimension
);

/// <summary>A dog's head from the side, from above and from the front, to scale from its own numbers.</summary>
/// <remarks>
/// Snout, eye line, hinge, lower border and section are the model's and exact; base of the skull, stop, eye spacing and skull width are
/// as read where they were. The rest is a sketch in proportion, so that a person sees a dog; no criterion reads it.
/// </remarks>
public sealed record HeadDrawing(
    IReadOnlyList<Stroke> Head,
    Stroke Jaw,
    PointMm Hinge,
    PointMm EyeCorner,
    PointMm HighNeckTop,
    PointMm HighNeckUnder,
    Stroke Section,
    IReadOnlyList<Stroke> Top,
    IReadOnlyList<Stroke> Front,
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
    public static HeadDrawing Of(SnoutModel snout)
    {
        var sketch = new HeadSketch(snout);
        var (xe, h, top) = (snout.EyeLine.Mm, snout.Height.Mm, sketch.Top);
        var behind = sketch.Occiput - xe;
        var corner = new PointMm(snout.FitLine.Mm * 0.93, 0.64 * h);
        var neck = (snout.NeckGirth?.Millimeters ?? snout.Girth.Mm * 1.55) / Math.PI;
        var neckTop = new PointMm(sketch.Occiput + 0.10 * neck, 0.25 * top);
        var neckUnder = Below(neckTop, neck, snout.Hinge.Mm * 1.04);

        // Back along the neck, square to the line the collar lies on.
        PointMm Back(PointMm from, double share) => new(from.X + share * (neckUnder.Y - neckTop.Y), from.Y + share * (neckTop.X - neckUnder.X));
        var middle = new PointMm((neckTop.X + neckUnder.X) / 2, (neckTop.Y + neckUnder.Y) / 2);

        var head = Smooth.Loop([
            new(0, 0.12 * h),
            new(0.03 * xe, 0.01 * h),
            new(0.13 * xe, -0.015 * h),
            new(0.45 * xe, 0),
            new(0.82 * xe, 0),
            new(sketch.Stop, 0.24 * top),
            new(Math.Max(sketch.Behind(0.14), sketch.Stop + 0.08 * behind), 0.72 * top),
            new(sketch.Behind(0.5), top),
            new(sketch.Behind(0.8), 0.82 * top),
            neckTop,
            Back(neckTop, 0.40),
            Back(middle, 0.46),
            Back(neckUnder, 0.40),
            neckUnder,
            new(snout.Hinge.Mm * 0.97, 0.99 * h),
            new((snout.Hinge.Mm + corner.X) / 2, 0.84 * h),
            corner,
            new(0.50 * xe, 0.70 * h),
            new(0.16 * xe, 0.67 * h),
            new(0.045 * xe, 0.50 * h),
            new(0.02 * xe, 0.30 * h),
        ]);
        var ear = Smooth.Loop([
            new(sketch.Behind(0.50), 0.90 * top),
            new(sketch.Behind(0.74), 0.80 * top),
            new(sketch.Behind(0.95), 0.05 * h),
            new(sketch.Behind(0.90), 0.62 * h),
            new(sketch.Behind(0.66), 0.66 * h),
            new(sketch.Behind(0.50), 0.10 * h),
        ]);
        var nose = Smooth.Loop([new(0, 0.11 * h), new(0.04 * xe, 0), new(0.14 * xe, -0.015 * h), new(0.13 * xe, 0.15 * h), new(0.05 * xe, 0.24 * h)]);
        var eyeCorner = new PointMm(xe, 0.06 * h);
        var eye = Smooth.Loop([eyeCorner, new(sketch.Behind(0.07), -0.05 * h), new(sketch.Behind(0.14), 0.0), new(sketch.Behind(0.08), 0.07 * h)]);
        var jaw = new Stroke(
            StrokePart.Jaw,
            [
                .. snout.LowerBorder,
                snout.HingePoint,
                .. Smooth.Through([snout.HingePoint, corner, new(0.40 * xe, 0.66 * h), new(0.09 * xe, 0.62 * h), snout.Chin]),
            ],
            Closed: true
        );

        var drawing = new HeadDrawing(
            [new(StrokePart.Head, head, true), new(StrokePart.Ear, ear, true), new(StrokePart.Nose, nose, true), new(StrokePart.Eye, eye, true)],
            jaw,
            snout.HingePoint,
            eyeCorner,
            neckTop,
            neckUnder,
            new Stroke(StrokePart.Section, SnoutSection.Outline(snout.Height.Value, snout.Width.Value), true),
            HeadViews.FromAbove(snout, sketch),
            HeadViews.FromTheFront(snout, sketch),
            []
        );
        return drawing with { Marks = MeasureMarks.Of(snout, sketch, drawing) };
    }

    /// <summary>The point a neck's thickness away from another, at x where the thickness reaches that far.</summary>
    private static PointMm Below(PointMm from, double thickness, double x)
    {
        var across = Math.Min(Math.Abs(from.X - x), 0.7 * thickness);
        return new PointMm(from.X - across, from.Y + Math.Sqrt(thickness * thickness - across * across));
    }
}
