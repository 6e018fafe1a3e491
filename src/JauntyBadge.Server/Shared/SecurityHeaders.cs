using Microsoft.AspNetCore.StaticFiles;
using Microsoft.Net.Http.Headers;

namespace JauntyBadge.Server.Shared;

/// <summary>Keeps the browser on this machine: nothing is loaded from, or sent to, anywhere else.</summary>
internal static class SecurityHeaders
{
    private const string OnlyFromHere =
        "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; font-src 'self' data:; object-src 'none'; base-uri 'self'; form-action 'self'; frame-ancestors 'none'";

    /// <summary>Kept by the browser, and asked for again whenever it is used.</summary>
    public const string AskAgain = "no-cache";

    /// <summary>Built files carry a hash in their name and may be kept; the page itself is asked for again.</summary>
    public static StaticFileOptions StaticFiles { get; } =
        new()
        {
            ContentTypeProvider = new FileExtensionContentTypeProvider
            {
                Mappings = { [Precompressed.Suffix] = "application/octet-stream", [".webmanifest"] = "application/manifest+json" },
            },
            OnPrepareResponse = file =>
            {
                file.Context.Response.Headers[HeaderNames.CacheControl] = file.Context.Request.Path.StartsWithSegments("/assets")
                    ? "public, max-age=31536000, immutable"
                    : AskAgain;
                Precompressed.SayWhatItIs(file);
            },
        };

    public static Task Add(HttpContext context, RequestDelegate next)
    {
        // When the answer starts, since the exception handler clears what was set before.
        context.Response.OnStarting(() =>
        {
            context.Response.Headers.ContentSecurityPolicy = OnlyFromHere;
            // What says nothing of being kept is kept nowhere: it may be the next one's at the same browser.
            if (context.Request.Path.StartsWithSegments("/api") && context.Response.Headers.CacheControl.Count == 0)
                context.Response.Headers.CacheControl = "no-store";
            context.Response.Headers.XContentTypeOptions = "nosniff";
            context.Response.Headers["Referrer-Policy"] = "same-origin";
            context.Response.Headers["Cross-Origin-Resource-Policy"] = "same-origin";
            context.Response.Headers["Cross-Origin-Opener-Policy"] = "same-origin";
            return Task.CompletedTask;
        });
        return next(context);
    }
}
