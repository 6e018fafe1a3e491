using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Heads;
using JauntyBadge.Core.Wearing;

namespace JauntyBadge.Core.Tests.Caseload;

/// <summary>A dog as it shows each sign: all there, told apart, and small. That they are read for what they are was looked at.</summary>
public class SignPictureTests
{
    private static SnoutModel Snout(HeadShape shape) => HeadDrawing.ModelToDraw(new SnoutNumbers { HeadShape = shape }, null);

    private static IReadOnlyList<SignPicture> Of(HeadShape shape, HeadLook look) => SignPicture.All(Snout(shape), look);

    private static string Drawn(HeadPortrait picture) => picture.Contour + string.Join(' ', picture.Fields.Select(f => $"{f.D}{f.Fill}{f.Inside}"));

    public static TheoryData<HeadShape, Ears, Fur> Heads =>
        new(
            from shape in Enum.GetValues<HeadShape>()
            from ears in Enum.GetValues<Ears>()
            from fur in new[] { Fur.Smooth, Fur.Shaggy }
            select (shape, ears, fur)
        );

    [Theory, MemberData(nameof(Heads))]
    public void Every_sign_of_either_list_has_a_picture_of_its_own(HeadShape shape, Ears ears, Fur fur)
    {
        var pictures = Of(shape, new HeadLook(ears, Fur: fur));
        Assert.Equal([.. Sign.All.Select(s => s.Id), .. WornSign.All.Select(s => s.Id)], pictures.Select(p => p.SignId));
        // What is the same is one picture for two signs, which nobody could tell apart.
        var drawn = pictures.Select(p => Drawn(p.Picture)).ToList();
        Assert.Equal(drawn.Count, drawn.Distinct().Count());
        Assert.All(
            pictures,
            p =>
            {
                Assert.InRange(Math.Max(p.Picture.Width, p.Picture.Height), HeadPortrait.TraySize - 1, HeadPortrait.TraySize + 1);
                // Neither a thread nor a point: it is seen in a box of 60 by 46.
                Assert.InRange(Math.Min(p.Picture.Width, p.Picture.Height), HeadPortrait.TraySize / 4, HeadPortrait.TraySize);
                Assert.InRange(p.Picture.Fields.Count, 6, 90);
            }
        );
    }

    [Fact]
    public void A_dog_that_shows_nothing_is_drawn_as_it_is_measured()
    {
        var snout = Snout(HeadShape.Medium);
        var plain = HeadDrawing.Of(snout, HeadLook.Plain).Side;
        var shown = HeadPortrait.Showing(snout, HeadLook.Plain, new Shown(Mien.Plain), HeadPortrait.Size);
        Assert.Equal(HeadPortrait.Of(plain).Contour, shown.Contour);
    }

    /// <summary>An eye is drawn larger in a picture that is read: iris and lids both, also of a dog that shows nothing yet.</summary>
    [Fact]
    public void A_dog_at_rest_has_the_eye_of_one_that_shows_a_little()
    {
        HeadPortrait Of(double looks) => HeadPortrait.Showing(Snout(HeadShape.Long), HeadLook.Plain, new Shown(new Mien(Looks: looks)), HeadPortrait.LargeSize);
        Assert.Equal(Drawn(Of(1e-9)), Drawn(Of(0)));
    }

    [Fact]
    public void A_mouth_opens_about_the_hinge()
    {
        var snout = Snout(HeadShape.Long);
        var closed = HeadDrawing.Of(snout).Side;
        var open = closed.Opened(snout.HingePoint, 20);
        foreach (var (a, b) in closed.Fields.Zip(open.Fields))
        {
            Assert.Equal(a.Turns, a.Curve.Path() != b.Curve.Path());
            if (!a.Turns)
                continue;
            foreach (var (p, q) in a.Curve.Points().Zip(b.Curve.Points()))
                Assert.Equal(Far(p, snout.HingePoint), Far(q, snout.HingePoint), 6);
        }

        // The chin goes down, not up.
        var chin = closed.Fields.Zip(open.Fields).First(f => f.First.Part == EnamelPart.Jaw);
        Assert.True(chin.Second.Curve.Points().Max(p => p.Y) > chin.First.Curve.Points().Max(p => p.Y) + 10);
    }

    private static double Far(PointMm a, PointMm b) => Math.Sqrt((a.X - b.X) * (a.X - b.X) + (a.Y - b.Y) * (a.Y - b.Y));

    /// <summary>What is trained is to read the dog: it shows a sign of the group it is in, another at another go, and no two dogs look alike.</summary>
    [Fact]
    public void A_dog_that_is_practised_with_shows_what_it_is()
    {
        var (seen, looks) = (new HashSet<string>(), new HashSet<string>());
        for (var seed = 0; seed < 60; seed++)
        {
            var none = Practice.Play(Temperament.Wary, Step.Find("hold-short")!, [], new Random(seed), HouseRules.Ours);
            Assert.Null(PracticeDog.Shows(none, seed, 0));
            looks.Add(Drawn(PracticeDog.Seen(null, seed, BreedList.Shipped.All)));
            for (var goes = 1; goes < 18; goes++)
            {
                var played = Practice.Play(
                    Temperament.Wary,
                    Step.Find("hold-short")!,
                    [.. Enumerable.Range(1, goes).Select(i => i % 3 == 0 ? PracticeMove.Harder : PracticeMove.Go)],
                    new Random(seed),
                    HouseRules.Ours
                );
                if (PracticeDog.Shows(played, seed, goes) is not { } sign)
                    continue;
                Assert.Equal(played.LastSign, sign.Group);
                seen.Add(sign.Id);
            }
        }

        Assert.True(looks.Count > 30, $"{looks.Count} heads of 60 dogs");
        Assert.True(seen.Count > 16, $"{seen.Count} signs seen");
        // Where no breed is known there is a dog still.
        Assert.NotEmpty(PracticeDog.Seen(Sign.Find("yawns"), int.MinValue, []).Fields);
    }
}
