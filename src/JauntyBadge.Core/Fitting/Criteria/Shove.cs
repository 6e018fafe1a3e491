using System.Runtime.CompilerServices;

namespace JauntyBadge.Core.Fitting.Criteria;

/// <summary>Whether the edge can be pushed into the eyes: a fault where the dog will push, a warning otherwise.</summary>
internal sealed class Shove : MeasuredCriterion
{
    private static readonly Basis Eyes = Basis.House("nothing may be pushed into an eye; a fault where the dog will push, a warning otherwise");

    public override CriterionName Name => CriterionName.Shove;

    public override string Word => "Shove";

    public override string Within => "it can be pushed into the eyes";

    public override bool IsHard(FitRequest request) => request.ShoveMustHold;

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static double Margin(in FitGauge gauge, in BasketMm basket) => gauge.Eye - basket.Length;

    public override Found Of(in BasketCase c)
    {
        var (margin, hard) = (FitJudge.OnBound(c.Margins[Name]), IsHard(c.Judge.Request));
        var outcome =
            !Margins.IsMissed(margin) ? Outcome.Holds
            : hard ? Outcome.Missed
            : Outcome.Warning;
        return new JudgedCriterion(Name, outcome, margin, 0, FitJudge.None, margin, hard ? margin : FitJudge.Never);
    }

    public override Criterion Told(FitWords words, in JudgedCriterion c)
    {
        var reach = words.Writing.Say($"Pushed back until the nose touches, the edge goes {words.Say(-c.Value)} past the eye line");
        return words.Told(
            c,
            c.Outcome switch
            {
                Outcome.Holds => words.Writing.Say($"Pushed back until the nose touches, the edge stays {words.Say(c.Value)} off the eyes."),
                Outcome.Missed => words.Writing.Say($"{reach}; this dog will push, so it may not."),
                _ => words.Writing.Say($"{reach}: keep the neck strap at its setting."),
            },
            Eyes
        );
    }
}
