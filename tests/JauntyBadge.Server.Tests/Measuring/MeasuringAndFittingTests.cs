using System.Net;
using System.Text.Json.Nodes;

namespace JauntyBadge.Server.Tests.Measuring;

public sealed class MeasuringAndFittingTests(PracticeServer server) : IClassFixture<PracticeServer>
{
    [Fact]
    public async Task Readings_are_kept_as_taken_and_their_mean_is_shown()
    {
        var dog = await server.NewDogAsync();
        await server.PostAsync(
            $"{dog}/readings",
            new
            {
                measure = "noseToInnerEye",
                side = "left",
                text = "3 3/4\"",
            }
        );
        var bench = await server.PostAsync(
            $"{dog}/readings",
            new
            {
                measure = "noseToInnerEye",
                side = "left",
                text = "9,8 cm",
            }
        );
        Assert.Equal(["3 3/4\"", "9,8 cm"], bench["readings"]!.AsArray().Select(r => r!["asTaken"]!.GetValue<string>()));
        Assert.Equal((95.25 + 98) / 2, bench["measures"]![0]!["meanMm"]!.GetValue<double>(), 6);
        Assert.Equal("one-side-only", bench["findings"]![0]!["code"]!.GetValue<string>());
        // The eye is drawn where it was measured.
        var lid = bench["drawing"]!["side"]!["fields"]!.AsArray().First(f => f!["part"]!.ToString() == "lid")!;
        Assert.StartsWith("M96.6 ", lid["d"]!.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_reading_sent_twice_counts_once_and_one_taken_out_can_be_put_back()
    {
        var dog = await server.NewDogAsync();
        var reading = new
        {
            id = Guid.NewGuid(),
            measure = "neckGirth",
            text = "43 cm",
        };
        await server.PostAsync($"{dog}/readings", reading);
        var bench = await server.PostAsync($"{dog}/readings", reading);
        Assert.Single(bench["readings"]!.AsArray());
        bench = await server.SendAsync(HttpMethod.Delete, $"{dog}/readings/{reading.id}");
        Assert.Empty(bench["readings"]!.AsArray());
        bench = await server.PostAsync($"{dog}/readings/{reading.id}/restore");
        Assert.Equal("43 cm", bench["readings"]![0]!["asTaken"]!.GetValue<string>());
    }

    [Fact]
    public async Task The_same_reading_sent_many_times_at_once_counts_once()
    {
        var dog = await server.NewDogAsync();
        var reading = new
        {
            id = Guid.NewGuid(),
            measure = "neckGirth",
            text = "43 cm",
        };
        var all = await Task.WhenAll(Enumerable.Range(0, 8).Select(_ => server.PostAsync($"{dog}/readings", reading)));
        Assert.All(all, a => Assert.Equal(HttpStatusCode.OK, a.Status));
        Assert.Single((await server.GetAsync($"{dog}/bench"))["readings"]!.AsArray());
    }

    [Theory]
    [InlineData("10 3/4 in", 273.05, null)]
    [InlineData("10 3/", null, "not a length")]
    [InlineData("-4", null, "negative")]
    public async Task Half_a_length_is_no_error_while_it_is_being_typed(string text, double? mm, string? problem)
    {
        var answer = await server.GetAsync($"/api/readings/so-far?text={Uri.EscapeDataString(text)}&unit=mm");
        Assert.Equal(HttpStatusCode.OK, answer.Status);
        Assert.Equal(mm, answer["millimetres"]?.GetValue<double>());
        Assert.Contains(problem ?? "", answer["problem"]?.GetValue<string>() ?? "", StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_triangle_that_cannot_be_is_found_and_left_out_of_the_fit()
    {
        var dog = await server.MeasuredDogAsync();
        var bench = await server.PostAsync($"{dog}/readings", new { measure = "innerEyeSpacing", text = "300" });
        Assert.Contains(bench["findings"]!.AsArray(), f => f!["code"]!.GetValue<string>() == "impossible-spacing");
        var fits = await server.GetAsync($"{dog}/fits");
        Assert.Equal(98, fits["snout"]!.AsArray().Single(s => s!["name"]!.GetValue<string>() == "Eye line")!["mm"]!.GetValue<double>());
    }

    /// <summary>Readings nobody's dog has are kept and questioned; no view of the dog fails over them.</summary>
    [Theory]
    [InlineData("1", "1")]
    [InlineData("1500", "1500")]
    [InlineData("1", "1500")]
    [InlineData("1500", "1")]
    public async Task Absurd_readings_never_make_a_view_fail(string odd, string even)
    {
        var dog = await server.NewDogAsync(new { name = "Chimera", purposes = new[] { "clinic" } });
        (string Measure, string? Side)[] measures =
        [
            ("noseToInnerEye", "left"),
            ("noseToInnerEye", "right"),
            ("snoutGirth", null),
            ("snoutHeight", null),
            ("snoutWidth", null),
            ("jawToNose", null),
            ("neckGirth", null),
            ("innerEyeSpacing", null),
        ];
        for (var i = 0; i < measures.Length; i++)
        {
            await server.PostAsync(
                $"{dog}/readings",
                new
                {
                    measure = measures[i].Measure,
                    side = measures[i].Side,
                    text = i % 2 == 0 ? odd : even,
                }
            );
            foreach (var view in new[] { "", "/bench", "/fits", "/fits/withy-5?fingers=4", "/fits/minute-3?fitStyle=working", "/plan" })
                Assert.Equal(HttpStatusCode.OK, (await server.GetAsync(dog + view)).Status);
        }

        Assert.NotEmpty((await server.GetAsync($"{dog}/bench"))["findings"]!.AsArray());
    }

    [Fact]
    public async Task Findings_speak_the_unit_asked_for()
    {
        var dog = await server.NewDogAsync();
        await server.PostAsync(
            $"{dog}/readings",
            new
            {
                measure = "noseToInnerEye",
                side = "left",
                text = "88",
            }
        );
        await server.PostAsync(
            $"{dog}/readings",
            new
            {
                measure = "noseToInnerEye",
                side = "right",
                text = "100",
            }
        );
        var bench = await server.GetAsync($"{dog}/bench?unit=in");
        Assert.Contains("1/2 in", bench["findings"]![0]!["message"]!.GetValue<string>(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Without_nose_to_eye_there_is_no_fit_yet()
    {
        var dog = await server.NewDogAsync();
        var fits = await server.GetAsync($"{dog}/fits");
        Assert.Empty(fits["fits"]!.AsArray());
        Assert.NotEmpty(fits["brief"]!["lines"]!.AsArray());
        Assert.Equal(HttpStatusCode.Conflict, (await server.GetAsync($"{dog}/fits/withy-5")).Status);
    }

    [Fact]
    public async Task Of_those_that_are_out_as_many_come_along_as_are_looked_at()
    {
        var dog = await server.MeasuredDogAsync();
        var (all, few) = (await server.GetAsync($"{dog}/fits"), await server.GetAsync($"{dog}/fits?mostOut=3"));
        List<string> Ids(Answer fits, bool isOut) =>
            [.. fits["fits"]!.AsArray().Where(f => f!["group"]!.GetValue<string>() == "out" == isOut).Select(f => f!["sizeId"]!.GetValue<string>())];
        var count = Ids(all, isOut: true).Count;
        Assert.True(count > 100);
        Assert.Equal((count, count), (all["out"]!.GetValue<int>(), few["out"]!.GetValue<int>()));
        Assert.Equal(Ids(all, isOut: true).Take(3), Ids(few, isOut: true));
        Assert.Equal(Ids(all, isOut: false), Ids(few, isOut: false));
        Assert.Equal(all["filteredOut"]!.GetValue<int>(), few["filteredOut"]!.GetValue<int>());
        Assert.Empty(Ids(await server.GetAsync($"{dog}/fits?mostOut=0"), isOut: true));
    }

    [Fact]
    public async Task The_catalogue_is_ranked_and_the_same_core_answers_the_what_if()
    {
        var dog = await server.MeasuredDogAsync();
        var fits = await server.GetAsync($"{dog}/fits");
        Assert.Equal("fits", fits["fits"]![0]!["group"]!.GetValue<string>());
        Assert.InRange(fits["fits"]![0]!["chance"]!.GetValue<double>(), 0.9, 1);
        var first = (await server.GetAsync($"{dog}/fits/{fits["fits"]![0]!["sizeId"]}"))["fit"]!;
        var size = (await server.GetAsync("/api/catalogue"))
            .Json.AsArray()
            .SelectMany(m => m!["model"]!["sizes"]!.AsArray())
            .Single(s => s!["id"]!.GetValue<string>() == first["sizeId"]!.GetValue<string>())!;
        var pitch = size.Parent!.Parent!["holePitchMm"];
        var basket = new[] { "lengthMm", "depthFrontMm", "depthRearMm", "widthRearMm", "openingGirthMm", "neckStrapMinMm", "neckStrapMaxMm" }.ToDictionary(
            k => k,
            k => size[k]!.GetValue<double>()
        );
        if (pitch is not null)
            basket["holePitchMm"] = pitch.GetValue<double>();
        var whatIf = await server.PostAsync(
            "/api/what-if/fit",
            new
            {
                snout = new
                {
                    noseToInnerEyeLeftMm = 98,
                    noseToInnerEyeRightMm = 100,
                    snoutGirthMm = 272,
                    snoutHeightMm = 80,
                    snoutWidthMm = 73,
                    jawToNoseMm = 149.225,
                    neckGirthMm = 430,
                    headShape = "medium",
                },
                basket,
                fitStyle = "everyday",
                neededGapeDeg = 15,
                fingers = 2,
            }
        );
        foreach (var number in new[] { "noseRoomMm", "eyeRoomMm", "gapeDeg", "neckLoopMm" })
            Assert.Equal(whatIf.Number(number), first[number]!.GetValue<double>(), 5);
        string Said(JsonNode? fit) =>
            string.Join('\n', fit!["criteria"]!.AsArray().Where(c => !c!["soft"]!.GetValue<bool>()).Select(c => $"{c!["name"]} {c["marginMm"]} {c["reason"]}"));
        Assert.Equal(Said(whatIf.Json), Said(first));
    }

    [Fact]
    public async Task School_and_use_change_the_answer()
    {
        var dog = await server.MeasuredDogAsync();
        async Task<(double Deg, int Fingers)> BriefAsync(string query) =>
            (await server.GetAsync($"{dog}/fits{query}"))["brief"]! is var brief
                ? (brief["neededGapeDeg"]!.GetValue<double>(), brief["fingers"]!.GetValue<int>())
                : default;
        Assert.Equal((15, 2), await BriefAsync(""));
        Assert.Equal((15, 1), await BriefAsync("?fitStyle=working"));
        Assert.Equal((8, 2), await BriefAsync("?uses=clinic"));
        Assert.Equal((15, 2), await BriefAsync("?uses=clinic&minutes=45"));
        Assert.Equal((15, 2), await BriefAsync("?uses=clinic&warm=true"));
    }

    [Fact]
    public async Task A_choice_keeps_its_reasons_as_they_were()
    {
        var dog = await server.MeasuredDogAsync();
        var sizeId = (await server.GetAsync($"{dog}/fits"))["fits"]![0]!["sizeId"]!.GetValue<string>();
        var choice = await server.PostAsync($"{dog}/choice", new { sizeId });
        var reasons = choice["kept"]!["criteria"]!.ToJsonString();

        await server.PostAsync($"{dog}/readings", new { measure = "snoutWidth", text = "90" });
        var card = await server.GetAsync(dog);
        Assert.Equal(reasons, card["choice"]!["kept"]!["criteria"]!.ToJsonString());
        Assert.Contains(
            card["choice"]!["kept"]!["snout"]!.AsArray(),
            n => n!["name"]!.GetValue<string>() == "Snout width" && n["mm"]!.GetValue<double>() == 73
        );
        Assert.Equal(0.5, card["badge"]!["fitted"]!.GetValue<double>());

        await server.PostAsync($"{dog}/choice/{choice["id"]}/withdraw");
        Assert.Null((await server.GetAsync(dog))["choice"]);
        await server.PostAsync($"{dog}/choice/{choice["id"]}/restore");
        Assert.NotNull((await server.GetAsync(dog))["choice"]);
    }

    [Fact]
    public async Task What_is_out_is_kept_only_with_a_note()
    {
        var dog = await server.MeasuredDogAsync();
        var refused = await server.PostAsync($"{dog}/choice", new { sizeId = "tansy-xs" });
        Assert.Contains("is out", refused.Problem("note"), StringComparison.Ordinal);
        var kept = await server.PostAsync($"{dog}/choice", new { sizeId = "tansy-xs", note = "for the puppy" });
        Assert.Equal("out", kept["kept"]!["verdict"]!.GetValue<string>());
        Assert.Equal(HttpStatusCode.NotFound, (await server.PostAsync($"{dog}/choice", new { sizeId = "no-such" })).Status);
    }

    [Fact]
    public async Task A_sleeve_can_be_kept_for_the_clinic()
    {
        var dog = await server.MeasuredDogAsync();
        var fits = (await server.GetAsync($"{dog}/fits?uses=clinic&minutes=5"))["fits"]!.AsArray();
        var sleeve = fits.First(f => f!["type"]!.GetValue<string>() == "sleeve" && f["verdict"]!.GetValue<string>() != "out")!;
        var kept = await server.PostAsync(
            $"{dog}/choice",
            new
            {
                sizeId = sleeve["sizeId"]!.GetValue<string>(),
                uses = new[] { "clinic" },
                minutes = 5,
            }
        );
        Assert.Equal("sleeve", kept["kept"]!["type"]!.GetValue<string>());
        Assert.NotNull((await server.GetAsync(dog))["choice"]);
    }

    [Fact]
    public async Task The_drawing_of_a_muzzle_comes_to_scale_and_a_sleeves_does_too()
    {
        var dog = await server.MeasuredDogAsync();
        var detail = await server.GetAsync($"{dog}/fits/withy-5?unit=cm");
        var nose = detail["drawing"]!["dimensions"]!.AsArray().Single(d => d!["name"]!.GetValue<string>() == "noseRoom")!;
        Assert.Equal(detail["fit"]!["noseRoomMm"]!.GetValue<double>(), nose["to"]!["x"]!.GetValue<double>() - nose["from"]!["x"]!.GetValue<double>(), 5);
        Assert.Contains(" cm ", detail["fit"]!["criteria"]![0]!["reason"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Single((await server.GetAsync($"{dog}/fits/minute-3"))["drawing"]!["dimensions"]!.AsArray());
        using var svg = await server.Http.GetAsync($"{dog}/fits/withy-5/drawing.svg?with=lantern-m");
        Assert.Equal("image/svg+xml", svg.Content.Headers.ContentType!.MediaType);
        var drawn = System.Xml.Linq.XDocument.Parse(await svg.Content.ReadAsStringAsync()).Root!;
        Assert.EndsWith("mm", drawn.Attribute("width")!.Value, StringComparison.Ordinal);
        Assert.Contains("Withy 5 and Lantern M", drawn.Value, StringComparison.Ordinal);
    }
}
