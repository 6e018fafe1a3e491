using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.People;

/// <summary>Lets a request in or not: who asks, what the address is about, and whose dog it is. What is not somebody's own is not found, in the words of what is not there.</summary>
internal static class Door
{
    public static async Task LetIn(HttpContext http, RequestDelegate next)
    {
        if (!http.Request.Path.StartsWithSegments("/api") || http.GetEndpoint() is not { } at)
        {
            await next(http);
            return;
        }

        var asker = http.RequestServices.GetRequiredService<Asker>();
        await http.RequestServices.GetRequiredService<SignIns>().RecogniseAsync(http, asker, http.RequestServices.GetRequiredService<PublicAddress>().IsOpen);
        if (at is RouteEndpoint endpoint && !MayDo.IsForAnyone(endpoint.Metadata))
            await NeedAsync(http, endpoint, asker);
        // What takes another method or another kind of body is told so to those who are in.
        if (at is not RouteEndpoint && asker.Kind is null)
            throw await NotSignedInAsync(http, asker.Ended);
        await next(http);
    }

    private static async Task NeedAsync(HttpContext http, RouteEndpoint endpoint, Asker asker)
    {
        var kind = asker.Kind ?? throw await NotSignedInAsync(http, asker.Ended);
        if (asker.HasOwnDogsOnly)
            await NeedOwnAsync(http, endpoint, asker);
        // An address that does not say what it is about is for nobody.
        if (MayDo.ConcernOf(endpoint.Metadata) is not { } concern || !May.Do(kind, concern, MayDo.Changes(endpoint.Metadata, http.Request.Method)))
            throw new Refusal(StatusCodes.Status403Forbidden, "Not for you", (await WordsAsync(http)).NotForYou);
    }

    private static async Task NeedOwnAsync(HttpContext http, RouteEndpoint endpoint, Asker asker)
    {
        var at = endpoint.RoutePattern.RawText ?? "";
        if (at.StartsWith("/api/dogs/{id", StringComparison.Ordinal) && !(Guid.TryParse($"{http.GetRouteValue("id")}", out var dog) && asker.Has(dog)))
            throw Lookup.NoSuchDog();
        if (at.StartsWith("/api/sessions/{sessionId", StringComparison.Ordinal))
        {
            var db = http.RequestServices.GetRequiredService<PracticeDb>();
            var own = asker.Dogs.ToList();
            if (
                !Guid.TryParse($"{http.GetRouteValue("sessionId")}", out var session)
                || !await db.Sessions.AnyAsync(s => s.Id == session && own.Contains(s.DogId), http.RequestAborted)
            )
                throw Lookup.NoSuchSession();
        }
    }

    /// <summary>Why somebody is not let in.</summary>
    public static async Task<Refusal> NotSignedInAsync(HttpContext http, Ended ended) =>
        new(StatusCodes.Status401Unauthorized, "Not signed in", (await WordsAsync(http)).Of(ended))
        {
            Extensions = new Dictionary<string, object?> { ["ended"] = System.Text.Json.JsonNamingPolicy.CamelCase.ConvertName($"{ended}") },
        };

    private static async Task<PeopleWords> WordsAsync(HttpContext http) =>
        new(await http.RequestServices.GetRequiredService<Pen>().TakeAsync(http.RequestAborted));
}
