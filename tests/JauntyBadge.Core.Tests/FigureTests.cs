using System.Text.Json;
using System.Text.RegularExpressions;
using JauntyBadge.Core.Handover;

namespace JauntyBadge.Core.Tests;

/// <summary>Words follow the numbers: no sentence has a figure of its own written into it that a practice may set.</summary>
public partial class FigureTests
{
    /// <summary>Sentences whose figure is counted, part of a name or of a common practice that nobody sets; each was read and is here on purpose.</summary>
    private static readonly HashSet<string> OnPurpose =
    [
        // What is handed over: a printer's scale, a file's name, a published coverage factor, the bands of heat by their names.
        "Print at 100 %",
        "dossier-1.schema.json",
        "about 95 % (twice the standard uncertainty)",
        "in the air half as long",
        "Panting: half way only",
        // Counted things of one dog, one head, one muzzle or one picture.
        "on such a head the numbers cannot tell the two apart",
        "Between the two inner eye corners.",
        "Feel for the two cheek bones",
        "between two flat cards",
        "against two flat cards",
        "It has two closures.",
        "Two independent closures",
        "both are served by two closures",
        "the two seldom agree",
        "Take a third.",
        "Take all three again",
        "make a sheet with four corners",
        "two of one hand with this tool",
        "half of them around",
        "corner 1 to corner 2",
        "Two sizes",
        "Two: a light muzzle to train in",
        "between two shapes",
        "straight between the two landmarks",
        // Words that are names: half a pant, half way, tiers, sizes, steps of a plan and of a pad, schools.
        "half a pant",
        "half way for panting",
        "containment tier",
        "tiers 3 and 4",
        "tiers 0 to 2",
        "tier 3",
        "two stages lower",
        "two fit styles",
        "one of two schools",
        "one of three things weighed",
        "six-level bite scale",
        // A band of heat halves; that is what it is.
        "Warm: half as long",
        "Frost: half as long",
        // Said of one and a half only.
        "Half as long again as",
        // Common practice, and what is so by geometry or print.
        "After five minutes: does nothing rub?",
        "look for rubbing after five minutes",
        "5 to 10 minutes at ease",
        "Twice in a row, or over threshold once",
        "One finger for working fits",
        "one finger for working fits",
        "finger rules of the two",
        "one or two fingers under it",
        "an hour or two a day",
        "less than half as long as the skull",
        "Wald 1945",
        "two sides of a triangle",
        "convex section",
        "within twice their doubt",
        "kcal a gram",
        "UTF-8",
        "ISO 8601",
        "is there twice",
    ];

    [Fact]
    public void No_sentence_writes_out_a_figure_that_may_be_set()
    {
        // What grounds a number gives way to "this practice's own number" once it is set; a plan's steps are rows of a table.
        var grounds = HouseNumbers.All.SelectMany(r => r.Numbers).SelectMany(n => new[] { n.Basis.Note, n.What }).ToHashSet(StringComparer.Ordinal);
        var plans = string.Join(
            "\n",
            Directory
                .EnumerateFiles(Path.Combine(Core, "Conditioning/Tables"))
                .Append(Path.Combine(Core, "Wearing/Tables/happy-wears.json"))
                .Select(File.ReadAllText)
        );
        var figured = Templates()
            .Where(t =>
                Figure().IsMatch(Placeholder().Replace(t, "")) && !grounds.Contains(t) && !plans.Contains(t, StringComparison.Ordinal) && !Number().IsMatch(t)
            )
            .ToList();
        Assert.NotEmpty(figured);
        Nothing(figured.Where(t => !OnPurpose.Any(p => t.Contains(p, StringComparison.OrdinalIgnoreCase))));
        Nothing(OnPurpose.Where(p => !figured.Any(t => t.Contains(p, StringComparison.OrdinalIgnoreCase))));
    }

    private static void Nothing(IEnumerable<string> left) => Assert.True(!left.Any(), string.Join("\n", left));

    private static readonly string Core = Path.Combine(Checkout.Root, "src/JauntyBadge.Core");

    private static Dictionary<string, string>.KeyCollection Templates() =>
        JsonSerializer.Deserialize<Dictionary<string, string>>(File.ReadAllText(Path.Combine(Core, "words/en.json")))!.Keys;

    [GeneratedRegex(@"\{[^}]*\}")]
    private static partial Regex Placeholder();

    /// <summary>A number told by itself, such as "1 minute" or "seven".</summary>
    [GeneratedRegex(@"^(\d+ \p{L}+|\p{L}+)$")]
    private static partial Regex Number();

    [GeneratedRegex(
        @"\d|\b(half|twice|two|three|four|five|six|seven|eight|nine|ten|fifteen|twenty|thirty|sixty|quarter|third|fifth|tenth|double|hundred)\b",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Figure();
}
