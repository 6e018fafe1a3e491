using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Handover;
using JauntyBadge.Core.Handover.Cards;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Wearing;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace JauntyBadge.Core.Tests;

/// <summary>The core's table of words: what its voices say, read off their sources, and what its tables hold, heard as it is told.</summary>
public partial class TableOfWordsTests
{
    private static readonly string Core = Path.Combine(Checkout.Root, "src/JauntyBadge.Core");
    private static readonly JsonSerializerOptions Readable = new() { WriteIndented = true, Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };
    private static readonly string Table = Path.Combine(Core, "words/en.json");

    /// <summary>Whoever forgets reads it here: a text of a voice that no language could say otherwise.</summary>
    [Fact]
    public void A_voice_says_nothing_past_the_table()
    {
        var past = string.Join(
            "\n",
            from source in Sources()
            where Voice().IsMatch(source.Path)
            from text in Texts(source.Root)
            where Words().IsMatch(English(text)) && !IsSaid(text) && !IsTabled(text)
            select $"{source.Path}: {text}"
        );
        Assert.True(past == "", past);
    }

    /// <summary>A translator's file is complete and up to date. Where it is not, it is written anew: commit it.</summary>
    [Fact]
    public void The_table_is_what_the_sources_say()
    {
        var texts = new SortedSet<string>(StringComparer.Ordinal);
        texts.UnionWith(Sources().SelectMany(s => Texts(s.Root).Where(t => IsSaid(t) || IsGround(t)).Select(English)));
        texts.UnionWith(
            Directory
                .EnumerateFiles(Core, "*.json", SearchOption.AllDirectories)
                .Where(f => f.Contains("/Tables/", StringComparison.Ordinal))
                .SelectMany(f => GroundsOf(JsonNode.Parse(File.ReadAllText(f))))
        );
        TellTheTables(new Language("heard", text => (texts.Add(text), text).text));
        var made = JsonSerializer.Serialize(texts.Where(t => t.Any(char.IsLetter)).ToDictionary(t => t), Readable) + "\n";
        var before = File.Exists(Table) ? File.ReadAllText(Table) : "";
        if (before != made)
        {
            Directory.CreateDirectory(Path.GetDirectoryName(Table)!);
            File.WriteAllText(Table, made);
        }

        Assert.True(before == made, "src/JauntyBadge.Core/words/en.json was stale. It has been written anew: commit it.");
        Assert.True(texts.Count > 1000, $"{texts.Count} texts");
    }

    /// <summary>Places keep their order in the English text, and may change it in another language.</summary>
    [Fact]
    public void A_sentence_takes_its_places_along_into_another_language()
    {
        var other = new Language("other", text => text == "{0} of {1} went well" ? "von {1} gelangen {0}" : text);
        var writing = Writing.Usual with { Language = other };
        Assert.Equal("von 10 gelangen 8", writing.Say($"{8} of {10} went well"));
        Assert.Equal("half {braces} and 12.5 %", writing.Say($"half {"{braces}"} and {12.5:0.0} %"));
        var accented = Writing.Usual with { Language = Language.Find("en-XA")! };
        Assert.Equal("8 óƒ 10 ŵéñŧ ŵéłł", accented.Say($"{8} of {10} went well"));
        Assert.Equal("no text of ours", accented.Say("no text of ours"));
    }

    private static void TellTheTables(Language language)
    {
        var writing = Writing.Usual with { Language = language };
        var (measuring, dogs, fitting) = (new MeasuringWords(writing), new DogWords(writing), new FittingWords(writing));
        var (conditioning, wearing, numbers) = (new ConditioningWords(writing), new WearingWords(writing), new HouseNumberWords(writing));
        var snout = SnoutModel.From(
            new SnoutNumbers { NoseToInnerEyeLeft = UnitsNet.Length.FromMillimeters(95), NeckGirth = UnitsNet.Length.FromMillimeters(420) }
        );
        foreach (var measure in MeasureDefinition.All)
            (_, _) = (
                measuring.Told(measure.Guide),
                measuring.Told(new MissingMeasure(measure.Guide.Measure, null, MeasureUse.Choosing, measure.NeededFor, false))
            );
        measuring.Told(HeadDrawing.Of(snout));
        _ = CoatColour.All.Select(dogs.Told).ToList();
        _ = BriefRule.All.Select(r => (writing.Say(r.Says), writing.Say(r.Reason))).ToList();
        _ = Clash.All.Select(fitting.Of).ToList();
        _ = Enum.GetValues<CriterionName>().Select(c => (fitting.Word(c), fitting.Within(c))).ToList();
        _ = Enumerable.Range(1, 10).Select(writing.InWords).ToList();
        _ = Enum.GetNames<BasisKind>().Concat(Enum.GetNames<HeadShape>()).Concat(Enum.GetNames<DayOfWeek>()).Select(writing.Say).ToList();
        string[] within =
        [
            .. Enum.GetNames<HeadShape>(),
            .. Enum.GetNames<Side>(),
            .. Enum.GetNames<FitStyle>(),
            .. Enum.GetNames<Purpose>(),
            .. Enum.GetNames<Temperament>(),
        ];
        _ = within.Select(Writing.Lower).Select(writing.Say).ToList();
        _ = TryOnCheck.All.Select(fitting.Told).ToList();
        _ = Symptom.All.Select(fitting.Told).ToList();
        _ = Cause.All.Select(fitting.Told).ToList();
        _ = Step.All.Select(s => (conditioning.Told(s), s.Targets.Select(conditioning.Target).ToList())).ToList();
        _ = School
            .All.Select(s =>
                (conditioning.Told(s), s.Words.Values.SelectMany(w => new[] { w.SetUp, w.Reward }).OfType<string>().Select(conditioning.Note).ToList())
            )
            .ToList();
        _ = PolicyRow.All.Select(p => (conditioning.Told(p), p.ByDog.Select(d => conditioning.Note(d.Reason)).ToList())).ToList();
        _ = Sign.All.Select(conditioning.Told).ToList();
        _ = WornSign.All.Select(wearing.Told).ToList();
        _ = CardStep.All.Select(s => writing.Say(s.Says)).ToList();
        _ = InspectionCheck.All.Select(wearing.Told).ToList();
        _ = HappyWear.All.Select(wearing.Told).ToList();
        _ = Treat.All.Select(wearing.Told).ToList();
        _ = Treat.Ingredients.Select(wearing.Ingredient).ToList();
        _ = EnergyFactor.All.Select(wearing.Told).ToList();
        _ = NeverFeed.All.Select(wearing.Told).ToList();
        foreach (var number in HouseNumbers.All.SelectMany(r => r.Numbers.Select(n => (r.Room, Number: n))))
            _ = (
                numbers.Told(number.Room),
                numbers.Told(number.Number.What),
                numbers.Told(number.Number.SetElsewhere ?? ""),
                numbers.Show(number.Number, number.Number.Plain)
            );
    }

    private static IEnumerable<string> GroundsOf(JsonNode? node) =>
        node switch
        {
            JsonArray rows => rows.SelectMany(GroundsOf),
            JsonObject row => row.SelectMany(p =>
                p is { Key: "note", Value: JsonValue note } && row.ContainsKey("kind") ? [note.GetValue<string>()] : GroundsOf(p.Value)
            ),
            _ => [],
        };

    private static IEnumerable<(string Path, SyntaxNode Root)> Sources() =>
        from path in Directory.EnumerateFiles(Core, "*.cs", SearchOption.AllDirectories)
        let name = Path.GetRelativePath(Core, path)
        where !name.StartsWith("obj/", StringComparison.Ordinal)
        select (name, CSharpSyntaxTree.ParseText(File.ReadAllText(path), new CSharpParseOptions(LanguageVersion.Latest)).GetRoot());

    /// <summary>Every text, one that is put together with + being one.</summary>
    private static IEnumerable<ExpressionSyntax> Texts(SyntaxNode root) =>
        root.DescendantNodes().OfType<ExpressionSyntax>().Where(e => IsText(e) && !(e.Parent is ExpressionSyntax whole && IsText(whole)));

    private static bool IsText(ExpressionSyntax e) =>
        e is InterpolatedStringExpressionSyntax
        || e.IsKind(SyntaxKind.StringLiteralExpression)
        || (e is BinaryExpressionSyntax { RawKind: (int)SyntaxKind.AddExpression } sum && IsText(sum.Left) && IsText(sum.Right));

    private static string Callee(ExpressionSyntax text) =>
        text.Parent is ArgumentSyntax { Parent: ArgumentListSyntax { Parent: InvocationExpressionSyntax call } } ? call.Expression.ToString() : "";

    private static bool IsSaid(ExpressionSyntax text) => Said().IsMatch(Callee(text));

    private static bool IsGround(ExpressionSyntax text) => Grounds().IsMatch(Callee(text));

    /// <summary>The row of a table, a ground, the name of a number, a code or a format.</summary>
    private static bool IsTabled(ExpressionSyntax text) =>
        IsGround(text)
        || Callee(text).EndsWith("ToString", StringComparison.Ordinal)
        || text.Ancestors().OfType<BaseObjectCreationExpressionSyntax>().Any()
        || text.Parent is ConstantPatternSyntax
        || text.Ancestors().OfType<ThrowExpressionSyntax>().Any()
        || text.Ancestors().OfType<MethodDeclarationSyntax>().Any(m => m.Identifier.Text == "Code")
        || text.Parent is ArrowExpressionClauseSyntax { Parent: PropertyDeclarationSyntax { Identifier.Text: "Word" or "Within" } };

    /// <summary>The English of it, its places numbered as they come.</summary>
    private static string English(ExpressionSyntax text)
    {
        var places = 0;
        return string.Concat(
            text.DescendantNodesAndSelf(n => n == text || n is BinaryExpressionSyntax || n is InterpolatedStringExpressionSyntax whole && IsPart(whole, text))
                .Select(n =>
                    n switch
                    {
                        LiteralExpressionSyntax literal when IsPart(literal, text) => literal.Token.ValueText,
                        InterpolatedStringTextSyntax part => part.TextToken.ValueText,
                        InterpolationSyntax => $"{{{places++}}}",
                        _ => "",
                    }
                )
        );
    }

    private static bool IsPart(ExpressionSyntax part, ExpressionSyntax whole) => part == whole || part.Parent is BinaryExpressionSyntax sum && IsText(sum);

    [GeneratedRegex(@"(Words[.\w]*|Headline|Fitting/Criteria/(?!Margins|MeasuredCriterion)\w+)\.cs$")]
    private static partial Regex Voice();

    [GeneratedRegex("[A-Za-z]{3,}")]
    private static partial Regex Words();

    [GeneratedRegex(@"(^|\.)(Say|Count)$")]
    private static partial Regex Said();

    [GeneratedRegex(@"(^|\.)Basis\.(Published|Practice|House|Memory)$")]
    private static partial Regex Grounds();
}
