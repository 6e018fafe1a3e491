using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Core.Tests.Dogs;

public class DogTests
{
    private static readonly DateOnly Today = new(2026, 6, 1);

    [Fact]
    public void At_least_forty_breeds_of_every_shape_ship()
    {
        Assert.True(Breed.All.Count >= 40);
        Assert.All(Enum.GetValues<HeadShape>(), s => Assert.Contains(Breed.All, b => b.Shape == s));
    }

    [Theory]
    [InlineData(null, new[] { "greyhound" }, HeadShape.Long)]
    [InlineData(null, new[] { "pug", "greyhound" }, HeadShape.Medium)]
    [InlineData(null, new string[0], HeadShape.Medium)]
    [InlineData(HeadShape.Short, new[] { "greyhound" }, HeadShape.Short)]
    public void What_the_fitter_saw_comes_before_the_breed(HeadShape? seen, string[] breeds, HeadShape shape)
    {
        var choice = HeadShapeChoice.For(seen, [.. breeds.Select(b => Breed.Find(b)!)]);
        Assert.Equal(shape, choice.Shape);
        Assert.NotEmpty(choice.Reason);
    }

    [Fact]
    public void Cautions_stand_beside_every_dog_and_send_bites_and_short_faces_on()
    {
        var plain = new DogProfile { Name = "Pip" };
        Assert.Contains("never left alone", plain.Cautions(Today).Single(), StringComparison.Ordinal);
        var hard = plain with { BiteTier = BiteTier.Injured, HeadShapeSeen = HeadShape.Short, Temperament = Temperament.Soured, BirthDate = Today.AddMonths(-5) };
        var cautions = string.Join(" ", hard.Cautions(Today));
        Assert.Contains("behaviour professional", cautions, StringComparison.Ordinal);
        Assert.Contains("veterinarian", cautions, StringComparison.Ordinal);
        Assert.Contains("Still growing", cautions, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("2026-05-02", "0 months")]
    [InlineData("2026-05-01", "1 month")]
    [InlineData("2025-06-01", "1 year")]
    [InlineData("2025-06-02", "11 months")]
    [InlineData("2022-10-01", "3 years 8 months")]
    [InlineData("2026-06-02", null)]
    public void An_age_is_told_in_years_and_months(string born, string? age) =>
        Assert.Equal(age, new DogProfile { Name = "Pip", BirthDate = DateOnly.Parse(born, System.Globalization.CultureInfo.InvariantCulture) }.Age(Today));

    [Fact]
    public void A_dog_grows_until_its_breeds_are_grown()
    {
        var pup = new DogProfile { Name = "Pip", Breeds = [Breed.Find("great-dane")!], BirthDate = Today.AddMonths(-20) };
        Assert.True(pup.IsGrowing(Today));
        Assert.False((pup with { Breeds = [Breed.Find("pug")!] }).IsGrowing(Today));
    }

    private static Standing At(double measured = 1, int retake = 0, bool chosen = true, string? step = "Touch it", DateOnly? notBefore = null, bool open = false, bool purpose = true) =>
        new(purpose, measured, retake, chosen, 0.4, 0, step, "5 times", Today.AddDays(-1), notBefore, open);

    public static TheoryData<Standing, NextKind> NextThings => new()
    {
        { At(open: true, measured: 0, chosen: false), NextKind.Session },
        { At(purpose: false), NextKind.Dog },
        { At(measured: 0, chosen: false), NextKind.Measure },
        { At(measured: 0.5, chosen: false), NextKind.Measure },
        { At(retake: 1, chosen: false), NextKind.Measure },
        { At(chosen: false), NextKind.Fit },
        { At(), NextKind.Session },
        { At(notBefore: Today.AddDays(1)), NextKind.Rest },
        { At(notBefore: Today), NextKind.Session },
        { At(step: null), NextKind.Rest },
    };

    [Theory]
    [MemberData(nameof(NextThings))]
    public void One_thing_is_next(Standing standing, NextKind kind)
    {
        var next = standing.Next(Today);
        Assert.Equal(kind, next.Kind);
        Assert.NotEmpty(next.Title);
        Assert.Equal(4, standing.Badge.Count);
    }

    [Theory]
    [InlineData(null, "Target: 5 times. First session.")]
    [InlineData(0, "Target: 5 times. Trained today.")]
    [InlineData(1, "Target: 5 times. Last trained yesterday.")]
    [InlineData(4, "Target: 5 times. Last trained 4 days ago.")]
    public void A_session_due_says_the_target_and_the_last_time(int? daysAgo, string detail) =>
        Assert.Equal(detail, (At() with { LastTrained = daysAgo is { } days ? Today.AddDays(-days) : null }).Next(Today).Detail);
}
