using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>Inner shape of one size of a basket.</summary>
/// <param name="Length">Rear edge of the nose rest to the inside of the front.</param>
/// <param name="DepthFront">Nose rest to floor at the front.</param>
/// <param name="DepthRear">Nose rest to floor at the rear edge.</param>
/// <param name="WidthRear">Across at the rear edge.</param>
/// <param name="OpeningGirth">Around the inside of the rear edge.</param>
/// <param name="NeckStrapMin">Shortest neck loop the strap makes; null when the chart does not say.</param>
/// <param name="NeckStrapMax">Longest neck loop.</param>
public sealed record BasketModel(
    Length Length,
    Length DepthFront,
    Length DepthRear,
    Length WidthRear,
    Length OpeningGirth,
    Length? NeckStrapMin = null,
    Length? NeckStrapMax = null
)
{
    public static readonly Grounded<Length> BoxSpareWidth = new(
        "fit.box-spare-width",
        "Spare width of a basket known by length and girth only",
        Length.FromMillimeters(14),
        Basis.House("the middle of what is wanted, for the chart does not say")
    );

    public static readonly Grounded<Length> BoxWidthDoubt = new(
        "fit.u-box-width",
        "Standard uncertainty of that spare width",
        Length.FromMillimeters(8),
        Basis.House("makers leave half an inch more or less to either side of it")
    );

    public static readonly Grounded<double> BoxDepthDoubt = new(
        "fit.u-box-depth",
        "Standard uncertainty of the depth assumed with it, as a share",
        0.1,
        Basis.House("baskets of one girth are rounder or flatter by so much")
    );

    /// <summary>Stands for the depth of a box that no depth gives its girth: no jaw has room in it.</summary>
    internal static readonly Length NoDepth = Length.FromMillimeters(1);

    /// <summary>The loops the neck strap makes; null when unknown.</summary>
    public Window? NeckStrap => NeckStrapMin is { } min && NeckStrapMax is { } max ? new Window(min, max) : null;

    /// <summary>Distance of the neck strap's holes; null for one that slides, or when the chart does not say.</summary>
    public Length? HolePitch { get; init; }

    /// <summary>Depth and width were not on the chart but taken from a box of its girth.</summary>
    public bool AssumedShape { get; init; }

    /// <summary>
    /// A chart that gives only length and girth, taken as a box this wide and of the one depth that makes the girth.
    /// </summary>
    /// <returns>Null when no depth makes that girth at that width.</returns>
    public static BasketModel? FromLengthAndGirth(Length length, Length girth, Length width, Length? strapMin, Length? strapMax) =>
        SnoutSection.OtherSide(girth, width) is { } depth
            ? new BasketModel(length, depth, depth, width, girth, strapMin, strapMax) { AssumedShape = true }
            : null;
}

/// <summary>A basket seated on a snout.</summary>
/// <param name="NoseRoom">Nose tip to the inside of the front.</param>
/// <param name="EyeRoom">Rear edge to the eye line.</param>
/// <param name="ShoveEyeRoom">The same when the basket is pushed back until the nose touches; negative reaches the eye.</param>
public sealed record Seat(Length NoseRoom, Length EyeRoom, Length ShoveEyeRoom)
{
    /// <summary>Seats the basket so that any misfit is shared evenly between nose and eyes.</summary>
    /// <param name="snout">The snout.</param>
    /// <param name="basket">The basket.</param>
    /// <param name="window">The wanted room, the same before the nose and before the eyes in both fit styles.</param>
    public static Seat Of(SnoutModel snout, BasketModel basket, Window window)
    {
        var misfit = basket.Length - snout.EyeLine.Value;
        return new Seat(window.Middle + misfit / 2, window.Middle - misfit / 2, -misfit);
    }
}
