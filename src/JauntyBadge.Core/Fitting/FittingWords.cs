using JauntyBadge.Core.Fitting.Criteria;
using JauntyBadge.Core.Measuring;
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
                    (w.SymptomId is { } seen ? (Symptom.Find(seen) is { } symptom ? writing.Say(symptom.Says) : null) : null)
                    ?? writing.Say($"“{writing.Say(TryOnCheck.All.First(c => c.Id == w.CheckId).Asks)}” No")
                )
            );

    /// <summary>The heading of a criterion.</summary>
    public string Word(CriterionName name) => writing.Say(MeasuredCriterion.Find(name)?.Word ?? $"{name}");

    /// <summary>The same within a sentence.</summary>
    public string Within(CriterionName name) => writing.Say(MeasuredCriterion.Find(name)?.Within ?? Writing.Lower($"{name}"));

    /// <summary>Fingers under a strap, such as "about 2 fingers".</summary>
    private string Between(double fingers)
    {
        // As a hand feels it: a fifth of a finger to either side is that finger.
        var (whole, near) = ((int)Math.Floor(fingers), (int)Math.Round(fingers));
        return near == 0 && fingers <= 0.2 ? writing.Say("hardly a finger")
            : Math.Abs(fingers - near) <= 0.2 ? writing.Say($"about {Fingers(near)}")
            : whole == 0 ? writing.Say("less than a finger")
            : writing.Say($"more than {Fingers(whole)}, less than {writing.InWords(whole + 1)}");
    }

    /// <summary>How many fingers go under a strap.</summary>
    public string FingersLeft(double fingers) => fingers >= NeckStrap.MostFingers ? writing.Say($"{NeckStrap.MostFingers} fingers or more") : Between(fingers);

    /// <summary>Which reading would settle most, and what to do.</summary>
    public string Of(Retake retake)
    {
        var name = new MeasuringWords(writing).Name(new(retake.Measure, retake.Side));
        return retake.Kind == UncertaintyKind.Reading
            ? writing.Say($"Take {name} again: no other reading settles more of the doubt.")
            : writing.Say($"Take {name}, which was not read: nothing else settles more of the doubt.");
    }

    /// <summary>What would save a near miss, in a sentence.</summary>
    public string Of(Remedy remedy)
    {
        if (remedy.Kinds is [RemedyKind.Size])
        {
            var after = remedy.After;
            return after.Rank == 0 && after.NotChecked.Count == 0
                ? writing.Say($"Size {after.Size.Label} of the same model fits.")
                : writing.Say($"Size {after.Size.Label} of the same model is worth a look: {Within(after.Deciding.Name)} decides.");
        }

        List<string> steps = [];
        if (remedy.Punched > 0)
            steps.Add(
                remedy.Punched == 1 ? writing.Say("punch one more hole in the neck strap") : writing.Say($"punch {remedy.Punched} more holes in the neck strap")
            );
        if (remedy.Plate > Length.Zero)
            steps.Add(writing.Say($"take the front plate out, which adds {writing.Length(remedy.Plate)}"));
        if (remedy.Formed.Millimeters != 0)
            steps.Add(
                writing.Say(
                    $"form it {writing.Length(remedy.Formed.Abs())} {(remedy.Formed > Length.Zero ? writing.Say("wider") : writing.Say("narrower"))} in hot water"
                )
            );
        return $"{Writing.Capital(writing.And(steps))}.";
    }

    /// <summary>What a light muzzle to train in gives and what it is for.</summary>
    public string Of(TrainingFit training)
    {
        var basket = training.Fit.Assessment!;
        var mass = training.Fit.Size.Mass is { } weighs ? $", {weighs.Grams:0} g" : "";
        return writing.Say(
            $"{(training.SizesUp == 1 ? writing.Say("One size") : writing.Say("Two sizes"))} up: {writing.Length(basket.Seat.NoseRoom)} before the nose, opens {basket.Gape.Degrees:0}°{mass}. For training only, held from below or worn for moments: roomy as it is, it is not what holds this dog outside."
        );
    }

    /// <summary>What a muzzle kept to train in is for.</summary>
    public string ToTrainIn => writing.Say("To train in: roomy as it is, it is not what holds this dog outside.");

    /// <summary>What is said beside the drawing of a size whose chart tells length and girth only.</summary>
    public string ShapeAssumed => writing.Say("Depth and width are assumed: a box of that girth.");

    /// <summary>What is assumed where a chart does not say.</summary>
    public string Of(ChartGap gap) =>
        gap switch
        {
            ChartGap.Shape => writing.Say(
                $"depth and width: a box of that girth, as wide as the snout and {writing.Length(writing.Rules[BasketModel.BoxSpareWidth])}"
            ),
            ChartGap.Range => writing.Say("of a range the longer length, which reaches the eyes first, and of every room the lesser"),
            _ => writing.Say("the neck strap is not checked"),
        };

    /// <summary>A number of fingers.</summary>
    public string Fingers(int fingers) => fingers == 0 ? writing.Say("no finger") : writing.Count(fingers, "one finger", "{0} fingers");

    /// <summary>What has to be said of a sleeve or face cover; null for a basket.</summary>
    public string? Caution(MuzzleType type) =>
        type switch
        {
            MuzzleType.Sleeve => writing.Say(
                $"It holds the mouth shut: the dog cannot pant, drink or vomit in it, and front teeth can still nip. {writing.Rules[FitRules.SleeveCap].TotalMinutes:0} minutes at most, watched all the time, never in warmth or training; under sedation only by the clinic's own staff."
            ),
            MuzzleType.FaceCover => writing.Say(
                $"It lies on the face itself and holds the mouth shut. {writing.Rules[FitRules.CoverCap].TotalMinutes:0} minutes at most, cool and watched all the time, never in warmth. Off at any sign of breathing trouble."
            ),
            _ => null,
        };

    /// <summary>What a model has or has not, in the words of a refusal; what shuts the mouth is fed before it is on.</summary>
    public string Of(Feature feature, MuzzleModel model, bool has) =>
        model.Type != MuzzleType.Basket && feature is Feature.TreatWay or Feature.OpenFront && !has
            ? writing.Say("It holds the mouth shut: treats go in only before it is on.")
            : Of(feature, has);

    /// <summary>The same of any basket.</summary>
    public string Of(Feature feature, bool has) =>
        (feature, has) switch
        {
            (Feature.Basket, true) => writing.Say("It is a basket."),
            (Feature.Basket, false) => writing.Say("It is no basket."),
            (Feature.Sleeve, _) => writing.Say("It is a sleeve: it holds the mouth shut."),
            (Feature.FaceCover, _) => writing.Say("It is a face cover: it lies on the face itself."),
            (Feature.DoesNotGive, true) => writing.Say("It does not give when pressed."),
            (Feature.DoesNotGive, false) => writing.Say("It gives when pressed."),
            (Feature.Sturdy, true) => writing.Say("It is sturdy."),
            (Feature.Sturdy, false) => writing.Say("It is soft and compresses."),
            (Feature.Metal, true) => writing.Say("It is metal."),
            (Feature.Metal, false) => writing.Say("It is not metal."),
            (Feature.Soft, true) => writing.Say("It is soft at the edges."),
            (Feature.Soft, false) => writing.Say("It is hard at the edges."),
            (Feature.ForeheadStrap, true) => writing.Say("It takes a forehead strap."),
            (Feature.ForeheadStrap, false) => writing.Say("No forehead strap can be fitted."),
            (Feature.CollarLink, true) => writing.Say("It links to the collar."),
            (Feature.CollarLink, false) => writing.Say("It has no link to the collar."),
            (Feature.FrontBar, true) => writing.Say("It has a front bar."),
            (Feature.FrontBar, false) => writing.Say("It has no front bar, so front teeth can reach someone."),
            (Feature.ClosedFront, true) => writing.Say("Its front is closed."),
            (Feature.ClosedFront, false) => writing.Say("Its front is open."),
            (Feature.OpenFront, true) => writing.Say("Its front is open."),
            (Feature.OpenFront, false) => writing.Say("Its front is closed."),
            (Feature.TreatWay, true) => writing.Say("Treats go through."),
            (Feature.TreatWay, false) => writing.Say("No treat goes through it."),
            (Feature.QuickClip, true) => writing.Say("It has a quick clip."),
            (Feature.QuickClip, false) => writing.Say("It has no quick clip."),
            (Feature.Buckle, true) => writing.Say("It has a buckle."),
            (Feature.Buckle, false) => writing.Say("It has no buckle."),
            (Feature.ClipAlone, true) => writing.Say("A quick clip alone holds it."),
            (Feature.ClipAlone, false) => writing.Say("More than a clip holds it."),
            (Feature.TwoClosures, true) => writing.Say("It has two closures."),
            (Feature.TwoClosures, false) => writing.Say("It has one closure only."),
            _ => throw new ArgumentOutOfRangeException(nameof(feature)),
        };
}
