using System.Data.Common;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.Json.Nodes;
using JauntyBadge.TestHost;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.Extensions.Time.Testing;

// One for all classes that neither turn its clock nor count what is there; the others take one of their own as a class fixture.
[assembly: AssemblyFixture(typeof(JauntyBadge.Server.Tests.PracticeServer))]

namespace JauntyBadge.Server.Tests;

/// <summary>The real server on a real port with a real SQLite file of its own; only the clock is ours.</summary>
public sealed class PracticeServer : IDisposable
{
    private readonly HostedPractice factory;
    private readonly Disk disk = new();

    public PracticeServer()
        : this(demo: false) { }

    internal PracticeServer(bool demo, string? folder = null, DateTimeOffset? now = null, bool simulated = true, bool nightly = false)
    {
        Clock = new FakeTimeProvider(now ?? new DateTimeOffset(2026, 6, 1, 9, 0, 0, TimeSpan.Zero));
        Folder = folder ?? Directory.CreateTempSubdirectory("jaunty-badge-").FullName;
        factory = new HostedPractice(Folder, demo, Clock, disk) { Simulated = simulated, Nightly = nightly };
        factory.Start();
        // A body that the server may refuse is not sent before it has answered, however long a busy machine takes.
        Http = new HttpClient(new SocketsHttpHandler { Expect100ContinueTimeout = TimeSpan.FromMinutes(1) })
        {
            BaseAddress = factory.ClientOptions.BaseAddress,
        };
    }

    public FakeTimeProvider Clock { get; }

    public string Folder { get; }

    public HttpClient Http { get; }

    public DateOnly Today => DateOnly.FromDateTime(Clock.GetUtcNow().DateTime);

    /// <summary>Sends a request and answers status and JSON. An edit that names no version is made of the newest one, as by somebody who looked first.</summary>
    public async Task<Answer> SendAsync(HttpMethod method, string path, object? body = null)
    {
        var answer = await EditAsync(method, path, body, null);
        if (answer.Status != HttpStatusCode.PreconditionRequired)
            return answer;
        var newest = (await EditAsync(method, path, body, -1))["version"]?.GetValue<long>();
        return await EditAsync(method, path, body, newest);
    }

    /// <summary>Sends an edit of a version.</summary>
    public async Task<Answer> EditAsync(HttpMethod method, string path, object? body, long? version)
    {
        using var request = new HttpRequestMessage(method, path);
        if (version is not null)
            request.Headers.TryAddWithoutValidation("If-Match", $"\"{version}\"");
        if (body is not null)
            request.Content = body is string raw ? new StringContent(raw, System.Text.Encoding.UTF8, "application/json") : JsonContent.Create(body);
        // So that the server can refuse a large body before it is sent.
        request.Headers.ExpectContinue = body is string { Length: > 500_000 };
        using var response = await Http.SendAsync(request);
        var text = await response.Content.ReadAsStringAsync();
        var json = text.StartsWith('{') || text.StartsWith('[') ? JsonNode.Parse(text)! : null;
        ApiDocument.Check(method, path, response.StatusCode, json);
        return new Answer(response.StatusCode, json ?? new JsonObject(), response.Content.Headers.ContentType?.MediaType);
    }

    public Task<Answer> GetAsync(string path) => SendAsync(HttpMethod.Get, path);

    public Task<Answer> PostAsync(string path, object? body = null) => SendAsync(HttpMethod.Post, path, body);

    public Task<Answer> PutAsync(string path, object? body = null) => SendAsync(HttpMethod.Put, path, body);

    /// <summary>Lets the practice's file grow no further, or grow again: SQLite then says that the disk is full.</summary>
    public void FillDisk(bool full) => disk.IsFull = full;

    /// <summary>A dog with a purpose; answers its address.</summary>
    public async Task<string> NewDogAsync(object? dog = null)
    {
        var made = await PostAsync(
            "/api/dogs",
            dog
                ?? new
                {
                    name = "Bracken",
                    breedIds = new[] { "labrador-retriever" },
                    bodyMassKg = 28,
                    purposes = new[] { "walks" },
                }
        );
        Assert.Equal(HttpStatusCode.Created, made.Status);
        return $"/api/dogs/{made["id"]}";
    }

    /// <summary>The same dog, measured well.</summary>
    public async Task<string> MeasuredDogAsync()
    {
        var dog = await NewDogAsync();
        (string Measure, string? Side, string Text)[] readings =
        [
            ("noseToInnerEye", "left", "98"),
            ("noseToInnerEye", "right", "10,0 cm"),
            ("snoutGirth", null, "272"),
            ("snoutHeight", null, "80"),
            ("snoutWidth", null, "73"),
            ("jawToNose", null, "5 7/8 in"),
            ("neckGirth", null, "430"),
        ];
        foreach (var (measure, side, text) in readings)
            Assert.Equal(
                HttpStatusCode.OK,
                (
                    await PostAsync(
                        $"{dog}/readings",
                        new
                        {
                            measure,
                            side,
                            text,
                        }
                    )
                ).Status
            );
        return dog;
    }

    public void Dispose()
    {
        Http.Dispose();
        factory.Dispose();
    }

    /// <summary>Sets the limit of pages on every connection: SQLite's own SQLITE_FULL, no more and no less.</summary>
    private sealed class Disk : DbConnectionInterceptor
    {
        public bool IsFull { get; set; }

        public override void ConnectionOpened(DbConnection connection, ConnectionEndEventData eventData) => Limit(connection);

        public override Task ConnectionOpenedAsync(DbConnection connection, ConnectionEndEventData eventData, CancellationToken cancellationToken = default)
        {
            Limit(connection);
            return Task.CompletedTask;
        }

        private void Limit(DbConnection connection)
        {
            using var command = connection.CreateCommand();
            command.CommandText = $"PRAGMA max_page_count = {(IsFull ? 1 : 1_000_000_000)}";
            command.ExecuteNonQuery();
        }
    }
}

/// <summary>A status with its JSON.</summary>
public sealed record Answer(HttpStatusCode Status, JsonNode Json, string? MediaType)
{
    public JsonNode? this[string name] => Json[name];

    /// <summary>The first message for a field of a problem.</summary>
    public string? Problem(string field) => Json["errors"]?[field]?[0]?.GetValue<string>();

    public double Number(string name) => Json[name]!.GetValue<JsonElement>().GetDouble();

    public string Text(string name) => Json[name]!.GetValue<string>();
}
