using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Core.Conditioning;

/// <summary>
/// Where a dog that does not start from nothing begins: one easy go of each stage's first target, in order, up to the first hesitation or unsure sign;
/// the plan starts one stage before that, and a step that meets one of the dog's fears is left out only if that step itself was tried (House).
/// </summary>
public static class WhereToBegin
{
    /// <summary>What is asked of it, in order: the first step of each stage. A fearful dog is never asked past coming to it, no dog past sounds and hands.</summary>
    public static IReadOnlyList<Step> Tries(TrainingPlan plan, Temperament temperament)
    {
        var last = temperament.IsFearful() ? Stage.ComeToIt : Stage.SoundsAndHands;
        return [.. plan.Steps.Select(s => s.Step).Where(s => s.Stage <= last).DistinctBy(s => s.Stage)];
    }

    /// <summary>The step to begin at, the first of its fears' own that was not tried where there is one, and what is skipped: tried, not trained.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="temperament">The dog's.</param>
    /// <param name="wentWell">How many tries in a row, from the first on, went well and at ease.</param>
    public static (Step Begin, IReadOnlyList<Step> Skipped) After(TrainingPlan plan, Temperament temperament, int wentWell)
    {
        var tries = Tries(plan, temperament);
        var begin = tries[Math.Clamp(wentWell - 1, 0, tries.Count - 1)];
        var tried = tries.Take(wentWell).Select(s => s.Id).ToHashSet();
        var before = plan.Steps.Select(s => s.Step).TakeWhile(s => s.Id != begin.Id).ToLookup(s => s.MeetsFearOf(plan.Dog) && !tried.Contains(s.Id));
        return (before[true].FirstOrDefault() ?? begin, [.. before[false]]);
    }
}
