using JauntyBadge.Core;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using MathNet.Numerics.Distributions;
using UnitsNet;

namespace JauntyBadge.Bench;

/// <summary>
/// How many dogs of each head shape find a size of known shape in the shipped catalogue that is sure enough: 300 random heads in the
/// proportions of the average skulls (Evans &amp; de Lahunta, Miller's Anatomy of the Dog, recalled), from toy to giant, each measured twice, errors
/// included: lengths with a caliper or with the soft tape, girths with the soft tape. Beside it the most there can be: how many find one that sure if it is made to the
/// order sheet for them.
/// </summary>
internal static class Coverage
{
    private const int Each = 100;
    private const int Draws = 500;
    private const double Spread = 0.07;

    /// <summary>Facial length and mandible of the average skull, mm; the body mass such a head sits on, kg; and how much smaller and larger heads come.</summary>
    private static readonly (HeadShape Shape, double Face, double Mandible, double Mass, double Least, double Most)[] Kinds =
    [
        (HeadShape.Long, 114, 163, 30, 0.60, 1.30),
        (HeadShape.Medium, 89, 134, 24, 0.40, 1.40),
        (HeadShape.Short, 48, 85, 12, 0.55, 1.75),
    ];

    public static void Print(bool why)
    {
        foreach (var (tier, wanted) in new[] { (BiteTier.None, "95 / 95 / 80"), (BiteTier.SeveralOrDeep, "60 / 60 / 60") })
        {
            foreach (var lengths in new[] { Tool.Caliper, Tool.SoftTape })
            {
                var (shares, bounds) = (new List<string>(), new List<string>());
                foreach (var kind in Kinds)
                {
                    var random = new Random(1914);
                    var (found, possible) = (0, 0);
                    for (var dog = 0; dog < Each; dog++)
                    {
                        var (profile, question) = Measured(kind, tier, lengths, random);
                        var ranked = Ranking.Rank(Catalogue.Shipped, question);
                        var best = ranked
                            .Where(f => f.Verdict != Verdict.Out && f.Model.Type == MuzzleType.Basket && !f.Size.IsLengthAndGirthOnly)
                            .MaxBy(f => f.Chance);
                        if (best?.Chance >= VanStock.SureEnough.Ours)
                            found++;
                        else if (why)
                            Explain(ranked, best);
                        if (MadeToMeasure(profile, question).Chance >= VanStock.SureEnough.Ours)
                            possible++;
                    }

                    shares.Add($"{100.0 * found / Each:0}");
                    bounds.Add($"{100.0 * possible / Each:0}");
                }

                Console.WriteLine(
                    $"tier {(int)tier}, lengths by {ToolRules.Words(lengths)}, long / medium / short: {string.Join(" / ", shares)} % (wanted {wanted} %; made to measure {string.Join(" / ", bounds)} %)"
                );
            }
        }
    }

    private static readonly Length StrapSpare = Length.FromMillimeters(40);

    /// <summary>The muzzle of the order sheet, on the frame of one that the brief takes.</summary>
    private static RankedFit MadeToMeasure(DogProfile dog, FitQuestion question)
    {
        var made = OrderSheet.For(dog, question).Dimensions.ToDictionary(d => d.Name, d => d.Wanted);
        var loop = made["Neck strap loop"];
        var size = new MuzzleSize(
            "made",
            "made",
            made["Inner length"],
            loop - StrapSpare,
            loop + StrapSpare,
            null,
            null,
            made["Depth in front"],
            made["Depth at the rear edge"],
            made["Width at the rear edge"],
            null,
            made["Girth at the rear edge"]
        );
        return Ranking.Judge(Catalogue.Shipped.First(m => m.Id == "rampart") with { HolePitch = null }, size, question);
    }

    private static void Explain(IReadOnlyList<RankedFit> ranked, RankedFit? best)
    {
        var snout = ranked[0].Snout;
        var near = best ?? ranked.Where(f => !f.IsRefused && f.Model.Type == MuzzleType.Basket && !f.Size.IsLengthAndGirthOnly).MaxBy(f => f.Chance)!;
        Console.WriteLine(
            $"  {snout.HeadShape} eye {snout.EyeLine.Mm:0} H {snout.Height.Mm:0} W {snout.Width.Mm:0} neck {snout.NeckGirth?.Millimeters:0} needs girth {near.Assessment!.NeededGirth.Millimeters:0}: {near.Size.Id} {near.Chance:0.00} "
                + string.Join(", ", near.Criteria.Where(c => c.Chance < 0.97).Select(c => $"{c.Name} {c.Margin?.Millimeters:0.0} {c.Chance:0.00}"))
        );
    }

    private static (DogProfile Dog, FitQuestion Question) Measured(
        (HeadShape Shape, double Face, double Mandible, double Mass, double Least, double Most) kind,
        BiteTier tier,
        Tool lengths,
        Random random
    )
    {
        double About(double value) => value * (1 + Spread * Normal.InvCDF(0, 1, random.NextDouble()));
        var size = Math.Exp(Math.Log(kind.Least) + random.NextDouble() * Math.Log(kind.Most / kind.Least));
        var eye = kind.Face * size;
        var width = About(eye * SnoutRules.WidthRatio(kind.Shape).Ours);
        var height = About(width * SnoutRules.HeightRatio(kind.Shape).Ours);
        var mass = About(kind.Mass * Math.Pow(size, 3));
        var neck = About(141 * Math.Cbrt(mass));
        var truth = new (Measure Measure, Side? Side, double Mm, Tool Tool)[]
        {
            (Measure.NoseToInnerEye, Side.Left, eye, lengths),
            (Measure.NoseToInnerEye, Side.Right, eye * 1.01, lengths),
            (Measure.SnoutHeight, null, height, lengths),
            (Measure.SnoutWidth, null, width, lengths),
            (Measure.SnoutGirth, null, SnoutSection.Girth(Length.FromMillimeters(height), Length.FromMillimeters(width)).Millimeters, Tool.SoftTape),
            (Measure.JawToNose, null, eye * About(kind.Mandible / kind.Face), Tool.SoftTape),
            (Measure.NeckGirth, null, neck, Tool.SoftTape),
            (Measure.HeadGirth, null, neck * 1.12, Tool.SoftTape),
        };
        List<Reading> readings = [];
        foreach (var (measure, side, mm, tool) in truth)
        {
            var slip = ToolRules.Own(tool, HouseRules.Ours).Millimeters * Normal.InvCDF(0, 1, random.NextDouble());
            for (var i = 0; i < 2; i++)
                readings.Add(
                    new Reading(
                        measure,
                        side,
                        Length.FromMillimeters(
                            Math.Round(mm + slip + ToolRules.Scatter(tool, HouseRules.Ours).Millimeters * Normal.InvCDF(0, 1, random.NextDouble()))
                        ),
                        ReadingUnit.Mm,
                        tool
                    )
                );
        }

        var profile = new DogProfile
        {
            Name = "Any",
            HeadShapeSeen = kind.Shape,
            BodyMass = Mass.FromKilograms(mass),
            BiteTier = tier,
            Purposes = [Purpose.Walks],
        };
        var assessed = Assessment.Of(readings, new Circumstances { OtherWays = profile.OtherShapes, BodyMass = profile.BodyMass });
        return (
            profile,
            new FitQuestion(assessed.Snout!, MuzzleBrief.For(profile, new()), FitRules.Finger.Ours)
            {
                Draws = SnoutDraws.Of(assessed.Snout!, UncertaintySource.Of(assessed), Draws, new Random(SnoutDraws.Seed)),
            }
        );
    }
}
