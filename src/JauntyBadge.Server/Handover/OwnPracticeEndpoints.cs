using FluentValidation;
using JauntyBadge.Core;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Data.Handover;
using JauntyBadge.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Handover;

/// <summary>What a practice says of itself.</summary>
public sealed record OwnPracticeEntry(string? Name = null, string? Place = null, string? Phone = null, string? Currency = null);

public sealed class OwnPracticeEntryValidator : AbstractValidator<OwnPracticeEntry>
{
    public OwnPracticeEntryValidator()
    {
        RuleFor(p => p.Name).NotEmpty().WithMessage("Give the practice a name.").MaximumLength(120).WithMessage("Up to 120 letters, please.");
        RuleFor(p => p.Place).MaximumLength(120).WithMessage("Up to 120 letters, please.");
        RuleFor(p => p.Phone).IsPhone();
        RuleFor(p => p.Currency)
            .Must(c => c is null || Writing.Currencies.Contains(c))
            .WithMessage($"currency is one of {string.Join(", ", Writing.Currencies)}.");
    }
}

/// <summary>The practice itself.</summary>
/// <param name="IsNew">Nobody has said what it is called, and there is no dog.</param>
/// <param name="IsDemo">It was filled by the demo.</param>
/// <param name="Invented">How many of the shipped, invented models are in the catalogue.</param>
/// <param name="InventedAway">They were put away.</param>
public sealed record OwnPracticeDto(
    string? Name,
    string? Place,
    string? Phone,
    string Currency,
    IReadOnlyList<string> Currencies,
    bool IsNew,
    bool IsDemo,
    int Dogs,
    int Invented,
    bool InventedAway,
    long Version
) : IAtVersion;

/// <summary>Whether the shipped catalogue is put away.</summary>
public sealed record InventedEntry(bool? Away = null);

/// <summary>A practice of one's own.</summary>
internal static class OwnPracticeEndpoints
{
    public static void MapOwnPractice(this IEndpointRouteBuilder api)
    {
        var own = api.MapGroup("/own-practice").WithTags("Keeping").OneWriterAtATime();
        own.MapGet("/", StateAsync)
            .WithName("ownPractice")
            .May(Concern.WholePractice)
            .WithSummary("What the practice is called and where, and whether it is new.");
        own.MapPut("/", SetAsync)
            .WithName("setOwnPractice")
            .May(Concern.WholePractice)
            .WithSummary("Say what the practice is called, where it is and where it is rung.")
            .NeedsVersion();
        own.MapPost("/invented", PutAwayAsync)
            .WithName("inventedAway")
            .May(Concern.WholePractice)
            .WithSummary("Put the shipped catalogue away whole, or bring it back. Its models and makers are invented; corrected ones stay.");
    }

    private static async Task<OwnPracticeDto> StateAsync(PracticeDb db, PracticeFolder folder, CancellationToken cancel)
    {
        var (practice, writing) = (await PracticeRow.LoadAsync(db, cancel), await WritingRow.LoadAsync(db, cancel));
        var dogs = await db.Dogs.CountAsync(cancel);
        var listed = (await MuzzleRow.ListAsync(db, cancel)).All.Select(m => m.Id).ToHashSet();
        var invented = Catalogue.Shipped.Count(m => listed.Contains(m.Id));
        return new(
            practice.Name,
            practice.Place,
            practice.Phone,
            writing.Currency,
            Writing.Currencies,
            practice.Name is null && dogs == 0,
            folder.IsDemo,
            dogs,
            invented,
            invented == 0,
            practice.Version
        );
    }

    private static async Task<OwnPracticeDto> SetAsync(
        OwnPracticeEntry entry,
        PracticeDb db,
        PracticeFolder folder,
        CancellationToken cancel,
        [Edited] string? edited = null
    )
    {
        var row = await db.Practice.FindAsync([PracticeRow.OnlyId], cancel);
        await Versions.NeedAsync(edited, row?.Version ?? 0, async () => ("The practice", await StateAsync(db, folder, cancel)));
        if (row is null)
            db.Practice.Add(row = new PracticeRow());
        (row.Name, row.Place, row.Phone) = (entry.Name!.Trim(), entry.Place.OrNull(), entry.Phone.OrNull());
        if (entry.Currency is { } currency)
        {
            var writing = await db.Writing.FindAsync([WritingRow.OnlyId], cancel);
            if (writing is null)
                db.Writing.Add(writing = new WritingRow());
            writing.Currency = currency;
        }

        await db.SaveChangesAsync(cancel);
        return await StateAsync(db, folder, cancel);
    }

    private static async Task<OwnPracticeDto> PutAwayAsync(
        InventedEntry entry,
        PracticeDb db,
        PracticeFolder folder,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var away = entry.Away ?? throw Refusal.Field("away", "true puts them away, false brings them back.");
        var newest = (await MuzzleRow.NewestAsync(db, cancel)).ToDictionary(m => m.ModelId);
        foreach (var model in Catalogue.Shipped)
        {
            var row = newest.GetValueOrDefault(model.Id);
            var isAsShipped = row is null || (row.Model is { } now && now.SaysTheSame(model));
            if (away ? isAsShipped : row is { Body: null })
                db.Muzzles.Add(MuzzleRow.Of(model.Id, away ? null : model, (row?.Version ?? MuzzleRow.ShippedVersion) + 1, clock.UtcNow()));
        }

        await db.SaveChangesAsync(cancel);
        return await StateAsync(db, folder, cancel);
    }
}
