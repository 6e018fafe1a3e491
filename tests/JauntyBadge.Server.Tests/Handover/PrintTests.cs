using System.Net;
using System.Text;
using UglyToad.PdfPig;
using UglyToad.PdfPig.Content;
using UglyToad.PdfPig.Core;

namespace JauntyBadge.Server.Tests.Handover;

/// <summary>What is printed, read back by PdfPig: sizes in points, words as words, and how many pages there are.</summary>
public sealed class PrintTests(DemoServer demo) : IClassFixture<DemoServer>
{
    private const double Point = 72 / 25.4;
    private const double Close = 0.2;
    private readonly PracticeServer practice = demo.Practice;

    [Theory]
    [InlineData("a4", 210, 297)]
    [InlineData("a5", 148, 210)]
    [InlineData("letter", 215.9, 279.4)]
    [InlineData("a4Folded", 297, 210)]
    public async Task A_card_is_one_page_of_its_size_with_what_counts_on_it(string page, double width, double height)
    {
        foreach (var (id, name) in await demo.DogsAsync())
        {
            foreach (var audience in new[] { "clinic", "walker", "groomer", "family" })
            {
                using var pdf = await PdfAsync($"/api/dogs/{id}/card.pdf?for={audience}&page={page}");
                Assert.Equal(1, pdf.NumberOfPages);
                var only = pdf.GetPage(1);
                Assert.Equal(
                    (width, height),
                    (only.Width / Point, only.Height / Point),
                    (a, b) => Math.Abs(a.Item1 - b.Item1) < Close && Math.Abs(a.Item2 - b.Item2) < Close
                );
                // Folded, the front stands on the right.
                var said = page == "a4Folded" ? $"{Words(only, only.Width / 2, only.Width)} {Words(only, 0, only.Width / 2)}" : Words(only);
                var card = (await practice.GetAsync($"/api/dogs/{id}/card?for={audience}")).Json;
                Assert.Contains(name, said, StringComparison.Ordinal);
                foreach (var part in card["parts"]!.AsArray())
                    Assert.Contains(Bare(part!["heading"]!.ToString()), Bare(said), StringComparison.Ordinal);
                Assert.Contains(Bare(card["headline"]!.ToString()), Bare(said), StringComparison.Ordinal);
                // Nothing runs over the edge.
                Assert.All(only.Letters.Where(l => l.Value.Trim() != ""), l => Assert.InRange(l.BoundingBox.Bottom, 0, only.Height));
                Assert.All(only.Letters.Where(l => l.Value.Trim() != ""), l => Assert.InRange(l.BoundingBox.Right, 0, only.Width));
            }
        }
    }

    /// <summary>Each audience's card has what it may have, on paper as on the screen: no notes, no price, no other dog.</summary>
    [Fact]
    public async Task No_card_says_what_nobody_is_to_read()
    {
        var dogs = await demo.DogsAsync();
        foreach (var (id, name) in dogs)
        {
            var notes = (await practice.GetAsync($"/api/dogs/{id}"))["dog"]!["notes"]?.ToString();
            foreach (var audience in new[] { "clinic", "walker", "groomer", "family" })
            {
                var said = (await practice.GetAsync($"/api/dogs/{id}/card?for={audience}")).Json["parts"]!.ToJsonString();
                if (notes is { Length: > 0 })
                    Assert.DoesNotContain(notes, said, StringComparison.Ordinal);
                Assert.DoesNotContain("EUR", said, StringComparison.Ordinal);
                Assert.All(dogs.Where(d => d.Name != name), d => Assert.DoesNotContain(d.Name, said, StringComparison.Ordinal));
            }
        }
    }

    [Fact]
    public async Task A_card_needs_an_audience_and_a_page_that_there_is()
    {
        var (id, _) = (await demo.DogsAsync())[0];
        Assert.Contains("clinic, walker, groomer, family", (await practice.GetAsync($"/api/dogs/{id}/card")).Problem("for"), StringComparison.Ordinal);
        Assert.Contains("a4, a5, letter", (await practice.GetAsync($"/api/dogs/{id}/card.pdf?for=clinic&page=a3")).Problem("page"), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await practice.GetAsync($"/api/dogs/{Guid.NewGuid()}/card?for=clinic")).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await practice.GetAsync($"/api/dogs/{id}/papers/kite.pdf")).Status);
        Assert.Contains("not folded", (await practice.GetAsync($"/api/dogs/{id}/papers/strip.pdf?page=a4Folded")).Problem("page"), StringComparison.Ordinal);
    }

    /// <summary>On every page of every paper the check square measures 30 mm, and the ruler's edge 150.</summary>
    [Theory]
    [InlineData("strip", "a4", 210, 297)]
    [InlineData("strap", "a4", 210, 297)]
    [InlineData("cup", "letter", 215.9, 279.4)]
    [InlineData("template", "letter", 215.9, 279.4)]
    public async Task Papers_are_true_to_size(string kind, string page, double width, double height)
    {
        var made = 0;
        foreach (var (id, name) in await demo.DogsAsync())
        {
            using var response = await practice.Http.GetAsync($"/api/dogs/{id}/papers/{kind}.pdf?page={page}");
            if (response.StatusCode == HttpStatusCode.Conflict)
                continue;
            made++;
            using var pdf = PdfDocument.Open(await response.Content.ReadAsByteArrayAsync());
            foreach (var at in pdf.GetPages())
            {
                var sizes = new[] { at.Width / Point, at.Height / Point }.Order().ToList();
                Assert.Equal(width, sizes[0], Close);
                Assert.Equal(height, sizes[1], Close);
                var boxes = Boxes(at);
                Assert.Contains(boxes, b => Math.Abs(b.Width / Point - 30) < Close && Math.Abs(b.Height / Point - 30) < Close);
                Assert.Contains(boxes, b => Math.Abs(b.Width / Point - 150) < Close && b.Height / Point < Close);
                Assert.Contains("30 mm", Words(at), StringComparison.Ordinal);
            }

            await SizesAsync(kind, id, name, pdf);
        }

        Assert.True(made >= 5, $"{kind}: {made}");
    }

    /// <summary>The lines themselves: as long as the dog's own measures, or the maker's.</summary>
    private async Task SizesAsync(string kind, Guid id, string name, PdfDocument pdf)
    {
        var boxes = pdf.GetPages().SelectMany(Boxes).ToList();
        if (kind == "strip")
        {
            // Fit line and eye line stand as far from the nose tip as the snout's model has them.
            var sources = (await practice.GetAsync($"/api/dogs/{id}/bench")).Json["snout"]?.AsArray();
            var lines = boxes
                .Where(b => b.Width < 0.5 && Math.Abs(b.Height / Point - 34) < Close || b.Height < 0.5 && Math.Abs(b.Width / Point - 34) < Close)
                .ToList();
            var along = lines.Select(l => l.Width < l.Height ? l.Left : l.Bottom).Order().Distinct().ToList();
            Assert.True(along.Count >= 3, $"{name}: {along.Count}");
            if (sources is not null)
            {
                var eye = sources.First(s => s!["part"]?.ToString() == "eyeLine")!["mm"]!.GetValue<double>();
                Assert.Contains(along.SelectMany(a => along.Select(b => (b - a) / Point)), d => Math.Abs(d - eye) < Close);
            }
        }
        else if (kind == "template")
        {
            var size = (await practice.GetAsync($"/api/dogs/{id}"))["choice"]!["kept"]!["size"]!;
            if (size["depthFrontMm"] is null || pdf.NumberOfPages > 1)
                return;
            var (length, front) = (size["lengthMm"]!.GetValue<double>(), size["depthFrontMm"]!.GetValue<double>());
            Assert.Contains(
                boxes,
                b =>
                    Math.Abs(Math.Max(b.Width, b.Height) / Point - Math.Max(length, front)) < Close
                    && Math.Abs(Math.Min(b.Width, b.Height) / Point - Math.Min(length, front)) < Close
            );
        }
    }

    [Fact]
    public async Task A_cup_asked_of_the_api_is_the_closed_form()
    {
        var cup = await practice.PostAsync(
            "/api/what-if/cup",
            new
            {
                frontGirthMm = 188.4956,
                rearGirthMm = 282.7433,
                lengthMm = 80,
            }
        );
        Assert.Equal(81.394, cup.Number("slantMm"), 2);
        Assert.Equal(162.788, cup.Number("innerRadiusMm"), 2);
        Assert.Equal(244.182, cup.Number("outerRadiusMm"), 2);
        Assert.Equal(66.344, cup.Number("angleDeg"), 2);
        Assert.Equal(2 * 244.182 * Math.Sin(66.344 / 2 * Math.PI / 180), cup.Number("chordMm"), 2);
        Assert.Equal(12, cup.Number("flapMm"), 6);
        Assert.True(cup.Number("pages") >= 1);
        var tube = await practice.PostAsync(
            "/api/what-if/cup",
            new
            {
                frontGirthMm = 200,
                rearGirthMm = 201,
                lengthMm = 80,
            }
        );
        Assert.Null(tube["angleDeg"]);
        Assert.Equal(201, tube.Number("chordMm"), 6);
        Assert.Contains(
            "wider behind",
            (
                await practice.PostAsync(
                    "/api/what-if/cup",
                    new
                    {
                        frontGirthMm = 260,
                        rearGirthMm = 200,
                        lengthMm = 80,
                    }
                )
            ).Problem("rearGirthMm"),
            StringComparison.Ordinal
        );
        Assert.NotNull((await practice.PostAsync("/api/what-if/cup", new { frontGirthMm = 2, rearGirthMm = 200 })).Problem("lengthMm"));
    }

    [Fact]
    public async Task An_order_is_one_page_with_a_drawing_and_a_report_two_to_four()
    {
        foreach (var (id, name) in await demo.DogsAsync())
        {
            foreach (var page in new[] { "a4", "letter" })
            {
                using var response = await practice.Http.GetAsync($"/api/dogs/{id}/order.pdf?page={page}");
                if (response.StatusCode == HttpStatusCode.OK)
                {
                    using var order = PdfDocument.Open(await response.Content.ReadAsByteArrayAsync());
                    Assert.Equal(1, order.NumberOfPages);
                    var said = Words(order.GetPage(1));
                    foreach (var word in new[] { name, "The Wend Horsebox", "Colour", "side", "opening", "inner length" })
                        Assert.Contains(word, said, StringComparison.Ordinal);
                    Assert.True(Boxes(order.GetPage(1)).Count > 8);
                }

                using var report = await PdfAsync($"/api/dogs/{id}/report.pdf?page={page}");
                Assert.InRange(report.NumberOfPages, 1, 4);
                if ((await practice.GetAsync($"/api/dogs/{id}/progress")).Json["sessions"]!.AsArray().Count >= 10)
                {
                    Assert.InRange(report.NumberOfPages, 2, 4);
                    // A chart of lines, not a picture.
                    Assert.Contains(report.GetPages(), p => Words(p).Contains("Steps passed in sessions", StringComparison.Ordinal) && p.Paths.Count > 5);
                    Assert.All(report.GetPages(), p => Assert.Empty(p.GetImages()));
                }

                Assert.Contains("No diagnosis", Words(report.GetPage(1)), StringComparison.Ordinal);
            }
        }
    }

    private async Task<PdfDocument> PdfAsync(string address)
    {
        using var response = await practice.Http.GetAsync(address);
        Assert.Equal("application/pdf", response.Content.Headers.ContentType?.MediaType);
        Assert.Equal("no-store", response.Headers.CacheControl?.ToString());
        return PdfDocument.Open(await response.Content.ReadAsByteArrayAsync());
    }

    private static string Words(Page page, double from, double to) =>
        string.Join(" ", page.GetWords().Where(w => w.BoundingBox.Left >= from && w.BoundingBox.Left < to).Select(w => w.Text));

    private static string Words(Page page) => string.Join(" ", page.GetWords().Select(w => w.Text));

    /// <summary>Without what parts lines and words.</summary>
    private static string Bare(string text) => new StringBuilder(text).Replace(" ", "").Replace("\n", "").ToString();

    private static List<PdfRectangle> Boxes(Page page) =>
        [
            .. page
                .Paths.SelectMany(p => p)
                .Select(s => s.GetBoundingRectangle())
                .OfType<PdfRectangle>()
                .Concat(page.Paths.Select(p => p.GetBoundingRectangle()).OfType<PdfRectangle>()),
        ];
}
