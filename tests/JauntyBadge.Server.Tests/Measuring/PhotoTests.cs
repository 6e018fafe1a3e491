using System.Net;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Photos;
using JauntyBadge.Data.Demo;
using SkiaSharp;
using UnitsNet;

namespace JauntyBadge.Server.Tests.Measuring;

/// <summary>Pictures: taken in safely, marked, measured, taken over; and the shipped ones give the truth within their stated doubt.</summary>
public sealed class PhotoTests(PracticeServer server) : IClassFixture<PracticeServer>
{
    private async Task<Answer> UploadAsync(string dog, byte[] bytes, string view = "side", string type = "image/jpeg")
    {
        using var form = new MultipartFormDataContent();
        var file = new ByteArrayContent(bytes);
        file.Headers.ContentType = new MediaTypeHeaderValue(type);
        form.Add(file, "file", "picture");
        form.Add(new StringContent(view), "view");
        using var response = await server.Http.PostAsync(new Uri($"{dog}/photos", UriKind.Relative), form);
        var text = await response.Content.ReadAsStringAsync();
        return new Answer(
            response.StatusCode,
            text.StartsWith('{') ? JsonNode.Parse(text)! : new JsonObject(),
            response.Content.Headers.ContentType?.MediaType
        );
    }

    private async Task<byte[]> PictureAsync(string dog, Answer photo) =>
        await server.Http.GetByteArrayAsync(new Uri($"{dog}/photos/{photo["id"]}/picture", UriKind.Relative));

    /// <summary>A white picture with a red left half, so that turning shows.</summary>
    private static byte[] Picture(int width, int height, SKEncodedImageFormat format)
    {
        using var surface = SKSurface.Create(new SKImageInfo(width, height));
        surface.Canvas.Clear(SKColors.White);
        using var red = new SKPaint { Color = SKColors.Red };
        surface.Canvas.DrawRect(0, 0, width / 2f, height, red);
        using var image = surface.Snapshot();
        using var data = image.Encode(format, 90);
        return data.ToArray();
    }

    /// <summary>Puts an Exif block with an orientation and a GPS latitude into a JPEG, as a camera does (JEITA CP-3451).</summary>
    private static byte[] WithExif(byte[] jpeg, ushort orientation)
    {
        using var tiff = new MemoryStream();
        using var w = new BinaryWriter(tiff);
        w.Write("II*\0"u8);
        w.Write(8u);
        w.Write((ushort)2);
        (ushort Tag, ushort Type, uint Count, uint Value)[] main = [(0x0112, 3, 1, orientation), (0x8825, 4, 1, 38)];
        foreach (var (tag, type, count, value) in main)
        {
            w.Write(tag);
            w.Write(type);
            w.Write(count);
            w.Write(value);
        }

        w.Write(0u);
        w.Write((ushort)2);
        (ushort Tag, ushort Type, uint Count, uint Value)[] gps = [(1, 2, 2, 'N'), (2, 5, 3, 68)];
        foreach (var (tag, type, count, value) in gps)
        {
            w.Write(tag);
            w.Write(type);
            w.Write(count);
            w.Write(value);
        }

        w.Write(0u);
        foreach (var part in new uint[] { 54, 1, 31, 1, 7, 1 })
            w.Write(part);
        w.Write("WENDVALLEY"u8);
        var body = Encoding.ASCII.GetBytes("Exif\0\0").Concat(tiff.ToArray()).ToArray();
        byte[] head = [0xFF, 0xD8, 0xFF, 0xE1, (byte)((body.Length + 2) >> 8), (byte)((body.Length + 2) & 0xFF)];
        return [.. head, .. body, .. jpeg.Skip(2)];
    }

    [Theory]
    [InlineData(SKEncodedImageFormat.Jpeg)]
    [InlineData(SKEncodedImageFormat.Png)]
    [InlineData(SKEncodedImageFormat.Webp)]
    public async Task Jpeg_png_and_webp_are_taken_in(SKEncodedImageFormat format)
    {
        var dog = await server.NewDogAsync();
        var photo = await UploadAsync(dog, Picture(640, 480, format), type: "application/octet-stream");
        Assert.Equal(HttpStatusCode.OK, photo.Status);
        Assert.Equal((640, 480), (photo.Number("width"), photo.Number("height")));
        using var stored = SKBitmap.Decode(await PictureAsync(dog, photo));
        Assert.Equal((640, 480), (stored.Width, stored.Height));
        Assert.True(stored.GetPixel(100, 240).Green < 60 && stored.GetPixel(540, 240).Green > 200);
    }

    /// <summary>Where the red half of the stored order of pixels comes to lie when the picture is upright, for each orientation of Exif.</summary>
    [Theory]
    [InlineData(1, "left")]
    [InlineData(2, "right")]
    [InlineData(3, "right")]
    [InlineData(4, "left")]
    [InlineData(5, "top")]
    [InlineData(6, "top")]
    [InlineData(7, "bottom")]
    [InlineData(8, "bottom")]
    public async Task Orientation_is_honoured_and_place_and_orientation_are_not_kept(ushort orientation, string red)
    {
        var dog = await server.NewDogAsync();
        var sent = WithExif(Picture(640, 480, SKEncodedImageFormat.Jpeg), orientation);
        Assert.Contains("WENDVALLEY", Encoding.Latin1.GetString(sent), StringComparison.Ordinal);
        var photo = await UploadAsync(dog, sent);
        var bytes = await PictureAsync(dog, photo);
        using var stored = SKBitmap.Decode(bytes);
        Assert.Equal(orientation >= 5 ? (480, 640) : (640, 480), (stored.Width, stored.Height));
        bool IsRed(double x, double y) => stored.GetPixel((int)(x * stored.Width), (int)(y * stored.Height)).Green < 100;
        Assert.Equal(
            red switch
            {
                "left" => (true, false, true, false),
                "right" => (false, true, false, true),
                "top" => (true, true, false, false),
                _ => (false, false, true, true),
            },
            (IsRed(0.1, 0.1), IsRed(0.9, 0.1), IsRed(0.1, 0.9), IsRed(0.9, 0.9))
        );
        var text = Encoding.Latin1.GetString(bytes);
        Assert.DoesNotContain("Exif", text, StringComparison.Ordinal);
        Assert.DoesNotContain("WENDVALLEY", text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_large_picture_is_stored_smaller()
    {
        var dog = await server.NewDogAsync();
        var photo = await UploadAsync(dog, DemoPicture.Draw(PhotoView.Side, 4000).Jpeg);
        Assert.Equal((3000, 2250), (photo.Number("width"), photo.Number("height")));
    }

    [Fact]
    public async Task What_is_no_picture_or_too_much_of_one_is_refused_with_words()
    {
        var dog = await server.NewDogAsync();
        Assert.Contains("not a picture", (await UploadAsync(dog, Encoding.ASCII.GetBytes("<svg onload=alert(1)>"))).Problem("file"), StringComparison.Ordinal);
        Assert.Contains(
            "not a picture",
            (await UploadAsync(dog, Encoding.ASCII.GetBytes("GIF89a\u0001\0\u0001\0\0\0\0,"))).Problem("file"),
            StringComparison.Ordinal
        );
        var whole = Picture(640, 480, SKEncodedImageFormat.Png);
        Assert.Contains("damaged", (await UploadAsync(dog, whole[..(whole.Length / 2)])).Problem("file"), StringComparison.Ordinal);
        Assert.Contains("only 100", (await UploadAsync(dog, Picture(100, 100, SKEncodedImageFormat.Png))).Problem("file"), StringComparison.Ordinal);

        // A bomb: a few kilobytes that unfold into 61 million pixels. Only its header is read.
        var bomb = Picture(7_800, 7_800, SKEncodedImageFormat.Png);
        Assert.True(bomb.Length < 2_000_000);
        Assert.Contains("7800 × 7800", (await UploadAsync(dog, bomb)).Problem("file"), StringComparison.Ordinal);

        // What is held whole while it is read is taken up to fewer pixels, such as a progressive JPEG (its frame header: SOF2 in T.81).
        var progressive = Picture(5_000, 5_000, SKEncodedImageFormat.Jpeg);
        progressive[progressive.AsSpan().IndexOf((byte[])[0xFF, 0xC0]) + 1] = 0xC2;
        Assert.Contains("progressive JPEG up to", (await UploadAsync(dog, progressive)).Problem("file"), StringComparison.Ordinal);

        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, (await UploadAsync(dog, new byte[20 * 1024 * 1024 + 1])).Status);
        Assert.NotNull((await UploadAsync(dog, whole, view: "below")).Problem("view"));
        Assert.NotNull((await UploadAsync(dog, [])).Problem("file"));
        Assert.Empty((await server.GetAsync($"{dog}/photos")).Json.AsArray());
    }

    /// <summary>Marks as the front end sends them.</summary>
    private static object MarksOf(DemoPicture drawn, int corners = 4) =>
        new
        {
            view = drawn.View.ToString().ToLowerInvariant(),
            side = "left",
            kind = "card",
            corners = drawn.Marks.Corners.Take(corners).Select(c => new { c.X, c.Y }),
            landmarks = drawn.Marks.Landmarks.ToDictionary(l => JsonNamingPolicy.CamelCase.ConvertName(l.Key.ToString()), l => new { l.Value.X, l.Value.Y }),
        };

    [Fact]
    public async Task A_marked_picture_is_measured_and_taken_to_the_bench_with_its_doubt()
    {
        var dog = await server.NewDogAsync();
        var drawn = DemoPicture.Draw(PhotoView.Side);
        var photo = await UploadAsync(dog, drawn.Jpeg);
        Assert.Empty((await server.PutAsync($"{dog}/photos/{photo["id"]}", MarksOf(drawn, corners: 3)))["measures"]!.AsArray());
        Assert.Equal(HttpStatusCode.Conflict, (await server.PostAsync($"{dog}/photos/{photo["id"]}/take", new { })).Status);

        var marked = await server.PutAsync($"{dog}/photos/{photo["id"]}", MarksOf(drawn));
        Assert.Equal(7, marked["measures"]!.AsArray().Count);
        Assert.Null(marked["refusal"]);
        var bench = await server.PostAsync($"{dog}/photos/{photo["id"]}/take", new { takenBy = "Wren" });
        var jaw = bench["measures"]!.AsArray().Single(m => m!["measure"]!.GetValue<string>() == "jawToNose")!;
        var solved = marked["measures"]!.AsArray().Single(m => m!["measure"]!.GetValue<string>() == "jawToNose")!;
        Assert.Equal(solved["mm"]!.GetValue<double>(), jaw["meanMm"]!.GetValue<double>(), 5);
        Assert.Equal(solved["standardUncertaintyMm"]!.GetValue<double>(), jaw["standardUncertaintyMm"]!.GetValue<double>(), 0.1);
        Assert.All(bench["readings"]!.AsArray(), r => Assert.Equal("photo", r!["tool"]!.GetValue<string>()));

        await server.SendAsync(HttpMethod.Delete, $"{dog}/photos/{photo["id"]}");
        Assert.Empty((await server.GetAsync($"{dog}/photos")).Json.AsArray());
        await server.PostAsync($"{dog}/photos/{photo["id"]}/restore");
        Assert.Single((await server.GetAsync($"{dog}/photos")).Json.AsArray());
    }

    [Fact]
    public async Task A_width_on_the_bench_lets_a_side_picture_give_a_girth()
    {
        var dog = await server.NewDogAsync();
        var drawn = DemoPicture.Draw(PhotoView.Side);
        var photo = await UploadAsync(dog, drawn.Jpeg);
        await server.PostAsync(
            $"{dog}/readings",
            new
            {
                measure = "snoutWidth",
                text = "66",
                tool = "caliper",
            }
        );
        var marked = await server.PutAsync($"{dog}/photos/{photo["id"]}", MarksOf(drawn));
        Assert.Contains(marked["measures"]!.AsArray(), m => m!["measure"]!.GetValue<string>() == "snoutGirth");
    }

    /// <summary>
    /// The shipped pictures: every landmark and corner is clicked with seeded noise of the stated size, a thousand times over; the truth, known from
    /// the drawing, lies within the stated expanded uncertainty (k = 2) in at least 95 % of the measures.
    /// </summary>
    [Theory]
    [InlineData(PhotoView.Side)]
    [InlineData(PhotoView.Top)]
    public void The_shipped_pictures_give_the_truth_within_their_stated_doubt(PhotoView view)
    {
        var random = new Random(20260601);
        double Normal() => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
        PixelPoint Clicked(PixelPoint p, double by) => new(p.X + by * Normal(), p.Y + by * Normal());
        var drawn = DemoPicture.Draw(view);
        var (inside, all) = (new Dictionary<MeasureLine, int>(), 0);
        for (var run = 0; run < 1000; run++)
        {
            var question = drawn.Marks.ToQuestion(view, Side.Left);
            question = question with
            {
                PictureSize = (1600, 1200),
                Reference = question.Reference with
                {
                    Corners = [.. question.Reference.Corners.Select(c => Clicked(c, PhotoRules.Click.Ours * PhotoRules.CornerShare.Ours))],
                },
                Landmarks = question.Landmarks.ToDictionary(l => l.Key, l => Clicked(l.Value, PhotoRules.Click.Ours)),
            };
            Assert.True(PhotoSolver.TrySolve(question, out var solution, out _));
            all++;
            foreach (var measure in solution.Measures)
            {
                var line = new MeasureLine(measure.Measure, measure.Side);
                var off = (measure.Value - drawn.Truth[line]).Abs();
                inside[line] = inside.GetValueOrDefault(line) + (off <= Uncertainty.Coverage.Ours * measure.StandardUncertainty ? 1 : 0);
            }
        }

        Assert.Equal(drawn.Truth.Count, inside.Count);
        Assert.True(inside.Values.Sum() >= 0.95 * all * inside.Count, string.Join(", ", inside.Select(i => $"{i.Key.Measure} {i.Value}")));
        Assert.All(inside, i => Assert.True(i.Value >= 0.90 * all, $"{i.Key.Measure} {i.Value} of {all}"));
    }
}
