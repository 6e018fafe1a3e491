using System.Runtime.CompilerServices;

namespace JauntyBadge.Core.Fitting.Criteria;

/// <summary>Room under the closed jaw.</summary>
internal sealed class ChinRoom : MeasuredCriterion
{
    public override CriterionName Name => CriterionName.ChinRoom;

    public override string Word => "Chin room";

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static double Margin(in FitGauge gauge, in FloorLine floor) => gauge.Closed.Room(floor) - gauge.Rules.ChinRoom;

    public override Found Of(in BasketCase c)
    {
        var least = c.Judge.Gauge.Rules.ChinRoom;
        return c.Judge.MustHold(Name, c.Margins[Name] + least, least, FitJudge.None, c.Margins[Name], c.Depth);
    }

    public override Criterion Told(FitWords words, in JudgedCriterion c) =>
        words.MustHold(
            c,
            words.Writing.Say($"{words.Say(c.Value)} under the closed jaw; at least {words.Say(c.Low)} is wanted"),
            words.Rules.Basis(FitRules.ChinRoom)
        );
}
