namespace JauntyBadge.Core.Wearing;

/// <summary>What is said of a wear, part by part: two phones at one dog may each say some of it.</summary>
public enum WearPart
{
    /// <summary>When it was put on.</summary>
    StartedAt,

    /// <summary>When it came off.</summary>
    EndedAt,

    /// <summary>What it was to the dog.</summary>
    Occasion,

    /// <summary>What was done, of the list of happy wears.</summary>
    HappyId,

    /// <summary>Where.</summary>
    Place,

    /// <summary>For what.</summary>
    ForWhat,

    /// <summary>Who was with it.</summary>
    Who,

    /// <summary>The strap's setting.</summary>
    Strap,

    /// <summary>Whether it ran, played or worked.</summary>
    Exercise,

    /// <summary>How long it was told to be at most.</summary>
    CapMinutes,

    /// <summary>Signs seen.</summary>
    Signs,

    /// <summary>Marks left.</summary>
    Rubs,

    /// <summary>The treat.</summary>
    TreatId,

    /// <summary>Its pieces.</summary>
    TreatPieces,

    /// <summary>Anything else.</summary>
    Note,

    /// <summary>How it ended.</summary>
    Ending,
}

/// <summary>
/// What was said of a wear when. Where two phones told of one wear and one of them comes late, each part is as it was said last (House); a part that
/// the late one never touched stays as the other has it.
/// </summary>
/// <param name="Said">When each part was said last; a part nobody touched since it was put on is left out.</param>
/// <param name="TakenBack">Ids of signs that were taken back: a phone that has not heard of it tells them again.</param>
public sealed record WearTold(IReadOnlyDictionary<WearPart, DateTime>? Said = null, IReadOnlyList<Guid>? TakenBack = null)
{
    /// <summary>Nobody touched anything.</summary>
    public static WearTold Nothing { get; } = new();

    /// <summary>Whether what is said of a part at a moment goes before what was said of it until then. Said at the very same moment, what arrives last goes.</summary>
    public bool Hears(WearPart part, DateTime at) => Said is null || !Said.TryGetValue(part, out var before) || at >= before;

    /// <summary>The same once more was said, and signs were taken back.</summary>
    public WearTold With(IEnumerable<KeyValuePair<WearPart, DateTime>> said, IEnumerable<Guid> takenBack)
    {
        var all = new Dictionary<WearPart, DateTime>(Said ?? new Dictionary<WearPart, DateTime>());
        foreach (var (part, at) in said)
        {
            if (Hears(part, at))
                all[part] = at;
        }

        return new WearTold(all, [.. (TakenBack ?? []).Union(takenBack)]);
    }

    /// <summary>When it came off, where both said so: off as soon as one took it off.</summary>
    public static DateTime? Off(DateTime? one, DateTime? other) => one is { } a && other is { } b ? (a < b ? a : b) : one ?? other;
}
