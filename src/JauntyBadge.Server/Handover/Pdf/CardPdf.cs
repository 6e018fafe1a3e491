using JauntyBadge.Core.Handover;
using JauntyBadge.Core.Handover.Cards;
using JauntyBadge.Core.Handover.Papers;
using JauntyBadge.Core.Measuring;
using SkiaSharp;

namespace JauntyBadge.Server.Handover.Pdf;

/// <summary>What is printed on a card, in words.</summary>
/// <param name="Dog">The dog's name.</param>
/// <param name="Breeds">What it is.</param>
/// <param name="Audience">Whom it is for.</param>
/// <param name="Headline">How long at most.</param>
/// <param name="IsStop">It should not be worn.</param>
/// <param name="Parts">All parts.</param>
/// <param name="Holds">Until when it holds.</param>
/// <param name="Portrait">Its head.</param>
internal sealed record CardText(
    string Dog,
    string Breeds,
    string Audience,
    string Headline,
    bool IsStop,
    IReadOnlyList<CardPart> Parts,
    string Holds,
    HeadPortrait Portrait
);

/// <summary>A card on one page: what is read at a door first and big, the rest under it, smaller where the page is.</summary>
internal static class CardPdf
{
    private const double Margin = 9;
    private const double LeastScale = 0.5;
    private static readonly HashSet<CardItem> AtTheDoor = [CardItem.WornToday, CardItem.Signs, CardItem.Present, CardItem.Muzzle, CardItem.Bites];

    public static byte[] Write(CardText card, PaperSize size, DateTime at) =>
        PdfFile.Make(
            $"{card.Dog}, {card.Audience}",
            at,
            pdf =>
            {
                var sheet = PaperSheet.Of(size);
                pdf.NewPage(sheet.WidthMm, sheet.HeightMm);
                if (size == PaperSize.A4Folded)
                {
                    // Folded once, the right half is the front, the left the back.
                    var half = sheet.WidthMm / 2;
                    Fill(pdf, half + Margin, Margin, half - 2 * Margin, sheet.HeightMm - Margin, column => Front(column, card));
                    Fill(pdf, Margin, Margin, half - 2 * Margin, sheet.HeightMm - Margin, column => Rest(column, card));
                    pdf.Line([new(half, 4), new(half, 10)], false, 0.2, dashed: true);
                    pdf.Line([new(half, sheet.HeightMm - 10), new(half, sheet.HeightMm - 4)], false, 0.2, dashed: true);
                }
                else
                {
                    Fill(pdf, Margin, Margin, sheet.WidthMm - 2 * Margin, sheet.HeightMm - Margin, column => [.. Front(column, card), .. Rest(column, card)]);
                }
            }
        );

    /// <summary>Sets what is to be written as large as fits.</summary>
    private static void Fill(PdfFile pdf, double left, double top, double width, double bottom, Func<PdfColumn, IEnumerable<Action<PdfFile?>>> content)
    {
        for (var scale = 1.25; ; scale -= 0.05)
        {
            var tried = new PdfColumn(left, top, width, bottom, scale);
            foreach (var write in content(tried))
                write(null);
            if (tried.Rest < 0 && scale > LeastScale)
                continue;
            foreach (var write in content(new PdfColumn(left, top, width, bottom, scale)))
                write(pdf);
            return;
        }
    }

    private static IEnumerable<Action<PdfFile?>> Front(PdfColumn column, CardText card)
    {
        yield return pdf => Head(pdf, column, card);
        foreach (var part in card.Parts.Where(p => AtTheDoor.Contains(p.Item)))
            yield return pdf => Part(pdf, column, part);
    }

    private static IEnumerable<Action<PdfFile?>> Rest(PdfColumn column, CardText card)
    {
        foreach (var part in card.Parts.Where(p => !AtTheDoor.Contains(p.Item)))
            yield return pdf => Part(pdf, column, part);
        yield return pdf =>
        {
            column.Space(1.5);
            column.Write(pdf, card.Holds, 3.2, Face.Bold);
        };
    }

    private static void Head(PdfFile? pdf, PdfColumn column, CardText card)
    {
        var (portrait, size) = (card.Portrait, 26 * column.Scale);
        var scale = size / Math.Max(portrait.Width, portrait.Height);
        var top = column.Y;
        pdf?.Scaled(
            column.Left + column.Width - portrait.Width * scale - 1,
            top + 1,
            scale,
            () =>
            {
                // The neck goes on beyond the portrait.
                pdf.Inside(
                    -portrait.Line,
                    -portrait.Line,
                    portrait.Width + 2 * portrait.Line,
                    portrait.Height + 2 * portrait.Line,
                    0,
                    0,
                    () =>
                    {
                        foreach (var field in portrait.Fields)
                            pdf.SvgPath(
                                field.D is "" ? portrait.Contour : field.D,
                                portrait.Line,
                                field.Fill,
                                field.Line,
                                field.Inside ? portrait.Contour : null
                            );
                    }
                );
            }
        );
        var text = column with { Width = column.Width - size - 4 };
        text.Write(pdf, card.Audience, 3.4, Face.Bold, PdfFile.Accent);
        text.Write(pdf, card.Dog, 9, Face.Display);
        text.Write(pdf, card.Breeds, 3.4);
        column.Space(Math.Max(size + 2, text.Y - top) / column.Scale);
        column.Write(pdf, card.Headline, 7.2, Face.Display, card.IsStop ? PdfFile.Stop : null);
    }

    private static void Part(PdfFile? pdf, PdfColumn column, CardPart part)
    {
        column.Rule(pdf);
        column.Write(pdf, part.Heading, 3.5, Face.Bold, part.Item is CardItem.Signs or CardItem.NotTrained ? PdfFile.Stop : PdfFile.Accent);
        foreach (var line in part.Lines)
            column.Write(pdf, line, AtTheDoor.Contains(part.Item) ? 4 : 3.6);
    }
}
