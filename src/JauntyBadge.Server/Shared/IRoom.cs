namespace JauntyBadge.Server.Shared;

/// <summary>A room of the server: it brings its own addresses and services. Every class that is one is found by itself.</summary>
internal interface IRoom
{
    /// <summary>Maps its addresses under /api.</summary>
    void Map(IEndpointRouteBuilder api);

    /// <summary>Adds what it needs beside what every room has.</summary>
    void AddServices(IServiceCollection services) { }
}

/// <summary>Finds the rooms.</summary>
internal static class Rooms
{
    /// <summary>Every room, in the order of their names.</summary>
    public static IReadOnlyList<IRoom> All { get; } =
    [
        .. typeof(Rooms)
            .Assembly.GetTypes()
            .Where(t => typeof(IRoom).IsAssignableFrom(t) && t is { IsClass: true, IsAbstract: false })
            .OrderBy(t => t.FullName, StringComparer.Ordinal)
            .Select(t => (IRoom)Activator.CreateInstance(t, nonPublic: true)!),
    ];
}
