using JauntyBadge.Core;
using JauntyBadge.Core.Measuring;
using SkiaSharp;

namespace JauntyBadge.Server.Handover.Pdf;

/// <summary>How a text is set.</summary>
internal enum Face
{
    Text,
    Bold,
    Display,
}

/// <summary>A PDF whose pages are drawn in millimetres; text is text in it, lines are lines.</summary>
internal sealed class PdfFile : IDisposable
{
    /// <summary>Points of a PDF in a millimetre.</summary>
    private const float Point = 72f / 25.4f;

    public static readonly SKColor Ink = new(0x17, 0x35, 0x2d);
    public static readonly SKColor Accent = new(0xc0, 0x72, 0x00);
    public static readonly SKColor Brass = new(0xc9, 0x9a, 0x3b);
    public static readonly SKColor Stop = new(0x9b, 0x2c, 0x1f);

    private readonly MemoryStream bytes = new();
    private readonly SKDocument document;
    private SKCanvas? page;

    private PdfFile(string title, DateTime at) =>
        document = SKDocument.CreatePdf(
            bytes,
            new SKDocumentPdfMetadata
            {
                Title = FileText.Printable(title),
                Creator = "Jaunty Badge",
                Creation = at,
                Modified = at,
                RasterDpi = 150,
            }
        );

    /// <summary>How many pages there are.</summary>
    public int Pages { get; private set; }

    private SKCanvas Canvas => page ?? throw new InvalidOperationException("There is no page yet.");

    /// <summary>Makes a file.</summary>
    public static byte[] Make(string title, DateTime at, Action<PdfFile> draw)
    {
        using var file = new PdfFile(title, at);
        draw(file);
        file.document.EndPage();
        file.document.Close();
        return file.bytes.ToArray();
    }

    public void NewPage(double widthMm, double heightMm)
    {
        if (Pages++ > 0)
            document.EndPage();
        page = document.BeginPage((float)widthMm * Point, (float)heightMm * Point);
        page.Scale(Point);
    }

    /// <summary>Draws something inside a rectangle only, moved.</summary>
    public void Inside(double left, double top, double width, double height, double dx, double dy, Action draw)
    {
        Canvas.Save();
        Canvas.ClipRect(SKRect.Create((float)left, (float)top, (float)width, (float)height));
        Canvas.Translate((float)dx, (float)dy);
        draw();
        Canvas.Restore();
    }

    /// <summary>Draws something moved and scaled.</summary>
    public void Scaled(double dx, double dy, double scale, Action draw)
    {
        Canvas.Save();
        Canvas.Translate((float)dx, (float)dy);
        Canvas.Scale((float)scale);
        draw();
        Canvas.Restore();
    }

    public void Line(IReadOnlyList<PointMm> points, bool closed, double width, SKColor? ink = null, bool dashed = false, SKColor? fill = null)
    {
        using var builder = new SKPathBuilder();
        builder.MoveTo((float)points[0].X, (float)points[0].Y);
        foreach (var p in points.Skip(1))
            builder.LineTo((float)p.X, (float)p.Y);
        if (closed)
            builder.Close();
        using var path = builder.Detach();
        Path(path, width, ink, dashed, fill);
    }

    /// <summary>Draws SVG path data, its colours as #rrggbb or none.</summary>
    /// <param name="d">The path.</param>
    /// <param name="width">Width of its line.</param>
    /// <param name="fill">Its colour.</param>
    /// <param name="line">Its line's colour.</param>
    /// <param name="within">The path it is seen inside of only; null for everywhere.</param>
    public void SvgPath(string d, double width, string? fill, string? line, string? within)
    {
        using var path = SKPath.ParseSvgPathData(d);
        Canvas.Save();
        if (within is not null)
        {
            using var clip = SKPath.ParseSvgPathData(within);
            Canvas.ClipPath(clip, antialias: true);
        }

        if (fill is not null)
        {
            using var paint = new SKPaint { Color = SKColor.Parse(fill), IsAntialias = true };
            Canvas.DrawPath(path, paint);
        }

        if (line is not null)
        {
            using var paint = new SKPaint
            {
                Color = SKColor.Parse(line),
                IsAntialias = true,
                Style = SKPaintStyle.Stroke,
                StrokeWidth = (float)width,
                StrokeJoin = SKStrokeJoin.Round,
            };
            Canvas.DrawPath(path, paint);
        }

        Canvas.Restore();
    }

    public void Text(double x, double y, string text, double size, Face face = Face.Text, SKColor? ink = null, bool centred = false, bool upright = false)
    {
        var says = FileText.Printable(text);
        if (upright)
        {
            Canvas.Save();
            Canvas.RotateDegrees(-90, (float)x, (float)y);
        }

        using var paint = new SKPaint { Color = ink ?? Ink, IsAntialias = true };
        var at = (float)(centred ? x - Width(says, size, face) / 2 : x);
        foreach (var (of, run) in PdfFonts.Runs(says, Faces(face)))
        {
            using var font = Font(of, size);
            Canvas.DrawText(run, at, (float)y, SKTextAlign.Left, font, paint);
            at += font.MeasureText(run);
        }

        if (upright)
            Canvas.Restore();
    }

    /// <summary>How wide a text is, mm.</summary>
    public static double Width(string text, double size, Face face)
    {
        var width = 0f;
        foreach (var (of, run) in PdfFonts.Runs(text, Faces(face)))
        {
            using var font = Font(of, size);
            width += font.MeasureText(run);
        }

        return width;
    }

    /// <summary>A text in lines no wider than this; a word that is, is cut.</summary>
    public static IReadOnlyList<string> Wrap(string text, double width, double size, Face face)
    {
        var lines = new List<string>();
        var line = "";
        foreach (var word in FileText.Printable(text).Split((char[])[' ', '\n', '\r', '\t'], StringSplitOptions.RemoveEmptyEntries))
        {
            var next = line == "" ? word : $"{line} {word}";
            if (Width(next, size, face) <= width)
            {
                line = next;
                continue;
            }

            if (line != "")
                lines.Add(line);
            line = word;
            while (Width(line, size, face) > width && line.Length > 1)
            {
                var cut = line.Length - 1;
                while (cut > 1 && Width(line[..cut], size, face) > width)
                    cut--;
                lines.Add(line[..cut]);
                line = line[cut..];
            }
        }

        if (line != "")
            lines.Add(line);
        return lines;
    }

    public void Dispose()
    {
        document.Dispose();
        bytes.Dispose();
    }

    private void Path(SKPath path, double width, SKColor? ink, bool dashed, SKColor? fill)
    {
        if (fill is { } colour)
        {
            using var inside = new SKPaint
            {
                Color = colour,
                IsAntialias = true,
                Style = SKPaintStyle.Fill,
            };
            Canvas.DrawPath(path, inside);
        }

        if (width <= 0)
            return;
        using var stroke = new SKPaint
        {
            Color = ink ?? Ink,
            IsAntialias = true,
            Style = SKPaintStyle.Stroke,
            StrokeWidth = (float)width,
            StrokeJoin = SKStrokeJoin.Round,
            StrokeCap = SKStrokeCap.Butt,
        };
        if (dashed)
            stroke.PathEffect = SKPathEffect.CreateDash([2.4f, 1.6f], 0);
        Canvas.DrawPath(path, stroke);
    }

    private static IReadOnlyList<SKTypeface> Faces(Face face) =>
        face switch
        {
            Face.Bold => PdfFonts.Bold,
            Face.Display => PdfFonts.Display,
            _ => PdfFonts.Text,
        };

    private static SKFont Font(SKTypeface face, double size) =>
        new(face, (float)size)
        {
            Subpixel = true,
            Hinting = SKFontHinting.None,
            LinearMetrics = true,
        };
}
