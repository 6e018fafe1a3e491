using System.IO.Compression;
using System.Net;
using System.Text.Json.Nodes;
using System.Xml.Linq;

namespace JauntyBadge.Server.Tests.Dogs;

/// <summary>Heads drawn of what was said, through the real addresses.</summary>
public sealed class HeadTests : IDisposable
{
    private readonly PracticeServer server = new();

    [Fact]
    public async Task The_head_takes_shape_as_it_is_said_what_the_dog_is()
    {
        async Task<string> Head(string said) => (await server.GetAsync($"/api/heads/portrait?{said}")).Json.ToJsonString();
        var nobody = await Head("");
        var shepherd = await Head("breed=german-shepherd-dog");
        Assert.Equal(
            4,
            new[] { nobody, shepherd, await Head("breed=german-shepherd-dog&ears=drop"), await Head("breed=german-shepherd-dog&coat=white") }.Distinct().Count()
        );
        // A cross takes from both, whichever way it is typed.
        Assert.NotEqual(shepherd, await Head("breed=german-shepherd-dog&breed=poodle-standard"));
        Assert.NotEqual(await Head("shape=short"), await Head("shape=long"));
        var refused = await server.GetAsync("/api/heads/portrait?ears=floppy");
        Assert.Equal(HttpStatusCode.BadRequest, refused.Status);
        Assert.Contains("one of drop, long, pricked", refused["errors"]!["ears"]![0]!.ToString(), StringComparison.Ordinal);
    }

    /// <summary>Read back by System.Xml: every clip and mask that is asked for is there.</summary>
    [Fact]
    public async Task Every_breed_has_a_head_to_look_at()
    {
        using var answer = await server.Http.GetAsync("/api/breeds/border-collie/head.svg");
        Assert.Equal("image/svg+xml", answer.Content.Headers.ContentType?.MediaType);
        var svg = XDocument.Parse(await answer.Content.ReadAsStringAsync());
        var ids = svg.Descendants().Attributes("id").Select(a => $"url(#{a.Value})").ToHashSet();
        var asked = svg.Descendants().Attributes().Where(a => a.Value.StartsWith("url(", StringComparison.Ordinal)).Select(a => a.Value).ToHashSet();
        Assert.True(asked.Count >= 3 && asked.IsSubsetOf(ids));
        Assert.Equal(HttpStatusCode.NotFound, (await server.GetAsync("/api/breeds/heffalump/head.svg")).Status);
    }

    /// <summary>What was seen of a dog is kept, drawn, and goes with it to a colleague.</summary>
    [Fact]
    public async Task What_was_seen_of_a_head_is_kept()
    {
        var dog = await server.NewDogAsync(
            new
            {
                name = "Tansy",
                breedIds = new[] { "german-shepherd-dog" },
                earsSeen = "rose",
                furSeen = "rough",
                patternSeen = "plain",
            }
        );
        var card = await server.GetAsync(dog);
        Assert.Equal(("rose", "rough", "plain"), ($"{card["dog"]!["earsSeen"]}", $"{card["dog"]!["furSeen"]}", $"{card["dog"]!["patternSeen"]}"));
        var said = (await server.GetAsync("/api/heads/portrait?breed=german-shepherd-dog&ears=rose&fur=rough&pattern=plain&kg=20")).Json;
        Assert.Equal(said["contour"]!.ToString(), card["portrait"]!["contour"]!.ToString());
        using var zip = new ZipArchive(await (await server.Http.GetAsync($"{dog}/dossier.zip")).Content.ReadAsStreamAsync());
        using var dossier = new StreamReader(zip.GetEntry("dossier.json")!.Open());
        Assert.Equal("rose", JsonNode.Parse(await dossier.ReadToEndAsync())!["dog"]!["earsSeen"]!.ToString());
    }

    public void Dispose() => server.Dispose();
}
