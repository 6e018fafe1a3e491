using System.Net;
using System.Text.Json.Nodes;
using Ical.Net;
using JauntyBadge.Core.Conditioning;

namespace JauntyBadge.Server.Tests.Conditioning;

/// <summary>Schools, days, the forecast and the calendar, through the real API.</summary>
public sealed class OutlookTests(PracticeServer server) : IClassFixture<PracticeServer>
{
    private static readonly string[] Weekdays = ["monday", "tuesday", "wednesday", "thursday", "friday"];

    private Task<string> WaryAsync() =>
        server.NewDogAsync(
            new
            {
                name = "Teasel",
                breedIds = new[] { "labrador-retriever" },
                bodyMassKg = 24,
                purposes = new[] { "clinic" },
                temperament = "wary",
            }
        );

    /// <summary>Sets the owner's days and answers what comes of them.</summary>
    private async Task<Answer> WeekAsync(string dog, object week)
    {
        Assert.Equal(HttpStatusCode.OK, (await server.PostAsync($"{dog}/plan/week", week)).Status);
        return await server.GetAsync($"{dog}/plan/outlook");
    }

    [Fact]
    public async Task A_school_is_chosen_with_a_reason_and_what_is_passed_stays_passed()
    {
        var dog = await WaryAsync();
        var before = await server.GetAsync($"{dog}/plan");
        Assert.Equal(("goodNewsFirst", null), (before.Text("schoolId"), before["schoolReason"]?.GetValue<string>()));
        await server.PostAsync(
            $"{dog}/plan/position",
            new
            {
                stepId = "muzzle-appears",
                target = 0,
                note = "Began at the kennel.",
            }
        );

        var compared = (await server.GetAsync($"{dog}/plan/schools")).Json.AsArray();
        Assert.Equal(8, compared.Count);
        var cup = compared.Single(s => s!["id"]!.GetValue<string>() == "mealtimeCup")!;
        Assert.Contains("Meals through a cup", cup["adds"]!.AsArray().Select(n => n!.GetValue<string>()));
        Assert.Equal(["Nose in a paper cup", "Nose over the rim", "Halfway in"], cup["drops"]!.AsArray().Select(n => n!.GetValue<string>()));
        Assert.Empty(compared.Single(s => s!["isChosen"]!.GetValue<bool>())!["adds"]!.AsArray());

        Assert.NotNull((await server.PostAsync($"{dog}/plan/school", new { school = "mealtimeCup" })).Problem("reason"));
        Assert.Contains(
            "offAtOnce",
            (
                await server.PostAsync(
                    $"{dog}/plan/school",
                    new
                    {
                        school = "mealtimeCup",
                        policies = new { onPawing = "never" },
                        reason = "Loves its meals.",
                    }
                )
            ).Problem("policies.onPawing"),
            StringComparison.Ordinal
        );
        var after = await server.PostAsync(
            $"{dog}/plan/school",
            new
            {
                school = "mealtimeCup",
                policies = new { onPawing = "offAtOnce" },
                reason = "Loves its meals.",
            }
        );
        Assert.Equal(("Mealtime cup", "Loves its meals."), (after.Text("school"), after.Text("schoolReason")));
        JsonNode Step(string id) => after["steps"]!.AsArray().Single(s => s!["step"]!["id"]!.GetValue<string>() == id)!;
        Assert.Equal("passed", Step("charge-marker")["state"]!.GetValue<string>());
        Assert.Equal("ahead", Step("cup-meal")["state"]!.GetValue<string>());
        Assert.Contains("cup at meals", Step("muzzle-appears")["step"]!["setUp"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Equal(
            "Off at once, shorter next time",
            after["policies"]!.AsArray().Single(p => p!["topic"]!.GetValue<string>() == "onPawing")!["choice"]!.GetValue<string>()
        );
    }

    [Fact]
    public async Task A_date_that_will_not_hold_is_told_and_days_can_be_changed()
    {
        var dog = await WaryAsync();
        foreach (
            var (field, body) in new (string, object)[]
            {
                ("days", new { days = Array.Empty<string>() }),
                ("sessionsPerDay", new { days = Weekdays, sessionsPerDay = 3 }),
                ("by", new { days = Weekdays, by = server.Today.AddDays(-1) }),
                ("readyAt", new { days = Weekdays, readyAt = "walk-meet" }),
            }
        )
        {
            Assert.NotNull((await server.PostAsync($"{dog}/plan/week", body)).Problem(field));
        }

        var outlook = await WeekAsync(
            dog,
            new
            {
                days = Weekdays,
                sessionsPerDay = 1,
                by = server.Today.AddDays(12),
            }
        );
        var forecast = outlook["forecast"]!;
        Assert.True(forecast["chanceBy"]!.GetValue<double>() < 0.05 && forecast["low"]!.GetValue<bool>());
        Assert.Contains(
            forecast["waysOut"]!.AsArray(),
            w => w!["what"]!.GetValue<string>().Contains("veterinarian", StringComparison.Ordinal) && w["chanceBy"] is null
        );
        var days = outlook["calendar"]!.AsArray();
        Assert.DoesNotContain(
            days,
            d =>
                d!["kind"]!.GetValue<string>() == "session"
                && DateOnly.Parse(d["day"]!.GetValue<string>(), System.Globalization.CultureInfo.InvariantCulture).DayOfWeek
                    is DayOfWeek.Saturday
                        or DayOfWeek.Sunday
        );
        Assert.Equal("Teasel: Rank the treats", days[0]!["says"]!.GetValue<string>());
        Assert.Equal(server.Today.AddDays(12).ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture), days[^1]!["day"]!.GetValue<string>());

        var nearer = await WeekAsync(
            dog,
            new
            {
                days = Weekdays,
                sessionsPerDay = 2,
                by = server.Today.AddDays(300),
                readyAt = "hold-long",
            }
        );
        Assert.True(nearer["forecast"]!["chanceBy"]!.GetValue<double>() > 0.8 && nearer["forecast"]!["waysOut"]!.AsArray().Count == 0);
        Assert.Equal(nearer.Json["forecast"]!.ToJsonString(), (await server.GetAsync($"{dog}/plan/outlook")).Json["forecast"]!.ToJsonString());
    }

    /// <summary>Read back with Ical.Net, as RFC 5545 has it: the same entry keeps its id however often the file is made, so that a calendar updates it.</summary>
    [Fact]
    public async Task The_calendar_file_updates_instead_of_adding()
    {
        var dog = await WaryAsync();
        async Task<List<Ical.Net.CalendarComponents.CalendarEvent>> EventsAsync()
        {
            using var answer = await server.Http.GetAsync($"{dog}/plan/calendar.ics");
            Assert.Equal("text/calendar", answer.Content.Headers.ContentType!.MediaType);
            return [.. Calendar.Load(await answer.Content.ReadAsStringAsync())!.Events];
        }

        await server.PostAsync($"{dog}/plan/week", new { days = Weekdays, by = server.Today.AddDays(20) });
        var first = await EventsAsync();
        Assert.True(first.Count > 10 && first.Select(e => e.Uid).Distinct().Count() == first.Count);
        Assert.All(first, e => Assert.True(e.IsAllDay && e.Summary!.StartsWith("Teasel", StringComparison.Ordinal)));
        Assert.Equal(server.Today.AddDays(20), first.Single(e => e.Uid!.Contains("wanted", StringComparison.Ordinal)).Start!.Date);

        await server.PostAsync(
            $"{dog}/plan/position",
            new
            {
                stepId = "muzzle-appears",
                target = 0,
                note = "Began at the kennel.",
            }
        );
        var second = await EventsAsync();
        Assert.Equal(first.Select(e => e.Uid), second.Select(e => e.Uid));
        Assert.NotEqual(first[0].Summary, second[0].Summary);
        Assert.True(second[0].Sequence >= first[0].Sequence);
    }

    [Fact]
    public async Task A_dog_that_wears_it_needs_no_forecast()
    {
        var dog = await server.NewDogAsync();
        var last = (await server.GetAsync($"{dog}/plan"))["steps"]!.AsArray()[^1]!["step"]!["id"]!.GetValue<string>();
        await server.PostAsync(
            $"{dog}/plan/position",
            new
            {
                stepId = last,
                target = 0,
                note = "Wore one for years.",
            }
        );
        var outlook = await server.GetAsync($"{dog}/plan/outlook");
        Assert.Null(outlook["forecast"]);
        Assert.Empty(outlook["calendar"]!.AsArray());
    }

    [Fact]
    public async Task What_if_foretells_the_same_for_the_same_seed()
    {
        object Asked(int seed, int away, object? log = null) =>
            new
            {
                dog = new { temperament = "typical", purposes = new[] { "walks" } },
                days = Weekdays,
                sessionsPerDay = 1,
                from = "2026-06-01",
                by = new DateOnly(2026, 6, 1).AddDays(away).ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture),
                log,
                dogs = 300,
                seed,
            };
        var one = await server.PostAsync("/api/what-if/forecast", Asked(3, 30));
        Assert.Equal(one.Json.ToJsonString(), (await server.PostAsync("/api/what-if/forecast", Asked(3, 30))).Json.ToJsonString());
        Assert.InRange(one.Number("chanceBy"), 0.0, 1.0);
        Assert.NotEmpty(one["holdsUp"]!.AsArray());
        Assert.True(one.Text("p10").CompareTo(one.Text("p50")) <= 0);

        // What went well is foretold to go on well.
        var good = Enumerable
            .Range(0, 5)
            .Select(i => new
            {
                day = $"2026-05-2{i}",
                stepId = "rank-treats",
                target = i % 2,
                goes = new[] { true, true, true, true, true },
                signs = Array.Empty<object>(),
            })
            .ToArray();
        var bad = Enumerable
            .Range(0, 5)
            .Select(i => new
            {
                day = $"2026-05-2{i}",
                stepId = "rank-treats",
                target = 0,
                goes = new[] { false, false },
                signs = new[] { new { afterGo = 2, signId = "lip-lick" } },
            })
            .ToArray();
        Assert.True(
            (await server.PostAsync("/api/what-if/forecast", Asked(3, 80, good))).Number("chanceBy")
                > (await server.PostAsync("/api/what-if/forecast", Asked(3, 80, bad))).Number("chanceBy")
        );
        Assert.NotNull((await server.PostAsync("/api/what-if/forecast", new { dog = new { }, from = "2026-06-01" })).Problem("days"));
        Assert.NotNull((await server.PostAsync("/api/what-if/forecast", Asked(1, 30, new object?[] { null }))).Problem("log"));
        var heavy = Enumerable.Repeat(
            new
            {
                day = "2026-05-01",
                stepId = "rank-treats",
                target = 0,
                goes = Enumerable.Repeat(true, 100),
                signs = Array.Empty<object>(),
            },
            1000
        );
        Assert.Contains("take too long", (await server.PostAsync("/api/what-if/forecast", Asked(1, 30, heavy))).Problem("log"), StringComparison.Ordinal);
        Assert.NotNull(
            (
                await server.PostAsync(
                    "/api/what-if/forecast",
                    new
                    {
                        dog = new { },
                        from = "2026-06-01",
                        days = Weekdays,
                        log = new[]
                        {
                            new
                            {
                                day = "2026-05-01",
                                stepId = "fly",
                                target = 0,
                                goes = Array.Empty<bool>(),
                            },
                        },
                    }
                )
            ).Problem("log[0].stepId")
        );
    }

    [Fact]
    public async Task What_if_plans_by_any_school()
    {
        async Task<List<string>> IdsAsync(string? school) =>
            [
                .. (await server.PostAsync("/api/what-if/plan", new { dog = new { purposes = new[] { "walks" } }, school }))["steps"]!
                    .AsArray()
                    .Select(s => s!["id"]!.GetValue<string>()),
            ];
        Assert.Equal(await IdsAsync(null), await IdsAsync("Good news first"));
        Assert.Contains("loop-through", await IdsAsync("headThrough"));
        Assert.Contains(
            School.Default.Name,
            (await server.PostAsync("/api/what-if/plan", new { dog = new { }, school = "Harder" })).Problem("school"),
            StringComparison.Ordinal
        );
    }

    /// <summary>Three sessions of missed goes at one step: it is stuck, and the same numbers come as a table, as JSON and as CSV read back with CsvHelper.</summary>
    [Fact]
    public async Task A_dog_that_does_not_get_on_is_found_and_its_numbers_agree()
    {
        var dog = await WaryAsync();
        Assert.Empty((await server.GetAsync($"{dog}/progress"))["sessions"]!.AsArray());
        for (var session = 0; session < 3; session++)
        {
            var begun = await server.PostAsync($"{dog}/sessions");
            var (id, open) = (begun.Text("id"), begun["openSet"]!);
            for (var go = 0; go < 2; go++)
            {
                await server.PutAsync(
                    $"/api/sessions/{id}/goes/{Guid.NewGuid()}",
                    new
                    {
                        success = false,
                        set = open["number"]!.GetValue<int>(),
                        stepId = open["stepId"]!.GetValue<string>(),
                        target = open["target"]!.GetValue<int>(),
                    }
                );
            }

            await server.PostAsync($"/api/sessions/{id}/sets/1/finish");
            server.Clock.Advance(TimeSpan.FromHours(24));
            await server.PostAsync($"/api/sessions/{id}/end");
        }

        var progress = await server.GetAsync($"{dog}/progress");
        Assert.Equal((3, "rank-treats"), (progress["stuck"]!["sessions"]!.GetValue<int>(), progress["stuck"]!["stepId"]!.GetValue<string>()));
        Assert.Contains("before the meal", progress["stuck"]!["ifStuck"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Equal((0, 6), (progress["steps"]![0]!["goes"]!["good"]!.GetValue<int>(), progress["steps"]![0]!["goes"]!["of"]!.GetValue<int>()));
        using var csv = new CsvHelper.CsvReader(
            new StringReader(await server.Http.GetStringAsync($"{dog}/progress.csv")),
            System.Globalization.CultureInfo.InvariantCulture
        );
        var rows = csv.GetRecords<dynamic>().Cast<IDictionary<string, object>>().ToList();
        Assert.Equal(["2", "2", "2"], rows.Select(r => (string)r["goes"]));
        Assert.Equal(
            progress["sessions"]!.AsArray().Select(s => s!["goes"]!["high"]!.GetValue<double>()),
            rows.Select(r => double.Parse((string)r["high"], System.Globalization.CultureInfo.InvariantCulture))
        );
    }

    [Fact]
    public async Task Where_to_begin_is_found_by_trying_and_kept_as_tried_not_trained()
    {
        var dog = await server.NewDogAsync();
        Assert.True((await server.GetAsync($"{dog}/plan"))["mayFindBeginning"]!.GetValue<bool>());
        var tries = (await server.GetAsync($"{dog}/plan/begin")).Json.AsArray();
        Assert.Equal(8, tries.Count);
        Assert.NotNull((await server.PostAsync($"{dog}/plan/begin", new { wentWell = 9 })).Problem("wentWell"));
        var plan = await server.PostAsync($"{dog}/plan/begin", new { wentWell = 4 });
        var here = plan["steps"]!.AsArray().Single(s => s!["state"]!.GetValue<string>() == "here")!;
        Assert.Equal("comeToIt", here["step"]!["stage"]!.GetValue<string>());
        var skipped = plan["steps"]!.AsArray().Where(s => s!["passed"] is not null).ToList();
        Assert.All(skipped, s => Assert.Equal(("tried", "passed"), (s!["passed"]!["how"]!.GetValue<string>(), s["state"]!.GetValue<string>())));
        Assert.Contains("muzzle-appears", skipped.Select(s => s!["step"]!["id"]!.GetValue<string>()));
        Assert.False(plan["mayFindBeginning"]!.GetValue<bool>());

        await server.PostAsync($"{dog}/sessions");
        Assert.Equal(HttpStatusCode.Conflict, (await server.PostAsync($"{dog}/plan/begin", new { wentWell = 1 })).Status);
    }
}
