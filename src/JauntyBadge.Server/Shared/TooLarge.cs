using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Http.Metadata;

namespace JauntyBadge.Server.Shared;

/// <summary>What is said of a request that is too large: the limit of the address it went to.</summary>
internal static class TooLarge
{
    /// <summary>Largest request where an address says nothing else, bytes.</summary>
    public const long Usual = 1024 * 1024;

    /// <summary>What takes more than this takes files of other kinds.</summary>
    private const long LargestOfPictures = 64 * Usual;

    public static string Words(HttpContext http, long usual)
    {
        var limit = (http.GetEndpoint() ?? http.Features.Get<IExceptionHandlerFeature>()?.Endpoint)
            ?.Metadata.GetMetadata<IRequestSizeLimitMetadata>()
            ?.MaxRequestBodySize;
        return limit is { } bytes and > Usual
            ? $"A {(bytes > LargestOfPictures ? "file" : "picture")} may be up to {bytes / 1024 / 1024} MB."
            : $"A request may be up to {usual / 1024 / 1024} MB.";
    }
}
