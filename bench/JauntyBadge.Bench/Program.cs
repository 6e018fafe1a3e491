using System.Globalization;
using BenchmarkDotNet.Attributes;
using BenchmarkDotNet.Running;
using JauntyBadge.Bench;
using JauntyBadge.Core;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Heads;
using JauntyBadge.Core.Measuring.Photos;
using JauntyBadge.Data.Demo;
using UnitsNet;

// Without words: the benchmarks. With "picture FILE": a noisy 12-megapixel JPEG to upload. With "coverage": how many dogs the catalogue has something for, and with "why" for whom not.
if (args is ["coverage", ..])
{
    Coverage.Print(args.Contains("why"));
    return;
}

if (args is ["picture", var file])
{
    await File.WriteAllBytesAsync(file, NoisyPicture.TwelveMegapixels());
    return;
}

// With "practice FOLDER MORE ARCHIVED WEARS": the demo practice with so many more dogs on the round, so many archived, and so many wears.
if (args is ["practice", var folder, .. { Length: 3 } counts])
{
    var many = counts.Select(c => int.Parse(c, CultureInfo.InvariantCulture)).ToList();
    await LargePractice.FillAsync(folder, many[0], many[1], many[2]);
    return;
}

// With "trial DOGS": ways of deciding a set, tried on so many virtual dogs of each temperament under each model.
if (args is ["trial", var dogs])
{
    PolicyTrial.Run(int.Parse(dogs, CultureInfo.InvariantCulture));
    return;
}

// With "holds DOGS": ways of choosing the next hold, tried on so many dogs of each kind under each law.
if (args is ["holds", var pupils])
{
    HoldTrial.Run(int.Parse(pupils, CultureInfo.InvariantCulture));
    return;
}

// With "forecast DOGS": how quick a forecast is, and how well it holds on so many dogs of each temperament unlike those it is drawn from.
if (args is ["forecast", var unlike])
{
    ForecastTrial.Run(int.Parse(unlike, CultureInfo.InvariantCulture));
    return;
}

// With "reliability DOGS": whether what is called so sure fits as often, on so many heads of each other jaw.
if (args is ["reliability", var heads])
{
    ReliabilityTrial.Run(int.Parse(heads, CultureInfo.InvariantCulture));
    return;
}

BenchmarkSwitcher.FromAssembly(typeof(MeasuringBenchmarks).Assembly).Run(args.Length > 0 ? args : ["--filter", "*"]);

namespace JauntyBadge.Bench
{
    /// <summary>What the measuring bench asks of the core on every keystroke and every click.</summary>
    [MemoryDiagnoser]
    public class MeasuringBenchmarks
    {
        private readonly List<Reading> forty = [];
        private readonly Circumstances about = new() { BodyMass = Mass.FromKilograms(28) };
        private readonly HeadLook look = new(Ears.Tipped, 0.25, Fur.Long, CoatPattern.BlazeAndCollar, CoatHex: "#6d5a46");
        private PhotoQuestion photo = null!;
        private SnoutModel snout = null!;

        [GlobalSetup]
        public void Prepare()
        {
            var random = new Random(40);
            while (forty.Count < 40)
            {
                var line = FitStyleMeasures.All[forty.Count % FitStyleMeasures.All.Count];
                var usual = PlausibleRange.Usual(line.Measure, HeadShape.Medium, Mass.FromKilograms(28), HouseRules.Ours).Millimeters;
                forty.Add(new Reading(line.Measure, line.Side, Length.FromMillimeters(usual + 6 * random.NextDouble()), ReadingUnit.Mm));
            }

            snout = Assessment.Of(forty, about).Snout!;
            photo = DemoPicture.Draw(PhotoView.Side).Marks.ToQuestion(PhotoView.Side, Side.Left);
        }

        /// <summary>Means, uncertainties, all cross-checks, head shape and what is missing.</summary>
        [Benchmark(Description = "assessment of 40 readings")]
        public Assessment Assess() => Assessment.Of(forty, about);

        /// <summary>The same with the head drawn in three views.</summary>
        [Benchmark(Description = "assessment of 40 readings and drawing")]
        public HeadDrawing AssessAndDraw() => HeadDrawing.Of(Assessment.Of(forty, about).Snout!);

        /// <summary>One head in three views: a long, marked coat, a mouth that opens.</summary>
        [Benchmark(Description = "a head in three views, with its marks and their names")]
        public HeadDrawing DrawHead() => HeadDrawing.Of(snout, look);

        /// <summary>From the side alone, in the steps of a badge.</summary>
        [Benchmark(Description = "a head for a badge")]
        public HeadPortrait DrawPortrait() => HeadDrawing.Portrait(snout, look);

        /// <summary>Homography, seven measures, and their uncertainty from every click and corner.</summary>
        [Benchmark(Description = "photo solution")]
        public PhotoSolution Solve() => PhotoSolver.TrySolve(photo, out var solution, out _) ? solution : throw new InvalidOperationException("It must solve.");
    }
}
