using JauntyBadge.Core;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Tests.Fitting;
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

    public static void Print(bool why)
    {
        foreach (var (tier, wanted) in new[] { (BiteTier.None, "95 / 95 / 80"), (BiteTier.SeveralOrDeep, "60 / 60 / 60") })
        {
            foreach (var lengths in new[] { Tool.Caliper, Tool.SoftTape })
            {
                var (shares, bounds) = (new List<string>(), new List<string>());
                foreach (var kind in GrownHead.Kinds)
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

    private static (DogProfile Dog, FitQuestion Question) Measured(HeadKind kind, BiteTier tier, Tool lengths, Random random)
    {
        var head = GrownHead.Of(kind, random);
        var readings = GrownHead.Twice(head.Read(lengths), random);
        var profile = new DogProfile
        {
            Name = "Any",
            HeadShapeSeen = kind.Shape,
            BodyMass = Mass.FromKilograms(head.MassKg),
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
