using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>What was measured on one head: a length a line, those that were not read missing. It does not change; <c>with</c> makes another.</summary>
public sealed record SnoutNumbers
{
    private static readonly int Places = FitStyleMeasures.All.Max(Place) + 1;

    // In mm by place; NaN for a line that was not read. Never written to once it can be seen.
    private readonly double[] mm = [.. Enumerable.Repeat(double.NaN, Places)];

    /// <summary>Nothing read yet.</summary>
    public SnoutNumbers() { }

    private SnoutNumbers(SnoutNumbers other, double[] mm)
        : this(other) => this.mm = mm;

    /// <summary>The lines that were read, in the order of the measures, with their lengths.</summary>
    public IEnumerable<KeyValuePair<MeasureLine, Length>> Lengths =>
        from line in FitStyleMeasures.All
        where !double.IsNaN(mm[Place(line)])
        select KeyValuePair.Create(line, Length.FromMillimeters(mm[Place(line)]));

    public HeadShape HeadShape { get; init; } = HeadShape.Medium;

    /// <summary>The numbers the rest of the head is completed by.</summary>
    public HouseRules Rules { get; init; } = HouseRules.Ours;

    /// <summary>The gap left between eye line and fit line when the latter was measured; null for the usual one.</summary>
    public Length? FitLineGap { get; init; }

    // The lines that the snout model names.
    public Length? NoseToInnerEyeLeft
    {
        get => this[new MeasureLine(Measure.NoseToInnerEye, Side.Left)];
        init => mm = Set(new(Measure.NoseToInnerEye, Side.Left), value);
    }

    public Length? NoseToInnerEyeRight
    {
        get => this[new MeasureLine(Measure.NoseToInnerEye, Side.Right)];
        init => mm = Set(new(Measure.NoseToInnerEye, Side.Right), value);
    }

    public Length? InnerEyeSpacing
    {
        get => this[Measure.InnerEyeSpacing];
        init => mm = Set(new(Measure.InnerEyeSpacing), value);
    }
    public Length? FitLineLength
    {
        get => this[Measure.FitLineLength];
        init => mm = Set(new(Measure.FitLineLength), value);
    }
    public Length? SnoutGirth
    {
        get => this[Measure.SnoutGirth];
        init => mm = Set(new(Measure.SnoutGirth), value);
    }
    public Length? SnoutHeight
    {
        get => this[Measure.SnoutHeight];
        init => mm = Set(new(Measure.SnoutHeight), value);
    }
    public Length? SnoutWidth
    {
        get => this[Measure.SnoutWidth];
        init => mm = Set(new(Measure.SnoutWidth), value);
    }
    public Length? JawToNose
    {
        get => this[Measure.JawToNose];
        init => mm = Set(new(Measure.JawToNose), value);
    }
    public Length? NeckGirth
    {
        get => this[Measure.NeckGirth];
        init => mm = Set(new(Measure.NeckGirth), value);
    }
    public Length? HeadGirth
    {
        get => this[Measure.HeadGirth];
        init => mm = Set(new(Measure.HeadGirth), value);
    }

    /// <summary>The length of a measure that has no sides; null when it was not read.</summary>
    public Length? this[Measure measure] => this[new MeasureLine(measure)];

    /// <summary>The length of a line; null when it was not read.</summary>
    public Length? this[MeasureLine line] => mm[Place(line)] is var length && double.IsNaN(length) ? null : Length.FromMillimeters(length);

    /// <summary>The means of a dog's readings.</summary>
    public static SnoutNumbers From(IEnumerable<Measured> measured, HeadShape shape, HouseRules rules) =>
        From(measured.Select(m => KeyValuePair.Create(new MeasureLine(m.Measure, m.Side), m.Mean)), shape) with
        {
            Rules = rules,
        };

    /// <summary>Lengths by line; of one line twice the last counts.</summary>
    public static SnoutNumbers From(IEnumerable<KeyValuePair<MeasureLine, Length>> lengths, HeadShape shape)
    {
        var numbers = new SnoutNumbers { HeadShape = shape };
        foreach (var (line, length) in lengths)
            numbers.mm[Place(line)] = length.Millimeters;
        return numbers;
    }

    /// <summary>The same with one line's length changed; null takes it out.</summary>
    public SnoutNumbers With(MeasureLine line, Length? length) => new(this, Set(line, length));

    public bool Equals(SnoutNumbers? other) =>
        other is not null
        && HeadShape == other.HeadShape
        && Rules.Equals(other.Rules)
        && FitLineGap?.Millimeters == other.FitLineGap?.Millimeters
        && mm.AsSpan().SequenceEqual(other.mm);

    public override int GetHashCode() => HashCode.Combine(HeadShape, FitLineGap, mm.Count(double.IsNaN));

    private static int Place(MeasureLine line) => 2 * (int)line.Measure + (line.Side == Side.Right ? 1 : 0);

    private double[] Set(MeasureLine line, Length? length)
    {
        var changed = (double[])mm.Clone();
        changed[Place(line)] = length?.Millimeters ?? double.NaN;
        return changed;
    }
}
