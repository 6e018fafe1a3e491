using FsCheck.Xunit;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using UnitsNet;
using static JauntyBadge.Core.Tests.Heads;

namespace JauntyBadge.Core.Tests.Fitting;

/// <summary>What holds of every remedy, over the shipped catalogue and any head: what is promised is what comes of it.</summary>
public class RemedyLawTests
{
    private static FitQuestion Question(byte eye, byte high, byte wide, bool working)
    {
        var head = SnoutModel.From(Medium(60 + eye % 70, 50 + high % 50, 45 + wide % 45) with { NeckGirth = Mm(4 * (60 + eye % 70) + wide % 40) });
        var dog = new DogProfile
        {
            Name = "Any",
            HeadShapeSeen = HeadShape.Medium,
            BodyMass = Mass.FromKilograms(25),
            Purposes = [Purpose.Walks],
        };
        return new FitQuestion(head, MuzzleBrief.For(dog, new() { FitStyle = working ? FitStyle.Working : FitStyle.Everyday }), Mm(16))
        {
            Draws = Draws(head, 50),
        };
    }

    private static List<(RankedFit Fit, Remedy Remedy)> All(FitQuestion question)
    {
        var ranked = Ranking.Rank(Catalogue.Shipped, question);
        return [.. ranked.SelectMany(f => Remedies.For(f, ranked).Select(r => (f, r)))];
    }

    [Property(MaxTest = 25)]
    public bool A_remedy_is_for_what_is_out_and_makes_it_wearable(byte eye, byte high, byte wide, bool working) =>
        All(Question(eye, high, wide, working))
            .TrueForAll(p =>
                p.Fit is { Verdict: Verdict.Out, IsRefused: false }
                && p.Remedy.After.MayBeWorn
                && p.Remedy.After.Chance >= Headline.EvenChance.Ours
                && p.Remedy.Kinds.Count > 0
                && p.Remedy.After.Model.Id == p.Fit.Model.Id
            );

    /// <summary>"Fits" is said of a size only where the list would put it first: sure enough, without a warning, and all of it checked.</summary>
    [Property(MaxTest = 25)]
    public bool A_size_is_said_to_fit_where_the_judge_says_so(byte eye, byte high, byte wide, bool working) =>
        All(Question(eye, high, wide, working))
            .Where(p => p.Remedy.Kinds is [RemedyKind.Size])
            .All(p =>
                new FittingWords(Writing.Usual).Of(p.Remedy).EndsWith("fits.", StringComparison.Ordinal)
                == (p.Remedy.After is { Warns: false, MayBeWorn: true, NotChecked.Count: 0, Rank: 0 } && p.Remedy.After.Chance >= VanStock.SureEnough.Ours)
            );

    /// <summary>Second way: the changed size judged from nothing.</summary>
    [Property(MaxTest = 25)]
    public bool What_is_promised_is_what_the_changed_muzzle_is_judged(byte eye, byte high, byte wide, bool working)
    {
        var question = Question(eye, high, wide, working);
        return All(question)
            .TrueForAll(p =>
            {
                var anew = Ranking.Judge(p.Fit.Model, p.Remedy.After.Size, question);
                return anew.Verdict == p.Remedy.After.Verdict && anew.Chance == p.Remedy.After.Chance;
            });
    }

    [Property(MaxTest = 25)]
    public bool Only_what_the_model_allows_is_changed(byte eye, byte high, byte wide, bool working) =>
        All(Question(eye, high, wide, working))
            .Where(p => !p.Remedy.Kinds.Contains(RemedyKind.Size))
            .All(p =>
            {
                var (was, now, model) = (p.Fit.Size, p.Remedy.After.Size, p.Fit.Model);
                var (plate, wider, holes) = (
                    (now.Length - was.Length).Millimeters,
                    (now.WidthRear - was.WidthRear)?.Millimeters ?? 0,
                    (was.NeckStrapMin - now.NeckStrapMin)?.Millimeters
                );
                return (plate == 0 || plate == model.Plate?.Millimeters)
                    && p.Remedy.Kinds.Contains(RemedyKind.Plate) == (plate != 0)
                    && Math.Abs(wider) <= (model.Formable?.Millimeters ?? 0)
                    && ((now.DepthRear - was.DepthRear)?.Millimeters ?? 0) == -wider
                    && p.Remedy.Kinds.Contains(RemedyKind.Forming) == (wider != 0)
                    && now.OpeningGirth?.Millimeters == was.OpeningGirth?.Millimeters
                    && (holes is null or 0 || holes == Remedies.ExtraHoles.Ours * model.HolePitch?.Millimeters)
                    && (holes > 0 || !p.Remedy.Kinds.Contains(RemedyKind.Strap));
            });

    /// <summary>A millimetre less of forming would not have done.</summary>
    [Property(MaxTest = 25)]
    public bool Forming_is_the_least_that_serves(byte eye, byte high, byte wide, bool working)
    {
        var question = Question(eye, high, wide, working);
        return All(question)
            .Where(p => p.Remedy.Kinds.Contains(RemedyKind.Forming))
            .All(p =>
            {
                var (was, now) = (p.Fit.Size, p.Remedy.After.Size);
                var less = (now.WidthRear!.Value - was.WidthRear!.Value).Millimeters is var by && by > 0 ? by - 1 : by + 1;
                var size = now with { WidthRear = was.WidthRear + Mm(less), DepthRear = was.DepthRear - Mm(less) };
                return !Ranking.Judge(p.Fit.Model, size, question).Serves;
            });
    }

    [Property(MaxTest = 25)]
    public bool The_cheapest_comes_first(byte eye, byte high, byte wide, bool working)
    {
        var question = Question(eye, high, wide, working);
        var ranked = Ranking.Rank(Catalogue.Shipped, question);
        return ranked
            .Select(f => Remedies.For(f, ranked))
            .All(remedies => remedies.Zip(remedies.Skip(1), (a, b) => a.Kinds.Max() <= b.Kinds.Max()).All(ok => ok));
    }

    /// <summary>The laws above would hold of nothing at all; here is that they do not.</summary>
    [Fact]
    public void Every_kind_of_remedy_comes_up()
    {
        var kinds = new HashSet<RemedyKind>();
        for (byte eye = 0; eye < 70; eye += 6)
        {
            foreach (var (_, remedy) in All(Question(eye, (byte)(eye / 2), (byte)(eye / 2), working: false)))
                kinds.UnionWith(remedy.Kinds);
        }

        Assert.Superset(new HashSet<RemedyKind> { RemedyKind.Strap, RemedyKind.Plate, RemedyKind.Forming, RemedyKind.Size }, kinds);
    }
}
