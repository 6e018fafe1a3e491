using System.Diagnostics;
using System.Text.Json;
using System.Text.RegularExpressions;
using JauntyBadge.Data;
using JauntyBadge.Server.Start;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Shared;

/// <summary>Answers every failure with RFC 9457 problem details that name the field where there is one.</summary>
internal sealed partial class ProblemHandler(IProblemDetailsService problems, IConfiguration settings, ILogger<ProblemHandler> log) : IExceptionHandler
{
    [GeneratedRegex("Failed to bind parameter \"(?<type>\\S+) (?<name>\\w+)\"")]
    private static partial Regex UnboundParameter();

    /// <summary>When to try again after a 503 (House).</summary>
    private const int RetryAfterSeconds = 2;

    /// <summary>Answers a failure in words: what the caller can mend, what the disk or another program does, and what is our own fault.</summary>
    public ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        var refusal = exception switch
        {
            Refusal known => known,
            BadHttpRequestException { InnerException: JsonException json } => NotReadable(
                json,
                httpContext.Features.Get<IExceptionHandlerFeature>()?.Endpoint?.Metadata.GetMetadata<IAcceptsMetadata>()?.RequestType
            ),
            BadHttpRequestException { StatusCode: StatusCodes.Status413PayloadTooLarge } => new Refusal(
                StatusCodes.Status413PayloadTooLarge,
                "Too large",
                TooLarge.Words(httpContext, TooLarge.Usual)
            ),
            BadHttpRequestException bad => NotUsable(bad),
            DbUpdateConcurrencyException => Refusal.Conflict(
                "It was changed by someone else in the meantime. Load it again; what you typed is still on your screen."
            ),
            OperationCanceledException when httpContext.RequestAborted.IsCancellationRequested => new Refusal(
                StatusCodes.Status499ClientClosedRequest,
                "Gone",
                "The page that asked is gone."
            ),
            _ when SqliteWords.Of(exception) is { } trouble => Troubled(trouble),
            _ => new Refusal(
                StatusCodes.Status500InternalServerError,
                "That went wrong",
                "Something in Jaunty Badge failed. What was saved before is still there; the note below finds it in the log."
            ),
        };
        var trace = Activity.Current?.Id ?? httpContext.TraceIdentifier;
        if (refusal.Status >= StatusCodes.Status500InternalServerError)
            log.LogError(
                exception,
                "{Method} {Path} answered {Status}, trace {Trace}",
                httpContext.Request.Method,
                httpContext.Request.Path,
                refusal.Status,
                trace
            );
        if (refusal.Status == StatusCodes.Status503ServiceUnavailable)
            httpContext.Response.Headers.RetryAfter = RetryAfterSeconds.ToString(System.Globalization.CultureInfo.InvariantCulture);

        var details = refusal.Errors.Count > 0 ? new HttpValidationProblemDetails(refusal.Errors.ToDictionary()) : new ProblemDetails();
        (details.Status, details.Title, details.Detail) = (refusal.Status, refusal.Title, refusal.Message);
        foreach (var (name, value) in refusal.Extensions)
            details.Extensions[name] = value;
        if (refusal.Current is { } current)
            details.Extensions["current"] = current;
        httpContext.Response.StatusCode = refusal.Status;
        return WriteAsync(problems, httpContext, details);
    }

    /// <summary>Answers a status that has no body yet.</summary>
    public static async Task TellAsync(StatusCodeContext context) =>
        await WriteAsync(
            context.HttpContext.RequestServices.GetRequiredService<IProblemDetailsService>(),
            context.HttpContext,
            new ProblemDetails { Status = context.HttpContext.Response.StatusCode }
        );

    /// <summary>A problem is told to whoever asked, whatever they said they would read: the framework's writer says nothing to a browser that is sent here by hand.</summary>
    private static ValueTask<bool> WriteAsync(IProblemDetailsService problems, HttpContext http, ProblemDetails details)
    {
        http.Request.Headers.Accept = "application/problem+json";
        return problems.TryWriteAsync(new ProblemDetailsContext { HttpContext = http, ProblemDetails = details });
    }

    /// <summary>Reads go on; nothing of what was refused is half written.</summary>
    private Refusal Troubled(SqliteWords.Trouble trouble) =>
        trouble == SqliteWords.Trouble.Full
            ? new Refusal(
                StatusCodes.Status507InsufficientStorage,
                "The disk is full",
                "Nothing of this was saved: the disk that holds the practice is full. Make room on it; what is on your screen can then be saved."
            )
            : Refusal.Later($"Nothing of this was saved. {SqliteWords.Say(trouble, PracticeFolder.DatabaseIn(Path.GetFullPath(Practice.FolderOf(settings))))}");

    private static Refusal NotReadable(JsonException json, Type? body)
    {
        var field = (json.Path ?? "$").TrimStart('$').TrimStart('.');
        return field == ""
            ? new Refusal(StatusCodes.Status400BadRequest, "Not readable", "The request is not JSON of the expected shape.")
            : Refusal.Field(field, $"{field} cannot be read; {Expected(TypeAt(body, field))}.");
    }

    private static Refusal NotUsable(BadHttpRequestException bad)
    {
        var unbound = UnboundParameter().Match(bad.Message);
        if (!unbound.Success)
            return new Refusal(bad.StatusCode, "Not usable", Said(bad.StatusCode));
        var name = JsonNamingPolicy.CamelCase.ConvertName(unbound.Groups["name"].Value);
        var expected = unbound.Groups["type"].Value.StartsWith("int", StringComparison.Ordinal) ? "a whole number" : "another kind of value";
        return Refusal.Field(name, $"{name} cannot be read; {expected} is expected.");
    }

    /// <summary>What is said where the framework has words of its own for whoever writes a server.</summary>
    private static string Said(int status) =>
        status switch
        {
            StatusCodes.Status415UnsupportedMediaType => "This address reads JSON (application/json), or a form where a picture is sent.",
            StatusCodes.Status408RequestTimeout => "The request did not arrive in time. Send it again.",
            _ => "The request has no body that can be read, or ends too early. Send it whole.",
        };

    /// <summary>The type of the member a JSON path such as <c>snout.headShape</c> or <c>purposes[0]</c> leads to.</summary>
    private static Type? TypeAt(Type? type, string path)
    {
        foreach (var part in path.Split('.'))
        {
            type = type?.GetProperties().FirstOrDefault(p => JsonNamingPolicy.CamelCase.ConvertName(p.Name) == part.Split('[')[0])?.PropertyType;
            if (part.Contains('[', StringComparison.Ordinal) && type is { IsGenericType: true })
                type = type.GetGenericArguments()[0];
        }

        return type is null ? null : Nullable.GetUnderlyingType(type) ?? type;
    }

    private static string Expected(Type? type) =>
        type switch
        {
            { IsEnum: true } => QueryWords.OneOf(type),
            _ when type == typeof(double) => "a number is expected",
            _ when type == typeof(int) => "a whole number is expected",
            _ when type == typeof(DateOnly) => "a date such as 2024-05-31 is expected",
            _ when type == typeof(Guid) => "an id is expected",
            _ when type == typeof(bool) => "true or false is expected",
            _ when type == typeof(string) => "text is expected",
            _ when type is not null && typeof(System.Collections.IEnumerable).IsAssignableFrom(type) => "a list is expected",
            _ => "another kind of value is expected",
        };
}
