using System.Runtime.CompilerServices;

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

    public override Criterion Told(FitWords words, in JudgedCriterion c) =>
        words.MustHold(
            c,
            words.Writing.Say(
                $"{FitWords.Missed(c, words.Writing.Say("The strap is too long: a"), words.Writing.Say("The strap is too short: a"), words.Writing.Say("A"))} loop of {words.Say(c.Value)} leaves {new FittingWords(words.Writing).Fingers(words.Request.Fingers)} under it; the strap makes {words.Range(c)}"
            ),
            Fingers
        );

    private Found Of(in StrapCase c) =>
        double.IsNaN(c.Judge.Gauge.Loop) ? (c.Judge.Snout.NeckGirth is null ? WhyUnchecked.NeckNotRead : WhyUnchecked.NeckTooThin)
        : double.IsNaN(c.Margins[Name]) ? WhyUnchecked.StrapRangeNotGiven
        : c.Judge.MustHold(Name, c.Judge.Gauge.Loop, c.Shortest, c.Longest, c.Margins[Name]);
}
