using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using JauntyBadge.Server.Tests.Conditioning;
using Microsoft.Data.Sqlite;

namespace JauntyBadge.Server.Tests;

public sealed class DurabilityTests
{
    [Fact]
    public async Task Everything_is_found_again_after_a_restart()
    {
        string dog,
            folder;
        using (var first = new PracticeServer())
        {
            folder = first.Folder;
            dog = await first.MeasuredDogAsync();
            await first.PostAsync($"{dog}/choice", new { sizeId = "withy-5" });
            var session = await first.PostAsync($"{dog}/sessions");
            await first.PutAsync($"/api/sessions/{session["id"]}/goes/{Guid.NewGuid()}", SessionTests.Go(session["openSet"]!));
        }

        using var second = new PracticeServer(demo: false, folder);
        var card = await second.GetAsync(dog);
        Assert.Equal("withy-5", card["choice"]!["sizeId"]!.GetValue<string>());
        Assert.Equal(7, (await second.GetAsync($"{dog}/bench"))["readings"]!.AsArray().Count);
        Assert.Single((await second.GetAsync($"/api/sessions/{card["openSessionId"]}"))["openSet"]!["goes"]!.AsArray());
    }

    [Fact]
    public void The_database_writes_ahead()
    {
        using var server = new PracticeServer();
        using var connection = new SqliteConnection($"Data Source={Path.Combine(server.Folder, "practice.db")}");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = "PRAGMA journal_mode";
        Assert.Equal("wal", command.ExecuteScalar());
    }

    /// <summary>A real process, killed without warning in mid-session, loses no go it has confirmed.</summary>
    [Fact]
    public async Task A_killed_server_loses_no_saved_go()
    {
        var folder = Directory.CreateTempSubdirectory("jaunty-badge-kill-").FullName;
        string session;
        var saved = new List<string>();
        using (var server = await RealServer.StartAsync(folder))
        {
            var made = await server.Http.PostAsJsonAsync("/api/dogs", new { name = "Bracken" });
            var dog = (await made.Content.ReadFromJsonAsync<JsonNode>())!["id"];
            var started = await server.Http.PostAsync($"/api/dogs/{dog}/sessions", null);
            var begun = (await started.Content.ReadFromJsonAsync<JsonNode>())!;
            session = $"/api/sessions/{begun["id"]}";
            for (var i = 0; i < 7; i++)
            {
                var go = Guid.NewGuid().ToString();
                Assert.Equal(HttpStatusCode.OK, (await server.Http.PutAsJsonAsync($"{session}/goes/{go}", SessionTests.Go(begun["openSet"]!))).StatusCode);
                saved.Add(go);
            }

            server.Kill();
        }

        using var again = await RealServer.StartAsync(folder);
        var found = await again.Http.GetFromJsonAsync<JsonNode>(session);
        Assert.Equal(saved, found!["openSet"]!["goes"]!.AsArray().Select(g => g!["id"]!.GetValue<string>()));
        again.Kill();
    }
}
