using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Wearing;

namespace JauntyBadge.Core.Caseload;

/// <summary>The words of the round and of a dog's own page. They decide nothing.</summary>
/// <param name="writing">How they are said.</param>
public sealed partial class CaseloadWords(Writing writing)
{
    private readonly MeasuringWords measuring = new(writing);
    private readonly FittingWords fitting = new(writing);
    private readonly ConditioningWords conditioning = new(writing);
    private readonly WearingWords wearing = new(writing);

    /// <summary>Its breeds by name.</summary>
    public string Breeds(DogProfile dog) => new DogWords(writing).Breeds(dog);

    /// <summary>A thing to do, in a few words.</summary>
    public string Title(ThingToDo thing, Standing standing) =>
        thing.Deed switch
        {
            Deed.GoOnWithSession => writing.Say("Session under way"),
            Deed.WatchTheWear => writing.Say("The muzzle is on"),
            Deed.SayPurpose => writing.Say("Say what it is for"),
            Deed.SeeWhetherDateHolds => standing.DaysToDate is { } days and > 0
                ? writing.Say($"Wanted in {writing.Count(days, "one day", "{0} days")}")
                : writing.Say("Wanted today"),
            Deed.PutOutOfUse => writing.Say("Muzzle out of use"),
            Deed.LookAtFit => writing.Say("Look at the fit again"),
            Deed.Inspect => writing.Say("Inspect the muzzle"),
            Deed.MeasureAgain => writing.Say("Measure again"),
            Deed.Measure => writing.Say("Measure"),
            Deed.FinishMeasuring => writing.Say("Finish measuring"),
            Deed.CheckReadings => writing.Say("Check the readings"),
            Deed.ChooseMuzzle => writing.Say("Choose a muzzle"),
            Deed.MendFit => writing.Say("Mend the fit"),
            Deed.TryOn => writing.Say("Try it on"),
            Deed.FinishTryOn => writing.Say("Finish trying it on"),
            Deed.KeepHappy => writing.Say("Keep it happy"),
            Deed.HappyWear => writing.Say("A happy wear"),
            Deed.DayOff => writing.Say("Day off"),
            Deed.SayWhatDiffers => writing.Say("Training is stopped"),
            Deed.FindBeginning => writing.Say("Find where to begin anew"),
            Deed.Train => conditioning.Called(standing.NextStep!),
            _ => Coming(standing),
        };

    /// <summary>Why, in a sentence or two.</summary>
    public string Detail(ThingToDo thing, Standing standing) =>
        thing.Deed switch
        {
            Deed.GoOnWithSession => writing.Say(
                $"{(standing.NextStep is { } step ? conditioning.Called(step) : writing.Say("A session"))} was begun and not ended."
            ),
            Deed.WatchTheWear => writing.Say("Look at the clock, and take it off in time."),
            Deed.SayPurpose => writing.Say("A purpose decides the muzzle and the last steps of the plan."),
            Deed.SeeWhetherDateHolds => writing.Say($"{ToGo(standing)} by {writing.Day(standing.WantedBy!.Value)}: see whether it will hold."),
            Deed.PutOutOfUse or Deed.Inspect => wearing.Of(standing.Muzzle!),
            Deed.LookAtFit => $"{wearing.Of(standing.Refit!.Value)}.",
            Deed.MeasureAgain => measuring.Of(standing.Remeasure!),
            Deed.Measure or Deed.FinishMeasuring => writing.Say($"{Writing.Share(standing.MeasuredShare)} of the measures are read."),
            Deed.CheckReadings => standing.ReadingsToRetake == 1
                ? writing.Say("One reading asks to be taken again.")
                : writing.Say($"{Writing.Capital(writing.InWords(standing.ReadingsToRetake))} things ask to be taken again."),
            Deed.ChooseMuzzle => writing.Say("The readings are in."),
            Deed.MendFit => writing.Say($"{fitting.Wrong(standing.Tried!)}. Put it right before it is worn again."),
            Deed.TryOn => writing.Say("It takes the muzzle now: look how it sits before it is worn on."),
            Deed.FinishTryOn => writing.Say($"{Writing.Share(standing.TriedShare)} of the checks are found fine."),
            Deed.KeepHappy => writing.Say($"It wears its muzzle for what it is for. {wearing.KeepsHappy}"),
            Deed.HappyWear => Owed(standing.HappyOwed!, standing.Today),
            Deed.DayOff => writing.Say(
                $"Next session not before {writing.Day(standing.Position!.NotBefore!.Value)}, then: {conditioning.Called(standing.NextStep!)}."
            ),
            Deed.SayWhatDiffers => writing.Say($"{conditioning.Stopped(standing.Stop!)} Look for pain, ask a professional, and say what is different."),
            Deed.FindBeginning => writing.Say($"{standing.DaysGone!.Value} days without training: ask it what is left."),
            Deed.Train => Session(standing),
            _ => Visit(standing.Coming!),
        };

    /// <summary>What was done with a dog.</summary>
    public string Done(DoneOn done) =>
        done.Kind switch
        {
            DoneKind.Measured => writing.Say("Measured"),
            DoneKind.Chosen => writing.Say("Muzzle chosen"),
            DoneKind.Tried => writing.Say("Tried on"),
            DoneKind.Trained => writing.Say("Trained"),
            DoneKind.Worn => wearing.Worn(done.Wear!.Lasted, done.Wear.AsHad),
            _ => done.Failed ? writing.Say("Muzzle inspected: failed") : writing.Say("Muzzle inspected: fine"),
        };

    /// <summary>Why a muzzle's upkeep is due, in a sentence; null where only time goes by.</summary>
    public string? Why(UpkeepDue due) =>
        due.State is { } state ? wearing.Of(state)
        : due.Refit is { } refit ? $"{wearing.Of(refit)}."
        : due.Remeasure is { } again ? measuring.Of(again)
        : due.IsGrowing ? writing.Say("It is growing.")
        : null;

    private string Owed(HappyOwed owed, DateOnly today) => owed.Ahead is { } ahead ? wearing.Ahead(ahead) : wearing.Owed(owed.Balance, owed.LastHappy, today)!;

    private string Coming(Standing standing)
    {
        var (at, what) = (standing.Coming!.At, wearing.Of(standing.Coming.At.Kind));
        return standing.DaysTo(at.Day) switch
        {
            0 => writing.Say($"{what} today"),
            1 => writing.Say($"{what} tomorrow"),
            _ => writing.Say($"{what} on {writing.DayOfWeek(at.Day)}"),
        };
    }

    private string Visit(Ahead ahead)
    {
        var at = ahead.At;
        var when = $"{(at.Place is { } place ? $"{place}, " : "")}{writing.Day(at.Day)}{(at.Time is { } time ? writing.Say($" at {writing.Time(time)}") : "")}";
        return ahead.StillToPass is { } step ? writing.Say($"{when}: “{conditioning.Called(step)}” is to be passed by then.") : $"{when}.";
    }

    /// <summary>The target, the last time, and what a fitter with thirty dogs would miss: that one does not get on, or that its date is near.</summary>
    private string Session(Standing standing)
    {
        List<string> says =
        [
            writing.Say($"Target: {conditioning.Target(standing.NextStep!, standing.Position!)}."),
            standing.LastTrained is not { } last
                ? writing.Say("First session.")
                : (standing.Today.DayNumber - last.DayNumber) switch
                {
                    0 => writing.Say("Trained today."),
                    1 => writing.Say("Last trained yesterday."),
                    var days => writing.Say($"Last trained {days} days ago."),
                },
        ];
        if (standing.SessionsStuck > 0)
            says.Add(writing.Say($"Stuck: {standing.SessionsStuck} sessions brought it no further."));
        if (standing.SaysDate)
            says.Add(writing.Say($"Wanted by {writing.Day(standing.WantedBy!.Value)}: {Writing.Lower(ToGo(standing))}."));
        if (standing.IsOutOfUse)
            says.Add(writing.Say("Not in the muzzle that failed."));
        return string.Join(" ", says);
    }

    private string ToGo(Standing standing) => writing.Say($"{Writing.Capital(writing.Count(standing.StepsLeft, "one step", "{0} steps"))} to go");
}
