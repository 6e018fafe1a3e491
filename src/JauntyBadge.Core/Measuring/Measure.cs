namespace JauntyBadge.Core.Measuring;

/// <summary>What is measured on a dog's head. Landmarks and method are in <see cref="MeasureGuide"/>.</summary>
public enum Measure
{
    /// <summary>Nose tip to the inner eye corner, straight line, one reading a side.</summary>
    NoseToInnerEye,

    /// <summary>Around the snout at the fit line, mouth closed.</summary>
    SnoutGirth,

    /// <summary>At the fit line, bridge to underside of the jaw, mouth closed.</summary>
    SnoutHeight,

    /// <summary>Widest part, lips and jowls included.</summary>
    SnoutWidth,

    /// <summary>Throat bump to below the nose tip, horizontally, head level.</summary>
    JawToNose,

    /// <summary>Around the high neck, right behind skull and jaw.</summary>
    NeckGirth,

    /// <summary>Between the inner eye corners; optional.</summary>
    InnerEyeSpacing,
}

/// <summary>The side of the dog, seen from the dog.</summary>
public enum Side
{
    Left,
    Right,
}

/// <summary>Head shape by proportion: long (dolichocephalic), medium (mesocephalic), short (brachycephalic).</summary>
public enum HeadShape
{
    Long,
    Medium,
    Short,
}

/// <summary>The unit a reading is written or shown in.</summary>
public enum ReadingUnit
{
    Mm,
    Cm,
    In,
}
