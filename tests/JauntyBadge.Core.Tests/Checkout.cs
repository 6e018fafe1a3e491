namespace JauntyBadge.Core.Tests;

/// <summary>The checkout the tests were built in, found from where they run: a build may leave its own paths out of what it compiles.</summary>
internal static class Checkout
{
    public static string Root { get; } = Upwards(new(AppContext.BaseDirectory)).First(d => File.Exists(Path.Combine(d.FullName, "JauntyBadge.slnx"))).FullName;

    private static IEnumerable<DirectoryInfo> Upwards(DirectoryInfo here)
    {
        for (DirectoryInfo? at = here; at is not null; at = at.Parent)
        {
            yield return at;
        }
    }
}
