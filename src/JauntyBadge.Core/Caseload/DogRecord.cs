using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Wearing;

namespace JauntyBadge.Core.Caseload;

/// <summary>The muzzle a dog uses.</summary>
/// <param name="ChosenOn">The practice's day it was chosen.</param>
/// <param name="Tried">How it did on the dog when it was last tried since; null where it was not.</param>
public sealed record MuzzleOnRecord(DateOnly ChosenOn, TriedOnRecord? Tried);

/// <summary>How a muzzle did on the dog.</summary>
/// <param name="At">When, UTC.</param>
/// <param name="On">The practice's day.</param>
/// <param name="Finding">What it came to.</param>
public sealed record TriedOnRecord(DateTime At, DateOnly On, TryOnFinding Finding);

/// <summary>Everything on record that decides how far a dog has come, its days the practice's own.</summary>
/// <param name="Profile">The dog.</param>
/// <param name="FitStyle">The fit style it is measured by.</param>
/// <param name="Assessed">Its readings, judged.</param>
/// <param name="LastSet">Its last measuring set; null where none was begun.</param>
/// <param name="Muzzle">The muzzle it uses; null for none.</param>
/// <param name="Training">Its training.</param>
/// <param name="Worn">What it wore, what is coming, and the last inspection of its muzzle.</param>
/// <param name="Rules">The numbers that decide.</param>
public sealed record DogRecord(
    DogProfile Profile,
    FitStyle FitStyle,
    Assessment Assessed,
    SetOnRecord? LastSet,
    MuzzleOnRecord? Muzzle,
    Training Training,
    WearsOnRecord Worn,
    HouseRules Rules
)
{
    /// <summary>Its head for a badge, as measured or as usual for its kind.</summary>
    public HeadPortrait Portrait => HeadDrawing.Portrait(HeadDrawing.ModelToDraw(Assessed.Numbers, Profile.BodyMass), Profile.Look);

    /// <summary>It wears its muzzle, in training or beyond: inspections and happy wears are asked of such dogs only.</summary>
    public bool IsWorn => Training.WearsIt || Worn.Wears.Count > 0;

    /// <summary>How far its training lets it wear its muzzle: the furthest stage of what is passed before the step where the plan stands.</summary>
    public TrainedTo TrainedTo
    {
        get
        {
            var before = Training.Plan.Steps.TakeWhile(s => s.Step.Id != Training.Position?.StepId).ToList();
            return Training.WearsIt && before.Count >= Training.Plan.Steps.Count(s => s.Step.Stage < Stage.Upkeep)
                ? TrainedTo.Purpose
                : before.Where(s => Training.Passed.Contains(s.Step.Id)).Select(s => TrainedToOf(s.Step.Stage)).DefaultIfEmpty(TrainedTo.NotFastened).Max();
        }
    }

    /// <summary>What its wears until now leave of the next.</summary>
    /// <param name="today">The practice's day.</param>
    /// <param name="now">Now, UTC.</param>
    public WearPast PastWears(DateOnly today, DateTime now) => Worn.Past(today, now, Training.LastTrained, Rules);

    /// <summary>How far a stage lets a muzzle be worn.</summary>
    public static TrainedTo TrainedToOf(Stage stage) =>
        stage switch
        {
            Stage.FirstFastening => TrainedTo.FirstFastening,
            Stage.WearingStill => TrainedTo.WearingStill,
            Stage.Moving => TrainedTo.Moving,
            Stage.Places => TrainedTo.Places,
            Stage.ThePurpose or Stage.Upkeep => TrainedTo.Purpose,
            _ => TrainedTo.NotFastened,
        };

    /// <summary>The state of the muzzle in use; null where none is.</summary>
    public MuzzleState? MuzzleOn(DateOnly today) =>
        Muzzle is { } muzzle ? MuzzleState.Of(muzzle.ChosenOn, Worn.LastInspection, Worn.NextClinic(today), today, Rules) : null;

    /// <summary>The muzzle in use failed at its inspection and is not mended.</summary>
    public bool IsOutOfUse(DateOnly today) => MuzzleOn(today) is { Due: InspectionDue.OutOfUse };

    /// <summary>Why it is to be measured again; empty where it need not.</summary>
    public IReadOnlyList<RemeasureCause> MeasureAgain(DateOnly today) => Profile.MeasureAgain(LastSet, today, Rules);

    /// <summary>Why the fit is to be looked at again though nothing of the dog changed; null where it need not be.</summary>
    public RefitCause? RefitOn(DateOnly today) =>
        Muzzle?.Tried is { } tried ? MuzzleState.Refit(tried.On, Worn.Wears.Any(w => w.Rubbed && w.StartedAt > tried.At), today, Rules) : null;

    /// <summary>What its muzzle needs, the nearest day first.</summary>
    public IReadOnlyList<UpkeepDue> UpkeepOn(DateOnly today)
    {
        var due = new List<UpkeepDue>();
        if (MuzzleOn(today) is { } state)
            due.Add(state.Due == InspectionDue.NotYet ? new(Upkeep.Inspect, state.On) : new(Upkeep.Inspect, today) { State = state });
        if (Muzzle?.Tried is { } tried)
            due.Add(RefitOn(today) is { } cause ? new(Upkeep.TryOn, today) { Refit = cause } : new(Upkeep.TryOn, MuzzleState.RefitBy(tried.On, Rules)));
        if (MeasureAgain(today) is [var why, ..])
            due.Add(new(Upkeep.Measure, today) { Remeasure = why });
        else if (Profile.IsGrowing(today) && LastSet is { } set)
            due.Add(new(Upkeep.Measure, set.State.TakenOn.AddDays((int)Rules[Remeasure.GrowingEvery].TotalDays)) { IsGrowing = true });
        return [.. due.OrderBy(d => d.On)];
    }

    /// <summary>
    /// Where the plan goes back to after a wear over threshold, or bad ones in a row: the last step it passed at home, before other places; null where there is none, where it stands
    /// there already, or where the plan was moved since the last wear.
    /// </summary>
    public PlanPosition? BackTo()
    {
        var since = Training.MovedAt ?? DateTime.MinValue;
        return
            WearLog.GoesBack([.. Worn.Wears.Where(w => w.EndedAt > since).Select(w => w.AsWear)])
            && Training.LastEasy is { } step
            && step.Id != Training.Position?.StepId
            ? new PlanPosition(step.Id, 0)
            : null;
    }

    /// <summary>Why it goes back there.</summary>
    public MoveWhy BackWhy(PlanPosition back) =>
        new(Worn.Wears.LastOrDefault(w => w.EndedAt is not null) is { OverThreshold: true } ? MoveCause.OverThresholdWear : MoveCause.WorriedWears)
        {
            StepId = back.StepId,
            Number = WearLog.WorriedInARow,
        };
}

/// <summary>What is to be done to keep a muzzle right by a day, and why; without a cause only time goes by.</summary>
/// <param name="What">What.</param>
/// <param name="On">The day by which; today where it is due.</param>
public sealed record UpkeepDue(Upkeep What, DateOnly On)
{
    /// <summary>The state the muzzle is in, where that asks for an inspection.</summary>
    public MuzzleState? State { get; init; }

    /// <summary>Why it is to be tried on again.</summary>
    public RefitCause? Refit { get; init; }

    /// <summary>Why the dog is to be measured again.</summary>
    public RemeasureCause? Remeasure { get; init; }

    /// <summary>The dog is growing.</summary>
    public bool IsGrowing { get; init; }
}
