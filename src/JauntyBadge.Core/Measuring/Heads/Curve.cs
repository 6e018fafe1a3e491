using System.Globalization;
using System.Text;

namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>A point a curve goes through.</summary>
/// <param name="X">mm.</param>
/// <param name="Y">mm.</param>
/// <param name="Corner">The curve turns sharply here; elsewhere it is smooth.</param>
public readonly record struct Knot(double X, double Y, bool Corner = false)
{
    public PointMm Point => new(X, Y);
}

/// <summary>A cubic Bézier piece from where the last one ended.</summary>
public readonly record struct Bend(PointMm Out, PointMm In, PointMm To);

/// <summary>A drawn line through knots: centripetal Catmull-Rom, as cubic Bézier pieces, so that it goes through every knot and never loops between two.</summary>
/// <param name="From">Where it begins, mm.</param>
/// <param name="Bends">Its pieces.</param>
/// <param name="Closed">It ends where it began.</param>
public sealed record Curve(PointMm From, IReadOnlyList<Bend> Bends, bool Closed)
{
    private const int StepsOfABend = 8;

    /// <summary>A closed line through knots.</summary>
    public static Curve Loop(params IReadOnlyList<Knot> knots) => Through(knots, closed: true);

    /// <summary>An open line through knots.</summary>
    public static Curve Line(params IReadOnlyList<Knot> knots) => Through(knots, closed: false);

    /// <summary>A round one.</summary>
    public static Curve Disc(double x, double y, double radius)
    {
        // The handles with which four cubic pieces come nearest to a circle.
        var k = 0.5523 * radius;
        var (left, top, right, bottom) = (new PointMm(x - radius, y), new PointMm(x, y - radius), new PointMm(x + radius, y), new PointMm(x, y + radius));
        return new(
            left,
            [
                new(new(left.X, y - k), new(x - k, top.Y), top),
                new(new(x + k, top.Y), new(right.X, y - k), right),
                new(new(right.X, y + k), new(x + k, bottom.Y), bottom),
                new(new(x - k, bottom.Y), new(left.X, y + k), left),
            ],
            true
        );
    }

    /// <summary>A closed line straight from point to point.</summary>
    public static Curve Polygon(IReadOnlyList<PointMm> points) => Loop([.. points.Select(p => new Knot(p.X, p.Y, true))]);

    /// <summary>Points along it, close enough together to be drawn as a polygon; every knot is one of them.</summary>
    public IReadOnlyList<PointMm> Points()
    {
        var points = new List<PointMm>(1 + Bends.Count * StepsOfABend) { From };
        var at = From;
        foreach (var (c1, c2, to) in Bends)
        {
            for (var step = 1; step < StepsOfABend; step++)
            {
                var t = (double)step / StepsOfABend;
                var u = 1 - t;
                var (a, b, c, d) = (u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t);
                points.Add(new(a * at.X + b * c1.X + c * c2.X + d * to.X, a * at.Y + b * c1.Y + c * c2.Y + d * to.Y));
            }

            points.Add(to);
            at = to;
        }

        return points;
    }

    /// <summary>The same somewhere else, turned or larger: every point of it is moved.</summary>
    /// <param name="moved">Where a point goes, by a movement that keeps straight lines straight.</param>
    public Curve Moved(Func<PointMm, PointMm> moved) => new(moved(From), [.. Bends.Select(b => new Bend(moved(b.Out), moved(b.In), moved(b.To)))], Closed);

    /// <summary>As SVG path data, mm with one decimal.</summary>
    public string Path()
    {
        var path = new StringBuilder();
        path.Append(CultureInfo.InvariantCulture, $"M{From.X:0.#} {From.Y:0.#}");
        foreach (var (c1, c2, to) in Bends)
            path.Append(CultureInfo.InvariantCulture, $"C{c1.X:0.#} {c1.Y:0.#} {c2.X:0.#} {c2.Y:0.#} {to.X:0.#} {to.Y:0.#}");
        return path.Append(Closed ? "Z" : "").ToString();
    }

    /// <summary>As short SVG path data in whole steps, each piece told from where the last one ended.</summary>
    /// <param name="step">Where a point lies, in steps.</param>
    public string Path(Func<PointMm, (int X, int Y)> step)
    {
        var path = new StringBuilder();
        var (x, y) = step(From);
        path.Append(CultureInfo.InvariantCulture, $"M{x} {y}c");
        foreach (var bend in Bends)
        {
            var (c1, c2, to) = (step(bend.Out), step(bend.In), step(bend.To));
            ReadOnlySpan<int> numbers = [c1.X - x, c1.Y - y, c2.X - x, c2.Y - y, to.X - x, to.Y - y];
            foreach (var number in numbers)
            {
                // A sign parts two numbers as well as a space does.
                if (number >= 0 && path[^1] != 'c')
                    path.Append(' ');
                path.Append(number.ToString(CultureInfo.InvariantCulture));
            }

            (x, y) = to;
        }

        return path.Append(Closed ? "z" : "").ToString();
    }

    private static Curve Through(IReadOnlyList<Knot> knots, bool closed)
    {
        Knot At(int i) => closed ? knots[(i + knots.Count) % knots.Count] : knots[Math.Clamp(i, 0, knots.Count - 1)];
        var bends = new List<Bend>(knots.Count);
        for (var i = 0; i < (closed ? knots.Count : knots.Count - 1); i++)
        {
            var (p1, p2) = (At(i), At(i + 1));
            var (p0, p3) = (p1.Corner ? p1 : At(i - 1), p2.Corner ? p2 : At(i + 2));
            bends.Add(new(Handle(p0, p1, p2), Handle(p3, p2, p1), p2.Point));
        }

        return new Curve(knots[0].Point, bends, closed);
    }

    /// <summary>The handle at a knot towards the next one, by the knot before.</summary>
    private static PointMm Handle(Knot before, Knot at, Knot next)
    {
        if (before.Point == at.Point)
            return new(at.X + (next.X - at.X) / 3, at.Y + (next.Y - at.Y) / 3);
        var (d1, d2) = (Root(before, at), Root(at, next));
        var share = 3 * d1 * (d1 + d2);
        double Of(double b, double a, double n) => (d1 * d1 * n - d2 * d2 * b + (2 * d1 * d1 + 3 * d1 * d2 + d2 * d2) * a) / share;
        return new(Of(before.X, at.X, next.X), Of(before.Y, at.Y, next.Y));
    }

    private static double Root(Knot a, Knot b) => Math.Max(1e-3, Math.Sqrt(Math.Sqrt((a.X - b.X) * (a.X - b.X) + (a.Y - b.Y) * (a.Y - b.Y))));
}
