using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>One size of one model, judged for one dog. Order and verdict are there at once; sentences are made when asked for.</summary>
public sealed class RankedFit
{
    private readonly ModelJudge judge;
    private readonly IReadOnlyList<Criterion> refusals;
    private readonly Chances? chances;
    private (IReadOnlyList<Criterion> Criteria, IReadOnlyList<NotChecked> NotChecked, FitAssessment? Assessment)? told;

    internal RankedFit(
        ModelJudge judge,
        MuzzleModel model,
        MuzzleSize size,
        IReadOnlyList<Criterion> refusals,
        Judgement judgement,
        FitScore score,
        Chances? chances
    )
    {
        (this.judge, Model, Size, this.refusals, Judgement, Score, this.chances) = (judge, model, size, refusals, judgement, score, chances);
        IsRefused = refusals.Any(r => r.Outcome == Outcome.Missed);
        Warns = judgement.Warns || refusals.Count > 0;
        Verdict = refusals.Select(r => r.Outcome).Append(judgement.Worst).Max().Verdict();
        TightestMm = judgement.TightestMm;
        Weighted = Math.Round(score.Weighted(Question.Weights), 6);
        ChanceSteps = chances is null ? 0 : Ranking.StepOf(IsRefused ? 0 : chances.Whole, Question.Rules);
    }

    public MuzzleModel Model { get; }
    public MuzzleSize Size { get; }

    /// <summary>The worst of what has to hold.</summary>
    public Verdict Verdict { get; }

    /// <summary>What the fitter's weights look at.</summary>
    public FitScore Score { get; }

    /// <summary>The score by the fitter's weights, 0 to 1.</summary>
    public double Weighted { get; }

    /// <summary>Something required is missing, or something ruled out is there.</summary>
    public bool IsRefused { get; }

    /// <summary>It may be worn, but with a warning: an edge that can be pushed into the eyes, a strap that may slip, a basket that hangs, or an overruled line.</summary>
    public bool Warns { get; }

    /// <summary>It may be pushed past the eye line: a list may show it, nobody wears it so.</summary>
    public bool CanBePushedIn => Model.Type == MuzzleType.Basket && Judgement.CanBePushedIn;

    /// <summary>It may be worn, as far as the list can tell.</summary>
    public bool MayBeWorn => Verdict != Verdict.Out && !CanBePushedIn;

    /// <summary>Chance that all that has to hold does hold, given the doubt about the readings; 0 when refused, null when not drawn.</summary>
    public double? Chance =>
        chances is null ? null
        : IsRefused ? 0
        : chances.Whole;

    /// <summary>The reading that would settle the decision most; null when there is little doubt.</summary>
    public Retake? Retake => IsRefused ? null : chances?.Retake;

    /// <summary>The smallest margin of what has to hold.</summary>
    public Length TightestMargin => Length.FromMillimeters(TightestMm);

    /// <summary>Every criterion, what the brief refuses first.</summary>
    public IReadOnlyList<Criterion> Criteria => Told.Criteria;

    /// <summary>What could not be checked.</summary>
    public IReadOnlyList<NotChecked> NotChecked => Told.NotChecked;

    /// <summary>The basket arithmetic; null for a sleeve or face cover.</summary>
    public FitAssessment? Assessment => Told.Assessment;

    /// <summary>The criterion that decides: of those that came out worst the first refusal, else the one with the least margin.</summary>
    public Criterion Deciding =>
        Criteria
            .Where(c => c.Verdict == Verdict && !c.IsSoft && (Verdict != Verdict.Fits || c.Name != CriterionName.Shove))
            .OrderBy(c => c.Margin?.Millimeters ?? double.NegativeInfinity)
            .First();

    /// <summary>The loop a neck strap must make; null when it is not known.</summary>
    public Length? NeckLoop => double.IsNaN(judge.Loop) ? null : Length.FromMillimeters(judge.Loop);

    /// <summary>The setting to mark on the neck strap, the nearest to the loop needed; null when it is not known or out of the strap's range.</summary>
    public StrapSetting? Strap => NeckLoop is { } loop && Size.NeckStrapRange() is { } range ? StrapSetting.For(loop, range, Model.HolePitch) : null;

    /// <summary>The hole on the other side of the loop needed, where that lies between two.</summary>
    public StrapSetting? OtherStrap =>
        Strap is { } marked && NeckLoop is { } loop && Size.NeckStrapRange() is { } range
            ? StrapSetting.OtherSide(marked, loop, range, Model.HolePitch, Question.Rules)
            : null;

    /// <summary>Where it stands in the list.</summary>
    /// <param name="remedies">What would save it.</param>
    public FitGroup GroupWith(IReadOnlyList<Remedy> remedies) =>
        !MayBeWorn ? (remedies.Count > 0 ? FitGroup.Near : FitGroup.Out)
        : Model.Type != MuzzleType.Basket ? FitGroup.Watched
        : Chance < Question.Rules[Headline.EvenChance] ? FitGroup.Unsure
        : FitGroup.Fits;

    /// <summary>Whether it may be worn and rather fits than not.</summary>
    internal bool Serves => MayBeWorn && !(Chance < Question.Rules[Headline.EvenChance]);

    /// <summary>Whether it is kept only with a note that says why: it is out or not to be worn so, and not to train in.</summary>
    public bool NeedsNoteToKeep(bool toTrainIn) => !MayBeWorn && !toTrainIn;

    /// <summary>How many fingers a setting leaves under the strap, to a tenth; null when the neck was not read.</summary>
    public double? FingersAt(StrapSetting setting) => Snout.NeckGirth is { } neck ? NeckStrap.FingersUnder(neck, setting.Loop, Question.Finger) : null;

    /// <summary>The inner shape on this snout; null for a sleeve or face cover.</summary>
    public BasketModel? Basket => Model.Type == MuzzleType.Basket ? Size.Basket(Snout) with { HolePitch = Model.HolePitch } : null;

    /// <summary>The snout it was judged on.</summary>
    public SnoutModel Snout => Question.Snout;

    /// <summary>The brief it was judged by.</summary>
    public MuzzleBrief Brief => Question.Brief;

    internal double TightestMm { get; }

    /// <summary>What it was judged to be, in numbers.</summary>
    internal Judgement Judgement { get; }

    internal int ChanceSteps { get; }

    /// <summary>Where it stands among those that may be worn: 0 sure enough and without a warning, 1 with one or where it is not as sure that no push brings it to the eyes, 2 less sure.</summary>
    internal int Rank =>
        Chance < Question.Rules[VanStock.SureEnough] ? 2
        : Warns || chances?.Of(CriterionName.Shove) < Question.Rules[VanStock.SureEnough] ? 1
        : 0;

    internal FitQuestion Question => judge.Question;

    /// <summary>The same model with its size changed, judged anew.</summary>
    internal RankedFit With(MuzzleSize changed, bool withChances) => judge.Judge(Model, changed, withChances);

    private (IReadOnlyList<Criterion> Criteria, IReadOnlyList<NotChecked> NotChecked, FitAssessment? Assessment) Told => told ??= Tell();

    private (IReadOnlyList<Criterion> Criteria, IReadOnlyList<NotChecked> NotChecked, FitAssessment? Assessment) Tell()
    {
        var request = Question.Request(Model.ForeheadStrap);
        IReadOnlyList<Criterion> criteria;
        IReadOnlyList<NotChecked> notChecked;
        FitAssessment? assessment = null;
        if (Model.Type == MuzzleType.Basket)
        {
            assessment = BasketFit.Told(judge.FitJudge, Size.BasketMm(Model.HolePitch), Judgement, Snout, request);
            (criteria, notChecked) = (assessment.Criteria, assessment.NotChecked);
        }
        else
        {
            var words = new FitWords(Snout, request, Judgement, Model.Type, wear: Brief.Wear, holePitch: Model.HolePitch?.Millimeters ?? 0);
            criteria = [.. Judgement.Criteria.Select(c => words.Of(c))];
            notChecked = [.. Judgement.Unchecked.Select(u => words.Of(u.Name, u.Why, judge.Loop))];
        }

        return (
            [.. refusals, .. criteria.Select(c => c with { Chance = c.Margin is null ? null : chances?.Of(c.Name) }), .. SoftCriteria.Of(this, assessment)],
            notChecked,
            assessment
        );
    }
}

/// <summary>Where a muzzle stands in the list.</summary>
public enum FitGroup
{
    /// <summary>A basket that fits, at least as likely as not.</summary>
    Fits,

    /// <summary>A sleeve or cover of the right size: for watched minutes only.</summary>
    Watched,

    /// <summary>A basket that fits as read, but with less than an even chance.</summary>
    Unsure,

    /// <summary>Out, but something would save it.</summary>
    Near,
    Out,
}

/// <summary>What is wished rather than needed: it never decides whether a muzzle may be worn.</summary>
internal static class SoftCriteria
{
    public static IEnumerable<Criterion> Of(RankedFit fit, FitAssessment? assessment)
    {
        var (model, brief, words) = (fit.Model, fit.Question.Brief, new FittingWords(fit.Question.Writing));
        foreach (var (rule, has) in brief.Wishes(model))
            yield return Soft(rule.Feature!.Value.Criterion(), has, words.Wish(rule, model, has), rule.Basis);
        if (brief.Wear.Warm && assessment is not null)
            yield return Soft(
                CriterionName.Heat,
                assessment.Gape >= brief.Rules[FitRules.FullPant],
                words.InWarmth(assessment.Gape),
                brief.Rules.Basis(FitRules.FullPant)
            );
        if (brief.MostMass is { } most && fit.Size.Mass is { } mass)
            yield return Soft(CriterionName.Weight, mass <= most, words.Weighs(mass, most), brief.Rules.Basis(MuzzleBrief.MostMassShare));
        if (FitScore.Sight(model, brief) is { } sight)
            yield return Soft(
                CriterionName.Visibility,
                sight.Met,
                model.SeenThrough ? words.SeenThrough(brief.Visibility) : words.Seen(sight.Colour.Name, sight.Ratio, brief.Visibility),
                brief.Rules.Basis(brief.Visibility == VisibilitySchool.StandOut ? Contrast.StandsOut : Contrast.BlendsIn)
            );
    }

    private static Criterion Soft(CriterionName name, bool met, string reason, Basis basis) =>
        new(name, met ? Outcome.Holds : Outcome.Warning, null, reason, basis) { IsSoft = true };
}
