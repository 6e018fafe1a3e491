using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Heads;

namespace JauntyBadge.Server.Measuring;

/// <summary>A field of a drawn head.</summary>
/// <param name="D">Its edge as SVG path data, mm.</param>
/// <param name="Fill">Its colour; null for a line alone.</param>
/// <param name="Line">The colour of its line; null for none.</param>
/// <param name="Width">The line's width, mm.</param>
/// <param name="Inside">It is seen inside the head's outline only.</param>
/// <param name="Turns">It turns about the hinge with the lower jaw.</param>
/// <param name="Fades">It fades with the neck.</param>
public sealed record EnamelFieldDto(EnamelPart Part, string D, string? Fill, string? Line, double Width, bool Inside, bool Turns, bool Fades, double Opacity)
{
    internal static EnamelFieldDto Of(EnamelField f) =>
        new(f.Part, f.Curve.Path(), f.Fill, f.Line, Math.Round(f.Width, 2), f.Inside, f.Turns, f.Fades, f.Opacity);
}

/// <summary>A view of a head.</summary>
/// <param name="Fields">What is drawn, the hindmost first.</param>
/// <param name="Contour">The head's outline as SVG path data, mm.</param>
/// <param name="Fade">Where the neck begins to fade, and where it is gone; empty where nothing fades.</param>
/// <param name="Corners">Two corners of the box that holds what is seen of it.</param>
/// <param name="LabelMm">How high names are written beside it, mm.</param>
public sealed record DrawnViewDto(
    IReadOnlyList<EnamelFieldDto> Fields,
    string Contour,
    IReadOnlyList<PointMm> Fade,
    IReadOnlyList<PointMm> Corners,
    double LabelMm
)
{
    internal static DrawnViewDto Of(HeadDrawing drawing, DrawingView which)
    {
        var view = drawing.In(which);
        var reach = view.Reach();
        return new(
            [.. view.Fields.Select(EnamelFieldDto.Of)],
            view.Contour.Path(),
            view is { FadeFrom: { } from, FadeTo: { } to } ? [from, to] : [],
            [new(reach.Min(p => p.X), reach.Min(p => p.Y)), new(reach.Max(p => p.X), reach.Max(p => p.Y))],
            Math.Round(drawing.LabelHeight(which), 2)
        );
    }
}

/// <summary>A dog's head, to scale.</summary>
/// <param name="Hinge">What the lower jaw turns about.</param>
/// <param name="EyeCorner">The inner corner of the eye, from the side.</param>
/// <param name="Section">The snout cut across at the fit line.</param>
/// <param name="Marks">Where every measure runs.</param>
public sealed record HeadDrawingDto(
    DrawnViewDto Side,
    DrawnViewDto Top,
    DrawnViewDto Front,
    PointMm Hinge,
    PointMm EyeCorner,
    Stroke Section,
    IReadOnlyList<MeasureMark> Marks
)
{
    internal static HeadDrawingDto Of(HeadDrawing drawing, MeasuringWords words) =>
        new(
            DrawnViewDto.Of(drawing, DrawingView.Side),
            DrawnViewDto.Of(drawing, DrawingView.Top),
            DrawnViewDto.Of(drawing, DrawingView.Front),
            drawing.Hinge,
            drawing.EyeCorner,
            drawing.Section,
            words.Told(drawing).Marks
        );
}

/// <summary>A head over which a muzzle is drawn: from the side, and cut across.</summary>
/// <param name="Hinge">What the lower jaw turns about.</param>
/// <param name="Section">The snout cut across at the fit line.</param>
public sealed record HeadBesideDto(DrawnViewDto Side, PointMm Hinge, Stroke Section)
{
    internal static HeadBesideDto Of(HeadDrawing drawing) => new(DrawnViewDto.Of(drawing, DrawingView.Side), drawing.Hinge, drawing.Section);
}
