using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>Checks readings against each other and against what heads of the kind measure.</summary>
public sealed class CrossChecks
{
    public static readonly Grounded<Length> SidesApart = new(
        "check.sides-apart", "Left and right nose to inner eye further apart than this: take both again", Length.FromMillimeters(5),
        Basis.House("twice what two careful readings differ by"));

    public static readonly Grounded<double> SidesApartShare = new(
        "check.sides-apart-share", "The same as a share of the shorter side", 0.05, Basis.House("5 mm would hide a fault on a short snout"));

    public static readonly Grounded<double> LeastFaceShare = new(
        "check.face-share-low", "Least nose to inner eye over nose to base of skull, long and medium heads", 0.30,
        Basis.House("average skulls have 0.47 to 0.48 of bone (Miller's Anatomy of the Dog, recalled); the tape over the head and small dogs bring less"));

    public static readonly Grounded<double> LeastFaceShareShort = new(
        "check.face-share-low-short", "The same for short heads", 0.12, Basis.House("the average short skull has 0.38; the flattest faces a third of that"));

    public static readonly Grounded<double> GreatestFaceShare = new(
        "check.face-share-high", "Greatest nose to inner eye over nose to base of skull", 0.56, Basis.House("beyond the longest faces by a sixth"));

    private static readonly Basis ConvexSection = Basis.Published(
        "geometry of a closed convex section inside a box of that height and width: 2√(H²+W²) ≤ girth ≤ 2(H+W)");

    private readonly IReadOnlyList<Reading> readings;
    private readonly IReadOnlyList<Measured> measured;
    private readonly HeadShapeChoice shape;
    private readonly SnoutNumbers numbers;
    private readonly Circumstances about;

    internal CrossChecks(
        IReadOnlyList<Reading> readings, IReadOnlyList<Measured> measured, HeadShapeChoice shape, SnoutNumbers numbers, Circumstances about) =>
        (this.readings, this.measured, this.shape, this.numbers, this.about) = (readings, measured, shape, numbers, about);

    public static IReadOnlyList<IGrounded> All { get; } =
        [SidesApart, SidesApartShare, LeastFaceShare, LeastFaceShareShort, GreatestFaceShare, .. JawCheck.All];

    /// <summary>Every finding, worst first.</summary>
    internal IReadOnlyList<Finding> Run() =>
    [
        .. new[] { Sides(), Spacing(), Girth(), FitLine(), FaceShare(), Jaw(), Shapes() }.OfType<Finding>()
            .Concat(measured.Select(Unusual).OfType<Finding>())
            .Concat(Measured.Group(readings).Select(g => Scatter(g.Key, g.Value)).OfType<Finding>())
            .OrderByDescending(f => f.Severity),
    ];

    private Finding? Sides()
    {
        var left = Find(Measure.NoseToInnerEye, Side.Left);
        var right = Find(Measure.NoseToInnerEye, Side.Right);
        if (left is null && right is null)
            return null;
        if (left is null || right is null)
        {
            return new Finding(
                "one-side-only", Severity.Check, [Measure.NoseToInnerEye],
                $"Only the {(left is null ? "right" : "left")} nose to inner eye was taken; the two seldom agree and the shorter one rules the fit.",
                $"Take the {(left is null ? "left" : "right")} side too.", Basis.Practice("both sides are always taken"));
        }

        var apart = (left.Mean - right.Mean).Abs();
        var shorter = UnitMath.Min(left.Mean, right.Mean);
        if (apart <= about.Rules[SidesApart] && apart / shorter <= about.Rules[SidesApartShare])
            return null;
        return new Finding(
            "sides-differ", Severity.Check, [Measure.NoseToInnerEye],
            $"Left and right nose to inner eye differ by {Say(apart)} ({Say(left.Mean)} and {Say(right.Mean)}). The shorter side rules the fit.",
            "Take both again, head straight, from the nose tip to the tear duct.", about.Rules.Basis(SidesApart));
    }

    private Finding? Spacing()
    {
        if (Find(Measure.InnerEyeSpacing) is not { } spacing || ShorterEye() is not { } eye || !SnoutRules.Contradict(eye.Mean, spacing.Mean))
            return null;
        return new Finding(
            "impossible-spacing", Severity.Check, [Measure.InnerEyeSpacing, Measure.NoseToInnerEye],
            $"Eyes {Say(spacing.Mean)} apart cannot both be {Say(eye.Mean)} from the nose tip. The spacing is left out until then.",
            "Take the inner eye spacing again, corner to corner across the bridge.", Basis.Published("geometry: two sides of a triangle are longer than the third"));
    }

    private Finding? Girth()
    {
        if (Find(Measure.SnoutGirth) is not { } girth || Find(Measure.SnoutHeight) is not { } height || Find(Measure.SnoutWidth) is not { } width)
            return null;
        var (least, greatest) = SnoutSection.GirthBounds(height.Mean, width.Mean);
        var sides = Math.Sqrt(Squared(height) + Squared(width));
        var doubt = Length.FromMillimeters(Uncertainty.Coverage.Ours * Math.Sqrt(Squared(girth) + 4 * sides * sides));
        var (tooShort, tooLong) = (least - girth.Mean, girth.Mean - greatest);
        if (tooShort <= doubt && tooLong <= doubt)
            return null;
        var bound = tooShort > doubt ? $"at least {Say(least)} around; the girth reads {Say(girth.Mean)}, {Say(tooShort)} less"
            : $"at most {Say(greatest)} around; the girth reads {Say(girth.Mean)}, {Say(tooLong)} more";
        return new Finding(
            "girth-bounds", Severity.Check, [Measure.SnoutGirth, Measure.SnoutHeight, Measure.SnoutWidth],
            $"A snout {Say(height.Mean)} high and {Say(width.Mean)} wide is {bound}.",
            "Take all three again at one and the same place on the snout, mouth closed.", ConvexSection);
    }

    private Finding? FitLine()
    {
        if (Find(Measure.FitLineLength) is not { } fit || ShorterEye() is not { } eye)
            return null;
        var snout = SnoutModel.From(numbers);
        var gap = numbers.FitLineGap ?? SnoutRules.UsualGap(snout.EyeLine.Value, about.Rules);
        var gapDoubt = numbers.FitLineGap is null ? CompletedMeasures.GapDoubtOf(gap, about.Rules).Millimeters : 0;
        var apart = fit.Mean + gap - snout.EyeLine.Value;
        var doubt = Length.FromMillimeters(Uncertainty.Coverage.Ours * Math.Sqrt(Squared(fit) + Squared(eye) + gapDoubt * gapDoubt));
        if (apart.Abs() <= doubt)
            return null;
        return new Finding(
            "fit-line-gap", Severity.Check, [Measure.FitLineLength, Measure.NoseToInnerEye],
            $"Fit line to nose ({Say(fit.Mean)}) and {(numbers.FitLineGap is null ? "the usual gap" : "the gap")} to the eyes ({Say(gap)}) make {Say(fit.Mean + gap)}; nose to inner eye says {Say(snout.EyeLine.Value)}, {Say(apart.Abs())} {(apart > Length.Zero ? "less" : "more")}.",
            "Take the fit line again, and write down the gap you leave to the eyes.", Basis.House("the two lengths must agree within twice their doubt"));
    }

    private Finding? FaceShare()
    {
        if (Find(Measure.NoseToOcciput) is not { } whole || ShorterEye() is not { } eye)
            return null;
        var share = eye.Mean / whole.Mean;
        var least = shape.Shape == HeadShape.Short ? LeastFaceShareShort : LeastFaceShare;
        if (share >= about.Rules[least] && share <= about.Rules[GreatestFaceShare])
            return null;
        var message = share >= 1
            ? $"Nose to inner eye reads {Say(eye.Mean)} and nose to base of skull {Say(whole.Mean)}: a part cannot be longer than the whole."
            : $"Nose to inner eye ({Say(eye.Mean)}) is {share:0%} of nose to base of skull ({Say(whole.Mean)}); {about.Rules[least]:0%} to {about.Rules[GreatestFaceShare]:0%} is usual.";
        return new Finding(
            "face-share", Severity.Check, [Measure.NoseToOcciput, Measure.NoseToInnerEye], message,
            "Take nose to base of skull again: along the top, to where the bone ends.", share > about.Rules[GreatestFaceShare] ? about.Rules.Basis(GreatestFaceShare) : about.Rules.Basis(least));
    }

    private Finding? Jaw()
    {
        if (Find(Measure.JawToNose) is not { } jaw || !Completeness.CanFit(measured))
            return null;
        var snout = SnoutModel.From(numbers);
        var held = readings.Where(r => r.Measure == Measure.JawToNose).Select(r => r.Held).Distinct().ToList();
        var check = JawCheck.For(BothEyes(snout), Find(Measure.NoseToOcciput) is { } whole ? (whole.Mean, whole.StandardUncertainty) : null, DropOf(snout, measured), jaw.StandardUncertainty, shape.Shape, about.Rules)!;
        var basis = Basis.House($"a likelihood ratio of both ways with all their doubt; at most {about.Rules[JawCheck.FalseAlarms]:0%} of level readings are called point to point");
        var heads = $"Level, a head like this gives about {Say(check.Level)} ± {Say(2 * check.LevelDoubt)}; point to point about {Say(check.Slanted)}";
        switch (check.Of(jaw.Mean))
        {
            case JawVerdict.Neither:
                return new Finding(
                    "jaw-unexplained", Severity.Check, [Measure.JawToNose], $"Jaw to nose reads {Say(jaw.Mean)}. {heads}: neither explains it.",
                    "Take it again, and check the unit: throat bump to below the nose tip, horizontally.", basis);
            case JawVerdict.PointToPoint when held is [null]:
                return new Finding(
                    "jaw-point-to-point", Severity.Check, [Measure.JawToNose], $"Jaw to nose reads {Say(jaw.Mean)}. {heads}, which explains it better.",
                    "How was it held? Or take it again level: head straight, a plumb line down from the nose, and from the throat bump along a level tape to that line.", basis);
            case JawVerdict.CannotTell when held is [null]:
                return new Finding(
                    "jaw-held", Severity.Note, [Measure.JawToNose], $"Jaw to nose reads {Say(jaw.Mean)}. {heads}: on such a head the numbers cannot tell the two apart.",
                    "How was it held?", basis);
            default:
                return null;
        }
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
    internal static (Length Value, Length U) DropOf(SnoutModel snout, IReadOnlyList<Measured> measured) => (
        snout.Height.Value,
        measured.FirstOrDefault(m => m.Measure == Measure.SnoutHeight)?.StandardUncertainty
            ?? snout.Height.Value * snout.Rules[snout.Height.Provenance == Provenance.Derived ? CompletedMeasures.SectionDoubt : CompletedMeasures.AssumedDoubt]);

    private Finding? Shapes()
    {
        if (!shape.Disagree)
            return null;
        var says = string.Join("; ", shape.Ways.Select(w => $"{WayWords(w.Way)}: {w.Shape.ToString().ToLowerInvariant()}"));
        return new Finding(
            "head-shape-ways", Severity.Note, [Measure.StopToNose, Measure.StopToOcciput, Measure.SkullWidth],
            $"The ways of telling the head shape differ ({says}). The first is used.",
            "Look at the dog, and take the stop and skull measures again if the first seems wrong.", Basis.House("the way measured on this dog comes before the breed's usual head"));
    }

    private Finding? Unusual(Measured m)
    {
        var name = MeasureDefinition.NameOf(new(m.Measure, m.Side));
        if (about.OwnRanges.GetValueOrDefault(m.Measure) is { } own)
        {
            return m.Mean >= own.Low && m.Mean <= own.High ? null : new Finding(
                "outside-own-range", Severity.Check, [m.Measure],
                $"{name} reads {Say(m.Mean)}; {own.Dogs} earlier dogs of this breed had {own.Low.ShowRange(own.High, about.Shown)}, half of them around {Say(own.Median)}.",
                $"Take it again. {MeasureDefinition.For(m.Measure).Guide.How}", BreedRange.Width.Basis);
        }

        var (low, high) = PlausibleRange.For(m.Measure, shape.Shape, about.BodyMass, about.Rules);
        if (m.Mean >= low && m.Mean <= high)
            return null;
        var of = about.BodyMass is { } mass ? $"a {shape.Shape.ToString().ToLowerInvariant()} head on a dog of {mass.Kilograms:0.#} kg" : "any dog";
        return new Finding(
            "implausible", Severity.Check, [m.Measure],
            $"{name} reads {Say(m.Mean)}; for {of} we expect {low.ShowRange(high, about.Shown)}.",
            $"Take it again and check the unit and the head shape. {MeasureDefinition.For(m.Measure).Guide.How}", PlausibleRange.Basis);
    }

    private Finding? Scatter(MeasureLine line, List<Reading> repeats)
    {
        var name = MeasureDefinition.NameOf(line);
        var (spread, limit) = (Repeats.Spread(repeats), Repeats.Limit(repeats, about.Rules));
        if (Repeats.WantThird(repeats, about.Rules))
        {
            return new Finding(
                "third-reading", Severity.Note, [line.Measure],
                $"The two readings of {name.ToLowerInvariant()} are {Say(spread)} apart; two of one hand with this tool stay within {Say(limit)}.",
                "Take a third.", Repeats.RepeatabilityFactor.Basis);
        }

        return Repeats.Odd(repeats, about.Rules) is not { } odd ? null : new Finding(
            "odd-one-out", Severity.Check, [line.Measure],
            $"Of {repeats.Count} readings of {name.ToLowerInvariant()}, {Say(repeats[odd].Value)} stands apart: they spread over {Say(spread)}, where {Say(limit)} is usual.",
            "Set it aside with a reason, keep it, or take another.", Repeats.RepeatabilityFactor.Basis);
    }

    private static string WayWords(ShapeWay way) => way switch
    {
        ShapeWay.Seen => "the fitter",
        ShapeWay.CraniofacialRatio => "face against skull",
        ShapeWay.CranialIndex => "breadth of the skull",
        _ => "the breed",
    };

    private string Say(Length length) => length.Show(about.Shown);

    private static double Squared(Measured m) => Math.Pow(m.StandardUncertainty.Millimeters, 2);

    private Measured? ShorterEye() => measured.Where(m => m.Measure == Measure.NoseToInnerEye).MinBy(m => m.Mean);

    private Measured? Find(Measure measure, Side? side = null) => measured.FirstOrDefault(m => m.Measure == measure && m.Side == side);
}
