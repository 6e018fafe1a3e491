using System.Text.Json;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Shared;

/// <summary>Answers every failure with RFC 9457 problem details that name the field where there is one.</summary>
internal sealed partial class ProblemHandler(IProblemDetailsService problems) : IExceptionHandler
{
    [GeneratedRegex("Failed to bind parameter \"(?<type>\\S+) (?<name>\\w+)\"")]
    private static partial Regex UnboundParameter();

    /// <summary>Answers a failure, if it is one that the caller can mend.</summary>
    public ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        var refusal = exception switch
        {
            Refusal known => known,
            BadHttpRequestException { InnerException: JsonException json } => NotReadable(
                json, httpContext.Features.Get<IExceptionHandlerFeature>()?.Endpoint?.Metadata.GetMetadata<IAcceptsMetadata>()?.RequestType),
            BadHttpRequestException { StatusCode: StatusCodes.Status413PayloadTooLarge } => new Refusal(StatusCodes.Status413PayloadTooLarge, "Too large", TooLarge.Words(httpContext, TooLarge.Usual)),
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
        foreach (var (name, value) in refusal.Extensions)
            details.Extensions[name] = value;
        if (refusal.Current is { } current)
            details.Extensions["current"] = current;
        httpContext.Response.StatusCode = refusal.Status;
        return problems.TryWriteAsync(new ProblemDetailsContext { HttpContext = httpContext, ProblemDetails = details });
    }

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
            return new Refusal(bad.StatusCode, "Not usable", bad.Message);
        var name = JsonNamingPolicy.CamelCase.ConvertName(unbound.Groups["name"].Value);
        var expected = unbound.Groups["type"].Value.StartsWith("int", StringComparison.Ordinal) ? "a whole number" : "another kind of value";
        return Refusal.Field(name, $"{name} cannot be read; {expected} is expected.");
    }

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

    private static string Expected(Type? type) => type switch
    {
        { IsEnum: true } => QueryWords.OneOf(type),
        _ when type == typeof(double) => "a number is expected",
        _ when type == typeof(int) => "a whole number is expected",
        _ when type == typeof(DateOnly) => "a date such as 2024-05-31 is expected",
        _ when type == typeof(Guid) => "an id is expected",
        _ when type == typeof(bool) => "true or false is expected",
        _ when type == typeof(string) => "text is expected",
        _ => "another kind of value is expected",
    };
}
