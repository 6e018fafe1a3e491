using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>A line of a drawing, mm.</summary>
public sealed record Stroke(string Name, IReadOnlyList<PointMm> Points, bool Closed);

/// <summary>Where one measure runs on the drawing.</summary>
public sealed record MeasureMark(Measure Measure, IReadOnlyList<IReadOnlyList<PointMm>> Paths, bool InSection);

/// <summary>A dog's head in side view with the section across its snout, to scale from its own numbers.</summary>
/// <remarks>
/// The snout, eye line, hinge and lower border are the model's and exact. Skull, neck and ear behind them are a sketch in proportion,
/// so that a person sees a dog; no criterion reads them.
/// </remarks>
public sealed record HeadDrawing(
    IReadOnlyList<Stroke> Head, Stroke Jaw, PointMm Hinge, PointMm EyeCorner, PointMm HighNeckTop, PointMm HighNeckUnder,
    Stroke Section, IReadOnlyList<MeasureMark> Marks)
{
    // Facial length over skull length, from the average skulls of Miller's Anatomy of the Dog (recalled); the rise of the skull
    // over the bridge line as a share of skull length is a sketch (House).
    private static (double FaceShare, double Rise) Sketch(HeadShape shape) => shape switch
    {
        HeadShape.Long => (0.479, 0.11),
        HeadShape.Short => (0.378, 0.27),
        _ => (0.471, 0.17),
    };

    /// <summary>The model a drawing uses before a dog is measured: usual lengths wherever a reading is missing.</summary>
    public static SnoutModel ModelToDraw(SnoutNumbers numbers, Mass? bodyMass)
    {
        var mass = bodyMass ?? Mass.FromKilograms(20);
        var usual = PlausibleRange.Usual(Measure.NoseToInnerEye, numbers.HeadShape, mass);
        return SnoutModel.From(numbers with { NoseToInnerEyeLeft = numbers.NoseToInnerEyeLeft ?? numbers.NoseToInnerEyeRight ?? usual });
    }

    /// <summary>Draws the head of a model.</summary>
    public static HeadDrawing Of(SnoutModel snout)
    {
        var (xe, h) = (snout.EyeLine.Mm, snout.Height.Mm);
        var (faceShare, rise) = Sketch(snout.HeadShape);
        var skull = xe / faceShare;
        var behind = skull - xe;
        var top = -rise * skull;
        var corner = new PointMm(snout.FitLine.Mm * 0.93, 0.64 * h);
        var neck = (snout.NeckGirth?.Millimeters ?? snout.Girth.Mm * 1.55) / Math.PI;
        var neckTop = new PointMm(skull + 0.10 * neck, 0.25 * top);
        var neckUnder = Below(neckTop, neck, snout.Hinge.Mm * 1.04);

        // Back along the neck, square to the line the collar lies on.
        PointMm Back(PointMm from, double share) => new(
            from.X + share * (neckUnder.Y - neckTop.Y), from.Y + share * (neckTop.X - neckUnder.X));
        var middle = new PointMm((neckTop.X + neckUnder.X) / 2, (neckTop.Y + neckUnder.Y) / 2);

        var head = Smooth.Loop(
        [
            new(0, 0.12 * h), new(0.03 * xe, 0.01 * h), new(0.13 * xe, -0.015 * h), new(0.45 * xe, 0), new(0.82 * xe, 0),
            new(xe, 0.30 * top), new(xe + 0.14 * behind, 0.72 * top), new(xe + 0.42 * behind, top), new(xe + 0.78 * behind, 0.82 * top),
            neckTop, Back(neckTop, 0.40), Back(middle, 0.46), Back(neckUnder, 0.40), neckUnder,
            new(snout.Hinge.Mm * 0.97, 0.99 * h), new((snout.Hinge.Mm + corner.X) / 2, 0.84 * h), corner,
            new(0.50 * xe, 0.70 * h), new(0.16 * xe, 0.67 * h), new(0.045 * xe, 0.50 * h), new(0.02 * xe, 0.30 * h),
        ]);
        var ear = Smooth.Loop(
        [
            new(xe + 0.50 * behind, 0.90 * top), new(xe + 0.74 * behind, 0.80 * top), new(xe + 0.95 * behind, 0.05 * h),
            new(xe + 0.90 * behind, 0.62 * h), new(xe + 0.66 * behind, 0.66 * h), new(xe + 0.50 * behind, 0.10 * h),
        ]);
        var nose = Smooth.Loop([new(0, 0.11 * h), new(0.04 * xe, 0), new(0.14 * xe, -0.015 * h), new(0.13 * xe, 0.15 * h), new(0.05 * xe, 0.24 * h)]);
        var eyeCorner = new PointMm(xe, 0.06 * h);
        var eye = Smooth.Loop([eyeCorner, new(xe + 0.07 * behind, -0.05 * h), new(xe + 0.14 * behind, 0.0), new(xe + 0.08 * behind, 0.07 * h)]);
        var jaw = new Stroke(
            "jaw",
            [
                .. snout.LowerBorder, snout.HingePoint,
                .. Smooth.Through([snout.HingePoint, corner, new(0.40 * xe, 0.66 * h), new(0.09 * xe, 0.62 * h), snout.Chin]),
            ],
            Closed: true);

        return new HeadDrawing(
            [new("head", head, true), new("ear", ear, true), new("nose", nose, true), new("eye", eye, true)],
            jaw, snout.HingePoint, eyeCorner, neckTop, neckUnder,
            new Stroke("section", SnoutSection.Outline(snout.Height.Value, snout.Width.Value), true),
            MarksOf(snout, eyeCorner, neckTop, neckUnder));
    }

    /// <summary>The point a neck's thickness away from another, at x where the thickness reaches that far.</summary>
    private static PointMm Below(PointMm from, double thickness, double x)
    {
        var across = Math.Min(Math.Abs(from.X - x), 0.7 * thickness);
        return new PointMm(from.X - across, from.Y + Math.Sqrt(thickness * thickness - across * across));
    }

    private static List<MeasureMark> MarksOf(SnoutModel snout, PointMm eyeCorner, PointMm neckTop, PointMm neckUnder)
    {
        var (xf, h, w) = (snout.FitLine.Mm, snout.Height.Mm, snout.Width.Mm);
        var level = h * 1.32;
        var section = SnoutSection.Outline(snout.Height.Value, snout.Width.Value);
        return
        [
            new(Measure.NoseToInnerEye, [[new(0, 0), eyeCorner]], false),
            new(Measure.SnoutGirth, [Smooth.Ring(new(xf, 0), new(xf, h), 0.16)], false),
            new(Measure.SnoutGirth, [[.. section, section[0]]], true),
            new(Measure.SnoutHeight, [[new(xf, 0), new(xf, h)]], false),
            new(Measure.SnoutHeight, [[new(0, 0), new(0, h)]], true),
            new(Measure.SnoutWidth, [[new(-w / 2, h / 2), new(w / 2, h / 2)]], true),
            new(Measure.JawToNose, [[new(0, level), new(snout.Hinge.Mm, level)], [new(0, 0), new(0, level)], [new(snout.Hinge.Mm, h), new(snout.Hinge.Mm, level)]], false),
            new(Measure.NeckGirth, [Smooth.Ring(neckTop, neckUnder, 0.18)], false),
            new(Measure.InnerEyeSpacing, [Smooth.Ring(new(eyeCorner.X, eyeCorner.Y - h * 0.06), new(eyeCorner.X, eyeCorner.Y + h * 0.06), 1)], false),
        ];
    }
}
