using System.ComponentModel;
using JauntyBadge.Core;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Server.Dogs;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Fitting;

/// <summary>The fitting room: a dog's brief, the catalogue ranked for it, and what was chosen.</summary>
internal static class FittingEndpoints
{
    private const int LongestNote = 400;

    public static void MapFitting(this IEndpointRouteBuilder api)
    {
        var fits = api.MapGroup("/dogs/{id:guid}").WithTags("Fitting").OneWriterAtATime();
        fits.MapGet("/fits", FitsAsync).WithName("fits").May(Concern.Choosing).WithSummary("The catalogue ranked for a dog, with its brief.");
        fits.MapGet("/fits/{sizeId}", DetailAsync).WithName("fit").May(Concern.Choosing).WithSummary("One muzzle on the dog, drawn to scale.");
        fits.MapGet("/fits/{sizeId}/drawing.svg", SvgAsync)
            .WithName("fitDrawing")
            .May(Concern.Choosing)
            .WithSummary("The drawing as SVG in true millimetres, another muzzle over it if wished.")
            .Produces<string>(contentType: "image/svg+xml");
        fits.MapPut("/brief/{lineId}", OverruleAsync)
            .WithName("overrule")
            .May(Concern.Choosing)
            .WithSummary("Overrule a line of the brief, with a note that stays visible; version \"0\" where it was not.")
            .NeedsVersion();
        fits.MapDelete("/brief/{lineId}", UnruleAsync)
            .WithName("letStand")
            .May(Concern.Choosing)
            .WithSummary("Let a line of the brief stand again.")
            .NeedsVersion();
        fits.MapGet("/order", OrderAsync).WithName("order").May(Concern.Choosing).WithSummary("The sheet for a muzzle made to measure.");
        fits.MapPost("/choice", ChooseAsync).WithName("choose").May(Concern.Choosing).WithSummary("Keep a muzzle for a dog with the reasons as they are now.");
        fits.MapGet("/choices", ChoicesAsync)
            .WithName("choices")
            .May(Concern.Choosing)
            .WithSummary("Every muzzle chosen for a dog, the newest first, each as it was.");
        fits.MapPost(
                "/choice/{choiceId:guid}/withdraw",
                (Guid id, Guid choiceId, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel) =>
                    WithdrawAsync(id, choiceId, clock.UtcNow(), db, pen, cancel)
            )
            .WithName("withdrawChoice")
            .May(Concern.Choosing)
            .WithSummary("Withdraw a choice; it can be taken up again.");
        fits.MapPost(
                "/choice/{choiceId:guid}/restore",
                (Guid id, Guid choiceId, PracticeDb db, Pen pen, CancellationToken cancel) => WithdrawAsync(id, choiceId, null, db, pen, cancel)
            )
            .WithName("restoreChoice")
            .May(Concern.Choosing)
            .WithSummary("Take a withdrawn choice up again.");
    }

    /// <summary>The dog's count of muzzles: what it wears happily needs only a spare.</summary>
    internal static MuzzleCount Advice(FitFile file) => MuzzleCount.For(file.Dog.Profile, file.WearsItHappily);

    private static async Task<FitsDto> FitsAsync(
        Guid id,
        [AsParameters] FitQuery query,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel,
        bool? inVan = null,
        decimal? mostPrice = null,
        DateOnly? by = null,
        [Description("How many that are out come along, the nearest miss first; all where it is not said.")] int? mostOut = null,
        [Description("Whether the one in hand where none is picked comes along, drawn: the chosen one, or the first of the list.")] bool? hand = null
    )
    {
        var asked = query.Read();
        var file = await FitFile.LoadAsync(db, pen, id, clock, cancel);
        var question = file.Question(asked);
        var brief = question?.Brief ?? file.Brief(asked);
        var advice = Advice(file);
        IReadOnlyList<RankedFit> ranked = question is null ? [] : Ranking.Rank(file.Muzzles.All, question);
        bool Kept(RankedFit f) =>
            (inVan != true || file.Van.ContainsKey(f.Size.Id))
            && (mostPrice is null || f.Size.Price <= mostPrice)
            && (by is null || file.Van.ContainsKey(f.Size.Id) || (f.Model.LeadDays is { } days && file.Today.AddDays(days) <= by));
        var byModel = ranked.ToLookup(f => f.Model.Id);
        FitRowDto Row(RankedFit f) => FitRowDto.Of(f, Remedies.For(f, byModel[f.Model.Id]), file.Van.GetValueOrDefault(f.Size.Id), file.Words);
        var kept = ranked.Where(Kept).Select(Row).OrderBy(r => r.Group).ThenBy(r => r.Group == FitGroup.Near ? r.Remedies[0].Kinds.Max() : default).ToList();
        var inHand = hand == true && kept.Count > 0 ? file.File.Muzzle.Choice?.SizeId ?? kept[0].SizeId : null;
        return new FitsDto(
            BriefDto.Of(brief, advice, file.Words, file.Overruled),
            question?.Snout.SourcesDto(new(file.Writing)) ?? [],
            [.. kept.Where(r => r.Group != FitGroup.Out), .. kept.Where(r => r.Group == FitGroup.Out).Take(mostOut ?? kept.Count)],
            ranked.Count - kept.Count,
            kept.Count(r => r.Group == FitGroup.Out),
            advice.TrainingFirst
                ? [.. TrainingMuzzle.From(ranked).Select(t => TrainingRowDto.Of(t, file.Van.GetValueOrDefault(t.Fit.Size.Id), file.Words))]
                : [],
            [.. file.Dog.Assessed.Missing.Select(new MeasuringWords(file.Writing).Told)],
            FitSettingsDto.Of(file.Settings),
            ranked.FirstOrDefault(f => f.Size.Id == inHand) is { } one ? Detail(file, one, byModel[one.Model.Id]) : null
        );
    }

    private static async Task<FitDetailDto> DetailAsync(
        Guid id,
        string sizeId,
        [AsParameters] FitQuery query,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var file = await FitFile.LoadAsync(db, pen, id, clock, cancel);
        var question = file.NeedQuestion(query.Read());
        var fit = file.Judge(sizeId, question);
        return Detail(file, fit, fit.Model.Sizes.Select(s => s.Id == sizeId ? fit : Ranking.Judge(fit.Model, s, question)));
    }

    /// <summary>One muzzle on the dog, among the sizes of its model.</summary>
    private static FitDetailDto Detail(FitFile file, RankedFit fit, IEnumerable<RankedFit> judged)
    {
        var of = judged.ToDictionary(f => f.Size.Id);
        IReadOnlyList<RankedFit> sizes = [.. fit.Model.Sizes.Select(s => of[s.Id])];
        return new(
            FitDto.Of(fit, Remedies.For(fit, sizes), file.Van.GetValueOrDefault(fit.Size.Id), TrainingOf(file, fit, sizes), file.Words),
            FitDrawingDto.Of(FitDrawing.Of(fit, file.Dog.Profile.Look))
        );
    }

    /// <summary>What it is to train in, where the dog is advised a light one first and it serves; null otherwise.</summary>
    private static string? TrainingOf(FitFile file, RankedFit fit, IEnumerable<RankedFit> sizes) =>
        Advice(file).TrainingFirst && TrainingMuzzle.Of(fit, sizes) is { } training ? file.Words.Of(training) : null;

    private static async Task<ContentHttpResult> SvgAsync(
        Guid id,
        string sizeId,
        [AsParameters] FitQuery query,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel,
        string? with = null
    )
    {
        var file = await FitFile.LoadAsync(db, pen, id, clock, cancel);
        var question = file.NeedQuestion(query.Read(), draws: false);
        IReadOnlyList<RankedFit> fits = [file.Judge(sizeId, question), .. with is null ? Array.Empty<RankedFit>() : [file.Judge(with, question)]];
        var title = $"{file.Dog.Dog.Name}: {string.Join(" and ", fits.Select(f => $"{f.Model.Name} {f.Size.Label}"))}";
        return TypedResults.Content(FitSvg.Write(fits, title, file.Dog.Profile.Look), "image/svg+xml");
    }

    private static async Task<BriefDto> OverruleAsync(
        Guid id,
        string lineId,
        OverruleEntry entry,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel,
        [Edited] string? edited = null
    )
    {
        var note = entry.Note?.Trim() ?? "";
        if (note.Length is 0 or > LongestNote)
            throw Refusal.Field("note", $"Write down why, in up to {LongestNote} letters; the note stays beside the line.");
        var file = await FitFile.LoadAsync(db, pen, id, clock, cancel);
        if (BriefRule.All.Any(r => r.Id == lineId && r.Hard))
            throw Refusal.Conflict(
                "This line keeps the dog from harm and cannot be overruled. Change what the muzzle is for, how long it is worn or who puts it on, where that is what is meant."
            );
        if (BriefRule.All.All(r => r.Id != lineId) && lineId is not ("weight" or "visibility"))
            throw Refusal.NotFound("The brief has no such line to overrule. Seat and strap are set by their own fields.");
        var row = await db.Overrules.FindAsync([id, lineId], cancel);
        await NeedLineAsync(edited, row, file, db, cancel);
        if (row is null)
            db.Overrules.Add(
                row = new OverruleRow
                {
                    DogId = id,
                    LineId = lineId,
                    Note = note,
                }
            );
        (row.Note, row.At) = (note, clock.UtcNow());
        await db.SaveChangesAsync(cancel);
        return await BriefAsync(file, db, cancel);
    }

    private static async Task<BriefDto> UnruleAsync(
        Guid id,
        string lineId,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel,
        [Edited] string? edited = null
    )
    {
        var file = await FitFile.LoadAsync(db, pen, id, clock, cancel);
        var row = await db.Overrules.FindAsync([id, lineId], cancel);
        await NeedLineAsync(edited, row, file, db, cancel);
        if (row is not null)
            db.Overrules.Remove(row);
        await db.SaveChangesAsync(cancel);
        return await BriefAsync(file, db, cancel);
    }

    private static Task NeedLineAsync(string? edited, OverruleRow? row, FitFile file, PracticeDb db, CancellationToken cancel) =>
        Versions.NeedAsync(edited, row?.Version ?? 0, async () => ("This line of the brief", await BriefAsync(file, db, cancel)));

    private static async Task<BriefDto> BriefAsync(FitFile file, PracticeDb db, CancellationToken cancel)
    {
        var now = file with { Overruled = await OverruleRow.OfAsync(db, file.Dog.Dog.Id, cancel) };
        return BriefDto.Of(now.Brief(new FitQuery().Read()), Advice(file), file.Words, now.Overruled);
    }

    private static async Task<OrderSheetDto> OrderAsync(
        Guid id,
        [AsParameters] FitQuery query,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var file = await FitFile.LoadAsync(db, pen, id, clock, cancel);
        var question = file.NeedQuestion(query.Read());
        var sheet = OrderSheet.For(file.Dog.Profile, question);
        return new OrderSheetDto(
            file.Dog.Dog.Name,
            string.Join(" × ", file.Dog.Profile.Breeds.Select(b => b.Name)),
            file.Today,
            [
                .. sheet.Dimensions.Select(d => new OrderDimensionDto(
                    d.Name,
                    d.Wanted.Millimeters.Tidy(),
                    d.Least?.Millimeters.Tidy(),
                    d.Most?.Millimeters.Tidy(),
                    d.Why
                )),
            ],
            sheet.Features,
            sheet.ShapeNotes,
            sheet.Confirm,
            sheet.Check.Gape.Degrees.Tidy(),
            sheet.Check.Verdict,
            question.Snout.SourcesDto(new(file.Writing)),
            new DogWords(file.Writing).Cautions(file.Dog.Profile, file.Today)
        );
    }

    private static async Task<ChoiceDto> ChooseAsync(Guid id, ChoiceEntry entry, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel)
    {
        var file = await FitFile.LoadAsync(db, pen, id, clock, cancel);
        var asked = new KeptTerms(entry.Uses ?? [], entry.FitStyle, entry.Fingers, entry.Minutes, entry.Warm, entry.ClinicHands == true);
        if (entry.Note is { Length: > LongestNote })
            throw Refusal.Field("note", $"Up to {LongestNote} letters, please.");
        var question = file.NeedQuestion(asked);
        var fit = file.Judge(entry.SizeId ?? throw Refusal.Field("sizeId", "Say which size is chosen."), question);
        var training = TrainingOf(file, fit, fit.Model.Sizes.Select(s => s.Id == fit.Size.Id ? fit : Ranking.Judge(fit.Model, s, question)));
        if (training is null && fit.Criteria.FirstOrDefault(c => c.CannotBeOverruled) is { } never)
            throw Refusal.Field("sizeId", $"{never.Reason} No note takes that back; choose another.");
        if (fit.NeedsNoteToKeep(training is not null) && string.IsNullOrWhiteSpace(entry.Note))
            throw Refusal.Field("note", $"This one is out: {fit.Deciding.Reason} To keep it all the same, write down why.");
        var row = ChoiceRow.Of(id, fit, entry.Note?.Trim(), clock.UtcNow(), await db.KeepAsync(question.Rules, cancel), training is not null, asked);
        db.Choices.Add(row);
        await db.SaveChangesAsync(cancel);
        return ChoiceDto.Of(row, file.Writing);
    }

    private static async Task<IReadOnlyList<KeptChoiceDto>> ChoicesAsync(Guid id, PracticeDb db, Pen pen, CancellationToken cancel)
    {
        var look = (await db.DogAsync(id, cancel)).ToProfile(await BreedRow.ListAsync(db, cancel)).Look;
        var writing = await pen.TakeAsync(cancel);
        var rows = await db.Choices.AsNoTracking().Where(c => c.DogId == id).OrderByDescending(c => c.Number).ToListAsync(cancel);
        return
        [
            .. rows.Select(r => (Row: r, Kept: r.KeptFit))
                .Select(r => new KeptChoiceDto(
                    r.Row.Id,
                    r.Row.ChosenAt,
                    r.Row.WithdrawnAt,
                    r.Row.SizeId,
                    r.Kept.In(writing),
                    r.Kept.Draw(look) is { } drawing ? FitDrawingDto.Of(drawing) : null
                )),
        ];
    }

    private static async Task<ChoiceDto> WithdrawAsync(Guid id, Guid choiceId, DateTime? at, PracticeDb db, Pen pen, CancellationToken cancel)
    {
        var row = await db.Choices.SingleOrDefaultAsync(c => c.Id == choiceId && c.DogId == id, cancel) ?? throw Refusal.NotFound("No choice has this id.");
        row.WithdrawnAt = at;
        await db.SaveChangesAsync(cancel);
        return ChoiceDto.Of(row, await pen.TakeAsync(cancel));
    }
}
