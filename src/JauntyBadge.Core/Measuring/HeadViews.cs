namespace JauntyBadge.Core.Measuring;

/// <summary>The head from above and from the front; the side view is <see cref="HeadDrawing"/>'s own.</summary>
internal static class HeadViews
{
    public static IReadOnlyList<Stroke> FromAbove(SnoutModel snout, HeadSketch sketch)
    {
        var (xe, xf, w) = (sketch.Eye, snout.FitLine.Mm, snout.Width.Mm / 2);
        var (skull, s) = (sketch.HalfSkull, sketch.HalfSpacing);
        PointMm[] leftHalf =
        [
            new(0.02 * xe, 0.30 * w),
            new(0.10 * xe, 0.62 * w),
            new(0.5 * xf, 0.86 * w),
            new(xf, w),
            new(xe, Math.Max(w, s) * 1.04),
            new(sketch.Behind(0.30), 0.94 * skull),
            new(sketch.Behind(0.52), skull),
            new(sketch.Behind(0.85), 0.80 * skull),
            new(sketch.Behind(1.15), 0.66 * skull),
            new(sketch.Behind(1.5), 0.70 * skull),
        ];
        var head = Smooth.Loop([new(0, 0), .. leftHalf, .. leftHalf.Reverse().Select(Mirrored)]);
        PointMm[] ear =
        [
            new(sketch.Behind(0.55), 0.86 * skull),
            new(sketch.Behind(0.62), 1.34 * skull),
            new(sketch.Behind(0.86), 1.46 * skull),
            new(sketch.Behind(0.98), 1.10 * skull),
            new(sketch.Behind(0.86), 0.80 * skull),
        ];
        PointMm[] eye = [new(xe, s), new(sketch.Behind(0.05), s * 1.02), new(sketch.Behind(0.15), s * 1.28), new(sketch.Behind(0.07), s * 1.30)];
        var nose = Smooth.Loop([
            new(0, 0),
            new(0.03 * xe, 0.26 * w),
            new(0.14 * xe, 0.26 * w),
            new(0.16 * xe, 0),
            new(0.14 * xe, -0.26 * w),
            new(0.03 * xe, -0.26 * w),
        ]);
        return [new(StrokePart.Head, head, true), .. Both(StrokePart.Ear, ear), new(StrokePart.Nose, nose, true), .. Both(StrokePart.Eye, eye)];
    }

    public static IReadOnlyList<Stroke> FromTheFront(SnoutModel snout, HeadSketch sketch)
    {
        var (h, w, top) = (snout.Height.Mm, snout.Width.Mm / 2, sketch.Top);
        var (skull, s) = (sketch.HalfSkull, sketch.HalfSpacing);
        PointMm[] leftHalf =
        [
            new(0.55 * skull, 0.92 * top),
            new(0.92 * skull, 0.45 * top),
            new(skull, 0.25 * h),
            new(0.96 * skull, 0.62 * h),
            new(Math.Max(0.7 * skull, 0.9 * w), 0.96 * h),
        ];
        var head = Smooth.Loop([new(0, top), .. leftHalf, new(0, 1.10 * h), .. leftHalf.Reverse().Select(MirroredAcross)]);
        PointMm[] ear =
        [
            new(0.60 * skull, 0.98 * top),
            new(1.10 * skull, 0.80 * top),
            new(1.36 * skull, 0.30 * h),
            new(1.20 * skull, 0.72 * h),
            new(0.98 * skull, 0.30 * h),
            new(0.84 * skull, 0.50 * top),
        ];
        var y = 0.06 * h;
        PointMm[] eye = [new(s, y), new(s + 0.10 * skull, y - 0.09 * h), new(s + 0.26 * skull, y - 0.03 * h), new(s + 0.12 * skull, y + 0.06 * h)];
        var nose = Smooth.Loop([
            new(0, 0.02 * h),
            new(0.34 * w, 0.05 * h),
            new(0.40 * w, 0.16 * h),
            new(0.18 * w, 0.26 * h),
            new(0, 0.28 * h),
            new(-0.18 * w, 0.26 * h),
            new(-0.40 * w, 0.16 * h),
            new(-0.34 * w, 0.05 * h),
        ]);
        return
        [
            .. Both(StrokePart.Ear, ear, across: true),
            new(StrokePart.Head, head, true),
            .. Both(StrokePart.Eye, eye, across: true),
            new(StrokePart.Section, SnoutSection.Outline(snout.Height.Value, snout.Width.Value), true),
            new(StrokePart.Nose, nose, true),
            new(
                StrokePart.Mouth,
                Smooth.Through([new(-0.62 * w, 0.62 * h), new(-0.2 * w, 0.58 * h), new(0, 0.46 * h), new(0.2 * w, 0.58 * h), new(0.62 * w, 0.62 * h)]),
                false
            ),
            new(StrokePart.Mouth, [new(0, 0.28 * h), new(0, 0.46 * h)], false),
        ];
    }

    private static IEnumerable<Stroke> Both(StrokePart part, PointMm[] left, bool across = false) =>
        [new(part, Smooth.Loop(left), true), new(part, Smooth.Loop([.. left.Select(p => across ? MirroredAcross(p) : Mirrored(p))]), true)];

    private static PointMm Mirrored(PointMm p) => new(p.X, -p.Y);

    private static PointMm MirroredAcross(PointMm p) => new(-p.X, p.Y);
}
