using System.ComponentModel;
using JauntyBadge.Core;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Measuring;
using JauntyBadge.Server.Shared;
using Microsoft.EntityFrameworkCore;
using UnitsNet;

namespace JauntyBadge.Server.Measuring;

/// <summary>The measuring bench.</summary>
internal static class BenchEndpoints
{
    private const string Units = "The unit the messages speak in: mm, cm or in; mm when left out.";

    public static void MapBench(this IEndpointRouteBuilder api)
    {
        api.MapGet("/readings/so-far", SoFar)
            .WithName("readingSoFar")
            .May(Concern.Readings)
            .WithTags("Measuring")
            .WithSummary("What is made of a length while it is being typed; half a length is no error here.");

        var bench = api.MapGroup("/dogs/{id:guid}").WithTags("Measuring").OneWriterAtATime();
        bench.MapGet("/bench", BenchAsync).WithName("bench").May(Concern.Measuring).WithSummary("Readings, cross-checks and the head drawn from them.");
        bench
            .MapGet("/bench/typing", TypingAsync)
            .WithName("typing")
            .May(Concern.Measuring)
            .WithSummary("The bench as it would be with a reading that is being typed; half a length is no error here.");
        bench
            .MapPut("/bench", SetAsync)
            .WithName("editMeasuringSet")
            .May(Concern.Measuring)
            .WithSummary("Fit style, body mass, coat and fit-line gap of the set in hand.")
            .NeedsVersion();
        bench
            .MapPost("/jaw-held", HeldAsync)
            .WithName("jawHeld")
            .May(Concern.Readings)
            .WithSummary("Say how the jaw to nose readings in hand were held: level or point to point.");
        bench.MapPost("/readings", AddAsync).WithName("addReading").May(Concern.Readings).WithSummary("Add a reading, kept as taken.");
        bench
            .MapDelete(
                "/readings/{readingId:guid}",
                (Guid id, Guid readingId, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel, string? unit = null) =>
                    ChangeAsync(id, readingId, r => r.RemovedAt ??= clock.UtcNow(), unit, db, pen, clock, cancel)
            )
            .WithName("removeReading")
            .May(Concern.Readings)
            .WithSummary("Take a reading out of use as a slip; it can be put back.");
        bench
            .MapPost(
                "/readings/{readingId:guid}/restore",
                (Guid id, Guid readingId, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel, string? unit = null) =>
                    ChangeAsync(id, readingId, r => r.RemovedAt = null, unit, db, pen, clock, cancel)
            )
            .WithName("restoreReading")
            .May(Concern.Readings)
            .WithSummary("Put a reading back.");
        bench
            .MapPost(
                "/readings/{readingId:guid}/judge",
                (
                    Guid id,
                    Guid readingId,
                    ReadingJudgement judgement,
                    PracticeDb db,
                    Pen pen,
                    TimeProvider clock,
                    CancellationToken cancel,
                    string? unit = null
                ) => ChangeAsync(id, readingId, r => (r.SetAside, r.Kept) = (judgement.SetAside?.Trim(), judgement.Keep == true), unit, db, pen, clock, cancel)
            )
            .WithName("judgeReading")
            .May(Concern.Measuring)
            .WithSummary("Set a reading aside with a reason, keep it, or take either back.");
    }

    private static ReadingSoFar SoFar(string? text = null, string? unit = null, string? from = null, string? to = null)
    {
        try
        {
            return new(new ReadingEntry(Text: text, Unit: Shown(unit) ?? ReadingUnit.Mm, From: from, To: to).Parse().Value.Millimeters.Tidy(), null);
        }
        catch (Refusal refusal) when (!refusal.Errors.ContainsKey("unit"))
        {
            return new(null, refusal.Message);
        }
    }

    internal static ReadingUnit? Shown(string? unit) => QueryWords.Read<ReadingUnit>(unit, "unit");

    private static Task<BenchDto> BenchAsync(
        Guid id,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel,
        [Description(Units)] string? unit = null
    ) => BenchInAsync(Shown(unit), id, db, pen, clock, cancel);

    internal static async Task<BenchDto> BenchInAsync(ReadingUnit? unit, Guid id, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel)
    {
        var file = await db.MeasuredDogAsync(id, cancel);
        var words = new MeasuringWords(await pen.WithAsync(file.Rules, cancel, unit));
        var assessment = file.Assess();
        var model = file.ToDraw;
        var asked = FitStyleMeasures.AskedBy(file.FitStyle);
        return new BenchDto(
            [.. MeasureDefinition.All.Select(m => words.Told(m.Guide))],
            asked,
            [.. FitStyleMeasures.All.Except(asked)],
            SetOf(file, model, clock),
            ReadingsOf(file),
            [.. assessment.Measured.Select(MeasuredDto.Of)],
            FindingDto.Of(assessment.Findings, words),
            HeadShapeDto.Of(assessment.HeadShape, words),
            [.. assessment.Missing.Select(words.Told)],
            await ChangesAsync(file, assessment, db, cancel),
            [.. file.Profile.MeasureAgain(file.LastSet, clock.Today(), file.Rules).Select(words.Of)],
            model.SourcesDto(words),
            HeadDrawingDto.Of(HeadDrawing.Of(model, file.Profile.Look), words),
            assessment.Snout is not null,
            assessment.Doubted,
            assessment.IsReady
        );
    }

    private static async Task<TypingDto> TypingAsync(
        Guid id,
        PracticeDb db,
        Pen pen,
        CancellationToken cancel,
        string? measure = null,
        string? side = null,
        string? text = null,
        string? tool = null,
        [Description(Units)] string? unit = null
    )
    {
        var shown = Shown(unit);
        var line = new MeasureLine(
            QueryWords.Read<Measure>(measure, "measure") ?? throw Refusal.Field("measure", "Say which measure is being typed."),
            QueryWords.Read<Side>(side, "side")
        );
        if (MeasureDefinition.For(line.Measure).Guide.HasSides != line.Side is not null)
            throw Refusal.Field("side", line.Side is null ? ReadingEntryValidator.SayWhichSide : ReadingEntryValidator.HasNoSide);
        var file = await db.MeasuredDogAsync(id, cancel);
        var writing = await pen.WithAsync(file.Rules, cancel, shown);
        var words = new MeasuringWords(writing);
        var read = ReadingParser.TryParse(text, writing.Unit, out var parsed, out var problem);
        var assessment = file.Assess(
            read ? [new Reading(line.Measure, line.Side, parsed.Value, parsed.Unit, QueryWords.Read<Tool>(tool, "tool") ?? Tool.SoftTape)] : []
        );
        return new TypingDto(
            read ? new(parsed.Value.Millimeters.Tidy(), null) : new(null, problem),
            [.. assessment.Measured.Select(MeasuredDto.Of)],
            FindingDto.Of(assessment.Findings, words),
            HeadShapeDto.Of(assessment.HeadShape, words),
            HeadDrawingDto.Of(HeadDrawing.Of(HeadDrawing.ModelToDraw(assessment.Numbers, file.Profile.BodyMass), file.Profile.Look), words)
        );
    }

    private static MeasuringSetDto SetOf(MeasuredDog file, SnoutModel model, TimeProvider clock) =>
        new(
            file.CurrentSet?.Id,
            file.CurrentSet?.StartedAt,
            file.CurrentSet is { } set ? clock.DayOf(set.StartedAt) : null,
            file.FitStyle,
            file.CurrentSet?.BodyMassKg ?? file.Dog.BodyMassKg,
            file.CurrentSet?.Coat ?? file.Profile.Coat,
            file.CurrentSet?.FitLineGapMm,
            SnoutRules.UsualGap(model.EyeLine.Value, model.Rules).Millimeters.Tidy(),
            Math.Max(0, file.Sets.Count - 1),
            IsOver(file.CurrentSet, file.ReadingRows, file.Rules, clock),
            file.CurrentSet?.Version ?? 0
        );

    /// <summary>Readings in the order taken, the odd one of each measure marked.</summary>
    private static IReadOnlyList<ReadingDto> ReadingsOf(MeasuredDog file)
    {
        var rows = file.ReadingRows;
        var apart = rows.Where(r => r.SetAside is null)
            .GroupBy(r => (r.Measure, r.Side))
            .Select(g => Repeats.Odd([.. g.Select(r => r.ToReading())], file.Rules) is { } odd ? g.ElementAt(odd).Id : (Guid?)null)
            .OfType<Guid>()
            .ToHashSet();
        return [.. rows.Select(r => ReadingDto.Of(r, apart.Contains(r.Id)))];
    }

    private static async Task<IReadOnlyList<ChangeDto>> ChangesAsync(MeasuredDog file, Assessment assessment, PracticeDb db, CancellationToken cancel)
    {
        if (file.Sets.Count < 2)
            return [];
        var before = file.Sets[^2];
        var rows = await db.Readings.AsNoTracking().Where(r => r.SetId == before.Id && r.RemovedAt == null && r.SetAside == null).ToListAsync(cancel);
        return
        [
            .. SetComparison
                .Of(Measured.From(rows.Select(r => r.ToReading()), before.Coat, file.Rules), assessment.Measured)
                .Where(c => c.Change is not null)
                .Select(ChangeDto.Of),
        ];
    }

    private static async Task<BenchDto> SetAsync(
        Guid id,
        MeasuringSetEntry entry,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel,
        string? unit = null,
        [Edited] string? edited = null
    )
    {
        var shown = Shown(unit);
        var dog = await db.DogAsync(id, cancel);
        var set = await CurrentSetAsync(id, db, clock, cancel);
        await Versions.NeedAsync(
            edited,
            set.Version,
            async () => ("What belongs to this measuring set", (await BenchInAsync(shown, id, db, pen, clock, cancel)).Set)
        );

        // What the dog weighs and wears today is not what it did when an old set was taken.
        if ((entry.BodyMassKg != set.BodyMassKg && entry.BodyMassKg is not null) || (entry.Coat is { } coat && coat != set.Coat))
            set = await FollowingAsync(set, entry.IntoOldSet == true, db, clock, cancel);
        (set.FitStyle, set.BodyMassKg, set.Coat, set.FitLineGapMm) = (entry.FitStyle, entry.BodyMassKg, entry.Coat ?? set.Coat, entry.FitLineGapMm);
        if ((entry.BodyMassKg is not null && entry.BodyMassKg != dog.BodyMassKg) || (entry.Coat is not null && entry.Coat != dog.CoatSeen))
        {
            (dog.BodyMassKg, dog.CoatSeen) = (entry.BodyMassKg ?? dog.BodyMassKg, entry.Coat ?? dog.CoatSeen);
        }

        await db.SaveChangesAsync(cancel);
        return await BenchInAsync(shown, id, db, pen, clock, cancel);
    }

    private static async Task<BenchDto> AddAsync(Guid id, ReadingEntry entry, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel)
    {
        await db.DogAsync(id, cancel);
        var parsed = entry.Parse();
        var readingId = entry.Id ?? Guid.NewGuid();
        if (await db.Readings.AsNoTracking().SingleOrDefaultAsync(r => r.Id == readingId, cancel) is { } known)
        {
            if ((known.DogId, known.Measure, known.Side, known.AsTaken) != (id, entry.Measure!.Value, entry.Side, parsed.AsTaken))
                throw Refusal.Conflict("This id stands for another reading. Send this one with an id of its own.");
        }
        else
        {
            var set = await SetForNowAsync(id, entry.IntoOldSet == true, db, clock, cancel);
            db.Readings.Add(
                new ReadingRow
                {
                    Id = readingId,
                    DogId = id,
                    SetId = set.Id,
                    Measure = entry.Measure!.Value,
                    Side = entry.Side,
                    Millimetres = parsed.Value.Millimeters,
                    Unit = parsed.Unit,
                    AsTaken = parsed.AsTaken,
                    Tool = entry.Tool ?? (entry.To is null ? Tool.SoftTape : Tool.String),
                    TakenBy = entry.TakenBy.OrNull(),
                    TakenAt = clock.UtcNow(),
                    Held = entry.Measure == Measure.JawToNose ? entry.Held : null,
                }
            );
            await db.SaveChangesAsync(cancel);
        }

        return await BenchInAsync(entry.Unit, id, db, pen, clock, cancel);
    }

    private static async Task<BenchDto> ChangeAsync(
        Guid id,
        Guid readingId,
        Action<ReadingRow> change,
        string? unit,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var row = await db.Readings.SingleOrDefaultAsync(r => r.Id == readingId && r.DogId == id, cancel) ?? throw Refusal.NotFound("No reading has this id.");
        var shown = Shown(unit);
        change(row);
        await db.SaveChangesAsync(cancel);
        return await BenchInAsync(shown, id, db, pen, clock, cancel);
    }

    /// <summary>Says how every jaw to nose in hand was held.</summary>
    private static async Task<BenchDto> HeldAsync(
        Guid id,
        JawHeldEntry entry,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel,
        string? unit = null
    )
    {
        var shown = Shown(unit);
        await db.DogAsync(id, cancel);
        var set = await CurrentSetAsync(id, db, clock, cancel);
        var rows = await db.Readings.Where(r => r.SetId == set.Id && r.Measure == Measure.JawToNose && r.RemovedAt == null).ToListAsync(cancel);
        if (rows.Count == 0)
            throw Refusal.Conflict("Jaw to nose was not read in this set.");
        rows.ForEach(r => r.Held = entry.Held);
        await db.SaveChangesAsync(cancel);
        return await BenchInAsync(shown, id, db, pen, clock, cancel);
    }

    /// <summary>Whether a set is of an earlier day: what is read now belongs to a new one.</summary>
    private static bool IsOver(MeasuringSetRow? set, IEnumerable<ReadingRow> readings, HouseRules rules, TimeProvider clock) =>
        set is not null && Sitting.IsOver(clock.DayOf(set.StartedAt), readings.Select(r => (DateTime?)r.TakenAt).Max(), clock.Today(), clock.UtcNow(), rules);

    /// <summary>The set that what is read now goes into: the one in hand, or a new one where that is of an earlier day and the fitter did not say otherwise.</summary>
    internal static async Task<MeasuringSetRow> SetForNowAsync(Guid dogId, bool intoOldSet, PracticeDb db, TimeProvider clock, CancellationToken cancel) =>
        await FollowingAsync(await CurrentSetAsync(dogId, db, clock, cancel), intoOldSet, db, clock, cancel);

    private static async Task<MeasuringSetRow> FollowingAsync(
        MeasuringSetRow set,
        bool intoOldSet,
        PracticeDb db,
        TimeProvider clock,
        CancellationToken cancel
    ) =>
        !intoOldSet
        && IsOver(
            set,
            await db.Readings.AsNoTracking().Where(r => r.SetId == set.Id && r.RemovedAt == null).ToListAsync(cancel),
            await db.RulesAsync(cancel),
            clock
        )
            ? await NewSetAsync(set.DogId, db, clock, cancel)
            : set;

    /// <summary>The set readings go into: the last one, or a first one begun now.</summary>
    internal static async Task<MeasuringSetRow> CurrentSetAsync(Guid dogId, PracticeDb db, TimeProvider clock, CancellationToken cancel) =>
        await db.MeasuringSets.Where(s => s.DogId == dogId && s.RemovedAt == null).OrderBy(s => s.Number).LastOrDefaultAsync(cancel)
        ?? await NewSetAsync(dogId, db, clock, cancel);

    /// <summary>Begins a set with the dog as it is now. The caller saves.</summary>
    internal static async Task<MeasuringSetRow> NewSetAsync(Guid dogId, PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        var file = await db.MeasuredDogAsync(dogId, cancel);
        var set = new MeasuringSetRow
        {
            Id = Guid.NewGuid(),
            DogId = dogId,
            StartedAt = clock.UtcNow(),
            FitStyle = file.CurrentSet?.FitStyle,
            BodyMassKg = file.Dog.BodyMassKg,
            Coat = file.Profile.Coat,
        };
        db.MeasuringSets.Add(set);
        return set;
    }
}
