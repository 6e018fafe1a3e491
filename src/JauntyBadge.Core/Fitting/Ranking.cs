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

    /// <summary>The unit the reasons speak in.</summary>
    public ReadingUnit Shown { get; init; }

    internal FitRequest Request(ForeheadStrap strap) => new(Brief.School, Brief.NeededGape, Brief.Fingers, Finger, Brief.BiteTier, Shown, strap);
}

/// <summary>Puts a catalogue in order for a snout and a brief.</summary>
public static class Ranking
{
    /// <summary>Chances within one such step count alike, and the fitter's weights decide.</summary>
    public static readonly Grounded<double> ChanceStep = new("fit.chance-step", "Chances within one such step count alike, and the fitter's weights decide", 0.05, Basis.House("no reading is trusted closer than that"));

    /// <summary>
    /// What may be worn first, baskets before what closes the mouth or lies on the face: by chance in steps of 5 %, those whose shape is known before those of a chart of length and girth, those without a warning before those with one, then by the fitter's weights; then what is out, refusals last and the nearest miss first.
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
    internal static int StepOf(double chance) => (int)Math.Floor(Math.Min(chance, 1 - ChanceStep.Value) / ChanceStep.Value + 1e-9);

    private static int Compare(RankedFit a, RankedFit b)
    {
        var (aOut, bOut) = (a.Verdict == Verdict.Out, b.Verdict == Verdict.Out);
        if (aOut != bOut)
            return aOut ? 1 : -1;
        var first = aOut
            ? Then(a.IsRefused.CompareTo(b.IsRefused), b.TightestMm.CompareTo(a.TightestMm))
            : Then((a.Model.Type != MuzzleType.Basket).CompareTo(b.Model.Type != MuzzleType.Basket), Then(b.ChanceSteps.CompareTo(a.ChanceSteps), Then(a.Size.IsLengthAndGirthOnly.CompareTo(b.Size.IsLengthAndGirthOnly), Then(a.Warns.CompareTo(b.Warns), b.Weighted.CompareTo(a.Weighted)))));
        if (first != 0)
            return first;
        var names = string.CompareOrdinal(a.Model.Name, b.Model.Name);
        return Then(Then(names, string.CompareOrdinal(a.Model.Id, b.Model.Id)), Then(a.Size.LengthMm.CompareTo(b.Size.LengthMm), string.CompareOrdinal(a.Size.Id, b.Size.Id)));
    }

    private static int Then(int first, int next) => first != 0 ? first : next;
}

/// <summary>Judges the sizes of one model after another against one question, in plain numbers.</summary>
internal sealed class ModelJudge
{
    private readonly FitQuestion question;
    private readonly Asked asked;
    private readonly Asked[] draws;
    private readonly bool[] holds;
    private readonly (bool Height, bool Width, bool Girth) assumed;
    private MuzzleModel? inHand;
    private IReadOnlyList<Criterion> refusals = [];
    private FitRequest said = null!;
    private double seen;

    public ModelJudge(FitQuestion question)
    {
        this.question = question;
        var snout = question.Snout;
        var request = RequestMm.Of(question.Request(ForeheadStrap.Optional));
        asked = new Asked(SnoutMm.Of(snout), request);
        draws = Chances.Prepare(question.Draws, request);
        holds = new bool[draws.Length];
        assumed = (snout.Height.Provenance == Provenance.Assumed, snout.Width.Provenance == Provenance.Assumed, snout.Girth.Provenance == Provenance.Assumed);
    }

    public FitQuestion Question => question;

    /// <summary>The loop a neck strap must make, mm; NaN when unknown.</summary>
    public double Loop => asked.Loop;

    /// <summary>Judges a size, with its chances where the question has draws and they are wanted.</summary>
    public RankedFit Judge(MuzzleModel model, MuzzleSize size, bool withChances = true)
    {
        if (!ReferenceEquals(model, inHand))
            (inHand, refusals, said, seen) = (model, question.Brief.Refusals(model), question.Request(model.ForeheadStrap), FitScore.Seen(model, question.Brief));
        var drawn = withChances ? question.Draws : null;
        var refused = refusals.Count == 0 ? Verdict.Fits : refusals.Max(r => r.Verdict);
        var scale = question.Snout.SmallDogScale;
        Verdict Of(double margin, bool rests = false) => double.IsNaN(margin) ? Verdict.Fits : Fitting.Judge.VerdictOf(margin, rests, scale);
        Verdict Warns(double margin, bool hard) => double.IsNaN(margin) ? Verdict.Fits : margin >= -Asked.Slack ? Verdict.Fits : hard ? Verdict.Out : Verdict.Marginal;
        var slipIsHard = model.ForeheadStrap == ForeheadStrap.None;
        if (model.Type == MuzzleType.Basket)
        {
            var basket = size.BasketMm(model.HolePitchMm);
            var m = asked.Of(basket);
            var slip = m.SlipOff >= -Asked.Slack ? Of(m.SlipOff) : Warns(m.SlipOff, slipIsHard);
            var verdict = Worst(
                Worst(refused, Of(m.Seat), Warns(m.Shove, said.ShoveMustHold), Of(m.ChinRoom, assumed.Height || basket.Box)),
                Worst(Of(m.Gape, assumed.Height || basket.Box), Of(m.Girth, assumed.Girth), Of(m.Width, assumed.Width), Of(m.NeckStrap)),
                Worst(slip, Fitting.Judge.VerdictOfLarge(m.Large, m.FarTooLarge)));
            var tightest = Least(m.Seat, m.ChinRoom, m.Gape, m.Girth, m.Width, m.NeckStrap, said.ShoveMustHold ? m.Shove : double.NaN, slipIsHard ? m.SlipOff : double.NaN, m.FarTooLarge);
            var score = FitScore.Of(model, size, m, asked.GapeRad(basket), (asked.High - asked.Low) / 2, seen, question.Brief.MostMass);
            var warns = m.Shove < -Asked.Slack || m.SlipOff < -Asked.Slack || m.Large < -Asked.Slack;
            return new RankedFit(this, model, size, refusals, verdict, tightest, warns, score, drawn is null ? null : Chances.Count(drawn, draws, basket, said.Hard, holds));
        }

        var tube = size.TubeMm(model.HolePitchMm);
        var t = asked.Of(tube);
        var over = t.SlipOff >= -Asked.Slack ? Of(t.SlipOff) : Warns(t.SlipOff, slipIsHard);

        // What holds the mouth shut is never more than a watched minute: it does not come out as a plain fit.
        var whole = Worst(Worst(refused, Verdict.Marginal), Of(t.Edge), Of(t.Girth, assumed.Girth), Worst(Of(t.NeckStrap), over));
        var least = Least(t.Edge, t.Girth, t.NeckStrap, slipIsHard ? t.SlipOff : double.NaN);
        var serves = FitScore.Of(model, size, new Margins { Seat = t.Edge }, 0, asked.High, seen, question.Brief.MostMass);
        return new RankedFit(this, model, size, refusals, whole, least, t.SlipOff < -Asked.Slack, serves, drawn is null ? null : Chances.Count(drawn, draws, tube, said.Hard, holds));
    }

    private static Verdict Worst(Verdict a, Verdict b, Verdict c, Verdict d = Verdict.Fits) =>
        (Verdict)Math.Max(Math.Max((int)a, (int)b), Math.Max((int)c, (int)d));

    private static Verdict Worst(Verdict a, Verdict b) => a > b ? a : b;

    private static double Least(params ReadOnlySpan<double> margins)
    {
        var least = double.PositiveInfinity;
        foreach (var margin in margins)
        {
            if (margin < least)
                least = margin;
        }

        return double.IsFinite(least) ? least : 0;
    }
}
