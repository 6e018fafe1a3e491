namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>A dog's head with what is at it in a step: thing, strap, hands, treat. Places are shares of its own snout (House).</summary>
internal sealed class CloseScene
{
    private readonly SideHead head;
    private readonly Scene scene;
    private readonly double xe;
    private readonly double h;
    private readonly double line;
    private readonly PointMm away;
    private readonly SceneHands hands;

    private CloseScene(SideHead head, Scene scene, double line)
    {
        (this.head, this.scene, this.line) = (head, scene, line);
        (xe, h) = (head.Xe, head.H);
        hands = new(0.30 * (xe + h), line);
        away = scene.Place switch
        {
            _ when scene.Thing == SceneThing.Nothing => new(0, 0),
            ScenePlace.AtTheSide => new(-1.75 * xe, 0.75 * h),
            ScenePlace.BeforeTheNose => new(-1.12 * xe, 0),
            ScenePlace.OverTheRim => new(-0.72 * xe, 0),
            ScenePlace.HalfwayIn => new(-0.38 * xe, 0),
            ScenePlace.LoweredAway => new(-0.95 * xe, 1.15 * h),
            _ => new(0, 0),
        };
    }

    public static DrawnView Draw(SideHead head, PointMm hinge, Scene scene, double gape)
    {
        var view = head.Draw().Opened(hinge, gape);
        var at = new CloseScene(head, scene, view.Fields.Max(f => f.Width));
        return view with { Fields = [.. at.BehindTheHead(), .. view.Fields, .. at.BeforeTheHead()] };
    }

    /// <summary>A place on the thing, in shares of the snout.</summary>
    private PointMm On(double x, double y) => new(away.X + x * xe, away.Y + y * h);

    private Knot Knot(double x, double y, bool corner = false) => new(away.X + x * xe, away.Y + y * h, corner);

    private EnamelField Field(Curve curve, string? fill) => ScenePaint.Field(curve, fill, line);

    /// <summary>A band, so wide a share of the snout.</summary>
    private EnamelField Band(double share, Curve along, string fill) => Field(Strokes.Band(share * Math.Max(xe, h), along), fill);

    private IEnumerable<EnamelField> BehindTheHead()
    {
        // The far half of a loop the nose goes through.
        if (scene.Thing is SceneThing.Loop or SceneThing.NarrowLoop)
            yield return Band(0.10, Half(far: true), ScenePaint.Rope);
    }

    private IEnumerable<EnamelField> BeforeTheHead() => [.. Thing(), .. Strap(), .. Hand(scene.Hand), .. Hand(scene.Other), .. Treat()];

    private IEnumerable<EnamelField> Thing() =>
        scene.Thing switch
        {
            SceneThing.Muzzle => MuzzleSketch.Worn(head, away, line),
            SceneThing.CupInMuzzle => [.. Cup(0.92, 0.88), .. MuzzleSketch.Worn(head, away, line)],
            SceneThing.Cup => Cup(1, scene.Treat is SceneTreat.ThroughTheFront or SceneTreat.OneAfterAnother ? 0.7 : 0.82),
            SceneThing.ShallowCup => Cup(0.42, 0.9),
            SceneThing.Loop or SceneThing.NarrowLoop => [Band(0.10, Half(far: false), ScenePaint.Rope)],
            _ => [],
        };

    /// <summary>A paper cup over the snout, so deep and so narrow at its end.</summary>
    private IEnumerable<EnamelField> Cup(double deep, double narrow)
    {
        var (from, to) = (0.80 * deep, -0.16);
        yield return Field(
            Curve.Loop(
                Knot(from, -0.20, true),
                Knot(to, 0.46 - 0.62 * narrow, true),
                Knot(to - 0.02, 0.46, false),
                Knot(to, 0.46 + 0.58 * narrow, true),
                Knot(from, 1.14, true),
                Knot(from + 0.07, 0.47)
            ),
            ScenePaint.Paper
        );
        yield return Band(0.07, Curve.Line(Knot(from, -0.24), Knot(from + 0.07, 0.47), Knot(from, 1.18)), ScenePaint.Paper);
        foreach (var y in new[] { 0.16, 0.78 })
            yield return Field(Curve.Line(Knot(from - 0.06, y), Knot(to + 0.08, 0.46 + 0.8 * (y - 0.46))), null);
    }

    /// <summary>Half of a loop held upright before the nose or round the head.</summary>
    private Curve Half(bool far)
    {
        var narrow = scene.Thing == SceneThing.NarrowLoop;
        var (middle, high, wide) = narrow ? (0.62, 1.05, 0.16) : (0.55, 1.55, 0.26);
        var side = far ? wide : -wide;
        return Curve.Line(
            Knot(middle, 0.45 - high),
            Knot(middle + side, 0.45 - 0.5 * high),
            Knot(middle + 1.1 * side, 0.45),
            Knot(middle + side, 0.45 + 0.5 * high),
            Knot(middle, 0.45 + high)
        );
    }

    private IEnumerable<EnamelField> Strap()
    {
        if (scene.Thing is not (SceneThing.Muzzle or SceneThing.CupInMuzzle))
            yield break;
        var rim = Knot(0.90, 0.50);
        var (behind, low) = (new Knot(head.X(1.06), 0.42 * head.Top), new Knot(head.X(0.55), 0.34 * h));
        EnamelField Of(params Knot[] along) => Band(0.085, Curve.Line(along), ScenePaint.Leather);
        switch (scene.Strap)
        {
            case SceneStrap.FoldedBack:
                yield return Of(rim, Knot(0.98, 1.00), Knot(0.80, 1.44), Knot(0.50, 1.46));
                break;
            case SceneStrap.Open:
                yield return Of(rim, Knot(1.22, 0.86), Knot(1.20, 1.60), Knot(0.98, 2.10));
                yield return Of(Knot(0.84, -0.02), Knot(1.16, -0.50), Knot(1.42, -0.62));
                break;
            case SceneStrap.OverTheNeck:
                yield return Of(rim, low, new(head.X(0.90), 0.62 * head.Top), new(head.X(1.10), 0.74 * head.Top));
                yield return Of(new(head.X(1.10), 0.74 * head.Top), new(head.X(1.28), 0.30 * head.Top), new(head.X(1.22), 0.5 * h));
                break;
            case SceneStrap.HeldTogether:
                yield return Of(rim, low, behind);
                yield return Of(behind, new(behind.X + 0.22 * xe, behind.Y - 0.34 * h), new(behind.X + 0.44 * xe, behind.Y - 0.42 * h));
                break;
            case SceneStrap.ClosedLoosely:
                yield return Of(rim, new(low.X, low.Y + 0.22 * h), new(behind.X + 0.16 * xe, behind.Y - 0.30 * h));
                yield return Buckle(new(low.X, low.Y + 0.22 * h));
                break;
            default:
                yield return Of(rim, low, behind);
                yield return Buckle(low);
                if (scene.Strap == SceneStrap.Snug)
                    yield return Of(Knot(0.36, -0.17), new(head.X(0.20), 0.78 * head.Top), new(head.X(0.62), 1.02 * head.Top), behind);
                break;
        }
    }

    private EnamelField Buckle(Knot at)
    {
        var half = 0.085 * Math.Max(xe, h);
        return Field(
            Curve.Polygon([new(at.X - half, at.Y - half), new(at.X + half, at.Y - half), new(at.X + half, at.Y + half), new(at.X - half, at.Y + half)]),
            ScenePaint.Steel
        );
    }

    private IEnumerable<EnamelField> Hand(SceneHand hand)
    {
        var behind = new PointMm(head.X(1.10), 0.30 * head.Top);
        return hand switch
        {
            SceneHand.Below when scene.Thing is SceneThing.Loop or SceneThing.NarrowLoop => hands.Grips(On(0.60, scene.Thing == SceneThing.Loop ? 2.0 : 1.5)),
            SceneHand.Below => hands.Grips(On(0.22, scene.Strap == SceneStrap.FoldedBack ? 1.38 : 1.34)),
            SceneHand.BehindTheHead => hands.Rests(new(behind.X + 0.1 * xe, behind.Y + 0.1 * h), -22),
            SceneHand.AtTheCheek => hands.Rests(new(head.X(0.55), 0.75 * h), -8),
            SceneHand.AtTheStrap when scene.Place == ScenePlace.AtTheSide => hands.Grips(On(1.0, 1.35), -20),
            SceneHand.AtTheStrap when scene.Strap == SceneStrap.HeldTogether => hands.Grips(new(behind.X + 0.40 * xe, behind.Y - 0.45 * h), -75),
            SceneHand.AtTheStrap => hands.Rests(new(head.X(0.75), 0.40 * h), -12),
            SceneHand.WithTheClip => [.. Clip(new(head.X(1.02), 1.15 * h)), .. hands.Rests(new(head.X(1.02) + 0.75 * hands.Palm, 1.2 * h), 8)],
            SceneHand.ClosedInFront => hands.Fist(On(-0.34, 0.50)),
            SceneHand.EmptyInFront => hands.Flat(On(-0.42, 0.62), treat: false, -12),
            SceneHand.SideBySide =>
            [
                .. hands.Fist(new(-0.42 * xe, -0.20 * h)),
                .. hands.Fist(new(-0.62 * xe, 0.75 * h)),
                .. hands.Fist(new(-0.42 * xe, 1.70 * h)),
            ],
            _ => [],
        };
    }

    /// <summary>A clip and its other half, apart.</summary>
    private IEnumerable<EnamelField> Clip(PointMm at)
    {
        var s = 0.16 * xe;
        yield return Field(
            Curve.Polygon([new(at.X - 2.4 * s, at.Y - s), new(at.X - 0.9 * s, at.Y - s), new(at.X - 0.9 * s, at.Y + s), new(at.X - 2.4 * s, at.Y + s)]),
            ScenePaint.Steel
        );
        yield return Field(
            Curve.Polygon([
                new(at.X - 0.3 * s, at.Y - 0.6 * s),
                new(at.X + 1.4 * s, at.Y - 0.8 * s),
                new(at.X + 1.4 * s, at.Y + 0.8 * s),
                new(at.X - 0.3 * s, at.Y + 0.6 * s),
            ]),
            ScenePaint.Steel
        );
    }

    private IEnumerable<EnamelField> Treat()
    {
        IEnumerable<EnamelField> At(PointMm at) => MuzzleSketch.Treat(at, 0.15 * h, line);
        var cup = scene.Thing == SceneThing.ShallowCup;
        return scene.Treat switch
        {
            SceneTreat.AtTheMouth => hands.Offers(new(-0.24 * xe, 0.66 * h)),
            SceneTreat.AtTheRim => At(On(0.86, 0.92)),
            SceneTreat.AtItsFloor =>
            [
                Field(Curve.Loop(Knot(-0.13, 0.30), Knot(-0.03, 0.36), Knot(0.01, 0.62), Knot(-0.06, 0.86), Knot(-0.14, 0.66)), "#d7b05f"),
            ],
            SceneTreat.UnderIt => hands.Flat(On(0.10, 2.60), treat: true),
            SceneTreat.ThroughTheSide => hands.Offers(On(0.18, -0.02), 48),
            SceneTreat.ThroughTheFront => hands.Offers(On(cup ? -0.1 : -0.26, 0.52)),
            SceneTreat.OneAfterAnother => [.. hands.Offers(On(-0.26, 0.52)), .. At(On(-0.55, 1.15)), .. At(On(-0.78, 1.32)), .. At(On(-1.00, 1.12))],
            _ => [],
        };
    }
}
