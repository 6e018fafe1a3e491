using System.Net;
using JauntyBadge.Data;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Tests.Conditioning;

/// <summary>What a device does while the server is away, and what a person decides instead of the rule.</summary>
public sealed partial class SessionTests
{
    [Fact]
    public async Task A_session_begun_on_a_device_while_the_server_was_away_is_begun_once_as_it_was_then()
    {
        var dog = await server.NewDogAsync();
        var ready = await server.GetAsync($"{dog}/sessions/next");
        Assert.Equal((HttpStatusCode.OK, 0), (ready.Status, (await server.GetAsync($"{dog}/sessions")).Json.AsArray().Count));
        var (id, set, yesterday) = (ready.Text("id"), ready["openSet"]!, server.Clock.GetUtcNow() - TimeSpan.FromHours(20));
        var begin = new
        {
            id,
            at = yesterday,
            stepId = set["stepId"]!.GetValue<string>(),
            target = set["target"]!.GetValue<int>(),
        };
        var session = $"/api/sessions/{id}";
        Assert.Equal(HttpStatusCode.OK, (await server.PostAsync($"{dog}/sessions", begin)).Status);
        for (var i = 0; i < 5; i++)
        {
            var go = Go(set);
            go["at"] = yesterday + TimeSpan.FromSeconds(10 * i);
            Assert.Equal(HttpStatusCode.OK, (await server.PutAsync($"{session}/goes/{Guid.NewGuid()}", go)).Status);
        }

        // What asks of each go does not change on the way.
        var open = await server.PostAsync($"{dog}/sessions", begin);
        Assert.Equal(5, open["openSet"]!["goes"]!.AsArray().Count);
        Assert.Equal(set["holdTargets"]?.ToJsonString(), open["openSet"]!["holdTargets"]?.ToJsonString());

        var closed = await server.PostAsync($"{session}/sets/1/finish", new { at = yesterday + TimeSpan.FromMinutes(1) });
        Assert.Equal("raise", Decision(closed));
        var ended = await server.PostAsync($"{session}/end", new { at = yesterday + TimeSpan.FromMinutes(2) });
        Assert.Equal(
            (yesterday.UtcDateTime, (yesterday + TimeSpan.FromMinutes(2)).UtcDateTime),
            (ended["startedAt"]!.GetValue<DateTime>(), ended["endedAt"]!.GetValue<DateTime>())
        );
        using var db = Db();
        Assert.Equal(
            DateOnly.FromDateTime(yesterday.UtcDateTime),
            (await db.Sets.SingleAsync(s => s.SessionId == Guid.Parse(id), TestContext.Current.CancellationToken)).Day
        );
    }

    [Fact]
    public async Task A_session_of_a_device_is_refused_beside_another_and_where_its_step_is_none()
    {
        var (dog, session) = await StartAsync();
        var begin = new
        {
            id = Guid.NewGuid(),
            stepId = "hold-short",
            target = 1,
        };
        var refused = await server.PostAsync($"{dog}/sessions", begin);
        Assert.Equal(HttpStatusCode.Conflict, refused.Status);
        Assert.Contains("Another session of Bracken is under way", refused.Text("detail"), StringComparison.Ordinal);
        await server.PostAsync($"{session}/end");

        // Where the plan stood on the device is where it was trained.
        var begun = await server.PostAsync($"{dog}/sessions", begin);
        Assert.Equal(("hold-short", 1), (begun["openSet"]!["stepId"]!.GetValue<string>(), begun["openSet"]!["target"]!.GetValue<int>()));
        await server.PostAsync($"/api/sessions/{begin.id}/end");
        foreach (
            var (wrong, field) in new[]
            {
                (
                    new
                    {
                        id = Guid.NewGuid(),
                        stepId = "no-such-step",
                        target = 0,
                    },
                    "stepId"
                ),
                (
                    new
                    {
                        id = Guid.NewGuid(),
                        stepId = "hold-short",
                        target = 99,
                    },
                    "target"
                ),
            }
        )
        {
            var answer = await server.PostAsync($"{dog}/sessions", wrong);
            Assert.Equal(HttpStatusCode.BadRequest, answer.Status);
            Assert.NotNull(answer["errors"]![field]);
        }

        // A clock that is wrong by months is not believed.
        var now = server.Clock.GetUtcNow().UtcDateTime;
        var late = await server.PostAsync($"{dog}/sessions", new { id = Guid.NewGuid(), at = now.AddMonths(-3) });
        Assert.Equal(now, late["startedAt"]!.GetValue<DateTime>());
    }

    [Fact]
    public async Task A_decision_is_overruled_with_a_note_until_training_goes_on()
    {
        var (dog, session) = await StartAsync();
        await GoesAsync(session, 5);
        var finished = await server.PostAsync($"{session}/sets/1/finish");
        Assert.Equal(1, finished["overrule"]!["set"]!.GetValue<int>());
        Assert.Equal(-3, finished["overrule"]!["rungs"]![0]!["target"]!.GetValue<int>());
        foreach (
            var (body, field) in new (object, string)[]
            {
                (new { target = 0 }, "note"),
                (new { note = "x" }, "target"),
                (new { target = 77, note = "x" }, "target"),
            }
        )
            Assert.NotNull((await server.PostAsync($"{session}/sets/1/overrule", body))["errors"]![field]);

        var overruled = await server.PostAsync($"{session}/sets/1/overrule", new { target = -1, note = "It only looked for the treat." });
        Assert.Equal(-1, overruled["openSet"]!["target"]!.GetValue<int>());
        Assert.EndsWith(": It only looked for the treat.", overruled["sets"]![0]!["overruled"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Equal("raise", Decision(overruled));

        await GoesAsync(session, 1);
        Assert.Null((await server.GetAsync(session))["overrule"]);
        Assert.Equal(HttpStatusCode.Conflict, (await server.PostAsync($"{session}/sets/1/overrule", new { target = 0, note = "Late." })).Status);
        await server.PostAsync($"{session}/end");
        Assert.Equal(HttpStatusCode.Conflict, (await server.PostAsync($"{session}/sets/1/overrule", new { target = 0, note = "Late." })).Status);
        Assert.NotNull((await server.GetAsync($"{dog}/plan"))["steps"]);
    }

    [Fact]
    public async Task A_step_whose_passing_is_overruled_is_not_passed_and_a_dog_over_threshold_rests()
    {
        var (dog, session) = await StartAsync();
        Answer now;
        do
        {
            await GoesAsync(session, 5);
            now = await server.GetAsync(session);
            now = await server.PostAsync($"{session}/sets/{now["openSet"]!["number"]}/finish");
        } while (Decision(now) == "raise");
        Assert.Equal("passed", Decision(now));
        var step = now["sets"]!.AsArray()[^1]!["stepId"]!.GetValue<string>();
        var number = now["sets"]!.AsArray()[^1]!["number"]!.GetValue<int>();
        var top = now["overrule"]!["rungs"]!.AsArray()[^1]!["target"]!.GetValue<int>();
        now = await server.PostAsync($"{session}/sets/{number}/overrule", new { target = top, note = "Once more, to be sure." });
        Assert.Equal((step, top), (now["openSet"]!["stepId"]!.GetValue<string>(), now["openSet"]!["target"]!.GetValue<int>()));
        var id = Guid.Parse(dog.Split('/')[^1]);
        using (var db = Db())
            Assert.False(await db.StepPasses.AnyAsync(p => p.DogId == id && p.StepId == step, TestContext.Current.CancellationToken));

        await SignAsync(session, $"{session}/signs/{Guid.NewGuid()}", "freezes");
        now = await server.PostAsync($"{session}/sets/{number + 1}/finish");
        Assert.Equal("endNow", Decision(now));
        Assert.Null(now["overrule"]);
        Assert.Contains(
            "rests",
            (await server.PostAsync($"{session}/sets/{number + 1}/overrule", new { target = 0, note = "No." })).Text("detail"),
            StringComparison.Ordinal
        );
        Assert.Equal("null", await server.Http.GetStringAsync($"{dog}/sessions/next"));
    }

    private PracticeDb Db() => new(new DbContextOptionsBuilder<PracticeDb>().UseSqlite(PracticeFolder.ConnectionTo(server.Folder)).Options);
}
