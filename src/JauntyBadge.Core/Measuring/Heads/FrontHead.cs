namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>A head from the front. The snout's section, eye spacing, skull width and the top of the skull are exact; the rest is proportion (House).</summary>
internal static class FrontHead
{
    public static DrawnView Draw(SnoutModel snout, HeadSketch sketch, HeadLook look)
    {
        var (h, w, top) = (snout.Height.Mm, snout.Width.Mm / 2, sketch.Top);
        var (skull, s) = (sketch.HalfSkull, sketch.HalfSpacing);
        var enamel = look.Enamel;
        var width = 0.016 * skull + 0.4;
        List<EnamelField> fields = [];
        void Both(EnamelPart part, IReadOnlyList<Knot> left, string? fill, string? line, double thick, bool inside = false)
        {
            fields.Add(new(part, Curve.Loop(left), fill, line, thick, inside));
            fields.Add(new(part, Curve.Loop([.. left.Select(k => k with { X = -k.X })]), fill, line, thick, inside));
        }

        Knot[] half =
        [
            new(0.50 * skull, 0.93 * top),
            new(0.90 * skull, 0.45 * top),
            new(skull, 0.25 * h),
            new(0.95 * skull, 0.62 * h),
            new(Math.Max(0.70 * skull, 0.92 * w), 0.96 * h),
            new(Math.Max(0.34 * skull, 0.5 * w), 1.09 * h),
        ];
        var contour = Curve.Loop([new Knot(0, top), .. half, new Knot(0, 1.12 * h), .. half.Reverse().Select(k => k with { X = -k.X })]);
        // Up from the top of the skull in half skull widths, down in heights.
        Knot Up(double x, double up, bool corner = false) => new(x * skull, 0.9 * top - up * skull, corner);
        Knot Down(double x, double y, bool corner = false) => new(x * skull, y * h, corner);
        (IReadOnlyList<Knot> Flap, IReadOnlyList<Knot>? Inner, bool Before) ear = look.Ears switch
        {
            Ears.Pricked => (
                [Up(0.34, -0.02), Up(0.52, 0.66), Up(0.86, 1.22, true), Up(1.04, 0.40), Up(0.94, -0.42)],
                [Up(0.50, 0.04), Up(0.62, 0.60), Up(0.83, 0.96), Up(0.92, 0.34), Up(0.84, -0.22)],
                false
            ),
            Ears.Cropped => (
                [Up(0.40, -0.02), Up(0.50, 0.70), Up(0.68, 1.40, true), Up(0.84, 0.50), Up(0.88, -0.36)],
                [Up(0.52, 0.04), Up(0.58, 0.66), Up(0.68, 1.10), Up(0.75, 0.44), Up(0.78, -0.16)],
                false
            ),
            Ears.Bat => (
                [Up(0.28, -0.02), Up(0.42, 0.70), Up(0.74, 1.24), Up(1.08, 1.00), Up(1.12, 0.30), Up(0.94, -0.40)],
                [Up(0.46, 0.06), Up(0.56, 0.66), Up(0.78, 1.0), Up(0.96, 0.80), Up(0.96, 0.26), Up(0.82, -0.18)],
                false
            ),
            Ears.Fringed => (
                [Up(0.34, 0.0), Up(0.66, 0.80), Up(1.20, 1.06, true), Up(1.56, 0.44), Up(1.66, -0.30, true), Up(1.34, -0.16), Up(0.96, -0.40)],
                [Up(0.54, 0.06), Up(0.76, 0.64), Up(1.12, 0.80), Up(1.24, 0.34), Up(0.90, -0.14)],
                false
            ),
            Ears.Tipped => (
                [Up(0.34, -0.02), Up(0.46, 0.52), Up(0.62, 0.78), Up(0.98, 0.80), Up(1.10, 0.30), Up(0.94, -0.42)],
                [Up(0.50, 0.02), Up(0.60, 0.36), Up(0.92, 0.30), Up(0.84, -0.20)],
                false
            ),
            Ears.Button => ([Up(0.42, 0.02), Up(0.72, 0.22), Up(1.06, 0.10), Down(1.10, 0.02), Down(0.86, 0.20, true), Down(0.56, -0.10)], null, true),
            Ears.Rose => (
                [Up(0.60, -0.12), Up(0.92, 0.14), Up(1.36, 0.10, true), Down(1.24, -0.02), Up(0.96, -0.42)],
                [Up(0.80, -0.06), Up(1.02, 0.04), Up(1.18, -0.02), Up(0.98, -0.24)],
                false
            ),
            Ears.Long => (
                [Up(0.70, -0.30), Up(1.06, -0.34), Down(1.36, 0.36), Down(1.42, 1.02), Down(1.16, 1.40), Down(0.92, 1.04), Down(0.88, 0.30)],
                null,
                true
            ),
            _ => ([Up(0.60, -0.02), Up(0.98, -0.06), Down(1.30, 0.22), Down(1.28, 0.60), Down(1.06, 0.84), Down(0.90, 0.44), Down(0.82, 0.02)], null, true),
        };
        var earFill = TopHead.EarOn(look, enamel);
        if (!ear.Before)
            Both(EnamelPart.Ear, ear.Flap, earFill, enamel.Line, width);
        if (!ear.Before && ear.Inner is { } inner)
            Both(EnamelPart.InnerEar, inner, enamel.InnerEar, enamel.Line, 0.6 * width);
        fields.Add(new(EnamelPart.Head, contour, enamel.Coat, enamel.Line, width));
        void Inside(EnamelPart part, Curve curve, string fill, double opacity = 1) =>
            fields.Add(new(part, curve, fill, null, 0, Inside: true, Opacity: opacity));
        var section = Curve.Polygon(SnoutSection.Outline(snout.Height.Value, snout.Width.Value));
        var y0 = 0.06 * h;
        switch (look.Pattern)
        {
            case CoatPattern.BlazeAndCollar:
                Inside(
                    EnamelPart.Muzzle,
                    Curve.Loop(
                        new Knot(-0.10 * skull, 1.1 * top),
                        new Knot(0.10 * skull, 1.1 * top),
                        new Knot(0.14 * skull, 0),
                        new Knot(1.06 * w, 0.5 * h),
                        new Knot(0.9 * w, 1.3 * h),
                        new Knot(-0.9 * w, 1.3 * h),
                        new Knot(-1.06 * w, 0.5 * h),
                        new Knot(-0.14 * skull, 0)
                    ),
                    Enamel.Markings
                );
                break;
            case CoatPattern.Patched:
                Inside(
                    EnamelPart.Patch,
                    Curve.Loop(
                        new Knot(0.10 * skull, 1.2 * top),
                        new Knot(1.2 * skull, 1.2 * top),
                        new Knot(1.2 * skull, 0.5 * h),
                        new Knot(0.72 * skull, 0.42 * h),
                        new Knot(0.24 * skull, 0.10 * h)
                    ),
                    look.Patched.Patch
                );
                break;
            case CoatPattern.TanPoints or CoatPattern.Spitz:
                var pale = look.Pattern == CoatPattern.TanPoints ? SidePattern.Tan : Enamel.Markings;
                Inside(
                    EnamelPart.Muzzle,
                    Curve.Loop(
                        new Knot(0, 0.36 * h),
                        new Knot(0.8 * w, 0.30 * h),
                        new Knot(0.92 * skull, 0.48 * h),
                        new Knot(0.8 * skull, 1.3 * h),
                        new Knot(-0.8 * skull, 1.3 * h),
                        new Knot(-0.92 * skull, 0.48 * h),
                        new Knot(-0.8 * w, 0.30 * h)
                    ),
                    pale
                );
                Both(
                    EnamelPart.Patch,
                    [new(s, 0.30 * top), new(s + 0.10 * skull, 0.42 * top), new(s + 0.20 * skull, 0.32 * top), new(s + 0.10 * skull, 0.18 * top)],
                    pale,
                    null,
                    0,
                    inside: true
                );
                break;
        }

        // The cheeks fall away from the light.
        foreach (var side in new[] { -1, 1 })
        {
            Inside(
                EnamelPart.Shade,
                Curve.Loop(
                    new Knot(side * 0.80 * skull, 0.10 * h),
                    new Knot(side * 1.2 * skull, 0.05 * h),
                    new Knot(side * 1.1 * skull, 1.2 * h),
                    new Knot(side * 0.5 * skull, 1.2 * h),
                    new Knot(side * 0.74 * skull, 0.72 * h)
                ),
                enamel.Shade,
                0.5
            );
        }

        var muzzle = look.Pattern switch
        {
            CoatPattern.Mask => SidePattern.Dark,
            CoatPattern.BlazeAndCollar or CoatPattern.Spitz => Enamel.Markings,
            CoatPattern.TanPoints => SidePattern.Tan,
            _ => enamel.Coat,
        };
        var on = Enamel.LineOn(muzzle);
        fields.Add(new(EnamelPart.Muzzle, section, muzzle, null, 0));
        fields.Add(new(EnamelPart.Crease, section, null, on, 0.6 * width, Opacity: 0.45));
        var mouth = (0.58 + 0.16 * look.Lips) * h;
        fields.Add(
            new(
                EnamelPart.Crease,
                Curve.Line(
                    new Knot(-0.66 * w, mouth + 0.06 * h),
                    new Knot(-0.24 * w, mouth + 0.02 * h),
                    new Knot(0, 0.46 * h, true),
                    new Knot(0.24 * w, mouth + 0.02 * h),
                    new Knot(0.66 * w, mouth + 0.06 * h)
                ),
                null,
                on,
                0.8 * width
            )
        );
        fields.Add(new(EnamelPart.Crease, Curve.Line(new Knot(0, 0.28 * h), new Knot(0, 0.47 * h)), null, on, 0.8 * width));
        var r = 0.13 * skull;
        Knot[] eye =
        [
            new(s, y0, true),
            new(s + 0.55 * r, y0 - 0.62 * r),
            new(s + 1.35 * r, y0 - 0.70 * r),
            new(s + 2.0 * r, y0 - 0.30 * r, true),
            new(s + 1.3 * r, y0 + 0.34 * r),
            new(s + 0.55 * r, y0 + 0.34 * r),
        ];
        Both(EnamelPart.Eye, eye, "#f3ead6", null, 0);
        void Discs(EnamelPart part, double x, double y, double radius, string fill) =>
            Both(part, [new(x - radius, y), new(x, y - radius), new(x + radius, y), new(x, y + radius)], fill, null, 0);
        Discs(EnamelPart.Iris, s + 1.0 * r, y0 - 0.16 * r, 0.50 * r, "#7a4a1e");
        Discs(EnamelPart.Pupil, s + 1.0 * r, y0 - 0.16 * r, 0.26 * r, Enamel.Leather);
        Both(EnamelPart.Lid, eye, null, enamel.Line, 0.9 * width);
        fields.Add(
            new(
                EnamelPart.Nose,
                Curve.Loop(
                    new Knot(0, 0.015 * h),
                    new Knot(0.34 * w, 0.04 * h),
                    new Knot(0.44 * w, 0.15 * h),
                    new Knot(0.20 * w, 0.27 * h),
                    new Knot(0, 0.29 * h),
                    new Knot(-0.20 * w, 0.27 * h),
                    new Knot(-0.44 * w, 0.15 * h),
                    new Knot(-0.34 * w, 0.04 * h)
                ),
                Enamel.Leather,
                on,
                0.8 * width
            )
        );
        Both(
            EnamelPart.Nostril,
            [new(0.12 * w, 0.16 * h), new(0.24 * w, 0.11 * h), new(0.33 * w, 0.16 * h), new(0.22 * w, 0.20 * h)],
            enamel.IsDark ? enamel.Line : "#000000",
            null,
            0
        );
        if (ear.Before)
            Both(EnamelPart.Ear, ear.Flap, earFill, enamel.Line, width);
        return new DrawnView(fields, contour);
    }
}
