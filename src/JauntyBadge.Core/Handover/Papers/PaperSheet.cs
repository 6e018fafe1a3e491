using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Core.Handover.Papers;

/// <summary>The sheets people print on.</summary>
public enum PaperSize
{
    A4,

    /// <summary>Half of it.</summary>
    A5,

    Letter,

    /// <summary>A4, printed on the right half and folded to A5.</summary>
    A4Folded,
}

/// <summary>A sheet of paper, upright.</summary>
/// <param name="WidthMm">Its width (Published: ISO 216; ANSI Y14.1 for letter).</param>
/// <param name="HeightMm">Its height.</param>
public sealed record PaperSheet(double WidthMm, double HeightMm)
{
    /// <summary>Kept free on every side: what usual printers cannot print on (Practice).</summary>
    public const double MarginMm = 10;

    /// <summary>The sheet of a size.</summary>
    public static PaperSheet Of(PaperSize size) =>
        size switch
        {
            PaperSize.A5 => new(148, 210),
            PaperSize.Letter => new(215.9, 279.4),
            // Folded: two A5 beside each other.
            PaperSize.A4Folded => new(297, 210),
            _ => new(210, 297),
        };
}

/// <summary>One page of a drawing at 1:1.</summary>
/// <param name="Row">Of how many, from 1.</param>
/// <param name="Column">From 1.</param>
/// <param name="FromX">What of the drawing stands at the left edge of the page's area.</param>
/// <param name="FromY">What stands at its top.</param>
/// <param name="Marks">What the page has beside it: title, check square, ruler, where to lay the next one.</param>
public sealed record PaperPage(int Row, int Column, double FromX, double FromY, IReadOnlyList<PaperMark> Marks);

/// <summary>A drawing laid on pages: on one where it fits, else on tiles that lie over each other by a strip with marks.</summary>
/// <param name="Sheet">The paper.</param>
/// <param name="Drawing">The drawing, turned where that takes fewer pages.</param>
/// <param name="Pages">Row by row.</param>
public sealed record PaperPages(PaperSheet Sheet, PaperDrawing Drawing, IReadOnlyList<PaperPage> Pages)
{
    /// <summary>A side of the square by which a print is checked.</summary>
    public const double CheckSquareMm = 30;

    /// <summary>How long the ruler's edge is.</summary>
    public const double RulerMm = 150;

    private const double HeadMm = 14;
    private const double FootMm = CheckSquareMm + 8;
    private const double OverlapMm = 10;

    /// <summary>Left edge of the area that the drawing is printed on.</summary>
    public static double AreaLeft => PaperSheet.MarginMm;

    /// <summary>Its top.</summary>
    public static double AreaTop => PaperSheet.MarginMm + HeadMm;

    public double AreaWidth => Sheet.WidthMm - 2 * PaperSheet.MarginMm;

    public double AreaHeight => Sheet.HeightMm - 2 * PaperSheet.MarginMm - HeadMm - FootMm;

    /// <summary>Lays a drawing on paper, upright or across, as it takes the fewest pages.</summary>
    public static PaperPages Of(PaperDrawing drawing, PaperSize size, HandoverWords words)
    {
        var upright = PaperSheet.Of(size);
        var across = new PaperSheet(upright.HeightMm, upright.WidthMm);
        IEnumerable<PaperPages> ways =
        [
            new(upright, drawing, []),
            new(across, drawing, []),
            new(upright, drawing.Turned(), []),
            new(across, drawing.Turned(), []),
        ];
        // The first of those that take the fewest pages.
        return ways.MinBy(w => w.Columns * w.Rows)!.Tiled(words);
    }

    private int Columns => Tiles(Drawing.Width, AreaWidth);

    private int Rows => Tiles(Drawing.Height, AreaHeight);

    private static int Tiles(double size, double area) => size <= area ? 1 : (int)Math.Ceiling((size - OverlapMm - 1e-9) / (area - OverlapMm));

    private PaperPages Tiled(HandoverWords words)
    {
        var (columns, rows) = (Columns, Rows);
        // Alone it stands in the middle; of several the first begins at the corner.
        var (x, y) = (
            columns == 1 ? Drawing.Left - (AreaWidth - Drawing.Width) / 2 : Drawing.Left,
            rows == 1 ? Drawing.Top - (AreaHeight - Drawing.Height) / 2 : Drawing.Top
        );
        return this with
        {
            Pages =
            [
                .. from row in Enumerable.Range(0, rows)
                from column in Enumerable.Range(0, columns)
                select new PaperPage(
                    row + 1,
                    column + 1,
                    x + column * (AreaWidth - OverlapMm),
                    y + row * (AreaHeight - OverlapMm),
                    [.. Furniture(row, column, rows, columns, words)]
                ),
            ],
        };
    }

    private IEnumerable<PaperMark> Furniture(int row, int column, int rows, int columns, HandoverWords words)
    {
        var (right, bottom) = (Sheet.WidthMm - PaperSheet.MarginMm, Sheet.HeightMm - PaperSheet.MarginMm);
        yield return new PaperText(new(PaperSheet.MarginMm, PaperSheet.MarginMm + 6), Drawing.Title, 6, Bold: true);
        if (rows * columns > 1)
            yield return new PaperText(new(PaperSheet.MarginMm, PaperSheet.MarginMm + 11.5), words.Tile(row * columns + column + 1, rows * columns));

        // The check square, and an edge to lay a ruler on.
        yield return new PaperLine(Square(right - CheckSquareMm, bottom - CheckSquareMm, CheckSquareMm), true, 0.3);
        yield return new PaperText(new(right - CheckSquareMm / 2, bottom - CheckSquareMm / 2), words.CheckSquare(CheckSquareMm), 3, Centred: true);
        yield return new PaperLine([new(PaperSheet.MarginMm, bottom), new(PaperSheet.MarginMm + RulerMm, bottom)], false, 0.3);
        for (var mm = 0; mm <= RulerMm; mm++)
        {
            var long_ =
                mm % 10 == 0 ? 5.0
                : mm % 5 == 0 ? 3.5
                : 2;
            yield return new PaperLine([new(PaperSheet.MarginMm + mm, bottom), new(PaperSheet.MarginMm + mm, bottom - long_)], false, 0.2);
            if (mm % 50 == 0 && mm > 0)
                yield return new PaperText(new(PaperSheet.MarginMm + mm, bottom - 6), $"{mm}", 2.6, Centred: true);
        }

        var line = bottom - CheckSquareMm - 1;
        foreach (var note in Drawing.Notes)
            yield return new PaperText(new(PaperSheet.MarginMm, line += 4.2), note, 3.2);

        // Corners of the strips where pages lie over each other.
        if (rows * columns > 1)
        {
            foreach (var (at, last) in new[] { (column > 0, 0.0), (column < columns - 1, AreaWidth - OverlapMm) })
            {
                if (at)
                    foreach (var down in new[] { 0, AreaHeight })
                        yield return Cross(AreaLeft + last + OverlapMm / 2, AreaTop + down);
            }

            foreach (var (at, last) in new[] { (row > 0, 0.0), (row < rows - 1, AreaHeight - OverlapMm) })
            {
                if (at)
                    foreach (var along in new[] { 0, AreaWidth })
                        yield return Cross(AreaLeft + along, AreaTop + last + OverlapMm / 2);
            }
        }
    }

    private static PointMm[] Square(double left, double top, double side) =>
        [new(left, top), new(left + side, top), new(left + side, top + side), new(left, top + side)];

    private static PaperLine Cross(double x, double y) =>
        new([new(x - 2, y), new(x + 2, y), new(x, y), new(x, y - 2), new(x, y + 2)], false, 0.25, Accent: true);
}
