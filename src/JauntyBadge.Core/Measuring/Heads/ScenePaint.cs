namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>What the things of a scene are made of, whoever draws them, #rrggbb (House, looked at in both schemes).</summary>
internal static class ScenePaint
{
    public const string Leather = "#a8642f";
    public const string Paper = "#efe6cf";
    public const string Rope = "#3f7f6d";
    public const string Steel = "#c3c8c4";
    public const string Wood = "#b98a55";

    /// <summary>A field with the line that bounds everything in a scene.</summary>
    public static EnamelField Field(Curve curve, string? fill, double line) => new(EnamelPart.Beside, curve, fill, Enamel.DarkLine, line);
}
