namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>A whole dog in a step, who is with it and what stands round it; in hundredths of its height at the withers, the ground at 0 (House).</summary>
internal sealed class WholeScene
{
    private const double Line = 2.0;
    private const string Green = "#6f8f5a";
    private const string Cloth = "#8a9bb0";
    private const string Water = "#6fa0b5";
    private const string Card = "#cfa86b";
    private const string Brick = "#b5533c";
    private const string Pale = "#e6dcc4";
    private const string Food = "#9a6a3a";

    private readonly Scene scene;
    private readonly Stand stand;

    private WholeScene(Scene scene, Stand stand) => (this.scene, this.stand) = (scene, stand);

    public static DrawnView Draw(SideHead head, PointMm hinge, Scene scene, Mien mien)
    {
        var drawn = new WholeScene(scene, scene.Stand!);
        var dog = DogFigure.Draw(head, hinge, new Shown(mien, scene.Stand, scene.Worn ? Beside.Worn : Beside.Nothing));
        var around = scene.Around ?? [];
        return dog with
        {
            Fields =
            [
                .. around.SelectMany(drawn.Behind),
                .. scene.Person is { Far: true } far ? ScenePeople.Draw(far, 0.66, new(far.Behind ? 205 : -205, -10)) : [],
                .. scene.Person is { Far: false, Behind: true, Pose: not ScenePose.Kneels } walks ? drawn.Near(walks) : [],
                .. dog.Fields,
                .. around.SelectMany(drawn.Before),
                .. scene.Stand!.OnSide ? Held() : [],
                .. scene.Person is { Far: false } near && !(near.Behind && near.Pose != ScenePose.Kneels) ? drawn.Near(near) : [],
            ],
        };
    }

    /// <summary>Hands that rest on a dog on its side, at neck and hip.</summary>
    private static IEnumerable<EnamelField> Held()
    {
        var hands = new SceneHands(24, Line);
        return [.. hands.Rests(new PointMm(20, -98), -90), .. hands.Rests(new PointMm(80, -96), -90)];
    }

    private IEnumerable<EnamelField> Near(ScenePerson person)
    {
        var at = person switch
        {
            { Pose: ScenePose.Kneels, Behind: true } => new PointMm(152, 2),
            { Behind: true } => new PointMm(132, -4),
            { Pose: ScenePose.Kneels } => new PointMm(-158, 2),
            { Holds: SceneHolds.Treat or SceneHolds.Clippers } => new PointMm(-138, 0),
            _ => new PointMm(-176, 0),
        };
        return ScenePeople.Draw(person, 1, at, person.Holds == SceneHolds.Lead ? Collar : null);
    }

    private PointMm Collar => new(-6 + 13 * stand.Lean, -92 + 46 * stand.Fore);

    private static EnamelField Field(Curve curve, string? fill) => ScenePaint.Field(curve, fill, Line);

    private static EnamelField Box(double left, double top, double right, double bottom, string fill) =>
        Field(Curve.Polygon([new(left, top), new(right, top), new(right, bottom), new(left, bottom)]), fill);

    private static EnamelField Shape(string fill, params (double X, double Y)[] corners) =>
        Field(Curve.Polygon([.. corners.Select(c => new PointMm(c.X, c.Y))]), fill);

    private static EnamelField Round(string fill, params (double X, double Y)[] knots) => Field(Curve.Loop([.. knots.Select(k => new Knot(k.X, k.Y))]), fill);

    private static EnamelField Disc(double x, double y, double radius, string fill) => Field(Curve.Disc(x, y, radius), fill);

    private static IEnumerable<EnamelField> Muzzle(double x, double y) => MuzzleSketch.Standing(new PointMm(x, y), 30, 30, Line);

    private IEnumerable<EnamelField> Behind(SceneAround thing) =>
        thing switch
        {
            SceneAround.Mat => [Round(Cloth, (-62, 2), (30, -5), (122, 2), (128, 7), (30, 12), (-68, 7))],
            SceneAround.Blanket =>
            [
                Round(Cloth, (-112, -150), (20, -154), (150, -150), (156, -70), (150, 14), (20, 18), (-112, 14), (-118, -70)),
                Field(Curve.Line(new Knot(-104, -142), new Knot(20, -146), new Knot(142, -142)), null),
                Field(Curve.Line(new Knot(-104, 6), new Knot(20, 10), new Knot(142, 6)), null),
            ],
            SceneAround.MuzzleOnShelf =>
            [
                Box(-178, -104, -108, -98, ScenePaint.Wood),
                Shape(ScenePaint.Wood, (-170, -98), (-164, -98), (-164, -82)),
                Shape(ScenePaint.Wood, (-116, -98), (-122, -98), (-122, -82)),
                .. Muzzle(-144, -120),
            ],
            SceneAround.MuzzleOnChair =>
            [
                Box(-160, -52, -102, -46, ScenePaint.Wood),
                Box(-156, -46, -150, 0, ScenePaint.Wood),
                Box(-112, -46, -106, 0, ScenePaint.Wood),
                Box(-160, -112, -154, -52, ScenePaint.Wood),
                .. Muzzle(-126, -68),
            ],
            SceneAround.Bush =>
            [
                Round(Green, (120, 2), (112, -30), (128, -52), (150, -58), (168, -46), (182, -22), (178, 2)),
                Disc(138, -30, 4, Brick),
                Disc(160, -36, 4, Brick),
                Disc(150, -16, 4, Brick),
            ],
            SceneAround.Trees => [.. Tree(150, 1), .. Tree(-104, 0.8)],
            SceneAround.Hills => [Round(Green, (-150, 2), (-96, -44), (-40, -18), (40, -60), (120, -20), (190, 2))],
            SceneAround.Door =>
            [
                Box(-196, -158, -118, 2, ScenePaint.Wood),
                Box(-186, -146, -128, -86, Pale),
                Box(-186, -74, -128, -10, Pale),
                Disc(-126, -78, 3.5, Brick),
            ],
            SceneAround.Car =>
            [
                Round(Cloth, (-140, -14), (-136, -66), (-86, -74), (-46, -138), (60, -146), (126, -128), (150, -70), (152, -14)),
                Round(Pale, (-72, -74), (-38, -124), (54, -132), (112, -118), (126, -74), (40, -70)),
            ],
            SceneAround.Table => [Box(-72, 1, 132, 9, ScenePaint.Wood), Box(-62, 9, -54, 62, ScenePaint.Wood), Box(114, 9, 122, 62, ScenePaint.Wood)],
            SceneAround.Deck =>
            [
                Box(-150, -66, 170, -60, Pale),
                Box(-130, -60, -125, 0, Pale),
                Box(140, -60, 145, 0, Pale),
                Box(8, -60, 13, 0, Pale),
                Box(-150, 0, 170, 8, ScenePaint.Wood),
                Waves(16),
                Waves(28),
            ],
            SceneAround.OtherDog =>
            [
                Round(
                    Food,
                    (-214, -22),
                    (-206, -40),
                    (-196, -44),
                    (-190, -36),
                    (-158, -38),
                    (-150, -48),
                    (-146, -44),
                    (-152, -30),
                    (-154, -4),
                    (-162, -4),
                    (-162, -18),
                    (-184, -18),
                    (-184, -4),
                    (-192, -4),
                    (-194, -22),
                    (-206, -24)
                ),
            ],
            SceneAround.TreatBehind => [Disc(150, -7, 7, Food)],
            _ => [],
        };

    private IEnumerable<EnamelField> Before(SceneAround thing) =>
        thing switch
        {
            SceneAround.Bowl => [Round(Water, (-118, -14), (-98, -18), (-78, -14), (-98, -10)), Shape(Pale, (-120, -14), (-76, -14), (-82, 0), (-114, 0))],
            SceneAround.OddThings =>
            [
                Shape(Brick, (-112, 0), (-102, -40), (-96, -40), (-86, 0)),
                Shape(Cloth, (-160, -26), (-128, -26), (-132, 0), (-156, 0)),
                Disc(140, -14, 14, Green),
            ],
            SceneAround.Cup => [Shape(Pale, (-66, -24), (-112, -20), (-112, -4), (-66, 0))],
            SceneAround.BoxWithMuzzle =>
            [
                Shape(Card, (-124, -32), (-138, -44), (-116, -34)),
                .. Muzzle(-88, -26),
                Disc(-112, -24, 6, Food),
                Shape(Card, (-126, -30), (-58, -30), (-62, 0), (-122, 0)),
                Shape(Card, (-58, -30), (-44, -42), (-62, -30)),
            ],
            SceneAround.TrayWithMuzzle =>
            [
                .. Muzzle(-96, -18),
                Disc(-70, -10, 6, Food),
                Disc(-120, -10, 6, Food),
                Shape(Cloth, (-134, -10), (-54, -10), (-60, 0), (-128, 0)),
            ],
            SceneAround.OtherMuzzle =>
            [
                Round(Brick, (-112, -26), (-86, -30), (-80, -15), (-86, -1), (-112, -4), (-120, -15)),
                Disc(-104, -20, 2.6, Pale),
                Disc(-104, -9, 2.6, Pale),
                Disc(-94, -15, 2.6, Pale),
            ],
            SceneAround.FoodOnGround => [Disc(-104, -4, 5, Food), Disc(-92, -3, 4, Food), Disc(-118, -3, 4, Food)],
            SceneAround.Ball => [Disc(-108, -12, 12, Brick)],
            SceneAround.Car =>
            [
                Round(Cloth, (-140, -14), (-120, -66), (0, -62), (150, -66), (152, -14), (120, -6), (-110, -6)),
                Disc(-86, -8, 22, "#2b2f30"),
                Disc(-86, -8, 9, Pale),
                Disc(98, -8, 22, "#2b2f30"),
                Disc(98, -8, 9, Pale),
            ],
            _ => [],
        };

    private static IEnumerable<EnamelField> Tree(double x, double size) =>
        [
            Box(x - 6 * size, -60 * size, x + 6 * size, 0, ScenePaint.Wood),
            Round(
                Green,
                (x - 34 * size, -74 * size),
                (x - 26 * size, -112 * size),
                (x, -132 * size),
                (x + 26 * size, -112 * size),
                (x + 34 * size, -74 * size),
                (x, -56 * size)
            ),
        ];

    private static EnamelField Waves(double y) =>
        Field(Strokes.Band(5, Curve.Line([.. Enumerable.Range(0, 11).Select(i => new Knot(-150 + 32 * i, y + (i % 2 == 0 ? 3 : -3)))])), Water);
}
