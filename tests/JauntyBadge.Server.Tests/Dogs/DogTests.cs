using System.Net;
using System.Text.Json.Nodes;

namespace JauntyBadge.Server.Tests.Dogs;

public sealed class DogTests(PracticeServer server)
{
    [Fact]
    public async Task A_dog_is_added_read_and_edited()
    {
        var dog = await server.NewDogAsync(
            new
            {
                name = " Fern ",
                place = "Overwend Farm",
                ageMonths = 30,
                breedIds = new[] { "border-collie", "beagle" },
                bodyMassKg = 18.2,
                coatId = "black",
                purposes = new[] { "clinic", "walks" },
                temperament = "wary",
                sensitivities = new[] { "clicks" },
                biteTier = "threatens",
            }
        );
        var card = await server.GetAsync(dog);
        Assert.Equal("Fern", card["dog"]!["name"]!.GetValue<string>());
        Assert.Equal(server.Today.AddMonths(-30).ToString("O"), card["dog"]!["birthDate"]!.GetValue<string>());
        Assert.True(card["dog"]!["birthDateEstimated"]!.GetValue<bool>());
        Assert.Equal("Border Collie × Beagle", card.Text("breeds"));
        Assert.Equal("measure", card["next"]!["kind"]!.GetValue<string>());

        var born = card["dog"]!["birthDate"]!.GetValue<string>();
        var edited = await server.PutAsync(
            dog,
            new
            {
                name = "Fern",
                birthDate = born,
                purposes = new[] { "clinic" },
            }
        );
        Assert.True(edited.Number("version") > card["dog"]!["version"]!.GetValue<int>());
        Assert.True(edited["birthDateEstimated"]!.GetValue<bool>());
        Assert.Null((await server.GetAsync(dog))["dog"]!["place"]);
    }

    [Fact]
    public async Task The_second_of_two_people_is_told_and_shown_what_the_first_one_saved()
    {
        var dog = await server.NewDogAsync();
        var version = (await server.GetAsync(dog))["dog"]!["version"]!.GetValue<long>();
        Assert.Equal(HttpStatusCode.OK, (await server.EditAsync(HttpMethod.Put, dog, new { name = "First" }, version)).Status);
        var second = await server.EditAsync(HttpMethod.Put, dog, new { name = "Second" }, version);
        Assert.Equal(HttpStatusCode.PreconditionFailed, second.Status);
        Assert.Equal("First", second["current"]!["name"]!.GetValue<string>());
        var over = await server.EditAsync(HttpMethod.Put, dog, new { name = "Second" }, second["current"]!["version"]!.GetValue<long>());
        Assert.Equal("Second", over.Text("name"));
        Assert.Equal(HttpStatusCode.PreconditionRequired, (await server.EditAsync(HttpMethod.Put, dog, new { name = "Third" }, null)).Status);
    }

    [Fact]
    public async Task Edits_in_the_same_moment_let_exactly_one_through()
    {
        var dog = await server.NewDogAsync();
        var version = (await server.GetAsync(dog))["dog"]!["version"]!.GetValue<long>();
        var all = await Task.WhenAll(Enumerable.Range(0, 8).Select(i => server.EditAsync(HttpMethod.Put, dog, new { name = $"Name {i}" }, version)));
        Assert.Single(all, a => a.Status == HttpStatusCode.OK);
        Assert.Equal(7, all.Count(a => a.Status == HttpStatusCode.PreconditionFailed));
    }

    [Fact]
    public async Task An_archived_dog_leaves_the_round_and_comes_back()
    {
        var dog = await server.NewDogAsync(new { name = "Moss" });
        async Task<bool> OnRound(bool archived = false) => (await server.GetAsync($"/api/round?archived={archived}&search=Moss")).Number("total") == 1;
        await server.PostAsync($"{dog}/archive");
        Assert.Equal((false, true), (await OnRound(), await OnRound(archived: true)));
        await server.PostAsync($"{dog}/restore");
        Assert.Equal((true, false), (await OnRound(), await OnRound(archived: true)));
    }

    [Fact]
    public async Task The_badge_and_what_is_next_follow_the_record()
    {
        var dog = await server.MeasuredDogAsync();
        var card = await server.GetAsync(dog);
        Assert.Equal(1, card["badge"]!["measured"]!.GetValue<double>());
        Assert.Equal("fit", card["next"]!["kind"]!.GetValue<string>());
        var fields = card["portrait"]!["fields"]!.AsArray();
        Assert.Single(fields, f => f!["d"]!.ToString() == "");
        Assert.All(fields, f => Assert.True(f!["fill"] is not null || f["line"] is not null));
    }

    [Fact]
    public async Task Lists_and_numbers_to_pick_from_are_there_with_their_basis()
    {
        Assert.True((await server.GetAsync("/api/breeds")).Json.AsArray().Count >= 40);
        Assert.NotEmpty((await server.GetAsync("/api/coat-colours")).Json.AsArray());
        Assert.Equal(24, (await server.GetAsync("/api/signs")).Json.AsArray().Count);
        var numbers = (await server.GetAsync("/api/house-numbers")).Json.AsArray();
        Assert.True(numbers.Count > 40);
        Assert.All(numbers, (JsonNode? n) => Assert.NotEmpty(n!["basis"]!["note"]!.GetValue<string>()));
    }
}
