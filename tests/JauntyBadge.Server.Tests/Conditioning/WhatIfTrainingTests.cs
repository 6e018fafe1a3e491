using System.Net;

namespace JauntyBadge.Server.Tests.Conditioning;

/// <summary>The stateless questions about a set and a hold.</summary>
public class WhatIfTrainingTests(PracticeServer server)
{
    private Task<Answer> SetAsync(object set) => server.PostAsync("/api/what-if/set", set);

    [Fact]
    public async Task A_set_is_decided_as_soon_as_it_is_clear()
    {
        var up = await SetAsync(
            new
            {
                rule = "asSoonAsClear",
                temperament = "typical",
                goes = new[] { true, true, true, true, true, false },
                signs = Array.Empty<object>(),
                target = 0,
                topTarget = 2,
                gate = false,
                goodDaysBefore = 0,
                backsBefore = 0,
            }
        );
        Assert.Equal(HttpStatusCode.OK, up.Status);
        Assert.Equal(("raise", 5, 1), (up.Text("decision"), (int)up.Number("decidedAfter"), (int)up.Number("nextTarget")));
        Assert.Equal((0, 0, false), ((int)up.Number("stepsBack"), (int)up.Number("notBeforeDays"), up["endSession"]!.GetValue<bool>()));
        Assert.Equal(5 * Math.Log(0.85 / 0.5), up.Number("evidence"), 9);
        Assert.Null(up["settles"]);
        Assert.Contains("5 of 5 went well", up.Text("reason"), StringComparison.Ordinal);

        var on = await SetAsync(
            new
            {
                temperament = "bold",
                goes = new[] { true, true, true },
                target = 0,
                topTarget = 2,
            }
        );
        Assert.Equal(
            ("goOn", 2, 4),
            (on.Text("decision"), (int)on["settles"]!["right"]!.GetValue<double>(), (int)on["settles"]!["missed"]!.GetValue<double>())
        );
        Assert.Null(on["decidedAfter"]);
    }

    [Fact]
    public async Task A_wary_dog_over_threshold_rests_two_days_and_begins_below()
    {
        var end = await SetAsync(
            new
            {
                rule = "asSoonAsClear",
                temperament = "wary",
                goes = new[] { true },
                signs = new[] { new { afterGo = 1, signId = "freezes" } },
                target = 0,
                topTarget = 2,
                gate = true,
            }
        );
        Assert.Equal(("endNow", 2, 2, -2), (end.Text("decision"), (int)end.Number("stepsBack"), (int)end.Number("notBeforeDays"), (int)end.Number("startsAt")));
        var passed = await SetAsync(
            new
            {
                temperament = "wary",
                goes = Enumerable.Repeat(true, 5),
                target = 2,
                topTarget = 2,
                gate = true,
                goodDaysBefore = 1,
            }
        );
        Assert.Equal(("passed", -2), (passed.Text("decision"), (int)passed.Number("startsAt")));
        Assert.Null(passed["nextTarget"]);
    }

    [Theory]
    [InlineData("""{"goes": [], "target": 0, "topTarget": 2}""", "temperament")]
    [InlineData("""{"temperament": "bold", "target": 0, "topTarget": 2}""", "goes")]
    [InlineData("""{"temperament": "bold", "goes": [], "target": -4, "topTarget": 2}""", "target")]
    [InlineData("""{"temperament": "bold", "goes": [], "target": 3, "topTarget": 2}""", "target")]
    [InlineData("""{"temperament": "bold", "goes": [], "target": 0, "topTarget": 51}""", "topTarget")]
    [InlineData("""{"temperament": "bold", "goes": [], "target": 0, "topTarget": 2, "signs": [{"afterGo": 1, "signId": "smiles"}]}""", "signs[0].signId")]
    public async Task A_set_that_cannot_be_names_the_field(string body, string field)
    {
        var answer = await server.SendAsync(HttpMethod.Post, "/api/what-if/set", body);
        Assert.Equal(HttpStatusCode.BadRequest, answer.Status);
        Assert.NotNull(answer.Problem(field));
    }

    /// <summary>The plan of the screen, in an order in which every step's needs come first; each stage has one gate.</summary>
    [Fact]
    public async Task A_plan_is_told_in_order_with_its_gates_and_what_is_left_out()
    {
        var plan = await server.PostAsync(
            "/api/what-if/plan",
            new
            {
                dog = new
                {
                    temperament = "wary",
                    sensitivities = new[] { "clicks", "handsBehindHead" },
                    headShape = "short",
                    purposes = new[] { "clinic" },
                },
            }
        );
        var steps = plan["steps"]!.AsArray().Select(s => s!).ToList();
        List<string> ids = [.. steps.Select(s => s["id"]!.GetValue<string>())];
        Assert.All(
            steps.Index(),
            s => Assert.All(s.Item["needs"]!.AsArray().Select(n => n!.GetValue<string>()).Where(ids.Contains), n => Assert.True(ids.IndexOf(n) < s.Index))
        );
        Assert.All(
            steps.GroupBy(s => s["stage"]!.GetValue<string>()),
            g => Assert.Equal(g.Last()["id"]!.GetValue<string>(), g.Single(s => s["gate"]!.GetValue<bool>())["id"]!.GetValue<string>())
        );
        Assert.True(ids.IndexOf("click-far") < ids.IndexOf("look-at-it") && ids.IndexOf("click-near") > ids.IndexOf("touch-it"));
        Assert.Empty(plan["broken"]!.AsArray());
        Assert.Equal(
            ["once", "count", "hold", "repeat"],
            ((string[])["first-close", "touch-it", "worn-still", "place-home"]).Select(id =>
                steps.Single(s => s["id"]!.GetValue<string>() == id)["kind"]!.GetValue<string>()
            )
        );
        Assert.Contains("clinic-table", ids);
        Assert.Contains(plan["leftOut"]!.AsArray(), l => l!["id"]!.GetValue<string>() == "walk-meet" && l["why"]!.GetValue<string>() == "Only for walks.");
        Assert.Contains("afraid of clicks", steps.Single(s => s["id"]!.GetValue<string>() == "click-far")["why"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.NotNull((await server.PostAsync("/api/what-if/plan", new { dog = new { }, school = "Rough floor" })).Problem("school"));
        Assert.NotNull((await server.PostAsync("/api/what-if/plan", new { })).Problem("dog"));
    }

    [Fact]
    public async Task Holds_give_what_is_asked_next()
    {
        var free = await server.PostAsync(
            "/api/what-if/hold",
            new
            {
                criterionSeconds = 4,
                share = 0.8,
                holds = Enumerable.Range(1, 9).Select(s => new { seconds = s, marked = false }),
                after = "back",
            }
        );
        Assert.Equal(("percentile", 9, 2.0), (free.Text("how"), (int)free.Number("pullOuts"), Math.Round(free.Number("rank"), 9)));
        Assert.Equal((2.0, 2.0), (free.Number("criterionSeconds"), free.Number("nextCriterionSeconds")));

        var marked = await server.PostAsync(
            "/api/what-if/hold",
            new
            {
                criterionSeconds = 10,
                share = 0.8,
                holds = Enumerable.Repeat(new { seconds = 6.0, marked = true }, 5),
                after = "raise",
            }
        );
        Assert.Equal(("survival", 30.0), (marked.Text("how"), marked.Number("heldSeconds")));
        Assert.Equal(13.39, marked.Number("criterionSeconds"), 0.005);
        Assert.Equal(13, marked.Number("nextCriterionSeconds"), 9);
        Assert.Null(marked["rank"]);

        Assert.NotNull((await server.PostAsync("/api/what-if/hold", new { criterionSeconds = 10, after = "passed" })).Problem("after"));
        Assert.NotNull(
            (await server.PostAsync("/api/what-if/hold", new { criterionSeconds = 10, holds = new[] { new { seconds = 0.0, marked = true } } })).Problem(
                "holds[0].seconds"
            )
        );
        var none = await server.PostAsync("/api/what-if/hold", new { criterionSeconds = 3, holds = Array.Empty<object>() });
        Assert.Equal((3.0, true), (none.Number("nextCriterionSeconds"), none["criterionSeconds"] is null));
    }

    /// <summary>By the kind of step: ten times are ten in a row, an event is none to be drilled; left out it is repeated, as it ever was.</summary>
    [Fact]
    public async Task A_set_is_decided_by_the_kind_of_its_step()
    {
        async Task<(string Decision, bool Ends)> DecideAsync(string? kind, string temperament, string goes, int goodDays = 0)
        {
            var answer = await server.PostAsync(
                "/api/what-if/set",
                new
                {
                    kind,
                    temperament,
                    goes = goes.Select(g => g == '+'),
                    target = 0,
                    topTarget = 2,
                    goodDaysBefore = goodDays,
                }
            );
            return (answer.Text("decision"), answer["endSession"]!.GetValue<bool>());
        }

        Assert.Equal(("raise", false), await DecideAsync(null, "typical", "+++++"));
        Assert.Equal(("goOn", false), await DecideAsync("count", "typical", "+++++"));
        Assert.Equal(("raise", false), await DecideAsync("count", "typical", "++++++++++"));
        Assert.Equal(("raise", true), await DecideAsync("once", "bold", "++"));
        Assert.Equal(("same", true), await DecideAsync("once", "wary", "+"));
        Assert.Equal(("raise", true), await DecideAsync("once", "wary", "+", 1));
        Assert.NotNull(
            (
                await server.PostAsync(
                    "/api/what-if/set",
                    new
                    {
                        temperament = "bold",
                        goes = Array.Empty<bool>(),
                        target = 0,
                        topTarget = 1,
                        count = 0,
                    }
                )
            ).Problem("count")
        );
    }

    /// <summary>No lure for a dog soured by one: the plan says which school it is trained by instead.</summary>
    [Fact]
    public async Task A_lure_school_is_declined_for_a_soured_dog()
    {
        var plan = await server.PostAsync(
            "/api/what-if/plan",
            new
            {
                dog = new
                {
                    temperament = "soured",
                    biteTier = "severalOrDeep",
                    purposes = new[] { "visitors" },
                },
                school = "Tasty floor",
            }
        );
        Assert.Contains("works with a lure", plan.Text("declined"), StringComparison.Ordinal);
        Assert.DoesNotContain(plan["steps"]!.AsArray(), s => s!["id"]!.GetValue<string>() == "lick-floor");
        Assert.Contains(
            "professional",
            plan["steps"]!.AsArray().Single(s => s!["id"]!.GetValue<string>() == "visitors-door")!["why"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        var dog = await server.NewDogAsync(new { name = "Rue", temperament = "soured" });
        Assert.Contains(
            "works with a lure",
            (await server.PostAsync($"{dog}/plan/school", new { school = "tastyFloor", reason = "We like it." })).Problem("school"),
            StringComparison.Ordinal
        );
        Assert.DoesNotContain((await server.GetAsync($"{dog}/plan/schools")).Json.AsArray(), s => s!["id"]!.GetValue<string>() == "tastyFloor");
    }

    /// <summary>Days that were missed move the date, said or counted from the log.</summary>
    [Fact]
    public async Task Missed_days_move_the_date()
    {
        async Task<DateOnly> MiddleAsync(int apart, int? missedDays = null)
        {
            var log = Enumerable
                .Range(0, 6)
                .Select(i => new
                {
                    day = new DateOnly(2026, 3, 2).AddDays(apart * i),
                    stepId = "rank-treats",
                    target = 0,
                    goes = new[] { true, true, true },
                });
            var from = new DateOnly(2026, 3, 2).AddDays(5 * apart + 1);
            var answer = await server.PostAsync(
                "/api/what-if/forecast",
                new
                {
                    dog = new { temperament = "bold" },
                    days = Enum.GetNames<DayOfWeek>(),
                    from,
                    log,
                    dogs = 400,
                    missedDays,
                }
            );
            return DateOnly.Parse(answer.Text("p50"), System.Globalization.CultureInfo.InvariantCulture).AddDays(-from.DayNumber + 1);
        }

        var (every, second) = (await MiddleAsync(1), await MiddleAsync(3));
        Assert.True(second > every);
        Assert.True(await MiddleAsync(1, 30) > every);
    }
}
