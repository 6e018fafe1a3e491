using JauntyBadge.Data;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using static JauntyBadge.Server.Tests.Opening;

namespace JauntyBadge.Server.Tests;

/// <summary>Opening a practice: what was cut short, what is another's, and what cannot be opened is said in one sentence. Real processes throughout.</summary>
public sealed class OpeningTests
{
    /// <summary>What a start killed in the middle of a migration leaves behind.</summary>
    [Fact]
    public async Task A_lock_left_by_a_start_cut_short_keeps_nobody_out()
    {
        var folder = Unpacked(Of09);
        Do(
            folder,
            """
            CREATE TABLE IF NOT EXISTS "__EFMigrationsLock" ("Id" INTEGER NOT NULL PRIMARY KEY, "Timestamp" TEXT NOT NULL);
            INSERT OR REPLACE INTO "__EFMigrationsLock" VALUES (1, '2026-01-01');
            """
        );

        // Who waits for that lock waits for ever.
        using var server = await RealServer.StartAsync(folder);
        Assert.Contains("Bracken", await server.Http.GetStringAsync("/api/round"), StringComparison.Ordinal);

        // What was there before the schema changed is kept beside it.
        var copy = Assert.Single(Directory.GetFiles(Path.Combine(folder, "backups")));
        Assert.Contains("-before-Release1", copy, StringComparison.Ordinal);
        Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, File.GetUnixFileMode(copy));
    }

    [Fact]
    public async Task A_second_one_on_the_same_folder_is_told_so()
    {
        var folder = NewFolder();
        using var first = await RealServer.StartAsync(folder);
        IsOneSentence(await RealServer.RunAsync(On(folder)), "Another Jaunty Badge is using");
        IsOneSentence(await RealServer.RunAsync(On(folder, "--fresh", "true", "--yes", "true")), "Another Jaunty Badge is using");
        Assert.Contains("\"all\":0", await first.Http.GetStringAsync("/api/round"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_cannot_be_opened_is_left_as_it_is()
    {
        var newer = await FilledAsync();
        Do(newer, """INSERT INTO "__EFMigrationsHistory" VALUES ('20990101000000_FromTheFuture', '99.0');""");
        var damaged = NewFolder();
        File.WriteAllText(PracticeFolder.DatabaseIn(damaged), new string('x', 20_000));
        var others = NewFolder();
        Do(others, "CREATE TABLE Recipes (Name TEXT);");
        var holed = await FilledAsync();
        using (var file = File.OpenWrite(PracticeFolder.DatabaseIn(holed)))
        {
            file.Position = 4096 * 3;
            file.Write(new byte[4096 * 4]);
        }

        var early = Unpacked(TooOld);
        foreach (
            var (folder, what) in new[]
            {
                (newer, "newer release"),
                (early, "open it once with release 0.9.0"),
                (damaged, "is damaged"),
                (others, "not one of Jaunty Badge"),
                (holed, "is damaged"),
            }
        )
        {
            var before = await File.ReadAllBytesAsync(PracticeFolder.DatabaseIn(folder), TestContext.Current.CancellationToken);
            IsOneSentence(await RealServer.RunAsync(On(folder)), what);
            Assert.Equal(before, await File.ReadAllBytesAsync(PracticeFolder.DatabaseIn(folder), TestContext.Current.CancellationToken));
        }

        var inTheWay = Path.Combine(NewFolder(), "file");
        File.WriteAllText(inTheWay, "not a folder");
        IsOneSentence(await RealServer.RunAsync(On(Path.Combine(inTheWay, "practice"))), "cannot be used to keep a practice");
        IsOneSentence(await RealServer.RunAsync(On("/proc/jaunty-badge")), "cannot be used to keep a practice");
    }

    [Theory]
    [InlineData("--urls", "http://0.0.0.0:0")]
    [InlineData("--urls", "http://*:0")]
    [InlineData("--urls", "http://[::]:0")]
    [InlineData("--urls", "http://127.0.0.1:0;http://+:0")]
    [InlineData("--http_ports", "5088")]
    [InlineData("--Kestrel:Endpoints:Any:Url", "http://0.0.0.0:0")]
    public async Task It_does_not_listen_where_others_could_come_in_and_touches_nothing_before_it_says_so(string name, string address)
    {
        var folder = Path.Combine(NewFolder(), "practice");
        IsOneSentence(await RealServer.RunAsync(name, address, "--data", folder, "--contentRoot", AppContext.BaseDirectory), "nobody signs in");
        Assert.False(Directory.Exists(folder));
    }

    [Theory]
    [InlineData("*")]
    [InlineData("van.example;*")]
    [InlineData("*.example")]
    public async Task Hosts_that_stand_for_any_name_are_refused(string hosts) =>
        IsOneSentence(await RealServer.RunAsync(On(NewFolder(), "--hosts", hosts)), "takes the names this server answers to");

    [Fact]
    public async Task A_port_that_is_taken_is_said()
    {
        using var first = await RealServer.StartAsync(NewFolder());
        var folder = NewFolder();
        IsOneSentence(
            await RealServer.RunAsync("--urls", first.Http.BaseAddress!.ToString(), "--data", folder, "--contentRoot", AppContext.BaseDirectory),
            "Something else answers"
        );
    }

    [Fact]
    public async Task Only_this_user_may_look_in()
    {
        var folder = Path.Combine(NewFolder(), "practice");
        using var server = await RealServer.StartAsync(folder);
        await server.Http.PostAsync("/api/dogs", new StringContent("""{"name":"Bracken"}""", System.Text.Encoding.UTF8, "application/json"));
        Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute, File.GetUnixFileMode(folder));
        Assert.All(Directory.GetFiles(folder), f => Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, File.GetUnixFileMode(f)));
        Assert.Contains(Directory.GetFiles(folder), f => f.EndsWith("practice.db-wal", StringComparison.Ordinal));
    }

    [Fact]
    public async Task Beginning_afresh_asks_and_sets_aside()
    {
        var folder = await FilledAsync();
        IsOneSentence(await RealServer.RunAsync(On(folder, "--fresh", "true")), "the demo did not make");
        using (var server = await RealServer.StartAsync(folder))
            Assert.Contains("Bracken", await server.Http.GetStringAsync("/api/round"), StringComparison.Ordinal);
        using (var held = PracticeFolder.Hold(folder))
        {
            var aside = held.SetAside(TimeProvider.System)!;
            Assert.False(held.HasPractice);
            Assert.True(File.Exists(PracticeFolder.DatabaseIn(aside)));
        }

        using var again = await RealServer.StartAsync(folder);
        Assert.Contains("\"all\":0", await again.Http.GetStringAsync("/api/round"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_demo_cut_short_says_how_to_begin_again()
    {
        var folder = NewFolder();
        using (var held = PracticeFolder.Hold(folder))
            held.MarkDemoBegun();
        using (var server = await RealServer.StartAsync(folder))
            Assert.Contains("cut short before it had filled it. Run bin/demo again", server.SaidBefore, StringComparison.Ordinal);
        using (var again = await RealServer.StartAsync(folder, "--demo", "true"))
            Assert.DoesNotContain("\"all\":0", await again.Http.GetStringAsync("/api/round"), StringComparison.Ordinal);
        using var filled = await RealServer.StartAsync(folder);
        Assert.DoesNotContain("cut short", filled.SaidBefore, StringComparison.Ordinal);
    }

    /// <summary>On a busy machine it may have filled before anybody looks: then another one is begun.</summary>
    [Fact]
    public async Task The_demo_stopped_while_it_fills_ends_with_the_sentence()
    {
        const int Tries = 8;
        for (var tries = 1; ; tries++)
        {
            var folder = NewFolder();
            using var server = RealServer.Begin(On(folder, "--demo", "true"));
            bool Has(string mark) => File.Exists(Path.Combine(folder, mark));
            while (!Has("demo-begun") && !Has("made-by-demo"))
                await Task.Delay(5, TestContext.Current.CancellationToken);
            server.Interrupt();
            await server.EndAsync();
            if (server.ExitCode == 0 && tries < Tries)
                continue;
            Assert.Equal(2, server.ExitCode);
            Assert.Contains("Stopped before the demo had filled the practice", server.Said, StringComparison.Ordinal);
            Assert.Contains("Run bin/demo again", server.Said, StringComparison.Ordinal);
            return;
        }
    }

    [Fact]
    public async Task A_backup_goes_into_a_folder_that_is_there()
    {
        var folder = await FilledAsync();
        var into = NewFolder();
        var (code, said) = await RealServer.RunAsync("backup", "--data", folder, "--to", into);
        Assert.True(code == 0, said);
        Assert.Contains(Assert.Single(Directory.GetFiles(into, "jaunty-badge-*.db")), said, StringComparison.Ordinal);
        IsOneSentence(await RealServer.RunAsync("backup", "--data", folder, "--to", Path.Combine(into, "missing", "copy.db")), "There is no folder");
    }

    /// <summary>A backup made while the server runs is whole; a copied file is not, for what was written last lies beside it.</summary>
    [Fact]
    public async Task A_backup_made_while_it_runs_is_one_whole_file()
    {
        var folder = NewFolder();
        using var server = await RealServer.StartAsync(folder);
        using var made = await server.Http.PostAsync("/api/dogs", new StringContent("""{"name":"Bracken"}""", System.Text.Encoding.UTF8, "application/json"));
        var to = Path.Combine(NewFolder(), "copy.db");
        var (code, said) = await RealServer.RunAsync("backup", "--data", folder, "--to", to);
        Assert.True(code == 0, said);
        Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, File.GetUnixFileMode(to));
        IsOneSentence(await RealServer.RunAsync("backup", "--data", folder, "--to", to), "is there already");
        IsOneSentence(await RealServer.RunAsync("backup", "--data", NewFolder(), "--to", to + "2"), "no practice");

        var restored = NewFolder();
        File.Copy(to, PracticeFolder.DatabaseIn(restored));
        using var second = await RealServer.StartAsync(restored);
        Assert.Contains("Bracken", await second.Http.GetStringAsync("/api/round"), StringComparison.Ordinal);
    }
}
