using JauntyBadge.Core.Measuring.Heads;

namespace JauntyBadge.Core.Measuring;

/// <summary>At which end of a text its place is.</summary>
public enum LabelAnchor
{
    Start,
    Middle,
    End,
}

/// <summary>Where a text stands.</summary>
/// <param name="At">The end or middle of its base line, mm.</param>
/// <param name="Anchor">Which of them.</param>
public sealed record LabelPlace(PointMm At, LabelAnchor Anchor);

/// <summary>Puts the names of landmarks of one view where they cover neither an eye nor each other nor the value. Basis of every share: House, looked at.</summary>
internal sealed class HeadLabels
{
    /// <summary>Widest letter run, as a share of the text's height, and the value's height against a name's.</summary>
    private const double LetterWidth = 0.56;

    private const double ValueSize = 1.35;
    private const int ValueLetters = 8;

    private readonly record struct Box(double Left, double Top, double Right, double Bottom)
    {
        public double Shared(Box other) =>
            Math.Max(0, Math.Min(Right, other.Right) - Math.Max(Left, other.Left)) * Math.Max(0, Math.Min(Bottom, other.Bottom) - Math.Max(Top, other.Top));

        public bool Holds(PointMm p) => p.X > Left && p.X < Right && p.Y > Top && p.Y < Bottom;
    }

    private readonly List<Box> eyes;
    private readonly double middle;

    /// <summary>For a view of a head.</summary>
    /// <param name="view">Which view.</param>
    /// <param name="drawn">What is drawn in it.</param>
    /// <param name="marks">The measures marked on the head; those of other views do not count.</param>
    public HeadLabels(DrawingView view, DrawnView drawn, IReadOnlyList<MeasureMark> marks)
    {
        var xs = drawn
            .Reach()
            .Concat(marks.Where(m => m.View == view).SelectMany(m => m.Paths.Concat(m.Behind).SelectMany(p => p).Concat(m.Dimension)))
            .Select(p => p.X)
            .ToList();
        Height = (xs.Max() - xs.Min()) * (view == DrawingView.Front ? 0.055 : 0.036);
        eyes = [.. drawn.Fields.Where(f => f.Part == EnamelPart.Lid).Select(f => Around(f.Curve.Points(), 0.15 * Height))];
        var ys = drawn.Contour.Points().Select(p => p.Y).ToList();
        middle = (ys.Max() + ys.Min()) / 2;
    }

    /// <summary>How high names are written, mm: by the width of everything that is drawn.</summary>
    public double Height { get; }

    /// <summary>The mark with a place for each of its names.</summary>
    public MeasureMark Placed(MeasureMark mark)
    {
        var taken = mark.Dimension is [var from, var to] ? [Value(from, to, Height), Around([from, to], 0.45 * Height)] : new List<Box>();
        List<PointMm> lines = [.. mark.Paths.SelectMany(p => p), .. mark.Landmarks.Select(l => l.At)];
        var placed = new List<LandmarkPoint>();
        foreach (var landmark in mark.Landmarks)
        {
            var (best, box) = Candidates(landmark.At, Height, landmark.At.Y < middle)
                .Select(place => (Place: place, Box: Of(place, landmark.Name.Length, Height)))
                .MinBy(c => Covered(c.Box, taken, lines));
            taken.Add(box);
            placed.Add(landmark with { Label = best });
        }

        return mark with
        {
            Landmarks = placed,
        };
    }

    /// <summary>How much that is to be seen a name would cover: an eye above all, then the value and other names, then a point of the tape.</summary>
    private double Covered(Box name, List<Box> taken, List<PointMm> lines)
    {
        var covered = 0.0;
        foreach (var eye in eyes)
            covered += 10 * eye.Shared(name);
        foreach (var other in taken)
            covered += 6 * other.Shared(name);
        foreach (var point in lines)
        {
            if (name.Holds(point))
                covered += 0.04 * Height * Height;
        }

        return covered;
    }

    /// <summary>Places round a point, the nearest and the most natural first: above what lies on top of the head, below what lies under it.</summary>
    private static IEnumerable<LabelPlace> Candidates(PointMm at, double height, bool above)
    {
        foreach (var far in new[] { 1.0, 1.9, 3.0 })
        {
            foreach (var up in above ? new[] { true, false } : [false, true])
            {
                var y = up ? at.Y - 0.55 * far * height : at.Y + (0.3 + 0.9 * far) * height;
                yield return new(new(at.X - 0.45 * height, y), LabelAnchor.End);
                yield return new(new(at.X + 0.45 * height, y), LabelAnchor.Start);
                yield return new(new(at.X, y), LabelAnchor.Middle);
            }

            yield return new(new(at.X - 0.7 * far * height, at.Y + 0.35 * height), LabelAnchor.End);
            yield return new(new(at.X + 0.7 * far * height, at.Y + 0.35 * height), LabelAnchor.Start);
        }
    }

    private static Box Of(LabelPlace place, int letters, double height)
    {
        var wide = LetterWidth * height * letters;
        var left = place.Anchor switch
        {
            LabelAnchor.Start => place.At.X,
            LabelAnchor.End => place.At.X - wide,
            _ => place.At.X - wide / 2,
        };
        return new(left, place.At.Y - 0.8 * height, left + wide, place.At.Y + 0.25 * height);
    }

    private static Box Value(PointMm from, PointMm to, double height)
    {
        var upright = Math.Abs(from.X - to.X) < 1e-9;
        var (x, y) = ((from.X + to.X) / 2, (from.Y + to.Y) / 2);
        return upright
            ? Of(new(new(x - 0.5 * height, y + 0.35 * height), LabelAnchor.End), ValueLetters, ValueSize * height)
            : Of(new(new(x, y - 0.45 * height), LabelAnchor.Middle), ValueLetters, ValueSize * height);
    }

    private static Box Around(IReadOnlyList<PointMm> points, double room) =>
        new(points.Min(p => p.X) - room, points.Min(p => p.Y) - room, points.Max(p => p.X) + room, points.Max(p => p.Y) + room);
}
