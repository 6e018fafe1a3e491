namespace JauntyBadge.Core.Measuring.Photos;

/// <summary>How one measure follows from landmarks in the plane.</summary>
/// <param name="Measure">Which measure.</param>
/// <param name="Side">Its side, where it has two.</param>
/// <param name="Uses">The landmarks, in the order the formula takes them.</param>
/// <param name="Of">The length in mm from their places and the inner eye spacing.</param>
/// <param name="Assumed">Standard uncertainty in mm that something assumed adds, from the places and the value.</param>
/// <param name="How">In which way.</param>
internal sealed record PhotoFormula(
    Measure Measure,
    Side? Side,
    IReadOnlyList<Landmark> Uses,
    Func<PointMm[], double, double> Of,
    Func<PointMm[], double, double> Assumed,
    PhotoWay How
);

/// <summary>The measures that landmarks give, view by view.</summary>
internal static class PhotoMeasures
{
    /// <summary>Every measure whose landmarks were placed.</summary>
    public static IEnumerable<PhotoFormula> For(PhotoQuestion question) =>
        (question.View == PhotoView.Side ? FromTheSide(question) : FromAbove())
            .Where(f => f.Uses.All(question.Landmarks.ContainsKey))
            .DistinctBy(f => (f.Measure, f.Side));

    /// <summary>How far a landmark lies from the reference's plane towards the camera, mm.</summary>
    /// <param name="landmark">The landmark.</param>
    /// <param name="view">From where the picture was taken.</param>
    /// <param name="spacing">Inner eye spacing, mm.</param>
    /// <param name="height">Snout height, mm.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static double DepthOf(Landmark landmark, PhotoView view, double spacing, double height, HouseRules rules) =>
        view == PhotoView.Side
            ? landmark == Landmark.InnerEye
                ? PhotoRules.SideDepth.Ours * spacing
                : 0
            : height
                * (
                    rules[PhotoRules.CardLevel]
                    - landmark switch
                    {
                        Landmark.Stop or Landmark.Occiput => 0,
                        Landmark.SnoutLeft or Landmark.SnoutRight => 0.5,
                        Landmark.SkullLeft or Landmark.SkullRight => 0.25,
                        _ => 0.055,
                    }
                );

    private static IEnumerable<PhotoFormula> FromTheSide(PhotoQuestion question)
    {
        // Seen from the side, the nose to inner eye is straight ahead; the tape also goes half the eye spacing sideways.
        yield return new(
            Measure.NoseToInnerEye,
            question.Side,
            [Landmark.NoseTip, Landmark.InnerEye],
            (p, spacing) => Math.Sqrt(Math.Pow(Distance(p[0], p[1]), 2) + spacing * spacing / 4),
            (_, _) => 0,
            question.InnerEyeSpacing is not null ? PhotoWay.MadeSlanted
                : question.HeadShape is null ? PhotoWay.MadeSlantedBetween
                : PhotoWay.MadeSlantedAsUsual
        );
        foreach (var level in new[] { true, false })
        {
            var along = level ? new[] { Landmark.BridgeFront, Landmark.BridgeBack } : [Landmark.NoseTip, Landmark.InnerEye];
            var how = level ? PhotoWay.AlongTheLevel : PhotoWay.AlongNoseToEye;
            double Assumed(PointMm[] p) => level ? 0 : Across(p) * Math.Tan(question.Rules[PhotoRules.LevelDoubt].Radians);
            yield return new(Measure.JawToNose, null, [Landmark.NoseTip, Landmark.ThroatBump, .. along], (p, _) => Along(p), (p, _) => Assumed(p), how);
            yield return new(Measure.FitLineLength, null, [Landmark.NoseTip, Landmark.FitLineTop, .. along], (p, _) => Along(p), (p, _) => Assumed(p), how);
        }

        yield return Straight(Measure.SnoutHeight, Landmark.FitLineTop, Landmark.FitLineUnder);
        yield return Straight(Measure.StopToNose, Landmark.Stop, Landmark.NoseTip);
        yield return Straight(Measure.StopToOcciput, Landmark.Stop, Landmark.Occiput);
        yield return new(
            Measure.NoseToOcciput,
            null,
            [Landmark.NoseTip, Landmark.Stop, Landmark.Occiput],
            (p, _) => Dome(question) * (Distance(p[0], p[1]) + Distance(p[1], p[2])),
            (_, value) => Math.Max(question.Rules[PhotoRules.SkullCurve], question.HeadShape is null ? (Dome(question) - 1) / Dome(question) : 0) * value,
            PhotoWay.OverTheStop
        );
    }

    /// <summary>How much longer the tape over the dome is than the two straight lines; half of it where nobody said the head's shape.</summary>
    private static double Dome(PhotoQuestion question) =>
        question.HeadShape switch
        {
            HeadShape.Short => question.Rules[PhotoRules.ShortSkullCurve],
            null => (1 + question.Rules[PhotoRules.ShortSkullCurve]) / 2,
            _ => 1,
        };

    /// <summary>From above the landmarks lie at different heights, each met in its own.</summary>
    private static IEnumerable<PhotoFormula> FromAbove()
    {
        yield return Straight(Measure.NoseToInnerEye, Landmark.NoseTip, Landmark.InnerEyeLeft, Side.Left);
        yield return Straight(Measure.NoseToInnerEye, Landmark.NoseTip, Landmark.InnerEyeRight, Side.Right);
        yield return Straight(Measure.InnerEyeSpacing, Landmark.InnerEyeLeft, Landmark.InnerEyeRight);
        yield return Straight(Measure.SnoutWidth, Landmark.SnoutLeft, Landmark.SnoutRight);
        yield return Straight(Measure.SkullWidth, Landmark.SkullLeft, Landmark.SkullRight);
        yield return Straight(Measure.StopToNose, Landmark.Stop, Landmark.NoseTip);
        yield return Straight(Measure.StopToOcciput, Landmark.Stop, Landmark.Occiput);
    }

    private static PhotoFormula Straight(Measure measure, Landmark from, Landmark to, Side? side = null) =>
        new(measure, side, [from, to], (p, _) => Distance(p[0], p[1]), (_, _) => 0, PhotoWay.Straight);

    private static double Distance(PointMm a, PointMm b) => Math.Sqrt(Math.Pow(a.X - b.X, 2) + Math.Pow(a.Y - b.Y, 2));

    /// <summary>From the first to the second point, along the line through the third and fourth.</summary>
    private static double Along(PointMm[] p)
    {
        var level = Distance(p[2], p[3]);
        return Math.Abs((p[1].X - p[0].X) * (p[3].X - p[2].X) + (p[1].Y - p[0].Y) * (p[3].Y - p[2].Y)) / level;
    }

    /// <summary>The same, square to that line.</summary>
    private static double Across(PointMm[] p)
    {
        var level = Distance(p[2], p[3]);
        return Math.Abs((p[1].X - p[0].X) * (p[3].Y - p[2].Y) - (p[1].Y - p[0].Y) * (p[3].X - p[2].X)) / level;
    }
}

/// <summary>The landmarks that can be placed in each view, in the order of placing.</summary>
public static class PhotoLandmarks
{
    private static readonly Landmark[] Side =
    [
        Landmark.NoseTip,
        Landmark.InnerEye,
        Landmark.BridgeFront,
        Landmark.BridgeBack,
        Landmark.FitLineTop,
        Landmark.FitLineUnder,
        Landmark.ThroatBump,
        Landmark.Stop,
        Landmark.Occiput,
    ];

    private static readonly Landmark[] Top =
    [
        Landmark.NoseTip,
        Landmark.InnerEyeLeft,
        Landmark.InnerEyeRight,
        Landmark.SnoutLeft,
        Landmark.SnoutRight,
        Landmark.Stop,
        Landmark.Occiput,
        Landmark.SkullLeft,
        Landmark.SkullRight,
    ];

    public static IReadOnlyList<Landmark> For(PhotoView view) => view == PhotoView.Side ? Side : Top;
}
