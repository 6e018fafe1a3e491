using JauntyBadge.Core.Measuring.Heads;

namespace JauntyBadge.Core.Dogs;

/// <summary>What a breed's head looks like. Basis of every shipped row: Memory. It decides nothing but the drawing.</summary>
/// <param name="Ears">Its ears.</param>
/// <param name="Lips">How far its lips hang, 0 to 1.</param>
/// <param name="Fur">Its coat.</param>
/// <param name="Pattern">How the colours lie.</param>
/// <param name="Coat">Its usual colour, by id.</param>
/// <param name="Bridge">The line of its nose.</param>
/// <param name="Undershot">The lower jaw stands before the upper.</param>
/// <param name="Stop">How steep its stop is, 0 to 1; null for what is usual for its shape.</param>
public sealed record BreedLook(
    Ears Ears,
    double Lips,
    Fur Fur,
    CoatPattern Pattern,
    string Coat,
    Bridge Bridge = Bridge.Straight,
    bool Undershot = false,
    double? Stop = null
);

/// <summary>What was seen of a dog's own head; null leaves it to the breeds.</summary>
/// <param name="CoatId">Its colour.</param>
/// <param name="Ears">Its ears.</param>
/// <param name="Fur">Its coat.</param>
/// <param name="Pattern">How the colours lie.</param>
public sealed record LookSeen(string? CoatId = null, Ears? Ears = null, Fur? Fur = null, CoatPattern? Pattern = null)
{
    /// <summary>The look of a dog of these breeds; of two, ears and colours come from the first, hair from whichever has more of it, lips from between.</summary>
    public HeadLook With(IReadOnlyList<Breed> breeds)
    {
        var looks = breeds.Select(b => b.Look).OfType<BreedLook>().ToList();
        var first = looks.FirstOrDefault();
        var coat = CoatColour.Find(CoatId) ?? CoatColour.Find(first?.Coat);
        return new HeadLook(
            Ears ?? first?.Ears ?? Measuring.Heads.Ears.Drop,
            looks.Count == 0 ? HeadLook.Plain.Lips : looks.Average(l => l.Lips),
            Fur ?? (looks.Count == 0 ? Measuring.Heads.Fur.Smooth : looks.Max(l => l.Fur)),
            Pattern ?? PatternOf(coat, first),
            first?.Bridge ?? Bridge.Straight,
            looks.Any(l => l.Undershot),
            first?.Stop,
            coat?.Hex ?? CoatColour.UnknownHex
        );
    }

    /// <summary>A colour that says how it lies wins; a breed's stripes and spots go with the breed's own colour only.</summary>
    private static CoatPattern PatternOf(CoatColour? coat, BreedLook? look) =>
        coat?.Id switch
        {
            "brindle" => CoatPattern.Brindle,
            "black-tan" => CoatPattern.TanPoints,
            "merle" => CoatPattern.Merle,
            "tricolour" => CoatPattern.BlazeAndCollar,
            "pied" => CoatPattern.Patched,
            var id => look?.Pattern switch
            {
                null => CoatPattern.Plain,
                CoatPattern.Brindle or CoatPattern.Merle or CoatPattern.Ticked or CoatPattern.Patched or CoatPattern.TanPoints when id != look.Coat =>
                    CoatPattern.Plain,
                { } pattern => pattern,
            },
        };
}
