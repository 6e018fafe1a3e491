using System.Net;
using System.Text.Json.Nodes;

namespace JauntyBadge.Server.Tests;

public sealed class SessionTests(PracticeServer server) : IClassFixture<PracticeServer>
{
    private async Task<(string Dog, string Session)> StartAsync()
    {
        var dog = await server.NewDogAsync();
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

    private async Task<Answer> SignAsync(string session, string path, string sign) => await server.PutAsync(path, Sign((await server.GetAsync(session))["openSet"], sign));

    private static string Decision(Answer session) => session["sets"]!.AsArray()[^1]!["decision"]!.GetValue<string>();

    [Fact]
    public async Task A_set_is_saved_as_it_happens_and_the_rule_decides_with_a_reason()
    {
        var (dog, session) = await StartAsync();
        var open = await GoesAsync(session, 4, 1);
        Assert.Equal(5, open["openSet"]!["goes"]!.AsArray().Count);
        var finished = await server.PostAsync($"{session}/sets/1/finish");
        Assert.Equal("raise", Decision(finished));
        Assert.Contains("4 of 5 went well", finished["sets"]![0]!["reason"]!.GetValue<string>(), StringComparison.Ordinal);
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
        Assert.Equal(1, (await server.GetAsync($"{dog}/plan"))["steps"]![0]!["target"]!.GetValue<int>());
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
        foreach (var (path, body) in new[] { ($"goes/{Guid.NewGuid()}", Go(shown)), ($"signs/{Guid.NewGuid()}", Sign(shown, "growls")), ($"goes/{Guid.NewGuid()}", Go(second)) })
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

    [Fact]
    public async Task Two_good_days_pass_a_step()
    {
        var (dog, session) = await StartAsync();
        await GoesAsync(session, 6);
        await server.PostAsync($"{session}/sets/1/finish"); // 3 → 5 times, the top target
        await GoesAsync(session, 6);
        Assert.Equal("same", Decision(await server.PostAsync($"{session}/sets/2/finish")));
        server.Clock.Advance(TimeSpan.FromDays(1));
        var next = $"/api/sessions/{(await server.PostAsync($"{dog}/sessions"))["id"]}";
        await GoesAsync(next, 6);
        Assert.Equal("passed", Decision(await server.PostAsync($"{next}/sets/1/finish")));
        Assert.Equal("charge-marker", (await server.GetAsync(next))["openSet"]!["stepId"]!.GetValue<string>());
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
        Assert.NotNull((await server.PostAsync($"{dog}/plan/position", new { stepId = "hold-short", target = 9, note = "x" })).Problem("target"));
        Assert.NotNull((await server.PostAsync($"{dog}/plan/position", new { stepId = "muzzle-alone", note = "x" })).Problem("stepId"));
        var plan = await server.PostAsync($"{dog}/plan/position", new { stepId = "hold-short", target = 2, note = "trained elsewhere" });
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
        Assert.Equal("look-at-it", here["step"]!["id"]!.GetValue<string>());
    }
}
