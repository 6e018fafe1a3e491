namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>Hands as they hold, offer and rest, in palms' widths about where they hold; sketches (House). They are anybody's.</summary>
/// <param name="Palm">The width of a palm.</param>
/// <param name="Line">The width of their lines.</param>
internal sealed record SceneHands(double Palm, double Line)
{
    public const string Skin = "#c08a63";
    public const string Sleeve = "#2f6b5c";

    /// <summary>Closed about something from below: fingers over it, thumb before them.</summary>
    public IEnumerable<EnamelField> Grips(PointMm at, double turn = 0) =>
        Hand(
            at,
            turn,
            Cuff(0.80, 0.36),
            [
                new(-0.55, 0.02),
                new(-0.48, -0.30),
                new(-0.14, -0.38),
                new(0.28, -0.36),
                new(0.54, -0.16),
                new(0.56, 0.22),
                new(0.36, 0.56),
                new(0.32, 0.88, true),
                new(-0.32, 0.88, true),
                new(-0.42, 0.5),
            ],
            [(new(-0.26, -0.34), new(-0.25, 0.02)), (new(0.02, -0.38), new(0.02, 0.02)), (new(0.29, -0.35), new(0.27, 0.02))],
            [new(-0.55, 0.16), new(-0.20, 0.04), new(0.20, 0.06), new(0.30, 0.16), new(0.16, 0.26), new(-0.22, 0.28), new(-0.48, 0.38)]
        );

    /// <summary>Fingertips together with a treat before them, from the left.</summary>
    public IEnumerable<EnamelField> Offers(PointMm at, double turn = 0) =>
        [
            .. Hand(
                at,
                turn,
                Cuff(1.20, 0.36, sideways: true),
                [
                    new(-0.02, -0.07),
                    new(-0.34, -0.22),
                    new(-0.72, -0.38),
                    new(-1.04, -0.40),
                    new(-1.28, -0.33, true),
                    new(-1.28, 0.33, true),
                    new(-1.02, 0.38),
                    new(-0.70, 0.33),
                    new(-0.34, 0.20),
                    new(-0.02, 0.08),
                ],
                [(new(-0.62, -0.16), new(-0.14, -0.03)), (new(-0.70, -0.02), new(-0.20, 0.02))],
                [new(-0.95, 0.20), new(-0.62, 0.06), new(-0.22, 0.04), new(-0.10, 0.09), new(-0.24, 0.18), new(-0.62, 0.28)]
            ),
            .. MuzzleSketch.Treat(Placed(at, turn, 0.13, 0), 0.15 * Palm, Line),
        ];

    /// <summary>Flat, palm up, from the left.</summary>
    public IEnumerable<EnamelField> Flat(PointMm at, bool treat, double turn = 0) =>
        [
            .. Hand(
                at,
                turn,
                Cuff(1.05, 0.24, sideways: true),
                [
                    new(0.62, 0.02),
                    new(0.52, -0.09),
                    new(-0.30, -0.12),
                    new(-0.46, -0.34),
                    new(-0.60, -0.36),
                    new(-0.66, -0.14),
                    new(-1.12, -0.20, true),
                    new(-1.12, 0.24, true),
                    new(-0.40, 0.24),
                    new(0.40, 0.13),
                ],
                [(new(0.52, 0.02), new(-0.10, 0.02))],
                null
            ),
            .. treat ? MuzzleSketch.Treat(Placed(at, turn, 0.10, -0.24), 0.15 * Palm, Line) : [],
        ];

    /// <summary>Lying open, fingers to the left.</summary>
    public IEnumerable<EnamelField> Rests(PointMm at, double turn = 0) =>
        Hand(
            at,
            turn,
            Cuff(1.10, 0.34, sideways: true, right: true),
            [
                new(1.18, -0.32, true),
                new(0.62, -0.40),
                new(0.14, -0.40),
                new(-0.46, -0.40),
                new(-0.54, -0.30),
                new(-0.10, -0.20),
                new(-0.66, -0.18),
                new(-0.74, -0.07),
                new(-0.12, -0.01),
                new(-0.68, 0.04),
                new(-0.72, 0.16),
                new(-0.12, 0.17),
                new(-0.50, 0.24),
                new(-0.54, 0.35),
                new(0.10, 0.36),
                new(0.36, 0.56),
                new(0.52, 0.52),
                new(0.58, 0.36),
                new(1.18, 0.32, true),
            ],
            [],
            null
        );

    /// <summary>A closed fist, from the left.</summary>
    public IEnumerable<EnamelField> Fist(PointMm at) => Grips(at, 90);

    private IEnumerable<EnamelField> Hand(PointMm at, double turn, Knot[] cuff, Knot[] palm, (PointMm From, PointMm To)[] creases, Knot[]? thumb)
    {
        Curve Of(Knot[] knots) => Curve.Loop([.. knots.Select(k => Placed(at, turn, k.X, k.Y) is var p ? new Knot(p.X, p.Y, k.Corner) : k)]);
        yield return new(EnamelPart.Beside, Of(cuff), Sleeve, Enamel.DarkLine, Line);
        yield return new(EnamelPart.Beside, Of(palm), Skin, Enamel.DarkLine, Line);
        foreach (var (from, to) in creases)
        {
            var (a, c) = (Placed(at, turn, from.X, from.Y), Placed(at, turn, to.X, to.Y));
            yield return new(EnamelPart.Beside, Curve.Line(new Knot(a.X, a.Y), new Knot(c.X, c.Y)), null, Enamel.DarkLine, Line);
        }

        if (thumb is not null)
            yield return new(EnamelPart.Beside, Of(thumb), Skin, Enamel.DarkLine, Line);
    }

    /// <summary>The sleeve from where the wrist ends.</summary>
    private static Knot[] Cuff(double from, double half, bool sideways = false, bool right = false)
    {
        (double Along, double Across)[] corners = [(from, -half - 0.04), (from + 0.62, -half - 0.16), (from + 0.62, half + 0.16), (from, half + 0.04)];
        return [.. corners.Select(c => sideways ? new Knot(right ? c.Along : -c.Along, c.Across, true) : new Knot(c.Across, c.Along, true))];
    }

    private PointMm Placed(PointMm at, double turn, double x, double y) => new PointMm(at.X + Palm * x, at.Y + Palm * y).Turned(at, turn);
}
