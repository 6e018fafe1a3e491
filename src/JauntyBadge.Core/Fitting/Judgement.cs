using JauntyBadge.Core.Fitting.Criteria;
using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Core.Fitting;

/// <summary>One criterion of a muzzle on a snout: numbers and how it came out. The words for it stand in <see cref="FitWords"/>.</summary>
/// <param name="Name">Which criterion.</param>
/// <param name="Outcome">How it came out.</param>
/// <param name="Value">What was found, mm; NaN for a yes-or-no rule.</param>
/// <param name="Low">Least wanted, mm; NaN for no such end.</param>
/// <param name="High">Most wanted, mm; NaN for no such end.</param>
/// <param name="Margin">Distance to the nearest bound, mm, negative when missed; NaN for a yes-or-no rule.</param>
/// <param name="ToMissed">Distance to where it would be missed, mm; infinite where it can only warn.</param>
/// <param name="RestsOn">The number it rests on, where that was assumed.</param>
internal readonly record struct JudgedCriterion(
    CriterionName Name,
    Outcome Outcome,
    double Value,
    double Low,
    double High,
    double Margin,
    double ToMissed,
    ModelLength? RestsOn = null
)
{
    /// <summary>Whether it can make a muzzle unfit.</summary>
    public bool IsHard => !double.IsPositiveInfinity(ToMissed);
}

/// <summary>Why a criterion could not be checked.</summary>
internal enum WhyUnchecked
{
    /// <summary>The chart tells length and girth only.</summary>
    ShapeAssumed,
    NeckNotRead,

    /// <summary>The neck read is too thin for the fingers that go under the strap.</summary>
    NeckTooThin,
    StrapRangeNotGiven,
    HeadNotRead,
}

/// <summary>A muzzle on a snout, judged once: whatever is said, drawn or counted of it is read from here.</summary>
internal sealed class Judgement
{
    private readonly JudgedCriterion[] criteria;

    public Judgement(JudgedCriterion[] criteria, IReadOnlyList<(CriterionName Name, WhyUnchecked Why)> notChecked, in Margins margins)
    {
        this.criteria = criteria;
        (Unchecked, Margins) = (notChecked, margins);
        var least = double.PositiveInfinity;
        foreach (ref readonly var criterion in criteria.AsSpan())
        {
            Worst = criterion.Outcome > Worst ? criterion.Outcome : Worst;
            least = Math.Min(least, criterion.ToMissed);
            Warns |= criterion.Margin < 0 && criterion.Outcome == Outcome.Warning;
        }

        TightestMm = double.IsFinite(least) ? least : 0;
    }

    public IReadOnlyList<JudgedCriterion> Criteria => criteria;

    /// <summary>Pushed back, its edge goes past the eye line.</summary>
    public bool CanBePushedIn => Margins.IsMissed(Margins[CriterionName.Shove]);

    public IReadOnlyList<(CriterionName Name, WhyUnchecked Why)> Unchecked { get; }

    public Margins Margins { get; }

    /// <summary>The worst outcome.</summary>
    public Outcome Worst { get; }

    public bool IsMissed => Worst == Outcome.Missed;

    /// <summary>The least distance to where a criterion would be missed, mm; negative for one that is, 0 where nothing could be.</summary>
    public double TightestMm { get; }

    /// <summary>A measure is beyond its bound, yet the muzzle may be worn with a warning.</summary>
    public bool Warns { get; }

    /// <summary>The criterion of this name; null where it was not checked.</summary>
    public JudgedCriterion? Of(CriterionName name)
    {
        foreach (ref readonly var criterion in criteria.AsSpan())
        {
            if (criterion.Name == name)
                return criterion;
        }

        return null;
    }
}

/// <summary>Judges muzzles on one snout for one request: the only place where a margin becomes an outcome.</summary>
internal sealed class FitJudge
{
    /// <summary>No such number.</summary>
    public const double None = double.NaN;

    /// <summary>It can only warn.</summary>
    public const double Never = double.PositiveInfinity;

    public static readonly ModelLength BoxDepth = new(BasketModel.NoDepth, Provenance.Assumed, new(OriginKind.BasketDepth));

    private readonly double surelyFrom;

    public FitJudge(SnoutModel snout, FitRequest request)
    {
        (Snout, Request) = (snout, request);
        Gauge = new FitGauge(SnoutMm.Of(snout), RequestMm.Of(request, snout.Rules));
        surelyFrom = Gauge.Rules.Marginal * snout.SmallDogScale;
        static ModelLength? IfAssumed(ModelLength number) => number.Provenance == Provenance.Assumed ? number : null;
        (AssumedHeight, AssumedWidth, AssumedGirth) = (IfAssumed(snout.Height), IfAssumed(snout.Width), IfAssumed(snout.Girth));
    }

    public SnoutModel Snout { get; }

    public FitRequest Request { get; }

    public FitGauge Gauge { get; }

    /// <summary>The snout's numbers, where they were assumed.</summary>
    public ModelLength? AssumedHeight { get; }

    public ModelLength? AssumedWidth { get; }

    public ModelLength? AssumedGirth { get; }

    /// <summary>Judges a basket.</summary>
    /// <param name="shape">Its inner shape.</param>
    /// <param name="strap">Its forehead strap, which decides whether a slip over the head is stopped.</param>
    public Judgement Judge(in BasketMm shape, ForeheadStrap strap)
    {
        var basket = new BasketCase(this, Gauge.Seated(shape), Gauge.Of(shape), strap);
        var looked = new Looked(Margins.Count);
        foreach (var criterion in MeasuredCriterion.All)
            looked.Add(criterion, criterion.Of(basket));
        return looked.Judged(basket.Margins);
    }

    /// <summary>Judges a sleeve or face cover. It holds the mouth shut, so that it never comes out as a plain fit.</summary>
    public Judgement Judge(in TubeMm tube, ForeheadStrap strap)
    {
        var of = new TubeCase(this, tube, Gauge.Of(tube), strap);
        var looked = new Looked(Margins.Count + 1);
        foreach (var criterion in MeasuredCriterion.All)
            looked.Add(criterion, criterion.Of(of));
        looked.Add(Warned(CriterionName.Heat));
        return looked.Judged(of.Margins);
    }

    /// <summary>A margin that meets its bound to the rounding of doubles is on it.</summary>
    public static double OnBound(double margin) => Math.Abs(margin) <= Margins.Slack ? 0 : margin;

    /// <summary>A warning that no number tells.</summary>
    public static JudgedCriterion Warned(CriterionName name) => new(name, Outcome.Warning, None, None, None, None, Never);

    /// <summary>A bound that has to hold: beyond it missed; within the tape's doubt of it, or resting on an assumed number, it just holds.</summary>
    public JudgedCriterion MustHold(CriterionName name, double value, double low, double high, double margin, ModelLength? restsOn = null)
    {
        var outcome =
            Margins.IsMissed(margin) ? Outcome.Missed
            : restsOn is not null || margin < surelyFrom ? Outcome.JustHolds
            : Outcome.Holds;
        return new(name, outcome, value, low, high, OnBound(margin), OnBound(margin), restsOn);
    }

    /// <summary>What was found so far of one muzzle.</summary>
    /// <param name="most">How many criteria it can have.</param>
    private struct Looked(int most)
    {
        private readonly JudgedCriterion[] criteria = new JudgedCriterion[most];
        private int count;
        private List<(CriterionName, WhyUnchecked)>? left;

        public void Add(MeasuredCriterion criterion, in Found found)
        {
            if (found.Judged is { } judged)
                Add(judged);
            else if (found.Why is { } why)
                (left ??= []).Add((criterion.Name, why));
        }

        public void Add(in JudgedCriterion judged) => criteria[count++] = judged;

        public readonly Judgement Judged(in Margins margins) =>
            new(count == criteria.Length ? criteria : criteria[..count], (IReadOnlyList<(CriterionName, WhyUnchecked)>?)left ?? [], margins);
    }
}
