using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Wearing;

namespace JauntyBadge.Core.Caseload;

/// <summary>What signs say of a wear: those of training by their group, those of a worn muzzle by themselves.</summary>
public static class SignsSeen
{
    /// <summary>Whether a sign is on one of the two lists.</summary>
    public static bool IsKnown(string? id) => id is not null && (Sign.Find(id) is not null || WornSign.Find(id) is not null);

    /// <summary>A wear with its signs.</summary>
    /// <param name="wear">The wear.</param>
    /// <param name="ids">Ids of the signs seen; unknown ones say nothing.</param>
    /// <param name="stopped">It was stopped.</param>
    public static Wear On(Wear wear, IReadOnlyList<string> ids, bool stopped) =>
        wear with
        {
            Worried = ids.Any(id => Sign.Find(id)?.Group >= SignGroup.Worried),
            OverThreshold = ids.Any(id => Sign.Find(id)?.Group == SignGroup.OverThreshold),
            Red = ids.Any(id => WornSign.Find(id) is not null),
            Ending = stopped ? WearEnding.Stopped : wear.Ending,
        };
}
