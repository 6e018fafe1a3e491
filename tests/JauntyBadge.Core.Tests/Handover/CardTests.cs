using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Handover;
using JauntyBadge.Core.Handover.Cards;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Wearing;

namespace JauntyBadge.Core.Tests.Handover;

/// <summary>Each audience gets what it needs, and no more.</summary>
public class CardTests
{
    private static readonly DateOnly Today = new(2026, 11, 29);
    private static readonly HandoverWords Words = new(Writing.Usual);

    /// <summary>The table of the handbook (chapter 4, Handover), written out here a second time.</summary>
    [Theory]
    [InlineData(Audience.Clinic, "Bites Airway Vomiting Sedation PossibleInIt SecondPerson")]
    [InlineData(Audience.Walker, "Bites Airway SecondPerson People")]
    [InlineData(Audience.Groomer, "Bites Airway SecondPerson")]
    [InlineData(Audience.Family, "People")]
    public void The_table_decides_who_gets_what(Audience audience, string only)
    {
        var everybody = new[]
        {
            CardItem.WornToday,
            CardItem.Signs,
            CardItem.Present,
            CardItem.Muzzle,
            CardItem.Passed,
            CardItem.NotTrained,
            CardItem.Treats,
            CardItem.Heat,
            CardItem.Cautions,
            CardItem.Call,
        };
        var card = HandoverCard.Of(Facts(), audience);
        Assert.Equal(everybody.Concat(only.Split(' ').Select(Enum.Parse<CardItem>)).Order(), card.Items.Order());
    }

    [Fact]
    public void A_family_that_was_told_reads_of_its_bites()
    {
        Assert.DoesNotContain(CardItem.Bites, HandoverCard.Of(Facts(), Audience.Family).Items);
        var told = Facts() with { FamilyWasTold = true };
        Assert.Contains(CardItem.Bites, HandoverCard.Of(told, Audience.Family).Items);
        Assert.Contains("at the gate", Text(told, Audience.Family), StringComparison.Ordinal);
        Assert.DoesNotContain("at the gate", Text(Facts(), Audience.Family), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(BiteTier.None, "No threat and no bite")]
    [InlineData(BiteTier.Threatens, "It threatens")]
    [InlineData(BiteTier.ContactNoInjury, "without injury")]
    [InlineData(BiteTier.Injured, "bitten and injured")]
    [InlineData(BiteTier.SeveralOrDeep, "more than once, or deep")]
    public void Bites_are_said_in_plain_words(BiteTier tier, string says) => Assert.Contains(says, Words.Bites(tier), StringComparison.Ordinal);

    /// <summary>A dog that does not go in by itself is not to have it put on, whatever else the card says.</summary>
    [Fact]
    public void A_dog_that_does_not_go_in_is_not_pushed()
    {
        Assert.Contains("do not put it on", Text(Facts(), Audience.Clinic), StringComparison.Ordinal);
        var trained = Facts() with { Passed = [new("nose-all-in", Today, PassedHow.Trained), new("add-cue", Today, PassedHow.Trained)], Cue = "Mug" };
        Assert.Contains("puts its own nose in", Text(trained, Audience.Clinic), StringComparison.Ordinal);
        Assert.Contains("“Mug”", Text(trained, Audience.Clinic), StringComparison.Ordinal);
        // Tried is not trained.
        var tried = Facts() with
        {
            Passed = [new("nose-all-in", Today, PassedHow.Tried)],
        };
        Assert.Contains("do not put it on", Text(tried, Audience.Clinic), StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_passed_tried_and_not_trained_is_told_apart()
    {
        var facts = Facts() with { Passed = [new("clinic-handling", Today, PassedHow.Trained), new("clinic-side", Today, PassedHow.Tried)] };
        var parts = Words.Parts(HandoverCard.Of(facts, Audience.Clinic), facts).ToDictionary(p => p.Item, p => string.Join(" ", p.Lines));
        Assert.Contains("Stood, lain down, held", parts[CardItem.Passed], StringComparison.Ordinal);
        Assert.DoesNotContain("side", parts[CardItem.Passed], StringComparison.Ordinal);
        Assert.Contains("laid on its side (tried, not trained here)", parts[CardItem.NotTrained], StringComparison.OrdinalIgnoreCase);
        Assert.Contains("waiting room, scales, table", parts[CardItem.NotTrained], StringComparison.Ordinal);
        Assert.Contains("closes it", parts[CardItem.SecondPerson], StringComparison.Ordinal);
    }

    /// <summary>A fit found wrong stops the big number, not only the small print.</summary>
    [Fact]
    public void A_fit_to_be_mended_stops_the_headline()
    {
        var sound = new WearQuestion(new WearingDog(), new WornMuzzle(MuzzleType.Basket, GapeClass.FullPant), null);
        var fine = Facts() with { Question = sound, Limit = WearLimit.Of(sound, HouseRules.Ours) };
        Assert.False(fine.IsStop);
        var rubs = sound with { FitWrong = new TryOnFinding(0.9, [new(TryOnCheck.All[0].Id, "rubs-bridge")]) };
        var wrong = fine with { Question = rubs, Limit = WearLimit.Of(rubs, HouseRules.Ours) };
        Assert.True(wrong.IsStop);
        Assert.Contains("put right", Words.Headline(wrong), StringComparison.Ordinal);
        Assert.Contains("Found wrong when it was tried on", Text(wrong, Audience.Walker), StringComparison.Ordinal);
        Assert.Equal((TimeSpan.Zero, WearCause.FitWrong), (wrong.Limit!.Cap, wrong.Limit.Decides.Cause));
    }

    [Fact]
    public void A_card_holds_four_weeks_or_until_something_is_due()
    {
        var card = HandoverCard.Of(Facts() with { Record = Facts().Record with { Muzzle = null } }, Audience.Walker);
        Assert.Equal(Today.AddDays(28), card.Until);
        var due = HandoverCard.Of(Facts() with { Record = Facts().Record with { Muzzle = new(Today.AddDays(-20), null) } }, Audience.Walker);
        Assert.Equal(Today.AddDays(10), due.Until);
        Assert.Contains("a look over the muzzle", Words.Holds(due, Facts()), StringComparison.Ordinal);
        // Due on the very day, and overdue: today only.
        foreach (var days in new[] { 30, 45 })
            Assert.Equal(
                Today,
                HandoverCard.Of(Facts() with { Record = Facts().Record with { Muzzle = new(Today.AddDays(-days), null) } }, Audience.Walker).Until
            );
    }

    [Fact]
    public void Its_own_first_signs_are_the_frequent_ones_that_ask_to_stop_early()
    {
        var unsure = Sign.All.First(s => s.Group == SignGroup.Unsure).Id;
        var worried = Sign.All.First(s => s.Group == SignGroup.Worried).Id;
        var ease = Sign.All.First(s => s.Group == SignGroup.AtEase).Id;
        Assert.Equal([worried, unsure], CardFacts.First([(ease, 90), (unsure, 2), (worried, 5), ("no-such", 99)]));
    }

    private static string Text(CardFacts facts, Audience audience) =>
        string.Join("\n", Words.Parts(HandoverCard.Of(facts, audience), facts).SelectMany(p => p.Lines.Prepend(p.Heading)));

    private static CardFacts Facts()
    {
        var profile = new DogProfile
        {
            Name = "Tarn",
            Purposes = [Purpose.Clinic],
            BiteTier = BiteTier.Injured,
            Sensitivities = [Sensitivity.PeopleNear],
            Health = [HealthNote.AirwayTrouble, HealthNote.ProneToVomiting, HealthNote.SedatedAtClinic],
        };
        var plan = TrainingPlan.For(profile);
        var training = new Training(
            profile,
            plan,
            new HashSet<string>(),
            null,
            null,
            null,
            null,
            false,
            TrainingWeek.Usual,
            GoRule.AsSoonAsClear,
            null,
            HouseRules.Ours
        );
        var model = Catalogue.Shipped.First(m => m.Type == MuzzleType.Basket && m.Has(Feature.TreatWay));
        var question = new WearQuestion(WearingDog.Of(profile, Today), new WornMuzzle(MuzzleType.Basket, GapeClass.FullPant), null);
        return new CardFacts
        {
            Record = new DogRecord(
                profile,
                FitStyle.Everyday,
                Assessment.Of([], new Circumstances()),
                null,
                null,
                training,
                new([], [], null),
                HouseRules.Ours
            ),
            Today = Today,
            Muzzle = new KeptFit(
                model.Name,
                model.Maker,
                model.Type,
                model.Sizes[0],
                FitStyle.Everyday,
                2,
                15,
                Verdict.Fits,
                27,
                null,
                [],
                [],
                [],
                null,
                model
            ),
            Question = question,
            Limit = WearLimit.Of(question, HouseRules.Ours),
            BitesAbout = "A stranger at the gate.",
            Keeper = new("Ida", "0555 1"),
            Clinic = new("Lock", "0555 2"),
            Fitter = new("Box", "0555 3"),
        };
    }
}
