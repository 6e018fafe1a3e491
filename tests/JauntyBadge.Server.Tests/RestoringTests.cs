using System.Text.Json.Nodes;
using JauntyBadge.Data;
using static JauntyBadge.Server.Tests.Opening;

namespace JauntyBadge.Server.Tests;

/// <summary>A practice that was lost, emptied, taken away while it was open, or put back from a copy. Real processes throughout.</summary>
public sealed class RestoringTests
{
    /// <summary>What was kept and is gone is missed; what is empty is said to be so.</summary>
    [Fact]
    public async Task A_practice_that_was_lost_is_never_taken_for_a_new_one()
    {
        var gone = await FilledAsync();
        foreach (var file in Directory.GetFiles(gone, "practice.db*"))
            File.Delete(file);
        IsOneSentence(await RealServer.RunAsync(On(gone)), "is gone, though a practice was kept in this folder");
        Assert.False(File.Exists(PracticeFolder.DatabaseIn(gone)));
        var emptied = await FilledAsync();
        foreach (var file in Directory.GetFiles(emptied, "practice.db*"))
            File.WriteAllBytes(file, []);
        IsOneSentence(await RealServer.RunAsync(On(emptied)), "is empty");

        // A file of nothing where nothing was ever kept by this release.
        var nothing = NewFolder();
        File.WriteAllBytes(PracticeFolder.DatabaseIn(nothing), []);
        IsOneSentence(await RealServer.RunAsync(On(nothing)), "is empty");
        IsOneSentence(await RealServer.RunAsync("backup", "--data", nothing, "--to", Path.Combine(NewFolder(), "copy.db")), "is empty");

        // Whoever means it begins anew.
        using var afresh = PracticeFolder.Hold(gone);
        Assert.Null(afresh.SetAside(TimeProvider.System));
        afresh.Dispose();
        using var server = await RealServer.StartAsync(gone);
        Assert.Contains("\"all\":0", await server.Http.GetStringAsync("/api/round"), StringComparison.Ordinal);
    }

    /// <summary>A first start cut short between making the file and filling it.</summary>
    [Fact]
    public async Task A_first_start_cut_short_is_gone_on_with()
    {
        var folder = NewFolder();
        using (var held = PracticeFolder.Hold(folder))
            held.Note(0);
        File.WriteAllBytes(PracticeFolder.DatabaseIn(folder), []);
        using var server = await RealServer.StartAsync(folder);
        Assert.Contains("\"all\":0", await server.Http.GetStringAsync("/api/round"), StringComparison.Ordinal);
    }

    /// <summary>Files deleted, moved or put elsewhere under a running server: nothing is acknowledged that is gone with the process.</summary>
    [Theory]
    [InlineData("practice.db")]
    [InlineData("practice.db-wal")]
    public async Task What_cannot_be_kept_is_not_acknowledged(string file)
    {
        var folder = NewFolder();
        using var server = await RealServer.StartAsync(folder);
        Task<HttpResponseMessage> AddAsync(string name) =>
            server.Http.PostAsync("/api/dogs", new StringContent($$"""{"name":"{{name}}"}""", System.Text.Encoding.UTF8, "application/json"));
        Assert.True((await AddAsync("Bracken")).IsSuccessStatusCode);
        File.Delete(Path.Combine(folder, file));
        using var refused = await AddAsync("Lost");
        Assert.Equal(System.Net.HttpStatusCode.ServiceUnavailable, refused.StatusCode);
        Assert.Contains("moved or deleted", await refused.Content.ReadAsStringAsync(TestContext.Current.CancellationToken), StringComparison.Ordinal);
    }

    /// <summary>Put back from a backup, a practice gives no number twice: a page open from before is told, wherever the copy was put.</summary>
    [Theory]
    [InlineData(true, true)]
    [InlineData(true, false)]
    [InlineData(false, true)]
    public async Task After_a_restore_no_version_is_given_twice(bool byBackup, bool sameFolder)
    {
        var folder = NewFolder();
        var copy = Path.Combine(NewFolder(), "copy.db");
        string dog;
        long seen,
            model = 0;
        using (var server = await RealServer.StartAsync(folder))
        {
            dog = (await EditAsync(server, HttpMethod.Post, "/api/dogs", "Bracken", null)).Json["id"]!.GetValue<string>();
            if (byBackup)
                Assert.Equal(0, (await RealServer.RunAsync("backup", "--data", folder, "--to", copy)).Code);
            else
                Do(folder, $"VACUUM INTO '{copy}'");
            seen = await VersionAsync(server, dog);
            for (var i = 0; i < 3; i++)
                seen = (await EditAsync(server, HttpMethod.Put, $"/api/dogs/{dog}", $"Bracken {i}", seen)).Json["version"]!.GetValue<long>();
            for (var i = 0; i < 3; i++)
                model = (await NoteAsync(server, $"Live {i}", model)).Json["version"]!.GetValue<long>();
            server.Kill();
        }

        var lives = new List<long>();
        for (var life = 0; life < 2; life++)
        {
            var restored = sameFolder ? folder : NewFolder();
            foreach (var file in Directory.GetFiles(restored, "practice.db*"))
                File.Delete(file);
            File.Copy(copy, PracticeFolder.DatabaseIn(restored));
            using var server = await RealServer.StartAsync(restored);
            var version = await VersionAsync(server, dog);
            for (var i = 0; i < 3; i++)
            {
                version = (await EditAsync(server, HttpMethod.Put, $"/api/dogs/{dog}", $"Restored {i}", version)).Json["version"]!.GetValue<long>();
                lives.Add(version);
            }

            // The same of a muzzle's versions, though people count them 1, 2, 3 in both lives.
            var noted = await NoteAsync(server, "Restored", 0);
            Assert.Equal(2, noted.Number("revision"));
            lives.Add(noted.Json["version"]!.GetValue<long>());
            Assert.Equal(System.Net.HttpStatusCode.PreconditionFailed, (await NoteAsync(server, "Stale", model)).Status);

            // The page from before: what it saw last is no version of this life.
            Assert.Equal(System.Net.HttpStatusCode.PreconditionFailed, (await EditAsync(server, HttpMethod.Put, $"/api/dogs/{dog}", "Stale", seen)).Status);
            server.Kill();
        }

        Assert.Equal(lives.Count, lives.Distinct().Count());
        Assert.DoesNotContain(seen, lives);
        Assert.All(lives, version => Assert.InRange(version, seen + 1, 1L << 53));
    }

    private static async Task<long> VersionAsync(RealServer server, string dog) =>
        JsonNode.Parse(await server.Http.GetStringAsync($"/api/dogs/{dog}"))!["dog"]!["version"]!.GetValue<long>();

    /// <summary>Notes something on a shipped muzzle model.</summary>
    private static async Task<Answer> NoteAsync(RealServer server, string note, long version)
    {
        var all = JsonNode.Parse(await server.Http.GetStringAsync("/api/catalogue"))!.AsArray();
        var entry = all.Select(m => m!["model"]!).Single(m => m["id"]!.GetValue<string>() == "withy").DeepClone().AsObject();
        entry.Remove("id");
        entry["note"] = note;
        return await SendAsync(server, HttpMethod.Put, "/api/catalogue/withy", entry.ToJsonString(), version);
    }

    private static Task<Answer> EditAsync(RealServer server, HttpMethod method, string path, string name, long? version) =>
        SendAsync(server, method, path, $$"""{"name":"{{name}}"}""", version);

    private static async Task<Answer> SendAsync(RealServer server, HttpMethod method, string path, string body, long? version)
    {
        using var request = new HttpRequestMessage(method, path) { Content = new StringContent(body, System.Text.Encoding.UTF8, "application/json") };
        if (version is not null)
            request.Headers.TryAddWithoutValidation("If-Match", $"\"{version}\"");
        using var answer = await server.Http.SendAsync(request);
        return new Answer(answer.StatusCode, JsonNode.Parse(await answer.Content.ReadAsStringAsync())!, null);
    }
}
