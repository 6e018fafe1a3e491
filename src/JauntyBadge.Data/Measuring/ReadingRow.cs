using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Data.Measuring;

/// <summary>A reading, kept as taken.</summary>
public sealed class ReadingRow : INumbered, IOfDog
{
    public Guid Id { get; set; }
    public long Number { get; set; }
    public Guid DogId { get; set; }
    public Guid SetId { get; set; }
    public Measure Measure { get; set; }
    public Side? Side { get; set; }
    public double Millimetres { get; set; }
    public ReadingUnit Unit { get; set; }
    public required string AsTaken { get; set; }
    public Tool Tool { get; set; }
    public string? TakenBy { get; set; }
    public DateTime TakenAt { get; set; }

    /// <summary>The standard uncertainty the reading brings along, as one from a photo or a file does.</summary>
    public double? UncertaintyMm { get; set; }

    /// <summary>How a jaw to nose was held; null while nobody said.</summary>
    public JawHeld? Held { get; set; }

    /// <summary>Why the fitter set it aside: it stands on record and counts for nothing. Null while it is in use.</summary>
    public string? SetAside { get; set; }

    /// <summary>The fitter looked at it standing apart and keeps it.</summary>
    public bool Kept { get; set; }

    /// <summary>Taken out of use as a slip; kept so that it can be put back.</summary>
    public DateTime? RemovedAt { get; set; }

    public Reading ToReading() =>
        new(Measure, Side, Length.FromMillimeters(Millimetres), Unit, Tool)
        {
            OwnUncertainty = UncertaintyMm is { } u ? Length.FromMillimeters(u) : null,
            Kept = Kept,
            Held = Held,
        };
}
