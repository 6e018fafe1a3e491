using JauntyBadge.Core;
using JauntyBadge.Core.Handover;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Measuring;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Measuring;

/// <summary>A measuring set of the record.</summary>
/// <param name="Day">The practice's day it was begun.</param>
public sealed record MeasuringSetRecordDto(
    Guid Id,
    DateTime StartedAt,
    DateOnly Day,
    FitStyle? FitStyle,
    double? BodyMassKg,
    Coat Coat,
    IReadOnlyList<string> TakenBy,
    IReadOnlyList<MeasuredDto> Measures,
    IReadOnlyList<ReadingDto> SetAside
);

/// <summary>A dog's measuring sets, the newest first.</summary>
public sealed record HistoryDto(IReadOnlyList<MeasuringSetRecordDto> Sets, IReadOnlyList<string> MeasureAgain);

/// <summary>A CSV file to be read.</summary>
/// <param name="Text">The file's text; or its bytes below.</param>
/// <param name="File">The file's bytes in base64: UTF-8, UTF-16 or Windows-1252.</param>
/// <param name="Unit">The unit of bare numbers.</param>
/// <param name="NewSet">Whether the readings become a set of their own.</param>
public sealed record SheetEntry(string? Text = null, ReadingUnit? Unit = null, bool? NewSet = null, byte[]? File = null);

/// <summary>A row that can be taken over.</summary>
public sealed record GoodRowDto(
    int Row,
    Measure Measure,
    Side? Side,
    string AsTaken,
    double Mm,
    Tool Tool,
    string? TakenBy,
    DateTime? TakenAt,
    string? SetAside
);

/// <summary>What a CSV file holds, row by row.</summary>
public sealed record SheetDto(IReadOnlyList<GoodRowDto> Good, IReadOnlyList<BadRow> Bad);

/// <summary>Measuring sets over time, and readings as files.</summary>
internal static class HistoryEndpoints
{
    public static void MapMeasuringHistory(this IEndpointRouteBuilder api)
    {
        var dog = api.MapGroup("/dogs/{id:guid}").WithTags("Measuring").OneWriterAtATime();
        dog.MapGet("/measuring-sets", HistoryAsync).WithName("measuringSets").May(Concern.Measuring).WithSummary("The dog's measuring sets, the newest first.");
        dog.MapGet("/measuring-sets/compare", CompareAsync).WithName("compareSets").May(Concern.Measuring).WithSummary("Two sets beside each other.");
        dog.MapPost("/measuring-sets", StartAsync)
            .WithName("startMeasuringSet")
            .May(Concern.Measuring)
            .WithSummary("Begin a new set; the earlier ones are kept.");
        dog.MapDelete(
                "/measuring-sets/{setId:guid}",
                (Guid id, Guid setId, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel) =>
                    RemoveAsync(id, setId, true, db, pen, clock, cancel)
            )
            .WithName("removeMeasuringSet")
            .May(Concern.Measuring)
            .WithSummary("Take a set out of the record; it can be put back.");
        dog.MapPost(
                "/measuring-sets/{setId:guid}/restore",
                (Guid id, Guid setId, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel) =>
                    RemoveAsync(id, setId, false, db, pen, clock, cancel)
            )
            .WithName("restoreMeasuringSet")
            .May(Concern.Measuring)
            .WithSummary("Put a set back.");
        dog.MapGet("/readings.csv", ExportAsync)
            .WithName("exportReadings")
            .May(Concern.WholePractice)
            .WithSummary("All readings of the dog as CSV.")
            .Produces<string>(contentType: "text/csv");
        dog.MapPost("/readings/import/preview", PreviewAsync)
            .WithName("previewReadings")
            .May(Concern.Measuring)
            .WithSummary("What a CSV file holds: good rows and bad ones with their number. Nothing is stored.")
            .OnlyReads();
        dog.MapPost("/readings/import", ImportAsync).WithName("importReadings").May(Concern.Measuring).WithSummary("Take over the good rows of a CSV file.");
    }

    private static async Task<HistoryDto> HistoryAsync(Guid id, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel)
    {
        var file = await db.MeasuredDogAsync(id, cancel);
        var writing = await pen.WithAsync(file.Rules, cancel);
        var rows = (await db.Readings.AsNoTracking().Where(r => r.DogId == id && r.RemovedAt == null).OrderBy(r => r.Number).ToListAsync(cancel)).ToLookup(r =>
            r.SetId
        );
        return new HistoryDto(
            [
                .. file
                    .Sets.Reverse()
                    .Select(s => new MeasuringSetRecordDto(
                        s.Id,
                        s.StartedAt,
                        clock.DayOf(s.StartedAt),
                        s.FitStyle,
                        s.BodyMassKg,
                        s.Coat,
                        [.. rows[s.Id].Select(r => r.TakenBy).OfType<string>().Distinct()],
                        [.. MeasuredIn(rows[s.Id], s, file.Rules).Select(MeasuredDto.Of)],
                        [.. rows[s.Id].Where(r => r.SetAside is not null).Select(r => ReadingDto.Of(r, false))]
                    )),
            ],
            [.. file.Profile.MeasureAgain(file.LastSet, clock.Today(), file.Rules).Select(new MeasuringWords(writing).Of)]
        );
    }

    private static async Task<IReadOnlyList<ChangeDto>> CompareAsync(Guid id, Guid before, Guid after, PracticeDb db, CancellationToken cancel)
    {
        var rules = await db.RulesAsync(cancel);
        async Task<IReadOnlyList<Measured>> Load(Guid setId, string field)
        {
            var set =
                await db.MeasuringSets.AsNoTracking().SingleOrDefaultAsync(s => s.Id == setId && s.DogId == id, cancel)
                ?? throw Refusal.Field(field, $"{field} is not a measuring set of this dog.");
            return MeasuredIn(await db.Readings.AsNoTracking().Where(r => r.SetId == setId && r.RemovedAt == null).ToListAsync(cancel), set, rules);
        }

        return [.. SetComparison.Of(await Load(before, "before"), await Load(after, "after")).Select(ChangeDto.Of)];
    }

    private static IReadOnlyList<Measured> MeasuredIn(IEnumerable<ReadingRow> rows, MeasuringSetRow set, HouseRules rules) =>
        Measured.From(rows.Where(r => r.SetAside is null).Select(r => r.ToReading()), set.Coat, rules);

    private static async Task<HistoryDto> StartAsync(Guid id, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel)
    {
        await BenchEndpoints.NewSetAsync(id, db, clock, cancel);
        await db.SaveChangesAsync(cancel);
        return await HistoryAsync(id, db, pen, clock, cancel);
    }

    private static async Task<HistoryDto> RemoveAsync(Guid id, Guid setId, bool remove, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel)
    {
        var set =
            await db.MeasuringSets.SingleOrDefaultAsync(s => s.Id == setId && s.DogId == id, cancel) ?? throw Refusal.NotFound("No measuring set has this id.");
        set.RemovedAt = remove ? set.RemovedAt ?? clock.UtcNow() : null;
        await db.SaveChangesAsync(cancel);
        return await HistoryAsync(id, db, pen, clock, cancel);
    }

    private static async Task<FileContentHttpResult> ExportAsync(Guid id, PracticeDb db, CancellationToken cancel)
    {
        var dog = await db.DogAsync(id, cancel);
        var rows = await db
            .Readings.AsNoTracking()
            .Where(r => r.DogId == id && r.RemovedAt == null)
            .Join(
                db.MeasuringSets.Where(s => s.RemovedAt == null),
                r => r.SetId,
                s => s.Id,
                (r, s) =>
                    new
                    {
                        Reading = r,
                        s.StartedAt,
                        Set = s.Number,
                    }
            )
            .OrderBy(r => r.Set)
            .ThenBy(r => r.Reading.Number)
            .ToListAsync(cancel);
        var sheet = ReadingsSheet.Write(
            rows.Select(r => new SheetReading(
                r.StartedAt,
                r.Reading.Measure,
                r.Reading.Side,
                r.Reading.AsTaken,
                r.Reading.Millimetres,
                r.Reading.Tool,
                r.Reading.TakenBy,
                r.Reading.TakenAt,
                r.Reading.SetAside,
                r.Reading.UncertaintyMm,
                r.Reading.Held
            ))
        );
        var name = string.Concat(dog.Name.Where(char.IsLetterOrDigit));
        return TypedResults.File(System.Text.Encoding.UTF8.GetBytes(sheet), "text/csv; charset=utf-8", $"readings-{(name == "" ? "dog" : name)}.csv");
    }

    private static async Task<SheetDto> PreviewAsync(Guid id, SheetEntry entry, PracticeDb db, CancellationToken cancel)
    {
        await db.DogAsync(id, cancel);
        var read = Read(entry);
        return new SheetDto(
            [
                .. read.Good.Select(g => new GoodRowDto(
                    g.Row,
                    g.Measure,
                    g.Side,
                    g.Value.AsTaken,
                    g.Value.Value.Millimeters.Tidy(),
                    g.Tool,
                    g.TakenBy,
                    g.TakenAt,
                    g.SetAside
                )),
            ],
            read.Bad
        );
    }

    private static async Task<BenchDto> ImportAsync(Guid id, SheetEntry entry, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel)
    {
        await db.DogAsync(id, cancel);
        var read = Read(entry);
        if (read.Good.Count == 0)
            throw Refusal.Field("text", $"No row can be taken over. {(read.Bad.Count > 0 ? read.Bad[0].Problem : "The file has no rows.")}");
        var now = clock.UtcNow();
        var known = (await db.Readings.AsNoTracking().Where(r => r.DogId == id && r.RemovedAt == null).ToListAsync(cancel))
            .CountBy(r => (r.Measure, r.Side, Math.Round(r.Millimetres, 3), r.TakenAt))
            .ToDictionary();
        var seen = known.ToDictionary(k => k.Key, _ => 0);
        var sets = new SetsByStart(id, entry.NewSet == true, db, clock);
        foreach (var g in read.Good)
        {
            var at = g.TakenAt is { } taken && taken < now ? taken : now.AddMilliseconds(g.Row);
            // Equal repeats with one time stamp are readings of their own; only as many as are on record already are left out.
            var key = (g.Measure, g.Side, Math.Round(g.Value.Value.Millimeters, 3), at);
            if (seen.TryGetValue(key, out var passed) && passed < known[key])
            {
                seen[key] = passed + 1;
                continue;
            }

            db.Readings.Add(
                new ReadingRow
                {
                    Id = Guid.NewGuid(),
                    DogId = id,
                    SetId = await sets.ForAsync(g.SetStarted < now ? g.SetStarted : null, cancel),
                    Measure = g.Measure,
                    Side = g.Side,
                    Millimetres = g.Value.Value.Millimeters,
                    Unit = g.Value.Unit,
                    AsTaken = g.Value.AsTaken,
                    Tool = g.Tool,
                    TakenBy = g.TakenBy,
                    TakenAt = at,
                    SetAside = g.SetAside,
                    UncertaintyMm = g.UncertaintyMm,
                    Held = g.Held,
                }
            );
        }

        await db.SaveChangesAsync(cancel);
        return await BenchEndpoints.BenchInAsync(entry.Unit, id, db, pen, clock, cancel);
    }

    /// <summary>The set each row of a file goes into: the one begun at the row's time, else the set in hand or a new one.</summary>
    private sealed class SetsByStart(Guid dogId, bool fresh, PracticeDb db, TimeProvider clock)
    {
        private readonly Dictionary<DateTime, Guid> byStart = [];
        private Guid? without;

        public async Task<Guid> ForAsync(DateTime? started, CancellationToken cancel)
        {
            if (started is not { } at)
                return without ??= (
                    fresh ? await BenchEndpoints.NewSetAsync(dogId, db, clock, cancel) : await BenchEndpoints.CurrentSetAsync(dogId, db, clock, cancel)
                ).Id;
            if (byStart.TryGetValue(at, out var known))
                return known;

            // A file gives whole seconds.
            var set = await db.MeasuringSets.FirstOrDefaultAsync(
                s => s.DogId == dogId && s.RemovedAt == null && s.StartedAt >= at && s.StartedAt < at.AddSeconds(1),
                cancel
            );
            if (set is null)
            {
                set = new MeasuringSetRow
                {
                    Id = Guid.NewGuid(),
                    DogId = dogId,
                    StartedAt = at,
                };
                db.MeasuringSets.Add(set);
            }

            return byStart[at] = set.Id;
        }
    }

    private static SheetRead Read(SheetEntry entry) =>
        FileWords.Of(entry.Text, entry.File) is { Length: > 0 } text && !string.IsNullOrWhiteSpace(text)
            ? ReadingsSheet.Read(text, entry.Unit ?? ReadingUnit.Mm)
            : throw Refusal.Field("text", "Choose a CSV file with rows in it.");
}
