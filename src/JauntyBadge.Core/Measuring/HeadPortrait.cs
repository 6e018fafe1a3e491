using System.Globalization;
using System.Text;

namespace JauntyBadge.Core.Measuring;

/// <summary>One line of a portrait as SVG path data.</summary>
public sealed record PortraitPath(StrokePart Name, string D);

/// <summary>A head from the side, small: for a badge. Its longer side is <see cref="Size"/> steps, so that a list of dogs stays light.</summary>
/// <param name="Width">Width in steps.</param>
/// <param name="Height">Height in steps.</param>
/// <param name="Paths">What is drawn, the hindmost first.</param>
public sealed record HeadPortrait(int Width, int Height, IReadOnlyList<PortraitPath> Paths)
{
    /// <summary>Steps along the longer side (House: finer than a badge's pixels).</summary>
    public const int Size = 250;

    /// <summary>The head of a drawing.</summary>
    public static HeadPortrait Of(HeadDrawing drawing)
    {
        IReadOnlyList<Stroke> strokes = [drawing.Jaw, .. drawing.Head];
        var points = strokes.SelectMany(s => s.Points).ToList();
        var (left, top) = (points.Min(p => p.X), points.Min(p => p.Y));
        var (width, height) = (points.Max(p => p.X) - left, points.Max(p => p.Y) - top);
        var scale = Size / Math.Max(width, height);
        int Step(double mm) => (int)Math.Round(mm * scale);
        return new HeadPortrait(
            Step(width),
            Step(height),
            [.. strokes.Select(s => new PortraitPath(s.Name, Path(s, p => (Step(p.X - left), Step(p.Y - top)))))]
        );
    }

    private static string Path(Stroke stroke, Func<PointMm, (int X, int Y)> at)
    {
        var path = new StringBuilder();
        var (x, y) = at(stroke.Points[0]);
        path.Append(CultureInfo.InvariantCulture, $"M{x} {y}l");
        foreach (var point in stroke.Points.Skip(1).Select(at))
        {
            var (dx, dy) = (point.X - x, point.Y - y);
            if (dx == 0 && dy == 0)
                continue;
            Append(path, dx);
            Append(path, dy);
            (x, y) = point;
        }

        return path.Append(stroke.Closed ? "z" : "").ToString();
    }

    /// <summary>A sign parts two numbers as well as a space does.</summary>
    private static void Append(StringBuilder path, int number)
    {
        if (number >= 0 && path[^1] != 'l')
            path.Append(' ');
        path.Append(number.ToString(CultureInfo.InvariantCulture));
    }
}
