using System.Globalization;
using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;

namespace JauntyBadge.Server.Tests;

/// <summary>
/// Requests made up from the API document, so that a new address is tried by existing: whatever is sent, the answer is words, never a 500.
/// FUZZ_REQUESTS sets how many (see bench/fuzz), FUZZ_SEED which.
/// </summary>
public sealed partial class FuzzTests(PracticeServer server) : IClassFixture<PracticeServer>
{
    private const int Usual = 500;

    private static readonly string[] Numbers =
    [
        "0",
        "-0",
        "1",
        "-1",
        "7",
        "99",
        "1e999",
        "-1e999",
        "1e308",
        "-1e308",
        "1e-320",
        "1e300",
        "-1e300",
        "0.1",
        "2147483647",
        "-2147483648",
        "9223372036854775807",
        "98.5",
        "272",
        "1e5",
        "null",
        "\"5\"",
        "true",
    ];

    private static readonly string[] Texts =
    [
        "",
        " ",
        "95",
        "3 1/2 in",
        "10,0 cm",
        "0",
        "-5",
        "1e999",
        "٩٥",
        "½",
        "9/0",
        "\0",
        "Pip\0",
        "a\u001b[31mb",
        "\u0085",
        "\ud800",
        "withy-5",
        "walks",
        "pug",
        "2026-06-01",
        "2026-13-45",
        "0001-01-01",
        "9999-12-31T23:59:59Z",
        "Size,Length (in)\nS,3 1/4\n",
        "sep=|\na|b\n1|2\n",
        "measure;value\n\"neckGirth;4",
        "<svg onload=alert(1)>",
        "../../etc/passwd",
        "%00",
        "DROP TABLE Dogs",
        "null",
    ];

    private readonly Dictionary<string, string> known = [];
    private JsonObject schemas = [];
    private Random random = new(0);

    [Fact]
    public async Task No_request_makes_the_server_fail()
    {
        var seed = int.Parse(Environment.GetEnvironmentVariable("FUZZ_SEED") ?? "20261126", CultureInfo.InvariantCulture);
        var requests = int.Parse(Environment.GetEnvironmentVariable("FUZZ_REQUESTS") ?? $"{Usual}", CultureInfo.InvariantCulture);
        random = new Random(seed);
        var document = (await server.GetAsync("/api/openapi/v1.json")).Json;
        schemas = document["components"]!["schemas"]!.AsObject();
        await KnowAsync();
        var operations = document["paths"]!
            .AsObject()
            .SelectMany(p =>
                p.Value!.AsObject().Where(o => o.Key is "get" or "put" or "post" or "delete").Select(o => (Path: p.Key, Method: o.Key, Does: o.Value!))
            )
            .ToList();
        Assert.True(operations.Count > 80);
        for (var i = 0; i < requests; i++)
        {
            // Every address in turn.
            var (path, method, does) = operations[i % operations.Count];
            using var request = Request(path, method, does);
            var sent = request.Content is null ? "" : await request.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
            using var answer = await server.Http.SendAsync(request, HttpCompletionOption.ResponseHeadersRead, TestContext.Current.CancellationToken);
            Assert.True(
                (int)answer.StatusCode < 500,
                $"seed {seed}, request {i}: {method} {request.RequestUri} answered {(int)answer.StatusCode} to {sent[..Math.Min(600, sent.Length)]}"
            );
            // An address with a NUL in it never reaches us: Kestrel turns it away.
            if ((int)answer.StatusCode >= 400 && request.RequestUri?.AbsolutePath.Contains("%00", StringComparison.Ordinal) != true)
                Assert.True(
                    answer.Content.Headers.ContentType?.MediaType == "application/problem+json",
                    $"seed {seed}, request {i}: {method} {request.RequestUri} was refused with {(int)answer.StatusCode} and no problem details"
                );
            if (answer.StatusCode == HttpStatusCode.BadRequest)
            {
                var told = await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
                Assert.False(
                    LibraryWords().IsMatch(told),
                    $"seed {seed}, request {i}: {method} {request.RequestUri} was refused in words that say nothing of what would be accepted: {told}"
                );
            }

            if (answer.StatusCode == HttpStatusCode.NotFound && i % 50 == 0)
                await KnowAsync();
        }

        Assert.Equal(HttpStatusCode.OK, (await server.GetAsync("/api/round")).Status);
    }

    /// <summary>What the validating library says of a rule that was given no words, such as "'Air C' must not be empty."</summary>
    [GeneratedRegex(@"(\\u0027|')[A-Z][A-Za-z ]*(\\u0027|') must")]
    private static partial Regex LibraryWords();

    /// <summary>Ids of what is really there, so that requests get past the door.</summary>
    private async Task KnowAsync()
    {
        var dog = await server.MeasuredDogAsync();
        known["id"] = dog.Split('/')[^1];
        known["sessionId"] = (await server.PostAsync($"{dog}/sessions")).Text("id");
        known["setId"] = (await server.GetAsync($"{dog}/bench"))["set"]!["id"]!.GetValue<string>();
        known["readingId"] = (await server.GetAsync($"{dog}/bench"))["readings"]![0]!["id"]!.GetValue<string>();
        using var picture = new ByteArrayContent(await server.Http.GetByteArrayAsync("/api/demo-pictures/side"));
        using var form = new MultipartFormDataContent { { picture, "file", "p.jpg" } };
        using var sent = await server.Http.PostAsync($"{dog}/photos", form);
        known["photoId"] = JsonNode.Parse(await sent.Content.ReadAsStringAsync())!["id"]!.GetValue<string>();
        Know("choiceId", await server.PostAsync($"{dog}/choice", new { sizeId = "withy-5", note = "All the same." }));
        Know("inspectionId", await server.PostAsync($"{dog}/inspections", new { failed = Array.Empty<string>() }));
        Know("tryOnId", await server.PostAsync($"{dog}/try-ons", new { sizeId = "withy-5", answers = new { sight = true } }));
        (known["wearId"], known["appointmentId"]) = ($"{Guid.NewGuid()}", $"{Guid.NewGuid()}");
        await server.EditAsync(
            HttpMethod.Put,
            $"{dog}/wears/{known["wearId"]}",
            new
            {
                startedAt = server.Clock.GetUtcNow().AddHours(-1),
                endedAt = server.Clock.GetUtcNow(),
                occasion = "ordinary",
            },
            0
        );
        await server.EditAsync(HttpMethod.Put, $"{dog}/appointments/{known["appointmentId"]}", new { day = server.Today.AddDays(9), kind = "clinic" }, 0);
        (known["sizeId"], known["modelId"], known["breedId"], known["lineId"], known["version"], known["number"], known["view"]) = (
            "withy-5",
            "withy",
            "pug",
            "treats",
            "1",
            "1",
            "side"
        );
    }

    /// <summary>What was made, where it could be: by now a muzzle may have been put away.</summary>
    private void Know(string name, Answer made)
    {
        if (made["id"] is { } id)
            known[name] = id.GetValue<string>();
    }

    private HttpRequestMessage Request(string path, string method, JsonNode does)
    {
        var query = new List<string>();
        var (version, keyed) = ((string?)null, false);
        foreach (var parameter in does["parameters"]?.AsArray() ?? [])
        {
            var name = parameter!["name"]!.GetValue<string>();
            switch (parameter["in"]!.GetValue<string>())
            {
                case "path":
                    var value =
                        known.TryGetValue(name, out var there) && random.Next(8) > 0 ? there
                        : random.Next(2) == 0 ? Guid.NewGuid().ToString()
                        : Uri.EscapeDataString(Pick(Texts.Where(t => t.Trim() is not ("" or "../../etc/passwd")).ToArray()));
                    path = path.Replace($"{{{name}}}", value, StringComparison.Ordinal);
                    break;
                case "query" when random.Next(3) == 0:
                    var values =
                        (Resolved(parameter["schema"])["enum"] ?? Resolved(parameter["schema"]?["items"])["enum"])
                            ?.AsArray()
                            .Select(e => e?.ToString() ?? "")
                            .ToArray()
                        ?? [];
                    query.Add(
                        $"{name}={Uri.EscapeDataString(values.Length > 0 && random.Next(4) > 0 ? Pick(values) : random.Next(2) == 0 ? Pick(Texts) : Pick(Numbers))}"
                    );
                    break;
                case "header" when name == "Idempotency-Key":
                    keyed = true;
                    break;
                case "header" when name == "If-Match":
                    version = Pick(["\"0\"", "\"1\"", "*", "W/\"1\"", "nonsense", "\"99999999999999999999\""]);
                    break;
            }
        }

        // As a browser asks that is sent there by hand, as a page asks, as a program asks.
        var request = new HttpRequestMessage(new HttpMethod(method), path + (query.Count > 0 ? "?" + string.Join('&', query) : ""));
        if (random.Next(3) == 0)
            request.Headers.TryAddWithoutValidation("Accept", Pick(["text/html,application/xhtml+xml,*/*;q=0.8", "text/html", "image/png", "*/*", "nonsense"]));
        if (version is not null && random.Next(4) > 0)
            request.Headers.TryAddWithoutValidation("If-Match", version);
        if (keyed && random.Next(3) == 0)
            request.Headers.TryAddWithoutValidation("Idempotency-Key", Pick([$"{Guid.NewGuid()}", known["id"], "none", "\"\""]));
        if (does["requestBody"]?["content"]?["application/json"]?["schema"] is { } schema)
            request.Content = new StringContent(
                random.Next(20) == 0 ? Pick(["", "{", "null", "[]", "[[[[", "\"x\"", "7"]) : Made(schema, 0),
                Encoding.UTF8,
                "application/json"
            );
        else if (does["requestBody"]?["content"]?["multipart/form-data"] is not null)
            request.Content = new MultipartFormDataContent
            {
                { new ByteArrayContent([0xFF, 0xD8, 0xFF, 0xC2, 0, 1, (byte)random.Next(256)]), "file", "p.jpg" },
                { new StringContent(Pick(Texts)), "view" },
            };
        return request;
    }

    private JsonNode Resolved(JsonNode? schema)
    {
        var found = schema ?? new JsonObject();
        while (found["$ref"] is { } reference)
            found = schemas[reference.GetValue<string>().Split('/')[^1]]!;
        return found;
    }

    /// <summary>JSON of a schema's shape, mostly, with values that are mostly not what was meant.</summary>
    private string Made(JsonNode schema, int depth)
    {
        var shape = Resolved(schema);
        if (depth > 6 || random.Next(25) == 0)
            return Pick(["null", "{}", "[]", "0", "\"\""]);
        if (shape["oneOf"] is JsonArray choices)
            return Made(Pick(choices.Where(c => c!["type"]?.ToString() != "null").ToArray())!, depth);
        if (shape["enum"] is JsonArray values)
            return random.Next(6) == 0 ? "\"unicorn\"" : Pick(values.ToArray())?.ToJsonString() ?? "null";
        var type = shape["type"] is JsonArray types ? types.Select(t => t!.GetValue<string>()).First(t => t != "null") : shape["type"]?.GetValue<string>();
        return type switch
        {
            "object" => $"{{{string.Join(',', Members(shape, depth))}}}",
            "array" =>
                $"[{string.Join(',', Enumerable.Range(0, random.Next(4)).Select(_ => random.Next(5) == 0 ? "null" : Made(shape["items"] ?? new JsonObject(), depth + 1)))}]",
            "number" or "integer" => Pick(Numbers),
            "boolean" => Pick(["true", "false", "null", "1"]),
            _ => random.Next(3) == 0 && shape["format"]?.ToString() == "uuid"
                ? $"\"{Guid.NewGuid()}\""
                : JsonValue.Create(random.Next(40) == 0 ? new string('x', 5000) : Pick(Texts)).ToJsonString(),
        };
    }

    private IEnumerable<string> Members(JsonNode shape, int depth)
    {
        foreach (var (name, member) in shape["properties"]?.AsObject() ?? [])
        {
            if (random.Next(5) > 0)
                yield return $"\"{name}\":{Made(member!, depth + 1)}";
        }

        if (shape["additionalProperties"] is JsonObject any)
            yield return $"\"{Pick(["noseTip", "sight", "treats", "7", ""])}\":{Made(any, depth + 1)}";
    }

    private T Pick<T>(T[] of) => of[random.Next(of.Length)];
}
