using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Core.Handover.Papers;

/// <summary>Something on paper, in true millimetres; x to the right, y downwards.</summary>
public abstract record PaperMark;

/// <summary>A line, or an outline where it is closed.</summary>
/// <param name="Points">Along it.</param>
/// <param name="Closed">Back to the first point.</param>
/// <param name="WidthMm">How thick it is drawn.</param>
/// <param name="Dashed">Folded, glued or only shown; not cut.</param>
/// <param name="Shade">Filled so dark, 0 for not to 1 for black.</param>
/// <param name="Accent">In the accent's colour.</param>
public sealed record PaperLine(IReadOnlyList<PointMm> Points, bool Closed, double WidthMm = 0.35, bool Dashed = false, double Shade = 0, bool Accent = false)
    : PaperMark;

/// <summary>A few words.</summary>
/// <param name="At">Left end of their base line, or its middle.</param>
/// <param name="Says">The words.</param>
/// <param name="SizeMm">Height of the letters' box.</param>
/// <param name="Bold">To be seen first.</param>
/// <param name="Centred">About <paramref name="At"/>.</param>
/// <param name="Upright">Turned a quarter to read from below.</param>
public sealed record PaperText(PointMm At, string Says, double SizeMm = 3.2, bool Bold = false, bool Centred = false, bool Upright = false) : PaperMark;

/// <summary>A drawing at 1:1 with what is said beside it.</summary>
/// <param name="Title">What it is.</param>
/// <param name="Marks">What is drawn.</param>
/// <param name="Notes">How to use it, and what to mind.</param>
public sealed record PaperDrawing(string Title, IReadOnlyList<PaperMark> Marks, IReadOnlyList<string> Notes)
{
    private IEnumerable<PointMm> Points =>
        Marks.SelectMany(m =>
            m is PaperLine line ? line.Points
            : m is PaperText text ? [text.At, text.Upright ? new(text.At.X - text.SizeMm, text.At.Y) : new(text.At.X, text.At.Y - text.SizeMm)]
            : []
        );

    public double Left => Points.Min(p => p.X);
    public double Top => Points.Min(p => p.Y);
    public double Width => Points.Max(p => p.X) - Left;
    public double Height => Points.Max(p => p.Y) - Top;

    /// <summary>The same turned a quarter clockwise, words and all.</summary>
    public PaperDrawing Turned()
    {
        static PointMm Turn(PointMm p) => new(-p.Y, p.X);
        return this with
        {
            Marks =
            [
                .. Marks.Select(m =>
                    m switch
                    {
                        PaperLine line => line with { Points = [.. line.Points.Select(Turn)] },
                        PaperText text => (PaperMark)(text with { At = Turn(text.At), Upright = !text.Upright }),
                        _ => m,
                    }
                ),
            ],
        };
    }
}
