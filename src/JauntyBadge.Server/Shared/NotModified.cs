using JauntyBadge.Data;
using JauntyBadge.Server.People;

namespace JauntyBadge.Server.Shared;

/// <summary>
/// Answers 304 where a screen asks again and nothing on record changed. All that is read follows from the record, the hour, the version of the
/// product, the unit and the language that are asked for, and who asks: an answer's tag names these six.
/// </summary>
internal static class NotModified
{
    private static readonly string Product = typeof(NotModified).Module.ModuleVersionId.ToString("N")[..8];

    /// <summary>Answers a read within its snapshot.</summary>
    public static async ValueTask<object?> AnswerAsync(EndpointFilterInvocationContext call, EndpointFilterDelegate next, PracticeDb db, TimeProvider clock)
    {
        var (request, headers) = (call.HttpContext.Request, call.HttpContext.Response.Headers);
        var last = await CounterRow.LastAsync(db, call.HttpContext.RequestAborted);
        var tag =
            $"W/\"{last}-{clock.GetLocalNow():yyMMddHH}-{Pen.UnitOf(request)}-{Pen.LanguageOf(request).Tag}-{call.HttpContext.RequestServices.GetRequiredService<Asker>().Mark}-{Product}\"";
        // For whoever asked only, and never for another unit, language or person at the same browser.
        headers.CacheControl = "private, no-cache";
        headers.Vary = $"Accept-Language, {Pen.Header}, Cookie";
        headers.ETag = tag;
        if (request.Headers.IfNoneMatch.ToString() == tag)
            return Results.StatusCode(StatusCodes.Status304NotModified);
        var answer = await next(call);
        if (answer is IAtVersion at)
            headers.ETag = Versions.Tag(at.Version);
        return answer;
    }
}
