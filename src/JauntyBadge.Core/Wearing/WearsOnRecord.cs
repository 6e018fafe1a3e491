namespace JauntyBadge.Core.Wearing;

/// <summary>Where a muzzle left a mark.</summary>
public enum RubPlace
{
    NoseBridge,
    UnderTheEyes,
    Cheeks,
    Chin,
    Throat,
    BehindTheEars,
    Forehead,
}

/// <summary>A wear as lists and rules need it: without its pictures and notes.</summary>
/// <param name="Day">The practice's day it counts to.</param>
/// <param name="StartedAt">UTC.</param>
/// <param name="EndedAt">UTC; null while it is on.</param>
/// <param name="Occasion">What it was to the dog.</param>
/// <param name="HappyId">What was done, of the list of happy wears.</param>
/// <param name="Worried">A sign of worry or worse was seen.</param>
/// <param name="Rubbed">It left a mark.</param>
public sealed record WearOnRecord(DateOnly Day, DateTime StartedAt, DateTime? EndedAt, Occasion Occasion, string? HappyId, bool Worried, bool Rubbed)
{
    public Guid Id { get; init; }
    public long Version { get; init; }

    /// <summary>A sign of being over threshold was seen.</summary>
    public bool OverThreshold { get; init; }

    /// <summary>A sign of trouble with breath, heat or swallowing was seen.</summary>
    public bool Red { get; init; }

    /// <summary>How it ended.</summary>
    public WearEnding Ending { get; init; }

    /// <summary>How long it was told to be at most; null where nobody said.</summary>
    public TimeSpan? Cap { get; init; }

    /// <summary>As the rules see it; one still on lasts nothing yet.</summary>
    public Wear AsWear =>
        new(Day, EndedAt is { } end && end > StartedAt ? end - StartedAt : TimeSpan.Zero, Occasion, Worried, Rubbed)
        {
            OverThreshold = OverThreshold,
            Red = Red,
            Ending = Ending,
            Cap = Cap,
        };

    /// <summary>When it has to be off, UTC; null where nobody said how long.</summary>
    public DateTime? OffBy => Cap is { } cap ? StartedAt + cap : null;
}

/// <summary>A day on which a dog has to wear its muzzle somewhere.</summary>
/// <param name="Day">The day.</param>
/// <param name="Time">The time of day, where one was said.</param>
/// <param name="Kind">What for.</param>
/// <param name="Occasion">What it is to the dog.</param>
/// <param name="Place">Where.</param>
/// <param name="ReadyAt">The step that has to be passed by then; null for its purpose's last.</param>
public sealed record AppointmentOnRecord(DateOnly Day, TimeOnly? Time, AppointmentKind Kind, Occasion Occasion, string? Place, string? ReadyAt);

/// <summary>How the balance will stand after what is coming.</summary>
/// <param name="Visit">The stressful appointment ahead.</param>
/// <param name="Balance">What it will make of the balance, and what to do before.</param>
public sealed record VisitAhead(AppointmentKind Visit, BalanceAhead Balance);

/// <summary>What a dog's wears, appointments and inspections say.</summary>
/// <param name="Wears">Its wears, the oldest first.</param>
/// <param name="Appointments">All that are not taken out, the earliest first.</param>
/// <param name="LastInspection">The last of the muzzle in use.</param>
public sealed record WearsOnRecord(IReadOnlyList<WearOnRecord> Wears, IReadOnlyList<AppointmentOnRecord> Appointments, Inspected? LastInspection)
{
    /// <summary>The wear that is on now.</summary>
    public WearOnRecord? On => Wears.LastOrDefault(w => w.EndedAt is null);

    /// <summary>What each wear was to the dog in the end.</summary>
    public IReadOnlyList<OccasionOn> Occasions(HouseRules rules) =>
        [.. Wears.Select(w => (w.Day, Was: w.AsWear.Was(rules))).Where(w => w.Was is not null).Select(w => new OccasionOn(w.Day, w.Was!.Value))];

    /// <summary>The day of its last happy wear up to a day; null for none.</summary>
    public DateOnly? LastHappy(DateOnly today, HouseRules rules) => Occasions(rules).LastOrDefault(w => w.Occasion == Occasion.Fun && w.Day <= today)?.Day;

    /// <summary>What its wears leave of the next.</summary>
    /// <param name="today">The practice's day.</param>
    /// <param name="now">Now, UTC.</param>
    /// <param name="lastTrained">The last day on which it was trained with a muzzle on; null for none.</param>
    /// <param name="rules">The numbers that decide.</param>
    public WearPast Past(DateOnly today, DateTime now, DateOnly? lastTrained, HouseRules rules) =>
        WearPast.Of([.. Wears.Where(w => w.EndedAt is not null).Select(w => w.AsWear)], today, lastTrained, rules) with
        {
            PauseLeft = Wears.Where(w => w.EndedAt is not null).MaxBy(w => w.EndedAt) is { EndedAt: { } end } last
                ? WearPast.Pause(last.StartedAt, end, now)
                : TimeSpan.Zero,
        };

    /// <summary>What is coming, from a day on.</summary>
    public IReadOnlyList<AppointmentOnRecord> Coming(DateOnly today) => [.. Appointments.Where(a => a.Day >= today)];

    /// <summary>The next clinic visit.</summary>
    public DateOnly? NextClinic(DateOnly today) => Coming(today).FirstOrDefault(a => a.Kind == AppointmentKind.Clinic)?.Day;

    /// <summary>What the next stressful appointment will make of the balance; null where none is coming.</summary>
    public VisitAhead? AheadOn(DateOnly today, HouseRules rules)
    {
        var coming = Coming(today);
        return
            coming.FirstOrDefault(a => a.Occasion == Occasion.Stressful) is { } visit
            && BalanceAhead.Of(today, Occasions(rules), [.. coming.Select(a => new OccasionOn(a.Day, a.Occasion))], rules) is { } ahead
            ? new(visit.Kind, ahead)
            : null;
    }
}
