namespace JauntyBadge.Core.Wearing;

/// <summary>Something looked at when a muzzle is inspected, off the dog.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Name">What is looked at.</param>
/// <param name="Fine">What it is like when it is fine.</param>
/// <param name="Basis">On what ground.</param>
public sealed record InspectionCheck(string Id, string Name, string Fine, Basis Basis)
{
    private const string Table = "inspection.json";

    public static IReadOnlyList<InspectionCheck> All { get; } = Load();

    private static IReadOnlyList<InspectionCheck> Load()
    {
        var rows = Tables.Read<InspectionCheck>(Table);
        Tables.RefuseTwins(Table, rows.Select(c => c.Id));
        return rows;
    }
}

/// <summary>An inspection as the rules see it.</summary>
/// <param name="Day">Its day.</param>
/// <param name="Failed">Ids of the checks that were not fine.</param>
public sealed record Inspected(DateOnly Day, IReadOnlyList<string> Failed);

/// <summary>Why a muzzle is to be inspected.</summary>
public enum InspectionDue
{
    /// <summary>It need not be yet.</summary>
    NotYet,

    /// <summary>A month has gone by.</summary>
    Monthly,

    /// <summary>A clinic visit is near.</summary>
    BeforeClinic,

    /// <summary>It failed: out of use until it is mended and found fine.</summary>
    OutOfUse,
}

/// <summary>The state a muzzle is in.</summary>
/// <param name="Due">Whether it is to be inspected, and why.</param>
/// <param name="On">The day by which.</param>
/// <param name="Failed">What failed at the last inspection.</param>
public sealed record MuzzleState(InspectionDue Due, DateOnly On, IReadOnlyList<string> Failed)
{
    public static readonly Grounded<int> Every = new(
        "wear.inspect-every",
        "Days after which a muzzle is inspected again",
        30,
        Basis.Practice("strap, clip, edges and bars monthly")
    )
    {
        Most = 30,
    };

    public static readonly Grounded<int> BeforeClinic = new(
        "wear.inspect-before-clinic",
        "Days before a clinic visit within which the muzzle is inspected",
        3,
        Basis.House("late enough to hold for the visit, early enough to mend what is found")
    );

    public static readonly Grounded<int> RefitMonths = new(
        "wear.refit-months",
        "Months after which a muzzle is tried on again though nothing changed",
        12,
        Basis.House("coats, necks and straps change slowly")
    );

    public static IReadOnlyList<IGrounded> All { get; } = [Every, BeforeClinic, RefitMonths];

    /// <summary>The state of a muzzle on a day.</summary>
    /// <param name="since">Since when it is in use.</param>
    /// <param name="last">Its last inspection; null for none.</param>
    /// <param name="clinic">The next clinic visit; null for none.</param>
    /// <param name="today">The day.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static MuzzleState Of(DateOnly since, Inspected? last, DateOnly? clinic, DateOnly today, HouseRules rules)
    {
        if (last is { Failed.Count: > 0 })
            return new(InspectionDue.OutOfUse, today, last.Failed);
        var month = (last?.Day ?? since).AddDays(rules[Every]);
        if (clinic is { } visit && visit >= today && visit.AddDays(-rules[BeforeClinic]) is var from && !(last?.Day >= from) && from < month)
            return new(today >= from ? InspectionDue.BeforeClinic : InspectionDue.NotYet, from, []);
        return new(today >= month ? InspectionDue.Monthly : InspectionDue.NotYet, month, []);
    }

    /// <summary>The day by which a muzzle is tried on again though nothing changed.</summary>
    public static DateOnly RefitBy(DateOnly triedOn, HouseRules rules) => triedOn.AddMonths(rules[RefitMonths]);

    /// <summary>Why the fit is to be looked at again, besides what changed on the dog: a mark since it was tried on last, or a year gone by. Null where neither is so.</summary>
    public static RefitCause? Refit(DateOnly triedOn, bool rubbedSince, DateOnly today, HouseRules rules) =>
        rubbedSince ? RefitCause.RubMark
        : RefitBy(triedOn, rules) <= today ? RefitCause.LongAgo
        : null;
}

/// <summary>What keeps a muzzle right.</summary>
public enum Upkeep
{
    Inspect,
    TryOn,
    Measure,
}

/// <summary>Why a muzzle is to be tried on again.</summary>
public enum RefitCause
{
    RubMark,
    LongAgo,
}
