namespace JauntyBadge.Core.Conditioning;

/// <summary>Virtual dogs weighted by how well each foretold what a real one did.</summary>
internal sealed class ParticleFilter(VirtualDog[] dogs, Random random)
{
    /// <summary>So much the nature of a dog drawn again differs, that copies may part (House).</summary>
    private const double Jitter = 0.06;

    private readonly double[] logWeights = new double[dogs.Length];

    public VirtualDog[] Dogs { get; private set; } = dogs;

    public void Begin(int daysSince)
    {
        foreach (var dog in Dogs)
            dog.Begin(daysSince);
    }

    /// <summary>A set on record, go by go.</summary>
    public void See(SetRecord set, int place, Step step)
    {
        var asks = set.Asks.Within(step);
        var (target, top, isHold) = (step.Level(asks), step.TopTarget, asks.HoldOn(step) is not null);
        bool[] went = [.. set.Goes];
        var seen = new SignGroup[went.Length];
        foreach (var sign in set.Signs.Where(_ => went.Length > 0))
        {
            ref var worst = ref seen[Math.Clamp(sign.AfterGo, 1, went.Length) - 1];
            worst = sign.Group > worst ? sign.Group : worst;
        }

        // What is drawn of a dog is drawn in order; the rest hangs on nothing but the dog, and is done side by side.
        foreach (var dog in Dogs)
            dog.Meets(place);
        Parallel.For(
            0,
            Dogs.Length,
            i =>
            {
                var (dog, likely) = (Dogs[i], 1.0);
                for (var go = 0; go < went.Length; go++)
                    likely *= dog.See(place, target, top, went[go], seen[go], isHold);
                logWeights[i] += Math.Log(Math.Max(likely, double.Epsilon));
            }
        );
    }

    /// <summary>The weights, adding up to 1.</summary>
    public double[] Weights()
    {
        var most = logWeights.Max();
        var weights = logWeights.Select(w => Math.Exp(w - most)).ToArray();
        var sum = weights.Sum();
        return [.. weights.Select(w => w / sum)];
    }

    /// <summary>Draws the dogs anew by their weights, systematically, once half of them weigh nothing.</summary>
    /// <param name="always">Even where they weigh much the same.</param>
    public void Resample(bool always)
    {
        var weights = Weights();
        if (!always && 1 / weights.Sum(w => w * w) > Dogs.Length / 2.0)
            return;
        var (drawn, taken) = (new VirtualDog[Dogs.Length], new bool[Dogs.Length]);
        var (at, sum, from) = (random.NextDouble() / Dogs.Length, weights[0], 0);
        for (var i = 0; i < drawn.Length; i++, at += 1.0 / drawn.Length)
        {
            while (sum < at && from < weights.Length - 1)
                sum += weights[++from];
            drawn[i] = taken[from] ? Dogs[from].Parted(Jittered(Dogs[from].Nature)) : Dogs[from];
            taken[from] = true;
        }

        Dogs = drawn;
        Array.Clear(logWeights);
    }

    private DogNature Jittered(DogNature nature)
    {
        double Near(double value) => value * Math.Exp(Jitter * DogNature.Normal(random));
        return nature with
        {
            Learning = Math.Min(0.6, Near(nature.Learning)),
            Excitable = Near(nature.Excitable),
            UnsureFrom = Near(nature.UnsureFrom),
            Shared = Math.Min(0.9, Near(nature.Shared)),
        };
    }
}
