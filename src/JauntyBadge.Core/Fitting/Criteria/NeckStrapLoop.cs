using System.Runtime.CompilerServices;
using UnitsNet;

namespace JauntyBadge.Core.Fitting.Criteria;

/// <summary>Whether the strap makes the loop that leaves the fingers asked for under it.</summary>
internal sealed class NeckStrapLoop : MeasuredCriterion
{
    private static readonly Basis Fingers = Basis.Practice(
        "one finger for working fits, two for everyday; the loop by the open-belt length, Machinery's Handbook"
    );

    public override CriterionName Name => CriterionName.NeckStrap;

    public override string Word => "Neck strap";

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static double Margin(in FitGauge gauge, double shortest, double longest, double pitch) =>
        StrapSetting.LowMarginMm(gauge.Loop, shortest, longest, pitch);

    public override Found Of(in BasketCase c) => Of(c.Neck);

    public override Found Of(in TubeCase c) => Of(c.Neck);

    public override Criterion Told(FitWords words, in JudgedCriterion c)
    {
        var (writing, fingers) = (words.Writing, new FittingWords(words.Writing));
        var asked = fingers.Fingers(words.Request.Fingers);
        var told = words.MustHold(
            c,
            writing.Say(
                $"{FitWords.Missed(c, writing.Say("The strap is too long: a"), writing.Say("The strap is too short: a"), writing.Say("A"))} loop of {words.Say(c.Value)} leaves {asked} under it; the strap makes {words.Range(c)}"
            ),
            Fingers
        );
        return UnderItsSettings(words, c) is { } under ? told with { Reason = $"{told.Reason} {under}" } : told;
    }

    /// <summary>How many fingers its settings leave, where none leaves those asked for; null where one does.</summary>
    private static string? UnderItsSettings(FitWords words, in JudgedCriterion c)
    {
        if (words.Snout.NeckGirth is not { } neck)
            return null;
        var (writing, fingers) = (words.Writing, new FittingWords(words.Writing));
        string Left(Length loop) => fingers.FingersLeft(NeckStrap.FingersUnder(neck, loop, words.Request.FingerThickness));
        var range = new Window(Length.FromMillimeters(c.Low), Length.FromMillimeters(c.High));
        if (c.Outcome == Outcome.Missed)
            return c.Value < c.Low
                ? writing.Say($"At its tightest it leaves {Left(range.Low)}.")
                : writing.Say(
                    $"At its widest it leaves {Left(words.HolePitch is { } apart ? range.Low + apart * (StrapSetting.HolesIn(range, apart) - 1) : range.High)}."
                );
        var wanted = Length.FromMillimeters(c.Value);
        if (StrapSetting.For(wanted, range, words.HolePitch) is not { Hole: { } hole } marked || (marked.Loop - wanted).Abs() < words.Rules[FitRules.Marginal])
            return null;
        var other = StrapSetting.OtherSide(marked, wanted, range, words.HolePitch, words.Rules);
        return other is null
            ? writing.Say($"No hole leaves just that: hole {hole} leaves {Left(marked.Loop)}.")
            : writing.Say($"No hole leaves just that: hole {hole} leaves {Left(marked.Loop)}, hole {other.Hole} leaves {Left(other.Loop)}.");
    }

    private Found Of(in StrapCase c) =>
        double.IsNaN(c.Judge.Gauge.Loop) ? (c.Judge.Snout.NeckGirth is null ? WhyUnchecked.NeckNotRead : WhyUnchecked.NeckTooThin)
        : double.IsNaN(c.Margins[Name]) ? WhyUnchecked.StrapRangeNotGiven
        : c.Judge.MustHold(Name, c.Judge.Gauge.Loop, c.Shortest, c.Longest, c.Margins[Name]);
}
