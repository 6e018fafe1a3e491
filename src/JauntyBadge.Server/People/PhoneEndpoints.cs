using System.Globalization;
using System.Linq.Expressions;
using System.Security.Cryptography;
using System.Text;
using JauntyBadge.Core;
using JauntyBadge.Core.People;
using JauntyBadge.Core.Wearing;
using JauntyBadge.Data;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Data.People;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using QRCoder;

namespace JauntyBadge.Server.People;

/// <summary>A dog given to its keeper's phone or to a clinic, and every device that may come in.</summary>
internal static class PhoneEndpoints
{
    public static void MapPhones(this IEndpointRouteBuilder api)
    {
        var group = api.MapGroup("/").WithTags("People").OneWriterAtATime();
        group
            .MapPost("/dogs/{id:guid}/pairings", OfferAsync)
            .WithName("offerPairing")
            .May(Concern.WholePractice)
            .WithSummary("A code that gives this dog to a keeper's phone, or its card to a clinic; for twenty minutes, used once.");
        group
            .MapGet("/phones", (PracticeDb db, Asker asker, CancellationToken cancel) => ListAsync(db, d => true, asker, cancel))
            .WithName("phones")
            .May(Concern.WholePractice)
            .WithSummary("Every device that may come in, or could.")
            // When one was here last is noted without being an entry of the record.
            .OfThisMoment();
        group
            .MapDelete("/phones/{phoneId:guid}", WithdrawAsync)
            .WithName("withdrawPhone")
            .May(Concern.WholePractice)
            .WithSummary("Let a device in no more, at once.");
        // Not in its turn: a wrong try is to stay counted though nothing else of it is kept.
        api.MapPost("/pair", PairAsync)
            .WithTags("People")
            .WithName("pair")
            .MayAnyone()
            .ProducesProblem(StatusCodes.Status429TooManyRequests)
            .WithSummary("Use a code on a phone.");
    }

    private static async Task<PairingDto> OfferAsync(
        Guid id,
        PairingEntry entry,
        PracticeDb db,
        PublicAddress at,
        HttpContext http,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var dog = await db.DogAsync(id, cancel);
        var until = entry.Kind == PersonKind.Clinic ? entry.Until ?? await ClinicUntilAsync(id, db, clock, cancel) : (DateOnly?)null;
        if (until < clock.Today())
            throw Refusal.Field("until", "The last day cannot be over already.");
        if (entry is { Kind: PersonKind.Keeper, Until: not null })
            throw Refusal.Field("until", "A keeper has their dog without an end; withdraw the phone instead.");
        var person = entry.Kind == PersonKind.Clinic ? await ClinicAsync(dog, db, clock, cancel) : await KeeperAsync(dog, entry.PersonId, db, clock, cancel);
        var now = clock.UtcNow();
        // One code a dog and person at a time: an earlier one on somebody's screen ends here.
        await Links.EndAsync(db.Links.Where(l => l.Opens == Opening.Pair && l.PersonId == person.Id && l.DogId == id), now, cancel);
        var code = PairingCode.New(RandomNumberGenerator.GetInt32);
        var link = Links.Add(db, Opening.Pair, code, now + PairingCode.Lives, person.Id);
        (link.DogId, link.Until) = (id, until);
        await db.SaveChangesAsync(cancel);
        var address = $"{at.PageAt("/pair", http.Request)}#{code}";
        var (square, across) = SquareOf(address);
        return new(code, address, link.RunsOutAt, person.Name, until, square, across);
    }

    /// <summary>The keeper meant, or the one who has the dog, or one by the name on record.</summary>
    private static async Task<PersonRow> KeeperAsync(DogRow dog, Guid? personId, PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        if (personId is { } meant)
            return await db.People.SingleOrDefaultAsync(p => p.Id == meant && p.Kind == PersonKind.Keeper && p.WithdrawnAt == null, cancel)
                ?? throw Refusal.Field("personId", "No keeper has this id.");
        var has =
            await db
                .People.Where(p => p.Kind == PersonKind.Keeper && p.WithdrawnAt == null && db.Grants.Any(g => g.PersonId == p.Id && g.DogId == dog.Id))
                .OrderBy(p => p.CreatedAt)
                .FirstOrDefaultAsync(cancel)
            ?? await OfferedAsync(dog.Id, PersonKind.Keeper, db, cancel);
        return has ?? Persons.Add(db, await Persons.FreeNameAsync(db, dog.Keeper ?? $"{dog.Name}'s keeper", cancel), PersonKind.Keeper, clock);
    }

    private static async Task<PersonRow> ClinicAsync(DogRow dog, PracticeDb db, TimeProvider clock, CancellationToken cancel) =>
        await OfferedAsync(dog.Id, PersonKind.Clinic, db, cancel)
        ?? Persons.Add(db, await Persons.FreeNameAsync(db, $"{dog.ClinicName ?? "Clinic"} for {dog.Name}", cancel), PersonKind.Clinic, clock);

    /// <summary>Whom an earlier code of this dog was for that nobody used.</summary>
    private static Task<PersonRow?> OfferedAsync(Guid dog, PersonKind kind, PracticeDb db, CancellationToken cancel) =>
        db
            .People.Where(p => p.Kind == kind && p.WithdrawnAt == null)
            .Where(p => db.Links.Any(l => l.PersonId == p.Id && l.DogId == dog) && !db.Devices.Any(d => d.PersonId == p.Id))
            .OrderBy(p => p.CreatedAt)
            .FirstOrDefaultAsync(cancel);

    private static async Task<DateOnly> ClinicUntilAsync(Guid dogId, PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        var today = clock.Today();
        var visit = await db
            .Appointments.Where(a => a.DogId == dogId && a.RemovedAt == null && a.Kind == AppointmentKind.Clinic && a.Day >= today)
            .OrderBy(a => a.Day)
            .Select(a => (DateOnly?)a.Day)
            .FirstOrDefaultAsync(cancel);
        return Stay.ClinicUntil(visit, today);
    }

    private static async Task<MeDto> PairAsync(
        PairEntry entry,
        HttpContext http,
        Asker asker,
        Guard guard,
        SignIns signIns,
        PracticeDb db,
        WriteGate gate,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        await guard.CountAsync(http, what: null, cancel);
        var me = await gate.WriteAsync(
            db,
            async () =>
            {
                var link = await Links.FindAsync(db, PairingCode.Read(entry.Code), pairs: true, clock, cancel) ?? throw NoSuchCode();
                var person = await db.People.SingleOrDefaultAsync(p => p.Id == link.PersonId && p.WithdrawnAt == null, cancel) ?? throw NoSuchCode();
                link.UsedAt = clock.UtcNow();
                // A phone that has a dog already keeps it, and its person.
                var known = person.Kind == PersonKind.Keeper && asker.Device is { Person.Kind: PersonKind.Keeper } device ? device : null;
                var who = known is null ? person : await db.People.SingleAsync(p => p.Id == known.PersonId, cancel);
                // Whom the code was made for, and who never came in, is the one who has the phone.
                if (
                    who.Id != person.Id
                    && !await db.Devices.AnyAsync(d => d.PersonId == person.Id, cancel)
                    && !await db.Grants.AnyAsync(g => g.PersonId == person.Id, cancel)
                )
                    db.People.Remove(person);
                if (await db.Grants.FindAsync([who.Id, link.DogId!.Value], cancel) is { } grant)
                    grant.Until = link.Until;
                else
                    db.Grants.Add(
                        new GrantRow
                        {
                            PersonId = who.Id,
                            DogId = link.DogId!.Value,
                            Until = link.Until,
                        }
                    );
                await db.SaveChangesAsync(cancel);
                return await SignInEndpoints.TellAsync(who, known ?? await signIns.InAsync(http, who, entry.Device, cancel), db, clock, cancel);
            },
            cancel
        );
        await guard.RightAsync(http, what: null, cancel);
        return me;
    }

    private static Refusal NoSuchCode() =>
        Refusal.NotFound("This code was used, has run out, or was read wrongly. Look at it once more, or ask for a new one.");

    /// <summary>Devices, those that may come in first, the one that was here last before others.</summary>
    public static async Task<IReadOnlyList<DeviceDto>> ListAsync(PracticeDb db, Expression<Func<DeviceRow, bool>> which, Asker asker, CancellationToken cancel)
    {
        var rows = await db.Devices.AsNoTracking().Include(d => d.Person).Where(which).ToListAsync(cancel);
        var dogs = (await SignInEndpoints.DogsOfAsync(db, [.. rows.Select(d => d.PersonId).Distinct()], cancel)).ToLookup(d => d.Person, d => d.Dog);
        return
        [
            .. rows.Select(d => new DeviceDto(
                    d.Id,
                    d.Name,
                    d.Person!.Name,
                    d.Person.Kind,
                    [.. dogs[d.PersonId]],
                    d.Since,
                    d.LastHereAt,
                    d.WithdrawnAt is not null || d.Person.WithdrawnAt is not null,
                    d.Id == asker.Device?.Id
                ))
                .OrderBy(d => d.Withdrawn)
                .ThenByDescending(d => d.LastHere),
        ];
    }

    private static async Task<NoContent> WithdrawAsync(Guid phoneId, PracticeDb db, TimeProvider clock, CancellationToken cancel) =>
        await WithdrawDeviceAsync(db.Devices.Where(d => d.Id == phoneId), db, clock, cancel);

    /// <summary>Lets a device in no more, at once. The caller has its turn.</summary>
    /// <exception cref="Refusal">There is none.</exception>
    public static async Task<NoContent> WithdrawDeviceAsync(IQueryable<DeviceRow> which, PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        var device = await which.SingleOrDefaultAsync(cancel) ?? throw Refusal.NotFound("No device has this id.");
        device.WithdrawnAt ??= clock.UtcNow();
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    /// <summary>An address as a QR code (ISO/IEC 18004), a path of squares.</summary>
    private static (string Path, int Across) SquareOf(string address)
    {
        using var made = QRCodeGenerator.GenerateQrCode(address, QRCodeGenerator.ECCLevel.M);
        var path = new StringBuilder();
        for (var y = 0; y < made.ModuleMatrix.Count; y++)
        {
            for (var x = 0; x < made.ModuleMatrix[y].Count; x++)
            {
                if (made.ModuleMatrix[y][x])
                    path.Append(CultureInfo.InvariantCulture, $"M{x} {y}h1v1h-1z");
            }
        }

        return (path.ToString(), made.ModuleMatrix.Count);
    }
}
