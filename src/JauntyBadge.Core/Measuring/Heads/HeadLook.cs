namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>How a dog carries its ears.</summary>
public enum Ears
{
    Drop,
    Long,
    Pricked,

    /// <summary>Upright, broad and round at the tip.</summary>
    Bat,

    /// <summary>Upright with the tip folded over.</summary>
    Tipped,

    /// <summary>Folded forward close to the head.</summary>
    Button,

    /// <summary>Folded back.</summary>
    Rose,

    /// <summary>Cut, as it came: narrow and upright.</summary>
    Cropped,

    /// <summary>Upright with a fringe hanging from it.</summary>
    Fringed,
}

/// <summary>The coat of a head.</summary>
public enum Fur
{
    Smooth,

    /// <summary>Beard and brows.</summary>
    Rough,

    /// <summary>A ruff at the neck.</summary>
    Long,

    /// <summary>Curls on crown and ears.</summary>
    Curly,

    /// <summary>Hair that falls over the eyes and from the muzzle.</summary>
    Shaggy,
}

/// <summary>How the colours lie on a head.</summary>
public enum CoatPattern
{
    Plain,

    /// <summary>A dark muzzle.</summary>
    Mask,

    /// <summary>A white blaze, muzzle and collar.</summary>
    BlazeAndCollar,

    /// <summary>Tan on muzzle, cheek and brow.</summary>
    TanPoints,

    /// <summary>Dark blots on a paler coat.</summary>
    Merle,

    /// <summary>Dark stripes.</summary>
    Brindle,

    /// <summary>Small spots.</summary>
    Ticked,

    /// <summary>A coloured patch over eye and ear on white.</summary>
    Patched,

    /// <summary>A pale muzzle, cheek and brow.</summary>
    Spitz,
}

/// <summary>The line of the nose from the side.</summary>
public enum Bridge
{
    Straight,

    /// <summary>Hollow: the nose stands a little higher than the middle.</summary>
    Dished,

    /// <summary>Arched.</summary>
    Roman,

    /// <summary>Filled: one arch from nose to crown, without a stop.</summary>
    Filled,
}

/// <summary>What a head looks like besides its lengths. Nothing of the job is judged by it.</summary>
/// <param name="Ears">Its ears.</param>
/// <param name="Lips">How far its lips hang, 0 for dry to 1 for flews.</param>
/// <param name="Fur">Its coat.</param>
/// <param name="Pattern">How the colours lie.</param>
/// <param name="Bridge">The line of its nose.</param>
/// <param name="Undershot">The lower jaw stands before the upper.</param>
/// <param name="Stop">How steep its stop is, 0 to 1; null for what is usual for its shape.</param>
/// <param name="CoatHex">The coat's shade, #rrggbb.</param>
public sealed record HeadLook(
    Ears Ears = Ears.Drop,
    double Lips = 0.3,
    Fur Fur = Fur.Smooth,
    CoatPattern Pattern = CoatPattern.Plain,
    Bridge Bridge = Bridge.Straight,
    bool Undershot = false,
    double? Stop = null,
    string CoatHex = HeadLook.NobodysHex
)
{
    /// <summary>The shade of a coat nobody named (House).</summary>
    public const string NobodysHex = "#8a8378";

    /// <summary>What is white ground and what is coloured patch on a patched coat.</summary>
    internal (string Ground, string Patch) Patched => Enamel.Contrast(CoatHex, "#ffffff") < 2.2 ? (CoatHex, "#8a5630") : ("#efe7d6", CoatHex);

    /// <summary>The colours it is drawn in.</summary>
    internal Enamel Enamel => new(Pattern == CoatPattern.Patched ? Patched.Ground : CoatHex);

    /// <summary>A dog nobody said anything of.</summary>
    public static HeadLook Plain { get; } = new();
}
