namespace JauntyBadge.Core.People;

/// <summary>What was done to a record.</summary>
public enum DeedKind
{
    Added,
    Changed,
    Removed,
}

/// <summary>The kinds of record of which it is kept who did what.</summary>
public enum DeedOn
{
    Dog,
    MeasuringSet,
    Reading,
    Photo,
    Choice,
    Brief,
    TryOn,
    Session,
    Go,
    Sign,
    Decision,
    Pass,
    SetRule,
    WayOfWorking,
    Plan,
    Wear,
    Inspection,
    Visit,
    Habits,
    Handover,
    Note,
}
