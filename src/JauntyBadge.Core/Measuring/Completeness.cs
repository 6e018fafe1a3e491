namespace JauntyBadge.Core.Measuring;

/// <summary>What a measure is wanted for.</summary>
public enum MeasureUse
{
    Choosing,
    Strap,
    HeadShape,
}

/// <summary>A measure that is still wanting, and what cannot be answered without it.</summary>
/// <param name="Measure">Which one.</param>
/// <param name="Side">Its side, where it has two.</param>
/// <param name="Use">What it is for.</param>
/// <param name="NeededFor">What cannot be answered without it, in words that follow "for".</param>
/// <param name="Blocking">Whether nothing can be answered before it is read.</param>
public sealed record MissingMeasure(Measure Measure, Side? Side, MeasureUse Use, string NeededFor, bool Blocking);

/// <summary>What the bench still needs for each use.</summary>
public static class Completeness
{
    private static readonly (Measure Measure, MeasureUse Use, string For)[] Reasons =
    [
        (Measure.NoseToInnerEye, MeasureUse.Choosing, "where the basket's rear edge comes to lie"),
        (Measure.FitLineLength, MeasureUse.Choosing, "where the basket's rear edge comes to lie"),
        (Measure.SnoutGirth, MeasureUse.Choosing, "the room to pant"),
        (Measure.SnoutHeight, MeasureUse.Choosing, "the depth under the jaw"),
        (Measure.SnoutWidth, MeasureUse.Choosing, "jowls that are not jammed"),
        (Measure.JawToNose, MeasureUse.Choosing, "where the jaw turns"),
        (Measure.NoseToOcciput, MeasureUse.Choosing, "checking the other lengths"),
        (Measure.NeckGirth, MeasureUse.Strap, "the neck strap"),
        (Measure.HeadGirth, MeasureUse.Strap, "whether a strap can slip off over the ears"),
        (Measure.StopToNose, MeasureUse.HeadShape, "the face against the skull, and the airway caution"),
        (Measure.StopToOcciput, MeasureUse.HeadShape, "the face against the skull, and the airway caution"),
        (Measure.SkullWidth, MeasureUse.HeadShape, "the breadth of the skull"),
    ];

    private static readonly MeasureLine[] Besides =
        [new(Measure.HeadGirth), new(Measure.StopToNose), new(Measure.StopToOcciput), new(Measure.SkullWidth)];

    /// <summary>What is still missing for each use, the school's own measures first.</summary>
    public static IReadOnlyList<MissingMeasure> Missing(IReadOnlyList<Measured> measured, School school) =>
    [
        .. SchoolMeasures.Asked(school).Concat(Besides).Where(line => !IsRead(line, measured)).Select(line =>
        {
            var (_, use, reason) = Reasons.Single(r => r.Measure == line.Measure);
            return new MissingMeasure(line.Measure, line.Side, use, reason, IsEyeLine(line.Measure) && !CanFit(measured));
        }),
    ];

    /// <summary>Share of the school's measures that were read, 0 to 1.</summary>
    public static double Share(IReadOnlyList<Measured> measured, School school)
    {
        var asked = SchoolMeasures.Asked(school);
        return (double)asked.Count(line => IsRead(line, measured)) / asked.Count;
    }

    /// <summary>Whether a fit can be worked out at all: nose to inner eye on a side, or the fit line's length.</summary>
    public static bool CanFit(IReadOnlyList<Measured> measured) => measured.Any(m => IsEyeLine(m.Measure));

    private static bool IsEyeLine(Measure measure) => measure is Measure.NoseToInnerEye or Measure.FitLineLength;

    /// <summary>Read, or answered by the other school's measure of the same thing.</summary>
    private static bool IsRead(MeasureLine line, IReadOnlyList<Measured> measured) =>
        measured.Any(m => (m.Measure == line.Measure && m.Side == line.Side)
            || (line.Measure == Measure.FitLineLength && m.Measure == Measure.NoseToInnerEye));
}
