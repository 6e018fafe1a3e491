using System.Text.RegularExpressions;

namespace JauntyBadge.Server.Shared;

/// <summary>Names as they stand in addresses.</summary>
internal static partial class Slug
{
    [GeneratedRegex("[^a-z0-9]+")]
    private static partial Regex NotForAddresses();

    /// <summary>Small letters and digits with hyphens between; empty where a name has none.</summary>
    public static string Of(string name) => NotForAddresses().Replace(name.Trim().ToLowerInvariant(), "-").Trim('-');
}
