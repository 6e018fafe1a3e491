using JauntyBadge.Core.Measuring.Heads;

namespace JauntyBadge.Core.Measuring;

/// <summary>A field of a portrait as SVG path data.</summary>
/// <param name="D">Its edge, in steps.</param>
/// <param name="Fill">Its colour; null for a line alone.</param>
/// <param name="Line">The colour of its line; null for none.</param>
/// <param name="Inside">It is seen inside the head's outline only.</param>
public sealed record PortraitField(string D, string? Fill, string? Line, bool Inside);

/// <summary>A head from the side, small: for a badge. Its longer side is <see cref="Size"/> steps, so that a list of dogs stays light.</summary>
/// <param name="Width">Width in steps; the neck goes on beyond it.</param>
/// <param name="Height">Height in steps; the neck goes on beyond it.</param>
/// <param name="Line">Width of its lines, in steps.</param>
/// <param name="Contour">The head's outline, which bounds what is inside it.</param>
/// <param name="Fields">What is drawn, the hindmost first.</param>
/// <param name="Fade">Where the neck begins to fade and where it is gone: x, y, x, y.</param>
public sealed record HeadPortrait(int Width, int Height, double Line, string Contour, IReadOnlyList<PortraitField> Fields, IReadOnlyList<int> Fade)
{
    /// <summary>Steps along the longer side (House: finer than a badge's pixels).</summary>
    public const int Size = 160;

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

    /// <summary>The head of a drawing from the side.</summary>
    public static HeadPortrait Of(DrawnView side)
    {
        var (from, to) = (side.FadeFrom!.Value, side.FadeTo!.Value);
        // As far back as ears and jaw reach: there the neck is cut off.
        var whole = side.Fields.Where(f => f is { Inside: false, Fades: false }).SelectMany(f => f.Curve.Points()).ToList();
        var back = whole.Max(p => p.X);
        var points = whole.Concat(side.Contour.Points().Where(p => p.X <= back && p.Y <= whole.Max(w => w.Y))).ToList();
        var (left, top) = (points.Min(p => p.X), points.Min(p => p.Y));
        var (width, height) = (points.Max(p => p.X) - left, points.Max(p => p.Y) - top);
        var scale = Size / Math.Max(width, height);
        int Step(double mm) => (int)Math.Round(mm * scale);
        (int, int) At(PointMm p) => (Step(p.X - left), Step(p.Y - top));
        var (contour, lid) = (side.Contour.Path(At), side.Fields.First(f => f.Part == EnamelPart.Lid).Line);
        return new HeadPortrait(
            Step(width),
            Step(height),
            Math.Round(1.15 * scale * side.Fields.Max(f => f.Width), 1),
            contour,
            Merged(
                side.Fields.Where(f =>
                        !TooFine.Contains(f.Part) && (f.Part != EnamelPart.Crease || f.Opacity == 1) && f is not { Part: EnamelPart.Fur, Fill: null }
                    )
                    .Select(f => new PortraitField(
                        f.Part == EnamelPart.Head ? "" : f.Curve.Path(At),
                        f.Fill,
                        f.Part == EnamelPart.Eye ? lid : f.Line,
                        f.Inside
                    ))
            ),
            [Step(from.X - left), Step(from.Y - top), Step(to.X - left), Step(to.Y - top)]
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
