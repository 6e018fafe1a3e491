using JauntyBadge.Core.Fitting;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data.Fitting;

/// <summary>One version of a muzzle model of the practice's own, or of its correction of a shipped one. Versions are added, never changed.</summary>
public sealed class MuzzleRow : INumbered
{
    /// <summary>The version a shipped model counts as.</summary>
    public const int ShippedVersion = 1;

    public required string ModelId { get; set; }

    /// <summary>How people count them: 1, 2, 3. In a practice put back from a copy one can be met twice; <see cref="Number"/> cannot.</summary>
    public int Version { get; set; }
    public long Number { get; set; }
    public DateTime At { get; set; }

    /// <summary>A <see cref="MuzzleModel"/> as JSON; null where this version puts the model away.</summary>
    public string? Body { get; set; }

    public MuzzleModel? Model => JsonColumn.Find<MuzzleModel>(Body);

    /// <summary>Whether it says something that cannot be read any more: then the model is offered for no dog, and the catalogue says so.</summary>
    public bool Unreadable => Body is not null && Model is null;

    public static MuzzleRow Of(string modelId, MuzzleModel? model, int version, DateTime at) =>
        new()
        {
            ModelId = modelId,
            Version = version,
            At = at,
            Body = model is null ? null : JsonColumn.Write(model),
        };

    /// <summary>The muzzles the practice chooses from: the newest version of each.</summary>
    public static async Task<MuzzleList> ListAsync(PracticeDb db, CancellationToken cancel) => ListOf(await NewestAsync(db, cancel));

    /// <summary>The newest version of each model that has one of the practice's own.</summary>
    public static async Task<IReadOnlyList<MuzzleRow>> NewestAsync(PracticeDb db, CancellationToken cancel) =>
        [.. (await db.Muzzles.AsNoTracking().ToListAsync(cancel)).GroupBy(r => r.ModelId).Select(g => g.MaxBy(r => r.Version)!)];

    /// <summary>The muzzles to choose from, where these are the newest versions.</summary>
    public static MuzzleList ListOf(IReadOnlyList<MuzzleRow> newest) =>
        newest.Count == 0 ? MuzzleList.Shipped : new MuzzleList(newest.ToDictionary(r => r.ModelId, r => r.Model));
}
