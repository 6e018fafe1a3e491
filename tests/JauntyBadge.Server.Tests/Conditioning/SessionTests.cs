using System.Net;
using System.Text.Json.Nodes;
using JauntyBadge.Data;
using JauntyBadge.Data.Conditioning;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Tests.Conditioning;

public sealed partial class SessionTests(PracticeServer server) : IClassFixture<PracticeServer>
{
    private async Task<(string Dog, string Session)> StartAsync(string step = "nose-at-rim")
    {
        var dog = await server.NewDogAsync();
        await server.PostAsync($"{dog}/plan/position", new { stepId = step, note = "Trained before it came to us." });
        var session = await server.PostAsync($"{dog}/sessions");
        Assert.Equal(HttpStatusCode.OK, session.Status);
        return (dog, $"/api/sessions/{session["id"]}");
    }

    private async Task<Answer> GoesAsync(string session, int good, int missed = 0)
    {
        for (var i = 0; i < good + missed; i++)
            Assert.Equal(HttpStatusCode.OK, (await GoAsync(session, Guid.NewGuid(), i < good)).Status);
        return await server.GetAsync(session);
    }

    /// <summary>A go tapped in a set, as the pad sends it.</summary>
    internal static JsonObject Go(JsonNode? set, bool success = true) => new(Tapped(set)) { ["success"] = success, ["heldMs"] = 1200 };

    private static JsonObject Sign(JsonNode? set, string sign) => new(Tapped(set)) { ["signId"] = sign };

    private static IEnumerable<KeyValuePair<string, JsonNode?>> Tapped(JsonNode? set) =>
        [new("set", set?["number"]?.DeepClone() ?? 1), new("stepId", set?["stepId"]?.DeepClone() ?? "none"), new("target", set?["target"]?.DeepClone() ?? 0)];

    /// <summary>A go tapped in the set that is open.</summary>
    private async Task<Answer> GoAsync(string session, Guid id, bool success = true) =>
        await server.PutAsync($"{session}/goes/{id}", Go((await server.GetAsync(session))["openSet"], success));

    private async Task<Answer> SignAsync(string session, string path, string sign) =>
        await server.PutAsync(path, Sign((await server.GetAsync(session))["openSet"], sign));

    private static string Decision(Answer session) => session["sets"]!.AsArray()[^1]!["decision"]!.GetValue<string>();

    [Fact]
    public async Task A_set_is_saved_as_it_happens_and_the_rule_decides_with_a_reason()
    {
        var (dog, session) = await StartAsync();
        var open = await GoesAsync(session, 3);
        Assert.Equal((3, false), (open["openSet"]!["goes"]!.AsArray().Count, open["isClear"]!.GetValue<bool>()));
        Assert.Equal("Two more right or four missed in a row settles it.", open.Text("settles"));
        open = await GoesAsync(session, 2);
        Assert.Equal((true, "That is clear: finish the set."), (open["isClear"]!.GetValue<bool>(), open.Text("settles")));
        var finished = await server.PostAsync($"{session}/sets/1/finish");
        Assert.Equal("raise", Decision(finished));
        Assert.Contains("5 of 5 went well", finished["sets"]![0]!["reason"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Equal((2, 1), (finished["openSet"]!["number"]!.GetValue<int>(), finished["openSet"]!["target"]!.GetValue<int>()));

        var again = await server.PostAsync($"{session}/sets/1/finish");
        Assert.Equal(finished.Json.ToJsonString(), again.Json.ToJsonString());
        await server.PostAsync($"{session}/end");
        var plan = await server.GetAsync($"{dog}/plan");
        Assert.Equal(1, plan["steps"]!.AsArray().Single(s => s!["state"]!.GetValue<string>() == "here")!["target"]!.GetValue<int>());
    }

    [Fact]
    public async Task A_go_sent_twice_counts_once_one_can_be_taken_back_and_a_set_has_ten()
    {
        var (_, session) = await StartAsync();
        var id = Guid.NewGuid();
        var go = $"{session}/goes/{id}";
        await GoAsync(session, id);
        await GoAsync(session, id);
        Assert.Single((await server.GetAsync(session))["openSet"]!["goes"]!.AsArray());
        Assert.Empty((await server.SendAsync(HttpMethod.Delete, go))["openSet"]!["goes"]!.AsArray());
        await GoesAsync(session, 10);
        Assert.Equal(HttpStatusCode.Conflict, (await GoAsync(session, Guid.NewGuid())).Status);
    }

    [Fact]
    public async Task Two_devices_at_once_never_make_a_set_longer_than_ten_nor_decide_it_twice()
    {
        var (dog, session) = await StartAsync();
        var puts = await Task.WhenAll(Enumerable.Range(0, 24).Select(_ => GoAsync(session, Guid.NewGuid())));
        Assert.Equal(10, puts.Count(p => p.Status == HttpStatusCode.OK));
        Assert.Equal(14, puts.Count(p => p.Status == HttpStatusCode.Conflict));
        Assert.Equal(10, (await server.GetAsync(session))["openSet"]!["goes"]!.AsArray().Count);

        var finishes = await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => server.PostAsync($"{session}/sets/1/finish")));
        Assert.All(finishes, f => Assert.Equal(HttpStatusCode.OK, f.Status));
        var after = await server.GetAsync(session);
        Assert.Single(after["sets"]!.AsArray());
        var plan = await server.GetAsync($"{dog}/plan");
        Assert.Equal(1, plan["steps"]!.AsArray().Single(s => s!["state"]!.GetValue<string>() == "here")!["target"]!.GetValue<int>());
    }

    [Fact]
    public async Task Over_threshold_ends_the_session_until_tomorrow()
    {
        var (dog, session) = await StartAsync();
        await GoesAsync(session, 2);
        var seen = await SignAsync(session, $"{session}/signs/{Guid.NewGuid()}", "freezes");
        Assert.True(seen["endNow"]!.GetValue<bool>());
        var finished = await server.PostAsync($"{session}/sets/1/finish");
        Assert.Equal("endNow", Decision(finished));
        Assert.NotNull(finished["endedAt"]);
        Assert.Equal($"{server.Today.AddDays(1):yyyy-MM-dd}", (await server.GetAsync($"{dog}/plan")).Text("notBefore"));
        var tooSoon = await server.PostAsync($"{dog}/sessions");
        Assert.Equal(HttpStatusCode.Conflict, tooSoon.Status);
        Assert.Contains("not before", tooSoon.Text("detail"), StringComparison.Ordinal);
        server.Clock.Advance(TimeSpan.FromDays(1));
        Assert.Equal(HttpStatusCode.OK, (await server.PostAsync($"{dog}/sessions")).Status);
    }

    [Fact]
    public async Task A_sign_can_be_taken_back_and_an_unknown_one_is_refused()
    {
        var (_, session) = await StartAsync();
        var seen = $"{session}/signs/{Guid.NewGuid()}";
        await SignAsync(session, seen, "growls");
        Assert.False((await server.SendAsync(HttpMethod.Delete, seen))["endNow"]!.GetValue<bool>());
        Assert.NotNull((await SignAsync(session, seen, "sings")).Problem("signId"));
    }

    /// <summary>Tapped on a pad that shows a set which is finished meanwhile: refused with where things stand, and counted nowhere.</summary>
    [Fact]
    public async Task What_was_tapped_in_one_set_never_counts_in_another()
    {
        var (_, session) = await StartAsync();
        var shown = (await GoesAsync(session, 6))["openSet"]!;
        Assert.Equal(HttpStatusCode.OK, (await server.PostAsync($"{session}/sets/1/finish")).Status);
        var second = shown.DeepClone();
        second["number"] = 2;
        foreach (
            var (path, body) in new[]
            {
                ($"goes/{Guid.NewGuid()}", Go(shown)),
                ($"signs/{Guid.NewGuid()}", Sign(shown, "ears-back")),
                ($"goes/{Guid.NewGuid()}", Go(second)),
            }
        )
        {
            var stale = await server.PutAsync($"{session}/{path}", body);
            Assert.Equal(HttpStatusCode.Conflict, stale.Status);
            Assert.Equal(2, stale["current"]!["openSet"]!["number"]!.GetValue<int>());
        }

        Assert.Empty((await server.GetAsync(session))["openSet"]!["goes"]!.AsArray());
        Assert.NotNull((await server.PutAsync($"{session}/goes/{Guid.NewGuid()}", new { success = true })).Problem("set"));
    }

    [Fact]
    public async Task An_id_used_again_for_something_else_is_a_conflict()
    {
        var (_, session) = await StartAsync();
        var id = Guid.NewGuid();
        Assert.Equal(HttpStatusCode.OK, (await GoAsync(session, id)).Status);
        Assert.Equal(HttpStatusCode.Conflict, (await GoAsync(session, id, success: false)).Status);
        Assert.Equal(HttpStatusCode.OK, (await GoAsync(session, id)).Status);
        Assert.True((await server.GetAsync(session))["openSet"]!["goes"]![0]!["success"]!.GetValue<bool>());
    }

    private async Task<Answer> FinishAsync(string session, int set, int good, int missed = 0)
    {
        await GoesAsync(session, good, missed);
        return await server.PostAsync($"{session}/sets/{set}/finish");
    }

    private async Task<List<string>> PassedAsync(string dog) =>
        [.. (await server.GetAsync($"{dog}/plan"))["steps"]!.AsArray().Where(s => s!["passed"] is not null).Select(s => s!["step"]!["id"]!.GetValue<string>())];

    /// <summary>Only the gate of a stage asks for two days.</summary>
    [Fact]
    public async Task A_step_is_passed_when_its_top_target_goes_well_and_a_gate_on_two_days()
    {
        var (dog, session) = await StartAsync("rank-treats");
        foreach (var (set, goes, decision) in new[] { (1, 3, "raise"), (2, 5, "passed"), (3, 7, "raise"), (4, 10, "passed"), (5, 5, "raise") })
            Assert.Equal((set, decision), (set, Decision(await FinishAsync(session, set, goes))));

        // Thirty goes are enough, whatever is next.
        var enough = await server.GetAsync(session);
        Assert.NotNull(enough["endedAt"]);
        Assert.Contains("30 goes are enough", enough["sets"]![4]!["reason"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Equal(["rank-treats", "charge-marker"], await PassedAsync(dog));

        server.Clock.Advance(TimeSpan.FromHours(1));
        var gate = $"/api/sessions/{(await server.PostAsync($"{dog}/sessions"))["id"]}";
        Assert.Equal("settle-place", (await server.GetAsync(gate))["openSet"]!["stepId"]!.GetValue<string>());
        Assert.Equal("raise", Decision(await FinishAsync(gate, 1, 5)));
        var once = await FinishAsync(gate, 2, 5);
        Assert.Equal(("same", true), (Decision(once), once["endedAt"] is not null));
        server.Clock.Advance(TimeSpan.FromDays(1));
        Assert.Equal("passed", Decision(await FinishAsync($"/api/sessions/{(await server.PostAsync($"{dog}/sessions"))["id"]}", 1, 5)));
        Assert.Equal(["rank-treats", "charge-marker", "settle-place"], await PassedAsync(dog));
    }

    /// <summary>A fear noticed brings steps that were never trained: they are trained before the plan goes on, and count for nothing until then.</summary>
    [Fact]
    public async Task A_step_that_comes_into_the_plan_or_moves_in_it_is_untrained_until_it_is_trained()
    {
        var dog = await server.NewDogAsync(
            new
            {
                name = "Sedge",
                temperament = "typical",
                purposes = new[] { "walks" },
            }
        );
        await server.PostAsync(
            $"{dog}/plan/position",
            new
            {
                stepId = "hold-short",
                target = 0,
                note = "Came to us so.",
            }
        );
        var before = await PassedAsync(dog);
        await server.PutAsync(
            dog,
            new
            {
                name = "Sedge",
                temperament = "typical",
                purposes = new[] { "walks" },
                sensitivities = new[] { "clicks", "handsBehindHead" },
            }
        );
        Assert.Equal(before, await PassedAsync(dog));
        Assert.DoesNotContain("click-near", before);
        Assert.DoesNotContain("hands-slow", before);

        // Hold on where it stood; the gate's two days over, what is missing earlier comes first.
        for (var day = 0; day < 12 && !(await PassedAsync(dog)).Contains("hold-short"); day++)
        {
            var session = $"/api/sessions/{(await server.PostAsync($"{dog}/sessions"))["id"]}";
            for (var set = 1; (await server.GetAsync(session))["endedAt"] is null && !(await PassedAsync(dog)).Contains("hold-short") && set < 7; set++)
                await FinishAsync(session, set, 5);
            await server.PostAsync($"{session}/end");
            server.Clock.Advance(TimeSpan.FromDays(1));
        }

        Assert.Equal(
            "click-far",
            (await server.GetAsync($"{dog}/plan"))["steps"]!.AsArray().Single(s => s!["state"]!.GetValue<string>() == "here")!["step"]![
                "id"
            ]!.GetValue<string>()
        );
    }

    /// <summary>A session keeps the plan it began with.</summary>
    [Fact]
    public async Task A_dog_edited_in_mid_session_is_judged_as_the_session_began()
    {
        var dog = await server.NewDogAsync(
            new
            {
                name = "Reed",
                temperament = "typical",
                purposes = new[] { "walks" },
            }
        );
        var session = $"/api/sessions/{(await server.PostAsync($"{dog}/sessions"))["id"]}";
        await server.PutAsync(
            dog,
            new
            {
                name = "Reed",
                temperament = "soured",
                purposes = new[] { "walks" },
            }
        );
        await server.PostAsync($"{dog}/plan/rule", new { rule = "steadyTens", reason = "Our old way." });
        await GoesAsync(session, 2);
        await SignAsync(session, $"{session}/signs/{Guid.NewGuid()}", "looks-away");
        Assert.False((await server.GetAsync(session))["isClear"]!.GetValue<bool>());
        Assert.Equal("same", Decision(await FinishAsync(session, 1, 3)));
        await server.PostAsync($"{session}/end");
        server.Clock.Advance(TimeSpan.FromHours(1));

        // The next one begins with what the dog is now.
        var next = $"/api/sessions/{(await server.PostAsync($"{dog}/sessions"))["id"]}";
        await GoesAsync(next, 5);
        Assert.False((await server.GetAsync(next))["isClear"]!.GetValue<bool>());
        Assert.Equal(
            ("steadyTens", "Our old way."),
            (await server.GetAsync($"{dog}/plan")) is var plan ? (plan.Text("rule"), plan.Text("ruleReason")) : default
        );
    }

    [Fact]
    public async Task A_wary_dog_begins_below_is_heeded_at_the_first_unsure_sign_and_rests_two_days()
    {
        var dog = await server.NewDogAsync(
            new
            {
                name = "Tansy",
                temperament = "wary",
                purposes = new[] { "walks" },
            }
        );
        var session = $"/api/sessions/{(await server.PostAsync($"{dog}/sessions"))["id"]}";
        var begun = (await server.GetAsync(session))["openSet"]!;
        Assert.Equal((-2, "one hand open so that it sees"), (begun["target"]!.GetValue<int>(), begun["targetText"]!.GetValue<string>()));
        await GoesAsync(session, 2);
        Assert.True(
            (await SignAsync(session, $"{session}/signs/{Guid.NewGuid()}", "ears-back")) is var unsure
                && unsure["isClear"]!.GetValue<bool>()
                && unsure.Text("settles") == "It is unsure: finish the set."
        );
        var ended = await server.PostAsync($"{session}/sets/1/finish");
        Assert.Equal(("back", true), (Decision(ended), ended["endedAt"] is not null));
        server.Clock.Advance(TimeSpan.FromHours(1));
        var next = $"/api/sessions/{(await server.PostAsync($"{dog}/sessions"))["id"]}";
        Assert.Equal(-3, (await server.GetAsync(next))["openSet"]!["target"]!.GetValue<int>());
        await GoesAsync(next, 1);
        await SignAsync(next, $"{next}/signs/{Guid.NewGuid()}", "freezes");
        await server.PostAsync($"{next}/sets/1/finish");
        Assert.Equal($"{server.Today.AddDays(2):yyyy-MM-dd}", (await server.GetAsync($"{dog}/plan")).Text("notBefore"));
    }

    /// <summary>Held 2.2 s in eight goes, out of one of which it pulled, a wary dog is asked for 2.5 s next: on the pad, in the plan, and in the next session.</summary>
    [Fact]
    public async Task A_wary_dogs_hold_follows_from_its_holds()
    {
        var dog = await server.NewDogAsync(
            new
            {
                name = "Tansy",
                temperament = "wary",
                purposes = new[] { "walks" },
            }
        );
        var there = new
        {
            stepId = "hold-short",
            target = 1,
            note = "It did this at home.",
        };
        Assert.Equal(HttpStatusCode.OK, (await server.PostAsync($"{dog}/plan/position", there)).Status);
        var session = $"/api/sessions/{(await server.PostAsync($"{dog}/sessions"))["id"]}";
        for (var i = 0; i < 8; i++)
        {
            var go = Go((await server.GetAsync(session))["openSet"]!, success: i != 3);
            go["heldMs"] = 2200;
            Assert.Equal(HttpStatusCode.OK, (await server.PutAsync($"{session}/goes/{Guid.NewGuid()}", go)).Status);
        }

        var decided = await server.PostAsync($"{session}/sets/1/finish");
        Assert.Equal("raise", Decision(decided));
        Assert.Equal("7 of 8 went well and it was at ease, so on to 2.5 s, which its last holds bear.", decided["sets"]![0]!["reason"]!.GetValue<string>());
        void IsAsked(JsonNode set)
        {
            Assert.Equal((1, "2.5 s", 2.5), (set["target"]!.GetValue<int>(), set["targetText"]!.GetValue<string>(), set["holdSeconds"]!.GetValue<double>()));
            Assert.Equal(5, set["holdTargets"]!.AsArray().Count(t => t!.GetValue<double>() == 2.5));
        }

        IsAsked(decided["openSet"]!);
        await server.PostAsync($"{session}/end");
        var here = (await server.GetAsync($"{dog}/plan"))["steps"]!.AsArray().Single(s => s!["state"]!.GetValue<string>() == "here")!;
        server.Clock.Advance(TimeSpan.FromHours(1));
        Assert.Equal((1, "2.5 s"), (here["target"]!.GetValue<int>(), here["targetText"]!.GetValue<string>()));
        IsAsked((await server.GetAsync($"/api/sessions/{(await server.PostAsync($"{dog}/sessions"))["id"]}"))["openSet"]!);
    }

    /// <summary>Whatever is edited after, each set's log gives the decision on record: dog, numbers and rule are those it was decided by.</summary>
    [Fact]
    public async Task A_practice_replayed_from_its_log_comes_to_the_same_decisions()
    {
        using var own = new PracticeServer(demo: true);
        own.Clock.Advance(TimeSpan.FromHours(3));
        var dog = (await own.GetAsync("/api/round"))["cards"]!.AsArray().First(c => c!["things"]![0]!["kind"]!.GetValue<string>() == "session")![
            "id"
        ]!.GetValue<string>();
        var session = $"/api/sessions/{(await own.PostAsync($"/api/dogs/{dog}/sessions"))["id"]}";
        var shown = (await own.GetAsync(session))["openSet"]!;
        for (var i = 0; i < 2; i++)
            await own.PutAsync($"{session}/goes/{Guid.NewGuid()}", Go(shown, success: false));
        Assert.Equal("back", Decision(await own.PostAsync($"{session}/sets/1/finish")));
        await own.PutAsync("/api/house-numbers/train.wrong", new { value = 0.05, reason = "Surer." });
        await own.PutAsync("/api/house-numbers/train.enough-of-ten", new { value = 9, reason = "Stricter." });
        await own.PostAsync($"/api/dogs/{dog}/plan/rule", new { rule = "steadyTens", reason = "Our old way." });

        await using var db = new PracticeDb(new DbContextOptionsBuilder<PracticeDb>().UseSqlite(PracticeFolder.ConnectionTo(own.Folder)).Options);
        var replay = await Replay.RunAsync(db, TestContext.Current.CancellationToken);
        Assert.True(replay.Decided > 100);
        Assert.Equal((0, 0), (replay.Older, replay.Differences.Count));

        // A log that was tampered with is found.
        await db.Database.ExecuteSqlAsync(
            $"""UPDATE "Goes" SET "Success" = NOT "Success" WHERE "SetId" IN (SELECT "Id" FROM "Sets" WHERE "Decision" = 'Raise' ORDER BY "Id" LIMIT 1)""",
            TestContext.Current.CancellationToken
        );
        var differs = Assert.Single((await Replay.RunAsync(db, TestContext.Current.CancellationToken)).Differences);
        Assert.Equal(("Raise", "Back"), (differs.Recorded, differs.Now));
    }

    /// <summary>Goes that waited on the device carry the time they were tapped; a clock that cannot be right does not count.</summary>
    [Fact]
    public async Task A_go_carries_the_time_of_its_tap()
    {
        var (_, session) = await StartAsync();
        var tapped = server.Clock.GetUtcNow().AddSeconds(20);
        server.Clock.Advance(TimeSpan.FromHours(2));
        async Task<DateTime> AtAsync(DateTimeOffset at)
        {
            var id = Guid.NewGuid();
            var go = Go((await server.GetAsync(session))["openSet"]);
            go["at"] = at;
            await server.PutAsync($"{session}/goes/{id}", go);
            return (await server.GetAsync(session))["openSet"]!["goes"]!.AsArray().Single(g => g!["id"]!.GetValue<Guid>() == id)!["at"]!
                .GetValue<DateTime>()
                .ToUniversalTime();
        }

        Assert.Equal(tapped.UtcDateTime, await AtAsync(tapped));
        Assert.Equal(server.Clock.GetUtcNow().UtcDateTime, await AtAsync(tapped.AddYears(-3)));
        Assert.Equal(server.Clock.GetUtcNow().UtcDateTime, await AtAsync(tapped.AddDays(2)));
    }

    [Fact]
    public async Task A_dog_has_one_open_session_which_starting_again_goes_on_with()
    {
        var dog = await server.NewDogAsync();
        var starts = await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => server.PostAsync($"{dog}/sessions")));
        Assert.All(starts, s => Assert.Equal(HttpStatusCode.OK, s.Status));
        Assert.Single(starts.Select(s => s.Text("id")).Distinct());
        Assert.Equal("session", (await server.GetAsync(dog))["next"]!["kind"]!.GetValue<string>());
    }

    [Fact]
    public async Task An_empty_session_leaves_no_trace_and_an_ended_one_takes_no_more()
    {
        var (dog, session) = await StartAsync();
        await server.PostAsync($"{session}/end");
        Assert.Empty((await server.GetAsync($"{dog}/sessions")).Json.AsArray());
        var other = $"/api/sessions/{(await server.PostAsync($"{dog}/sessions"))["id"]}";
        await GoesAsync(other, 1);
        var ended = await server.PostAsync($"{other}/end");
        Assert.Equal("same", Decision(ended));
        Assert.Equal(HttpStatusCode.Conflict, (await GoAsync(other, Guid.NewGuid())).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await server.PostAsync($"{other}/sets/9/finish")).Status);
    }

    [Fact]
    public async Task The_plan_can_be_set_by_hand_with_a_note_and_a_gap_starts_lower()
    {
        var dog = await server.NewDogAsync();
        Assert.NotNull((await server.PostAsync($"{dog}/plan/position", new { stepId = "hold-short", target = 2 })).Problem("note"));
        Assert.NotNull(
            (
                await server.PostAsync(
                    $"{dog}/plan/position",
                    new
                    {
                        stepId = "hold-short",
                        target = 9,
                        note = "x",
                    }
                )
            ).Problem("target")
        );
        Assert.NotNull((await server.PostAsync($"{dog}/plan/position", new { stepId = "muzzle-alone", note = "x" })).Problem("stepId"));
        var plan = await server.PostAsync(
            $"{dog}/plan/position",
            new
            {
                stepId = "hold-short",
                target = 2,
                note = "trained elsewhere",
            }
        );
        Assert.Equal("trained elsewhere", plan.Text("lastReason"));

        var first = $"/api/sessions/{(await server.PostAsync($"{dog}/sessions"))["id"]}";
        await GoesAsync(first, 3, 2);
        await server.PostAsync($"{first}/end");
        server.Clock.Advance(TimeSpan.FromDays(10));
        var later = await server.PostAsync($"{dog}/sessions");
        Assert.Contains("10 days without training", later.Text("gapReason"), StringComparison.Ordinal);
        Assert.Equal(1, later["openSet"]!["target"]!.GetValue<int>());
        Assert.Equal(2, later["openSet"]!["holdSeconds"]!.GetValue<double>());
    }

    [Fact]
    public async Task Editing_the_dog_in_mid_plan_keeps_the_place()
    {
        var dog = await server.NewDogAsync(new { name = "Nettle", temperament = "soured" });
        await server.PostAsync($"{dog}/plan/position", new { stepId = "muzzle-alone", note = "x" });
        await server.PutAsync(dog, new { name = "Nettle", temperament = "bold" });
        var here = (await server.GetAsync($"{dog}/plan"))["steps"]!.AsArray().Single((JsonNode? s) => s!["state"]!.GetValue<string>() == "here")!;
        Assert.Equal("muzzle-appears", here["step"]!["id"]!.GetValue<string>());
    }
}
