using System.Net;
using System.Net.Http.Headers;
using System.Text.Json.Nodes;
using JauntyBadge.Server.Tests.Conditioning;

namespace JauntyBadge.Server.Tests.Round;

/// <summary>The round: what is on a card is always what the record says now; a long round comes in stretches and is searched as one types.</summary>
public class RoundTests(PracticeServer server) : IClassFixture<PracticeServer>
{
    private async Task<JsonNode> CardAsync(string dog) =>
        (await server.GetAsync("/api/round?count=2000"))["cards"]!.AsArray().Single(c => dog.EndsWith(c!["id"]!.GetValue<string>(), StringComparison.Ordinal))!;

    [Fact]
    public async Task A_card_follows_every_change_of_the_dog()
    {
        var dog = await server.NewDogAsync(
            new
            {
                name = "Tansy",
                breedIds = new[] { "whippet" },
                bodyMassKg = 12,
                purposes = new[] { "walks" },
            }
        );
        Assert.Equal(
            ("Measure", 0.0),
            ((await CardAsync(dog))["things"]![0]!["title"]!.GetValue<string>(), (await CardAsync(dog))["badge"]!["measured"]!.GetValue<double>())
        );
        var reading = await server.PostAsync($"{dog}/readings", new { measure = "snoutGirth", text = "180" });
        Assert.Equal(0.2, (await CardAsync(dog))["badge"]!["measured"]!.GetValue<double>(), 3);

        // A reading taken out changes no record that has a number or a version of its own.
        await server.SendAsync(HttpMethod.Delete, $"{dog}/readings/{reading["readings"]![0]!["id"]}");
        Assert.Equal(0, (await CardAsync(dog))["badge"]!["measured"]!.GetValue<double>());
        await server.PutAsync(
            dog,
            new
            {
                name = "Tansy",
                keeper = "Sefa Tarn",
                breedIds = new[] { "whippet" },
                bodyMassKg = 12,
                purposes = Array.Empty<string>(),
            }
        );
        var card = await CardAsync(dog);
        Assert.Equal(
            ("Sefa Tarn", "dog", "onTheBench"),
            (card["keeper"]!.GetValue<string>(), card["things"]![0]!["kind"]!.GetValue<string>(), card["group"]!.GetValue<string>())
        );
    }

    [Fact]
    public async Task How_training_stands_is_told_of_every_dog_those_with_a_date_first()
    {
        using var own = new PracticeServer();
        async Task<(string Name, string State, JsonNode Row)[]> RowsAsync() =>
            [.. (await own.GetAsync("/api/training"))["rows"]!.AsArray().Select(r => (r!["name"]!.GetValue<string>(), r["state"]!.GetValue<string>(), r))];
        object Named(string name) => new { name, purposes = new[] { "walks" } };
        Assert.Empty(await RowsAsync());
        var (begun, dated) = (await own.NewDogAsync(Named("Ash")), await own.NewDogAsync(Named("Yarrow")));
        await own.PostAsync(
            $"{dated}/plan/week",
            new
            {
                days = new[] { "monday" },
                sessionsPerDay = 1,
                by = own.Today.AddDays(10),
            }
        );
        var session = $"/api/sessions/{(await own.PostAsync($"{begun}/sessions"))["id"]}";
        await own.PutAsync($"{session}/goes/{Guid.NewGuid()}", SessionTests.Go((await own.GetAsync(session))["openSet"]));
        await own.PostAsync($"{session}/end");

        var rows = await RowsAsync();
        Assert.Equal([("Yarrow", "notBegun"), ("Ash", "underWay")], rows.Select(r => (r.Name, r.State)));
        Assert.Equal((10, 1), (rows[0].Row["daysLeft"]!.GetValue<int>(), rows[1].Row["sessions"]!.GetValue<int>()));
        Assert.Equal(1, (int)(await own.GetAsync("/api/training")).Number("dated"));

        own.Clock.Advance(TimeSpan.FromDays(11));
        Assert.Equal([("Ash", "overdue"), ("Yarrow", "notBegun")], (await RowsAsync()).Select(r => (r.Name, r.State)));
        await own.PostAsync($"{begun}/archive");
        Assert.Equal(["Yarrow"], (await RowsAsync()).Select(r => r.Name));
    }

    [Fact]
    public async Task A_card_follows_the_day_the_breeds_and_the_other_dogs_of_the_breed()
    {
        using var own = new PracticeServer();
        async Task<JsonNode> Card(string dog) =>
            (await own.GetAsync("/api/round"))["cards"]!.AsArray().Single(c => dog.EndsWith(c!["id"]!.GetValue<string>(), StringComparison.Ordinal))!;
        async Task<string> Labrador(string name, string girth)
        {
            var made = await own.NewDogAsync(
                new
                {
                    name,
                    ageMonths = 6,
                    breedIds = new[] { "labrador-retriever" },
                    bodyMassKg = 28,
                    purposes = new[] { "walks" },
                }
            );
            foreach (
                var (measure, text) in new[]
                {
                    ("fitLineLength", "80"),
                    ("snoutHeight", "80"),
                    ("snoutGirth", girth),
                    ("snoutWidth", "73"),
                    ("neckGirth", "430"),
                }
            )
                await own.PostAsync($"{made}/readings", new { measure, text });
            return made;
        }

        var odd = await Labrador("Odd", "250");
        Assert.Equal("Choose a muzzle", (await Card(odd))["things"]![0]!["title"]!.GetValue<string>());
        for (var i = 0; i < 8; i++)
            await Labrador($"Other {i}", $"{271 + i % 3}");

        // Eight others of the breed make a range of the practice's own, and now the first dog's girth stands apart.
        Assert.Equal("Check the readings", (await Card(odd))["things"]![0]!["title"]!.GetValue<string>());
        await own.PutAsync(
            "/api/breeds/labrador-retriever",
            new
            {
                name = "Wend retriever",
                shape = "medium",
                traits = Array.Empty<string>(),
                growingMonths = 18,
                alsoCalled = Array.Empty<string>(),
            }
        );
        Assert.Equal("Wend retriever", (await Card(odd))["breeds"]!.GetValue<string>());
        own.Clock.Advance(TimeSpan.FromDays(40));
        Assert.Equal("Measure again", (await Card(odd))["things"]![0]!["title"]!.GetValue<string>());
    }

    [Fact]
    public async Task A_long_round_comes_in_stretches()
    {
        using var own = new PracticeServer();
        for (var i = 0; i < 30; i++)
            await own.NewDogAsync(new { name = $"Dog {i:00}", purposes = new[] { "walks" } });
        var first = await own.GetAsync("/api/round");
        Assert.Equal((30, 30, 0, 24), (first.Number("total"), first.Number("all"), first.Number("from"), first["cards"]!.AsArray().Count));
        var rest = await own.GetAsync("/api/round?from=24");
        Assert.Equal(6, rest["cards"]!.AsArray().Count);
        Assert.Equal(30, first["cards"]!.AsArray().Concat(rest["cards"]!.AsArray()).Select(c => c!["id"]!.GetValue<string>()).Distinct().Count());
        Assert.Equal(("onTheBench", 30), (first["groups"]![0]!["group"]!.GetValue<string>(), first["groups"]![0]!["count"]!.GetValue<int>()));
        Assert.NotNull((await own.GetAsync("/api/round?from=-1")).Problem("from"));
        Assert.NotNull((await own.GetAsync("/api/round?count=0")).Problem("count"));
        Assert.NotNull((await own.GetAsync($"/api/round?search={new string('a', 101)}")).Problem("search"));
    }

    [Theory]
    [InlineData("zoé", true)] // its name, whatever the accents
    [InlineData("ZOE", true)]
    [InlineData("latch", true)] // its keeper, by the beginning of a word
    [InlineData("wend lock", true)] // its place, two words of it
    [InlineData("lock zo", true)] // any words in any order
    [InlineData("pointer", true)] // its breed
    [InlineData("atchet", false)] // not from the middle of a word
    [InlineData("zoé ferry", false)] // every word has to be found
    public async Task A_dog_is_found_by_words_of_name_keeper_place_and_breed(string search, bool found)
    {
        var dog = await server.NewDogAsync(
            new
            {
                name = "Zoë",
                keeper = "Wynne Latchet",
                place = "Wend Lock, canal side",
                breedIds = new[] { "english-pointer" },
            }
        );
        await server.NewDogAsync(new { name = "Otis", place = "Ferry Cottage" });
        foreach (var archived in new[] { false, true })
        {
            var cards = (await server.GetAsync($"/api/round?archived={archived}&count=2000&search={Uri.EscapeDataString(search)}"))["cards"]!.AsArray();
            Assert.Equal(found, cards.Any(c => dog.EndsWith(c!["id"]!.GetValue<string>(), StringComparison.Ordinal)));
            Assert.All(cards, c => Assert.Equal("Zoë", c!["name"]!.GetValue<string>()));
            await server.PostAsync($"{dog}/archive");
        }
    }

    [Fact]
    public async Task A_screen_that_asks_again_is_told_that_nothing_changed_until_something_did()
    {
        var dog = await server.MeasuredDogAsync();
        string[] paths = ["/api/round", dog, $"{dog}/bench", $"{dog}/plan", $"{dog}/fits", "/api/van"];
        async Task<(HttpStatusCode Status, EntityTagHeaderValue Tag)> AskAsync(string path, EntityTagHeaderValue? known)
        {
            using var request = new HttpRequestMessage(HttpMethod.Get, path);
            if (known is not null)
                request.Headers.IfNoneMatch.Add(known);
            using var response = await server.Http.SendAsync(request);
            return (response.StatusCode, response.Headers.ETag!);
        }

        foreach (var path in paths)
        {
            var first = await AskAsync(path, null);
            Assert.Equal((HttpStatusCode.OK, path), (first.Status, path));
            Assert.Equal((HttpStatusCode.NotModified, path), ((await AskAsync(path, first.Tag)).Status, path));
            await server.PostAsync($"{dog}/readings", new { measure = "neckGirth", text = "431" });
            Assert.Equal((HttpStatusCode.OK, path), ((await AskAsync(path, first.Tag)).Status, path));
            var now = await AskAsync(path, null);
            server.Clock.Advance(TimeSpan.FromHours(1));
            Assert.Equal((HttpStatusCode.OK, path), ((await AskAsync(path, now.Tag)).Status, path));
        }
    }

    [Theory]
    [InlineData("br")]
    [InlineData("gzip")]
    public async Task Answers_are_compressed(string encoding)
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/house-numbers") { Headers = { { "Accept-Encoding", encoding } } };
        using var response = await server.Http.SendAsync(request);
        Assert.Equal([encoding], response.Content.Headers.ContentEncoding);
    }
}
