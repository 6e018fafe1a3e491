using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Core.Fitting;

/// <summary>How often each criterion and the whole held over the draws.</summary>
public sealed class Chances
{
    private const int Criteria = 10;

    private readonly float[] held = new float[Criteria];

    private Chances(ReadOnlySpan<int> failed, ReadOnlySpan<bool> holds, SnoutDraws draws)
    {
        for (var i = 0; i < held.Length; i++)
            held[i] = 1 - (float)failed[i] / draws.Count;
        var all = 0;
        foreach (var one in holds)
            all += one ? 1 : 0;
        Whole = (double)all / draws.Count;
        Retake = draws.WouldSettle(holds);
    }

    /// <summary>Chance that all that has to hold does, 0 to 1.</summary>
    public double Whole { get; }

    /// <summary>The reading that would settle the decision most; null when there is little doubt.</summary>
    public Retake? Retake { get; }

    /// <summary>The chances of one basket.</summary>
    public static Chances Of(SnoutDraws draws, BasketModel basket, FitRequest request) =>
        Count(draws, Prepare(draws, RequestMm.Of(request)), BasketMm.Of(basket), request.Hard, new bool[draws.Count]);

    /// <summary>The chance of a criterion that is drawn, 0 to 1; null for one that is not.</summary>
    public double? Of(CriterionName name)
    {
        var at = name switch
        {
            CriterionName.Seat => 0,
            CriterionName.Shove => 1,
            CriterionName.ChinRoom => 2,
            CriterionName.Gape => 3,
            CriterionName.Girth => 4,
            CriterionName.Width => 5,
            CriterionName.NeckStrap => 6,
            CriterionName.SlipOff => 7,
            CriterionName.Large => 8,
            _ => -1,
        };
        return at < 0 ? null : Math.Round(held[at], 6);
    }

    /// <summary>The draws, each with the request.</summary>
    internal static Asked[] Prepare(SnoutDraws? draws, in RequestMm request)
    {
        var asked = new Asked[draws?.Count ?? 0];
        for (var i = 0; i < asked.Length; i++)
            asked[i] = new Asked(draws!.Snouts[i], request, draws.Boxes[i], draws.MarkedFor(request));
        return asked;
    }

    internal static Chances Count(SnoutDraws draws, Asked[] asked, in BasketMm basket, Failing hard, bool[] holds)
    {
        Span<int> failed = stackalloc int[Criteria];
        failed.Clear();
        for (var i = 0; i < asked.Length; i++)
            holds[i] = Note(asked[i].Fails(basket), hard, failed);
        return new Chances(failed, holds, draws);
    }

    internal static Chances Count(SnoutDraws draws, Asked[] asked, in TubeMm tube, Failing hard, bool[] holds)
    {
        Span<int> failed = stackalloc int[Criteria];
        failed.Clear();
        for (var i = 0; i < asked.Length; i++)
            holds[i] = Note(asked[i].Fails(tube), hard, failed);
        return new Chances(failed, holds, draws);
    }

    private static bool Note(Failing failing, Failing hard, Span<int> failed)
    {
        for (var bits = (int)failing; bits != 0; bits &= bits - 1)
            failed[System.Numerics.BitOperations.TrailingZeroCount(bits)]++;
        return (failing & hard) == 0;
    }
}
