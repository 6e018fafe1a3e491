using System.Net;
using System.Text.Json.Nodes;

namespace JauntyBadge.Server.Tests;

public sealed class DemoTests
{
    [Fact]
    public async Task The_demo_practice_has_dogs_at_every_point_of_the_way_and_is_filled_once()
    {
        string folder;
        using (var first = new PracticeServer(demo: true))
        {
            folder = first.Folder;
            var round = (await first.GetAsync("/api/round")).Json.AsArray();
            Assert.True(round.Count >= 6);
            string[] Of(Func<JsonNode, string> pick) => [.. round.Select(c => pick(c!)).Distinct().Order()];
            Assert.Equal(["long", "medium", "short"], Of(c => c["headShape"]!["shape"]!.GetValue<string>()));
            Assert.Equal(["fit", "measure", "rest", "session"], Of(c => c["next"]!["kind"]!.GetValue<string>()));
            Assert.Equal(4, Of(c => c["dog"]!["temperament"]!.GetValue<string>()).Length);
            Assert.Equal(6, round.SelectMany(c => c!["dog"]!["purposes"]!.AsArray()).Select(p => p!.GetValue<string>()).Distinct().Count());
            foreach (var card in round)
                Assert.Equal(HttpStatusCode.OK, (await first.GetAsync($"/api/dogs/{card!["dog"]!["id"]}/sessions")).Status);
        }

        using var second = new PracticeServer(demo: true, folder);
        Assert.Equal(10, (await second.GetAsync("/api/round")).Json.AsArray().Count);
    }

    [Fact]
    public async Task Records_are_dated_before_today()
    {
        using var server = new PracticeServer(demo: true);
        foreach (var card in (await server.GetAsync("/api/round")).Json.AsArray())
        {
            var sessions = (await server.GetAsync($"/api/dogs/{card!["dog"]!["id"]}/sessions")).Json.AsArray();
            Assert.All(sessions, s => Assert.True(s!["startedAt"]!.GetValue<DateTime>() <= server.Clock.GetUtcNow().UtcDateTime));
        }
    }
}
