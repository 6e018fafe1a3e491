namespace JauntyBadge.Core.Wearing;

/// <summary>An occasion on a day, worn or planned.</summary>
public sealed record OccasionOn(DateOnly Day, Occasion Occasion);

/// <summary>Whether a muzzle still means more good than bad.</summary>
public enum BalanceVerdict
{
    Good,
    Warn,
    Sour,
}

/// <summary>What a muzzle has come to mean to a dog: fun and ordinary wears against stressful ones, the older the less.</summary>
/// <param name="Happy">Weighted sum of fun and ordinary wears.</param>
/// <param name="Stressful">Weighted sum of stressful ones.</param>
/// <param name="HappyWithinWeek">There was a fun wear in the seven days up to that day, it included.</param>
public sealed record AssociationBalance(double Happy, double Stressful, bool HappyWithinWeek)
{
    /// <summary>Sums of equal weights are to be as equal as they look.</summary>
    private const double Equal = 1e-9;

    public static readonly Grounded<int> HalfLife = new(
        "wear.half-life",
        "Days after which a wear counts half in the balance",
        14,
        Basis.House("what happened this fortnight weighs as much as all before it")
    );

    public static readonly Grounded<double> Wanted = new(
        "wear.balance-wanted",
        "Fun and ordinary wears wanted for each stressful one",
        3,
        Basis.House("on a practice rule: by far more good than bad")
    )
    {
        Least = 2,
    };

    public static readonly Grounded<double> Sours = new(
        "wear.balance-sours",
        "Under so many fun and ordinary wears to a stressful one, the muzzle becomes a sign of bad things",
        1,
        Basis.House("more bad than good")
    )
    {
        Least = 0.5,
    };

    public static readonly Grounded<int> HappyEvery = new(
        "wear.happy-every",
        "Days within which there is to be a fun wear",
        7,
        Basis.Practice("a happy wear at least weekly")
    )
    {
        Least = 3,
        Most = 10,
    };

    public static IReadOnlyList<IGrounded> All { get; } = [HalfLife, Wanted, Sours, HappyEvery];

    /// <summary>Happy wears to each stressful one; null without a stressful one.</summary>
    public double? Ratio => Stressful > 0 ? Happy / Stressful : null;

    /// <summary>The balance up to a day. Later wears are left out; each weighs one half to the power of its age over the half-life.</summary>
    public static AssociationBalance On(DateOnly day, IEnumerable<OccasionOn> wears, HouseRules rules)
    {
        var (happy, stressful, within) = (0.0, 0.0, false);
        foreach (var wear in wears)
        {
            var age = day.DayNumber - wear.Day.DayNumber;
            if (age < 0)
                continue;
            var weight = Math.Pow(0.5, age / (double)rules[HalfLife]);
            if (wear.Occasion == Occasion.Stressful)
                stressful += weight;
            else
                happy += weight;
            within |= wear.Occasion == Occasion.Fun && age < rules[HappyEvery];
        }

        return new(happy, stressful, within);
    }

    /// <summary>Sour under 1; a warning under 3, or without a fun wear in a week. Exactly 1 is not sour, exactly 3 is enough.</summary>
    public BalanceVerdict Verdict(HouseRules rules) =>
        Ratio < rules[Sours] - Equal ? BalanceVerdict.Sour
        : Ratio < rules[Wanted] - Equal || !HappyWithinWeek ? BalanceVerdict.Warn
        : BalanceVerdict.Good;

    /// <summary>Whether a happy wear is owed: too little good, or none within a week.</summary>
    public bool IsOwed(HouseRules rules) => !IsEnough(rules) || !HappyWithinWeek;

    /// <summary>Whether so many happy wears stand to a stressful one as are wanted.</summary>
    public bool IsEnough(HouseRules rules) => !(Ratio < rules[Wanted] - Equal);
}

/// <summary>What is coming, and what to do about it before.</summary>
/// <param name="On">The day of the stressful wear ahead.</param>
/// <param name="After">Happy wears to a stressful one after it, if nothing is done.</param>
/// <param name="HappyOn">Days on which to have a happy wear before it, as few as are enough, the earliest first; empty where none is needed.</param>
/// <param name="ThenAfter">The same with those.</param>
/// <param name="Enough">Whether they are enough.</param>
public sealed record BalanceAhead(DateOnly On, double? After, IReadOnlyList<DateOnly> HappyOn, double? ThenAfter, bool Enough)
{
    /// <summary>
    /// How the balance will stand after the next stressful wear that is planned, and the fewest happy wears before it that keep it: one a day at most, on the days
    /// nearest to it, where they weigh most. Null where none is planned.
    /// </summary>
    /// <param name="today">The first day a happy wear can be had.</param>
    /// <param name="worn">What was worn.</param>
    /// <param name="planned">What is planned, from today on.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static BalanceAhead? Of(DateOnly today, IReadOnlyList<OccasionOn> worn, IReadOnlyList<OccasionOn> planned, HouseRules rules)
    {
        if (planned.Where(p => p.Occasion == Occasion.Stressful && p.Day >= today).Select(p => (DateOnly?)p.Day).Min() is not { } day)
            return null;
        IReadOnlyList<OccasionOn> all = [.. worn, .. planned.Where(p => p.Day >= today && p.Day <= day)];
        var without = AssociationBalance.On(day, all, rules);
        var (happy, then) = (new List<DateOnly>(), without);
        for (var at = day.AddDays(-1); at >= today && !then.IsEnough(rules); at = at.AddDays(-1))
        {
            happy.Insert(0, at);
            then = AssociationBalance.On(day, [.. all, .. happy.Select(d => new OccasionOn(d, Occasion.Fun))], rules);
        }

        return new(day, without.Ratio, happy, then.Ratio, then.IsEnough(rules));
    }
}

/// <summary>Something a dog may love to do in its muzzle.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Name">What it is.</param>
/// <param name="How">How it is done with the muzzle on.</param>
/// <param name="Exercise">It makes the dog pant: cool hours and a full pant only.</param>
/// <param name="Water">There is water in it.</param>
/// <param name="Basis">On what ground.</param>
public sealed record HappyWear(string Id, string Name, string How, bool Exercise, bool Water, Basis Basis)
{
    private const string Table = "happy-wears.json";

    public static IReadOnlyList<HappyWear> All { get; } = Load();

    public static HappyWear? Find(string id) => All.FirstOrDefault(h => h.Id == id);

    /// <summary>
    /// The next one for a dog: of what it loves, or of all where nothing is known, what its muzzle and the heat allow, the one had least lately first. Null where the
    /// weather allows none.
    /// </summary>
    /// <param name="loves">Ids of what it loves.</param>
    /// <param name="lately">What was done at its last fun wears, the oldest first; unknown ones are left out.</param>
    /// <param name="muzzle">What it wears.</param>
    /// <param name="band">What the heat leaves; null where that is not known.</param>
    /// <param name="frost">It freezes: nothing wet.</param>
    public static HappyWear? Next(IReadOnlyList<string> loves, IReadOnlyList<string> lately, WornMuzzle muzzle, HeatBand? band, bool frost = false)
    {
        if (band == HeatBand.None)
            return null;
        var can = All.Where(h =>
                !(frost && h.Water) && (!h.Exercise || (!muzzle.HoldsShut && muzzle.Gape != Fitting.GapeClass.HalfPant && band is null or HeatBand.AsTrained))
            )
            .ToList();
        var loved = can.Where(h => loves.Contains(h.Id)).ToList();
        return (loved.Count > 0 ? loved : can).MinBy(h => lately.ToList().LastIndexOf(h.Id));
    }

    private static IReadOnlyList<HappyWear> Load()
    {
        var rows = Tables.Read<HappyWear>(Table);
        Tables.RefuseTwins(Table, rows.Select(h => h.Id));
        Tables.Refuse(Table, "something that needs no panting", rows.Any(h => !h.Exercise) ? [] : ["all"]);
        return rows;
    }
}
