using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Core.Conditioning;

/// <summary>How a step came to be passed.</summary>
public enum PassedHow
{
    /// <summary>Its top target went well in a set.</summary>
    Trained,

    /// <summary>By hand, with a note.</summary>
    ByHand,

    /// <summary>Skipped where the dog was tried at a later stage and took it at ease: tried, not trained.</summary>
    Tried,
}

/// <summary>The plan a session is trained by: as it was when the session began, whatever is edited since.</summary>
/// <param name="Rule">How sets are decided.</param>
/// <param name="Temperament">The dog's.</param>
/// <param name="StepIds">The steps in order.</param>
public sealed record SessionPlan(GoRule Rule, Temperament Temperament, IReadOnlyList<string> StepIds)
{
    private IReadOnlyList<Step>? steps;

    private HashSet<string>? gates;

    /// <summary>A copy works its steps out anew: they hang on the edition.</summary>
    private SessionPlan(SessionPlan other) =>
        (Rule, Temperament, StepIds, HeedsHolds, Edition) = (other.Rule, other.Temperament, other.StepIds, other.HeedsHolds, other.Edition);

    /// <summary>By which rules its sets are decided; the first in sessions from before that was kept.</summary>
    public Edition Edition { get; init; }

    /// <summary>What is held next follows from the dog's own holds: so for fearful dogs. False in sessions from before that was asked.</summary>
    public bool HeedsHolds { get; init; }

    /// <summary>The steps in order; one that ships no more is left out.</summary>
    public IReadOnlyList<Step> Steps() => steps ??= [.. StepIds.Select(Find).OfType<Step>()];

    /// <summary>A step as this session has it, in the plan or not; null where it is taught no more.</summary>
    public Step? Find(string stepId) => Step.Find(stepId)?.In(Edition);

    /// <summary>How many steps, from the first on, have to be passed: up to one of them, or to the last before upkeep where that is null or not in the plan.</summary>
    public int Wanted(string? readyAt)
    {
        var last = Steps().Index().Where(s => s.Item.Id == readyAt).Select(s => s.Index + 1).FirstOrDefault();
        return last > 0 ? last : Steps().TakeWhile(s => s.Stage != Stage.Upkeep).Count();
    }

    /// <summary>The last step of a stage in this plan is its gate.</summary>
    public bool IsGate(string stepId) => (gates ??= Step.Gates(Steps())).Contains(stepId);
}
