using System.Text.Json;
using System.Text.RegularExpressions;
using JauntyBadge.Core;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Shared;

/// <summary>Answers every failure with RFC 9457 problem details that name the field where there is one.</summary>
internal sealed partial class ProblemHandler(IProblemDetailsService problems) : IExceptionHandler
{
    [GeneratedRegex(@"JauntyBadge\.Core\.[\w.]+")]
    private static partial Regex CoreType();

    [GeneratedRegex("Failed to bind parameter \"(?<type>\\S+) (?<name>\\w+)\"")]
    private static partial Regex UnboundParameter();

    public ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        var refusal = exception switch
        {
            Refusal known => known,
            BadHttpRequestException { StatusCode: StatusCodes.Status413PayloadTooLarge } => new Refusal(
                StatusCodes.Status413PayloadTooLarge, "Too large", "A request may be up to 1 MB."),
            BadHttpRequestException { InnerException: JsonException json } => NotReadable(json),
            BadHttpRequestException bad => NotUsable(bad),
            DbUpdateConcurrencyException => Refusal.Conflict("It was changed by someone else in the meantime. Load it again; what you typed is still on your screen."),
            _ => null,
        };
        if (refusal is null)
            return ValueTask.FromResult(false);

        var details = refusal.Errors.Count > 0
            ? new HttpValidationProblemDetails(refusal.Errors.ToDictionary())
            : new ProblemDetails();
        (details.Status, details.Title, details.Detail) = (refusal.Status, refusal.Title, refusal.Message);
        if (refusal.Current is { } current)
            details.Extensions["current"] = current;
        httpContext.Response.StatusCode = refusal.Status;
        return problems.TryWriteAsync(new ProblemDetailsContext { HttpContext = httpContext, ProblemDetails = details });
    }

    private static Refusal NotReadable(JsonException json)
    {
        var field = (json.Path ?? "$").TrimStart('$').TrimStart('.');
        return field == ""
            ? new Refusal(StatusCodes.Status400BadRequest, "Not readable", "The request is not JSON of the expected shape.")
            : Refusal.Field(field, $"{field} cannot be read; {Accepted(json.Message)}.");
    }

    private static Refusal NotUsable(BadHttpRequestException bad)
    {
        var unbound = UnboundParameter().Match(bad.Message);
        if (!unbound.Success)
            return new Refusal(bad.StatusCode, "Not usable", bad.Message);
        var name = unbound.Groups["name"].Value;
        var type = typeof(Basis).Assembly.GetTypes().FirstOrDefault(t => t.IsEnum && t.Name == unbound.Groups["type"].Value.TrimEnd('?', '[', ']'));
        return Refusal.Field(name, $"{name} cannot be read; {(type is null ? "another kind of value is expected" : OneOf(type))}.");
    }

    private static string Accepted(string message)
    {
        if (CoreType().Match(message) is { Success: true } match && typeof(Basis).Assembly.GetType(match.Value) is { IsEnum: true } type)
            return OneOf(type);
        return message switch
        {
            _ when message.Contains("System.Double", StringComparison.Ordinal) => "a number is expected",
            _ when message.Contains("System.Int32", StringComparison.Ordinal) => "a whole number is expected",
            _ when message.Contains("System.DateOnly", StringComparison.Ordinal) => "a date such as 2024-05-31 is expected",
            _ when message.Contains("System.Guid", StringComparison.Ordinal) => "an id is expected",
            _ => "another kind of value is expected",
        };
    }

    private static string OneOf(Type type) => "one of " + string.Join(", ", Enum.GetNames(type).Select(JsonNamingPolicy.CamelCase.ConvertName)) + " is expected";
}
