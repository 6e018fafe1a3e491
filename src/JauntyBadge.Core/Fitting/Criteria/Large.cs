using System.Runtime.CompilerServices;

namespace JauntyBadge.Core.Fitting.Criteria;

/// <summary>Whether it is too large: hangs below the jaw and swings. A warning, and no fit far beyond it.</summary>
internal sealed class Large : MeasuredCriterion
{
    public override CriterionName Name => CriterionName.Large;

    public override string Word => "Too large";

    public override string Within => "it hangs and swings";

    /// <summary>Far beyond it is a bound of its own.</summary>
    public override bool IsHard(FitRequest request) => false;

    /// <summary>By how many mm a basket is not too large, times the excess allowed: in room under the jaw, and around.</summary>
    /// <param name="gauge">The gauge.</param>
    /// <param name="opening">The girth of its rear edge.</param>
    /// <param name="gape">By how many mm the mouth opens more than it has to.</param>
    /// <param name="times">Times what is allowed.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static double Margin(in FitGauge gauge, double opening, double gape, double times) =>
        Math.Min(gauge.Rules.LargeRoom * times - gape, gauge.NeededGirth * (1 + gauge.Rules.LargeGirthExcess * times) - opening);

    public override Found Of(in BasketCase c)
    {
        var (most, far) = (FitJudge.OnBound(c.Margins[Name]), FitJudge.OnBound(c.Margins.FarTooLarge));
        var outcome =
            far < 0 ? Outcome.Missed
            : most < 0 ? Outcome.Warning
            : Outcome.Holds;
        return new JudgedCriterion(Name, outcome, c.Margins[CriterionName.Gape], FitJudge.None, c.Judge.Gauge.Rules.LargeRoom, far < 0 ? far : most, far);
    }

    public override Criterion Told(FitWords words, in JudgedCriterion c)
    {
        var girth = words.All.Of(CriterionName.Girth)!.Value;
        var lead = c.Outcome == Outcome.Holds ? "" : words.Writing.Say("Large: it hangs and swings. ");
        return words.Told(
            c,
            words.Writing.Say(
                $"{lead}{words.Say(Math.Max(c.Value, 0))} hangs below the jaw beyond what the needed opening asks, up to {words.Say(c.High)} may; "
                    + $"{girth.Value / girth.Low:0.00} times the girth needed, up to {words.Rules[FitRules.LargeGirth]:0.0} may be"
            ) + (c.Outcome == Outcome.Holds ? "." : words.Writing.Say($": {words.Say(-c.Margin)} too much.")),
            words.Rules.Basis(FitRules.LargeRoom)
        );
    }
}
