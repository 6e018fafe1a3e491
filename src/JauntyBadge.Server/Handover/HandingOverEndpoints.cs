using JauntyBadge.Core;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Handover;
using JauntyBadge.Server.Dogs;
using JauntyBadge.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Handover;

/// <summary>A dog goes to somebody else.</summary>
/// <param name="To">To whom.</param>
/// <param name="Note">Anything else.</param>
/// <param name="Id">Made where it was entered, so that sent twice it counts once.</param>
public sealed record HandingOverEntry(string? To = null, string? Note = null, Guid? Id = null);

/// <summary>What happened to a dog between practices.</summary>
public sealed record HandoverDto(Guid Id, DateTime At, DateOnly Day, HandoverKind Kind, string? From, string? To, string? Note)
{
    internal static HandoverDto Of(HandoverRow r) => new(r.Id, r.At, r.Day, r.Kind, r.From, r.To, r.Note);
}

/// <summary>A dog handed over, and taken back.</summary>
internal static class HandingOverEndpoints
{
    private const int LongestName = 120;
    private const int LongestNote = 500;

    public static void MapHandingOver(this IEndpointRouteBuilder api)
    {
        var dog = api.MapGroup("/dogs/{id:guid}").WithTags("Handover").ProducesProblem(StatusCodes.Status409Conflict).OneWriterAtATime();
        dog.MapGet("/handovers", ListAsync)
            .WithName("handovers")
            .May(Concern.WholePractice)
            .WithSummary("Handed over on, to whom, and taken back; the newest first.");
        dog.MapPost("/handed-over", HandOverAsync)
            .WithName("handOver")
            .May(Concern.WholePractice)
            .WithSummary("The dog goes to somebody else: off the round here, its record stays.");
        dog.MapPost("/taken-back", TakeBackAsync).WithName("takeBack").May(Concern.WholePractice).WithSummary("The dog is ours again.");
    }

    private static async Task<IReadOnlyList<HandoverDto>> ListAsync(Guid id, PracticeDb db, CancellationToken cancel)
    {
        await db.DogAsync(id, cancel);
        var rows = await db.Handovers.AsNoTracking().Where(h => h.DogId == id).OrderByDescending(h => h.Number).ToListAsync(cancel);
        return [.. rows.Select(HandoverDto.Of)];
    }

    private static async Task<DogDto> HandOverAsync(Guid id, HandingOverEntry entry, PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        if (entry.To.OrNull() is not { Length: <= LongestName } to)
            throw Refusal.Field("to", $"Say who has it now, in up to {LongestName} letters.");
        if (entry.Note?.Length > LongestNote)
            throw Refusal.Field("note", $"Up to {LongestNote} letters, please.");
        var dog = await db.DogAsync(id, cancel);
        if (entry.Id is { } sent && await db.Handovers.AnyAsync(h => h.Id == sent && h.DogId == id, cancel))
            return DogDto.Of(dog);
        if (dog.HandedOverAt is not null)
            throw Refusal.Conflict("It is handed over already. Take it back first.");
        if (
            await db.Sessions.AnyAsync(s => s.DogId == id && s.EndedAt == null, cancel)
            || await db.Wears.AnyAsync(w => w.DogId == id && w.EndedAt == null && w.RemovedAt == null, cancel)
        )
            throw Refusal.Conflict("A session or a wear of it is still open. End that first.");
        (dog.HandedOverAt, dog.ArchivedAt) = (clock.UtcNow(), dog.ArchivedAt ?? clock.UtcNow());
        db.Handovers.Add(
            new HandoverRow
            {
                Id = entry.Id ?? Guid.NewGuid(),
                DogId = id,
                At = clock.UtcNow(),
                Day = clock.Today(),
                Kind = HandoverKind.HandedOver,
                From = (await PracticeRow.LoadAsync(db, cancel)).Name,
                To = to,
                Note = entry.Note.OrNull(),
            }
        );
        await db.SaveChangesAsync(cancel);
        return DogDto.Of(dog);
    }

    private static async Task<DogDto> TakeBackAsync(Guid id, HandingOverEntry entry, PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        if (entry.Note?.Length > LongestNote)
            throw Refusal.Field("note", $"Up to {LongestNote} letters, please.");
        var dog = await db.DogAsync(id, cancel);
        if (dog.HandedOverAt is null)
            throw Refusal.Conflict("It is not handed over.");
        (dog.HandedOverAt, dog.ArchivedAt) = (null, null);
        await NoteBackAsync(db, id, entry.Note.OrNull(), clock, cancel);
        return DogDto.Of(dog);
    }

    /// <summary>Notes that a dog is ours again.</summary>
    internal static async Task NoteBackAsync(PracticeDb db, Guid dogId, string? note, TimeProvider clock, CancellationToken cancel)
    {
        var last = await db.Handovers.AsNoTracking().Where(h => h.DogId == dogId).OrderByDescending(h => h.Number).FirstOrDefaultAsync(cancel);
        db.Handovers.Add(
            new HandoverRow
            {
                Id = Guid.NewGuid(),
                DogId = dogId,
                At = clock.UtcNow(),
                Day = clock.Today(),
                Kind = HandoverKind.TakenBack,
                From = last?.To,
                To = (await PracticeRow.LoadAsync(db, cancel)).Name,
                Note = note,
            }
        );
        await db.SaveChangesAsync(cancel);
    }
}
