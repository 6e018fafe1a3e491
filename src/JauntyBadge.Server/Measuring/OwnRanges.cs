using JauntyBadge.Core.Measuring;
using JauntyBadge.Data;
using JauntyBadge.Data.Dogs;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Measuring;

/// <summary>The ranges that this practice's own earlier dogs of a breed span, one value a dog: its last set's mean.</summary>
internal sealed class OwnRanges
{
    private readonly record struct Value(Guid DogId, string BreedId, Measure Measure, double Mm);

    private readonly ILookup<(string BreedId, Measure Measure), Value> values;

    private OwnRanges(IEnumerable<Value> values) => this.values = values.ToLookup(v => (v.BreedId, v.Measure));

    /// <summary>Loads what the practice knows of the breeds of some dogs. Crossbreeds have no range of their own and count for none.</summary>
    public static async Task<OwnRanges> LoadAsync(PracticeDb db, IEnumerable<DogRow> dogs, CancellationToken cancel)
    {
        var breeds = dogs.Where(d => d.BreedIds.Count == 1).Select(d => d.BreedIds[0]).Distinct().ToList();
        var kin = await db.Dogs.AsNoTracking().Where(d => d.BreedIds.Count == 1 && d.BreedIds.Any(b => breeds.Contains(b)))
            .Select(d => new { d.Id, d.BreedIds }).ToListAsync(cancel);
        var breedOf = kin.GroupBy(d => d.BreedIds[0]).Where(g => g.Count() > BreedRange.FewestDogs.Value).SelectMany(g => g).ToDictionary(d => d.Id, d => d.BreedIds[0]);
        if (breedOf.Count == 0)
            return new OwnRanges([]);
        var ids = breedOf.Keys.ToList();
        var means = await db.Readings.Where(r => ids.Contains(r.DogId) && r.RemovedAt == null && r.SetAside == null)
            .Join(db.MeasuringSets.Where(s => s.RemovedAt == null), r => r.SetId, s => s.Id, (r, s) => new { r.DogId, r.SetId, s.StartedAt, r.Measure, r.Millimetres })
            .GroupBy(r => new { r.DogId, r.SetId, r.StartedAt, r.Measure })
            .Select(g => new { g.Key.DogId, g.Key.StartedAt, g.Key.Measure, Mm = g.Average(r => r.Millimetres) }).ToListAsync(cancel);
        return new OwnRanges(means.GroupBy(m => (m.DogId, m.Measure)).Select(g => g.MaxBy(m => m.StartedAt)!)
            .Select(m => new Value(m.DogId, breedOf[m.DogId], m.Measure, m.Mm)));
    }

    /// <summary>The ranges for one dog, from the others of its breed.</summary>
    public IReadOnlyDictionary<Measure, BreedRange> For(DogRow dog)
    {
        var ranges = new Dictionary<Measure, BreedRange>();
        if (dog.BreedIds.Count != 1)
            return ranges;
        foreach (var measure in Enum.GetValues<Measure>())
        {
            var others = values[(dog.BreedIds[0], measure)].Where(v => v.DogId != dog.Id).Select(v => UnitsNet.Length.FromMillimeters(v.Mm)).ToList();
            if (BreedRange.Of(others) is { } range)
                ranges[measure] = range;
        }

        return ranges;
    }
}
