using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting.Criteria;
using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>What a muzzle is checked for, in the order it is told. Those up to the slip-off are measured, each in a file of its own in Criteria.</summary>
public enum CriterionName
{
    Seat,
    Shove,
    ChinRoom,
    Gape,
    Girth,

    /// <summary>Whether it is too large: hangs below the jaw and swings.</summary>
    Large,
    Width,
    NeckStrap,

    /// <summary>Whether the fastened strap stays behind the head.</summary>
    SlipOff,

    /// <summary>Whether this type of muzzle may be used for this purpose and head at all.</summary>
    Use,

    /// <summary>Whether it holds a dog with this bite history.</summary>
    Containment,

    /// <summary>Whether the front suits the purpose.</summary>
    Front,

    /// <summary>Whether it can be fastened and taken off as this dog needs.</summary>
    Closure,

    /// <summary>Whether treats can be given through it.</summary>
    Feeding,

    /// <summary>Whether it can be worn in warmth.</summary>
    Heat,

    /// <summary>Whether it is light enough.</summary>
    Weight,

    /// <summary>Whether it shows against the coat, or blends in, as wanted.</summary>
    Visibility,
}

/// <summary>How a criterion, or the whole, came out. Ordered from best to worst.</summary>
public enum Verdict
{
    Fits,

    /// <summary>Holds, but by less than the tape's doubt, or rests on an assumed number, or is a warning rather than a failure.</summary>
    Marginal,
    Out,
}

/// <summary>How one criterion came out. Ordered from best to worst.</summary>
public enum Outcome
{
    /// <summary>By more than the tape's doubt.</summary>
    Holds,

    /// <summary>By less than the tape's doubt, or resting on an assumed number.</summary>
    JustHolds,

    /// <summary>It does not hold, yet the muzzle may be worn with care.</summary>
    Warning,

    /// <summary>It does not hold; the fitter took it back from the brief with a note.</summary>
    Overruled,

    /// <summary>It does not hold: the muzzle is out.</summary>
    Missed,
}

/// <summary>One criterion's outcome in words.</summary>
/// <param name="Name">Which criterion.</param>
/// <param name="Outcome">How it came out.</param>
/// <param name="Margin">Distance to the nearest bound, negative when missed; null for a yes-or-no rule.</param>
/// <param name="Reason">One sentence: what is, what is wanted.</param>
/// <param name="Basis">What the bound stands on.</param>
public sealed record Criterion(CriterionName Name, Outcome Outcome, Length? Margin, string Reason, Basis Basis)
{
    /// <summary>What its outcome makes of the whole.</summary>
    public Verdict Verdict => Outcome.Verdict();

    /// <summary>What was found: a length, where the criterion is about one.</summary>
    public Length? Value { get; init; }

    /// <summary>Least and greatest length wanted; null where there is no such end.</summary>
    public Length? Low { get; init; }

    public Length? High { get; init; }

    /// <summary>Chance that it holds given the doubt about the readings, 0 to 1; null when it was not drawn.</summary>
    public double? Chance { get; init; }

    /// <summary>It can make a muzzle unfit; otherwise it warns at the most.</summary>
    public bool IsHard { get; init; }

    /// <summary>It keeps the dog from harm, and no note takes it back.</summary>
    public bool CannotBeOverruled { get; init; }

    /// <summary>A wish: it never decides whether the muzzle may be worn.</summary>
    public bool IsSoft { get; init; }

    /// <summary>How the number it rests on was come by, where that was not read; null otherwise.</summary>
    public string? RestsOn { get; init; }
}

/// <summary>What outcomes make of the whole.</summary>
public static class Outcomes
{
    /// <summary>Missed is out; what does not plainly hold is marginal.</summary>
    public static Verdict Verdict(this Outcome outcome) =>
        outcome switch
        {
            Outcome.Holds => Fitting.Verdict.Fits,
            Outcome.Missed => Fitting.Verdict.Out,
            _ => Fitting.Verdict.Marginal,
        };
}

/// <summary>A criterion that could not be checked, and what is missing for it.</summary>
/// <param name="Name">Which.</param>
/// <param name="Reason">Why, in a sentence.</param>
/// <param name="Wants">The measure that would let it be checked; null where no reading would.</param>
public sealed record NotChecked(CriterionName Name, string Reason, Measure? Wants = null);

/// <summary>How a fit is to be judged.</summary>
/// <param name="FitStyle">Windows for nose and eye room.</param>
/// <param name="NeededGape">The opening the purpose needs, 0 to 60°.</param>
/// <param name="Fingers">Fingers under the neck strap, 0 to 4.</param>
/// <param name="FingerThickness">One finger's thickness.</param>
/// <param name="BiteTier">From tier 3 a shove into the eyes fails instead of warning.</param>
/// <param name="ForeheadStrap">The muzzle's, which decides whether a slip over the head is stopped.</param>
public sealed record FitRequest(
    FitStyle FitStyle,
    Angle NeededGape,
    int Fingers,
    Length FingerThickness,
    BiteTier BiteTier = BiteTier.None,
    ForeheadStrap ForeheadStrap = ForeheadStrap.Optional
)
{
    /// <summary>How the reasons are said.</summary>
    public Writing Writing { get; init; } = Writing.Usual;

    /// <summary>Whether an edge that can be pushed past the eye line is a fault rather than a warning.</summary>
    public bool ShoveMustHold => FitStyle == FitStyle.Working || BiteTier >= BiteTier.Injured;

    /// <summary>The criteria that have to hold for the whole to hold.</summary>
    internal uint Hard => MeasuredCriterion.All.Where(c => c.IsHard(this)).Aggregate(Missed.FarTooLarge, (bits, c) => bits | Missed.Bit(c.Name));
}

/// <summary>A basket judged on a snout.</summary>
public sealed record FitAssessment(
    Seat Seat,
    Length ChinRoom,
    Angle Gape,
    Length NeededGirth,
    Length GirthMargin,
    Length WidthMargin,
    Length? NeckLoop,
    IReadOnlyList<Criterion> Criteria,
    IReadOnlyList<NotChecked> NotChecked,
    GapeClass GapeClass
)
{
    /// <summary>The worst of the criteria.</summary>
    public Verdict Verdict => Criteria.Max(c => c.Verdict);
}
