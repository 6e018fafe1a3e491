using System.Text.RegularExpressions;

namespace JauntyBadge.Core.Tests;

/// <summary>What stands in which room is read off the sources: sentences and numbers of the job in the core, days in one place, a recipe that names what is there.</summary>
public partial class WallTests
{
    /// <summary>What Data and Server say to whoever calls, runs or sends: refusals of input and files, devices, addresses. It is not the job.</summary>
    private static readonly string[] NotOfTheJob =
    [
        "Devices/",
        "Shared/",
        "Start/",
        "Program.cs",
        "Demo/",
        "Migrations/",
        "PracticeProblem.cs",
        "PracticeFolder.cs",
        "Backup.cs",
        "Conditioning/Replay.cs",
        "Handover/Dossiers/DossierSchema.cs",
        "Measuring/Picture",
    ];

    private static IEnumerable<(string Path, string Text)> Sources(params string[] folders) =>
        from folder in folders
        from path in Directory.EnumerateFiles(Path.Combine(Checkout.Root, folder), "*.cs", SearchOption.AllDirectories)
        let name = Path.GetRelativePath(Path.Combine(Checkout.Root, folder), path)
        where !name.StartsWith("obj/", StringComparison.Ordinal) && !NotOfTheJob.Any(n => name.StartsWith(n, StringComparison.Ordinal))
        select ($"{folder}/{name}", Comment().Replace(File.ReadAllText(path), ""));

    [Fact]
    public void Neither_data_nor_server_holds_a_sentence_of_the_job()
    {
        var said =
            from source in Sources("src/JauntyBadge.Data", "src/JauntyBadge.Server")
            from statement in Statement().Split(source.Text)
            where !Refuses().IsMatch(statement)
            from Match text in Sentence().Matches(statement)
            select $"{source.Path}: {text.Value}";
        var found = string.Join("\n", said);
        Assert.True(found == "", found);
    }

    /// <summary>A number of the job carries its basis, and that stands in the core.</summary>
    [Fact]
    public void Neither_data_nor_server_gives_a_number_its_ground() =>
        Assert.Equal([], Sources("src/JauntyBadge.Data", "src/JauntyBadge.Server").Where(s => Ground().IsMatch(s.Text)).Select(s => s.Path));

    [Fact]
    public void On_which_day_something_lies_is_told_in_one_place() =>
        Assert.Equal(
            ["src/JauntyBadge.Core/PracticeClock.cs"],
            Sources("src/JauntyBadge.Core", "src/JauntyBadge.Data", "src/JauntyBadge.Server").Where(s => DayOfMoment().IsMatch(s.Text)).Select(s => s.Path)
        );

    /// <summary>Words are the rooms' voices: beside them, tables and what refuses input, the core says nothing of a dog.</summary>
    [Fact]
    public void A_voice_writes_days_and_lengths_by_the_writing_alone() =>
        Assert.Equal(
            "",
            string.Join(
                "\n",
                from source in Sources("src/JauntyBadge.Core")
                where source.Path.Contains("Words", StringComparison.Ordinal)
                from Match form in OwnForm().Matches(source.Text)
                select $"{source.Path}: {form.Value}"
            )
        );

    /// <summary>CONTRIBUTING's recipes name files that are there.</summary>
    [Fact]
    public void The_recipes_name_files_that_exist()
    {
        var named = Named().Matches(File.ReadAllText(Path.Combine(Checkout.Root, "CONTRIBUTING.md"))).Select(m => m.Groups[1].Value).ToList();
        Assert.True(named.Count >= 15, $"{named.Count} files named");
        Assert.Equal([], named.Where(n => !File.Exists(Path.Combine(Checkout.Root, n)) && !Directory.Exists(Path.Combine(Checkout.Root, n))));
    }

    [GeneratedRegex(@"^\s*///?.*$|\s//\s.*$", RegexOptions.Multiline)]
    private static partial Regex Comment();

    [GeneratedRegex(@";\s*\n|\{\s*\n|\}\s*\n")]
    private static partial Regex Statement();

    [GeneratedRegex(
        @"WithMessage|WithSummary|Refusal\.|Description\(|Exception\(|AddFailure|PracticeProblem|Versions\.Need|SQL|const string (Units|SayWhichSide|HasNoSide|OnPicture|PointMessage)|SetValidator|\.Strays|Schools \{ get|HasIndex|GetManifest|Problem\(|Fields\(|new Refusal\(|errors\[""|DossierTrouble\.|\.LogWarning\("
    )]
    private static partial Regex Refuses();

    /// <summary>Four words or more.</summary>
    [GeneratedRegex(@"""[^""\n]*?[A-Za-z]{2,}[,:]? (?:[^""\n{}]*?[A-Za-z]{2,}[,:]? ){2}[^""\n]*?""")]
    private static partial Regex Sentence();

    [GeneratedRegex(@"Basis\.(House|Practice|Published|Memory)\(|new Grounded|Grounded<")]
    private static partial Regex Ground();

    [GeneratedRegex(@"DateOnly\.FromDateTime|TimeZoneInfo\.Convert")]
    private static partial Regex DayOfMoment();

    [GeneratedRegex(@"\{[^{}""]*:[^{}""]*(?:MMM|dddd|HH)[^{}""]*\}|\.Millimeters:[^{}]*\} mm|Show\(ReadingUnit")]
    private static partial Regex OwnForm();

    [GeneratedRegex(@"`((?:src|web|tests|bench|bin)/[A-Za-z0-9_./-]+)`")]
    private static partial Regex Named();
}
