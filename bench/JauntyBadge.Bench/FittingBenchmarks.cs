using BenchmarkDotNet.Attributes;
using BenchmarkDotNet.Jobs;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using NetTopologySuite.Geometries;
using NetTopologySuite.Geometries.Utilities;
using UnitsNet;

namespace JauntyBadge.Bench;

/// <summary>One head and as many made-up sizes as asked for, around its size, the same every time.</summary>
internal static class FittingScene
{
    public static readonly DogProfile Dog = new()
    {
        Name = "Any",
        HeadShapeSeen = HeadShape.Medium,
        BodyMass = Mass.FromKilograms(28),
        Purposes = [Purpose.Walks],
    };

    public static readonly SnoutModel Snout = SnoutModel.From(
        new SnoutNumbers
        {
            NoseToInnerEyeLeft = Mm(98),
            NoseToInnerEyeRight = Mm(100),
            SnoutGirth = Mm(272),
            SnoutHeight = Mm(80),
            SnoutWidth = Mm(73),
            JawToNose = Mm(149),
            NeckGirth = Mm(430),
            HeadGirth = Mm(480),
        }
    );

    public static Length Mm(double value) => Length.FromMillimeters(value);

    public static FitQuestion Question(int draws)
    {
        MeasureLine[] read =
        [
            new(Measure.NoseToInnerEye, Side.Left),
            new(Measure.NoseToInnerEye, Side.Right),
            new(Measure.SnoutGirth, null),
            new(Measure.SnoutHeight, null),
            new(Measure.SnoutWidth, null),
            new(Measure.JawToNose, null),
            new(Measure.NeckGirth, null),
            new(Measure.HeadGirth, null),
        ];
        return new FitQuestion(Snout, MuzzleBrief.For(Dog, new BriefQuestion { CoatHex = "#2e2c2b" }), Mm(16))
        {
            Draws =
                draws == 0
                    ? null
                    : SnoutDraws.Of(Snout, UncertaintySource.Of(Snout, read.ToDictionary(l => l, _ => Mm(1.6))), draws, new Random(SnoutDraws.Seed)),
        };
    }

    public static IReadOnlyList<MuzzleModel> Catalogue(int sizes)
    {
        var random = new Random(5000);
        var baskets = Core.Fitting.Catalogue.Shipped.Where(m => m.Type == MuzzleType.Basket).ToList();
        MuzzleSize Size(int model, int n)
        {
            var (length, depth, width) = (80 + 40 * random.NextDouble(), 90 + 35 * random.NextDouble(), 78 + 26 * random.NextDouble());
            return new MuzzleSize(
                $"m{model}-{n}",
                $"{n}",
                Mm(length),
                Mm(340 + 60 * random.NextDouble()),
                Mm(480 + 100 * random.NextDouble()),
                Mass.FromGrams(150 + random.Next(300)),
                random.Next(10, 60),
                Mm(depth + 25 * random.NextDouble()),
                Mm(depth),
                Mm(width),
                Mm(width * 0.86),
                SnoutSection.Girth(Mm(depth), Mm(width))
            );
        }

        return
        [
            .. Enumerable
                .Range(0, sizes / 10)
                .Select(m =>
                    baskets[m % baskets.Count] with
                    {
                        Id = $"m{m}",
                        Name = $"Model {m}",
                        Sizes = [.. Enumerable.Range(0, 10).Select(n => Size(m, n))],
                    }
                ),
        ];
    }
}

/// <summary>Ranking a large catalogue, with and without draws: how it grows with both.</summary>
[MemoryDiagnoser]
[ShortRunJob]
public class RankingBenchmarks
{
    private IReadOnlyList<MuzzleModel> catalogue = [];
    private FitQuestion question = null!;

    [Params(1250, 2500, 5000)]
    public int Sizes { get; set; }

    [Params(0, 500, 1000)]
    public int Draws { get; set; }

    [GlobalSetup]
    public void Prepare() => (catalogue, question) = (FittingScene.Catalogue(Sizes), FittingScene.Question(Draws));

    [Benchmark(Description = "rank")]
    public IReadOnlyList<RankedFit> Rank() => Ranking.Rank(catalogue, question);
}

/// <summary>What the van asks for every dog: its draws, and which sizes of the shipped catalogue would fit it today.</summary>
[MemoryDiagnoser]
[ShortRunJob]
public class VanBenchmarks
{
    private readonly int draws = SnoutDraws.Usual.Ours;
    private readonly FitQuestion question = FittingScene.Question(1000);

    [Benchmark(Description = "a snout drawn 1,000 times")]
    public FitQuestion Draw() => FittingScene.Question(draws);

    [Benchmark(Description = "which sizes fit it today")]
    public IReadOnlySet<string> FitsToday() => VanStock.FitsToday(Catalogue.Shipped, question);
}

/// <summary>The gape of one pair in closed form, and by polygons in NetTopologySuite to a tenth of a degree.</summary>
[MemoryDiagnoser]
public class GapeBenchmarks
{
    private readonly BasketModel basket = new(FittingScene.Mm(98), FittingScene.Mm(119), FittingScene.Mm(101), FittingScene.Mm(88), FittingScene.Mm(340));
    private readonly SnoutModel snout = FittingScene.Snout;
    private Seat seat = null!;

    [GlobalSetup]
    public void Prepare()
    {
        seat = Seat.Of(snout, basket, FitRules.SeatWindow(FitStyle.Everyday, snout).Window);
        if (Math.Abs(ClosedForm() - ByPolygons()) > 0.1)
            throw new InvalidOperationException("The two ways disagree.");
    }

    [Benchmark(Baseline = true, Description = "gape, closed form")]
    public double ClosedForm() => Gape.Widest(snout, basket, seat).Degrees;

    [Benchmark(Description = "gape, polygons")]
    public double ByPolygons()
    {
        var factory = new GeometryFactory();
        var front = -seat.NoseRoom.Millimeters;
        var rear = front + basket.Length.Millimeters;
        var (df, dr) = (basket.DepthFront.Millimeters, basket.DepthRear.Millimeters);
        double Limit(double x) => df + (dr - df) * (x - front) / (rear - front) - 3;
        var (from, to) = (front - 500, rear + 500);
        var below = factory.CreatePolygon([new(from, Limit(from)), new(to, Limit(to)), new(to, 5000), new(from, 5000), new(from, Limit(from))]);
        var inFront = factory.ToGeometry(new Envelope(-1000, rear, -1000, 5000));
        var border = factory.CreateLineString([.. snout.LowerBorder.Select(p => new Coordinate(p.X, p.Y))]);
        for (var deg = 0.0; deg <= 60; deg += 0.1)
        {
            var turned = AffineTransformation.RotationInstance(-deg * Math.PI / 180, snout.HingePoint.X, snout.HingePoint.Y).Transform(border);
            if (turned.Intersection(inFront).Intersects(below))
                return deg - 0.05;
        }

        return 60;
    }
}

/// <summary>The same answer for a whole catalogue without draws: which sizes leave the mouth room to open as far as is needed.</summary>
[ShortRunJob]
public class ContainmentBenchmarks
{
    private const int Sizes = 500;
    private readonly IReadOnlyList<MuzzleModel> catalogue = FittingScene.Catalogue(Sizes);
    private readonly FitQuestion question = FittingScene.Question(0);

    [GlobalSetup]
    public void Check()
    {
        if (OpenEnough() != ByPolygons())
            throw new InvalidOperationException("The two ways disagree.");
    }

    [Benchmark(Baseline = true, Description = "500 sizes ranked, all criteria")]
    public int OpenEnough() =>
        Ranking
            .Rank(catalogue, question)
            .Count(f => Gape.FloorRoom(f.Snout, f.Basket!, SeatOf(f.Basket!), question.Brief.NeededGape) >= FitRules.FloorClearance.Ours);

    [Benchmark(Description = "500 sizes, gape alone by polygons")]
    public int ByPolygons()
    {
        var factory = new GeometryFactory();
        var border = factory.CreateLineString([.. question.Snout.LowerBorder.Select(p => new Coordinate(p.X, p.Y))]);
        var needed = question.Brief.NeededGape.Degrees;
        var turned = Enumerable
            .Range(0, (int)(needed * 2) + 1)
            .Select(i =>
                AffineTransformation.RotationInstance(-i / 2.0 * Math.PI / 180, question.Snout.HingePoint.X, question.Snout.HingePoint.Y).Transform(border)
            )
            .ToList();
        return catalogue
            .SelectMany(m => m.Sizes)
            .Count(size =>
            {
                var basket = size.Basket(question.Snout);
                var x0 = -SeatOf(basket).NoseRoom.Millimeters;
                var x1 = x0 + basket.Length.Millimeters;
                var inside = factory.CreatePolygon([
                    new(x0, -500),
                    new(x1, -500),
                    new(x1, basket.DepthRear.Millimeters - 3),
                    new(x0, basket.DepthFront.Millimeters - 3),
                    new(x0, -500),
                ]);
                var inFront = factory.ToGeometry(new Envelope(-1000, x1, -1000, 5000));
                return turned.TrueForAll(t => inside.Covers(t.Intersection(inFront)));
            });
    }

    private Seat SeatOf(BasketModel basket) => Seat.Of(question.Snout, basket, FitRules.SeatWindow(question.Brief.FitStyle, question.Snout).Window);
}
