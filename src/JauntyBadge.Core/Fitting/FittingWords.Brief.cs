using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>What a dog needs, in words.</summary>
public sealed partial class FittingWords
{
    /// <summary>What to get: one muzzle or two.</summary>
    public string Says(CountAdvice advice) =>
        advice switch
        {
            CountAdvice.Spare => "A spare",
            CountAdvice.FinalFirst => "One: the final one first",
            CountAdvice.TrainingFirst => "Two: a light one to train in, then the final one",
            _ => "One",
        };

    /// <summary>Why, and when to change.</summary>
    public string Why(CountAdvice advice) =>
        advice switch
        {
            CountAdvice.Spare => "It wears one happily already: have a second of the same, for the day one breaks or is lost.",
            CountAdvice.FinalFirst => "With this bite history no lighter one may stand in for it, not even in training.",
            CountAdvice.TrainingFirst =>
                "Train in a light, cheap, quick-clip basket one or two sizes up. Change to the final one when it wears the first for 5 to 10 minutes at ease.",
            _ => "It meets new things well enough to learn in the final one.",
        };

    internal string Of(BiteTier tier) =>
        tier switch
        {
            BiteTier.None => "No bite or threat known.",
            BiteTier.Threatens => "Threatens, without contact.",
            BiteTier.ContactNoInjury => "Contact without injury.",
            BiteTier.Injured => "A bite that injured: see a qualified behaviour professional as well.",
            _ => "Several or deep bites: see a qualified behaviour professional as well.",
        };

    internal string Of(FitStyle style) => style == FitStyle.Working ? "Working: snug" : "Everyday: roomy";

    internal string Of(WhyStyle why) =>
        why switch
        {
            WhyStyle.Set => "Set by the fitter.",
            WhyStyle.Bites => "Several or deep bites ask for a snug fit.",
            WhyStyle.Working => "Working fits sit snug.",
            _ => "Room to pant comes first.",
        };

    internal string FingersAsked(int fingers) => Writing.Capital($"{Fingers(fingers)} under it");

    internal string FingersWhy(FitStyle style, bool set) => set ? "Set by the fitter." : $"The {Writing.Lower($"{style}")} style's rule.";

    internal string UpTo(Mass most) => $"Up to {most.Grams:0} g";

    internal string ShareOf(Mass body) => $"{writing.Rules[MuzzleBrief.MostMassShare]:0.0%} of its {Writing.Number(body.Kilograms)} kg.";

    internal string Of(VisibilitySchool visibility) => visibility == VisibilitySchool.StandOut ? "Stands out from the coat" : "Blends in with the coat";

    internal string Why(VisibilitySchool visibility) =>
        visibility == VisibilitySchool.StandOut
            ? $"People keep away from a muzzle they see: a contrast of {writing.Rules[Contrast.StandsOut]} or more."
            : $"Other dogs are less put off: a contrast of {writing.Rules[Contrast.BlendsIn]} or less.";

    internal string Wish(BriefRule rule, MuzzleModel model, bool has) => $"{Of(rule.Feature!.Value, model, has)} Wanted: {Writing.Lower(rule.Reason)}";

    internal string InWarmth(Angle gape) =>
        $"It opens {gape.Degrees:0}°; worn in warmth a dog needs a full pant, {writing.Rules[FitRules.FullPant].Degrees:0}° or more, shade, water and short wears.";

    internal string Weighs(Mass mass, Mass most) => $"{mass.Grams:0} g; up to {most.Grams:0} g is wanted on this dog.";

    internal string Seen(string colour, double contrast, VisibilitySchool visibility)
    {
        var wanted =
            visibility == VisibilitySchool.StandOut
                ? $"{writing.Rules[Contrast.StandsOut]} or more to stand out"
                : $"{writing.Rules[Contrast.BlendsIn]} or less to blend in";
        return $"In {colour} its contrast with the coat is {contrast:0.0}; {wanted} is wanted.";
    }
}
