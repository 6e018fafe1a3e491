using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Core.Dogs;

/// <summary>A trait of a breed that matters to a fitter.</summary>
public enum BreedTrait
{
    NoBridge,
    HeavyJowls,
    BroadHead,
    NarrowHead,
    LongCoat,
    Toy,
}

/// <summary>A breed's usual head. Basis of every row: Memory; the dog in front of you comes first.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Name">Its name.</param>
/// <param name="Shape">Usual head shape.</param>
/// <param name="Traits">What matters to a fitter.</param>
/// <param name="GrowingMonths">Age in months up to which the head still grows.</param>
public sealed record Breed(string Id, string Name, HeadShape Shape, IReadOnlyList<BreedTrait> Traits, int GrowingMonths)
{
    private const string Table = "breeds.json";

    /// <summary>The shipped breeds, by name.</summary>
    public static IReadOnlyList<Breed> All { get; } = Load();

    /// <summary>The breed with this id, or null.</summary>
    public static Breed? Find(string id) => All.FirstOrDefault(b => b.Id == id);

    private static IReadOnlyList<Breed> Load()
    {
        var rows = Tables.Read<Breed>(Table);
        Tables.RefuseTwins(Table, rows.Select(b => b.Id));
        Tables.Refuse(Table, "growing age from 6 to 30 months", rows.Where(b => b.GrowingMonths is < 6 or > 30).Select(b => b.Id));
        return rows;
    }
}

/// <summary>The head shape to work with, and why.</summary>
public sealed record HeadShapeChoice(HeadShape Shape, string Reason, Basis Basis)
{
    /// <summary>The shape the fitter saw if given, else the breeds' usual one; two breeds that disagree meet in the middle.</summary>
    public static HeadShapeChoice For(HeadShape? seen, IReadOnlyList<Breed> breeds)
    {
        if (seen is { } shape)
            return new(shape, "As the fitter saw it.", Basis.Practice("the dog in front of you comes first"));
        if (breeds.Count == 0)
            return new(HeadShape.Medium, "The breed is unknown, so a medium head is assumed. Set the shape if you can see it.", Basis.House("most dogs are medium"));
        var shapes = breeds.Select(b => b.Shape).Distinct().Order().ToList();
        var names = string.Join(" and ", breeds.Select(b => b.Name));
        return shapes.Count == 1
            ? new(shapes[0], $"Usual for {names}.", Basis.Memory("the breed's usual head"))
            : new(HeadShape.Medium, $"{names} differ in head shape, so the middle is taken. Set the shape if you can see it.", Basis.House("between two shapes"));
    }
}
