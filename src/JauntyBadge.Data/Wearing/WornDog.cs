using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Wearing;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Data.Fitting;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data.Wearing;

/// <summary>A wear as lists and rules need it: without its pictures and notes.</summary>
/// <param name="EndedAt">Null while it is on.</param>
/// <param name="HappyId">What was done, of the list of happy wears.</param>
public sealed record WearFact(
    Guid DogId,
    DateOnly Day,
    DateTime StartedAt,
    DateTime? EndedAt,
    Occasion Occasion,
    string? HappyId,
    SignGroup? Worst,
    bool Rubbed
)
{
    /// <summary>As the rules see it; one still on lasts nothing yet.</summary>
    public Wear AsWear => new(Day, EndedAt is { } end && end > StartedAt ? end - StartedAt : TimeSpan.Zero, Occasion, Worst >= SignGroup.Worried, Rubbed);
}

/// <summary>What a dog's wears, appointments and inspections say.</summary>
/// <param name="Wears">Its wears, the oldest first.</param>
/// <param name="Appointments">All that are not taken out, the earliest first.</param>
/// <param name="LastInspection">The last of the muzzle in use.</param>
/// <param name="Habits">What it loves and eats; null where nothing was said.</param>
public sealed record WornDog(IReadOnlyList<WearFact> Wears, IReadOnlyList<AppointmentRow> Appointments, InspectionRow? LastInspection, WearingHabitsRow? Habits)
{
    /// <summary>The wear that is on now.</summary>
    public WearFact? On => Wears.LastOrDefault(w => w.EndedAt is null);

    /// <summary>What each wear was to the dog.</summary>
    public IReadOnlyList<OccasionOn> Occasions => [.. Wears.Select(w => new OccasionOn(w.Day, w.Occasion))];

    /// <summary>The day of its last happy wear up to a day; null for none.</summary>
    public DateOnly? LastHappy(DateOnly today) => Wears.LastOrDefault(w => w.Occasion == Occasion.Fun && w.Day <= today)?.Day;

    /// <summary>What the next stressful appointment will make of its balance, with what to say of it; null where none is coming.</summary>
    public (BalanceAhead Ahead, string Says)? AheadOn(DateOnly today, Core.HouseRules rules)
    {
        var coming = Coming(today);
        return
            coming.FirstOrDefault(a => a.Occasion == Occasion.Stressful) is { } visit
            && BalanceAhead.Of(today, Occasions, [.. coming.Select(a => new OccasionOn(a.Day, a.Occasion))], rules) is { } ahead
            ? (ahead, WearingWords.Ahead(ahead, WearingWords.Visit(visit.Kind)))
            : null;
    }

    /// <summary>What is coming, from a day on.</summary>
    public IReadOnlyList<AppointmentRow> Coming(DateOnly today) => [.. Appointments.Where(a => a.Day >= today)];

    /// <summary>The next clinic visit.</summary>
    public DateOnly? NextClinic(DateOnly today) => Coming(today).FirstOrDefault(a => a.Kind == AppointmentKind.Clinic)?.Day;

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
                .Select(w => new WearFact(w.DogId, w.Day, w.StartedAt, w.EndedAt, w.Occasion, w.HappyId, w.Worst, w.Rubs.Count > 0))
                .ToListAsync(cancel)
        ).ToLookup(w => w.DogId);
        var appointments = (
            await db
                .Appointments.AsNoTracking()
                .Where(a => dogs.Contains(a.DogId) && a.RemovedAt == null)
                .OrderBy(a => a.Day)
                .ThenBy(a => a.Number)
                .ToListAsync(cancel)
        ).ToLookup(a => a.DogId);
        var inspections = (
            await db.Inspections.AsNoTracking().Where(i => dogs.Contains(i.DogId) && i.RemovedAt == null).OrderBy(i => i.Number).ToListAsync(cancel)
        ).ToLookup(i => i.DogId);
        var habits = await db.WearingHabits.AsNoTracking().Where(h => dogs.Contains(h.DogId)).ToDictionaryAsync(h => h.DogId, cancel);
        return dogs.ToDictionary(
            id => id,
            id => new WornDog(
                [.. wears[id]],
                [.. appointments[id]],
                inspections[id].LastOrDefault(i => i.SizeId == muzzles[id].Choice?.SizeId && muzzles[id].Choice is { } choice && i.Number > choice.Number),
                habits.GetValueOrDefault(id)
            )
        );
    }

    /// <summary>
    /// Where the plan goes back to after two worried wears in a row: the last step it passed at home, before other places; null where there is none, where it stands
    /// there already, or where the plan was moved since the last wear.
    /// </summary>
    public PlanPosition? BackTo(TrainedDog trained)
    {
        var since = trained.LastMove?.At ?? DateTime.MinValue;
        if (!WearLog.GoesBack([.. Wears.Where(w => w.EndedAt > since).Select(w => w.AsWear)]))
            return null;
        return
            trained.Plan.Steps.LastOrDefault(s => s.Step.Stage < Stage.Places && trained.Passed.Contains(s.Step.Id))?.Step is { } step
            && step.Id != trained.Position?.StepId
            ? new PlanPosition(step.Id, 0)
            : null;
    }
}
