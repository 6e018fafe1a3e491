using System.Runtime.CompilerServices;

namespace JauntyBadge.Core.Fitting.Criteria;

/// <summary>Room before the nose and before the eyes.</summary>
internal sealed class Seat : MeasuredCriterion
{
    public override CriterionName Name => CriterionName.Seat;

    public override string Word => "Seat";

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static double Margin(in FitGauge gauge, in BasketMm basket) => (gauge.High - gauge.Low) / 2 - Math.Abs(basket.Length - gauge.Eye) / 2;

    public static double Margin(in FitGauge gauge, in TubeMm tube) => gauge.EdgeRoom(tube) - gauge.EdgeLeast;

    public override Found Of(in BasketCase c)
    {
        var gauge = c.Judge.Gauge;
        return c.Judge.MustHold(Name, gauge.NoseRoom(c.Basket.Length), gauge.Low, gauge.High, c.Margins[Name]);
    }

    public override Found Of(in TubeCase c) => c.Judge.MustHold(Name, c.Judge.Gauge.EdgeRoom(c.Tube), c.Judge.Gauge.EdgeLeast, FitJudge.None, c.Margins[Name]);

    public override Criterion Told(FitWords words, in JudgedCriterion c) =>
        words.Type != MuzzleType.Basket
            ? words.MustHold(
                c,
                words.Writing.Say($"Its edge ends {words.Say(c.Value)} before the eyes; at least {words.Say(c.Low)} is wanted"),
                words.Rules.Basis(FitRules.SleeveEyeRoom)
            )
            : words.MustHold(
                c,
                words.Writing.Say(
                    $"{FitWords.Missed(c, words.Writing.Say("Too short: "), words.Writing.Say("Too long: "))}{words.Say(c.Value)} before the nose and {words.Say(c.Value + words.All.Margins[CriterionName.Shove])} before the eyes; {words.Range(c)} of each is wanted"
                ),
                FitRules.SeatWindow(words.Request.FitStyle, words.Snout).Basis
            );
}
