using JauntyBadge.Core.Measuring.Heads;

namespace JauntyBadge.Core.Measuring;

/// <summary>A field of a portrait as SVG path data.</summary>
/// <param name="D">Its edge, in steps.</param>
/// <param name="Fill">Its colour; null for a line alone.</param>
/// <param name="Line">The colour of its line; null for none.</param>
/// <param name="Inside">It is seen inside the head's outline only.</param>
public sealed record PortraitField(string D, string? Fill, string? Line, bool Inside);

/// <summary>A head from the side, or a whole dog, small: for a badge or a sign. Its longer side is so many steps, so that a list of dogs stays light.</summary>
/// <param name="Width">Width in steps; the neck goes on beyond it.</param>
/// <param name="Height">Height in steps; the neck goes on beyond it.</param>
/// <param name="Line">Width of its lines, in steps.</param>
/// <param name="Contour">The head's outline, which bounds what is inside it.</param>
/// <param name="Fields">What is drawn, the hindmost first.</param>
/// <param name="Fade">Where the neck begins to fade and where it is gone: x, y, x, y; empty where nothing fades.</param>
public sealed record HeadPortrait(int Width, int Height, double Line, string Contour, IReadOnlyList<PortraitField> Fields, IReadOnlyList<int> Fade)
{
    /// <summary>Steps along the longer side (House: finer than a badge's pixels).</summary>
    public const int Size = 160;

    /// <summary>Steps of the picture of a sign beside its name in a tray.</summary>
    public const int TraySize = 130;

    /// <summary>Steps of the picture of a sign that is to be read by itself.</summary>
    public const int LargeSize = 240;

    /// <summary>Steps of the drawing of a step.</summary>
    public const int SceneSize = 420;

    /// <summary>What is too fine for a badge.</summary>
    private static readonly EnamelPart[] TooFine =
    [
        EnamelPart.Tongue,
        EnamelPart.Teeth,
        EnamelPart.Shade,
        EnamelPart.Iris,
        EnamelPart.Glint,
        EnamelPart.Lid,
        EnamelPart.Nostril,
    ];

    /// <summary>What is too fine for the picture of a sign.</summary>
    private static readonly EnamelPart[] TooFineForASign = [EnamelPart.Shade, EnamelPart.Glint, EnamelPart.Nostril];

    /// <summary>The head of a drawing from the side.</summary>
    public static HeadPortrait Of(DrawnView side) => Of(side, Size, TooFine);

    /// <summary>A dog as it shows a sign.</summary>
    /// <param name="snout">Its lengths.</param>
    /// <param name="look">What it looks like besides.</param>
    /// <param name="shown">What the sign shows.</param>
    /// <param name="size">Steps along the longer side.</param>
    public static HeadPortrait Showing(SnoutModel snout, HeadLook look, Shown shown, int size)
    {
        var head = new SideHead(snout, new HeadSketch(snout), look, shown.Mien, shown.Stand is null ? 1.4 : 2.0);
        if (shown.Stand is not null)
            return Of(DogFigure.Draw(head, snout.HingePoint, shown), size, TooFineForASign);
        var (xe, h) = (snout.EyeLine.Mm, snout.Height.Mm);
        var face = head.Draw().Opened(snout.HingePoint, shown.Mien.Gape);
        var line = face.Fields.Max(f => f.Width);
        // What it is turned away from stands behind its neck, which has faded there.
        var (view, before) = shown.Away ? (face.TurnedAbout(0.5 * head.X(1)), -0.35 * xe) : (face, 0);
        return Of(
            shown.Beside switch
            {
                Beside.Worn => view.With(MuzzleSketch.Worn(head)),
                Beside.Muzzle => view.With(MuzzleSketch.Standing(new PointMm(before - 0.75 * xe, 0.5 * h), 0.8 * xe, 1.1 * h, line)),
                Beside.Treat => view.With(MuzzleSketch.Treat(new PointMm(before - 0.28 * h, 0.72 * h), 0.17 * h, line)),
                _ => view,
            },
            size,
            TooFineForASign
        );
    }

    /// <summary>A dog in a step of its training.</summary>
    /// <param name="snout">Its lengths.</param>
    /// <param name="look">What it looks like besides.</param>
    /// <param name="scene">How things are placed.</param>
    public static HeadPortrait In(SnoutModel snout, HeadLook look, Scene scene)
    {
        var mien = scene.Treat == SceneTreat.AtItsFloor && scene.Place != ScenePlace.AllTheWayIn ? new Mien(Gape: 6, Tongue: Tongue.Lick) : Mien.Plain;
        var head = new SideHead(snout, new HeadSketch(snout), look, mien, scene.Stand is null ? 1.2 : 2.0);
        return Of(
            scene.Stand is null ? CloseScene.Draw(head, snout.HingePoint, scene, mien.Gape) : WholeScene.Draw(head, snout.HingePoint, scene, mien),
            SceneSize,
            TooFineForASign
        );
    }

    private static HeadPortrait Of(DrawnView view, int size, EnamelPart[] tooFine)
    {
        // As far back as ears and jaw reach: there the neck is cut off.
        var whole = view.Fields.Where(f => f is { Inside: false, Fades: false }).SelectMany(f => f.Curve.Points()).ToList();
        var (from, to, under) = (whole.Min(p => p.X), whole.Max(p => p.X), whole.Max(p => p.Y));
        var turned = view.FadeTo is { } gone && gone.X < view.FadeFrom!.Value.X;
        var points = whole.Concat(view.Contour.Points().Where(p => (turned ? p.X >= from : p.X <= to) && p.Y <= under)).ToList();
        var (left, top) = (points.Min(p => p.X), points.Min(p => p.Y));
        var (width, height) = (points.Max(p => p.X) - left, points.Max(p => p.Y) - top);
        var scale = size / Math.Max(width, height);
        int Step(double mm) => (int)Math.Round(mm * scale);
        (int, int) At(PointMm p) => (Step(p.X - left), Step(p.Y - top));
        var (contour, lid) = (view.Contour.Path(At), view.Fields.First(f => f.Part == EnamelPart.Lid).Line);
        return new HeadPortrait(
            Step(width),
            Step(height),
            Math.Round(1.15 * scale * view.Fields.Max(f => f.Width), 1),
            contour,
            Merged(
                view.Fields.Where(f =>
                        !tooFine.Contains(f.Part) && (f.Part != EnamelPart.Crease || f.Opacity == 1) && f is not { Part: EnamelPart.Fur, Fill: null }
                    )
                    .Select(f => new PortraitField(
                        f.Part == EnamelPart.Head ? "" : f.Curve.Path(At),
                        f.Fill,
                        f.Part == EnamelPart.Eye ? lid : f.Line,
                        f.Inside
                    ))
            ),
            view is { FadeFrom: { } fades, FadeTo: { } ends } ? [Step(fades.X - left), Step(fades.Y - top), Step(ends.X - left), Step(ends.Y - top)] : []
        );
    }

    /// <summary>Neighbours of one colour without a line, such as spots, as one field.</summary>
    private static List<PortraitField> Merged(IEnumerable<PortraitField> fields)
    {
        var merged = new List<PortraitField>();
        foreach (var field in fields)
        {
            if (merged is [.., var last] && last.Line is null && last.D != "" && last with { D = field.D } == field)
                merged[^1] = last with { D = last.D + field.D };
            else
                merged.Add(field);
        }

        return merged;
    }
}
