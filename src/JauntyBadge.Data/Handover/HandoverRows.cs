using JauntyBadge.Core.Handover.Days;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data.Handover;

/// <summary>The practice itself: what it is called and where its backups go. One row; none until somebody said.</summary>
public sealed class PracticeRow : IVersioned
{
    public const int OnlyId = 1;

    public int Id { get; set; } = OnlyId;
    public long Version { get; set; }
    public string? Name { get; set; }
    public string? Place { get; set; }

    /// <summary>Where the fitter is rung.</summary>
    public string? Phone { get; set; }

    /// <summary>Where backups are kept; null for the practice's own folder.</summary>
    public string? BackupFolder { get; set; }

    /// <summary>One is made every night.</summary>
    public bool BackupNightly { get; set; } = true;

    /// <summary>They are closed with the passphrase that lies beside the practice.</summary>
    public bool BackupEncrypted { get; set; }

    public static async Task<PracticeRow> LoadAsync(PracticeDb db, CancellationToken cancel) =>
        await db.Practice.AsNoTracking().SingleOrDefaultAsync(cancel) ?? new PracticeRow();
}

/// <summary>What happened to a dog between two practices.</summary>
public enum HandoverKind
{
    /// <summary>It went to somebody else.</summary>
    HandedOver,

    /// <summary>It is ours again.</summary>
    TakenBack,
}

/// <summary>A dog handed over or taken back.</summary>
public sealed class HandoverRow : INumbered, IOfDog
{
    public Guid Id { get; set; }
    public long Number { get; set; }
    public Guid DogId { get; set; }
    public DateTime At { get; set; }
    public DateOnly Day { get; set; }
    public HandoverKind Kind { get; set; }

    /// <summary>Who had it before; null where that practice has no name.</summary>
    public string? From { get; set; }

    /// <summary>Who has it now.</summary>
    public string? To { get; set; }

    public string? Note { get; set; }
}

/// <summary>An entry of a calendar as it was last handed out.</summary>
public sealed class PublishedRow
{
    public Guid DogId { get; set; }
    public required string Key { get; set; }
    public DateOnly Day { get; set; }
    public int Sequence { get; set; }
    public bool Cancelled { get; set; }
    public DateTime ChangedAt { get; set; }

    /// <summary>A <see cref="DayEntry"/> as JSON.</summary>
    public required string Entry { get; set; }

    /// <summary>As the rules see it; null for what cannot be read.</summary>
    public Published? ToPublished() => JsonColumn.Find<DayEntry>(Entry) is { } entry ? new(entry, Sequence, Cancelled, ChangedAt) : null;

    public void Take(Published published) =>
        (Day, Sequence, Cancelled, ChangedAt, Entry) = (
            published.Entry.Day,
            published.Sequence,
            published.Cancelled,
            published.ChangedAt,
            JsonColumn.Write(published.Entry)
        );
}
