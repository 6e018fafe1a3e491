namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>What the dog is shown in a step.</summary>
public enum SceneThing
{
    Nothing,
    Muzzle,
    Cup,

    /// <summary>A cup that ends before the nostrils.</summary>
    ShallowCup,

    /// <summary>A cup set into the muzzle.</summary>
    CupInMuzzle,
    Loop,

    /// <summary>A loop hardly wider than its head.</summary>
    NarrowLoop,
}

/// <summary>Where that is, seen from the dog.</summary>
public enum ScenePlace
{
    AtTheSide,
    BeforeTheNose,
    OverTheRim,
    HalfwayIn,
    AllTheWayIn,

    /// <summary>Just taken down from its nose.</summary>
    LoweredAway,
}

/// <summary>Where the treat is given.</summary>
public enum SceneTreat
{
    None,
    AtTheMouth,
    AtTheRim,
    AtItsFloor,
    UnderIt,
    ThroughTheSide,
    ThroughTheFront,

    /// <summary>Several, one after the other.</summary>
    OneAfterAnother,
}

/// <summary>Where a hand is that gives nothing.</summary>
public enum SceneHand
{
    None,
    Below,
    BehindTheHead,

    /// <summary>Past the cheek on its way behind the ear.</summary>
    AtTheCheek,

    /// <summary>At the ends of the strap.</summary>
    AtTheStrap,

    /// <summary>With an open clip, near the neck.</summary>
    WithTheClip,

    /// <summary>Closed behind the front, the treat in it.</summary>
    ClosedInFront,

    /// <summary>Open and empty behind the front.</summary>
    EmptyInFront,

    /// <summary>Closed ones side by side before the nose.</summary>
    SideBySide,
}

/// <summary>What the neck strap does.</summary>
public enum SceneStrap
{
    FoldedBack,

    /// <summary>Hanging open, as wide as it goes.</summary>
    Open,
    OverTheNeck,
    HeldTogether,
    ClosedLoosely,
    Closed,

    /// <summary>Closed, with the strap over the forehead.</summary>
    Snug,
}

/// <summary>What a person of the scene does.</summary>
public enum ScenePose
{
    Stands,
    Sits,
    Kneels,
    Walks,
}

/// <summary>What the person has in a hand.</summary>
public enum SceneHolds
{
    Nothing,
    Muzzle,
    Treat,
    Clippers,
    Lead,
}

/// <summary>A person of the scene.</summary>
/// <param name="Pose">What it does.</param>
/// <param name="Holds">What it has in a hand.</param>
/// <param name="Far">Across the room.</param>
/// <param name="Behind">Behind the dog, not before it.</param>
public sealed record ScenePerson(ScenePose Pose, SceneHolds Holds = SceneHolds.Nothing, bool Far = false, bool Behind = false);

/// <summary>What else stands in the scene.</summary>
public enum SceneAround
{
    Mat,

    /// <summary>A blanket under a dog on its side, from above.</summary>
    Blanket,
    Bowl,
    OddThings,
    Cup,
    BoxWithMuzzle,
    TrayWithMuzzle,
    MuzzleOnShelf,
    MuzzleOnChair,
    OtherMuzzle,
    TreatBehind,
    FoodOnGround,
    Ball,
    Bush,
    Trees,
    Hills,
    Door,
    Car,
    Table,
    Deck,
    OtherDog,
}

/// <summary>
/// How things are placed in a step of training: what its drawing shows. Without a stand it is the dog's head and what is at it; with one the whole dog
/// and what stands round it.
/// </summary>
/// <param name="Thing">What it is shown.</param>
/// <param name="Place">Where that is.</param>
/// <param name="Treat">Where the treat is given.</param>
/// <param name="Hand">Where a hand is.</param>
/// <param name="Other">Where the other hand is.</param>
/// <param name="Strap">What the strap does.</param>
/// <param name="Stand">How the whole dog stands; null for its head alone.</param>
/// <param name="Worn">The whole dog wears its muzzle.</param>
/// <param name="Person">Who is there.</param>
/// <param name="Around">What else stands there.</param>
public sealed record Scene(
    SceneThing Thing = SceneThing.Nothing,
    ScenePlace Place = ScenePlace.BeforeTheNose,
    SceneTreat Treat = SceneTreat.None,
    SceneHand Hand = SceneHand.None,
    SceneHand Other = SceneHand.None,
    SceneStrap Strap = SceneStrap.FoldedBack,
    Stand? Stand = null,
    bool Worn = false,
    ScenePerson? Person = null,
    IReadOnlyList<SceneAround>? Around = null
);
