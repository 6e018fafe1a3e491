using JauntyBadge.Core.Fitting.Criteria;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>The words of the fitting room. They decide nothing.</summary>
/// <param name="writing">How they are said.</param>
public sealed partial class FittingWords(Writing writing)
{
    /// <summary>What was not right at a try-on, such as "Rubs under the eyes; “Does the clip hold?” No"; null where nothing was.</summary>
    public string? Wrong(TryOnFinding finding) =>
        finding.Wrong.Count == 0
            ? null
            : string.Join(
                "; ",
                finding.Wrong.Select(w =>
                    (w.SymptomId is { } seen ? Symptom.Find(seen)?.Says : null) ?? $"“{TryOnCheck.All.First(c => c.Id == w.CheckId).Asks}” No"
                )
            );

    /// <summary>The heading of a criterion.</summary>
    public static string Word(CriterionName name) => MeasuredCriterion.Find(name)?.Word ?? $"{name}";

    /// <summary>The same within a sentence.</summary>
    public static string Within(CriterionName name) => MeasuredCriterion.Find(name)?.Within ?? Writing.Lower($"{name}");

    /// <summary>What would save a near miss, in a sentence.</summary>
    public string Of(Remedy remedy)
    {
        if (remedy.Kinds is [RemedyKind.Size])
            return $"Size {remedy.After.Size.Label} of the same model fits.";
        List<string> steps = [];
        if (remedy.Punched > 0)
            steps.Add(remedy.Punched == 1 ? "punch one more hole in the neck strap" : $"punch {remedy.Punched} more holes in the neck strap");
        if (remedy.Plate > Length.Zero)
            steps.Add($"take the front plate out, which adds {writing.Length(remedy.Plate)}");
        if (remedy.Formed.Millimeters != 0)
            steps.Add($"form it {writing.Length(remedy.Formed.Abs())} {(remedy.Formed > Length.Zero ? "wider" : "narrower")} in hot water");
        return $"{Writing.Capital(string.Join(" and ", steps))}.";
    }

    /// <summary>What a light muzzle to train in gives and what it is for.</summary>
    public string Of(TrainingFit training)
    {
        var basket = training.Fit.Assessment!;
        var mass = training.Fit.Size.Mass is { } weighs ? $", {weighs.Grams:0} g" : "";
        return $"{(training.SizesUp == 1 ? "One size" : "Two sizes")} up: {writing.Length(basket.Seat.NoseRoom)} before the nose, opens {basket.Gape.Degrees:0}°{mass}. For training only, held from below or worn for moments: roomy as it is, it is not what holds this dog outside.";
    }

    /// <summary>What a muzzle kept to train in is for.</summary>
    public string ToTrainIn => "To train in: roomy as it is, it is not what holds this dog outside.";

    /// <summary>What is said beside the drawing of a size whose chart tells length and girth only.</summary>
    public static string ShapeAssumed => "Depth and width are assumed: a box of that girth.";

    /// <summary>A number of fingers.</summary>
    public static string Fingers(int fingers) => fingers == 0 ? "no finger" : Writing.Count(fingers, "finger");

    /// <summary>What has to be said of a sleeve or face cover; null for a basket.</summary>
    public string? Caution(MuzzleType type) =>
        type switch
        {
            MuzzleType.Sleeve =>
                $"It holds the mouth shut: the dog cannot pant, drink or vomit in it, and front teeth can still nip. {writing.Rules[FitRules.SleeveCap].TotalMinutes:0} minutes at most, watched all the time, never in warmth or training; under sedation only by the clinic's own staff.",
            MuzzleType.FaceCover =>
                $"It lies on the face itself and holds the mouth shut. {writing.Rules[FitRules.CoverCap].TotalMinutes:0} minutes at most, cool and watched all the time, never in warmth. Off at any sign of breathing trouble.",
            _ => null,
        };

    /// <summary>What a model has or has not, in the words of a refusal; what shuts the mouth is fed before it is on.</summary>
    public string Of(Feature feature, MuzzleModel model, bool has) =>
        model.Type != MuzzleType.Basket && feature is Feature.TreatWay or Feature.OpenFront && !has
            ? "It holds the mouth shut: treats go in only before it is on."
            : Of(feature, has);

    /// <summary>The same of any basket.</summary>
    public string Of(Feature feature, bool has) =>
        (feature, has) switch
        {
            (Feature.Basket, true) => "It is a basket.",
            (Feature.Basket, false) => "It is no basket.",
            (Feature.Sleeve, _) => "It is a sleeve: it holds the mouth shut.",
            (Feature.FaceCover, _) => "It is a face cover: it lies on the face itself.",
            (Feature.DoesNotGive, true) => "It does not give when pressed.",
            (Feature.DoesNotGive, false) => "It gives when pressed.",
            (Feature.Sturdy, true) => "It is sturdy.",
            (Feature.Sturdy, false) => "It is soft and compresses.",
            (Feature.Metal, true) => "It is metal.",
            (Feature.Metal, false) => "It is not metal.",
            (Feature.Soft, true) => "It is soft at the edges.",
            (Feature.Soft, false) => "It is hard at the edges.",
            (Feature.ForeheadStrap, true) => "It takes a forehead strap.",
            (Feature.ForeheadStrap, false) => "No forehead strap can be fitted.",
            (Feature.CollarLink, true) => "It links to the collar.",
            (Feature.CollarLink, false) => "It has no link to the collar.",
            (Feature.FrontBar, true) => "It has a front bar.",
            (Feature.FrontBar, false) => "It has no front bar, so front teeth can reach someone.",
            (Feature.ClosedFront, true) => "Its front is closed.",
            (Feature.ClosedFront, false) => "Its front is open.",
            (Feature.OpenFront, true) => "Its front is open.",
            (Feature.OpenFront, false) => "Its front is closed.",
            (Feature.TreatWay, true) => "Treats go through.",
            (Feature.TreatWay, false) => "No treat goes through it.",
            (Feature.QuickClip, true) => "It has a quick clip.",
            (Feature.QuickClip, false) => "It has no quick clip.",
            (Feature.Buckle, true) => "It has a buckle.",
            (Feature.Buckle, false) => "It has no buckle.",
            (Feature.ClipAlone, true) => "A quick clip alone holds it.",
            (Feature.ClipAlone, false) => "More than a clip holds it.",
            (Feature.TwoClosures, true) => "It has two closures.",
            (Feature.TwoClosures, false) => "It has one closure only.",
            _ => throw new ArgumentOutOfRangeException(nameof(feature)),
        };
}
