namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>A basket as a few lines: on a snout, or standing. It stands for any muzzle.</summary>
internal static class MuzzleSketch
{
    /// <summary>Seen on light and on dark ground, at 3 : 1.</summary>
    public const string Bar = "#7f6d40";

    /// <summary>On this head.</summary>
    public static IEnumerable<EnamelField> Worn(SideHead head)
    {
        var (xe, h) = (head.Xe, head.H);
        EnamelField Of(Curve curve) => new(EnamelPart.Beside, curve, null, Bar, 0.02 * xe);
        yield return Of(
            Curve.Loop(
                new Knot(0.80 * xe, -0.10 * h),
                new Knot(0.30 * xe, -0.20 * h),
                new Knot(-0.10 * xe, -0.06 * h),
                new Knot(-0.22 * xe, 0.45 * h),
                new Knot(-0.06 * xe, 0.96 * h),
                new Knot(0.40 * xe, 1.16 * h),
                new Knot(0.84 * xe, 1.12 * h),
                new Knot(0.90 * xe, 0.52 * h)
            )
        );
        foreach (var y in new[] { 0.20, 0.52, 0.84 })
            yield return Of(
                Curve.Line(new Knot((-0.19 + 0.05 * Math.Abs(y - 0.5)) * xe, y * h), new Knot(0.40 * xe, (y + 0.02) * h), new Knot(0.88 * xe, y * h))
            );
        foreach (var (x, top) in new[] { (0.10, -0.05), (0.46, -0.19) })
            yield return Of(Curve.Line(new Knot(x * xe, top * h), new Knot((x - 0.05) * xe, 0.5 * h), new Knot(x * xe, 1.12 * h)));
        yield return Of(Curve.Line(new Knot(0.90 * xe, 0.52 * h), new Knot(head.X(0.5), 0.30 * h), new Knot(head.X(1.04), 0.55 * head.Top)));
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
        EnamelField Of(Curve curve) => new(EnamelPart.Beside, curve, null, Bar, line);
        yield return Of(Curve.Loop(On(0.50, -0.50), On(-0.10, -0.46), On(-0.50, 0.05), On(-0.10, 0.46), On(0.50, 0.50), On(0.62, 0)));
        yield return Of(Curve.Line(On(0.50, -0.50), On(0.40, 0), On(0.50, 0.50)));
        foreach (var y in new[] { -0.20, 0.16 })
            yield return Of(Curve.Line(On(-0.44, y), On(0, 1.1 * y), On(0.42, y)));
        foreach (var x in new[] { -0.14, 0.18 })
            yield return Of(Curve.Line(On(x, -0.47), On(x - 0.05, 0), On(x, 0.47)));
        yield return Of(Curve.Line(On(0.5, -0.5), On(1.0, -0.30), On(1.14, 0.30), On(0.5, 0.5)));
    }
}
