using System.Globalization;
using JauntyBadge.Core;
using JauntyBadge.Core.Conditioning;

namespace JauntyBadge.Bench;

/// <summary>Ways of choosing the next hold, tried on dogs whose time in the muzzle is drawn from several laws, so that none wins by being tuned to one.</summary>
internal static class HoldTrial
{
    private const int MostSets = 80;
    private const int SetsADay = 4;
    private const int BacksADay = 2;
    private static readonly HouseRules Rules = HouseRules.Ours;
    private static readonly SequentialTest Test = GoRules.Test(Rules);
    private static readonly (string Name, double[] Rungs)[] Ladders = [("1 to 10 s", [1, 2, 3, 5, 8, 10]), ("5 to 60 s", [5, 15, 30, 60])];

    /// <summary>How long a dog stays, by the mean it has come to; one in eight times something else takes a distracted one away.</summary>
    private static readonly (string Name, Func<Random, double, double> Draw)[] Laws =
    [
        ("memoryless", (r, mean) => -mean * Math.Log(1 - r.NextDouble())),
        ("log-normal", (r, mean) => mean * Math.Exp(0.5 * DogNature.Normal(r) - 0.125)),
        ("regular", (r, mean) => mean / 0.886 * Math.Sqrt(-Math.Log(1 - r.NextDouble()))),
        ("all or none", (r, mean) => -mean * Math.Log(1 - r.NextDouble())),
        ("distracted", (r, mean) => r.NextDouble() < 0.12 ? 0.6 * r.NextDouble() : mean * Math.Exp(0.35 * DogNature.Normal(r))),
    ];

    /// <summary>The mean it begins with in first rungs, what a hold adds to its logarithm, what a pull-out takes, and the spread of good and bad days.</summary>
    private static readonly (string Name, double Mean, double Gains, double Loses, double Mood)[] Dogs =
    [
        ("quick", 3, 0.12, 0.01, 0.15),
        ("slow", 2, 0.05, 0.02, 0.25),
        ("frightened", 1.5, 0.035, 0.05, 0.4),
    ];

    private static readonly Way ByEstimate = new("by the estimate", s => s.ByEstimate(DecisionKind.Raise), s => s.ByEstimate(DecisionKind.Back));

    private static readonly Way[] Ways =
    [
        new("rung by rung", s => s.Above, s => s.Below),
        ByEstimate,
        new("rung by rung, if borne", s => s.Missed == 0 || s.Borne >= s.Above ? s.Above : s.Asked, s => s.Below),
        ByEstimate with
        {
            Name = "by the estimate; half of the pull-outs not timed and left out",
            Untimed = () => null,
        },
        ByEstimate with
        {
            Name = "by the estimate; half of the pull-outs not timed, told as nothing held",
            Untimed = () => new(TimeSpan.Zero, false),
        },
    ];

    public static void Run(int dogs)
    {
        Console.WriteLine("| holds | law | dog | way | ever there | sets, middle | pull-outs a dog | sets gone back |");
        Console.WriteLine("|---|---|---|---|--:|--:|--:|--:|");
        foreach (var (ladder, rungs) in Ladders)
        {
            foreach (var (law, draw) in Laws)
            {
                foreach (var (dog, mean, gains, loses, mood) in Dogs)
                {
                    // Only frightened dogs are asked by the estimate, so that only for them the record of it matters.
                    foreach (var way in Ways.Where(w => w.Untimed is null || dog == "frightened"))
                    {
                        var went = Enumerable
                            .Range(0, dogs)
                            .AsParallel()
                            .AsOrdered()
                            .Select(seed =>
                            {
                                var random = new Random(seed);
                                var start = mean * rungs[0] * Math.Exp(0.3 * DogNature.Normal(random));
                                var quick = gains * Math.Exp(0.25 * DogNature.Normal(random));
                                return One(new Pupil(random, draw, law == "all or none", start, quick, loses, mood), rungs, way, random, new Random(~seed));
                            })
                            .ToList();
                        var there = went.Where(w => w.There).Select(w => w.Sets).Order().ToList();
                        var sets = there.Count == 0 ? "–" : $"{there[there.Count / 2]}";
                        Console.WriteLine(
                            string.Create(
                                CultureInfo.InvariantCulture,
                                $"| {ladder} | {law} | {dog} | {way.Name} | {there.Count / (double)dogs:0 %} | {sets} | {went.Average(w => w.PullOuts):0} | {went.Average(w => w.Backs):0.0} |"
                            )
                        );
                    }
                }
            }
        }
    }

    /// <summary>Set by set until the last hold goes well on two days, or so many sets are over.</summary>
    private static (bool There, int Sets, int PullOuts, int Backs) One(Pupil dog, double[] rungs, Way way, Random random, Random handler)
    {
        var (asked, held, day, goodDay, setsToday, backsToday, pullOuts, backs) = (rungs[0], new List<HeldGo>(), 0, -1, 0, 0, 0, 0);
        for (var sets = 1; sets <= MostSets; sets++)
        {
            if (setsToday >= SetsADay || backsToday >= BacksADay)
            {
                (day, setsToday, backsToday) = (day + 1, 0, 0);
                dog.Wakes();
            }

            setsToday++;
            var (goes, good, clarity) = (0, 0, Clarity.NotClear);
            foreach (var target in Holds.Varied(TimeSpan.FromSeconds(asked), GoRules.MostGoes, random))
            {
                var (marked, seconds) = dog.Holds(target.TotalSeconds);
                HeldGo? noted = new(TimeSpan.FromSeconds(seconds), marked);
                if (way.Untimed is { } untimed && !marked && handler.NextDouble() < 0.5)
                    noted = untimed();
                if (noted is { } told)
                    held.Add(told);
                (goes, good, pullOuts) = (goes + 1, good + (marked ? 1 : 0), pullOuts + (marked ? 0 : 1));
                clarity = Test.Of(goes, good);
                if (clarity != Clarity.NotClear)
                    break;
            }

            var borne = Holds.Estimate(held, Rules[Holds.Share], Rules).Criterion;
            var standing = new Standing(rungs, asked, goes - good, borne?.TotalSeconds ?? asked);
            if (clarity == Clarity.Ready || (clarity == Clarity.NotClear && good >= Rules[GoRules.EnoughOfTen]))
            {
                if (asked < rungs[^1])
                {
                    asked = Math.Min(rungs[^1], way.Up(standing));
                    continue;
                }

                if (goodDay >= 0 && goodDay != day)
                    return (true, sets, pullOuts, backs);
                (goodDay, setsToday) = (goodDay < 0 ? day : goodDay, SetsADay);
            }
            else if (clarity == Clarity.NotYet)
            {
                asked = way.Down(standing);
                (backs, backsToday) = (backs + 1, backsToday + 1);
            }
        }

        return (false, MostSets, pullOuts, backs);
    }

    /// <summary>A way of choosing the next hold.</summary>
    private sealed record Way(string Name, Func<Standing, double> Up, Func<Standing, double> Down)
    {
        /// <summary>What is on record of a pull-out that was not timed, which half of them are not; null where all are timed.</summary>
        public Func<HeldGo?>? Untimed { get; init; }
    }

    /// <summary>Where the choice of the next hold stands: in seconds.</summary>
    private sealed record Standing(double[] Rungs, double Asked, int Missed, double Borne)
    {
        public double Above => Rungs.First(r => r > Asked);
        public double Below => Rungs.LastOrDefault(r => r < Asked, Rungs[0]);

        /// <summary>As the chapter has it.</summary>
        public double ByEstimate(DecisionKind decision) =>
            Holds.Next(TimeSpan.FromSeconds(Asked), TimeSpan.FromSeconds(Borne), decision, HoldTrial.Rules).TotalSeconds;
    }

    private sealed class Pupil(Random random, Func<Random, double, double> draw, bool allOrNone, double mean, double gains, double loses, double mood)
    {
        private const double LongestMean = 120;
        private const double ShortestMean = 0.8;
        private double today = Math.Exp(mood * DogNature.Normal(random));

        public void Wakes() => today = Math.Exp(mood * DogNature.Normal(random));

        /// <summary>One go: marked when it was still in at the target, and how long it was in.</summary>
        public (bool Marked, double Seconds) Holds(double target)
        {
            var stays = draw(random, mean * today);
            var marked = stays >= target;
            mean =
                !marked ? Math.Max(ShortestMean, mean * Math.Exp(-loses))
                : !allOrNone ? Math.Min(LongestMean, mean * Math.Exp(gains * Math.Min(1, target / mean)))
                : random.NextDouble() < gains / 2 ? Math.Min(LongestMean, mean * 2.5)
                : mean;
            return (marked, marked ? target : Math.Max(0.1, stays));
        }
    }
}
