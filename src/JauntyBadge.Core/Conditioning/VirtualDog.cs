using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Core.Conditioning;

/// <summary>What a small stochastic dog is like. All House: they make dogs that behave as the trade tells, no more.</summary>
/// <param name="Learning">Share of what is left to learn that a success adds (Rescorla &amp; Wagner 1972: ΔV = αβ(λ − V)).</param>
/// <param name="Unlearning">Share of what was learned that a miss takes.</param>
/// <param name="Shared">How much of what is learned carries over to the next step; to the one after, that much of it again.</param>
/// <param name="Start">What it brings to a step it has never met, 0 to 1.</param>
/// <param name="Excitable">Arousal that a miss brings; the harder it was, the more.</param>
/// <param name="Calming">Share of arousal that is left after a go.</param>
/// <param name="UnsureFrom">Arousal from which it mostly shows that it is unsure; half as much again from which it is worried, twice from which it is over threshold.</param>
/// <param name="Shock">Share of what was learned that going over threshold costs.</param>
/// <param name="ForgetsInDays">Days in which two thirds of what was learned since it last trained fade to where it began.</param>
/// <param name="MoodSpread">Spread of the mood from day to day.</param>
/// <param name="Tires">After so many goes of a session each one more is so much against the next, on the scale of its mood.</param>
/// <param name="Stays">How long it stays where the target is time, as a multiple of what it has learned to.</param>
/// <param name="AllOrNone">A step is learned at once or not at all, with a chance of the learning rate.</param>
public sealed record DogNature(
    double Learning,
    double Unlearning,
    double Shared,
    double Start,
    double Excitable,
    double Calming,
    double UnsureFrom,
    double Shock,
    double ForgetsInDays,
    double MoodSpread,
    bool AllOrNone = false,
    double Tires = 0.06,
    double Stays = 1
)
{
    /// <summary>A usual dog of a temperament.</summary>
    public static DogNature Of(Temperament temperament) =>
        temperament switch
        {
            Temperament.Bold => new(0.14, 0.02, 0.55, 0.42, 0.20, 0.55, 1.10, 0.25, 60, 0.25),
            Temperament.Wary => new(0.08, 0.05, 0.45, 0.18, 0.42, 0.75, 0.80, 0.45, 30, 0.45),
            Temperament.Soured => new(0.065, 0.06, 0.40, 0.08, 0.50, 0.80, 0.70, 0.55, 25, 0.50),
            _ => new(0.11, 0.03, 0.50, 0.30, 0.30, 0.65, 0.95, 0.35, 45, 0.35),
        };

    /// <summary>One dog of the kind, drawn around it: no two are alike.</summary>
    /// <param name="random">A seeded generator.</param>
    /// <param name="wider">How many times as far apart as usual they are drawn.</param>
    public DogNature Drawn(Random random, double wider = 1)
    {
        double Around(double value, double spread, double most = double.MaxValue) => Math.Min(most, value * Math.Exp(wider * spread * Normal(random)));
        return this with
        {
            Learning = Around(Learning, 0.25, 0.6),
            Shared = Around(Shared, 0.2, 0.9),
            Start = Around(Start, 0.3, 0.8),
            Excitable = Around(Excitable, 0.25),
            UnsureFrom = Around(UnsureFrom, 0.15),
            ForgetsInDays = Around(ForgetsInDays, 0.3),
            Stays = Around(Stays, 0.15),
        };
    }

    /// <summary>A draw from the standard normal distribution, by Box and Muller.</summary>
    internal static double Normal(Random random) => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
}

/// <summary>A dog that learns, tires, forgets and shows it. Seeded: the same nature, steps and generator make the same dog.</summary>
public sealed class VirtualDog
{
    // A target is so much harder than the one before; a rung below the first so much easier (House).
    private const double FirstTarget = 0.34;
    private const double AllTargets = 0.36;
    private const double OneRung = 0.13;

    // How steeply success rises with what was learned over how hard it is (House).
    private const double Steepness = 9;
    private const double MoodWeight = 1.0;
    private const double ArousalWeight = 1.4;
    private const double SignNoise = 0.16;

    // Goes of a session for which it is fresh (House).
    private const int FreshFor = 20;
    private const double CalmBy = 5;

    // Of the signs a dog shows so many are not tapped, and one in so many is tapped though it did not show (House).
    private const double NotTapped = 0.2;
    private const double TappedAmiss = 0.005;

    private readonly DogNature nature;
    private readonly Random random;
    private readonly double[] learned;
    private readonly double[]? harder;
    private readonly Unevenness? uneven;
    private double arousal,
        mood;
    private int goes;

    /// <param name="nature">What it is like.</param>
    /// <param name="steps">How many steps its plan has.</param>
    /// <param name="random">A seeded generator.</param>
    /// <param name="harder">By how much each step is harder for this dog, on the scale of what is learned; null for none.</param>
    public VirtualDog(DogNature nature, int steps, Random random, double[]? harder = null)
    {
        (this.nature, this.random, this.harder) = (nature, random, harder);
        learned = new double[steps];
        Array.Fill(learned, nature.Start);
    }

    /// <summary>A dog to whom steps are unlike each other.</summary>
    internal VirtualDog(DogNature nature, Unevenness uneven, int steps, Random random)
        : this(nature, steps, random) => this.uneven = uneven;

    /// <summary>A dog just as another is now, by a nature and an unevenness of its own.</summary>
    private VirtualDog(VirtualDog other, DogNature nature, Unevenness? uneven, Random random)
    {
        (this.nature, this.uneven, this.random, harder, arousal, mood, goes) = (nature, uneven, random, other.harder, other.arousal, other.mood, other.goes);
        learned = (double[])other.learned.Clone();
    }

    /// <summary>A dog just as this one is now.</summary>
    /// <param name="random">A seeded generator of its own.</param>
    internal VirtualDog Again(Random random) => new(this, nature, uneven, random);

    /// <summary>A dog much like this one is now.</summary>
    internal VirtualDog Parted(DogNature other) => new(this, other, uneven?.Parted(random), random);

    /// <summary>Draws what was not seen of it, up to a step.</summary>
    internal void Meets(int step) => uneven?.Draw(step, random, learned, nature.Start);

    /// <summary>What it is like.</summary>
    internal DogNature Nature => nature;

    /// <summary>What it has learned of a step, 0 to 1.</summary>
    public double Learned(int step) => learned[step];

    /// <summary>How much of what was asked it stayed for at its last go, 0 to 1, where that was time.</summary>
    public double HeldShare { get; private set; } = 1;

    /// <summary>How aroused it is, 0 and up.</summary>
    public double Arousal => arousal;

    /// <summary>A new session, so many days after the last one: what was learned has faded a little, and the mood is another.</summary>
    public void Begin(double daysSince)
    {
        var left = Math.Exp(-daysSince / nature.ForgetsInDays);
        for (var i = 0; i < learned.Length; i++)
            learned[i] = nature.Start + (learned[i] - nature.Start) * left;
        (arousal, mood, goes) = (0, nature.MoodSpread * DogNature.Normal(random), 0);
    }

    /// <summary>How hard a target is, on the scale of what is learned; between two targets in proportion.</summary>
    /// <param name="target">The target, a rung below the first where negative.</param>
    /// <param name="topTarget">The step's last.</param>
    /// <param name="steepness">How many times as steeply as usual targets get harder.</param>
    public static double Difficulty(double target, int topTarget, double steepness = 1) =>
        target < 0 ? FirstTarget + OneRung * target : FirstTarget + steepness * AllTargets * (topTarget == 0 ? 1 : (target + 1.0) / (topTarget + 1));

    /// <summary>The chance that a go at a target succeeds as the dog is now.</summary>
    public double Chance(int step, double target, int topTarget, bool isHold = false) =>
        Staying(ChanceOver(HowHard(step, target, topTarget) - learned[step]), isHold);

    /// <summary>Pulling out is as likely at any moment: one that stays twice as long has the root of the chance to stay to the end.</summary>
    private double Staying(double chance, bool isHold) => isHold && nature.Stays != 1 ? Math.Pow(chance, 1 / nature.Stays) : chance;

    private double ChanceOver(double over) =>
        1 / (1 + Math.Exp(Steepness * over - 1.6 - MoodWeight * mood + ArousalWeight * arousal + nature.Tires * Math.Max(0, goes - FreshFor)));

    /// <summary>One go: whether it succeeded, and the sign it showed, if any.</summary>
    /// <param name="step">The step.</param>
    /// <param name="target">The target.</param>
    /// <param name="topTarget">The step's last.</param>
    /// <param name="isHold">The target is time.</param>
    public (bool Good, SignGroup Sign) Go(int step, double target, int topTarget, bool isHold = false)
    {
        var over = HowHard(step, target, topTarget) - learned[step];
        var (chance, luck) = (Staying(ChanceOver(over), isHold), random.NextDouble());
        var good = luck < chance;
        // Pulling out is as likely at any moment: the chance of staying to the end is what is left of that then.
        HeldShare = good ? 1 : Math.Log(luck) / Math.Log(chance);
        Went(step, over, good);
        // So far below its first sign chance does not make it show one.
        if (arousal + CalmBy * SignNoise < nature.UnsureFrom)
            return (good, SignGroup.AtEase);
        var shown = arousal + SignNoise * DogNature.Normal(random);
        var sign =
            shown >= 2 * nature.UnsureFrom ? SignGroup.OverThreshold
            : shown >= 1.5 * nature.UnsureFrom ? SignGroup.Worried
            : shown >= nature.UnsureFrom ? SignGroup.Unsure
            : SignGroup.AtEase;
        if (sign == SignGroup.OverThreshold)
            Shaken(step);
        return (good, sign);
    }

    /// <summary>A go that a real dog made: what it does to one of this nature, and how well this nature foretold it.</summary>
    /// <param name="step">The step.</param>
    /// <param name="target">The target.</param>
    /// <param name="topTarget">The step's last.</param>
    /// <param name="good">Whether it succeeded.</param>
    /// <param name="seen">The worst sign tapped; at ease when none was.</param>
    /// <returns>The chance of just this, over 0.</returns>
    /// <param name="isHold">The target is time.</param>
    internal double See(int step, double target, int topTarget, bool good, SignGroup seen, bool isHold = false)
    {
        var over = HowHard(step, target, topTarget) - learned[step];
        var chance = Staying(ChanceOver(over), isHold);
        Went(step, over, good);
        var likely = (good ? chance : 1 - chance) * Shows(seen);
        if (seen == SignGroup.OverThreshold)
            Shaken(step);
        return Math.Max(likely, 1e-12);
    }

    /// <summary>A go that was so much harder than what was learned, or easier where negative.</summary>
    private void Went(int step, double over, bool good)
    {
        goes++;
        arousal = arousal * nature.Calming + (good ? 0 : nature.Excitable * (1 + 2 * Math.Max(0, over)));
        Learn(step, good);
    }

    /// <summary>The chance that this sign is tapped of a dog so aroused.</summary>
    private double Shows(SignGroup seen)
    {
        if (arousal + 4 * SignNoise < nature.UnsureFrom)
            return seen == SignGroup.AtEase ? 1 - 3 * TappedAmiss : TappedAmiss;
        var shown = seen switch
        {
            SignGroup.AtEase => 1 - (1 - NotTapped) * Over(1),
            SignGroup.Unsure => (1 - NotTapped) * (Over(1) - Over(1.5)),
            SignGroup.Worried => (1 - NotTapped) * (Over(1.5) - Over(2)),
            _ => (1 - NotTapped) * Over(2),
        };
        return shown * (1 - 3 * TappedAmiss) + TappedAmiss;

        // The chance that what shows passes a bound.
        double Over(double bound) => NormalTail.Above((bound * nature.UnsureFrom - arousal) / SignNoise);
    }

    private double HowHard(int step, double target, int topTarget) =>
        uneven is null
            ? Difficulty(target, topTarget) + (harder is null ? 0 : harder[step])
            : Difficulty(target, topTarget, uneven.Steepness) + uneven.HarderAt(step);

    private void Learn(int step, bool good)
    {
        var by =
            !good ? -nature.Unlearning * learned[step]
            : !nature.AllOrNone ? nature.Learning * (1 - learned[step])
            : random.NextDouble() < nature.Learning ? 1 - learned[step]
            : 0;
        for (var i = step; i < learned.Length && Math.Abs(by) > 5e-4; i++, by *= nature.Shared)
            learned[i] = Math.Clamp(learned[i] + (good && uneven is not null ? by * uneven.RateAt(i) : by), 0, 1);
    }

    /// <summary>Over threshold costs what was learned here, and half as much on either side.</summary>
    private void Shaken(int step)
    {
        for (var i = Math.Max(0, step - 1); i <= Math.Min(learned.Length - 1, step + 1); i++)
            learned[i] *= 1 - nature.Shock * (i == step ? 1 : 0.5);
    }
}

/// <summary>How a course of training went.</summary>
/// <param name="Ready">Every step up to the purpose's last was passed.</param>
/// <param name="Sessions">Sessions held.</param>
/// <param name="Days">Days from the first to the last.</param>
/// <param name="OverSessions">Sessions in which it went over threshold.</param>
/// <param name="WorriedSets">Sets that ended worried or worse.</param>
/// <param name="Stops">Times its training was stopped until somebody said what is different.</param>
public sealed record Course(bool Ready, int Sessions, int Days, int OverSessions, int WorriedSets, int Stops)
{
    /// <summary>It went over threshold at least once.</summary>
    public bool EverOver => OverSessions > 0;
}
