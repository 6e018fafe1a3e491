using System.Data.Common;
using System.Net;
using System.Net.Http.Json;
using JauntyBadge.TestHost;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace JauntyBadge.Server.Tests;

/// <summary>SQLite takes the file beside the practice away when nobody has the practice open any more. That is not the practice being taken away.</summary>
public sealed class LettingGoTests
{
    [Fact]
    public async Task A_write_is_no_loss_though_all_connections_are_let_go_of_as_it_ends()
    {
        var cancel = TestContext.Current.CancellationToken;
        var folder = Directory.CreateTempSubdirectory("jaunty-badge-").FullName;
        await using var practice = new HostedPractice(folder, demo: false, TimeProvider.System, new AlwaysLetsGo());
        practice.Start();
        using var http = new HttpClient { BaseAddress = practice.ClientOptions.BaseAddress };
        for (var i = 0; i < 3; i++)
        {
            var made = await http.PostAsJsonAsync("/api/dogs", new { name = $"Pip {i}" }, cancel);
            Assert.Equal(HttpStatusCode.Created, made.StatusCode);
        }
    }

    /// <summary>As a clock or another practice of the same process may do it at any moment.</summary>
    private sealed class AlwaysLetsGo : DbConnectionInterceptor
    {
        public override void ConnectionClosed(DbConnection connection, ConnectionEndEventData eventData) =>
            SqliteConnection.ClearPool((SqliteConnection)connection);

        public override Task ConnectionClosedAsync(DbConnection connection, ConnectionEndEventData eventData)
        {
            SqliteConnection.ClearPool((SqliteConnection)connection);
            return Task.CompletedTask;
        }
    }
}
