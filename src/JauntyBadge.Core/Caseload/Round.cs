namespace JauntyBadge.Core.Caseload;

/// <summary>A phase of the job; each is one segment of a dog's badge.</summary>
public enum Phase
{
    Measured,
    Fitted,
    Conditioned,
    Wearing,
}

/// <summary>Which room the next thing is done in.</summary>
public enum NextKind
{
    Dog,
    Measure,
    Fit,
    TryOn,
    Session,
    Plan,
    Wear,
    Inspect,
    Appointment,
    Rest,
}

/// <summary>What a thing to do is about, in the order of what cannot wait.</summary>
public enum Matter
{
    UnderWay,

    /// <summary>Training is stopped until somebody says what is different.</summary>
    Stopped,
    DateNear,
    OutOfUse,
    Refit,
    Session,
    HappyWear,
    TryOn,
    Stuck,
    Bench,
    Appointment,
    TrainedToday,
    Rest,
}

/// <summary>Where on the round a dog stands, by what is most pressing with it.</summary>
public enum RoundGroup
{
    CannotWait,
    SessionsDue,
    HappyWears,
    OnTheBench,
    Ahead,
    Resting,
}

/// <summary>A thing to do with a dog. What it says follows from it and from the <see cref="Standing"/>.</summary>
public enum Deed
{
    GoOnWithSession,
    WatchTheWear,
    SayPurpose,
    SeeWhetherDateHolds,
    PutOutOfUse,
    LookAtFit,
    Inspect,
    MeasureAgain,
    Measure,
    FinishMeasuring,
    CheckReadings,
    ChooseMuzzle,
    MendFit,
    TryOn,
    FinishTryOn,
    KeepHappy,
    HappyWear,
    DayOff,
    SayWhatDiffers,
    FindBeginning,
    Train,
    Appointment,
}

/// <summary>One thing to do with a dog.</summary>
/// <param name="Deed">What.</param>
/// <param name="Kind">In which room.</param>
/// <param name="Matter">What it is about.</param>
public sealed record ThingToDo(Deed Deed, NextKind Kind, Matter Matter);

/// <summary>Sorts what is next.</summary>
public static class Matters
{
    /// <summary>The group of the round a dog stands in.</summary>
    public static RoundGroup Group(this Matter matter) =>
        matter switch
        {
            Matter.UnderWay or Matter.Stopped or Matter.DateNear or Matter.OutOfUse or Matter.Refit => RoundGroup.CannotWait,
            Matter.Session or Matter.Stuck => RoundGroup.SessionsDue,
            Matter.HappyWear => RoundGroup.HappyWears,
            Matter.TryOn or Matter.Bench => RoundGroup.OnTheBench,
            Matter.Appointment => RoundGroup.Ahead,
            _ => RoundGroup.Resting,
        };
}
