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
            why.Add($"Extra: {Matched(only, dog)}.");
        if (school.Adds.Contains(step.Id))
            why.Add($"Extra in \"{school.Name}\".");
        if (school.Move.FirstOrDefault(m => m.Ids.Contains(step.Id)) is { } move)
            why.Add($"\"{school.Name}\" trains it before \"{Step.Find(move.Before)!.Name}\".");
        if (school.Words.ContainsKey(step.Id))
            why.Add($"Done the way of \"{school.Name}\".");
        return why.Count == 0 ? null : string.Join(" ", why);
    }

    /// <summary>Why a step is not in a plan.</summary>
    public string WhyLeftOut(Step step, TrainingPlan plan) =>
        step.OnlyFor switch
        {
            _ when School.Special.Contains(step.Id) =>
                $"Only in {string.Join(" and ", School.All.Where(s => s.Adds.Contains(step.Id)).Select(s => $"\"{s.Name}\""))}.",
            _ when (step.OnlyFor?.Holds(plan.Dog) ?? true) && plan.School.Drops.Contains(step.Id) => $"\"{plan.School.Name}\" does without it.",
            { Purposes: { } purposes } => $"Only for {Words(purposes)}.",
            { HeadShapes: { } shapes } => $"Only for {Words(shapes)} heads.",
            _ => "Only for dogs that find this hard.",
        };

    private string Words<T>(IReadOnlyList<T> values) => string.Join(" or ", values.Select(v => $"{v}".ToLowerInvariant()));

    /// <summary>What of a dog makes it one that something is meant for.</summary>
    private string Matched(DogMatch match, DogProfile dog) =>
        string.Join(
            "; ",
            [
                .. dog.Purposes.Where(p => match.Purposes?.Contains(p) == true).Select(p => $"it is trained for {Worn(p)}"),
                .. dog.Sensitivities.Where(s => match.Sensitivities?.Contains(s) == true).Select(Minds),
                .. match.Temperaments?.Contains(dog.Temperament) == true
                    ? [dog.Temperament == Temperament.Soured ? "it had a bad time with a muzzle" : $"it is {Writing.Lower($"{dog.Temperament}")}"]
                    : Array.Empty<string>(),
                .. match.HeadShapes?.Contains(dog.HeadShape.Shape) == true ? [$"its head is {Writing.Lower($"{dog.HeadShape.Shape}")}"] : Array.Empty<string>(),
            ]
        );

    private string Worn(Purpose purpose) =>
        purpose switch
        {
            Purpose.Clinic => "the clinic",
            Purpose.Working => "work",
            _ => Writing.Lower($"{purpose}"),
        };

    private string Minds(Sensitivity sensitivity) =>
        sensitivity switch
        {
            Sensitivity.OddObjects => "it minds odd objects",
            Sensitivity.HandsBehindHead => "it minds hands behind its head",
            Sensitivity.PeopleNear => "it is afraid of people near it",
            Sensitivity.Clicks => "it is afraid of clicks",
            Sensitivity.LowFoodDrive => "it cares little for food",
            Sensitivity.Snatchy => "it takes treats hard",
            _ => "it paws at things on its face",
        };
}
