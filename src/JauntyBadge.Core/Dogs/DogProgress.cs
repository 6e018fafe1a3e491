namespace JauntyBadge.Core.Dogs;

/// <summary>A phase of the job; each is one segment of a dog's badge.</summary>
public enum Phase
{
    Measured,
    Fitted,
    Conditioned,
    Wearing,
}

/// <summary>How far a dog has come, in the numbers that decide what is next.</summary>
/// <param name="HasPurpose">At least one purpose is set.</param>
/// <param name="MeasuredShare">Share of the wanted measures read, 0 to 1.</param>
/// <param name="ReadingsToRetake">Findings that ask for a reading to be taken again.</param>
/// <param name="Remeasure">Why it should be measured again; null when it need not.</param>
/// <param name="MuzzleChosen">A muzzle was chosen and kept.</param>
/// <param name="TriedShare">Share found fine of what is looked at when it is tried on the dog, 0 to 1; 0 when it was not tried since it was chosen.</param>
/// <param name="FitWrong">What was not right then, in a sentence; null when nothing was.</param>
/// <param name="ConditionedShare">Share passed of the steps up to the first fastening, 0 to 1.</param>
/// <param name="WearingShare">Share passed of the steps from wearing still to the purpose, 0 to 1.</param>
/// <param name="NextStep">Name of the step the plan stands at; null when all are passed.</param>
/// <param name="NextTarget">The target it stands at, in words.</param>
/// <param name="LastTrained">The day of the last session; null for none.</param>
/// <param name="NotBefore">The day before which no session should be held.</param>
/// <param name="SessionOpen">A session was begun and not ended.</param>
public sealed record DogProgress(
    bool HasPurpose,
    double MeasuredShare,
    int ReadingsToRetake,
    string? Remeasure,
    bool MuzzleChosen,
    double TriedShare,
    string? FitWrong,
    double ConditionedShare,
    double WearingShare,
    string? NextStep,
    string? NextTarget,
    DateOnly? LastTrained,
    DateOnly? NotBefore,
    bool SessionOpen
)
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

    /// <summary>Sessions in a row that brought it no further, where it counts as stuck; 0 where it gets on.</summary>
    public int SessionsStuck { get; init; }

    /// <summary>The day it has to be ready by; null for none.</summary>
    public DateOnly? WantedBy { get; init; }

    /// <summary>Steps still to be passed by then.</summary>
    public int StepsLeft { get; init; }

    /// <summary>Days ahead from which a date is said on the round.</summary>
    private const int DateIsNear = 30;

    /// <summary>The badge's segments, filled 0 to 1.</summary>
    public IReadOnlyDictionary<Phase, double> Badge =>
        new Dictionary<Phase, double>
        {
            [Phase.Measured] = MeasuredShare,
            [Phase.Fitted] = MuzzleChosen ? ChoiceFills.Ours + (1 - ChoiceFills.Ours) * TriedShare : 0,
            [Phase.Conditioned] = ConditionedShare,
            [Phase.Wearing] = WearingShare,
        };

    /// <summary>The one thing to do next with this dog.</summary>
    public NextThing Next(DateOnly today)
    {
        if (SessionOpen)
            return new(NextKind.Session, "Session under way", $"{NextStep} was begun and not ended.");
        if (!HasPurpose)
            return new(NextKind.Dog, "Say what it is for", "A purpose decides the muzzle and the last steps of the plan.");
        if (Remeasure is { } why)
            return new(NextKind.Measure, "Measure again", why);
        if (MeasuredShare < 1 && !MuzzleChosen)
            return new(NextKind.Measure, MeasuredShare == 0 ? "Measure" : "Finish measuring", $"{MeasuredShare:0%} of the measures are read.");
        if (ReadingsToRetake > 0 && !MuzzleChosen)
            return new(
                NextKind.Measure,
                "Check the readings",
                ReadingsToRetake == 1 ? "One reading asks to be taken again." : $"{ReadingsToRetake} things ask to be taken again."
            );
        if (!MuzzleChosen)
            return new(NextKind.Fit, "Choose a muzzle", "The readings are in.");
        if (FitWrong is { } wrong)
            return new(NextKind.TryOn, "Mend the fit", $"{wrong}. Put it right before it is worn again.");
        if (ConditionedShare >= 1 && TriedShare < 1)
            return new(
                NextKind.TryOn,
                TriedShare == 0 ? "Try it on" : "Finish trying it on",
                TriedShare == 0 ? "It takes the muzzle now: look how it sits before it is worn on." : $"{TriedShare:0%} of the checks are found fine."
            );
        if (NextStep is null)
            return new(NextKind.Rest, "Keep it happy", "All steps are passed. One happy wear a week keeps it so.");
        return NotBefore is { } day && day > today
            ? new(NextKind.Rest, "Day off", $"Next session not before {day:d MMMM}, then: {NextStep}.")
            : new(NextKind.Session, NextStep, $"Target: {NextTarget}. {TrainedWhen(today)}{Trouble(today)}");
    }

    /// <summary>What a fitter with thirty dogs would miss: that one does not get on, or that its date is near.</summary>
    private string Trouble(DateOnly today)
    {
        var stuck = SessionsStuck > 0 ? $" Stuck: {SessionsStuck} sessions brought it no further." : "";
        return WantedBy is { } day && day >= today && day.DayNumber - today.DayNumber <= DateIsNear && StepsLeft > 0
            ? $"{stuck} Wanted by {day:d MMMM}: {(StepsLeft == 1 ? "one step" : $"{StepsLeft} steps")} to go."
            : stuck;
    }

    private string TrainedWhen(DateOnly today) =>
        LastTrained is not { } last
            ? "First session."
            : (today.DayNumber - last.DayNumber) switch
            {
                0 => "Trained today.",
                1 => "Last trained yesterday.",
                var days => $"Last trained {days} days ago.",
            };
}

/// <summary>Which room the next thing is done in.</summary>
public enum NextKind
{
    Dog,
    Measure,
    Fit,
    TryOn,
    Session,
    Rest,
}

/// <summary>Where on the round a dog stands. What a fitter does standing up comes first: sessions, then the bench, then dogs that rest.</summary>
public enum RoundGroup
{
    SessionsDue,
    OnTheBench,
    Resting,
}

/// <summary>Sorts what is next.</summary>
public static class NextKinds
{
    /// <summary>The group of the round a dog stands in.</summary>
    public static RoundGroup Group(this NextKind kind) =>
        kind switch
        {
            NextKind.Session => RoundGroup.SessionsDue,
            NextKind.Rest => RoundGroup.Resting,
            _ => RoundGroup.OnTheBench,
        };
}

/// <summary>What to do next, as a short title and one sentence.</summary>
public sealed record NextThing(NextKind Kind, string Title, string Detail);
