using Microsoft.AspNetCore.StaticFiles;
using Microsoft.Extensions.FileProviders;
using Microsoft.Net.Http.Headers;

namespace JauntyBadge.Server.Shared;

/// <summary>Serves the built files as the build compressed them, to whoever takes Brotli.</summary>
internal static class Precompressed
{
    public const string Suffix = ".br";

    private static readonly FileExtensionContentTypeProvider Types = new();

    /// <summary>Points a request for a file that lies there compressed to it.</summary>
    public static Func<HttpContext, RequestDelegate, Task> Serve(IFileProvider files) =>
        (context, next) =>
        {
            var (request, path) = (context.Request, context.Request.Path.Value ?? "");
            if (HttpMethods.IsGet(request.Method) && TakesBrotli(request) && files.GetFileInfo(path + Suffix).Exists)
                request.Path = path + Suffix;
            return next(context);
        };

    /// <summary>A compressed file is what it is unpacked.</summary>
    public static void SayWhatItIs(StaticFileResponseContext file)
    {
        if (!file.File.Name.EndsWith(Suffix, StringComparison.Ordinal) || !Types.TryGetContentType(file.File.Name[..^Suffix.Length], out var type))
            return;
        var headers = file.Context.Response.Headers;
        (headers.ContentEncoding, headers.ContentType, headers.Vary) = ("br", type, HeaderNames.AcceptEncoding);
    }

    private static bool TakesBrotli(HttpRequest request) =>
        StringWithQualityHeaderValue.TryParseList(request.Headers.AcceptEncoding.ToArray()!, out var taken)
        && taken.Any(t => t.Value == "br" && t.Quality != 0);
}
