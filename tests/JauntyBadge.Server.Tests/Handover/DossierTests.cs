using System.IO.Compression;
using System.Net;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;
using JauntyBadge.Data.Handover.Dossiers;
using NJsonSchema;

namespace JauntyBadge.Server.Tests.Handover;

/// <summary>A practice with the demo's dogs, and nobody who turns its clock.</summary>
public sealed class DemoServer : IDisposable
{
    public PracticeServer Practice { get; } = new(demo: true);

    public void Dispose() => Practice.Dispose();

    public async Task<IReadOnlyList<(Guid Id, string Name)>> DogsAsync() =>
        [.. Round(await Practice.GetAsync("/api/round")).Select(d => (d["id"]!.GetValue<Guid>(), d["name"]!.ToString()))];

    private static IEnumerable<JsonObject> Round(Answer round) =>
        round.Json.AsObject().Select(p => p.Value).OfType<JsonArray>().SelectMany(a => a).OfType<JsonObject>().Where(d => d.ContainsKey("portrait"));
}

/// <summary>Whole dogs out and in: nothing is lost on the way, nothing is overwritten unasked, and what is no dossier is refused with its place.</summary>
public sealed class DossierTests(DemoServer demo) : IClassFixture<DemoServer>
{
    private const string Schema = "docs/formats/dossier-1.schema.json";
    private const string Example = "docs/formats/dossier-1.example.json";

    private readonly PracticeServer practice = demo.Practice;

    /// <summary>The published schema is what the product writes and reads. Where it is not, it is written anew: decide whether that is a new version.</summary>
    [Fact]
    public void The_published_schema_is_the_one_in_use()
    {
        var path = Path.Combine(Root, Schema);
        var before = File.Exists(path) ? File.ReadAllText(path) : "";
        if (before != DossierSchema.Text)
        {
            Directory.CreateDirectory(Path.GetDirectoryName(path)!);
            File.WriteAllText(path, DossierSchema.Text);
        }

        Assert.True(before == DossierSchema.Text, $"{Schema} was stale. It has been written anew: is what changed a new version of the format?");
    }

    /// <summary>Every demo dog by the published schema, read by NJsonSchema.</summary>
    [Fact]
    public async Task Every_demo_dog_is_by_the_schema()
    {
        var schema = await JsonSchema.FromJsonAsync(await File.ReadAllTextAsync(Path.Combine(Root, Schema)));
        var dogs = await demo.DogsAsync();
        Assert.True(dogs.Count >= 10);
        foreach (var (id, name) in dogs)
        {
            var (text, zip) = await DossierOfAsync(practice, id);
            var wrong = schema.Validate(text);
            Assert.True(wrong.Count == 0, $"{name}: {string.Join("; ", wrong.Take(3).Select(w => $"{w.Path} {w.Kind}"))}");
            Assert.Contains(zip.Keys, k => k == "README.txt");
        }
    }

    /// <summary>Out of a full practice, into an empty one, and out again: the same but for the time of export. Twice in, nothing is added.</summary>
    [Fact]
    public async Task Into_an_empty_practice_and_out_again_it_is_the_same()
    {
        using var other = new PracticeServer();
        var all = await practice.Http.GetByteArrayAsync("/api/dossiers.zip");
        var preview = await SendAsync(other, "/api/dossiers/preview", all);
        var (before, dogs) = (preview["dogs"]!.AsArray(), await demo.DogsAsync());
        Assert.True(before.Count >= dogs.Count);
        Assert.All(before, d => Assert.True(d!["bringsAnything"]!.GetValue<bool>() && !d["isHere"]!.GetValue<bool>()));
        Assert.Empty(await other.Http.GetFromRoundAsync());

        Assert.Equal(HttpStatusCode.OK, (await SendAsync(other, "/api/dossiers", all)).Status);
        foreach (var (id, name) in dogs)
        {
            var (mine, pictures) = await DossierOfAsync(practice, id);
            var (theirs, copied) = await DossierOfAsync(other, id);
            Assert.True(JsonNode.DeepEquals(Bare(mine), Bare(theirs)), $"{name} is not the same: {FirstDifference(Bare(mine), Bare(theirs))}");
            Assert.Equal(pictures.Keys.Order(), copied.Keys.Order());
            Assert.All(pictures.Where(p => p.Key.EndsWith(".jpg", StringComparison.Ordinal)), p => Assert.Equal(p.Value, copied[p.Key]));
            // What is said of it is the same too: its plan, its muzzle, how long it may be worn.
            Assert.Equal(
                (await practice.GetAsync($"/api/dogs/{id}/plan")).Json["steps"]!.ToJsonString(),
                (await other.GetAsync($"/api/dogs/{id}/plan")).Json["steps"]!.ToJsonString()
            );
            Assert.Equal(
                (await practice.GetAsync($"/api/dogs/{id}/progress")).Json.ToJsonString(),
                (await other.GetAsync($"/api/dogs/{id}/progress")).Json.ToJsonString()
            );
            Assert.Equal(
                (await practice.GetAsync($"/api/dogs/{id}/balance")).Json.ToJsonString(),
                (await other.GetAsync($"/api/dogs/{id}/balance")).Json.ToJsonString()
            );
        }

        var again = await SendAsync(other, "/api/dossiers", all);
        Assert.All(again["dogs"]!.AsArray(), d => Assert.False(d!["bringsAnything"]!.GetValue<bool>() || d["disagrees"]!.GetValue<bool>()));
        var (once, twice) = (await DossierOfAsync(other, dogs[0].Id), await DossierOfAsync(practice, dogs[0].Id));
        Assert.True(JsonNode.DeepEquals(Bare(once.Document), Bare(twice.Document)));
    }

    /// <summary>The published example is read, and comes out as it went in.</summary>
    [Fact]
    public async Task The_example_is_read()
    {
        var path = Path.Combine(Root, Example);
        Assert.True(File.Exists(path), $"{Example} is missing: take the dossier of a demo dog.");
        var text = await File.ReadAllTextAsync(path);
        using var other = new PracticeServer();
        var taken = await SendAsync(other, "/api/dossiers", Zip(("dossier.json", text)));
        Assert.Equal(HttpStatusCode.OK, taken.Status);
        var id = taken["dogs"]![0]!["id"]!.GetValue<Guid>();
        Assert.True(JsonNode.DeepEquals(Bare(text), Bare((await DossierOfAsync(other, id)).Document)));
    }

    /// <summary>A release that did not know of ears yet wrote a dossier without them.</summary>
    [Fact]
    public async Task What_may_be_nothing_may_be_left_out()
    {
        var document = JsonNode.Parse(await File.ReadAllTextAsync(Path.Combine(Root, Example)))!;
        foreach (var name in new[] { "earsSeen", "furSeen", "patternSeen", "notes" })
            Assert.True(((JsonObject)document["dog"]!).Remove(name));
        using var other = new PracticeServer();
        var taken = await SendAsync(other, "/api/dossiers", Zip(("dossier.json", document.ToJsonString())));
        Assert.Equal(HttpStatusCode.OK, taken.Status);
        ((JsonObject)document["dog"]!).Remove("name");
        Assert.Equal(HttpStatusCode.BadRequest, (await SendAsync(other, "/api/dossiers", Zip(("dossier.json", document.ToJsonString())))).Status);
    }

    /// <summary>What is no dossier is refused, and the place is named.</summary>
    [Theory]
    [InlineData("not-a-zip", "damaged, or no ZIP")]
    [InlineData("empty", "Choose a dossier")]
    [InlineData("foreign-zip", "There is no dossier.json in it")]
    [InlineData("foreign-json", "dossier.json, format")]
    [InlineData("broken-json", "dossier.json, line 2")]
    [InlineData("newer", "version: 2 was written by a newer release")]
    [InlineData("no-name", "dog.name: this member is missing")]
    [InlineData("extra", "dog.colour: this member is not known")]
    [InlineData("bad-term", "temperament: this is none of the words")]
    [InlineData("bad-step", "sessions[0].sets[0].stepId: no step has this id")]
    [InlineData("no-picture", "is missing from the file")]
    [InlineData("bad-picture", "is no JPEG picture")]
    [InlineData("bomb", "unfolds to more than")]
    [InlineData("forged-numbers", "not those the fingerprint stands for")]
    [InlineData("bad-breed", "is no breed of the list")]
    public async Task What_is_no_dossier_is_refused_and_the_place_named(string kind, string says)
    {
        var dog = (await demo.DogsAsync()).First(d => d.Name == (kind.EndsWith("picture", StringComparison.Ordinal) ? "Nettle" : "Fern"));
        var (text, parts) = await DossierOfAsync(practice, dog.Id);
        var document = JsonNode.Parse(text)!.AsObject();
        byte[] With(Action<JsonObject> change)
        {
            change(document);
            return Zip(("dossier.json", document.ToJsonString()));
        }

        var file = kind switch
        {
            "not-a-zip" => Encoding.UTF8.GetBytes("a letter to the editor"),
            "empty" => [],
            "foreign-zip" => Zip(("letter.txt", "hello")),
            "foreign-json" => Zip(("dossier.json", "{\"format\":\"something-else\"}")),
            "broken-json" => Zip(("dossier.json", "{\n\"format\": oops")),
            "newer" => With(d => d["version"] = 2),
            "no-name" => With(d => d["dog"]!.AsObject().Remove("name")),
            "extra" => With(d => d["dog"]!["colour"] = "red"),
            "bad-term" => With(d => d["dog"]!["temperament"] = "grumpy"),
            "bad-step" => With(d => d["sessions"]![0]!["sets"]![0]!["stepId"] = "of-tomorrow"),
            "bad-breed" => With(d => d["dog"]!["breedIds"] = new JsonArray("moon-hound")),
            "forged-numbers" => With(d =>
            {
                var book = d["numbers"]!.AsObject().First();
                book.Value!.AsObject()[book.Value.AsObject().First().Key] = 12345.0;
            }),
            "no-picture" => Zip(("dossier.json", text)),
            "bad-picture" => Zip([
                ("dossier.json", text),
                .. parts.Keys.Where(k => k.EndsWith(".jpg", StringComparison.Ordinal)).Select(k => (k, "no picture")),
            ]),
            _ => Bomb(),
        };
        foreach (var address in new[] { "/api/dossiers/preview", "/api/dossiers" })
        {
            var answer = await SendAsync(practice, address, file);
            Assert.Equal(HttpStatusCode.BadRequest, answer.Status);
            Assert.Contains(says, answer.Problem("file"), StringComparison.Ordinal);
        }
    }

    /// <summary>
    /// Handed to a colleague and back: trained and worn there, worn here meanwhile by whoever did not know. Both histories are kept, in the order of time, and who had it when is on
    /// record.
    /// </summary>
    [Fact]
    public async Task Handed_over_and_back_both_histories_are_kept()
    {
        using var home = new PracticeServer();
        using var away = new PracticeServer();
        await home.PutAsync("/api/own-practice", new { name = "Upstream", currency = "EUR" });
        await away.PutAsync("/api/own-practice", new { name = "Downstream", currency = "EUR" });
        var dog = await home.MeasuredDogAsync();
        var id = Guid.Parse(dog[^36..]);
        await WearAsync(home, id, "2026-05-20T10:00:00Z");
        Assert.Equal(HttpStatusCode.BadRequest, (await home.PostAsync($"{dog}/handed-over", new { to = " " })).Status);
        Assert.True((await home.PostAsync($"{dog}/handed-over", new { to = "Downstream", note = "Moves to the coast." }))["handedOver"]!.GetValue<bool>());
        Assert.Empty(await home.Http.GetFromRoundAsync());
        Assert.Equal(HttpStatusCode.Conflict, (await home.PostAsync($"{dog}/handed-over", new { to = "Downstream" })).Status);

        var out1 = await home.Http.GetByteArrayAsync($"{dog}/dossier.zip");
        Assert.Equal(HttpStatusCode.OK, (await SendAsync(away, "/api/dossiers", out1)).Status);
        Assert.Single(await away.Http.GetFromRoundAsync());
        await WearAsync(away, id, "2026-05-28T10:00:00Z");
        var sessions = await away.PostAsync($"/api/dogs/{id}/sessions");
        Assert.True(sessions.Status is HttpStatusCode.Created or HttpStatusCode.OK, sessions.Json.ToJsonString());
        Assert.Equal(HttpStatusCode.Conflict, (await away.PostAsync($"/api/dogs/{id}/handed-over", new { to = "Upstream" })).Status);
        var set = sessions["openSet"]!;
        var went = new
        {
            set = 1,
            stepId = set["stepId"]!.ToString(),
            target = set["target"]!.GetValue<int>(),
            success = true,
        };
        Assert.Equal(HttpStatusCode.OK, (await away.PutAsync($"/api/sessions/{sessions["id"]}/goes/{Guid.NewGuid()}", went)).Status);
        await away.PostAsync($"/api/sessions/{sessions["id"]}/end", new { });
        await away.PostAsync($"/api/dogs/{id}/handed-over", new { to = "Upstream" });
        await WearAsync(home, id, "2026-05-24T10:00:00Z");

        var back = await away.Http.GetByteArrayAsync($"/api/dogs/{id}/dossier.zip");
        var looked = (await SendAsync(home, "/api/dossiers/preview", back))["dogs"]![0]!;
        Assert.True(looked["comesBack"]!.GetValue<bool>());
        Assert.Equal(1, Count(looked, "sessions", "new"));
        Assert.Equal(1, Count(looked, "wears", "new"));
        Assert.Equal(HttpStatusCode.OK, (await SendAsync(home, "/api/dossiers", back)).Status);

        var days = (await home.GetAsync($"{dog}/wears")).Json.AsArray().Select(w => w!["startedAt"]!.ToString()[..10]).ToList();
        Assert.Equal(["2026-05-28", "2026-05-24", "2026-05-20"], days);
        Assert.Single((await home.GetAsync($"{dog}/sessions")).Json.AsArray());
        Assert.Single(await home.Http.GetFromRoundAsync());
        var handovers = (await home.GetAsync($"{dog}/handovers")).Json.AsArray().Select(h => $"{h!["kind"]} {h["from"]} {h["to"]}").ToList();
        Assert.Equal(["takenBack Upstream Upstream", "handedOver Downstream Upstream", "handedOver Upstream Downstream"], handovers);
        // And the same file once more is no news.
        Assert.False((await SendAsync(home, "/api/dossiers/preview", back))["dogs"]![0]!["bringsAnything"]!.GetValue<bool>());
    }

    /// <summary>A file that says something else of the dog: ours stays until somebody says theirs.</summary>
    [Fact]
    public async Task Nothing_is_overwritten_silently()
    {
        using var here = new PracticeServer();
        var dog = await here.MeasuredDogAsync();
        var id = Guid.Parse(dog[^36..]);
        var (text, _) = await DossierOfAsync(here, id);
        var changed = JsonNode.Parse(text)!.AsObject();
        changed["dog"]!["bodyMassKg"] = 31.5;
        var file = Zip(("dossier.json", changed.ToJsonString()));
        var preview = (await SendAsync(here, "/api/dossiers/preview", file))["dogs"]![0]!;
        Assert.True(preview["disagrees"]!.GetValue<bool>());
        Assert.Equal(
            ("bodyMassKg", "28", "31.5"),
            (preview["differs"]![0]!["field"]!.ToString(), preview["differs"]![0]!["here"]!.ToString(), preview["differs"]![0]!["inFile"]!.ToString())
        );
        await SendAsync(here, "/api/dossiers", file);
        Assert.Equal(28, (await here.GetAsync(dog))["dog"]!["bodyMassKg"]!.GetValue<double>());
        await SendAsync(here, "/api/dossiers?differing=theirs", file);
        Assert.Equal(31.5, (await here.GetAsync(dog))["dog"]!["bodyMassKg"]!.GetValue<double>());
        Assert.Equal(HttpStatusCode.OK, (await here.GetAsync($"{dog}/bench")).Status);
    }

    private static string Root
    {
        get
        {
            var at = new DirectoryInfo(AppContext.BaseDirectory);
            while (!File.Exists(Path.Combine(at!.FullName, "JauntyBadge.slnx")))
                at = at.Parent;
            return at.FullName;
        }
    }

    private static int Count(JsonNode dog, string section, string what) =>
        dog["counts"]!.AsArray().Single(c => c!["section"]!.ToString() == section)![what]!.GetValue<int>();

    private static async Task WearAsync(PracticeServer server, Guid dog, string at)
    {
        var end = DateTimeOffset.Parse(at, System.Globalization.CultureInfo.InvariantCulture).AddMinutes(10);
        var put = await server.EditAsync(
            HttpMethod.Put,
            $"/api/dogs/{dog}/wears/{Guid.NewGuid()}",
            new
            {
                startedAt = at,
                endedAt = end,
                occasion = "fun",
            },
            0
        );
        Assert.Equal(HttpStatusCode.OK, put.Status);
    }

    private static async Task<Answer> SendAsync(PracticeServer server, string path, byte[] file)
    {
        using var content = new ByteArrayContent(file);
        content.Headers.ContentType = new MediaTypeHeaderValue("application/zip");
        using var response = await server.Http.PostAsync(path, content);
        return new Answer(response.StatusCode, JsonNode.Parse(await response.Content.ReadAsStringAsync())!, null);
    }

    private static async Task<(string Document, Dictionary<string, byte[]> Parts)> DossierOfAsync(PracticeServer server, Guid id)
    {
        using var zip = new ZipArchive(new MemoryStream(await server.Http.GetByteArrayAsync($"/api/dogs/{id}/dossier.zip")));
        var parts = new Dictionary<string, byte[]>();
        foreach (var entry in zip.Entries)
        {
            using var part = new MemoryStream();
            await using var from = entry.Open();
            await from.CopyToAsync(part);
            parts[entry.FullName] = part.ToArray();
        }

        return (Encoding.UTF8.GetString(parts["dossier.json"]), parts);
    }

    private static JsonObject Bare(string text)
    {
        var document = JsonNode.Parse(text)!.AsObject();
        document.Remove("exportedAt");
        return document;
    }

    private static string? FirstDifference(JsonNode? a, JsonNode? b, string at = "")
    {
        if (JsonNode.DeepEquals(a, b))
            return null;
        if (a is JsonObject left && b is JsonObject right)
            return left.Select(l => l.Key)
                .Union(right.Select(r => r.Key))
                .Select(k => FirstDifference(left[k], right[k], $"{at}.{k}"))
                .FirstOrDefault(d => d is not null);
        if (a is JsonArray one && b is JsonArray two)
            return one.Count != two.Count
                ? $"{at}: {one.Count} and {two.Count}"
                : one.Zip(two).Select((p, i) => FirstDifference(p.First, p.Second, $"{at}[{i}]")).FirstOrDefault(d => d is not null);
        return $"{at}: {a?.ToJsonString()} and {b?.ToJsonString()}";
    }

    private static byte[] Zip(params (string Name, string Text)[] parts)
    {
        using var bytes = new MemoryStream();
        using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true))
            foreach (var (name, text) in parts)
            {
                using var to = new StreamWriter(zip.CreateEntry(name).Open());
                to.Write(text);
            }

        return bytes.ToArray();
    }

    /// <summary>A hundred megabytes of spaces in a hundred kilobytes.</summary>
    private static byte[] Bomb()
    {
        using var bytes = new MemoryStream();
        using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true))
        {
            using var to = zip.CreateEntry("dossier.json", CompressionLevel.SmallestSize).Open();
            var block = Encoding.ASCII.GetBytes(new string(' ', 1 << 20));
            for (var i = 0; i < 100; i++)
                to.Write(block);
        }

        Assert.True(bytes.Length < 1 << 20);
        return bytes.ToArray();
    }
}

internal static class RoundReader
{
    /// <summary>The dogs on the round.</summary>
    public static async Task<IReadOnlyList<JsonObject>> GetFromRoundAsync(this HttpClient http)
    {
        var round = JsonNode.Parse(await http.GetStringAsync("/api/round"))!.AsObject();
        return [.. round.Select(p => p.Value).OfType<JsonArray>().SelectMany(a => a).OfType<JsonObject>().Where(d => d.ContainsKey("portrait"))];
    }
}
