using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Handover;
using JauntyBadge.Core.Handover.Papers;
using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Server.Handover.Pdf;

/// <summary>An order sheet on one page: the basket wanted as a dimensioned drawing, its sizes, and what it must have.</summary>
internal static class OrderPdf
{
    private const double Margin = 12;
    private const double LeastScale = 0.45;

    public static byte[] Write(OrderText order, BasketModel made, HandoverWords words, PaperSize size, DateTime at) =>
        PdfFile.Make(
            order.Title,
            at,
            pdf =>
            {
                var sheet = PaperSheet.Of(size);
                pdf.NewPage(sheet.WidthMm, sheet.HeightMm);
                for (var scale = 1.0; ; scale -= 0.05)
                {
                    var column = new PdfColumn(Margin, Margin - 3, sheet.WidthMm - 2 * Margin, sheet.HeightMm - Margin, scale);
                    Fill(null, column, order, made, words);
                    if (column.Rest < 0 && scale > LeastScale)
                        continue;
                    Fill(pdf, column with { }, order, made, words);
                    return;
                }
            }
        );

    private static void Fill(PdfFile? pdf, PdfColumn from, OrderText order, BasketModel made, HandoverWords words)
    {
        var column = from.Afresh();
        column.Write(pdf, order.Title, 7.5, Face.Display);
        column.Write(pdf, order.Under, 3.6);
        column.Write(pdf, order.By, 3.6, Face.Bold);
        column.Space(2);
        Drawing(pdf, column, made, words);
        column.Space(2);
        Table(pdf, column, order);
        column.Write(pdf, order.Colour, 3.6, Face.Bold);
        foreach (var (heading, lines) in order.Parts.Where(p => p.Lines.Count > 0))
        {
            column.Rule(pdf);
            column.Write(pdf, heading, 3.6, Face.Bold, PdfFile.Accent);
            foreach (var line in lines)
                column.Write(pdf, line, 3.3, indent: 2);
        }

        from.Take(column);
    }

    /// <summary>Side and opening beside each other, to one scale that is said to be none: the dimensions count.</summary>
    private static void Drawing(PdfFile? pdf, PdfColumn column, BasketModel made, HandoverWords words)
    {
        var bare = PaperDrawings.Views(made, words);
        var high = 66 * column.Scale;
        var scale = Math.Min(high / (bare.Height + 10), (column.Width - 4) / (bare.Width + 14));
        var drawing = PaperDrawings.Views(made, words, 3 * column.Scale / scale);
        pdf?.Scaled(column.Left + 2 - (drawing.Left - 7) * scale, column.Y - (drawing.Top - 5) * scale, scale, () => PaperPdf.Draw(pdf, drawing.Marks));
        column.Space((drawing.Height + 10) * scale / column.Scale);
    }

    private static void Table(PdfFile? pdf, PdfColumn column, OrderText order)
    {
        var (letters, at) = (3.5 * column.Scale, new[] { 0, column.Width * 0.46, column.Width * 0.66 });
        void Row(IReadOnlyList<string> cells, Face face, Face wanted)
        {
            for (var i = 0; i < cells.Count; i++)
                pdf?.Text(column.Left + at[i], column.Y + letters * 1.05, cells[i], letters, i == 1 ? wanted : face);
            column.Space(3.5 * 1.35);
            pdf?.Line([new(column.Left, column.Y), new(column.Left + column.Width, column.Y)], false, 0.12);
        }

        Row(order.Heads, Face.Bold, Face.Bold);
        foreach (var row in order.Rows)
            Row(row, Face.Text, Face.Bold);
        column.Space(1);
    }
}
