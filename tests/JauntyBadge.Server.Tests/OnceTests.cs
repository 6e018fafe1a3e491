using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.Json.Nodes;
using JauntyBadge.Data;
using JauntyBadge.Data.People;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Tests;

/// <summary>An answer that was lost on its way: what is sent again under the same id is done once and answered the same, at every address there is.</summary>
public sealed class OnceTests(PracticeServer server) : IClassFixture<PracticeServer>
{
    private const string Header = "Idempotency-Key";

    private static readonly object Size = new
    {
        label = "M",
        lengthMm = 95,
        depthFrontMm = 110,
        depthRearMm = 95,
        widthRearMm = 85,
        openingGirthMm = 320,
        neckStrapMinMm = 350,
        neckStrapMaxMm = 500,
    };

    private readonly HashSet<string> walked = [];

    private async Task HomeAsync(string dog, string at)
    {
        var note = $"{at} {{noteId}}={Guid.NewGuid()}";
        await DoAsync("put", "/api/dogs/{id}/news/{noteId}", note, new { text = "It rubs its nose." });
        await PictureAsync("/api/dogs/{id}/news/{noteId}/pictures", note, await server.Http.GetByteArrayAsync("/api/demo-pictures/side"));
        await DoAsync("post", "/api/dogs/{id}/news/read", at);
        await DoAsync("post", "/api/dogs/{id}/news/looked", at);
        var person = $"{{personId}}={(await DoAsync("post", "/api/people", "", new { name = "Hazel", kind = "helper" }))["person"]!["id"]}";
        await DoAsync("put", "/api/people/{personId}", person, new { name = "Hazel Wick", kind = "helper" });
        await DoAsync("post", "/api/people/{personId}/link", person);
        await DoAsync("delete", "/api/people/{personId}", person);
        await DoAsync("post", "/api/people/{personId}/back", person);
        var offered = await DoAsync("post", "/api/dogs/{id}/pairings", at, new { kind = "keeper" });
        using (var phone = new HttpClient { BaseAddress = server.Http.BaseAddress })
            Assert.True((await phone.PostAsJsonAsync("/api/pair", new { code = offered["code"]!.ToString() })).IsSuccessStatusCode);
        var phoneId = (await server.GetAsync("/api/phones")).Json[0]!["id"];
        await DoAsync("delete", "/api/phones/{phoneId}", $"{{phoneId}}={phoneId}");
        var aside = Guid.NewGuid();
        await using (var db = new PracticeDb(new DbContextOptionsBuilder<PracticeDb>().UseSqlite(PracticeFolder.ConnectionTo(server.Folder)).Options))
        {
            db.Aside.Add(
                new AsideRow
                {
                    Id = aside,
                    Person = "Wren",
                    Device = "a phone",
                    DogId = Guid.Parse(dog),
                    Method = "POST",
                    Path = $"/api/dogs/{dog}",
                    Body = "{}",
                }
            );
            await db.SaveChangesAsync();
        }

        await DoAsync("post", "/api/aside/{asideId}/looked", $"{{asideId}}={aside}");
        await DoAsync("put", "/api/dogs/{id}/veterinarian", at, new { veterinarianMinutes = 10, veterinarianSays = "Clinic, 1 June" });
    }

    /// <summary>Everything that can be done, done in an order in which it can be, each twice.</summary>
    [Fact]
    public async Task Everything_sent_twice_is_kept_once()
    {
        var dog = (
            await DoAsync(
                "post",
                "/api/dogs",
                "",
                new
                {
                    name = "Bramble",
                    purposes = new[] { "walks" },
                    breedIds = new[] { "beagle" },
                    bodyMassKg = 14,
                }
            )
        )["id"]!;
        var at = $"{{id}}={dog}";
        await DoAsync(
            "put",
            "/api/dogs/{id}",
            at,
            new
            {
                name = "Bramble",
                purposes = new[] { "walks" },
                breedIds = new[] { "beagle" },
                bodyMassKg = 14.5,
            }
        );
        await DoAsync("post", "/api/dogs/{id}/archive", at);
        await DoAsync("post", "/api/dogs/{id}/restore", at);
        foreach (
            var (measure, text) in new[]
            {
                ("noseToInnerEye", "80"),
                ("snoutGirth", "230"),
                ("snoutHeight", "70"),
                ("snoutWidth", "62"),
                ("jawToNose", "120"),
                ("neckGirth", "360"),
            }
        )
            await DoAsync(
                "post",
                "/api/dogs/{id}/readings",
                at,
                measure == "noseToInnerEye"
                    ? new
                    {
                        measure,
                        text,
                        side = "left",
                    }
                    : new { measure, text }
            );
        var bench = (await server.GetAsync($"/api/dogs/{dog}/bench")).Json;
        var reading = $"{at} {{readingId}}={bench["readings"]![0]!["id"]}";
        await DoAsync("post", "/api/dogs/{id}/jaw-held", at, new { held = "level" });
        await DoAsync("put", "/api/dogs/{id}/bench", at, new { fitStyle = "everyday", bodyMassKg = 14.5 });
        await DoAsync("post", "/api/dogs/{id}/readings/{readingId}/judge", reading, new { keep = true });
        await DoAsync("delete", "/api/dogs/{id}/readings/{readingId}", reading);
        await DoAsync("post", "/api/dogs/{id}/readings/{readingId}/restore", reading);
        await DoAsync("post", "/api/dogs/{id}/readings/import", at, new { text = "measure;value\nneckGirth;362 mm\n" });
        await DoAsync("post", "/api/dogs/{id}/measuring-sets", at);
        var set = $"{at} {{setId}}={(await server.GetAsync($"/api/dogs/{dog}/bench"))["set"]!["id"]}";
        await DoAsync("delete", "/api/dogs/{id}/measuring-sets/{setId}", set);
        await DoAsync("post", "/api/dogs/{id}/measuring-sets/{setId}/restore", set);
        await DoAsync("delete", "/api/dogs/{id}/measuring-sets/{setId}", set);
        await PicturesAsync(at);
        await FitAsync(at);
        await TrainAsync($"{dog}", at);
        await WearAsync(at);
        await HouseAsync();
        await HomeAsync($"{dog}", at);
        await DoAsync("post", "/api/dogs/{id}/handed-over", at, new { to = "Another practice" });
        await DoAsync("post", "/api/dogs/{id}/taken-back", at, new { note = "Moved back." });

        var document = (await server.GetAsync("/api/openapi/v1.json")).Json;
        var writes = document["paths"]!.AsObject().SelectMany(p => p.Value!.AsObject().Where(o => TakesId(o.Value!)).Select(o => $"{o.Key} {p.Key}"));
        Assert.Empty(writes.Except(walked));
    }

    /// <summary>
    /// What is kept takes an id; what is only asked for, or done with a device, does not. Nor do a dossier, which brings nothing the second time, and what is done
    /// with whole practices, or to come in and go out: a practice that another stands in for cannot remember the answer (a restore and its undoing say which themselves).
    /// </summary>
    [Fact]
    public async Task Every_address_that_changes_something_takes_an_id()
    {
        var document = (await server.GetAsync("/api/openapi/v1.json")).Json;
        var without = document["paths"]!
            .AsObject()
            .SelectMany(p => p.Value!.AsObject().Where(o => o.Key is "post" or "put" or "delete" && !TakesId(o.Value!)).Select(_ => p.Key))
            .Where(p => !p.StartsWith("/api/what-if", StringComparison.Ordinal) && !p.StartsWith("/api/devices", StringComparison.Ordinal));
        Assert.Equal(
            [
                "/api/aside",
                "/api/backups",
                "/api/backups/preview",
                "/api/backups/restore",
                "/api/backups/sent",
                "/api/backups/undo",
                "/api/catalogue/chart/open",
                "/api/catalogue/chart/read",
                "/api/catalogue/draw",
                "/api/come-in",
                "/api/come-in/look",
                "/api/dogs/{id}/readings/import/preview",
                "/api/dogs/{id}/try-on/diagnose",
                "/api/dogs/{id}/wearing/limit",
                "/api/dossiers",
                "/api/dossiers/preview",
                "/api/house-numbers/{numberId}/trial",
                "/api/me/devices/{deviceId}",
                "/api/me/passkeys",
                "/api/me/passkeys/ask",
                "/api/me/passkeys/{passkeyId}",
                "/api/me/password",
                "/api/pair",
                "/api/practice",
                "/api/sign-in",
                "/api/sign-in/passkey",
                "/api/sign-in/passkey/ask",
                "/api/sign-out",
            ],
            without.Order(StringComparer.Ordinal)
        );
    }

    /// <summary>A reading whose answer was lost is typed nowhere twice: a false repeat would make the doubt smaller.</summary>
    [Fact]
    public async Task A_reading_whose_answer_was_lost_does_not_make_the_dog_surer()
    {
        var dog = await server.NewDogAsync();
        var (key, body) = (Guid.NewGuid(), new { measure = "snoutGirth", text = "272" });
        double Doubt(JsonNode bench) => bench["measures"]!.AsArray().Single()!["standardUncertaintyMm"]!.GetValue<double>();
        var first = await SendAsync("post", $"{dog}/readings", body, null, key);
        for (var again = 0; again < 3; again++)
            Assert.Equal(Doubt(first.Json), Doubt((await SendAsync("post", $"{dog}/readings", body, null, key)).Json));
        Assert.Single((await server.GetAsync($"{dog}/bench"))["readings"]!.AsArray());
        Assert.Equal(HttpStatusCode.Conflict, (await SendAsync("post", $"{dog}/readings", new { measure = "snoutGirth", text = "273" }, null, key)).Status);

        // What was refused is not kept, so that it may be mended under its id.
        var mended = Guid.NewGuid();
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await SendAsync("post", $"{dog}/readings", new { measure = "snoutGirth", text = "long" }, null, mended)).Status
        );
        Assert.Equal(HttpStatusCode.OK, (await SendAsync("post", $"{dog}/readings", new { measure = "snoutGirth", text = "271" }, null, mended)).Status);
    }

    [Fact]
    public async Task An_id_that_is_none_is_said()
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/weather/readings")
        {
            Content = JsonContent.Create(new { airC = 12, humidityPercent = 60 }),
        };
        request.Headers.TryAddWithoutValidation(Header, "soon");
        using var answer = await server.Http.SendAsync(request, TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains("an id (UUID) is expected", await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken), StringComparison.Ordinal);
    }

    /// <summary>Answers are kept as long as a device may wait with what it has to send, and no longer.</summary>
    [Fact]
    public async Task What_nobody_sends_again_is_forgotten_when_the_practice_is_opened()
    {
        var key = Guid.NewGuid();
        string folder;
        using (var first = new PracticeServer())
        {
            folder = first.Folder;
            await SendAsync(first, "post", "/api/weather/readings", new { airC = 12, humidityPercent = 60 }, null, key);
            Assert.Equal(1, Count(folder, "Answers"));
        }

        using (var connection = Open(folder))
        {
            using var old = connection.CreateCommand();
            old.CommandText = """UPDATE "Answers" SET "At" = '2026-01-01 10:00:00' """;
            old.ExecuteNonQuery();
        }

        using var second = new PracticeServer(demo: false, folder);
        Assert.Equal(0, Count(folder, "Answers"));
    }

    private async Task PicturesAsync(string at)
    {
        var picture = await server.Http.GetByteArrayAsync("/api/demo-pictures/side", TestContext.Current.CancellationToken);
        var photo = await PictureAsync("/api/dogs/{id}/photos", at, picture);
        var one = $"{at} {{photoId}}={photo["id"]}";
        await DoAsync(
            "put",
            "/api/dogs/{id}/photos/{photoId}",
            one,
            new
            {
                view = "side",
                side = "left",
                kind = "ruler",
                rulerMm = 100,
                corners = new[] { new { x = 100, y = 100 }, new { x = 700, y = 100 } },
                landmarks = new { noseTip = new { x = 200, y = 400 }, innerEye = new { x = 690, y = 380 } },
            }
        );
        await DoAsync("post", "/api/dogs/{id}/photos/{photoId}/take", one, new { });
        await DoAsync("delete", "/api/dogs/{id}/photos/{photoId}", one);
        await DoAsync("post", "/api/dogs/{id}/photos/{photoId}/restore", one);
    }

    private async Task FitAsync(string at)
    {
        await DoAsync("put", "/api/dogs/{id}/brief/{lineId}", $"{at} {{lineId}}=weight", new { note = "It is strong." });
        await DoAsync("delete", "/api/dogs/{id}/brief/{lineId}", $"{at} {{lineId}}=weight");
        var choice = await DoAsync("post", "/api/dogs/{id}/choice", at, new { sizeId = "withy-4", note = "All the same." });
        await DoAsync("post", "/api/dogs/{id}/choice/{choiceId}/withdraw", $"{at} {{choiceId}}={choice["id"]}");
        await DoAsync("post", "/api/dogs/{id}/choice/{choiceId}/restore", $"{at} {{choiceId}}={choice["id"]}");
        var tried = await DoAsync("post", "/api/dogs/{id}/try-ons", at, new { sizeId = "withy-4", answers = new { sight = true } });
        var tryOn = $"{at} {{tryOnId}}={tried["id"]}";
        await PictureAsync("/api/dogs/{id}/try-ons/{tryOnId}/picture", tryOn, await server.Http.GetByteArrayAsync("/api/demo-pictures/top"));
        await DoAsync("delete", "/api/dogs/{id}/try-ons/{tryOnId}", tryOn);
        await DoAsync("post", "/api/dogs/{id}/try-ons/{tryOnId}/restore", tryOn);
        var model = new
        {
            name = "Osier Once",
            type = "basket",
            material = "mouldedRubber",
            closure = "buckle",
            sizes = new[] { Size },
        };
        var made = (await DoAsync("post", "/api/catalogue", "", model))["model"]!["id"];
        await DoAsync("put", "/api/catalogue/{modelId}", $"{{modelId}}={made}", model);
        await DoAsync("delete", "/api/catalogue/{modelId}", $"{{modelId}}={made}");
        await DoAsync("post", "/api/catalogue/{modelId}/versions/{revision}", $"{{modelId}}={made} {{revision}}=1");
        await DoAsync(
            "post",
            "/api/catalogue/chart/import",
            "",
            new
            {
                text = "size,length,girth\nS,95,320\n",
                columns = new object[]
                {
                    new
                    {
                        column = 0,
                        field = "label",
                        unit = "none",
                    },
                    new
                    {
                        column = 1,
                        field = "length",
                        unit = "mm",
                    },
                    new
                    {
                        column = 2,
                        field = "openingGirth",
                        unit = "mm",
                    },
                },
                model = new
                {
                    name = "Sallow Once",
                    type = "basket",
                    material = "mouldedRubber",
                    closure = "buckle",
                },
            }
        );
        await DoAsync("put", "/api/van/{sizeId}", "{sizeId}=withy-5", new { count = 3 });
        var expected = await DoAsync(
            "post",
            "/api/van/expected",
            "",
            new
            {
                name = "collies",
                count = 4,
                headShape = "long",
                eyeMm = 100,
                purposes = new[] { "walks" },
            }
        );
        await DoAsync(
            "put",
            "/api/van/expected/{expectedId}",
            $"{{expectedId}}={expected["id"]}",
            new
            {
                name = "collies",
                count = 5,
                headShape = "long",
                eyeMm = 100,
                purposes = new[] { "walks" },
            }
        );
        await DoAsync("delete", "/api/van/expected/{expectedId}", $"{{expectedId}}={expected["id"]}");
    }

    private async Task TrainAsync(string dog, string at)
    {
        await DoAsync("post", "/api/dogs/{id}/plan/begin", at, new { wentWell = 0 });
        await DoAsync(
            "post",
            "/api/dogs/{id}/plan/school",
            at,
            new { school = (await server.GetAsync("/api/ways-of-working"))["schools"]![0]!["id"]!.GetValue<string>(), reason = "As we do." }
        );
        await DoAsync("post", "/api/dogs/{id}/plan/rule", at, new { rule = "steadyTens", reason = "A slow one." });
        await DoAsync("post", "/api/dogs/{id}/plan/week", at, new { days = new[] { "monday", "friday" }, sessionsPerDay = 1 });
        await DoAsync(
            "post",
            "/api/dogs/{id}/plan/position",
            at,
            new
            {
                stepId = "hold-short",
                target = 0,
                note = "Knows it.",
            }
        );
        var session = await DoAsync("post", "/api/dogs/{id}/sessions", at, new { });
        var within = $"{{sessionId}}={session["id"]}";
        var tapped = session["openSet"]!;
        object Tap(object more)
        {
            var tap = JsonSerializer.SerializeToNode(more)!.AsObject();
            foreach (var name in new[] { "stepId", "target" })
                tap[name] = tapped[name]!.DeepClone();
            tap["set"] = tapped["number"]!.DeepClone();
            return tap;
        }

        var (go, seen) = ($"{within} {{goId}}={Guid.NewGuid()}", $"{within} {{seenId}}={Guid.NewGuid()}");
        await DoAsync("put", "/api/sessions/{sessionId}/goes/{goId}", go, Tap(new { success = true, heldMs = 1200 }));
        await DoAsync("delete", "/api/sessions/{sessionId}/goes/{goId}", go);
        await DoAsync("put", "/api/sessions/{sessionId}/goes/{goId}", go, Tap(new { success = true, heldMs = 1200 }));
        await DoAsync("put", "/api/sessions/{sessionId}/signs/{seenId}", seen, Tap(new { signId = "eats" }));
        await DoAsync("delete", "/api/sessions/{sessionId}/signs/{seenId}", seen);
        await DoAsync("post", "/api/sessions/{sessionId}/sets/{number}/finish", $"{within} {{number}}=1", new { });
        await DoAsync("post", "/api/sessions/{sessionId}/sets/{number}/overrule", $"{within} {{number}}=1", new { target = 0, note = "Once more." });
        await DoAsync("post", "/api/sessions/{sessionId}/end", within, new { });
        var passed = (await server.GetAsync($"/api/dogs/{dog}/plan"))["steps"]!.AsArray().First(s => s!["passed"] is not null)!["step"]!["id"];
        await DoAsync("post", "/api/dogs/{id}/plan/passes/{stepId}/withdraw", $"{at} {{stepId}}={passed}", new { note = "Not with us." });
        for (var time = 0; time < 2; time++)
        {
            server.Clock.Advance(TimeSpan.FromDays(2));
            var begun = await server.PostAsync($"/api/dogs/{dog}/sessions");
            tapped = begun["openSet"]!;
            await server.PutAsync($"/api/sessions/{begun["id"]}/signs/{Guid.NewGuid()}", Tap(new { signId = "freezes" }));
            await server.PostAsync($"/api/sessions/{begun["id"]}/sets/1/finish");
            await server.PostAsync($"/api/dogs/{dog}/plan/position", new { stepId = tapped["stepId"]!.GetValue<string>(), note = "Once more there." });
        }

        await DoAsync("post", "/api/dogs/{id}/plan/resume", at, new { differs = "otherFood", note = "Liver now." });
        Assert.NotNull((await server.GetAsync($"/api/dogs/{dog}/plan")).Json);
    }

    private async Task WearAsync(string at)
    {
        var now = server.Clock.GetUtcNow();
        var wear = $"{at} {{wearId}}={Guid.NewGuid()}";
        await DoAsync(
            "put",
            "/api/dogs/{id}/wears/{wearId}",
            wear,
            new
            {
                startedAt = now.AddMinutes(-20),
                endedAt = now.AddMinutes(-5),
                occasion = "fun",
            }
        );
        await PictureAsync("/api/dogs/{id}/wears/{wearId}/picture", wear, await server.Http.GetByteArrayAsync("/api/demo-pictures/side"));
        await DoAsync("delete", "/api/dogs/{id}/wears/{wearId}", wear);
        await DoAsync("post", "/api/dogs/{id}/wears/{wearId}/restore", wear);
        var inspected = await DoAsync("post", "/api/dogs/{id}/inspections", at, new { failed = Array.Empty<string>() });
        await DoAsync("delete", "/api/dogs/{id}/inspections/{inspectionId}", $"{at} {{inspectionId}}={inspected["id"]}");
        await DoAsync("post", "/api/dogs/{id}/inspections/{inspectionId}/restore", $"{at} {{inspectionId}}={inspected["id"]}");
        var visit = $"{at} {{appointmentId}}={Guid.NewGuid()}";
        await DoAsync("put", "/api/dogs/{id}/appointments/{appointmentId}", visit, new { day = server.Today.AddDays(20), kind = "clinic" });
        await DoAsync("delete", "/api/dogs/{id}/appointments/{appointmentId}", visit);
        await DoAsync("post", "/api/dogs/{id}/appointments/{appointmentId}/restore", visit);
        await DoAsync("put", "/api/dogs/{id}/habits", at, new { loves = Array.Empty<string>(), hasSpare = true });
        await DoAsync(
            "post",
            "/api/weather/readings",
            "",
            new
            {
                airC = 12,
                humidityPercent = 60,
                place = "the yard",
            }
        );
    }

    private async Task HouseAsync()
    {
        var breed = new
        {
            name = "Once Hound",
            shape = "long",
            growingMonths = 14,
        };
        var made = (await DoAsync("post", "/api/breeds", "", breed))["id"];
        await DoAsync("put", "/api/breeds/{breedId}", $"{{breedId}}={made}", breed);
        await DoAsync("delete", "/api/breeds/{breedId}", $"{{breedId}}={made}");
        await DoAsync(
            "put",
            "/api/fit-settings",
            "",
            new
            {
                material = "sturdy",
                visibility = "standOut",
                fingerMm = 17,
                comfort = 1,
                safety = 2,
                feeding = 1,
            }
        );
        await DoAsync("put", "/api/house-numbers/{numberId}", "{numberId}=fit.width-high", new { value = 17, reason = "Ours twist." });
        await DoAsync("put", "/api/own-practice", "", new { name = "Once & Co." });
        await DoAsync("post", "/api/own-practice/invented", "", new { away = true });
        await DoAsync("put", "/api/backups/settings", "", new { nightly = true });
        await DoAsync("put", "/api/writing", "", new { locale = "en-GB", currency = "GBP" });
        await DoAsync("put", "/api/round/stops", "", new { places = new[] { "the yard", "the quay" } });
    }

    private static bool TakesId(JsonNode operation) => operation["parameters"]?.AsArray().Any(p => p!["name"]?.GetValue<string>() == Header) == true;

    /// <summary>Does something twice under one id, and something else under it.</summary>
    /// <param name="at">What stands for the parts of the address, as {part}=value, apart by blanks.</param>
    private Task<JsonNode> DoAsync(string method, string template, string at, object? body = null) =>
        TwiceAsync(method, template, at, (path, version, key) => SendAsync(method, path, body, version, key));

    private Task<JsonNode> PictureAsync(string template, string at, byte[] picture) =>
        TwiceAsync(
            "post",
            template,
            at,
            async (path, _, key) =>
            {
                using var form = new MultipartFormDataContent { { new ByteArrayContent(picture), "file", "p.jpg" } };
                using var request = new HttpRequestMessage(HttpMethod.Post, path) { Content = form };
                request.Headers.Add(Header, $"{key}");
                return await AnswerAsync(server, request);
            }
        );

    private async Task<JsonNode> TwiceAsync(string method, string template, string at, Func<string, long?, Guid, Task<Answer>> send)
    {
        var path = at.Split(' ', StringSplitOptions.RemoveEmptyEntries)
            .Select(p => p.Split('='))
            .Aggregate(template, (so, p) => so.Replace(p[0], p[1], StringComparison.Ordinal));
        walked.Add($"{method} {template}");
        var key = Guid.NewGuid();
        var first = await send(path, null, key);
        long? version = null;
        if (first.Status == HttpStatusCode.PreconditionRequired)
        {
            version = (await send(path, -1, key))["version"]?.GetValue<long>();
            first = await send(path, version, key);
        }

        Assert.True((int)first.Status is 200 or 201 or 204, $"{method} {path}: {first.Status} {first.Json.ToJsonString()}");
        var kept = Last();
        var again = await send(path, version, key);
        Assert.True(
            again.Status == first.Status && JsonNode.DeepEquals(again.Json, first.Json),
            $"{method} {path} was answered {first.Json.ToJsonString()}\nand again {again.Status} {again.Json.ToJsonString()}"
        );
        Assert.Equal((method, path, kept), (method, path, Last()));
        var other = await SendAsync("post", "/api/weather/readings", new { airC = 3, humidityPercent = 33 }, null, key);
        Assert.True(other.Status == HttpStatusCode.Conflict, $"{method} {path}: another thing under its id was {other.Status}");
        return first.Json;
    }

    private Task<Answer> SendAsync(string method, string path, object? body, long? version, Guid key) => SendAsync(server, method, path, body, version, key);

    private static Task<Answer> SendAsync(PracticeServer to, string method, string path, object? body, long? version, Guid key)
    {
        var request = new HttpRequestMessage(new HttpMethod(method.ToUpperInvariant()), path);
        request.Headers.Add(Header, $"{key}");
        if (version is not null)
            request.Headers.TryAddWithoutValidation("If-Match", $"\"{version}\"");
        if (body is not null)
            request.Content = JsonContent.Create(body);
        return AnswerAsync(to, request);
    }

    private static async Task<Answer> AnswerAsync(PracticeServer to, HttpRequestMessage request)
    {
        using var sent = request;
        using var response = await to.Http.SendAsync(sent);
        var text = await response.Content.ReadAsStringAsync();
        return new Answer(response.StatusCode, text.Length > 0 ? JsonNode.Parse(text)! : new JsonObject(), null);
    }

    /// <summary>The last number given in the practice: as long as it is the same, nothing was written.</summary>
    private long Last()
    {
        using var connection = Open(server.Folder);
        using var command = connection.CreateCommand();
        command.CommandText = """SELECT "Last" FROM "Counter" """;
        return (long)command.ExecuteScalar()!;
    }

    private static long Count(string folder, string table)
    {
        using var connection = Open(folder);
        using var command = connection.CreateCommand();
        command.CommandText = $"SELECT COUNT(*) FROM \"{table}\"";
        return (long)command.ExecuteScalar()!;
    }

    private static SqliteConnection Open(string folder)
    {
        var connection = new SqliteConnection($"Data Source={PracticeFolder.DatabaseIn(folder)};Pooling=False");
        connection.Open();
        return connection;
    }
}
