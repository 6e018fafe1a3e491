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

    /// <summary>Why the muzzle is out of use; null where it is not.</summary>
    public string? OutOfUse { get; init; }

    /// <summary>Why the muzzle is to be inspected; null where it need not be yet.</summary>
    public string? Inspect { get; init; }

    /// <summary>Why the fit is to be looked at again though it was fine; null where it need not be.</summary>
    public string? Refit { get; init; }

    /// <summary>Why it is to have a happy wear; null where it need not.</summary>
    public string? HappyOwed { get; init; }

    /// <summary>What is coming for which it wears its muzzle, with its day; null for nothing.</summary>
    public Ahead? Coming { get; init; }

    /// <summary>Every step up to its purpose's last is passed: keeping it happy is what is left.</summary>
    public bool WearsIt { get; init; }

    /// <summary>It wears its muzzle just now.</summary>
    public bool WearsNow { get; init; }

    /// <summary>What was done with it today, in words.</summary>
    public IReadOnlyList<string> DoneToday { get; init; } = [];

    /// <summary>Days ahead from which a date is said.</summary>
    private const int DateIsSaid = 30;

    /// <summary>Days ahead from which a date cannot wait.</summary>
    private const int DateIsNear = 14;

    /// <summary>Days ahead from which an appointment is said.</summary>
    private const int AppointmentIsNear = 7;

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
    public NextThing Next(DateOnly today) => Things(today)[0];

    /// <summary>All there is to do with this dog, what cannot wait first; one thing at least.</summary>
    public IReadOnlyList<NextThing> Things(DateOnly today)
    {
        if (SessionOpen)
            return [new(NextKind.Session, Matter.UnderWay, "Session under way", $"{NextStep} was begun and not ended.")];
        if (WearsNow)
            return [new(NextKind.Wear, Matter.UnderWay, "The muzzle is on", "Look at the clock, and take it off in time.")];
        if (!HasPurpose)
            return [new(NextKind.Dog, Matter.Bench, "Say what it is for", "A purpose decides the muzzle and the last steps of the plan.")];
        var main = Bench() ?? Training(today);
        return [.. Pressing(today), main, .. Besides(today, main)];
    }

    /// <summary>What cannot wait, before anything else.</summary>
    private IEnumerable<NextThing> Pressing(DateOnly today)
    {
        if (DaysTo(WantedBy, today) is { } days and <= DateIsNear && StepsLeft > 0)
            yield return new(
                NextKind.Plan,
                Matter.DateNear,
                days == 0 ? "Wanted today" : $"Wanted in {Count(days, "day")}",
                $"{Count(StepsLeft, "step")} to go by {WantedBy:d MMMM}: see whether it will hold."
            );
        if (OutOfUse is { } broken)
            yield return new(NextKind.Inspect, Matter.OutOfUse, "Muzzle out of use", broken);
        if (MuzzleChosen && FitWrong is null && Remeasure is null && Refit is { } refit)
            yield return new(NextKind.TryOn, Matter.Refit, "Look at the fit again", $"{refit}.");
        if (OutOfUse is null && Inspect is { } inspect)
            yield return new(NextKind.Inspect, Matter.Refit, "Inspect the muzzle", inspect);
    }

    /// <summary>What is still to be done at the bench before it is trained on; null for nothing.</summary>
    private NextThing? Bench()
    {
        if (Remeasure is { } why)
            return new(NextKind.Measure, MuzzleChosen ? Matter.Refit : Matter.Bench, "Measure again", why);
        if (MeasuredShare < 1 && !MuzzleChosen)
            return new(NextKind.Measure, Matter.Bench, MeasuredShare == 0 ? "Measure" : "Finish measuring", $"{MeasuredShare:0%} of the measures are read.");
        if (ReadingsToRetake > 0 && !MuzzleChosen)
            return new(
                NextKind.Measure,
                Matter.Bench,
                "Check the readings",
                ReadingsToRetake == 1 ? "One reading asks to be taken again." : $"{ReadingsToRetake} things ask to be taken again."
            );
        if (!MuzzleChosen)
            return new(NextKind.Fit, Matter.Bench, "Choose a muzzle", "The readings are in.");
        if (FitWrong is { } wrong)
            return new(NextKind.TryOn, Matter.Refit, "Mend the fit", $"{wrong}. Put it right before it is worn again.");
        return ConditionedShare >= 1 && TriedShare < 1
            ? new(
                NextKind.TryOn,
                Matter.TryOn,
                TriedShare == 0 ? "Try it on" : "Finish trying it on",
                TriedShare == 0 ? "It takes the muzzle now: look how it sits before it is worn on." : $"{TriedShare:0%} of the checks are found fine."
            )
            : null;
    }

    private NextThing Training(DateOnly today)
    {
        if (NextStep is null || WearsIt)
            return HappyOwed is null
                ? new(NextKind.Rest, Matter.Rest, "Keep it happy", "It wears its muzzle for what it is for. One happy wear a week keeps it so.")
                : new(NextKind.Wear, Matter.HappyWear, "A happy wear", HappyOwed);
        return NotBefore is { } day && day > today
            ? new(NextKind.Rest, Matter.Rest, "Day off", $"Next session not before {day:d MMMM}, then: {NextStep}.")
            : new(
                NextKind.Session,
                SessionsStuck > 0 ? Matter.Stuck
                    : LastTrained == today ? Matter.TrainedToday
                    : Matter.Session,
                NextStep,
                $"Target: {NextTarget}. {TrainedWhen(today)}{Trouble(today)}{(OutOfUse is null ? "" : " Not in the muzzle that failed.")}"
            );
    }

    /// <summary>What else is to be done beside the main thing.</summary>
    private IEnumerable<NextThing> Besides(DateOnly today, NextThing main)
    {
        if (main.Matter != Matter.HappyWear && HappyOwed is { } owed)
            yield return new(NextKind.Wear, Matter.HappyWear, "A happy wear", owed);
        if (DaysTo(Coming?.Day, today) is { } days and <= AppointmentIsNear)
            yield return new(
                NextKind.Appointment,
                Matter.Appointment,
                days switch
                {
                    0 => $"{Coming!.What} today",
                    1 => $"{Coming!.What} tomorrow",
                    _ => $"{Coming!.What} on {Coming.Day:dddd}",
                },
                Coming.Why
            );
    }

    private static int? DaysTo(DateOnly? day, DateOnly today) => day >= today ? day.Value.DayNumber - today.DayNumber : null;

    private static string Count(int number, string unit) => number == 1 ? $"one {unit}" : $"{number} {unit}s";

    /// <summary>What a fitter with thirty dogs would miss: that one does not get on, or that its date is near.</summary>
    private string Trouble(DateOnly today)
    {
        var stuck = SessionsStuck > 0 ? $" Stuck: {SessionsStuck} sessions brought it no further." : "";
        return DaysTo(WantedBy, today) is > DateIsNear and <= DateIsSaid && StepsLeft > 0
            ? $"{stuck} Wanted by {WantedBy:d MMMM}: {Count(StepsLeft, "step")} to go."
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

/// <summary>Something coming that it wears its muzzle for.</summary>
/// <param name="Day">When.</param>
/// <param name="What">What, such as "Clinic".</param>
/// <param name="Why">What is to be known of it, in a sentence.</param>
public sealed record Ahead(DateOnly Day, string What, string Why);

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

/// <summary>Sorts what is next.</summary>
public static class Matters
{
    /// <summary>The group of the round a dog stands in.</summary>
    public static RoundGroup Group(this Matter matter) =>
        matter switch
        {
            Matter.UnderWay or Matter.DateNear or Matter.OutOfUse or Matter.Refit => RoundGroup.CannotWait,
            Matter.Session or Matter.Stuck => RoundGroup.SessionsDue,
            Matter.HappyWear => RoundGroup.HappyWears,
            Matter.TryOn or Matter.Bench => RoundGroup.OnTheBench,
            Matter.Appointment => RoundGroup.Ahead,
            _ => RoundGroup.Resting,
        };
}

/// <summary>What to do next, as a short title and one sentence.</summary>
public sealed record NextThing(NextKind Kind, Matter Matter, string Title, string Detail);
