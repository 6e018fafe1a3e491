using System.ComponentModel;
using FluentValidation;
using JauntyBadge.Core;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Data;
using JauntyBadge.Data.Measuring;
using JauntyBadge.Server.Dogs;
using JauntyBadge.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Measuring;

/// <summary>A length as somebody wrote it.</summary>
/// <param name="Text">What was written, such as <c>9,5 cm</c> or <c>3 3/4"</c>.</param>
/// <param name="Unit">The unit of a bare number; mm when left out.</param>
public sealed record WhatIfReading(string? Text = null, ReadingUnit? Unit = null);

/// <summary>The length understood.</summary>
public sealed record ReadingUnderstood(double Millimetres, string AsTaken);

/// <summary>What is made of a length while it is still being typed: either a length or what is wrong so far.</summary>
public sealed record ReadingSoFar(double? Millimetres, string? Problem);

/// <summary>A reading for a dog.</summary>
/// <param name="Id">Made by the caller so that a reading sent twice counts once; left out, the server makes one.</param>
public sealed record ReadingEntry(Guid? Id = null, Measure? Measure = null, Side? Side = null, string? Text = null, ReadingUnit? Unit = null);

/// <summary>What may be entered as a reading; the text itself is read by the core.</summary>
public sealed class ReadingEntryValidator : AbstractValidator<ReadingEntry>
{
    public ReadingEntryValidator()
    {
        RuleFor(r => r.Measure).NotNull().WithMessage("Say which measure was taken.");
        RuleFor(r => r.Side).NotNull().When(r => r.Measure == Core.Measuring.Measure.NoseToInnerEye).WithMessage("Nose to inner eye is taken left or right: say which.");
        RuleFor(r => r.Side).Null().When(r => r.Measure is { } m && m != Core.Measuring.Measure.NoseToInnerEye).WithMessage("Only nose to inner eye has a side.");
    }
}

/// <summary>A reading on record.</summary>
public sealed record ReadingDto(Guid Id, Measure Measure, Side? Side, string AsTaken, ReadingUnit Unit, double Mm, DateTime TakenAt);

/// <summary>All readings of one measure together.</summary>
public sealed record MeasuredDto(Measure Measure, Side? Side, int Count, double MeanMm, double SpreadMm, double StandardUncertaintyMm);

/// <summary>The measuring bench of one dog.</summary>
public sealed record BenchDto(
    IReadOnlyList<MeasureGuide> Guides, IReadOnlyList<ReadingDto> Readings, IReadOnlyList<MeasuredDto> Measures, IReadOnlyList<Finding> Findings,
    IReadOnlyList<MissingMeasure> Missing, IReadOnlyList<SourceDto> Snout, HeadDrawing Drawing, bool CanFit);

/// <summary>The measuring bench.</summary>
internal static class MeasuringEndpoints
{
    private const string Units = "The unit the messages speak in: mm, cm or in; mm when left out.";

    public static void MapMeasuring(this IEndpointRouteBuilder api)
    {
        api.MapPost("/what-if/reading", Understand).WithName("whatIfReading").WithTags("What if").WithSummary("Read a length the way people write it.");

        api.MapGet("/readings/so-far", SoFar).WithName("readingSoFar").WithTags("Measuring").WithSummary("What is made of a length while it is being typed; half a length is no error here.");

        var bench = api.MapGroup("/dogs/{id:guid}").WithTags("Measuring").OneWriterAtATime();
        bench.MapGet("/bench", BenchAsync).WithName("bench").WithSummary("Readings, cross-checks and the head drawn from them.");
        bench.MapPost("/readings", AddAsync).WithName("addReading").WithSummary("Add a reading, kept as taken.");
        bench.MapDelete("/readings/{readingId:guid}", (Guid id, Guid readingId, PracticeDb db, TimeProvider clock, CancellationToken cancel, string? unit = null) =>
            RemoveAsync(id, readingId, true, unit, db, clock, cancel)).WithName("removeReading").WithSummary("Take a reading out of use; it can be put back.");
        bench.MapPost("/readings/{readingId:guid}/restore", (Guid id, Guid readingId, PracticeDb db, TimeProvider clock, CancellationToken cancel, string? unit = null) =>
            RemoveAsync(id, readingId, false, unit, db, clock, cancel)).WithName("restoreReading").WithSummary("Put a reading back.");
    }

    private static ReadingUnderstood Understand(WhatIfReading asked)
    {
        var parsed = Parse(asked.Text, asked.Unit);
        return new ReadingUnderstood(parsed.Value.Millimeters.Tidy(), parsed.AsTaken);
    }

    private static ReadingSoFar SoFar(string text, string? unit = null) =>
        ReadingParser.TryParse(text, Shown(unit), out var parsed, out var problem) ? new(parsed.Value.Millimeters.Tidy(), null) : new(null, problem);

    private static ParsedReading Parse(string? text, ReadingUnit? unit) =>
        ReadingParser.TryParse(text, unit ?? ReadingUnit.Mm, out var parsed, out var problem) ? parsed : throw Refusal.Field("text", problem);

    private static Task<BenchDto> BenchAsync(Guid id, PracticeDb db, CancellationToken cancel, [Description(Units)] string? unit = null) =>
        BenchInAsync(Shown(unit), id, db, cancel);

    private static ReadingUnit Shown(string? unit) => QueryWords.Read<ReadingUnit>(unit, "unit") ?? ReadingUnit.Mm;

    private static async Task<BenchDto> BenchInAsync(ReadingUnit unit, Guid id, PracticeDb db, CancellationToken cancel)
    {
        var file = await DogFile.LoadAsync(db, id, cancel);
        var model = HeadDrawing.ModelToDraw(file.Numbers, file.Profile.BodyMass);
        return new BenchDto(
            MeasureGuide.All,
            [.. file.ReadingRows.Select(r => new ReadingDto(r.Id, r.Measure, r.Side, r.AsTaken, r.Unit, r.Millimetres.Tidy(), r.TakenAt))],
            [.. file.Measured.Select(m => new MeasuredDto(m.Measure, m.Side, m.Count, m.Mean.Millimeters.Tidy(), m.Spread.Millimeters.Tidy(), m.StandardUncertainty.Millimeters.Tidy()))],
            CrossChecks.Run(file.Readings, file.Profile.HeadShape.Shape, file.Profile.BodyMass, unit),
            Completeness.Missing(file.Measured), model.SourcesDto(), HeadDrawing.Of(model), Completeness.CanFit(file.Measured));
    }

    private static async Task<BenchDto> AddAsync(Guid id, ReadingEntry entry, PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        await db.DogAsync(id, cancel);
        var parsed = Parse(entry.Text, entry.Unit);
        var readingId = entry.Id ?? Guid.NewGuid();
        if (!await db.Readings.AnyAsync(r => r.Id == readingId, cancel))
        {
            db.Readings.Add(new ReadingRow
            {
                Id = readingId,
                DogId = id,
                Measure = entry.Measure!.Value,
                Side = entry.Side,
                Millimetres = parsed.Value.Millimeters,
                Unit = parsed.Unit,
                AsTaken = parsed.AsTaken,
                TakenAt = clock.UtcNow(),
            });
            await db.SaveChangesAsync(cancel);
        }

        return await BenchInAsync(entry.Unit ?? ReadingUnit.Mm, id, db, cancel);
    }

    private static async Task<BenchDto> RemoveAsync(Guid id, Guid readingId, bool remove, string? unit, PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        var row = await db.Readings.SingleOrDefaultAsync(r => r.Id == readingId && r.DogId == id, cancel) ?? throw Refusal.NotFound("No reading has this id.");
        var shown = Shown(unit);
        row.RemovedAt = remove ? row.RemovedAt ?? clock.UtcNow() : null;
        await db.SaveChangesAsync(cancel);
        return await BenchInAsync(shown, id, db, cancel);
    }
}
