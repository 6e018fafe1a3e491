using System.Net;
using JauntyBadge.Data;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Tests;

/// <summary>A practice kept by an earlier release, or with a row that nobody can read any more: every page of it opens, and says what cannot be read.</summary>
public sealed class OlderPracticeTests(DemoPracticeFolder filled) : IClassFixture<DemoPracticeFolder>
{
    private static readonly string[] Pages =
    [
        "",
        "/bench",
        "/measuring-sets",
        "/fits",
        "/order",
        "/choices",
        "/try-on",
        "/try-ons",
        "/plan",
        "/plan/outlook",
        "/plan/schools",
        "/progress",
        "/record",
        "/sessions",
        "/balance",
        "/treats",
        "/habits",
        "/inspections",
        "/appointments",
        "/wears",
        "/photos",
    ];

    /// <summary>The first release wrote a brief's topic as its heading: "Neck strap".</summary>
    [Fact]
    public async Task A_term_is_known_by_its_earlier_spelling()
    {
        using var server = filled.Open();
        await RunAsync(
            server,
            """UPDATE "Choices" SET "Kept" = replace(replace("Kept", '"topic":"neckStrap"', '"topic":"Neck strap"'), '"topic":"mouth"', '"topic":"Mouth"')"""
        );
        var otis = await DogAsync(server, "Otis");
        Assert.Contains("neckStrap", (await server.GetAsync($"{otis}/choices")).Json.ToJsonString(), StringComparison.Ordinal);
        Assert.Equal("Tun", (await server.GetAsync(otis))["choice"]!["kept"]!["model"]!.GetValue<string>());
    }

    /// <summary>Cut short, empty, of another shape, of a term nobody knows: of every kind of record kept as text some.</summary>
    [Fact]
    public async Task Rows_that_cannot_be_read_take_no_page_with_them()
    {
        using var server = filled.Open();
        (string Table, string Column, string[] Texts)[] broken =
        [
            ("Choices", "Kept", ["{\"model\":", "{}", "{\"model\":null}", "[1,2]"]),
            ("TryOns", "Record", ["not JSON", "{}"]),
            ("Photos", "Marks", ["{\"kind\":\"cube\"}", "{"]),
            ("Wears", "Signs", ["null", "[{\"signId\":7}]"]),
            ("Sessions", "Plan", ["{\"schoolId\":\"nobody\"}", "{"]),
            ("Sets", "Facts", ["{\"made\":3}", "null"]),
            ("PlanMoves", "Cause", ["{"]),
        ];
        foreach (var (table, column, texts) in broken)
        {
            var rows = 0;
            foreach (var (i, text) in texts.Index())
                rows += await RunAsync(server, $"""UPDATE "{table}" SET "{column}" = '{text}' WHERE "{column}" IS NOT NULL AND rowid % {texts.Length} = {i}""");
            Assert.True(rows > 0, table);
        }

        await EveryPageOpensAsync(server);
    }

    [Fact]
    public async Task A_choice_that_cannot_be_read_is_shown_as_such_and_decides_nothing()
    {
        using var server = filled.Open();
        await RunAsync(server, """UPDATE "Choices" SET "Kept" = '{"model":'""");
        var otis = await DogAsync(server, "Otis");
        var kept = (await server.GetAsync($"{otis}/choices")).Json[0]!["kept"]!;
        Assert.Equal((true, "tun-55"), (kept["unreadable"]!.GetValue<bool>(), kept["model"]!.GetValue<string>()));
        Assert.Null((await server.GetAsync(otis))["choice"]);
        Assert.Equal("Choose a muzzle first", (await server.PostAsync($"{otis}/wearing/limit", new { }))["headline"]!.GetValue<string>());
        Assert.Contains("cannot be read", (await server.GetAsync($"{otis}/record")).Json.ToJsonString(), StringComparison.Ordinal);
    }

    private static async Task<int> RunAsync(PracticeServer server, string sql)
    {
        await using var db = new PracticeDb(
            new DbContextOptionsBuilder<PracticeDb>().UseSqlite($"Data Source={Path.Combine(server.Folder, "practice.db")}").Options
        );
        return await db.Database.ExecuteSqlRawAsync(sql.Replace("{", "{{").Replace("}", "}}"), TestContext.Current.CancellationToken);
    }

    private static async Task<string> DogAsync(PracticeServer server, string name) =>
        $"/api/dogs/{(await server.GetAsync("/api/round?count=99"))["cards"]!.AsArray().Single(c => c!["name"]!.GetValue<string>() == name)!["id"]}";

    private static async Task EveryPageOpensAsync(PracticeServer server)
    {
        var round = await server.GetAsync("/api/round?count=99");
        Assert.Equal(HttpStatusCode.OK, round.Status);
        string[] all =
        [
            "/api/training",
            "/api/catalogue",
            "/api/van",
            .. round["cards"]!.AsArray().SelectMany(c => Pages.Select(p => $"/api/dogs/{c!["id"]}{p}")),
        ];
        var statuses = await Task.WhenAll(all.Select(async page => (Page: page, (await server.GetAsync(page)).Status)));
        var failed = statuses.Where(s => (int)s.Status >= 500).Select(s => s.Page).ToList();
        Assert.True(failed.Count == 0, string.Join("\n", failed));
    }
}
