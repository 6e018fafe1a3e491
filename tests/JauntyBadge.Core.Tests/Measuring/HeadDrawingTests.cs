using System.Text.Json;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Heads;
using UnitsNet;

namespace JauntyBadge.Core.Tests.Measuring;

/// <summary>A drawn head shows what the numbers say: every landmark and the border the jaw is judged by lie on its lines, whatever the dog looks like.</summary>
public sealed class HeadDrawingTests
{
    private const double Off = 0.5;

    [Fact]
    public void Every_landmark_lies_on_the_drawn_lines()
    {
        foreach (var (snout, look) in Heads(400))
        {
            var drawing = HeadDrawing.Of(snout, look);
            foreach (var mark in drawing.Marks.Where(m => m.View == DrawingView.Side))
            {
                foreach (var landmark in mark.Landmarks.Where(l => l.Name != "over the ears"))
                {
                    var lines =
                        landmark.Name == "inner eye" ? [Of(drawing.Side, EnamelPart.Lid)] : new[] { drawing.Side.Contour, Of(drawing.Side, EnamelPart.Jaw) };
                    Assert.True(lines.Min(l => Away(l, landmark.At)) <= Off, $"{landmark.Name} {Away(lines[0], landmark.At):0.00} mm off, {look}");
                }
            }

            foreach (var landmark in drawing.Marks.Where(m => m.View == DrawingView.Top).SelectMany(m => m.Landmarks))
            {
                var line = landmark.Name switch
                {
                    "cheek bone" or "lips and jowls" or "nose tip" => drawing.Above.Contour,
                    "inner eye" => drawing.Above.Fields.Where(f => f.Part == EnamelPart.Lid).MinBy(f => Away(f.Curve, landmark.At))!.Curve,
                    _ => null,
                };
                Assert.True(line is null || Away(line, landmark.At) <= Off, $"{landmark.Name} from above, {look}");
            }

            foreach (var landmark in drawing.Marks.Where(m => m.View == DrawingView.Front).SelectMany(m => m.Landmarks))
            {
                var line = landmark.Name switch
                {
                    "cheek bone" => drawing.FromTheFront.Contour,
                    "bridge" or "underside" or "lips and jowls" => drawing.FromTheFront.Fields.Last(f => f.Part == EnamelPart.Muzzle).Curve,
                    "inner eye" => drawing.FromTheFront.Fields.Where(f => f.Part == EnamelPart.Lid).MinBy(f => Away(f.Curve, landmark.At))!.Curve,
                    _ => null,
                };
                Assert.True(line is null || Away(line, landmark.At) <= Off, $"{landmark.Name} from the front, {look}");
            }
        }
    }

    /// <summary>Room under the chin is read off the drawing too: the jaw is drawn where the model has it, neither above it nor below.</summary>
    [Fact]
    public void The_jaw_is_drawn_along_the_border_it_is_judged_by()
    {
        foreach (var (snout, look) in Heads(400))
        {
            var jaw = Of(HeadDrawing.Of(snout, look).Side, EnamelPart.Jaw);
            var border = snout.LowerBorder;
            foreach (var point in Along(border))
                Assert.True(Away(jaw, point) <= Off, $"{Away(jaw, point):0.00} mm off at {point.X:0} of {snout.Hinge.Mm:0}, {look}");
            foreach (var point in jaw.Points().Where(p => p.X > border[0].X))
                Assert.True(point.Y <= Under(border, point.X) + Off, $"{point.Y - Under(border, point.X):0.00} mm too deep, {look}");
        }
    }

    /// <summary>Names are read, and the eye is seen: over every measure, view and dog.</summary>
    [Fact]
    public void Names_cover_neither_an_eye_nor_each_other()
    {
        foreach (var (snout, look) in Heads(150))
        {
            var drawing = HeadDrawing.Of(snout, look);
            foreach (var mark in drawing.Marks)
            {
                var height = drawing.LabelHeight(mark.View);
                var names = mark.Landmarks.Select(l => (l.Name, Box: Box(l.Label, l.Name.Length, height))).ToList();
                foreach (var (name, box) in names)
                {
                    foreach (var eye in drawing.In(mark.View).Fields.Where(f => f.Part == EnamelPart.Iris))
                        Assert.DoesNotContain(eye.Curve.Points(), p => p.X > box.Left && p.X < box.Right && p.Y > box.Top && p.Y < box.Bottom);
                    Assert.All(
                        names.Where(o => o.Name != name),
                        o =>
                            Assert.False(
                                o.Box.Left < box.Right && box.Left < o.Box.Right && o.Box.Top < box.Bottom && box.Top < o.Box.Bottom,
                                $"{mark.Measure} {mark.View}: {name} and {o.Name}"
                            )
                    );
                }
            }
        }
    }

    /// <summary>Where a text of this many letters stands, worked out anew from how it is drawn: half its height a letter at least.</summary>
    private static (double Left, double Top, double Right, double Bottom) Box(LabelPlace label, int letters, double height)
    {
        var wide = 0.5 * height * letters;
        var left =
            label.Anchor == LabelAnchor.Start ? label.At.X
            : label.Anchor == LabelAnchor.End ? label.At.X - wide
            : label.At.X - wide / 2;
        return (left, label.At.Y - 0.75 * height, left + wide, label.At.Y + 0.2 * height);
    }

    /// <summary>Published: WCAG 2.2 asks 3 : 1 of what has to be told apart. The line stands on the coat, whichever scheme is behind it.</summary>
    [Fact]
    public void The_line_is_seen_on_every_coat()
    {
        foreach (var coat in CoatColour.All.Select(c => c.Hex).Append(CoatColour.UnknownHex))
            Assert.True(Enamel.Contrast(coat, Enamel.LineOn(coat)) >= 3, $"{coat} {Enamel.Contrast(coat, Enamel.LineOn(coat)):0.00}");
        Assert.Equal(Enamel.Brass, Enamel.LineOn("#2e2c2b"));
        Assert.Equal(Enamel.DarkLine, Enamel.LineOn("#efeae0"));
        Assert.Equal(21, Enamel.Contrast("#000000", "#ffffff"), 6);
        // Half way down in lightness, hue and saturation kept; checked against the usual formulas by hand: hsl(0, 50 %, 60 %) to 30 %.
        Assert.Equal("#732626", Enamel.Tone("#cc6666", 0.5));
    }

    /// <summary>A round of sixty dogs carries sixty of them.</summary>
    [Fact]
    public void Every_breed_has_a_portrait_of_less_than_three_kilobytes()
    {
        foreach (var breed in Breed.Shipped)
        {
            var portrait = HeadDrawing.Portrait(Usual(breed), new LookSeen().With([breed]));
            var bytes = JsonSerializer.SerializeToUtf8Bytes(portrait, JsonSerializerOptions.Web).Length;
            Assert.True(bytes < 3000, $"{breed.Id}: {bytes}");
            Assert.InRange(Math.Max(portrait.Width, portrait.Height), HeadPortrait.Size - 1, HeadPortrait.Size + 1);
        }
    }

    [Fact]
    public void What_was_seen_of_a_dog_comes_before_its_breeds_and_a_cross_takes_from_both()
    {
        Breed Called(string id) => BreedList.Shipped.Find(id)!;
        var shepherd = new LookSeen().With([Called("german-shepherd-dog")]);
        Assert.Equal((Ears.Pricked, CoatPattern.Mask), (shepherd.Ears, shepherd.Pattern));
        var cross = new LookSeen("sable").With([Called("labrador-retriever"), Called("poodle-standard")]);
        Assert.Equal((Ears.Drop, Fur.Curly), (cross.Ears, cross.Fur));
        Assert.Equal(0.2, cross.Lips, 6);
        Assert.Equal(CoatPattern.TanPoints, new LookSeen("black-tan").With([]).Pattern);
        // A dalmatian that is all liver has no black spots on it.
        Assert.Equal(CoatPattern.Plain, new LookSeen("liver").With([Called("dalmatian")]).Pattern);
        Assert.Equal(Ears.Rose, new LookSeen(Ears: Ears.Rose).With([Called("german-shepherd-dog")]).Ears);
        Assert.Equal(CoatColour.UnknownHex, new LookSeen().With([]).CoatHex);
        // A practice's correction of a breed's shape keeps the look.
        var own = new BreedList([new Breed("akita", "Akita", HeadShape.Long, [], 18)]);
        Assert.Equal(Ears.Pricked, own.Find("akita")!.Look!.Ears);
    }

    [Fact]
    public void A_curve_goes_through_every_knot_and_turns_at_corners()
    {
        var curve = Curve.Loop(new Knot(0, 0), new Knot(10, 0, true), new Knot(10, 10), new Knot(0, 10));
        foreach (var knot in new PointMm[] { new(0, 0), new(10, 0), new(10, 10), new(0, 10) })
            Assert.Equal(0, Away(curve, knot), 9);
        // Straight knots make a straight line, however far apart they are.
        var line = Curve.Line(new Knot(0, 0), new Knot(1, 1), new Knot(9, 9), new Knot(10, 10));
        Assert.All(line.Points(), p => Assert.Equal(p.X, p.Y, 9));
        Assert.Equal("M0 0c3 0 7 0 10 0", Curve.Line(new Knot(0, 0), new Knot(10, 0)).Path(p => ((int)Math.Round(p.X), (int)Math.Round(p.Y))));
    }

    private static SnoutModel Usual(Breed breed) =>
        HeadDrawing.ModelToDraw(new SnoutNumbers { HeadShape = breed.Shape }, Mass.FromKilograms(breed.Traits.Contains(BreedTrait.Toy) ? 4 : 25));

    /// <summary>Heads of every size, shape and look.</summary>
    private static IEnumerable<(SnoutModel Snout, HeadLook Look)> Heads(int count)
    {
        var random = new Random(11);
        double Between(double low, double high) => low + (high - low) * random.NextDouble();
        T Any<T>()
            where T : struct, Enum => Enum.GetValues<T>()[random.Next(Enum.GetValues<T>().Length)];
        for (var i = 0; i < count; i++)
        {
            var (eye, shape) = (Between(22, 135), Any<HeadShape>());
            var high = eye * (shape == HeadShape.Short ? Between(0.9, 1.6) : Between(0.5, 0.95));
            var numbers = new SnoutNumbers
            {
                HeadShape = shape,
                NoseToInnerEyeLeft = Length.FromMillimeters(eye),
                SnoutHeight = Length.FromMillimeters(high),
                SnoutWidth = Length.FromMillimeters(high * Between(0.8, 1.1)),
                JawToNose = random.Next(2) == 0 ? null : Length.FromMillimeters(eye * Between(1.4, 1.8)),
                NeckGirth = random.Next(3) == 0 ? null : Length.FromMillimeters(high * Between(4, 6.5)),
                InnerEyeSpacing = Length.FromMillimeters(Between(0.36, 0.7) * eye),
            };
            if (random.Next(2) == 0)
                numbers = numbers
                    .With(new(Measure.StopToNose), Length.FromMillimeters(eye * Between(0.92, 1.06)))
                    .With(new(Measure.SkullWidth), Length.FromMillimeters(eye * Between(1, 2)));
            if (random.Next(2) == 0)
                numbers = numbers.With(new(Measure.NoseToOcciput), Length.FromMillimeters(eye * Between(1.9, 2.7)));
            var coat = CoatColour.All[random.Next(CoatColour.All.Count)].Hex;
            yield return (
                SnoutModel.From(numbers),
                new HeadLook(Any<Ears>(), random.NextDouble(), Any<Fur>(), Any<CoatPattern>(), Any<Bridge>(), random.Next(2) == 0, random.NextDouble(), coat)
            );
        }
    }

    private static Curve Of(DrawnView view, EnamelPart part) => view.Fields.First(f => f.Part == part).Curve;

    private static IEnumerable<PointMm> Along(IReadOnlyList<PointMm> line) =>
        line.Zip(line.Skip(1))
            .SelectMany(s =>
                Enumerable.Range(0, 21).Select(i => new PointMm(s.First.X + (s.Second.X - s.First.X) * i / 20, s.First.Y + (s.Second.Y - s.First.Y) * i / 20))
            );

    private static double Under(IReadOnlyList<PointMm> border, double x)
    {
        var (a, b) = border.Zip(border.Skip(1)).FirstOrDefault(s => x <= s.Second.X);
        return b == default ? border[^1].Y : a.Y + (b.Y - a.Y) * (x - a.X) / (b.X - a.X);
    }

    private static double Away(Curve curve, PointMm point)
    {
        var points = curve.Points();
        return points.Zip(points.Skip(1)).Min(s => FromSegment(point, s.First, s.Second));
    }

    private static double FromSegment(PointMm p, PointMm a, PointMm b)
    {
        var (dx, dy) = (b.X - a.X, b.Y - a.Y);
        var long2 = dx * dx + dy * dy;
        var t = long2 < 1e-12 ? 0 : Math.Clamp(((p.X - a.X) * dx + (p.Y - a.Y) * dy) / long2, 0, 1);
        return Math.Sqrt(Math.Pow(p.X - a.X - t * dx, 2) + Math.Pow(p.Y - a.Y - t * dy, 2));
    }

    [Fact]
    public void A_tape_goes_round_what_it_is_laid_round()
    {
        foreach (var shape in Enum.GetValues<HeadShape>())
        {
            var snout = HeadDrawing.ModelToDraw(new SnoutNumbers { HeadShape = shape }, null);
            var marks = HeadDrawing
                .Of(snout, new HeadLook(Ears.Drop, 0.3, Fur.Smooth, CoatPattern.Plain))
                .Marks.Where(m => m.View == DrawingView.Side)
                .ToList();
            Assert.Equal(
                [Measure.HeadGirth, Measure.NeckGirth, Measure.SnoutGirth],
                marks.Where(m => m.Behind.Count > 0).Select(m => m.Measure).OrderBy(m => m.ToString(), StringComparer.Ordinal)
            );
            foreach (var girth in marks.Where(m => m.Behind.Count > 0))
            {
                var (near, far) = (Assert.Single(girth.Paths), Assert.Single(girth.Behind));
                Assert.Equal((near[0], near[^1]), (far[^1], far[0]));
                // The half that is seen lies towards the nose.
                Assert.True(near.Average(p => p.X) < far.Average(p => p.X));
            }

            // The snout's tape stands on the fit line, from the bridge to the underside.
            var snoutTape = marks.Single(m => m.Measure == Measure.SnoutGirth).Paths[0];
            Assert.Equal((snout.FitLine.Mm, snout.Height.Mm), (snoutTape[0].X, snoutTape[0].Y));
            Assert.Equal((snout.FitLine.Mm, 0), (snoutTape[^1].X, snoutTape[^1].Y));
        }
    }
}
