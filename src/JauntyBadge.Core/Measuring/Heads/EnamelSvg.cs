using System.Globalization;
using System.Xml.Linq;

namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>A drawn head as SVG, in mm.</summary>
public static class EnamelSvg
{
    private static readonly XNamespace Svg = "http://www.w3.org/2000/svg";

    /// <summary>A head as a picture of its own.</summary>
    /// <param name="view">The head.</param>
    /// <param name="title">What it shows.</param>
    public static string Write(DrawnView view, string title)
    {
        const double Room = 3;
        var reach = view.Reach();
        var (left, top) = (reach.Min(p => p.X) - Room, reach.Min(p => p.Y) - Room);
        var (width, height) = (reach.Max(p => p.X) + Room - left, reach.Max(p => p.Y) + Room - top);
        return new XDocument(
            new XElement(
                Svg + "svg",
                new XAttribute("viewBox", $"{N(left)} {N(top)} {N(width)} {N(height)}"),
                new XElement(Svg + "title", FileText.Printable(title)),
                Group(view, "head")
            )
        ).ToString(SaveOptions.DisableFormatting);
    }

    /// <summary>The head as a group with everything it needs.</summary>
    /// <param name="view">The head.</param>
    /// <param name="name">Begins the names of its clip and its fade: its own in the picture.</param>
    /// <param name="hinge">What the jaw turns about.</param>
    /// <param name="openDegrees">How far it is turned.</param>
    public static XElement Group(DrawnView view, string name, PointMm hinge = default, double openDegrees = 0)
    {
        var group = new XElement(
            Svg + "g",
            new XAttribute("stroke-linejoin", "round"),
            new XAttribute("stroke-linecap", "round"),
            new XElement(Svg + "clipPath", new XAttribute("id", name + "-head"), new XElement(Svg + "path", new XAttribute("d", view.Contour.Path())))
        );
        if (view is { FadeFrom: { } from, FadeTo: { } to })
        {
            group.Add(
                new XElement(
                    Svg + "linearGradient",
                    new XAttribute("id", name + "-gone"),
                    new XAttribute("gradientUnits", "userSpaceOnUse"),
                    new XAttribute("x1", N(from.X)),
                    new XAttribute("y1", N(from.Y)),
                    new XAttribute("x2", N(to.X)),
                    new XAttribute("y2", N(to.Y)),
                    new XElement(Svg + "stop", new XAttribute("offset", 0), new XAttribute("stop-color", "#fff")),
                    new XElement(Svg + "stop", new XAttribute("offset", 1), new XAttribute("stop-color", "#000"))
                ),
                new XElement(
                    Svg + "mask",
                    new XAttribute("id", name + "-fade"),
                    new XAttribute("maskUnits", "userSpaceOnUse"),
                    Everywhere(),
                    new XElement(Svg + "rect", Everywhere(), new XAttribute("fill", $"url(#{name}-gone)"))
                )
            );
        }

        foreach (var field in view.Fields)
        {
            var path = new XElement(
                Svg + "path",
                new XAttribute("d", field.Curve.Path()),
                new XAttribute("fill", field.Fill ?? "none"),
                field.Line is { } line ? new XAttribute("stroke", line) : null,
                field.Line is null ? null : new XAttribute("stroke-width", N(field.Width)),
                field.Opacity < 1 ? new XAttribute("opacity", N(field.Opacity)) : null,
                field.Inside ? new XAttribute("clip-path", $"url(#{name}-head)") : null
            );
            if (field.Turns && openDegrees != 0)
                path = new XElement(Svg + "g", new XAttribute("transform", $"rotate({N(-openDegrees)} {N(hinge.X)} {N(hinge.Y)})"), path);
            group.Add(field.Fades && view.FadeTo is not null ? new XElement(Svg + "g", new XAttribute("mask", $"url(#{name}-fade)"), path) : path);
        }

        return group;
    }

    private static XAttribute[] Everywhere() => [new("x", -500), new("y", -500), new("width", 2000), new("height", 2000)];

    private static string N(double value) => value.ToString("0.##", CultureInfo.InvariantCulture);
}
