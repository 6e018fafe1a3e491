using UnitsNet;

namespace JauntyBadge.Core.Measuring.Photos;

/// <summary>One picture being worked on: the camera as it stood, and as it would have stood with everything observed moved a little.</summary>
internal sealed class PhotoWork
{
    /// <summary>Pixels a click is moved by to see what it does.</summary>
    private const double Step = 0.25;

    /// <summary>Millimetres; what is shorter is two landmarks placed on each other.</summary>
    private const double Shortest = 1;

    /// <summary>By how many squares of standard deviations another order of the corners has to fit better: odds of twenty to one.</summary>
    private const double Clearly = 6;

    /// <summary>Squares of standard deviations up to which a camera may have seen it so at all.</summary>
    private const double Believable = 6;

    private readonly PhotoQuestion question;
    private readonly CameraPose pose;
    private readonly List<(CameraPose Plus, CameraPose Minus)> corners = [];
    private readonly List<(CameraPose Plus, CameraPose Minus)> usual = [];
    private readonly double click;

    // A picture is never surer than one reading with a soft tape.
    private readonly double tape;

    public PhotoWork(PhotoQuestion question, IReadOnlyList<PixelPoint> ordered, Homography plane)
    {
        this.question = question;
        click = question.ClickPixels ?? question.Rules[PhotoRules.Click];
        var sigma = click * question.Rules[PhotoRules.CornerShare];
        tape = Uncertainty
            .OfMean([new Reading(default, null, Length.FromMillimeters(1), ReadingUnit.Mm, Tool.SoftTape)], Coat.Ordinary, question.Rules)
            .Millimeters;
        var (middle, off) = MiddleOf(question, ordered);
        if (question.Reference.Kind == ReferenceKind.Ruler)
        {
            // Two points cannot show a slant: the scale alone, as if four corners of a square lay around them square on.
            ordered = Square(ordered);
            plane = ReferencePlane.Of(question.Reference, [ordered[0], ordered[1]])!;
        }

        var places = Places(question.Reference, ordered);
        var isRuler = question.Reference.Kind == ReferenceKind.Ruler;
        CameraPose Found(IReadOnlyList<PixelPoint> at, PixelPoint through, CameraPose? from = null) => CameraPose.Of(at, places, sigma, through, from);
        pose = Found(ordered, middle);
        var moved = pose.Moved(ordered, places, sigma);
        if (isRuler)
        {
            // The square hangs on its two marks alone.
            for (var i = 0; i < 2; i++)
            {
                foreach (var (dx, dy) in new[] { (sigma, 0.0), (0.0, sigma) })
                    corners.Add((Found(With(ordered, i, dx, dy), middle, pose), Found(With(ordered, i, -dx, -dy), middle, pose)));
            }

            usual.Add(moved[^CameraPose.Usual]);
        }
        else
        {
            corners.AddRange(moved.Take(moved.Count - CameraPose.Usual));
            usual.AddRange(moved.Skip(moved.Count - CameraPose.Usual));
        }

        if (off > 0)
        {
            foreach (var (dx, dy) in new[] { (off, 0.0), (0.0, off) })
                usual.Add((Found(ordered, new(middle.X + dx, middle.Y + dy), pose), Found(ordered, new(middle.X - dx, middle.Y - dy), pose)));
        }

        SlantRad = isRuler ? 0 : pose.SlantRad;
    }

    /// <summary>
    /// The corners in the order in which a camera could have seen them: as given, or begun one further round. A sheet far turned away and one that stands on its short side can look
    /// alike in outline; how its far edge shrinks tells them apart.
    /// </summary>
    /// <param name="question">The picture, its reference a card or sheet.</param>
    /// <param name="ordered">The corners around it.</param>
    public static IReadOnlyList<PixelPoint> Likelier(PhotoQuestion question, IReadOnlyList<PixelPoint> ordered)
    {
        if (question.Reference.Kind == ReferenceKind.Ruler)
            return ordered;
        var sigma = (question.ClickPixels ?? question.Rules[PhotoRules.Click]) * question.Rules[PhotoRules.CornerShare];
        var (middle, _) = MiddleOf(question, ordered);
        double Misfit(IReadOnlyList<PixelPoint> corners)
        {
            var places = Places(question.Reference, corners);
            return CameraPose.Of(corners, places, sigma, middle).Misfit(corners, places, sigma);
        }

        var given = Misfit(ordered);
        if (given <= Clearly)
            return ordered;
        IReadOnlyList<PixelPoint> turned = [ordered[1], ordered[2], ordered[3], ordered[0]];
        var other = Misfit(turned);
        return other < Believable && other + Clearly < given ? turned : ordered;
    }

    /// <summary>How far the reference is turned away from the camera.</summary>
    public double SlantRad { get; }

    /// <summary>How far away the camera seems to be.</summary>
    public double DistanceMm => pose.DistanceMm;

    /// <summary>The measure, or null when its landmarks lie on each other.</summary>
    public PhotoMeasure? Measure(PhotoFormula formula)
    {
        var landmarks = formula.Uses.Select(l => question.Landmarks[l]).ToArray();
        var (spacing, spacingDoubt) = Spacing();
        var (height, heightDoubt) = Height();
        double Value(CameraPose with, PixelPoint[] at, double eyes, double high, double nearer = 0, int one = -1) =>
            formula.Of(
                [
                    .. at.Select(
                        (l, i) =>
                            with.At(l, PhotoMeasures.DepthOf(formula.Uses[i], question.View, eyes, high, question.Rules) + (one < 0 || one == i ? nearer : 0))
                    ),
                ],
                eyes
            );
        var value = Value(pose, landmarks, spacing, height);
        if (!(value > Shortest))
            return null;
        double Half(double plus, double minus) => (plus - minus) / 2;
        var clicks = 0.0;
        for (var i = 0; i < landmarks.Length; i++)
        {
            foreach (var (dx, dy) in new[] { (Step, 0.0), (0.0, Step) })
            {
                var (plus, minus) = ((PixelPoint[])landmarks.Clone(), (PixelPoint[])landmarks.Clone());
                plus[i] = new(plus[i].X + dx, plus[i].Y + dy);
                minus[i] = new(minus[i].X - dx, minus[i].Y - dy);
                clicks += Math.Pow(Half(Value(pose, plus, spacing, height), Value(pose, minus, spacing, height)) / Step, 2);
            }
        }

        var reference = corners.Sum(m => Math.Pow(Half(Value(m.Plus, landmarks, spacing, height), Value(m.Minus, landmarks, spacing, height)), 2));
        var camera = usual.Sum(m => Math.Pow(Half(Value(m.Plus, landmarks, spacing, height), Value(m.Minus, landmarks, spacing, height)), 2));

        // What is known of depths only so well: the spacing of the eyes, the snout's height, each landmark's own, and the reference's plane itself.
        var depths =
            Math.Pow(Half(Value(pose, landmarks, spacing + spacingDoubt, height), Value(pose, landmarks, spacing - spacingDoubt, height)), 2)
            + Math.Pow(Half(Value(pose, landmarks, spacing, height + heightDoubt), Value(pose, landmarks, spacing, height - heightDoubt)), 2);
        if (question.View == PhotoView.Top)
        {
            var own = question.Rules[PhotoRules.DepthDoubt].Millimeters;
            for (var i = 0; i < landmarks.Length; i++)
                depths += Math.Pow(Half(Value(pose, landmarks, spacing, height, own, i), Value(pose, landmarks, spacing, height, -own, i)), 2);
        }

        // The nearer the camera, the more it matters how far off the plane the reference was held.
        var offset = value * question.Rules[PhotoRules.PlaneOffset] * Math.Max(1, PhotoRules.UsualDistance.Ours.Millimeters / DistanceMm) / Math.Sqrt(3);
        var slant = question.Reference.Kind == ReferenceKind.Ruler ? value * (1 - Math.Cos(question.Rules[PhotoRules.RulerSlant].Radians)) / Math.Sqrt(3) : 0;
        var assumed = formula.Assumed([.. landmarks.Select(l => pose.At(l, 0))], value);
        var fromPlane = Math.Sqrt(offset * offset + slant * slant + camera + depths + assumed * assumed);
        var (fromClicks, fromReference) = (click * Math.Sqrt(clicks), Math.Sqrt(reference));
        return new PhotoMeasure(
            formula.Measure,
            formula.Side,
            Length.FromMillimeters(value),
            Length.FromMillimeters(Math.Max(tape, Math.Sqrt(fromClicks * fromClicks + fromReference * fromReference + fromPlane * fromPlane))),
            Length.FromMillimeters(fromClicks),
            Length.FromMillimeters(fromReference),
            Length.FromMillimeters(fromPlane),
            formula.How,
            question.HeadShape is null && formula.How is (PhotoWay.MadeSlantedBetween or PhotoWay.OverTheStop)
        );
    }

    /// <summary>The inner eye spacing as known, else as usual for the head shape and an eye line as seen; with its doubt.</summary>
    private (double Mm, double Doubt) Spacing()
    {
        if (question.InnerEyeSpacing is { } known)
            return (known.Mean.Millimeters, known.StandardUncertainty.Millimeters);
        var eye = EyeLine();
        return (
            PhotoRules.ByShape(question.HeadShape, question.Rules, SnoutRules.SpacingRatio) * eye,
            question.Rules[question.HeadShape is null ? PhotoRules.SpacingSpan : PhotoRules.SpacingDoubt] * eye
        );
    }

    /// <summary>The snout's height as known, else as usual; it tells how deep landmarks lie in a picture from above.</summary>
    private (double Mm, double Doubt) Height()
    {
        if (question is { View: PhotoView.Top, OtherExtent: { } known })
            return (known.Mean.Millimeters, known.StandardUncertainty.Millimeters);
        var usualHeight =
            EyeLine()
            * PhotoRules.ByShape(question.HeadShape, question.Rules, SnoutRules.WidthRatio)
            * PhotoRules.ByShape(question.HeadShape, question.Rules, SnoutRules.HeightRatio);
        return (usualHeight, usualHeight * (question.HeadShape is null ? 2 : 1) * question.Rules[CompletedMeasures.AssumedDoubt]);
    }

    /// <summary>Nose tip to eye as far as it was marked, in the reference's plane; 0 where it was not.</summary>
    private double EyeLine()
    {
        var eye = new[] { Landmark.InnerEye, Landmark.InnerEyeLeft, Landmark.InnerEyeRight }
            .Where(question.Landmarks.ContainsKey)
            .Select(l => pose.At(question.Landmarks[l], 0))
            .ToList();
        if (eye.Count == 0 || !question.Landmarks.TryGetValue(Landmark.NoseTip, out var tip))
            return 0;
        var nose = pose.At(tip, 0);
        return eye.Average(e => Math.Sqrt(Math.Pow(e.X - nose.X, 2) + Math.Pow(e.Y - nose.Y, 2)));
    }

    /// <summary>The middle of the picture, and how far it may be off where its size is not known.</summary>
    private static (PixelPoint Middle, double Off) MiddleOf(PhotoQuestion question, IReadOnlyList<PixelPoint> corners)
    {
        if (question.PictureSize is { } size)
            return (new(size.Width / 2, size.Height / 2), 0);
        List<PixelPoint> all = [.. corners, .. question.Landmarks.Values];
        var (left, right, top, bottom) = (all.Min(p => p.X), all.Max(p => p.X), all.Min(p => p.Y), all.Max(p => p.Y));
        return (new((left + right) / 2, (top + bottom) / 2), question.Rules[PhotoRules.MiddleDoubt] * Math.Max(right - left, bottom - top));
    }

    /// <summary>The square over a ruler with one of its marks moved.</summary>
    private static IReadOnlyList<PixelPoint> With(IReadOnlyList<PixelPoint> marks, int mark, double dx, double dy)
    {
        PixelPoint[] moved = [marks[0], marks[1]];
        moved[mark] = new(moved[mark].X + dx, moved[mark].Y + dy);
        return Square(moved);
    }

    /// <summary>A square over a ruler's two marks.</summary>
    private static IReadOnlyList<PixelPoint> Square(IReadOnlyList<PixelPoint> marks)
    {
        var (dx, dy) = (marks[1].X - marks[0].X, marks[1].Y - marks[0].Y);
        return [marks[0], marks[1], new(marks[1].X - dy, marks[1].Y + dx), new(marks[0].X - dy, marks[0].Y + dx)];
    }

    /// <summary>The reference's corners in mm from its middle, running the same way round as on the picture.</summary>
    private static PointMm[] Places(PhotoReference reference, IReadOnlyList<PixelPoint> ordered)
    {
        var (l, s) = PhotoRules.Size(reference.Kind) is { } size
            ? (size.Long.Millimeters / 2, size.Short.Millimeters / 2)
            : (reference.Length!.Value.Millimeters / 2, reference.Length.Value.Millimeters / 2);
        var (a, b, c) = (ordered[0], ordered[1], ordered[2]);
        var way = Math.Sign((b.X - a.X) * (c.Y - b.Y) - (b.Y - a.Y) * (c.X - b.X));
        return [new(-l, -s * way), new(l, -s * way), new(l, s * way), new(-l, s * way)];
    }
}
