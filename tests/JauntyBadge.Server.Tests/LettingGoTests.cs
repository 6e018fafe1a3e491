using System.Data.Common;
using System.Net;
using System.Net.Http.Json;
using JauntyBadge.Data;
using JauntyBadge.TestHost;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
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

    /// <summary>The library's pool may hand one connection to two who ask at the same moment.</summary>
    [Fact]
    public async Task Connections_are_opened_one_at_a_time()
    {
        var cancel = TestContext.Current.CancellationToken;
        var together = new Together();
        await Task.WhenAll(
            Enumerable
                .Range(0, 8)
                .Select(i =>
                    Task.Run(
                        async () =>
                        {
                            await using var connection = new Slow(together);
                            await using var db = new PracticeDb(new DbContextOptionsBuilder<PracticeDb>().UseSqlite(connection).Options);
                            await (i % 2 == 0 ? db.Database.OpenConnectionAsync(cancel) : Task.Run(db.Database.OpenConnection, cancel));
                            Assert.Equal(System.Data.ConnectionState.Open, connection.State);
                        },
                        cancel
                    )
                )
        );
        Assert.Equal((8, 1), (together.Opened, together.Most));
    }

    /// <summary>How many were being opened at once.</summary>
    private sealed class Together
    {
        private readonly Lock count = new();
        private int now;

        public int Opened { get; private set; }

        public int Most { get; private set; }

        public void Enter()
        {
            lock (count)
                (Opened, Most) = (Opened + 1, Math.Max(Most, ++now));
        }

        public void Leave()
        {
            lock (count)
                now--;
        }
    }

    private sealed class Slow(Together together) : SqliteConnection("Data Source=:memory:")
    {
        public override void Open()
        {
            together.Enter();
            Thread.Sleep(30);
            base.Open();
            together.Leave();
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
