namespace JauntyBadge.Core.People;

/// <summary>How long whoever guessed wrong has to wait. A name that nobody has is treated as one that somebody has.</summary>
public static class Pauses
{
    /// <summary>So many wrong tries cost nothing: a hand slips (House).</summary>
    public const int Free = 5;

    /// <summary>The first pause; each further wrong try doubles it (House).</summary>
    public static readonly TimeSpan First = TimeSpan.FromMinutes(1);

    /// <summary>No pause is longer: whoever locks another out by guessing does so for an hour at most (House).</summary>
    public static readonly TimeSpan Longest = TimeSpan.FromHours(1);

    /// <summary>Wrong tries are forgotten after a time without any (House).</summary>
    public static readonly TimeSpan Forgotten = TimeSpan.FromHours(24);

    /// <summary>One address may be that of a whole clinic: it has so many times more free tries than one name (House).</summary>
    public const int FreePerAddress = 4 * Free;

    /// <summary>How long to wait after so many wrong tries in a row.</summary>
    /// <param name="wrong">Wrong tries, not negative.</param>
    /// <param name="free">How many of them cost nothing.</param>
    public static TimeSpan After(int wrong, int free = Free)
    {
        if (wrong < free)
            return TimeSpan.Zero;
        var doubled = First * Math.Pow(2, Math.Min(wrong - free, 30));
        return doubled < Longest ? doubled : Longest;
    }
}
