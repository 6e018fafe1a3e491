using FsCheck.Xunit;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using UnitsNet;
using static JauntyBadge.Core.Tests.Heads;

namespace JauntyBadge.Core.Tests.Fitting;

public class VanStockTests
{
    private static List<StockDog> Dogs(int seed, int dogs, int sizes, double density, bool several)
    {
        var random = new Random(seed);
        return
        [
            .. Enumerable
                .Range(0, dogs)
                .Select(d => new StockDog(
                    $"dog {d}",
                    several ? random.Next(1, 4) : 1,
                    Enumerable.Range(0, sizes).Where(_ => random.NextDouble() < density).Select(s => $"s{s:00}").ToHashSet()
                )),
        ];
    }

    /// <summary>Second way: every set of k sizes, counted.</summary>
    private static int Exhaustive(IReadOnlyList<StockDog> dogs, int sizes, int k)
    {
        var best = 0;
        for (var set = 0; set < 1 << sizes; set++)
        {
            if (System.Numerics.BitOperations.PopCount((uint)set) == Math.Min(k, sizes))
                best = Math.Max(
                    best,
                    dogs.Where(d => Enumerable.Range(0, sizes).Any(s => (set >> s & 1) == 1 && d.Sizes.Contains($"s{s:00}"))).Sum(d => d.Count)
                );
        }

        return best;
    }

    [Property(MaxTest = 80)]
    public bool The_plan_is_the_best_of_all_sets(int seed, byte dogs, byte sizes, byte k, byte density, bool several)
    {
        var (n, m, take) = (1 + dogs % 14, 1 + sizes % 10, 1 + k % 5);
        var all = Dogs(seed, n, m, 0.1 + density % 50 / 100.0, several);
        var plan = VanStock.Plan(all, take);
        return plan.IsExact
            && plan.Covered == Exhaustive(all, m, take)
            && plan.AtMost == plan.Covered
            && plan.Steps.Count <= take
            && plan.Steps.All(s => s.Adds > 0);
    }

    /// <summary>Greedy covers at least 1 − 1/e of the best (Nemhauser, Wolsey and Fisher 1978, recalled), and the best is within its bound.</summary>
    [Property(MaxTest = 80)]
    public bool When_the_search_gives_up_the_bound_still_holds(int seed, byte k)
    {
        var all = Dogs(seed, 16, 10, 0.25, true);
        var plan = VanStock.Plan(all, 1 + k % 5, lookedAt: 0);
        var best = Exhaustive(all, 10, 1 + k % 5);
        return !plan.IsExact && plan.Covered >= (1 - 1 / Math.E) * best - 1e-9 && plan.Covered <= best && best <= plan.AtMost;
    }

    [Fact]
    public void Steps_add_up_each_adding_no_more_than_the_one_before()
    {
        var plan = VanStock.Plan(Dogs(4, 40, 30, 0.12, true), 6);
        Assert.Equal(plan.Covered, plan.Steps.Sum(s => s.Adds));
        Assert.Equal(plan.Steps.Select(s => s.Adds).OrderDescending(), plan.Steps.Select(s => s.Adds));
        Assert.Equal(plan.Curve.Order(), plan.Curve);
        Assert.Equal(plan.Curve[5], plan.Covered);
        Assert.True(plan.Coverable >= plan.Covered);
    }

    [Fact]
    public void Dogs_nothing_fits_are_counted_but_never_covered()
    {
        var plan = VanStock.Plan([new StockDog("a", 1, new HashSet<string> { "x" }), new StockDog("b", 3, new HashSet<string>())], 2);
        Assert.Equal((1, 1, 1), (plan.Covered, plan.Coverable, plan.Steps.Count));
        Assert.Throws<ArgumentOutOfRangeException>(() => VanStock.Plan([], 0));
    }

    [Theory]
    [InlineData(new string[0], "a")]
    [InlineData(new[] { "c", "b" }, "c")]
    [InlineData(new[] { "worse", "b" }, "b")]
    public void Where_it_makes_no_difference_the_preferred_size_is_carried(string[] preferred, string carried)
    {
        StockDog[] dogs = [new("one", 1, new HashSet<string> { "a", "b", "c", "worse" }), new("two", 1, new HashSet<string> { "a", "b", "c" })];
        Assert.Equal([carried], VanStock.Plan(dogs, 2, preferred).Steps.Select(s => s.SizeId));
    }

    /// <summary>A chart of length and girth never counts: its width cannot be checked.</summary>
    [Fact]
    public void The_van_is_planned_by_known_shapes()
    {
        var head = SnoutModel.From(Heads.Medium(98, 80, 73));
        var lantern = Catalogue.Shipped.Single(m => m.Id == "lantern");
        var chart = lantern with
        {
            Id = "barge",
            Name = "Barge",
            Sizes = [new("barge-2", "2", Mm(98), Mm(400), Mm(560), Mass.FromGrams(100), OpeningGirth: Mm(head.Girth.Mm + 110))],
        };
        var sure = VanStock.FitsToday([.. Catalogue.Shipped, chart], Question(head));
        Assert.NotEmpty(sure);
        Assert.DoesNotContain("barge-2", sure);
        Assert.Empty(VanStock.FitsToday([chart], Question(head)));
    }

    [Theory]
    [InlineData(84, 64, 58, Purpose.Walks)]
    [InlineData(98, 80, 73, Purpose.Clinic)]
    [InlineData(105, 82, 68, Purpose.Scavenging)]
    public void A_size_counts_when_the_ranking_says_it_may_be_worn_and_is_sure_enough(double eye, double height, double width, Purpose purpose)
    {
        var question = Question(SnoutModel.From(Heads.Medium(eye, height, width)), purpose);
        var ranked = Ranking
            .Rank(Catalogue.Shipped, question)
            .Where(f => f.MayBeWorn && f.Model.Type == MuzzleType.Basket && !f.Size.IsLengthAndGirthOnly && f.Chance >= VanStock.SureEnough.Ours)
            .Select(f => f.Size.Id)
            .ToHashSet();
        Assert.NotEmpty(ranked);
        Assert.Equal(ranked, VanStock.FitsToday(Catalogue.Shipped, question));
    }

    private static FitQuestion Question(SnoutModel head, Purpose purpose = Purpose.Walks) =>
        new(
            head,
            MuzzleBrief.For(
                new DogProfile
                {
                    Name = "Bracken",
                    HeadShapeSeen = HeadShape.Medium,
                    Purposes = [purpose],
                },
                new()
            ),
            FitRules.Finger.Ours
        )
        {
            Draws = Heads.Draws(head, 200),
        };
}
