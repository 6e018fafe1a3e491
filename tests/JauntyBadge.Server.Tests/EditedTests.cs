using System.Net;
using System.Text.Json.Nodes;

namespace JauntyBadge.Server.Tests;

/// <summary>Everything that more than one hand edits has a version: of two that saw the same, the second is told what the first did.</summary>
public sealed class EditedTests(PracticeServer server) : IClassFixture<PracticeServer>
{
    public static TheoryData<string, string, string, string?> Edits =>
        new()
        {
            { "POST", "plan/week", """{"days":["monday"],"sessionsPerDay":1}""", """{"days":["friday"],"sessionsPerDay":2}""" },
            { "POST", "plan/school", """{"school":"SCHOOL","reason":"One."}""", """{"school":"SCHOOL","reason":"Two."}""" },
            { "POST", "plan/rule", """{"rule":"steadyTens","reason":"One."}""", """{"rule":"asSoonAsClear","reason":"Two."}""" },
            { "POST", "plan/position", """{"stepId":"hold-short","note":"One."}""", """{"stepId":"hold-short","note":"Two."}""" },
            { "POST", "plan/begin", """{"wentWell":1}""", """{"wentWell":0}""" },
            { "PUT", "brief/weight", """{"note":"One."}""", """{"note":"Two."}""" },
            { "DELETE", "brief/weight", "", null },
        };

    [Theory]
    [MemberData(nameof(Edits))]
    public async Task The_second_of_two_hands_overwrites_nothing_unseen(string method, string what, string first, string? second)
    {
        var dog = await server.MeasuredDogAsync();
        var school = (await server.GetAsync("/api/ways-of-working"))["schools"]![0]!["id"]!.GetValue<string>();
        var path = $"{dog}/{what}";
        long seen = 0;
        if (second is null)
        {
            var overruled = await server.EditAsync(HttpMethod.Put, path, """{"note":"There it is."}""", 0);
            seen = overruled["overruled"]!["weight"]!.GetValue<long>();
            Assert.Equal(HttpStatusCode.OK, (await server.EditAsync(HttpMethod.Put, path, """{"note":"By the first."}""", seen)).Status);
        }
        else
        {
            var one = await server.EditAsync(new HttpMethod(method), path, first.Replace("SCHOOL", school, StringComparison.Ordinal), 0);
            Assert.True(one.Status == HttpStatusCode.OK, one.Json.ToJsonString());
        }

        var body = second?.Replace("SCHOOL", school, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.PreconditionRequired, (await server.EditAsync(new HttpMethod(method), path, body, null)).Status);
        var told = await server.EditAsync(new HttpMethod(method), path, body, seen);
        Assert.Equal(HttpStatusCode.PreconditionFailed, told.Status);
        Assert.NotNull(told["current"]);

        // Whoever looked at that may go on.
        var newest = told["version"]!.GetValue<long>();
        Assert.NotEqual(seen, newest);
        if (what != "plan/begin")
            Assert.Equal(HttpStatusCode.OK, (await server.EditAsync(new HttpMethod(method), path, body, newest)).Status);
    }

    /// <summary>What each edit needs is told by what shows it.</summary>
    [Fact]
    public async Task The_plan_tells_the_versions_of_its_parts()
    {
        var dog = await server.MeasuredDogAsync();
        var plan = await server.GetAsync($"{dog}/plan");
        Assert.Equal((0, 0, 0), (plan.Number("choiceVersion"), plan.Number("ruleVersion"), plan.Number("positionVersion")));
        var moved = await server.EditAsync(HttpMethod.Post, $"{dog}/plan/position", new { stepId = "hold-short", note = "Knows it." }, 0);
        Assert.NotEqual(0, moved.Number("positionVersion"));
        Assert.Equal(0, moved.Number("ruleVersion"));
        var week = await server.EditAsync(HttpMethod.Post, $"{dog}/plan/week", new { days = new[] { "monday" } }, 0);
        Assert.Equal(week.Number("version"), (await server.GetAsync($"{dog}/plan")).Number("choiceVersion"));
        Assert.Equal(week.Number("version"), (await server.GetAsync($"{dog}/plan/outlook"))["week"]!["version"]!.GetValue<double>());
    }

    /// <summary>Training moves the plan too: a hand that set it aside before that is told.</summary>
    [Fact]
    public async Task A_plan_that_was_trained_on_meanwhile_is_not_set_back_unseen()
    {
        var dog = await server.MeasuredDogAsync();
        var session = await server.PostAsync($"{dog}/sessions");
        var set = session["openSet"]!;
        for (var go = 0; go < 5; go++)
            await server.PutAsync(
                $"/api/sessions/{session["id"]}/goes/{Guid.NewGuid()}",
                new JsonObject
                {
                    ["set"] = 1,
                    ["stepId"] = set["stepId"]!.DeepClone(),
                    ["target"] = set["target"]!.DeepClone(),
                    ["success"] = true,
                }
            );
        await server.PostAsync($"/api/sessions/{session["id"]}/end");
        Assert.Equal(
            HttpStatusCode.PreconditionFailed,
            (await server.EditAsync(HttpMethod.Post, $"{dog}/plan/position", new { stepId = "hold-short", note = "Unseen." }, 0)).Status
        );

        // Two hands at the decision of the set just finished.
        var finished = (await server.GetAsync($"/api/sessions/{session["id"]}"))["sets"]![0]!;
        var overrule = $"/api/sessions/{session["id"]}/sets/1/overrule";
        var version = finished["version"]!.GetValue<long>();
        Assert.Equal(HttpStatusCode.OK, (await server.EditAsync(HttpMethod.Post, overrule, new { target = 0, note = "One." }, version)).Status);
        var told = await server.EditAsync(HttpMethod.Post, overrule, new { target = 1, note = "Two." }, version);
        Assert.Equal(HttpStatusCode.PreconditionFailed, told.Status);
        Assert.Contains("One.", told["current"]!["sets"]![0]!["overruled"]!.GetValue<string>(), StringComparison.Ordinal);
    }
}
