namespace JauntyBadge.Core.Conditioning;

/// <summary>What a count of goes says of a dog: ready for more, not yet, or no telling.</summary>
public enum Clarity
{
    NotClear,
    Ready,
    NotYet,
}

/// <summary>
/// Wald's sequential probability ratio test of "ready for more" against "not yet" (Published: Wald 1945, Ann. Math. Stat. 16:117–186): goes are
/// looked at one by one, and it ends as soon as it is clear.
/// </summary>
public sealed class SequentialTest
{
    private readonly double right,
        missed,
        bound;

    /// <param name="ready">Share of goes that succeed of a dog ready for more, 0 to 1.</param>
    /// <param name="notYet">The same of one that is not, under it.</param>
    /// <param name="wrong">Share of dogs told wrongly either way, 0 to 0.5.</param>
    /// <exception cref="ArgumentOutOfRangeException">A share is out of range, or the two are not in order.</exception>
    public SequentialTest(double ready, double notYet, double wrong)
    {
        if (!(notYet > 0 && notYet < ready && ready < 1))
            throw new ArgumentOutOfRangeException(nameof(ready), "0 < not yet < ready < 1 is needed.");
        if (!(wrong > 0 && wrong < 0.5))
            throw new ArgumentOutOfRangeException(nameof(wrong), "0 < wrong < 0.5 is needed.");
        (right, missed) = (Math.Log(ready / notYet), Math.Log((1 - ready) / (1 - notYet)));
        bound = Math.Log((1 - wrong) / wrong);
    }

    /// <summary>The logarithm of how much better "ready" explains a count than "not yet".</summary>
    /// <param name="goes">How many goes, 0 or more.</param>
    /// <param name="good">How many of them succeeded.</param>
    public double Evidence(int goes, int good) => good * right + (goes - good) * missed;

    /// <summary>What a count says.</summary>
    public Clarity Of(int goes, int good) =>
        Evidence(goes, good) switch
        {
            var evidence when evidence >= bound => Clarity.Ready,
            var evidence when evidence <= -bound => Clarity.NotYet,
            _ => Clarity.NotClear,
        };
}
