namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>What a head from the side shows of how its dog feels: ears carried, lids and where the eye looks, lip, teeth and tongue.</summary>
internal sealed partial class SideHead
{
    private const string Gum = "#b5605c";
    private const string TongueShade = "#c66c66";
    private const string Tooth = "#f6efdf";

    /// <summary>An eye is drawn larger where it is what is looked at: on a small picture it would be a dot.</summary>
    private double EyeDrawn => eye * EyeSize;

    private string IrisShade => look.Pattern == CoatPattern.Merle ? "#7d9db0" : "#7a4a1e";

    /// <summary>Ears as this dog carries them now. An upright one turns back about its root, one that hangs is drawn back and down.</summary>
    private IReadOnlyList<Knot> Carried(IReadOnlyList<Knot> ear, IReadOnlyList<Knot> flap)
    {
        if (mien.Ears == 0)
            return ear;
        var (first, last) = (flap[0], flap[^1]);
        var (x, y) = (0.5 * (first.X + last.X), 0.5 * (first.Y + last.Y));
        var upright = flap.Average(k => k.Y) < Math.Min(first.Y, last.Y);
        var turned = (upright ? 72 : -68) * mien.Ears;
        var flat = upright ? 1 - 0.25 * Math.Max(0, mien.Ears) : 1;
        return
        [
            .. ear.Select(k =>
            {
                var at = new PointMm(k.X, y + flat * (k.Y - y)).Turned(new(x, y), turned);
                return k with { X = at.X + 0.10 * b * mien.Ears, Y = at.Y };
            }),
        ];
    }

    private List<Knot> Lids()
    {
        var (ex, ey, r) = (xe, 0.06 * h, EyeDrawn);
        double Up(double share) => ey - share * r * mien.Lids;
        double Down(double share) => ey + share * r * (0.4 + 0.6 * mien.Lids);
        return
        [
            new(ex, ey, true),
            new(ex + 0.50 * r, Up(0.62)),
            new(ex + 1.25 * r, Up(0.74)),
            new(ex + 1.95 * r, ey - 0.06 * r, true),
            new(ex + 1.40 * r, Down(0.46)),
            new(ex + 0.60 * r, Down(0.40)),
        ];
    }

    /// <summary>An eye that is shut, narrowed, or shows its white.</summary>
    private void DrawMood()
    {
        var (ex, ey, r) = (xe, 0.06 * h, EyeDrawn);
        if (mien.Lids < 0.2)
        {
            var shut = Curve.Line(new Knot(ex, ey), new Knot(ex + 0.95 * r, ey + 0.34 * r), new Knot(ex + 1.95 * r, ey - 0.06 * r));
            fields.Add(new(EnamelPart.Lid, shut, null, enamel.Line, width));
            return;
        }

        // What is seen of the iris ends at the lids; it is narrower where it is turned away.
        var (x, round) = (ex + (0.98 + 0.46 * mien.Looks) * r, (0.60 - 0.14 * Math.Abs(mien.Looks)) * r);
        var (up, down) = (Math.Min(round, 0.66 * r * mien.Lids), Math.Min(round, (0.18 + 0.26 * mien.Lids) * r));
        Curve Seen(double share) =>
            Curve.Loop(
                new Knot(x - share * round, ey - 0.10 * r),
                new Knot(x, ey - share * up),
                new Knot(x + share * round, ey - 0.10 * r),
                new Knot(x, ey + share * down)
            );
        fields.Add(new(EnamelPart.Eye, Eye, "#f7f1e2", null, 0));
        fields.Add(new(EnamelPart.Iris, Seen(1), IrisShade, null, 0));
        fields.Add(new(EnamelPart.Pupil, Seen(0.55), Enamel.Leather, null, 0));
        fields.Add(new(EnamelPart.Lid, Eye, null, enamel.Line, width));
    }

    /// <summary>A lifted lip: gum, teeth, and the nose wrinkled above them.</summary>
    private void DrawLip()
    {
        if (mien.Lip == 0)
            return;
        var up = (mien.Gums ? 0.30 : 0.19) * h * mien.Lip;
        var (front, back) = (0.10 * xe, 0.70 * xe);
        double Edge(double x) => 0.60 * h + 0.08 * h * Math.Min(1, x / (0.45 * xe));
        Curve Bared(double from, double to) =>
            Curve.Loop(
                new Knot(from, Edge(from), true),
                new Knot(from + 0.02 * xe, Edge(from) - 0.9 * up),
                new Knot(0.5 * (from + to), Edge(0.5 * (from + to)) - up),
                new Knot(to - 0.02 * xe, Edge(to) - 0.7 * up),
                new Knot(to, Edge(to), true)
            );
        if (mien.Gums)
        {
            var third = (back - front) / 3;
            foreach (var (shade, at) in new[] { ("#f2e2dc", 0), ("#7f86a8", 1), ("#7d1f22", 2) })
                Field(EnamelPart.Teeth, Bared(front + at * third, front + (at + 1) * third), shade, 0.7 * width);
        }
        else
            Field(EnamelPart.Teeth, Bared(front, back), Gum);
        void Pointed(double x, double w, double down) =>
            Field(
                EnamelPart.Teeth,
                Curve.Loop(new Knot(x, Edge(x) - 0.35 * up, true), new Knot(x + 0.5 * w, Edge(x) + down, true), new Knot(x + w, Edge(x + w) - 0.35 * up, true)),
                Tooth,
                0.5 * width
            );
        Pointed(front + 0.02 * xe, 0.05 * xe, 0.00);
        Pointed(front + 0.08 * xe, 0.09 * xe, 0.13 * h * mien.Lip);
        for (var x = front + 0.22 * xe; x < back - 0.10 * xe; x += 0.10 * xe)
            Pointed(x, 0.09 * xe, 0.02 * h);
        if (mien.Gums)
            return;
        foreach (var x in new[] { 0.26, 0.36, 0.46 })
            fields.Add(
                new(
                    EnamelPart.Crease,
                    Curve.Line(new Knot(x * xe, 0.05 * h), new Knot((x + 0.06) * xe, 0.17 * h), new Knot((x + 0.03) * xe, 0.30 * h)),
                    null,
                    enamel.Line,
                    width
                )
            );
    }

    private void DrawTongue()
    {
        if (mien.Tongue == Tongue.Lick)
            Field(
                EnamelPart.Tongue,
                Curve.Loop(
                    new Knot(0.16 * xe, 0.66 * h, true),
                    new Knot(-0.02 * xe, 0.74 * h),
                    new Knot(-0.55 * nose, 0.50 * h),
                    new Knot(-0.62 * nose, 0.20 * h),
                    new Knot(-0.30 * nose, -0.02 * h),
                    new Knot(0.12 * nose, 0.02 * h),
                    new Knot(0.06 * nose, 0.30 * h),
                    new Knot(0.02 * xe, 0.54 * h),
                    new Knot(0.14 * xe, 0.60 * h)
                ),
                TongueShade
            );
        if (mien.Tongue == Tongue.Out)
            Field(
                EnamelPart.Tongue,
                Curve.Loop(
                    new Knot(0.50 * xe, 0.60 * h),
                    new Knot(0.18 * xe, 0.57 * h),
                    new Knot(0.02 * xe, 0.66 * h),
                    new Knot(-0.04 * xe, 1.02 * h),
                    new Knot(0.05 * xe, 1.30 * h),
                    new Knot(0.19 * xe, 1.22 * h),
                    new Knot(0.24 * xe, 0.90 * h),
                    new Knot(0.36 * xe, 0.70 * h)
                ),
                TongueShade,
                turns: true
            );
        if (mien.Drool)
            foreach (var (x, down) in new[] { (0.36, 0.62), (0.52, 0.40), (0.20, 0.34) })
                fields.Add(
                    new(
                        EnamelPart.Tongue,
                        Curve.Loop(
                            new Knot(x * xe - 0.5 * width, 0.72 * h),
                            new Knot(x * xe + 0.5 * width, 0.72 * h),
                            new Knot(x * xe + 0.7 * width, (0.72 + 0.7 * down) * h),
                            new Knot(x * xe + 1.6 * width, (0.72 + 0.94 * down) * h),
                            new Knot(x * xe, (0.74 + down) * h),
                            new Knot(x * xe - 1.6 * width, (0.72 + 0.94 * down) * h),
                            new Knot(x * xe - 0.7 * width, (0.72 + 0.7 * down) * h)
                        ),
                        "#e9eff0",
                        "#7f9296",
                        0.5 * width
                    )
                );
    }
}
