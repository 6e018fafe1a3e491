using System.Reflection;
using JauntyBadge.Core.People;
using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.House;

/// <summary>What this is.</summary>
/// <param name="Version">Its version.</param>
/// <param name="Notice">The licences of what ships with it.</param>
public sealed record AboutDto(string Version, string Notice);

/// <summary>What this is, and whose work ships with it.</summary>
internal static class AboutEndpoints
{
    private static readonly Lazy<AboutDto> About = new(() =>
    {
        var product = typeof(AboutEndpoints).Assembly;
        using var notice = new StreamReader(product.GetManifestResourceStream("NOTICE")!);
        return new AboutDto(product.GetCustomAttribute<AssemblyInformationalVersionAttribute>()!.InformationalVersion, notice.ReadToEnd());
    });

    public static void MapAbout(this IEndpointRouteBuilder api) =>
        api.MapGet("/about", () => About.Value)
            .WithTags("House")
            .WithName("about")
            .May(Concern.Trade)
            .WithSummary("The version, and the licences of what ships.");
}
