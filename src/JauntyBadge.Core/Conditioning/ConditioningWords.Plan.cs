using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Core.Conditioning;

/// <summary>Why a step stands in a plan or does not.</summary>
public sealed partial class ConditioningWords
{
    /// <summary>Why a step is in a plan, or at its place, where not every dog has it so; null where it has.</summary>
    public string? WhyHere(Step step, TrainingPlan plan)
    {
        var (school, dog) = (plan.School, plan.Dog);
        List<string> why = [];
        if (step.OnlyFor is { } only)
            why.Add(writing.Say($"Extra: {Matched(only, dog)}."));
        if (school.Adds.Contains(step.Id))
            why.Add(writing.Say($"Extra in \"{writing.Say(school.Name)}\"."));
        if (school.Words.ContainsKey(step.Id))
            why.Add(writing.Say($"Done the way of \"{writing.Say(school.Name)}\"."));
        return why.Count == 0 ? null : string.Join(" ", why);
    }

    /// <summary>Why a step is not in a plan.</summary>
    public string WhyLeftOut(Step step, TrainingPlan plan) =>
        step.OnlyFor switch
        {
            _ when School.Special.Contains(step.Id) => writing.Say(
                $"Only in {writing.And(School.All.Where(s => s.Adds.Contains(step.Id)).Select(s => $"\"{writing.Say(s.Name)}\""))}."
            ),
            _ when (step.OnlyFor?.Holds(plan.Dog) ?? true) && plan.School.Drops.Contains(step.Id) => writing.Say(
                $"\"{writing.Say(plan.School.Name)}\" does without it."
            ),
            { Purposes: { } purposes } => writing.Say($"Only for {Words(purposes)}."),
            { HeadShapes: { } shapes } => writing.Say($"Only for {Words(shapes)} heads."),
            _ => writing.Say("Only for dogs that find this hard."),
        };

    private string Words<T>(IReadOnlyList<T> values)
        where T : struct, Enum => string.Join(writing.Say(" or "), values.Select(writing.Term));

    /// <summary>What of a dog makes it one that something is meant for.</summary>
    private string Matched(DogMatch match, DogProfile dog) =>
        string.Join(
            "; ",
            [
                .. dog.Purposes.Where(p => match.Purposes?.Contains(p) == true).Select(p => writing.Say($"it is trained for {Worn(p)}")),
                .. dog.Sensitivities.Where(s => match.Sensitivities?.Contains(s) == true).Select(Minds),
                .. match.Temperaments?.Contains(dog.Temperament) == true
                    ?
                    [
                        dog.Temperament == Temperament.Soured
                            ? writing.Say("it had a bad time with a muzzle")
                            : writing.Say($"it is {writing.Term(dog.Temperament)}"),
                    ]
                    : Array.Empty<string>(),
                .. match.HeadShapes?.Contains(dog.HeadShape.Shape) == true
                    ? [writing.Say($"its head is {writing.Term(dog.HeadShape.Shape)}")]
                    : Array.Empty<string>(),
            ]
        );

    private string Worn(Purpose purpose) =>
        purpose switch
        {
            Purpose.Clinic => writing.Say("the clinic"),
            Purpose.Working => writing.Say("work"),
            _ => writing.Term(purpose),
        };

    private string Minds(Sensitivity sensitivity) =>
        sensitivity switch
        {
            Sensitivity.OddObjects => writing.Say("it minds odd objects"),
            Sensitivity.HandsBehindHead => writing.Say("it minds hands behind its head"),
            Sensitivity.PeopleNear => writing.Say("it is afraid of people near it"),
            Sensitivity.Clicks => writing.Say("it is afraid of clicks"),
            Sensitivity.LowFoodDrive => writing.Say("it cares little for food"),
            Sensitivity.Snatchy => writing.Say("it takes treats hard"),
            _ => writing.Say("it paws at things on its face"),
        };
}
