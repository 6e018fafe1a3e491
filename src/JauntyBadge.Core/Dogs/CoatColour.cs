using JauntyBadge.Core.Measuring.Heads;

namespace JauntyBadge.Core.Dogs;

/// <summary>A coat colour to pick from, with the shade it is drawn in. The shades are sketches (House).</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Name">In words.</param>
/// <param name="Hex">sRGB, as #rrggbb.</param>
public sealed record CoatColour(string Id, string Name, string Hex)
{
    public static IReadOnlyList<CoatColour> All { get; } =
    [
        new("black", "Black", "#2e2c2b"),
        new("liver", "Liver or chocolate", "#5a3a28"),
        new("red", "Red", "#9c5a2c"),
        new("golden", "Golden", "#c99a55"),
        new("cream", "Cream", "#e2cfa6"),
        new("white", "White", "#efeae0"),
        new("grey", "Grey or blue", "#7c858c"),
        new("brindle", "Brindle", "#6b5137"),
        new("fawn", "Fawn", "#c6a07a"),
        new("sable", "Sable", "#7d5f3c"),
        new("black-tan", "Black and tan", "#3a3029"),
        new("merle", "Merle", "#8f9496"),
        new("tricolour", "Tricolour", "#4a3b30"),
        new("pied", "Pied or spotted", "#cfc4b2"),
    ];

    /// <summary>The shade of a coat nobody named (House).</summary>
    public const string UnknownHex = HeadLook.NobodysHex;

    /// <summary>The colour with this id, or null.</summary>
    public static CoatColour? Find(string? id) => All.FirstOrDefault(c => c.Id == id);

    /// <summary>The shade of the colour with this id, or of a coat nobody named.</summary>
    public static string HexOf(string? id) => Find(id)?.Hex ?? UnknownHex;
}
