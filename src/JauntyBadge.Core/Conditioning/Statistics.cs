namespace JauntyBadge.Core.Conditioning;

/// <summary>A share with the interval it may lie in.</summary>
/// <param name="Good">How many succeeded.</param>
/// <param name="Of">Of how many, 0 or more.</param>
/// <param name="Low">Lower end of the 95 % interval, 0 to 1.</param>
/// <param name="High">Upper end.</param>
public readonly record struct ShareOf(int Good, int Of, double Low, double High)
{
    private const double Z = 1.959963984540054;

    /// <summary>The Wilson score interval (Published: Wilson 1927; as method 3 in Newcombe 1998, Stat. Med. 17:857–872).</summary>
    /// <exception cref="ArgumentOutOfRangeException">More succeeded than there were, or a count is under 0.</exception>
    public static ShareOf Wilson(int good, int of)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(good);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(good, of);
        if (of == 0)
            return new(0, 0, 0, 1);
        var (p, zz) = (good / (double)of, Z * Z);
        var middle = (p + zz / (2 * of)) / (1 + zz / of);
        var half = Z * Math.Sqrt(p * (1 - p) / of + zz / (4.0 * of * of)) / (1 + zz / of);
        return new(good, of, good == 0 ? 0 : middle - half, good == of ? 1 : middle + half);
    }
}

/// <summary>The share of holds that lasted, from some that the handler ended.</summary>
public static class ProductLimit
{
    /// <summary>
    /// The product-limit estimate (Published: Kaplan &amp; Meier 1958, J. Am. Stat. Assoc. 53:457–481): at each time at which the dog pulled out, the share
    /// still in just after it. A hold marked at a time was still in then.
    /// </summary>
    /// <param name="holds">The holds, in any order.</param>
    public static IReadOnlyList<(TimeSpan At, double StillIn)> Of(IReadOnlyList<HeldGo> holds)
    {
        var (steps, still) = (new List<(TimeSpan, double)>(), 1.0);
        foreach (var pulled in holds.Where(h => !h.Marked).GroupBy(h => h.Held).OrderBy(g => g.Key))
        {
            still *= 1 - pulled.Count() / (double)holds.Count(h => h.Held >= pulled.Key);
            steps.Add((pulled.Key, still));
        }

        return steps;
    }
}

/// <summary>How much of the standard normal distribution lies above a value, read from a table.</summary>
internal static class NormalTail
{
    private const int Furthest = 6;
    private const int PerUnit = 256;

    private static readonly double[] Table =
    [
        .. Enumerable.Range(0, 2 * Furthest * PerUnit + 1).Select(i => MathNet.Numerics.Distributions.Normal.CDF(0, 1, Furthest - i / (double)PerUnit)),
    ];

    /// <summary>The share above a value, 0 to 1, to 1 in 2,000,000; beyond 6 on either side that at 6.</summary>
    public static double Above(double value)
    {
        var at = Math.Clamp((value + Furthest) * PerUnit, 0, Table.Length - 1.000001);
        var row = (int)at;
        return Table[row] + (at - row) * (Table[row + 1] - Table[row]);
    }
}
