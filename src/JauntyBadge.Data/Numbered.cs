using System.Security.Cryptography;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Data.Measuring;
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

/// <summary>A record that belongs to a dog.</summary>
internal interface IOfDog
{
    Guid DogId { get; }
}

/// <summary>The last number given in this practice. One row.</summary>
public sealed class CounterRow
{
    public const int OnlyId = 1;

    public int Id { get; set; } = OnlyId;
    public long Last { get; set; }

    /// <summary>
    /// Between numbers of a practice before and after it was put back from a copy lies a stretch of random length, so that none is ever given twice: not of the
    /// life that was undone, nor where the same copy is put back twice. A double holds all whole numbers to 2^53, room for a million such stretches.
    /// </summary>
    private const long ShortestStretch = 1L << 32;

    /// <summary>Begins a new stretch of numbers, in a practice that was put back from a copy.</summary>
    public static Task LeapAsync(PracticeDb db, long noted, CancellationToken cancel)
    {
        var by = ShortestStretch + RandomNumberGenerator.GetInt32(int.MaxValue);
        return db.Database.ExecuteSqlAsync($"""UPDATE "Counter" SET "Last" = MAX("Last", {noted}) + {by}""", cancel);
    }

    /// <summary>The last number given: as long as it is the same, so is all that is on record.</summary>
    public static Task<long> LastAsync(PracticeDb db, CancellationToken cancel) =>
        db.Database.SqlQuery<long>($"""SELECT "Last" AS "Value" FROM "Counter" """).SingleAsync(cancel);
}

/// <summary>Gives numbers and versions as records are saved, and notes which dogs were touched.</summary>
internal static class Numbering
{
    /// <summary>What is to be saved.</summary>
    public static IReadOnlyList<EntityEntry> Changed(PracticeDb db) =>
        [.. db.ChangeTracker.Entries().Where(e => e.State is EntityState.Added or EntityState.Modified or EntityState.Deleted)];

    /// <summary>
    /// Numbers what is new and gives what changed a new version. A transaction must be open: the counter is the writer's alone until it ends.
    /// </summary>
    /// <returns>The number of this save, greater than any before.</returns>
    public static async Task<long> NumberAsync(PracticeDb db, IReadOnlyList<EntityEntry> changed, CancellationToken cancel)
    {
        var entries = changed.Where(NeedsNumber).ToList();
        var given = await db
            .Database.SqlQuery<long>($"""UPDATE "Counter" SET "Last" = "Last" + {entries.Count + 1} RETURNING "Last" AS "Value" """)
            .ToListAsync(cancel);
        var next = given[0] - entries.Count - 1;
        foreach (var entry in entries)
        {
            next++;
            if (entry.Entity is IVersioned versioned)
                versioned.Version = next;
            if (entry is { State: EntityState.Added, Entity: INumbered { Number: 0 } numbered })
                numbered.Number = next;
        }

        return given[0];
    }

    /// <summary>Notes on the dogs that what was saved belongs to, that they changed.</summary>
    public static async Task TouchAsync(PracticeDb db, IReadOnlyList<object> saved, long number, CancellationToken cancel)
    {
        var touched = saved.Select(DogOf).OfType<Guid>().Distinct().ToList();
        var remeasured = saved.Where(e => e is DogRow or ReadingRow or MeasuringSetRow).Select(DogOf).OfType<Guid>().ToHashSet();
        foreach (var dog in touched)
        {
            var measured = remeasured.Contains(dog) ? number : 0;
            await db.Database.ExecuteSqlAsync(
                $"""UPDATE "Dogs" SET "Touched" = {number}, "Remeasured" = MAX("Remeasured", {measured}) WHERE "Id" = {dog}""",
                cancel
            );
        }
    }

    private static Guid? DogOf(object saved) =>
        saved switch
        {
            DogRow dog => dog.Id,
            IOfDog of => of.DogId,
            _ => null,
        };

    private static bool NeedsNumber(EntityEntry entry) =>
        (entry.State is EntityState.Added or EntityState.Modified && entry.Entity is IVersioned)
        || entry is { State: EntityState.Added, Entity: INumbered { Number: 0 } };
}
