using UnitsNet;

namespace JauntyBadge.Core.Measuring.Photos;

/// <summary>Works out measures from a marked picture, each with its doubt.</summary>
/// <remarks>
/// Doubt follows the GUM (JCGM 100:2008, 5.1.2): every click is moved a little, and what that does to the measure is combined as a root
/// of squares; for the reference's corners, and for what is usual of cameras, the pose is found anew each time. Landmarks known to lie off the
/// reference's plane are met in their own; what is not known of that is a doubt.
/// </remarks>
public static class PhotoSolver
{
    /// <summary>Solves a picture.</summary>
    /// <param name="question">What was marked.</param>
    /// <param name="solution">The measures when true is returned; those whose landmarks were not placed are left out.</param>
    /// <param name="refusal">Otherwise why not.</param>
    /// <exception cref="ArgumentException">A ruler comes without its length.</exception>
    public static bool TrySolve(PhotoQuestion question, out PhotoSolution solution, out PhotoRefusal refusal)
    {
        if (question.Reference is { Kind: ReferenceKind.Ruler, Length: null })
            throw new ArgumentException("A ruler needs the distance of its two marks.", nameof(question));
        solution = null!;
        var ordered = ReferencePlane.Ordered(question.Reference) is { } around ? PhotoWork.Likelier(question, around) : null;
        var plane = ordered is null ? null : ReferencePlane.Of(question.Reference, ordered);
        refusal = ReferencePlane.Refusal(question, ordered, plane)!;
        if (refusal is not null)
            return false;

        var work = new PhotoWork(question, ordered!, plane!);
        var measures = PhotoMeasures.For(question).Select(work.Measure).OfType<PhotoMeasure>().ToList();
        if (GirthOf(question, measures) is { } girth)
            measures.Add(girth);
        var centre = ReferencePlane.Centre(ordered!);
        solution = new PhotoSolution(
            measures,
            ReferencePlane.Mean(plane!.ScaleAt(centre)),
            UnitsNet.Angle.FromRadians(work.SlantRad),
            PhotoAdvice.For(question, measures, work)
        );
        return true;
    }

    /// <summary>A girth cannot be seen: it lies between that of an ellipse and that of a rounded box of the two extents.</summary>
    public static (Length Value, Length StandardUncertainty) GirthFrom(Length height, Length uHeight, Length width, Length uWidth)
    {
        var (low, high) = (SnoutSection.EllipsePerimeter(height / 2, width / 2), SnoutSection.Girth(height, width));
        if (low > high)
            (low, high) = (high, low);

        // Either girth grows by about twice the growth of a side, less at the corners; 2 is the upper bound.
        var sides = 2 * Math.Sqrt(Math.Pow(uHeight.Millimeters, 2) + Math.Pow(uWidth.Millimeters, 2));
        var between = Uncertainty.Rectangular((high - low) / 2).Millimeters;
        return ((low + high) / 2, Length.FromMillimeters(Math.Sqrt(sides * sides + between * between)));
    }

    private static PhotoMeasure? GirthOf(PhotoQuestion question, List<PhotoMeasure> measures)
    {
        var seen = question.View == PhotoView.Side ? Core.Measuring.Measure.SnoutHeight : Core.Measuring.Measure.SnoutWidth;
        if (question.OtherExtent is not { } other || measures.Find(m => m.Measure == seen) is not { } extent)
            return null;
        var (value, doubt) = GirthFrom(extent.Value, extent.StandardUncertainty, other.Mean, other.StandardUncertainty);
        var (clicks, reference) = (2 * extent.FromClicks, 2 * extent.FromReference);
        var rest = Math.Pow(doubt.Millimeters, 2) - Math.Pow(clicks.Millimeters, 2) - Math.Pow(reference.Millimeters, 2);
        return new PhotoMeasure(
            Core.Measuring.Measure.SnoutGirth,
            null,
            value,
            doubt,
            clicks,
            reference,
            Length.FromMillimeters(Math.Sqrt(Math.Max(0, rest))),
            PhotoWay.BetweenEllipseAndBox
        );
    }
}
