namespace JauntyBadge.Core.Conditioning;

/// <summary>What a go is asked for: a target of a step's ladder, or a hold between two of them.</summary>
/// <param name="Target">Index on the ladder, 0 the easiest; −1 to −3 the rungs below it. Where the hold lies between two, the lower of them.</param>
/// <param name="Asked">The hold to ask for, where the dog's own holds put it between two targets; null for the target's own.</param>
public readonly record struct Criterion(int Target, TimeSpan? Asked = null)
{
    /// <summary>A target as its ladder has it.</summary>
    public static implicit operator Criterion(int target) => new(target);

    /// <summary>The same of an integer, for languages without the conversion.</summary>
    public static Criterion FromInt32(int target) => new(target);

    /// <summary>The hold it asks for on a step's ladder; null where it is not time.</summary>
    public TimeSpan? HoldOn(Step step) => Asked ?? step.HoldOf(Target);

    /// <summary>The nearest that the step has.</summary>
    public Criterion Within(Step step) => this with { Target = step.Within(Target) };
}
