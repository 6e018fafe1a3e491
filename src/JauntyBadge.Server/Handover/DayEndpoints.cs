using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using JauntyBadge.Core;
using JauntyBadge.Core.Handover;
using JauntyBadge.Core.Handover.Days;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Data.Handover;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Handover;

/// <summary>
/// The days of a dog, and of all, as iCalendar files (RFC 5545). What was handed out is remembered, so that an entry that changed has a greater number and one that is gone is
/// cancelled.
/// </summary>
internal static class DayEndpoints
{
    private const int DogsAtOnce = 200;

    public static void MapDays(this IEndpointRouteBuilder api)
    {
        api.MapGet("/dogs/{id:guid}/calendar.ics", OfDogAsync)
            .WithTags("Handover")
            .WithName("dogDays")
            .May(Concern.Papers)
            .WithSummary("A dog's days: sessions, rest, visits, upkeep and happy wears, each in words that stand alone.")
            .ProducesCalendar();
        api.MapGet("/dogs/{id:guid}/plan/calendar.ics", OfDogAsync)
            .WithTags("Conditioning")
            .WithName("calendarFile")
            .May(Concern.Papers)
            .WithSummary("The same, at its former address.")
            .ProducesCalendar();
        api.MapGet("/calendar.ics", OfAllAsync)
            .WithTags("Handover")
            .WithName("allDays")
            .May(Concern.WholePractice)
            .WithSummary("The days of every dog on the round, under the same ids as in its own calendar.")
            .ProducesCalendar();
    }

    private static RouteHandlerBuilder ProducesCalendar(this RouteHandlerBuilder endpoint) =>
        endpoint.Produces<string>(StatusCodes.Status200OK, "text/calendar").ProducesProblem(StatusCodes.Status503ServiceUnavailable);

    private static async Task<IResult> OfDogAsync(Guid id, PracticeDb db, WriteGate gate, Pen pen, TimeProvider clock, CancellationToken cancel)
    {
        await db.DogAsync(id, cancel);
        var writing = await pen.TakeAsync(cancel);
        var words = new HandoverWords(writing);
        db.ChangeTracker.Clear();
        var said = await gate.WriteAsync(db, () => PublishAsync(db, [id], words, clock, cancel), cancel);
        var name = await db.Dogs.Where(d => d.Id == id).Select(d => d.Name).SingleAsync(cancel);
        return Calendar(said, words.DaysOf(name), clock);
    }

    private static async Task<IResult> OfAllAsync(PracticeDb db, WriteGate gate, Pen pen, TimeProvider clock, CancellationToken cancel)
    {
        var words = new HandoverWords(await pen.TakeAsync(cancel));
        // Those off the round too, for what was handed out of them is cancelled.
        var ids = await db.Dogs.Where(d => d.ArchivedAt == null || db.Published.Any(p => p.DogId == d.Id)).Select(d => d.Id).ToListAsync(cancel);
        var said = new List<(Guid, Published)>();
        foreach (var some in ids.Chunk(DogsAtOnce))
            said.AddRange(await gate.WriteAsync(db, () => PublishAsync(db, some, words, clock, cancel), cancel));
        return Calendar(said, words.AllDays, clock);
    }

    /// <summary>What is said of some dogs now, remembered.</summary>
    private static async Task<List<(Guid Dog, Published Said)>> PublishAsync(
        PracticeDb db,
        IReadOnlyList<Guid> ids,
        HandoverWords words,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var (today, now) = (clock.Today(), clock.UtcNow());
        var files = await DogFile.LoadAsync(db, db.Dogs.Where(d => ids.Contains(d.Id)), cancel);
        var visits = (
            await db.Appointments.AsNoTracking().Where(a => ids.Contains(a.DogId) && a.RemovedAt == null && a.Day >= today).ToListAsync(cancel)
        ).ToLookup(a => a.DogId, a => new Visit(a.Id, a.ToRecord(), a.Note));
        var before = (await db.Published.Where(p => ids.Contains(p.DogId)).ToListAsync(cancel)).ToLookup(p => p.DogId);
        var said = new List<(Guid, Published)>();
        foreach (var file in files)
        {
            var dog = file.Dog;
            var entries = dog.ArchivedAt is null
                ? DayEntries.Of(new(dog.Name, dog.Place, file.Record, [.. visits[dog.Id]], today), words)
                : (IReadOnlyList<DayEntry>)[];
            var told = Publication.Of(before[dog.Id].Select(p => p.ToPublished()).OfType<Published>(), entries, today, now);
            var rows = before[dog.Id].ToDictionary(r => r.Key);
            foreach (var published in told)
            {
                if (!rows.Remove(published.Entry.Key, out var row))
                    db.Published.Add(
                        row = new PublishedRow
                        {
                            DogId = dog.Id,
                            Key = published.Entry.Key,
                            Entry = "",
                        }
                    );
                row.Take(published);
                said.Add((dog.Id, published));
            }

            db.Published.RemoveRange(rows.Values);
        }

        await db.SaveChangesAsync(cancel);
        db.ChangeTracker.Clear();
        return said;
    }

    private static ContentHttpResult Calendar(IEnumerable<(Guid Dog, Published Said)> said, string name, TimeProvider clock)
    {
        var zone = clock.LocalTimeZone.Id;
        var calendar = new Calendar { ProductId = "-//Jaunty Badge//Days//EN" };
        calendar.AddProperty("METHOD", "PUBLISH");
        calendar.AddProperty("X-WR-CALNAME", FileText.Printable(name));
        var timed = false;
        foreach (var (dog, published) in said)
        {
            var entry = published.Entry;
            var told = new CalendarEvent
            {
                Uid = $"{dog:N}-{entry.Key}@jaunty-badge",
                Sequence = published.Sequence,
                // When it was last changed, so that the same file made twice is the same.
                DtStamp = new CalDateTime(published.ChangedAt, CalDateTime.UtcTzId),
                LastModified = new CalDateTime(published.ChangedAt, CalDateTime.UtcTzId),
                Summary = FileText.Printable(entry.Summary),
                Description = FileText.Printable(entry.Description),
                Location = entry.Place is { } place ? FileText.Printable(place) : null,
                Status = published.Cancelled ? EventStatus.Cancelled : EventStatus.Confirmed,
                Categories = [entry.Kind.ToString()],
            };
            if (entry.Time is { } time)
            {
                timed = true;
                told.Start = new CalDateTime(entry.Day, time, zone);
                told.Duration = Duration.FromHours(1);
            }
            else
            {
                told.Start = new CalDateTime(entry.Day);
                told.End = new CalDateTime(entry.Day.AddDays(1));
                told.Transparency = TransparencyType.Transparent;
            }

            calendar.Events.Add(told);
        }

        if (timed)
            calendar.AddTimeZone(VTimeZone.FromSystemTimeZone(clock.LocalTimeZone, clock.LocalOf(clock.UtcNow()).AddYears(-1), false));
        return TypedResults.Text(new CalendarSerializer().SerializeToString(calendar), "text/calendar", System.Text.Encoding.UTF8);
    }
}
