using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>Checks readings against each other and against what heads of the kind measure.</summary>
public sealed class CrossChecks
{
    public static readonly Grounded<Length> SidesApart = new(
        "check.sides-apart",
        "Left and right nose to inner eye further apart than this: take both again",
        Length.FromMillimeters(5),
        Basis.House("twice what two careful readings differ by")
    );

    public static readonly Grounded<double> SidesApartShare = new(
        "check.sides-apart-share",
        "The same as a share of the shorter side",
        0.05,
        Basis.House("5 mm would hide a fault on a short snout")
    );

    public static readonly Grounded<double> LeastFaceShare = new(
        "check.face-share-low",
        "Least nose to inner eye over nose to base of skull, long and medium heads",
        0.30,
        Basis.House("average skulls have 0.47 to 0.48 of bone (Miller's Anatomy of the Dog, recalled); the tape over the head and small dogs bring less")
    );

    public static readonly Grounded<double> LeastFaceShareShort = new(
        "check.face-share-low-short",
        "The same for short heads",
        0.12,
        Basis.House("the average short skull has 0.38; the flattest faces a third of that")
    );

    public static readonly Grounded<double> GreatestFaceShare = new(
        "check.face-share-high",
        "Greatest nose to inner eye over nose to base of skull",
        0.56,
        Basis.House("beyond the longest faces by a sixth")
    );

    private readonly IReadOnlyList<Reading> readings;
    private readonly IReadOnlyList<Measured> measured;
    private readonly HeadShapeChoice shape;
    private readonly SnoutNumbers numbers;
    private readonly Circumstances about;

    internal CrossChecks(IReadOnlyList<Reading> readings, IReadOnlyList<Measured> measured, HeadShapeChoice shape, SnoutNumbers numbers, Circumstances about) =>
        (this.readings, this.measured, this.shape, this.numbers, this.about) = (readings, measured, shape, numbers, about);

    public static IReadOnlyList<IGrounded> All { get; } =
    [SidesApart, SidesApartShare, LeastFaceShare, LeastFaceShareShort, GreatestFaceShare, .. JawCheck.All, .. SectionCheck.All];

    /// <summary>Every finding, worst first.</summary>
    internal IReadOnlyList<Finding> Run() =>
        [
            .. new[] { Sides(), Spacing(), Girth() ?? (Finding?)Section(), FitLine(), Face(), Jaw(), Shapes() }
                .OfType<Finding>()
                .Concat(measured.Select(Unusual).OfType<Finding>())
                .Concat(Measured.Group(readings).Select(g => Scatter(g.Key, g.Value)).OfType<Finding>())
                .OrderByDescending(f => f.Severity),
        ];

    private Finding? Sides() =>
        (Find(Measure.NoseToInnerEye, Side.Left)?.Mean, Find(Measure.NoseToInnerEye, Side.Right)?.Mean) switch
        {
            (null, null) => null,
            (null, _) => new OneSideOnly(Side.Left),
            (_, null) => new OneSideOnly(Side.Right),
            ({ } left, { } right)
                when (left - right).Abs() is var apart
                    && apart <= about.Rules[SidesApart]
                    && apart / UnitMath.Min(left, right) <= about.Rules[SidesApartShare] => null,
            ({ } left, { } right) => new SidesDiffer(left, right, about.Rules.Basis(SidesApart)),
        };

    private ImpossibleSpacing? Spacing() =>
        Find(Measure.InnerEyeSpacing) is { } spacing && ShorterEye() is { } eye && SnoutRules.Contradict(eye.Mean, spacing.Mean)
            ? new(spacing.Mean, eye.Mean)
            : null;

    private GirthBounds? Girth()
    {
        if (Find(Measure.SnoutGirth) is not { } girth || Find(Measure.SnoutHeight) is not { } height || Find(Measure.SnoutWidth) is not { } width)
            return null;
        var (least, greatest) = SnoutSection.GirthBounds(height.Mean, width.Mean);
        var sides = Math.Sqrt(Squared(height) + Squared(width));
        var doubt = Length.FromMillimeters(Uncertainty.Coverage.Ours * Math.Sqrt(Squared(girth) + 4 * sides * sides));
        return least - girth.Mean > doubt ? new(height.Mean, width.Mean, girth.Mean, least)
            : girth.Mean - greatest > doubt ? new(height.Mean, width.Mean, girth.Mean, greatest)
            : null;
    }

    /// <summary>What height, width and girth show together, where geometry alone allows them.</summary>
    private SectionSlipped? Section() =>
        Find(Measure.SnoutGirth) is { } girth
        && Find(Measure.SnoutHeight) is { } height
        && Find(Measure.SnoutWidth) is { } width
        && Completeness.CanFit(measured)
        && SectionCheck.For(BothEyes(SnoutModel.From(numbers)), height, width, girth, shape.Shape, about.Rules).Found is { } slip
            ? new(slip, height.Mean, width.Mean, girth.Mean)
            : null;

    private FitLineGap? FitLine()
    {
        if (Find(Measure.FitLineLength) is not { } fit || ShorterEye() is not { } eye)
            return null;
        var snout = SnoutModel.From(numbers);
        var gap = numbers.FitLineGap ?? SnoutRules.UsualGap(snout.EyeLine.Value, about.Rules);
        var gapDoubt = numbers.FitLineGap is null ? CompletedMeasures.GapDoubtOf(gap, about.Rules).Millimeters : 0;
        var doubt = Length.FromMillimeters(Uncertainty.Coverage.Ours * Math.Sqrt(Squared(fit) + Squared(eye) + gapDoubt * gapDoubt));
        return (fit.Mean + gap - snout.EyeLine.Value).Abs() <= doubt ? null : new(fit.Mean, gap, numbers.FitLineGap is null, snout.EyeLine.Value);
    }

    private FaceShare? Face()
    {
        if (Find(Measure.NoseToOcciput) is not { } whole || ShorterEye() is not { } eye)
            return null;
        var share = eye.Mean / whole.Mean;
        var least = shape.Shape == HeadShape.Short ? LeastFaceShareShort : LeastFaceShare;
        var (low, high) = (about.Rules[least], about.Rules[GreatestFaceShare]);
        return share >= low && share <= high ? null : new(eye.Mean, whole.Mean, low, high, about.Rules.Basis(share > high ? GreatestFaceShare : least));
    }

    private JawReading? Jaw()
    {
        if (Find(Measure.JawToNose) is not { } jaw || !Completeness.CanFit(measured))
            return null;
        var snout = SnoutModel.From(numbers);
        var check = JawCheck.For(
            BothEyes(snout),
            Find(Measure.NoseToOcciput) is { } whole ? (whole.Mean, whole.StandardUncertainty) : null,
            DropOf(snout, measured),
            jaw.StandardUncertainty,
            shape.Shape,
            about.Rules
        )!;

        // How it was held was said: then only what no way explains is asked.
        var said = readings.Where(r => r.Measure == Measure.JawToNose).Any(r => r.Held is not null);
        var verdict = check.Of(jaw.Mean);
        return verdict == JawVerdict.Level || (said && verdict != JawVerdict.Neither)
            ? null
            : new(
                verdict,
                jaw.Mean,
                check.Level,
                check.LevelDoubt,
                check.Slanted,
                Basis.House(
                    $"a likelihood ratio of both ways with all their doubt; at most {about.Rules[JawCheck.FalseAlarms]:0%} of level readings are called point to point"
                )
            );
    }

    /// <summary>The mean of both nose to inner eyes, or of the one read; the eye line where only the fit line was.</summary>
    private (Length Value, Length U) BothEyes(SnoutModel snout)
    {
        var sides = measured.Where(m => m.Measure == Measure.NoseToInnerEye).ToList();
        if (sides.Count == 0)
            return (snout.EyeLine.Value, CompletedMeasures.GapDoubtOf(snout.EyeLine.Value - snout.FitLine.Value, about.Rules));
        return (Length.FromMillimeters(sides.Average(m => m.Mean.Millimeters)), Length.FromMillimeters(Math.Sqrt(sides.Sum(Squared)) / sides.Count));
    }

    /// <summary>The drop from nose to throat bump: the snout's height, with its doubt.</summary>
    internal static (Length Value, Length U) DropOf(SnoutModel snout, IReadOnlyList<Measured> measured) =>
        (
            snout.Height.Value,
            measured.FirstOrDefault(m => m.Measure == Measure.SnoutHeight)?.StandardUncertainty
                ?? snout.Height.Value
                    * snout.Rules[snout.Height.Provenance == Provenance.Derived ? CompletedMeasures.SectionDoubt : CompletedMeasures.AssumedDoubt]
        );

    private HeadShapeWays? Shapes() => shape.Disagree ? new(shape.Ways) : null;

    private Finding? Unusual(Measured m)
    {
        var line = new MeasureLine(m.Measure, m.Side);
        if (about.OwnRanges.GetValueOrDefault(m.Measure) is { } own)
            return m.Mean >= own.Low && m.Mean <= own.High ? null : new OutsideOwnRange(line, m.Mean, own);
        var (low, high) = PlausibleRange.For(m.Measure, shape.Shape, about.BodyMass, about.Rules);
        return m.Mean >= low && m.Mean <= high ? null : new Implausible(line, m.Mean, low, high, shape.Shape, about.BodyMass);
    }

    private Finding? Scatter(MeasureLine line, List<Reading> repeats)
    {
        var (spread, limit) = (Repeats.Spread(repeats), Repeats.Limit(repeats, about.Rules));
        return Repeats.WantThird(repeats, about.Rules) ? new ThirdReading(line, spread, limit)
            : Repeats.Odd(repeats, about.Rules) is { } odd ? new OddOneOut(line, repeats.Count, repeats[odd].Value, spread, limit)
            : null;
    }

    private static double Squared(Measured m) => Math.Pow(m.StandardUncertainty.Millimeters, 2);

    private Measured? ShorterEye() => measured.Where(m => m.Measure == Measure.NoseToInnerEye).MinBy(m => m.Mean);

    private Measured? Find(Measure measure, Side? side = null) => measured.FirstOrDefault(m => m.Measure == measure && m.Side == side);
}
