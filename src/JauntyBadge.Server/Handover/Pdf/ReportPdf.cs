using System.Globalization;
using JauntyBadge.Core.Handover.Papers;
using JauntyBadge.Core.Handover.Reports;
using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Server.Handover.Pdf;

/// <summary>A report as PDF: text, tables and charts as vectors, page by page.</summary>
internal sealed class ReportPdf
{
    private const double Margin = 16;
    private const double ChartHigh = 42;
    private const double Small = 3.1;
    private readonly PdfFile pdf;
    private readonly PaperSheet sheet;
    private readonly string foot;
    private PdfColumn column;

    private ReportPdf(PdfFile pdf, PaperSheet sheet, string foot)
    {
        (this.pdf, this.sheet, this.foot) = (pdf, sheet, foot);
        column = NewPage();
    }

    /// <summary>Writes a report.</summary>
    /// <param name="title">Its heading.</param>
    /// <param name="under">What it is.</param>
    /// <param name="parts">Its parts.</param>
    /// <param name="size">The paper.</param>
    /// <param name="at">When it is made.</param>
    public static byte[] Write(string title, string under, IReadOnlyList<ReportPart> parts, PaperSize size, DateTime at) =>
        PdfFile.Make(
            title,
            at,
            pdf =>
            {
                var report = new ReportPdf(pdf, PaperSheet.Of(size), title);
                report.column.Write(pdf, title, 9, Face.Display);
                report.column.Write(pdf, under, 3.4);
                foreach (var part in parts)
                    report.Part(part);
            }
        );

    private PdfColumn NewPage()
    {
        pdf.NewPage(sheet.WidthMm, sheet.HeightMm);
        pdf.Text(Margin, sheet.HeightMm - 8, $"{foot} · {pdf.Pages}", 2.8);
        return new PdfColumn(Margin, Margin - 4, sheet.WidthMm - 2 * Margin, sheet.HeightMm - Margin);
    }

    private void Need(double mm)
    {
        if (column.Rest < mm)
            column = NewPage();
    }

    private void Part(ReportPart part)
    {
        Need(22 + (part.Chart is null ? 0 : ChartHigh));
        column.Space(2.5);
        column.Rule(pdf, 0.4);
        column.Write(pdf, part.Heading, 5, Face.Display);
        column.Space(0.8);
        foreach (var line in part.Lines)
        {
            Need(PdfFile.Wrap(line, column.Width, 3.5, Face.Text).Count * 3.5 * 1.28);
            column.Write(pdf, line, 3.5);
            column.Space(0.5);
        }

        if (part.Rows.Count > 0)
            Table(part.Heads, part.Rows);
        if (part.Chart is { } chart)
            Chart(chart);
    }

    private void Table(IReadOnlyList<string> heads, IReadOnlyList<IReadOnlyList<string>> rows)
    {
        // Each column as wide as its longest cell, the last takes what is left.
        var widths = heads
            .Select(
                (head, i) =>
                    Math.Min(
                        column.Width * 0.4,
                        rows.Select(r => PdfFile.Width(r[i], Small, Face.Text)).Append(PdfFile.Width(head, Small, Face.Bold)).Max() + 4
                    )
            )
            .ToList();
        widths[^1] = column.Width - widths.Take(widths.Count - 1).Sum();
        column.Space(1);
        Row(heads, widths, Face.Bold);
        foreach (var row in rows)
            Row(row, widths, Face.Text);
    }

    private void Row(IReadOnlyList<string> cells, List<double> widths, Face face)
    {
        var lines = cells.Select((c, i) => PdfFile.Wrap(c, widths[i] - 2, Small, face)).ToList();
        var high = lines.Max(l => Math.Max(1, l.Count)) * Small * 1.28;
        Need(high + 1);
        var left = column.Left;
        for (var i = 0; i < cells.Count; i++)
        {
            for (var line = 0; line < lines[i].Count; line++)
                pdf.Text(left, column.Y + Small * (1 + 1.28 * line), lines[i][line], Small, face);
            left += widths[i];
        }

        column.Space(high + 0.4);
        pdf.Line([new(column.Left, column.Y), new(column.Left + column.Width, column.Y)], false, 0.1);
    }

    private void Chart(ReportChart chart)
    {
        Need(ChartHigh + 14);
        column.Space(2);
        column.Write(pdf, chart.Title, 3.3, Face.Bold);
        column.Space(2);
        var (left, top, wide) = (column.Left + 8, column.Y, column.Width - 10);
        var bottom = top + ChartHigh;
        var days = chart.Series.SelectMany(s => s.Values).Select(v => v.Day.DayNumber).ToList();
        var (from, to) = (days.Min(), Math.Max(days.Max(), days.Min() + 1));
        var most = Math.Max(1, chart.Series.SelectMany(s => s.Values).Max(v => v.Value));
        double X(DateOnly day) => left + wide * (day.DayNumber - from) / (to - from);
        double Y(double value) => bottom - ChartHigh * value / most;

        pdf.Line([new(left, top), new(left, bottom), new(left + wide, bottom)], false, 0.25);
        foreach (var value in new[] { 0, most })
            pdf.Text(column.Left, Y(value) + 1, value.ToString("0.#", CultureInfo.InvariantCulture), 2.6);
        pdf.Text(left, bottom + 4, DateOnly.FromDayNumber(from).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture), 2.6);
        var end = DateOnly.FromDayNumber(to).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
        pdf.Text(left + wide - PdfFile.Width(end, 2.6, Face.Text), bottom + 4, end, 2.6);
        var key = left + 24;
        foreach (var series in chart.Series.Where(s => s.Values.Count > 0))
        {
            var ink = series.Kind switch
            {
                SeriesKind.Alarm => PdfFile.Stop,
                SeriesKind.Bar or SeriesKind.Level => PdfFile.Accent,
                _ => PdfFile.Ink,
            };
            // Told apart by how they are drawn, not by colour alone.
            switch (series.Kind)
            {
                case SeriesKind.Line:
                    pdf.Line([.. series.Values.Select(v => new PointMm(X(v.Day), Y(v.Value)))], false, 0.6, ink);
                    break;
                case SeriesKind.Level:
                    pdf.Line([new(left, Y(series.Values[0].Value)), new(left + wide, Y(series.Values[0].Value))], false, 0.35, ink, dashed: true);
                    break;
                default:
                    foreach (var v in series.Values)
                    {
                        pdf.Line([new(X(v.Day), bottom), new(X(v.Day), Y(v.Value))], false, series.Kind == SeriesKind.Alarm ? 1.1 : 0.5, ink);
                        if (series.Kind == SeriesKind.Alarm)
                            pdf.Line(
                                [new(X(v.Day) - 1.2, Y(v.Value)), new(X(v.Day), Y(v.Value) - 2), new(X(v.Day) + 1.2, Y(v.Value))],
                                true,
                                0.2,
                                ink,
                                fill: ink
                            );
                    }

                    break;
            }

            pdf.Line(
                [new(key, bottom + 7), new(key + 6, bottom + 7)],
                false,
                series.Kind == SeriesKind.Alarm ? 1.1 : 0.6,
                ink,
                dashed: series.Kind == SeriesKind.Level
            );
            pdf.Text(key + 7.5, bottom + 8, series.Name, 2.8);
            key += 12 + PdfFile.Width(series.Name, 2.8, Face.Text);
        }

        column.Space(ChartHigh + 10);
    }
}
