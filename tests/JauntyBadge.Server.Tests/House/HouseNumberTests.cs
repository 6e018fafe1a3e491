using System.Net;
using System.Text.Json.Nodes;
using JauntyBadge.Core.Handover;
using JauntyBadge.Data;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Tests.House;

/// <summary>The practice's own numbers: set with a reason, tried first, set back, and remembered by what stood on them.</summary>
public class HouseNumberTests
{
    private static async Task<JsonNode> NumberAsync(PracticeServer server, string id) =>
        (await server.GetAsync("/api/house-numbers")).Json.AsArray().Single(n => n!["id"]!.GetValue<string>() == id)!;

    private static async Task<JsonArray> FitsAsync(PracticeServer server, string dog) => (await server.GetAsync($"{dog}/fits"))["fits"]!.AsArray();

    [Fact]
    public async Task Dates_and_prices_are_written_as_the_practice_chooses()
    {
        using var server = new PracticeServer();
        var ours = await server.GetAsync("/api/writing");
        Assert.Equal(("en-GB", "EUR", 0), (ours.Text("locale"), ours.Text("currency"), (int)ours.Number("version")));
        foreach (
            var (body, field) in new (object, string)[]
            {
                (new { locale = "xx", currency = "EUR" }, "locale"),
                (new { locale = "en-GB", currency = "shells" }, "currency"),
                (new { }, "locale"),
            }
        )
        {
            var refused = await server.EditAsync(HttpMethod.Put, "/api/writing", body, 0);
            Assert.Equal(HttpStatusCode.BadRequest, refused.Status);
            Assert.Contains("is one of", refused["errors"]![field]![0]!.GetValue<string>(), StringComparison.Ordinal);
        }

        Assert.Equal("SEK", (await server.PutAsync("/api/writing", new { locale = "en-SE", currency = "SEK" })).Text("currency"));
        Assert.Equal("en-SE", (await server.GetAsync("/api/writing")).Text("locale"));
        Assert.Equal(
            HttpStatusCode.PreconditionFailed,
            (await server.EditAsync(HttpMethod.Put, "/api/writing", new { locale = "en-GB", currency = "EUR" }, 0)).Status
        );
    }

    [Fact]
    public async Task A_number_is_tried_set_and_set_back_and_every_change_stays_on_record()
    {
        using var server = new PracticeServer();
        var dog = await server.MeasuredDogAsync();
        var before = (await FitsAsync(server, dog)).ToJsonString();

        // Trying stores nothing.
        var trial = await server.PostAsync("/api/house-numbers/fit.width-high/trial", new { value = 17 });
        Assert.Equal(("30 mm", "17 mm", 1, 1), (trial.Text("before"), trial.Text("after"), (int)trial.Number("lookedAt"), (int)trial.Number("of")));
        var change = Assert.Single(trial["dogs"]!.AsArray())!;
        Assert.Equal("Bracken", change["name"]!.GetValue<string>());
        Assert.Contains(change["changes"]!.AsArray(), c => c!["what"]!.GetValue<string>() == "Baskets that fit");
        Assert.Equal(before, (await FitsAsync(server, dog)).ToJsonString());

        var set = await server.PutAsync("/api/house-numbers/fit.width-high", new { value = 17, reason = "Ours twist." });
        Assert.Equal((HttpStatusCode.OK, "17 mm", "30 mm"), (set.Status, set.Text("value"), set.Text("ours")));
        var told = (await NumberAsync(server, "fit.width-high"))["changes"]![0]!;
        Assert.Equal(("17 mm", "Ours twist."), (told["value"]!.GetValue<string>(), told["reason"]!.GetValue<string>()));
        Assert.NotEqual(before, (await FitsAsync(server, dog)).ToJsonString());

        // What the trial foretold came true.
        var fits = (await FitsAsync(server, dog)).Count(f => f!["group"]!.GetValue<string>() == "fits");
        Assert.Equal($"{fits}", change["changes"]!.AsArray().Single(c => c!["what"]!.GetValue<string>() == "Baskets that fit")!["after"]!.GetValue<string>());

        await server.PutAsync("/api/house-numbers/fit.width-high", new { });
        Assert.Equal(before, (await FitsAsync(server, dog)).ToJsonString());
        Assert.Equal(["ours", "17 mm"], (await NumberAsync(server, "fit.width-high"))["changes"]!.AsArray().Select(c => c!["value"]!.GetValue<string>()));
        Assert.False((await NumberAsync(server, "fit.width-high"))["isOwn"]!.GetValue<bool>());
    }

    [Theory]
    [InlineData("fit.chin-room", 60, "why", "value", "3 mm to 12 mm")]
    [InlineData("fit.chin-room", 8, "", "reason", "Write down why")]
    [InlineData("fit.sleeve-cap", 10, "why", "value", "1 min to 5 min")]
    [InlineData("shape.airway-ratio", 0.4, "why", "value", "not set by a practice: Published")]
    [InlineData("fit.finger", 18, "why", "value", "not set by a practice")]
    [InlineData("fit.width-low", 12, "why", "value", null)]
    public async Task What_cannot_be_set_so_says_what_would_be_accepted(string id, double value, string reason, string field, string? says)
    {
        using var server = new PracticeServer();
        var answer = await server.PutAsync($"/api/house-numbers/{id}", new { value, reason });
        if (says is null)
        {
            Assert.Equal(HttpStatusCode.OK, answer.Status);
            return;
        }

        Assert.Equal(HttpStatusCode.BadRequest, answer.Status);
        Assert.Contains(says, answer.Problem(field), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await server.PostAsync("/api/house-numbers/no.such/trial", new { value = 1 })).Status);
    }

    [Fact]
    public async Task Of_two_hands_the_second_is_told_what_the_first_set()
    {
        using var server = new PracticeServer();
        Assert.Equal(
            HttpStatusCode.PreconditionRequired,
            (await server.EditAsync(HttpMethod.Put, "/api/house-numbers/fit.marginal", new { value = 3, reason = "a" }, null)).Status
        );
        Assert.Equal(HttpStatusCode.OK, (await server.EditAsync(HttpMethod.Put, "/api/house-numbers/fit.marginal", new { value = 3, reason = "a" }, 0)).Status);
        var second = await server.EditAsync(HttpMethod.Put, "/api/house-numbers/fit.marginal", new { value = 4, reason = "b" }, 0);
        Assert.Equal((HttpStatusCode.PreconditionFailed, "3 mm"), (second.Status, second["current"]!["value"]!.GetValue<string>()));
    }

    /// <summary>The bench, the round and a kept muzzle follow; what was kept before stays as it was, with the numbers it stood on.</summary>
    [Fact]
    public async Task Every_room_follows_and_what_was_kept_remembers()
    {
        using var server = new PracticeServer();
        var dog = await server.MeasuredDogAsync();
        var size = (await FitsAsync(server, dog))[0]!["sizeId"]!.GetValue<string>();
        var kept = (await server.PostAsync($"{dog}/choice", new { sizeId = size }))["kept"]!;
        Assert.Empty(kept["ownRules"]!.AsArray());

        await server.PutAsync("/api/house-numbers/fit.chin-room", new { value = 9, reason = "Deep jowls." });
        var again = (await server.PostAsync($"{dog}/choice", new { sizeId = size, note = "As before." }))["kept"]!;
        var own = Assert.Single(again["ownRules"]!.AsArray())!;
        Assert.Equal(("fit.chin-room", 9.0), (own["id"]!.GetValue<string>(), own["value"]!.GetValue<double>()));
        Assert.NotEqual(kept["rulesId"]!.GetValue<string>(), again["rulesId"]!.GetValue<string>());
        Assert.Equal(kept.ToJsonString(), (await server.GetAsync($"{dog}/choices")).Json.AsArray()[1]!["kept"]!.ToJsonString());
        await using (var db = new PracticeDb(new DbContextOptionsBuilder<PracticeDb>().UseSqlite(PracticeFolder.ConnectionTo(server.Folder)).Options))
        {
            var books = await db.RuleBooks.ToListAsync(TestContext.Current.CancellationToken);
            Assert.Equal(
                [kept["rulesId"]!.GetValue<string>(), again["rulesId"]!.GetValue<string>()],
                books.Select(b => b.Id).OrderBy(id => id == again["rulesId"]!.GetValue<string>())
            );
            Assert.All(books, b => Assert.Equal(HouseNumbers.All.Sum(r => r.Numbers.Count), JsonNode.Parse(b.Numbers)!.AsObject().Count));
        }

        // A set on the pad names the numbers it was decided by.
        var session = (await server.PostAsync($"{dog}/sessions")).Text("id");
        Assert.NotEmpty(session);

        // The bench: sides 2 mm apart are not questioned until the practice says so; the round then asks for them.
        async Task<int> ChecksAsync() => (await server.GetAsync($"{dog}/bench"))["doubted"]!.AsArray().Count;
        Assert.Equal(0, await ChecksAsync());
        await server.PostAsync(
            $"{dog}/readings",
            new
            {
                measure = "noseToInnerEye",
                side = "right",
                text = "104",
            }
        );
        Assert.Equal(0, await ChecksAsync());
        Assert.Equal(
            HttpStatusCode.OK,
            (await server.PutAsync("/api/house-numbers/check.sides-apart", new { value = 2.5, reason = "We read to the millimetre." })).Status
        );
        Assert.NotEqual(0, await ChecksAsync());
    }

    [Fact]
    public async Task The_round_is_made_anew_when_a_number_changes()
    {
        using var server = new PracticeServer();
        await server.MeasuredDogAsync();
        async Task<string> NextAsync() => (await server.GetAsync("/api/round"))["cards"]![0]!["things"]![0]!["title"]!.GetValue<string>();
        var dog = (await server.GetAsync("/api/round"))["cards"]![0]!["id"]!.GetValue<string>();
        await server.PutAsync(
            $"/api/dogs/{dog}",
            new
            {
                name = "Bracken",
                breedIds = new[] { "labrador-retriever" },
                bodyMassKg = 30,
                purposes = new[] { "walks" },
            }
        );
        Assert.Equal("Choose a muzzle", await NextAsync());
        await server.PutAsync("/api/house-numbers/remeasure.mass-change", new { value = 0.06, reason = "We see it sooner." });
        Assert.Equal("Measure again", await NextAsync());
    }
}
