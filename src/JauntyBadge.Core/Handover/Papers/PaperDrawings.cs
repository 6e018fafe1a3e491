using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Handover.Papers;

/// <summary>A paper of a dog.</summary>
public enum PaperKind
{
    /// <summary>To lay on the snout.</summary>
    Strip,

    /// <summary>To lay along the neck strap.</summary>
    Strap,

    /// <summary>A cup to practise in.</summary>
    Cup,

    /// <summary>The chosen basket's side and opening.</summary>
    Template,
}

/// <summary>The papers of a dog at 1:1, in true millimetres.</summary>
public static class PaperDrawings
{
    private const double StripWide = 34;
    private const double TapeWide = 26;
    private const double Letters = 3.2;

    /// <summary>
    /// A strip to lay on the bridge of the nose: zero at the nose tip, fit line and eye line across, and the room both fit styles leave before the nose and before the
    /// eyes.
    /// </summary>
    public static PaperDrawing Strip(SnoutModel snout, HandoverWords words)
    {
        var (eye, fit) = (snout.EyeLine.Mm, snout.FitLine.Mm);
        var windows = Enum.GetValues<FitStyle>().Select(style => (Style: style, FitRules.SeatWindow(style, snout).Window)).ToList();
        var (from, to) = (-windows.Max(w => w.Window.High.Millimeters) - 4, eye + 12);
        List<PaperMark> marks = [new PaperLine(Box(from, 0, to, StripWide), true)];
        for (var mm = 0; mm <= Math.Floor(eye); mm++)
            marks.Add(
                new PaperLine(
                    [
                        new(mm, 0),
                        new(
                            mm,
                            mm % 10 == 0 ? 5
                                : mm % 5 == 0 ? 3.5
                                : 2
                        ),
                    ],
                    false,
                    0.2
                )
            );
        for (var mm = 10; mm <= eye - 4; mm += 10)
            marks.Add(new PaperText(new(mm, 8.2), $"{mm}", 2.6, Centred: true));
        Across(0, words.NoseTip);
        Across(fit, words.FitLine);
        Across(eye, words.EyeLine);
        foreach (var (style, window) in windows)
        {
            var (low, high) = (window.Low.Millimeters, window.High.Millimeters);
            var (top, bottom) = style == FitStyle.Everyday ? (12.0, 18.0) : (20.0, 26.0);
            marks.Add(new PaperLine(Box(-high, top, -low, bottom), true, 0.25, Shade: 0.15));
            marks.Add(new PaperLine(Box(eye - high, top, eye - low, bottom), true, 0.25, Shade: 0.15));
            marks.Add(new PaperText(new(4, top + 4.4), words.Room(style, window), 2.8));
        }

        return new PaperDrawing(words.Strip, marks, words.StripNotes);

        void Across(double x, string says)
        {
            marks.Add(new PaperLine([new(x, 0), new(x, StripWide)], false, 0.6, Accent: true));
            marks.Add(new PaperText(new(x + 1.2, StripWide - 1.5), says, 2.6));
        }
    }

    /// <summary>A tape to lay along the neck strap from its buckle: every hole where its loop ends, the one to mark ringed; where it slides, the place of the slider.</summary>
    /// <param name="range">The loops the strap makes.</param>
    /// <param name="pitch">Distance of its holes; null for one that slides.</param>
    /// <param name="marked">The setting to mark.</param>
    /// <param name="words">What is said.</param>
    public static PaperDrawing Strap(Window range, Length? pitch, StrapSetting marked, HandoverWords words)
    {
        var (low, end) = (range.Low.Millimeters, Math.Max(range.High.Millimeters, marked.Loop.Millimeters) + 15);
        var middle = TapeWide / 2;
        List<PaperMark> marks = [new PaperLine(Box(0, 0, end, TapeWide), true), new PaperText(new(3, middle + 1), words.Buckle, 3.2)];
        for (var mm = 10; mm < end; mm += 10)
        {
            marks.Add(new PaperLine([new(mm, TapeWide), new(mm, TapeWide - (mm % 50 == 0 ? 5 : 3))], false, 0.2));
            if (mm % 50 == 0)
                marks.Add(new PaperText(new(mm, TapeWide - 6), $"{mm}", 2.6, Centred: true));
        }

        if (pitch is { } apart)
        {
            for (var hole = 1; hole <= StrapSetting.HolesIn(range, apart); hole++)
                marks.Add(
                    new PaperLine(
                        Ring(low + apart.Millimeters * (hole - 1), middle, 2.2),
                        true,
                        hole == marked.Hole ? 0.5 : 0.3,
                        Shade: hole == marked.Hole ? 0.9 : 0
                    )
                );
        }

        var at = marked.Loop.Millimeters;
        marks.Add(new PaperLine(Ring(at, middle, 5), true, 0.8, Accent: true));
        marks.Add(new PaperLine([new(at, 0), new(at, TapeWide)], false, 0.4, Dashed: true, Accent: true));
        marks.Add(new PaperText(new(at, 4.6), words.Mark(marked), 3.2, Bold: true, Centred: true));
        return new PaperDrawing(words.Strap, marks, words.StrapNotes(marked));
    }

    /// <summary>Side and opening of a basket, side by side from the inside, with their sizes.</summary>
    /// <param name="basket">The basket.</param>
    /// <param name="words">What is said.</param>
    /// <param name="letters">Size of the letters, mm.</param>
    public static PaperDrawing Views(BasketModel basket, HandoverWords words, double letters = Letters)
    {
        List<PaperMark> marks = [];
        BasketDrawing.AddTo(marks, BasketDrawing.Side(basket), 0, words, letters);
        BasketDrawing.AddTo(marks, BasketDrawing.Opening(basket), basket.Length.Millimeters + 45, words, letters);
        return new PaperDrawing("", marks, []);
    }

    /// <summary>The same as a template to cut out.</summary>
    public static PaperDrawing Template(BasketModel basket, string muzzle, HandoverWords words) =>
        Views(basket, words) with
        {
            Title = words.Template(muzzle),
            Notes = words.TemplateNotes(basket.AssumedShape),
        };

    private static PointMm[] Box(double left, double top, double right, double bottom) =>
        [new(left, top), new(right, top), new(right, bottom), new(left, bottom)];

    private static IReadOnlyList<PointMm> Ring(double x, double y, double radius) =>
        [.. Enumerable.Range(0, 48).Select(i => new PointMm(x + radius * Math.Cos(i * Math.PI / 24), y + radius * Math.Sin(i * Math.PI / 24)))];
}

/// <summary>A view of a basket as it is ordered or cut: outline and dimensions, true millimetres.</summary>
/// <param name="Name">Side or opening.</param>
/// <param name="Outline">Its outline, closed.</param>
/// <param name="Dimensions">What is measured on it.</param>
public sealed record BasketDrawing(BasketView Name, IReadOnlyList<PointMm> Outline, IReadOnlyList<BasketDimension> Dimensions)
{
    private const double Apart = 7;

    /// <summary>The side: front to the left, the nose rest above.</summary>
    public static BasketDrawing Side(BasketModel basket)
    {
        var (long_, front, rear) = (basket.Length.Millimeters, basket.DepthFront.Millimeters, basket.DepthRear.Millimeters);
        return new(
            BasketView.Side,
            [new(0, 0), new(long_, 0), new(long_, rear), new(0, front)],
            [
                new(BasketPart.Length, new(0, -Apart), new(long_, -Apart), basket.Length),
                new(BasketPart.DepthFront, new(-Apart, 0), new(-Apart, front), basket.DepthFront),
                new(BasketPart.DepthRear, new(long_ + Apart, 0), new(long_ + Apart, rear), basket.DepthRear),
            ]
        );
    }

    /// <summary>The opening at the rear edge, looked into from behind.</summary>
    public static BasketDrawing Opening(BasketModel basket)
    {
        var (wide, deep) = (basket.WidthRear.Millimeters, basket.DepthRear.Millimeters);
        return new(
            BasketView.Opening,
            [.. SnoutSection.Outline(basket.DepthRear, basket.WidthRear).Select(p => new PointMm(p.X + wide / 2, p.Y))],
            [
                new(BasketPart.WidthRear, new(0, -Apart), new(wide, -Apart), basket.WidthRear),
                new(BasketPart.DepthRear, new(wide + Apart, 0), new(wide + Apart, deep), basket.DepthRear),
                new(BasketPart.Girth, new(0, deep + Apart), new(wide, deep + Apart), basket.OpeningGirth),
            ]
        );
    }

    /// <summary>Puts a view on paper.</summary>
    internal static void AddTo(List<PaperMark> marks, BasketDrawing view, double x, HandoverWords words, double letters)
    {
        PointMm At(PointMm p) => new(p.X + x, p.Y);
        marks.Add(new PaperLine([.. view.Outline.Select(At)], true, 0.6));
        marks.Add(
            new PaperText(At(new(view.Outline.Average(p => p.X), view.Outline.Average(p => p.Y) + 1.5)), words.Of(view.Name), letters * 1.25, Centred: true)
        );
        foreach (var d in view.Dimensions)
        {
            var (from, to) = (At(d.From), At(d.To));
            var upright = Math.Abs(from.X - to.X) < 0.01;
            // What goes around is said, not drawn as a straight line.
            if (d.Part != BasketPart.Girth)
            {
                marks.Add(new PaperLine([from, to], false, 0.25));
                foreach (var end in new[] { from, to })
                    marks.Add(
                        new PaperLine(
                            upright ? [new(end.X - 1.5, end.Y), new(end.X + 1.5, end.Y)] : [new(end.X, end.Y - 1.5), new(end.X, end.Y + 1.5)],
                            false,
                            0.25
                        )
                    );
            }

            var middle = new PointMm((from.X + to.X) / 2, (from.Y + to.Y) / 2);
            // Outside of the line, on whichever side that is.
            var says =
                d.Part == BasketPart.Girth ? new PointMm(middle.X, middle.Y + 0.5 * letters)
                : !upright ? new PointMm(middle.X, middle.Y - 0.5 * letters)
                : d.Part == BasketPart.DepthFront ? new(middle.X - 0.5 * letters, middle.Y)
                : new(middle.X + 1.25 * letters, middle.Y);
            marks.Add(new PaperText(says, words.Of(d), letters, Centred: true, Upright: upright));
        }
    }
}

/// <summary>Which way a basket is looked at.</summary>
public enum BasketView
{
    Side,
    Opening,
}

/// <summary>What is measured on a basket.</summary>
public enum BasketPart
{
    Length,
    DepthFront,
    DepthRear,
    WidthRear,
    Girth,
}

/// <summary>A dimension of a view: from where to where, and how long.</summary>
public sealed record BasketDimension(BasketPart Part, PointMm From, PointMm To, Length Value);
