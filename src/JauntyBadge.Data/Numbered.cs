using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;

namespace JauntyBadge.Data;

/// <summary>A record that stands in an order. What came later has the greater number, whatever the clock said.</summary>
internal interface INumbered
{
    /// <summary>Given when it is first saved; never given twice in a practice.</summary>
    long Number { get; set; }
}

/// <summary>A record that more than one hand may edit: every change gives it a version it never had before.</summary>
internal interface IVersioned
{
    long Version { get; set; }
}

/// <summary>The last number given in this practice. One row.</summary>
public sealed class CounterRow
{
    public const int OnlyId = 1;

    public int Id { get; set; } = OnlyId;
    public long Last { get; set; }
}

/// <summary>Gives numbers and versions as records are saved.</summary>
internal static class Numbering
{
    /// <summary>What is new, or changed, and waits for a number.</summary>
    public static IReadOnlyList<EntityEntry> Waiting(PracticeDb db) => [.. db.ChangeTracker.Entries().Where(NeedsNumber)];

    /// <summary>Numbers what is new and gives what changed a new version. A transaction must be open: the counter is the writer's alone until it ends.</summary>
    public static async Task NumberAsync(PracticeDb db, IReadOnlyList<EntityEntry> entries, CancellationToken cancel)
    {
        var given = await db.Database.SqlQuery<long>($"""UPDATE "Counter" SET "Last" = "Last" + {entries.Count} RETURNING "Last" AS "Value" """).ToListAsync(cancel);
        var next = given[0] - entries.Count;
        foreach (var entry in entries)
        {
            next++;
            if (entry.Entity is IVersioned versioned)
                versioned.Version = next;
            if (entry is { State: EntityState.Added, Entity: INumbered { Number: 0 } numbered })
                numbered.Number = next;
        }
    }

    private static bool NeedsNumber(EntityEntry entry) =>
        (entry.State is EntityState.Added or EntityState.Modified && entry.Entity is IVersioned) || entry is { State: EntityState.Added, Entity: INumbered { Number: 0 } };
}
