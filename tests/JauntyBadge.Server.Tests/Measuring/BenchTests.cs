using System.Net;
using System.Text.Json.Nodes;

namespace JauntyBadge.Server.Tests.Measuring;

/// <summary>The measuring bench over HTTP: schools, tools, judged readings, sets over time, CSV.</summary>
public sealed class BenchTests(PracticeServer server) : IClassFixture<PracticeServer>
{
    private static string[] Codes(Answer bench) => [.. bench["findings"]!.AsArray().Select(f => f!["code"]!.GetValue<string>())];

    private static double Mean(Answer bench, string measure) =>
        bench["measures"]!.AsArray().Single(m => m!["measure"]!.GetValue<string>() == measure)!["meanMm"]!.GetValue<double>();

    private Task<Answer> ReadAsync(string dog, string measure, string text, string tool = "softTape", string? side = null) =>
        server.PostAsync(
            $"{dog}/readings",
            new
            {
                measure,
                side,
                text,
                tool,
                takenBy = "Wren",
            }
        );

    [Fact]
    public async Task The_bench_asks_for_the_schools_measures_and_accepts_the_others()
    {
        var dog = await server.NewDogAsync();
        var everyday = await server.GetAsync($"{dog}/bench");
        Assert.Equal(
            ["fitLineLength", "snoutHeight", "snoutGirth", "snoutWidth", "neckGirth"],
            everyday["asked"]!.AsArray().Select(l => l!["measure"]!.GetValue<string>())
        );
        Assert.Equal(14 - 5, everyday["others"]!.AsArray().Count);
        var working = await server.PutAsync(
            $"{dog}/bench",
            new
            {
                fitStyle = "working",
                bodyMassKg = 30.5,
                coat = "thick",
            }
        );
        Assert.Equal(6, working["asked"]!.AsArray().Count);
        Assert.Equal(
            ("thick", 30.5),
            ((await server.GetAsync(dog))["dog"]!["coatSeen"]!.GetValue<string>(), (await server.GetAsync(dog))["dog"]!["bodyMassKg"]!.GetValue<double>())
        );
        Assert.Equal(HttpStatusCode.OK, (await ReadAsync(dog, "headGirth", "480")).Status);
        var refused = await server.PutAsync($"{dog}/bench", new { fitStyle = "working", fitLineGapMm = 99 });
        Assert.Contains("2 to 60", refused.Problem("fitLineGapMm"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_dog_measured_in_the_everyday_style_can_be_fitted()
    {
        var dog = await server.NewDogAsync();
        foreach (
            var (measure, text) in new[]
            {
                ("fitLineLength", "80"),
                ("snoutHeight", "80"),
                ("snoutGirth", "27,2 cm"),
                ("snoutWidth", "73"),
                ("neckGirth", "430"),
            }
        )
            await ReadAsync(dog, measure, text);
        var bench = await server.GetAsync($"{dog}/bench");
        Assert.True(bench["canFit"]!.GetValue<bool>());
        Assert.DoesNotContain(bench["missing"]!.AsArray(), m => m!["use"]!.GetValue<string>() == "choosing");
        Assert.Equal("fit", (await server.GetAsync(dog))["next"]!["kind"]!.GetValue<string>());
        Assert.NotEmpty((await server.GetAsync($"{dog}/fits"))["fits"]!.AsArray());
    }

    [Fact]
    public async Task What_is_being_typed_is_judged_and_drawn_and_not_kept()
    {
        var dog = await server.MeasuredDogAsync();
        var before = await server.GetAsync($"{dog}/bench");
        var typing = await server.GetAsync($"{dog}/bench/typing?measure=noseToInnerEye&side=left&text=15%20cm");
        Assert.Equal(150, typing["reading"]!["millimetres"]!.GetValue<double>());
        Assert.Contains("sides-differ", Codes(typing));
        Assert.NotEqual(before["drawing"]!["eyeCorner"]!.ToJsonString(), typing["drawing"]!["eyeCorner"]!.ToJsonString());
        Assert.Contains(
            "not a length",
            (await server.GetAsync($"{dog}/bench/typing?measure=neckGirth&text=x4"))["reading"]!["problem"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        Assert.Equal(before.Json.ToJsonString(), (await server.GetAsync($"{dog}/bench")).Json.ToJsonString());
    }

    [Fact]
    public async Task An_odd_reading_is_proposed_and_set_aside_only_by_the_fitter()
    {
        var dog = await server.NewDogAsync();
        foreach (var text in new[] { "430", "432", "451" })
            await ReadAsync(dog, "neckGirth", text);
        var bench = await server.GetAsync($"{dog}/bench");
        var odd = bench["readings"]!.AsArray().Single(r => r!["standsApart"]!.GetValue<bool>())!;
        Assert.Equal("451 mm", odd["asTaken"]!.GetValue<string>());
        Assert.Contains("odd-one-out", Codes(bench));
        Assert.Equal((430 + 432 + 451) / 3.0, Mean(bench, "neckGirth"), 6);

        var kept = await server.PostAsync($"{dog}/readings/{odd["id"]}/judge", new { keep = true });
        Assert.DoesNotContain("odd-one-out", Codes(kept));
        Assert.Equal(3, kept["measures"]![0]!["count"]!.GetValue<int>());
        var refused = await server.PostAsync($"{dog}/readings/{odd["id"]}/judge", new { setAside = " " });
        Assert.Contains("why", refused.Problem("setAside"), StringComparison.Ordinal);
        var aside = await server.PostAsync($"{dog}/readings/{odd["id"]}/judge", new { setAside = "tape slipped" });
        Assert.Equal(431, Mean(aside, "neckGirth"), 6);
        Assert.Equal("tape slipped", aside["readings"]!.AsArray().Single(r => r!["id"]!.ToString() == odd["id"]!.ToString())!["setAside"]!.GetValue<string>());
        var back = await server.PostAsync($"{dog}/readings/{odd["id"]}/judge", new { });
        Assert.Contains("odd-one-out", Codes(back));
    }

    [Fact]
    public async Task First_readings_sent_all_at_once_go_into_one_set()
    {
        var dog = await server.NewDogAsync();
        await Task.WhenAll(Enumerable.Range(0, 8).Select(i => ReadAsync(dog, "neckGirth", $"{430 + i}")));
        var sets = (await server.GetAsync($"{dog}/measuring-sets"))["sets"]!.AsArray();
        Assert.Equal(8, Assert.Single(sets)!["measures"]![0]!["count"]!.GetValue<int>());
    }

    [Fact]
    public async Task The_fit_line_gap_written_down_moves_the_eye_line()
    {
        var dog = await server.NewDogAsync();
        var usual = await ReadAsync(dog, "fitLineLength", "80");
        Assert.Equal(99.05, usual["drawing"]!["eyeCorner"]!["x"]!.GetValue<double>(), 6);
        var written = await server.PutAsync($"{dog}/bench", new { fitStyle = "everyday", fitLineGapMm = 15 });
        Assert.Equal(95, written["drawing"]!["eyeCorner"]!["x"]!.GetValue<double>(), 6);
        Assert.Equal(15, written["set"]!["fitLineGapMm"]!.GetValue<double>());
    }

    /// <summary>What a spreadsheet would run comes out neutralised and goes in again as it was.</summary>
    [Fact]
    public async Task A_name_that_starts_a_formula_is_neutralised_in_the_file()
    {
        var dog = await server.NewDogAsync();
        await server.PostAsync(
            $"{dog}/readings",
            new
            {
                measure = "neckGirth",
                text = "430",
                takenBy = "=HYPERLINK(\"x\")",
            }
        );
        var text = await server.Http.GetStringAsync(new Uri($"{dog}/readings.csv", UriKind.Relative));
        Assert.Contains("'=HYPERLINK", text, StringComparison.Ordinal);
        var preview = await server.PostAsync($"{dog}/readings/import/preview", new { text });
        Assert.Equal("=HYPERLINK(\"x\")", preview["good"]![0]!["takenBy"]!.GetValue<string>());
    }

    [Fact]
    public async Task Sets_pictures_and_readings_of_another_dog_are_not_found()
    {
        var (dog, other) = (await server.NewDogAsync(), await server.NewDogAsync());
        var reading = (await ReadAsync(dog, "neckGirth", "430"))["readings"]![0]!["id"]!;
        var set = (await server.GetAsync($"{dog}/measuring-sets"))["sets"]![0]!["id"]!;
        Assert.Equal(HttpStatusCode.NotFound, (await server.PostAsync($"{other}/readings/{reading}/judge", new { keep = true })).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await server.SendAsync(HttpMethod.Delete, $"{other}/measuring-sets/{set}")).Status);
        Assert.Equal(HttpStatusCode.BadRequest, (await server.GetAsync($"{other}/measuring-sets/compare?before={set}&after={set}")).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await server.GetAsync($"{other}/photos/{Guid.NewGuid()}")).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await server.GetAsync($"/api/dogs/{Guid.NewGuid()}/bench")).Status);
    }

    [Fact]
    public async Task Two_marks_of_a_string_become_a_reading()
    {
        var dog = await server.NewDogAsync();
        var bench = await server.PostAsync(
            $"{dog}/readings",
            new
            {
                measure = "snoutGirth",
                from = "2 cm",
                to = "29,2 cm",
                tool = "string",
            }
        );
        Assert.Equal(272, Mean(bench, "snoutGirth"), 6);
        Assert.Equal("2 cm to 29,2 cm on the ruler", bench["readings"]![0]!["asTaken"]!.GetValue<string>());
        Assert.Equal("string", bench["readings"]![0]!["tool"]!.GetValue<string>());
        Assert.NotNull(
            (
                await server.PostAsync(
                    $"{dog}/readings",
                    new
                    {
                        measure = "snoutGirth",
                        from = "x",
                        to = "29",
                    }
                )
            ).Problem("from")
        );
        Assert.Equal(7, (await server.GetAsync("/api/readings/so-far?text=&from=2&to=9"))["millimetres"]!.GetValue<double>());
    }

    [Fact]
    public async Task Sets_are_kept_over_time_and_what_changed_is_said()
    {
        var dog = await server.NewDogAsync(
            new
            {
                name = "Pip",
                breedIds = new[] { "great-dane" },
                birthDate = server.Today.AddMonths(-8),
                bodyMassKg = 30,
                purposes = new[] { "walks" },
            }
        );
        await ReadAsync(dog, "neckGirth", "400");
        await ReadAsync(dog, "snoutWidth", "70");
        Assert.Empty((await server.GetAsync($"{dog}/bench"))["measureAgain"]!.AsArray());
        server.Clock.Advance(TimeSpan.FromDays(30));
        await server.PutAsync(
            dog,
            new
            {
                name = "Pip",
                breedIds = new[] { "great-dane" },
                birthDate = server.Today.AddMonths(-9),
                bodyMassKg = 34,
                coatSeen = "clipped",
                purposes = new[] { "walks" },
            }
        );
        Assert.Equal(3, (await server.GetAsync($"{dog}/bench"))["measureAgain"]!.AsArray().Count);
        Assert.Equal("Measure again", (await server.GetAsync(dog))["next"]!["title"]!.GetValue<string>());

        await server.PostAsync($"{dog}/measuring-sets");
        var bench = await ReadAsync(dog, "neckGirth", "425");
        Assert.Empty(bench["measureAgain"]!.AsArray());
        Assert.Equal((25, true), (bench["changes"]![0]!["changeMm"]!.GetValue<double>(), bench["changes"]![0]!["isReal"]!.GetValue<bool>()));
        var sets = (await server.GetAsync($"{dog}/measuring-sets"))["sets"]!.AsArray();
        Assert.Equal([34.0, 30.0], sets.Select(s => s!["bodyMassKg"]!.GetValue<double>()));
        var compared = (await server.GetAsync($"{dog}/measuring-sets/compare?before={sets[1]!["id"]}&after={sets[0]!["id"]}")).Json.AsArray();
        Assert.Equal(["snoutWidth", "neckGirth"], compared.Select(c => c!["measure"]!.GetValue<string>()));

        await server.SendAsync(HttpMethod.Delete, $"{dog}/measuring-sets/{sets[0]!["id"]}");
        Assert.Equal(400, Mean(await server.GetAsync($"{dog}/bench"), "neckGirth"), 6);
        await server.PostAsync($"{dog}/measuring-sets/{sets[0]!["id"]}/restore");
        Assert.Equal(425, Mean(await server.GetAsync($"{dog}/bench"), "neckGirth"), 6);
    }

    [Fact]
    public async Task Readings_go_out_as_csv_and_come_into_another_dog_with_their_sets()
    {
        var dog = await server.MeasuredDogAsync();
        server.Clock.Advance(TimeSpan.FromHours(1));
        await server.PostAsync($"{dog}/measuring-sets");
        await ReadAsync(dog, "snoutWidth", "74", "caliper");
        using var response = await server.Http.GetAsync(new Uri($"{dog}/readings.csv", UriKind.Relative));
        Assert.Equal("text/csv", response.Content.Headers.ContentType!.MediaType);
        var text = await response.Content.ReadAsStringAsync();
        Assert.StartsWith("set_started,measure,side,value,", text, StringComparison.Ordinal);

        var other = await server.NewDogAsync();
        server.Clock.Advance(TimeSpan.FromHours(1));
        var bench = await server.PostAsync($"{other}/readings/import", new { text });
        Assert.Equal(HttpStatusCode.OK, bench.Status);
        Assert.Equal(2, (await server.GetAsync($"{other}/measuring-sets"))["sets"]!.AsArray().Count);
        Assert.Equal(74, Mean(bench, "snoutWidth"), 6);
        await server.PostAsync($"{other}/readings/import", new { text });
        Assert.Equal(
            8,
            (await server.GetAsync($"{other}/measuring-sets"))["sets"]!.AsArray().Sum(s => s!["measures"]!.AsArray().Sum(m => m!["count"]!.GetValue<int>()))
        );
    }

    [Fact]
    public async Task Bad_rows_are_told_before_anything_is_stored_and_the_good_ones_taken()
    {
        var dog = await server.NewDogAsync();
        const string Text = "measure,side,value,tool\nneckGirth,,430,caliper\ntail,,9,\nsnoutWidth,,ninety,\n";
        var preview = await server.PostAsync($"{dog}/readings/import/preview", new { text = Text });
        Assert.Equal([3, 4], preview["bad"]!.AsArray().Select(b => b!["row"]!.GetValue<int>()));
        Assert.Single(preview["good"]!.AsArray());
        Assert.Empty((await server.GetAsync($"{dog}/bench"))["readings"]!.AsArray());
        Assert.Single((await server.PostAsync($"{dog}/readings/import", new { text = Text }))["readings"]!.AsArray());
        Assert.Contains(
            "No row",
            (await server.PostAsync($"{dog}/readings/import", new { text = "measure,value\ntail,9" })).Problem("text"),
            StringComparison.Ordinal
        );
        Assert.NotNull((await server.PostAsync($"{dog}/readings/import/preview", new { })).Problem("text"));
    }

    [Fact]
    public async Task The_practices_own_dogs_of_a_breed_become_its_range()
    {
        for (var i = 0; i < 8; i++)
        {
            var earlier = await server.NewDogAsync(
                new
                {
                    name = $"Whippet {i}",
                    breedIds = new[] { "whippet" },
                    purposes = new[] { "walks" },
                }
            );
            await ReadAsync(earlier, "neckGirth", $"{300 + 2 * i}");
        }

        var dog = await server.NewDogAsync(
            new
            {
                name = "Ninth",
                breedIds = new[] { "whippet" },
                purposes = new[] { "walks" },
            }
        );
        Assert.Empty(Codes(await ReadAsync(dog, "neckGirth", "310")));
        var far = await ReadAsync(dog, "neckGirth", "420");
        Assert.Contains(
            "8 earlier dogs",
            far["findings"]!.AsArray().Single(f => f!["code"]!.GetValue<string>() == "outside-own-range")!["message"]!.GetValue<string>(),
            StringComparison.Ordinal
        );

        // A cross of the breed is no measure for it, nor it for the cross.
        var cross = await server.NewDogAsync(
            new
            {
                name = "Cross",
                breedIds = new[] { "whippet", "beagle" },
                purposes = new[] { "walks" },
            }
        );
        Assert.DoesNotContain("outside-own-range", Codes(await ReadAsync(cross, "neckGirth", "420")));
    }

    [Fact]
    public async Task A_breed_can_be_found_corrected_added_and_put_back()
    {
        var found = (await server.GetAsync("/api/breeds?find=pug")).Json.AsArray();
        Assert.Equal("pug", found[0]!["id"]!.GetValue<string>());
        var dog = await server.NewDogAsync(
            new
            {
                name = "Pug",
                breedIds = new[] { "pug" },
                purposes = new[] { "walks" },
            }
        );
        await server.PutAsync(
            "/api/breeds/pug",
            new
            {
                name = "Pug",
                shape = "medium",
                growingMonths = 12,
                traits = new[] { "toy" },
            }
        );
        Assert.Equal("medium", (await server.GetAsync(dog))["headShape"]!["shape"]!.GetValue<string>());
        await server.SendAsync(HttpMethod.Delete, "/api/breeds/pug");
        Assert.Equal("short", (await server.GetAsync(dog))["headShape"]!["shape"]!.GetValue<string>());

        var own = await server.PostAsync(
            "/api/breeds",
            new
            {
                name = "Wend Terrier",
                shape = "long",
                growingMonths = 12,
            }
        );
        Assert.Equal("wend-terrier", own.Text("id"));
        Assert.Contains(
            "already",
            (
                await server.PostAsync(
                    "/api/breeds",
                    new
                    {
                        name = "wend terrier",
                        shape = "long",
                        growingMonths = 12,
                    }
                )
            ).Problem("name"),
            StringComparison.Ordinal
        );
        Assert.NotNull(
            (
                await server.PostAsync(
                    "/api/breeds",
                    new
                    {
                        name = "X",
                        shape = "long",
                        growingMonths = 99,
                    }
                )
            ).Problem("growingMonths")
        );
        var terrier = await server.NewDogAsync(
            new
            {
                name = "T",
                breedIds = new[] { "wend-terrier" },
                purposes = new[] { "walks" },
            }
        );
        Assert.Equal("long", (await server.GetAsync(terrier))["headShape"]!["shape"]!.GetValue<string>());
        Assert.Equal(HttpStatusCode.Conflict, (await server.SendAsync(HttpMethod.Delete, "/api/breeds/wend-terrier")).Status);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (
                await server.PutAsync(
                    "/api/breeds/no-such",
                    new
                    {
                        name = "X",
                        shape = "long",
                        growingMonths = 12,
                    }
                )
            ).Status
        );
    }
}
