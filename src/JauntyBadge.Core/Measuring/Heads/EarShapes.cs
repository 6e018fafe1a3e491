namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>An ear from the side.</summary>
/// <param name="Flap">The whole ear.</param>
/// <param name="Inner">What is seen of its inside; null for nothing.</param>
/// <param name="ShowsFar">The one on the far side is seen behind the head.</param>
internal sealed record EarShape(IReadOnlyList<Knot> Flap, IReadOnlyList<Knot>? Inner = null, bool ShowsFar = false);

/// <summary>Ears as they are carried. Basis of every place: a sketch (House).</summary>
internal static class EarShapes
{
    public static EarShape FromTheSide(Ears ears, HeadSketch sketch, double h)
    {
        var (b, top) = (sketch.Occiput - sketch.Eye, sketch.Top);
        // Along the skull as a share of what lies behind the eye; up in shares of that as well, from the top of the skull.
        Knot Up(double x, double up, bool corner = false) => new(sketch.Behind(x), 0.95 * top - up * b, corner);
        Knot At(double x, double share) => new(sketch.Behind(x), share * top);
        Knot Down(double x, double share) => new(sketch.Behind(x), share * h);
        return ears switch
        {
            Ears.Pricked => new(
                [At(0.42, 0.86), Up(0.47, 0.26), Up(0.60, 0.66, true), Up(0.80, 0.30), At(0.93, 0.66), At(0.72, 0.60)],
                [At(0.51, 0.92), Up(0.54, 0.28), Up(0.605, 0.52), Up(0.71, 0.24), At(0.73, 0.80)],
                true
            ),
            Ears.Cropped => new(
                [At(0.46, 0.86), Up(0.50, 0.30), Up(0.58, 0.74, true), Up(0.70, 0.30), At(0.84, 0.66), At(0.68, 0.60)],
                [At(0.53, 0.92), Up(0.55, 0.30), Up(0.585, 0.58), Up(0.64, 0.24), At(0.68, 0.80)],
                true
            ),
            Ears.Bat => new(
                [At(0.36, 0.90), Up(0.30, 0.34), Up(0.42, 0.66), Up(0.62, 0.66), Up(0.78, 0.34), At(0.86, 0.70), At(0.60, 0.60)],
                [At(0.46, 0.95), Up(0.40, 0.34), Up(0.48, 0.54), Up(0.60, 0.52), Up(0.69, 0.26), At(0.72, 0.86)],
                true
            ),
            Ears.Fringed => new(
                [
                    At(0.40, 0.90),
                    Up(0.36, 0.34),
                    Up(0.50, 0.58, true),
                    Up(0.80, 0.44),
                    Up(1.02, 0.14, true),
                    Up(1.00, -0.04),
                    new(sketch.Behind(1.10), 0.30 * h, true),
                    At(0.92, 0.2),
                    At(0.66, 0.50),
                ],
                [At(0.48, 0.95), Up(0.47, 0.28), Up(0.54, 0.44), Up(0.68, 0.30), At(0.72, 0.84)],
                true
            ),
            Ears.Tipped => new(
                [
                    At(0.44, 0.86),
                    Up(0.47, 0.15),
                    Up(0.38, 0.06),
                    Up(0.27, 0.01, true),
                    Up(0.38, 0.27),
                    Up(0.56, 0.42),
                    Up(0.74, 0.28),
                    At(0.92, 0.66),
                    At(0.70, 0.60),
                ],
                [At(0.54, 0.94), Up(0.55, 0.18), Up(0.66, 0.26), Up(0.75, 0.08), At(0.70, 0.80)],
                true
            ),
            Ears.Button => new([
                At(0.44, 0.92),
                Up(0.58, 0.11),
                Up(0.76, 0.08),
                At(0.90, 0.72),
                At(0.74, 0.36),
                Down(0.52, 0.06),
                Down(0.42, 0.02),
                At(0.38, 0.50),
            ]),
            Ears.Rose => new(
                [At(0.54, 0.84), At(0.70, 1.04), At(0.94, 0.96), new(sketch.Behind(1.20), 0.62 * top, true), At(1.04, 0.36), At(0.84, 0.28), At(0.64, 0.46)],
                [At(0.66, 0.80), At(0.84, 0.82), At(1.02, 0.66), At(0.86, 0.54), At(0.72, 0.60)]
            ),
            Ears.Long => new([
                At(0.42, 0.40),
                At(0.60, 0.66),
                At(0.82, 0.56),
                Down(1.00, 0.20),
                Down(1.06, 0.80),
                Down(0.94, 1.26),
                Down(0.70, 1.36),
                Down(0.52, 1.02),
                Down(0.42, 0.40),
            ]),
            _ => new([At(0.43, 0.80), At(0.60, 1.02), At(0.84, 0.86), At(0.97, 0.30), Down(0.92, 0.30), Down(0.76, 0.64), Down(0.58, 0.74), Down(0.48, 0.36)]),
        };
    }

    /// <summary>The same somewhere else.</summary>
    public static IReadOnlyList<Knot> Moved(IReadOnlyList<Knot> knots, double dx, double dy) => [.. knots.Select(k => k with { X = k.X + dx, Y = k.Y + dy })];
}
