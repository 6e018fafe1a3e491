namespace JauntyBadge.Core.Fitting;

/// <summary>A dog a van should have a muzzle for, or several alike.</summary>
/// <param name="Id">Whose.</param>
/// <param name="Count">How many such dogs, over 0.</param>
/// <param name="Sizes">Ids of the sizes that would fit it today.</param>
public sealed record StockDog(string Id, int Count, IReadOnlySet<string> Sizes);

/// <summary>One more size in the van.</summary>
/// <param name="SizeId">The size.</param>
/// <param name="Adds">Dogs it fits that nothing before it did.</param>
/// <param name="Covered">Dogs fitted with it and all before it.</param>
public sealed record StockStep(string SizeId, int Adds, int Covered);

/// <summary>Which sizes to carry.</summary>
/// <param name="Steps">The sizes, the one that adds most first.</param>
/// <param name="Covered">Dogs that get a fit today.</param>
/// <param name="Coverable">Dogs that any size of the catalogue fits.</param>
/// <param name="IsExact">No other choice of as many sizes covers more.</param>
/// <param name="AtMost">No choice of as many sizes can cover more than this.</param>
/// <param name="Curve">Dogs covered by the best choice of 1, 2, 3 … sizes, as far as it grows.</param>
public sealed record StockPlan(IReadOnlyList<StockStep> Steps, int Covered, int Coverable, bool IsExact, int AtMost, IReadOnlyList<int> Curve);

/// <summary>Chooses which sizes to carry so that the most dogs get a fit today: a maximum coverage problem.</summary>
public static class VanStock
{
    public static readonly Grounded<double> SureEnough = new(
        "van.sure-enough",
        "Chance of fit from which a muzzle is sure enough to come first in the list, and counts in the van",
        0.8,
        Basis.House("four dogs in five go home with what was carried for them")
    );

    /// <summary>Sets looked at before the search for the best one gives up (House: a blink on a tablet).</summary>
    private const int MostLookedAt = 300_000;

    /// <summary>The same in gains counted, of which one set needs as many as there are dogs under all sizes: a thousand dogs are looked at less thoroughly.</summary>
    private const int MostWork = 30_000_000;

    /// <summary>The curve beside the plan is looked at so much less thoroughly.</summary>
    private const int LessForCurve = 40;

    /// <summary>Ids of the baskets that would fit a dog today: those that may be worn and are sure enough. Of a chart of length and girth none is, for its width could not be checked.</summary>
    /// <param name="catalogue">The muzzles there are.</param>
    /// <param name="question">The dog, with draws.</param>
    /// <remarks>The same as the ranking would say, but no chance is counted further than it can matter.</remarks>
    public static IReadOnlySet<string> FitsToday(IReadOnlyList<MuzzleModel> catalogue, FitQuestion question)
    {
        var one = new ModelJudge(question);
        return (
            from model in catalogue
            where model.Type == MuzzleType.Basket
            from size in model.Sizes
            where !size.IsLengthAndGirthOnly && one.Serves(model, size, question.Rules[SureEnough])
            select size.Id
        ).ToHashSet();
    }

    /// <summary>Plans for a number of sizes: exact where the search ends in time, else greedy with its bound.</summary>
    /// <param name="dogs">The dogs and what fits them.</param>
    /// <param name="sizes">How many sizes the van carries, 1 or more.</param>
    /// <param name="preferred">Sizes in the order they are preferred where the choice makes no difference to the dogs; others come after.</param>
    /// <param name="lookedAt">How many sets the exact search may look at.</param>
    /// <remarks>Greedy covers at least 1 − 1/e of the best (Nemhauser, Wolsey &amp; Fisher 1978, recalled).</remarks>
    /// <exception cref="ArgumentOutOfRangeException">The number of sizes is under 1.</exception>
    public static StockPlan Plan(IReadOnlyList<StockDog> dogs, int sizes, IReadOnlyList<string>? preferred = null, int lookedAt = MostLookedAt)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(sizes, 1);
        var columns = Columns(dogs, preferred ?? []);
        lookedAt = Math.Min(lookedAt, MostWork / (1 + columns.Sum(c => c.Fits.Length)));
        var (chosen, exact, atMost) = Best(columns, dogs, sizes, lookedAt);
        var curve = new List<int>();
        for (var k = 1; k <= Math.Min(columns.Count, 20) && (curve.Count < 2 || curve[^1] > curve[^2]); k++)
            curve.Add(k == sizes ? Covered(chosen, dogs) : Covered(Best(columns, dogs, k, lookedAt / LessForCurve).Chosen, dogs));
        for (var k = 1; k < curve.Count; k++)
            curve[k] = Math.Max(curve[k], curve[k - 1]);
        var steps = InOrder(chosen, dogs);
        return new StockPlan(steps, Covered(chosen, dogs), dogs.Where(d => d.Sizes.Count > 0).Sum(d => d.Count), exact, atMost, curve);
    }

    /// <summary>A size and the dogs it fits; of sizes that fit the same dogs, or fewer than another, only the best is kept.</summary>
    private sealed record Column(string SizeId, int[] Fits);

    private static List<Column> Columns(IReadOnlyList<StockDog> dogs, IReadOnlyList<string> preferred)
    {
        var place = preferred.Index().ToDictionary(p => p.Item, p => p.Index);
        var all = dogs.SelectMany((d, i) => d.Sizes.Select(s => (Size: s, Dog: i)))
            .GroupBy(p => p.Size)
            .Select(g => new Column(g.Key, [.. g.Select(p => p.Dog)]))
            .OrderByDescending(c => c.Fits.Sum(i => dogs[i].Count))
            .ThenBy(c => place.GetValueOrDefault(c.SizeId, int.MaxValue))
            .ThenBy(c => c.SizeId, StringComparer.Ordinal)
            .ToList();
        var kept = new List<(Column Column, HashSet<int> Fits)>();
        foreach (var column in all)
        {
            if (!kept.Exists(k => k.Fits.IsSupersetOf(column.Fits)))
                kept.Add((column, [.. column.Fits]));
        }

        return [.. kept.Select(k => k.Column)];
    }

    private static (List<Column> Chosen, bool Exact, int AtMost) Best(List<Column> columns, IReadOnlyList<StockDog> dogs, int sizes, int mayLookAt)
    {
        var greedy = Greedy(columns, dogs, sizes);
        var best = greedy.Chosen;
        var most = Covered(best, dogs);
        var looked = 0;
        var done = true;
        var taken = new List<Column>();
        var covered = new int[dogs.Count];

        void Search(int from, int have)
        {
            if (have > most)
                (best, most) = ([.. taken], have);
            if (!done || taken.Count == sizes || from == columns.Count)
                return;
            if (++looked > mayLookAt)
            {
                done = false;
                return;
            }

            // What the most helpful of the columns left could add, each counted alone, bounds what they can add together.
            var gains = Enumerable.Range(from, columns.Count - from).Select(i => Gain(columns[i], dogs, covered)).ToList();
            if (have + gains.OrderDescending().Take(sizes - taken.Count).Sum() <= most)
                return;
            for (var i = from; i < columns.Count; i++)
            {
                if (gains[i - from] == 0)
                    continue;
                taken.Add(columns[i]);
                foreach (var dog in columns[i].Fits)
                    covered[dog]++;
                Search(i + 1, have + gains[i - from]);
                foreach (var dog in columns[i].Fits)
                    covered[dog]--;
                taken.RemoveAt(taken.Count - 1);
                if (!done)
                    return;
            }
        }

        Search(0, 0);
        return (best, done, done ? most : Math.Max(most, greedy.AtMost));
    }

    private static (List<Column> Chosen, int AtMost) Greedy(List<Column> columns, IReadOnlyList<StockDog> dogs, int sizes)
    {
        var covered = new int[dogs.Count];
        var chosen = new List<Column>();
        var (have, atMost) = (0, int.MaxValue);
        while (true)
        {
            var gains = columns.Select(c => (Column: c, Gain: Gain(c, dogs, covered))).OrderByDescending(g => g.Gain).ToList();
            atMost = Math.Min(atMost, have + gains.Take(sizes).Sum(g => g.Gain));
            if (chosen.Count == sizes || gains is [] or [{ Gain: 0 }, ..])
                return (chosen, atMost);
            chosen.Add(gains[0].Column);
            have += gains[0].Gain;
            foreach (var dog in gains[0].Column.Fits)
                covered[dog]++;
        }
    }

    private static int Gain(Column column, IReadOnlyList<StockDog> dogs, int[] covered)
    {
        var gain = 0;
        foreach (var dog in column.Fits)
            gain += covered[dog] == 0 ? dogs[dog].Count : 0;
        return gain;
    }

    private static int Covered(List<Column> chosen, IReadOnlyList<StockDog> dogs) =>
        Enumerable.Range(0, dogs.Count).Where(i => chosen.Exists(c => c.Fits.Contains(i))).Sum(i => dogs[i].Count);

    private static List<StockStep> InOrder(List<Column> chosen, IReadOnlyList<StockDog> dogs)
    {
        var covered = new int[dogs.Count];
        var left = chosen.ToList();
        var steps = new List<StockStep>();
        var have = 0;
        while (left.Count > 0)
        {
            var next = left.OrderByDescending(c => Gain(c, dogs, covered)).ThenBy(c => c.SizeId, StringComparer.Ordinal).First();
            var adds = Gain(next, dogs, covered);
            if (adds == 0)
                break;
            have += adds;
            steps.Add(new StockStep(next.SizeId, adds, have));
            foreach (var dog in next.Fits)
                covered[dog]++;
            left.Remove(next);
        }

        return steps;
    }
}
