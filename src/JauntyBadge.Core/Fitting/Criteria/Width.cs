using System.Runtime.CompilerServices;

namespace JauntyBadge.Core.Fitting.Criteria;

/// <summary>Spare width at the rear edge.</summary>
internal sealed class Width : MeasuredCriterion
{
    public override CriterionName Name => CriterionName.Width;

    public override string Word => "Width";

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static double Margin(in FitGauge gauge, in BasketMm basket)
    {
        var spare = gauge.SpareWidth(basket);
        return Math.Min(spare - gauge.Rules.WidthLow, gauge.Rules.WidthHigh - spare);
    }

    public override Found Of(in BasketCase c)
    {
        var (gauge, rules) = (c.Judge.Gauge, c.Judge.Gauge.Rules);
        return c.Basket.Box
            ? WhyUnchecked.ShapeAssumed
            : c.Judge.MustHold(Name, gauge.SpareWidth(c.Basket), rules.WidthLow, rules.WidthHigh, c.Margins[Name], c.Judge.AssumedWidth);
    }

    public override Criterion Told(FitWords words, in JudgedCriterion c) =>
        words.MustHold(
            c,
            words.Writing.Say(
                $"{FitWords.Missed(c, words.Writing.Say("Too narrow: "), words.Writing.Say("Too wide: "))}{words.Say(c.Value)} spare across; {words.Range(c)} is wanted"
            ),
            words.Rules.Basis(FitRules.WidthLow)
        );
}
