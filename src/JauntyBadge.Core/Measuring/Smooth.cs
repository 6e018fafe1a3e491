namespace JauntyBadge.Core.Measuring;

/// <summary>Smooth lines through points for the drawings (centripetal enough for a sketch: uniform Catmull-Rom).</summary>
internal static class Smooth
{
    private const int StepsBetween = 6;

    /// <summary>An open line through every point.</summary>
    public static IReadOnlyList<PointMm> Through(IReadOnlyList<PointMm> points) =>
        Sample(points, i => points[Math.Clamp(i, 0, points.Count - 1)], points.Count - 1, points[^1]);

    /// <summary>A closed line through every point.</summary>
    public static IReadOnlyList<PointMm> Loop(IReadOnlyList<PointMm> points) =>
        Sample(points, i => points[(i + points.Count) % points.Count], points.Count, points[0]);

    /// <summary>A tape round something, seen nearly from its side: the half that is seen, and the half behind it.</summary>
    public static (IReadOnlyList<PointMm> Near, IReadOnlyList<PointMm> Far) Tape(PointMm a, PointMm b, double share)
    {
        var ring = Ring(a, b, share);
        var half = ring.Count / 2;
        return ([.. ring.Take(half + 1)], [.. ring.Skip(half)]);
    }

    /// <summary>An ellipse standing on the line from a to b, its other axis a share of that length.</summary>
    public static IReadOnlyList<PointMm> Ring(PointMm a, PointMm b, double share)
    {
        var (cx, cy) = ((a.X + b.X) / 2, (a.Y + b.Y) / 2);
        var (ux, uy) = ((b.X - a.X) / 2, (b.Y - a.Y) / 2);
        return
        [
            .. Enumerable
                .Range(0, 37)
                .Select(i =>
                {
                    var (along, across) = (Math.Cos(i * Math.PI / 18), share * Math.Sin(i * Math.PI / 18));
                    return new PointMm(cx + ux * along - uy * across, cy + uy * along + ux * across);
                }),
        ];
    }

    private static List<PointMm> Sample(IReadOnlyList<PointMm> points, Func<int, PointMm> at, int spans, PointMm end)
    {
        var line = new List<PointMm>(points.Count * StepsBetween);
        for (var span = 0; span < spans; span++)
        {
            var (p0, p1, p2, p3) = (at(span - 1), at(span), at(span + 1), at(span + 2));
            for (var step = 0; step < StepsBetween; step++)
            {
                var t = (double)step / StepsBetween;
                line.Add(new PointMm(Between(p0.X, p1.X, p2.X, p3.X, t), Between(p0.Y, p1.Y, p2.Y, p3.Y, t)));
            }
        }

        line.Add(end);
        return line;
    }

    private static double Between(double p0, double p1, double p2, double p3, double t) =>
        0.5 * (2 * p1 + (p2 - p0) * t + (2 * p0 - 5 * p1 + 4 * p2 - p3) * t * t + (3 * p1 - p0 - 3 * p2 + p3) * t * t * t);
}
