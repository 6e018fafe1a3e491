using System.Collections.Concurrent;
using System.Net;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Json.Schema;

namespace JauntyBadge.Server.Tests;

/// <summary>
/// The published document of the API, by which every answer that a test gets is checked: no member that it does not name, none missing, none of another
/// type. So the tests may read answers as a program from outside would, by name.
/// </summary>
internal static partial class ApiDocument
{
    /// <summary>So many answers of one address and status are looked at; the rest are alike.</summary>
    private const int Enough = 5;

    private static readonly Uri Here = new("https://api.invalid/");
    private static readonly Dictionary<string, (Regex Path, Dictionary<string, int> Answers)[]> Operations = [];
    private static readonly ConcurrentDictionary<int, int> Seen = new();
    private static readonly EvaluationOptions Options = new() { OutputFormat = OutputFormat.List };

    static ApiDocument()
    {
        var json = File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "jaunty-badge.json"))
            .Replace("#/components/schemas/", "#/$defs/", StringComparison.Ordinal);
        var document = JsonNode.Parse(json)!;
        var schemas = document["components"]!["schemas"]!.DeepClone().AsObject();
        foreach (var (name, schema) in schemas)
            if (name != "ProblemDetails" && schema is JsonObject { Count: > 0 } told && told["properties"] is not null && told["additionalProperties"] is null)
                told["additionalProperties"] = false;
        var operations =
            from path in document["paths"]!.AsObject()
            from operation in path.Value!.AsObject()
            select (Method: operation.Key.ToUpperInvariant(), Path: path.Key, Answers: operation.Value!["responses"]!.AsObject());
        foreach (var of in operations.GroupBy(o => o.Method))
            Operations[of.Key] = [.. of.Select(o => (Pattern(o.Path), o.Answers.ToDictionary(a => a.Key, a => Add(a.Value!["content"]))))];
        SchemaRegistry.Global.Register(Here, JsonSchema.FromText(new JsonObject { ["$id"] = Here.ToString(), ["$defs"] = schemas }.ToJsonString()));

        int Add(JsonNode? content)
        {
            var schema = content?.AsObject().FirstOrDefault(c => c.Key.EndsWith("json", StringComparison.Ordinal)).Value?["schema"];
            if (schema is null)
                return -1;
            schemas[$"answer{schemas.Count}"] = schema.DeepClone();
            return schemas.Count - 1;
        }
    }

    /// <summary>Fails where an answer is not what the document says. A refusal may be of any address; what was done must be named.</summary>
    public static void Check(HttpMethod method, string path, HttpStatusCode status, JsonNode? answer)
    {
        var bare = path.Split('?')[0].TrimEnd('/');
        if (!Operations.TryGetValue(method.Method, out var known) || known.FirstOrDefault(o => o.Path.IsMatch(bare)).Answers is not { } answers)
            return;
        var isDone = (int)status is >= 200 and < 300;
        if (!answers.TryGetValue($"{(int)status}", out var schema))
        {
            Assert.False(isDone, $"{method} {bare} answered {(int)status}, which the API document does not name.");
            return;
        }

        if (schema < 0 || answer is null || Seen.AddOrUpdate(schema, 1, (_, n) => n + 1) > Enough)
            return;
        var result = new JsonSchemaBuilder().Ref(new Uri(Here, $"#/$defs/answer{schema}")).Build().Evaluate(answer, Options);
        var wrong = result.Details.Where(d => d.Errors is { Count: > 0 }).SelectMany(d => d.Errors!.Select(e => $"{d.InstanceLocation}: {e.Value}"));
        Assert.True(result.IsValid, $"{method} {bare} answered what the API document does not say:\n{string.Join("\n", wrong.Take(20))}");
    }

    private static Regex Pattern(string path) => new($"^{Placeholder().Replace(path, "[^/]+").TrimEnd('/')}$");

    [GeneratedRegex(@"\{[^}]+\}")]
    private static partial Regex Placeholder();
}
