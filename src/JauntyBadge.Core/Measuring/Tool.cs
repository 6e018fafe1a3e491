using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>What a reading was taken with.</summary>
public enum Tool
{
    SoftTape,

    /// <summary>A string marked on the dog and laid on a ruler.</summary>
    String,

    Caliper,

    /// <summary>Landmarks on a picture with something of known size in it.</summary>
    Photo,

    /// <summary>The digital tape, which sends its readings by itself.</summary>
    DigitalTape,
}

/// <summary>How far each tool is to be trusted.</summary>
public static class ToolRules
{
    private static readonly Basis Repeats = Basis.House("a first guess of how far repeats of one hand scatter, until this practice's own are pooled");

    public static readonly Grounded<Length> SoftTape = new(
        "tool.u-soft-tape",
        "Standard uncertainty of a soft tape on a dog",
        Length.FromMillimeters(2),
        Basis.House("fur, slack and a moving dog; a tape on a bench does better")
    );

    public static readonly Grounded<Length> String = new(
        "tool.u-string",
        "Standard uncertainty of a string laid on a ruler",
        Length.FromMillimeters(3),
        Basis.House("a tape's doubt, and a mark that moves between dog and ruler")
    );

    public static readonly Grounded<Length> Caliper = new(
        "tool.u-caliper",
        "Standard uncertainty of a caliper on a dog",
        Length.FromMillimeters(1),
        Basis.House("stiff, but the dog is not")
    );

    public static readonly Grounded<Length> Photo = new(
        "tool.u-photo",
        "Standard uncertainty of a photo that does not state its own",
        Length.FromMillimeters(4),
        Basis.House("worse than a string; a photo worked out here states its own")
    );

    public static readonly Grounded<Length> DigitalTape = new(
        "tool.u-digital-tape",
        "Standard uncertainty of the digital tape",
        Length.FromMillimeters(1),
        Basis.House("even pull, no slip in reading")
    );

    public static readonly Grounded<Length> SoftTapeScatter = new(
        "tool.s-soft-tape",
        "Scatter of repeats with a soft tape",
        Length.FromMillimeters(1.5),
        Repeats
    );
    public static readonly Grounded<Length> StringScatter = new("tool.s-string", "Scatter of repeats with a string", Length.FromMillimeters(2.5), Repeats);
    public static readonly Grounded<Length> CaliperScatter = new("tool.s-caliper", "Scatter of repeats with a caliper", Length.FromMillimeters(1), Repeats);
    public static readonly Grounded<Length> PhotoScatter = new("tool.s-photo", "Scatter of repeats with a photo", Length.FromMillimeters(2.5), Repeats);
    public static readonly Grounded<Length> DigitalTapeScatter = new(
        "tool.s-digital-tape",
        "Scatter of repeats with the digital tape",
        Length.FromMillimeters(1),
        Repeats
    );

    public static IReadOnlyList<IGrounded> All { get; } =
    [SoftTape, String, Caliper, Photo, DigitalTape, SoftTapeScatter, StringScatter, CaliperScatter, PhotoScatter, DigitalTapeScatter];

    /// <summary>u_tool: the tool's own standard uncertainty.</summary>
    public static Length Own(Tool tool, HouseRules rules) =>
        tool switch
        {
            Tool.String => rules[String],
            Tool.Caliper => rules[Caliper],
            Tool.Photo => rules[Photo],
            Tool.DigitalTape => rules[DigitalTape],
            _ => rules[SoftTape],
        };

    /// <summary>s_r: standard deviation of repeats by one hand, pooled.</summary>
    public static Length Scatter(Tool tool, HouseRules rules) =>
        tool switch
        {
            Tool.String => rules[StringScatter],
            Tool.Caliper => rules[CaliperScatter],
            Tool.Photo => rules[PhotoScatter],
            Tool.DigitalTape => rules[DigitalTapeScatter],
            _ => rules[SoftTapeScatter],
        };

    /// <summary>The tool in plain words, for messages.</summary>
    public static string Words(Tool tool) =>
        tool switch
        {
            Tool.String => "string and ruler",
            Tool.Caliper => "caliper",
            Tool.Photo => "photo",
            Tool.DigitalTape => "digital tape",
            _ => "soft tape",
        };
}
