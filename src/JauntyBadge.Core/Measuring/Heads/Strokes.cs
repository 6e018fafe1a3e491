namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>Bars, straps and limbs: fields along a line, so wide.</summary>
internal static class Strokes
{
    /// <summary>A limb round its joints, so wide at each.</summary>
    public static Curve Tube(IReadOnlyList<(PointMm At, double Width)> joints)
    {
        (PointMm One, PointMm Other) Sides(int i)
        {
            var (before, after) = (joints[Math.Max(0, i - 1)].At, joints[Math.Min(joints.Count - 1, i + 1)].At);
            var (dx, dy) = (after.X - before.X, after.Y - before.Y);
            var length = Math.Max(1e-6, Math.Sqrt(dx * dx + dy * dy));
            var (nx, ny) = (0.5 * joints[i].Width * -dy / length, 0.5 * joints[i].Width * dx / length);
            var (x, y) = (joints[i].At.X, joints[i].At.Y);
            return (new(x + nx, y + ny), new(x - nx, y - ny));
        }

        var sides = Enumerable.Range(0, joints.Count).Select(Sides).ToList();
        Knot Of(PointMm p) => new(p.X, p.Y);
        return Curve.Loop([.. sides.Select(s => Of(s.One)), .. Enumerable.Reverse(sides).Select(s => Of(s.Other))]);
    }

    /// <summary>A limb of one width.</summary>
    public static Curve Tube(double width, params IReadOnlyList<PointMm> joints) => Tube([.. joints.Select(j => (j, width))]);

    /// <summary>A band along a line, with square ends.</summary>
    public static Curve Band(double width, Curve along)
    {
        List<PointMm> points = [.. along.Points().Where((_, i) => i % 4 == 0)];
        PointMm Beside(int i, double side)
        {
            var (a, c) = (points[Math.Max(0, i - 1)], points[Math.Min(points.Count - 1, i + 1)]);
            var length = Math.Max(1e-6, Math.Sqrt((c.X - a.X) * (c.X - a.X) + (c.Y - a.Y) * (c.Y - a.Y)));
            return new(points[i].X - side * 0.5 * width * (c.Y - a.Y) / length, points[i].Y + side * 0.5 * width * (c.X - a.X) / length);
        }

        Knot At(int i, double side)
        {
            var p = Beside(i, side);
            return new(p.X, p.Y, i == 0 || i == points.Count - 1);
        }

        var order = Enumerable.Range(0, points.Count).ToList();
        return Curve.Loop([.. order.Select(i => At(i, 1)), .. Enumerable.Reverse(order).Select(i => At(i, -1))]);
    }
}
