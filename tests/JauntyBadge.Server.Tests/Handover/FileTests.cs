using System.Globalization;
using System.Net;
using CsvHelper;
using CsvHelper.Configuration;
using Calendar = Ical.Net.Calendar;

namespace JauntyBadge.Server.Tests.Handover;

/// <summary>Calendars and tables, read by other libraries.</summary>
public sealed class FileTests(DemoServer demo) : IClassFixture<DemoServer>
{
    private readonly PracticeServer practice = demo.Practice;

    private static async Task<Calendar> DaysAsync(PracticeServer server, string address) => Calendar.Load(await server.Http.GetStringAsync(address))!;

    /// <summary>Read by Ical.Net, and as text: every entry stands alone, lines are folded, each thing is there once.</summary>
    [Fact]
    public async Task Every_dogs_days_can_be_read_and_stand_alone()
    {
        var all = new List<string>();
        foreach (var (id, name) in await demo.DogsAsync())
        {
            var text = await practice.Http.GetStringAsync($"/api/dogs/{id}/calendar.ics");
            Assert.Equal(text, await practice.Http.GetStringAsync($"/api/dogs/{id}/calendar.ics"));
            Assert.Equal(text, await practice.Http.GetStringAsync($"/api/dogs/{id}/plan/calendar.ics"));
            // RFC 5545 3.1: lines of 75 octets at most, ended by CRLF.
            Assert.All(text.Split("\r\n"), l => Assert.InRange(System.Text.Encoding.UTF8.GetByteCount(l), 0, 75));
            Assert.DoesNotContain('\n', text.Replace("\r\n", "", StringComparison.Ordinal));
            var calendar = Calendar.Load(text)!;
            foreach (var entry in calendar.Events)
            {
                Assert.Contains(name, entry.Summary, StringComparison.Ordinal);
                Assert.False(string.IsNullOrWhiteSpace(entry.Description), entry.Summary);
                Assert.DoesNotContain("As before", entry.Description, StringComparison.OrdinalIgnoreCase);
                Assert.False(string.IsNullOrWhiteSpace(entry.Uid));
                all.Add(entry.Uid);
            }

            Assert.Equal(calendar.Events.Count, calendar.Events.Select(e => e.Uid).Distinct().Count());
        }

        // The practice's own has the same entries under the same ids, so that both taken in show each thing once.
        var whole = await DaysAsync(practice, "/api/calendar.ics");
        Assert.Equal(all.Order(), whole.Events.Select(e => e.Uid).Order());
        Assert.True(all.Count > 50, $"{all.Count}");
    }

    [Fact]
    public async Task A_visit_moved_has_a_greater_number_and_one_gone_is_cancelled()
    {
        using var server = new PracticeServer();
        var dog = await server.MeasuredDogAsync();
        var visit = $"{dog}/appointments/{Guid.NewGuid()}";
        var made = await server.EditAsync(
            HttpMethod.Put,
            visit,
            new
            {
                day = "2026-06-12",
                time = "10:30",
                kind = "clinic",
                place = "Wend Lock",
            },
            0
        );
        Assert.Equal(HttpStatusCode.OK, made.Status);
        async Task<Ical.Net.CalendarComponents.CalendarEvent> VisitAsync(string address) =>
            (await DaysAsync(server, address)).Events.Single(e => e.Uid!.Contains("visit", StringComparison.Ordinal));

        var first = await VisitAsync($"{dog}/calendar.ics");
        Assert.Equal(("Wend Lock", 0, "CONFIRMED"), (first.Location, first.Sequence, first.Status));
        Assert.Equal(new DateTime(2026, 6, 12, 10, 30, 0), first.Start!.Value);
        Assert.False(string.IsNullOrEmpty(first.Start.TzId));
        await server.PutAsync(
            visit,
            new
            {
                day = "2026-06-15",
                time = "11:00",
                kind = "clinic",
                place = "Wend Lock",
            }
        );
        var moved = await VisitAsync($"{dog}/calendar.ics");
        Assert.Equal((first.Uid, 1), (moved.Uid, moved.Sequence));
        Assert.Equal(new DateTime(2026, 6, 15, 11, 0, 0), moved.Start!.Value);
        // Asked through the practice's calendar in between, it is the same entry and the same number.
        Assert.Equal(1, (await VisitAsync("/api/calendar.ics")).Sequence);
        await server.SendAsync(HttpMethod.Delete, visit);
        var gone = await VisitAsync($"{dog}/calendar.ics");
        Assert.Equal((first.Uid, 2, "CANCELLED"), (gone.Uid, gone.Sequence, gone.Status));
        Assert.Equal(2, (await VisitAsync($"{dog}/calendar.ics")).Sequence);
    }

    [Fact]
    public async Task What_is_trained_moves_on_and_a_dog_handed_over_is_cancelled_whole()
    {
        using var server = new PracticeServer();
        var dog = await server.MeasuredDogAsync();
        var before = await DaysAsync(server, "/api/calendar.ics");
        Assert.Contains(before.Events, e => e.Uid!.Contains("session-", StringComparison.Ordinal));
        server.Clock.Advance(TimeSpan.FromDays(1));
        var next = await DaysAsync(server, "/api/calendar.ics");
        Assert.All(next.Events, e => Assert.Equal("CONFIRMED", e.Status));
        await server.PostAsync($"{dog}/handed-over", new { to = "Somebody" });
        var away = await DaysAsync(server, "/api/calendar.ics");
        var today = DateOnly.FromDateTime(server.Clock.GetLocalNow().DateTime);
        Assert.All(away.Events.Where(e => DateOnly.FromDateTime(e.Start!.Value) >= today), e => Assert.Equal("CANCELLED", e.Status));
        Assert.NotEmpty(away.Events);
    }

    [Theory]
    [InlineData("sessions", "held_s")]
    [InlineData("wears", "worn_min")]
    [InlineData("inspections", "failed")]
    [InlineData("visits", "time_local")]
    [InlineData("readings", "value_mm")]
    [InlineData("treats", "energy_kcal")]
    [InlineData("catalogue", "opening_girth_mm")]
    public async Task Every_table_is_read_by_another_library(string name, string column)
    {
        var text = await practice.Http.GetStringAsync($"/api/tables/{name}.csv");
        var all = Read(text);
        Assert.NotEmpty(all);
        Assert.Contains(column, all[0].Keys);
        Assert.All(all, row => Assert.Equal(all[0].Count, row.Count));
        if (name == "catalogue")
        {
            Assert.Equal(HttpStatusCode.NotFound, (await practice.GetAsync($"/api/dogs/{(await demo.DogsAsync())[0].Id}/tables/catalogue.csv")).Status);
            return;
        }

        // A dog's own table is its rows of that of all.
        var rows = 0;
        foreach (var (id, _) in await demo.DogsAsync())
        {
            var own = Read(await practice.Http.GetStringAsync($"/api/dogs/{id}/tables/{name}.csv"));
            Assert.Equal(all.Where(r => r["dog_id"] == id.ToString()).Select(r => string.Join("|", r.Values)), own.Select(r => string.Join("|", r.Values)));
            rows += own.Count;
        }

        Assert.Equal(all.Count, rows);
    }

    [Fact]
    public async Task A_row_a_go_as_the_record_has_them()
    {
        foreach (var (id, _) in await demo.DogsAsync())
        {
            var sessions = (await practice.GetAsync($"/api/dogs/{id}/progress")).Json["sessions"]!.AsArray();
            var rows = Read(await practice.Http.GetStringAsync($"/api/dogs/{id}/tables/sessions.csv"))
                .Where(r => r["went_well"] != "" && r["decision"] != "")
                .ToList();
            Assert.Equal(sessions.Sum(s => s!["goes"]!["of"]!.GetValue<int>()), rows.Count);
            Assert.Equal(sessions.Sum(s => s!["goes"]!["good"]!.GetValue<int>()), rows.Count(r => r["went_well"] == "true"));
        }
    }

    /// <summary>What a spreadsheet would run is text.</summary>
    [Fact]
    public async Task A_formula_is_no_formula()
    {
        using var server = new PracticeServer();
        var dog = await server.NewDogAsync(new { name = "=1+1", purposes = new[] { "walks" } });
        await server.EditAsync(
            HttpMethod.Put,
            $"{dog}/wears/{Guid.NewGuid()}",
            new
            {
                startedAt = "2026-05-31T10:00:00Z",
                endedAt = "2026-05-31T10:05:00Z",
                occasion = "fun",
                note = "+cmd|' /C calc'!A0",
                place = "@here, \"there\"",
            },
            0
        );
        var text = await server.Http.GetStringAsync("/api/tables/wears.csv");
        Assert.Contains("'=1+1", text, StringComparison.Ordinal);
        Assert.DoesNotContain(",=1+1", text, StringComparison.Ordinal);
        var row = Assert.Single(Read(text));
        Assert.StartsWith("'+cmd", row["note"], StringComparison.Ordinal);
        Assert.Equal("'@here, \"there\"", row["place"]);
        Assert.Equal("2026-05-31T10:00:00.000Z", row["on"]);
    }

    private static List<Dictionary<string, string>> Read(string text)
    {
        using var csv = new CsvReader(new StringReader(text), new CsvConfiguration(CultureInfo.InvariantCulture));
        csv.Read();
        csv.ReadHeader();
        var rows = new List<Dictionary<string, string>>();
        while (csv.Read())
            rows.Add(csv.HeaderRecord!.ToDictionary(h => h, h => csv.GetField(h)!));
        return rows;
    }
}
