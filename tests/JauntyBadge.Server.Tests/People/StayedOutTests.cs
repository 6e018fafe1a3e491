using System.Net;
using JauntyBadge.Core.People;

namespace JauntyBadge.Server.Tests.People;

/// <summary>Who was shown out stays out, and stays named in what was recorded, whichever file lies in the practice's folder.</summary>
public sealed class StayedOutTests : IDisposable
{
    private readonly ClosedPractice practice = new(demo: false);

    [Fact]
    public async Task A_phone_withdrawn_since_stays_out()
    {
        var fern = await practice.SignInAsync("Fern", PersonKind.Fitter);
        var dog = (await fern.PostAsync("/api/dogs", new { name = "Pip", keeper = "Wren" })).Text("id");
        var (lost, kept) = (await practice.PairAsync(fern, dog, "keeper", "lost"), await practice.PairAsync(fern, dog, "keeper", "kept"));
        var backup = (await fern.PostAsync("/api/backups")).Text("name");
        var listed = (await fern.GetAsync("/api/phones")).Json.AsArray().Single(d => d!["name"]!.ToString() == "lost")!;
        Assert.Equal(HttpStatusCode.NoContent, (await fern.DeleteAsync($"/api/phones/{listed["id"]}")).Status);

        var restored = await fern.PostAsync("/api/backups/restore", new { name = backup, id = Guid.NewGuid() });
        Assert.Equal(HttpStatusCode.OK, restored.Status);
        Assert.Equal(HttpStatusCode.OK, (await kept.GetAsync("/api/home")).Status);
        Assert.Equal((HttpStatusCode.Unauthorized, "withdrawn"), ((await lost.GetAsync("/api/home")) is var gone ? gone.Status : default, gone.Text("ended")));

        // Withdrawn in the restored one, and that undone: out there as well.
        listed = (await fern.GetAsync("/api/phones")).Json.AsArray().Single(d => d!["name"]!.ToString() == "kept")!;
        Assert.Equal(HttpStatusCode.NoContent, (await fern.DeleteAsync($"/api/phones/{listed["id"]}")).Status);
        Assert.Equal(HttpStatusCode.OK, (await fern.PostAsync("/api/backups/undo", new { at = $"{restored["undo"]!["at"]}" })).Status);
        Assert.Equal(HttpStatusCode.Unauthorized, (await kept.GetAsync("/api/home")).Status);
    }

    [Fact]
    public async Task The_record_names_who_recorded_it_and_on_what()
    {
        var fern = await practice.SignInAsync("Fern", PersonKind.Fitter);
        var dog = (
            await fern.PostAsync(
                "/api/dogs",
                new
                {
                    name = "Pip",
                    keeper = "Wren",
                    purposes = new[] { "walks" },
                }
            )
        ).Text("id");
        var phone = await practice.PairAsync(fern, dog, "keeper", "Wren's phone");
        var wear = new
        {
            startedAt = "2026-06-01T08:00:00Z",
            endedAt = "2026-06-01T08:04:00Z",
            occasion = "fun",
            signs = Array.Empty<object>(),
        };
        Assert.Equal(HttpStatusCode.OK, (await phone.PutAsync($"/api/dogs/{dog}/wears/{Guid.NewGuid()}", wear)).Status);
        await fern.PostAsync(
            $"/api/dogs/{dog}/readings",
            new
            {
                measure = "snoutGirth",
                side = (string?)null,
                text = "272",
            }
        );

        var record = (await fern.GetAsync($"/api/dogs/{dog}/record")).Json.AsArray();
        Assert.Equal("by Wren, on Wren's phone", record.Single(i => i!["kind"]!.ToString() == "worn")!["by"]!.ToString());
        Assert.StartsWith("by Fern, on ", record.Single(i => i!["kind"]!.ToString() == "measured")!["by"]!.ToString(), StringComparison.Ordinal);
    }

    public void Dispose() => practice.Dispose();
}
