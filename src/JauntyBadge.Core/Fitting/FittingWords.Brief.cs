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
            CountAdvice.Spare => writing.Say("A spare of the same"),
            CountAdvice.FinalFirst => writing.Say("One muzzle, the final one at once"),
            CountAdvice.TrainingFirst => writing.Say("Two: a light muzzle to train in, then the final one"),
            _ => writing.Say("One muzzle is enough"),
        };

    /// <summary>Why, and when to change.</summary>
    public string Why(CountAdvice advice) =>
        advice switch
        {
            CountAdvice.Spare => writing.Say("It wears one happily already: have a second of the same, for the day one breaks or is lost."),
            CountAdvice.FinalFirst => writing.Say("With this bite history no lighter one may stand in for it, not even in training."),
            CountAdvice.TrainingFirst => writing.Say(
                "Train in a light, cheap, quick-clip basket one or two sizes up. Change to the final one when it wears the first for 5 to 10 minutes at ease."
            ),
            _ => writing.Say("It takes new things well: it can learn in the muzzle it will keep."),
        };

    internal string Tier(BiteTier tier) => writing.Say($"Tier {(int)tier}");

    internal string Overruled(string why, string note) => writing.Say($"{why} Overruled: {note}");

    internal Clash Of(Clash clash) => clash with { Says = writing.Say(clash.Says), Do = writing.Say(clash.Do) };

    internal string Of(BiteTier tier) =>
        tier switch
        {
            BiteTier.None => writing.Say("No bite or threat known."),
            BiteTier.Threatens => writing.Say("Threatens, without contact."),
            BiteTier.ContactNoInjury => writing.Say("Contact without injury."),
            BiteTier.Injured => writing.Say("A bite that injured: see a qualified behaviour professional as well."),
            _ => writing.Say("Several or deep bites: see a qualified behaviour professional as well."),
        };

    internal string Of(FitStyle style) => style == FitStyle.Working ? writing.Say("Working: snug") : writing.Say("Everyday: roomy");

    internal string Of(WhyStyle why) =>
        why switch
        {
            WhyStyle.Set => writing.Say("Set by the fitter."),
            WhyStyle.Bites => writing.Say("Several or deep bites ask for a snug fit."),
            WhyStyle.Working => writing.Say("Working fits sit snug."),
            _ => writing.Say("Room to pant comes first."),
        };

    internal string FingersAsked(int fingers) => Writing.Capital(writing.Say($"{Fingers(fingers)} under it"));

    internal string FingersWhy(FitStyle style, bool set) => set ? writing.Say("Set by the fitter.") : writing.Say($"The {writing.Term(style)} style's rule.");

    internal string UpTo(Mass most) => writing.Say($"Up to {most.Grams:0} g");

    internal string ShareOf(Mass body) => writing.Say($"{writing.Rules[MuzzleBrief.MostMassShare]:0.0%} of its {Writing.Number(body.Kilograms)} kg.");

    internal string Of(VisibilitySchool visibility) =>
        visibility == VisibilitySchool.StandOut ? writing.Say("Stands out from the coat") : writing.Say("Blends in with the coat");

    internal string Why(VisibilitySchool visibility) =>
        visibility == VisibilitySchool.StandOut
            ? writing.Say($"People keep away from a muzzle they see: a contrast of {writing.Rules[Contrast.StandsOut]} or more.")
            : writing.Say($"Other dogs are less put off: a contrast of {writing.Rules[Contrast.BlendsIn]} or less.");

    internal string Wish(BriefRule rule, MuzzleModel model, bool has) =>
        writing.Say($"{Of(rule.Feature!.Value, model, has)} Wanted: {Writing.Lower(rule.Reason)}");

    internal string InWarmth(Angle gape) =>
        writing.Say(
            $"It opens {gape.Degrees:0}°; worn in warmth a dog needs a full pant, {writing.Rules[FitRules.FullPant].Degrees:0}° or more, shade, water and short wears."
        );

    internal string Weighs(Mass mass, Mass most) => writing.Say($"{mass.Grams:0} g; up to {most.Grams:0} g is wanted on this dog.");

    internal string SeenThrough(VisibilitySchool visibility) =>
        visibility == VisibilitySchool.StandOut
            ? writing.Say("It is clear, so that the coat is seen through it: it does not stand out, and people see it late.")
            : writing.Say("It is clear, so that the coat is seen through it: it blends in.");

    internal string Seen(string colour, double contrast, VisibilitySchool visibility)
    {
        var wanted =
            visibility == VisibilitySchool.StandOut
                ? writing.Say($"{writing.Rules[Contrast.StandsOut]} or more to stand out")
                : writing.Say($"{writing.Rules[Contrast.BlendsIn]} or less to blend in");
        return writing.Say($"In {colour} its contrast with the coat is {contrast:0.0}; {wanted} is wanted.");
    }
}
