using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>What is seen on the dog, what the numbers say of it, and what to do, in words.</summary>
public sealed partial class FittingWords
{
    internal string NoNumber => writing.Say("No number tells; look at the dog.");

    internal string NothingCheaper => writing.Say("What is left when nothing cheaper serves.");

    internal string NotKnown => writing.Say("Not known for this muzzle.");

    internal string MassNotKnown => writing.Say("Its mass or the dog's is not known.");

    internal string StrapNotKnown => writing.Say("The strap's right setting is not known: read the neck girth.");

    internal string FitForeheadStrap => writing.Say("Fit its forehead strap, without slack and never tight.");

    internal string FastenBuckle => writing.Say("Fasten by its buckle and leave the clip done up.");

    internal string CutBar => writing.Say("Cut the bar where the maker marks it, off the dog, and smooth the ends.");

    internal string TreatsGoThrough => writing.Say("Treats then go through.");

    internal string TakeFrontPlateOut => writing.Say("Take the front plate out.");

    internal string TreatsAndLonger => writing.Say("Treats then go through, and it is that much longer.");

    internal string Evidence(CauseLooks looks, Angle opening, Length now, Length wanted, bool lessIsBetter, bool pushedIn)
    {
        var says = writing.Say(
            $"{Number(looks, opening)}: {writing.Length(now)}; {(lessIsBetter ? writing.Say("up to") : writing.Say("at least"))} {writing.Length(wanted)} is wanted."
        );
        return pushedIn ? writing.Say($"{says} Pushed back until the nose touches, its edge goes past the eye line: the strap has to hold it.") : says;
    }

    internal string Becomes(CauseLooks looks, Angle opening, Length now, Length after, RankedFit then) =>
        writing.Say($"{Number(looks, opening)}: {writing.Length(now)} becomes {writing.Length(after)}; {Whole(then)}.");

    internal string TakePlateOut(Length plate) => writing.Say($"Take the front plate out, which adds {writing.Length(plate)}.");

    internal string Form(Length by) =>
        writing.Say(
            $"Soften it in hot water, off the dog, and form it {writing.Length(by.Abs())} {(by > Length.Zero ? writing.Say("wider") : writing.Say("narrower and deeper"))}."
        );

    internal string ChangeTo(RankedFit other) => writing.Say($"Change to {other.Model.Name} {other.Size.Label}.");

    internal string ChanceOfFit(RankedFit fit) =>
        writing.Say($"Chance of fit {(fit.Chance is { } chance ? Writing.Percent(chance) : writing.Say("not drawn"))}");

    internal string HasIt(Feature feature, RankedFit fit) => $"{Of(feature, true)} {ChanceOfFit(fit)}.";

    internal string SetByHand(int fingers) => writing.Say($"Set it to {Fingers(fingers)} by hand.");

    internal string SayFastened(StrapSetting right) => writing.Say($"Say at which setting it is fastened; {Of(right)} is right.");

    internal string FastenAt(StrapSetting right) => writing.Say($"Fasten it at {Of(right)}.");

    internal string ALoop(StrapSetting setting) => writing.Say($"A loop of {writing.Length(setting.Loop)}.");

    internal string Fastened(StrapSetting now, Length needed, StrapSetting right) =>
        writing.Say($"Fastened at {Of(now)}, a loop of {writing.Length(now.Loop)}; {writing.Length(needed)} is needed, and {Of(right)} is nearest.");

    internal string LoopBecomes(StrapSetting right, int fingers) => writing.Say($"The loop becomes {writing.Length(right.Loop)}: {Fingers(fingers)} under it.");

    internal string MassBecomes(Mass mass, RankedFit then) => writing.Say($"{mass.Grams:0} g becomes {then.Size.Mass?.Grams:0} g; {Whole(then)}.");

    internal string GapInPlace(RankedFit other, RankedFit fit) =>
        writing.Say(
            $"A gap of {writing.Length(other.Model.FrontBarGap ?? Length.Zero)} in place of {writing.Length(fit.Model.FrontBarGap ?? Length.Zero)}; {Whole(other)}."
        );

    internal string Gap(Length? gap) =>
        gap is { } wide
            ? writing.Say($"Its widest gap is {writing.Length(wide)}; {writing.Length(Features.TreatGap.Ours)} lets a treat through.")
            : writing.Say("The chart gives no gap.");

    /// <summary>A strap's setting, such as "hole 3 of 7".</summary>
    private string Of(StrapSetting setting) =>
        setting.Hole is { } hole
            ? writing.Say($"hole {hole} of {setting.Holes}")
            : writing.Say($"{writing.Length(setting.FromTightest ?? Length.Zero)} from its tightest");

    private string Number(CauseLooks looks, Angle opening) =>
        looks switch
        {
            CauseLooks.EyeRoom => writing.Say("Room before the eyes"),
            CauseLooks.NoseRoom => writing.Say("Room before the nose"),
            CauseLooks.Gape => writing.Say($"Room under the jaw at {opening.Degrees:0}°"),
            CauseLooks.Girth => writing.Say("Girth beyond what the open mouth needs"),
            _ => writing.Say("Spare width"),
        };

    private string Whole(RankedFit fit) =>
        fit.Verdict switch
        {
            not Verdict.Out when Headline.Of(fit).Instead is { } instead => writing.Say($"but: {instead}"),
            not Verdict.Out when !fit.Serves => writing.Say("but it is more likely not to fit"),
            Verdict.Fits => writing.Say("the whole fits"),
            Verdict.Marginal => writing.Say("the whole just fits"),
            _ => writing.Say($"but it is out: {fit.Deciding.Reason}"),
        };

    /// <summary>A row of a table in the reader's language.</summary>
    public TryOnCheck Told(TryOnCheck check) => check with { Asks = writing.Say(check.Asks), Good = writing.Say(check.Good) };

    public Symptom Told(Symptom symptom) => symptom with { Says = writing.Say(symptom.Says) };

    public Cause Told(Cause cause) => cause with { Says = writing.Say(cause.Says), Hand = cause.Hand is { } hand ? writing.Say(hand) : null };
}
