namespace JauntyBadge.Core.Fitting;

/// <summary>The muzzles a practice chooses from: the shipped ones, with its own and its corrections in their place, less those it has put away.</summary>
public sealed class MuzzleList
{
    private readonly Dictionary<string, MuzzleModel> bySize;

    /// <summary>The shipped models with the practice's own over them.</summary>
    /// <param name="own">Its own models and corrections; a null model takes the one with that id out.</param>
    public MuzzleList(IReadOnlyDictionary<string, MuzzleModel?>? own = null)
    {
        var byId = Catalogue.Shipped.ToDictionary(m => m.Id);
        foreach (var (id, model) in own ?? new Dictionary<string, MuzzleModel?>())
        {
            if (model is null)
                byId.Remove(id);
            else
                byId[id] = model;
        }

        All = [.. byId.Values.OrderBy(m => m.Name, StringComparer.OrdinalIgnoreCase).ThenBy(m => m.Id, StringComparer.Ordinal)];
        bySize = All.SelectMany(m => m.Sizes.Select(s => (s.Id, Model: m))).ToDictionary(p => p.Id, p => p.Model);
    }

    /// <summary>Without anything of a practice's own.</summary>
    public static MuzzleList Shipped { get; } = new();

    /// <summary>By name.</summary>
    public IReadOnlyList<MuzzleModel> All { get; }

    /// <summary>The model with this id, or null.</summary>
    public MuzzleModel? Find(string id) => All.FirstOrDefault(m => m.Id == id);

    /// <summary>The size with this id and its model, or null.</summary>
    public (MuzzleModel Model, MuzzleSize Size)? FindSize(string? sizeId) =>
        sizeId is not null && bySize.TryGetValue(sizeId, out var model) ? (model, model.Sizes.First(s => s.Id == sizeId)) : null;
}
