using System.Net;
using System.Text.Json.Nodes;
using JauntyBadge.Core.Wearing;
using JauntyBadge.Server.Wearing;

namespace JauntyBadge.Server.Tests.Wearing;

/// <summary>Two phones at one dog: one loses the server for a while, both tell of the wear, and nothing of either is lost.</summary>
public sealed class TwoPhonesTests(PracticeServer server) : IClassFixture<PracticeServer>
{
    /// <summary>A wear as a phone has it, and what was said on it since it last heard from the server.</summary>
    private sealed class Phone(PracticeServer server, string wear, JsonObject value, long version)
    {
        private readonly Dictionary<string, DateTimeOffset> said = [];
        private readonly List<string> takenBack = [];
        private long version = version;

        public JsonObject Value { get; private set; } = value;

        public void Say(string part, JsonNode? what)
        {
            Value[part] = what;
            said[part] = server.Clock.GetUtcNow();
        }

        public string Sign(string signId)
        {
            var id = Guid.NewGuid().ToString();
            var signs = Value["signs"]!.DeepClone().AsArray();
            signs.Add(
                new JsonObject
                {
                    ["id"] = id,
                    ["signId"] = signId,
                    ["at"] = server.Clock.GetUtcNow().ToString("O"),
                }
            );
            Say("signs", signs);
            return id;
        }

        public void TakeBack(string id)
        {
            Say("signs", new JsonArray([.. Value["signs"]!.AsArray().Where(s => s!["id"]!.GetValue<string>() != id).Select(s => s!.DeepClone())]));
            takenBack.Add(id);
        }

        public async Task<Answer> SendAsync()
        {
            var entry = Value.DeepClone().AsObject();
            entry["said"] = new JsonObject([.. said.Select(s => KeyValuePair.Create(s.Key, (JsonNode?)(server.Clock.GetUtcNow() - s.Value).TotalSeconds))]);
            entry["takenBack"] = new JsonArray([.. takenBack.Select(t => (JsonNode?)t)]);
            var answer = await server.EditAsync(HttpMethod.Put, wear, entry.ToJsonString(), version);
            Assert.Equal(HttpStatusCode.OK, answer.Status);
            said.Clear();
            takenBack.Clear();
            version = answer.Json["version"]!.GetValue<long>();
            Value = new JsonObject([.. Value.Select(p => KeyValuePair.Create(p.Key, answer[p.Key]?.DeepClone()))]);
            return answer;
        }
    }

    private async Task<(string Address, Phone First, Phone Second)> PutOnAsync()
    {
        var dog = await server.NewDogAsync();
        var wear = $"{dog}/wears/{Guid.NewGuid()}";
        var value = new JsonObject
        {
            ["startedAt"] = server.Clock.GetUtcNow().AddMinutes(-10).ToString("O"),
            ["endedAt"] = null,
            ["occasion"] = "ordinary",
            ["place"] = null,
            ["note"] = null,
            ["treatPieces"] = 0,
            ["signs"] = new JsonArray(),
            ["rubs"] = new JsonArray(),
        };
        var begun = await server.EditAsync(HttpMethod.Put, wear, value.ToJsonString(), 0);
        Assert.Equal(HttpStatusCode.OK, begun.Status);
        var version = begun.Json["version"]!.GetValue<long>();
        return (wear, new Phone(server, wear, value.DeepClone().AsObject(), version), new Phone(server, wear, value.DeepClone().AsObject(), version));
    }

    [Fact]
    public async Task Who_comes_back_later_erases_nothing_of_the_other()
    {
        var (_, away, here) = await PutOnAsync();
        away.Sign("freezes");
        here.Say("note", "rubbed at the chin");
        here.Say("treatPieces", 6);
        here.Say("place", "the quay");
        here.Sign("eats");
        await here.SendAsync();

        // Back again: what it has never heard of is shown to it, what it said counts.
        var joined = await away.SendAsync();
        Assert.Equal(("rubbed at the chin", 6.0, "the quay"), (joined.Text("note"), joined.Number("treatPieces"), joined.Text("place")));
        Assert.Equal(2, joined["signs"]!.AsArray().Count);
        Assert.Equal("rubbed at the chin", away.Value["note"]!.GetValue<string>());

        // And goes on from there.
        away.Say("endedAt", server.Clock.GetUtcNow().ToString("O"));
        var off = await away.SendAsync();
        Assert.Equal("rubbed at the chin", off.Text("note"));
        Assert.NotNull(off["endedAt"]);
    }

    [Theory]
    [InlineData(60, 30, "second")]
    [InlineData(30, 60, "first")]
    public async Task Where_both_said_the_same_part_it_is_as_it_was_said_last(int firstAgo, int secondAgo, string last)
    {
        var (_, first, second) = await PutOnAsync();
        var now = server.Clock.GetUtcNow();
        foreach (var (phone, ago, note) in new[] { (first, firstAgo, "first"), (second, secondAgo, "second") }.OrderByDescending(p => p.Item2))
        {
            server.Clock.SetUtcNow(now.AddSeconds(60 - ago));
            phone.Say("note", note);
        }

        server.Clock.SetUtcNow(now.AddSeconds(61));
        await second.SendAsync();
        await first.SendAsync();
        Assert.Equal(last, (await second.SendAsync()).Text("note"));
    }

    [Fact]
    public async Task It_is_off_as_soon_as_one_took_it_off()
    {
        var (_, first, second) = await PutOnAsync();
        var early = server.Clock.GetUtcNow();
        first.Say("endedAt", early.ToString("O"));
        server.Clock.Advance(TimeSpan.FromSeconds(20));
        second.Say("endedAt", server.Clock.GetUtcNow().ToString("O"));
        await second.SendAsync();
        Assert.Equal(early, (await first.SendAsync())["endedAt"]!.GetValue<DateTimeOffset>());

        // A phone that never heard of it does not put it on again.
        var (_, third, fourth) = await PutOnAsync();
        third.Say("endedAt", server.Clock.GetUtcNow().ToString("O"));
        await third.SendAsync();
        fourth.Say("note", "still on, I thought");
        Assert.NotNull((await fourth.SendAsync())["endedAt"]);
    }

    [Fact]
    public async Task A_sign_taken_back_stays_away_whoever_tells_it_again()
    {
        var (_, first, second) = await PutOnAsync();
        var slip = first.Sign("freezes");
        await first.SendAsync();
        await second.SendAsync();
        Assert.Single(second.Value["signs"]!.AsArray());
        second.Sign("eats");
        first.TakeBack(slip);
        await first.SendAsync();
        Assert.Equal(["eats"], (await second.SendAsync())["signs"]!.AsArray().Select(s => s!["signId"]!.GetValue<string>()));
    }

    /// <summary>A correction in the log, with the whole of it in view, is said when it is saved: what a phone said before that does not undo it.</summary>
    [Fact]
    public async Task A_correction_of_the_whole_is_younger_than_what_was_said_before_it()
    {
        var (wear, away, here) = await PutOnAsync();
        away.Say("note", "typed in a dead spot");
        away.Say("place", "the pier");
        server.Clock.Advance(TimeSpan.FromMinutes(1));
        here.Say("endedAt", server.Clock.GetUtcNow().ToString("O"));
        var ended = await here.SendAsync();
        server.Clock.Advance(TimeSpan.FromMinutes(1));
        var whole = here.Value.DeepClone().AsObject();
        whole["note"] = "corrected in the log";
        Assert.Equal(HttpStatusCode.OK, (await server.EditAsync(HttpMethod.Put, wear, whole.ToJsonString(), ended.Json["version"]!.GetValue<long>())).Status);
        var joined = await away.SendAsync();
        Assert.Equal(("corrected in the log", "the pier"), (joined.Text("note"), joined.Text("place")));
        Assert.Equal(
            HttpStatusCode.PreconditionFailed,
            (await server.EditAsync(HttpMethod.Put, wear, whole.ToJsonString(), ended.Json["version"]!.GetValue<long>())).Status
        );
    }

    [Fact]
    public async Task A_wear_is_not_reopened_while_another_is_on_and_not_edited_when_it_was_taken_out()
    {
        var (wear, first, _) = await PutOnAsync();
        first.Say("endedAt", server.Clock.GetUtcNow().ToString("O"));
        var ended = await first.SendAsync();
        var dog = wear[..wear.IndexOf("/wears", StringComparison.Ordinal)];
        var open = first.Value.DeepClone().AsObject();
        open["endedAt"] = null;
        open["startedAt"] = server.Clock.GetUtcNow().ToString("O");
        Assert.Equal(HttpStatusCode.OK, (await server.EditAsync(HttpMethod.Put, $"{dog}/wears/{Guid.NewGuid()}", open.ToJsonString(), 0)).Status);
        Assert.Equal(
            HttpStatusCode.Conflict,
            (await server.EditAsync(HttpMethod.Put, wear, open.ToJsonString(), ended.Json["version"]!.GetValue<long>())).Status
        );

        var removed = await server.SendAsync(HttpMethod.Delete, wear);
        var edited = await server.EditAsync(HttpMethod.Put, wear, first.Value.ToJsonString(), removed.Json["version"]!.GetValue<long>());
        Assert.Equal(HttpStatusCode.Conflict, edited.Status);
        Assert.Contains("was taken out", edited.Text("detail"), StringComparison.Ordinal);
    }

    /// <summary>A part is joined by its name.</summary>
    [Fact]
    public void Every_part_is_a_member_of_what_is_told() => Assert.All(Enum.GetNames<WearPart>(), part => Assert.NotNull(typeof(WearEntry).GetProperty(part)));
}
