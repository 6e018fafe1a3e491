using BenchmarkDotNet.Attributes;
using JauntyBadge.Core;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Bench;

/// <summary>What the session pad asks of the core after every tap.</summary>
[MemoryDiagnoser]
public class TrainingBenchmarks
{
    private readonly SetStart start = new(GoRule.AsSoonAsClear, Temperament.Typical, 1, 3, IsGate: false);
    private readonly bool[] goes = [true, true, true, true, false, true, true, true];
    private readonly SeenAt[] signs = [new(3, SignGroup.AtEase)];

    [Benchmark(Description = "a set of eight decided, no words")]
    public SetDecision Decide() => GoRules.Decide(start, goes, signs, HouseRules.Ours);
}
