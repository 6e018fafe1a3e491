using System.Reflection;
using Microsoft.AspNetCore.OpenApi;

namespace JauntyBadge.Server.Shared;

/// <summary>The OpenAPI document, generated at build and committed under docs/api.</summary>
internal static class OpenApiSetup
{
    /// <summary>The build runs this program only to read its endpoints: no database then.</summary>
    public static bool IsOnlyGenerating => Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";

    public static void Configure(OpenApiOptions options) => options.AddDocumentTransformer((document, _, _) =>
    {
        document.Info.Title = "Jaunty Badge";
        document.Info.Version = "1";
        document.Info.Description =
            "Lengths are millimetres, angles degrees, times UTC. Errors are RFC 9457 problem details; `errors` names the fields.";
        document.Servers?.Clear();
        return Task.CompletedTask;
    });
}
