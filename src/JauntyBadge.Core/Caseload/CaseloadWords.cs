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

    /// <summary>A thing to do, in a few words.</summary>
    public string Title(ThingToDo thing, Standing standing) =>
        thing.Deed switch
        {
            Deed.GoOnWithSession => "Session under way",
            Deed.WatchTheWear => "The muzzle is on",
            Deed.SayPurpose => "Say what it is for",
            Deed.SeeWhetherDateHolds => standing.DaysToDate is { } days and > 0 ? $"Wanted in {Writing.Count(days, "day")}" : "Wanted today",
            Deed.PutOutOfUse => "Muzzle out of use",
            Deed.LookAtFit => "Look at the fit again",
            Deed.Inspect => "Inspect the muzzle",
            Deed.MeasureAgain => "Measure again",
            Deed.Measure => "Measure",
            Deed.FinishMeasuring => "Finish measuring",
            Deed.CheckReadings => "Check the readings",
            Deed.ChooseMuzzle => "Choose a muzzle",
            Deed.MendFit => "Mend the fit",
            Deed.TryOn => "Try it on",
            Deed.FinishTryOn => "Finish trying it on",
            Deed.KeepHappy => "Keep it happy",
            Deed.HappyWear => "A happy wear",
            Deed.DayOff => "Day off",
            Deed.Train => standing.NextStep!.Name,
            _ => Coming(standing),
        };

    /// <summary>Why, in a sentence or two.</summary>
    public string Detail(ThingToDo thing, Standing standing) =>
        thing.Deed switch
        {
            Deed.GoOnWithSession => $"{standing.NextStep?.Name ?? "A session"} was begun and not ended.",
            Deed.WatchTheWear => "Look at the clock, and take it off in time.",
            Deed.SayPurpose => "A purpose decides the muzzle and the last steps of the plan.",
            Deed.SeeWhetherDateHolds => $"{ToGo(standing)} by {writing.Day(standing.WantedBy!.Value)}: see whether it will hold.",
            Deed.PutOutOfUse or Deed.Inspect => wearing.Of(standing.Muzzle!),
            Deed.LookAtFit => $"{wearing.Of(standing.Refit!.Value)}.",
            Deed.MeasureAgain => measuring.Of(standing.Remeasure!),
            Deed.Measure or Deed.FinishMeasuring => $"{Writing.Share(standing.MeasuredShare)} of the measures are read.",
            Deed.CheckReadings => standing.ReadingsToRetake == 1
                ? "One reading asks to be taken again."
                : $"{Writing.Capital(Writing.InWords(standing.ReadingsToRetake))} things ask to be taken again.",
            Deed.ChooseMuzzle => "The readings are in.",
            Deed.MendFit => $"{fitting.Wrong(standing.Tried!)}. Put it right before it is worn again.",
            Deed.TryOn => "It takes the muzzle now: look how it sits before it is worn on.",
            Deed.FinishTryOn => $"{Writing.Share(standing.TriedShare)} of the checks are found fine.",
            Deed.KeepHappy => $"It wears its muzzle for what it is for. {wearing.KeepsHappy}",
            Deed.HappyWear => Owed(standing.HappyOwed!, standing.Today),
            Deed.DayOff => $"Next session not before {writing.Day(standing.Position!.NotBefore!.Value)}, then: {standing.NextStep!.Name}.",
            Deed.Train => Session(standing),
            _ => Visit(standing.Coming!),
        };

    /// <summary>What was done with a dog.</summary>
    public string Done(DoneOn done) =>
        done.Kind switch
        {
            DoneKind.Measured => "Measured",
            DoneKind.Chosen => "Muzzle chosen",
            DoneKind.Tried => "Tried on",
            DoneKind.Trained => "Trained",
            DoneKind.Worn => wearing.Worn(done.Wear!.Lasted, done.Wear.Occasion),
            _ => done.Failed ? "Muzzle inspected: failed" : "Muzzle inspected: fine",
        };

    /// <summary>Why a muzzle's upkeep is due, in a sentence; null where only time goes by.</summary>
    public string? Why(UpkeepDue due) =>
        due.State is { } state ? wearing.Of(state)
        : due.Refit is { } refit ? $"{wearing.Of(refit)}."
        : due.Remeasure is { } again ? measuring.Of(again)
        : due.IsGrowing ? "It is growing."
        : null;

    private string Owed(HappyOwed owed, DateOnly today) => owed.Ahead is { } ahead ? wearing.Ahead(ahead) : wearing.Owed(owed.Balance, owed.LastHappy, today)!;

    private string Coming(Standing standing)
    {
        var (at, what) = (standing.Coming!.At, wearing.Of(standing.Coming.At.Kind));
        return standing.DaysTo(at.Day) switch
        {
            0 => $"{what} today",
            1 => $"{what} tomorrow",
            _ => $"{what} on {Writing.DayOfWeek(at.Day)}",
        };
    }

    private string Visit(Ahead ahead)
    {
        var at = ahead.At;
        var when = $"{(at.Place is { } place ? $"{place}, " : "")}{writing.Day(at.Day)}{(at.Time is { } time ? $" at {writing.Time(time)}" : "")}";
        return ahead.StillToPass is { } step ? $"{when}: “{step.Name}” is to be passed by then." : $"{when}.";
    }

    /// <summary>The target, the last time, and what a fitter with thirty dogs would miss: that one does not get on, or that its date is near.</summary>
    private string Session(Standing standing)
    {
        List<string> says =
        [
            $"Target: {conditioning.Target(standing.NextStep!, standing.Position!)}.",
            standing.LastTrained is not { } last
                ? "First session."
                : (standing.Today.DayNumber - last.DayNumber) switch
                {
                    0 => "Trained today.",
                    1 => "Last trained yesterday.",
                    var days => $"Last trained {days} days ago.",
                },
        ];
        if (standing.SessionsStuck > 0)
            says.Add($"Stuck: {standing.SessionsStuck} sessions brought it no further.");
        if (standing.SaysDate)
            says.Add($"Wanted by {writing.Day(standing.WantedBy!.Value)}: {Writing.Lower(ToGo(standing))}.");
        if (standing.IsOutOfUse)
            says.Add("Not in the muzzle that failed.");
        return string.Join(" ", says);
    }

    private static string ToGo(Standing standing) => $"{Writing.Capital(Writing.Count(standing.StepsLeft, "step"))} to go";
}
