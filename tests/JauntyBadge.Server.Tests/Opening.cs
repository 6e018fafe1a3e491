using System.IO.Compression;
using JauntyBadge.Data;
using Microsoft.Data.Sqlite;

namespace JauntyBadge.Server.Tests;

/// <summary>Folders with practices in them, for real processes to open.</summary>
internal static class Opening
{
    /// <summary>A practice as release 0.9.0 kept it.</summary>
    public const string Of09 = "2026-11-30-7f494c5.db.gz";

    /// <summary>One kept before that.</summary>
    public const string TooOld = "too-old/2026-11-27-1fc8405.db.gz";

    public static string NewFolder() => Directory.CreateTempSubdirectory("jaunty-badge-open-").FullName;

    public static string[] On(string folder, params string[] more) =>
        ["--urls", "http://127.0.0.1:0", "--data", folder, "--contentRoot", AppContext.BaseDirectory, .. more];

    public static void Do(string folder, string sql)
    {
        using var connection = new SqliteConnection($"Data Source={PracticeFolder.DatabaseIn(folder)};Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        command.ExecuteNonQuery();
    }

    /// <summary>A practice as an earlier release kept it, from <c>practices</c>.</summary>
    public static string Unpacked(string practice)
    {
        var folder = NewFolder();
        using var packed = new GZipStream(File.OpenRead(Path.Combine(AppContext.BaseDirectory, "practices", practice)), CompressionMode.Decompress);
        using var file = File.Create(PracticeFolder.DatabaseIn(folder));
        packed.CopyTo(file);
        return folder;
    }

    public static async Task<string> FilledAsync()
    {
        var folder = NewFolder();
        using var server = await RealServer.StartAsync(folder);
        using var made = await server.Http.PostAsync("/api/dogs", new StringContent("""{"name":"Bracken"}""", System.Text.Encoding.UTF8, "application/json"));
        Assert.True(made.IsSuccessStatusCode);
        server.Kill();
        return folder;
    }

    public static void IsOneSentence((int Code, string Said) ended, string what)
    {
        Assert.NotEqual(0, ended.Code);
        Assert.Contains(what, ended.Said, StringComparison.Ordinal);
        Assert.DoesNotContain("   at ", ended.Said, StringComparison.Ordinal);
        Assert.DoesNotContain("Exception", ended.Said, StringComparison.Ordinal);
    }
}
