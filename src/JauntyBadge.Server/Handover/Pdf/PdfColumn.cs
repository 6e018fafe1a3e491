using SkiaSharp;

namespace JauntyBadge.Server.Handover.Pdf;

/// <summary>A column of text, filled from the top down.</summary>
/// <param name="Left">Its left edge, mm.</param>
/// <param name="Top">Its top.</param>
/// <param name="Width">How wide it is.</param>
/// <param name="Bottom">Where it ends.</param>
/// <param name="Scale">Times the usual size of letters.</param>
internal sealed record PdfColumn(double Left, double Top, double Width, double Bottom, double Scale = 1)
{
    private const double Leading = 1.28;

    /// <summary>Where the next line goes.</summary>
    public double Y { get; private set; } = Top;

    /// <summary>What is left of it.</summary>
    public double Rest => Bottom - Y;

    /// <summary>The same, empty.</summary>
    public PdfColumn Afresh() => new(Left, Top, Width, Bottom, Scale);

    /// <summary>Is as full as another.</summary>
    public void Take(PdfColumn filled) => Y = filled.Y;

    public void Space(double mm) => Y += mm * Scale;

    /// <summary>Writes a paragraph; without a file only its room is taken.</summary>
    public void Write(PdfFile? pdf, string text, double size = 3.6, Face face = Face.Text, SKColor? ink = null, double indent = 0)
    {
        var letters = size * Scale;
        foreach (var line in PdfFile.Wrap(text, Width - indent, letters, face))
        {
            Y += letters * Leading;
            pdf?.Text(Left + indent, Y - letters * (Leading - 1), line, letters, face, ink);
        }
    }

    public void Rule(PdfFile? pdf, double width = 0.25)
    {
        Space(1);
        pdf?.Line([new(Left, Y), new(Left + Width, Y)], false, width);
        Space(0.6);
    }
}
