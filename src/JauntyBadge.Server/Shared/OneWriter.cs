using JauntyBadge.Data;

namespace JauntyBadge.Server.Shared;

/// <summary>
/// Lets writes of a group of endpoints happen one after the other, each whole or not at all: what a handler has read is still true when
/// it writes. SQLite has one writer at a time anyway; taking its place in the queue before reading costs nothing.
/// </summary>
internal static class OneWriter
{
    public static RouteGroupBuilder OneWriterAtATime(this RouteGroupBuilder group) => group.AddEndpointFilter(async (call, next) =>
    {
        var request = call.HttpContext.Request;
        if (HttpMethods.IsGet(request.Method))
            return await next(call);
        var db = call.HttpContext.RequestServices.GetRequiredService<PracticeDb>();
        await using var transaction = await db.Database.BeginTransactionAsync(call.HttpContext.RequestAborted);
        var answer = await next(call);
        await transaction.CommitAsync(call.HttpContext.RequestAborted);
        return answer;
    });
}
