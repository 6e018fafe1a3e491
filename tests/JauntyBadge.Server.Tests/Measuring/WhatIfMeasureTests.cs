using System.Net;
using System.Text.Json.Nodes;

namespace JauntyBadge.Server.Tests.Measuring;

public sealed class WhatIfMeasureTests(PracticeServer server)
{
    private static object R(string measure, string text, string? side = null, string tool = "softTape", string? unit = null) =>
        new
        {
            measure,
            side,
            text,
            unit,
            tool,
        };

    private Task<Answer> AskAsync(params object[] readings) =>
        server.PostAsync(
            "/api/what-if/measure",
            new
            {
                fitStyle = "everyday",
                bodyMassKg = 28,
                readings,
            }
        );

    private static JsonNode Measure(Answer answer, string measure) => answer["measures"]!.AsArray().Single(m => m!["measure"]!.GetValue<string>() == measure)!;

    [Fact]
    public async Task Readings_are_judged_with_every_member_the_contract_names()
    {
        var answer = await AskAsync(
            R("fitLineLength", "80"),
            R("fitLineLength", "8,2", unit: "cm"),
            R("snoutHeight", "3 1/8 in", tool: "caliper"),
            R("snoutGirth", "272"),
            R("neckGirth", "430", tool: "digitalTape")
        );
        Assert.Equal(HttpStatusCode.OK, answer.Status);
        var fitLine = Measure(answer, "fitLineLength");
        Assert.Equal((2, 81, "measured"), (fitLine["n"]!.GetValue<int>(), fitLine["meanMm"]!.GetValue<double>(), fitLine["state"]!.GetValue<string>()));

        // GUM: s² = 2, n = 2; resolution 0.5/√3; soft tape 2 mm (House).
        Assert.Equal(Math.Sqrt(1 + 1.0 / 12 + 4), fitLine["standardUncertaintyMm"]!.GetValue<double>(), 5);
        Assert.Equal("derived", Measure(answer, "snoutWidth")["state"]!.GetValue<string>());
        Assert.Equal("derived", Measure(answer, "noseToInnerEye")["state"]!.GetValue<string>());
        Assert.Empty(answer["findings"]!.AsArray());
        Assert.Equal(
            ["snoutWidth", "headGirth", "stopToNose", "stopToOcciput", "skullWidth"],
            answer["missing"]!.AsArray().Select(m => m!["measure"]!.GetValue<string>())
        );
    }

    [Fact]
    public async Task Findings_say_what_disagrees_and_what_to_take_again()
    {
        var answer = await AskAsync(R("noseToInnerEye", "98", "left"), R("noseToInnerEye", "110", "right"), R("jawToNose", "182"), R("snoutHeight", "80"));
        var codes = answer["findings"]!.AsArray().Select(f => f!["code"]!.GetValue<string>()).ToList();
        Assert.Equal(["sides-differ", "jaw-point-to-point"], codes);
        Assert.All(answer["findings"]!.AsArray(), f => Assert.False(string.IsNullOrEmpty(f!["retake"]!.GetValue<string>())));
    }

    /// <summary>Average short skull of Miller's Anatomy of the Dog (recalled): index 81; the airway caution only below a ratio of 0.5 (Packer et al. 2015, recalled).</summary>
    [Theory]
    [InlineData("48", "79", 0.607595, false)]
    [InlineData("38", "89", 0.426966, true)]
    public async Task Head_shape_comes_from_three_ways_side_by_side(string face, string skull, double ratio, bool caution)
    {
        var answer = await server.PostAsync(
            "/api/what-if/measure",
            new
            {
                fitStyle = "working",
                breed = "Greyhound",
                readings = new[] { R("stopToNose", face), R("stopToOcciput", skull), R("skullWidth", "103") },
            }
        );
        var shape = answer["headShape"]!;
        Assert.Equal("short", shape["shape"]!.GetValue<string>());
        Assert.Equal(caution, shape["airwayCaution"]!.GetValue<bool>());
        Assert.Equal(["craniofacialRatio", "cranialIndex", "breed"], shape["ways"]!.AsArray().Select(w => w!["way"]!.GetValue<string>()));
        Assert.Equal(ratio, shape["ways"]![0]!["value"]!.GetValue<double>(), 5);
        Assert.Equal(81, shape["ways"]![1]!["value"]!.GetValue<double>(), 0.5);
        Assert.Equal(("long", "memory"), (shape["ways"]![2]!["shape"]!.GetValue<string>(), shape["ways"]![2]!["basis"]!["kind"]!.GetValue<string>()));
    }

    [Fact]
    public async Task A_thick_coat_widens_a_girths_doubt()
    {
        async Task<double> DoubtUnder(string coat) =>
            Measure(
                await server.PostAsync(
                    "/api/what-if/measure",
                    new
                    {
                        fitStyle = "everyday",
                        coat,
                        readings = new[] { R("neckGirth", "430") },
                    }
                ),
                "neckGirth"
            )["standardUncertaintyMm"]!.GetValue<double>();
        Assert.Equal(4, Math.Pow(await DoubtUnder("thick"), 2) - Math.Pow(await DoubtUnder("ordinary"), 2), 4);
    }

    [Theory]
    [InlineData("""{"readings":[]}""", "fitStyle")]
    [InlineData("""{"fitStyle":"strict","readings":[]}""", "fitStyle")]
    [InlineData("""{"fitStyle":"everyday"}""", "readings")]
    [InlineData("""{"fitStyle":"everyday","readings":[],"breed":"unicorn"}""", "breed")]
    [InlineData("""{"fitStyle":"everyday","readings":[],"bodyMassKg":-1}""", "bodyMassKg")]
    [InlineData("""{"fitStyle":"everyday","readings":[{"measure":"neckGirth","text":"430"},{"measure":"neckGirth","text":"ninety"}]}""", "readings[1].text")]
    [InlineData("""{"fitStyle":"everyday","readings":[{"measure":"noseToInnerEye","text":"95"}]}""", "readings[0].side")]
    [InlineData("""{"fitStyle":"everyday","readings":[{"text":"95"}]}""", "readings[0].measure")]
    [InlineData("""{"fitStyle":"everyday","readings":[{"measure":"neckGirth","text":"95","tool":"eye"}]}""", "readings[0].tool")]
    public async Task A_wrong_field_is_named(string body, string field)
    {
        var answer = await server.PostAsync("/api/what-if/measure", body);
        Assert.Equal(HttpStatusCode.BadRequest, answer.Status);
        Assert.NotNull(answer.Problem(field));
    }

    private static JsonObject Photo(double scale = 4, double squeeze = 1, string kind = "card") =>
        JsonNode
            .Parse(
                $$"""
                { "view": "side", "reference": { "kind": "{{kind}}", "corners": [[100,100],[{{100 + 85.6 * scale * squeeze}},100],[{{100
                    + 85.6 * scale * squeeze}},{{100 + 53.98 * scale}}],[100,{{100 + 53.98 * scale}}]] },
                  "landmarks": { "noseTip": [{{100 - 20 * scale}},{{100 + 70 * scale}}], "fitLineTop": [{{100 + 61 * scale}},{{100
                    + 66 * scale}}], "fitLineUnder": [{{100 + 61 * scale}},{{100 + 146 * scale}}] } }
                """
            )!
            .AsObject();

    [Theory]
    [InlineData("card")]
    [InlineData("ID-1")]
    public async Task A_marked_picture_gives_measures_with_their_doubt(string kind)
    {
        var answer = await server.PostAsync("/api/what-if/photo", Photo(kind: kind).ToJsonString());
        Assert.Equal(HttpStatusCode.OK, answer.Status);
        var height = Measure(answer, "snoutHeight");
        Assert.Equal(80, height["mm"]!.GetValue<double>(), 3);
        Assert.Equal(2 * height["standardUncertaintyMm"]!.GetValue<double>(), height["expandedUncertaintyMm"]!.GetValue<double>(), 4);
        Assert.Equal(0.25, answer.Number("millimetresPerPixel"), 6);
    }

    [Theory]
    [InlineData(1, 1, "reference-too-small")]
    [InlineData(4, 0.5, "too-slanted")]
    public async Task A_bad_setup_is_refused_with_how_to_take_the_picture_again(double scale, double squeeze, string code)
    {
        var answer = await server.PostAsync("/api/what-if/photo", Photo(scale, squeeze).ToJsonString());
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.Status);
        Assert.Equal("application/problem+json", answer.MediaType);
        Assert.Equal(code, answer.Text("code"));
        Assert.NotEmpty(answer.Text("retake"));
    }

    [Fact]
    public async Task Wrong_marks_are_named()
    {
        async Task<Answer> With(Action<JsonObject> change)
        {
            var photo = Photo();
            change(photo);
            return await server.PostAsync("/api/what-if/photo", photo.ToJsonString());
        }

        Assert.NotNull((await With(p => p["reference"]!["kind"] = "plate")).Problem("reference.kind"));
        Assert.NotNull((await With(p => p["reference"]!["corners"]!.AsArray().RemoveAt(0))).Problem("reference.corners"));
        Assert.NotNull((await With(p => p["reference"]!["kind"] = "ruler")).Problem("reference.corners"));
        Assert.Contains("no landmark", (await With(p => p["landmarks"]!["tail"] = new JsonArray(1, 2))).Problem("landmarks.tail"), StringComparison.Ordinal);
        Assert.NotNull((await With(p => p["landmarks"]!["noseTip"] = new JsonArray(1))).Problem("landmarks.noseTip"));
        Assert.NotNull((await With(p => p.Remove("view"))).Problem("view"));
    }
}
