using JauntyBadge.Data;
using JauntyBadge.Server.People;
using JauntyBadge.Server.Shared;
using Microsoft.Extensions.Primitives;

namespace JauntyBadge.Server.Start;

/// <summary>Keeps other websites out: a page from elsewhere, open in the same browser, can neither write here nor pass off another name as this machine.</summary>
internal static class FromHereOnly
{
    /// <summary>The names the server answers to.</summary>
    private sealed record Names(IList<StringSegment> Known);

    private static readonly StringSegment[] Loopback = ["localhost", "127.0.0.1", "::1", "[::1]"];

    /// <summary>Which names the server answers to: those of this machine, the one people reach it by, and those set as <c>hosts</c>, apart by semicolons.</summary>
    /// <exception cref="PracticeProblem">One of them stands for any name.</exception>
    public static void AddHosts(this WebApplicationBuilder builder, PublicAddress at)
    {
        var hosts = (builder.Configuration["hosts"] ?? "").Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        if (Array.Find(hosts, h => h.Contains('*', StringComparison.Ordinal) || h is "+" or "0.0.0.0" or "[::]") is { } any)
            throw new PracticeProblem(
                $"--hosts takes the names this server answers to, such as van.example; {any} would let every website pass for one of them."
            );
        builder.Services.AddSingleton(new Names([.. Loopback, .. hosts.Concat(at.Url is { } url ? [url.Host] : []).Select(h => new StringSegment(h))]));
    }

    /// <summary>Refuses what was sent to another name: a page elsewhere may have passed this machine off as its own.</summary>
    public static Task RefuseOtherNames(HttpContext context, RequestDelegate next) =>
        HostString.MatchesAny(context.Request.Host.Host, context.RequestServices.GetRequiredService<Names>().Known)
            ? next(context)
            : throw new Refusal(
                StatusCodes.Status400BadRequest,
                "Not a name of this server",
                $"This server does not answer to the name {context.Request.Host.Host}. Ask it by the address it was started with, or name it with --hosts."
            );

    /// <summary>
    /// Refuses what writes and comes from a page of another origin. Browsers say so in Sec-Fetch-Site (W3C Fetch Metadata), older ones in Origin
    /// (RFC 6454); what says neither is no browser and may write.
    /// </summary>
    public static Task RefuseOthers(HttpContext context, RequestDelegate next)
    {
        var request = context.Request;
        if (HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method) || HttpMethods.IsOptions(request.Method))
            return next(context);
        var site = request.Headers["Sec-Fetch-Site"].ToString();
        var origin = request.Headers.Origin.ToString();
        var fromHere =
            site != ""
                ? site is "same-origin" or "none"
                : origin == "" || (Uri.TryCreate(origin, UriKind.Absolute, out var from) && from.Authority == request.Host.Value);
        return fromHere
            ? next(context)
            : throw new Refusal(
                StatusCodes.Status403Forbidden,
                "Not from here",
                "This came from a page of another site. Only Jaunty Badge's own pages may change the practice."
            );
    }

    /// <summary>A text in an encoding nobody knows cannot be read.</summary>
    public static Task RefuseUnreadable(HttpContext context, RequestDelegate next) =>
        Microsoft.Net.Http.Headers.MediaTypeHeaderValue.TryParse(context.Request.ContentType, out var type) && type.Charset.HasValue && type.Encoding is null
            ? throw new Refusal(StatusCodes.Status415UnsupportedMediaType, "Not readable", $"The encoding {type.Charset} is not known. Send UTF-8.")
            : next(context);
}
