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
    private const double None = double.NaN;
    private const double Never = double.PositiveInfinity;

    private static readonly ModelLength BoxDepth = new(BasketModel.NoDepth, Provenance.Assumed, new(OriginKind.BasketDepth));

    private readonly SnoutModel snout;
    private readonly FitRequest request;
    private readonly FitRulesMm rules;
    private readonly double surelyFrom;
    private readonly ModelLength? assumedHeight,
        assumedWidth,
        assumedGirth;

    public FitJudge(SnoutModel snout, FitRequest request)
    {
        (this.snout, this.request) = (snout, request);
        Gauge = new FitGauge(SnoutMm.Of(snout), RequestMm.Of(request, snout.Rules));
        rules = Gauge.Rules;
        surelyFrom = rules.Marginal * snout.SmallDogScale;
        static ModelLength? IfAssumed(ModelLength number) => number.Provenance == Provenance.Assumed ? number : null;
        (assumedHeight, assumedWidth, assumedGirth) = (IfAssumed(snout.Height), IfAssumed(snout.Width), IfAssumed(snout.Girth));
    }

    public FitGauge Gauge { get; }

    /// <summary>Judges a basket.</summary>
    /// <param name="shape">Its inner shape.</param>
    /// <param name="strap">Its forehead strap, which decides whether a slip over the head is stopped.</param>
    public Judgement Judge(in BasketMm shape, ForeheadStrap strap)
    {
        var margins = Gauge.Of(shape);
        var basket = Gauge.Seated(shape);
        var depth = basket.Box ? BoxDepth : assumedHeight;
        var found = new Found();
        found.Add(MustHold(CriterionName.Seat, Gauge.NoseRoom(basket.Length), Gauge.Low, Gauge.High, margins.Seat));
        found.Add(Shove(margins.Shove));
        found.Add(MustHold(CriterionName.ChinRoom, margins.ChinRoom + rules.ChinRoom, rules.ChinRoom, None, margins.ChinRoom, depth));
        found.Add(MustHold(CriterionName.Gape, margins.Gape + rules.FloorClearance, rules.FloorClearance, None, margins.Gape, depth));
        found.Add(MustHold(CriterionName.Girth, basket.OpeningGirth, Gauge.NeededGirth, None, margins.Girth, assumedGirth));
        found.Add(Large(margins));
        if (basket.Box)
            found.Leave(CriterionName.Width, WhyUnchecked.ShapeAssumed);
        else
            found.Add(MustHold(CriterionName.Width, Gauge.SpareWidth(basket), rules.WidthLow, rules.WidthHigh, margins.Width, assumedWidth));
        AddStrap(ref found, margins, basket.StrapMin, basket.StrapMax, basket.SetLoop(Gauge.MarkedFor), strap);
        return found.Judged(margins);
    }

    /// <summary>Judges a sleeve or face cover. It holds the mouth shut, so that it never comes out as a plain fit.</summary>
    public Judgement Judge(in TubeMm tube, ForeheadStrap strap)
    {
        var margins = Gauge.Of(tube);
        var found = new Found();
        found.Add(MustHold(CriterionName.Seat, Gauge.EdgeRoom(tube), Gauge.EdgeLeast, None, margins.Seat));
        found.Add(MustHold(CriterionName.Girth, snout.Girth.Mm, tube.GirthMin, tube.GirthMax, margins.Girth, assumedGirth));
        found.Add(new(CriterionName.Gape, Outcome.Warning, None, None, None, None, Never));
        found.Add(new(CriterionName.Heat, Outcome.Warning, None, None, None, None, Never));
        AddStrap(ref found, margins, tube.StrapMin, tube.StrapMax, tube.SetLoop(Gauge.MarkedFor), strap);
        return found.Judged(margins);
    }

    private static double OnBound(double margin) => Math.Abs(margin) <= Margins.Slack ? 0 : margin;

    /// <summary>A bound that has to hold: beyond it missed; within the tape's doubt of it, or resting on an assumed number, it just holds.</summary>
    private JudgedCriterion MustHold(CriterionName name, double value, double low, double high, double margin, ModelLength? restsOn = null)
    {
        var outcome =
            Margins.IsMissed(margin) ? Outcome.Missed
            : restsOn is not null || margin < surelyFrom ? Outcome.JustHolds
            : Outcome.Holds;
        return new(name, outcome, value, low, high, OnBound(margin), OnBound(margin), restsOn);
    }

    /// <summary>Pushed back until the nose touches: a fault where the dog will push, a warning otherwise.</summary>
    private JudgedCriterion Shove(double margin)
    {
        var outcome =
            !Margins.IsMissed(margin) ? Outcome.Holds
            : request.ShoveMustHold ? Outcome.Missed
            : Outcome.Warning;
        return new(CriterionName.Shove, outcome, OnBound(margin), 0, None, OnBound(margin), request.ShoveMustHold ? OnBound(margin) : Never);
    }

    /// <summary>Too large: a warning, and no fit far beyond it.</summary>
    private JudgedCriterion Large(in Margins margins)
    {
        var (most, far) = (OnBound(margins.Large), OnBound(margins.FarTooLarge));
        var outcome =
            far < 0 ? Outcome.Missed
            : most < 0 ? Outcome.Warning
            : Outcome.Holds;
        return new(CriterionName.Large, outcome, margins.Gape, None, rules.LargeRoom, far < 0 ? far : most, far);
    }

    private void AddStrap(ref Found found, in Margins margins, double shortest, double longest, double set, ForeheadStrap strap)
    {
        if (double.IsNaN(Gauge.Loop))
            found.Leave(CriterionName.NeckStrap, snout.NeckGirth is null ? WhyUnchecked.NeckNotRead : WhyUnchecked.NeckTooThin);
        else if (double.IsNaN(margins.NeckStrap))
            found.Leave(CriterionName.NeckStrap, WhyUnchecked.StrapRangeNotGiven);
        else
            found.Add(MustHold(CriterionName.NeckStrap, Gauge.Loop, shortest, longest, margins.NeckStrap));

        if (double.IsNaN(set))
            found.Leave(CriterionName.SlipOff, WhyUnchecked.NeckNotRead);
        else if (double.IsNaN(margins.SlipOff))
            found.Leave(CriterionName.SlipOff, WhyUnchecked.HeadNotRead);
        else
            found.Add(SlipOff(margins.SlipOff, set, strap));
    }

    /// <summary>Whether the loop as it will be set could come over the head; a forehead strap stops that.</summary>
    private JudgedCriterion SlipOff(double margin, double set, ForeheadStrap strap)
    {
        var holds = MustHold(CriterionName.SlipOff, set, None, set + margin, margin);
        return strap == ForeheadStrap.None
            ? holds
            : holds with
            {
                Outcome = holds.Outcome == Outcome.Missed ? Outcome.Warning : holds.Outcome,
                ToMissed = Never,
            };
    }

    /// <summary>What was found so far of one muzzle.</summary>
    private struct Found()
    {
        private const int Most = 9;

        private readonly JudgedCriterion[] criteria = new JudgedCriterion[Most];
        private int count;
        private List<(CriterionName, WhyUnchecked)>? left;

        public void Add(in JudgedCriterion criterion) => criteria[count++] = criterion;

        public void Leave(CriterionName name, WhyUnchecked why) => (left ??= []).Add((name, why));

        public readonly Judgement Judged(in Margins margins) =>
            new(count == Most ? criteria : criteria[..count], (IReadOnlyList<(CriterionName, WhyUnchecked)>?)left ?? [], margins);
    }
}
