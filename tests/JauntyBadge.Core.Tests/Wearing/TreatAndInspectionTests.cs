using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Wearing;
using UnitsNet;

namespace JauntyBadge.Core.Tests.Wearing;

/// <summary>What may be fed in a day, and when a muzzle is looked at.</summary>
public class TreatAndInspectionTests
{
    private static readonly DateOnly Today = new(2026, 11, 27);
    private static readonly HouseRules Ours = HouseRules.Ours;

    private static Energy Kcal(double kcal) => Energy.FromKilocalories(kcal);

    /// <summary>70 · kg^0.75 kcal a day (NRC 2006), rounded as in the handbook's check values.</summary>
    [Theory]
    [InlineData(5, 234)]
    [InlineData(10, 394)]
    [InlineData(20, 662)]
    [InlineData(30, 897)]
    [InlineData(40, 1113)]
    public void Resting_energy(double kg, double kcal) => Assert.Equal(kcal, TreatAllowance.RestingOf(Mass.FromKilograms(kg)).Kilocalories, 0);

    /// <summary>A tenth of the day's energy (WSAVA), by factor or by measured food.</summary>
    [Fact]
    public void A_tenth_of_the_day()
    {
        var mass = Mass.FromKilograms(20);
        Assert.Equal(66.2 * 1.6, TreatAllowance.ByFactor(mass, 1.6).Treats.Kilocalories, 1);
        Assert.Equal(80, TreatAllowance.ByFood(mass, Kcal(800)).Treats.Kilocalories, 9);
    }

    [Theory]
    [InlineData(800, 4, 0, 20)]
    [InlineData(800, 4, 80, 0)]
    [InlineData(800, 4, 79.9, 0)]
    [InlineData(800, 4, 76, 1)]
    [InlineData(800, 4, 500, 0)]
    [InlineData(3, 0.1, 0, 3)] // 0.3 / 0.1 is under 3 in binary
    public void Whole_pieces_left_and_never_fewer_than_none(double food, double piece, double used, int left) =>
        Assert.Equal(left, TreatAllowance.ByFood(Mass.FromKilograms(20), Kcal(food)).PiecesLeft(Kcal(piece), Kcal(used)));

    /// <summary>Ten grams for each kilogram of dog (House): a bound hit exactly is allowed.</summary>
    [Theory]
    [InlineData(12.8, 1, 0, 128)]
    [InlineData(12.8, 1, 128, 0)]
    [InlineData(12.8, 0.3, 127.7, 1)]
    [InlineData(12.8, 1, 500, 0)]
    public void What_has_little_energy_fills_a_dog_all_the_same(double kg, double piece, double used, int left) =>
        Assert.Equal(left, TreatAllowance.PiecesLeftByWeight(Mass.FromKilograms(kg), Mass.FromGrams(piece), Mass.FromGrams(used), Ours));

    [Theory]
    [InlineData(true, Activity.Usual, false, false, "neutered")]
    [InlineData(false, Activity.Usual, false, false, "entire")]
    [InlineData(null, null, false, false, "quiet-neutered")]
    [InlineData(true, Activity.Working, true, false, "working")]
    [InlineData(true, Activity.Usual, true, false, "senior")]
    [InlineData(true, Activity.Working, false, true, "loses-weight")]
    public void The_factor_of_a_dog(bool? neutered, Activity? activity, bool senior, bool overweight, string id) =>
        Assert.Equal(id, EnergyFactor.For(neutered, activity, senior, overweight).Id);

    [Fact]
    public void What_is_not_known_is_taken_for_what_needs_less() =>
        Assert.All(
            from n in new bool?[] { true, false }
            from a in Enum.GetValues<Activity>()
            select EnergyFactor.For(n, a, false, false).Factor,
            f => Assert.True(EnergyFactor.For(null, null, false, false).Factor <= f)
        );

    [Fact]
    public void Growing_pregnant_and_ill_dogs_are_sent_to_the_veterinarian()
    {
        DogProfile Dog(int months, params HealthNote[] health) =>
            new()
            {
                Name = "Any",
                BirthDate = Today.AddMonths(-months),
                Health = health,
            };
        Assert.Equal(FeedingConcern.Growing, TreatAllowance.Concern(Dog(7), Today));
        Assert.Equal(FeedingConcern.Pregnant, TreatAllowance.Concern(Dog(40, HealthNote.Pregnant), Today));
        Assert.Equal(FeedingConcern.Ill, TreatAllowance.Concern(Dog(40, HealthNote.Pregnant, HealthNote.Ill), Today));
        Assert.Null(TreatAllowance.Concern(Dog(40), Today));
    }

    [Fact]
    public void Xylitol_heads_what_is_never_given_and_no_treat_is_made_of_a_poison()
    {
        Assert.StartsWith("Xylitol", NeverFeed.All[0].Name, StringComparison.Ordinal);
        string[] poisons = ["xylitol", "chocolate", "cocoa", "grape", "raisin", "onion", "garlic", "leek", "macadamia", "alcohol", "caffeine", "bone"];
        Assert.All(poisons, p => Assert.Contains(NeverFeed.All, n => n.Name.Contains(p, StringComparison.OrdinalIgnoreCase)));
        Assert.All(Treat.All, t => Assert.DoesNotContain(poisons, p => t.Name.Contains(p, StringComparison.OrdinalIgnoreCase)));
    }

    /// <summary>Monthly, and before every clinic visit (practice); the three days before it are House.</summary>
    [Theory]
    [InlineData(29, null, null, InspectionDue.NotYet, 1)]
    [InlineData(30, null, null, InspectionDue.Monthly, 0)]
    [InlineData(90, 29, null, InspectionDue.NotYet, 1)]
    [InlineData(90, 30, null, InspectionDue.Monthly, 0)]
    [InlineData(90, 10, 3, InspectionDue.BeforeClinic, 0)]
    [InlineData(90, 10, 4, InspectionDue.NotYet, 1)]
    [InlineData(90, 0, 3, InspectionDue.NotYet, 30)]
    [InlineData(90, 1, 3, InspectionDue.BeforeClinic, 0)]
    [InlineData(90, 10, -1, InspectionDue.NotYet, 20)]
    public void When_a_muzzle_is_inspected(int inUse, int? inspectedAgo, int? clinicIn, InspectionDue due, int inDays)
    {
        var state = MuzzleState.Of(
            Today.AddDays(-inUse),
            inspectedAgo is { } ago ? new(Today.AddDays(-ago), []) : null,
            clinicIn is { } days ? Today.AddDays(days) : null,
            Today,
            Ours
        );
        Assert.Equal((due, Today.AddDays(inDays)), (state.Due, state.On));
    }

    [Fact]
    public void What_failed_is_out_of_use_until_it_is_found_fine()
    {
        var failed = MuzzleState.Of(Today.AddDays(-40), new(Today.AddDays(-2), ["clip", "edges"]), null, Today, Ours);
        Assert.Equal(InspectionDue.OutOfUse, failed.Due);
        Assert.Contains("clip or buckle and edges failed", Words.Wearing.Of(failed), StringComparison.Ordinal);
        Assert.Equal(InspectionDue.NotYet, MuzzleState.Of(Today.AddDays(-40), new(Today, []), null, Today, Ours).Due);
    }

    [Fact]
    public void A_mark_since_it_was_tried_on_or_a_year_asks_for_a_refit()
    {
        Assert.Equal(RefitCause.RubMark, MuzzleState.Refit(Today.AddDays(-5), true, Today, Ours));
        Assert.Equal(RefitCause.LongAgo, MuzzleState.Refit(Today.AddMonths(-12), false, Today, Ours));
        Assert.Null(MuzzleState.Refit(Today.AddMonths(-12).AddDays(1), false, Today, Ours));
    }

    [Fact]
    public void Clinic_and_groomer_are_taken_for_stressful_until_one_says_otherwise() =>
        Assert.All(
            Enum.GetValues<AppointmentKind>(),
            k => Assert.Equal(k is AppointmentKind.Clinic or AppointmentKind.Groomer, Appointments.Usual(k) == Occasion.Stressful)
        );
}
