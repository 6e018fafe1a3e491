namespace JauntyBadge.Core;

/// <summary>Where a number or rule of the job comes from.</summary>
public enum BasisKind
{
    /// <summary>A named standard, handbook or paper.</summary>
    Published,

    /// <summary>Common practice in the trade, with no source.</summary>
    Practice,

    /// <summary>Our own choice, with the reason.</summary>
    House,

    /// <summary>A value recalled, not looked up.</summary>
    Memory,
}

/// <summary>The ground a number stands on, shown to whoever asks "why this number?".</summary>
/// <param name="Kind">What sort of ground it is.</param>
/// <param name="Note">The source (Published), the reason (House) or what is meant (Practice, Memory). Never empty.</param>
public sealed record Basis(BasisKind Kind, string Note)
{
    public static Basis Published(string source) => new(BasisKind.Published, source);

    public static Basis Practice(string note) => new(BasisKind.Practice, note);

    public static Basis House(string why) => new(BasisKind.House, why);

    public static Basis Memory(string note) => new(BasisKind.Memory, note);

    /// <summary>Kind and note in one line, such as "House: the tape's own doubt".</summary>
    public override string ToString() => $"{Kind}: {Note}";
}
