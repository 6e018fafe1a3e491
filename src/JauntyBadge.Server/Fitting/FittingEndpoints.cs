using System.ComponentModel;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Data;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Server.Dogs;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Fitting;

/// <summary>How the catalogue is to be judged for a dog; what is left out follows from the dog.</summary>
internal sealed record FitQuery(
    [property: FromQuery(Name = "unit"), Description("mm, cm or in; mm when left out")] string? Unit,
    [property: FromQuery(Name = "uses"), Description("the purposes it is for; all of the dog's when left out")] string[]? Uses,
    [property: FromQuery(Name = "school"), Description("everyday or working")] string? School,
    [property: FromQuery(Name = "fingers"), Description("fingers under the neck strap, 0 to 4")] int? Fingers)
{
    public FitQuestion Read() => new(
        QueryWords.Read<ReadingUnit>(Unit, "unit") ?? ReadingUnit.Mm, [.. (Uses ?? []).Select(u => QueryWords.Read<Purpose>(u, "uses")).OfType<Purpose>()],
        QueryWords.Read<School>(School, "school"), Fingers);
}

/// <summary>The same, understood.</summary>
internal sealed record FitQuestion(ReadingUnit Shown, IReadOnlyList<Purpose> Uses, School? School, int? Fingers)
{
    /// <exception cref="Refusal">The number of fingers is out of range.</exception>
    public MuzzleBrief Brief(DogProfile dog) => Fingers is < 0 or > NeckStrap.MostFingers
        ? throw Refusal.Field("fingers", $"fingers must be 0 to {NeckStrap.MostFingers}.")
        : MuzzleBrief.For(dog, Uses, School, Fingers);
}

/// <summary>The fitting room.</summary>
internal static class FittingEndpoints
{
    public static void MapFitting(this IEndpointRouteBuilder api)
    {
        var whatIf = api.MapGroup("/what-if").WithTags("What if");
        whatIf.MapPost("/strap", WhatIf.Strap).WithName("whatIfStrap").WithSummary("The loop a neck strap must make for the fingers under it.");
        whatIf.MapPost("/fit", WhatIf.Fit).WithName("whatIfFit").WithSummary("Judge one basket on one snout.");
        api.MapGet("/catalogue", () => Catalogue.Shipped).WithName("catalogue").WithTags("Fitting").WithSummary("The muzzles to choose from.");

        var fits = api.MapGroup("/dogs/{id:guid}").WithTags("Fitting").OneWriterAtATime();
        fits.MapGet("/fits", FitsAsync).WithName("fits").WithSummary("The catalogue ranked for a dog, with its brief.");
        fits.MapGet("/fits/{sizeId}", DetailAsync).WithName("fit").WithSummary("One muzzle on the dog, drawn to scale.");
        fits.MapPost("/choice", ChooseAsync).WithName("choose").WithSummary("Keep a muzzle for a dog with the reasons as they are now.");
        fits.MapPost("/choice/{choiceId:guid}/withdraw", (Guid id, Guid choiceId, PracticeDb db, TimeProvider clock, CancellationToken cancel) => WithdrawAsync(id, choiceId, clock.UtcNow(), db, cancel)).WithName("withdrawChoice").WithSummary("Withdraw a choice; it can be taken up again.");
        fits.MapPost("/choice/{choiceId:guid}/restore", (Guid id, Guid choiceId, PracticeDb db, CancellationToken cancel) => WithdrawAsync(id, choiceId, null, db, cancel)).WithName("restoreChoice").WithSummary("Take a withdrawn choice up again.");
    }

    private static async Task<FitsDto> FitsAsync(Guid id, [AsParameters] FitQuery query, PracticeDb db, CancellationToken cancel)
    {
        var question = query.Read();
        var file = await DogFile.LoadAsync(db, id, cancel);
        var brief = question.Brief(file.Profile);
        var snout = file.Snout;
        var ranked = snout is null ? [] : Ranking.Rank(Catalogue.Shipped, snout, brief, FitRules.Finger.Value, question.Shown);
        return new FitsDto(
            brief.Uses, brief.School, brief.Fingers, brief.NeededGape.Degrees.Tidy(), brief.Lines, snout?.SourcesDto() ?? [],
            [.. ranked.Select(FitDto.Of)], Completeness.Missing(file.Measured));
    }

    private static async Task<FitDetailDto> DetailAsync(Guid id, string sizeId, [AsParameters] FitQuery query, PracticeDb db, CancellationToken cancel)
    {
        var question = query.Read();
        var file = await DogFile.LoadAsync(db, id, cancel);
        var (fit, snout, _) = Find(file, sizeId, question);
        var drawing = fit.Assessment is { } basket ? FitDrawingDto.Of(FitDrawing.Of(snout, fit.Size.Basket(), basket)) : null;
        return new FitDetailDto(FitDto.Of(fit), drawing);
    }

    private static async Task<ChoiceDto> ChooseAsync(Guid id, ChoiceEntry entry, PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        var file = await DogFile.LoadAsync(db, id, cancel);
        var question = new FitQuestion(ReadingUnit.Mm, entry.Uses ?? [], entry.School, entry.Fingers);
        var (fit, snout, brief) = Find(file, entry.SizeId ?? throw Refusal.Field("sizeId", "Say which size is chosen."), question);
        if (fit.Verdict == Verdict.Out && string.IsNullOrWhiteSpace(entry.Note))
            throw Refusal.Field("note", $"This one is out: {fit.Deciding.Reason} To keep it all the same, write down why.");
        var row = ChoiceRow.Of(id, fit, snout, brief, entry.Note?.Trim(), clock.UtcNow());
        db.Choices.Add(row);
        await db.SaveChangesAsync(cancel);
        return ChoiceDto.Of(row);
    }

    private static async Task<ChoiceDto> WithdrawAsync(Guid id, Guid choiceId, DateTime? at, PracticeDb db, CancellationToken cancel)
    {
        var row = await db.Choices.SingleOrDefaultAsync(c => c.Id == choiceId && c.DogId == id, cancel) ?? throw Refusal.NotFound("No choice has this id.");
        row.WithdrawnAt = at;
        await db.SaveChangesAsync(cancel);
        return ChoiceDto.Of(row);
    }

    private static (RankedFit Fit, SnoutModel Snout, MuzzleBrief Brief) Find(DogFile file, string sizeId, FitQuestion question)
    {
        var snout = file.Snout ?? throw Refusal.Conflict("Nose to inner eye has to be read before a muzzle can be judged.");
        var brief = question.Brief(file.Profile);
        var model = Catalogue.Shipped.FirstOrDefault(m => m.Sizes.Any(s => s.Id == sizeId)) ?? throw Refusal.NotFound("No muzzle size has this id.");
        var fit = Ranking.Judge(model, model.Sizes.First(s => s.Id == sizeId), snout, brief, FitRules.Finger.Value, question.Shown);
        return (fit, snout, brief);
    }
}
