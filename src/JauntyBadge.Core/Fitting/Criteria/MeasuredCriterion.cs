using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Core.Fitting.Criteria;

/// <summary>
/// Something a muzzle is measured by: its margin, how it comes out, whether it can make a muzzle unfit, and its words, in a file of its own in this folder. What is
/// judged, counted, listed and told runs over <see cref="All"/> in the order of <see cref="CriterionName"/>; only the margin's arithmetic is called by name, in
/// <see cref="FitGauge"/>, for it runs once a draw and size.
/// </summary>
internal abstract class MeasuredCriterion
{
    /// <summary>Every one, in the order of the enum.</summary>
    public static MeasuredCriterion[] All { get; } =
    [
        .. typeof(MeasuredCriterion)
            .Assembly.GetTypes()
            .Where(t => t.IsSubclassOf(typeof(MeasuredCriterion)))
            .Select(t => (MeasuredCriterion)Activator.CreateInstance(t, nonPublic: true)!)
            .OrderBy(c => c.Name),
    ];

    public abstract CriterionName Name { get; }

    /// <summary>Its heading, such as "Chin room".</summary>
    public abstract string Word { get; }

    /// <summary>The same within a sentence, where it decides or was not checked.</summary>
    public virtual string Within => Writing.Lower(Word);

    /// <summary>Whether missing it makes a muzzle unfit.</summary>
    public virtual bool IsHard(FitRequest request) => true;

    /// <summary>How a basket comes out; nothing where it does not concern baskets.</summary>
    public virtual Found Of(in BasketCase basket) => default;

    /// <summary>How a sleeve or face cover comes out; nothing where it does not concern them.</summary>
    public virtual Found Of(in TubeCase tube) => default;

    /// <summary>It in words.</summary>
    public abstract Criterion Told(FitWords words, in JudgedCriterion c);

    /// <summary>The criterion of a name; null for one that is no matter of measures.</summary>
    public static MeasuredCriterion? Find(CriterionName name) => (int)name < Margins.Count ? All[(int)name] : null;
}

/// <summary>What came of looking at one criterion: how it came out, or why it could not be checked; neither where it does not concern the muzzle.</summary>
internal readonly record struct Found(JudgedCriterion? Judged, WhyUnchecked? Why)
{
    public static implicit operator Found(JudgedCriterion judged) => new(judged, null);

    public static implicit operator Found(WhyUnchecked why) => new(null, why);
}

/// <summary>A basket as it is judged.</summary>
/// <param name="Judge">By what.</param>
/// <param name="Basket">As it stands on the snout.</param>
/// <param name="Margins">Its margins.</param>
/// <param name="Strap">Its forehead strap.</param>
internal readonly record struct BasketCase(FitJudge Judge, BasketMm Basket, Margins Margins, ForeheadStrap Strap)
{
    /// <summary>The number its depth rests on, where that was assumed.</summary>
    public ModelLength? Depth => Basket.Box ? FitJudge.BoxDepth : Judge.AssumedHeight;

    public StrapCase Neck => new(Judge, Margins, Basket.StrapMin, Basket.StrapMax, Basket.SetLoop(Judge.Gauge.MarkedFor), Strap);
}

/// <summary>A sleeve or face cover as it is judged.</summary>
/// <param name="Judge">By what.</param>
/// <param name="Tube">Its shape.</param>
/// <param name="Margins">Its margins.</param>
/// <param name="Strap">Its forehead strap.</param>
internal readonly record struct TubeCase(FitJudge Judge, TubeMm Tube, Margins Margins, ForeheadStrap Strap)
{
    public StrapCase Neck => new(Judge, Margins, Tube.StrapMin, Tube.StrapMax, Tube.SetLoop(Judge.Gauge.MarkedFor), Strap);
}

/// <summary>A neck strap as it is judged.</summary>
/// <param name="Judge">By what.</param>
/// <param name="Margins">The muzzle's margins.</param>
/// <param name="Shortest">The shortest loop it makes, mm; NaN when unknown.</param>
/// <param name="Longest">The longest.</param>
/// <param name="Set">The loop it is set to, mm; NaN when unknown.</param>
/// <param name="Forehead">The forehead strap, which stops a slip over the head.</param>
internal readonly record struct StrapCase(FitJudge Judge, Margins Margins, double Shortest, double Longest, double Set, ForeheadStrap Forehead);
