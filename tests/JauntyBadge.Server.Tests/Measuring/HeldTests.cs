using System.Net;
using System.Text;
using JauntyBadge.Data;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;

namespace JauntyBadge.Server.Tests.Measuring;

/// <summary>What holds a practice up: another program's lock, a full disk, a clock set back, a website next door.</summary>
public sealed class HeldTests(PracticeServer server) : IClassFixture<PracticeServer>
{
    private SqliteConnection Open()
    {
        var connection = new SqliteConnection($"Data Source={PracticeFolder.DatabaseIn(server.Folder)};Pooling=False");
        connection.Open();
        return connection;
    }

    /// <summary>Another program holds the file: readers read on at once, writers are told to come back, and nothing of theirs is half written.</summary>
    [Fact]
    public async Task A_held_lock_stalls_no_reader_and_no_writer_for_ever()
    {
        var dog = await server.MeasuredDogAsync();
        using (var other = Open())
        using (other.BeginTransaction())
        {
            var writers = Enumerable.Range(0, 12).Select(i => server.PutAsync($"{dog}", new { name = $"Held {i}" })).ToList();
            await Task.Delay(300, TestContext.Current.CancellationToken);
            // The file is held all the while: a reader that waited for it would be turned away like the writers.
            var readers = await Task.WhenAll(Enumerable.Range(0, 24).Select(_ => server.GetAsync($"{dog}/bench")));
            Assert.All(readers, r => Assert.Equal(HttpStatusCode.OK, r.Status));
            Assert.All(await Task.WhenAll(writers), w => Assert.Equal(HttpStatusCode.ServiceUnavailable, w.Status));
            using var one = await server.Http.PostAsync(
                "/api/dogs",
                new StringContent("""{"name":"Later"}""", Encoding.UTF8, "application/json"),
                TestContext.Current.CancellationToken
            );
            Assert.Equal("2", one.Headers.GetValues("Retry-After").Single());
        }

        Assert.Equal("Bracken", (await server.GetAsync(dog))["dog"]!["name"]!.GetValue<string>());
        Assert.Equal(HttpStatusCode.OK, (await server.PutAsync(dog, new { name = "After" })).Status);
    }

    /// <summary>A disk that is full, as SQLite says it: no more pages than there are.</summary>
    [Fact]
    public async Task A_full_disk_is_said_reads_go_on_and_nothing_is_half_written()
    {
        using var own = new PracticeServer();
        var dog = await own.MeasuredDogAsync();
        own.FillDisk(true);
        var notes = new string('n', 3000);
        var full = HttpStatusCode.OK;
        for (var i = 0; i < 40 && full == HttpStatusCode.OK; i++)
            full = (
                await own.PutAsync(
                    dog,
                    new
                    {
                        name = "Filled",
                        notes = notes[..(2000 + i)],
                        purposes = new[] { "walks" },
                    }
                )
            ).Status;
        for (var i = 0; i < 400 && full == HttpStatusCode.OK; i++)
            full = (await own.PostAsync($"{dog}/readings", new { measure = "neckGirth", text = "430" })).Status;
        Assert.Equal(HttpStatusCode.InsufficientStorage, full);
        var before = (await own.GetAsync($"{dog}/bench"))["readings"]!.AsArray().Count;
        var refused = await own.PostAsync($"{dog}/readings", new { measure = "neckGirth", text = "430" });
        Assert.Equal(HttpStatusCode.InsufficientStorage, refused.Status);
        Assert.Contains("full", refused.Text("detail"), StringComparison.Ordinal);
        Assert.Equal(before, (await own.GetAsync($"{dog}/bench"))["readings"]!.AsArray().Count);
        own.FillDisk(false);
        Assert.Equal(HttpStatusCode.OK, (await own.PostAsync($"{dog}/readings", new { measure = "neckGirth", text = "430" })).Status);
    }

    [Fact]
    public async Task With_the_clock_set_back_what_comes_later_is_current_all_the_same()
    {
        using var own = new PracticeServer();
        var dog = await own.MeasuredDogAsync();
        await own.PostAsync($"{dog}/choice", new { sizeId = "withy-5" });
        own.Clock.AdjustTime(own.Clock.GetUtcNow().AddDays(-40));

        Assert.Equal(HttpStatusCode.OK, (await own.PostAsync($"{dog}/choice", new { sizeId = "withy-6", note = "The clock was wrong." })).Status);
        Assert.Equal("withy-6", (await own.GetAsync(dog))["choice"]!["sizeId"]!.GetValue<string>());
        Assert.Equal("withy-6", (await own.GetAsync($"{dog}/choices")).Json[0]!["sizeId"]!.GetValue<string>());

        Assert.Equal(HttpStatusCode.OK, (await own.PostAsync($"{dog}/measuring-sets")).Status);
        var read = await own.PostAsync($"{dog}/readings", new { measure = "neckGirth", text = "410" });
        Assert.Equal(["410"], read["readings"]!.AsArray().Select(r => r!["asTaken"]!.GetValue<string>().Split(' ')[0]));

        await own.PostAsync(
            $"{dog}/readings",
            new
            {
                measure = "noseToInnerEye",
                side = "left",
                text = "98",
            }
        );
        Assert.Equal(HttpStatusCode.OK, (await own.PostAsync($"{dog}/try-ons", new { sizeId = "withy-6", answers = new { sight = true } })).Status);
        Assert.NotNull((await own.GetAsync(dog))["tried"]);
    }

    [Theory]
    [InlineData("cross-site", null, false)]
    [InlineData("same-site", null, false)]
    [InlineData("same-origin", "http://evil.example", true)]
    [InlineData("none", null, true)]
    [InlineData(null, "http://evil.example", false)]
    [InlineData(null, "null", false)]
    [InlineData(null, "http://127.0.0.1:1", false)]
    [InlineData(null, null, true)]
    public async Task A_page_of_another_site_writes_nothing(string? site, string? origin, bool allowed)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, $"{await server.NewDogAsync()}/archive");
        if (site is not null)
            request.Headers.TryAddWithoutValidation("Sec-Fetch-Site", site);
        if (origin is not null)
            request.Headers.TryAddWithoutValidation("Origin", origin);
        using var answer = await server.Http.SendAsync(request, TestContext.Current.CancellationToken);
        Assert.Equal(allowed ? HttpStatusCode.OK : HttpStatusCode.Forbidden, answer.StatusCode);
    }

    [Theory]
    [InlineData("localhost", true)]
    [InlineData("127.0.0.1", true)]
    [InlineData("[::1]", true)]
    [InlineData("rebound.example", false)]
    public async Task It_answers_to_this_machines_names_only(string host, bool answers)
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/round") { Headers = { Host = $"{host}:{server.Http.BaseAddress!.Port}" } };
        using var answer = await server.Http.SendAsync(request, TestContext.Current.CancellationToken);
        Assert.Equal(answers ? HttpStatusCode.OK : HttpStatusCode.BadRequest, answer.StatusCode);
    }
}
