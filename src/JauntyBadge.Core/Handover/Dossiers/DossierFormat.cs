namespace JauntyBadge.Core.Handover.Dossiers;

/// <summary>A list of a dossier.</summary>
/// <param name="Name">Its member.</param>
/// <param name="Id">The member that tells one of it from another, in whichever practice.</param>
/// <param name="Time">The member that tells when it was; null where nothing does.</param>
/// <param name="IsOrdered">Each has its place in the order in which the dog's record was written.</param>
public sealed record DossierSection(string Name, string Id, string? Time, bool IsOrdered);

/// <summary>How a whole dog is handed over: the open format of docs/formats.</summary>
public static class DossierFormat
{
    public const string Name = "jaunty-badge-dossier";

    /// <summary>Raised by what an older release could not read.</summary>
    public const int Version = 1;

    /// <summary>The member that holds a record's place in the order.</summary>
    public const string Order = "order";

    /// <summary>The member that holds a set's place among the dog's sets.</summary>
    public const string Place = "place";

    public const string Pictures = "pictures";
    public const string Breeds = "breeds";
    public const string Sessions = "sessions";
    public const string Passes = "passes";

    /// <summary>The lists, in the order of the file.</summary>
    public static IReadOnlyList<DossierSection> Sections { get; } =
    [
        new("measuringSets", "id", "startedAt", true),
        new("readings", "id", "takenAt", true),
        new("photos", "id", "addedAt", true),
        new("overrules", "lineId", "at", false),
        new("choices", "id", "chosenAt", true),
        new("tryOns", "id", "at", true),
        new("setRules", "id", "at", true),
        new("waysOfWorking", "id", "at", true),
        new("planMoves", "id", "at", true),
        new(Sessions, "id", "startedAt", true),
        new(Passes, "id", "day", false),
        new("wears", "id", "startedAt", true),
        new("inspections", "id", "at", true),
        new("visits", "id", "day", true),
        new("handovers", "id", "at", true),
        new("news", "id", "at", true),
        new("deeds", "id", "at", true),
        new(Pictures, "of", null, false),
        new(Breeds, "id", null, false),
    ];
}
