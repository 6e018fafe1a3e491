using System.Collections.Concurrent;
using System.Text.Json;
using JauntyBadge.Core;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Data.Dogs;
using Microsoft.EntityFrameworkCore;
using UnitsNet;

namespace JauntyBadge.Data.Measuring;

/// <summary>What the practice's own dogs of a breed measure, read anew only once a dog of the breed changed.</summary>
public sealed class BreedRanges
{
    private readonly ConcurrentDictionary<string, BreedValues> known = new();

    /// <summary>
    /// The ranges for each of some dogs, from the last sets of the others of its breed. Crossbreeds have no range of their own and count for none.
    /// </summary>
    internal async Task<IReadOnlyDictionary<Guid, DogRanges>> ReadAsync(
        PracticeDb db,
        IReadOnlyCollection<DogRow> dogs,
        HouseRules rules,
        CancellationToken cancel
    )
    {
        var stampOf = await StampsAsync(db, dogs.Select(d => d.BreedIds), rules, cancel);
        var ranges = new Dictionary<Guid, DogRanges>();
        foreach (var dog in dogs)
        {
            ranges[dog.Id] =
                stampOf(dog.BreedIds) is var stamp && stamp != default
                    ? new DogRanges(stamp, (await ValuesAsync(db, dog.BreedIds[0], stamp, cancel)).WithoutOne(dog.Id, rules))
                    : DogRanges.None;
        }

        return ranges;
    }

    /// <summary>How the breeds of some dogs stand now: answers the stamp of a dog's ranges, and none where its breed has too few dogs, or it is of no one breed.</summary>
    public static async Task<Func<IReadOnlyList<string>, BreedStamp>> StampsAsync(
        PracticeDb db,
        IEnumerable<IReadOnlyList<string>> dogs,
        HouseRules rules,
        CancellationToken cancel
    )
    {
        List<string> breeds = [.. dogs.Where(b => b.Count == 1).Select(b => b[0]).Distinct()];
        if (breeds.Count == 0)
            return _ => default;
        var asked = JsonSerializer.Serialize(breeds.Select(Stored));
        var rows = await db
            .Database.SqlQuery<StampRow>(
                $"""
                SELECT "BreedIds" AS "Breed", MAX("Remeasured") AS "Last", COUNT(*) AS "Dogs" FROM "Dogs"
                WHERE "BreedIds" IN (SELECT "value" FROM json_each({asked})) GROUP BY "BreedIds"
                """
            )
            .ToDictionaryAsync(r => r.Breed, cancel);

        // The dog itself is one of those counted.
        return dog =>
            dog is [var breed] && rows.TryGetValue(Stored(breed), out var row) && row.Dogs > rules[BreedRange.FewestDogs]
                ? new BreedStamp(row.Last, row.Dogs)
                : default;
    }

    private static string Stored(string breed) => JsonSerializer.Serialize(new[] { breed });

    private async Task<BreedValues> ValuesAsync(PracticeDb db, string breed, BreedStamp stamp, CancellationToken cancel)
    {
        if (known.TryGetValue(breed, out var values) && values.Stamp == stamp)
            return values;
        var stored = Stored(breed);
        var kin = await db.Dogs.FromSql($"""SELECT * FROM "Dogs" WHERE "BreedIds" = {stored}""").AsNoTracking().Select(d => d.Id).ToListAsync(cancel);
        var means = await db
            .Readings.Where(r => kin.Contains(r.DogId) && r.RemovedAt == null && r.SetAside == null)
            .Join(
                db.MeasuringSets.Where(s => s.RemovedAt == null),
                r => r.SetId,
                s => s.Id,
                (r, s) =>
                    new
                    {
                        r.DogId,
                        s.Number,
                        r.Measure,
                        r.Millimetres,
                    }
            )
            .GroupBy(r => new
            {
                r.DogId,
                r.Number,
                r.Measure,
            })
            .Select(g => new
            {
                g.Key.DogId,
                g.Key.Number,
                g.Key.Measure,
                Mm = g.Average(r => r.Millimetres),
            })
            .ToListAsync(cancel);
        var last = means.GroupBy(m => (m.DogId, m.Measure)).Select(g => g.MaxBy(m => m.Number)!);
        return known[breed] = new BreedValues(stamp, last.ToLookup(m => m.Measure, m => (m.DogId, m.Mm)));
    }

    private sealed record StampRow(string Breed, long Last, int Dogs);

    private sealed record BreedValues(BreedStamp Stamp, ILookup<Measure, (Guid DogId, double Mm)> Values)
    {
        public Dictionary<Measure, BreedRange> WithoutOne(Guid dogId, HouseRules rules)
        {
            var ranges = new Dictionary<Measure, BreedRange>();
            foreach (var measure in Values)
            {
                if (BreedRange.Of([.. measure.Where(v => v.DogId != dogId).Select(v => Length.FromMillimeters(v.Mm))], rules) is { } range)
                    ranges[measure.Key] = range;
            }

            return ranges;
        }
    }
}

/// <summary>Tells whether anything that a breed's ranges rest on has changed: the last change of a dog of it, and how many there are.</summary>
public readonly record struct BreedStamp(long Last, int Dogs);

/// <summary>The practice's own ranges for one dog.</summary>
public sealed record DogRanges(BreedStamp Stamp, IReadOnlyDictionary<Measure, BreedRange> ByMeasure)
{
    public static readonly DogRanges None = new(default, new Dictionary<Measure, BreedRange>());
}
