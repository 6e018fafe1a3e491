using System.Net;
using System.Net.ServerSentEvents;
using System.Text.Json.Nodes;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Server.Devices;
using UnitsNet;

namespace JauntyBadge.Server.Tests.Devices;

/// <summary>The digital tape: its line protocol, the stand-in that plays it, and the news of it over server-sent events.</summary>
public sealed class TapeTests(PracticeServer server) : IClassFixture<PracticeServer>
{
    /// <summary>Checksums by hand: the bytes of "LEN 17 98" add up to 504 = 256 + 0xF8.</summary>
    [Fact]
    public void A_line_reads_back_and_its_sum_is_the_bytes_added_up()
    {
        Assert.Equal("LEN 17 98*F8", TapeLine.Write("LEN", "17", "98"));
        Assert.True(TapeLine.TryParse("LEN 17 98*F8", out var line));
        var reading = Assert.IsType<TapeLine.Measured>(line);
        Assert.Equal((17, 98.0), (reading.Number, reading.Value.Millimeters));
        Assert.True(TapeLine.TryParse(TapeLine.Write("HELLO", "stand-in", "1"), out line) && line is TapeLine.Hello { Name: "stand-in" });
        Assert.True(TapeLine.TryParse(TapeLine.Write("BAT", "87"), out line) && line is TapeLine.Battery { Percent: 87 });
        Assert.True(TapeLine.TryParse(TapeLine.Write("SLIP"), out line) && line is TapeLine.Slipped);
    }

    [Theory]
    [InlineData("LEN 17 98*F9")] // wrong sum
    [InlineData("LEN 17 9")] // cut short
    [InlineData("")]
    [InlineData("*00")]
    [InlineData("LEN 17 98*F8 ")]
    public void A_garbled_line_is_no_reading(string text) => Assert.False(TapeLine.TryParse(text, out _));

    [Theory]
    [InlineData("LEN", "17", "-98")]
    [InlineData("LEN", "17", "0")]
    [InlineData("LEN", "17", "1501")]
    [InlineData("LEN", "x", "98")]
    [InlineData("LEN", "17", "1e3")]
    [InlineData("HELLO", "tape", "2")]
    [InlineData("BAT", "101")]
    [InlineData("BAT", "-1")]
    public void A_value_out_of_range_is_no_reading_though_its_sum_is_right(params string[] words) =>
        Assert.False(TapeLine.TryParse(TapeLine.Write(words), out _));

    [Fact]
    public async Task The_stand_in_scatters_like_a_hand_and_now_and_then_a_line_is_lost()
    {
        var tape = new StandInTape(server.Clock, seed: 3);
        Assert.False(tape.Do(TapeAct.Press, Length.FromMillimeters(100)));
        var lines = tape.LinesAsync(TestContext.Current.CancellationToken).GetAsyncEnumerator(TestContext.Current.CancellationToken);
        await lines.MoveNextAsync();
        Assert.StartsWith("HELLO", lines.Current, StringComparison.Ordinal);
        await lines.MoveNextAsync();
        const int Presses = 1000;
        for (var i = 0; i < Presses; i++)
            Assert.True(tape.Do(TapeAct.Press, Length.FromMillimeters(100)));
        var (readings, lost) = (new List<double>(), 0);
        for (var i = 0; i < Presses; i++)
        {
            await lines.MoveNextAsync();
            if (TapeLine.TryParse(lines.Current, out var line) && line is TapeLine.Measured measured)
                readings.Add(measured.Value.Millimeters);
            else
                lost++;
        }

        Assert.InRange(lost, 5, 50);
        Assert.InRange(readings.Average(), 99.8, 100.2);

        // The hand's scatter and the rounding to whole millimetres (GUM 4.3.7) together.
        var spread = Math.Sqrt(readings.Sum(r => Math.Pow(r - readings.Average(), 2)) / (readings.Count - 1));
        Assert.InRange(spread, 0.85, 1.05);
        tape.Do(TapeAct.BreakOff, Length.FromMillimeters(100));
        await lines.MoveNextAsync();
        Assert.False(TapeLine.TryParse(lines.Current, out _));
        await Assert.ThrowsAsync<IOException>(async () => await lines.MoveNextAsync());
        Assert.False(tape.IsOpen);
    }

    /// <summary>Reads the news until one fits, and fails when it does not come.</summary>
    private static async Task<JsonNode> UntilAsync(IAsyncEnumerator<SseItem<string>> news, Func<JsonNode, bool> fits)
    {
        using var patience = new CancellationTokenSource(TimeSpan.FromSeconds(20));
        while (await news.MoveNextAsync().AsTask().WaitAsync(patience.Token))
        {
            var item = JsonNode.Parse(news.Current.Data)!;
            if (fits(item))
                return item;
        }

        throw new InvalidOperationException("The news ended.");
    }

    [Fact]
    public async Task A_reading_arrives_trouble_is_said_and_a_broken_link_comes_back_by_itself()
    {
        using var own = new PracticeServer();
        await using var stream = await own.Http.GetStreamAsync(new Uri("/api/devices/tape/events", UriKind.Relative));
        await using var news = SseParser.Create(stream).EnumerateAsync().GetAsyncEnumerator();
        bool Connected(JsonNode n) => n["state"]!.GetValue<string>() == "connected";
        Task<Answer> Do(string act) =>
            own.PostAsync(
                "/api/devices/tape/stand-in",
                new
                {
                    act,
                    measure = "noseToInnerEye",
                    side = "right",
                }
            );
        await UntilAsync(news, Connected);

        Assert.Equal(HttpStatusCode.NoContent, (await Do("press")).Status);
        var reading = await UntilAsync(news, n => n["millimetres"] is not null);
        Assert.Equal(StandInTape.Truth(Measure.NoseToInnerEye, Side.Right).Millimeters, reading["millimetres"]!.GetValue<double>(), 6.0);
        await Do("garble");
        Assert.Contains(
            "did not come through",
            (await UntilAsync(news, n => n["trouble"] is not null))["trouble"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        await Do("slip");
        Assert.Contains("slipped", (await UntilAsync(news, n => n["trouble"] is not null))["trouble"]!.GetValue<string>(), StringComparison.Ordinal);

        await Do("breakOff");
        await UntilAsync(news, n => n["state"]!.GetValue<string>() == "lost");
        Assert.Equal(HttpStatusCode.Conflict, (await Do("press")).Status);
        own.Clock.Advance(TapeService.LongestWait);
        await UntilAsync(news, Connected);
        Assert.Equal(HttpStatusCode.NoContent, (await Do("press")).Status);
        Assert.NotNull((await UntilAsync(news, n => n["millimetres"] is not null))["number"]);
    }

    /// <summary>Two dogs open on two benches: a reading lands on the one that claimed the tape, and the other can take it over.</summary>
    [Fact]
    public async Task A_reading_lands_on_the_one_bench_that_claimed_it()
    {
        using var own = new PracticeServer();
        var (mine, theirs) = (Guid.NewGuid(), Guid.NewGuid());
        var dog = (await own.NewDogAsync()).Split('/')[^1];
        Task<Stream> Listen(Guid bench) => own.Http.GetStreamAsync(new Uri($"/api/devices/tape/events?bench={bench}&dog={dog}", UriKind.Relative));
        await using var first = SseParser.Create(await Listen(mine)).EnumerateAsync().GetAsyncEnumerator();
        await UntilAsync(first, n => n["state"]!.GetValue<string>() == "connected" && n["mine"]!.GetValue<bool>());
        await using var second = SseParser.Create(await Listen(theirs)).EnumerateAsync().GetAsyncEnumerator();
        var told = await UntilAsync(second, n => n["state"]!.GetValue<string>() == "connected");
        Assert.Equal((false, "Bracken"), (told["mine"]!.GetValue<bool>(), told["heldFor"]!.GetValue<string>()));

        Task PressAsync() => own.PostAsync("/api/devices/tape/stand-in", new { act = "press", measure = "neckGirth" });
        await PressAsync();
        await UntilAsync(first, n => n["millimetres"] is not null);
        Assert.Equal(HttpStatusCode.NoContent, (await own.PostAsync("/api/devices/tape/claim", new { bench = theirs })).Status);

        // The second bench hears of the claim first: the reading before it never came here.
        var next = await UntilAsync(second, n => n["mine"]!.GetValue<bool>() || n["millimetres"] is not null);
        Assert.Null(next["millimetres"]);
        await UntilAsync(first, n => !n["mine"]!.GetValue<bool>());
        await PressAsync();
        await UntilAsync(second, n => n["millimetres"] is not null);
        Assert.Equal(HttpStatusCode.Conflict, (await own.PostAsync("/api/devices/tape/claim", new { bench = Guid.NewGuid() })).Status);
        Assert.NotNull((await own.PostAsync("/api/devices/tape/claim", new { })).Problem("bench"));
    }

    [Fact]
    public async Task A_wrong_act_is_named()
    {
        Assert.Contains(
            "press",
            (await server.PostAsync("/api/devices/tape/stand-in", new { act = "throw", measure = "neckGirth" })).Problem("act"),
            StringComparison.Ordinal
        );
        Assert.NotNull((await server.PostAsync("/api/devices/tape/stand-in", new { act = "press" })).Problem("measure"));
    }
}
