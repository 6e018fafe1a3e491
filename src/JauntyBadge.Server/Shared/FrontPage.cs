using System.Text.Json;
using Microsoft.Extensions.FileProviders;

namespace JauntyBadge.Server.Shared;

/// <summary>
/// The page that every address of the front end begins with. What the address will show is named in it, so that a phone fetches it at once and does not
/// find it out one piece after another; the front end's build says what that is (see web/ahead.plugin.ts).
/// </summary>
internal static class FrontPage
{
    /// <param name="Address">As a path, where <c>*</c> stands for any one part of it.</param>
    /// <param name="Links">To what stands there, as they are written into the head of the page.</param>
    private sealed record Ahead(string Address, string Links);

    private const string EndOfHead = "</head>";

    /// <summary>Answers with the page as it lies there now: its build may run beside the server.</summary>
    public static RequestDelegate Serve(IFileProvider files) =>
        async context =>
        {
            if (await Text(files, "index.html") is not { } page)
            {
                context.Response.StatusCode = StatusCodes.Status404NotFound;
                return;
            }
            var ahead = JsonSerializer.Deserialize<Ahead[]>(await Text(files, "ahead.json") ?? "[]", JsonSerializerOptions.Web) ?? [];
            var links = ahead.FirstOrDefault(a => Matches(a.Address, context.Request.Path))?.Links;
            context.Response.ContentType = "text/html; charset=utf-8";
            context.Response.Headers.CacheControl = SecurityHeaders.AskAgain;
            await context.Response.WriteAsync(page.Replace(EndOfHead, links + EndOfHead, StringComparison.Ordinal), context.RequestAborted);
        };

    private static bool Matches(string address, PathString path)
    {
        var (wanted, parts) = (Parts(address), Parts(path));
        return wanted.Length == parts.Length && wanted.Zip(parts).All(p => p.First is "*" || p.First == p.Second);
    }

    private static string[] Parts(string? path) => path?.Trim('/').Split('/') ?? [];

    private static async Task<string?> Text(IFileProvider files, string name)
    {
        var file = files.GetFileInfo(name);
        if (!file.Exists)
            return null;
        using var reader = new StreamReader(file.CreateReadStream());
        return await reader.ReadToEndAsync();
    }
}
