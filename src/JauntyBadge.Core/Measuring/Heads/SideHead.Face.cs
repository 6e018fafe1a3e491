namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>What is drawn of a head from the side, the hindmost first: jaw, coat, shades, creases, eye, nose, ear and hair.</summary>
internal sealed partial class SideHead
{
    /// <summary>Everything there is to draw, the hindmost first.</summary>
    public DrawnView Draw()
    {
        var carried = EarShapes.FromTheSide(look.Ears, sketch, h);
        var ear = carried with { Flap = Carried(carried.Flap, carried.Flap), Inner = carried.Inner is { } within ? Carried(within, carried.Flap) : null };
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
        // Over a beard, which would hide what is told by the mouth.
        DrawLip();
        DrawTongue();
        return new DrawnView(fields, Contour, Fade.From, Fade.To);
    }

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
        Field(
            EnamelPart.Tongue,
            Curve.Loop(
                new Knot(corner.X - 0.02 * xe, 0.640 * h),
                new Knot(0.52 * xe, 0.575 * h),
                new Knot(0.24 * xe, 0.560 * h),
                new Knot(chin.X + 0.08 * xe, 0.615 * h),
                new Knot(0.24 * xe, 0.650 * h),
                new Knot(0.55 * xe, 0.668 * h)
            ),
            TongueShade,
            0.5 * width,
            turns: true
        );
        var x = chin.X + 0.035 * xe;
        Field(
            EnamelPart.Teeth,
            Curve.Loop(new Knot(x, lip + 0.02 * h, true), new Knot(x + 0.018 * xe, lip - 0.10 * h, true), new Knot(x + 0.045 * xe, lip + 0.02 * h, true)),
            Tooth,
            0.45 * width,
            turns: true
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
        if (eye > 1)
        {
            DrawMood();
            return;
        }

        var (ex, ey, r) = (xe, 0.06 * h, EyeSize);
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
                IrisShade,
                null,
                0
            )
        );
        fields.Add(new(EnamelPart.Pupil, Curve.Disc(ex + 1.0 * r, ey - 0.12 * r, 0.34 * r), Enamel.Leather, null, 0));
        fields.Add(new(EnamelPart.Glint, Curve.Disc(ex + 0.80 * r, ey - 0.36 * r, 0.15 * r), "#ffffff", null, 0));
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

    private void Field(EnamelPart part, Curve curve, string fill, double? line = null, bool fades = false, bool turns = false) =>
        fields.Add(new(part, curve, fill, enamel.Line, line ?? width, Turns: turns, Fades: fades));

    private void Inside(EnamelPart part, Curve curve, string fill, double opacity = 1) =>
        fields.Add(new(part, curve, fill, null, 0, Inside: true, Fades: true, Opacity: opacity));
}
