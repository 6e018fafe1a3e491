namespace JauntyBadge.Core.Measuring;

/// <summary>What is measured on a dog's head. Landmarks and method are in <see cref="MeasureDefinition"/>.</summary>
public enum Measure
{
    /// <summary>Nose tip to the inner eye corner, straight line, one reading a side.</summary>
    NoseToInnerEye,

    /// <summary>Fit line to the nose front.</summary>
    FitLineLength,

    /// <summary>Around the snout at the fit line, mouth closed.</summary>
    SnoutGirth,

    /// <summary>At the fit line, bridge to underside of the jaw, mouth closed.</summary>
    SnoutHeight,

    /// <summary>Widest part, lips and jowls included.</summary>
    SnoutWidth,

    /// <summary>Throat bump to below the nose tip, horizontally, head level.</summary>
    JawToNose,

    /// <summary>Nose tip to the base of the skull, along the top.</summary>
    NoseToOcciput,

    /// <summary>Around the high neck, right behind skull and jaw.</summary>
    NeckGirth,

    /// <summary>Between the inner eye corners; optional.</summary>
    InnerEyeSpacing,

    /// <summary>Stop to the nose front, for the head shape; optional.</summary>
    StopToNose,

    /// <summary>Stop to the base of the skull, for the head shape; optional.</summary>
    StopToOcciput,

    /// <summary>Across the skull at its widest, for the head shape; optional.</summary>
    SkullWidth,

    /// <summary>Around the head at its widest, ears included; optional.</summary>
    HeadGirth,
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

/// <summary>The coat under the tape.</summary>
public enum Coat
{
    Ordinary,

    /// <summary>Stands up or hides the skin, so that a girth is less sure.</summary>
    Thick,

    /// <summary>Clipped short: girths read less than before.</summary>
    Clipped,
}

/// <summary>The unit a reading is written or shown in.</summary>
public enum ReadingUnit
{
    Mm,
    Cm,
    In,
}
