using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Core.Conditioning;

/// <summary>How much of a row's steps a plan must have.</summary>
public enum Needed
{
    /// <summary>Every one of them.</summary>
    Each,

    /// <summary>At least one.</summary>
    AnyOf,
}

/// <summary>A row of the order that trainers keep: what comes first, and what then.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Says">The same in a sentence.</param>
/// <param name="First">Steps that come first, in this order among themselves where each is needed.</param>
/// <param name="Then">Steps that come after every one of them.</param>
/// <param name="Basis">What it stands on.</param>
/// <param name="When">The dogs it is for; null for all.</param>
/// <param name="School">The school it is for; null for all.</param>
/// <param name="Needed">What of the first the plan must have, where it has any of what comes then; null for nothing.</param>
/// <param name="InPlaceOf">Steps that the first stand in place of: a plan with one of the former has none of these.</param>
/// <param name="Never">Steps that are in no such plan.</param>
public sealed record OrderRow(
    string Id,
    string Says,
    IReadOnlyList<string> First,
    IReadOnlyList<string> Then,
    Basis Basis,
    DogMatch? When = null,
    SchoolId? School = null,
    Needed? Needed = null,
    IReadOnlyList<string>? InPlaceOf = null,
    IReadOnlyList<string>? Never = null
)
{
    private const string Table = "order.json";

    /// <summary>Every row, checked when loaded.</summary>
    public static IReadOnlyList<OrderRow> All { get; } = Load();

    /// <summary>Whether a plan breaks it.</summary>
    internal bool IsBrokenBy(DogProfile dog, SchoolId school, IReadOnlyDictionary<string, int> places)
    {
        if (When?.Holds(dog) == false || (School is { } only && only != school))
            return false;
        if (Never?.Any(places.ContainsKey) == true)
            return true;
        var (first, then) = (Found(First), Found(Then));
        if (first.Count > 0 && InPlaceOf?.Any(places.ContainsKey) == true)
            return true;
        if (then.Count == 0 && Then.Count > 0)
            return false;
        var missing = Needed is Conditioning.Needed.Each ? first.Count < First.Count : Needed is Conditioning.Needed.AnyOf && first.Count == 0;
        return missing || (first.Count > 0 && then.Count > 0 && first.Max() > then.Min());

        List<int> Found(IReadOnlyList<string> ids) => [.. ids.Where(places.ContainsKey).Select(id => places[id])];
    }

    private static IReadOnlyList<OrderRow> Load()
    {
        var rows = Tables.Read<OrderRow>(Table);
        Tables.RefuseTwins(Table, rows.Select(r => r.Id));
        Tables.Refuse(
            Table,
            "known steps only",
            rows.Where(r => r.First.Concat(r.Then).Concat(r.InPlaceOf ?? []).Concat(r.Never ?? []).Any(id => Step.Find(id) is null)).Select(r => r.Id)
        );
        return rows;
    }
}

/// <summary>Holds a plan against the order that trainers keep.</summary>
public static class PlanOrder
{
    /// <summary>The rows that a plan breaks; none is as it should be.</summary>
    public static IReadOnlyList<OrderRow> Broken(TrainingPlan plan)
    {
        var places = plan.Steps.Index().ToDictionary(s => s.Item.Step.Id, s => s.Index);
        return [.. OrderRow.All.Where(r => r.IsBrokenBy(plan.Dog, plan.School.Id, places))];
    }
}
