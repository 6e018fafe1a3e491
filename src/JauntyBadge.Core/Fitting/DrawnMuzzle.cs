using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Heads;

namespace JauntyBadge.Core.Fitting;

/// <summary>What a field of a drawn muzzle shows.</summary>
public enum MuzzlePart
{
    /// <summary>What it is made of: bar, web, strap, sheet.</summary>
    Body,

    /// <summary>Weld, rivet, stitching, edge of a hole.</summary>
    Detail,
    NeckStrap,
    ForeheadStrap,
    CollarLink,
    Fastener,
    Hole,

    /// <summary>The hole to use.</summary>
    MarkedHole,
}

/// <summary>A field of a drawn muzzle.</summary>
/// <param name="Part">What it shows.</param>
/// <param name="Curve">Its edge or line, mm.</param>
/// <param name="Fill">Its colour; null for a line.</param>
/// <param name="Line">The colour of its line; null for none.</param>
/// <param name="Width">The line's width, mm.</param>
/// <param name="Holes">What is cut out of it.</param>
/// <param name="Opacity">0 to 1.</param>
/// <param name="Stitched">The line is broken, as a seam is.</param>
public sealed record MuzzleField(
    MuzzlePart Part,
    Curve Curve,
    string? Fill,
    string? Line,
    double Width,
    IReadOnlyList<Curve> Holes,
    double Opacity = 1,
    bool Stitched = false
);

/// <summary>A muzzle from the side as it is made: wire with welds, moulded webs with holes, leather with stitching and rivets, webbing, clear vinyl; its straps with what fastens them. Its outline is the model's own, to scale.</summary>
/// <remarks>Basis of every width and place within the outline: a sketch (House).</remarks>
internal sealed class DrawnMuzzle
{
    private const string Metal = "#b9bdb8";
    private const string Accent = "#e3a11b";
    private readonly MuzzleModel model;
    private readonly HeadDrawing head;
    private readonly double front;
    private readonly double rear;
    private readonly double deepFront;
    private readonly double deepRear;
    private readonly string colour;
    private readonly string edge;
    private readonly double fine;
    private readonly List<MuzzleField> fields = [];

    private DrawnMuzzle(MuzzleModel model, string? colourHex, HeadDrawing head, double front, double rear, double deepFront, double deepRear)
    {
        (this.model, this.head, this.front, this.rear, this.deepFront, this.deepRear) = (model, head, front, rear, deepFront, deepRear);
        colour = colourHex ?? (model.Colours is [var first, ..] ? first.Hex : "#4b4f4c");
        edge = Enamel.LineOn(colour) == Enamel.Brass ? Enamel.Mix(colour, Enamel.Brass, 0.7) : Enamel.Tone(colour, 0.42);
        fine = 0.012 * (rear - front) + 0.35;
    }

    /// <summary>Draws a muzzle.</summary>
    /// <param name="model">What it is.</param>
    /// <param name="colourHex">The colour chosen; null for the model's first.</param>
    /// <param name="head">The head it is on.</param>
    /// <param name="outline">Its four corners: top rear, top front, bottom front, bottom rear.</param>
    /// <param name="strap">Where its neck strap is set; null where that is not known.</param>
    public static IReadOnlyList<MuzzleField> Of(MuzzleModel model, string? colourHex, HeadDrawing head, IReadOnlyList<PointMm> outline, StrapSetting? strap)
    {
        var drawn = new DrawnMuzzle(model, colourHex, head, outline[1].X, outline[0].X, outline[2].Y, outline[3].Y);
        drawn.Straps(strap);
        drawn.Body();
        return drawn.fields;
    }

    private double Floor(double x) => deepFront + (deepRear - deepFront) * (x - front) / (rear - front);

    private double At(double share) => front + share * (rear - front);

    private void Add(
        MuzzlePart part,
        Curve curve,
        string? fill,
        string? line,
        double width,
        double opacity = 1,
        bool stitched = false,
        IReadOnlyList<Curve>? holes = null
    ) => fields.Add(new(part, curve, fill, line, width, holes ?? [], opacity, stitched));

    /// <summary>A rod or band: its edge, then its colour.</summary>
    private void Rod(MuzzlePart part, Curve curve, double width)
    {
        Add(part, curve, null, edge, width + 2 * fine);
        Add(part, curve, null, colour, width);
    }

    /// <summary>The outline, its corners at the nose cut: its edges stay where the model has them.</summary>
    private Curve Outline(double inset = 0)
    {
        var round = Math.Min(0.09 * (rear - front), 0.12 * deepFront);
        return Curve.Loop(
            new Knot(rear - inset, inset, true),
            new Knot(front + inset + round, inset, true),
            new Knot(front + inset, inset + round, true),
            new Knot(front + inset, deepFront - inset - round, true),
            new Knot(front + inset + round, Floor(front + round) - inset, true),
            new Knot(rear - inset, deepRear - inset, true)
        );
    }

    private void Body()
    {
        switch (model.Material)
        {
            case Material.CoatedWire:
                Wire();
                break;
            case Material.RigidPlastic or Material.MouldedRubber:
                Moulded();
                break;
            case Material.ClearVinyl:
                Add(MuzzlePart.Body, Outline(), "#cfe3e6", Enamel.Tone("#cfe3e6", 0.55), 2 * fine, opacity: 0.42);
                foreach (var share in new[] { 0.22, 0.42, 0.62 })
                    Add(MuzzlePart.Detail, Slot(At(share), 0.30, 0.58), null, "#5c7f86", fine);
                Add(
                    MuzzlePart.Detail,
                    Curve.Line(new Knot(At(0.12), 0.10 * deepFront), new Knot(At(0.7), 0.10 * deepFront)),
                    null,
                    "#ffffff",
                    2 * fine,
                    opacity: 0.7
                );
                break;
            case Material.Leather or Material.CoatedWebbing:
                Bands();
                break;
            default:
                Add(MuzzlePart.Body, Outline(), colour, edge, 1.6 * fine);
                Add(MuzzlePart.Detail, Outline(0.05 * (rear - front)), null, edge, 0.8 * fine, stitched: true);
                break;
        }

        if (model.Type == MuzzleType.Basket && model.FrontBar)
            Rod(MuzzlePart.Body, Curve.Line(new Knot(front, 0.06 * deepFront), new Knot(front, 0.94 * deepFront)), 2.6);
        if (model.Type == MuzzleType.Basket && model.FrontOpening == FrontOpening.Fixed)
            Add(MuzzlePart.Detail, Curve.Line(new Knot(front, 0.52 * deepFront), new Knot(front, 0.76 * deepFront)), null, Accent, 2.5 * fine);
    }

    private void Wire()
    {
        const double Thick = 2.6;
        double[] uprights = [0.0, 0.17, 0.34, 0.51, 0.68, 0.84, 1.0];
        double[] rails = [0.0, 0.34, 0.68, 1.0];
        foreach (var share in uprights[1..^1])
            Rod(MuzzlePart.Body, Curve.Line(new Knot(At(share), 0), new Knot(At(share), Floor(At(share)))), Thick - 0.5);
        foreach (var share in rails[1..^1])
            Rod(MuzzlePart.Body, Curve.Line(new Knot(front, share * deepFront), new Knot(rear, share * deepRear)), Thick - 0.3);
        Rod(MuzzlePart.Body, Outline(), Thick);
        foreach (var x in uprights)
        {
            foreach (var y in x == 0 ? rails[1..^1] : rails)
                Add(MuzzlePart.Detail, Curve.Disc(At(x), y * Floor(At(x)), 0.72 * Thick), colour, edge, 0.7 * fine);
        }
    }

    /// <summary>Webs of a mould: a sheet with holes in rows that stand between each other.</summary>
    private void Moulded()
    {
        var holes = new List<Curve>();
        const int Rows = 4;
        for (var row = 0; row < Rows; row++)
        {
            var count = row % 2 == 0 ? 5 : 4;
            for (var i = 0; i < count; i++)
            {
                var (from, to) = ((i + 0.16) / count, (i + 0.84) / count);
                var (x1, x2) = (At(0.05 + 0.90 * from), At(0.05 + 0.90 * to));
                double Y(double x, double share) => (0.06 + 0.88 * (row + share) / Rows) * Floor(x);
                var (y1, y2) = (Y((x1 + x2) / 2, 0.14), Y((x1 + x2) / 2, 0.86));
                var round = 0.28 * Math.Min(x2 - x1, y2 - y1);
                holes.Add(
                    Curve.Loop(
                        new Knot(x1, y1 + round),
                        new Knot(x1 + round, y1),
                        new Knot(x2 - round, y1),
                        new Knot(x2, y1 + round),
                        new Knot(x2, y2 - round),
                        new Knot(x2 - round, y2),
                        new Knot(x1 + round, y2),
                        new Knot(x1, y2 - round)
                    )
                );
            }
        }

        Add(MuzzlePart.Body, Outline(), colour, edge, 1.6 * fine, holes: holes);
    }

    /// <summary>Straps round and along the snout, sewn or riveted where they cross.</summary>
    private void Bands()
    {
        var wide = Math.Clamp(0.10 * (rear - front), 5, 12);
        double[] rings = [0.10, 0.52, 0.95];
        foreach (var share in rings[..^1])
            Rod(MuzzlePart.Body, Curve.Line(new Knot(At(share), 0.01 * deepFront), new Knot(At(share) - 0.02 * (rear - front), Floor(At(share)))), wide);
        foreach (var share in new[] { 0.0, 0.48, 1.0 })
        {
            var line = Curve.Line(new Knot(front + 0.02 * (rear - front), share * deepFront), new Knot(rear, share * deepRear));
            Rod(MuzzlePart.Body, line, wide);
            Add(MuzzlePart.Detail, line, null, Stitch, 0.7 * fine, stitched: true);
        }

        Rod(MuzzlePart.Body, Curve.Line(new Knot(At(rings[^1]), 0), new Knot(At(rings[^1]), Floor(At(rings[^1])))), wide);
        Rod(MuzzlePart.Body, Curve.Line(new Knot(front, 0.04 * deepFront), new Knot(front, 0.96 * deepFront)), wide);
        if (model.Material != Material.Leather)
            return;
        foreach (var x in rings)
        {
            foreach (var y in new[] { 0.48, 1.0 })
                Add(MuzzlePart.Detail, Curve.Disc(At(x), y * Floor(At(x)), 0.16 * wide), Metal, "#4a4d49", 0.6 * fine);
        }
    }

    private string Stitch => Enamel.LineOn(colour) == Enamel.Brass ? "#d9c9a3" : Enamel.Tone(colour, 0.4);

    private Curve Slot(double x, double from, double to) => Curve.Line(new Knot(x, from * Floor(x)), new Knot(x, to * Floor(x)));

    private void Straps(StrapSetting? strap)
    {
        var wide = Math.Clamp(0.09 * (rear - front), 4, 10);
        var (top, under) = (head.HighNeckTop, head.HighNeckUnder);
        PointMm from = new(rear, 0.5 * deepRear);
        PointMm bend = new((rear + top.X) / 2, 0.40 * deepRear);
        var neck = Curve.Line(new Knot(from.X, from.Y), new Knot(bend.X, bend.Y), new Knot(top.X, top.Y));
        if (model.CollarLink)
            Rod(
                MuzzlePart.CollarLink,
                Curve.Line(new Knot(bend.X, bend.Y), new Knot((bend.X + under.X) / 2, (bend.Y + under.Y) / 2), new Knot(under.X, under.Y)),
                0.6 * wide
            );
        if (model.ForeheadStrap == ForeheadStrap.Fitted)
        {
            var skull = head.Side.Contour.Points().MinBy(p => p.Y);
            Rod(
                MuzzlePart.ForeheadStrap,
                Curve.Line(new Knot(rear, 0), new Knot(0.5 * (rear + skull.X), 0.62 * skull.Y), new Knot(skull.X, skull.Y), new Knot(top.X, top.Y)),
                0.7 * wide
            );
        }

        Rod(MuzzlePart.NeckStrap, neck, wide);
        if (model.Material == Material.Leather)
            Add(MuzzlePart.Detail, neck, null, Stitch, 0.6 * fine, stitched: true);
        var along = neck.Points();
        PointMm On(double share) => along[(int)Math.Round(share * (along.Count - 1))];
        Fastener(On(0.46), wide);
        if (strap is not { Hole: { } hole, Holes: { } holes })
            return;
        // The tail behind the buckle, its holes from the tightest; of many the nearest to the one to use.
        var shown = Math.Min(holes, 9);
        var first = Math.Clamp(hole - shown / 2, 1, holes - shown + 1);
        for (var i = 0; i < shown; i++)
        {
            var at = On(0.56 + 0.36 * i / Math.Max(1, shown - 1));
            if (first + i == hole)
                Add(MuzzlePart.MarkedHole, Curve.Disc(at.X, at.Y, 0.42 * wide), Accent, "#1d2b12", fine);
            Add(MuzzlePart.Hole, Curve.Disc(at.X, at.Y, 0.16 * wide), "#1a1512", null, 0);
        }
    }

    private void Fastener(PointMm at, double wide)
    {
        var (x, y, r) = (at.X, at.Y, 0.85 * wide);
        Curve Frame(double left, double right) =>
            Curve.Loop(
                new Knot(x + left * r, y - r, true),
                new Knot(x + right * r, y - r, true),
                new Knot(x + right * r, y + r, true),
                new Knot(x + left * r, y + r, true)
            );
        if (model.Closure is Closure.Buckle or Closure.Both)
        {
            Add(MuzzlePart.Fastener, Frame(-0.9, 0.9), null, "#5b5e59", 0.34 * wide);
            Add(MuzzlePart.Fastener, Frame(-0.9, 0.9), null, Metal, 0.2 * wide);
            Add(MuzzlePart.Fastener, Curve.Line(new Knot(x - 0.9 * r, y), new Knot(x + 0.9 * r, y)), null, Metal, 0.2 * wide);
        }

        if (model.Closure is Closure.Clip or Closure.Both)
        {
            var off = model.Closure == Closure.Both ? -2.4 : 0;
            Add(MuzzlePart.Fastener, Frame(off - 1.1, off), "#22261f", Metal, 0.7 * fine);
            Add(MuzzlePart.Fastener, Frame(off + 0.1, off + 1.0), "#33382f", Metal, 0.7 * fine);
        }
    }
}
