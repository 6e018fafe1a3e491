using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Wearing;

namespace JauntyBadge.Core.Caseload;

/// <summary>What was done with a dog.</summary>
public enum DoneKind
{
    Measured,
    Chosen,
    Tried,
    Trained,
    Worn,
    Inspected,
}

/// <summary>Something done with a dog on a day.</summary>
/// <param name="Kind">What.</param>
/// <param name="Wear">The wear, where it was one.</param>
/// <param name="Failed">An inspection that something failed at.</param>
public sealed record DoneOn(DoneKind Kind, Wear? Wear = null, bool Failed = false);

/// <summary>Why a dog is to have a happy wear.</summary>
/// <param name="Balance">What the muzzle has come to mean to it.</param>
/// <param name="LastHappy">The day of its last happy wear; null for none.</param>
/// <param name="Ahead">The appointment that asks for it today; null where the balance itself does.</param>
public sealed record HappyOwed(AssociationBalance Balance, DateOnly? LastHappy, VisitAhead? Ahead);

/// <summary>Something coming that a dog wears its muzzle for.</summary>
/// <param name="At">What, when and where.</param>
/// <param name="StillToPass">The step that is to be passed by then and is not; null for none.</param>
public sealed record Ahead(AppointmentOnRecord At, Step? StillToPass);

/// <summary>Where a dog stands on a day: causes as codes, days and shares as numbers. Badge, next thing and round follow from it.</summary>
public sealed record Standing
{
    /// <summary>How much of the fitted segment the choice alone fills; the rest fills as the muzzle is found fine on the dog.</summary>
    public static readonly Grounded<double> ChoiceFills = new(
        "badge.choice-fills",
        "Share of the fitted segment that choosing fills; trying on fills the rest",
        0.5,
        Basis.House("A choice on paper is half a fit: the dog has the last word.")
    )
    {
        SetElsewhere = "It only draws the badge.",
    };

    public static readonly Grounded<int> DateIsSaid = new(
        "round.date-is-said",
        "Days ahead from which the day a dog is wanted is said beside its session",
        30,
        Basis.House("a month is when days can still be added to a week")
    );

    public static readonly Grounded<int> DateIsNear = new(
        "round.date-is-near",
        "Days ahead from which the day a dog is wanted cannot wait",
        14,
        Basis.House("in a fortnight there is still something to be done about it")
    );

    public static readonly Grounded<int> AppointmentIsNear = new(
        "round.appointment-is-near",
        "Days ahead from which an appointment is said on the round",
        7,
        Basis.House("the week a fitter plans by")
    );

    public static IReadOnlyList<IGrounded> All { get; } = [ChoiceFills, DateIsSaid, DateIsNear, AppointmentIsNear];

    /// <summary>The day it is looked at.</summary>
    public required DateOnly Today { get; init; }

    /// <summary>The numbers that decide.</summary>
    public required HouseRules Rules { get; init; }

    /// <summary>At least one purpose is set.</summary>
    public bool HasPurpose { get; init; }

    /// <summary>Share of the wanted measures read, 0 to 1.</summary>
    public double MeasuredShare { get; init; }

    /// <summary>Findings that ask for a reading to be taken again.</summary>
    public int ReadingsToRetake { get; init; }

    /// <summary>Why it should be measured again; null when it need not.</summary>
    public RemeasureCause? Remeasure { get; init; }

    /// <summary>A muzzle was chosen and kept.</summary>
    public bool MuzzleChosen { get; init; }

    /// <summary>What the last try-on since it was chosen came to; null where it was not tried.</summary>
    public TryOnFinding? Tried { get; init; }

    /// <summary>Share passed of the steps up to the first fastening, 0 to 1.</summary>
    public double ConditionedShare { get; init; }

    /// <summary>Share passed of the steps from wearing still to the purpose, 0 to 1.</summary>
    public double WearingShare { get; init; }

    /// <summary>The step the plan stands at; null when all are passed.</summary>
    public Step? NextStep { get; init; }

    /// <summary>Where in it the plan stands.</summary>
    public PlanPosition? Position { get; init; }

    /// <summary>The day of the last session; null for none.</summary>
    public DateOnly? LastTrained { get; init; }

    /// <summary>A session was begun and not ended.</summary>
    public bool SessionOpen { get; init; }

    /// <summary>Sessions in a row that brought it no further, where it counts as stuck; 0 where it gets on.</summary>
    public int SessionsStuck { get; init; }

    /// <summary>Why its training is stopped; null where it is not.</summary>
    public TrainingStop? Stop { get; init; }

    /// <summary>Days it was away, where that asks for finding where to begin; null elsewhere.</summary>
    public int? DaysGone { get; init; }

    /// <summary>The day it has to be ready by; null for none.</summary>
    public DateOnly? WantedBy { get; init; }

    /// <summary>Steps still to be passed by then.</summary>
    public int StepsLeft { get; init; }

    /// <summary>Every step up to its purpose's last is passed: keeping it happy is what is left.</summary>
    public bool WearsIt { get; init; }

    /// <summary>The wear that is on just now; null for none.</summary>
    public WearOnRecord? On { get; init; }

    /// <summary>The state of its muzzle where that is out of use, or to be inspected; null otherwise.</summary>
    public MuzzleState? Muzzle { get; init; }

    /// <summary>Why the fit is to be looked at again though it was fine; null where it need not be.</summary>
    public RefitCause? Refit { get; init; }

    /// <summary>Why it is to have a happy wear; null where it need not.</summary>
    public HappyOwed? HappyOwed { get; init; }

    /// <summary>What is coming next for which it wears its muzzle; null for nothing.</summary>
    public Ahead? Coming { get; init; }

    /// <summary>What was done with it today.</summary>
    public IReadOnlyList<DoneOn> Done { get; init; } = [];

    /// <summary>Where a dog stands on a day.</summary>
    public static Standing Of(DogRecord dog, DateOnly today)
    {
        var (training, rules) = (dog.Training, dog.Rules);
        var (at, state) = (training.Position, dog.MuzzleOn(today));
        return new Standing
        {
            Today = today,
            Rules = rules,
            HasPurpose = dog.Profile.Purposes.Count > 0,
            MeasuredShare = Completeness.Share(dog.Assessed.Measured, dog.FitStyle),
            ReadingsToRetake = dog.Assessed.Findings.Count(f => f.Severity == Severity.Check),
            Remeasure = dog.MeasureAgain(today) is [var why, ..] ? why : null,
            MuzzleChosen = dog.Muzzle is not null,
            Tried = dog.Muzzle?.Tried?.Finding,
            ConditionedShare = training.Plan.PassedShare(training.Passed, upToFirstFastening: true),
            WearingShare = training.Plan.PassedShare(training.Passed, upToFirstFastening: false),
            NextStep = at is null ? null : Step.Find(at.StepId),
            Position = at,
            LastTrained = training.LastTrained,
            SessionOpen = training.IsOpen,
            SessionsStuck = training.Stuck?.Sessions ?? 0,
            Stop = training.Stop,
            DaysGone = training.DaysGone(today),
            WantedBy = training.Week.By,
            StepsLeft = training.StepsLeft,
            WearsIt = training.WearsIt,
            On = dog.Worn.On,
            Muzzle =
                state is { Due: InspectionDue.OutOfUse } || (state is { Due: InspectionDue.Monthly or InspectionDue.BeforeClinic } && dog.IsWorn)
                    ? state
                    : null,
            Refit = dog.RefitOn(today),
            HappyOwed = dog.IsWorn ? HappyOwedOn(dog, today) : null,
            Coming = dog.Worn.Coming(today) is [var next, ..]
                ? new(next, next.ReadyAt is { } ready && !training.Passed.Contains(ready) ? Step.Find(ready) : null)
                : null,
            Done = [.. DoneOnDay(dog, today)],
        };
    }

    /// <summary>The badge's segments, filled 0 to 1.</summary>
    public IReadOnlyDictionary<Phase, double> Badge =>
        new Dictionary<Phase, double>
        {
            [Phase.Measured] = MeasuredShare,
            [Phase.Fitted] = MuzzleChosen ? ChoiceFills.Ours + (1 - ChoiceFills.Ours) * TriedShare : 0,
            [Phase.Conditioned] = ConditionedShare,
            [Phase.Wearing] = WearingShare,
        };

    /// <summary>Days until the day it is wanted, while that is ahead and there are steps to go.</summary>
    public int? DaysToDate => StepsLeft > 0 ? DaysTo(WantedBy) : null;

    /// <summary>The day it is wanted is near enough to be said beside the session, and not so near that it is said on its own.</summary>
    public bool SaysDate => DaysToDate is { } days && days > Rules[DateIsNear] && days <= Rules[DateIsSaid];

    /// <summary>The muzzle failed at its inspection.</summary>
    public bool IsOutOfUse => Muzzle is { Due: InspectionDue.OutOfUse };

    /// <summary>Share found fine of what is looked at on the dog, 0 to 1; 0 when it was not tried since it was chosen.</summary>
    public double TriedShare => Tried?.FineShare ?? 0;

    /// <summary>Something was not right on the dog.</summary>
    public bool FitIsWrong => Tried is { Wrong.Count: > 0 };

    /// <summary>The one thing to do next with this dog.</summary>
    public ThingToDo Next => Things[0];

    /// <summary>All there is to do with this dog, what cannot wait first; one thing at least.</summary>
    public IReadOnlyList<ThingToDo> Things
    {
        get
        {
            if (On is not null)
                return [new(Deed.WatchTheWear, NextKind.Wear, Matter.UnderWay)];
            if (SessionOpen)
                return [new(Deed.GoOnWithSession, NextKind.Session, Matter.UnderWay)];
            if (!HasPurpose)
                return [new(Deed.SayPurpose, NextKind.Dog, Matter.Bench)];
            var main = Bench() ?? Training();
            return [.. Pressing(), main, .. Besides(main)];
        }
    }

    /// <summary>Days from today to a day ahead; null where it is over or none.</summary>
    public int? DaysTo(DateOnly? day) => day >= Today ? day.Value.DayNumber - Today.DayNumber : null;

    /// <summary>What cannot wait, before anything else.</summary>
    private IEnumerable<ThingToDo> Pressing()
    {
        if (Stop is not null && !WearsIt)
            yield return new(Deed.SayWhatDiffers, NextKind.Plan, Matter.Stopped);
        if (DaysToDate <= Rules[DateIsNear])
            yield return new(Deed.SeeWhetherDateHolds, NextKind.Plan, Matter.DateNear);
        if (IsOutOfUse)
            yield return new(Deed.PutOutOfUse, NextKind.Inspect, Matter.OutOfUse);
        if (MuzzleChosen && !FitIsWrong && Remeasure is null && Refit is not null)
            yield return new(Deed.LookAtFit, NextKind.TryOn, Matter.Refit);
        if (Muzzle is not null && !IsOutOfUse)
            yield return new(Deed.Inspect, NextKind.Inspect, Matter.Refit);
    }

    /// <summary>What is still to be done at the bench before it is trained on; null for nothing.</summary>
    private ThingToDo? Bench() =>
        Remeasure is not null ? new(Deed.MeasureAgain, NextKind.Measure, MuzzleChosen ? Matter.Refit : Matter.Bench)
        : MeasuredShare < 1 && !MuzzleChosen ? new(MeasuredShare == 0 ? Deed.Measure : Deed.FinishMeasuring, NextKind.Measure, Matter.Bench)
        : ReadingsToRetake > 0 && !MuzzleChosen ? new(Deed.CheckReadings, NextKind.Measure, Matter.Bench)
        : !MuzzleChosen ? new(Deed.ChooseMuzzle, NextKind.Fit, Matter.Bench)
        : FitIsWrong ? new(Deed.MendFit, NextKind.TryOn, Matter.Refit)
        : ConditionedShare >= 1 && TriedShare < 1 ? new(TriedShare == 0 ? Deed.TryOn : Deed.FinishTryOn, NextKind.TryOn, Matter.TryOn)
        : null;

    private ThingToDo Training() =>
        NextStep is null || WearsIt
            ? HappyOwed is null
                ? new(Deed.KeepHappy, NextKind.Rest, Matter.Rest)
                : new(Deed.HappyWear, NextKind.Wear, Matter.HappyWear)
            : Stop is not null
                ? new(Deed.SayWhatDiffers, NextKind.Plan, Matter.Stopped)
                : Position?.NotBefore > Today
                    ? new(Deed.DayOff, NextKind.Rest, Matter.Rest)
                    : DaysGone is not null
                        ? new(Deed.FindBeginning, NextKind.Plan, Matter.Session)
                        : new(
                            Deed.Train,
                            NextKind.Session,
                            SessionsStuck > 0 ? Matter.Stuck
                                : LastTrained == Today ? Matter.TrainedToday
                                : Matter.Session
                        );

    /// <summary>What else is to be done beside the main thing.</summary>
    private IEnumerable<ThingToDo> Besides(ThingToDo main)
    {
        if (main.Matter != Matter.HappyWear && HappyOwed is not null)
            yield return new(Deed.HappyWear, NextKind.Wear, Matter.HappyWear);
        if (DaysTo(Coming?.At.Day) <= Rules[AppointmentIsNear])
            yield return new(Deed.Appointment, NextKind.Appointment, Matter.Appointment);
    }

    /// <summary>Why it is to have a happy wear; null where it need not.</summary>
    private static HappyOwed? HappyOwedOn(DogRecord dog, DateOnly today)
    {
        var balance = AssociationBalance.On(today, dog.Worn.Occasions(dog.Rules), dog.Rules);
        var last = dog.Worn.LastHappy(today, dog.Rules);
        return dog.Worn.AheadOn(today, dog.Rules) is { Balance.HappyOn: [var first, ..] } ahead && first == today ? new(balance, last, ahead)
            : balance.IsOwed(dog.Rules) ? new(balance, last, null)
            : null;
    }

    /// <summary>What was done with it on a day.</summary>
    private static IEnumerable<DoneOn> DoneOnDay(DogRecord dog, DateOnly today)
    {
        if (dog.LastSet is { HasReadings: true } set && set.State.TakenOn == today)
            yield return new(DoneKind.Measured);
        if (dog.Muzzle?.ChosenOn == today)
            yield return new(DoneKind.Chosen);
        if (dog.Muzzle?.Tried?.On == today)
            yield return new(DoneKind.Tried);
        if (dog.Training.LastTrained == today && !dog.Training.IsOpen)
            yield return new(DoneKind.Trained);
        foreach (var wear in dog.Worn.Wears.Where(w => w.Day == today && w.EndedAt is not null))
            yield return new(DoneKind.Worn, wear.AsWear);
        if (dog.Worn.LastInspection is { } last && last.Day == today)
            yield return new(DoneKind.Inspected, Failed: last.Failed.Count > 0);
    }
}
