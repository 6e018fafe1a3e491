using JauntyBadge.Core;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Tests.Fitting;

/// <summary>The trade's rules as rows (common practice, no source, unless a row of the brief says otherwise).</summary>
public class BriefTests
{
    private static DogProfile Dog(params Purpose[] purposes) =>
        new()
        {
            Name = "Any",
            HeadShapeSeen = HeadShape.Medium,
            BodyMass = Mass.FromKilograms(20),
            Purposes = purposes,
        };

    private static MuzzleBrief Brief(DogProfile dog, BriefQuestion? question = null) => MuzzleBrief.For(dog, question ?? new());

    private static MuzzleModel Model(string id) => Catalogue.Shipped.Single(m => m.Id == id);

    private static bool Takes(MuzzleBrief brief, string modelId) => brief.Refusals(Model(modelId), Words.Fitting).All(r => r.Verdict != Verdict.Out);

    [Theory]
    [InlineData("short-faced dog, sleeve", HeadShape.Short, 0, "clinic", "minute", false)]
    [InlineData("long-faced dog at the clinic, sleeve", HeadShape.Long, 0, "clinic", "minute", true)]
    [InlineData("sleeve for a walk", HeadShape.Long, 0, "walks", "cuff", false)]
    [InlineData("short-faced dog at the clinic, face cover", HeadShape.Short, 0, "clinic", "snood", true)]
    [InlineData("face cover for a walk", HeadShape.Short, 0, "walks", "moth", false)]
    [InlineData("tier 3, cut front", HeadShape.Medium, 3, "walks", "lantern", false)]
    [InlineData("tier 3, wire with a bar", HeadShape.Medium, 3, "walks", "withy", true)]
    [InlineData("tier 3, rubber", HeadShape.Medium, 3, "walks", "hatch", false)]
    [InlineData("tier 3, a clip alone", HeadShape.Long, 3, "walks", "kestrel", false)]
    [InlineData("tier 4, one buckle", HeadShape.Long, 4, "walks", "heron", false)]
    [InlineData("tier 4, two closures", HeadShape.Medium, 4, "walks", "halyard", true)]
    [InlineData("scavenger, open front", HeadShape.Medium, 0, "scavenging", "lantern", false)]
    [InlineData("scavenger, closed front", HeadShape.Medium, 0, "scavenging", "tollgate", true)]
    [InlineData("a walk, rubber", HeadShape.Medium, 0, "walks", "lantern", true)]
    public void The_trades_rules(string what, HeadShape shape, int tier, string purpose, string model, bool takes)
    {
        Assert.NotEmpty(what);
        var dog = Dog(Enum.Parse<Purpose>(purpose, ignoreCase: true)) with { HeadShapeSeen = shape, BiteTier = (BiteTier)tier };
        Assert.Equal(takes, Takes(Brief(dog, model is "minute" or "cuff" ? new() { Wear = new(TimeSpan.FromMinutes(5), false) } : null), model));
    }

    [Theory]
    [InlineData(15, false, GapeClass.HalfPant)]
    [InlineData(30, false, GapeClass.FullPant)]
    [InlineData(15, true, GapeClass.FullPant)]
    public void Long_or_warm_wear_needs_a_full_pant(int minutes, bool warm, GapeClass needed)
    {
        var brief = Brief(Dog(Purpose.Clinic), new() { Wear = new WearPlan(TimeSpan.FromMinutes(minutes), warm) });
        Assert.Equal(FitRules.From(needed, HouseRules.Ours), brief.NeededGape);
        Assert.Equal(needed != GapeClass.FullPant, brief.Lines.Any(l => l.Id == "gape-calm"));
    }

    /// <summary>A reason that names a number names the one that holds, not ours.</summary>
    [Theory]
    [InlineData("fit.long-wear", 17, "more than 20 minutes", "more than 17 minutes")]
    [InlineData("fit.sleeve-cap", 3, "Up to 5 minutes", "Up to 3 minutes")]
    public void Reasons_follow_the_house_numbers(string id, double own, string ours, string follows)
    {
        var rules = new HouseRules([KeyValuePair.Create(id, own)]);
        string Reasons(HouseRules by) =>
            string.Join(
                " ",
                new[] { Purpose.Walks, Purpose.Clinic }
                    .SelectMany(p =>
                        Brief(
                            Dog(p),
                            new()
                            {
                                Rules = by,
                                Wear = new(TimeSpan.FromMinutes(p == Purpose.Clinic ? 2 : 60), false),
                                Writing = Writing.Usual with { Rules = by },
                            }
                        ).Lines
                    )
                    .Select(l => l.Reason)
            );
        Assert.Contains(ours, Reasons(HouseRules.Ours), StringComparison.Ordinal);
        Assert.Contains(follows, Reasons(rules), StringComparison.Ordinal);
        Assert.DoesNotContain(ours, Reasons(rules), StringComparison.Ordinal);
    }

    [Fact]
    public void A_sleeve_is_ruled_out_in_warmth_even_at_the_clinic() =>
        Assert.False(Takes(Brief(Dog(Purpose.Clinic), new() { Wear = new WearPlan(TimeSpan.FromMinutes(5), true) }), "minute"));

    [Fact]
    public void An_overruled_line_stays_visible_with_its_note_and_no_longer_decides()
    {
        var dog = Dog(Purpose.Walks) with { BiteTier = BiteTier.Injured };
        var overruled = new Dictionary<string, string>
        {
            ["tier3-does-not-give"] = "The behaviour professional asks for leather.",
            ["tier3-no-clip-alone"] = "Taped over.",
        };
        var brief = Brief(dog, new() { Overruled = overruled });
        var line = brief.Lines.Single(l => l.Id == "tier3-does-not-give");
        Assert.Equal("The behaviour professional asks for leather.", line.Overruled);
        Assert.False(Takes(Brief(dog), "farrier"));
        Assert.True(Takes(brief, "farrier"));
        var shown = brief.Refusals(Model("farrier"), Words.Fitting).Single();
        Assert.Equal((CriterionName.Containment, Verdict.Marginal), (shown.Name, shown.Verdict));
        Assert.Contains("asks for leather", shown.Reason, StringComparison.Ordinal);
    }

    [Fact]
    public void Overruling_the_strongest_line_on_the_mouth_lets_the_next_one_bind()
    {
        var brief = Brief(
            Dog(Purpose.Walks),
            new()
            {
                Wear = new(TimeSpan.FromMinutes(10), false),
                Overruled = new Dictionary<string, string> { ["gape-out-and-about"] = "Two minutes to the car." },
            }
        );
        Assert.Equal(FitRules.HalfPant.Ours, brief.NeededGape);
        Assert.Contains(brief.Lines, l => l is { Id: "gape-out-and-about", Overruled: not null });
    }

    [Fact]
    public void Contradictions_are_said_with_what_to_do()
    {
        var dog = Dog(Purpose.Walks) with { BiteTier = BiteTier.Injured, Sensitivities = [Sensitivity.HandsBehindHead, Sensitivity.LowFoodDrive] };
        var clashes = Brief(dog).Clashes;
        Assert.Equal(["clip-and-bite", "treats-and-closed"], clashes.Select(c => c.Id));
        Assert.All(clashes, c => Assert.True(c.Do.Length > 20));
        Assert.Empty(Brief(dog with { Sensitivities = [] }).Clashes);
        Assert.DoesNotContain(
            Brief(dog, new() { Overruled = new Dictionary<string, string> { ["tier3-no-clip-alone"] = "Taped over." } }).Clashes,
            c => c.Id == "clip-and-bite"
        );
    }

    [Fact]
    public void The_metal_school_asks_for_metal_after_contact_only()
    {
        var dog = Dog(Purpose.Visitors) with { BiteTier = BiteTier.ContactNoInjury };
        Assert.True(Takes(Brief(dog), "bellows"));
        Assert.False(Takes(Brief(dog, new() { Material = MaterialSchool.MetalOnly }), "bellows"));
        Assert.True(Takes(Brief(dog, new() { Material = MaterialSchool.MetalOnly }), "heron"));
        Assert.True(Takes(Brief(dog with { BiteTier = BiteTier.None }, new() { Material = MaterialSchool.MetalOnly }), "bellows"));
    }

    [Theory]
    [InlineData(BreedTrait.NoBridge)]
    [InlineData(BreedTrait.NarrowHead)]
    public void No_bridge_or_a_narrow_head_needs_a_forehead_strap(BreedTrait trait)
    {
        var breed = new Breed("made-up", "Made up", HeadShape.Medium, [trait], 12);
        var dog = Dog(Purpose.Walks) with { Breeds = [breed] };
        Assert.False(Takes(Brief(dog), "sedge"));
        Assert.True(Takes(Brief(dog), "withy"));
        Assert.False(Takes(Brief(Dog(Purpose.Walks) with { Sensitivities = [Sensitivity.Paws] }), "sedge"));
    }

    [Theory]
    [InlineData(Temperament.Soured, BiteTier.Threatens, false, true, "Two")]
    [InlineData(Temperament.Wary, BiteTier.Injured, false, false, "final one at once")]
    [InlineData(Temperament.Bold, BiteTier.None, false, false, "One")]
    [InlineData(Temperament.Wary, BiteTier.None, true, false, "spare")]
    public void One_muzzle_or_two(Temperament temperament, BiteTier tier, bool wears, bool training, string says)
    {
        var advice = MuzzleCount.For(Dog(Purpose.Walks) with { Temperament = temperament, BiteTier = tier }, wears);
        Assert.Equal(training, advice.TrainingFirst);
        Assert.Contains(says, Words.Fitting.Says(advice.Advice), StringComparison.Ordinal);
    }

    [Fact]
    public void Weight_and_visibility_are_wishes_with_numbers()
    {
        var brief = Brief(Dog(Purpose.Walks), new() { CoatHex = "#2e2c2b" });
        Assert.Equal(300, brief.MostMass!.Value.Grams, 6);
        Assert.Contains("300 g", brief.Lines.Single(l => l.Id == "weight").Says, StringComparison.Ordinal);
        var (colour, ratio, met) = FitScore.Sight(Model("withy"), brief)!.Value;
        Assert.Equal(("chalk", true), (colour.Name, met));
        Assert.True(ratio > 10);
        var blend = Brief(Dog(Purpose.Walks), new() { CoatHex = "#ece7da", Visibility = VisibilitySchool.BlendIn });
        Assert.Equal("chalk", FitScore.Sight(Model("withy"), blend)!.Value.Colour.Name);
    }

    [Fact]
    public void Every_rule_can_apply_to_some_dog_and_every_line_has_its_ground()
    {
        var seen = new HashSet<string>();
        foreach (var shape in Enum.GetValues<HeadShape>())
        {
            foreach (var tier in Enum.GetValues<BiteTier>())
            {
                foreach (var purposes in new Purpose[][] { [Purpose.Clinic], [Purpose.Walks, Purpose.Scavenging], [Purpose.Working], [] })
                {
                    var breed = new Breed("made-up", "Made up", shape, Enum.GetValues<BreedTrait>(), 12);
                    var dog = Dog(purposes) with
                    {
                        HeadShapeSeen = shape,
                        BiteTier = tier,
                        Breeds = [breed],
                        Sensitivities = Enum.GetValues<Sensitivity>(),
                        Temperament = Temperament.Soured,
                        Health = Enum.GetValues<HealthNote>(),
                    };
                    foreach (
                        var line in Brief(dog with { Health = [], BiteTier = BiteTier.None }, new() { Wear = new(TimeSpan.FromMinutes(5), false) })
                            .Lines.Concat(Brief(dog with { Health = [] }, new() { Wear = new(TimeSpan.FromHours(3), true) }).Lines)
                    )
                        seen.Add(line.Id);
                    foreach (var warm in new[] { false, true })
                    {
                        var question = new BriefQuestion
                        {
                            Growing = true,
                            Material = MaterialSchool.MetalOnly,
                            Wear = new(TimeSpan.FromMinutes(warm ? 60 : 5), warm),
                        };
                        foreach (var line in Brief(dog, question).Lines)
                        {
                            seen.Add(line.Id);
                            Assert.True(line.Basis.Note.Length > 3 && line.Reason.Length > 5, line.Id);
                        }
                    }
                }
            }
        }

        Assert.DoesNotContain(BriefRule.All, r => !seen.Contains(r.Id));
    }

    /// <summary>Examples of WCAG 2.2 (relative luminance): black on white 21, #777777 on white 4.48.</summary>
    [Theory]
    [InlineData("#000000", "#ffffff", 21)]
    [InlineData("#777777", "#ffffff", 4.48)]
    [InlineData("#ffffff", "#ffffff", 1)]
    public void Contrast_is_that_of_the_guidelines(string one, string other, double ratio)
    {
        Assert.Equal(ratio, Contrast.Ratio(one, other), 0.005);
        Assert.Equal(Contrast.Ratio(one, other), Contrast.Ratio(other, one));
    }

    [Theory]
    [InlineData("red")]
    [InlineData("#12345")]
    [InlineData("#gggggg")]
    public void What_is_no_colour_is_refused(string text) => Assert.Throws<FormatException>(() => Contrast.Ratio(text, "#ffffff"));
}
