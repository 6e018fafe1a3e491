using System.Net;
using System.Text.Json.Nodes;

namespace JauntyBadge.Server.Tests;

public sealed class DemoTests(DemoPracticeFolder filled) : IClassFixture<DemoPracticeFolder>
{
    [Fact]
    public async Task The_demo_practice_has_dogs_at_every_point_of_the_way_and_is_filled_once()
    {
        using (var first = filled.Open())
        {
            var round = (await first.GetAsync("/api/round"))["cards"]!.AsArray();
            Assert.True(round.Count >= 6);
            Assert.Equal(
                ["appointment", "fit", "inspect", "measure", "plan", "rest", "session", "wear"],
                round.SelectMany(c => c!["things"]!.AsArray()).Select(t => t!["kind"]!.GetValue<string>()).Distinct().Order()
            );
            Assert.Equal(6, round.SelectMany(c => c!["purposes"]!.AsArray()).Select(p => p!.GetValue<string>()).Distinct().Count());
            var dogs = new List<Answer>();
            foreach (var card in round)
            {
                Assert.Equal(HttpStatusCode.OK, (await first.GetAsync($"/api/dogs/{card!["id"]}/sessions")).Status);
                dogs.Add(await first.GetAsync($"/api/dogs/{card["id"]}"));
            }

            Assert.Equal(["long", "medium", "short"], dogs.Select(d => d["headShape"]!["shape"]!.GetValue<string>()).Distinct().Order());
            Assert.Equal(4, dogs.Select(d => d["dog"]!["temperament"]!.GetValue<string>()).Distinct().Count());
        }

        // Every server of this class has started on what the first one filled.
        using var second = filled.Open();
        Assert.Equal(10, (await second.GetAsync("/api/round"))["cards"]!.AsArray().Count);
    }

    /// <summary>What the bench can do is there to be seen: sets over time, a range of the practice's own, a marked picture, the airway caution.</summary>
    [Fact]
    public async Task The_demo_practice_shows_what_the_bench_can_do()
    {
        using var server = filled.Open();
        var ids = (await server.GetAsync("/api/round"))["cards"]!.AsArray().ToDictionary(c => c!["name"]!.GetValue<string>(), c => $"/api/dogs/{c!["id"]}");
        var sorrel = await server.GetAsync($"{ids["Sorrel"]}/measuring-sets");
        Assert.Equal(3, sorrel["sets"]!.AsArray().Count);
        Assert.NotEmpty(sorrel["measureAgain"]!.AsArray());
        Assert.Contains("weighs", (await server.GetAsync($"{ids["Otis"]}/bench"))["measureAgain"]![0]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.True((await server.GetAsync($"{ids["Dumpling"]}/bench"))["headShape"]!["airwayCaution"]!.GetValue<bool>());
        Assert.Equal([0, 7], (await server.GetAsync($"{ids["Nettle"]}/photos")).Json.AsArray().Select(p => p!["measures"]!.AsArray().Count).Order());
        var typing = await server.GetAsync($"{ids["Bracken"]}/bench/typing?measure=headGirth&text=480");
        Assert.Empty(typing["findings"]!.AsArray());
        await server.PostAsync($"{ids["Bracken"]}/readings", new { measure = "snoutWidth", text = "140" });
        Assert.Contains(
            (await server.GetAsync($"{ids["Bracken"]}/bench"))["findings"]!.AsArray(),
            f => f!["message"]!.GetValue<string>().Contains("9 earlier dogs", StringComparison.Ordinal)
        );
    }

    /// <summary>A month and more of wears, one balance about to sour, one muzzle that failed, and a warm afternoon.</summary>
    [Fact]
    public async Task The_demo_practice_shows_what_wearing_can_come_to()
    {
        using var server = filled.Open();
        var ids = (await server.GetAsync("/api/round"))["cards"]!.AsArray().ToDictionary(c => c!["name"]!.GetValue<string>(), c => $"/api/dogs/{c!["id"]}");
        var worn = (await server.GetAsync($"{ids["Otis"]}/wears")).Json.AsArray();
        Assert.True(worn.Count > 15 && worn.Min(w => w!["startedAt"]!.GetValue<DateTime>()) < server.Clock.GetUtcNow().AddDays(-31));
        var juno = await server.GetAsync($"{ids["Juno"]}/balance");
        Assert.True(juno["ahead"]!["after"]!.GetValue<double>() < 3 && juno["ahead"]!["happyOn"]!.AsArray().Count > 0);
        Assert.Equal("outOfUse", (await server.GetAsync($"{ids["Admiral"]}/inspections")).Text("due"));
        var day = new DateTimeOffset(server.Today, new(15, 0), TimeSpan.Zero);
        Assert.All(
            Enumerable.Range(0, 7).Select(d => new Server.Devices.StandInStation(server.Clock).WeatherAt(day.AddDays(d))),
            w => Assert.InRange(w.WetBulb!.Value.DegreesCelsius, 17, 23)
        );
    }

    [Fact]
    public async Task Records_are_dated_before_today()
    {
        using var server = filled.Open();
        foreach (var card in (await server.GetAsync("/api/round"))["cards"]!.AsArray())
        {
            var sessions = (await server.GetAsync($"/api/dogs/{card!["id"]}/sessions")).Json.AsArray();
            Assert.All(sessions, s => Assert.True(s!["startedAt"]!.GetValue<DateTime>() <= server.Clock.GetUtcNow().UtcDateTime));
        }
    }

    [Fact]
    public async Task The_demo_practice_shows_what_the_fitting_room_can_do()
    {
        using var server = filled.Open();
        var round = (await server.GetAsync("/api/round"))["cards"]!.AsArray();
        string Dog(string name) => $"/api/dogs/{round.Single(c => c!["name"]!.GetValue<string>() == name)!["id"]}";

        // Every chosen muzzle is kept with its model and can be drawn as it was; one dog has tried its own on.
        foreach (var card in round)
        {
            if ((await server.GetAsync($"/api/dogs/{card!["id"]}"))["choice"] is null)
                continue;
            var kept = (await server.GetAsync($"/api/dogs/{card!["id"]}/choices")).Json[0]!;
            Assert.NotNull(kept["kept"]!["muzzle"]);
            Assert.NotEmpty(kept["drawing"]!["basket"]!.AsArray());
        }

        Assert.Equal(
            ["rubs-bridge"],
            (await server.GetAsync($"{Dog("Otis")}/try-ons")).Json[0]!["seen"]!["symptoms"]!.AsArray().Select(s => s!.GetValue<string>())
        );
        Assert.All(
            ["Admiral", "Juno"],
            name => Assert.Equal(1, round.Single(c => c!["name"]!.GetValue<string>() == name)!["badge"]!["fitted"]!.GetValue<double>())
        );
        var admiral = (await server.GetAsync($"{Dog("Admiral")}/fits"))["brief"]!["lines"]!.AsArray();
        Assert.Contains(
            "doorbell",
            admiral.Single(l => l!["id"]!.GetValue<string>() == "tier2-sturdy")!["overruled"]!.GetValue<string>(),
            StringComparison.Ordinal
        );

        // A wary dog trains in a light one first; a flat face gets no sleeve, and something all the same.
        Assert.NotEmpty((await server.GetAsync($"{Dog("Fern")}/fits"))["training"]!.AsArray());
        var dumpling = (await server.GetAsync($"{Dog("Dumpling")}/fits"))["fits"]!.AsArray();
        Assert.DoesNotContain(dumpling, f => f!["type"]!.GetValue<string>() == "sleeve" && f["group"]!.GetValue<string>() == "fits");
        Assert.Equal("watched", dumpling[0]!["group"]!.GetValue<string>());

        // The van: what is carried fits somebody, the plan covers more, and the chart of length and girth has two versions.
        var van = await server.GetAsync("/api/van?sizes=6");
        Assert.All(van["carried"]!.AsArray(), c => Assert.True(c!["fitsDogs"]!.GetValue<int>() > 0, c["muzzle"]!.GetValue<string>()));
        Assert.True(van.Number("covered") > van.Number("coveredNow"));
        Assert.Equal(2, van["expected"]!.AsArray().Count);
        Assert.Equal(2, (await server.GetAsync("/api/catalogue/barge/versions")).Json.AsArray().Count);
    }
}

/// <summary>A practice filled by the demo once; every test opens a copy of its own.</summary>
public sealed class DemoPracticeFolder
{
    private readonly string folder;

    public DemoPracticeFolder()
    {
        using var server = new PracticeServer(demo: true);
        folder = server.Folder;
    }

    internal PracticeServer Open()
    {
        var copy = Directory.CreateTempSubdirectory("jaunty-badge-").FullName;
        foreach (var file in Directory.GetFiles(folder, "practice.db*"))
            File.Copy(file, Path.Combine(copy, Path.GetFileName(file)));
        return new PracticeServer(demo: true, copy);
    }
}
