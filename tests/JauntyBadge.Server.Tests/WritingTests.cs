using System.Net;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;

namespace JauntyBadge.Server.Tests;

/// <summary>A practice in the United States with a tape in inches reads months before days and no millimetre, whatever it looks at.</summary>
public sealed partial class WritingTests(DemoPracticeFolder filled) : IClassFixture<DemoPracticeFolder>
{
    [Fact]
    public async Task Every_sentence_of_the_demo_is_in_the_practices_dates_and_the_devices_unit()
    {
        using var server = filled.Open();
        var usual = await SaidAsync(server, dogs: 1);
        Assert.Contains(usual, t => DayFirst().IsMatch(t.Text));
        Assert.Contains(usual, t => Millimetres().IsMatch(t.Text));
        Assert.Equal(HttpStatusCode.OK, (await server.PutAsync("/api/writing", new { locale = "en-US", currency = "USD" })).Status);
        server.Http.DefaultRequestHeaders.Add("Length-Unit", "in");
        var said = await SaidAsync(server);
        Assert.True(said.Count > 2000, $"{said.Count} texts");
        Assert.Contains(said, t => MonthFirst().IsMatch(t.Text));
        Assert.Contains(said, t => t.Text.Contains("/16 in", StringComparison.Ordinal));
        var wrong = said.Where(t => DayFirst().IsMatch(t.Text) || Millimetres().IsMatch(t.Text)).Select(t => $"{t.At}: {t.Text}").Distinct().ToList();
        Assert.True(wrong.Count == 0, string.Join("\n", wrong.Take(40)));
    }

    /// <summary>What did not change is not sent again, unless it is asked for in another unit.</summary>
    [Fact]
    public async Task An_answer_in_another_unit_is_another_answer()
    {
        using var server = filled.Open();
        async Task<HttpResponseMessage> Ask(string unit, string? known)
        {
            using var request = new HttpRequestMessage(HttpMethod.Get, "/api/round");
            request.Headers.Add("Length-Unit", unit);
            if (known is not null)
                request.Headers.TryAddWithoutValidation("If-None-Match", known);
            return await server.Http.SendAsync(request);
        }

        var tag = (await Ask("mm", null)).Headers.ETag!.ToString();
        Assert.Equal(HttpStatusCode.NotModified, (await Ask("mm", tag)).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await Ask("in", tag)).StatusCode);
        Assert.Equal(HttpStatusCode.BadRequest, (await Ask("ell", null)).StatusCode);
    }

    /// <summary>The best one wanted that is spoken here; else English, whatever a browser of another country asks for.</summary>
    [Theory]
    [InlineData("en-XA", true)]
    [InlineData("de-AT, de;q=0.9, en-XA;q=0.2, en;q=0.1", true)]
    [InlineData("en;q=0.5, en-XA;q=0.9", true)]
    [InlineData("en, en-XA;q=0.9", false)]
    [InlineData("de-AT, de;q=0.9", false)]
    [InlineData("../../en, *", false)]
    public async Task The_language_is_the_one_asked_for(string asked, bool accented)
    {
        using var server = filled.Open();
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/signs");
        request.Headers.TryAddWithoutValidation("Accept-Language", asked);
        var said = await (await server.Http.SendAsync(request)).Content.ReadAsStringAsync();
        Assert.Equal(accented, JsonNode.Parse(said)!.AsArray().All(s => !PlainWord().IsMatch(s!["name"]!.GetValue<string>())));
    }

    /// <summary>The pseudo-language accents what comes through the table of words: what still reads plain is data, a name, or a sentence that was forgotten.</summary>
    [Fact]
    public async Task Every_word_comes_through_the_table_of_words()
    {
        using var server = filled.Open();
        server.Http.DefaultRequestHeaders.Add("Accept-Language", "en-XA");
        var said = await SaidAsync(server, everything: true);
        Assert.True(said.Count > 2000, $"{said.Count} texts");
        List<string> names =
        [
            .. (await NamesAsync(server))
                .Concat(said.Where(t => Typed.Contains(t.At.Split('.')[^1])).Select(t => t.Text))
                .Where(n => n.Length > 2)
                .Distinct()
                .OrderByDescending(n => n.Length),
        ];
        var plain = said.Where(t => !KeptAsItWasSaid().IsMatch(t.At) && !Typed.Contains(t.At.Split('.')[^1]))
            .Where(t =>
                !Code().IsMatch(t.Text) && PlainWord().IsMatch(names.Aggregate(t.Text, (text, name) => text.Replace(name, "", StringComparison.Ordinal)))
            )
            .Select(t => $"{t.At}: {t.Text}")
            .Distinct()
            .ToList();
        Assert.True(plain.Count == 0, $"{plain.Count} of {said.Count}\n{string.Join("\n", plain.Take(400))}");
    }

    /// <summary>What somebody typed.</summary>
    private static readonly string[] Typed =
    [
        "asTaken",
        "note",
        "notes",
        "takenBy",
        "who",
        "keeper",
        "place",
        "setAside",
        "forWhat",
        "clinicName",
        "cue",
        "bitesAbout",
        "overruled",
        "veterinarianSays",
        "sizeLabel",
        "label",
        "d",
    ];

    /// <summary>The names of dogs, people, places, breeds and muzzles, months and days.</summary>
    private static async Task<IReadOnlyList<string>> NamesAsync(PracticeServer server)
    {
        var cards = (await server.GetAsync("/api/round?count=99"))["cards"]!.AsArray();
        var breeds = (await server.GetAsync("/api/breeds")).Json!.AsArray();
        var muzzles = (await server.GetAsync("/api/catalogue")).Json!.AsArray();
        var phones = (await server.GetAsync("/api/phones")).Json!.AsArray();
        var calendar = System.Globalization.CultureInfo.InvariantCulture.DateTimeFormat;
        IEnumerable<JsonNode?> names =
        [
            .. cards.SelectMany(c => new[] { c!["name"], c["keeper"], c["place"] }),
            .. phones.SelectMany(p => new[] { p!["name"], p["person"] }),
            .. breeds.Select(b => b!["name"]),
            .. muzzles.SelectMany(m => new[] { m!["model"]!["name"], m["model"]!["maker"] }),
            .. muzzles.SelectMany(m => m!["model"]!["colours"]!.AsArray()).Select(c => c!["name"]),
        ];
        return [.. names.OfType<JsonNode>().Select(n => n.GetValue<string>()).Concat(calendar.MonthNames).Concat(calendar.DayNames)];
    }

    [GeneratedRegex("[A-Za-z]{3,}")]
    private static partial Regex PlainWord();

    /// <summary>An identifier, a term of the API, a colour, a moment, a path.</summary>
    [GeneratedRegex(
        @"^([a-z][a-z0-9]*([A-Z][a-z0-9]*)*|[a-z0-9]+([-:.][a-z0-9/]+)+|[a-z]+(/[a-z0-9-]+)+|/api/.*|#[0-9a-f]{6}|[0-9a-f]{16}|\d{4}-[\dTZ:.+-]+)$"
    )]
    private static partial Regex Code();

    /// <summary>A wish of a muzzle that was kept stands as it was said then.</summary>
    [GeneratedRegex(@"\.kept\.(criteria\.reason|brief\.(reason|says))$")]
    private static partial Regex KeptAsItWasSaid();

    /// <summary>Every text that the pages of every dog, the round and the training are told.</summary>
    private static async Task<IReadOnlyList<(string At, string Text)>> SaidAsync(PracticeServer server, int dogs = int.MaxValue, bool everything = false)
    {
        var round = await server.GetAsync("/api/round?count=99");
        List<(string, string)> said =
        [
            .. Texts("round", round.Json, everything),
            .. Texts("training", (await server.GetAsync("/api/training")).Json, everything),
        ];
        string[] tables = everything ? ["signs", "coat-colours", "happy-wears", "house-numbers", "ways-of-working", "weather"] : [];
        foreach (var table in tables)
            said.AddRange(Texts(table, (await server.GetAsync($"/api/{table}")).Json, everything));
        foreach (var dog in round["cards"]!.AsArray().Take(dogs))
        {
            foreach (var room in everything ? [.. Rooms, .. More] : Rooms)
            {
                if (await server.GetAsync($"/api/dogs/{dog!["id"]}{room}") is { Status: HttpStatusCode.OK } answer)
                    said.AddRange(Texts($"{dog!["name"]}{room}", answer.Json, everything));
            }
        }

        return said;
    }

    private static readonly string[] Rooms =
    [
        "",
        "/bench",
        "/measuring-sets",
        "/fits",
        "/order",
        "/choices",
        "/try-on",
        "/plan",
        "/plan/outlook",
        "/progress",
        "/record",
        "/sessions",
        "/balance",
        "/treats",
        "/inspections",
        "/appointments",
    ];

    private static readonly string[] More = ["/try-ons", "/wears", "/photos", "/plan/schools", "/plan/begin", "/habits", "/fits/withy-4", "/fits/burr-3"];

    /// <summary>What is said; not what was typed, the grounds of numbers, and what tables and catalogues hold.</summary>
    private static IEnumerable<(string At, string Text)> Texts(string at, JsonNode? value, bool everything) =>
        value switch
        {
            JsonArray array => array.SelectMany(v => Texts(at, v, everything)),
            JsonObject told => told.Where(p => everything || p.Key is not ("asTaken" or "note" or "notes" or "basis" or "guides" or "labelId"))
                .SelectMany(p => Texts($"{at}.{p.Key}", p.Value, everything)),
            JsonValue text when text.GetValueKind() == System.Text.Json.JsonValueKind.String => [(at, text.GetValue<string>())],
            _ => [],
        };

    [GeneratedRegex(@"\b\d{1,2} (January|February|March|April|May|June|July|August|September|October|November|December)\b")]
    private static partial Regex DayFirst();

    [GeneratedRegex(@"\b(January|February|March|April|May|June|July|August|September|October|November|December) \d{1,2}\b")]
    private static partial Regex MonthFirst();

    [GeneratedRegex(@"\d mm\b")]
    private static partial Regex Millimetres();
}
