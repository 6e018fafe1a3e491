using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Wearing;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Data.Measuring;
using JauntyBadge.Data.Wearing;

namespace JauntyBadge.Data.Dogs;

/// <summary>Everything on record that decides how far a dog has come.</summary>
/// <param name="Trained">The dog, its readings and its plan.</param>
/// <param name="Muzzle">The muzzle it uses.</param>
/// <param name="Worn">What it wore, what is coming, and the state its muzzle is in.</param>
/// <param name="Zone">Where the practice is.</param>
public sealed record DogFile(TrainedDog Trained, MuzzleInUse Muzzle, WornDog Worn, TimeZoneInfo Zone)
{
    public MeasuredDog Measured => Trained.Measured;

    public DogRow Dog => Measured.Dog;

    public DogProfile Profile => Measured.Profile;

    /// <summary>Its head for a badge, as measured or as usual for its kind.</summary>
    public HeadPortrait Portrait => HeadPortrait.Of(HeadDrawing.Of(HeadDrawing.ModelToDraw(Measured.Assessed.Numbers, Profile.BodyMass)));

    /// <summary>How far it has come, in the numbers that decide what is next.</summary>
    public DogProgress ProgressOn(DateOnly today)
    {
        var (plan, passed, at) = (Trained.Plan, Trained.Passed, Trained.Position);
        var step = at is null ? null : Step.Find(at.StepId);
        var state = MuzzleOn(today);
        return new DogProgress(
            Profile.Purposes.Count > 0,
            Completeness.Share(Measured.Assessed.Measured, Measured.FitStyle),
            Measured.Assessed.Findings.Count(f => f.Severity == Severity.Check),
            Measured.MeasureAgain(today) is [var why, ..] ? why : null,
            Muzzle.Choice is not null,
            Muzzle.Tried?.FineShare ?? 0,
            Muzzle.Tried?.Wrong,
            plan.PassedShare(passed, upToFirstFastening: true),
            plan.PassedShare(passed, upToFirstFastening: false),
            step?.Name,
            step?.TargetText(at!.Target, at.Asked),
            Trained.LastTrained,
            at?.NotBefore,
            Trained.OpenSession is not null
        )
        {
            SessionsStuck = Trained.Stuck?.Sessions ?? 0,
            WantedBy = Trained.Week.By,
            StepsLeft = Trained.StepsLeft,
            WearsIt = Trained.WearsIt,
            WearsNow = Worn.On is not null,
            OutOfUse = state is { Due: InspectionDue.OutOfUse } ? WearingWords.Of(state) : null,
            Inspect = state is { Due: InspectionDue.Monthly or InspectionDue.BeforeClinic } && IsWorn ? WearingWords.Of(state) : null,
            Refit = RefitOn(today) is { } refit ? WearingWords.Of(refit) : null,
            HappyOwed = IsWorn ? HappyOwedOn(today) : null,
            Coming = Worn.Coming(today) is [var next, ..] ? new(next.Day, WearingWords.Of(next.Kind), ComingWords(next)) : null,
            DoneToday = [.. Done(today)],
        };
    }

    /// <summary>What its muzzle needs, the nearest day first.</summary>
    public IReadOnlyList<UpkeepDue> UpkeepOn(DateOnly today)
    {
        var rules = Measured.Rules;
        var due = new List<UpkeepDue>();
        if (MuzzleOn(today) is { } state)
            due.Add(state.Due == InspectionDue.NotYet ? new(Upkeep.Inspect, state.On, null) : new(Upkeep.Inspect, today, WearingWords.Of(state)));
        if (Muzzle.LastTryOn is { } tried)
            due.Add(
                RefitOn(today) is { } cause
                    ? new(Upkeep.TryOn, today, $"{WearingWords.Of(cause)}.")
                    : new(Upkeep.TryOn, MuzzleState.RefitBy(DayOf(tried.At), rules), null)
            );
        if (Measured.MeasureAgain(today) is [var why, ..])
            due.Add(new(Upkeep.Measure, today, why));
        else if (Profile.IsGrowing(today) && Measured.CurrentSet is { } set)
            due.Add(new(Upkeep.Measure, DayOf(set.StartedAt).AddDays((int)rules[Remeasure.GrowingEvery].TotalDays), "It is growing."));
        return [.. due.OrderBy(d => d.On)];
    }

    /// <summary>The state of the muzzle in use; null where none is.</summary>
    public MuzzleState? MuzzleOn(DateOnly today) =>
        Muzzle.Choice is { } choice
            ? MuzzleState.Of(
                DayOf(choice.ChosenAt),
                Worn.LastInspection is { } last ? new(last.Day, last.Failed) : null,
                Worn.NextClinic(today),
                today,
                Measured.Rules
            )
            : null;

    /// <summary>Why the fit is to be looked at again though nothing of the dog changed; null where it need not be.</summary>
    private RefitCause? RefitOn(DateOnly today) =>
        Muzzle.LastTryOn is { } tried
            ? MuzzleState.Refit(DayOf(tried.At), Worn.Wears.Any(w => w.Rubbed && w.StartedAt > tried.At), today, Measured.Rules)
            : null;

    /// <summary>The practice's day of a moment on record.</summary>
    private DateOnly DayOf(DateTime utc) => DateOnly.FromDateTime(TimeZoneInfo.ConvertTimeFromUtc(utc, Zone));

    /// <summary>It wears its muzzle, in training or beyond: inspections and happy wears are asked of such dogs only.</summary>
    private bool IsWorn => Trained.WearsIt || Worn.Wears.Count > 0;

    /// <summary>Why it is to have a happy wear; null where it need not.</summary>
    private string? HappyOwedOn(DateOnly today) =>
        Worn.AheadOn(today, Measured.Rules) is { Ahead.HappyOn: [var first, ..], Says: var says } && first == today
            ? says
            : WearingWords.Owed(AssociationBalance.On(today, Worn.Occasions, Measured.Rules), Worn.LastHappy(today), today, Measured.Rules);

    private string ComingWords(AppointmentRow next)
    {
        var when = $"{(next.Place is { } place ? $"{place}, " : "")}{next.Day:d MMMM}{(next.Time is { } at ? $" at {at:HH:mm}" : "")}";
        return next.ReadyAt is { } ready && Step.Find(ready) is { } step && !Trained.Passed.Contains(ready)
            ? $"{when}: “{step.Name}” is to be passed by then."
            : $"{when}.";
    }

    /// <summary>What was done with it on a day.</summary>
    private IEnumerable<string> Done(DateOnly today)
    {
        if (Measured.CurrentSet is { } set && DayOf(set.StartedAt) == today && Measured.ReadingRows.Count > 0)
            yield return "Measured";
        if (Muzzle.Choice is { } choice && DayOf(choice.ChosenAt) == today)
            yield return "Muzzle chosen";
        if (Muzzle.LastTryOn is { } tried && DayOf(tried.At) == today)
            yield return "Tried on";
        if (Trained.LastTrained == today && Trained.OpenSession is null)
            yield return "Trained";
        foreach (var wear in Worn.Wears.Where(w => w.Day == today && w.EndedAt is not null))
            yield return $"Worn {WearingWords.Minutes(wear.AsWear.Lasted)}, {WearingWords.Of(wear.Occasion)}";
        if (Worn.LastInspection?.Day == today)
            yield return Worn.LastInspection.Failed.Count == 0 ? "Muzzle inspected: fine" : "Muzzle inspected: failed";
    }

    /// <summary>The files of some dogs, in a handful of queries.</summary>
    public static async Task<IReadOnlyList<DogFile>> LoadAsync(PracticeDb db, IQueryable<DogRow> which, CancellationToken cancel)
    {
        var measured = await MeasuredDog.LoadAsync(db, which, cancel);
        var muzzles = await MuzzleInUse.LoadAsync(db, [.. measured.Select(d => d.Dog.Id)], cancel);
        var worn = await WornDog.LoadAsync(db, muzzles, cancel);
        return
        [
            .. (await TrainedDog.LoadAsync(db, measured, cancel)).Select(t => new DogFile(t, muzzles[t.Measured.Dog.Id], worn[t.Measured.Dog.Id], db.Zone)),
        ];
    }

    /// <summary>One dog's file; null when there is none with this id.</summary>
    public static async Task<DogFile?> FindAsync(PracticeDb db, Guid id, CancellationToken cancel) =>
        (await LoadAsync(db, db.Dogs.Where(d => d.Id == id), cancel)).SingleOrDefault();
}
