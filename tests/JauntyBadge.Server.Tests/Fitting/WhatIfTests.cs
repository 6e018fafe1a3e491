using System.Net;
using System.Text.Json.Nodes;

namespace JauntyBadge.Server.Tests.Fitting;

public sealed class WhatIfTests(PracticeServer server)
{
    private static JsonObject Fit(Action<JsonObject>? change = null)
    {
        var asked = JsonNode
            .Parse(
                """
                {
                  "snout": { "noseToInnerEyeLeftMm": 100, "noseToInnerEyeRightMm": 102, "snoutGirthMm": 273, "snoutHeightMm": 80, "snoutWidthMm": 72,
                             "jawToNoseMm": 151, "neckGirthMm": 430, "headShape": "medium" },
                  "basket": { "lengthMm": 100, "depthFrontMm": 120, "depthRearMm": 118, "widthRearMm": 86, "openingGirthMm": 375, "neckStrapMinMm": 380, "neckStrapMaxMm": 560 },
                  "fitStyle": "everyday", "neededGapeDeg": 15, "fingers": 2
                }
                """
            )!
            .AsObject();
        change?.Invoke(asked);
        return asked;
    }

    private Task<Answer> AskAsync(JsonObject fit) => server.PostAsync("/api/what-if/fit", fit.ToJsonString());

    [Theory]
    [InlineData("3 3/4\"", "mm", 95.25, "3 3/4\"")]
    [InlineData("9,5 cm", "in", 95, "9,5 cm")]
    [InlineData("95", "mm", 95, "95 mm")]
    public async Task A_length_is_read(string text, string unit, double mm, string asTaken)
    {
        var answer = await server.PostAsync("/api/what-if/reading", new { text, unit });
        Assert.Equal(HttpStatusCode.OK, answer.Status);
        Assert.Equal((mm, asTaken), (answer.Number("millimetres"), answer.Text("asTaken")));
    }

    [Fact]
    public async Task A_strap_loop_is_worked_out()
    {
        var bare = await server.PostAsync(
            "/api/what-if/strap",
            new
            {
                neckGirthMm = 430,
                fingers = 0,
                fingerThicknessMm = 16,
            }
        );
        Assert.Equal(430, bare.Number("loopMm"));

        // Open belt, R = 215/π, r = 8, by hand: 461.2 mm.
        var one = await server.PostAsync(
            "/api/what-if/strap",
            new
            {
                neckGirthMm = 430,
                fingers = 1,
                fingerThicknessMm = 16,
            }
        );
        var (large, small) = (430 / (2 * Math.PI), 8.0);
        var centres = large + small;
        var beta = Math.Asin((large - small) / centres);
        Assert.Equal(2 * centres * Math.Cos(beta) + Math.PI * centres + 2 * beta * (large - small), one.Number("loopMm"), 5);
    }

    [Fact]
    public async Task A_fit_is_judged_with_every_number_the_contract_names()
    {
        var answer = await AskAsync(Fit());
        Assert.Equal(HttpStatusCode.OK, answer.Status);
        Assert.Equal((19.05, 19.05, 0), (answer.Number("noseRoomMm"), answer.Number("eyeRoomMm"), answer.Number("shoveEyeRoomMm")));
        Assert.Equal("fullPant", answer.Text("gapeClass"));
        Assert.Equal("fits", answer.Text("verdict"));
        Assert.Equal(375 - answer.Number("neededGirthMm"), answer.Number("girthMarginMm"), 5);
        Assert.Equal(8, answer.Number("widthMarginMm"), 5);
        Assert.InRange(answer.Number("neckLoopMm"), 430, 520);
        Assert.Equal(
            ["seat", "shove", "chinRoom", "gape", "girth", "large", "width", "neckStrap"],
            answer["criteria"]!.AsArray().Select(c => c!["name"]!.GetValue<string>())
        );
        Assert.All(answer["criteria"]!.AsArray(), c => Assert.NotEmpty(c!["basis"]!["note"]!.GetValue<string>()));
    }

    [Fact]
    public async Task Optional_numbers_may_be_missing_and_what_was_not_checked_is_said()
    {
        var answer = await AskAsync(
            Fit(f =>
            {
                foreach (var optional in new[] { "snoutGirthMm", "snoutHeightMm", "snoutWidthMm", "jawToNoseMm", "neckGirthMm" })
                    f["snout"]!.AsObject().Remove(optional);
            })
        );
        Assert.Equal(HttpStatusCode.OK, answer.Status);
        Assert.Null(answer["neckLoopMm"]);
        Assert.Equal("neckStrap", answer["notChecked"]![0]!["name"]!.GetValue<string>());
        Assert.NotEqual("fits", answer.Text("verdict"));
        Assert.Contains(answer["snout"]!.AsArray(), s => s!["provenance"]!.GetValue<string>() == "assumed");
    }

    public static TheoryData<string, string, string> WrongFits =>
        new()
        {
            { "snout.noseToInnerEyeLeftMm", "-5", "5 to 1500" },
            { "snout.noseToInnerEyeLeftMm", "null", "needed" },
            { "snout.snoutGirthMm", "99999", "5 to 1500" },
            { "snout.snoutHeightMm", "\"eighty\"", "number" },
            { "snout.innerEyeSpacingMm", "400", "twice" },
            { "snout.headShape", "\"square\"", "long, medium, short" },
            { "basket.lengthMm", "0", "5 to 1500" },
            { "basket.neckStrapMaxMm", "300", "more than" },
            { "basket", "null", "needed" },
            { "fitStyle", "\"strict\"", "everyday, working" },
            { "neededGapeDeg", "61", "0 to 60" },
            { "fingers", "9", "0 to 4" },
            { "fingers", "1.5", "whole number" },
        };

    [Theory]
    [MemberData(nameof(WrongFits))]
    public async Task A_wrong_field_is_named_with_what_would_be_accepted(string path, string value, string accepted)
    {
        var answer = await AskAsync(
            Fit(f =>
            {
                var parts = path.Split('.');
                var parent = parts.Length == 1 ? f : f[parts[0]]!.AsObject();
                parent[parts[^1]] = JsonNode.Parse(value);
            })
        );
        Assert.Equal(HttpStatusCode.BadRequest, answer.Status);
        Assert.Equal("application/problem+json", answer.MediaType);
        Assert.Contains(accepted, answer.Problem(path), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("reading", """{"text":"-4"}""", "text")]
    [InlineData("reading", """{"text":"ninety"}""", "text")]
    [InlineData("reading", """{"text":"99999 cm"}""", "text")]
    [InlineData("reading", """{"text":"95","unit":"ell"}""", "unit")]
    [InlineData("reading", "{}", "text")]
    [InlineData("strap", """{"neckGirthMm":-1,"fingers":1}""", "neckGirthMm")]
    [InlineData("strap", """{"neckGirthMm":430,"fingers":12}""", "fingers")]
    [InlineData("strap", """{"neckGirthMm":70,"fingers":1,"fingerThicknessMm":40}""", "fingerThicknessMm")]
    public async Task Other_what_ifs_name_the_field_too(string what, string body, string field)
    {
        var answer = await server.PostAsync($"/api/what-if/{what}", body);
        Assert.Equal(HttpStatusCode.BadRequest, answer.Status);
        Assert.NotNull(answer.Problem(field));
    }
}
