namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>How colours lie on a head from the side. Basis of every place: a sketch (House).</summary>
internal static class SidePattern
{
    public const string Dark = "#2f2620";
    public const string Tan = "#b4753a";

    /// <summary>What colour the whole muzzle has, where the pattern gives it one of its own; else null.</summary>
    public static string? MuzzleOf(CoatPattern pattern) =>
        pattern switch
        {
            CoatPattern.Mask => Dark,
            CoatPattern.BlazeAndCollar => Enamel.Markings,
            _ => null,
        };

    /// <summary>Puts the pattern's fields onto the head.</summary>
    public static void Draw(SideHead head, Action<EnamelPart, Curve, string, double> inside)
    {
        var (xe, h, b, top) = (head.Xe, head.H, head.B, head.Top);
        double X(double share) => head.X(share);
        Curve Muzzle(double back) =>
            Curve.Loop(
                new Knot(-0.2 * xe, -0.3 * h),
                new Knot(0.35 * back * xe, -0.25 * h),
                new Knot(0.86 * back * xe, -0.05 * h),
                new Knot(back * xe, 0.25 * h),
                new Knot(0.94 * back * xe, 0.60 * h),
                new Knot(1.08 * back * xe, 1.3 * h),
                new Knot(-0.2 * xe, 1.3 * h)
            );
        // Below a line from the nose under the eye and over the cheek.
        Curve Under(double cheek) =>
            Curve.Loop(
                new Knot(-0.2 * xe, 0.36 * h),
                new Knot(0.45 * xe, 0.34 * h),
                new Knot(0.86 * xe, 0.46 * h),
                new Knot(X(0.22), 0.60 * h),
                new Knot(X(cheek), 0.74 * h),
                new Knot(X(0.40), 1.02 * h),
                new Knot(X(0.1), 1.4 * h),
                new Knot(-0.2 * xe, 1.4 * h)
            );
        Curve Brow() =>
            Curve.Loop(
                new Knot(X(0.06), 0.30 * top - 0.02 * h),
                new Knot(X(0.15), 0.48 * top - 0.02 * h),
                new Knot(X(0.22), 0.32 * top),
                new Knot(X(0.15), 0.20 * top)
            );
        switch (head.Look.Pattern)
        {
            case CoatPattern.Mask:
                inside(EnamelPart.Muzzle, Muzzle(0.90), Dark, 1);
                break;
            case CoatPattern.TanPoints:
                inside(EnamelPart.Muzzle, Under(0.46), Tan, 1);
                inside(EnamelPart.Patch, Brow(), Tan, 1);
                break;
            case CoatPattern.Spitz:
                inside(EnamelPart.Muzzle, Under(0.62), Enamel.Markings, 1);
                inside(EnamelPart.Patch, Brow(), Enamel.Markings, 1);
                break;
            case CoatPattern.BlazeAndCollar:
                inside(
                    EnamelPart.Muzzle,
                    Curve.Loop(
                        new Knot(-0.2 * xe, -0.4 * h),
                        new Knot(0.40 * xe, -0.4 * h),
                        new Knot(xe, -0.3 * h),
                        new Knot(X(0.30), 1.3 * top),
                        new Knot(X(0.26), 0.94 * top),
                        new Knot(X(0.08), 0.40 * top),
                        new Knot(0.90 * xe, 0.02 * h),
                        new Knot(0.55 * xe, 0.20 * h),
                        new Knot(0.62 * xe, 0.52 * h),
                        new Knot(0.90 * xe, 0.74 * h),
                        new Knot(X(0.2), 1.3 * h),
                        new Knot(-0.2 * xe, 1.3 * h)
                    ),
                    Enamel.Markings,
                    1
                );
                inside(EnamelPart.Underside, Collar(head), Enamel.Markings, 1);
                break;
            case CoatPattern.Patched:
                inside(
                    EnamelPart.Patch,
                    Curve.Loop(
                        new Knot(0.90 * xe, -0.02 * h),
                        new Knot(X(0.10), 0.8 * top),
                        new Knot(X(0.4), 1.4 * top),
                        new Knot(X(1.0), 1.2 * top),
                        new Knot(X(1.02), 0.2 * h),
                        new Knot(X(0.70), 0.62 * h),
                        new Knot(X(0.30), 0.44 * h),
                        new Knot(0.94 * xe, 0.30 * h)
                    ),
                    head.Look.Patched.Patch,
                    1
                );
                break;
            case CoatPattern.Merle:
                foreach (var (x, y, r) in Blots)
                    inside(EnamelPart.Patch, Blot(X(x), y * h, r * b), Enamel.Mix(head.Enamel.Coat, "#1e2326", 0.72), 0.9);
                break;
            case CoatPattern.Ticked:
                foreach (var (x, y, r) in Ticks)
                    inside(EnamelPart.Patch, Blot(X(x), y * h, r * b), Enamel.Mix(head.Enamel.Coat, Ink(head), 0.75), 0.9);
                break;
            case CoatPattern.Brindle:
                for (var i = 0; i < 7; i++)
                    inside(EnamelPart.Patch, Stripe(X(0.02 + 0.17 * i), (0.10 + 0.03 * (i % 3)) * h, b, h), Enamel.Mix(head.Enamel.Coat, "#1a130e", 0.7), 0.85);
                break;
        }
    }

    private static string Ink(SideHead head) => head.Enamel.IsDark ? "#a8794a" : Dark;

    private static readonly (double X, double Y, double R)[] Blots =
    [
        (-0.45, 0.20, 0.07),
        (0.22, 0.42, 0.09),
        (0.34, -0.30, 0.10),
        (0.52, 0.62, 0.08),
        (0.96, 0.50, 0.13),
        (1.18, 1.05, 0.15),
        (1.30, 0.40, 0.11),
        (-0.20, 0.52, 0.05),
        (0.05, 0.75, 0.06),
    ];

    private static readonly (double X, double Y, double R)[] Ticks =
    [
        (-0.50, 0.46, 0.024),
        (-0.38, 0.22, 0.020),
        (-0.28, 0.56, 0.026),
        (-0.16, 0.34, 0.020),
        (0.14, 0.50, 0.030),
        (0.26, 0.72, 0.026),
        (0.30, -0.28, 0.026),
        (1.06, 0.70, 0.038),
        (1.16, 0.30, 0.034),
        (1.22, 1.10, 0.040),
        (1.04, 1.20, 0.036),
    ];

    private static Curve Blot(double x, double y, double r) =>
        Curve.Loop(new Knot(x - r, y + 0.1 * r), new Knot(x + 0.1 * r, y - 0.9 * r), new Knot(x + 1.1 * r, y + 0.1 * r), new Knot(x + 0.2 * r, y + 0.9 * r));

    private static Curve Stripe(double x, double y, double b, double h) =>
        Curve.Loop(
            new Knot(x, y, true),
            new Knot(x + 0.06 * b, y + 0.30 * h),
            new Knot(x + 0.02 * b, y + 0.62 * h, true),
            new Knot(x + 0.025 * b, y + 0.30 * h)
        );

    /// <summary>White round the neck and down the chest.</summary>
    private static Curve Collar(SideHead head)
    {
        var (top, under) = (head.NeckTop, head.NeckUnder);
        Knot At(PointMm from, double share, double up = 0) => new(head.Back(from, share).X, head.Back(from, share).Y + up);
        return Curve.Loop(
            At(top, 0.22, -0.3 * head.H),
            At(top, 0.62, -0.3 * head.H),
            At(new((top.X + under.X) / 2, (top.Y + under.Y) / 2), 0.62),
            At(under, 0.95, 0.3 * head.H),
            At(under, 0.05, 0.3 * head.H),
            At(under, 0.0, -0.1 * head.H),
            At(new((top.X + under.X) / 2, (top.Y + under.Y) / 2), 0.26)
        );
    }
}
