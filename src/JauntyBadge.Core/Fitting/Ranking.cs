using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>A catalogue, a snout and a brief: everything a ranking needs.</summary>
/// <param name="Snout">The snout.</param>
/// <param name="Brief">What the dog needs.</param>
/// <param name="Finger">Thickness of the fitter's finger.</param>
public sealed record FitQuestion(SnoutModel Snout, MuzzleBrief Brief, Length Finger)
{
    /// <summary>The snout drawn from the doubt about its readings; null leaves the chances out.</summary>
    public SnoutDraws? Draws { get; init; }

    /// <summary>What the fitter weighs.</summary>
    public Weights Weights { get; init; } = Weights.Usual;

    /// <summary>How the reasons are said.</summary>
    public Writing Writing { get; init; } = Writing.Usual;

    /// <summary>The numbers that decide.</summary>
    public HouseRules Rules => Snout.Rules;

    internal FitRequest Request(ForeheadStrap strap) =>
        new(Brief.FitStyle, Brief.NeededGape, Brief.Fingers, Finger, Brief.BiteTier, strap) { Writing = Writing };
}

/// <summary>Puts a catalogue in order for a snout and a brief.</summary>
public static class Ranking
{
    /// <summary>Chances within one such step count alike, and the fitter's weights decide.</summary>
    public static readonly Grounded<double> ChanceStep = new(
        "fit.chance-step",
        "Chances within one such step count alike, and the fitter's weights decide",
        0.05,
        Basis.House("no reading is trusted closer than that")
    );

    /// <summary>
    /// What may be worn first, baskets before what closes the mouth or lies on the face: what is sure enough and without a warning, then what has one, then what is less sure; within each by chance in steps of 5 %, those whose shape is known before those of a chart of length and girth, then by the fitter's weights; then what is out, refusals last and the nearest miss first.
    /// Equal ones keep the order of model and size, so the list never flips.
    /// </summary>
    public static IReadOnlyList<RankedFit> Rank(IReadOnlyList<MuzzleModel> catalogue, FitQuestion question)
    {
        var one = new ModelJudge(question);
        var fits = new List<RankedFit>(catalogue.Sum(m => m.Sizes.Count));
        foreach (var model in catalogue)
        {
            foreach (var size in model.Sizes)
                fits.Add(one.Judge(model, size));
        }

        fits.Sort(Compare);
        return fits;
    }

    /// <summary>Judges one size of one model as the ranking does.</summary>
    public static RankedFit Judge(MuzzleModel model, MuzzleSize size, FitQuestion question) => new ModelJudge(question).Judge(model, size);

    /// <summary>The step of a chance; certainty has none of its own, so that of two that are as good as sure the better one comes first.</summary>
    internal static int StepOf(double chance, HouseRules rules) => (int)Math.Floor(Math.Min(chance, 1 - rules[ChanceStep]) / rules[ChanceStep] + 1e-9);

    private static int Compare(RankedFit a, RankedFit b)
    {
        var (aOut, bOut) = (!a.MayBeWorn, !b.MayBeWorn);
        if (aOut != bOut)
            return aOut ? 1 : -1;
        var first = aOut
            ? Then(a.IsRefused.CompareTo(b.IsRefused), b.TightestMm.CompareTo(a.TightestMm))
            : Then(
                (a.Model.Type != MuzzleType.Basket).CompareTo(b.Model.Type != MuzzleType.Basket),
                Then(
                    a.Rank.CompareTo(b.Rank),
                    Then(
                        b.ChanceSteps.CompareTo(a.ChanceSteps),
                        Then(
                            a.Size.IsLengthAndGirthOnly.CompareTo(b.Size.IsLengthAndGirthOnly),
                            Then(a.Warns.CompareTo(b.Warns), b.Weighted.CompareTo(a.Weighted))
                        )
                    )
                )
            );
        if (first != 0)
            return first;
        var names = string.CompareOrdinal(a.Model.Name, b.Model.Name);
        return Then(
            Then(names, string.CompareOrdinal(a.Model.Id, b.Model.Id)),
            Then(a.Size.Length.CompareTo(b.Size.Length), string.CompareOrdinal(a.Size.Id, b.Size.Id))
        );
    }

    private static int Then(int first, int next) => first != 0 ? first : next;
}

/// <summary>Judges the sizes of one model after another against one question.</summary>
internal sealed class ModelJudge
{
    private readonly FitQuestion question;
    private readonly FittingWords words;
    private readonly FitJudge judge;
    private readonly FitGauge[] draws;
    private readonly bool[] holds;
    private MuzzleModel? model;
    private IReadOnlyList<Criterion> refusals = [];
    private FitRequest request = null!;
    private double seen;

    public ModelJudge(FitQuestion question)
    {
        (this.question, words) = (question, new FittingWords(question.Writing));
        var any = question.Request(ForeheadStrap.Optional);
        judge = new FitJudge(question.Snout, any);
        draws = Chances.Prepare(question.Draws, RequestMm.Of(any, question.Rules));
        holds = new bool[draws.Length];
    }

    public FitQuestion Question => question;

    /// <summary>What it judges a size by.</summary>
    public FitJudge FitJudge => judge;

    /// <summary>The loop a neck strap must make, mm; NaN when unknown.</summary>
    public double Loop => judge.Gauge.Loop;

    /// <summary>Judges a size, with its chances where the question has draws and they are wanted.</summary>
    public RankedFit Judge(MuzzleModel model, MuzzleSize size, bool withChances = true)
    {
        TakeUp(model);
        return model.Type == MuzzleType.Basket
            ? Judge(size, size.BasketMm(model.HolePitch), withChances)
            : Judge(size, size.TubeMm(model.HolePitch), withChances);
    }

    /// <summary>Whether a basket may be worn and is this sure to fit, without working out more than that.</summary>
    public bool Serves(MuzzleModel model, MuzzleSize size, double sure)
    {
        TakeUp(model);
        var basket = size.BasketMm(model.HolePitch);
        return refusals.All(r => r.Outcome != Outcome.Missed)
            && judge.Judge(basket, request.ForeheadStrap) is { IsMissed: false, CanBePushedIn: false }
            && Chances.HoldsAtLeast(sure, draws, basket, request.Hard);
    }

    /// <summary>Works out what holds for every size of a model, once as long as its sizes follow each other.</summary>
    private void TakeUp(MuzzleModel next)
    {
        if (ReferenceEquals(next, model))
            return;
        model = next;
        refusals = question.Brief.Refusals(next, words);
        request = question.Request(next.ForeheadStrap);
        seen = FitScore.Seen(next, question.Brief);
    }

    private RankedFit Judge(MuzzleSize size, in BasketMm basket, bool withChances)
    {
        var judgement = judge.Judge(basket, request.ForeheadStrap);
        var half = (judge.Gauge.High - judge.Gauge.Low) / 2;
        var score = FitScore.Of(
            model!,
            size,
            judgement.Margins[CriterionName.Seat],
            judgement.Margins[CriterionName.Shove],
            judgement.Margins[CriterionName.Large],
            judge.Gauge.GapeRad(basket),
            half,
            seen,
            question.Brief.MostMass,
            question.Rules
        );
        return new RankedFit(this, model!, size, refusals, judgement, score, ChancesOf(basket, withChances));
    }

    private RankedFit Judge(MuzzleSize size, in TubeMm tube, bool withChances)
    {
        var judgement = judge.Judge(tube, request.ForeheadStrap);
        var score = FitScore.Of(model!, size, judgement.Margins[CriterionName.Seat], 0, 0, 0, judge.Gauge.High, seen, question.Brief.MostMass, question.Rules);
        return new RankedFit(this, model!, size, refusals, judgement, score, ChancesOf(tube, withChances));
    }

    private Chances? ChancesOf<TShape>(in TShape shape, bool withChances)
        where TShape : struct, IShapeMm => withChances && question.Draws is { } drawn ? Chances.Count(drawn, draws, shape, request.Hard, holds) : null;
}
