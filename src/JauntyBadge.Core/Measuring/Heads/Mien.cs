namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>Where a tongue is seen.</summary>
public enum Tongue
{
    /// <summary>Behind the lips, or in an open mouth.</summary>
    In,

    /// <summary>Over the nose.</summary>
    Lick,

    /// <summary>Hanging from an open mouth.</summary>
    Out,
}

/// <summary>How a head looks with what its dog feels. Every number is drawn and looked at, and nothing is judged by it (House).</summary>
/// <param name="Ears">How far its ears are laid back, 0 as they are carried to 1 flat; under 0 they stand forward.</param>
/// <param name="Lids">How wide its eye is open: 0 shut, 1 as usual, more for staring.</param>
/// <param name="Looks">Where it looks without turning its head: −1 before it, 1 behind it, where the white of the eye shows.</param>
/// <param name="Gape">How far its mouth is open, degrees.</param>
/// <param name="Lip">How far its lip is lifted from gums and teeth, 0 to 1.</param>
/// <param name="Tongue">Where its tongue is.</param>
/// <param name="Gums">Gums and tongue are of the shades of a dog in trouble: pale, blue and dark red beside each other.</param>
/// <param name="Drool">Ropes of drool hang from its lips.</param>
public sealed record Mien(
    double Ears = 0,
    double Lids = 1,
    double Looks = 0,
    double Gape = 0,
    double Lip = 0,
    Tongue Tongue = Tongue.In,
    bool Gums = false,
    bool Drool = false
)
{
    /// <summary>A head of which nothing is said: as it is measured.</summary>
    public static Mien Plain { get; } = new();
}
