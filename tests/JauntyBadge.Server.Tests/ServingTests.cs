using System.Net;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;

namespace JauntyBadge.Server.Tests;

public sealed class ServingTests(PracticeServer server)
{
    [Theory]
    [InlineData("/api/round")]
    [InlineData("/api/nothing")]
    public async Task The_browser_is_told_to_stay_on_this_machine(string path)
    {
        using var response = await server.Http.GetAsync(path);
        var policy = response.Headers.GetValues("Content-Security-Policy").Single();
        Assert.Contains("default-src 'self'", policy, StringComparison.Ordinal);
        Assert.DoesNotContain("http", policy, StringComparison.Ordinal);
        Assert.Equal("nosniff", response.Headers.GetValues("X-Content-Type-Options").Single());
    }

    [Fact]
    public async Task The_document_names_every_what_if_and_has_a_summary_on_every_operation()
    {
        var document = await server.GetAsync("/api/openapi/v1.json");
        var paths = document["paths"]!.AsObject();
        Assert.All(["reading", "strap", "fit"], w => Assert.True(paths.ContainsKey($"/api/what-if/{w}")));
        foreach (var (path, operations) in paths)
        {
            foreach (var (method, operation) in operations!.AsObject().Where(o => o.Key is "get" or "post" or "put" or "delete"))
                Assert.False(string.IsNullOrEmpty(operation!["summary"]?.GetValue<string>()), $"{method} {path}");
        }
    }

    [Fact]
    public async Task The_document_served_is_the_one_committed()
    {
        var served = await server.GetAsync("/api/openapi/v1.json");
        var committed = JsonNode.Parse(await File.ReadAllTextAsync(Path.Combine(Root(), "docs", "api", "jaunty-badge.json")));
        Assert.True(JsonNode.DeepEquals(Paths(committed!), Paths(served.Json)), "docs/api/jaunty-badge.json is stale: build the server and commit it.");
        static JsonNode Paths(JsonNode document) => document["paths"]!;
    }

    [Fact]
    public async Task A_wrong_method_and_a_wrong_kind_of_body_are_clear()
    {
        Assert.Equal(HttpStatusCode.MethodNotAllowed, (await server.SendAsync(HttpMethod.Delete, "/api/round")).Status);
        using var form = new FormUrlEncodedContent([new("text", "95")]);
        using var response = await server.Http.PostAsync("/api/what-if/reading", form);
        Assert.Equal(HttpStatusCode.UnsupportedMediaType, response.StatusCode);
    }

    [Fact]
    public async Task A_practice_that_is_not_a_demo_starts_empty()
    {
        using var empty = new PracticeServer();
        Assert.Equal(0, (await empty.GetAsync("/api/round")).Number("all"));
    }

    [Fact]
    public void Every_commit_is_synchronised_to_disk_or_to_the_log()
    {
        using var connection = new SqliteConnection($"Data Source={Path.Combine(server.Folder, "practice.db")}");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = "PRAGMA synchronous";
        Assert.True((long)command.ExecuteScalar()! >= 1);
    }

    private static string Root()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder!.FullName, "JauntyBadge.slnx")))
            folder = folder.Parent;
        return folder.FullName;
    }
}
