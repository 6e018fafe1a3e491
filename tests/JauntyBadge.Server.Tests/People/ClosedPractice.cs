using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.People;
using JauntyBadge.TestHost;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Time.Testing;

namespace JauntyBadge.Server.Tests.People;

/// <summary>A practice reached from elsewhere, behind a proxy: whoever asks signs in.</summary>
public sealed class ClosedPractice : IDisposable
{
    public const string Host = "van.example";
    public const string Password = "a heron on the weir";

    private readonly HostedPractice factory;

    public ClosedPractice()
        : this(demo: true) { }

    internal ClosedPractice(bool demo, string? folder = null, DateTimeOffset? now = null)
    {
        Clock = new FakeTimeProvider(now ?? new DateTimeOffset(2026, 6, 1, 9, 0, 0, TimeSpan.Zero));
        Folder = folder ?? Directory.CreateTempSubdirectory("jaunty-badge-").FullName;
        factory = new HostedPractice(Folder, demo, Clock) { PublicUrl = $"https://{Host}" };
        factory.Start();
    }

    public FakeTimeProvider Clock { get; }

    public string Folder { get; }

    /// <summary>Somebody with a browser of their own, not signed in yet.</summary>
    public Visitor Visit(string from = "198.51.100.7") => new(factory.ClientOptions.BaseAddress, from);

    /// <summary>Adds somebody with a password.</summary>
    public async Task AddAsync(string name, PersonKind kind)
    {
        await using var db = Open();
        var person = new PersonRow
        {
            Id = Guid.NewGuid(),
            UserName = name,
            NormalizedUserName = name.ToUpperInvariant(),
            Kind = kind,
            CreatedAt = Clock.GetUtcNow().UtcDateTime,
            SecurityStamp = "first",
        };
        person.PasswordHash = new PasswordHasher<PersonRow>().HashPassword(person, Password);
        db.People.Add(person);
        await db.SaveChangesAsync();
    }

    /// <summary>Somebody who is there, or added, signed in by password.</summary>
    public async Task<Visitor> SignInAsync(string name, PersonKind kind)
    {
        await AddAsync(name, kind);
        var visitor = Visit();
        Assert.Equal(HttpStatusCode.OK, (await visitor.PostAsync("/api/sign-in", new { name, password = Password })).Status);
        return visitor;
    }

    /// <summary>A phone that was given a dog.</summary>
    public async Task<Visitor> PairAsync(Visitor fitter, string dog, string kind, string device = "a phone")
    {
        var offered = await fitter.PostAsync($"/api/dogs/{dog}/pairings", new { kind });
        Assert.Equal(HttpStatusCode.OK, offered.Status);
        var phone = Visit("203.0.113.9");
        Assert.Equal(HttpStatusCode.OK, (await phone.PostAsync("/api/pair", new { code = offered.Text("code"), device })).Status);
        return phone;
    }

    internal PracticeDb Open() => new(new DbContextOptionsBuilder<PracticeDb>().UseSqlite(PracticeFolder.ConnectionTo(Folder)).Options);

    public void Dispose() => factory.Dispose();
}

/// <summary>A browser behind the proxy: it keeps its cookie, which goes by TLS only.</summary>
public sealed class Visitor(Uri address, string from)
{
    private static readonly HttpClient Http = new(new SocketsHttpHandler { UseCookies = false });
    private readonly Dictionary<string, string> cookies = [];

    /// <summary>Everything the last answer said of cookies.</summary>
    public IReadOnlyList<string> SetCookies { get; private set; } = [];

    public HttpResponseMessage? Last { get; private set; }

    public void Forget() => cookies.Clear();

    /// <summary>The same cookies in another browser.</summary>
    public Visitor Copy() => Into(new Visitor(address, from));

    /// <summary>The same browser at a practice started anew.</summary>
    public Visitor CopyTo(ClosedPractice practice) => Into(practice.Visit(from));

    private Visitor Into(Visitor copy)
    {
        foreach (var (name, value) in cookies)
            copy.cookies[name] = value;
        return copy;
    }

    public Task<Answer> GetAsync(string path, string? tag = null) => SendAsync(HttpMethod.Get, path, null, tag);

    public Task<Answer> PostAsync(string path, object? body = null) => SendAsync(HttpMethod.Post, path, body);

    public Task<Answer> PutAsync(string path, object? body = null) => SendAsync(HttpMethod.Put, path, body);

    public Task<Answer> EditAsync(HttpMethod method, string path, object? body, long version) => SendAsync(method, path, body, version: version);

    public Task<Answer> DeleteAsync(string path) => SendAsync(HttpMethod.Delete, path);

    public async Task<Answer> SendAsync(
        HttpMethod method,
        string path,
        object? body = null,
        string? tag = null,
        string? origin = null,
        bool checks = true,
        long? version = null
    )
    {
        using var request = new HttpRequestMessage(method, new Uri(address, path));
        request.Headers.Host = address.Authority;
        request.Headers.TryAddWithoutValidation("X-Forwarded-Host", ClosedPractice.Host);
        request.Headers.TryAddWithoutValidation("X-Forwarded-Proto", "https");
        request.Headers.TryAddWithoutValidation("X-Forwarded-For", from);
        if (cookies.Count > 0)
            request.Headers.TryAddWithoutValidation("Cookie", string.Join("; ", cookies.Select(c => $"{c.Key}={c.Value}")));
        if (tag is not null)
            request.Headers.TryAddWithoutValidation("If-None-Match", tag);
        if (origin is not null)
            request.Headers.TryAddWithoutValidation("Origin", origin);
        if (version is not null || method == HttpMethod.Put)
            request.Headers.TryAddWithoutValidation("If-Match", $"\"{version ?? 0}\"");
        if (body is not null)
            request.Content =
                body is "multipart/form-data" ? new MultipartFormDataContent { { new ByteArrayContent([1, 2, 3]), "file", "p.jpg" } }
                : body is "application/json" or "" ? new StringContent("[]", System.Text.Encoding.UTF8, "application/json")
                : body is string type && type.StartsWith("application/", StringComparison.Ordinal)
                    ? new ByteArrayContent([1, 2, 3]) { Headers = { ContentType = new(type) } }
                : body is string raw ? new StringContent(raw, System.Text.Encoding.UTF8, "application/json")
                : JsonContent.Create(body);
        Last = await Http.SendAsync(request, HttpCompletionOption.ResponseHeadersRead);
        SetCookies = Last.Headers.TryGetValues("Set-Cookie", out var set) ? [.. set] : [];
        foreach (var cookie in SetCookies)
        {
            var (name, value) = (cookie.Split('=')[0], cookie.Split('=', 2)[1].Split(';')[0]);
            if (value == "")
                cookies.Remove(name);
            else
                cookies[name] = value;
        }

        // News of a device have no end.
        if (Last.Content.Headers.ContentType?.MediaType == "text/event-stream")
        {
            Last.Dispose();
            return new Answer(Last.StatusCode, new JsonObject(), "text/event-stream");
        }

        var text = await Last.Content.ReadAsStringAsync();
        var json = text.StartsWith('{') || text.StartsWith('[') ? JsonNode.Parse(text)! : null;
        if (checks)
            ApiDocument.Check(method, path, Last.StatusCode, json);
        return new Answer(Last.StatusCode, json ?? new JsonObject(), Last.Content.Headers.ContentType?.MediaType);
    }
}
