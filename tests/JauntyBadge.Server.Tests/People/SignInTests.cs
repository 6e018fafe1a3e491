using System.Net;
using JauntyBadge.Core.People;
using JauntyBadge.Data;

namespace JauntyBadge.Server.Tests.People;

/// <summary>Coming in: by password, by a link of the machine's, by a code; and being kept out.</summary>
public sealed class SignInTests : IDisposable
{
    private readonly ClosedPractice practice = new(demo: false);

    public void Dispose() => practice.Dispose();

    [Fact]
    public async Task A_password_lets_in_and_its_cookie_goes_by_tls_only()
    {
        var fern = await practice.SignInAsync("Fern", PersonKind.Fitter);
        var cookie = Assert.Single(fern.SetCookies);
        Assert.StartsWith("__Host-jaunty-badge=", cookie, StringComparison.Ordinal);
        foreach (var part in new[] { "secure", "httponly", "samesite=lax", "path=/" })
            Assert.Contains(part, cookie.ToLowerInvariant(), StringComparison.Ordinal);
        Assert.DoesNotContain("domain", cookie.ToLowerInvariant(), StringComparison.Ordinal);
        var me = await fern.GetAsync("/api/me");
        Assert.Equal(("Fern", "fitter"), (me.Text("name"), me.Text("kind")));
        Assert.True(fern.Last!.Headers.Contains("Strict-Transport-Security"));
        Assert.Equal(HttpStatusCode.NoContent, (await fern.PostAsync("/api/sign-out")).Status);
        Assert.Equal(HttpStatusCode.Unauthorized, (await fern.GetAsync("/api/me")).Status);
    }

    [Fact]
    public async Task A_cookie_that_was_signed_out_is_worth_nothing_in_another_browser()
    {
        var fern = await practice.SignInAsync("Fern", PersonKind.Fitter);
        var stolen = fern.Copy();
        Assert.Equal(HttpStatusCode.OK, (await stolen.GetAsync("/api/me")).Status);
        await fern.PostAsync("/api/sign-out");
        Assert.Equal(HttpStatusCode.Unauthorized, (await stolen.GetAsync("/api/me")).Status);
    }

    [Fact]
    public async Task A_changed_password_ends_every_other_session()
    {
        var here = await practice.SignInAsync("Fern", PersonKind.Fitter);
        var there = practice.Visit();
        await there.PostAsync("/api/sign-in", new { name = "fern ", password = ClosedPractice.Password });
        Assert.NotNull((await here.PutAsync("/api/me/password", new { current = "not it at all", password = "rooks over the ferry" })).Problem("current"));
        Assert.NotNull((await here.PutAsync("/api/me/password", new { current = ClosedPractice.Password, password = "short" })).Problem("password"));
        Assert.NotNull((await here.PutAsync("/api/me/password", new { current = ClosedPractice.Password, password = "password1234" })).Problem("password"));
        Assert.Equal(HttpStatusCode.OK, (await there.GetAsync("/api/me")).Status);
        Assert.Equal(
            HttpStatusCode.NoContent,
            (await here.PutAsync("/api/me/password", new { current = ClosedPractice.Password, password = "rooks over the ferry" })).Status
        );
        Assert.Equal(HttpStatusCode.OK, (await here.GetAsync("/api/me")).Status);
        Assert.Equal(HttpStatusCode.Unauthorized, (await there.GetAsync("/api/me")).Status);
    }

    /// <summary>A thousand guesses, at a name somebody has and at one nobody has: the same answers, none in, and the right password waits too.</summary>
    [Fact]
    public async Task Guessing_is_held_back_whether_the_name_exists_or_not()
    {
        await practice.AddAsync("Fern", PersonKind.Fitter);
        var answers = new Dictionary<string, List<(HttpStatusCode, string)>>();
        foreach (var name in new[] { "Fern", "Nobody" })
        {
            answers[name] = [];
            for (var i = 0; i < 500; i++)
            {
                // From many addresses, as a guesser would.
                var said = await practice
                    .Visit($"198.51.{100 + i / 200}.{i % 200 + 1}")
                    .PostAsync("/api/sign-in", new { name, password = $"guess number {i}" });
                answers[name].Add((said.Status, said.Text("detail")));
            }
        }

        Assert.Equal(answers["Fern"], answers["Nobody"]);
        Assert.Equal(Pauses.Free, answers["Fern"].Count(a => a.Item1 == HttpStatusCode.Unauthorized));
        Assert.All(answers["Fern"].Skip(Pauses.Free), a => Assert.Equal(HttpStatusCode.TooManyRequests, a.Item1));
        var right = practice.Visit("192.0.2.1");
        Assert.Equal(HttpStatusCode.TooManyRequests, (await right.PostAsync("/api/sign-in", new { name = "Fern", password = ClosedPractice.Password })).Status);
        Assert.NotNull(right.Last!.Headers.RetryAfter);
        practice.Clock.Advance(Pauses.First + TimeSpan.FromSeconds(1));
        Assert.Equal(HttpStatusCode.OK, (await right.PostAsync("/api/sign-in", new { name = "Fern", password = ClosedPractice.Password })).Status);
    }

    [Fact]
    public async Task One_address_that_tries_many_names_is_held_back_and_a_restart_forgives_nothing()
    {
        await practice.AddAsync("Fern", PersonKind.Fitter);
        for (var i = 0; i < Pauses.FreePerAddress; i++)
            Assert.Equal(
                HttpStatusCode.Unauthorized,
                (await practice.Visit().PostAsync("/api/sign-in", new { name = $"Name {i}", password = "some words or other" })).Status
            );
        var (folder, now) = (practice.Folder, practice.Clock.GetUtcNow());
        practice.Dispose();
        using var again = new ClosedPractice(demo: false, folder, now);
        Assert.Equal(
            HttpStatusCode.TooManyRequests,
            (await again.Visit().PostAsync("/api/sign-in", new { name = "Fern", password = ClosedPractice.Password })).Status
        );
        Assert.Equal(
            HttpStatusCode.OK,
            (await again.Visit("192.0.2.77").PostAsync("/api/sign-in", new { name = "Fern", password = ClosedPractice.Password })).Status
        );
    }

    [Fact]
    public async Task Whoever_is_signed_in_stays_so_through_a_restart()
    {
        var fern = await practice.SignInAsync("Fern", PersonKind.Fitter);
        var (folder, now) = (practice.Folder, practice.Clock.GetUtcNow());
        practice.Dispose();
        Assert.All(
            Directory.GetFiles(Path.Combine(folder, "keys")),
            f => Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, File.GetUnixFileMode(f))
        );
        using var again = new ClosedPractice(demo: false, folder, now);
        Assert.Equal(HttpStatusCode.OK, (await fern.CopyTo(again).GetAsync("/api/me")).Status);
    }

    [Fact]
    public async Task A_page_of_another_site_changes_nothing_though_its_browser_is_signed_in()
    {
        var fern = await practice.SignInAsync("Fern", PersonKind.Fitter);
        Assert.Equal(
            HttpStatusCode.Forbidden,
            (await fern.SendAsync(HttpMethod.Post, "/api/dogs", new { name = "Pip" }, origin: "https://elsewhere.example")).Status
        );
        Assert.Equal(
            HttpStatusCode.Created,
            (await fern.SendAsync(HttpMethod.Post, "/api/dogs", new { name = "Pip" }, origin: $"https://{ClosedPractice.Host}")).Status
        );
    }

    [Fact]
    public async Task What_one_was_told_is_not_handed_to_the_next()
    {
        var fern = await practice.SignInAsync("Fern", PersonKind.Fitter);
        var dog = (
            await fern.PostAsync(
                "/api/dogs",
                new
                {
                    name = "Pip",
                    notes = "Pays late.",
                    place = "Mill Lane 3",
                    keeperPhone = "0155 550123",
                }
            )
        ).Text("id");
        var keeper = await practice.PairAsync(fern, dog, "keeper");
        var told = await fern.GetAsync($"/api/dogs/{dog}");
        Assert.Equal(("Pays late.", "Mill Lane 3"), (told["dog"]!["notes"]!.ToString(), told["dog"]!["place"]!.ToString()));
        var tag = fern.Last!.Headers.ETag!.ToString();
        Assert.Equal(HttpStatusCode.NotModified, (await fern.GetAsync($"/api/dogs/{dog}", tag)).Status);
        var home = await keeper.GetAsync($"/api/dogs/{dog}", tag);
        Assert.Equal(HttpStatusCode.OK, home.Status);
        Assert.Null(home["dog"]!["notes"]);
        Assert.Null(home["dog"]!["place"]);
        Assert.Null(home["dog"]!["keeperPhone"]);
        Assert.Contains("0155 550123", (await fern.GetAsync($"/api/dogs/{dog}/card?for=clinic")).Json.ToJsonString(), StringComparison.Ordinal);
        Assert.DoesNotContain("0155 550123", (await keeper.GetAsync($"/api/dogs/{dog}/card?for=clinic")).Json.ToJsonString(), StringComparison.Ordinal);
        await keeper.GetAsync("/api/me");
        Assert.True(keeper.Last!.Headers.CacheControl!.NoStore);
        await keeper.GetAsync($"/api/dogs/{dog}");
        Assert.Contains("private", keeper.Last!.Headers.CacheControl!.ToString(), StringComparison.Ordinal);
    }

    /// <summary>Found by made-up requests: the library throws where nothing was sent.</summary>
    [Theory]
    [InlineData(null)]
    [InlineData("")]
    [InlineData("  ")]
    public async Task A_passkey_without_what_was_signed_is_asked_for(string? credential)
    {
        var fern = await practice.SignInAsync("Fern", PersonKind.Fitter);
        foreach (
            var refused in new[]
            {
                await practice.Visit().PostAsync("/api/sign-in/passkey", new { credential }),
                await fern.PostAsync("/api/me/passkeys", new { credential }),
            }
        )
        {
            Assert.Equal(HttpStatusCode.BadRequest, refused.Status);
            Assert.NotNull(refused["errors"]!["credential"]);
        }
    }

    [Fact]
    public async Task A_code_is_used_once_runs_out_and_a_phone_is_withdrawn_at_once()
    {
        var fern = await practice.SignInAsync("Fern", PersonKind.Fitter);
        var dog = (await fern.PostAsync("/api/dogs", new { name = "Pip", keeper = "Wren" })).Text("id");
        var offered = await fern.PostAsync($"/api/dogs/{dog}/pairings", new { kind = "keeper" });
        var code = offered.Text("code");
        Assert.Matches("^[A-Z]{4}-[A-Z]{4}$", code);
        Assert.Equal($"https://{ClosedPractice.Host}/pair#{code}", offered.Text("address"));
        practice.Clock.Advance(PairingCode.Lives + TimeSpan.FromSeconds(1));
        Assert.Equal(HttpStatusCode.NotFound, (await practice.Visit().PostAsync("/api/pair", new { code })).Status);
        code = (await fern.PostAsync($"/api/dogs/{dog}/pairings", new { kind = "keeper" })).Text("code");
        var phone = practice.Visit("203.0.113.9");
        var me = await phone.PostAsync(
            "/api/pair",
            new { code = code.ToLowerInvariant().Replace("-", " ", StringComparison.Ordinal), device = "Wren's phone" }
        );
        Assert.Equal(("Wren", "keeper", "Pip"), (me.Text("name"), me.Text("kind"), me["dogs"]![0]!["name"]!.ToString()));
        Assert.Equal(HttpStatusCode.NotFound, (await practice.Visit().PostAsync("/api/pair", new { code })).Status);
        var listed = (await fern.GetAsync("/api/phones")).Json.AsArray().Single(d => d!["kind"]!.ToString() == "keeper")!;
        Assert.Equal("Wren's phone", listed["name"]!.ToString());
        Assert.Equal(HttpStatusCode.OK, (await phone.GetAsync("/api/home")).Status);
        Assert.Equal(HttpStatusCode.NoContent, (await fern.DeleteAsync($"/api/phones/{listed["id"]}")).Status);
        Assert.Equal((HttpStatusCode.Unauthorized, "withdrawn"), ((await phone.GetAsync("/api/home")) is var gone ? gone.Status : default, gone.Text("ended")));

        // What it still holds goes to the tray, once, and counts for nothing.
        var kept = new
        {
            id = Guid.NewGuid(),
            method = "PUT",
            path = $"/api/dogs/{dog}/wears/{Guid.NewGuid()}",
            body = "{}",
        };
        Assert.Equal(HttpStatusCode.NoContent, (await phone.PostAsync("/api/aside", kept)).Status);
        Assert.Equal(HttpStatusCode.NoContent, (await phone.PostAsync("/api/aside", kept)).Status);
        Assert.Equal(HttpStatusCode.Unauthorized, (await practice.Visit().PostAsync("/api/aside", kept with { id = Guid.NewGuid() })).Status);
        var tray = Assert.Single((await fern.GetAsync("/api/aside")).Json.AsArray())!;
        Assert.Equal(("Pip", "Wren", "Wren's phone"), (tray["dog"]!.ToString(), tray["person"]!.ToString(), tray["device"]!.ToString()));
        Assert.Empty((await fern.GetAsync($"/api/dogs/{dog}/wears")).Json.AsArray());
        await fern.PostAsync($"/api/aside/{kept.id}/looked?taken=false");
        Assert.Empty((await fern.GetAsync("/api/aside")).Json.AsArray());
    }

    /// <summary>A clinic reads one card until the day after the visit, and then is told that its link has run out.</summary>
    [Fact]
    public async Task A_clinics_link_runs_out_the_day_after_the_visit()
    {
        var fern = await practice.SignInAsync("Fern", PersonKind.Fitter);
        var dog = (await fern.PostAsync("/api/dogs", new { name = "Pip" })).Text("id");
        await fern.PutAsync($"/api/dogs/{dog}/appointments/{Guid.NewGuid()}", new { day = "2026-06-04", kind = "clinic" });
        var offered = await fern.PostAsync($"/api/dogs/{dog}/pairings", new { kind = "clinic" });
        Assert.Equal("2026-06-05", offered.Text("until"));
        var clinic = practice.Visit("203.0.113.9");
        await clinic.PostAsync("/api/pair", new { code = offered.Text("code") });
        Assert.Equal(HttpStatusCode.OK, (await clinic.GetAsync($"/api/dogs/{dog}/card?for=clinic")).Status);
        Assert.Equal(HttpStatusCode.Forbidden, (await clinic.GetAsync($"/api/dogs/{dog}/card?for=family")).Status);
        practice.Clock.SetUtcNow(new DateTimeOffset(2026, 6, 5, 21, 0, 0, TimeSpan.Zero));
        Assert.Equal(HttpStatusCode.OK, (await clinic.GetAsync($"/api/dogs/{dog}/card?for=clinic")).Status);
        practice.Clock.SetUtcNow(new DateTimeOffset(2026, 6, 6, 9, 0, 0, TimeSpan.Zero));
        var over = await clinic.GetAsync($"/api/dogs/{dog}/card?for=clinic");
        Assert.Equal((HttpStatusCode.Unauthorized, "ranOut"), (over.Status, over.Text("ended")));
    }

    [Fact]
    public async Task The_only_fitter_cannot_be_locked_out_and_who_is_withdrawn_stays_named()
    {
        var fern = await practice.SignInAsync("Fern", PersonKind.Fitter);
        var me = (await fern.GetAsync("/api/people")).Json[0]!;
        Assert.Equal(HttpStatusCode.Conflict, (await fern.DeleteAsync($"/api/people/{me["id"]}")).Status);
        Assert.Equal(HttpStatusCode.Conflict, (await fern.PutAsync($"/api/people/{me["id"]}", new { name = "Fern", kind = "helper" })).Status);
        var added = await fern.PostAsync("/api/people", new { name = "Hazel", kind = "helper" });
        var secret = added["link"]!["address"]!.ToString().Split('#')[1];
        var hazel = practice.Visit();
        Assert.Equal("Hazel", (await hazel.PostAsync("/api/come-in/look", new { token = secret })).Text("name"));
        Assert.Equal(HttpStatusCode.OK, (await hazel.PostAsync("/api/come-in", new { token = secret, password = ClosedPractice.Password })).Status);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await practice.Visit().PostAsync("/api/come-in", new { token = secret, password = ClosedPractice.Password })).Status
        );

        var dog = (await fern.PostAsync("/api/dogs", new { name = "Pip", purposes = new[] { "walks" } })).Text("id");
        var wear = Guid.NewGuid();
        await hazel.PutAsync(
            $"/api/dogs/{dog}/wears/{wear}",
            new
            {
                startedAt = "2026-06-01T08:00:00Z",
                endedAt = "2026-06-01T08:04:00Z",
                occasion = "fun",
                signs = Array.Empty<object>(),
            }
        );
        Assert.Equal(HttpStatusCode.OK, (await fern.DeleteAsync($"/api/people/{added["person"]!["id"]}")).Status);
        Assert.Equal(HttpStatusCode.Unauthorized, (await hazel.GetAsync("/api/round")).Status);
        var deeds = (await fern.GetAsync($"/api/dogs/{dog}/deeds")).Json;
        Assert.Contains(
            deeds["days"]!.AsArray(),
            d => d!["person"]!.ToString() == "Hazel" && d["says"]!.AsArray().Any(s => s!.ToString().Contains("a wear", StringComparison.Ordinal))
        );
        Assert.Equal(["Fern", "Hazel"], deeds["people"]!.AsArray().Select(p => p!["name"]!.ToString()));
        var hers = (await fern.GetAsync($"/api/dogs/{dog}/deeds?person={added["person"]!["id"]}")).Json["days"]!.AsArray();
        Assert.All(hers, d => Assert.Equal("Hazel", d!["person"]!.ToString()));
    }

    [Fact]
    public async Task A_note_from_home_is_read_answered_and_read()
    {
        var fern = await practice.SignInAsync("Fern", PersonKind.Fitter);
        var dog = (await fern.PostAsync("/api/dogs", new { name = "Pip", purposes = new[] { "walks" } })).Text("id");
        var keeper = await practice.PairAsync(fern, dog, "keeper");
        Assert.Empty((await fern.GetAsync("/api/from-home")).Json.AsArray());
        var note = Guid.NewGuid();
        await keeper.PutAsync($"/api/dogs/{dog}/news/{note}", new { text = "He rubs his nose on the rug.", about = $"/dogs/{dog}/wear" });
        var news = Assert.Single((await fern.GetAsync("/api/from-home")).Json.AsArray())!;
        Assert.Equal(("Pip", "a note"), (news["dog"]!.ToString(), news["says"]![0]!.ToString()));
        await fern.PostAsync($"/api/dogs/{dog}/news/read");
        Assert.NotNull((await keeper.GetAsync($"/api/dogs/{dog}/news")).Json[0]!["readAt"]);
        Assert.Empty((await fern.GetAsync("/api/from-home")).Json.AsArray());
        await fern.PutAsync($"/api/dogs/{dog}/news/{Guid.NewGuid()}", new { text = "Send me a picture.", answerTo = note });
        Assert.Equal(1, (await keeper.GetAsync("/api/home")).Json["dogs"]![0]!["unread"]!.GetValue<int>());
        await keeper.PostAsync($"/api/dogs/{dog}/news/read");
        Assert.Equal(0, (await keeper.GetAsync("/api/home")).Json["dogs"]![0]!["unread"]!.GetValue<int>());
        Assert.All((await fern.GetAsync($"/api/dogs/{dog}/news")).Json.AsArray(), n => Assert.NotNull(n!["readAt"]));
    }

    /// <summary>Weather has a place: what a keeper reads off at home counts there, and the van's station says nothing of it.</summary>
    [Fact]
    public async Task Weather_typed_at_home_counts_at_home_only()
    {
        var fern = await practice.SignInAsync("Fern", PersonKind.Fitter);
        var dog = (await fern.PostAsync("/api/dogs", new { name = "Pip" })).Text("id");
        var keeper = await practice.PairAsync(fern, dog, "keeper");
        await fern.PostAsync(
            "/api/weather/readings",
            new
            {
                airC = 12,
                humidityPercent = 60,
                place = "The van",
            }
        );
        Assert.Empty((await keeper.GetAsync("/api/weather"))["latest"]!.AsArray());
        Assert.NotNull((await keeper.PostAsync("/api/weather/readings", new { airC = 31, humidityPercent = 40 })).Problem("dogId"));
        Assert.Equal(
            HttpStatusCode.NotFound,
            (
                await keeper.PostAsync(
                    "/api/weather/readings",
                    new
                    {
                        airC = 31,
                        humidityPercent = 40,
                        dogId = Guid.NewGuid(),
                    }
                )
            ).Status
        );
        await keeper.PostAsync(
            "/api/weather/readings",
            new
            {
                airC = 31,
                humidityPercent = 40,
                dogId = dog,
            }
        );
        Assert.Equal(31, (await keeper.GetAsync("/api/weather"))["latest"]![0]!["airC"]!.GetValue<double>());
        Assert.Equal(
            12,
            Assert.Single((await fern.GetAsync("/api/weather"))["latest"]!.AsArray(), w => w!["byHand"]!.GetValue<bool>())!["airC"]!.GetValue<double>()
        );
    }

    [Fact]
    public async Task The_first_fitter_comes_in_by_the_machines_link_once()
    {
        var said = new StringWriter();
        var (folder, now) = (practice.Folder, practice.Clock.GetUtcNow());
        practice.Dispose();
        var console = Console.Out;
        ClosedPractice again;
        try
        {
            Console.SetOut(said);
            again = new ClosedPractice(demo: false, folder, now);
        }
        finally
        {
            Console.SetOut(console);
        }

        using (again)
        {
            var secret = said.ToString().Split('#')[^1].Trim();
            var fern = again.Visit();
            Assert.NotNull((await fern.PostAsync("/api/come-in", new { token = secret, password = ClosedPractice.Password })).Problem("name"));
            Assert.Equal(
                HttpStatusCode.OK,
                (
                    await fern.PostAsync(
                        "/api/come-in",
                        new
                        {
                            token = secret,
                            name = "Fern",
                            password = ClosedPractice.Password,
                        }
                    )
                ).Status
            );
            Assert.Equal("fitter", (await fern.GetAsync("/api/me")).Text("kind"));
            Assert.Equal(
                HttpStatusCode.NotFound,
                (
                    await again
                        .Visit()
                        .PostAsync(
                            "/api/come-in",
                            new
                            {
                                token = secret,
                                name = "Other",
                                password = ClosedPractice.Password,
                            }
                        )
                ).Status
            );
        }
    }

    /// <summary>
    /// A keeper trains in a dead spot while the fitter sets the plan elsewhere: what comes in later was trained as it began and stands on record, the plan stays where it was set, and both are said.
    /// </summary>
    [Fact]
    public async Task A_session_keeps_the_plan_it_began_with_and_says_what_changed_meanwhile()
    {
        var fern = await practice.SignInAsync("Fern", PersonKind.Fitter);
        var dog = (await fern.PostAsync("/api/dogs", new { name = "Pip", purposes = new[] { "walks" } })).Text("id");
        var keeper = await practice.PairAsync(fern, dog, "keeper");
        var ready = (await keeper.GetAsync($"/api/dogs/{dog}/sessions/next")).Json;
        var (set, step) = (ready["openSet"]!, ready["openSet"]!["stepId"]!.ToString());
        var (id, begun) = (Guid.NewGuid(), practice.Clock.GetUtcNow());
        practice.Clock.Advance(TimeSpan.FromMinutes(5));
        var version = (await fern.GetAsync($"/api/dogs/{dog}/plan"))["positionVersion"]!.GetValue<long>();
        var moved = await fern.EditAsync(
            HttpMethod.Post,
            $"/api/dogs/{dog}/plan/position",
            new
            {
                stepId = "nose-in-cup",
                target = 0,
                note = "It knows this from its last home.",
            },
            version
        );
        Assert.True(moved.Status == HttpStatusCode.OK, moved.Json.ToJsonString());
        practice.Clock.Advance(TimeSpan.FromMinutes(5));
        object When(int minute) => new { at = begun.AddMinutes(minute), sentAt = practice.Clock.GetUtcNow() };
        var target = set["target"]!.GetValue<int>();
        var sent = await keeper.PostAsync(
            $"/api/dogs/{dog}/sessions",
            new
            {
                id,
                at = begun,
                sentAt = practice.Clock.GetUtcNow(),
                stepId = step,
                target,
            }
        );
        Assert.True(sent.Status == HttpStatusCode.OK, sent.Json.ToJsonString());
        for (var go = 0; go < 3; go++)
            Assert.Equal(
                HttpStatusCode.OK,
                (
                    await keeper.PutAsync(
                        $"/api/sessions/{id}/goes/{Guid.NewGuid()}",
                        new
                        {
                            set = 1,
                            stepId = step,
                            target,
                            success = true,
                            at = begun.AddMinutes(1),
                            sentAt = practice.Clock.GetUtcNow(),
                        }
                    )
                ).Status
            );
        await keeper.PostAsync($"/api/sessions/{id}/sets/1/finish", When(2));
        var ended = (await keeper.PostAsync($"/api/sessions/{id}/end", When(3))).Json;
        Assert.Contains("was changed while this session was under way", ended["meanwhile"]!.ToString(), StringComparison.Ordinal);
        var here = (await fern.GetAsync($"/api/dogs/{dog}/plan"))["steps"]!.AsArray().Single(s => s!["state"]!.ToString() == "here")!;
        Assert.Equal("nose-in-cup", here["step"]!["id"]!.ToString());
        Assert.Equal(3, (await fern.GetAsync($"/api/dogs/{dog}/sessions")).Json[0]!["sets"]![0]!["goes"]!.AsArray().Count);
    }
}
