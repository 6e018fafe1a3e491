using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data.Dogs;

/// <summary>A breed of the practice's own, or its correction of a shipped one.</summary>
public sealed class BreedRow : IVersioned
{
    public required string Id { get; set; }
    public long Version { get; set; }
    public required string Name { get; set; }
    public HeadShape Shape { get; set; }
    public List<BreedTrait> Traits { get; set; } = [];
    public int GrowingMonths { get; set; }
    public List<string> AlsoCalled { get; set; } = [];

    public Breed ToBreed() => new(Id, Name, Shape, Traits, GrowingMonths, AlsoCalled);

    /// <summary>Tells whether the practice's own breeds changed: how many there are, and the last change of one.</summary>
    public static async Task<(int Count, long Last)> StampAsync(PracticeDb db, CancellationToken cancel) =>
        (await db.Breeds.CountAsync(cancel), await db.Breeds.MaxAsync(b => (long?)b.Version, cancel) ?? 0);

    /// <summary>The breeds the practice works with.</summary>
    public static async Task<BreedList> ListAsync(PracticeDb db, CancellationToken cancel)
    {
        var own = await db.Breeds.AsNoTracking().ToListAsync(cancel);
        return own.Count == 0 ? BreedList.Shipped : new BreedList(own.Select(b => b.ToBreed()));
    }
}
