using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>The proportions of a head that a drawing needs and a snout model does not: as read where they were, else the head shape's usual ones.</summary>
/// <remarks>Basis of every ratio: a sketch (House), from average skulls (Miller's Anatomy of the Dog, recalled) where there are any. No criterion reads them.</remarks>
internal sealed record HeadSketch
{
    public HeadSketch(SnoutModel snout)
    {
        var numbers = snout.Numbers;
        var (faceShare, rise, spacing, skull) = numbers.HeadShape switch
        {
            HeadShape.Long => (0.479, 0.11, 0.37, 0.84),
            HeadShape.Short => (0.378, 0.27, 0.80, 2.2),
            _ => (0.471, 0.17, 0.45, 1.12),
        };
        Eye = snout.EyeLine.Mm;
        var read = numbers[Measure.NoseToOcciput]?.Millimeters * 0.96 ?? (numbers[Measure.StopToNose] + numbers[Measure.StopToOcciput])?.Millimeters;
        Occiput = Math.Max(read ?? Eye / faceShare, 1.25 * Eye);
        Top = -rise * (Eye / faceShare);
        Stop = Math.Clamp(numbers[Measure.StopToNose]?.Millimeters ?? Eye, 0.8 * Eye, Eye + 0.4 * (Occiput - Eye));
        var apart = numbers.InnerEyeSpacing is { } s && s.Millimeters < 1.8 * Eye ? s.Millimeters : spacing * Eye;
        HalfSpacing = apart / 2;
        HalfSkull = Math.Max(numbers[Measure.SkullWidth]?.Millimeters ?? skull * Eye, 1.05 * Math.Max(snout.Width.Mm, apart)) / 2;
    }

    /// <summary>Eye line, base of the skull and stop, straight back from the nose tip.</summary>
    public double Eye { get; }

    public double Occiput { get; }

    public double Stop { get; }

    /// <summary>Top of the skull over the bridge line, negative upwards.</summary>
    public double Top { get; }

    public double HalfSpacing { get; }

    public double HalfSkull { get; }

    /// <summary>A share of the way from the eye line to the base of the skull.</summary>
    public double Behind(double share) => Eye + share * (Occiput - Eye);
}
