using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data;

/// <summary>How the practice writes dates and prices: one row, or ours until it chooses.</summary>
public sealed class WritingRow : IVersioned
{
    public const int OnlyId = 1;

    public int Id { get; set; } = OnlyId;
    public long Version { get; set; }

    /// <summary>English as a country writes it, as a BCP 47 tag; the day before the month until the practice chooses (House).</summary>
    public string Locale { get; set; } = Core.Locale.Usual.Tag;

    /// <summary>ISO 4217.</summary>
    public string Currency { get; set; } = Core.Writing.Usual.Currency;

    public static async Task<WritingRow> LoadAsync(PracticeDb db, CancellationToken cancel) =>
        await db.Writing.AsNoTracking().SingleOrDefaultAsync(cancel) ?? new WritingRow();
}
