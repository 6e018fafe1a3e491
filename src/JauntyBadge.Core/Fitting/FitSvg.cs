using System.Globalization;
using System.Xml.Linq;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Heads;

namespace JauntyBadge.Core.Fitting;

/// <summary>Writes fit drawings as SVG in true millimetres, to be printed at full size or opened in any drawing program.</summary>
public static class FitSvg
{
    private const double MarginMm = 12;
    private const double TextMm = 5;
    private static readonly XNamespace Svg = "http://www.w3.org/2000/svg";
    private static readonly string[] Inks = ["#17352d", "#b26a00"];

    /// <summary>One muzzle, or two over each other, on the same head; side view with the section at the rear edge beside it.</summary>
    /// <param name="fits">One or two ranked fits of one dog.</param>
    /// <param name="title">What it shows.</param>
    /// <param name="look">What the dog looks like.</param>
    /// <exception cref="ArgumentException">There is none, or more than two.</exception>
    public static string Write(IReadOnlyList<RankedFit> fits, string title, HeadLook look)
    {
        if (fits.Count is 0 or > 2)
            throw new ArgumentException("One or two muzzles are drawn over each other.", nameof(fits));
        var writing = fits[0].Question.Writing;
        var drawings = fits.Select(f => FitDrawing.Of(f, look)).ToList();
        var head = drawings[0].Head;
        var side = new XElement(Svg + "g", new XAttribute("id", "side"), EnamelSvg.Group(head.Side, "head"));
        var section = new XElement(Svg + "g", Line(head.Section.Points, true, Inks[0], 0.5, look.CoatHex));
        for (var i = 0; i < drawings.Count; i++)
        {
            side.Add(
                drawings[i].Basket.Select(s => Line(s.Points, s.Closed, Inks[i], s.Name == StrokePart.Wall ? 1.2 : 0.6, "none", s.Name == StrokePart.Shove))
            );
            section.Add(Line(drawings[i].BasketSection.Points, true, Inks[i], 1.2, "none"));
        }

        foreach (var dimension in drawings[0].Dimensions)
        {
            side.Add(Line([dimension.From, dimension.To], false, Inks[0], 0.4, "none"));
            side.Add(Text(dimension.From.X, dimension.From.Y - 1.5, $"{Words(dimension.Name)} {writing.Length(dimension.Value)}", Inks[0]));
        }

        // Of two over each other only the first bears its size, as in the side view.
        foreach (var dimension in drawings[0].SectionDimensions.Where(d => d.Name.StartsWith("basket", StringComparison.Ordinal)))
        {
            section.Add(Line([dimension.From, dimension.To], false, Inks[0], 0.4, "none"));
            section.Add(Text(dimension.From.X + 1.5, (dimension.From.Y + dimension.To.Y) / 2 - 1.5, writing.Length(dimension.Value), Inks[0]));
        }

        var points = head.Side.Reach().Concat(drawings.SelectMany(d => d.Basket).SelectMany(s => s.Points)).ToList();
        var across = drawings
            .SelectMany(d => d.BasketSection.Points)
            .Concat(head.Section.Points)
            .Concat(drawings[0].SectionDimensions.SelectMany(d => new[] { d.From, d.To }))
            .ToList();
        var (left, top) = (points.Min(p => p.X) - MarginMm, points.Min(p => p.Y) - MarginMm - fits.Count * (TextMm + 2));
        var sectionAt = points.Max(p => p.X) + MarginMm - across.Min(p => p.X);
        section.Add(new XAttribute("id", "section"), new XAttribute("transform", $"translate({N(sectionAt)} 0)"));
        var (width, height) = (sectionAt + across.Max(p => p.X) + 2 * MarginMm - left, Math.Max(points.Max(p => p.Y), across.Max(p => p.Y)) + MarginMm - top);
        var names = fits.Select(
            (f, i) =>
                Text(
                    left + MarginMm,
                    top + (i + 1) * (TextMm + 2),
                    $"{f.Model.Name} {f.Size.Label}{(f.Assessment is null ? "" : $", opens {drawings[i].Gape.Degrees:0}°")}",
                    Inks[i]
                )
        );
        var root = new XElement(
            Svg + "svg",
            new XAttribute("width", $"{N(width)}mm"),
            new XAttribute("height", $"{N(height)}mm"),
            new XAttribute("viewBox", $"{N(left)} {N(top)} {N(width)} {N(height)}"),
            new XElement(Svg + "title", FileText.Printable(title)),
            names,
            side,
            section
        );
        return new XDocument(root).ToString();
    }

    private static string Words(string name) =>
        name switch
        {
            "noseRoom" => "nose",
            "eyeRoom" => "eye",
            _ => "chin",
        };

    private static XElement? Line(IReadOnlyList<PointMm> points, bool closed, string ink, double width, string fill, bool dashed = false)
    {
        if (points.Count == 0)
            return null;
        var path = string.Concat(points.Select((p, i) => $"{(i == 0 ? 'M' : 'L')}{N(p.X)} {N(p.Y)}")) + (closed ? "Z" : "");
        return new XElement(
            Svg + "path",
            new XAttribute("d", path),
            new XAttribute("fill", closed ? fill : "none"),
            new XAttribute("stroke", ink),
            new XAttribute("stroke-width", N(width)),
            dashed ? new XAttribute("stroke-dasharray", "3 2") : null
        );
    }

    private static XElement Text(double x, double y, string says, string ink) =>
        new(
            Svg + "text",
            new XAttribute("x", N(x)),
            new XAttribute("y", N(y)),
            new XAttribute("font-size", N(TextMm)),
            new XAttribute("font-family", "sans-serif"),
            new XAttribute("fill", ink),
            new XAttribute("stroke", "#ffffff"),
            new XAttribute("stroke-width", "1.4"),
            new XAttribute("stroke-linejoin", "round"),
            new XAttribute("paint-order", "stroke"),
            FileText.Printable(says)
        );

    private static string N(double value) => value.ToString("0.##", CultureInfo.InvariantCulture);
}
