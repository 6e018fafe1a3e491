using System.Net;
using JauntyBadge.Data;
using JauntyBadge.Data.Conditioning;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Tests;

/// <summary>
/// Practices as earlier releases kept them: the demo of that day, made by that release itself, in <c>practices/DAY-COMMIT.db.gz</c>. Every one is opened, loses no row, and every view of it
/// is asked for.
/// </summary>
public sealed class EarlierReleaseTests
{
    private static readonly string[] Rows =
    [
        "Dogs",
        "Readings",
        "MeasuringSets",
        "Choices",
        "TryOns",
        "Photos",
        "Pictures",
        "Overrules",
        "Sessions",
        "Sets",
        "Goes",
        "Signs",
        "PlanMoves",
        "Wears",
    ];

    /// <summary>A forecast takes half a second: some dogs show whether it can be made of what is on record.</summary>
    private static readonly string[] Foretold = ["/api/dogs/{id}/plan/outlook", "/api/dogs/{id}/plan/calendar.ics"];

    private const int MostForetold = 3;

    public static TheoryData<string> Practices =>
        [.. Directory.GetFiles(Path.Combine(AppContext.BaseDirectory, "practices"), "*.db.gz").Select(p => Path.GetFileName(p)).Order(StringComparer.Ordinal)];

    [Theory]
    [MemberData(nameof(Practices))]
    public async Task It_opens_loses_no_row_and_shows_every_view(string practice)
    {
        var folder = Opening.Unpacked(practice);
        var before = Count(folder);
        Assert.True(before["Dogs"] > 10 && before["Choices"] > 0 && before["Goes"] > 1000);
        using var server = new PracticeServer(demo: false, folder, new DateTimeOffset(2026, 11, 29, 9, 0, 0, TimeSpan.Zero));
        var after = Count(folder);
        Assert.All(before, rows => Assert.Equal(rows, KeyValuePair.Create(rows.Key, after[rows.Key])));

        var paths = (await server.GetAsync("/api/openapi/v1.json")).Json["paths"]!
            .AsObject()
            .Where(p => p.Value!["get"] is not null && !p.Key.StartsWith("/api/devices", StringComparison.Ordinal))
            .Select(p => p.Key)
            .ToList();
        var dogs = await IdsAsync(server, "/api/round?count=2000&archived=false", "cards");
        dogs = [.. dogs, .. await IdsAsync(server, "/api/round?count=2000&archived=true", "cards")];
        Assert.Equal(before["Dogs"], dogs.Distinct().Count());
        var asked = paths.Where(p => !p.Contains('{', StringComparison.Ordinal)).ToList();
        foreach (var (dog, foretell) in dogs.Select((d, i) => (d, i < MostForetold)))
        {
            asked.AddRange(
                paths
                    .Where(p => p.StartsWith("/api/dogs/{id}", StringComparison.Ordinal) && p.Count(c => c == '{') == 1 && (foretell || !Foretold.Contains(p)))
                    .Select(p => p.Replace("{id}", dog, StringComparison.Ordinal))
            );
            asked.AddRange((await IdsAsync(server, $"/api/dogs/{dog}/photos", null)).Select(p => $"/api/dogs/{dog}/photos/{p}"));
            asked.AddRange((await IdsAsync(server, $"/api/dogs/{dog}/sessions", null)).Take(3).Select(s => $"/api/sessions/{s}"));
        }

        Assert.True(asked.Count > 20 * dogs.Count);
        var wrong = new List<string>();
        foreach (var path in asked)
        {
            using var answer = await server.Http.GetAsync(new Uri(path, UriKind.Relative), TestContext.Current.CancellationToken);
            // A dog that was not measured has no fits, and one address wants to be told what is typed.
            if (
                answer.StatusCode
                is not (HttpStatusCode.OK or HttpStatusCode.NoContent or HttpStatusCode.Conflict or HttpStatusCode.BadRequest or HttpStatusCode.NotFound)
            )
                wrong.Add($"{path}: {(int)answer.StatusCode}");
        }

        Assert.True(wrong.Count == 0, string.Join('\n', wrong));

        // What it decided is decided by the rules it was made by.
        await using var db = new PracticeDb(new DbContextOptionsBuilder<PracticeDb>().UseSqlite(PracticeFolder.ConnectionTo(folder)).Options);
        var replay = await Replay.RunAsync(db, TestContext.Current.CancellationToken);
        Assert.True(replay.Decided + replay.Older > 500);
        Assert.Empty(replay.Differences);
    }

    private static async Task<List<string>> IdsAsync(PracticeServer server, string path, string? within)
    {
        var answer = await server.GetAsync(path);
        Assert.Equal(HttpStatusCode.OK, answer.Status);
        return [.. (within is null ? answer.Json : answer[within])!.AsArray().Select(r => r!["id"]!.GetValue<string>())];
    }

    /// <summary>How many rows there are of each kind; pictures lay on three shelves once.</summary>
    private static Dictionary<string, long> Count(string folder)
    {
        using var connection = new SqliteConnection($"Data Source={PracticeFolder.DatabaseIn(folder)};Pooling=False");
        connection.Open();
        long Ask(string sql)
        {
            using var command = connection.CreateCommand();
            command.CommandText = sql;
            return (long)command.ExecuteScalar()!;
        }

        bool Has(string table) => Ask($"SELECT COUNT(*) FROM sqlite_master WHERE type = 'table' AND name = '{table}'") == 1;
        var counted = Rows.Where(Has).ToDictionary(t => t, t => Ask($"SELECT COUNT(*) FROM \"{t}\""));
        foreach (var shelf in new[] { "TryOnPictures", "WearPictures" }.Where(Has))
            counted["Pictures"] += Ask($"SELECT COUNT(*) FROM \"{shelf}\"");
        return counted;
    }
}
