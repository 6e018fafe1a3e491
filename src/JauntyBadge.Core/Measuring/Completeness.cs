namespace JauntyBadge.Core.Measuring;

/// <summary>A measure that is still wanting, and what cannot be answered without it.</summary>
/// <param name="Measure">Which one.</param>
/// <param name="Side">Its side, where it has two.</param>
/// <param name="Use">What it is for.</param>
/// <param name="NeededFor">What cannot be answered without it, in words that follow "for".</param>
/// <param name="Blocking">Whether nothing can be answered before it is read.</param>
/// <param name="Name">As the bench names it, once told.</param>
public sealed record MissingMeasure(Measure Measure, Side? Side, MeasureUse Use, string NeededFor, bool Blocking, string Name = "");

/// <summary>What the bench still needs for each use.</summary>
public static class Completeness
{
    /// <summary>What is still missing for each use, the fit style's own measures first.</summary>
    public static IReadOnlyList<MissingMeasure> Missing(IReadOnlyList<Measured> measured, FitStyle style)
    {
        var asked = FitStyleMeasures.AskedBy(style);
        var besides = MeasureDefinition.All.Where(m => m.Use is MeasureUse.Strap or MeasureUse.HeadShape).OrderBy(m => m.Use).SelectMany(m => m.Lines);
        return
        [
            .. from line in asked.Union(besides)
            where !IsRead(line, measured)
            let row = MeasureDefinition.For(line.Measure)
            select new MissingMeasure(line.Measure, line.Side, row.Use!.Value, row.NeededFor, IsEyeLine(line.Measure) && !CanFit(measured)),
        ];
    }

    /// <summary>Share of the fit style's measures that were read, 0 to 1.</summary>
    public static double Share(IReadOnlyList<Measured> measured, FitStyle style)
    {
        var asked = FitStyleMeasures.AskedBy(style);
        return (double)asked.Count(line => IsRead(line, measured)) / asked.Count;
    }

    /// <summary>Whether a fit can be worked out at all: nose to inner eye on a side, or the fit line's length.</summary>
    public static bool CanFit(IReadOnlyList<Measured> measured) => measured.Any(m => IsEyeLine(m.Measure));

    private static bool IsEyeLine(Measure measure) => measure is Measure.NoseToInnerEye or Measure.FitLineLength;

    /// <summary>Read, or answered by the other style's measure of the same thing.</summary>
    private static bool IsRead(MeasureLine line, IReadOnlyList<Measured> measured) =>
        measured.Any(m => (m.Measure == line.Measure && m.Side == line.Side) || (line.Measure == Measure.FitLineLength && m.Measure == Measure.NoseToInnerEye));
}
