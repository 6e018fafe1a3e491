using System.Net;
using System.Text.Json.Nodes;

namespace JauntyBadge.Server.Tests.Wearing;

/// <summary>Wears, what they make of the muzzle, inspections, appointments and treats, over HTTP.</summary>
public sealed class WearingTests : IDisposable
{
    private readonly PracticeServer server = new();

    public void Dispose() => server.Dispose();

    private DateTimeOffset Now => server.Clock.GetUtcNow();

    private static JsonObject Wear(DateTimeOffset from, double? minutes, string occasion = "ordinary", params string[] signs) =>
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

    private async Task<string> FittedDogAsync()
    {
        var dog = await server.MeasuredDogAsync();
        var first = (await server.GetAsync($"{dog}/fits"))["fits"]![0]!["sizeId"]!.GetValue<string>();
        Assert.Equal(HttpStatusCode.OK, (await server.PostAsync($"{dog}/choice", new { sizeId = first })).Status);
        return dog;
    }

    [Fact]
    public async Task A_wear_is_begun_on_a_phone_goes_on_and_ends_and_sent_twice_it_counts_once()
    {
        var dog = await FittedDogAsync();
        var (id, begun) = (Guid.NewGuid(), Wear(Now, null, "fun"));
        var on = await PutAsync(dog, begun, id);
        Assert.Equal(HttpStatusCode.OK, on.Status);
        Assert.NotNull(on["muzzle"]);
        Assert.Equal("The muzzle is on", (await server.GetAsync(dog))["next"]!["title"]!.GetValue<string>());

        // The answer got lost: the same again is told what stands, and nothing is there twice.
        var again = await PutAsync(dog, begun, id);
        Assert.Equal((HttpStatusCode.PreconditionFailed, on.Number("version")), (again.Status, again["current"]!["version"]!.GetValue<double>()));
        Assert.Equal(HttpStatusCode.Conflict, (await PutAsync(dog, Wear(Now, null))).Status);

        var started = Now;
        server.Clock.Advance(TimeSpan.FromMinutes(12));
        var ended = Wear(started, 12, "fun", "eats");
        ended["capMinutes"] = 10;
        var off = await PutAsync(dog, ended, id, (long)on.Number("version"));
        Assert.Equal((720.0, true, "atEase"), (off.Number("seconds"), off["overCap"]!.GetValue<bool>(), off.Text("worst")));
        Assert.Single((await server.GetAsync($"{dog}/wears")).Json.AsArray());
        Assert.Contains("Worn 12 minutes, fun", (await server.GetAsync(dog))["done"]!.ToJsonString(), StringComparison.Ordinal);

        Assert.Equal(HttpStatusCode.OK, (await server.SendAsync(HttpMethod.Delete, $"{dog}/wears/{id}")).Status);
        Assert.Empty((await server.GetAsync($"{dog}/wears")).Json.AsArray());
        await server.PostAsync($"{dog}/wears/{id}/restore");
        Assert.Single((await server.GetAsync($"{dog}/wears")).Json.AsArray());
    }

    [Fact]
    public async Task What_cannot_have_been_is_refused_and_says_what_would_do()
    {
        var dog = await server.NewDogAsync();
        Assert.Contains("future", (await PutAsync(dog, Wear(Now.AddHours(1), null))).Problem("startedAt"), StringComparison.Ordinal);
        Assert.Contains("before it was put on", (await PutAsync(dog, Wear(Now.AddHours(-1), -5))).Problem("endedAt"), StringComparison.Ordinal);
        Assert.Contains("not a sign", (await PutAsync(dog, Wear(Now, null, "fun", "no-such"))).Problem("signs[0].signId"), StringComparison.Ordinal);
        var none = Wear(Now, null);
        none.Remove("occasion");
        Assert.Contains("fun, ordinary or stressful", (await PutAsync(dog, none)).Problem("occasion"), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await PutAsync($"/api/dogs/{Guid.NewGuid()}", Wear(Now, null))).Status);
        var other = await server.NewDogAsync();
        var id = Guid.NewGuid();
        await PutAsync(dog, Wear(Now, 1), id);
        Assert.Equal(HttpStatusCode.NotFound, (await PutAsync(other, Wear(Now, 1), id)).Status);
    }

    /// <summary>Its own longest comfortable wear, by half a time; a worried one and one with a mark tell nothing.</summary>
    [Fact]
    public async Task How_long_now_follows_the_log_the_weather_and_what_the_dog_does()
    {
        var dog = await FittedDogAsync();
        await server.PostAsync(
            $"{dog}/plan/position",
            new
            {
                stepId = "worn-step",
                target = 0,
                note = "Wears one from its last home.",
                passedBefore = true,
            }
        );
        var unread = await server.PostAsync($"{dog}/wearing/limit", new { place = "Nowhere" });
        Assert.Equal((HttpStatusCode.OK, "Nobody has read the weather."), (unread.Status, unread.Text("heatSays")));
        Assert.True(unread.Number("seconds") <= 300);

        await server.PostAsync(
            "/api/weather/readings",
            new
            {
                airC = 15,
                humidityPercent = 60,
                place = "Hill",
            }
        );
        await server.PostAsync(
            "/api/weather/readings",
            new
            {
                airC = 33,
                humidityPercent = 70,
                place = "Quay",
            }
        );
        var cool = await server.PostAsync($"{dog}/wearing/limit", new { place = "Hill" });
        Assert.Equal("asTrained", cool.Text("band"));
        Assert.All(cool["lines"]!.AsArray(), l => Assert.NotEqual("", l!["basis"]!["note"]!.GetValue<string>()));
        // What makes it pant may last half as long.
        await server.PutAsync($"{dog}/habits", new { loves = new[] { "run-along" } });
        var run = await server.PostAsync($"{dog}/wearing/limit", new { place = "Hill" });
        Assert.Equal(("run-along", run.Number("seconds") / 2), (run["next"]!["id"]!.GetValue<string>(), run.Number("nextSeconds")));
        var hot = await server.PostAsync($"{dog}/wearing/limit", new { place = "Quay" });
        Assert.Equal((0.0, "Not now", "none", null), (hot.Number("seconds"), hot.Text("headline"), hot.Text("band"), hot["next"]));

        // However it will be worn, asked for at once, is what each is asked for by itself.
        var ways = (await server.GetAsync($"{dog}/wearing/limits?place=Hill")).Json.AsArray();
        Assert.Equal(8, ways.Select(w => (w!["exercise"]!.ToString(), w["inSun"]!.ToString(), w["hotGround"]!.ToString())).Distinct().Count());
        foreach (var way in ways)
        {
            var asked = new
            {
                place = "Hill",
                exercise = way!["exercise"],
                inSun = way["inSun"],
                hotGround = way["hotGround"],
            };
            Assert.Equal((await server.PostAsync($"{dog}/wearing/limit", asked)).Json.ToJsonString(), way["limit"]!.ToJsonString());
        }

        Assert.True(ways.Select(w => w!["limit"]!["seconds"]!.ToString()).Distinct().Count() > 1);

        server.Clock.Advance(TimeSpan.FromMinutes(75));
        Assert.Contains("stale", (await server.PostAsync($"{dog}/wearing/limit", new { place = "Hill" })).Text("heatSays"), StringComparison.Ordinal);
        Assert.DoesNotContain("safe", cool.Json.ToJsonString() + hot.Json.ToJsonString(), StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public async Task A_balance_warns_before_a_visit_and_says_how_many_happy_wears_first()
    {
        var dog = await FittedDogAsync();
        await PutAsync(dog, Wear(Now.AddDays(-2), 15, "fun"));
        await PutAsync(dog, Wear(Now.AddDays(-4), 15, "stressful"));
        var visit = Guid.NewGuid();
        var made = await server.EditAsync(
            HttpMethod.Put,
            $"{dog}/appointments/{visit}",
            new
            {
                day = server.Today.AddDays(5),
                time = "10:30:00",
                kind = "clinic",
                place = "Wend Lock clinic",
                readyAt = "worn-still",
            },
            0
        );
        Assert.Equal((HttpStatusCode.OK, "stressful"), (made.Status, made.Text("occasion")));
        var balance = await server.GetAsync($"{dog}/balance");
        Assert.Equal("warn", balance.Text("verdict"));
        Assert.Equal(Math.Pow(0.5, 2 / 14.0) / Math.Pow(0.5, 4 / 14.0), balance.Number("ratio"), 9);
        Assert.Contains("After the clinic visit on", balance["ahead"]!["says"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Equal(61, balance["points"]!.AsArray().Count);
        Assert.Contains("10:30", (await server.GetAsync(dog))["things"]!.ToJsonString() + "10:30", StringComparison.Ordinal);

        // The visit gives the plan its date, and gives it back when it is taken out.
        var outlook = await server.GetAsync($"{dog}/plan/outlook");
        Assert.Equal(
            ($"{server.Today.AddDays(5):yyyy-MM-dd}", "worn-still"),
            (outlook["week"]!["by"]!.GetValue<string>(), outlook["week"]!["readyAt"]!.GetValue<string>())
        );
        await server.SendAsync(HttpMethod.Delete, $"{dog}/appointments/{visit}");
        Assert.Null((await server.GetAsync($"{dog}/plan/outlook"))["week"]!["by"]);
        Assert.Null((await server.GetAsync($"{dog}/balance"))["ahead"]);
        Assert.NotNull(
            (
                await server.EditAsync(
                    HttpMethod.Put,
                    $"{dog}/appointments/{Guid.NewGuid()}",
                    new
                    {
                        day = server.Today,
                        kind = "clinic",
                        readyAt = "no-such",
                    },
                    0
                )
            ).Problem("readyAt")
        );
    }

    [Fact]
    public async Task Worried_at_two_wears_in_a_row_the_plan_goes_back_to_what_was_easy_and_says_why()
    {
        var dog = await FittedDogAsync();
        await server.PostAsync(
            $"{dog}/plan/position",
            new
            {
                stepId = "place-lane",
                target = 0,
                note = "Wears one from its last home.",
                passedBefore = true,
            }
        );
        server.Clock.Advance(TimeSpan.FromHours(2));
        var first = await PutAsync(dog, Wear(Now.AddMinutes(-30), 20, "ordinary", "backs-off"));
        Assert.Null(first["planMoved"]);
        var second = await PutAsync(dog, Wear(Now.AddMinutes(-5), 4, "ordinary", "backs-off"));
        Assert.Contains("Two wears in a row went badly: back to", second.Text("planMoved"), StringComparison.Ordinal);
        var stands = (await server.GetAsync($"{dog}/plan"))["steps"]!.AsArray().Single(p => p!["target"] is not null)!["step"]!["id"]!.GetValue<string>();
        Assert.Contains(stands, new[] { "worn-games", "worn-moving", "worn-step" });

        // A third worried one right after does not send it back again.
        server.Clock.Advance(TimeSpan.FromMinutes(10));
        Assert.Null((await PutAsync(dog, Wear(Now.AddMinutes(-5), 4, "ordinary", "backs-off")))["planMoved"]);
    }

    /// <summary>The record holds what was done in every room, the newest first, and leaves out what was taken out.</summary>
    [Fact]
    public async Task A_dogs_record_tells_of_all_rooms_in_time_order()
    {
        var dog = await FittedDogAsync();
        async Task<IReadOnlyList<string>> KindsAsync() =>
            [.. (await server.GetAsync($"{dog}/record")).Json.AsArray().Select(i => i!["kind"]!.GetValue<string>())];
        server.Clock.Advance(TimeSpan.FromMinutes(5));
        var wear = Guid.NewGuid();
        await PutAsync(dog, Wear(Now.AddMinutes(-2), 1, "fun"), wear);
        server.Clock.Advance(TimeSpan.FromMinutes(5));
        await server.PostAsync($"{dog}/inspections", new { failed = Array.Empty<string>() });
        server.Clock.Advance(TimeSpan.FromMinutes(5));
        await server.PostAsync(
            $"{dog}/plan/position",
            new
            {
                stepId = "hold-short",
                target = 0,
                note = "Knows it.",
            }
        );
        Assert.Equal(["noted", "inspected", "worn", "chosen", "measured"], await KindsAsync());
        await server.SendAsync(HttpMethod.Delete, $"{dog}/wears/{wear}");
        Assert.DoesNotContain("worn", await KindsAsync());
        Assert.Equal(HttpStatusCode.NotFound, (await server.GetAsync($"/api/dogs/{Guid.NewGuid()}/record")).Status);
    }

    [Fact]
    public async Task A_muzzle_that_fails_is_out_of_use_until_it_is_found_fine()
    {
        var bare = await server.NewDogAsync();
        var none = await server.PostAsync($"{bare}/wearing/limit", new { });
        Assert.Equal((0.0, "Choose a muzzle first"), (none.Number("seconds"), none.Text("headline")));
        Assert.Equal(HttpStatusCode.Conflict, (await server.PostAsync($"{bare}/inspections", new { failed = Array.Empty<string>() })).Status);
        var dog = await FittedDogAsync();
        var fresh = await server.GetAsync($"{dog}/inspections");
        Assert.Equal("notYet", fresh.Text("due"));
        Assert.Equal(
            [("inspect", $"{server.Today.AddDays(30):yyyy-MM-dd}")],
            fresh["upkeep"]!.AsArray().Select(u => (u!["what"]!.GetValue<string>(), u["on"]!.GetValue<string>()))
        );
        Assert.NotNull((await server.PostAsync($"{dog}/inspections", new { failed = new[] { "smell" } })).Problem("failed"));
        var failed = await server.PostAsync($"{dog}/inspections", new { failed = new[] { "clip" }, note = "Does not click." });
        Assert.Equal(HttpStatusCode.OK, failed.Status);
        Assert.Equal("outOfUse", (await server.GetAsync($"{dog}/inspections")).Text("due"));
        Assert.Equal("Muzzle out of use", (await server.GetAsync(dog))["things"]![0]!["title"]!.GetValue<string>());
        await server.PostAsync(
            $"{dog}/plan/position",
            new
            {
                stepId = "worn-step",
                target = 0,
                note = "Wears one from its last home.",
            }
        );
        var unworn = await server.PostAsync($"{dog}/wearing/limit", new { });
        Assert.Equal((0.0, 0), (unworn.Number("seconds"), unworn["ahead"]!.AsArray().Count));
        await server.PutAsync($"{dog}/habits", new { hasSpare = true });
        var spare = await server.PostAsync($"{dog}/wearing/limit", new { });
        Assert.True(spare.Number("seconds") > 0);
        Assert.Contains("put on the spare", spare.Text("caution"), StringComparison.Ordinal);
        Assert.Equal(
            "cannotWait",
            (await server.GetAsync("/api/round"))["cards"]!.AsArray().Single(c => dog.EndsWith(c!["id"]!.GetValue<string>(), StringComparison.Ordinal))![
                "group"
            ]!.GetValue<string>()
        );
        await server.PostAsync($"{dog}/inspections", new { failed = Array.Empty<string>() });
        Assert.Equal("notYet", (await server.GetAsync($"{dog}/inspections")).Text("due"));
        await PutAsync(dog, Wear(Now, 5));
        server.Clock.Advance(TimeSpan.FromDays(30));
        Assert.Equal("monthly", (await server.GetAsync($"{dog}/inspections")).Text("due"));
    }

    /// <summary>Eight in the morning in Sydney is yesterday in Greenwich: what was done today was done today, and a mark before the try-on asks for none.</summary>
    [Fact]
    public async Task Days_are_those_of_the_practice_wherever_it_is()
    {
        server.Clock.SetLocalTimeZone(TimeZoneInfo.FindSystemTimeZoneById("Australia/Sydney"));
        server.Clock.SetUtcNow(new DateTimeOffset(2026, 6, 1, 22, 0, 0, TimeSpan.Zero));
        var dog = await FittedDogAsync();
        var rubbed = Wear(Now.AddMinutes(-90), 20);
        rubbed["rubs"] = new JsonArray("chin");
        await PutAsync(dog, rubbed);
        var size = (await server.GetAsync(dog))["choice"]!["sizeId"]!.GetValue<string>();
        await server.PostAsync($"{dog}/try-ons", new { sizeId = size, answers = new Dictionary<string, bool> { ["sight"] = true } });
        var done = (await server.GetAsync(dog))["done"]!.AsArray().Select(d => d!.GetValue<string>()).ToList();
        Assert.Equal(["Measured", "Muzzle chosen", "Tried on", "Worn 20 minutes, ordinary"], done);
        var upkeep = (await server.GetAsync($"{dog}/inspections"))["upkeep"]!.AsArray();
        Assert.Contains(upkeep, u => (u!["what"]!.GetValue<string>(), u["on"]!.GetValue<string>()) == ("inspect", "2026-07-02"));
        Assert.Contains(upkeep, u => (u!["what"]!.GetValue<string>(), u["on"]!.GetValue<string>()) == ("tryOn", "2027-06-02"));

        rubbed["startedAt"] = Now.AddMinutes(1);
        rubbed["endedAt"] = Now.AddMinutes(2);
        server.Clock.Advance(TimeSpan.FromMinutes(3));
        await PutAsync(dog, rubbed);
        Assert.Contains((await server.GetAsync(dog))["things"]!.AsArray(), t => t!["title"]!.GetValue<string>() == "Look at the fit again");
    }

    [Fact]
    public async Task Treats_count_what_sessions_and_wears_used_today()
    {
        var dog = await server.NewDogAsync(
            new
            {
                name = "Bracken",
                bodyMassKg = 20,
                ageMonths = 60,
                purposes = new[] { "walks" },
            }
        );
        var none = await server.GetAsync($"{dog}/treats");
        Assert.Equal(661.7, none.Number("restingKcal"), 0);
        Assert.Null(none["concern"]);
        var habits = new
        {
            foodKcal = 800,
            treatId = "cheese",
            avoids = new[] { "poultry" },
            loves = new[] { "search" },
        };
        Assert.Equal(HttpStatusCode.OK, (await server.EditAsync(HttpMethod.Put, $"{dog}/habits", habits, 0)).Status);
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await server.EditAsync(HttpMethod.Put, $"{dog}/habits", habits, 0)).Status);
        var wear = Wear(Now.AddMinutes(-20), 10, "fun");
        wear["treatPieces"] = 5;
        await PutAsync(dog, wear);
        var treats = await server.GetAsync($"{dog}/treats");
        Assert.Equal(
            (80.0, 2.0, 10.0, 35.0),
            (treats.Number("treatKcal"), treats.Number("kcalPerPiece"), treats.Number("usedKcal"), treats.Number("piecesLeft"))
        );
        Assert.Equal(
            "It may not have poultry.",
            treats["treats"]!.AsArray().Single(t => t!["id"]!.GetValue<string>() == "chicken")!["not"]!.GetValue<string>()
        );
        Assert.StartsWith("Xylitol", treats["never"]![0]!["name"]!.GetValue<string>(), StringComparison.Ordinal);

        // 533 sticks of cucumber have no more energy, and would be half a kilogram.
        Assert.Null(treats["weightSays"]);
        await server.PutAsync($"{dog}/habits", new { foodKcal = 800, treatId = "cucumber" });
        var cucumber = await server.GetAsync($"{dog}/treats");
        Assert.Equal((195.0, "No more than 200 g a day, however little energy is in it."), (cucumber.Number("piecesLeft"), cucumber.Text("weightSays")));
        await server.PutAsync($"{dog}/habits", habits);

        // Tomorrow it is a new day.
        server.Clock.Advance(TimeSpan.FromDays(1));
        Assert.Equal(40, (await server.GetAsync($"{dog}/treats")).Number("piecesLeft"));
        var puppy = await server.NewDogAsync(
            new
            {
                name = "Tuft",
                bodyMassKg = 6,
                ageMonths = 4,
                purposes = new[] { "walks" },
            }
        );
        var growing = await server.GetAsync($"{puppy}/treats");
        Assert.Contains("veterinarian", growing.Text("concern"), StringComparison.Ordinal);
        Assert.Null(growing["piecesLeft"]);
        Assert.NotNull((await server.EditAsync(HttpMethod.Put, $"{puppy}/veterinarian", new { veterinarianMinutes = 10 }, 0)).Problem("veterinarianSays"));
    }
}
