using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>What is seen on the dog, what the numbers say of it, and what to do, in words.</summary>
public sealed partial class FittingWords
{
    internal string NoNumber => "No number tells; look at the dog.";

    internal string NothingCheaper => "What is left when nothing cheaper serves.";

    internal string NotKnown => "Not known for this muzzle.";

    internal string MassNotKnown => "Its mass or the dog's is not known.";

    internal string StrapNotKnown => "The strap's right setting is not known: read the neck girth.";

    internal string FitForeheadStrap => "Fit its forehead strap, without slack and never tight.";

    internal string FastenBuckle => "Fasten by its buckle and leave the clip done up.";

    internal string CutBar => "Cut the bar where the maker marks it, off the dog, and smooth the ends.";

    internal string TreatsGoThrough => "Treats then go through.";

    internal string TakeFrontPlateOut => "Take the front plate out.";

    internal string TreatsAndLonger => "Treats then go through, and it is that much longer.";

    internal string Evidence(CauseLooks looks, Angle opening, Length now, Length wanted, bool lessIsBetter, bool pushedIn)
    {
        var says = $"{Number(looks, opening)}: {writing.Length(now)}; {(lessIsBetter ? "up to" : "at least")} {writing.Length(wanted)} is wanted.";
        return pushedIn ? $"{says} Pushed back until the nose touches, its edge goes past the eye line: the strap has to hold it." : says;
    }

    internal string Becomes(CauseLooks looks, Angle opening, Length now, Length after, RankedFit then) =>
        $"{Number(looks, opening)}: {writing.Length(now)} becomes {writing.Length(after)}; {Whole(then)}.";

    internal string TakePlateOut(Length plate) => $"Take the front plate out, which adds {writing.Length(plate)}.";

    internal string Form(Length by) =>
        $"Soften it in hot water, off the dog, and form it {writing.Length(by.Abs())} {(by > Length.Zero ? "wider" : "narrower and deeper")}.";

    internal string ChangeTo(RankedFit other) => $"Change to {other.Model.Name} {other.Size.Label}.";

    internal string ChanceOfFit(RankedFit fit) => $"Chance of fit {(fit.Chance is { } chance ? Writing.Percent(chance) : "not drawn")}";

    internal string HasIt(Feature feature, RankedFit fit) => $"{Of(feature, true)} {ChanceOfFit(fit)}.";

    internal string SetByHand(int fingers) => $"Set it to {Fingers(fingers)} by hand.";

    internal string SayFastened(StrapSetting right) => $"Say at which setting it is fastened; {Of(right)} is right.";

    internal string FastenAt(StrapSetting right) => $"Fasten it at {Of(right)}.";

    internal string ALoop(StrapSetting setting) => $"A loop of {writing.Length(setting.Loop)}.";

    internal string Fastened(StrapSetting now, Length needed, StrapSetting right) =>
        $"Fastened at {Of(now)}, a loop of {writing.Length(now.Loop)}; {writing.Length(needed)} is needed, and {Of(right)} is nearest.";

    internal string LoopBecomes(StrapSetting right, int fingers) => $"The loop becomes {writing.Length(right.Loop)}: {Fingers(fingers)} under it.";

    internal string MassBecomes(Mass mass, RankedFit then) => $"{mass.Grams:0} g becomes {then.Size.Mass?.Grams:0} g; {Whole(then)}.";

    internal string GapInPlace(RankedFit other, RankedFit fit) =>
        $"A gap of {writing.Length(other.Model.FrontBarGap ?? Length.Zero)} in place of {writing.Length(fit.Model.FrontBarGap ?? Length.Zero)}; {Whole(other)}.";

    internal string Gap(Length? gap) =>
        gap is { } wide
            ? $"Its widest gap is {writing.Length(wide)}; {writing.Length(Features.TreatGap.Ours)} lets a treat through."
            : "The chart gives no gap.";

    /// <summary>A strap's setting, such as "hole 3 of 7".</summary>
    private string Of(StrapSetting setting) =>
        setting.Hole is { } hole ? $"hole {hole} of {setting.Holes}" : $"{writing.Length(setting.FromTightest ?? Length.Zero)} from its tightest";

    private static string Number(CauseLooks looks, Angle opening) =>
        looks switch
        {
            CauseLooks.EyeRoom => "Room before the eyes",
            CauseLooks.NoseRoom => "Room before the nose",
            CauseLooks.Gape => $"Room under the jaw at {opening.Degrees:0}°",
            CauseLooks.Girth => "Girth beyond what the open mouth needs",
            _ => "Spare width",
        };

    private static string Whole(RankedFit fit) =>
        fit.Verdict switch
        {
            Verdict.Fits => "the whole fits",
            Verdict.Marginal => "the whole just fits",
            _ => $"but it is out: {fit.Deciding.Reason}",
        };
}
