using System.Text.RegularExpressions;
using FluentValidation;
using JauntyBadge.Core;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.People;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.People;

/// <summary>Something a withdrawn device still holds unsent.</summary>
/// <param name="Id">The id it would have been sent under.</param>
/// <param name="Body">What it says, as JSON in a text.</param>
/// <param name="At">When it was recorded.</param>
public sealed record AsideEntry(Guid? Id = null, string? Method = null, string? Path = null, string? Body = null, DateTimeOffset? At = null);

public sealed class AsideEntryValidator : AbstractValidator<AsideEntry>
{
    public const int LargestBody = 100_000;

    public AsideEntryValidator()
    {
        RuleFor(a => a.Id).NotNull().WithMessage("id is needed.");
        RuleFor(a => a.Method).Must(m => m is "POST" or "PUT" or "DELETE").WithMessage("method is POST, PUT or DELETE.");
        RuleFor(a => a.Path)
            .NotEmpty()
            .Must(p => p?.StartsWith("/api/", StringComparison.Ordinal) != false)
            .WithMessage("path is an address under /api/.")
            .MaximumLength(300);
        RuleFor(a => a.Body).MaximumLength(LargestBody).WithMessage("That is more than anything recorded is.");
    }
}

/// <summary>What a withdrawn device sent: to be looked at before it counts.</summary>
/// <param name="Dog">The dog it is about; null where that cannot be told.</param>
public sealed record AsideDto(Guid Id, DateTime At, string Person, string Device, Guid? DogId, string? Dog, string Method, string Path, string Body);

/// <summary>The tray of what withdrawn devices sent. It counts for nothing until a fitter sends it as their own, from the page that shows it.</summary>
internal static partial class AsideEndpoints
{
    /// <summary>Most a device leaves there (House): more than any phone records in a fortnight away.</summary>
    private const int MostOfDevice = 2000;

    [GeneratedRegex("^/api/(?<of>dogs|sessions)/(?<id>[0-9a-fA-F-]{36})(/|$)")]
    private static partial Regex Where();

    public static void MapAside(this IEndpointRouteBuilder api)
    {
        // Whoever sends it is let in nowhere else: the handler knows the device by its cookie.
        api.MapPost("/aside", AddAsync)
            .WithTags("Home")
            .WithName("setAside")
            .MayAnyone()
            .WithSummary("Leave what a withdrawn device still holds, to be looked at.");
        var tray = api.MapGroup("/aside").WithTags("Home").OneWriterAtATime();
        tray.MapGet("/", ListAsync)
            .WithName("aside")
            .May(Concern.WholePractice)
            .WithSummary("What withdrawn devices sent and nobody looked at yet, in its order.");
        tray.MapPost("/{asideId:guid}/looked", LookedAsync)
            .WithName("lookedAside")
            .May(Concern.WholePractice)
            .WithSummary("Say that it was looked at, and taken in or left.");
    }

    private static async Task<NoContent> AddAsync(
        AsideEntry entry,
        HttpContext http,
        Asker asker,
        PracticeDb db,
        WriteGate gate,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (asker is not { Withdrawn: { } device, Ended: Ended.Withdrawn })
            throw await Door.NotSignedInAsync(http, asker.Ended);
        return await gate.WriteAsync(
            db,
            async () =>
            {
                if (await db.Aside.AnyAsync(a => a.Id == entry.Id, cancel))
                    return TypedResults.NoContent();
                if (await db.Aside.CountAsync(a => a.PersonId == device.PersonId, cancel) >= MostOfDevice)
                    throw Refusal.Conflict("There is no room for more of this device.");
                db.Aside.Add(
                    new AsideRow
                    {
                        Id = entry.Id!.Value,
                        At = (entry.At ?? clock.GetUtcNow()).UtcDateTime,
                        PersonId = device.PersonId,
                        Person = device.Person!.Name,
                        Device = device.Name,
                        DogId = await DogOfAsync(entry.Path!, device.PersonId, db, cancel),
                        Method = entry.Method!,
                        Path = entry.Path!,
                        Body = entry.Body ?? "",
                    }
                );
                await db.SaveChangesAsync(cancel);
                return TypedResults.NoContent();
            },
            cancel
        );
    }

    /// <summary>The dog it is about, where it was theirs.</summary>
    private static async Task<Guid?> DogOfAsync(string path, Guid person, PracticeDb db, CancellationToken cancel)
    {
        if (Where().Match(path) is not { Success: true } at || !Guid.TryParse(at.Groups["id"].Value, out var id))
            return null;
        var dog = at.Groups["of"].Value == "dogs" ? id : await db.Sessions.Where(s => s.Id == id).Select(s => (Guid?)s.DogId).SingleOrDefaultAsync(cancel);
        return dog is { } known && await db.Grants.AnyAsync(g => g.PersonId == person && g.DogId == known, cancel) ? known : null;
    }

    private static async Task<IReadOnlyList<AsideDto>> ListAsync(PracticeDb db, CancellationToken cancel)
    {
        var rows = await db.Aside.AsNoTracking().Where(a => a.LookedAt == null).OrderBy(a => a.Number).Take(500).ToListAsync(cancel);
        var ids = rows.Select(r => r.DogId).OfType<Guid>().Distinct().ToList();
        var names = await db.Dogs.Where(d => ids.Contains(d.Id)).ToDictionaryAsync(d => d.Id, d => d.Name, cancel);
        return
        [
            .. rows.Select(r => new AsideDto(
                r.Id,
                r.At,
                r.Person,
                r.Device,
                r.DogId,
                r.DogId is { } id ? names.GetValueOrDefault(id) : null,
                r.Method,
                r.Path,
                r.Body
            )),
        ];
    }

    private static async Task<NoContent> LookedAsync(Guid asideId, PracticeDb db, TimeProvider clock, CancellationToken cancel, bool? taken = null)
    {
        var row = await db.Aside.SingleOrDefaultAsync(a => a.Id == asideId, cancel) ?? throw Refusal.NotFound("Nothing here has this id.");
        (row.LookedAt, row.Taken) = (row.LookedAt ?? clock.UtcNow(), taken == true);
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }
}
