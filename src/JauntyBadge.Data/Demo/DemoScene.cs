using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Heads;
using JauntyBadge.Core.Measuring.Photos;
using UnitsNet;

namespace JauntyBadge.Data.Demo;

/// <summary>A shape to be drawn.</summary>
/// <param name="Points">Its edge.</param>
/// <param name="Closed">It is a field, not a line.</param>
/// <param name="Colour">Of the field, or of the line.</param>
/// <param name="Is">What it shows.</param>
/// <param name="Inside">It is seen inside the head's outline only.</param>
/// <param name="Opacity">0 to 1.</param>
internal sealed record SceneShape(IReadOnlyList<ScenePoint> Points, bool Closed, string Colour, SceneStuff Is, bool Inside = false, double Opacity = 1);

/// <summary>What a shape shows, for how it is painted.</summary>
internal enum SceneStuff
{
    /// <summary>Hair grows on it.</summary>
    Coat,

    /// <summary>Eye and nose: nothing grows there.</summary>
    Bare,

    /// <summary>The card.</summary>
    Card,
}

/// <summary>An invented head with a card beside it, in three dimensions.</summary>
internal sealed record DemoScene(
    IReadOnlyList<SceneShape> Shapes,
    IReadOnlyList<ScenePoint> Outline,
    IReadOnlyList<ScenePoint> Card,
    IReadOnlyDictionary<Landmark, ScenePoint> Landmarks,
    IReadOnlyDictionary<MeasureLine, Length> Truth
)
{
    /// <summary>Hair lies over the inside of an ear.</summary>
    private const double Dim = 0.3;

    /// <summary>A mouth's line, a crease, a lid: darker than any coat.</summary>
    private const string Dark = "#241a12";
    private static readonly HeadLook Look = new(Ears.Tipped, 0.25, Fur.Long, CoatPattern.BlazeAndCollar, CoatHex: "#6d5a46");
    private static readonly EnamelPart[] OfEye = [EnamelPart.Eye, EnamelPart.Iris, EnamelPart.Pupil, EnamelPart.Glint, EnamelPart.Lid];
    private static readonly EnamelPart[] Bare = [EnamelPart.Nose, EnamelPart.Nostril, .. OfEye];

    /// <summary>The head as seen from the side or from above.</summary>
    public static DemoScene Of(PhotoView view, SnoutModel head) => view == PhotoView.Side ? FromTheSide(head) : FromAbove(head);

    private static DemoScene FromTheSide(SnoutModel head)
    {
        var drawing = HeadDrawing.Of(head, Look);
        var (xe, xf, h, half) = (head.EyeLine.Mm, head.FitLine.Mm, head.Height.Mm, head.Numbers.InnerEyeSpacing!.Value.Millimeters / 2);
        var (stop, occiput) = (At(drawing, Measure.StopToOcciput, DrawingView.Side, 0), At(drawing, Measure.StopToOcciput, DrawingView.Side, 1));

        // The head hangs a little, nose down; the camera sees the dog's left, so its left eye is nearer than the plane of the card.
        var place = Placed(-120, -45, tiltDegrees: -7);
        ScenePoint P(double x, double y, double depth = 0) => place(x, y, depth);
        var landmarks = new Dictionary<Landmark, ScenePoint>
        {
            [Landmark.NoseTip] = P(0, 0.05 * h),
            [Landmark.InnerEye] = P(xe, 0.06 * h, -half),
            [Landmark.FitLineTop] = P(xf, 0),
            [Landmark.FitLineUnder] = P(xf, h),
            [Landmark.ThroatBump] = P(head.Hinge.Mm, h),
            [Landmark.BridgeFront] = P(0.25 * xe, 0),
            [Landmark.BridgeBack] = P(0.8 * xe, 0),
            [Landmark.Stop] = P(stop.X, stop.Y),
            [Landmark.Occiput] = P(occiput.X, occiput.Y),
        };
        var truth = Lengths(
            (new(Measure.NoseToInnerEye, Side.Left), head.Numbers.NoseToInnerEyeLeft!.Value.Millimeters),
            (new(Measure.FitLineLength), xf),
            (new(Measure.SnoutHeight), h),
            (new(Measure.JawToNose), head.Hinge.Mm),
            (new(Measure.StopToNose), Apart(new(0, 0.05 * h), stop)),
            (new(Measure.StopToOcciput), Apart(stop, occiput)),
            (new(Measure.NoseToOcciput), Apart(new(0, 0.05 * h), stop) + Apart(stop, occiput))
        );
        return new DemoScene(
            [.. FieldsOf(drawing.Side, (p, part) => P(p.X, p.Y, OfEye.Contains(part) ? -half : 0)), .. CardShapes(CardAt(-105, 88, 4))],
            [.. drawing.Side.Contour.Points().Select(p => P(p.X, p.Y))],
            CardAt(-105, 88, 4),
            landmarks,
            truth
        );
    }

    private static DemoScene FromAbove(SnoutModel head)
    {
        var drawing = HeadDrawing.Of(head, Look);
        var (h, w) = (head.Height.Mm, head.Width.Mm / 2);

        // Depth down from the level of the card, which is held level with the upper lips.
        var level = 0.3 * h;
        var place = Placed(-115, -30, tiltDegrees: 5);
        ScenePoint P(PointMm p, double down) => place(p.X, p.Y, down - level);
        PointMm Mark(Measure measure, int end, Side? side = null) => At(drawing, measure, DrawingView.Top, end, side);
        var (nose, left, right) = (Mark(Measure.StopToNose, 0), Mark(Measure.NoseToInnerEye, 1, Side.Left), Mark(Measure.NoseToInnerEye, 1, Side.Right));
        var (stop, occiput, skull) = (Mark(Measure.StopToNose, 1), Mark(Measure.StopToOcciput, 1), Mark(Measure.SkullWidth, 1));
        var landmarks = new Dictionary<Landmark, ScenePoint>
        {
            [Landmark.NoseTip] = P(nose, 0.05 * h),
            [Landmark.InnerEyeLeft] = P(left, 0.06 * h),
            [Landmark.InnerEyeRight] = P(right, 0.06 * h),
            [Landmark.SnoutLeft] = P(new(head.FitLine.Mm, w), 0.5 * h),
            [Landmark.SnoutRight] = P(new(head.FitLine.Mm, -w), 0.5 * h),
            [Landmark.SkullLeft] = P(skull, 0.25 * h),
            [Landmark.SkullRight] = P(new(skull.X, -skull.Y), 0.25 * h),
            [Landmark.Stop] = P(stop, 0),
            [Landmark.Occiput] = P(occiput, 0),
        };
        var eye = head.Numbers.NoseToInnerEyeLeft!.Value.Millimeters;
        var truth = Lengths(
            (new(Measure.NoseToInnerEye, Side.Left), eye),
            (new(Measure.NoseToInnerEye, Side.Right), eye),
            (new(Measure.InnerEyeSpacing), Apart(left, right)),
            (new(Measure.SnoutWidth), 2 * w),
            (new(Measure.SkullWidth), 2 * Math.Abs(skull.Y)),
            (new(Measure.StopToNose), Apart(nose, stop)),
            (new(Measure.StopToOcciput), Apart(stop, occiput))
        );
        return new DemoScene(
            [
                .. FieldsOf(drawing.Above, (p, part) => P(p, OfEye.Contains(part) || part == EnamelPart.Nose ? 0.06 * h : 0.3 * h)),
                .. CardShapes(CardAt(-100, 72, -3)),
            ],
            [.. drawing.Above.Contour.Points().Select(p => P(p, 0.3 * h))],
            CardAt(-100, 72, -3),
            landmarks,
            truth
        );
    }

    /// <summary>The fields of a drawn head where the camera sees them: without the lines that bound them on a badge, and with the mouth shut.</summary>
    private static IEnumerable<SceneShape> FieldsOf(DrawnView view, Func<PointMm, EnamelPart, ScenePoint> at) =>
        view
            .Fields.Where(f => f.Part is not (EnamelPart.Tongue or EnamelPart.Teeth) && (f.Part != EnamelPart.Fur || f.Fill is not null))
            .Select(f =>
            {
                var closed = f.Curve.Closed && f.Fill is not null;
                var stuff = Bare.Contains(f.Part) ? SceneStuff.Bare : SceneStuff.Coat;
                return new SceneShape(
                    [.. f.Curve.Points().Select(p => at(p, f.Part))],
                    closed,
                    closed ? f.Fill! : Dark,
                    stuff,
                    f.Inside,
                    f.Part == EnamelPart.InnerEar ? Dim * f.Opacity : f.Opacity
                );
            });

    private static PointMm At(HeadDrawing drawing, Measure measure, DrawingView view, int end, Side? side = null) =>
        drawing.Marks.Single(m => m.Measure == measure && m.View == view && m.Side == side).Landmarks[end].At;

    /// <summary>Puts the head's own coordinates into the scene: turned about the nose, then moved.</summary>
    private static Func<double, double, double, ScenePoint> Placed(double x0, double y0, double tiltDegrees)
    {
        var (cos, sin) = (Math.Cos(tiltDegrees * Math.PI / 180), Math.Sin(tiltDegrees * Math.PI / 180));
        return (x, y, depth) => new ScenePoint(x0 + x * cos - y * sin, y0 + x * sin + y * cos, depth);
    }

    private static ScenePoint[] CardAt(double x0, double y0, double tiltDegrees)
    {
        var place = Placed(x0, y0, tiltDegrees);
        var (l, s) = (PhotoRules.CardLong.Ours.Millimeters, PhotoRules.CardShort.Ours.Millimeters);
        return [place(0, 0, 0), place(l, 0, 0), place(l, s, 0), place(0, s, 0)];
    }

    private static IEnumerable<SceneShape> CardShapes(ScenePoint[] card)
    {
        yield return new(card, true, "#f7f3e8", SceneStuff.Card);
        ScenePoint Inside(double along, double down) =>
            new(
                card[0].X + along * (card[1].X - card[0].X) + down * (card[3].X - card[0].X),
                card[0].Y + along * (card[1].Y - card[0].Y) + down * (card[3].Y - card[0].Y),
                0
            );
        ScenePoint[] Box(double left, double top, double right, double bottom) =>
            [Inside(left, top), Inside(right, top), Inside(right, bottom), Inside(left, bottom)];
        yield return new(Box(0.08, 0.14, 0.34, 0.62), true, "#e3a11b", SceneStuff.Card);
        yield return new(Box(0.42, 0.18, 0.90, 0.28), true, "#2f4d46", SceneStuff.Card);
        yield return new(Box(0.42, 0.40, 0.76, 0.47), true, "#8b968f", SceneStuff.Card);
        yield return new(Box(0.08, 0.76, 0.90, 0.84), true, "#8b968f", SceneStuff.Card);
    }

    private static Dictionary<MeasureLine, Length> Lengths(params (MeasureLine Line, double Mm)[] measures) =>
        measures.ToDictionary(m => m.Line, m => Length.FromMillimeters(m.Mm));

    private static double Apart(PointMm a, PointMm b) => Math.Sqrt(Math.Pow(a.X - b.X, 2) + Math.Pow(a.Y - b.Y, 2));
}
