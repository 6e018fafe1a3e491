using System.Net;
using System.Text.Json.Nodes;

namespace JauntyBadge.Server.Tests.Fitting;

/// <summary>What fits a dog today is kept for the van; it is never older than what it rests on.</summary>
public class VanTests
{
    [Fact]
    public async Task The_van_follows_every_change_that_a_dogs_fits_follow()
    {
        using var server = new PracticeServer();
        var dog = await server.MeasuredDogAsync();

        // The fitting room works the same out anew each time.
        async Task<int> InTheFittingRoomAsync() =>
            (await server.GetAsync($"{dog}/fits"))["fits"]!
                .AsArray()
                .Count(f =>
                    f!["type"]!.GetValue<string>() == "basket"
                    && f["headline"]!["chance"] is not null
                    && f["chance"]!.GetValue<double>() >= 0.8
                    && f["notChecked"]!.AsArray().All(n => n!.GetValue<string>() != "width")
                );
        async Task<int> InTheVanAsync() => (await server.GetAsync("/api/van"))["plannedFor"]![0]!["fitsToday"]!.GetValue<int>();

        List<int> seen = [];
        async Task LookAsync(string after)
        {
            var fits = await InTheFittingRoomAsync();
            Assert.Equal((after, fits), (after, await InTheVanAsync()));
            Assert.Equal((after, fits), (after, await InTheVanAsync()));
            seen.Add(fits);
        }

        async Task<HttpStatusCode> SettingsAsync(string material, int finger) =>
            (
                await server.PutAsync(
                    "/api/fit-settings",
                    new
                    {
                        material,
                        visibility = "standOut",
                        fingerMm = finger,
                        comfort = 2,
                        safety = 2,
                        feeding = 2,
                    }
                )
            ).Status;

        await LookAsync("measuring");
        await server.PostAsync($"{dog}/readings", new { measure = "snoutWidth", text = "86" });
        await LookAsync("another reading");
        Assert.Equal(HttpStatusCode.OK, await SettingsAsync("sturdy", 24));
        await LookAsync("a thicker finger");
        await SettingsAsync("sturdy", 16);
        var best = (await server.GetAsync($"{dog}/fits"))["fits"]![0]!;
        await server.SendAsync(HttpMethod.Delete, $"/api/catalogue/{best["modelId"]}");
        await LookAsync("putting a model away");
        await server.PostAsync($"/api/catalogue/{best["modelId"]}/versions/1");
        await LookAsync("bringing it back");
        await server.PutAsync(
            dog,
            new
            {
                name = "Bracken",
                breedIds = new[] { "labrador-retriever" },
                bodyMassKg = 28,
                purposes = new[] { "walks" },
                biteTier = "injured",
            }
        );
        await LookAsync("a bite history");
        var line = (await server.GetAsync($"{dog}/fits"))["brief"]!["lines"]!
            .AsArray()
            .First(l => l!["demand"]!.GetValue<string>() == "required" && l["canOverrule"]!.GetValue<bool>())!["id"];
        Assert.Equal(HttpStatusCode.OK, (await server.PutAsync($"{dog}/brief/{line}", new { note = "On the lead only." })).Status);
        await LookAsync("overruling a line");
        await server.SendAsync(HttpMethod.Delete, $"{dog}/brief/{line}");
        await LookAsync("letting it stand again");
        Assert.Equal(HttpStatusCode.OK, (await server.PutAsync("/api/house-numbers/fit.width-high", new { value = 17, reason = "Ours twist." })).Status);
        await LookAsync("a stricter house number");
        Assert.True(seen.Distinct().Count() >= 3, string.Join(", ", seen));
    }

    [Fact]
    public async Task A_dog_off_the_round_is_planned_for_no_more()
    {
        using var server = new PracticeServer();
        var dog = await server.MeasuredDogAsync();
        async Task<JsonArray> PlannedAsync() => (await server.GetAsync("/api/van"))["plannedFor"]!.AsArray();
        Assert.Single(await PlannedAsync());
        await server.PostAsync($"{dog}/archive");
        Assert.Empty(await PlannedAsync());
        await server.PostAsync($"{dog}/restore");
        Assert.Single(await PlannedAsync());
    }

    [Fact]
    public async Task The_van_is_planned_for_the_dogs_there_are_and_those_expected()
    {
        using var own = new PracticeServer();
        var dog = await own.MeasuredDogAsync();
        var plan = await own.GetAsync("/api/van?sizes=2");
        Assert.Equal((1, 1), (plan.Number("covered"), plan.Number("dogs")));
        Assert.True(plan["isExact"]!.GetValue<bool>());
        var size = plan["steps"]![0]!["sizeId"]!.GetValue<string>();
        Assert.Equal(
            "fits",
            (await own.GetAsync($"{dog}/fits"))["fits"]!.AsArray().Single(f => f!["sizeId"]!.GetValue<string>() == size)!["group"]!.GetValue<string>()
        );

        var expected = await own.PostAsync(
            "/api/van/expected",
            new
            {
                name = "Sighthounds",
                count = 4,
                headShape = "long",
                eyeMm = 116,
                girthMm = 212,
                widthMm = 54,
                neckMm = 395,
                purposes = new[] { "walks" },
            }
        );
        Assert.Equal((5, 5, 2), await CoveredAsync("?sizes=2"));
        Assert.Equal((4, 5, 1), await CoveredAsync("?sizes=1"));
        await own.PutAsync($"/api/van/{size}", new { count = 1 });
        Assert.Equal(1, (await own.GetAsync("/api/van")).Number("coveredNow"));
        Assert.Equal(
            2,
            (
                await own.PutAsync(
                    $"/api/van/expected/{expected["id"]}",
                    new
                    {
                        name = "Sighthounds",
                        count = 2,
                        headShape = "long",
                        eyeMm = 116,
                        girthMm = 212,
                        widthMm = 54,
                        neckMm = 395,
                        purposes = new[] { "walks" },
                    }
                )
            ).Number("count")
        );
        Assert.Equal(2, (await own.GetAsync("/api/van"))["expected"]![0]!["count"]!.GetValue<int>());
        Assert.Equal(
            HttpStatusCode.NotFound,
            (
                await own.PutAsync(
                    $"/api/van/expected/{Guid.NewGuid()}",
                    new
                    {
                        name = "None",
                        count = 2,
                        headShape = "long",
                        eyeMm = 116,
                    }
                )
            ).Status
        );
        Assert.NotNull(
            (
                await own.PostAsync(
                    "/api/van/expected",
                    new
                    {
                        name = "",
                        count = 0,
                        headShape = "long",
                        eyeMm = 4,
                    }
                )
            ).Problem("eyeMm")
        );
        Assert.NotNull((await own.GetAsync("/api/van?sizes=0")).Problem("sizes"));
        Assert.NotNull((await own.PutAsync($"/api/van/{size}", new { count = -1 })).Problem("count"));
        Assert.Empty((await own.SendAsync(HttpMethod.Delete, $"/api/van/expected/{expected["id"]}")).Json.AsArray());

        async Task<(double, double, int)> CoveredAsync(string query)
        {
            var answer = await own.GetAsync($"/api/van{query}");
            return (answer.Number("covered"), answer.Number("dogs"), answer["steps"]!.AsArray().Count);
        }
    }
}
