namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>A head from the side. Nose tip, bridge at the fit line, stop, base of the skull, inner eye, lower border, hinge and high neck are exact; the rest is proportion (House).</summary>
internal sealed partial class SideHead
{
    private readonly SnoutModel snout;
    private readonly HeadSketch sketch;
    private readonly HeadLook look;
    private readonly Mien mien;
    private readonly double eye;
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

    public SideHead(SnoutModel snout, HeadSketch sketch, HeadLook look, Mien? mien = null, double eye = 1)
    {
        (this.snout, this.sketch, this.look, this.mien, this.eye) = (snout, sketch, look, mien ?? Mien.Plain, eye);
        enamel = look.Enamel;
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
    public PointMm NeckMiddle => Middle(NeckTop, NeckUnder);
    public PointMm EyeCorner { get; }

    /// <summary>The head and neck without the lower jaw.</summary>
    public Curve Contour { get; }

    /// <summary>The lower jaw, closed; it begins with the lower border.</summary>
    public Curve Jaw { get; }

    public Curve Eye { get; }

    public Curve Nose => Curve.Loop(Leather());

    /// <summary>Where the neck begins to fade, and where it is gone.</summary>
    public (PointMm From, PointMm To) Fade => (Back(Middle(NeckTop, NeckUnder), 0.05), Back(Middle(NeckTop, NeckUnder), 0.52));

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
}
