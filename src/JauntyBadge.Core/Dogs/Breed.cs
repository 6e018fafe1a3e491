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

/// <summary>A breed's usual head. Basis of every shipped row: Memory; the dog in front of you comes first.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Name">Its name.</param>
/// <param name="Shape">Usual head shape.</param>
/// <param name="Traits">What matters to a fitter.</param>
/// <param name="GrowingMonths">Age in months up to which the head still grows.</param>
/// <param name="AlsoCalled">Other names it is looked for under.</param>
/// <param name="Look">What its head looks like; null where nobody said.</param>
public sealed record Breed(
    string Id,
    string Name,
    HeadShape Shape,
    IReadOnlyList<BreedTrait> Traits,
    int GrowingMonths,
    IReadOnlyList<string>? AlsoCalled = null,
    BreedLook? Look = null
)
{
    private const string Table = "breeds.json";

    /// <summary>Ages up to which a head may be said to grow, months.</summary>
    public const int LeastGrowing = 6;

    public const int MostGrowing = 30;

    /// <summary>The shipped breeds, by name.</summary>
    public static IReadOnlyList<Breed> Shipped { get; } = Load();

    /// <summary>Whether every word of a search begins a word of its names, its shape or its traits.</summary>
    public bool Matches(string search)
    {
        var words = Words(string.Join(' ', [Name, .. AlsoCalled ?? [], Shape.ToString(), .. Traits.Select(TraitWords)]));
        return Words(search).All(wanted => words.Any(word => word.StartsWith(wanted, StringComparison.OrdinalIgnoreCase)));
    }

    /// <summary>A trait in words.</summary>
    public static string TraitWords(BreedTrait trait) =>
        trait switch
        {
            BreedTrait.NoBridge => "no bridge to rest on",
            BreedTrait.HeavyJowls => "heavy jowls",
            BreedTrait.BroadHead => "broad head",
            BreedTrait.NarrowHead => "head narrower than the neck",
            BreedTrait.LongCoat => "long coat",
            _ => "toy size",
        };

    private static string[] Words(string text) => text.Split([' ', ',', '-', '(', ')', '\''], StringSplitOptions.RemoveEmptyEntries);

    private static IReadOnlyList<Breed> Load()
    {
        var rows = Tables.Read<Breed>(Table);
        Tables.RefuseTwins(Table, rows.Select(b => b.Id));
        Tables.Refuse(
            Table,
            $"growing age from {LeastGrowing} to {MostGrowing} months",
            rows.Where(b => b.GrowingMonths is < LeastGrowing or > MostGrowing).Select(b => b.Id)
        );
        Tables.Refuse(
            Table,
            "a look with lips and stop from 0 to 1 and a coat on the list",
            rows.Where(b => b.Look is not { Lips: >= 0 and <= 1, Stop: null or >= 0 and <= 1 } look || CoatColour.Find(look.Coat) is null).Select(b => b.Id)
        );
        return rows;
    }
}

/// <summary>The breeds a practice works with: the shipped ones, with its own and its corrections in their place.</summary>
public sealed class BreedList
{
    private readonly Dictionary<string, Breed> byId;

    /// <summary>The shipped breeds with the practice's own over them.</summary>
    public BreedList(IEnumerable<Breed>? own = null)
    {
        byId = Breed.Shipped.ToDictionary(b => b.Id);
        foreach (var breed in own ?? [])
            byId[breed.Id] = breed with { Look = breed.Look ?? byId.GetValueOrDefault(breed.Id)?.Look };
        All = [.. byId.Values.OrderBy(b => b.Name, StringComparer.OrdinalIgnoreCase)];
    }

    /// <summary>Without anything of a practice's own.</summary>
    public static BreedList Shipped { get; } = new();

    /// <summary>By name.</summary>
    public IReadOnlyList<Breed> All { get; }

    /// <summary>The breed with this id, or null.</summary>
    public Breed? Find(string? id) => id is null ? null : byId.GetValueOrDefault(id);

    /// <summary>The breeds a search finds, those whose name begins with it first.</summary>
    public IReadOnlyList<Breed> Search(string text) =>
        [.. All.Where(b => b.Matches(text)).OrderByDescending(b => b.Name.StartsWith(text.Trim(), StringComparison.OrdinalIgnoreCase))];
}

/// <summary>What breeds and the fitter's eye say of the head shape.</summary>
public static class BreedShape
{
    /// <summary>The fitter's word if given, and the breeds' usual shape; two breeds that disagree meet in the middle.</summary>
    public static IReadOnlyList<ShapeReading> Ways(HeadShape? seen, IReadOnlyList<Breed> breeds)
    {
        var ways = new List<ShapeReading>();
        if (seen is { } shape)
            ways.Add(new(ShapeWay.Seen, null, shape, Basis.Practice("the dog in front of you comes first")));
        if (breeds.Count == 0)
            return ways;
        var shapes = breeds.Select(b => b.Shape).Distinct().Order().ToList();
        var told =
            shapes.Count == 1
                ? new ShapeReading(ShapeWay.Breed, null, shapes[0], Basis.Memory("the breed's usual head"))
                : new ShapeReading(ShapeWay.Breed, null, HeadShape.Medium, Basis.House("between two shapes")) { IsBetween = true };
        ways.Add(told with { Breeds = [.. breeds.Select(b => b.Name)] });
        return ways;
    }
}
