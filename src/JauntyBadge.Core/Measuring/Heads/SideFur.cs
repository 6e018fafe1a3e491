namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>Puts a field of hair onto a head.</summary>
/// <param name="curve">Its edge.</param>
/// <param name="fill">Its colour; null for a line alone.</param>
/// <param name="line">Its line; null for none.</param>
/// <param name="turns">It hangs from the lower jaw.</param>
/// <param name="fades">It fades with the neck.</param>
internal delegate void PutFur(Curve curve, string? fill, string? line, bool turns, bool fades);

/// <summary>Hair that stands off a head, from the side: fields with a fringed edge. Basis of every place: a sketch (House).</summary>
internal static class SideFur
{
    /// <summary>What hangs from the lower jaw, behind the lips.</summary>
    public static void DrawBehind(SideHead head, PutFur put)
    {
        var (xe, h) = (head.Xe, head.H);
        if (head.Look.Fur is not (Fur.Rough or Fur.Shaggy))
            return;
        var (deep, back) = head.Look.Fur == Fur.Shaggy ? (0.44, 1.06) : (0.34, 0.80);
        put(
            Curve.Loop([
                new Knot(back * xe, 0.72 * h),
                new Knot(0.42 * xe, 0.60 * h),
                new Knot(0.06 * xe, 0.60 * h),
                .. Fringe(new(0.0 * xe, 0.86 * h), new(back * xe, 0.98 * h), deep * h, 5),
            ]),
            head.Enamel.Light,
            Hair(head.Enamel.Light),
            turns: true,
            fades: false
        );
    }

    public static void Draw(SideHead head, EarShape ear, PutFur put)
    {
        var (xe, h, top) = (head.Xe, head.H, head.Top);
        double X(double share) => head.X(share);
        var light = head.Enamel.Light;
        // Hair that grows out of the coat has a line at its ends only.
        void Tuft(IReadOnlyList<Knot> grown, IReadOnlyList<Knot> ends)
        {
            put(Curve.Loop([.. grown, .. ends]), light, null, turns: false, fades: false);
            put(Curve.Line(ends), null, Hair(light), turns: false, fades: false);
        }

        void Moustache(double deep, double back) =>
            Tuft(
                [new Knot(back * xe, 0.50 * h), new Knot(0.56 * xe, 0.34 * h), new Knot(0.24 * xe, 0.34 * h), new Knot(0.05 * xe, 0.44 * h)],
                Fringe(new(0.015 * xe, 0.56 * h), new(back * xe, 0.66 * h), deep * h, 5)
            );
        switch (head.Look.Fur)
        {
            case Fur.Rough:
                Moustache(0.17, 0.82);
                Tuft(
                    [new Knot(X(0.22), 0.34 * top), new Knot(X(0.24), 0.62 * top)],
                    [new Knot(X(0.16), 0.84 * top), new Knot(X(0.04), 0.70 * top), .. Fringe(new(0.91 * xe, 0.20 * top), new(X(0.12), 0.12 * top), 0.08 * h, 2)]
                );
                break;
            case Fur.Shaggy:
                Moustache(0.30, 0.98);
                Tuft(
                    [new Knot(X(0.62), 0.5 * top), new Knot(X(0.86), 0.80 * top)],
                    [
                        new Knot(X(0.70), 1.14 * top),
                        new Knot(X(0.40), 1.30 * top),
                        new Knot(X(0.12), 1.04 * top),
                        new Knot(X(-0.02), 0.46 * top),
                        .. Fringe(new(0.84 * xe, 0.04 * h), new(X(0.44), 0.20 * h), 0.34 * h, 4),
                    ]
                );
                break;
            case Fur.Long:
                Ruff(head, put);
                break;
            case Fur.Curly:
                put(
                    Scalloped(
                        new(X(-0.02), 0.36 * top),
                        new(X(0.10), 1.10 * top),
                        new(X(0.34), 1.52 * top),
                        new(X(0.66), 1.50 * top),
                        new(X(0.92), 1.0 * top),
                        new(X(0.62), 0.50 * top),
                        new(X(0.26), 0.26 * top)
                    ),
                    light,
                    Enamel.LineOn(light),
                    turns: false,
                    fades: false
                );
                put(Scalloped([.. ear.Flap.Select(k => k.Point)]), head.Enamel.Ear, Enamel.LineOn(head.Enamel.Ear), turns: false, fades: false);
                break;
        }
    }

    /// <summary>The line at the ends of hair: softer than the head's, or white locks read as teeth.</summary>
    private static string Hair(string fill) => Enamel.Mix(fill, Enamel.LineOn(fill), 0.55);

    /// <summary>A ruff: lighter hair from the cheek down over the throat, with a line at its fringe only.</summary>
    private static void Ruff(SideHead head, PutFur put)
    {
        var (h, b) = (head.H, head.B);
        double X(double share) => head.X(share);
        var fill = head.Look.Pattern is CoatPattern.BlazeAndCollar or CoatPattern.Spitz
            ? Enamel.Markings
            : Enamel.Tone(head.Enamel.Coat, head.Enamel.IsDark ? 1.08 : 1.14);
        var end = head.Back(head.NeckUnder, 0.34);
        var fringe = Fringe(new(X(0.20), 0.90 * h), new(end.X, end.Y + 0.05 * b), 0.26 * b, 5);
        var middle = head.Back(new((head.NeckTop.X + head.NeckUnder.X) / 2, (head.NeckTop.Y + head.NeckUnder.Y) / 2), 0.30);
        put(
            Curve.Loop([new Knot(X(0.86), 0.10 * h), new Knot(X(0.58), 0.40 * h), new Knot(X(0.36), 0.66 * h), .. fringe, new Knot(middle.X, middle.Y)]),
            fill,
            null,
            turns: false,
            fades: true
        );
        put(Curve.Line([new Knot(X(0.44), 0.56 * h), new Knot(X(0.34), 0.68 * h), .. fringe]), null, Hair(fill), turns: false, fades: true);
    }

    /// <summary>An edge of hanging locks from one place to another: shallow notches between them, so that it reads as hair.</summary>
    /// <param name="from">Where it begins.</param>
    /// <param name="to">Where it ends.</param>
    /// <param name="deep">How far the longest lock hangs, mm.</param>
    /// <param name="count">How many.</param>
    private static List<Knot> Fringe(PointMm from, PointMm to, double deep, int count)
    {
        PointMm On(double t) => new(from.X + (to.X - from.X) * t, from.Y + (to.Y - from.Y) * t);
        var knots = new List<Knot> { new(from.X, from.Y) };
        for (var i = 0; i < count; i++)
        {
            // The longest in the middle, and each leaning back as hair does.
            var hang = deep * (0.62 + 0.38 * Math.Sin(Math.PI * (i + 0.6) / count));
            var (tip, notch) = (On((i + 0.45) / count), On((i + 0.90) / count));
            knots.Add(new(tip.X - 0.10 * deep, tip.Y + 0.72 * hang));
            knots.Add(new(tip.X + 0.05 * deep, tip.Y + hang, true));
            if (i < count - 1)
                knots.Add(new(notch.X, notch.Y + 0.66 * hang, true));
        }

        knots.Add(new(to.X, to.Y));
        return knots;
    }

    /// <summary>An edge of round curls through places.</summary>
    private static Curve Scalloped(params IReadOnlyList<PointMm> through)
    {
        var edge = Curve.Loop([.. through.Select(p => new Knot(p.X, p.Y))]).Points();
        var (x, y) = (edge.Average(p => p.X), edge.Average(p => p.Y));
        var knots = new List<Knot>();
        const int Every = 6;
        for (var i = 0; i < edge.Count - 1; i += Every)
        {
            var (p, next) = (edge[i], edge[Math.Min(i + Every, edge.Count - 1)]);
            knots.Add(new(p.X, p.Y, true));
            foreach (var share in new[] { 0.3, 0.7 })
            {
                var at = edge[Math.Min(i + (int)Math.Round(share * Every), edge.Count - 1)];
                var (dx, dy) = (at.X - x, at.Y - y);
                var away = Math.Max(1e-6, Math.Sqrt(dx * dx + dy * dy));
                var bump = 0.34 * Math.Sqrt((next.X - p.X) * (next.X - p.X) + (next.Y - p.Y) * (next.Y - p.Y));
                knots.Add(new(at.X + bump * dx / away, at.Y + bump * dy / away));
            }
        }

        return Curve.Loop(knots);
    }
}
