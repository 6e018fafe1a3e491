using System.Net;
using System.Text;
using System.Text.Json.Nodes;

namespace JauntyBadge.Server.Tests.Fitting;

/// <summary>Advice over HTTP: what may hurt a dog is refused whatever is asked, and what is read belongs to its day.</summary>
public sealed class AdviceTests(PracticeServer server) : IClassFixture<PracticeServer>
{
    private async Task<string> FlatFaceAsync(params string[] health)
    {
        var dog = await server.NewDogAsync(
            new
            {
                name = "Button",
                headShapeSeen = "short",
                bodyMassKg = 9,
                purposes = new[] { "clinic" },
                health,
                traitsSeen = new[] { "noBridge" },
            }
        );
        foreach (
            var (measure, side, text) in new[]
            {
                ("noseToInnerEye", "left", "40"),
                ("noseToInnerEye", "right", "40"),
                ("snoutGirth", null, "215"),
                ("snoutHeight", null, "52"),
                ("snoutWidth", null, "67"),
                ("neckGirth", (string?)null, "380"),
            }
        )
            Assert.Equal(
                HttpStatusCode.OK,
                (
                    await server.PostAsync(
                        $"{dog}/readings",
                        new
                        {
                            measure,
                            side,
                            text,
                        }
                    )
                ).Status
            );
        return dog;
    }

    private static List<JsonNode> Worn(Answer fits, string type) =>
        [.. fits["fits"]!.AsArray().Select(f => f!).Where(f => f["type"]!.GetValue<string>() == type && f["verdict"]!.GetValue<string>() != "out")];

    [Fact]
    public async Task A_cover_is_out_in_warmth_and_a_sleeve_beyond_five_minutes()
    {
        var dog = await FlatFaceAsync();
        Assert.Empty(Worn(await server.GetAsync($"{dog}/fits?warm=true&minutes=120"), "faceCover"));
        var short15 = Worn(await server.GetAsync($"{dog}/fits?minutes=15&warm=false"), "faceCover");
        Assert.NotEmpty(short15);
        Assert.All(short15, f => Assert.Equal("watched", f["group"]!.GetValue<string>()));
        Assert.All(short15, f => Assert.DoesNotContain("fits", f["headline"]!["says"]!.GetValue<string>(), StringComparison.Ordinal));

        var medium = await server.MeasuredDogAsync();
        Assert.Empty(Worn(await server.GetAsync($"{medium}/fits?uses=clinic&minutes=60"), "sleeve"));
        Assert.NotEmpty(Worn(await server.GetAsync($"{medium}/fits?uses=clinic&minutes=5"), "sleeve"));
    }

    [Fact]
    public async Task What_keeps_a_dog_from_harm_is_overruled_by_nobody()
    {
        var dog = await FlatFaceAsync("airwayTrouble");
        var refused = await server.PutAsync($"{dog}/brief/sleeve-airway", new { note = "I say so." });
        Assert.Equal(HttpStatusCode.Conflict, refused.Status);
        Assert.Contains("keeps the dog from harm", refused.Text("detail"), StringComparison.Ordinal);
        var fits = await server.GetAsync($"{dog}/fits?minutes=5");
        Assert.Empty(Worn(fits, "faceCover"));
        Assert.NotEmpty(Worn(await server.GetAsync($"{dog}/fits?minutes=5&clinicHands=true"), "faceCover"));
        Assert.Contains(fits["brief"]!["lines"]!.AsArray(), l => l!["id"]!.GetValue<string>() == "bridge-forehead");
        Assert.Equal(["airwayTrouble"], (await server.GetAsync(dog))["dog"]!["health"]!.AsArray().Select(h => h!.GetValue<string>()));
    }

    [Fact]
    public async Task What_is_read_on_another_day_begins_a_set_of_its_own_and_midnight_cuts_none_in_two()
    {
        using var own = new PracticeServer();
        own.Clock.SetUtcNow(new DateTimeOffset(2026, 6, 1, 23, 50, 0, TimeSpan.Zero));
        var dog = await own.NewDogAsync();
        Task<Answer> ReadAsync(string text, bool? intoOldSet = null) =>
            own.PostAsync(
                $"{dog}/readings",
                new
                {
                    measure = "neckGirth",
                    text,
                    intoOldSet,
                }
            );
        await ReadAsync("430");
        await own.PutAsync(
            $"{dog}/bench",
            new
            {
                fitStyle = "everyday",
                bodyMassKg = 28.0,
                coat = "ordinary",
            }
        );
        own.Clock.Advance(TimeSpan.FromMinutes(20));
        var same = await ReadAsync("431");
        Assert.Equal((2, false), (same["readings"]!.AsArray().Count, same["set"]!["isOver"]!.GetValue<bool>()));

        own.Clock.Advance(TimeSpan.FromHours(12));
        Assert.True((await own.GetAsync($"{dog}/bench"))["set"]!["isOver"]!.GetValue<bool>());
        Assert.Equal(3, (await ReadAsync("432", intoOldSet: true))["readings"]!.AsArray().Count);
        own.Clock.Advance(TimeSpan.FromDays(30));

        // Another mass is another day's: the old set keeps its own.
        await own.PutAsync(
            $"{dog}/bench",
            new
            {
                fitStyle = "everyday",
                bodyMassKg = 31.0,
                coat = "clipped",
            }
        );
        var fresh = await ReadAsync("440");
        Assert.Single(fresh["readings"]!.AsArray());
        var sets = (await own.GetAsync($"{dog}/measuring-sets"))["sets"]!.AsArray();
        Assert.Equal([(31.0, "clipped"), (28.0, "ordinary")], sets.Select(s => (s!["bodyMassKg"]!.GetValue<double>(), s["coat"]!.GetValue<string>())));

        // A clock set back begins nothing.
        own.Clock.AdjustTime(new DateTimeOffset(2026, 5, 1, 9, 0, 0, TimeSpan.Zero));
        Assert.False((await own.GetAsync($"{dog}/bench"))["set"]!["isOver"]!.GetValue<bool>());
    }

    [Fact]
    public async Task How_a_jaw_was_held_is_said_with_one_tap_and_the_level_distance_follows()
    {
        var dog = await server.MeasuredDogAsync();
        await server.PostAsync($"{dog}/readings", new { measure = "jawToNose", text = "172" });
        var asked = await server.PostAsync($"{dog}/jaw-held", new { held = "pointToPoint" });
        Assert.All(
            asked["readings"]!.AsArray().Where(r => r!["measure"]!.GetValue<string>() == "jawToNose"),
            r => Assert.Equal("pointToPoint", r!["held"]!.GetValue<string>())
        );
        Assert.DoesNotContain(asked["findings"]!.AsArray(), f => f!["code"]!.GetValue<string>() is "jaw-held" or "jaw-point-to-point");
        Assert.Equal(HttpStatusCode.Conflict, (await server.PostAsync($"{await server.NewDogAsync()}/jaw-held", new { held = "level" })).Status);
    }

    [Fact]
    public async Task A_side_that_is_wanting_and_a_picture_that_is_too_large_are_named_in_the_right_words()
    {
        var dog = await server.NewDogAsync();
        Assert.Contains(
            "left or right",
            (await server.GetAsync($"{dog}/bench/typing?measure=noseToInnerEye&text=95")).Problem("side"),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "has a side",
            (await server.GetAsync($"{dog}/bench/typing?measure=snoutWidth&side=left&text=95")).Problem("side"),
            StringComparison.Ordinal
        );

        using var form = new MultipartFormDataContent { { new ByteArrayContent(new byte[25 * 1024 * 1024]), "file", "huge.jpg" } };
        using var request = new HttpRequestMessage(HttpMethod.Post, $"{dog}/photos") { Content = form };
        request.Headers.ExpectContinue = true;
        using var answer = await server.Http.SendAsync(request, TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, answer.StatusCode);
        Assert.Contains(
            "A picture may be up to 20 MB",
            await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task Equal_repeats_of_one_time_are_kept_and_a_file_taken_in_twice_adds_nothing()
    {
        var dog = await server.NewDogAsync();
        const string Sheet =
            "measure,value,taken_at,set_started,uncertainty_mm\nneckGirth,430,2026-05-01T10:00:00Z,2026-05-01T09:00:00Z,2.5\nneckGirth,430,2026-05-01T10:00:00Z,2026-05-01T09:00:00Z,2.5\n";
        for (var time = 0; time < 2; time++)
            Assert.Equal(2, (await server.PostAsync($"{dog}/readings/import", new { text = Sheet }))["readings"]!.AsArray().Count);
        var back = await server.Http.GetStringAsync(new Uri($"{dog}/readings.csv", UriKind.Relative), TestContext.Current.CancellationToken);
        Assert.Equal(3, back.Split("2.5").Length);

        var western = Convert.ToBase64String([
            .. Encoding.ASCII.GetBytes("measure,value,taken_by\nneckGirth,43 cm,B"),
            0xE4,
            .. Encoding.ASCII.GetBytes("r\n"),
        ]);
        Assert.Equal("Bär", (await server.PostAsync($"{dog}/readings/import/preview", new { file = western }))["good"]![0]!["takenBy"]!.GetValue<string>());
        Assert.Contains(
            "UTF-8, UTF-16 or Windows-1252",
            (await server.PostAsync($"{dog}/readings/import/preview", new { file = Convert.ToBase64String([0x89, 0x50, 0, 1, 0x81]) })).Problem("file"),
            StringComparison.Ordinal
        );
    }

    /// <summary>The first look is one answer: with the list comes the muzzle in hand, as it would be told by itself.</summary>
    [Fact]
    public async Task The_muzzle_in_hand_comes_along_where_it_is_asked_for()
    {
        var dog = await server.MeasuredDogAsync();
        var list = (await server.GetAsync($"{dog}/fits"))["fits"]!.AsArray();
        Assert.Null((await server.GetAsync($"{dog}/fits"))["hand"]);
        await HasInHandAsync(list[0]!["sizeId"]!.GetValue<string>());
        var chosen = list[3]!["sizeId"]!.GetValue<string>();
        await server.PostAsync($"{dog}/choice", new { sizeId = chosen, note = "Had it before." });
        await HasInHandAsync(chosen);
        Assert.Null((await server.GetAsync($"{await server.NewDogAsync()}/fits?hand=true"))["hand"]);

        async Task HasInHandAsync(string size)
        {
            var hand = (await server.GetAsync($"{dog}/fits?hand=true&mostOut=12&unit=in"))["hand"]!;
            Assert.Equal(size, hand["fit"]!["sizeId"]!.GetValue<string>());
            Assert.Equal((await server.GetAsync($"{dog}/fits/{size}?unit=in")).Json.ToJsonString(), hand.ToJsonString());
        }
    }

    [Fact]
    public async Task A_dog_that_wears_it_is_told_to_have_a_spare_once_the_purpose_is_passed()
    {
        var dog = await server.MeasuredDogAsync();
        var size = (await server.GetAsync($"{dog}/fits"))["fits"]![0]!["sizeId"]!.GetValue<string>();
        await server.PostAsync($"{dog}/choice", new { sizeId = size });
        Assert.NotEqual("A spare of the same", (await server.GetAsync($"{dog}/fits"))["brief"]!["advice"]!["says"]!.GetValue<string>());
        var upkeep = (await server.GetAsync($"{dog}/plan"))["steps"]!
            .AsArray()
            .Select(s => s!["step"] ?? s)
            .First(s => s!["stage"]!.GetValue<string>() == "upkeep")!["id"]!.GetValue<string>();
        await server.PostAsync($"{dog}/plan/position", new { stepId = upkeep, note = "wears it daily" });
        Assert.Equal("A spare of the same", (await server.GetAsync($"{dog}/fits"))["brief"]!["advice"]!["says"]!.GetValue<string>());
    }
}
