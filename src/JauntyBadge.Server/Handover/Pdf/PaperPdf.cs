using JauntyBadge.Core.Handover.Papers;
using SkiaSharp;

namespace JauntyBadge.Server.Handover.Pdf;

/// <summary>Papers at 1:1 as PDF.</summary>
internal static class PaperPdf
{
    public static byte[] Write(PaperPages pages, DateTime at) =>
        PdfFile.Make(
            pages.Drawing.Title,
            at,
            pdf =>
            {
                foreach (var page in pages.Pages)
                {
                    pdf.NewPage(pages.Sheet.WidthMm, pages.Sheet.HeightMm);
                    pdf.Inside(
                        PaperPages.AreaLeft,
                        PaperPages.AreaTop,
                        pages.AreaWidth,
                        pages.AreaHeight,
                        PaperPages.AreaLeft - page.FromX,
                        PaperPages.AreaTop - page.FromY,
                        () => Draw(pdf, pages.Drawing.Marks)
                    );
                    Draw(pdf, page.Marks);
                }
            }
        );

    /// <summary>Draws marks where they are.</summary>
    public static void Draw(PdfFile pdf, IEnumerable<PaperMark> marks)
    {
        foreach (var mark in marks)
        {
            if (mark is PaperLine line)
                pdf.Line(
                    line.Points,
                    line.Closed,
                    line.WidthMm,
                    line.Accent ? PdfFile.Accent : null,
                    line.Dashed,
                    line.Shade > 0 ? PdfFile.Ink.WithAlpha((byte)(255 * line.Shade)) : (SKColor?)null
                );
            else if (mark is PaperText text)
                pdf.Text(text.At.X, text.At.Y, text.Says, text.SizeMm, text.Bold ? Face.Bold : Face.Text, centred: text.Centred, upright: text.Upright);
        }
    }
}
