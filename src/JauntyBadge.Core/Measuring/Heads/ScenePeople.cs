namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>People of a scene, from the side, in hundredths of the dog's height about where they stand; anybody (House).</summary>
internal static class ScenePeople
{
    private const double Line = 2.0;
    private const string Trousers = "#4d5f6b";
    private const string Hair = "#5a4030";

    /// <param name="person">What it does.</param>
    /// <param name="size">1 near; smaller across a room.</param>
    /// <param name="ground">Where it stands.</param>
    /// <param name="collar">Where a lead ends; null for none.</param>
    public static IEnumerable<EnamelField> Draw(ScenePerson person, double size, PointMm ground, PointMm? collar = null)
    {
        // One that is behind the dog looks the way it looks; one before it looks at it.
        var turned = person.Behind ? -1 : 1;
        PointMm At(double x, double y) => new(ground.X + turned * size * x, ground.Y + size * y);
        Curve Tube(double width, params (double X, double Y)[] joints) => Strokes.Tube(width * size, [.. joints.Select(j => At(j.X, j.Y))]);
        EnamelField Of(Curve curve, string? fill) => ScenePaint.Field(curve, fill, Line);
        EnamelField Disc(double x, double y, double radius, string fill) => Of(Curve.Disc(At(x, y).X, At(x, y).Y, size * radius), fill);

        var (hip, shoulder, knees, feet, hand) = person.Pose switch
        {
            ScenePose.Sits => ((0.0, -46.0), (-4.0, -98.0), new[] { (34.0, -44.0), (30.0, -42.0) }, new[] { (36.0, -3.0), (24.0, -3.0) }, (34.0, -62.0)),
            ScenePose.Kneels => ((-2, -32), (6, -82), [(26, -30), (8, -4)], [(24, -3), (-26, -4)], (50, -66)),
            ScenePose.Walks => ((0, -78), (3, -138), [(16, -40), (-8, -40)], [(26, -3), (-26, -5)], (26, -92)),
            // A muzzle is held low at the side, never towards the face.
            _ => ((0, -78), (0, -138), [(2, -40), (-2, -40)], [(6, -3), (-4, -3)], person.Holds == SceneHolds.Muzzle ? (9.0, -74.0) : (28, -90)),
        };
        if (person.Pose == ScenePose.Sits)
            yield return Of(Curve.Polygon([At(-20, -40), At(18, -40), At(14, 0), At(-16, 0)]), ScenePaint.Wood);
        yield return Of(Tube(15, hip, knees[1], feet[1]), Trousers);
        yield return Of(Foot(feet[1]), Enamel.DarkLine);
        yield return Of(Tube(16, hip, knees[0], feet[0]), Trousers);
        yield return Of(Foot(feet[0]), Enamel.DarkLine);
        yield return Of(
            Strokes.Tube([
                (At(hip.Item1, hip.Item2 + 6), 30 * size),
                (At(0.5 * (hip.Item1 + shoulder.Item1), 0.5 * (hip.Item2 + shoulder.Item2)), 31 * size),
                (At(shoulder.Item1, shoulder.Item2 + 2), 27 * size),
            ]),
            SceneHands.Sleeve
        );
        yield return Of(Tube(10, (shoulder.Item1, shoulder.Item2 - 2), (shoulder.Item1 + 2, shoulder.Item2 - 14)), SceneHands.Skin);
        var (hx, hy) = (shoulder.Item1 + 4, shoulder.Item2 - 24);
        yield return Disc(hx, hy, 14, SceneHands.Skin);
        yield return Of(
            Curve.Loop([
                .. new[] { (9.0, -10.0), (0.0, -16.0), (-12.0, -12.0), (-17.0, 2.0), (-11.0, 10.0), (-7.0, -1.0), (-2.0, -7.0) }
                    .Select(p => At(hx + p.Item1, hy + p.Item2))
                    .Select(p => new Knot(p.X, p.Y)),
            ]),
            Hair
        );
        foreach (var held in Holds())
            yield return held;
        var elbow = (0.5 * (shoulder.Item1 + hand.Item1) - 6, 0.5 * (shoulder.Item2 + hand.Item2) + 6);
        yield return Of(Tube(11, (shoulder.Item1, shoulder.Item2 + 8), elbow, hand), SceneHands.Sleeve);
        yield return Disc(hand.Item1 + 3, hand.Item2 + 1, 6.5, SceneHands.Skin);

        Curve Foot((double X, double Y) f) =>
            Curve.Loop([
                .. new[] { (-7.0, -4.0), (2.0, -5.0), (13.0, 0.0), (13.0, 4.0), (-7.0, 4.0) }
                    .Select(p => At(f.X + p.Item1, f.Y + p.Item2))
                    .Select(p => new Knot(p.X, p.Y)),
            ]);

        IEnumerable<EnamelField> Holds()
        {
            var at = At(hand.Item1 + 6, hand.Item2 + 2);
            switch (person.Holds)
            {
                case SceneHolds.Muzzle:
                    foreach (var bar in MuzzleSketch.Standing(new PointMm(at.X, at.Y + 14 * size), 30 * size, 28 * size, Line))
                        yield return bar;
                    break;
                case SceneHolds.Treat:
                    foreach (var treat in MuzzleSketch.Treat(new PointMm(at.X + turned * 6 * size, at.Y - 4 * size), 6 * size, Line))
                        yield return treat;
                    break;
                case SceneHolds.Clippers:
                    yield return Of(Strokes.Tube(12 * size, at, At(hand.Item1 + 24, hand.Item2 - 6)), ScenePaint.Steel);
                    foreach (var ring in new[] { 30.0, 36 })
                        yield return Of(
                            Curve.Line([
                                .. new[] { -9.0, 0, 9 }
                                    .Select(y => At(hand.Item1 + ring - Math.Abs(y) / 3, hand.Item2 - 8 + y))
                                    .Select(p => new Knot(p.X, p.Y)),
                            ]),
                            null
                        );
                    break;
                case SceneHolds.Lead when collar is { } end:
                    yield return Of(
                        Strokes.Band(4, Curve.Line(new Knot(at.X, at.Y), new Knot(0.5 * (at.X + end.X), Math.Max(at.Y, end.Y) + 10), new Knot(end.X, end.Y))),
                        ScenePaint.Leather
                    );
                    break;
            }
        }
    }
}
