using System.Net;
using System.Text.Json.Nodes;
using JauntyBadge.Data;
using JauntyBadge.Data.Conditioning;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Tests.Conditioning;

/// <summary>How a session ends, what comes after it, and when another may begin: with a second phone, a dead spot and a wrong clock.</summary>
public sealed class SessionEndTests(PracticeServer server) : IClassFixture<PracticeServer>
{
    private async Task<string> DogAsync(string temperament = "typical", string step = "nose-at-rim")
    {
        var dog = await server.NewDogAsync(
            new
            {
                name = "Tansy",
                temperament,
                purposes = new[] { "walks" },
            }
        );
        Assert.Equal(HttpStatusCode.OK, (await server.PostAsync($"{dog}/plan/position", new { stepId = step, note = "Trained before." })).Status);
        return dog;
    }

    private async Task<string> BeginAsync(string dog)
    {
        var begun = await server.PostAsync($"{dog}/sessions");
        Assert.Equal(HttpStatusCode.OK, begun.Status);
        return $"/api/sessions/{begun["id"]}";
    }

    private static JsonObject Where(JsonNode set, params (string Name, JsonNode Value)[] more)
    {
        var tapped = new JsonObject
        {
            ["set"] = set["number"]!.DeepClone(),
            ["stepId"] = set["stepId"]!.DeepClone(),
            ["target"] = set["target"]!.DeepClone(),
        };
        foreach (var (name, value) in more)
            tapped[name] = value;
        return tapped;
    }

    private Task<Answer> GoAsync(string session, JsonNode set, bool success) =>
        server.PutAsync($"{session}/goes/{Guid.NewGuid()}", Where(set, ("success", success)));

    private Task<Answer> SignAsync(string session, JsonNode set, string sign) =>
        server.PutAsync($"{session}/signs/{Guid.NewGuid()}", Where(set, ("signId", sign)));

    private static string State(Answer plan, string step) =>
        plan["steps"]!.AsArray().Single(s => s!["step"]!["id"]!.GetValue<string>() == step)!["state"]!.GetValue<string>();

    private static (string Step, int Target) Stands(Answer plan) =>
        plan["steps"]!.AsArray().Single(s => s!["state"]!.GetValue<string>() == "here") is var here
            ? (here!["step"]!["id"]!.GetValue<string>(), here["target"]!.GetValue<int>())
            : default;

    /// <summary>A worried dog: one easy go well below, on record; as it comes off it snaps, and that is on record too and counts as in the session.</summary>
    [Fact]
    public async Task The_easy_go_and_a_snap_as_it_comes_off_are_on_record()
    {
        var dog = await DogAsync();
        var session = await BeginAsync(dog);
        var open = (await server.GetAsync(session))["openSet"]!;
        await GoAsync(session, open, true);
        await SignAsync(session, open, "lip-lick");
        var ended = await server.PostAsync($"{session}/sets/1/finish");
        var after = ended["after"]!;
        Assert.Equal(
            (true, -2, "One easy go, then it is over. Tap what you see as it comes off."),
            (after["asksEasyGo"]!.GetValue<bool>(), after["set"]!["target"]!.GetValue<int>(), after["says"]!.GetValue<string>())
        );
        var before = Stands(await server.GetAsync($"{dog}/plan"));

        var easy = await GoAsync(session, after["set"]!, true);
        Assert.Equal(HttpStatusCode.OK, easy.Status);
        Assert.False(easy["after"]!["asksEasyGo"]!.GetValue<bool>());
        Assert.Equal(HttpStatusCode.Conflict, (await GoAsync(session, after["set"]!, true)).Status);
        Assert.Equal(before, Stands(await server.GetAsync($"{dog}/plan")));
        Assert.Single(easy["sets"]!.AsArray());

        var snapped = await SignAsync(session, after["set"]!, "snaps");
        Assert.Equal((HttpStatusCode.OK, "endNow"), (snapped.Status, snapped["after"]!["set"]!["decision"]!.GetValue<string>()));
        var plan = await server.GetAsync($"{dog}/plan");
        Assert.Equal($"{server.Today.AddDays(1):yyyy-MM-dd}", plan.Text("notBefore"));
        Assert.NotEqual(before, Stands(plan));

        // A second one is on record and moves nothing more.
        Assert.Equal(HttpStatusCode.OK, (await SignAsync(session, after["set"]!, "growls")).Status);
        Assert.Equal(Stands(plan), Stands(await server.GetAsync($"{dog}/plan")));
    }

    /// <summary>Somebody else finished the set: what is tapped on the second phone is a set behind. A growl is taken at once, wherever it was tapped.</summary>
    [Fact]
    public async Task A_growl_from_the_second_phone_is_taken_at_once()
    {
        var dog = await DogAsync();
        var session = await BeginAsync(dog);
        var first = (await server.GetAsync(session))["openSet"]!;
        for (var i = 0; i < 5; i++)
            await GoAsync(session, first, true);
        await server.PostAsync($"{session}/sets/1/finish");
        Assert.Equal(HttpStatusCode.Conflict, (await SignAsync(session, first, "ears-back")).Status);
        var growled = await SignAsync(session, first, "growls");
        Assert.Equal((HttpStatusCode.OK, true), (growled.Status, growled["endNow"]!.GetValue<bool>()));
        Assert.Equal(2, growled["openSet"]!["number"]!.GetValue<int>());
        Assert.Equal("endNow", (await server.PostAsync($"{session}/sets/2/finish"))["sets"]![1]!["decision"]!.GetValue<string>());

        // After it has ended too, from a phone that still shows the first set.
        Assert.Equal(HttpStatusCode.OK, (await SignAsync(session, first, "snaps")).Status);
        server.Clock.Advance(TimeSpan.FromDays(1));
        await BeginAsync(dog);
        Assert.Equal(HttpStatusCode.Conflict, (await SignAsync(session, first, "snaps")).Status);
    }

    [Fact]
    public async Task An_hour_apart_twice_a_day_and_worried_is_the_last()
    {
        var dog = await DogAsync();
        async Task<Answer> TrainAsync(string? sign = null)
        {
            var session = await BeginAsync(dog);
            var open = (await server.GetAsync(session))["openSet"]!;
            await GoAsync(session, open, true);
            if (sign is not null)
                await SignAsync(session, open, sign);
            await server.PostAsync($"{session}/end");
            return await server.PostAsync($"{dog}/sessions");
        }

        Assert.Contains("leave it an hour", (await TrainAsync()).Text("detail"), StringComparison.Ordinal);
        Assert.Null((await server.GetAsync($"{dog}/sessions/next")).Json?["id"]);
        server.Clock.Advance(TimeSpan.FromHours(1));
        Assert.Contains("Two sessions are enough for a day", (await TrainAsync()).Text("detail"), StringComparison.Ordinal);
        server.Clock.Advance(TimeSpan.FromDays(1));
        Assert.Contains("the last of the day", (await TrainAsync("lip-lick")).Text("detail"), StringComparison.Ordinal);
        Assert.Contains("the last of the day", (await server.GetAsync($"{dog}/plan")).Text("notNow"), StringComparison.Ordinal);
        // Overruled by hand, with a note.
        server.Clock.Advance(TimeSpan.FromMinutes(5));
        await server.PostAsync($"{dog}/plan/position", new { stepId = "touch-it", note = "It only licked off the spread." });
        await BeginAsync(dog);
    }

    /// <summary>Frozen yesterday, and a phone in the byre has a session of its own: a rest day is one however it arrives, and a clock two days fast does not end it.</summary>
    [Fact]
    public async Task A_rest_day_holds_for_a_session_from_a_dead_spot_and_for_a_wrong_clock()
    {
        var dog = await DogAsync("wary");
        var session = await BeginAsync(dog);
        await SignAsync(session, (await server.GetAsync(session))["openSet"]!, "freezes");
        await server.PostAsync($"{session}/sets/1/finish");
        var until = server.Today.AddDays(2);
        server.Clock.Advance(TimeSpan.FromHours(20));
        var sent = server.Clock.GetUtcNow();
        var fast = TimeSpan.FromDays(2);
        JsonObject Begun(Guid id, string? note = null) =>
            new()
            {
                ["id"] = id,
                ["stepId"] = "nose-at-rim",
                ["target"] = 0,
                ["at"] = sent + fast - TimeSpan.FromMinutes(10),
                ["sentAt"] = sent + fast,
                ["note"] = note,
            };
        var refused = await server.PostAsync($"{dog}/sessions", Begun(Guid.NewGuid()));
        Assert.Equal(HttpStatusCode.Conflict, refused.Status);
        Assert.Contains("not before", refused.Text("detail"), StringComparison.Ordinal);

        // Trained all the same: on record with the word of whoever did, at the time it was by our clock, and the rest still holds.
        var id = Guid.NewGuid();
        var kept = await server.PostAsync($"{dog}/sessions", Begun(id, "The children did."));
        Assert.Equal((HttpStatusCode.OK, (sent - TimeSpan.FromMinutes(10)).UtcDateTime), (kept.Status, kept["startedAt"]!.GetValue<DateTime>()));
        for (var i = 0; i < 5; i++)
            await GoAsync($"/api/sessions/{id}", kept["openSet"]!, true);
        Assert.Equal("raise", (await server.PostAsync($"/api/sessions/{id}/sets/1/finish"))["sets"]![0]!["decision"]!.GetValue<string>());
        await server.PostAsync($"/api/sessions/{id}/end");
        Assert.Equal($"{until:yyyy-MM-dd}", (await server.GetAsync($"{dog}/plan")).Text("notBefore"));
    }

    /// <summary>It freezes on two days: training stops, on the pad, the plan and the round, until somebody says what is different.</summary>
    [Fact]
    public async Task Training_stops_until_somebody_says_what_is_different()
    {
        var dog = await DogAsync();
        async Task<Answer> FreezeAsync()
        {
            await server.PostAsync($"{dog}/plan/position", new { stepId = "nose-at-rim", note = "At it again." });
            var session = await BeginAsync(dog);
            await SignAsync(session, (await server.GetAsync(session))["openSet"]!, "freezes");
            var ended = await server.PostAsync($"{session}/sets/1/finish");
            server.Clock.Advance(TimeSpan.FromDays(1));
            return ended;
        }

        Assert.Null((await FreezeAsync())["stop"]);
        Assert.Contains("Over threshold twice", (await FreezeAsync()).Text("stop"), StringComparison.Ordinal);
        var plan = await server.GetAsync($"{dog}/plan");
        Assert.Contains("Over threshold twice", plan["stop"]!["says"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Equal(7, plan["stop"]!["choices"]!.AsArray().Count);
        Assert.Contains("stopped", (await server.PostAsync($"{dog}/sessions")).Text("detail"), StringComparison.Ordinal);
        // Setting it elsewhere does not say what is different.
        await server.PostAsync($"{dog}/plan/position", new { stepId = "touch-it", note = "Easier." });
        Assert.Equal(HttpStatusCode.Conflict, (await server.PostAsync($"{dog}/sessions")).Status);
        var id = dog.Split('/')[^1];
        var row = (await server.GetAsync("/api/training"))["rows"]!.AsArray().Single(r => r!["id"]!.GetValue<string>() == id)!;
        Assert.Equal("stopped", row["state"]!.GetValue<string>());
        Assert.Equal(
            "Training is stopped",
            (await server.GetAsync(dog))["things"]!.AsArray().First(t => t!["matter"]!.GetValue<string>() == "stopped")!["title"]!.GetValue<string>()
        );

        Assert.NotNull((await server.PostAsync($"{dog}/plan/resume", new { differs = "stageBack" })).Problem("note"));
        Assert.NotNull((await server.PostAsync($"{dog}/plan/resume", new { note = "x" })).Problem("differs"));
        var on = await server.PostAsync($"{dog}/plan/resume", new { differs = "stageBack", note = "The vet found a sore tooth; it is out." });
        Assert.Equal((HttpStatusCode.OK, true), (on.Status, on["stop"] is null));
        Assert.Contains("a stage back", on.Text("lastReason"), StringComparison.Ordinal);
        Assert.Contains("sore tooth", on.Text("lastReason"), StringComparison.Ordinal);
        Assert.Equal("look-at-it", Stands(on).Step);
        await BeginAsync(dog);
        Assert.Equal(HttpStatusCode.Conflict, (await server.PostAsync($"{dog}/plan/resume", new { differs = "otherFood", note = "x" })).Status);
    }

    /// <summary>Set too far by hand: what then counted as passed can be withdrawn, one by one or by going back, and stays on record with why.</summary>
    [Fact]
    public async Task What_was_passed_by_hand_can_be_withdrawn()
    {
        var dog = await DogAsync("soured", "worn-still");
        Assert.Equal("passed", State(await server.GetAsync($"{dog}/plan"), "hold-short"));
        Assert.NotNull((await server.PostAsync($"{dog}/plan/passes/hold-short/withdraw", new { })).Problem("note"));
        Assert.Equal(HttpStatusCode.NotFound, (await server.PostAsync($"{dog}/plan/passes/worn-games/withdraw", new { note = "x" })).Status);
        var plan = await server.PostAsync($"{dog}/plan/passes/hold-short/withdraw", new { note = "It never did with us." });
        Assert.Equal("ahead", State(plan, "hold-short"));

        Assert.NotNull(
            (
                await server.PostAsync(
                    $"{dog}/plan/position",
                    new
                    {
                        stepId = "touch-it",
                        note = "Back.",
                        noLongerCounts = new[] { "settle-place" },
                    }
                )
            ).Problem("noLongerCounts")
        );
        var back = await server.PostAsync(
            $"{dog}/plan/position",
            new
            {
                stepId = "touch-it",
                note = "Back.",
                noLongerCounts = new[] { "touch-it", "nose-at-rim", "nose-halfway", "nose-all-in" },
            }
        );
        Assert.Equal(("here", "ahead", "passed"), (State(back, "touch-it"), State(back, "nose-all-in"), State(back, "look-at-it")));

        // Passed anew, by hand again, it counts again; what was withdrawn is still on record.
        await server.PostAsync($"{dog}/plan/position", new { stepId = "worn-still", note = "It does after all." });
        Assert.Equal("passed", State(await server.GetAsync($"{dog}/plan"), "hold-short"));
        var id = Guid.Parse(dog.Split('/')[^1]);
        await using var db = new PracticeDb(new DbContextOptionsBuilder<PracticeDb>().UseSqlite(PracticeFolder.ConnectionTo(server.Folder)).Options);
        var held = await db
            .StepPasses.Where(p => p.DogId == id && p.StepId == "hold-short")
            .OrderBy(p => p.Id)
            .ToListAsync(TestContext.Current.CancellationToken);
        Assert.Equal([("It never did with us.", false), (null, true)], held.Select(p => (p.WithdrawnNote, p.WithdrawnAt is null)));
    }

    /// <summary>Half a year away: it is not trained where it stood, but asked what is left.</summary>
    [Fact]
    public async Task After_half_a_year_where_to_begin_is_found_anew()
    {
        var dog = await DogAsync(step: "hold-long");
        var session = await BeginAsync(dog);
        await GoAsync(session, (await server.GetAsync(session))["openSet"]!, true);
        await server.PostAsync($"{session}/end");
        Assert.False((await server.GetAsync($"{dog}/plan"))["mayFindBeginning"]!.GetValue<bool>());
        server.Clock.Advance(TimeSpan.FromDays(181));
        Assert.True((await server.GetAsync($"{dog}/plan"))["mayFindBeginning"]!.GetValue<bool>());
        Assert.Contains("181 days without training", (await server.PostAsync($"{dog}/sessions")).Text("detail"), StringComparison.Ordinal);
        var begun = await server.PostAsync($"{dog}/plan/begin", new { wentWell = 4 });
        Assert.Equal(("here", "passed", "ahead"), (State(begun, "look-at-it"), State(begun, "muzzle-appears"), State(begun, "nose-all-in")));
        // There it begins, and not lower again for the same pause.
        var anew = await server.GetAsync(await BeginAsync(dog));
        Assert.Equal(
            ("look-at-it", 0, null),
            (anew["openSet"]!["stepId"]!.GetValue<string>(), anew["openSet"]!["target"]!.GetValue<int>(), anew["gapReason"]?.GetValue<string>())
        );
    }

    /// <summary>Six right with ears back at the sixth, tapped in a dead spot: the sign comes before the count.</summary>
    [Fact]
    public async Task A_sign_comes_before_the_count_in_a_dead_spot_too()
    {
        var dog = await DogAsync("wary");
        var session = await BeginAsync(dog);
        var open = (await server.GetAsync(session))["openSet"]!;
        for (var i = 0; i < 6; i++)
            await GoAsync(session, open, true);
        await SignAsync(session, open, "ears-back");
        var decided = await server.PostAsync($"{session}/sets/1/finish");
        Assert.Equal(("back", true), (decided["sets"]![0]!["decision"]!.GetValue<string>(), decided["endedAt"] is not null));
    }
}
