using System.Net;
using System.Net.Http.Headers;
using System.Text.Json.Nodes;
using JauntyBadge.Core.Fitting;

namespace JauntyBadge.Server.Tests.Fitting;

public sealed class FittingRoomTests(PracticeServer server) : IClassFixture<PracticeServer>
{
    private static IEnumerable<JsonNode> Rows(Answer answer, string name) => answer[name]!.AsArray().Select(r => r!);

    private static JsonObject Fit() =>
        JsonNode
            .Parse(
                """
                {
                  "snout": { "noseToInnerEyeLeftMm": 100, "noseToInnerEyeRightMm": 120, "snoutGirthMm": 273, "snoutHeightMm": 80, "snoutWidthMm": 72,
                             "jawToNoseMm": 151, "neckGirthMm": 430, "headShape": "medium" },
                  "basket": { "lengthMm": 100, "depthFrontMm": 160, "depthRearMm": 150, "widthRearMm": 79, "openingGirthMm": 440, "neckStrapMinMm": 380, "neckStrapMaxMm": 560 },
                  "fitStyle": "everyday", "neededGapeDeg": 15, "fingers": 2
                }
                """
            )!
            .AsObject();

    [Fact]
    public async Task Without_uncertainties_the_what_if_has_no_chance_and_with_them_it_has_one_and_a_retake()
    {
        var bare = await server.PostAsync("/api/what-if/fit", Fit().ToJsonString());
        Assert.Null(bare["chance"]);
        Assert.Null(bare["retake"]);
        var asked = Fit();
        asked["snout"]!["snoutWidthUMm"] = 2;
        var answer = await server.PostAsync("/api/what-if/fit", asked.ToJsonString());

        // Spare width 7 mm where 6 is the least: the normal distribution up to half a standard uncertainty, 0.6915 by any table.
        Assert.Equal(0.6915, answer.Number("chance"), 0.002);
        Assert.Equal("snoutWidth", answer["retake"]!["measure"]!.GetValue<string>());
        Assert.Equal(0.6915, Rows(answer, "criteria").Single(c => c["name"]!.GetValue<string>() == "width")["chance"]!.GetValue<double>(), 0.002);
    }

    [Theory]
    [InlineData("snoutWidthUMm", -1)]
    [InlineData("neckGirthUMm", 80)]
    [InlineData("headGirthUMm", 2)]
    public async Task An_uncertainty_that_cannot_be_is_named(string field, double value)
    {
        var asked = Fit();
        asked["snout"]![field] = value;
        var answer = await server.PostAsync("/api/what-if/fit", asked.ToJsonString());
        Assert.Equal(HttpStatusCode.BadRequest, answer.Status);
        Assert.NotNull(answer.Problem($"snout.{field}"));
    }

    [Fact]
    public async Task The_what_if_brief_derives_from_dog_and_purposes()
    {
        var brief = await server.PostAsync(
            "/api/what-if/brief",
            new
            {
                dog = new
                {
                    headShape = "medium",
                    biteTier = "injured",
                    sensitivities = new[] { "handsBehindHead" },
                    bodyMassKg = 20,
                    temperament = "wary",
                },
                purposes = new[] { "walks", "scavenging" },
            }
        );
        Assert.Equal((3, 15, 300), (brief.Number("tier"), brief.Number("neededGapeDeg"), brief.Number("mostMassG")));
        var lines = Rows(brief, "lines").Select(l => l["id"]!.GetValue<string>()).ToList();
        Assert.Contains("scavenger-closed", lines);
        Assert.Contains("tier3-front-bar", lines);
        Assert.Equal("clip-and-bite", brief["clashes"]![0]!["id"]!.GetValue<string>());
        Assert.False(brief["advice"]!["trainingFirst"]!.GetValue<bool>());
        Assert.NotNull((await server.PostAsync("/api/what-if/brief", new { })).Problem("dog"));
        Assert.NotNull((await server.PostAsync("/api/what-if/brief", new { dog = new { breedIds = new[] { "unicorn" } } })).Problem("dog.breedIds[0]"));
        Assert.NotNull((await server.PostAsync("/api/what-if/brief", new { dog = new { }, minutes = 0 })).Problem("minutes"));
    }

    /// <summary>What the brief says may be overruled is what may be.</summary>
    [Fact]
    public async Task The_brief_says_itself_which_lines_may_be_overruled()
    {
        var dog = await server.NewDogAsync(
            new
            {
                name = "Nettle",
                breedIds = new[] { "pug" },
                bodyMassKg = 9,
                purposes = new[] { "clinic", "walks" },
                biteTier = "contactNoInjury",
                health = new[] { "proneToVomiting" },
            }
        );
        var lines = (await server.GetAsync($"{dog}/fits"))["brief"]!["lines"]!.AsArray();
        Assert.Equal([false, true], lines.Select(l => l!["canOverrule"]!.GetValue<bool>()).Distinct().Order());
        foreach (var line in lines)
        {
            var answer = await server.PutAsync($"{dog}/brief/{line!["id"]}", new { note = "Tried." });
            Assert.Equal((line["id"]!.ToString(), line["canOverrule"]!.GetValue<bool>()), (line["id"]!.ToString(), answer.Status == HttpStatusCode.OK));
        }
    }

    [Fact]
    public async Task A_line_is_overruled_with_a_note_that_stays_and_let_stand_again()
    {
        var dog = await server.NewDogAsync(
            new
            {
                name = "Bracken",
                purposes = new[] { "scavenging" },
                headShapeSeen = "medium",
            }
        );
        Assert.NotNull((await server.PutAsync($"{dog}/brief/scavenger-closed", new { note = " " })).Problem("note"));
        Assert.Equal(HttpStatusCode.NotFound, (await server.PutAsync($"{dog}/brief/fit-style", new { note = "no" })).Status);
        var brief = await server.PutAsync($"{dog}/brief/scavenger-closed", new { note = "Only indoors." });
        Assert.Equal("Only indoors.", Line(brief.Json)["overruled"]!.GetValue<string>());
        Assert.Equal("Only indoors.", Line((await server.GetAsync($"{dog}/fits"))["brief"]!)["overruled"]!.GetValue<string>());
        var again = await server.SendAsync(HttpMethod.Delete, $"{dog}/brief/scavenger-closed");
        Assert.Null(Line(again.Json)["overruled"]);

        static JsonNode Line(JsonNode brief) => brief["lines"]!.AsArray().Single(l => l!["id"]!.GetValue<string>() == "scavenger-closed")!;
    }

    [Fact]
    public async Task The_list_filters_by_van_price_and_date_and_says_how_many_it_left_out()
    {
        var dog = await server.MeasuredDogAsync();
        var all = Rows(await server.GetAsync($"{dog}/fits"), "fits").ToList();
        Assert.Equal(Catalogue.Shipped.Sum(m => m.Sizes.Count), all.Count);
        Assert.Equal(["fits", "unsure", "near", "out"], all.Select(f => f["group"]!.GetValue<string>()).Distinct());
        Assert.All(all.Where(f => f["group"]!.GetValue<string>() == "fits"), f => Assert.True(f["chance"]!.GetValue<double>() >= 0.5));
        Assert.All(all.Where(f => f["group"]!.GetValue<string>() == "near"), f => Assert.NotEmpty(f["remedies"]!.AsArray()));

        await server.PutAsync("/api/van/lantern-m", new { count = 2 });
        var van = await server.GetAsync($"{dog}/fits?inVan=true");
        Assert.Equal((1, all.Count - 1), (van["fits"]!.AsArray().Count, van.Number("filteredOut")));
        Assert.Equal(2, van["fits"]![0]!["inVan"]!.GetValue<int>());
        Assert.All(Rows(await server.GetAsync($"{dog}/fits?mostPrice=20"), "fits"), f => Assert.True(f["price"]!.GetValue<decimal>() <= 20));
        var soon = Rows(await server.GetAsync($"{dog}/fits?by={server.Today.AddDays(3):yyyy-MM-dd}"), "fits").ToList();
        Assert.All(soon, f => Assert.True(f["leadDays"]!.GetValue<int>() <= 3 || f["inVan"]!.GetValue<int>() > 0));
        Assert.NotEmpty(soon);
        await server.PutAsync("/api/van/lantern-m", new { count = 0 });
    }

    [Fact]
    public async Task Settings_change_strap_and_order()
    {
        var dog = await server.MeasuredDogAsync();
        async Task<double> LoopAsync() => (await server.GetAsync($"{dog}/fits/withy-5"))["fit"]!["neckLoopMm"]!.GetValue<double>();
        var before = await LoopAsync();
        var set = await server.PutAsync(
            "/api/fit-settings",
            new
            {
                material = "metalOnly",
                visibility = "blendIn",
                fingerMm = 20,
                comfort = 5,
                safety = 0,
                feeding = 1,
            }
        );
        Assert.Equal(20, set.Number("fingerMm"));
        Assert.True(await LoopAsync() > before);
        Assert.NotNull(
            (
                await server.PutAsync(
                    "/api/fit-settings",
                    new
                    {
                        material = "metalOnly",
                        visibility = "blendIn",
                        fingerMm = 200,
                        comfort = 5,
                        safety = 0,
                        feeding = 1,
                    }
                )
            ).Problem("fingerMm")
        );
        await server.PutAsync(
            "/api/fit-settings",
            new
            {
                material = "sturdy",
                visibility = "standOut",
                fingerMm = 16,
                comfort = 2,
                safety = 2,
                feeding = 2,
            }
        );
        Assert.Equal(before, await LoopAsync());
    }

    [Fact]
    public async Task The_order_sheet_has_windows_around_what_is_wanted()
    {
        var dog = await server.MeasuredDogAsync();
        var sheet = await server.GetAsync($"{dog}/order");
        var length = Rows(sheet, "dimensions").First();
        Assert.Equal(
            (98, 98 - 12.7, 98 + 12.7),
            (length["wantedMm"]!.GetValue<double>(), length["leastMm"]!.GetValue<double>(), length["mostMm"]!.GetValue<double>())
        );
        Assert.NotEqual("out", sheet.Text("check"));
        Assert.NotEmpty(sheet["confirm"]!.AsArray());
        Assert.NotEmpty(sheet["cautions"]!.AsArray());
        Assert.Equal(HttpStatusCode.Conflict, (await server.GetAsync($"{await server.NewDogAsync()}/order")).Status);
    }

    [Fact]
    public async Task A_try_on_is_diagnosed_kept_pictured_and_can_be_taken_out()
    {
        var dog = await server.MeasuredDogAsync();
        Assert.Equal(HttpStatusCode.Conflict, (await server.GetAsync($"{await server.NewDogAsync()}/try-on")).Status);
        Assert.Equal(
            (await server.GetAsync($"{dog}/fits"))["fits"]![0]!["sizeId"]!.GetValue<string>(),
            (await server.GetAsync($"{dog}/try-on")).Text("sizeId")
        );
        await server.PostAsync($"{dog}/choice", new { sizeId = "withy-6", note = "Borrowed to try." });
        var guide = await server.GetAsync($"{dog}/try-on");
        Assert.Equal(("withy-6", 12, false), (guide.Text("sizeId"), guide["checks"]!.AsArray().Count, guide["accepts"]!.GetValue<bool>()));
        var hole = guide["right"]!["hole"]!.GetValue<int>();

        var found = await server.PostAsync($"{dog}/try-on/diagnose", new { symptom = "rides-into-eyes", hole });
        var causes = found["causes"]!.AsArray();
        Assert.Equal("forehead-too-tight", causes[0]!["cause"]!["id"]!.GetValue<string>());
        var tooLong = causes.Single(c => c!["cause"]!["id"]!.GetValue<string>() == "too-long")!;
        Assert.Contains(tooLong["remedies"]!.AsArray(), r => r!["kind"]!.GetValue<string>() == "size" && r["sizeId"] is not null);
        Assert.NotNull((await server.PostAsync($"{dog}/try-on/diagnose", new { symptom = "sneezes" })).Problem("symptom"));
        Assert.NotNull((await server.PostAsync($"{dog}/try-on/diagnose", new { symptom = "strap-loose", hole = 99 })).Problem("hole"));

        Assert.NotNull((await server.PostAsync($"{dog}/try-ons", new { sizeId = "withy-6", answers = new { } })).Problem("answers"));
        var kept = await server.PostAsync(
            $"{dog}/try-ons",
            new
            {
                sizeId = "withy-6",
                answers = new { sight = false, nose = true },
                symptoms = new[] { "rides-into-eyes" },
                hole,
                note = "Send for a 5.",
            }
        );
        Assert.Equal("Withy 6", kept["seen"]!["muzzle"]!.GetValue<string>());

        using var form = new MultipartFormDataContent();
        using var picture = new ByteArrayContent(await server.Http.GetByteArrayAsync("/api/demo-pictures/side"));
        picture.Headers.ContentType = new MediaTypeHeaderValue("image/jpeg");
        form.Add(picture, "file", "on.jpg");
        using (var sent = await server.Http.PostAsync($"{dog}/try-ons/{kept["id"]}/picture", form))
            Assert.Equal(HttpStatusCode.OK, sent.StatusCode);
        Assert.True((await server.Http.GetByteArrayAsync($"{dog}/try-ons/{kept["id"]}/picture")).Length > 1000);
        Assert.True((await server.GetAsync($"{dog}/try-ons")).Json[0]!["hasPicture"]!.GetValue<bool>());
        await server.SendAsync(HttpMethod.Delete, $"{dog}/try-ons/{kept["id"]}");
        Assert.Empty((await server.GetAsync($"{dog}/try-ons")).Json.AsArray());
        await server.PostAsync($"{dog}/try-ons/{kept["id"]}/restore");
        Assert.Single((await server.GetAsync($"{dog}/try-ons")).Json.AsArray());
    }

    [Fact]
    public async Task A_cover_is_tried_on_with_its_own_checks_and_its_caution()
    {
        var dog = await server.MeasuredDogAsync();
        Assert.Null((await server.GetAsync($"{dog}/try-on?size=withy-6"))["caution"]);
        var guide = await server.GetAsync($"{dog}/try-on?size=snood-m");
        Assert.Contains("Off at any sign of breathing trouble", guide.Text("caution"), StringComparison.Ordinal);
        Assert.Contains(guide["checks"]!.AsArray(), c => c!["id"]!.GetValue<string>() == "breath");
        var found = await server.PostAsync($"{dog}/try-on/diagnose", new { sizeId = "snood-m", symptom = "breathes-hard" });
        Assert.Contains("veterinarian", found["causes"]![0]!["remedies"]![0]!["does"]!.GetValue<string>(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_a_try_on_shows_moves_the_badge_and_what_is_next()
    {
        var dog = await server.MeasuredDogAsync();
        async Task<(double Filled, string Next, string Detail)> Stands()
        {
            var card = await server.GetAsync(dog);
            return (card["badge"]!["fitted"]!.GetValue<double>(), card["next"]!["kind"]!.GetValue<string>(), card["next"]!["detail"]!.GetValue<string>());
        }

        await server.PostAsync($"{dog}/choice", new { sizeId = "withy-6", note = "Borrowed to try." });
        Assert.Equal((0.5, "session"), ((await Stands()).Filled, (await Stands()).Next));

        // Another muzzle tried on says nothing of the chosen one.
        await server.PostAsync($"{dog}/try-ons", new { sizeId = "lantern-m", answers = new { sight = false } });
        Assert.Equal((0.5, "session"), ((await Stands()).Filled, (await Stands()).Next));

        var bad = await server.PostAsync(
            $"{dog}/try-ons",
            new
            {
                sizeId = "withy-6",
                answers = new
                {
                    sight = false,
                    paw = false,
                    nose = true,
                },
                symptoms = new[] { "rides-into-eyes" },
            }
        );
        var wrong = await Stands();
        Assert.Equal((0.5 + 0.5 / 12, "tryOn"), (wrong.Filled, wrong.Next));
        Assert.Equal("Rides into the eyes; “Can it not be pawed off?” No", (await server.GetAsync(dog))["tried"]!["wrong"]!.GetValue<string>());
        Assert.StartsWith("Rides into the eyes; “Can it not be pawed off?” No.", wrong.Detail, StringComparison.Ordinal);
        await server.SendAsync(HttpMethod.Delete, $"{dog}/try-ons/{bad["id"]}");
        Assert.Equal(0.5, (await Stands()).Filled);
        await server.PostAsync($"{dog}/try-ons/{bad["id"]}/restore");

        var checks = (await server.GetAsync($"{dog}/try-on"))["checks"]!.AsArray().ToDictionary(c => c!["id"]!.GetValue<string>(), _ => true);
        await server.PostAsync($"{dog}/try-ons", new { sizeId = "withy-6", answers = checks });
        Assert.Equal((1.0, "session"), ((await Stands()).Filled, (await Stands()).Next));

        // A new choice has to be tried anew.
        server.Clock.Advance(TimeSpan.FromHours(1));
        await server.PostAsync($"{dog}/choice", new { sizeId = "withy-6", note = "A new one of the same." });
        Assert.Equal(0.5, (await Stands()).Filled);
        Assert.Null((await server.GetAsync(dog))["tried"]);
    }
}
