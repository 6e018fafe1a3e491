using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Wearing;

namespace JauntyBadge.Core.People;

/// <summary>What of a dog's home a fitter is to look at.</summary>
public enum HomeNews
{
    /// <summary>A red sign in a worn muzzle.</summary>
    Red,

    /// <summary>A sign over threshold.</summary>
    OverThreshold,

    /// <summary>A note.</summary>
    Note,

    /// <summary>A wear past its cap.</summary>
    PastCap,

    /// <summary>Sessions that brought it no further.</summary>
    Stuck,

    /// <summary>Days of its week without a session.</summary>
    Missed,
}

/// <summary>A wear as news.</summary>
/// <param name="On">The practice's day.</param>
/// <param name="Over">How far past its cap; zero for not.</param>
/// <param name="Red">A red sign was seen.</param>
/// <param name="OverThreshold">A sign over threshold was seen.</param>
public sealed record HomeWear(DateOnly On, TimeSpan Over, bool Red, bool OverThreshold);

/// <summary>What was recorded of a dog since the practice last looked.</summary>
/// <param name="Since">When that was, UTC; null for never.</param>
/// <param name="UnreadNotes">Notes from home nobody of the practice read.</param>
/// <param name="OverThreshold">Signs over threshold at training, by id.</param>
/// <param name="Wears">Its wears.</param>
/// <param name="Sessions">Sessions held.</param>
/// <param name="Goes">Goes of them.</param>
/// <param name="SessionsStuck">Sessions in a row that brought it no further, where it counts as stuck; else 0.</param>
/// <param name="MissedDays">Days of its week without a session.</param>
public sealed record SinceLooked(
    DateTime? Since,
    int UnreadNotes,
    IReadOnlyList<string> OverThreshold,
    IReadOnlyList<HomeWear> Wears,
    int Sessions,
    int Goes,
    int SessionsStuck,
    int MissedDays
);

/// <summary>One piece of news, with its number: how many, how many minutes, how many days.</summary>
public sealed record HomeNewsItem(HomeNews What, int Number);

/// <summary>New from home: what a fitter who was not there would want to know first.</summary>
public static class FromHome
{
    public static readonly Grounded<int> MissedFrom = new(
        "home.missed-from",
        "Days of a dog's week without a session from which that is news",
        3,
        Basis.House("life gets in the way of one or two; three is a week going by")
    );

    public static readonly Grounded<TimeSpan> OverFrom = new(
        "home.over-from",
        "So far past its cap a wear is news",
        TimeSpan.FromMinutes(2),
        Basis.House("the minute it takes to get it off is none")
    );

    public static IReadOnlyList<IGrounded> All { get; } = [MissedFrom, OverFrom];

    /// <summary>What is news, the gravest first; empty for nothing.</summary>
    public static IReadOnlyList<HomeNewsItem> Of(SinceLooked since, HouseRules rules)
    {
        var news = new List<HomeNewsItem>();
        void Add(HomeNews what, int number, int from = 1)
        {
            if (number >= from)
                news.Add(new(what, number));
        }

        Add(HomeNews.Red, since.Wears.Count(w => w.Red));
        Add(HomeNews.OverThreshold, since.OverThreshold.Count + since.Wears.Count(w => w.OverThreshold));
        Add(HomeNews.Note, since.UnreadNotes);
        var over = since.Wears.Where(w => w.Over > rules[OverFrom]).Select(w => w.Over).ToList();
        if (over.Count > 0)
            news.Add(new(HomeNews.PastCap, (int)Math.Ceiling(over.Max().TotalMinutes)));
        Add(HomeNews.Stuck, since.SessionsStuck);
        Add(HomeNews.Missed, since.MissedDays, rules[MissedFrom]);
        return news;
    }

    /// <summary>Its keeper is to train it: it has a step to go to, is not stopped, does not rest, and does not wear its muzzle for its purpose yet.</summary>
    public static bool IsTrained(Standing standing) =>
        standing is { WearsIt: false, Stop: null, HasPurpose: true, NextStep: not null } && !(standing.Position?.NotBefore > standing.Today);

    /// <summary>Days of a week that went by without a session, the last fortnight at most.</summary>
    /// <param name="week">The dog's week.</param>
    /// <param name="lastTrained">The day of its last session; null for none.</param>
    /// <param name="since">The day from which it is asked of its keeper.</param>
    /// <param name="today">The practice's day, which is not over.</param>
    public static int Missed(TrainingWeek week, DateOnly? lastTrained, DateOnly since, DateOnly today)
    {
        var from = today.AddDays(-14);
        from = since > from ? since : from;
        from = lastTrained is { } last && last >= from ? last.AddDays(1) : from;
        return Enumerable.Range(0, Math.Max(0, today.DayNumber - from.DayNumber)).Count(i => week.Days.Contains(from.AddDays(i).DayOfWeek));
    }
}
