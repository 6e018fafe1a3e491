using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>How much a finding matters.</summary>
public enum Severity
{
    /// <summary>Worth knowing.</summary>
    Note,

    /// <summary>A reading has to be taken again before it is relied on.</summary>
    Check,
}

/// <summary>What a finding is about.</summary>
public enum FindingCode
{
    OneSideOnly,
    SidesDiffer,
    ImpossibleSpacing,
    GirthBounds,
    SectionSlip,
    FitLineGap,
    FaceShare,
    JawUnexplained,
    JawPointToPoint,
    JawHeld,
    HeadShapeWays,
    OutsideOwnRange,
    Implausible,
    ThirdReading,
    OddOneOut,
}

/// <summary>Something that does not add up, in codes and facts; the words for it stand in <see cref="MeasuringWords"/>.</summary>
/// <param name="Code">Which check.</param>
/// <param name="Severity">How much it matters.</param>
/// <param name="Measures">The measures concerned.</param>
/// <param name="Basis">Why the limit is where it is.</param>
public abstract record Finding(FindingCode Code, Severity Severity, IReadOnlyList<Measure> Measures, Basis Basis);

/// <summary>Only one nose to inner eye was taken.</summary>
/// <param name="Wanting">The side that was not.</param>
public sealed record OneSideOnly(Side Wanting)
    : Finding(FindingCode.OneSideOnly, Severity.Check, [Measure.NoseToInnerEye], Basis.Practice("both sides are always taken"));

/// <summary>Left and right are further apart than two careful readings.</summary>
public sealed record SidesDiffer(Length Left, Length Right, Basis Limit) : Finding(FindingCode.SidesDiffer, Severity.Check, [Measure.NoseToInnerEye], Limit);

/// <summary>No triangle has eyes so far apart and so near the nose.</summary>
public sealed record ImpossibleSpacing(Length Spacing, Length Eye)
    : Finding(
        FindingCode.ImpossibleSpacing,
        Severity.Check,
        [Measure.InnerEyeSpacing, Measure.NoseToInnerEye],
        Basis.Published("geometry: two sides of a triangle are longer than the third")
    );

/// <summary>A girth that no snout of that height and width has.</summary>
/// <param name="Height">As read.</param>
/// <param name="Width">As read.</param>
/// <param name="Girth">As read.</param>
/// <param name="Bound">The least girth where it is too short, else the greatest.</param>
public sealed record GirthBounds(Length Height, Length Width, Length Girth, Length Bound)
    : Finding(
        FindingCode.GirthBounds,
        Severity.Check,
        [Measure.SnoutGirth, Measure.SnoutHeight, Measure.SnoutWidth],
        Basis.Published("geometry of a closed convex section inside a box of that height and width: 2√(H²+W²) ≤ girth ≤ 2(H+W)")
    );

/// <summary>Height, width and girth are possible, but a slip explains them better than an unusual snout.</summary>
public sealed record SectionSlipped(SectionSlip Slip, Length Height, Length Width, Length Girth)
    : Finding(
        FindingCode.SectionSlip,
        Severity.Note,
        [
            Slip switch
            {
                SectionSlip.MouthOpen => Measure.SnoutHeight,
                SectionSlip.GirthForward => Measure.SnoutGirth,
                _ => Measure.SnoutWidth,
            },
        ],
        Basis.House("a likelihood ratio of the slip against heads that differ, with all their doubt")
    );

/// <summary>The fit line and its gap do not end at the eyes.</summary>
/// <param name="FitLine">As read.</param>
/// <param name="Gap">To the eyes.</param>
/// <param name="GapIsUsual">It was not written down: the usual one is taken.</param>
/// <param name="EyeLine">Where the eyes are.</param>
public sealed record FitLineGap(Length FitLine, Length Gap, bool GapIsUsual, Length EyeLine)
    : Finding(
        FindingCode.FitLineGap,
        Severity.Check,
        [Measure.FitLineLength, Measure.NoseToInnerEye],
        Basis.House("the two lengths must agree within twice their doubt")
    );

/// <summary>A face too long or too short for its head.</summary>
/// <param name="Eye">Nose to inner eye.</param>
/// <param name="Whole">Nose to base of skull.</param>
/// <param name="Least">Usual share, least.</param>
/// <param name="Greatest">Greatest.</param>
/// <param name="Limit">Which of the two it passes.</param>
public sealed record FaceShare(Length Eye, Length Whole, double Least, double Greatest, Basis Limit)
    : Finding(FindingCode.FaceShare, Severity.Check, [Measure.NoseToOcciput, Measure.NoseToInnerEye], Limit)
{
    /// <summary>The face over the whole head.</summary>
    public double Share => Eye / Whole;
}

/// <summary>A jaw reading that is not a level one, or may not be.</summary>
/// <param name="Verdict">What the numbers say.</param>
/// <param name="Jaw">As read.</param>
/// <param name="Level">What level would read on such a head.</param>
/// <param name="LevelDoubt">Its standard uncertainty.</param>
/// <param name="Slanted">What point to point would.</param>
/// <param name="Limit">Why.</param>
public sealed record JawReading(JawVerdict Verdict, Length Jaw, Length Level, Length LevelDoubt, Length Slanted, Basis Limit)
    : Finding(
        Verdict switch
        {
            JawVerdict.Neither => FindingCode.JawUnexplained,
            JawVerdict.PointToPoint => FindingCode.JawPointToPoint,
            _ => FindingCode.JawHeld,
        },
        Verdict == JawVerdict.CannotTell ? Severity.Note : Severity.Check,
        [Measure.JawToNose],
        Limit
    );

/// <summary>The ways of telling the head shape differ; the first is used.</summary>
public sealed record HeadShapeWays(IReadOnlyList<ShapeReading> Ways)
    : Finding(
        FindingCode.HeadShapeWays,
        Severity.Note,
        [Measure.StopToNose, Measure.StopToOcciput, Measure.SkullWidth],
        Basis.House("the way measured on this dog comes before the breed's usual head")
    );

/// <summary>A reading outside what this practice's dogs of the breed had.</summary>
public sealed record OutsideOwnRange(MeasureLine Line, Length Mean, BreedRange Range)
    : Finding(FindingCode.OutsideOwnRange, Severity.Check, [Line.Measure], BreedRange.Width.Basis);

/// <summary>A reading outside what heads of the kind measure.</summary>
/// <param name="Line">Which.</param>
/// <param name="Mean">As read.</param>
/// <param name="Low">Least expected.</param>
/// <param name="High">Greatest.</param>
/// <param name="Shape">Of heads of this shape.</param>
/// <param name="BodyMass">On a dog of this mass; null for any dog.</param>
public sealed record Implausible(MeasureLine Line, Length Mean, Length Low, Length High, HeadShape Shape, Mass? BodyMass)
    : Finding(FindingCode.Implausible, Severity.Check, [Line.Measure], PlausibleRange.Basis);

/// <summary>Two readings are further apart than one hand's.</summary>
public sealed record ThirdReading(MeasureLine Line, Length Spread, Length Limit)
    : Finding(FindingCode.ThirdReading, Severity.Note, [Line.Measure], Repeats.RepeatabilityFactor.Basis);

/// <summary>One of several readings stands apart.</summary>
public sealed record OddOneOut(MeasureLine Line, int Count, Length Odd, Length Spread, Length Limit)
    : Finding(FindingCode.OddOneOut, Severity.Check, [Line.Measure], Repeats.RepeatabilityFactor.Basis);
