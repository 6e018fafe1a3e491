using System.Runtime.CompilerServices;
using JauntyBadge.Core.Fitting.Criteria;

namespace JauntyBadge.Core.Fitting;

/// <summary>How often each criterion and the whole held over the draws.</summary>
public sealed class Chances
{
    /// <summary>A bit for each criterion, and one for what is so large that it is no fit.</summary>
    private const int Bits = Margins.Count + 1;

    private readonly float[] held = new float[Bits];

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
        Count(draws, Prepare(draws, RequestMm.Of(request, draws.Rules)), BasketMm.Of(basket), request.Hard, new bool[draws.Count]);

    /// <summary>The chance of a criterion that is drawn, 0 to 1; null for one that is not.</summary>
    public double? Of(CriterionName name) => (int)name < Margins.Count ? Math.Round(held[(int)name], 6) : null;

    /// <summary>The draws, each with the request.</summary>
    internal static FitGauge[] Prepare(SnoutDraws? draws, in RequestMm request)
    {
        var gauges = new FitGauge[draws?.Count ?? 0];
        for (var i = 0; i < gauges.Length; i++)
            gauges[i] = new FitGauge(draws!.Snouts[i], request, draws.Boxes[i], draws.MarkedFor(request));
        return gauges;
    }

    internal static Chances Count<TShape>(SnoutDraws draws, FitGauge[] gauges, in TShape shape, uint hard, bool[] holds)
        where TShape : struct, IShapeMm
    {
        Span<int> failed = stackalloc int[Bits];
        failed.Clear();
        for (var i = 0; i < gauges.Length; i++)
            holds[i] = Note(MissedOn(gauges[i], shape), hard, failed);
        return new Chances(failed, holds, draws);
    }

    /// <summary>Whether all that has to hold does so in at least a share of the draws: the same as the chance says, counted no further than it must be.</summary>
    internal static bool HoldsAtLeast<TShape>(double share, FitGauge[] gauges, in TShape shape, uint hard)
        where TShape : struct, IShapeMm
    {
        var (needed, held) = (share * gauges.Length, 0);
        for (var i = 0; i < gauges.Length; i++)
        {
            if ((MissedOn(gauges[i], shape) & hard) == 0)
                held++;
            if (held >= needed)
                return true;
            if (held + gauges.Length - i - 1 < needed)
                return false;
        }

        return held >= needed;
    }

    /// <summary>The criteria missed on one draw.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static uint MissedOn<TShape>(in FitGauge gauge, in TShape shape)
        where TShape : struct, IShapeMm
    {
        var missed = new Missed();
        shape.On(gauge, ref missed);
        return missed.Bits;
    }

    private static bool Note(uint missed, uint hard, Span<int> failed)
    {
        for (var bits = missed; bits != 0; bits &= bits - 1)
            failed[System.Numerics.BitOperations.TrailingZeroCount(bits)]++;
        return (missed & hard) == 0;
    }
}
