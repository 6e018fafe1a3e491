using System.Net;
using JauntyBadge.Core.Wearing;
using JauntyBadge.Server.Devices;
using Microsoft.Extensions.Logging.Abstractions;
using Microsoft.Extensions.Time.Testing;

namespace JauntyBadge.Server.Tests.Wearing;

/// <summary>The weather station: its line protocol, the stand-in with its outages, and readings typed by hand.</summary>
public sealed class WeatherTests : IDisposable
{
    private static readonly TimeSpan Every = StandInStation.Every;

    private readonly PracticeServer server = new();

    public void Dispose() => server.Dispose();

    /// <summary>A practice of real dogs is judged by nothing that was made up: there is no station and no tape until somebody asks for simulated ones.</summary>
    [Fact]
    public async Task In_a_practice_that_is_no_demo_no_weather_is_invented()
    {
        using var real = new PracticeServer(demo: false, simulated: false);
        var weather = await real.GetAsync("/api/weather");
        Assert.False(weather["simulated"]!.GetValue<bool>());
        Assert.All(new[] { "latest", "observed", "foretold" }, part => Assert.Empty(weather[part]!.AsArray()));
        var dog = await real.MeasuredDogAsync();
        var first = (await real.GetAsync($"{dog}/fits"))["fits"]![0]!["sizeId"]!.GetValue<string>();
        await real.PostAsync($"{dog}/choice", new { sizeId = first });
        var limit = await real.PostAsync($"{dog}/wearing/limit", new { });
        Assert.Equal("Nobody has read the weather.", limit.Text("heatSays"));
        Assert.Empty(limit["ahead"]!.AsArray());
        using var stream = await real.Http.GetStreamAsync("/api/devices/tape/events");
        using var lines = new StreamReader(stream);
        var news = "";
        while (!news.StartsWith("data:", StringComparison.Ordinal))
            news = await lines.ReadLineAsync(TestContext.Current.CancellationToken) ?? "";
        Assert.Contains("\"state\":\"none\"", news, StringComparison.Ordinal);
    }

    [Fact]
    public void A_line_says_what_was_read_and_a_garbled_one_nothing()
    {
        Assert.Equal(new StationLine.Hello("stand-in", "Wend Lock"), StationLine.Parse(DeviceLine.Write("HELLO", "stand-in", "Wend-Lock", "1")));
        var read = Assert.IsType<StationLine.Observed>(StationLine.Parse(DeviceLine.Write("OBS", "20260701T0910Z", "-18.4", "63"))).Reading;
        Assert.Equal(
            (new DateTimeOffset(2026, 7, 1, 9, 10, 0, TimeSpan.Zero), -18.4, 63.0),
            (read.At, read.Weather.Air.DegreesCelsius, read.Weather.Humidity.Percent)
        );
        Assert.IsType<StationLine.Foretold>(StationLine.Parse(DeviceLine.Write("FC", "20260701T0900Z", "21.0", "55")));
        Assert.Null(StationLine.Parse(DeviceLine.Write("OBS", "20260701T0910Z", "18.4", "63")[..^1] + "!"));
        foreach (
            string[] wrong in new string[][]
            {
                ["HELLO", "stand-in", "Wend-Lock", "2"],
                ["OBS", "20260701T2510Z", "18.4", "63"],
                ["OBS", "20260701T0910Z", "61", "63"],
                ["OBS", "20260701T0910Z", "18.4", "101"],
                ["OBS", "20260701T0910Z", "18.4", "-1"],
                ["OBS", "20260701T0910Z", "1e1", "63"],
                ["RAIN", "20260701T0910Z", "18.4", "63"],
            }
        )
            Assert.Null(StationLine.Parse(DeviceLine.Write(wrong)));
    }

    [Fact]
    public void The_same_moment_has_the_same_weather_and_afternoons_are_warmer()
    {
        var (one, other) = (new StandInStation(server.Clock), new StandInStation(server.Clock));
        var day = new DateTimeOffset(2026, 6, 1, 0, 0, 0, TimeSpan.Zero);
        for (var days = 0; days < 30; days++)
        {
            var (morning, afternoon) = (day.AddDays(days).AddHours(6), day.AddDays(days).AddHours(15));
            Assert.Equal(one.WeatherAt(morning), other.WeatherAt(morning));
            Assert.True(one.WeatherAt(morning).Air < one.WeatherAt(afternoon).Air);
            Assert.True(one.WeatherAt(morning).Humidity > one.WeatherAt(afternoon).Humidity);
        }

        // A forecast errs, though not wildly.
        var errors = Enumerable
            .Range(0, 200)
            .Select(h => Math.Abs((one.WeatherAt(day.AddHours(h)).Air - one.WeatherAt(day.AddHours(h), foretold: true).Air).DegreesCelsius))
            .ToList();
        Assert.InRange(errors.Average(), 0.3, 2.5);
    }

    [Fact]
    public async Task Its_history_has_the_hole_of_its_outage()
    {
        var clock = new FakeTimeProvider(new DateTimeOffset(2026, 6, 1, 9, 3, 0, TimeSpan.Zero));
        var station = new StandInStation(clock);
        var lines = station.LinesAsync(TestContext.Current.CancellationToken).GetAsyncEnumerator(TestContext.Current.CancellationToken);
        Assert.True(await lines.MoveNextAsync());
        Assert.StartsWith("HELLO stand-in Wend-Lock 1*", lines.Current, StringComparison.Ordinal);
        var observed = 0;
        while (await lines.MoveNextAsync() && lines.Current.StartsWith("OBS", StringComparison.Ordinal))
            observed++;
        Assert.Equal(145, observed);

        station.Do(StationAct.Outage, TimeSpan.FromHours(2));
        await Assert.ThrowsAsync<IOException>(async () =>
        {
            while (await lines.MoveNextAsync()) { }
        });
        await Assert.ThrowsAsync<IOException>(async () => await First(station));
        clock.Advance(TimeSpan.FromHours(3));
        var read = new List<WeatherReading>();
        await foreach (var text in station.LinesAsync(TestContext.Current.CancellationToken))
        {
            if (StationLine.Parse(text) is StationLine.Observed { Reading: var reading })
                read.Add(reading);
            if (StationLine.Parse(text) is StationLine.Foretold)
                break;
        }

        Assert.Equal(145 - 12, read.Count);
        Assert.Equal(TimeSpan.FromMinutes(130), read.Zip(read.Skip(1), (a, b) => b.At - a.At).Max());
        static async Task First(StandInStation station) => await station.LinesAsync(TestContext.Current.CancellationToken).GetAsyncEnumerator().MoveNextAsync();
    }

    [Theory]
    [InlineData(1)]
    [InlineData(90 * 24)]
    public async Task A_clock_set_back_leaves_it_reading_from_there(int hours)
    {
        var (clock, lines) = await ToldAsync();
        clock.AdjustTime(clock.GetUtcNow().AddHours(-hours));
        var next = lines.MoveNextAsync().AsTask();
        Assert.False(next.IsCompleted);
        clock.Advance(TimeSpan.FromMinutes(7));
        Assert.True(await next.WaitAsync(TimeSpan.FromSeconds(30), TestContext.Current.CancellationToken));
        Assert.Equal(clock.GetUtcNow(), Assert.IsType<StationLine.Observed>(StationLine.Parse(lines.Current)).Reading.At);
    }

    [Fact]
    public async Task After_a_long_sleep_it_tells_a_day_and_no_more()
    {
        var (clock, lines) = await ToldAsync();
        clock.Advance(TimeSpan.FromDays(60));
        Assert.True(await lines.MoveNextAsync());
        Assert.Equal(clock.GetUtcNow().AddDays(-1), Assert.IsType<StationLine.Observed>(StationLine.Parse(lines.Current)).Reading.At, Every);
    }

    /// <summary>A station that has told what it read and what it foretells, and waits for its next reading.</summary>
    private static async Task<(FakeTimeProvider Clock, IAsyncEnumerator<string> Lines)> ToldAsync()
    {
        var clock = new FakeTimeProvider(new DateTimeOffset(2026, 6, 1, 9, 3, 0, TimeSpan.Zero));
        var lines = new StandInStation(clock).LinesAsync(TestContext.Current.CancellationToken).GetAsyncEnumerator(TestContext.Current.CancellationToken);
        for (var first = 0; first < 1 + 145 + 25; first++)
            Assert.True(await lines.MoveNextAsync());
        return (clock, lines);
    }

    [Fact]
    public async Task A_reading_from_a_day_that_has_not_come_judges_nothing()
    {
        await server.PostAsync("/api/weather/readings", new { airC = 4, humidityPercent = 60 });
        server.Clock.AdjustTime(server.Clock.GetUtcNow().AddDays(-2));
        Assert.DoesNotContain((await server.GetAsync("/api/weather"))["latest"]!.AsArray(), r => r!["byHand"]!.GetValue<bool>());
        var typed = await server.PostAsync("/api/weather/readings", new { airC = 31, humidityPercent = 60 });
        Assert.Equal(31, typed.Number("airC"));
        var latest = (await server.GetAsync("/api/weather"))["latest"]!.AsArray().Single(r => r!["byHand"]!.GetValue<bool>())!;
        Assert.Equal(31, latest["airC"]!.GetValue<double>());
    }

    [Fact]
    public async Task A_station_that_fails_in_a_way_nobody_thought_of_is_tried_again()
    {
        var clock = new FakeTimeProvider(new DateTimeOffset(2026, 6, 1, 9, 3, 0, TimeSpan.Zero));
        using var station = new StationService(new FailsAtFirst(clock), clock, NullLogger<StationService>.Instance);
        await station.StartAsync(TestContext.Current.CancellationToken);
        for (var tries = 0; tries < 300 && !station.Now.Connected; tries++)
        {
            clock.Advance(TimeSpan.FromSeconds(2));
            await Task.Delay(10, TestContext.Current.CancellationToken);
        }

        Assert.True(station.Now.Connected);
        await station.StopAsync(TestContext.Current.CancellationToken);
    }

    private sealed class FailsAtFirst(TimeProvider clock) : IStationLink
    {
        private int tries;

        public IAsyncEnumerable<string> LinesAsync(CancellationToken cancel) =>
            tries++ == 0 ? throw new InvalidOperationException("Not a break of the link.") : new StandInStation(clock).LinesAsync(cancel);
    }

    [Fact]
    public async Task What_is_typed_by_hand_counts_the_same_and_grows_stale()
    {
        var typed = await server.PostAsync(
            "/api/weather/readings",
            new
            {
                airC = 27.5,
                humidityPercent = 60,
                place = "Ferry",
            }
        );
        Assert.Equal((HttpStatusCode.OK, true, false), (typed.Status, typed["byHand"]!.GetValue<bool>(), typed["stale"]!.GetValue<bool>()));
        Assert.Equal(21.6, typed.Number("wetBulbC"), 0);
        var fog = await server.PostAsync(
            "/api/weather/readings",
            new
            {
                airC = 12,
                humidityPercent = 100,
                place = "Hill",
            }
        );
        Assert.Null(fog["wetBulbC"]);
        Assert.NotNull((await server.PostAsync("/api/weather/readings", new { airC = 99, humidityPercent = 60 })).Problem("airC"));

        server.Clock.Advance(TimeSpan.FromMinutes(60));
        var ferry = (await server.GetAsync("/api/weather"))["latest"]!.AsArray().Single(r => r!["place"]?.GetValue<string>() == "Ferry")!;
        Assert.Equal((true, 60), (ferry["stale"]!.GetValue<bool>(), ferry["ageMinutes"]!.GetValue<int>()));
    }

    [Fact]
    public async Task The_station_is_heard_and_an_outage_is_said()
    {
        var weather = await UntilAsync(w => w["connected"]!.GetValue<bool>() && w["foretold"]!.AsArray().Count == 25);
        Assert.Equal(("stand-in", "Wend Lock"), (weather.Text("station"), weather.Text("stationPlace")));
        Assert.InRange(weather["observed"]!.AsArray().Count, 143, 145);
        Assert.Equal(HttpStatusCode.NoContent, (await server.PostAsync("/api/devices/station/stand-in", new { act = "garble" })).Status);
        Assert.Equal(HttpStatusCode.NoContent, (await server.PostAsync("/api/devices/station/stand-in", new { act = "outage", minutes = 30 })).Status);
        var lost = await UntilAsync(w => !w["connected"]!.GetValue<bool>());
        Assert.NotEmpty(lost["observed"]!.AsArray());

        // The clock goes on while it is out: its last reading is stale by then.
        server.Clock.Advance(TimeSpan.FromMinutes(20));
        Assert.False((await server.GetAsync("/api/weather"))["latest"]![0]!["stale"]!.GetValue<bool>());
        Assert.NotNull((await server.PostAsync("/api/devices/station/stand-in", new { act = "outage", minutes = 0 })).Problem("minutes"));
        await UntilAsync(w => w["connected"]!.GetValue<bool>());
    }

    private async Task<Answer> UntilAsync(Func<Answer, bool> so)
    {
        for (var tries = 0; tries < 400; tries++)
        {
            var weather = await server.GetAsync("/api/weather");
            if (so(weather))
                return weather;
            server.Clock.Advance(TimeSpan.FromSeconds(10));
            await Task.Delay(20, TestContext.Current.CancellationToken);
        }

        throw new TimeoutException("The station did not come to that.");
    }
}
