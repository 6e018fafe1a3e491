namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>
/// A small whole dog from the side, its own head on a body, for what is told by weight, paw and tail. Places are in hundredths of the height at its
/// withers, the ground at 0, its fore paws at 0; a sketch (House).
/// </summary>
internal sealed class DogFigure
{
    /// <summary>How long a head is; larger than life, so that a face is read.</summary>
    private const double HeadLength = 58;
    private const double Line = 2.0;

    private readonly Stand stand;
    private readonly HeadLook look;
    private readonly Enamel enamel;
    private readonly List<EnamelField> fields = [];

    private DogFigure(Stand stand, HeadLook look) => (this.stand, this.look, enamel) = (stand, look, look.Enamel);

    /// <summary>The dog, and what stands beside it.</summary>
    public static DrawnView Draw(SideHead head, PointMm hinge, Shown shown) => new DogFigure(shown.Stand!, head.Look).Whole(head, hinge, shown);

    private DrawnView Whole(SideHead head, PointMm hinge, Shown shown)
    {
        var whole = head.Draw().Opened(hinge, shown.Mien.Gape);
        // The neck ends under the shoulder, and turns there.
        var scale = HeadLength / head.X(1);
        var (root, at) = (head.Back(head.NeckMiddle, 0.30), On(2, -84));
        PointMm Placed(PointMm p) => new PointMm(at.X + scale * (p.X - root.X), at.Y + scale * (p.Y - root.Y)).Turned(at, -stand.Head);

        Leg(Fore(near: false), enamel.Shade);
        Leg(Hind(near: false), enamel.Shade);
        Tail();
        var placed = whole.Fields.Concat(shown.Beside == Beside.Worn ? MuzzleSketch.WornFine(head) : []);
        fields.AddRange(placed.Select(f => f with { Curve = f.Curve.Moved(Placed), Width = Line, Fades = false }));
        Body();
        Leg(Hind(near: true), enamel.Coat);
        Leg(Fore(near: true), enamel.Coat);
        var view = new DrawnView(fields, whole.Contour.Moved(Placed));
        if (shown.Away)
            view = view.TurnedAbout(20);
        return shown.Beside switch
        {
            Beside.Muzzle => view.With(MuzzleSketch.Standing(new PointMm(-92, -17), 34, 34, Line)),
            Beside.Treat => view.With(MuzzleSketch.Treat(new PointMm(-84, -52), 7, Line)),
            _ => view,
        };
    }

    /// <summary>A place on the body as it leans and crouches.</summary>
    private PointMm On(double x, double y)
    {
        var share = Math.Clamp(x / 88, 0, 1);
        var down = 46 * (stand.Fore * (1 - share) + stand.Hind * share);
        return new(x + 13 * stand.Lean * Math.Min(1, -y / 70), y + down * Math.Clamp(-y / 60, 0, 1));
    }

    private Knot Knot(double x, double y) => Of(On(x, y));

    private static Knot Of(PointMm p) => new(p.X, p.Y);

    private void Body()
    {
        var curve = Curve.Loop(
            Knot(-9, -74),
            Knot(-1, -93),
            Knot(12, -101),
            Knot(42, -97),
            Knot(74, -97),
            Knot(93, -89),
            Knot(98, -72),
            Knot(90, -58),
            Knot(70, -60),
            Knot(46, -54),
            Knot(16, -48),
            Knot(-2, -56)
        );
        Put(curve, enamel.Coat);
        fields.Add(
            new(
                EnamelPart.Shade,
                Curve.Loop(Knot(0, -57), Knot(18, -50), Knot(46, -56), Knot(70, -62), Knot(80, -63), Knot(46, -64), Knot(18, -60)),
                enamel.Shade,
                null,
                0,
                Opacity: 0.6
            )
        );
    }

    /// <summary>Joints of a fore leg from the shoulder to the ground, with the width at each.</summary>
    private (PointMm At, double Width)[] Fore(bool near)
    {
        var reach = near ? -13 * stand.Stride : 15 * stand.Stride;
        var (shoulder, paw) = (On(near ? 6 : 13, -66), new PointMm((near ? 0 : 8) + reach - 26 * stand.Fore, -3));
        if (near && stand.Paw == Paw.Lifted)
            return [(shoulder, 20), (new(shoulder.X - 4, -46), 13), (new(shoulder.X - 24, -36), 9), (new(shoulder.X - 22, -21), 9)];
        if (near && stand.Paw == Paw.AtFace)
            return
            [
                (shoulder, 20),
                (new(shoulder.X - 14, shoulder.Y + 16), 13),
                (new(shoulder.X - 34, shoulder.Y + 4), 9),
                (new(shoulder.X - 38, shoulder.Y - 14), 10),
            ];
        if (stand.OnSide)
            return near
                ? [(shoulder, 20), (new(-8, -42), 13), (new(-22, -24), 9), (new(-42, -6), 9)]
                : [(shoulder, 20), (new(6, -42), 13), (new(-2, -22), 9), (new(-16, -2), 9)];
        var elbow = new PointMm(shoulder.X + 5 + 8 * stand.Fore, Math.Min(-6, shoulder.Y + 24));
        return [(shoulder, 20), (elbow, 13), (new(paw.X + 2 + 10 * stand.Fore, Math.Min(-5, 0.45 * elbow.Y)), 9), (paw, 9)];
    }

    private (PointMm At, double Width)[] Hind(bool near)
    {
        var reach = near ? 12 * stand.Stride : -12 * stand.Stride;
        var (hip, paw) = (On(near ? 84 : 80, -74), new PointMm((near ? 84 : 76) + reach - 12 * stand.Hind, -3));
        if (stand.OnSide)
            return near
                ? [(hip, 32), (new(66, -44), 19), (new(80, -22), 9), (new(58, -6), 8)]
                : [(hip, 32), (new(84, -44), 19), (new(100, -22), 9), (new(82, -2), 8)];
        var stifle = new PointMm(paw.X - 12 - 6 * stand.Hind, Math.Min(-12, hip.Y + 32 - 8 * stand.Hind));
        return [(hip, 32), (stifle, 19), (new(paw.X + 9, Math.Min(-7, -24 + 14 * stand.Hind)), 9), (paw, 8)];
    }

    private void Leg((PointMm At, double Width)[] joints, string fill)
    {
        Put(Strokes.Tube(joints), fill);
        var (paw, before) = (joints[^1].At, joints[^2].At);
        // The foot stands before the leg; on one that is lifted it hangs.
        var hangs = paw.Y < -8;
        var (x, y) = hangs ? (paw.X, paw.Y + (before.Y > paw.Y ? -3 : 3)) : (paw.X - 3, -3.2);
        Put(
            Curve.Loop(new Knot(x - 8, y + 0.5), new Knot(x - 4, y - 4), new Knot(x + 5, y - 3.5), new Knot(x + 6, y + 2.6), new Knot(x - 6, y + 3)),
            Foot(fill)
        );
    }

    private string Foot(string leg) =>
        look.Pattern switch
        {
            CoatPattern.BlazeAndCollar => Enamel.Markings,
            CoatPattern.TanPoints => SidePattern.Tan,
            _ => leg,
        };

    private void Tail()
    {
        var from = On(93, -86);
        var angle = stand.Tail * Math.PI / 180;
        PointMm At(double along, double bent) =>
            new(from.X + along * Math.Cos(angle) + bent * Math.Sin(angle), from.Y - along * Math.Sin(angle) + bent * Math.Cos(angle));
        var wide = look.Fur is Fur.Long or Fur.Shaggy ? 17.0 : 9.0;
        (PointMm, double)[] joints =
            stand.Tail <= -80
                ? [(from, 9), (new(from.X + 6, from.Y + 24), wide), (new(from.X - 10, from.Y + 40), 0.8 * wide), (new(from.X - 30, from.Y + 38), 4)]
                : [(from, 9), (At(20, 3), wide), (At(38, 0), 0.8 * wide), (At(54, -7), 4)];
        Put(Strokes.Tube(joints), enamel.Coat);
        if (!stand.Wags)
            return;
        foreach (var (turn, along) in new[] { (0.42, 50.0), (0.66, 46.0), (-0.42, 50.0), (-0.66, 46.0) })
            Swish(new(from.X + along * Math.Cos(angle + turn), from.Y - along * Math.Sin(angle + turn)), angle + turn, 9);
    }

    /// <summary>A short line that says something moves there.</summary>
    private void Swish(PointMm at, double angle, double length)
    {
        var (dx, dy) = (0.5 * length * Math.Cos(angle), -0.5 * length * Math.Sin(angle));
        fields.Add(new(EnamelPart.Crease, Curve.Line(new Knot(at.X - dx, at.Y - dy), new Knot(at.X + dx, at.Y + dy)), null, MuzzleSketch.Bar, Line));
    }

    private void Put(Curve curve, string fill) => fields.Add(new(EnamelPart.Fur, curve, fill, enamel.Line, Line));
}
