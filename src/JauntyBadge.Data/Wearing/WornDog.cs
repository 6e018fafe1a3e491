using JauntyBadge.Core.Wearing;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Data.Fitting;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data.Wearing;

/// <summary>What is on record of a dog's wearing.</summary>
/// <param name="Record">Its wears, appointments and last inspection, as the rules see them.</param>
/// <param name="Habits">What it loves and eats; null where nothing was said.</param>
public sealed record WornDog(WearsOnRecord Record, WearingHabitsRow? Habits)
{
    /// <summary>What some dogs wore.</summary>
    /// <param name="db">The practice.</param>
    /// <param name="muzzles">Their muzzles, by dog.</param>
    /// <param name="cancel">Stops it.</param>
    public static async Task<IReadOnlyDictionary<Guid, WornDog>> LoadAsync(
        PracticeDb db,
        IReadOnlyDictionary<Guid, MuzzleInUse> muzzles,
        CancellationToken cancel
    )
    {
        var dogs = muzzles.Keys.ToList();
        var wears = (
            await db
                .Wears.Where(w => dogs.Contains(w.DogId) && w.RemovedAt == null)
                .OrderBy(w => w.StartedAt)
                .ThenBy(w => w.Number)
                // Without its pictures and notes.
                .Select(w => new WearRow
                {
                    DogId = w.DogId,
                    Id = w.Id,
                    Version = w.Version,
                    Day = w.Day,
                    StartedAt = w.StartedAt,
                    EndedAt = w.EndedAt,
                    Occasion = w.Occasion,
                    HappyId = w.HappyId,
                    Worst = w.Worst,
                    Red = w.Red,
                    Ending = w.Ending,
                    CapMinutes = w.CapMinutes,
                    Rubs = w.Rubs,
                })
                .ToListAsync(cancel)
        ).ToLookup(w => w.DogId, w => w.AsRecord);
        var appointments = (
            await db
                .Appointments.AsNoTracking()
                .Where(a => dogs.Contains(a.DogId) && a.RemovedAt == null)
                .OrderBy(a => a.Day)
                .ThenBy(a => a.Number)
                .ToListAsync(cancel)
        ).ToLookup(a => a.DogId, a => a.ToRecord());
        var inspections = (
            await db.Inspections.AsNoTracking().Where(i => dogs.Contains(i.DogId) && i.RemovedAt == null).OrderBy(i => i.Number).ToListAsync(cancel)
        ).ToLookup(i => i.DogId);
        var habits = await db.WearingHabits.AsNoTracking().Where(h => dogs.Contains(h.DogId)).ToDictionaryAsync(h => h.DogId, cancel);
        return dogs.ToDictionary(
            id => id,
            id =>
            {
                var choice = muzzles[id].Choice;
                var last = inspections[id].LastOrDefault(i => i.SizeId == choice?.SizeId && i.Number > choice.Number);
                return new WornDog(new([.. wears[id]], [.. appointments[id]], last is null ? null : new(last.Day, last.Failed)), habits.GetValueOrDefault(id));
            }
        );
    }
}
