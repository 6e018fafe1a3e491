namespace JauntyBadge.Core.Conditioning;

/// <summary>Why no session can begin now.</summary>
public enum NotNowWhy
{
    /// <summary>Every step of the plan is passed.</summary>
    AllPassed,

    /// <summary>Training is stopped until somebody says what is different.</summary>
    Stopped,

    /// <summary>It rests after going over threshold.</summary>
    Rests,

    /// <summary>It was away so long that where to begin is found anew.</summary>
    FindBeginning,

    /// <summary>A session today ended worried: the last of that day.</summary>
    WorriedToday,

    /// <summary>It was trained as often as a day allows.</summary>
    EnoughToday,

    /// <summary>The last session is hardly over.</summary>
    TooSoon,
}

/// <summary>That no session can begin now, in codes and facts; the words stand in <see cref="ConditioningWords"/>.</summary>
/// <param name="Why">Why.</param>
/// <param name="Until">The day it rests until.</param>
/// <param name="From">When the next one may begin.</param>
/// <param name="Number">Days it was away, or sessions held today.</param>
public sealed record NotNow(NotNowWhy Why, DateOnly? Until = null, DateTime? From = null, int Number = 0);

/// <summary>A session that was held.</summary>
/// <param name="Day">The practice's day.</param>
/// <param name="EndedAt">When it ended.</param>
/// <param name="Worst">The worst that was seen in its last set and after it.</param>
public sealed record HeldSession(DateOnly Day, DateTime EndedAt, SignGroup Worst)
{
    /// <summary>A session by the signs tapped last in it.</summary>
    public static HeldSession Of(DateOnly day, DateTime endedAt, IEnumerable<string> signs) =>
        new(day, endedAt, signs.Select(id => Sign.Find(id)?.Group ?? SignGroup.AtEase).DefaultIfEmpty().Max());
}

/// <summary>When a dog may be trained again.</summary>
public static class TrainingTimes
{
    public static readonly Grounded<int> SessionsADay = new("train.sessions-a-day", "Sessions a day at most", 2, Basis.Practice("once or twice a day"))
    {
        SetElsewhere = "It guards the dog.",
    };
    public static readonly Grounded<TimeSpan> Apart = new(
        "train.sessions-apart",
        "Between two sessions there is at least",
        TimeSpan.FromHours(1),
        Basis.House("an hour to let it go")
    )
    {
        Least = 60,
    };

    public static IReadOnlyList<IGrounded> All { get; } = [SessionsADay, Apart];

    /// <summary>Why it is not trained at a time; null where nothing stands against it.</summary>
    /// <param name="training">What is on record.</param>
    /// <param name="at">The time, UTC.</param>
    /// <param name="day">The practice's day then.</param>
    public static NotNow? NotNow(Training training, DateTime at, DateOnly day)
    {
        var rules = training.Rules;
        if (training.Position is not { } position)
            return new(NotNowWhy.AllPassed);
        // What was begun before the plan was moved was no breach of what that asked for.
        var isEarlier = training.MovedAt > at;
        if (training.Stop is not null && !isEarlier)
            return new(NotNowWhy.Stopped);
        if (position.NotBefore > day && !isEarlier)
            return new(NotNowWhy.Rests, Until: position.NotBefore);
        if (training.DaysGone(day) is { } gone)
            return new(NotNowWhy.FindBeginning, Number: gone);

        // What somebody set by hand since is a word about the day.
        var today = training.LastSessions.Where(s => s.Day == day && s.EndedAt <= at && !(training.MovedByHandAt > s.EndedAt)).ToList();
        if (today.Count == 0)
            return null;
        if (today.Any(s => s.Worst >= SignGroup.Worried))
            return new(NotNowWhy.WorriedToday);
        if (today.Count >= rules[SessionsADay])
            return new(NotNowWhy.EnoughToday, Number: today.Count);
        var from = today.Max(s => s.EndedAt) + rules[Apart];
        return from > at ? new(NotNowWhy.TooSoon, From: from) : null;
    }
}
