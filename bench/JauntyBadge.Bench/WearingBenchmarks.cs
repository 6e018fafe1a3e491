using BenchmarkDotNet.Attributes;
using JauntyBadge.Core;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Wearing;
using UnitsNet;

namespace JauntyBadge.Bench;

/// <summary>What the wearing room asks of the core.</summary>
[MemoryDiagnoser]
public class WearingBenchmarks
{
    private readonly WearQuestion question = new(
        new WearingDog
        {
            HeadShape = HeadShape.Short,
            BodyMass = Mass.FromKilograms(12),
            AgeYears = 9,
        },
        new WornMuzzle(MuzzleType.Basket, GapeClass.FullPant),
        new Weather(Temperature.FromDegreesCelsius(24), RelativeHumidity.FromPercent(55)),
        Exercise: true,
        Trained: TrainedTo.Places,
        LongestComfortable: TimeSpan.FromMinutes(18)
    );

    [Benchmark(Description = "how long now, every limit")]
    public WearLimit Limit() => WearLimit.Of(question, HouseRules.Ours);
}
