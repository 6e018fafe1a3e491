using MathNet.Numerics.Distributions;
using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>How a jaw reading was held.</summary>
public enum JawHeld
{
    /// <summary>Horizontally, to the plumb line below the nose: as it is meant.</summary>
    Level,

    /// <summary>From the throat bump to the nose itself, along the slant.</summary>
    PointToPoint,
}

/// <summary>What the numbers say of how a jaw reading was held.</summary>
public enum JawVerdict
{
    /// <summary>Level, or as good as.</summary>
    Level,

    /// <summary>The numbers cannot tell: the fitter can.</summary>
    CannotTell,

    PointToPoint,

    /// <summary>Neither way explains it.</summary>
    Neither,
}

/// <summary>
/// Tells a jaw reading taken point to point from a level one by a likelihood ratio. The level distance follows from the head, by the eyes and by
/// the whole head; point to point reads the slanted side √(level² + drop²). Both carry the doubt of every reading behind them and the spread of
/// heads.
/// </summary>
/// <param name="Level">The level distance expected from the head.</param>
/// <param name="LevelDoubt">Standard uncertainty of a level reading about it.</param>
/// <param name="Slanted">What point to point would read on such a head.</param>
/// <param name="SlantedDoubt">Standard uncertainty of such a reading about it.</param>
/// <param name="Rules">The numbers that decide.</param>
public sealed record JawCheck(Length Level, Length LevelDoubt, Length Slanted, Length SlantedDoubt, HouseRules Rules)
{
    public static readonly Grounded<double> RatioSpread = new(
        "check.jaw-spread",
        "Spread of a mandible's length among heads of one shape, as a share",
        0.05,
        Basis.House("mandibles of one head shape differ by a tenth or so")
    );

    public static readonly Grounded<double> ShortRatioSpread = new(
        "check.jaw-spread-short",
        "The same among short heads",
        0.08,
        Basis.House("short heads differ most: faces of 28 to 72 mm under the same skull")
    );

    public static readonly Grounded<double> SharedSpread = new(
        "check.jaw-shared",
        "How much of that spread the two ways of expecting it share",
        0.5,
        Basis.House("a long jaw is long against the eyes and against the whole head alike; half of the spread is the jaw's own")
    );

    public static readonly Grounded<double> DropSpread = new(
        "check.jaw-drop-spread",
        "Spread of the drop from nose to throat bump about the snout's height, as a share",
        0.10,
        Basis.House("the bump lies a little above or below the jaw's border")
    );

    public static readonly Grounded<double> FalseAlarms = new(
        "check.jaw-false-alarms",
        "Share of level readings that may be called point to point",
        0.05,
        Basis.House("more, and the question is no longer heeded")
    );

    public static readonly Grounded<double> AskFrom = new(
        "check.jaw-ask",
        "How likely point to point must explain a reading, against level, before the fitter is asked",
        0.05,
        Basis.House("one in twenty is worth two taps")
    );

    public static readonly Grounded<double> FarOff = new(
        "check.jaw-far-off",
        "Standard uncertainties from either way beyond which neither explains a reading",
        3,
        Basis.House("three in a thousand by chance")
    );

    public static readonly Grounded<double> SkullLong = new("check.jaw-skull-long", "Mandible over skull length, long heads", 163.0 / 238, Miller);
    public static readonly Grounded<double> SkullMedium = new("check.jaw-skull-medium", "Mandible over skull length, medium heads", 134.0 / 189, Miller);
    public static readonly Grounded<double> SkullShort = new("check.jaw-skull-short", "Mandible over skull length, short heads", 85.0 / 127, Miller);

    public static readonly Grounded<double> DomeLong = new(
        "check.dome-long",
        "Tape from nose to base of skull over the skull's own length, long heads",
        1.02,
        Domed
    )
    {
        Least = 1,
        Most = 1.3,
    };
    public static readonly Grounded<double> DomeMedium = new("check.dome-medium", "The same, medium heads", 1.05, Domed) { Least = 1, Most = 1.3 };
    public static readonly Grounded<double> DomeShort = new("check.dome-short", "The same, short heads", 1.10, Domed) { Least = 1, Most = 1.3 };

    public static readonly Grounded<double> DomeDoubt = new(
        "check.u-dome",
        "Standard uncertainty of what the dome adds, as a share of it",
        0.6,
        Basis.House("some short heads are flat on top, some are apples")
    );

    public static IReadOnlyList<IGrounded> All { get; } =
    [
        RatioSpread,
        ShortRatioSpread,
        SharedSpread,
        DropSpread,
        FalseAlarms,
        AskFrom,
        FarOff,
        SkullLong,
        SkullMedium,
        SkullShort,
        DomeLong,
        DomeMedium,
        DomeShort,
        DomeDoubt,
    ];

    private static Basis Domed => Basis.House("the tape goes over stop and dome, the bone's length straight; arcs over the average skulls");

    private static Basis Miller => Basis.Published("ratios of average skull measurements, Evans & de Lahunta, Miller's Anatomy of the Dog (recalled)");

    /// <summary>Expects a jaw from the head.</summary>
    /// <param name="eye">Mean of both nose to inner eyes, with its standard uncertainty; null when not read.</param>
    /// <param name="occiput">Nose to base of skull, with its standard uncertainty; null when not read.</param>
    /// <param name="drop">The drop, which is the snout's height, with its standard uncertainty.</param>
    /// <param name="reading">Standard uncertainty of the jaw reading itself.</param>
    /// <param name="shape">The head shape, whose usual ratios are used.</param>
    /// <param name="rules">The numbers that decide.</param>
    /// <returns>Null when neither eye nor occiput is there.</returns>
    public static JawCheck? For(
        (Length Value, Length U)? eye,
        (Length Value, Length U)? occiput,
        (Length Value, Length U) drop,
        Length reading,
        HeadShape shape,
        HouseRules rules
    )
    {
        List<(double Level, double Variance)> ways = [];
        void Way((Length Value, Length U)? from, double ratio)
        {
            if (from is { } f)
                ways.Add((f.Value.Millimeters * ratio, Squared(f.U.Millimeters * ratio)));
        }

        Way(eye, SnoutRules.HingeRatio(shape).Ours);
        Way(occiput is { } tape ? SkullBehind(tape, shape, rules) : null, SnoutRules.Pick(shape, SkullLong, SkullMedium, SkullShort).Ours);
        if (ways.Count == 0)
            return null;

        // Each way's own doubt, and a spread of which the ways share a part: the best mean of two that are correlated.
        var spread = rules[shape == HeadShape.Short ? ShortRatioSpread : RatioSpread];
        double Variance((double Level, double Variance) way) => way.Variance + Squared(spread * way.Level);
        var (level, variance) = (ways[0].Level, Variance(ways[0]));
        if (ways.Count == 2)
        {
            var (a, b) = (Variance(ways[0]), Variance(ways[1]));
            var shared = rules[SharedSpread] * spread * spread * ways[0].Level * ways[1].Level;
            var weight = Math.Clamp((b - shared) / (a + b - 2 * shared), 0, 1);
            level = weight * ways[0].Level + (1 - weight) * ways[1].Level;
            variance = Squared(weight) * a + Squared(1 - weight) * b + 2 * weight * (1 - weight) * shared;
        }

        var (down, downU) = (drop.Value.Millimeters, Math.Sqrt(Squared(drop.U.Millimeters) + Squared(rules[DropSpread] * drop.Value.Millimeters)));
        var slanted = Math.Sqrt(level * level + down * down);
        var own = Squared(reading.Millimeters);
        return new JawCheck(
            Mm(level),
            Mm(Math.Sqrt(variance + own)),
            Mm(slanted),
            Mm(Math.Sqrt(Squared(level / slanted) * variance + Squared(down / slanted * downU) + own)),
            rules
        );
    }

    /// <summary>The reading from which on point to point is called, so that no more level readings are than may be.</summary>
    public Length CalledFrom => Level + LevelDoubt * Normal.InvCDF(0, 1, 1 - Rules[FalseAlarms]);

    /// <summary>Share of readings taken point to point that are called so, 0 to 1.</summary>
    public double Power => 1 - Normal.CDF(Slanted.Millimeters, SlantedDoubt.Millimeters, CalledFrom.Millimeters);

    /// <summary>How much better point to point explains a reading than level does: the ratio of the two likelihoods.</summary>
    public double Ratio(Length reading) =>
        Normal.PDF(Slanted.Millimeters, SlantedDoubt.Millimeters, reading.Millimeters)
        / Normal.PDF(Level.Millimeters, LevelDoubt.Millimeters, reading.Millimeters);

    /// <summary>What the numbers say of a reading.</summary>
    public JawVerdict Of(Length reading)
    {
        var far = Rules[FarOff];
        if (reading < Level - far * LevelDoubt || reading > Slanted + far * SlantedDoubt)
            return JawVerdict.Neither;
        var ratio = Ratio(reading);
        return reading > CalledFrom && ratio > 1 ? JawVerdict.PointToPoint
            : ratio > Rules[AskFrom] ? JawVerdict.CannotTell
            : JawVerdict.Level;
    }

    /// <summary>The level distance behind a reading known to be taken point to point, with its doubt; null when it is not longer than the drop.</summary>
    public static (Length Level, Length U)? LevelOf(Length slanted, Length u, Length drop, Length dropU, HouseRules rules)
    {
        var squared = Squared(slanted.Millimeters) - Squared(drop.Millimeters);
        if (squared <= 0)
            return null;
        var level = Math.Sqrt(squared);
        var down = Math.Sqrt(Squared(dropU.Millimeters) + Squared(rules[DropSpread] * drop.Millimeters));
        return (Mm(level), Mm(Math.Sqrt(Squared(slanted.Millimeters / level * u.Millimeters) + Squared(drop.Millimeters / level * down))));
    }

    /// <summary>The skull's own length behind a tape over its dome: the ratio of the mandible is one of bones.</summary>
    private static (Length Value, Length U) SkullBehind((Length Value, Length U) tape, HeadShape shape, HouseRules rules)
    {
        var dome = rules[SnoutRules.Pick(shape, DomeLong, DomeMedium, DomeShort)];
        var skull = tape.Value / dome;
        return (skull, Mm(Math.Sqrt(Squared(tape.U.Millimeters / dome) + Squared(skull.Millimeters * rules[DomeDoubt] * (dome - 1) / dome))));
    }

    private static double Squared(double value) => value * value;

    private static Length Mm(double mm) => Length.FromMillimeters(mm);
}
