namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>A head from the side. Nose tip, bridge at the fit line, stop, base of the skull, inner eye, lower border, hinge and high neck are exact; the rest is proportion (House).</summary>
internal sealed class SideHead
{
    private readonly SnoutModel snout;
    private readonly HeadSketch sketch;
    private readonly HeadLook look;
    private readonly Enamel enamel;
    private readonly double xe;
    private readonly double xf;
    private readonly double h;
    private readonly double xh;
    private readonly double b;
    private readonly double top;
    private readonly double nose;
    private readonly double steep;
    private readonly double lips;
    private readonly double width;
    private readonly Knot corner;
    private readonly List<EnamelField> fields = [];

    public SideHead(SnoutModel snout, HeadSketch sketch, HeadLook look)
    {
        (this.snout, this.sketch, this.look) = (snout, sketch, look);
        enamel = new Enamel(look.Pattern == CoatPattern.Patched ? Patched(look.CoatHex).Ground : look.CoatHex);
        (xe, xf, h, xh) = (snout.EyeLine.Mm, snout.FitLine.Mm, snout.Height.Mm, snout.Hinge.Mm);
        (b, top) = (sketch.Occiput - xe, sketch.Top);
        nose = Math.Min(0.20 * h + 0.035 * xe, 0.4 * xe);
        var shape = snout.Numbers.HeadShape;
        steep =
            look.Stop
            ?? (
                shape == HeadShape.Short ? 1.0
                : shape == HeadShape.Long ? 0.2
                : 0.55
            );
        lips = look.Lips;
        width = 0.0095 * sketch.Occiput;
        corner = new((shape == HeadShape.Short ? 0.76 : 0.80) * xe, 0.70 * h);
        var girth = (snout.NeckGirth?.Millimeters ?? snout.Girth.Mm * 1.55) / Math.PI;
        // The collar lies a little way down the neck, square to it; the throat comes to it from under the hinge.
        var (down, back) = (36 * Math.PI / 180, Math.Max(0.34 * girth, 0.55 * (xh - sketch.Occiput) + 0.62 * girth));
        NeckTop = new(sketch.Occiput + 0.92 * back, 0.55 * top + 0.36 * back);
        NeckUnder = new(NeckTop.X - girth * Math.Sin(down), NeckTop.Y + girth * Math.Cos(down));
        Contour = Curve.Loop([.. Upper(), .. Neck(), .. Lips()]);
        Jaw = Curve.Loop(LowerJaw());
        Eye = Curve.Loop(Lids());
        EyeCorner = new(xe, 0.06 * h);
    }

    public PointMm NeckTop { get; }
    public PointMm NeckUnder { get; }
    public PointMm EyeCorner { get; }

    /// <summary>The head and neck without the lower jaw.</summary>
    public Curve Contour { get; }

    /// <summary>The lower jaw, closed; it begins with the lower border.</summary>
    public Curve Jaw { get; }

    public Curve Eye { get; }

    public Curve Nose => Curve.Loop(Leather());

    /// <summary>Where the neck begins to fade, and where it is gone.</summary>
    public (PointMm From, PointMm To) Fade => (Back(Middle(NeckTop, NeckUnder), 0.05), Back(Middle(NeckTop, NeckUnder), 0.52));

    /// <summary>Everything there is to draw, the hindmost first.</summary>
    public DrawnView Draw()
    {
        var ear = EarShapes.FromTheSide(look.Ears, sketch, h);
        if (ear.ShowsFar)
            Field(EnamelPart.FarEar, Curve.Loop(EarShapes.Moved(ear.Flap, -0.15 * b, 0)), enamel.FarEar);
        DrawJaw();
        SideFur.DrawBehind(this, Fur);
        Field(EnamelPart.Head, Contour, enamel.Coat, fades: true);
        SidePattern.Draw(this, Inside);
        Shades();
        if (SidePattern.MuzzleOf(look.Pattern) is { } muzzle && LineOn(muzzle) is var edge && edge != enamel.Line)
            fields.Add(new(EnamelPart.Crease, Curve.Line([.. Lips().Skip(2), .. Upper().TakeWhile(k => k.X < 0.97 * xe)]), null, edge, width));
        Creases();
        DrawEye();
        DrawNose();
        Field(EnamelPart.Ear, Curve.Loop(ear.Flap), TopHead.EarOn(look, enamel));
        if (ear.Inner is { } inner)
            Field(EnamelPart.InnerEar, Curve.Loop(inner), enamel.InnerEar, width * 0.6);
        SideFur.Draw(this, ear, Fur);
        return new DrawnView(fields, Contour, Fade.From, Fade.To);
    }

    public SnoutModel Snout => snout;
    public HeadLook Look => look;
    public Enamel Enamel => enamel;
    public double Xe => xe;
    public double H => h;
    public double B => b;
    public double Top => top;
    public Knot Corner => corner;

    /// <summary>A share of the way from the eye line to the base of the skull.</summary>
    public double X(double share) => sketch.Behind(share);

    /// <summary>Back along the neck, square to the line the collar lies on.</summary>
    public PointMm Back(PointMm from, double share) => new(from.X + share * (NeckUnder.Y - NeckTop.Y), from.Y + share * (NeckTop.X - NeckUnder.X));

    private static PointMm Middle(PointMm a, PointMm c) => new((a.X + c.X) / 2, (a.Y + c.Y) / 2);

    /// <summary>What is white ground and what is coloured patch on a patched coat.</summary>
    public static (string Ground, string Patch) Patched(string coat) => Enamel.Contrast(coat, "#ffffff") < 2.2 ? (coat, "#8a5630") : ("#efe7d6", coat);

    private IEnumerable<Knot> Upper()
    {
        var (arch, hollow) = look.Bridge switch
        {
            Bridge.Roman => (0.07 * h, 0),
            Bridge.Dished => (0, 0.035 * h),
            Bridge.Filled => (0.10 * h, 0),
            _ => (0.0, 0.0),
        };
        yield return new(0.012 * xe, 0.34 * h);
        yield return new(-0.002 * xe, 0.18 * h);
        yield return new(0, 0.05 * h);
        yield return new(0.22 * nose, -0.035 * nose);
        yield return new(0.62 * nose, -0.06 * nose - 0.3 * hollow);
        if (xf > 1.9 * nose)
            yield return new(0.5 * xf, -arch + hollow);
        yield return new(xf, 0);
        yield return new(sketch.Stop, 0.24 * top);
        if (look.Bridge != Bridge.Filled)
            yield return new(Math.Max(X(0.13 + 0.11 * (1 - steep)), sketch.Stop + 0.06 * b), (0.60 + 0.22 * steep) * top);
        yield return new(X(0.42), 1.0 * top);
        yield return new(X(0.66), 0.99 * top);
        yield return new(X(0.88), 0.80 * top);
        yield return new(sketch.Occiput, 0.55 * top);
    }

    private IEnumerable<Knot> Neck()
    {
        Knot At(PointMm p) => new(p.X, p.Y);
        yield return At(NeckTop);
        yield return At(Back(NeckTop, 0.34));
        yield return At(Back(NeckTop, 0.78));
        yield return At(Back(NeckUnder, 0.78));
        yield return At(Back(NeckUnder, 0.34));
        yield return At(NeckUnder);
        // The throat comes up to the bump under the hinge.
        yield return new(xh + 0.30 * (NeckUnder.X - xh) + 0.02 * b, h + 0.30 * (NeckUnder.Y - h));
        yield return new(xh, h);
    }

    private IEnumerable<Knot> Lips()
    {
        yield return new(0.5 * (xh + corner.X) + 0.06 * b, 0.885 * h + 0.05 * h * lips);
        yield return new(corner.X + 0.07 * b, 0.79 * h + 0.11 * h * lips);
        yield return new(corner.X - 0.02 * xe, 0.72 * h + 0.15 * h * lips);
        yield return new(0.60 * xe, 0.685 * h + 0.20 * h * lips);
        yield return new(0.36 * xe, 0.665 * h + 0.16 * h * lips);
        yield return new(0.15 * xe, 0.635 * h + 0.09 * h * lips);
        yield return new(0.035 * xe, 0.56 * h + 0.03 * h * lips);
        yield return new(0.018 * xe, 0.46 * h);
    }

    /// <summary>The lower border as the model judges by it, then forward over lip and cheek; what the open mouth bares of the cheek lies behind the head while it is closed.</summary>
    private List<Knot> LowerJaw()
    {
        var chin = snout.Chin;
        Knot On(double share) => new(chin.X + share * (xf - chin.X), chin.Y + share * (h - chin.Y));
        var hinge = snout.HingePoint;
        var (r, from) = (Math.Sqrt(Sq(corner.X - hinge.X) + Sq(corner.Y - hinge.Y)), Math.Atan2(corner.Y - hinge.Y, corner.X - hinge.X));
        Knot Cheek(double degrees, double share) =>
            new(hinge.X + share * r * Math.Cos(from + degrees * Math.PI / 180), hinge.Y + share * r * Math.Sin(from + degrees * Math.PI / 180));
        var forward = look.Undershot ? 0.045 * xe : 0;
        return
        [
            new(chin.X, chin.Y),
            On(0.05),
            On(0.2),
            On(0.5),
            new(xf, h, true),
            new(0.5 * (xf + xh), h),
            new(0.98 * xh, h),
            new(xh, h, true),
            new(xh + 0.05 * b, 0.80 * h),
            new(xh + 0.02 * b, hinge.Y + 0.1 * h),
            Cheek(32, 0.86),
            Cheek(20, 0.80),
            Cheek(8, 0.86),
            new(corner.X, corner.Y + 0.015 * h),
            new(0.52 * xe, 0.675 * h),
            new(0.24 * xe, 0.655 * h),
            new(Math.Max(chin.X + 0.03 * xe, 0.06 * xe) - forward, (look.Undershot ? 0.60 : 0.645) * h),
            new(chin.X - 0.010 * xe - forward, (look.Undershot ? 0.635 : 0.685) * h),
            new(chin.X - 0.012 * xe - 0.4 * forward, chin.Y - 0.06 * h),
        ];
    }

    private static double Sq(double x) => x * x;

    private List<Knot> Lids()
    {
        var (ex, ey, r) = (xe, 0.06 * h, EyeSize);
        return
        [
            new(ex, ey, true),
            new(ex + 0.50 * r, ey - 0.62 * r),
            new(ex + 1.25 * r, ey - 0.74 * r),
            new(ex + 1.95 * r, ey - 0.06 * r, true),
            new(ex + 1.40 * r, ey + 0.46 * r),
            new(ex + 0.60 * r, ey + 0.40 * r),
        ];
    }

    public double EyeSize => snout.Numbers.HeadShape == HeadShape.Short ? 0.070 * b + 0.026 * h : 0.058 * b + 0.022 * h;

    private Knot[] Leather() =>
        [
            new(0.012 * xe, 0.34 * h),
            new(-0.002 * xe, 0.18 * h),
            new(0, 0.05 * h),
            new(0.22 * nose, -0.035 * nose),
            new(0.62 * nose, -0.06 * nose),
            new(0.98 * nose, 0.02 * nose),
            new(1.0 * nose, 0.34 * nose),
            new(0.80 * nose, 0.72 * nose),
            new(0.46 * nose, 0.98 * nose),
        ];

    private void DrawJaw()
    {
        var chin = snout.Chin;
        var fill = look.Pattern switch
        {
            CoatPattern.Mask => SidePattern.Dark,
            CoatPattern.TanPoints => Enamel.Tone(SidePattern.Tan, 0.85),
            CoatPattern.BlazeAndCollar or CoatPattern.Spitz => Enamel.Tone(Enamel.Markings, 0.86),
            _ => enamel.Shade,
        };
        // Bared by the open mouth only: tongue and tooth behind the lip, which hides them while it is closed.
        var lip = 0.655 * h;
        fields.Add(
            new(
                EnamelPart.Tongue,
                Curve.Loop(
                    new Knot(corner.X - 0.02 * xe, 0.640 * h),
                    new Knot(0.52 * xe, 0.575 * h),
                    new Knot(0.24 * xe, 0.560 * h),
                    new Knot(chin.X + 0.08 * xe, 0.615 * h),
                    new Knot(0.24 * xe, 0.650 * h),
                    new Knot(0.55 * xe, 0.668 * h)
                ),
                "#c66c66",
                enamel.Line,
                0.5 * width,
                Turns: true
            )
        );
        var x = chin.X + 0.035 * xe;
        fields.Add(
            new(
                EnamelPart.Teeth,
                Curve.Loop(new Knot(x, lip + 0.02 * h, true), new Knot(x + 0.018 * xe, lip - 0.10 * h, true), new Knot(x + 0.045 * xe, lip + 0.02 * h, true)),
                "#f6efdf",
                enamel.Line,
                0.45 * width,
                Turns: true
            )
        );
        fields.Add(new(EnamelPart.Jaw, Jaw, fill, LineOn(fill), width, Turns: true));
    }

    private void Shades()
    {
        // Under the cheek, behind the ear and down the neck; and the hollow before the eye.
        Inside(
            EnamelPart.Shade,
            Curve.Loop(
                new Knot(X(0.16), 1.02 * h),
                new Knot(X(0.46), 0.88 * h),
                new Knot(X(0.72), 0.55 * h),
                new Knot(X(0.92), 0.02 * h),
                new Knot(X(1.04), 0.6 * top),
                new Knot(X(1.22), 0.2 * top),
                new Knot(X(1.08), 0.70 * h),
                new Knot(Back(NeckUnder, 0.10).X, Back(NeckUnder, 0.10).Y - 0.05 * h),
                new Knot(Back(NeckUnder, 0.45).X + 0.1 * b, Back(NeckUnder, 0.45).Y),
                new Knot(Back(NeckUnder, 0.60).X, Back(NeckUnder, 0.60).Y + 0.3 * h),
                new Knot(NeckUnder.X - 0.2 * b, NeckUnder.Y + 0.1 * h)
            ),
            enamel.Shade,
            0.6
        );
        Inside(
            EnamelPart.Shade,
            Curve.Loop(
                new Knot(0.60 * xe, 0.08 * h),
                new Knot(0.86 * xe, 0.14 * h),
                new Knot(X(0.06), 0.36 * h),
                new Knot(X(-0.02), 0.52 * h),
                new Knot(0.78 * xe, 0.42 * h),
                new Knot(0.56 * xe, 0.20 * h)
            ),
            enamel.Shade,
            0.4
        );
    }

    private void Creases()
    {
        void Crease(double share, double opacity, params Knot[] knots) =>
            fields.Add(new(EnamelPart.Crease, Curve.Line(knots), null, enamel.Line, share * width, Opacity: opacity));
        // The mouth goes on a little way behind the lips.
        Crease(
            0.8,
            0.9,
            new Knot(corner.X - 0.05 * xe, 0.70 * h + 0.10 * h * lips),
            new Knot(corner.X + 0.05 * b, 0.73 * h + 0.06 * h * lips),
            new Knot(corner.X + 0.09 * b, 0.66 * h)
        );
        Crease(0.6, 0.5, new Knot(X(0.34), 0.50 * h), new Knot(X(0.44), 0.70 * h), new Knot(X(0.38), 0.90 * h));
        if (snout.Numbers.HeadShape == HeadShape.Short)
        {
            Crease(0.7, 0.8, new Knot(0.66 * xe, -0.01 * h), new Knot(0.76 * xe, 0.16 * h), new Knot(0.64 * xe, 0.36 * h));
            Crease(0.6, 0.6, new Knot(X(0.10), 0.40 * h), new Knot(X(0.13), 0.62 * h));
        }

        if (lips > 0.7)
            Crease(0.6, 0.6, new Knot(0.44 * xe, 0.42 * h), new Knot(0.56 * xe, 0.66 * h), new Knot(0.52 * xe, 0.80 * h));
        foreach (var (x, y) in new[] { (0.26, 0.42), (0.34, 0.50), (0.42, 0.44), (0.30, 0.56) })
            Crease(0.9, 0.7, new Knot(x * xe, y * h), new Knot(x * xe + 0.5 * width, y * h + 0.2 * width));
    }

    private void DrawEye()
    {
        var (ex, ey, r) = (xe, 0.06 * h, EyeSize);
        Curve Disc(double x, double y, double radius) =>
            Curve.Loop(new Knot(x - radius, y), new Knot(x, y - radius), new Knot(x + radius, y), new Knot(x, y + radius));
        fields.Add(new(EnamelPart.Eye, Eye, "#f3ead6", null, 0));
        fields.Add(
            new(
                EnamelPart.Iris,
                Curve.Loop(
                    new Knot(ex + 0.34 * r, ey - 0.30 * r),
                    new Knot(ex + 0.70 * r, ey - 0.68 * r),
                    new Knot(ex + 1.25 * r, ey - 0.72 * r),
                    new Knot(ex + 1.62 * r, ey - 0.40 * r),
                    new Knot(ex + 1.58 * r, ey + 0.26 * r),
                    new Knot(ex + 1.15 * r, ey + 0.47 * r),
                    new Knot(ex + 0.62 * r, ey + 0.38 * r)
                ),
                look.CoatHex == "#8f9496" ? "#7d9db0" : "#7a4a1e",
                null,
                0
            )
        );
        fields.Add(new(EnamelPart.Pupil, Disc(ex + 1.0 * r, ey - 0.12 * r, 0.34 * r), Enamel.Leather, null, 0));
        fields.Add(new(EnamelPart.Glint, Disc(ex + 0.80 * r, ey - 0.36 * r, 0.15 * r), "#ffffff", null, 0));
        fields.Add(new(EnamelPart.Lid, Eye, null, enamel.Line, 0.95 * width));
        fields.Add(
            new(
                EnamelPart.Crease,
                Curve.Line(new Knot(ex + 0.15 * r, ey - 1.0 * r), new Knot(ex + 0.95 * r, ey - 1.36 * r), new Knot(ex + 1.9 * r, ey - 1.0 * r)),
                null,
                enamel.Line,
                0.7 * width,
                Opacity: 0.75
            )
        );
    }

    private void DrawNose()
    {
        fields.Add(new(EnamelPart.Nose, Nose, Enamel.Leather, enamel.Line, 0.8 * width));
        fields.Add(
            new(
                EnamelPart.Nostril,
                Curve.Loop(
                    new Knot(0.28 * nose, 0.46 * nose),
                    new Knot(0.46 * nose, 0.36 * nose),
                    new Knot(0.70 * nose, 0.46 * nose),
                    new Knot(0.62 * nose, 0.60 * nose),
                    new Knot(0.40 * nose, 0.62 * nose)
                ),
                enamel.IsDark ? enamel.Line : "#000000",
                null,
                0,
                Opacity: 0.8
            )
        );
        fields.Add(
            new(
                EnamelPart.Glint,
                Curve.Line(new Knot(0.26 * nose, 0.10 * nose), new Knot(0.62 * nose, 0.06 * nose)),
                null,
                "#ffffff",
                0.55 * width,
                Opacity: 0.5
            )
        );
    }

    /// <summary>The head's line, as long as it is seen on a field.</summary>
    private string LineOn(string fill) => Enamel.Contrast(fill, enamel.Line) >= 1.75 ? enamel.Line : Enamel.LineOn(fill);

    private void Fur(Curve curve, string? fill, string? line, bool turns, bool fades) =>
        fields.Add(new(EnamelPart.Fur, curve, fill, line, 0.8 * width, Turns: turns, Fades: fades));

    private void Field(EnamelPart part, Curve curve, string fill, double? line = null, bool fades = false) =>
        fields.Add(new(part, curve, fill, enamel.Line, line ?? width, Fades: fades));

    private void Inside(EnamelPart part, Curve curve, string fill, double opacity = 1) =>
        fields.Add(new(part, curve, fill, null, 0, Inside: true, Fades: true, Opacity: opacity));
}
