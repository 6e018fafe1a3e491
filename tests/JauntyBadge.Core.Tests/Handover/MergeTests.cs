using System.Text.Json.Nodes;
using FsCheck.Xunit;
using JauntyBadge.Core.Handover.Dossiers;

namespace JauntyBadge.Core.Tests.Handover;

/// <summary>Two practices' records of one dog laid together.</summary>
public class MergeTests
{
    [Fact]
    public void The_same_twice_adds_nothing()
    {
        var dossier = Dossier(("wears", "w1", 1), ("visits", "v1", 2));
        var merge = DossierMerge.Of(dossier, (JsonObject)dossier.DeepClone(), Differing.Ours);
        Assert.False(merge.BringsAnything);
        Assert.False(merge.Disagrees);
        Assert.True(JsonNode.DeepEquals(dossier, merge.Merged), merge.Merged.ToJsonString());
    }

    /// <summary>Handed over and back: what the other practice added comes in after what both have, and what was added here meanwhile stays, in the order of time.</summary>
    [Fact]
    public void There_and_back_keeps_both_histories()
    {
        var (here, there) = (
            Dossier(("wears", "w1", 1), ("wears", "w2", 2), ("wears", "ours", 9)),
            Dossier(("wears", "w1", 1), ("wears", "w2", 2), ("inspections", "theirs", 5))
        );
        var merge = DossierMerge.Of(here, there, Differing.Ours);
        Assert.True(merge.BringsAnything);
        Assert.Equal(["w1", "w2", "ours"], Ids(merge.Merged, "wears"));
        Assert.Equal(["theirs"], Ids(merge.Merged, "inspections"));
        Assert.Equal([1, 2, 4, 3], [.. Orders(merge.Merged, "wears"), .. Orders(merge.Merged, "inspections")]);
        Assert.Equal(new DossierCount("inspections", 1, 1, 0), merge.Counts.Single(c => c.Section == "inspections"));
        // And once more is no news.
        Assert.False(DossierMerge.Of(merge.Merged, there, Differing.Ours).BringsAnything);
    }

    [Theory]
    [InlineData(Differing.Ours, "ours")]
    [InlineData(Differing.Theirs, "theirs")]
    public void Where_they_say_something_else_whoever_is_asked_decides(Differing whose, string note)
    {
        var (here, there) = (Dossier(("wears", "w1", 1)), Dossier(("wears", "w1", 1)));
        here["wears"]![0]!["note"] = "ours";
        there["wears"]![0]!["note"] = "theirs";
        here["dog"]!["name"] = "ours";
        there["dog"]!["name"] = "theirs";
        var merge = DossierMerge.Of(here, there, whose);
        Assert.True(merge.Disagrees);
        Assert.Equal("name", Assert.Single(merge.Differs).Field);
        Assert.Equal(note, merge.Merged["wears"]![0]!["note"]!.ToString());
        Assert.Equal(note, merge.Merged["dog"]!["name"]!.ToString());
    }

    [Fact]
    public void A_step_passed_in_both_counts_once()
    {
        static JsonObject Pass(string id, string day) =>
            new()
            {
                ["id"] = id,
                ["stepId"] = "hold-short",
                ["day"] = day,
                ["withdrawnAt"] = null,
                ["withdrawnNote"] = null,
            };
        var (here, there) = (Dossier(), Dossier());
        ((JsonArray)here["passes"]!).Add(Pass("a", "2026-05-09"));
        ((JsonArray)there["passes"]!).Add(Pass("b", "2026-05-02"));
        var passes = (JsonArray)DossierMerge.Of(here, there, Differing.Ours).Merged["passes"]!;
        Assert.Equal(["b", "a"], passes.Select(p => p!["id"]!.ToString()));
        Assert.Null(passes[0]!["withdrawnAt"]);
        Assert.Contains("the earlier one counts", passes[1]!["withdrawnNote"]!.ToString(), StringComparison.Ordinal);
    }

    /// <summary>Any two histories with a common beginning: nothing is lost, nothing is there twice, and each keeps its own order.</summary>
    [Property(MaxTest = 200)]
    public void Nothing_is_lost_and_each_keeps_its_order(byte common, byte[] ours, byte[] theirs)
    {
        (string, string, int)[] Line(string who, byte[] days) =>
            [.. Enumerable.Range(0, common % 6).Select(i => ("wears", $"c{i}", i)), .. days.Take(12).Select((d, i) => ("wears", $"{who}{i}", 10 + d))];
        var (here, there) = (Dossier(Line("o", ours)), Dossier(Line("t", theirs)));
        var merged = Ids(DossierMerge.Of(here, there, Differing.Ours).Merged, "wears");
        Assert.Equal(merged.Count, merged.Distinct().Count());
        Assert.Equal(Ids(here, "wears"), merged.Where(Ids(here, "wears").Contains));
        Assert.Equal(Ids(there, "wears"), merged.Where(Ids(there, "wears").Contains));
        Assert.Equal(Ids(here, "wears").Union(Ids(there, "wears")).Count(), merged.Count);
    }

    private static List<string> Ids(JsonObject dossier, string section) =>
        [.. ((JsonArray)dossier[section]!).OrderBy(r => r!["order"]!.GetValue<long>()).Select(r => r!["id"]!.ToString())];

    private static IEnumerable<long> Orders(JsonObject dossier, string section) => ((JsonArray)dossier[section]!).Select(r => r!["order"]!.GetValue<long>());

    private static JsonObject Dossier(params (string Section, string Id, int Day)[] records)
    {
        var dossier = new JsonObject
        {
            ["dog"] = new JsonObject { ["name"] = "Tarn" },
            ["habits"] = null,
            ["numbers"] = new JsonObject(),
        };
        foreach (var section in DossierFormat.Sections)
            dossier[section.Name] = new JsonArray();
        for (var i = 0; i < records.Length; i++)
        {
            var (name, id, day) = records[i];
            var section = DossierFormat.Sections.Single(s => s.Name == name);
            ((JsonArray)dossier[name]!).Add(
                new JsonObject
                {
                    [section.Id] = id,
                    [section.Time!] = new DateOnly(2026, 1, 1).AddDays(day).ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture),
                    ["order"] = (long)(i + 1),
                }
            );
        }

        return dossier;
    }
}
