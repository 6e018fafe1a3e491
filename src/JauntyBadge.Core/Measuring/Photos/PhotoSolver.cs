using UnitsNet;

namespace JauntyBadge.Core.Measuring.Photos;

/// <summary>Works out measures from a marked picture, each with its doubt.</summary>
/// <remarks>
/// Doubt follows the GUM (JCGM 100:2008, 5.1.2): every click is moved a little, and what that does to the measure is combined as a root
/// of squares; for the reference's corners the homography is solved anew each time. Landmarks off the reference's plane add a share of the length.
/// </remarks>
public static class PhotoSolver
{
    /// <summary>Solves a picture.</summary>
    /// <param name="question">What was marked.</param>
    /// <param name="solution">The measures when true is returned; those whose landmarks were not placed are left out.</param>
    /// <param name="refusal">Otherwise why, and how to take the picture again.</param>
    /// <exception cref="ArgumentException">A ruler comes without its length.</exception>
    public static bool TrySolve(PhotoQuestion question, out PhotoSolution solution, out PhotoRefusal refusal)
    {
        if (question.Reference is { Kind: ReferenceKind.Ruler, Length: null })
            throw new ArgumentException("A ruler needs the distance of its two marks.", nameof(question));
        solution = null!;
        var ordered = ReferencePlane.Ordered(question.Reference);
        var plane = ordered is null ? null : ReferencePlane.Of(question.Reference, ordered);
        refusal = ReferencePlane.Refusal(question, ordered, plane)!;
        if (refusal is not null)
            return false;

        var work = new Work(question, ordered!, plane!);
        var measures = PhotoMeasures.For(question).Select(work.Measure).OfType<PhotoMeasure>().ToList();
        if (GirthOf(question, measures) is { } girth)
            measures.Add(girth);
        var centre = ReferencePlane.Centre(ordered!);
        solution = new PhotoSolution(measures, ReferencePlane.Mean(plane!.ScaleAt(centre)), ReferencePlane.Slant(plane, centre));
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
            Core.Measuring.Measure.SnoutGirth, null, value, doubt, clicks, reference, Length.FromMillimeters(Math.Sqrt(Math.Max(0, rest))),
            "between an ellipse and a rounded box of the height and width; a girth cannot be seen");
    }

    /// <summary>One picture being worked on: the plane as marked, and the plane with each corner moved a little.</summary>
    private sealed class Work
    {
        /// <summary>Pixels a click is moved by to see what it does.</summary>
        private const double Step = 0.25;

        /// <summary>Millimetres; what is shorter is two landmarks placed on each other.</summary>
        private const double Shortest = 1;

        private readonly PhotoQuestion question;
        private readonly Homography plane;
        private readonly List<(Homography Plus, Homography Minus)> moved = [];
        private readonly double click;
        private readonly double tilt;

        public Work(PhotoQuestion question, IReadOnlyList<PixelPoint> ordered, Homography plane)
        {
            (this.question, this.plane) = (question, plane);
            click = question.ClickPixels ?? PhotoRules.Click.Value;
            tilt = Math.Tan(ReferencePlane.Slant(plane, ReferencePlane.Centre(ordered)).Radians);
            for (var i = 0; i < ordered.Count; i++)
            {
                foreach (var (dx, dy) in new[] { (Step, 0.0), (0.0, Step) })
                    moved.Add((With(ordered, i, dx, dy), With(ordered, i, -dx, -dy)));
            }
        }

        /// <summary>The measure, or null when its landmarks lie on each other.</summary>
        public PhotoMeasure? Measure(PhotoFormula formula)
        {
            var landmarks = formula.Uses.Select(l => question.Landmarks[l]).ToArray();
            double Value(Homography with, PixelPoint[] at) => formula.Of([.. at.Select(with.At)]);
            var value = Value(plane, landmarks);
            if (!(value > Shortest))
                return null;
            var clicks = 0.0;
            for (var i = 0; i < landmarks.Length; i++)
            {
                foreach (var (dx, dy) in new[] { (Step, 0.0), (0.0, Step) })
                {
                    var (plus, minus) = ((PixelPoint[])landmarks.Clone(), (PixelPoint[])landmarks.Clone());
                    plus[i] = new(plus[i].X + dx, plus[i].Y + dy);
                    minus[i] = new(minus[i].X - dx, minus[i].Y - dy);
                    clicks += Math.Pow((Value(plane, plus) - Value(plane, minus)) / (2 * Step), 2);
                }
            }

            var corners = moved.Sum(m => Math.Pow((Value(m.Plus, landmarks) - Value(m.Minus, landmarks)) / (2 * Step), 2));
            var offset = value * PhotoRules.PlaneOffset.Value / Math.Sqrt(3);
            var slant = question.Reference.Kind == ReferenceKind.Ruler ? value * (1 - Math.Cos(PhotoRules.RulerSlant.Value.Radians)) / Math.Sqrt(3) : 0;
            var beside = formula.OffPlane ? PhotoRules.OffPlane.Value.Millimeters / Math.Sqrt(3) * tilt : 0;
            var assumed = formula.Assumed([.. landmarks.Select(plane.At)], value);
            var fromPlane = Math.Sqrt(offset * offset + slant * slant + beside * beside + assumed * assumed);
            var (fromClicks, fromReference) = (click * Math.Sqrt(clicks), click * PhotoRules.CornerShare.Value * Math.Sqrt(corners));
            return new PhotoMeasure(
                formula.Measure, formula.Side, Length.FromMillimeters(value),
                Length.FromMillimeters(Math.Sqrt(fromClicks * fromClicks + fromReference * fromReference + fromPlane * fromPlane)),
                Length.FromMillimeters(fromClicks), Length.FromMillimeters(fromReference), Length.FromMillimeters(fromPlane), formula.How);
        }

        private Homography With(IReadOnlyList<PixelPoint> ordered, int corner, double dx, double dy)
        {
            PixelPoint[] corners = [.. ordered];
            corners[corner] = new(corners[corner].X + dx, corners[corner].Y + dy);
            return ReferencePlane.Of(question.Reference, corners) ?? plane;
        }
    }
}
