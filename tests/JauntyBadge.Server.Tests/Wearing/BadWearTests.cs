using System.Net;
using System.Text.Json.Nodes;

namespace JauntyBadge.Server.Tests.Wearing;

/// <summary>What can hurt: a dog that panics in it, one that overheats, a muzzle forgotten, a clock that stands wrong, a file that changes after the choice.</summary>
public sealed class BadWearTests : IDisposable
{
    private readonly PracticeServer server = new();

    public void Dispose() => server.Dispose();

    private DateTimeOffset Now => server.Clock.GetUtcNow();

    /// <summary>A dog that wears its muzzle, in cool weather.</summary>
    private async Task<string> WearingDogAsync(object? dog = null, object? choice = null)
    {
        var made = dog is null ? await server.MeasuredDogAsync() : await server.NewDogAsync(dog);
        if (dog is not null)
            foreach (var (measure, side, text) in new[] { ("noseToInnerEye", "left", "98"), ("snoutGirth", null, "272"), ("snoutHeight", null, "80") })
                await server.PostAsync(
                    $"{made}/readings",
                    new
                    {
                        measure,
                        side,
                        text,
                    }
                );
        var first = (await server.GetAsync($"{made}/fits"))["fits"]![0]!["sizeId"]!.GetValue<string>();
        Assert.Equal(HttpStatusCode.OK, (await server.PostAsync($"{made}/choice", choice ?? new { sizeId = first })).Status);
        await server.PostAsync(
            $"{made}/plan/position",
            new
            {
                stepId = "place-lane",
                target = 0,
                note = "Wears one from its last home.",
                passedBefore = true,
            }
        );
        await ReadAsync(12);
        return made;
    }

    private Task<Answer> ReadAsync(double airC, double humidityPercent = 60) =>
        server.PostAsync(
            "/api/weather/readings",
            new
            {
                airC,
                humidityPercent,
                place = "Yard",
            }
        );

    private Task<Answer> LimitAsync(string dog) => server.PostAsync($"{dog}/wearing/limit", new { place = "Yard" });

    private static JsonObject Wear(DateTimeOffset from, double? minutes, string occasion = "fun", params string[] signs) =>
        new()
        {
            ["startedAt"] = from,
            ["endedAt"] = minutes is { } lasted ? from.AddMinutes(lasted) : null,
            ["occasion"] = occasion,
            ["signs"] = new JsonArray([
                .. signs.Select(s => new JsonObject
                {
                    ["id"] = Guid.NewGuid(),
                    ["signId"] = s,
                    ["at"] = from,
                }),
            ]),
        };

    private Task<Answer> PutAsync(string dog, JsonObject wear, Guid? id = null, long version = 0) =>
        server.EditAsync(HttpMethod.Put, $"{dog}/wears/{id ?? Guid.NewGuid()}", wear, version);

    /// <summary>Put on, frantic pawing, off after two seconds: it raised the balance, and the page offered to put it on again.</summary>
    [Fact]
    public async Task A_dog_that_panics_in_it()
    {
        var dog = await WearingDogAsync();
        await PutAsync(dog, Wear(Now.AddDays(-2), 20));
        await PutAsync(dog, Wear(Now.AddDays(-3), 15, "stressful"));
        var before = (await server.GetAsync($"{dog}/balance")).Number("ratio");
        var panic = Wear(Now, null);
        panic["capMinutes"] = 30;
        var id = Guid.NewGuid();
        var on = await PutAsync(dog, panic, id);
        server.Clock.Advance(TimeSpan.FromSeconds(2));
        panic["signs"] = Wear(Now, null, "fun", "frantic-paw")["signs"]!.DeepClone();
        panic["endedAt"] = Now;
        panic["ending"] = "stopped";
        var off = await PutAsync(dog, panic, id, (long)on.Number("version"));
        Assert.True(off["wentBadly"]!.GetValue<bool>());
        Assert.StartsWith("Over threshold at its last wear: back to", off.Text("planMoved"), StringComparison.Ordinal);
        Assert.True((await server.GetAsync($"{dog}/balance")).Number("ratio") < before);

        // A muzzle is not put on again today, whatever else is well.
        server.Clock.Advance(TimeSpan.FromMinutes(10));
        var again = await LimitAsync(dog);
        Assert.Equal((0.0, "No more today"), (again.Number("seconds"), again.Text("headline")));
        Assert.Equal(0.0, again.Number("nextSeconds"));
        server.Clock.Advance(TimeSpan.FromDays(1));
        await ReadAsync(12);
        var tomorrow = await LimitAsync(dog);
        Assert.Equal((1.0, "The last one went badly after 2 s: half of that at most"), (tomorrow.Number("seconds"), Says(tomorrow, 0)));
    }

    /// <summary>Put on at ten to midnight, frantic at ten past: the new day has had its bad one, and the round tells it of today.</summary>
    [Fact]
    public async Task A_dog_that_panics_past_midnight()
    {
        var dog = await WearingDogAsync();
        server.Clock.Advance(server.Clock.GetUtcNow().Date.AddDays(1).AddMinutes(-10) - server.Clock.GetUtcNow());
        await ReadAsync(12);
        var (id, panic) = (Guid.NewGuid(), Wear(Now, null));
        var on = await PutAsync(dog, panic, id);
        server.Clock.Advance(TimeSpan.FromMinutes(20));
        panic["signs"] = Wear(Now, null, "fun", "frantic-paw")["signs"]!.DeepClone();
        panic["endedAt"] = Now;
        panic["ending"] = "stopped";
        await PutAsync(dog, panic, id, (long)on.Number("version"));
        server.Clock.Advance(TimeSpan.FromHours(1));
        await ReadAsync(12);
        var again = await LimitAsync(dog);
        Assert.Equal((0.0, "No more today"), (again.Number("seconds"), again.Text("headline")));
        var row = (await server.GetAsync("/api/round"))["cards"]!.AsArray().Single(c => dog.EndsWith(c!["id"]!.GetValue<string>(), StringComparison.Ordinal))!;
        Assert.Contains(row["done"]!.AsArray(), d => d!.GetValue<string>().StartsWith("Worn 20 minutes", StringComparison.Ordinal));
    }

    /// <summary>Each of the signs of a worn muzzle is off now, and on record.</summary>
    [Fact]
    public async Task A_dog_that_overheats_in_it()
    {
        var told = await server.GetAsync("/api/worn-signs");
        var red = told["signs"]!.AsArray().Where(s => s!["group"] is null).ToList();
        Assert.Equal(7, red.Count);
        Assert.All(red, s => Assert.True(s!["offNow"]!.GetValue<bool>() && s["bad"]!.GetValue<bool>()));
        Assert.Contains(told["firstAid"]!.AsArray(), s => s!.GetValue<string>().Contains("veterinarian", StringComparison.Ordinal));
        var dog = await WearingDogAsync();
        var off = await PutAsync(dog, Wear(Now.AddMinutes(-30), 20, "fun", "gums", "eats"));
        Assert.Equal((true, true, "atEase"), (off["red"]!.GetValue<bool>(), off["wentBadly"]!.GetValue<bool>(), off.Text("worst")));
        Assert.Equal(0, (await LimitAsync(dog)).Number("seconds"));
    }

    /// <summary>Two days open: it is ended at a time that a person gives, and makes no long wear.</summary>
    [Fact]
    public async Task A_muzzle_that_was_forgotten()
    {
        var dog = await WearingDogAsync();
        var wear = Wear(Now, null);
        wear["capMinutes"] = 5;
        var id = Guid.NewGuid();
        var on = await PutAsync(dog, wear, id);
        server.Clock.Advance(TimeSpan.FromHours(50));
        var still = (await server.GetAsync($"{dog}/wears")).Json[0]!;
        Assert.Equal((50 * 3600.0, 35 * 60.0), (still["wornSeconds"]!.GetValue<double>(), still["forgottenSeconds"]!.GetValue<double>()));
        wear["endedAt"] = Now.AddHours(-46);
        Assert.Equal(4 * 3600, (await PutAsync(dog, wear, id, (long)on.Number("version"))).Number("seconds"));
        server.Clock.Advance(TimeSpan.FromHours(4));
        await ReadAsync(12);
        Assert.Equal(7.5 * 60, (await LimitAsync(dog)).Number("seconds"));
    }

    /// <summary>The phone's clock stands three hours ahead, and is set back in the middle: neither touches how long it was on.</summary>
    [Fact]
    public async Task A_clock_that_stands_wrong()
    {
        var dog = await WearingDogAsync();
        var (id, begun) = (Guid.NewGuid(), Wear(Now.AddHours(3), null));
        begun["begunAgo"] = 30;
        var on = await PutAsync(dog, begun, id);
        Assert.Equal((HttpStatusCode.OK, 30.0), (on.Status, on.Number("wornSeconds")));
        server.Clock.Advance(TimeSpan.FromMinutes(10));
        begun["endedAt"] = Now.AddHours(-1);
        begun["begunAgo"] = 630;
        begun["endedAgo"] = 60;
        begun["said"] = new JsonObject { ["endedAt"] = 60 };
        var off = await PutAsync(dog, begun, id, (long)on.Number("version"));
        Assert.Equal(9.5 * 60, off.Number("seconds"));
        begun["endedAgo"] = -1;
        Assert.NotNull((await PutAsync(dog, begun, id, (long)off.Number("version"))).Problem("endedAgo"));
    }

    [Fact]
    public async Task Two_wears_at_once_are_refused_with_both_shown()
    {
        var dog = await WearingDogAsync();
        var first = await PutAsync(dog, Wear(Now.AddMinutes(-60), 20));
        var over = await PutAsync(dog, Wear(Now.AddMinutes(-50), 20));
        Assert.Equal((HttpStatusCode.Conflict, first.Text("id")), (over.Status, over["current"]!["id"]!.GetValue<string>()));
        Assert.Matches("would be .*, 08:10 to 08:30, and .*, 08:00 to 08:20 is on record", over.Text("detail"));

        // One after the other touch, and are two.
        Assert.Equal(HttpStatusCode.OK, (await PutAsync(dog, Wear(Now.AddMinutes(-40), 10))).Status);

        // Taken out, another in its place, brought back while that one is on: told, no 500.
        await server.SendAsync(HttpMethod.Delete, $"{dog}/wears/{first["id"]}");
        Assert.Equal(HttpStatusCode.OK, (await PutAsync(dog, Wear(Now.AddMinutes(-55), 5))).Status);
        await PutAsync(dog, Wear(Now, null));
        var back = await server.PostAsync($"{dog}/wears/{first["id"]}/restore");
        Assert.Equal(HttpStatusCode.Conflict, back.Status);
        Assert.Contains("08:05 to 08:10", back.Text("detail"), StringComparison.Ordinal);
    }

    /// <summary>A sleeve chosen for five minutes at the clinic; later the dog turns out to vomit. A note takes no such line back.</summary>
    [Fact]
    public async Task A_file_that_changes_after_the_choice()
    {
        object Dog(params string[] health) =>
            new
            {
                name = "Bracken",
                breedIds = new[] { "labrador-retriever" },
                bodyMassKg = 28,
                purposes = new[] { "clinic" },
                health,
            };
        object Choice(string sizeId, string? note = null) =>
            new
            {
                sizeId,
                note,
                minutes = 5,
                warm = false,
            };
        var dog = await server.NewDogAsync(Dog());
        foreach (var (measure, side, text) in new[] { ("noseToInnerEye", "left", "98"), ("snoutGirth", null, "272"), ("neckGirth", null, "430") })
            await server.PostAsync(
                $"{dog}/readings",
                new
                {
                    measure,
                    side,
                    text,
                }
            );
        var sleeve = (await server.GetAsync($"{dog}/fits?minutes=5&warm=false"))["fits"]!
            .AsArray()
            .First(f => f!["type"]!.GetValue<string>() == "sleeve" && f["verdict"]!.GetValue<string>() != "out")!["sizeId"]!.GetValue<string>();
        Assert.Equal(HttpStatusCode.OK, (await server.PostAsync($"{dog}/choice", Choice(sleeve))).Status);
        await server.PostAsync(
            $"{dog}/plan/position",
            new
            {
                stepId = "place-lane",
                target = 0,
                note = "Knows it.",
                passedBefore = true,
            }
        );
        await ReadAsync(12);
        Assert.Equal(300, (await LimitAsync(dog)).Number("seconds"));

        Assert.Equal(HttpStatusCode.OK, (await server.PutAsync(dog, Dog("proneToVomiting"))).Status);
        var now = await LimitAsync(dog);
        Assert.Equal((0.0, "Not this muzzle"), (now.Number("seconds"), now.Text("headline")));
        Assert.Contains("prone to vomiting", Says(now, 0), StringComparison.Ordinal);
        var refused = await server.PostAsync($"{dog}/choice", Choice(sleeve, "All the same."));
        Assert.Contains("No note takes that back", refused.Problem("sizeId"), StringComparison.Ordinal);
    }

    /// <summary>Its breathing is looked at first: list, brief and wear page say the same, and nothing is said to be worn happily.</summary>
    [Fact]
    public async Task The_veterinarian_first()
    {
        var dog = await WearingDogAsync();
        var file = (await server.GetAsync(dog))["dog"]!;
        var entry = new
        {
            name = "Bracken",
            breedIds = new[] { "labrador-retriever" },
            bodyMassKg = 28,
            purposes = new[] { "walks" },
            health = new[] { "airwayTrouble" },
        };
        Assert.Equal(HttpStatusCode.OK, (await server.EditAsync(HttpMethod.Put, dog, entry, file["version"]!.GetValue<long>())).Status);
        var limit = await LimitAsync(dog);
        Assert.Equal((0.0, "Ask the veterinarian first"), (limit.Number("seconds"), limit.Text("headline")));
        var fits = await server.GetAsync($"{dog}/fits");
        Assert.All(
            fits["fits"]!.AsArray(),
            f =>
            {
                Assert.Null(f!["headline"]!["chance"]);
                Assert.StartsWith("ask the veterinarian first", f["headline"]!["says"]!.GetValue<string>(), StringComparison.Ordinal);
            }
        );
        Assert.DoesNotContain("wears one happily", fits.Json.ToJsonString(), StringComparison.Ordinal);

        // A veterinarian who looked says how long, and the list answers again.
        await server.PutAsync($"{dog}/veterinarian", new { veterinarianMinutes = 10, veterinarianSays = "Clinic, 1 June" });
        Assert.True((await LimitAsync(dog)).Number("seconds") > 0);
        Assert.Contains((await server.GetAsync($"{dog}/fits"))["fits"]!.AsArray(), f => f!["headline"]!["chance"] is not null);
    }

    private static string Says(Answer limit, int line) => limit["lines"]![line]!["says"]!.GetValue<string>();
}
