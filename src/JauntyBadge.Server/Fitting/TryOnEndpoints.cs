using FluentValidation;
using JauntyBadge.Core;
using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Server.Measuring;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using UnitsNet;

namespace JauntyBadge.Server.Fitting;

/// <summary>What is looked at on the dog, and what may be wrong.</summary>
/// <param name="Accepts">Whether the dog wears it yet: the try-on comes late, on a dog that accepts it.</param>
/// <param name="Right">The setting the strap should be at.</param>
/// <param name="Caution">What is to be minded with its type; null for a basket.</param>
/// <param name="NeckRange">The loops its strap makes, mm; null when unknown.</param>
public sealed record TryOnGuide(
    string SizeId,
    string Muzzle,
    bool Accepts,
    string? NextStep,
    StrapDto? Right,
    IReadOnlyList<double>? NeckRange,
    double? HolePitchMm,
    IReadOnlyList<TryOnCheck> Checks,
    IReadOnlyList<Symptom> Symptoms,
    string? Caution,
    IReadOnlyList<string> Cautions
);

/// <summary>What is seen, and how it is fastened.</summary>
public sealed record DiagnoseEntry(string? SizeId = null, string? Symptom = null, int? Hole = null, double? FromTightestMm = null);

/// <summary>A symptom with its causes and remedies.</summary>
public sealed record DiagnosisDto(Symptom Symptom, IReadOnlyList<Diagnosed> Causes);

/// <summary>A try-on to keep.</summary>
public sealed record TryOnEntry(
    string? SizeId = null,
    IReadOnlyDictionary<string, bool>? Answers = null,
    IReadOnlyList<string>? Symptoms = null,
    int? Hole = null,
    double? FromTightestMm = null,
    string? Note = null
);

public sealed class TryOnEntryValidator : AbstractValidator<TryOnEntry>
{
    public TryOnEntryValidator()
    {
        RuleFor(t => t.SizeId).NotEmpty().WithMessage("Say which muzzle was tried.");
        RuleFor(t => t.Answers).Must(a => a is { Count: > 0 }).WithMessage("Answer at least one check.");
        RuleFor(t => t.Answers)
            .Must(a => a is null || a.Keys.All(k => TryOnCheck.All.Any(c => c.Id == k)))
            .WithMessage($"A check is one of {string.Join(", ", TryOnCheck.All.Select(c => c.Id))}.");
        RuleFor(t => t.Symptoms)
            .Must(s => s is null || s.All(id => Symptom.Find(id) is not null))
            .WithMessage($"A symptom is one of {string.Join(", ", Symptom.All.Select(s => s.Id))}.");
        RuleFor(t => t.Note).MaximumLength(1000).WithMessage("Up to 1000 letters, please.");
    }
}

/// <summary>A try-on on record.</summary>
public sealed record TryOnDto(Guid Id, DateTime At, string SizeId, TryOnRecord Seen, bool HasPicture)
{
    public static TryOnDto Of(TryOnRow row) => new(row.Id, row.At, row.SizeId, row.Seen, row.HasPicture);
}

/// <summary>Trying a muzzle on the dog: checks, diagnosis, record.</summary>
internal static class TryOnEndpoints
{
    public static void MapTryOn(this IEndpointRouteBuilder api)
    {
        api.MapPost("/dogs/{id:guid}/try-ons/{tryOnId:guid}/picture", AddPictureAsync)
            .WithName("addTryOnPicture")
            .May(Concern.Choosing)
            .WithTags("Try-on")
            .WithSummary("Attach a picture: JPEG, PNG or WebP up to 20 MB.")
            .TakesPicture();

        var tries = api.MapGroup("/dogs/{id:guid}").WithTags("Try-on").OneWriterAtATime();
        tries
            .MapGet("/try-on", GuideAsync)
            .WithName("tryOnGuide")
            .May(Concern.Choosing)
            .WithSummary("The checks for a muzzle on this dog: the size named, else the one chosen, else the one ranked first.");
        tries
            .MapPost("/try-on/diagnose", DiagnoseAsync)
            .WithName("diagnose")
            .May(Concern.Choosing)
            .WithSummary("From a symptom to causes and the cheapest remedy, recomputed.")
            .OnlyReads();
        tries.MapGet("/try-ons", ListAsync).WithName("tryOns").May(Concern.Choosing).WithSummary("A dog's try-ons, the newest first.");
        tries.MapPost("/try-ons", KeepAsync).WithName("keepTryOn").May(Concern.Choosing).WithSummary("Keep a try-on.");
        tries
            .MapGet("/try-ons/{tryOnId:guid}/picture", PictureAsync)
            .WithName("tryOnPicture")
            .May(Concern.Choosing)
            .WithSummary("Its picture.")
            .Produces<byte[]>(contentType: "image/jpeg");
        tries
            .MapDelete(
                "/try-ons/{tryOnId:guid}",
                (Guid id, Guid tryOnId, PracticeDb db, TimeProvider clock, CancellationToken cancel) => RemoveAsync(id, tryOnId, clock.UtcNow(), db, cancel)
            )
            .WithName("removeTryOn")
            .May(Concern.Choosing)
            .WithSummary("Take a try-on out; it can be put back.");
        tries
            .MapPost(
                "/try-ons/{tryOnId:guid}/restore",
                (Guid id, Guid tryOnId, PracticeDb db, CancellationToken cancel) => RemoveAsync(id, tryOnId, null, db, cancel)
            )
            .WithName("restoreTryOn")
            .May(Concern.Choosing)
            .WithSummary("Put a try-on back.");
    }

    private static async Task<TryOnGuide> GuideAsync(
        Guid id,
        [AsParameters] FitQuery query,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel,
        string? size = null
    )
    {
        var file = await FitFile.LoadAsync(db, pen, id, clock, cancel);
        var question = file.NeedQuestion(query.Read());
        var fit = file.Judge(SizeOf(file, size, question), question);
        var standing = Standing.Of(file.File.Record, file.Today);
        return new TryOnGuide(
            fit.Size.Id,
            $"{fit.Model.Name} {fit.Size.Label}",
            standing.ConditionedShare >= 1,
            standing.NextStep is { } step ? new ConditioningWords(file.Writing).Called(step) : null,
            StrapDto.Of(fit, fit.Strap, file.Words),
            fit.Size.NeckStrapRange() is { } range ? [range.Low.Millimeters, range.High.Millimeters] : null,
            fit.Model.HolePitch?.Millimeters,
            [.. TryOnCheck.For(fit.Model.Type).Select(file.Words.Told)],
            [.. Symptom.All.Select(file.Words.Told)],
            file.Words.Caution(fit.Model.Type),
            new DogWords(file.Writing).Cautions(file.Dog.Profile, file.Today)
        );
    }

    private static async Task<DiagnosisDto> DiagnoseAsync(
        Guid id,
        DiagnoseEntry entry,
        [AsParameters] FitQuery query,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var symptom =
            Symptom.Find(entry.Symptom ?? "")
            ?? throw Refusal.Field("symptom", $"Say what is seen: one of {string.Join(", ", Symptom.All.Select(s => s.Id))}.");
        var file = await FitFile.LoadAsync(db, pen, id, clock, cancel);
        var question = file.NeedQuestion(query.Read());
        var fit = file.Judge(SizeOf(file, entry.SizeId, question), question);
        return new DiagnosisDto(
            file.Words.Told(symptom),
            TryOn.Diagnose(symptom, fit, Fastened(fit, entry.Hole, entry.FromTightestMm), Ranking.Rank(file.Muzzles.All, question))
        );
    }

    private static async Task<IReadOnlyList<TryOnDto>> ListAsync(Guid id, PracticeDb db, CancellationToken cancel)
    {
        await db.DogAsync(id, cancel);
        return
        [
            .. (await db.TryOns.AsNoTracking().Where(t => t.DogId == id && t.RemovedAt == null).OrderByDescending(t => t.Number).ToListAsync(cancel)).Select(
                TryOnDto.Of
            ),
        ];
    }

    private static async Task<TryOnDto> KeepAsync(Guid id, TryOnEntry entry, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel)
    {
        var file = await FitFile.LoadAsync(db, pen, id, clock, cancel);
        var fit = file.Judge(entry.SizeId, file.NeedQuestion(new FitQuery().Read(), draws: false));
        var strap = Fastened(fit, entry.Hole, entry.FromTightestMm);
        var record = new TryOnRecord(
            $"{fit.Model.Name} {fit.Size.Label}",
            entry.Answers!,
            entry.Symptoms ?? [],
            strap is null ? null : new KeptStrap(strap.Loop.Millimeters.Tidy(), strap.Hole, strap.Holes, strap.FromTightest?.Millimeters.Tidy()),
            entry.Note.OrNull()
        );
        var row = new TryOnRow
        {
            Id = Guid.NewGuid(),
            DogId = id,
            SizeId = fit.Size.Id,
            At = clock.UtcNow(),
            Record = TryOnRow.Write(record),
        };
        db.TryOns.Add(row);
        await db.SaveChangesAsync(cancel);
        return TryOnDto.Of(row);
    }

    private static async Task<TryOnDto> AddPictureAsync(Guid id, Guid tryOnId, IFormFile? file, HttpContext http, PracticeDb db, CancellationToken cancel)
    {
        var row = await FindAsync(id, tryOnId, db, cancel);
        await PictureShelf.PutAsync(db, tryOnId, PictureIntake.TakenFrom(http), cancel);
        row.HasPicture = true;
        await db.SaveChangesAsync(cancel);
        return TryOnDto.Of(row);
    }

    private static async Task<FileContentHttpResult> PictureAsync(Guid id, Guid tryOnId, PracticeDb db, CancellationToken cancel)
    {
        await FindAsync(id, tryOnId, db, cancel);
        return await PictureShelf.ReadAsync(db, tryOnId, cancel);
    }

    private static async Task<TryOnDto> RemoveAsync(Guid id, Guid tryOnId, DateTime? at, PracticeDb db, CancellationToken cancel)
    {
        var row = await FindAsync(id, tryOnId, db, cancel);
        row.RemovedAt = at;
        await db.SaveChangesAsync(cancel);
        return TryOnDto.Of(row);
    }

    private static async Task<TryOnRow> FindAsync(Guid id, Guid tryOnId, PracticeDb db, CancellationToken cancel) =>
        await db.TryOns.SingleOrDefaultAsync(t => t.Id == tryOnId && t.DogId == id, cancel) ?? throw Refusal.NotFound("No try-on has this id.");

    /// <summary>The size named, else the one chosen, else the one ranked first.</summary>
    private static string SizeOf(FitFile file, string? size, FitQuestion question) =>
        size
        ?? (
            file.Muzzles.FindSize(file.File.Muzzle.Choice?.SizeId) is { } chosen ? chosen.Size.Id
            : Ranking.Rank(file.Muzzles.All, question) is [var first, ..] ? first.Size.Id
            : throw Refusal.Conflict("The catalogue is empty: bring a model back, or add one, before a muzzle is tried on.")
        );

    /// <summary>The setting it is fastened at, checked against the strap.</summary>
    private static StrapSetting? Fastened(RankedFit fit, int? hole, double? fromTightestMm)
    {
        if (hole is null && fromTightestMm is null)
            return null;
        if (fit.Size.NeckStrapRange() is not { } range)
            throw Refusal.Field(hole is not null ? "hole" : "fromTightestMm", "This strap's range is not known.");
        if (hole is { } number)
        {
            if (fit.Model.HolePitch is not { } pitch)
                throw Refusal.Field("hole", "This strap slides; say how far it stands from its tightest.");
            return StrapSetting.AtHole(number, range, pitch)
                ?? throw Refusal.Field("hole", $"This strap has holes 1 to {StrapSetting.HolesIn(range, pitch)}, 1 the tightest.");
        }

        var open = Length.FromMillimeters(fromTightestMm!.Value);
        return open < Length.Zero || open > range.High - range.Low
            ? throw Refusal.Field("fromTightestMm", $"0 to {(range.High - range.Low).Millimeters:0} mm from its tightest is accepted.")
            : new StrapSetting(range.Low + open, null, null, open);
    }
}
