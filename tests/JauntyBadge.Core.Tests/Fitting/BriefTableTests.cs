using FsCheck.Xunit;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Tests.Fitting;

/// <summary>Each condition of the brief's table, alone, holds for the dog it speaks of and not for its opposite.</summary>
public class BriefTableTests
{
    private static readonly Breed LongCoated = new("made-up", "Made up", HeadShape.Medium, [BreedTrait.LongCoat], 12);

    private static DogProfile Dog(params Purpose[] purposes) =>
        new()
        {
            Name = "Any",
            HeadShapeSeen = HeadShape.Medium,
            BodyMass = Mass.FromKilograms(20),
            Purposes = purposes,
        };

    private static bool Has(string lineId, DogProfile dog, BriefQuestion? question = null) =>
        MuzzleBrief.For(dog, question ?? new()).Lines.Any(l => l.Id == lineId);

    public static TheoryData<string, DogProfile, DogProfile> OnlyFor =>
        new()
        {
            { "sleeve-cap", Dog(Purpose.Clinic), Dog(Purpose.Walks) },
            { "sleeve-airway", Dog(Purpose.Clinic) with { Health = [HealthNote.AirwayTrouble] }, Dog(Purpose.Clinic) },
            {
                "sleeve-vomit",
                Dog(Purpose.Clinic) with
                {
                    Health = [HealthNote.ProneToVomiting],
                },
                Dog(Purpose.Clinic) with
                {
                    Health = [HealthNote.SedatedAtClinic],
                }
            },
            { "cover-vomit", Dog(Purpose.Clinic) with { Health = [HealthNote.ProneToVomiting] }, Dog(Purpose.Clinic) },
            { "sleeve-sedated", Dog(Purpose.Clinic) with { Health = [HealthNote.SedatedAtClinic] }, Dog(Purpose.Clinic) },
            { "cover-airway", Dog(Purpose.Clinic) with { Health = [HealthNote.AirwayTrouble] }, Dog(Purpose.Clinic) },
            { "sleeve-tier", Dog(Purpose.Clinic) with { BiteTier = BiteTier.Injured }, Dog(Purpose.Clinic) with { BiteTier = BiteTier.ContactNoInjury } },
            { "jowls-soft", Dog(Purpose.Walks) with { TraitsSeen = [BreedTrait.HeavyJowls] }, Dog(Purpose.Walks) },
            { "bridge-forehead", Dog(Purpose.Walks) with { TraitsSeen = [BreedTrait.NoBridge] }, Dog(Purpose.Walks) },
            { "narrow-forehead", Dog(Purpose.Walks) with { TraitsSeen = [BreedTrait.NarrowHead] }, Dog(Purpose.Walks) },
            { "sleeve-use", Dog(Purpose.Clinic, Purpose.Walks), Dog(Purpose.Clinic) },
            { "sleeve-use", Dog(), Dog(Purpose.Clinic) },
            { "sleeve-short-face", Dog(Purpose.Clinic) with { HeadShapeSeen = HeadShape.Short }, Dog(Purpose.Clinic) },
            { "cover-visit", Dog(Purpose.Clinic) with { HeadShapeSeen = HeadShape.Short }, Dog(Purpose.Clinic) with { HeadShapeSeen = HeadShape.Long } },
            { "cover-shape", Dog(Purpose.Clinic), Dog(Purpose.Clinic) with { HeadShapeSeen = HeadShape.Short } },
            { "gape-out-and-about", Dog(Purpose.Transport), Dog(Purpose.Clinic) },
            { "gape-short-face", Dog(Purpose.Clinic) with { HeadShapeSeen = HeadShape.Short }, Dog(Purpose.Clinic) },
            { "tier2-sturdy", Dog(Purpose.Walks) with { BiteTier = BiteTier.Threatens }, Dog(Purpose.Walks) with { BiteTier = BiteTier.Injured } },
            { "tier3-front-bar", Dog(Purpose.Walks) with { BiteTier = BiteTier.Injured }, Dog(Purpose.Walks) with { BiteTier = BiteTier.ContactNoInjury } },
            { "tier4-two-closures", Dog(Purpose.Walks) with { BiteTier = BiteTier.SeveralOrDeep }, Dog(Purpose.Walks) with { BiteTier = BiteTier.Injured } },
            {
                "hands-clip",
                Dog(Purpose.Walks) with
                {
                    Sensitivities = [Sensitivity.HandsBehindHead],
                },
                Dog(Purpose.Walks) with
                {
                    Sensitivities = [Sensitivity.Clicks],
                }
            },
            { "coat-buckle", Dog(Purpose.Walks) with { Breeds = [LongCoated] }, Dog(Purpose.Walks) with { Breeds = [LongCoated], CoatSeen = Coat.Clipped } },
            { "working-buckle", Dog(Purpose.Working), Dog(Purpose.Visitors) },
            { "scavenger-closed", Dog(Purpose.Scavenging), Dog(Purpose.Walks) },
            { "food-open-front", Dog(Purpose.Walks) with { Sensitivities = [Sensitivity.LowFoodDrive] }, Dog(Purpose.Walks) },
            { "paws-forehead", Dog(Purpose.Walks) with { Sensitivities = [Sensitivity.Paws] }, Dog(Purpose.Walks) },
            {
                "fear-soft",
                Dog(Purpose.Walks) with
                {
                    Temperament = Temperament.Soured,
                },
                Dog(Purpose.Walks) with
                {
                    Temperament = Temperament.Soured,
                    BiteTier = BiteTier.Injured,
                }
            },
            { "fear-soft", Dog(Purpose.Walks) with { Temperament = Temperament.Wary }, Dog(Purpose.Walks) with { Temperament = Temperament.Bold } },
            { "weight", Dog(Purpose.Walks), Dog(Purpose.Walks) with { BodyMass = null } },
            { "broad-basket", Dog(Purpose.Walks) with { TraitsSeen = [BreedTrait.BroadHead] }, Dog(Purpose.Walks) },
        };

    [Theory]
    [MemberData(nameof(OnlyFor))]
    public void A_rule_applies_to_its_dog_and_not_to_another(string lineId, DogProfile its, DogProfile another)
    {
        Assert.True(Has(lineId, its));
        Assert.False(Has(lineId, another));
    }

    [Fact]
    public void What_belongs_to_the_question_rather_than_the_dog_applies_too()
    {
        var dog = Dog(Purpose.Clinic);
        Assert.True(Has("growing-buckle", dog, new() { Growing = true }));
        Assert.False(Has("growing-buckle", dog));
        Assert.True(Has("sleeve-warm", dog, new() { Wear = new(TimeSpan.FromMinutes(5), true) }));
        Assert.False(Has("sleeve-warm", dog));
        Assert.True(Has("wear-hours", dog, new() { Wear = new(TimeSpan.FromMinutes(121), true) }));
        Assert.False(Has("wear-hours", dog, new() { Wear = new(TimeSpan.FromHours(2), true) }));
        Assert.True(Has("walk-warms", Dog(Purpose.Walks), new() { Wear = new(TimeSpan.FromMinutes(30), false) }));
        Assert.False(Has("walk-warms", Dog(Purpose.Walks)));
        Assert.True(Has("visibility", dog, new() { CoatHex = "#ffffff" }));
        Assert.False(Has("visibility", dog));
        Assert.Contains(
            "Blends in",
            MuzzleBrief.For(dog, new() { CoatHex = "#ffffff", Visibility = VisibilitySchool.BlendIn }).Lines.Single(l => l.Id == "visibility").Says,
            StringComparison.Ordinal
        );
        Assert.Equal(TimeSpan.FromMinutes(15), MuzzleBrief.For(dog, new()).Wear.Longest);
        Assert.True(MuzzleBrief.For(Dog(Purpose.Walks), new()).Wear.Warm);
    }

    /// <summary>Whoever wants both is told what is both: leather counts as sturdy and as soft at the edges.</summary>
    [Fact]
    public void Sturdy_and_soft_at_once_is_said_to_clash()
    {
        var both = Dog(Purpose.Walks) with { BiteTier = BiteTier.ContactNoInjury, TraitsSeen = [BreedTrait.HeavyJowls] };
        Assert.Contains("Leather", MuzzleBrief.For(both, new()).Clashes.Single(c => c.Id == "sturdy-and-soft").Do, StringComparison.Ordinal);
        Assert.DoesNotContain(MuzzleBrief.For(both with { TraitsSeen = [] }, new()).Clashes, c => c.Id == "sturdy-and-soft");
        Assert.Contains(Catalogue.Shipped, m => m.Has(Feature.Sturdy) && m.Has(Feature.Soft));
    }

    /// <summary>The coat is seen through it, whatever the contrast of its tint: white vinyl on a black dog does not keep people away.</summary>
    [Fact]
    public void Clear_vinyl_does_not_stand_out()
    {
        var clear = Catalogue.Shipped.First(m => m is { Material: Material.ClearVinyl, Type: MuzzleType.Basket });
        var black = new BriefQuestion { CoatHex = "#201d1c" };
        Assert.False(FitScore.Sight(clear, MuzzleBrief.For(Dog(Purpose.Walks), black))!.Value.Met);
        Assert.True(FitScore.Sight(clear, MuzzleBrief.For(Dog(Purpose.Walks), black with { Visibility = VisibilitySchool.BlendIn }))!.Value.Met);
        Assert.True(FitScore.Sight(clear with { Material = Material.RigidPlastic }, MuzzleBrief.For(Dog(Purpose.Walks), black))!.Value.Met);
    }

    [Fact]
    public void Uses_asked_for_take_the_place_of_the_dogs_own()
    {
        var dog = Dog(Purpose.Walks, Purpose.Clinic, Purpose.Scavenging);
        var clinic = MuzzleBrief.For(dog, new() { Uses = [Purpose.Clinic] });
        Assert.Equal([Purpose.Clinic], clinic.Uses);
        Assert.DoesNotContain(clinic.Lines, l => l.Id is "scavenger-closed" or "gape-out-and-about" or "sleeve-use");
        Assert.Equal(3, MuzzleBrief.For(dog, new()).Uses.Count);
    }

    [Theory]
    [InlineData("weight")]
    [InlineData("visibility")]
    public void Reckoned_lines_can_be_overruled_too_and_are_then_not_wished_for(string lineId)
    {
        var question = new BriefQuestion
        {
            CoatHex = "#2e2c2b",
            Overruled = new Dictionary<string, string> { [lineId] = "It does not matter here." },
        };
        var brief = MuzzleBrief.For(Dog(Purpose.Walks), question);
        Assert.Equal("It does not matter here.", brief.Lines.Single(l => l.Id == lineId).Overruled);
        Assert.Equal(lineId == "weight", brief.MostMass is null);
        Assert.Equal(lineId == "visibility", brief.CoatHex is null);
    }

    [Fact]
    public void An_overruled_clash_is_no_clash_and_the_metal_school_clashes_with_soft_jowls()
    {
        var jowly = new Breed("made-up", "Made up", HeadShape.Medium, [BreedTrait.HeavyJowls], 12);
        var dog = Dog(Purpose.Walks) with { Breeds = [jowly], BiteTier = BiteTier.ContactNoInjury };
        Assert.Equal(["sturdy-and-soft"], MuzzleBrief.For(dog, new()).Clashes.Select(c => c.Id));
        Assert.Equal(["soft-and-rigid"], MuzzleBrief.For(dog, new() { Material = MaterialSchool.MetalOnly }).Clashes.Select(c => c.Id));
        Assert.Empty(
            MuzzleBrief
                .For(
                    dog,
                    new()
                    {
                        Material = MaterialSchool.MetalOnly,
                        Overruled = new Dictionary<string, string> { ["jowls-soft"] = "Padded." },
                    }
                )
                .Clashes
        );
    }

    /// <summary>Whoever the dog: no line twice, nothing both required and ruled out, some opening asked for, and every shipped model judged.</summary>
    [Property(MaxTest = 200)]
    public bool Every_dog_has_a_brief_that_holds_together(
        byte shape,
        byte tier,
        byte purposes,
        byte sensitivities,
        byte traits,
        byte temperament,
        bool growing,
        bool metal,
        bool warm
    )
    {
        var breed = new Breed("made-up", "Made up", (HeadShape)(shape % 3), [.. Enum.GetValues<BreedTrait>().Where(t => (traits >> (int)t & 1) == 1)], 12);
        var dog = Dog([.. Enum.GetValues<Purpose>().Where(p => (purposes >> (int)p & 1) == 1)]) with
        {
            HeadShapeSeen = (HeadShape)(shape % 3),
            BiteTier = (BiteTier)(tier % 5),
            Breeds = [breed],
            Temperament = (Temperament)(temperament % 4),
            Sensitivities = [.. Enum.GetValues<Sensitivity>().Where(s => (sensitivities >> (int)s & 1) == 1)],
        };
        var brief = MuzzleBrief.For(
            dog,
            new()
            {
                Growing = growing,
                Material = metal ? MaterialSchool.MetalOnly : MaterialSchool.Sturdy,
                CoatHex = "#7d5f3c",
                Wear = new WearPlan(TimeSpan.FromMinutes(warm ? 60 : 5), warm),
            }
        );
        var rules = BriefRule.All.Where(r => brief.Lines.Any(l => l.Id == r.Id)).ToList();
        return brief.Lines.Select(l => l.Id).Distinct().Count() == brief.Lines.Count
            && !rules.Any(r => r.Demand == Demand.Required && r.Feature is not null && rules.Any(o => o.Demand == Demand.RuledOut && o.Feature == r.Feature))
            && brief.NeededGape >= FitRules.HalfPant.Ours
            && (!warm || brief.NeededGape >= FitRules.FullPant.Ours)
            && Catalogue.Shipped.All(m => brief.Refusals(m, Words.Fitting).All(c => c.Margin is null && c.Reason.Length > 20 && c.Verdict == Verdict.Out))
            && Catalogue
                .Shipped.Where(m => m.Type == MuzzleType.Sleeve)
                .All(m =>
                    (MuzzleBrief.IsClinicOnly(dog.Purposes) && dog.HeadShapeSeen != HeadShape.Short && !warm) || brief.Refusals(m, Words.Fitting).Count > 0
                );
    }

    /// <summary>At every tier somebody's catalogue still has something: the shipped one leaves no tier without a basket.</summary>
    [Theory]
    [InlineData(BiteTier.Threatens)]
    [InlineData(BiteTier.ContactNoInjury)]
    [InlineData(BiteTier.Injured)]
    [InlineData(BiteTier.SeveralOrDeep)]
    public void Every_tier_finds_a_basket_among_the_shipped(BiteTier tier)
    {
        var brief = MuzzleBrief.For(Dog(Purpose.Walks, Purpose.Scavenging) with { BiteTier = tier }, new() { Material = MaterialSchool.MetalOnly });
        Assert.Contains(Catalogue.Shipped, m => m.Type == MuzzleType.Basket && brief.Refusals(m, Words.Fitting).Count == 0);
    }
}
