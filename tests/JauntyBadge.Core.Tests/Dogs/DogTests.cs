using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Core.Tests.Dogs;

public class DogTests
{
    private static readonly DateOnly Today = new(2026, 6, 1);

    [Fact]
    public void About_two_hundred_breeds_of_every_shape_and_trait_ship()
    {
        Assert.True(Breed.Shipped.Count >= 200);
        Assert.All(Enum.GetValues<HeadShape>(), s => Assert.True(Breed.Shipped.Count(b => b.Shape == s) >= 20));
        Assert.All(Enum.GetValues<BreedTrait>(), t => Assert.Contains(Breed.Shipped, b => b.Traits.Contains(t)));
    }

    [Theory]
    [InlineData("wolfhound", "irish-wolfhound")]
    [InlineData("terrier bull", "bull-terrier")]
    [InlineData("westie", "west-highland-white-terrier")]
    [InlineData("short jowls broad", "boxer")]
    [InlineData("bridge toy", "pug")]
    public void A_breed_is_found_by_any_words_of_name_shape_or_traits(string words, string id)
    {
        Assert.Contains(BreedList.Shipped.Search(words), b => b.Id == id);
        Assert.Empty(BreedList.Shipped.Search(words + " zzz"));
    }

    [Fact]
    public void What_begins_with_the_search_comes_first() => Assert.StartsWith("Bull", BreedList.Shipped.Search("bull")[0].Name, StringComparison.Ordinal);

    [Fact]
    public void A_practices_own_breed_stands_in_for_the_shipped_one()
    {
        var own = new BreedList([
            BreedList.Shipped.Find("pug")! with
            {
                Shape = HeadShape.Medium,
            },
            new("wend-terrier", "Wend Terrier", HeadShape.Long, [], 12),
        ]);
        Assert.Equal(HeadShape.Medium, own.Find("pug")!.Shape);
        Assert.Equal(HeadShape.Short, BreedList.Shipped.Find("pug")!.Shape);
        Assert.Equal(BreedList.Shipped.All.Count + 1, own.All.Count);
    }

    [Fact]
    public void A_coat_follows_the_breed_until_the_fitter_says_otherwise()
    {
        var collie = new DogProfile { Name = "Pip", Breeds = [BreedList.Shipped.Find("rough-collie")!] };
        Assert.Equal(Coat.Thick, collie.Coat);
        Assert.Equal(Coat.Clipped, (collie with { CoatSeen = Coat.Clipped }).Coat);
        Assert.Equal(Coat.Ordinary, new DogProfile { Name = "Pip" }.Coat);
    }

    [Theory]
    [InlineData(null, new[] { "greyhound" }, HeadShape.Long)]
    [InlineData(null, new[] { "pug", "greyhound" }, HeadShape.Medium)]
    [InlineData(null, new string[0], HeadShape.Medium)]
    [InlineData(HeadShape.Short, new[] { "greyhound" }, HeadShape.Short)]
    public void What_the_fitter_saw_comes_before_the_breed(HeadShape? seen, string[] breeds, HeadShape shape)
    {
        var choice = HeadShapeChoice.From(BreedShape.Ways(seen, [.. breeds.Select(b => BreedList.Shipped.Find(b)!)]));
        Assert.Equal(shape, choice.Shape);
        Assert.NotEmpty(Words.Measuring.Of(choice));
    }

    [Fact]
    public void Cautions_stand_beside_every_dog_and_send_bites_and_short_faces_on()
    {
        var plain = new DogProfile { Name = "Pip" };
        Assert.Contains("never left alone", Words.Dogs.Cautions(plain, Today).Single(), StringComparison.Ordinal);
        var hard = plain with
        {
            BiteTier = BiteTier.Injured,
            HeadShapeSeen = HeadShape.Short,
            Temperament = Temperament.Soured,
            BirthDate = Today.AddMonths(-5),
        };
        var cautions = string.Join(" ", Words.Dogs.Cautions(hard, Today));
        Assert.Contains("behaviour professional", cautions, StringComparison.Ordinal);
        Assert.Contains("veterinarian", cautions, StringComparison.Ordinal);
        Assert.Contains("Still growing", cautions, StringComparison.Ordinal);
        Assert.DoesNotContain("Packer", cautions, StringComparison.Ordinal);
        var flat = hard with { MeasuredShape = [new(ShapeWay.CraniofacialRatio, 0.4, HeadShape.Short, Basis.House("in a test"))] };
        Assert.Contains("Packer", string.Join(" ", Words.Dogs.Cautions(flat, Today)), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("2026-05-02", "0 months")]
    [InlineData("2026-05-01", "1 month")]
    [InlineData("2025-06-01", "1 year")]
    [InlineData("2025-06-02", "11 months")]
    [InlineData("2022-10-01", "3 years 8 months")]
    [InlineData("2026-06-02", null)]
    public void An_age_is_told_in_years_and_months(string born, string? age) =>
        Assert.Equal(
            age,
            Words.Dogs.Age(new DogProfile { Name = "Pip", BirthDate = DateOnly.Parse(born, System.Globalization.CultureInfo.InvariantCulture) }, Today)
        );

    [Fact]
    public void A_dog_grows_until_its_breeds_are_grown()
    {
        var pup = new DogProfile
        {
            Name = "Pip",
            Breeds = [BreedList.Shipped.Find("great-dane")!],
            BirthDate = Today.AddMonths(-20),
        };
        Assert.True(pup.IsGrowing(Today));
        Assert.False((pup with { Breeds = [BreedList.Shipped.Find("pug")!] }).IsGrowing(Today));
    }
}
