namespace JauntyBadge.Core.Fitting;

/// <summary>What a column of a size chart may hold.</summary>
public enum ChartField
{
    Label,

    /// <summary>The model's name, in a file that holds several.</summary>
    Model,
    Length,
    DepthFront,
    DepthRear,
    WidthRear,
    WidthFront,
    OpeningGirth,
    GirthMin,
    GirthMax,

    /// <summary>Both girths in one cell, as in "12-14".</summary>
    GirthRange,
    NeckStrapMin,
    NeckStrapMax,

    /// <summary>Both loops in one cell.</summary>
    NeckStrapRange,
    Mass,
    Price,
}

/// <summary>The unit of a column's bare numbers.</summary>
public enum ChartUnit
{
    None,
    Mm,
    Cm,
    In,
    G,
    Oz,
    Kg,
}

/// <summary>What one column of a file means.</summary>
/// <param name="Column">Its place, from 0.</param>
/// <param name="Field">What it holds.</param>
/// <param name="Unit">The unit of its bare numbers; a cell that names its own unit keeps it.</param>
public sealed record ChartColumn(int Column, ChartField Field, ChartUnit Unit);

/// <summary>A file opened: its headings, its first rows, and what its columns seem to mean.</summary>
/// <param name="Headings">The first row.</param>
/// <param name="Sample">Up to five rows below it.</param>
/// <param name="Guess">What the columns seem to mean; columns that mean nothing to us are left out.</param>
/// <param name="Models">The models the file holds, where a column names them; empty otherwise.</param>
/// <param name="Text">The file as it was read.</param>
/// <param name="Aside">Columns whose numbers are lengths, but not of the muzzle's inside.</param>
public sealed record OpenedChart(
    IReadOnlyList<string> Headings,
    IReadOnlyList<IReadOnlyList<string>> Sample,
    IReadOnlyList<ChartColumn> Guess,
    IReadOnlyList<string> Models,
    string Text,
    IReadOnlyList<AsideColumn> Aside
);

/// <summary>A column that says nothing of the muzzle's inside.</summary>
/// <param name="Column">Its place, from 0.</param>
/// <param name="Of">What it is of.</param>
public sealed record AsideColumn(int Column, ChartAside Of);

/// <summary>What a column may be of that is not the muzzle's inside.</summary>
public enum ChartAside
{
    /// <summary>The dog it is for.</summary>
    Dog,

    /// <summary>The muzzle's outside.</summary>
    Outside,
}

/// <summary>One row of a chart, understood or not.</summary>
/// <param name="Row">Its line in the file, from 1.</param>
/// <param name="Raw">Its text.</param>
/// <param name="Size">The size; null when a problem stands in the way.</param>
/// <param name="Problems">What is wrong, each naming the field and what would be accepted.</param>
/// <param name="Assumed">What the chart does not say and will be assumed.</param>
public sealed record ChartRow(int Row, string Raw, MuzzleSize? Size, IReadOnlyList<string> Problems, IReadOnlyList<ChartGap> Assumed);

/// <summary>What a chart does not say.</summary>
public enum ChartGap
{
    /// <summary>Depth and width: a box of the girth is taken.</summary>
    Shape,

    /// <summary>The neck strap's range: the strap is not checked.</summary>
    NeckStrap,

    /// <summary>A range stands where one length is meant: the longer end of the length is taken, which reaches the eyes first, and of every room the lesser.</summary>
    Range,
}
