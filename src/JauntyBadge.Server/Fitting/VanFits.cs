using System.Collections.Concurrent;
using JauntyBadge.Core;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Data;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Data.Measuring;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Fitting;

/// <summary>A dog of the round with the sizes that would fit it today.</summary>
/// <param name="Fits">The sizes; null while it is not measured.</param>
internal sealed record FittedDog(Guid Id, string Name, IReadOnlySet<string>? Fits);

/// <summary>
/// Which sizes would fit each dog today, worked out anew only once what it rests on changed: the dog's own record, the catalogue, how the practice
/// fits, the breeds' list, or the day.
/// </summary>
internal sealed class VanFits
{
    private readonly ConcurrentDictionary<Guid, (Stamp Stamp, FittedDog Dog)> known = new();
    private readonly ConcurrentDictionary<Guid, ((long Version, Practice Practice) Stamp, IReadOnlySet<string> Fits)> awaited = new();
    private Planned? planned;

    /// <summary>The dogs of the round by name, each with what fits it.</summary>
    public async Task<IReadOnlyList<FittedDog>> ReadAsync(PracticeDb db, MuzzleList muzzles, FitSettingsRow settings, DateOnly today, CancellationToken cancel)
    {
        var dogs = await db
            .Dogs.Where(d => d.ArchivedAt == null)
            .OrderBy(d => d.Name)
            .ThenBy(d => d.Id)
            .Select(d => new { d.Id, d.Touched })
            .ToListAsync(cancel);
        var practice = await PracticeAsync(db, settings, cancel);
        Stamp Now(long touched) => new(touched, today, practice);
        var stale = dogs.Where(d => !known.TryGetValue(d.Id, out var k) || k.Stamp != Now(d.Touched)).Select(d => d.Id).ToList();
        if (stale.Count > 0)
        {
            var overruled = (await db.Overrules.AsNoTracking().Where(o => stale.Contains(o.DogId)).ToListAsync(cancel)).ToLookup(o => o.DogId);
            var measured = await MeasuredDog.LoadAsync(db, db.Dogs.Where(d => stale.Contains(d.Id)), cancel);
            Parallel.ForEach(
                measured,
                new ParallelOptions { CancellationToken = cancel },
                dog =>
                {
                    var file = new FitBasis(dog, muzzles, settings, overruled[dog.Dog.Id].ToDictionary(o => o.LineId), today, Writing.Usual);
                    var fits = file.Question(new FitQuery().Read()) is { } question ? VanStock.FitsToday(muzzles.All, question) : null;
                    known[dog.Dog.Id] = (Now(dog.Dog.Touched), new FittedDog(dog.Dog.Id, dog.Dog.Name, fits));
                }
            );
        }

        return [.. dogs.Select(d => known[d.Id].Dog)];
    }

    /// <summary>What fits dogs the practice expects.</summary>
    public async Task<IReadOnlySet<string>> ReadAsync(
        PracticeDb db,
        MuzzleList muzzles,
        FitSettingsRow settings,
        ExpectedDogRow dog,
        Func<FitQuestion> question,
        CancellationToken cancel
    )
    {
        var stamp = (dog.Version, await PracticeAsync(db, settings, cancel));
        if (!awaited.TryGetValue(dog.Id, out var fits) || fits.Stamp != stamp)
            awaited[dog.Id] = fits = (stamp, VanStock.FitsToday(muzzles.All, question()));
        return fits.Fits;
    }

    /// <summary>The plan for some dogs, the last one kept as long as it is asked for again.</summary>
    public StockPlan Plan(IReadOnlyList<StockDog> dogs, int sizes, IReadOnlyList<string> preferred)
    {
        if (planned is { } last && last.Sizes == sizes && last.Dogs.SequenceEqual(dogs) && last.Preferred.SequenceEqual(preferred))
            return last.Plan;
        var plan = VanStock.Plan(dogs, sizes, preferred);
        planned = new Planned(dogs, sizes, preferred, plan);
        return plan;
    }

    private static async Task<Practice> PracticeAsync(PracticeDb db, FitSettingsRow settings, CancellationToken cancel) =>
        new(await db.Muzzles.CountAsync(cancel), settings.Version, await BreedRow.StampAsync(db, cancel), await db.RulesAsync(cancel));

    /// <summary>What holds for every dog: versions of muzzles are only ever added.</summary>
    private readonly record struct Practice(int Muzzles, long Settings, (int Count, long Last) Breeds, HouseRules Rules);

    /// <summary>A plan with what it was made for.</summary>
    private sealed record Planned(IReadOnlyList<StockDog> Dogs, int Sizes, IReadOnlyList<string> Preferred, StockPlan Plan);

    private readonly record struct Stamp(long Touched, DateOnly Day, Practice Practice);
}
