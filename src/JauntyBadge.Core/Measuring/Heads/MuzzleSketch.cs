namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>A basket as a few lines: on a snout, or standing. It stands for any muzzle.</summary>
internal static class MuzzleSketch
{
    /// <summary>Seen on light and on dark ground, at 3 : 1.</summary>
    public const string Bar = "#7f6d40";

    private const string Metal = "#d9c48a";

    /// <summary>On the small head of a whole dog: lines alone, for its bars would be all edge.</summary>
    public static IEnumerable<EnamelField> WornFine(SideHead head) => Worn(head).Select(f => f with { Fill = Metal, Line = null });

    /// <summary>On this head.</summary>
    public static IEnumerable<EnamelField> Worn(SideHead head)
    {
        var line = 0.02 * head.Xe;
        foreach (var bar in Worn(head, new PointMm(0, 0), line))
            yield return bar;
        var strap = Curve.Line(new Knot(0.90 * head.Xe, 0.52 * head.H), new Knot(head.X(0.5), 0.30 * head.H), new Knot(head.X(1.04), 0.55 * head.Top));
        yield return new(EnamelPart.Beside, Strokes.Band(0.07 * head.Xe, strap), Metal, Enamel.DarkLine, line);
    }

    /// <summary>The basket of this head, so far from where it is worn, without its straps.</summary>
    /// <param name="head">The head it is for.</param>
    /// <param name="away">How far it is from its seat.</param>
    /// <param name="line">The width of its lines.</param>
    public static IEnumerable<EnamelField> Worn(SideHead head, PointMm away, double line)
    {
        var (xe, h) = (head.Xe, head.H);
        Knot On(double x, double y) => new(away.X + x * xe, away.Y + y * h);
        EnamelField Of(double width, params Knot[] along) =>
            new(EnamelPart.Beside, Strokes.Band(width * Math.Max(xe, h), Curve.Line(along)), Metal, Enamel.DarkLine, line);
        foreach (var y in new[] { 0.20, 0.52, 0.84 })
            yield return Of(0.05, On(-0.19 + 0.05 * Math.Abs(y - 0.5), y), On(0.40, y + 0.02), On(0.88, y));
        foreach (var (x, top) in new[] { (0.10, -0.05), (0.46, -0.19) })
            yield return Of(0.05, On(x, top), On(x - 0.05, 0.5), On(x, 1.12));
        yield return Of(0.06, On(0.80, -0.10), On(0.30, -0.20), On(-0.10, -0.06), On(-0.22, 0.45), On(-0.06, 0.96), On(0.40, 1.16), On(0.84, 1.12));
        yield return Of(0.07, On(0.80, -0.14), On(0.90, 0.52), On(0.84, 1.16));
    }

    /// <summary>A treat.</summary>
    /// <param name="at">Its middle.</param>
    /// <param name="radius">How large it is.</param>
    /// <param name="line">The width of its line.</param>
    public static IEnumerable<EnamelField> Treat(PointMm at, double radius, double line) =>
        [new(EnamelPart.Beside, Curve.Disc(at.X, at.Y, radius), "#c98a3c", Enamel.DarkLine, line)];

    /// <summary>Standing, open towards the dog.</summary>
    /// <param name="at">Its middle.</param>
    /// <param name="width">From its front to its rim.</param>
    /// <param name="height">Its height.</param>
    /// <param name="line">The width of its bars.</param>
    public static IEnumerable<EnamelField> Standing(PointMm at, double width, double height, double line)
    {
        Knot On(double x, double y) => new(at.X + x * width, at.Y + y * height);
        EnamelField Of(params Knot[] along) => new(EnamelPart.Beside, Strokes.Band(1.6 * line, Curve.Line(along)), Metal, Enamel.DarkLine, line);
        yield return Of(On(0.5, -0.5), On(1.0, -0.30), On(1.14, 0.30), On(0.5, 0.5));
        foreach (var y in new[] { -0.20, 0.16 })
            yield return Of(On(-0.44, y), On(0, 1.1 * y), On(0.42, y));
        foreach (var x in new[] { -0.14, 0.18 })
            yield return Of(On(x, -0.47), On(x - 0.05, 0), On(x, 0.47));
        yield return Of(On(0.50, -0.50), On(-0.10, -0.46), On(-0.50, 0.05), On(-0.10, 0.46), On(0.50, 0.50));
        yield return Of(On(0.50, -0.54), On(0.62, 0), On(0.50, 0.54));
    }
}
