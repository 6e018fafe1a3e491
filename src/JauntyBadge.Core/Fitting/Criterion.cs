using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>What a muzzle is checked for.</summary>
public enum CriterionName
{
    Seat,
    Shove,
    ChinRoom,
    Gape,
    Girth,
    Width,
    NeckStrap,

    /// <summary>Whether this type of muzzle may be used for this purpose and head at all.</summary>
    Use,

    /// <summary>Whether it holds a dog with this bite history.</summary>
    Containment,

    /// <summary>Whether the front suits the purpose.</summary>
    Front,
}

/// <summary>How a criterion, or the whole, came out. Ordered from best to worst.</summary>
public enum Verdict
{
    Fits,

    /// <summary>Holds, but by less than the tape's doubt, or rests on an assumed number, or is a warning rather than a failure.</summary>
    Marginal,
    Out,
}

/// <summary>One criterion's outcome.</summary>
/// <param name="Name">Which criterion.</param>
/// <param name="Verdict">How it came out.</param>
/// <param name="Margin">Distance to the nearest bound, negative when missed; null for a yes-or-no rule.</param>
/// <param name="Reason">One sentence: what is, what is wanted.</param>
/// <param name="Basis">What the bound stands on.</param>
public sealed record Criterion(CriterionName Name, Verdict Verdict, Length? Margin, string Reason, Basis Basis);

/// <summary>A criterion that could not be checked, and what is missing for it.</summary>
public sealed record NotChecked(CriterionName Name, string Reason);

/// <summary>How a fit is to be judged.</summary>
/// <param name="School">Windows for nose and eye room.</param>
/// <param name="NeededGape">The opening the purpose needs, 0 to 60°.</param>
/// <param name="Fingers">Fingers under the neck strap, 0 to 4.</param>
/// <param name="FingerThickness">One finger's thickness.</param>
/// <param name="BiteTier">From tier 3 a shove into the eyes fails instead of warning.</param>
/// <param name="Shown">The unit the reasons speak in.</param>
public sealed record FitRequest(
    School School, Angle NeededGape, int Fingers, Length FingerThickness, BiteTier BiteTier = BiteTier.None, ReadingUnit Shown = ReadingUnit.Mm);

/// <summary>A basket judged on a snout.</summary>
public sealed record FitAssessment(
    Seat Seat, Length ChinRoom, Angle Gape, Length NeededGirth, Length GirthMargin, Length WidthMargin, Length? NeckLoop,
    IReadOnlyList<Criterion> Criteria, IReadOnlyList<NotChecked> NotChecked)
{
    public GapeClass GapeClass => Fitting.Gape.Classify(Gape);

    /// <summary>The worst of the criteria.</summary>
    public Verdict Verdict => Criteria.Max(c => c.Verdict);
}
