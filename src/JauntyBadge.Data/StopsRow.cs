using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data;

/// <summary>The order in which the fitter drives to its places. One row.</summary>
public sealed class StopsRow : IVersioned
{
    public const int OnlyId = 1;

    public int Id { get; set; } = OnlyId;
    public long Version { get; set; }

    /// <summary>Places in the order of the stops; places not among them come after, by name.</summary>
    public List<string> Places { get; set; } = [];

    public static async Task<StopsRow> LoadAsync(PracticeDb db, CancellationToken cancel) =>
        await db.Stops.AsNoTracking().SingleOrDefaultAsync(cancel) ?? new StopsRow();
}
