namespace JauntyBadge.Core.People;

/// <summary>How long somebody stays signed in.</summary>
public static class Stay
{
    /// <summary>A fitter's or helper's browser that was not used for so long asks again (House).</summary>
    public static readonly TimeSpan UnusedByPractice = TimeSpan.FromDays(30);

    /// <summary>A fitter's or helper's browser asks again after so long in any case (House).</summary>
    public static readonly TimeSpan LongestOfPractice = TimeSpan.FromDays(180);

    /// <summary>A keeper's phone that was not used for so long is to be paired again: it may lie in another's hands by then (House).</summary>
    public static readonly TimeSpan UnusedByKeeper = TimeSpan.FromDays(180);

    /// <summary>The longest a browser keeps a cookie (the 400 days of RFC 6265bis; from memory).</summary>
    public static readonly TimeSpan CookieLives = TimeSpan.FromDays(400);

    /// <summary>Whether somebody has to come in anew.</summary>
    /// <param name="kind">Who.</param>
    /// <param name="since">When they came in.</param>
    /// <param name="lastHere">When they were here last.</param>
    /// <param name="now">Now.</param>
    public static bool IsOver(PersonKind kind, DateTime since, DateTime lastHere, DateTime now) =>
        May.HasOwnDogsOnly(kind) ? now - lastHere > UnusedByKeeper : now - lastHere > UnusedByPractice || now - since > LongestOfPractice;

    /// <summary>Why somebody who came in once is not let in any more.</summary>
    /// <param name="kind">Who.</param>
    /// <param name="isWithdrawn">Device or person was withdrawn, or the password changed.</param>
    /// <param name="dogs">How many own dogs they have today.</param>
    /// <param name="since">When they came in.</param>
    /// <param name="lastHere">When they were here last.</param>
    /// <param name="now">Now.</param>
    public static Ended WhyOver(PersonKind kind, bool isWithdrawn, int dogs, DateTime since, DateTime lastHere, DateTime now) =>
        isWithdrawn ? Ended.Withdrawn
        : IsOver(kind, since, lastHere, now) ? Ended.TooLong
        : kind == PersonKind.Clinic && dogs == 0 ? Ended.RanOut
        : Ended.Not;

    /// <summary>The last day of a clinic's link when none is said: the day after the visit, or tomorrow where none is near (House).</summary>
    /// <param name="visit">The dog's next visit to a clinic; null for none.</param>
    /// <param name="today">The practice's day.</param>
    public static DateOnly ClinicUntil(DateOnly? visit, DateOnly today) => (visit is { } day && day >= today ? day : today).AddDays(1);
}

/// <summary>Why somebody may come in no more.</summary>
public enum Ended
{
    Not,

    /// <summary>The device, or the person, was withdrawn, or the password changed.</summary>
    Withdrawn,

    /// <summary>A link's last day is over.</summary>
    RanOut,

    /// <summary>Too long since they were last here.</summary>
    TooLong,
}
