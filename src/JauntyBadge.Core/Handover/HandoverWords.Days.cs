using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Handover.Days;
using JauntyBadge.Core.Wearing;

namespace JauntyBadge.Core.Handover;

public sealed partial class HandoverWords
{
    /// <summary>A dog's calendar.</summary>
    public string DaysOf(string dog) => writing.Say($"{dog}: days");

    /// <summary>The calendar of all dogs.</summary>
    public string AllDays => writing.Say("All dogs: days");

    internal string Trains(string dog, Step step) => writing.Say($"{dog}: training, {Writing.Lower(conditioning.Called(step))}");

    /// <summary>What a session is about, for somebody who has nothing else at hand.</summary>
    internal string Session(Step step, PlanPosition at)
    {
        var told = conditioning.Told(step);
        return writing.Say(
            $"Now: {told.Name}, {conditioning.Target(step, at)}. {told.SetUp} It counts when: {Writing.Lower(told.Success)} Short, and end while it wants more; the app says what comes next."
        );
    }

    internal string Rests(string dog) => writing.Say($"{dog}: rest, no training");

    internal string RestWhy => writing.Say("It was too much last time. A day off does more than a session.");

    internal string Wanted(string dog) => writing.Say($"{dog}: the day it is wanted");

    internal string WantedFor(DogProfile dog) =>
        dog.Purposes.Count == 0
            ? writing.Say("Its training is for this day.")
            : writing.Say($"Its training is for this day: {writing.And(dog.Purposes.Select(writing.Term))}.");

    internal string Visit(string dog, AppointmentOnRecord at) => writing.Say($"{dog}: {wearing.Of(at.Kind)}");

    internal string VisitWhat(string dog, Visit visit)
    {
        var ready = visit.At.ReadyAt is { } id && Step.Find(id) is { } step ? writing.Say($" “{conditioning.Called(step)}” is to be passed by then.") : "";
        return writing.Say($"{dog} wears its muzzle here; to the dog it is {wearing.Of(visit.At.Occasion)}.{ready}");
    }

    internal string UpkeepOf(string dog, UpkeepDue due) =>
        due.What switch
        {
            Wearing.Upkeep.Inspect => writing.Say($"{dog}: look over the muzzle"),
            Wearing.Upkeep.TryOn => writing.Say($"{dog}: try the muzzle on again"),
            _ => writing.Say($"{dog}: measure again"),
        };

    internal string UpkeepWhy(UpkeepDue due) =>
        due.What switch
        {
            Wearing.Upkeep.Inspect => writing.Say("Strap, clip, edges and bars, off the dog. What failed is not worn until it is mended."),
            Wearing.Upkeep.TryOn => writing.Say("On the dog: room before nose and eyes, fingers under the strap, rub marks."),
            _ => writing.Say("Growth, weight, coat and marks change a fit: take the snout's measures anew."),
        };

    internal string HappyWear(string dog) => writing.Say($"{dog}: a happy wear");

    internal string HappyWearHow => writing.Say("Something it loves with the muzzle on, watched all the time, and off again while it is good.");
}
