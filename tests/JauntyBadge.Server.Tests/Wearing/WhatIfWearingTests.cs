using System.Net;
using System.Text.Json.Nodes;

namespace JauntyBadge.Server.Tests.Wearing;

/// <summary>The stateless questions about wearing.</summary>
public class WhatIfWearingTests(PracticeServer server)
{
    private static readonly object Basket = new { type = "basket", gapeClass = "fullPant" };

    private Task<Answer> WearAsync(
        object muzzle,
        double airC,
        double humidityPercent,
        object? dog = null,
        bool exercise = false,
        double? longest = 20,
        string? stage = null
    ) =>
        server.PostAsync(
            "/api/what-if/wear",
            new
            {
                dog = dog
                    ?? new
                    {
                        headShape = "medium",
                        bodyMassKg = 25,
                        coat = "ordinary",
                        ageYears = 4,
                        overweight = false,
                        airwayTrouble = false,
                    },
                muzzle,
                weather = new { airC, humidityPercent },
                exercise,
                longestComfortableMinutes = longest,
                stage,
            }
        );

    /// <summary>Stull's own example, 20 °C and 50 %: 13.7 °C. The rest are the chapter's House numbers.</summary>
    [Fact]
    public async Task A_cap_with_what_decides_it()
    {
        var cool = await WearAsync(Basket, 20, 50);
        Assert.Equal((HttpStatusCode.OK, 30.0, "asTrained"), (cool.Status, cool.Number("minutes"), cool.Text("band")));
        Assert.Equal(13.7, cool.Number("wetBulbC"), 1);
        Assert.Equal([30.0, 120.0], cool["decides"]!.AsArray().Select(d => d!["minutes"]!.GetValue<double>()));
        Assert.All(cool["decides"]!.AsArray(), d => Assert.Matches("^(Practice|House|Memory|Published): .+", d!["basis"]!.GetValue<string>()));
        Assert.Equal((15.0, "halved"), await Of(WearAsync(Basket, 25, 55)));
        Assert.Equal((5.0, "minutesOnly"), await Of(WearAsync(Basket, 30, 55)));
        Assert.Equal((0.0, "none"), await Of(WearAsync(Basket, 33, 60)));
        Assert.Equal((15.0, "halved"), await Of(WearAsync(Basket, 20, 50, new { headShape = "short" })));
        Assert.Equal((5.0, "asTrained"), await Of(WearAsync(Basket, 20, 50, longest: null)));
        Assert.Equal((0.0, "asTrained"), await Of(WearAsync(Basket, 20, 50, new { airwayTrouble = true })));
        Assert.Equal((5.0, "asTrained"), await Of(WearAsync(new { type = "sleeve" }, 20, 50)));
        Assert.Equal((15.0, "asTrained"), await Of(WearAsync(new { type = "faceCover" }, 20, 50)));
        Assert.Equal((0.0, "asTrained"), await Of(WearAsync(new { type = "sleeve" }, 20, 50, exercise: true)));
        Assert.Equal((1.0, "asTrained"), await Of(WearAsync(Basket, 20, 50, stage: "firstFastening")));
        Assert.Equal((0.0, "asTrained"), await Of(WearAsync(Basket, 20, 50, stage: "hold")));

        static async Task<(double, string)> Of(Task<Answer> asked) => await asked is var answer ? (answer.Number("minutes"), answer.Text("band")) : default;
    }

    [Theory]
    [InlineData(20, 4.9, "weather.humidityPercent")]
    [InlineData(20, 99.5, "weather.humidityPercent")]
    [InlineData(-20.5, 50, "weather.airC")]
    [InlineData(50.5, 50, "weather.airC")]
    public async Task Outside_the_range_it_says_so_instead_of_computing(double air, double humidity, string field)
    {
        var refused = await WearAsync(Basket, air, humidity);
        Assert.Equal(HttpStatusCode.BadRequest, refused.Status);
        Assert.Contains("not computed", refused.Problem(field), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_is_missing_is_named()
    {
        Assert.NotNull((await WearAsync(new { type = "basket" }, 20, 50)).Problem("muzzle.gapeClass"));
        Assert.NotNull((await WearAsync(Basket, 20, 50, longest: 0)).Problem("longestComfortableMinutes"));
        var empty = await server.PostAsync("/api/what-if/wear", new { });
        Assert.Equal((HttpStatusCode.BadRequest, true, true), (empty.Status, empty.Problem("muzzle") is not null, empty.Problem("weather") is not null));
        Assert.NotNull((await server.PostAsync("/api/what-if/balance", new { wears = Array.Empty<object>() })).Problem("on"));
        Assert.NotNull(
            (await server.PostAsync("/api/what-if/balance", new { on = "2026-11-27", wears = new[] { new { day = "2026-11-28", occasion = "fun" } } })).Problem(
                "wears[0].day"
            )
        );
        Assert.NotNull((await server.PostAsync("/api/what-if/treats", new { bodyMassKg = 20, kcalPerPiece = 2 })).Problem("factor"));
        Assert.NotNull(
            (
                await server.PostAsync(
                    "/api/what-if/treats",
                    new
                    {
                        bodyMassKg = 20,
                        kcalPerPiece = 2,
                        factor = 1.6,
                        foodKcal = 800,
                    }
                )
            ).Problem("factor")
        );
    }

    /// <summary>By hand: (1 + ½) / ¼ = 6; a stressful wear in 14 days makes it (½ + ¼) / (1 + ⅛) = ⅔.</summary>
    [Fact]
    public async Task A_balance_by_hand()
    {
        JsonObject Asked(params (string Day, string Occasion)[] planned) =>
            new()
            {
                ["on"] = "2026-11-27",
                ["wears"] = Of(("2026-11-27", "fun"), ("2026-11-13", "ordinary"), ("2026-10-30", "stressful")),
                ["planned"] = Of(planned),
            };
        var answer = await server.PostAsync("/api/what-if/balance", Asked(("2026-12-11", "stressful")));
        Assert.Equal(6, answer.Number("ratio"), 9);
        Assert.Equal(2.0 / 3, answer.Number("ratioAfterPlanned"), 9);
        Assert.Equal((true, "good"), (answer["happyWithinWeek"]!.GetValue<bool>(), answer.Text("verdict")));
        Assert.Equal(6, (await server.PostAsync("/api/what-if/balance", Asked())).Number("ratioAfterPlanned"), 9);
        var none = await server.PostAsync("/api/what-if/balance", new { on = "2026-11-27", wears = Array.Empty<object>() });
        Assert.Equal((null, "warn"), (none["ratio"], none.Text("verdict")));

        static JsonArray Of(params (string Day, string Occasion)[] some) =>
            [.. some.Select(w => new JsonObject { ["day"] = w.Day, ["occasion"] = w.Occasion })];
    }

    /// <summary>70·20^0.75 = 662 kcal (NRC 2006), times 1.6, a tenth of it treats (WSAVA).</summary>
    [Fact]
    public async Task Treats_of_a_day()
    {
        var answer = await server.PostAsync(
            "/api/what-if/treats",
            new
            {
                bodyMassKg = 20,
                factor = 1.6,
                kcalPerPiece = 4,
                piecesUsed = 6,
            }
        );
        Assert.Equal(662, answer.Number("restingKcal"), 0);
        Assert.Equal(1059.2, answer.Number("dailyKcal"), 0);
        Assert.Equal(105.9, answer.Number("treatKcal"), 1);
        Assert.Equal(20, answer.Number("piecesLeft"));
        Assert.Equal(
            0,
            (
                await server.PostAsync(
                    "/api/what-if/treats",
                    new
                    {
                        bodyMassKg = 20,
                        foodKcal = 800,
                        kcalPerPiece = 4,
                        piecesUsed = 99,
                    }
                )
            ).Number("piecesLeft")
        );
    }
}
