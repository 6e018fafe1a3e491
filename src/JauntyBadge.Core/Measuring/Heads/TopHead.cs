namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>A head from above. Lengths along it, snout width, eye spacing and skull width are exact; the rest is proportion (House).</summary>
internal static class TopHead
{
    public static DrawnView Draw(SnoutModel snout, HeadSketch sketch, HeadLook look)
    {
        var (xe, xf, w) = (sketch.Eye, snout.FitLine.Mm, snout.Width.Mm / 2);
        var (skull, s, b) = (sketch.HalfSkull, sketch.HalfSpacing, sketch.Occiput - sketch.Eye);
        var enamel = look.Enamel;
        var width = 0.0095 * sketch.Occiput;
        double X(double share) => sketch.Behind(share);
        List<EnamelField> fields = [];
        void Both(EnamelPart part, IReadOnlyList<Knot> left, string fill, string? line, double thick, bool inside = false)
        {
            fields.Add(new(part, Curve.Loop(left), fill, line, thick, inside));
            fields.Add(new(part, Curve.Loop([.. left.Select(k => k with { Y = -k.Y })]), fill, line, thick, inside));
        }

        Knot[] half =
        [
            new(0.012 * xe, 0.24 * w),
            new(0.07 * xe, 0.56 * w),
            new(0.5 * xf, 0.86 * w),
            new(xf, w),
            new(xe, Math.Max(w, s) * 1.04),
            new(X(0.28), 0.93 * skull),
            new(X(0.52), skull),
            new(X(0.85), 0.80 * skull),
            new(X(1.15), 0.70 * skull),
            new(X(1.60), 0.84 * skull),
            new(X(2.0), 0.96 * skull),
        ];
        var contour = Curve.Loop([new Knot(0, 0), .. half, .. half.Reverse().Select(k => k with { Y = -k.Y })]);
        Knot At(double along, double across, bool corner = false) => new(X(along), across * skull, corner);
        var upright = look.Ears is Ears.Pricked or Ears.Cropped or Ears.Bat or Ears.Tipped or Ears.Fringed;
        IReadOnlyList<Knot> ear = look.Ears switch
        {
            Ears.Long => [At(0.50, 0.82), At(0.50, 1.24), At(0.62, 1.52), At(0.92, 1.62), At(1.10, 1.30), At(0.96, 0.84)],
            Ears.Button => [At(0.62, 0.52), At(0.40, 0.70), At(0.36, 1.06, true), At(0.62, 1.12), At(0.86, 0.94), At(0.82, 0.60)],
            Ears.Rose => [At(0.60, 0.62), At(0.72, 0.98), At(1.04, 1.04), At(1.32, 0.92, true), At(1.06, 0.70), At(0.80, 0.54)],
            _ when upright => [At(0.46, 0.44), At(0.44, 0.86), At(0.58, 1.10, true), At(0.80, 0.92), At(0.84, 0.52), At(0.66, 0.36)],
            _ => [At(0.52, 0.84), At(0.54, 1.28), At(0.78, 1.46), At(1.00, 1.16), At(0.90, 0.80)],
        };
        if (!upright)
            Both(EnamelPart.FarEar, ear, EarOn(look, enamel), enamel.Line, width);
        fields.Add(new(EnamelPart.Head, contour, enamel.Coat, enamel.Line, width, Fades: true));
        void Inside(EnamelPart part, Curve curve, string fill, double opacity = 1) =>
            fields.Add(new(part, curve, fill, null, 0, Inside: true, Fades: true, Opacity: opacity));
        Curve Muzzle(double back) =>
            Curve.Loop(
                new Knot(-0.2 * xe, -1.5 * w),
                new Knot(0.7 * back * xe, -1.5 * w),
                new Knot(back * xe, -0.5 * w),
                new Knot(1.06 * back * xe, 0),
                new Knot(back * xe, 0.5 * w),
                new Knot(0.7 * back * xe, 1.5 * w),
                new Knot(-0.2 * xe, 1.5 * w)
            );
        switch (look.Pattern)
        {
            case CoatPattern.Mask:
                Inside(EnamelPart.Muzzle, Muzzle(0.86), SidePattern.Dark);
                break;
            case CoatPattern.BlazeAndCollar:
                Inside(EnamelPart.Muzzle, Muzzle(0.46), Enamel.Markings);
                Inside(
                    EnamelPart.Muzzle,
                    Curve.Loop(
                        new Knot(0.2 * xe, -0.4 * w),
                        new Knot(xe, -0.24 * w),
                        new Knot(X(0.35), 0),
                        new Knot(xe, 0.24 * w),
                        new Knot(0.2 * xe, 0.4 * w)
                    ),
                    Enamel.Markings
                );
                Inside(
                    EnamelPart.Underside,
                    Curve.Loop(At(1.22, -1.5), At(1.16, 0), At(1.22, 1.5), At(1.75, 1.5), At(1.70, 0), At(1.75, -1.5)),
                    Enamel.Markings
                );
                break;
            case CoatPattern.Patched:
                Inside(
                    EnamelPart.Patch,
                    Curve.Loop(
                        new Knot(0.92 * xe, 0.2 * w),
                        At(0.2, 0.1),
                        At(0.8, 0.06),
                        At(1.05, 0.5),
                        At(1.0, 1.4),
                        At(0.3, 1.4),
                        new Knot(0.94 * xe, 1.4 * s)
                    ),
                    look.Patched.Patch
                );
                break;
            case CoatPattern.TanPoints or CoatPattern.Spitz:
                var pale = look.Pattern == CoatPattern.TanPoints ? SidePattern.Tan : Enamel.Markings;
                foreach (var side in new[] { -1, 1 })
                {
                    Inside(
                        EnamelPart.Muzzle,
                        Curve.Loop(
                            new Knot(-0.1 * xe, side * 0.5 * w),
                            new Knot(0.4 * xe, side * 0.50 * w),
                            new Knot(0.9 * xe, side * 0.86 * w),
                            new Knot(0.8 * xe, side * 1.6 * w),
                            new Knot(-0.1 * xe, side * 1.6 * w)
                        ),
                        pale
                    );
                }

                break;
            case CoatPattern.Merle or CoatPattern.Ticked:
                foreach (var (along, across) in new[] { (-0.3, 0.3), (0.2, -0.5), (0.5, 0.3), (0.8, -0.2), (1.3, 0.4), (1.5, -0.4), (0.3, 0.62) })
                {
                    var r = (look.Pattern == CoatPattern.Merle ? 0.10 : 0.03) * b;
                    var (x, y) = (X(along), across * skull);
                    Inside(
                        EnamelPart.Patch,
                        Curve.Loop(new Knot(x - r, y), new Knot(x, y - 0.8 * r), new Knot(x + 1.2 * r, y + 0.1 * r), new Knot(x, y + 0.9 * r)),
                        Enamel.Mix(enamel.Coat, "#1e2326", 0.72),
                        0.9
                    );
                }

                break;
        }

        // The furrow between the eyes, and the shade beside the bridge.
        foreach (var side in new[] { -1, 1 })
        {
            Inside(
                EnamelPart.Shade,
                Curve.Loop(
                    new Knot(0.30 * xe, side * 0.66 * w),
                    new Knot(0.80 * xe, side * 0.56 * w),
                    new Knot(xe, side * 0.72 * s),
                    new Knot(0.90 * xe, side * 1.4 * w),
                    new Knot(0.30 * xe, side * 1.4 * w)
                ),
                enamel.Shade,
                0.45
            );
        }

        fields.Add(
            new(EnamelPart.Crease, Curve.Line(new Knot(0.98 * xe, 0), new Knot(X(0.12), 0), new Knot(X(0.30), 0)), null, enamel.Line, 0.6 * width, Opacity: 0.6)
        );
        var r0 = 0.13 * b;
        Knot[] eye = [new(xe, s, true), new(xe + 0.5 * r0, s + 0.05 * r0), new(xe + 1.25 * r0, s + 0.85 * r0, true), new(xe + 0.45 * r0, s + 0.95 * r0)];
        Both(EnamelPart.Eye, eye, "#f3ead6", null, 0);
        var (px, py) = (xe + 0.60 * r0, s + 0.48 * r0);
        Both(EnamelPart.Iris, [new(px - 0.32 * r0, py), new(px, py - 0.32 * r0), new(px + 0.32 * r0, py), new(px, py + 0.32 * r0)], Enamel.Leather, null, 0);
        foreach (var field in fields.Where(f => f.Part == EnamelPart.Eye).ToList())
            fields.Add(field with { Part = EnamelPart.Lid, Fill = null, Line = enamel.Line, Width = 0.9 * width });
        fields.Add(
            new(
                EnamelPart.Nose,
                Curve.Loop(
                    new Knot(0, 0),
                    new Knot(0.016 * xe, 0.26 * w),
                    new Knot(0.10 * xe, 0.32 * w),
                    new Knot(0.16 * xe, 0.14 * w),
                    new Knot(0.17 * xe, 0),
                    new Knot(0.16 * xe, -0.14 * w),
                    new Knot(0.10 * xe, -0.32 * w),
                    new Knot(0.016 * xe, -0.26 * w)
                ),
                Enamel.Leather,
                enamel.Line,
                0.8 * width
            )
        );
        if (upright)
        {
            Both(EnamelPart.Ear, ear, EarOn(look, enamel), enamel.Line, width);
            Both(
                EnamelPart.InnerEar,
                [At(0.52, 0.56), At(0.50, 0.82), At(0.58, 0.98), At(0.68, 0.80), At(0.66, 0.54)],
                enamel.InnerEar,
                enamel.Line,
                0.6 * width
            );
        }

        return new DrawnView(fields, contour, new(X(1.35), 0), new(X(1.95), 0));
    }

    /// <summary>The colour of an ear on a head.</summary>
    public static string EarOn(HeadLook look, Enamel enamel) =>
        look.Pattern switch
        {
            CoatPattern.Patched => Enamel.Tone(look.Patched.Patch, 0.92),
            CoatPattern.Mask => Enamel.Mix(enamel.Ear, SidePattern.Dark, 0.45),
            _ => enamel.Ear,
        };
}
