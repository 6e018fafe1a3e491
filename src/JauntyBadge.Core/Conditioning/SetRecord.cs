namespace JauntyBadge.Core.Conditioning;

/// <summary>Where a dog stands in its plan.</summary>
/// <param name="StepId">The step to train next.</param>
/// <param name="At">What is asked for there.</param>
/// <param name="NotBefore">The earliest day for the next session; null for any time.</param>
public sealed record PlanPosition(string StepId, Criterion At, DateOnly? NotBefore = null)
{
    /// <summary>Its target, the lower one where the hold lies between two.</summary>
    public int Target => At.Target;
}

/// <summary>The same by places in a plan.</summary>
/// <param name="Step">The place of the step to train next, from 0.</param>
/// <param name="At">What is asked for there.</param>
/// <param name="WaitDays">Days before the next session, 0 for any time.</param>
internal readonly record struct PlanPlace(int Step, Criterion At, int WaitDays = 0);

/// <summary>A set of goes as it was trained.</summary>
/// <param name="StepId">The step trained.</param>
/// <param name="Asks">What was asked for.</param>
/// <param name="Day">The day it was trained.</param>
/// <param name="Goes">The goes in order, right or missed.</param>
/// <param name="Signs">The signs seen, each with how many goes were done by then.</param>
public sealed record SetRecord(string StepId, Criterion Asks, DateOnly Day, IReadOnlyList<bool> Goes, IReadOnlyList<SeenAt> Signs)
{
    /// <summary>The worst group of signs seen; at ease when none was.</summary>
    public SignGroup Worst => Signs.Select(s => s.Group).DefaultIfEmpty(SignGroup.AtEase).Max();

    /// <summary>Its target, the lower one where the hold lay between two.</summary>
    public int Target => Asks.Target;

    /// <summary>When it was begun; null where only the day is known.</summary>
    public DateTime? At { get; init; }

    /// <summary>It came after the set that ended its session: an easy go, and what was seen then.</summary>
    public bool IsAfter { get; init; }

    /// <summary>Every go went well, and nothing but ease was seen.</summary>
    internal bool WentAtEase => Goes.Count > 0 && Goes.All(g => g) && Worst == SignGroup.AtEase;

    /// <summary>How long its goes were held, in order, where the timer ran.</summary>
    public IReadOnlyList<HeldGo> Holds { get; init; } = [];

    /// <summary>A set by its log.</summary>
    /// <param name="stepId">The step trained.</param>
    /// <param name="asks">What was asked for.</param>
    /// <param name="day">The day.</param>
    /// <param name="goes">The goes in order.</param>
    /// <param name="signs">The signs in order, each with how many goes were logged before it; a sign that is on the list no more reads as at ease.</param>
    public static SetRecord Logged(
        string stepId,
        Criterion asks,
        DateOnly day,
        IReadOnlyList<LoggedGo> goes,
        IEnumerable<(int AfterGo, string SignId)> signs
    ) =>
        new(stepId, asks, day, [.. goes.Select(g => g.Success)], [.. signs.Select(s => new SeenAt(s.AfterGo, Sign.Find(s.SignId)?.Group ?? SignGroup.AtEase))])
        {
            Holds = [.. Held(goes)],
        };

    /// <summary>
    /// The goes that were timed. Where some of a set were, a miss that was not is a dog that was out again before the timer ran: left out, it would make a
    /// dog seem to stay longer than it does (docs/hold-trial.md).
    /// </summary>
    private static IEnumerable<HeldGo> Held(IReadOnlyList<LoggedGo> goes) =>
        goes.Any(g => g.Held > TimeSpan.Zero)
            ? goes.Where(g => g.Held > TimeSpan.Zero || !g.Success).Select(g => new HeldGo(g.Held ?? TimeSpan.Zero, g.Success))
            : [];
}

/// <summary>A go as it was tapped.</summary>
/// <param name="Success">Right or missed.</param>
/// <param name="Held">How long it was held; null where the timer did not run.</param>
public readonly record struct LoggedGo(bool Success, TimeSpan? Held);
