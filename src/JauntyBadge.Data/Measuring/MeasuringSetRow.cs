using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Data.Measuring;

/// <summary>Readings taken together, with what the dog was like then.</summary>
public sealed class MeasuringSetRow : INumbered, IOfDog, IVersioned
{
    public Guid Id { get; set; }
    public long Number { get; set; }
    public long Version { get; set; }
    public Guid DogId { get; set; }
    public DateTime StartedAt { get; set; }

    /// <summary>The fit style measured by; null follows from the dog's purposes.</summary>
    public FitStyle? FitStyle { get; set; }

    public double? BodyMassKg { get; set; }
    public Coat Coat { get; set; }

    /// <summary>The gap left between eye line and fit line; null for the usual one.</summary>
    public double? FitLineGapMm { get; set; }

    /// <summary>Taken out by the fitter; kept so that it can be put back.</summary>
    public DateTime? RemovedAt { get; set; }

    public Mass? BodyMass => BodyMassKg is { } kg ? Mass.FromKilograms(kg) : null;
}
