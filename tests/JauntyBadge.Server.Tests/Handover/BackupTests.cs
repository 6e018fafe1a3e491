using System.Diagnostics;
using System.Net;
using System.Net.Http.Headers;
using System.Text.Json.Nodes;
using JauntyBadge.Data;
using JauntyBadge.Data.Handover;
using Microsoft.Data.Sqlite;
using static JauntyBadge.Server.Tests.Opening;

namespace JauntyBadge.Server.Tests.Handover;

/// <summary>A backup that was never restored is a hope: here each is restored, undone, opened by another program, or refused with its reason.</summary>
public sealed class BackupTests
{
    private const string Passphrase = "three herons on a lock gate";

    [Fact]
    public async Task Made_restored_and_undone()
    {
        using var server = new PracticeServer();
        await server.NewDogAsync(new { name = "Before", purposes = new[] { "walks" } });
        var made = await server.PostAsync("/api/backups");
        Assert.Equal(HttpStatusCode.OK, made.Status);
        await server.NewDogAsync(new { name = "After", purposes = new[] { "walks" } });
        await server.PutAsync("/api/own-practice", new { name = "Later", currency = "EUR" });

        var preview = await server.PostAsync("/api/backups/preview", new { name = made.Text("name") });
        Assert.Equal((1, 2), (preview["backup"]!["dogs"]!.GetValue<int>(), preview["here"]!["dogs"]!.GetValue<int>()));
        Assert.Equal("Later", preview["here"]!["name"]!.ToString());
        Assert.Equal(2, (await server.Http.GetFromRoundAsync()).Count);

        var wish = new { name = made.Text("name"), id = Guid.NewGuid() };
        var restored = await server.PostAsync("/api/backups/restore", wish);
        Assert.Equal(HttpStatusCode.OK, restored.Status);
        Assert.NotNull(restored["undo"]);
        Assert.Equal("Before", Assert.Single(await server.Http.GetFromRoundAsync())["name"]!.ToString());
        // It is a practice like any other: what is written now is kept.
        await server.NewDogAsync(new { name = "Anew", purposes = new[] { "walks" } });
        Assert.Equal(2, (await server.Http.GetFromRoundAsync()).Count);

        // An answer that was lost: sent again it is done once.
        Assert.Equal(HttpStatusCode.OK, (await server.PostAsync("/api/backups/restore", wish)).Status);
        Assert.Equal(2, (await server.Http.GetFromRoundAsync()).Count);

        Assert.Equal(HttpStatusCode.BadRequest, (await server.PostAsync("/api/backups/undo", new { })).Status);
        var undo = new { at = $"{restored["undo"]!["at"]}" };
        server.Clock.Advance(TimeSpan.FromSeconds(5));
        var undone = await server.PostAsync("/api/backups/undo", undo);
        Assert.Equal(HttpStatusCode.OK, undone.Status);
        // Two hands on one button: the second does not undo the first.
        Assert.Equal(HttpStatusCode.Conflict, (await server.PostAsync("/api/backups/undo", undo)).Status);
        Assert.Equal(["After", "Before"], (await server.Http.GetFromRoundAsync()).Select(d => d["name"]!.ToString()).Order());
        Assert.Equal("Later", (await server.GetAsync("/api/own-practice")).Text("name"));
        // And undone once more it is the restored one again, with what was written in it.
        Assert.Equal(HttpStatusCode.OK, (await server.PostAsync("/api/backups/undo", new { at = $"{undone["undo"]!["at"]}" })).Status);
        Assert.Equal(["Anew", "Before"], (await server.Http.GetFromRoundAsync()).Select(d => d["name"]!.ToString()).Order());
    }

    /// <summary>Eight hands write while backups are made: each backup is whole, and holds every dog that was acknowledged before it was begun.</summary>
    [Fact]
    public async Task Under_eight_writers_every_backup_is_whole()
    {
        using var server = new PracticeServer();
        var acknowledged = 0;
        using var stop = new CancellationTokenSource();
        var writers = Enumerable
            .Range(0, 8)
            .Select(hand =>
                Task.Run(async () =>
                {
                    for (var i = 0; !stop.IsCancellationRequested; i++)
                    {
                        using var answer = await server.Http.PostAsync(
                            "/api/dogs",
                            new StringContent($$"""{"name":"Hand {{hand}} dog {{i}}"}""", System.Text.Encoding.UTF8, "application/json")
                        );
                        if (answer.IsSuccessStatusCode)
                            Interlocked.Increment(ref acknowledged);
                    }
                })
            )
            .ToList();
        var backups = new List<(string Name, int Least)>();
        for (var i = 0; i < 4; i++)
        {
            await Task.Delay(150);
            var least = Volatile.Read(ref acknowledged);
            backups.Add(((await server.PostAsync("/api/backups")).Text("name"), least));
            server.Clock.Advance(TimeSpan.FromSeconds(1));
        }

        await stop.CancelAsync();
        await Task.WhenAll(writers);
        foreach (var (name, least) in backups)
        {
            var file = Path.Combine(server.Folder, "backups", name);
            Assert.Equal("ok", Ask(file, "PRAGMA integrity_check"));
            Assert.InRange(int.Parse(Ask(file, """SELECT COUNT(*) FROM "Dogs" """)!, System.Globalization.CultureInfo.InvariantCulture), least, acknowledged);
        }

        // Now that nobody writes, a backup is the practice.
        var last = Path.Combine(server.Folder, "backups", (await server.PostAsync("/api/backups")).Text("name"));
        const string All = """SELECT group_concat("Id" || "Name" || "Version") FROM (SELECT * FROM "Dogs" ORDER BY "Id")""";
        Assert.Equal(Ask(server.Folder + "/practice.db", All), Ask(last, All));
        Assert.True(acknowledged > 8);
    }

    /// <summary>Closed with a passphrase: gpg opens it, the product opens it, a wrong one does not, and a flipped byte is noticed.</summary>
    [Fact]
    public async Task Closed_with_a_passphrase_it_opens_elsewhere_too()
    {
        using var server = new PracticeServer();
        await server.NewDogAsync();
        Assert.NotNull((await server.PutAsync("/api/backups/settings", new { nightly = true, encrypted = true })).Problem("passphrase"));
        Assert.Contains(
            "15 to 200",
            (await server.PutAsync("/api/backups/settings", new { encrypted = true, passphrase = "short" })).Problem("passphrase"),
            StringComparison.Ordinal
        );
        Assert.Equal(
            HttpStatusCode.OK,
            (
                await server.PutAsync(
                    "/api/backups/settings",
                    new
                    {
                        nightly = true,
                        encrypted = true,
                        passphrase = Passphrase,
                    }
                )
            ).Status
        );
        var made = await server.PostAsync("/api/backups");
        Assert.True(made["sealed"]!.GetValue<bool>());
        var file = Path.Combine(server.Folder, "backups", made.Text("name"));
        Assert.DoesNotContain("SQLite format", System.Text.Encoding.ASCII.GetString(await File.ReadAllBytesAsync(file)), StringComparison.Ordinal);
        Assert.Empty(Directory.GetFiles(Path.Combine(server.Folder, "backups"), "*.part"));

        // Another program, of another make.
        var opened = Path.Combine(NewFolder(), "opened.db");
        var gpg = Process.Start(
            new ProcessStartInfo(
                "gpg",
                ["--batch", "--yes", "--homedir", NewFolder(), "--pinentry-mode", "loopback", "--passphrase", Passphrase, "--output", opened, "--decrypt", file]
            )
            {
                RedirectStandardError = true,
            }
        )!;
        await gpg.WaitForExitAsync();
        Assert.True(gpg.ExitCode == 0, await gpg.StandardError.ReadToEndAsync());
        Assert.Equal("ok", Ask(opened, "PRAGMA integrity_check"));
        Assert.Equal("1", Ask(opened, """SELECT COUNT(*) FROM "Dogs" """));

        var wrong = await server.PostAsync("/api/backups/preview", new { name = made.Text("name"), passphrase = "three herons on another gate" });
        Assert.Equal(HttpStatusCode.Conflict, wrong.Status);
        Assert.Contains("does not open with this passphrase", wrong.Text("detail"), StringComparison.Ordinal);
        Assert.Equal(1, (await server.PostAsync("/api/backups/preview", new { name = made.Text("name") }))["backup"]!["dogs"]!.GetValue<int>());

        var bytes = await File.ReadAllBytesAsync(file);
        bytes[bytes.Length / 2] ^= 0x40;
        await File.WriteAllBytesAsync(file, bytes);
        var damaged = await server.PostAsync("/api/backups/restore", new { name = made.Text("name") });
        Assert.Equal(HttpStatusCode.Conflict, damaged.Status);
        Assert.Single(await server.Http.GetFromRoundAsync());
        Assert.Empty(Directory.GetFiles(Path.Combine(server.Folder, "on-its-way")));
    }

    /// <summary>A practice moves to another machine in two steps: take the backup along, send it there and put it in place.</summary>
    [Fact]
    public async Task A_practice_moves_to_another_machine()
    {
        using var old = new PracticeServer();
        using var anew = new PracticeServer();
        await old.MeasuredDogAsync();
        var name = (await old.PostAsync("/api/backups")).Text("name");
        var bytes = await old.Http.GetByteArrayAsync($"/api/backups/{name}");
        var sent = await SendAsync(anew, bytes);
        Assert.Equal(1, (await anew.PostAsync("/api/backups/preview", new { sent }))["backup"]!["dogs"]!.GetValue<int>());
        Assert.Equal(HttpStatusCode.OK, (await anew.PostAsync("/api/backups/restore", new { sent })).Status);
        var dog = Assert.Single(await anew.Http.GetFromRoundAsync());
        Assert.Equal(HttpStatusCode.OK, (await anew.GetAsync($"/api/dogs/{dog["id"]}/bench")).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await anew.PostAsync("/api/backups/restore", new { sent })).Status);

        foreach (
            var (file, says) in new[]
            {
                ("no database at all"u8.ToArray(), "closed with a passphrase, or is none"),
                (bytes[..20000], "damaged"),
                (Foreign(), "no practice of Jaunty Badge"),
            }
        )
        {
            var refused = await anew.PostAsync("/api/backups/restore", new { sent = await SendAsync(anew, file) });
            Assert.Equal(HttpStatusCode.Conflict, refused.Status);
            Assert.Contains(says, refused.Text("detail"), StringComparison.Ordinal);
            Assert.Single(await anew.Http.GetFromRoundAsync());
        }

        Assert.Equal(HttpStatusCode.NotFound, (await anew.GetAsync("/api/backups/..%2Fpractice.db")).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await anew.PostAsync("/api/backups/preview", new { name = "../practice.db" })).Status);
    }

    /// <summary>Every night one is made, late where the machine slept; the demo and an empty practice have none.</summary>
    [Fact]
    public async Task By_itself_every_night_and_late_rather_than_never()
    {
        using var server = new PracticeServer(demo: false, nightly: true);
        async Task<JsonArray> ListAsync() => (await server.GetAsync("/api/backups")).Json["backups"]!.AsArray();
        await TurnAsync(server, TimeSpan.FromDays(2));
        Assert.Empty(await ListAsync());
        await server.NewDogAsync();
        await TurnAsync(server, TimeSpan.FromMinutes(10));
        await WaitAsync(async () => (await ListAsync()).Count == 1);
        await TurnAsync(server, TimeSpan.FromMinutes(60));
        Assert.Single(await ListAsync());
        await TurnAsync(server, TimeSpan.FromHours(24));
        await WaitAsync(async () => (await ListAsync()).Count == 2);
    }

    /// <summary>A folder that is not there when the night comes: nothing is lost, the problem is said, and after a week the round says it too.</summary>
    [Fact]
    public async Task A_folder_that_is_gone_is_told_and_the_round_says_when_it_is_a_week()
    {
        using var server = new PracticeServer();
        await server.NewDogAsync();
        Assert.NotNull((await server.PutAsync("/api/backups/settings", new { folder = "sticks/one" })).Problem("folder"));
        var stick = NewFolder();
        Assert.Equal(HttpStatusCode.OK, (await server.PutAsync("/api/backups/settings", new { folder = stick })).Status);
        var made = await server.PostAsync("/api/backups");
        Assert.True(File.Exists(Path.Combine(stick, made.Text("name"))));
        Directory.Delete(stick, recursive: true);
        await File.WriteAllTextAsync(stick, "a file where a folder was");
        var refused = await server.PostAsync("/api/backups");
        Assert.Equal(HttpStatusCode.Conflict, refused.Status);
        var state = await server.GetAsync("/api/backups");
        Assert.Contains("cannot be used for backups", state.Text("problem"), StringComparison.Ordinal);
        Assert.False(state["isOld"]!.GetValue<bool>());
        server.Clock.Advance(TimeSpan.FromDays(7));
        Assert.Null((await server.GetAsync("/api/backups"))["oldSays"]);
        server.Clock.Advance(TimeSpan.FromDays(1));
        var old = await server.GetAsync("/api/backups");
        Assert.True(old["isOld"]!.GetValue<bool>());
        Assert.Contains("The last good backup is 8 days old", old.Text("oldSays"), StringComparison.Ordinal);
    }

    /// <summary>The disk fills up in the middle: no half backup is left, the practice goes on, and it is said.</summary>
    [Fact]
    public void A_full_disk_leaves_no_half_backup()
    {
        var folder = new BackupFolder("/dev/full/backups");
        Assert.Throws<PracticeProblem>(() => folder.Make(Path.Combine(NewFolder(), "none.db"), null, TimeProvider.System));
        var small = Path.Combine(NewFolder(), "small");
        var (mount, full) = Mounted(small);
        if (!mount)
            return;
        try
        {
            var from = Path.Combine(NewFolder(), "practice.db");
            using (var db = new SqliteConnection($"Data Source={from};Pooling=False"))
            {
                db.Open();
                using var fill = db.CreateCommand();
                fill.CommandText = """
                    CREATE TABLE "__EFMigrationsHistory" ("MigrationId" TEXT); CREATE TABLE t (x BLOB);
                    WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 3000) INSERT INTO t SELECT randomblob(1000) FROM n;
                    """;
                fill.ExecuteNonQuery();
            }

            foreach (var passphrase in new[] { null, Passphrase })
            {
                var problem = Assert.Throws<PracticeProblem>(() => new BackupFolder(small).Make(from, passphrase, TimeProvider.System));
                Assert.Matches("full|No space left|cannot be written", problem.Message);
                Assert.Empty(Directory.GetFiles(small));
            }
        }
        finally
        {
            full();
        }
    }

    /// <summary>bin/restore's own way: looked at, put in place, undone; never under a running server.</summary>
    [Fact]
    public async Task Restored_from_the_command_line()
    {
        var folder = NewFolder();
        var backup = Path.Combine(NewFolder(), "one.db");
        using (var server = await RealServer.StartAsync(folder))
        {
            await AddAsync(server, "Bracken");
            Assert.Equal(0, (await RealServer.RunAsync("backup", "--data", folder, "--to", backup)).Code);
            await AddAsync(server, "Fern");
            IsOneSentence(await RealServer.RunAsync("restore", "--data", folder, "--from", backup, "--yes", "true"), "Another Jaunty Badge is using");
        }

        var looked = await RealServer.RunAsync("restore", "--data", folder, "--from", backup);
        Assert.Contains("In the backup: a practice without a name, 1 dogs", looked.Said, StringComparison.Ordinal);
        Assert.Contains("Here now: a practice without a name, 2 dogs", looked.Said, StringComparison.Ordinal);
        Assert.Contains("Nothing was done", looked.Said, StringComparison.Ordinal);
        Assert.Equal(2, await DogsAsync(folder));
        Assert.Equal(0, (await RealServer.RunAsync("restore", "--data", folder, "--from", backup, "--yes", "true")).Code);
        Assert.Equal(1, await DogsAsync(folder));
        Assert.Equal(0, (await RealServer.RunAsync("restore", "--data", folder, "--undo", "true")).Code);
        Assert.Equal(2, await DogsAsync(folder));

        // Onto a machine that has nothing yet.
        var empty = NewFolder();
        var moved = await RealServer.RunAsync("restore", "--data", empty, "--from", backup, "--yes", "true");
        Assert.True(moved.Code == 0, moved.Said);
        Assert.Equal(1, await DogsAsync(empty));
        IsOneSentence(await RealServer.RunAsync("restore", "--data", empty, "--undo", "true"), "nothing to undo");
        IsOneSentence(await RealServer.RunAsync("restore", "--data", empty, "--from", Path.Combine(empty, "no.db"), "--yes", "true"), "There is no backup");
    }

    private static async Task<int> DogsAsync(string folder)
    {
        using var server = await RealServer.StartAsync(folder);
        return (await server.Http.GetFromRoundAsync()).Count;
    }

    private static async Task AddAsync(RealServer server, string name)
    {
        using var made = await server.Http.PostAsync(
            "/api/dogs",
            new StringContent($$"""{"name":"{{name}}"}""", System.Text.Encoding.UTF8, "application/json")
        );
        Assert.True(made.IsSuccessStatusCode);
    }

    private static async Task TurnAsync(PracticeServer server, TimeSpan by)
    {
        // What is waiting for the clock is given the time to wait for it.
        await Task.Delay(50);
        server.Clock.Advance(by);
        await Task.Delay(150);
    }

    private static async Task WaitAsync(Func<Task<bool>> holds)
    {
        for (var i = 0; i < 600; i++)
        {
            if (await holds())
                return;
            await Task.Delay(100);
        }

        Assert.Fail("It did not come about in a minute.");
    }

    private static async Task<string> SendAsync(PracticeServer server, byte[] file)
    {
        using var content = new ByteArrayContent(file);
        content.Headers.ContentType = new MediaTypeHeaderValue("application/octet-stream");
        using var response = await server.Http.PostAsync("/api/backups/sent", content);
        Assert.Equal(HttpStatusCode.OK, response.StatusCode);
        return JsonNode.Parse(await response.Content.ReadAsStringAsync())!["sent"]!.ToString();
    }

    private static byte[] Foreign()
    {
        var file = Path.Combine(NewFolder(), "foreign.db");
        using (var db = new SqliteConnection($"Data Source={file};Pooling=False"))
        {
            db.Open();
            using var make = db.CreateCommand();
            make.CommandText = "CREATE TABLE letters (x TEXT)";
            make.ExecuteNonQuery();
        }

        return File.ReadAllBytes(file);
    }

    private static string? Ask(string file, string sql)
    {
        using var db = new SqliteConnection($"Data Source={file};Mode=ReadOnly;Pooling=False");
        db.Open();
        using var command = db.CreateCommand();
        command.CommandText = sql;
        return Convert.ToString(command.ExecuteScalar(), System.Globalization.CultureInfo.InvariantCulture);
    }

    /// <summary>A disk of a megabyte, where this user may make one.</summary>
    private static (bool Made, Action Away) Mounted(string at)
    {
        Directory.CreateDirectory(at);
        bool Run(params string[] command)
        {
            using var process = Process.Start(new ProcessStartInfo(command[0], command[1..]) { RedirectStandardError = true });
            process!.WaitForExit();
            return process.ExitCode == 0;
        }

        return (Run("mount", "-t", "tmpfs", "-o", "size=1m", "none", at), () => Run("umount", at));
    }
}
