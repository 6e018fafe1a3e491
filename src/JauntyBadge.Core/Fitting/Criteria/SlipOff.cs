using System.Runtime.CompilerServices;

namespace JauntyBadge.Core.Fitting.Criteria;

/// <summary>Whether the loop as it will be set could come over the head; a forehead strap stops that.</summary>
internal sealed class SlipOff : MeasuredCriterion
{
    private static readonly Basis OverTheHead = Basis.House("a loop larger than the head comes off over it; a forehead strap stops that");

    public override CriterionName Name => CriterionName.SlipOff;

    public override string Word => "Slip-off";

    public override bool IsHard(FitRequest request) => request.ForeheadStrap == ForeheadStrap.None;

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static double Margin(in FitGauge gauge, double set) => gauge.HeadGirth - set;

    public override Found Of(in BasketCase c) => Of(c.Neck);

    public override Found Of(in TubeCase c) => Of(c.Neck);

    public override Criterion Told(FitWords words, in JudgedCriterion c)
    {
        var says = words.Writing.Say($"Set as it will be marked the strap's loop is {words.Say(c.Value)}, the head {words.Say(c.High)} around");
        return c.Outcome switch
        {
            Outcome.Missed => words.Told(c, words.Writing.Say($"{says}: it slips off, and no forehead strap can be fitted."), OverTheHead),
            Outcome.Warning => words.Told(c, words.Writing.Say($"{says}: it slips off unless the forehead strap is fitted."), OverTheHead),
            _ => words.MustHold(c, says, OverTheHead),
        };
    }

    private Found Of(in StrapCase c)
    {
        var margin = c.Margins[Name];
        if (double.IsNaN(c.Set) || double.IsNaN(margin))
            return double.IsNaN(c.Set) ? WhyUnchecked.NeckNotRead : WhyUnchecked.HeadNotRead;
        var holds = c.Judge.MustHold(Name, c.Set, FitJudge.None, c.Set + margin, margin);
        return c.Forehead == ForeheadStrap.None
            ? holds
            : holds with
            {
                Outcome = holds.Outcome == Outcome.Missed ? Outcome.Warning : holds.Outcome,
                ToMissed = FitJudge.Never,
            };
    }
}
