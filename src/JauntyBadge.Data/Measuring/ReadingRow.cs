using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Data.Measuring;

/// <summary>A reading, kept as taken.</summary>
public sealed class ReadingRow
{
    public Guid Id { get; set; }
    public Guid DogId { get; set; }
    public Measure Measure { get; set; }
    public Side? Side { get; set; }
    public double Millimetres { get; set; }
    public ReadingUnit Unit { get; set; }
    public required string AsTaken { get; set; }
    public DateTime TakenAt { get; set; }

    /// <summary>Taken out of use by the fitter; kept so that it can be put back.</summary>
    public DateTime? RemovedAt { get; set; }

    public Reading ToReading() => new(Measure, Side, Length.FromMillimeters(Millimetres), Unit);
}
