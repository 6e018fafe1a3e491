using JauntyBadge.Core;
using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Fitting;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data.Fitting;

/// <summary>The muzzle a dog uses, and how it did on it.</summary>
/// <param name="Choice">The muzzle; null for none.</param>
/// <param name="LastTryOn">The last time it was tried on the dog since it was chosen.</param>
public sealed record MuzzleInUse(ChoiceRow? Choice, TryOnRow? LastTryOn)
{
    /// <summary>What the last try-on came to; null when there was none.</summary>
    public TryOnFinding? Tried { get; } =
        LastTryOn is { Seen: var seen } && Choice is not null ? TryOnFinding.Of(Choice.KeptFit.Type, seen.Answers, seen.Symptoms) : null;

    /// <summary>As the rules see it; null where none is chosen.</summary>
    /// <param name="clock">Tells the practice's days.</param>
    public MuzzleOnRecord? ToRecord(TimeProvider clock) =>
        Choice is null ? null : new(clock.DayOf(Choice.ChosenAt), LastTryOn is { } row && Tried is { } found ? new(row.At, clock.DayOf(row.At), found) : null);

    /// <summary>The muzzles of some dogs.</summary>
    public static async Task<IReadOnlyDictionary<Guid, MuzzleInUse>> LoadAsync(PracticeDb db, IReadOnlyList<Guid> dogs, CancellationToken cancel)
    {
        var last = db.Choices.Where(c => dogs.Contains(c.DogId) && c.WithdrawnAt == null).GroupBy(c => c.DogId).Select(g => g.Max(c => c.Number));
        var choices = await db.Choices.AsNoTracking().Where(c => dogs.Contains(c.DogId) && last.Contains(c.Number)).ToDictionaryAsync(c => c.DogId, cancel);
        var tries = (
            await db.TryOns.AsNoTracking().Where(t => dogs.Contains(t.DogId) && t.RemovedAt == null).OrderBy(t => t.Number).ToListAsync(cancel)
        ).ToLookup(t => t.DogId);
        return dogs.ToDictionary(
            id => id,
            id =>
            {
                // One that cannot be read is no muzzle to go by.
                var choice = choices.GetValueOrDefault(id) is { KeptFit.Unreadable: false } readable ? readable : null;
                return new MuzzleInUse(choice, tries[id].LastOrDefault(t => !t.Seen.Unreadable && t.SizeId == choice?.SizeId && t.Number > choice.Number));
            }
        );
    }
}
