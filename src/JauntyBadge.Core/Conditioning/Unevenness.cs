namespace JauntyBadge.Core.Conditioning;

/// <summary>What is the same for all dogs of a plan: of which stage each step is, and from where the muzzle is worn.</summary>
/// <param name="steps">The steps in order.</param>
/// <param name="minds">By how much each step is harder for what the dog minds; null for none.</param>
internal sealed class Terrain(IReadOnlyList<Step> steps, double[]? minds)
{
    private static readonly int Stages = Enum.GetValues<Stage>().Length;

    public int Steps { get; } = steps.Count;

    public static int StageCount => Stages;

    public int StageOf(int step) => (int)steps[step].Stage;

    /// <summary>At that step the muzzle is closed on the dog.</summary>
    public bool IsWorn(int step) => steps[step].Stage >= Stage.FirstFastening;

    public double Minds(int step) => minds?[step] ?? 0;
}

/// <summary>
/// How unlike each other the steps are to one dog: what is hard for it and what it learns quickly. All House, tried on dogs of other models (docs/forecast.md). What no record
/// has shown of a dog yet is drawn when it comes to it, or at the end.
/// </summary>
internal sealed class Unevenness
{
    // How uneven dogs are, how hard stage, step and all that is worn may be, and how much all that together at most.
    private const double SpreadOfTau = 0.4;
    private const double Hardness = 0.05;
    private const double MostHardness = 0.2;
    private const double SpreadOfSteepness = 0.3;
    private const double SpreadOfRate = 0.2;
    private const double MostTau = 2;
    private const double SpreadOfWornRate = 0.1;

    // So much a dog drawn again differs, that copies may part.
    private const double SteepnessParts = 0.05;
    private const double HardnessParts = 0.018;

    // Of the steps seen, so many of the last ones still matter to what comes.
    private const int StillOpen = 8;

    private readonly Terrain terrain;
    private readonly double tau;
    private readonly double[] ofStep,
        ofStage,
        hard,
        rates;
    private double ofWorn,
        wornRate;
    private bool hasWorn;
    private int seen;

    /// <summary>One dog's, of which nothing is seen yet.</summary>
    public Unevenness(Terrain terrain, Random random)
    {
        this.terrain = terrain;
        tau = Math.Exp(SpreadOfTau * DogNature.Normal(random));
        Steepness = Math.Exp(SpreadOfSteepness * DogNature.Normal(random));
        (ofStep, hard, rates) = (new double[terrain.Steps], new double[terrain.Steps], new double[terrain.Steps]);
        ofStage = new double[Terrain.StageCount];
        Array.Fill(ofStage, double.NaN);
        Array.Fill(rates, 1);
        for (var i = 0; i < hard.Length; i++)
            hard[i] = terrain.Minds(i);
    }

    private Unevenness(Unevenness other, Random random)
    {
        (terrain, tau, ofWorn, wornRate, hasWorn, seen) = (other.terrain, other.tau, other.ofWorn, other.wornRate, other.hasWorn, other.seen);
        Steepness = other.Steepness * Math.Exp(SteepnessParts * DogNature.Normal(random));
        (ofStep, ofStage, hard, rates) = (
            (double[])other.ofStep.Clone(),
            (double[])other.ofStage.Clone(),
            (double[])other.hard.Clone(),
            (double[])other.rates.Clone()
        );
        for (var i = Math.Max(0, seen - StillOpen); i < seen; i++)
        {
            ofStep[i] += HardnessParts * DogNature.Normal(random);
            hard[i] = HardAt(i);
        }
    }

    /// <summary>How many times as steeply as usual targets get harder, from the first one up.</summary>
    public double Steepness { get; }

    /// <summary>How much harder a step is than usual, on the scale of what is learned.</summary>
    public double HarderAt(int step) => hard[step];

    /// <summary>How many times as quickly as usual it learns a step.</summary>
    public double RateAt(int step) => rates[step];

    /// <summary>Another dog much like it, as far as it was seen.</summary>
    public Unevenness Parted(Random random) => new(this, random);

    /// <summary>Draws what was not seen of it, up to a step.</summary>
    /// <param name="until">Steps up to this one, it included.</param>
    /// <param name="random">A seeded generator.</param>
    /// <param name="learned">What it has learned of each: what carried over to a step before it was met did so at that step's own rate.</param>
    /// <param name="start">What it brought to a step.</param>
    public void Draw(int until, Random random, double[] learned, double start)
    {
        for (; seen <= until && seen < hard.Length; seen++)
        {
            var worn = terrain.IsWorn(seen);
            if (worn && !hasWorn)
                (hasWorn, ofWorn, wornRate) = (true, Hardness * tau * DogNature.Normal(random), Math.Exp(SpreadOfWornRate * tau * DogNature.Normal(random)));
            ref var stage = ref ofStage[terrain.StageOf(seen)];
            stage = double.IsNaN(stage) ? Hardness * tau * DogNature.Normal(random) : stage;
            ofStep[seen] = Hardness * tau * DogNature.Normal(random);
            rates[seen] = Math.Exp(SpreadOfRate * Math.Min(tau, MostTau) * DogNature.Normal(random)) * (worn ? wornRate : 1);
            hard[seen] = HardAt(seen);
            if (learned[seen] > start)
                learned[seen] = Math.Min(1, start + (learned[seen] - start) * rates[seen]);
        }
    }

    private double HardAt(int step) =>
        terrain.Minds(step) + Math.Min(MostHardness, ofStep[step] + ofStage[terrain.StageOf(step)] + (terrain.IsWorn(step) ? ofWorn : 0));
}
