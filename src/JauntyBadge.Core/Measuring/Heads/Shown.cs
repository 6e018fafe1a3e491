namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>What a paw of the near side does.</summary>
public enum Paw
{
    Down,
    Lifted,

    /// <summary>At the muzzle on its face.</summary>
    AtFace,
}

/// <summary>What stands in a picture beside the dog.</summary>
public enum Beside
{
    Nothing,

    /// <summary>A muzzle before it.</summary>
    Muzzle,

    /// <summary>A muzzle on its snout.</summary>
    Worn,

    /// <summary>A treat before its nose.</summary>
    Treat,
}

/// <summary>How a whole dog stands. Every number is drawn and looked at (House).</summary>
/// <param name="Lean">Its weight: −1 on the fore legs, 1 on the hind legs.</param>
/// <param name="Fore">How far it is down in front, 0 standing to 1 lying.</param>
/// <param name="Hind">How far it is down behind, 0 standing to 1 lying.</param>
/// <param name="Head">How far its head is lowered, degrees; under 0 raised.</param>
/// <param name="Tail">Its tail above the level, degrees; from −80 between its legs.</param>
/// <param name="Stride">How far it strides, 0 to 1; under 0 its legs cross.</param>
/// <param name="Paw">What a fore paw does.</param>
/// <param name="Wags">Its tail moves fast: lines say so.</param>
/// <param name="OnSide">It lies on its side, seen from above.</param>
public sealed record Stand(
    double Lean = 0,
    double Fore = 0,
    double Hind = 0,
    double Head = 0,
    double Tail = -35,
    double Stride = 0,
    Paw Paw = Paw.Down,
    bool Wags = false,
    bool OnSide = false
);

/// <summary>What the picture of a sign shows.</summary>
/// <param name="Mien">Its face.</param>
/// <param name="Stand">Its whole body; null where the head says it.</param>
/// <param name="Beside">What stands beside it.</param>
/// <param name="Away">It is turned away from that.</param>
public sealed record Shown(Mien Mien, Stand? Stand = null, Beside Beside = Beside.Nothing, bool Away = false);
