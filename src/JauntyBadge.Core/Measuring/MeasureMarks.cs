namespace JauntyBadge.Core.Measuring;

/// <summary>Where every measure runs on the head drawing: the tape's path, the landmarks and a dimension line clear of the head.</summary>
internal static class MeasureMarks
{
    private const string NoseTip = "nose tip";
    private const string InnerEye = "inner eye";
    private const string FitLine = "fit line";
    private const string Stop = "stop";
    private const string Occiput = "base of skull";

    public static List<MeasureMark> Of(SnoutModel snout, HeadSketch sketch, HeadDrawing drawing) =>
        [.. FromTheSide(snout, sketch, drawing), .. FromAbove(snout, sketch), .. FromTheFront(snout, sketch, drawing)];

    private static IEnumerable<MeasureMark> FromTheSide(SnoutModel snout, HeadSketch sketch, HeadDrawing drawing)
    {
        var (xf, h, top) = (snout.FitLine.Mm, snout.Height.Mm, sketch.Top);
        var nose = new LandmarkPoint(NoseTip, new(0, 0.05 * h));
        var stop = new LandmarkPoint(Stop, new(sketch.Stop, 0.24 * top));
        var occiput = new LandmarkPoint(Occiput, new(sketch.Occiput, 0.55 * top));
        var bump = new LandmarkPoint("throat bump", new(snout.Hinge.Mm, h));
        var (above, level) = (top - 0.22 * h, h * 1.32);
        var under = level + Math.Max(0.3 * h, 0.16 * sketch.Eye);
        var (neckTop, neckUnder, eye) = (drawing.HighNeckTop, drawing.HighNeckUnder, drawing.EyeCorner);
        PointMm[] overTheSkull =
        [
            stop.At,
            new(sketch.Behind(0.18), 0.80 * top),
            new(sketch.Behind(0.5), 1.03 * top),
            new(sketch.Behind(0.8), 0.88 * top),
            occiput.At,
        ];

        MeasureMark Mark(Measure measure, IReadOnlyList<IReadOnlyList<PointMm>> paths, LandmarkPoint[] at, params PointMm[] dimension) =>
            new(measure, null, DrawingView.Side, paths, at, dimension, []);
        MeasureMark Girth(Measure measure, PointMm from, PointMm to, double share, LandmarkPoint at)
        {
            var (near, far) = Smooth.Tape(from, to, share);
            return new(measure, null, DrawingView.Side, [near], [at], [], [far]);
        }

        yield return Mark(
            Measure.NoseToInnerEye,
            [
                [nose.At, eye],
            ],
            [nose, new(InnerEye, eye)],
            new(0, above),
            new(eye.X, above)
        );
        yield return Mark(
            Measure.FitLineLength,
            [
                [new(0, 0), new(xf, 0)],
            ],
            [nose, new(FitLine, new(xf, 0))],
            new(0, above),
            new(xf, above)
        );
        yield return Girth(Measure.SnoutGirth, new(xf, 0), new(xf, h), 0.16, new(FitLine, new(xf, 0)));
        yield return Mark(
            Measure.SnoutHeight,
            [
                [new(xf, 0), new(xf, h)],
            ],
            [new("bridge", new(xf, 0)), new("underside", new(xf, h))],
            new(-0.16 * h, 0),
            new(-0.16 * h, h)
        );
        yield return Mark(
            Measure.JawToNose,
            [
                [new(0, level), new(snout.Hinge.Mm, level)],
                [nose.At, new(0, level)],
                [bump.At, new(snout.Hinge.Mm, level)],
            ],
            [nose, bump],
            new(0, under),
            new(snout.Hinge.Mm, under)
        );
        yield return Mark(
            Measure.NoseToOcciput,
            [Smooth.Through([nose.At, new(0.13 * sketch.Eye, -0.015 * h), new(0.8 * sketch.Eye, 0), .. overTheSkull])],
            [nose, occiput],
            new(0, above),
            new(sketch.Occiput, above)
        );
        yield return Mark(
            Measure.StopToNose,
            [
                [nose.At, stop.At],
            ],
            [nose, stop],
            new(0, above),
            new(sketch.Stop, above)
        );
        yield return Mark(Measure.StopToOcciput, [Smooth.Through(overTheSkull)], [stop, occiput], new(sketch.Stop, above), new(sketch.Occiput, above));
        yield return Girth(Measure.NeckGirth, neckTop, neckUnder, 0.18, new("high neck", neckTop));
        yield return Girth(
            Measure.HeadGirth,
            new(sketch.Behind(0.62), top),
            new(Math.Max(sketch.Behind(0.3), snout.Hinge.Mm * 0.95), 1.02 * h),
            0.14,
            new("over the ears", new(sketch.Behind(0.62), top))
        );
    }

    private static IEnumerable<MeasureMark> FromAbove(SnoutModel snout, HeadSketch sketch)
    {
        var (xf, w, s, skull) = (snout.FitLine.Mm, snout.Width.Mm / 2, sketch.HalfSpacing, sketch.HalfSkull);
        var widest = sketch.Behind(0.52);
        var (nose, out1) = (new LandmarkPoint(NoseTip, new(0, 0)), 1.62 * skull);
        LandmarkPoint Eye(double y) => new(InnerEye, new(sketch.Eye, y));
        var (stop, occiput) = (new LandmarkPoint(Stop, new(sketch.Stop, 0)), new LandmarkPoint(Occiput, new(sketch.Occiput, 0)));
        MeasureMark Mark(Measure measure, Side? side, PointMm from, PointMm to, LandmarkPoint[] at, params PointMm[] dimension) =>
            new(
                measure,
                side,
                DrawingView.Top,
                [
                    [from, to],
                ],
                at,
                dimension,
                []
            );

        yield return Mark(Measure.NoseToInnerEye, Side.Left, nose.At, Eye(s).At, [nose, Eye(s)], new(0, out1), new(sketch.Eye, out1));
        yield return Mark(Measure.NoseToInnerEye, Side.Right, nose.At, Eye(-s).At, [nose, Eye(-s)], new(0, -out1), new(sketch.Eye, -out1));
        yield return Mark(Measure.FitLineLength, null, nose.At, new(xf, 0), [nose, new(FitLine, new(xf, 0))], new(0, out1), new(xf, out1));
        yield return Mark(
            Measure.SnoutWidth,
            null,
            new(xf, -w),
            new(xf, w),
            [new("lips and jowls", new(xf, -w)), new("lips and jowls", new(xf, w))],
            new(-0.18 * xf, -w),
            new(-0.18 * xf, w)
        );
        yield return Mark(Measure.InnerEyeSpacing, null, Eye(-s).At, Eye(s).At, [Eye(-s), Eye(s)], new(-0.18 * xf, -s), new(-0.18 * xf, s));
        yield return Mark(
            Measure.SkullWidth,
            null,
            new(widest, -skull),
            new(widest, skull),
            [new("cheek bone", new(widest, -skull)), new("cheek bone", new(widest, skull))],
            new(-0.18 * xf, -skull),
            new(-0.18 * xf, skull)
        );
        yield return Mark(Measure.StopToNose, null, nose.At, stop.At, [nose, stop], new(0, out1), new(sketch.Stop, out1));
        yield return Mark(Measure.StopToOcciput, null, stop.At, occiput.At, [stop, occiput], new(sketch.Stop, out1), new(sketch.Occiput, out1));
        yield return Mark(Measure.NoseToOcciput, null, nose.At, occiput.At, [nose, occiput], new(0, out1), new(sketch.Occiput, out1));
    }

    private static IEnumerable<MeasureMark> FromTheFront(SnoutModel snout, HeadSketch sketch, HeadDrawing drawing)
    {
        var (h, w, s, skull, top) = (snout.Height.Mm, snout.Width.Mm / 2, sketch.HalfSpacing, sketch.HalfSkull, sketch.Top);
        var (y, below) = (0.06 * h, 1.30 * h);
        MeasureMark Mark(Measure measure, IReadOnlyList<PointMm> path, LandmarkPoint[] at, params PointMm[] dimension) =>
            new(measure, null, DrawingView.Front, [path], at, dimension, []);

        yield return Mark(Measure.SnoutGirth, [.. drawing.Section.Points, drawing.Section.Points[0]], [new("around, at the fit line", new(w, h / 2))]);
        yield return Mark(
            Measure.SnoutHeight,
            [new(0, 0), new(0, h)],
            [new("bridge", new(0, 0)), new("underside", new(0, h))],
            new(-1.5 * skull, 0),
            new(-1.5 * skull, h)
        );
        yield return Mark(
            Measure.SnoutWidth,
            [new(-w, h / 2), new(w, h / 2)],
            [new("lips and jowls", new(-w, h / 2)), new("lips and jowls", new(w, h / 2))],
            new(-w, below),
            new(w, below)
        );
        yield return Mark(
            Measure.InnerEyeSpacing,
            [new(-s, y), new(s, y)],
            [new(InnerEye, new(-s, y)), new(InnerEye, new(s, y))],
            new(-s, below),
            new(s, below)
        );
        yield return Mark(
            Measure.SkullWidth,
            [new(-skull, 0.25 * h), new(skull, 0.25 * h)],
            [new("cheek bone", new(-skull, 0.25 * h)), new("cheek bone", new(skull, 0.25 * h))],
            new(-skull, below),
            new(skull, below)
        );
        yield return Mark(
            Measure.HeadGirth,
            Smooth.Ring(new(0, 1.04 * top), new(0, 1.12 * h), 1.30 * skull / ((1.12 * h - 1.04 * top) / 2)),
            [new("over the ears", new(0, 1.04 * top))]
        );
    }
}
