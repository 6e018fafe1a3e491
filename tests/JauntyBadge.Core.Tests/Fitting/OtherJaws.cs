using JauntyBadge.Core;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using MathNet.Numerics.Distributions;
using UnitsNet;

namespace JauntyBadge.Core.Tests.Fitting;

/// <summary>
/// Made-up heads whose jaw is not the one the product judges by, measured with a soft tape, errors included, and every size of the shipped catalogue held against each as it truly is:
/// the jaw's border walked point by point as the mouth opens, what the jaw does not bear on by the product's own arithmetic on the true lengths. How jaws differ is House. The bench compiles this
/// file too.
/// </summary>
internal static class OtherJaws
{
    /// <summary>A size on a head: how sure the product was, and how it truly is.</summary>
    /// <param name="Jaw">Which of the jaws.</param>
    /// <param name="Said">The chance told.</param>
    /// <param name="Fits">Whether all that has to hold does.</param>
    /// <param name="Opens">Whether the mouth opens as far as it has to.</param>
    /// <param name="Harms">It may be worn by the list, and yet no half pant is possible, or it reaches the eye when pushed.</param>
    internal readonly record struct Pair(int Jaw, double Said, bool Fits, bool Opens, bool Harms);

    /// <summary>A jaw as it truly is: the border of the closed mouth from the chin to below the hinge, mm, and the hinge.</summary>
    private sealed record Jaw(double HingeX, double HingeY, PointMm[] Border);

    /// <summary>Ways a jaw is built: by eye line, fit line, height and hinge.</summary>
    private static readonly (string Name, Func<Random, double, double, double, double, Jaw> Of)[] Jaws =
    [
        (
            "as judged",
            (_, eye, fit, height, hinge) =>
                new Jaw(
                    hinge,
                    SnoutRules.HingeDrop.Ours * height,
                    Along([new(SnoutRules.ChinForward.Ours * eye, SnoutRules.ChinDrop.Ours * height), new(fit, height), new(hinge, height)])
                )
        ),
        (
            "other corners",
            (r, eye, fit, height, hinge) =>
            {
                var (drop, chin, forward, throat) = (About(r, 0.55, 0.08), About(r, 0.75, 0.07), About(r, 0.06, 0.02), About(r, 1.0, 0.08));
                return new Jaw(hinge, drop * height, Along([new(forward * eye, chin * height), new(fit, height), new(hinge, throat * height)]));
            }
        ),
        (
            "round below",
            (r, eye, fit, height, hinge) =>
                Curved(About(r, 0.52, 0.08), About(r, 0.72, 0.08), About(r, 0.07, 0.025), About(r, 0.03, 0.02), About(r, 0.97, 0.08), eye, fit, height, hinge)
        ),
        (
            "wide apart",
            (r, eye, fit, height, hinge) =>
                Curved(About(r, 0.55, 0.10), About(r, 0.78, 0.09), About(r, 0.06, 0.03), About(r, 0.05, 0.03), About(r, 1.0, 0.10), eye, fit, height, hinge)
        ),
        (
            "lips and chin",
            (r, eye, fit, height, hinge) =>
            {
                // Some heads have a chin that lies far back and high, some have one as deep as the lips that hang in front of it.
                var hangs = r.NextDouble() < 0.35;
                var (drop, chin, forward) = (
                    0.43 + 0.24 * r.NextDouble(),
                    hangs ? 0.80 + 0.12 * r.NextDouble() : 0.64 + 0.14 * r.NextDouble(),
                    0.02 + 0.09 * r.NextDouble()
                );
                return new Jaw(
                    hinge,
                    drop * height,
                    Along([
                        new(forward * eye, chin * height),
                        new(0.5 * (forward * eye + fit), (hangs ? 0.97 : 0.90) * height),
                        new(fit, height),
                        new(hinge, height * (0.92 + 0.2 * r.NextDouble())),
                    ])
                );
            }
        ),
    ];

    public static IReadOnlyList<string> Names => [.. Jaws.Select(j => j.Name)];

    /// <summary>Every size on so many heads, a third of each shape.</summary>
    /// <param name="heads">How many heads.</param>
    /// <param name="jawRead">Whether the jaw was measured.</param>
    /// <param name="draws">Draws of each head.</param>
    /// <param name="rules">The numbers they are judged by.</param>
    public static List<Pair> Pairs(int heads, bool jawRead, int draws, HouseRules rules) =>
        [
            .. Enumerable
                .Range(0, heads)
                .AsParallel()
                .AsOrdered()
                .Select(i => Pairs(new Random(7 * i + (jawRead ? 1 : 0)), GrownHead.Kinds[i % GrownHead.Kinds.Length], jawRead, draws, rules).ToList())
                .SelectMany(p => p),
        ];

    /// <summary>1 less the mean squared error of what was said, over that of saying the same of all (Brier 1950, recalled).</summary>
    public static double BrierSkill(IReadOnlyList<Pair> pairs)
    {
        var mean = pairs.Average(p => p.Fits ? 1.0 : 0);
        return 1 - pairs.Average(p => Math.Pow(p.Said - (p.Fits ? 1 : 0), 2)) / (mean * (1 - mean));
    }

    /// <summary>Tenth by tenth from an even chance up: what was said on average, and how often it fits.</summary>
    public static IEnumerable<(double From, int Count, double Said, double Fits)> Tenths(IEnumerable<Pair> pairs) =>
        pairs
            .Where(p => p.Said >= 0.5)
            .GroupBy(p => Math.Min(9, (int)(p.Said * 10 + 1e-9)))
            .OrderBy(g => g.Key)
            .Select(g => (g.Key / 10.0, g.Count(), g.Average(p => p.Said), g.Average(p => p.Fits ? 1.0 : 0)));

    private static IEnumerable<Pair> Pairs(Random random, HeadKind kind, bool jawRead, int draws, HouseRules rules)
    {
        var grown = GrownHead.Of(kind, random);
        var truth = grown.Read(Tool.SoftTape, round: About(random, 1, 0.02));
        var readings = GrownHead.Twice(truth.Where(t => jawRead || t.Measure != Measure.JawToNose), random);
        var profile = new DogProfile
        {
            Name = "Any",
            HeadShapeSeen = kind.Shape,
            BodyMass = Mass.FromKilograms(grown.MassKg),
            Purposes = [Purpose.Walks],
        };
        var assessed = Assessment.Of(
            readings,
            new Circumstances
            {
                OtherWays = profile.OtherShapes,
                BodyMass = profile.BodyMass,
                Rules = rules,
            }
        );
        var question = new FitQuestion(assessed.Snout!, MuzzleBrief.For(profile, new()), FitRules.Finger.Ours)
        {
            Draws = SnoutDraws.Of(assessed.Snout!, UncertaintySource.Of(assessed), draws, new Random(SnoutDraws.Seed)),
        };
        var head = SnoutModel.From(
            SnoutNumbers.From(truth.Select(t => KeyValuePair.Create(new MeasureLine(t.Measure, t.Side), Length.FromMillimeters(t.Mm))), kind.Shape)
        );
        var jaws = Jaws.Select(j => j.Of(random, grown.Eye, head.FitLine.Mm, grown.Height, grown.Hinge)).ToList();
        var (window, _) = FitRules.SeatWindow(question.Brief.FitStyle, head);
        var request = question.Request(ForeheadStrap.Optional);
        var fits = Ranking.Rank(Catalogue.Shipped, question).Where(f => !f.IsRefused && f.Model.Type == MuzzleType.Basket && !f.Size.IsLengthAndGirthOnly);
        foreach (var fit in fits)
        {
            var basket = fit.Size.Basket(head) with { HolePitch = fit.Model.HolePitch };
            var told = BasketFit.Judge(head, basket, request with { ForeheadStrap = fit.Model.ForeheadStrap });
            var seat = Seat.Of(head, basket, window);
            var others = told.Criteria.All(c => c.Name is CriterionName.Gape or CriterionName.ChinRoom || c.Outcome != Outcome.Missed);
            for (var j = 0; j < jaws.Count; j++)
            {
                var opens = Room(jaws[j], basket, seat, request.NeededGape.Radians) >= FitRules.FloorClearance.Ours.Millimeters;
                var chin = Room(jaws[j], basket, seat, 0) >= FitRules.ChinRoom.Ours.Millimeters;
                var noHalfPant = Room(jaws[j], basket, seat, FitRules.HalfPant.Ours.Radians) < FitRules.FloorClearance.Ours.Millimeters;
                yield return new(j, fit.Chance!.Value, others && opens && chin, opens && chin, fit.MayBeWorn && (noHalfPant || told.CanBePushedIn));
            }
        }
    }

    /// <summary>Least room under the border on the way to an opening, of the chin and of what lies in front of the rear edge.</summary>
    private static double Room(Jaw jaw, BasketModel basket, Seat seat, double opening)
    {
        var (front, rear) = (-seat.NoseRoom.Millimeters, basket.Length.Millimeters - seat.NoseRoom.Millimeters);
        var (deep, slope) = (basket.DepthFront.Millimeters, (basket.DepthRear - basket.DepthFront).Millimeters / basket.Length.Millimeters);
        var (border, least) = (jaw.Border, double.PositiveInfinity);
        for (var step = 0; step <= 8; step++)
        {
            var (sin, cos) = Math.SinCos(opening * step / 8);
            for (var i = 0; i < border.Length; i++)
            {
                var (dx, dy) = (border[i].X - jaw.HingeX, border[i].Y - jaw.HingeY);
                var (x, y) = (jaw.HingeX + dx * cos + dy * sin, jaw.HingeY + dy * cos - dx * sin);
                if (i == 0 || x <= rear)
                    least = Math.Min(least, deep + slope * (x - front) - y);
            }
        }

        return least;
    }

    /// <summary>A curve through the chin, a belly between chin and fit line, the fit line and the angle of the jaw.</summary>
    private static Jaw Curved(double drop, double chin, double forward, double belly, double throat, double eye, double fit, double height, double hinge)
    {
        var start = forward * eye;
        double Y(double x) =>
            x <= fit
                ? chin * height + (1 - chin) * height * (x - start) / (fit - start) + belly * height * Math.Sin(Math.PI * (x - start) / (fit - start))
                : height + (throat - 1) * height * (x - fit) / (hinge - fit);
        return new Jaw(hinge, drop * height, [.. Enumerable.Range(0, 61).Select(i => start + (hinge - start) * i / 60).Select(x => new PointMm(x, Y(x)))]);
    }

    private static double About(Random random, double mean, double standard) => mean + standard * Normal.InvCDF(0, 1, random.NextDouble());

    /// <summary>A line of straight pieces, in points half a millimetre or so apart.</summary>
    private static PointMm[] Along(IReadOnlyList<PointMm> corners) =>
        [
            .. corners
                .Zip(corners.Skip(1))
                .SelectMany(c =>
                    Enumerable
                        .Range(0, 30)
                        .Select(i => new PointMm(c.First.X + (c.Second.X - c.First.X) * i / 30, c.First.Y + (c.Second.Y - c.First.Y) * i / 30))
                ),
            corners[^1],
        ];
}
