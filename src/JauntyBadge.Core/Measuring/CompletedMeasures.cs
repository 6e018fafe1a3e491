using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>A measure as the snout model uses it: read, worked out from others, or assumed.</summary>
/// <param name="Measure">Which measure.</param>
/// <param name="Side">Its side where it was read on one; null for a number worked out for both.</param>
/// <param name="Count">How many readings; 0 unless read.</param>
/// <param name="Mean">The length.</param>
/// <param name="StandardUncertainty">Its doubt.</param>
/// <param name="State">Where it comes from.</param>
public sealed record CompletedMeasure(Measure Measure, Side? Side, int Count, Length Mean, Length StandardUncertainty, Provenance State);

/// <summary>All measures of a dog: those read, and those the snout model completes, each with its doubt.</summary>
public static class CompletedMeasures
{
    private static readonly Basis OtherJaws = Basis.House("set on heads with other jaws, so that what is called so sure fits as often");

    public static readonly Grounded<double> SectionDoubt = new(
        "snout.u-section",
        "Standard uncertainty of a snout's section taken as a rounded box, as a share",
        0.04,
        Basis.House("ellipse and rounded box of the same sides lie about that far apart on either side of the middle")
    );

    public static readonly Grounded<double> AssumedDoubt = new(
        "snout.u-assumed",
        "Standard uncertainty of a length assumed from the head shape, as a share",
        0.15,
        Basis.House("heads of one shape differ; wide on purpose")
    );

    public static readonly Grounded<double> HingeDoubt = new(
        "snout.u-hinge",
        "Standard uncertainty of a jaw hinge worked out from the eye line, as a share",
        0.09,
        Basis.House("mandibles of one head shape differ by a tenth or more; set on heads with other jaws")
    );

    public static readonly Grounded<Length> GapDoubt = new(
        "snout.u-gap",
        "Standard uncertainty of a fit-line gap that was not written down",
        Length.FromMillimeters(3.7),
        Basis.House("half an inch to an inch, all equally likely")
    );

    public static readonly Grounded<double> HingeDropDoubt = new(
        "snout.u-hinge-drop",
        "Standard uncertainty of how far the jaw hinge lies below the bridge line, as a share of the snout's height",
        0.1,
        OtherJaws
    );

    public static readonly Grounded<double> ChinDoubt = new(
        "snout.u-chin",
        "Standard uncertainty of how deep the chin lies, as a share of the snout's height",
        0.09,
        OtherJaws
    );

    public static readonly Grounded<double> LowerBorderDoubt = new(
        "snout.u-lower-border",
        "Standard uncertainty of the lower border of the jaw, as a share of the snout's height",
        0.05,
        OtherJaws
    );

    public static readonly Grounded<double> SidesDoubt = new(
        "snout.u-sides",
        "How much the two sides of one head differ from nose to inner eye, as a share (standard deviation)",
        0.02,
        Basis.House("they seldom agree; by a twentieth they are measured again")
    );

    /// <summary>The doubt of a gap that was not written down, a third of it at most.</summary>
    public static Length GapDoubtOf(Length gap, HouseRules rules) => UnitMath.Min(rules[GapDoubt], gap / 3);

    private const double Step = 0.01;

    public static IReadOnlyList<IGrounded> All { get; } =
    [SectionDoubt, AssumedDoubt, HingeDoubt, GapDoubt, HingeDropDoubt, ChinDoubt, LowerBorderDoubt, SidesDoubt];

    /// <summary>What was read, then what the model makes of the rest; only what was read while there is no model yet.</summary>
    public static IReadOnlyList<CompletedMeasure> Of(Assessment assessment)
    {
        List<CompletedMeasure> all =
        [
            .. assessment.Measured.Select(m => new CompletedMeasure(m.Measure, m.Side, m.Count, m.Mean, m.StandardUncertainty, Provenance.Measured)),
        ];
        if (assessment.Snout is not { } snout)
            return all;
        var (read, rules) = (assessment.Measured, snout.Rules);
        var eye = read.Where(m => m.Measure == Measure.NoseToInnerEye).MinBy(m => m.Mean)?.StandardUncertainty.Millimeters;
        var fit = Find(read, Measure.FitLineLength)?.StandardUncertainty.Millimeters;
        var gap = assessment.Numbers.FitLineGap is null ? rules[GapDoubt].Millimeters : 0;
        var eyeDoubt = eye ?? Root(fit ?? 0, gap);
        void Add(Measure measure, ModelLength number, double doubt)
        {
            if (all.TrueForAll(m => m.Measure != measure))
                all.Add(new CompletedMeasure(measure, null, 0, number.Value, Length.FromMillimeters(doubt), number.Provenance));
        }

        Add(Measure.NoseToInnerEye, snout.EyeLine, eyeDoubt);
        Add(Measure.FitLineLength, snout.FitLine, Root(eyeDoubt, gap));
        Add(Measure.SnoutGirth, snout.Girth, Section(assessment, snout, s => s.Girth));
        Add(Measure.SnoutHeight, snout.Height, Section(assessment, snout, s => s.Height));
        Add(Measure.SnoutWidth, snout.Width, Section(assessment, snout, s => s.Width));
        Add(Measure.JawToNose, snout.Hinge, Root(eyeDoubt * (snout.Hinge.Mm / snout.EyeLine.Mm), rules[HingeDoubt] * snout.Hinge.Mm));
        return all;
    }

    /// <summary>The doubt of a completed height, width or girth: what the doubt of the two read ones makes of it, and the section's shape.</summary>
    private static double Section(Assessment assessment, SnoutModel snout, Func<SnoutModel, ModelLength> pick)
    {
        var number = pick(snout);
        if (number.Provenance == Provenance.Assumed)
            return snout.Rules[AssumedDoubt] * number.Mm;
        var numbers = assessment.Numbers;
        double Moved(Measure measure)
        {
            if (Find(assessment.Measured, measure) is not { } m)
                return 0;
            var change = pick(SnoutModel.From(numbers.With(new(measure), m.Mean * (1 + Step)))).Mm - number.Mm;
            return change / (Step * m.Mean.Millimeters) * m.StandardUncertainty.Millimeters;
        }

        return Root(Moved(Measure.SnoutGirth), Moved(Measure.SnoutHeight), Moved(Measure.SnoutWidth), snout.Rules[SectionDoubt] * number.Mm);
    }

    private static Measured? Find(IReadOnlyList<Measured> measured, Measure measure) => measured.FirstOrDefault(m => m.Measure == measure);

    private static double Root(params double[] parts) => Math.Sqrt(parts.Sum(p => p * p));
}
