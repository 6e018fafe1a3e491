using JauntyBadge.Core.Fitting;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data.Fitting;

/// <summary>One version of a muzzle model of the practice's own, or of its correction of a shipped one. Versions are added, never changed.</summary>
public sealed class MuzzleRow
{
    /// <summary>The version a shipped model counts as.</summary>
    public const int ShippedVersion = 1;

    public required string ModelId { get; set; }
    public int Version { get; set; }
    public DateTime At { get; set; }

    /// <summary>A <see cref="MuzzleModel"/> as JSON; null where this version puts the model away.</summary>
    public string? Body { get; set; }

    public MuzzleModel? Model => JsonColumn.Find<MuzzleModel>(Body);

    public static MuzzleRow Of(string modelId, MuzzleModel? model, int version, DateTime at) =>
        new()
        {
            ModelId = modelId,
            Version = version,
            At = at,
            Body = model is null ? null : JsonColumn.Write(model),
        };

    /// <summary>The muzzles the practice chooses from: the newest version of each.</summary>
    public static async Task<MuzzleList> ListAsync(PracticeDb db, CancellationToken cancel)
    {
        var rows = await db.Muzzles.AsNoTracking().ToListAsync(cancel);
        return rows.Count == 0
            ? MuzzleList.Shipped
            : new MuzzleList(rows.GroupBy(r => r.ModelId).ToDictionary(g => g.Key, g => g.MaxBy(r => r.Version)!.Model));
    }
}
