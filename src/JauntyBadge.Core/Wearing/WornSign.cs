using JauntyBadge.Core.Measuring.Heads;

namespace JauntyBadge.Core.Wearing;

/// <summary>
/// A sign of a dog in trouble with breath, heat or swallowing, in a muzzle that is on: off now. Basis: general veterinary first aid, Memory; a veterinarian
/// decides.
/// </summary>
/// <param name="Id">Stable id; none of those of training has it.</param>
/// <param name="Name">What is seen.</param>
/// <param name="Shows">What its picture shows.</param>
public sealed record WornSign(string Id, string Name, Shown Shows)
{
    private const string Table = "worn-signs.json";

    public static IReadOnlyList<WornSign> All { get; } = Load();

    /// <summary>The sign with this id, or null.</summary>
    public static WornSign? Find(string id) => All.FirstOrDefault(s => s.Id == id);

    private static IReadOnlyList<WornSign> Load()
    {
        var rows = Tables.Read<WornSign>(Table);
        Tables.RefuseTwins(Table, rows.Select(s => s.Id));
        return rows;
    }
}
