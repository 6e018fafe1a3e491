using JauntyBadge.Core.Measuring;
using MathNet.Numerics.Distributions;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>Which reading, taken again, would settle a fit most.</summary>
/// <param name="Measure">The measure to take.</param>
/// <param name="Side">Its side.</param>
/// <param name="Kind">Whether a reading is doubted or one is missing.</param>
/// <param name="Settles">Share of the doubt about the whole that knowing this length would end, 0 to 1.</param>
public sealed record Retake(Measure Measure, Side? Side, UncertaintyKind Kind, double Settles);

/// <summary>
/// A snout drawn many times from the doubt about its readings, each doubt in equal parts of its normal distribution (a Latin
/// hypercube), so that a thousand draws count one criterion's chance to within a thousandth. The same draws serve every muzzle.
/// </summary>
public sealed class SnoutDraws
{
    public static readonly Grounded<int> Usual = new(
        "fit.draws",
        "Draws from the doubt about the readings",
        1000,
        Basis.House("a chance is then told to within a percent or so")
    )
    {
        SetElsewhere = "How finely a chance is counted; it decides nothing.",
    };

    public static readonly Grounded<double> SettlesLeast = new(
        "fit.settles-least",
        "Least share of the doubt a reading must settle to be asked for again",
        0.05,
        Basis.House("less is lost in the counting")
    );

    /// <summary>Seed of the generator the product draws with, so that the same readings give the same chances (House).</summary>
    public const int Seed = 1914;

    /// <summary>Parts each doubt is sorted into when asking which reading to take again.</summary>
    private const int Parts = 10;

    private static readonly Length Thinnest = Length.FromMillimeters(1);

    private readonly IReadOnlyList<UncertaintySource> doubts;
    private readonly byte[][] parts;

    private readonly double neck,
        settlesLeast;

    private SnoutDraws(SnoutModel snout, IReadOnlyList<UncertaintySource> doubts, SnoutMm[] snouts, byte[][] parts, BoxMm[] boxes)
    {
        Rules = snout.Rules;
        (neck, settlesLeast) = (snout.NeckGirth?.Millimeters ?? double.NaN, Rules[SettlesLeast]);
        (this.doubts, this.parts, Snouts, Boxes) = (doubts, parts, snouts, boxes);
    }

    /// <summary>The numbers they were drawn by.</summary>
    internal HouseRules Rules { get; }

    /// <summary>How many.</summary>
    public int Count => Snouts.Length;

    internal SnoutMm[] Snouts { get; }

    /// <summary>What is assumed, draw by draw, of a basket whose chart tells length and girth only.</summary>
    internal BoxMm[] Boxes { get; }

    /// <summary>The loop a strap is marked for: the one of the neck as read, whatever the neck may truly be.</summary>
    internal double MarkedFor(in RequestMm request) => NeckStrap.LoopMm(neck, request.Fingers, request.Finger);

    /// <summary>Draws a snout.</summary>
    /// <param name="snout">The snout as read.</param>
    /// <param name="doubts">The doubts about it.</param>
    /// <param name="count">How many draws, 10 to 100,000.</param>
    /// <param name="random">A seeded generator: the same seed gives the same draws.</param>
    /// <exception cref="ArgumentOutOfRangeException">The count is out of range.</exception>
    public static SnoutDraws Of(SnoutModel snout, IReadOnlyList<UncertaintySource> doubts, int count, Random random)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(count, Parts);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(count, 100_000);
        var parts = new byte[doubts.Count][];
        var off = new double[doubts.Count][];
        for (var d = 0; d < doubts.Count; d++)
        {
            var order = Enumerable.Range(0, count).ToArray();
            random.Shuffle(order);
            parts[d] = [.. order.Select(i => (byte)((long)i * Parts / count))];
            var standard = doubts[d].Standard.Millimeters;
            off[d] = [.. order.Select(i => standard * Normal.InvCDF(0, 1, (i + 0.5) / count))];
        }

        var bySides = doubts
            .Where(d => d.Kind == UncertaintyKind.Reading && d.Line.Measure == Measure.NoseToInnerEye)
            .Sum(d => d.Standard.Millimeters * d.Standard.Millimeters);
        var snouts = new SnoutMm[count];
        for (var i = 0; i < count; i++)
            snouts[i] = Draw(snout, doubts, off, i, bySides);
        double[] Parted()
        {
            var order = Enumerable.Range(0, count).ToArray();
            random.Shuffle(order);
            return [.. order.Select(i => Normal.InvCDF(0, 1, (i + 0.5) / count))];
        }

        var (wide, deep) = (Parted(), Parted());
        return new SnoutDraws(snout, doubts, snouts, parts, [.. wide.Zip(deep, (w, d) => BoxMm.On(snout, w, d))]);
    }

    /// <summary>
    /// The reading that would settle most of whether these draws hold; null when there is little doubt, when no single reading stands out, and where none could change the answer:
    /// what is sure enough, more likely than not, or neither, would still be so whatever it turned out to be.
    /// </summary>
    internal Retake? WouldSettle(ReadOnlySpan<bool> holds)
    {
        var all = 0;
        foreach (var one in holds)
            all += one ? 1 : 0;
        var share = (double)all / Count;
        var doubt = share * (1 - share);
        if (doubt <= 0)
            return null;
        var (best, most) = (-1, settlesLeast);
        Span<int> held = stackalloc int[Parts];
        Span<int> of = stackalloc int[Parts];
        for (var d = 0; d < doubts.Count; d++)
        {
            if (!doubts[d].CanBeRead)
                continue;
            held.Clear();
            of.Clear();
            var part = parts[d];
            for (var i = 0; i < part.Length; i++)
            {
                of[part[i]]++;
                held[part[i]] += holds[i] ? 1 : 0;
            }

            var (between, changes) = (0.0, false);
            for (var p = 0; p < Parts; p++)
            {
                var then = (double)held[p] / of[p];
                between += of[p] * Math.Pow(then - share, 2);
                changes |= Answer(then) != Answer(share);
            }

            var settles = (between / Count - doubt * (Parts - 1) / Count) / doubt;
            if (changes && settles > most)
                (best, most) = (d, settles);
        }

        return best < 0 ? null : new Retake(doubts[best].Line.Measure, doubts[best].Line.Side, doubts[best].Kind, Math.Min(1, most));
    }

    /// <summary>What a chance is said as: 2 sure enough, 1 more likely than not, 0 less.</summary>
    private int Answer(double chance) =>
        chance >= Rules[VanStock.SureEnough] ? 2
        : chance >= Rules[Headline.EvenChance] ? 1
        : 0;

    private static SnoutMm Draw(SnoutModel snout, IReadOnlyList<UncertaintySource> doubts, double[][] off, int draw, double bySides)
    {
        var numbers = snout.Numbers;
        for (var d = 0; d < doubts.Count; d++)
        {
            var by = Length.FromMillimeters(off[d][draw]);
            numbers = doubts[d].Kind switch
            {
                UncertaintyKind.Reading => Moved(numbers, doubts[d].Line, by),
                UncertaintyKind.Assumed when doubts[d].Line.Measure == Measure.SnoutWidth => numbers with { SnoutWidth = Least(snout.Width.Value + by) },
                UncertaintyKind.Assumed => numbers with { SnoutHeight = Least(snout.Height.Value + by) },
                UncertaintyKind.Gap => numbers with { FitLineGap = Least(snout.EyeLine.Value - snout.FitLine.Value + by) },
                _ => numbers,
            };
        }

        var drawn = SnoutMm.Of(SnoutModel.From(Alike(numbers, bySides)));
        var whole = SnoutMm.Of(snout);
        for (var d = 0; d < doubts.Count; d++)
        {
            var by = off[d][draw];
            drawn = (doubts[d].Kind, doubts[d].Line.Measure) switch
            {
                (UncertaintyKind.Hinge, _) => drawn with { HingeX = drawn.HingeX * (1 + by / whole.HingeX) },
                (UncertaintyKind.Section, Measure.SnoutGirth) => drawn with { Girth = drawn.Girth * (1 + by / whole.Girth) },
                (UncertaintyKind.Section, Measure.SnoutWidth) => drawn with { Width = drawn.Width * (1 + by / whole.Width) },
                (UncertaintyKind.Section, _) => drawn.Taller(1 + by / whole.Height),
                (UncertaintyKind.HingeDrop, _) => drawn with { HingeY = drawn.HingeY + by },
                (UncertaintyKind.Chin, _) => drawn with { ChinY = drawn.ChinY + by },
                (UncertaintyKind.LowerBorder, _) => drawn with { Border = drawn.Border + by },
                _ => drawn,
            };
        }

        return drawn;
    }

    /// <summary>
    /// The two sides of one head are alike: a difference is believed as far as heads differ against how far the readings may be off. Drawn one by one, the shorter of the two
    /// would be too short twice over.
    /// </summary>
    /// <param name="numbers">As drawn, one by one.</param>
    /// <param name="bySides">Variance that the readings of both sides bring to their difference, mm².</param>
    private static SnoutNumbers Alike(SnoutNumbers numbers, double bySides)
    {
        if (numbers is not { NoseToInnerEyeLeft: { } left, NoseToInnerEyeRight: { } right })
            return numbers;
        var middle = (left + right) / 2;
        var heads = Math.Pow(middle.Millimeters * numbers.Rules[CompletedMeasures.SidesDoubt], 2);
        var half = (left - right) / 2 * Math.Sqrt(heads / (heads + bySides));
        return numbers with { NoseToInnerEyeLeft = middle + half, NoseToInnerEyeRight = middle - half };
    }

    private static SnoutNumbers Moved(SnoutNumbers numbers, MeasureLine line, Length by) =>
        numbers[line] is { } length ? numbers.With(line, Least(length + by)) : numbers;

    private static Length Least(Length length) => UnitMath.Max(length, Thinnest);
}
