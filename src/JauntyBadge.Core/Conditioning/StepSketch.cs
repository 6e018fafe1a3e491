namespace JauntyBadge.Core.Conditioning;

/// <summary>What the dog is shown.</summary>
public enum SketchThing
{
    Nothing,
    Muzzle,
    Cup,
    Loop,
    Box,
}

/// <summary>Where that is, seen from the dog.</summary>
public enum SketchPlace
{
    AtTheSide,
    BeforeTheNose,
    OverTheRim,
    HalfwayIn,
    AllTheWayIn,
    OnTheFloor,
    OnAStand,
}

/// <summary>Where the treat is given.</summary>
public enum SketchTreat
{
    AwayFromIt,
    BehindTheDog,
    AtTheMouth,
    AtTheRim,
    AtItsFloor,
    UnderIt,
    ThroughTheSide,
    ThroughTheFront,
}

/// <summary>Where the hand is.</summary>
public enum SketchHand
{
    None,
    Below,
    BehindTheHead,
}

/// <summary>How things are placed in a step: what its drawing shows. <see cref="ConditioningWords.Sketch"/> says the same.</summary>
public sealed record StepSketch(SketchThing Thing, SketchPlace Place, SketchTreat Treat, SketchHand Hand);
