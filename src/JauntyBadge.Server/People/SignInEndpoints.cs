using JauntyBadge.Core;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.People;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.People;

/// <summary>Coming in and going out: by password, by a one-time link, and what one is signed in on.</summary>
internal static class SignInEndpoints
{
    /// <summary>What is checked where there is nobody of a name, so that it takes as long.</summary>
    private static string? dummy;

    public static void MapSignIn(this IEndpointRouteBuilder api)
    {
        var group = api.MapGroup("/").WithTags("People").ProducesProblem(StatusCodes.Status429TooManyRequests);
        group.MapPost("/sign-in", SignInAsync).WithName("signIn").MayAnyone().WithSummary("Come in by name and password.");
        group.MapPost("/sign-out", SignOutAsync).WithName("signOut").MayAnyone().WithSummary("Go out on this device.");
        group.MapPost("/come-in/look", LookAsync).WithName("lookAtLink").MayAnyone().WithSummary("What a one-time link does; it is not used up by this.");
        group
            .MapPost("/come-in", ComeInAsync)
            .WithName("comeIn")
            .MayAnyone()
            .WithSummary("Use a one-time link: it makes the first fitter, or sets a password.");
        group.MapGet("/me", MeAsync).WithName("me").May(Concern.OwnDevices).WithSummary("Who asks, and which dogs are theirs.");
        group
            .MapPut("/me/password", PasswordAsync)
            .WithName("setOwnPassword")
            .May(Concern.OwnKeys)
            .WithSummary("Change one's password; every other device is signed out.");
        group.MapGet("/me/devices", DevicesAsync).WithName("ownDevices").May(Concern.OwnDevices).WithSummary("What one is signed in on.");
        group
            .MapDelete("/me/devices/{deviceId:guid}", SignOutThereAsync)
            .WithName("signOutThere")
            .May(Concern.OwnDevices)
            .WithSummary("Sign out on another device of one's own.");
    }

    private static async Task<MeDto> SignInAsync(
        SignInEntry entry,
        HttpContext http,
        PracticeDb db,
        Guard guard,
        SignIns signIns,
        WriteGate gate,
        IPasswordHasher<PersonRow> hasher,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        await guard.CountAsync(http, entry.Name, cancel);
        var normal = Persons.Normal(entry.Name!);
        var person = await db.People.SingleOrDefaultAsync(p => p.NormalizedUserName == normal && p.WithdrawnAt == null, cancel);
        // Whether there is somebody of this name or not, as much is done.
        dummy ??= hasher.HashPassword(new PersonRow(), Links.NewSecret());
        var found = hasher.VerifyHashedPassword(person ?? new PersonRow(), person?.PasswordHash ?? dummy, entry.Password!);
        if (person?.PasswordHash is null || found == PasswordVerificationResult.Failed)
            throw new Refusal(StatusCodes.Status401Unauthorized, "Not let in", "Name and password do not belong together.");
        await guard.RightAsync(http, entry.Name, cancel);
        var device = await gate.WriteAsync(
            db,
            async () =>
            {
                if (found == PasswordVerificationResult.SuccessRehashNeeded)
                    person.PasswordHash = hasher.HashPassword(person, entry.Password!);
                return await signIns.InAsync(http, person, entry.Device, cancel);
            },
            cancel
        );
        return await TellAsync(person, device, db, clock, cancel);
    }

    private static async Task<NoContent> SignOutAsync(
        HttpContext http,
        Asker asker,
        PracticeDb db,
        WriteGate gate,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (asker.Device is { } device)
            await gate.WriteAsync(db, () => PhoneEndpoints.WithdrawDeviceAsync(db.Devices.Where(d => d.Id == device.Id), db, clock, cancel), cancel);
        await http.SignOutAsync(SignIns.Scheme);
        // What the browser kept of answers goes too (W3C Clear Site Data); what waits to be sent is the page's own to clear.
        http.Response.Headers["Clear-Site-Data"] = "\"cache\"";
        return TypedResults.NoContent();
    }

    private static async Task<LinkDto> LookAsync(LinkEntry entry, HttpContext http, PracticeDb db, Guard guard, TimeProvider clock, CancellationToken cancel)
    {
        await guard.CountAsync(http, what: null, cancel);
        var link = await Links.FindAsync(db, entry.Token, pairs: false, clock, cancel) ?? throw UsedUp();
        await guard.RightAsync(http, what: null, cancel);
        return new LinkDto(link.PersonId is { } id ? (await db.People.SingleAsync(p => p.Id == id, cancel)).Name : null);
    }

    private static async Task<MeDto> ComeInAsync(
        ComeInEntry entry,
        HttpContext http,
        PracticeDb db,
        Guard guard,
        SignIns signIns,
        WriteGate gate,
        IPasswordHasher<PersonRow> hasher,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        await guard.CountAsync(http, what: null, cancel);
        return await gate.WriteAsync(
            db,
            async () =>
            {
                var link = await Links.FindAsync(db, entry.Token, pairs: false, clock, cancel) ?? throw UsedUp();
                PersonRow person;
                if (link.PersonId is { } id)
                {
                    person = await db.People.SingleAsync(p => p.Id == id, cancel);
                    if (person.WithdrawnAt is not null)
                        throw UsedUp();
                }
                else
                {
                    if (string.IsNullOrWhiteSpace(entry.Name) || entry.Name.Length > PersonEntryValidator.LongestName)
                        throw Refusal.Field("name", "Give a name of up to 60 letters.");
                    await Persons.NeedFreeAsync(db, entry.Name, besides: null, cancel);
                    person = Persons.Add(db, entry.Name, PersonKind.Fitter, clock);
                }

                Persons.SetPassword(person, entry.Password, hasher);
                link.UsedAt = clock.UtcNow();
                await db.SaveChangesAsync(cancel);
                return await TellAsync(person, await signIns.InAsync(http, person, entry.Device, cancel), db, clock, cancel);
            },
            cancel
        );
    }

    private static async Task<MeDto> MeAsync(Asker asker, PracticeDb db, TimeProvider clock, CancellationToken cancel) =>
        asker.Device is { Person: { } person } device
            ? await TellAsync(person, device, db, clock, cancel)
            : new MeDto("", PersonKind.Fitter, [], SignedIn: false, Device: null);

    /// <summary>Who somebody is, for a page of theirs.</summary>
    public static async Task<MeDto> TellAsync(PersonRow person, DeviceRow device, PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        var today = clock.Today();
        return new(
            person.Name,
            person.Kind,
            May.HasOwnDogsOnly(person.Kind)
                ? [.. (await DogsOfAsync(db, [person.Id], cancel)).Where(d => d.Dog.Until is null || d.Dog.Until >= today).Select(d => d.Dog)]
                : [],
            SignedIn: true,
            device.Name
        );
    }

    /// <summary>Which dogs people have, or had until a day that is over.</summary>
    public static async Task<IReadOnlyList<(Guid Person, NamedDogDto Dog)>> DogsOfAsync(PracticeDb db, IReadOnlyList<Guid> people, CancellationToken cancel) =>
        [
            .. (await db.GivenDogs().Where(g => people.Contains(g.PersonId)).OrderBy(g => g.Dog).ToListAsync(cancel)).Select(g =>
                (g.PersonId, new NamedDogDto(g.DogId, g.Dog, g.Until))
            ),
        ];

    private static async Task<NoContent> PasswordAsync(
        PasswordEntry entry,
        HttpContext http,
        Asker asker,
        Guard guard,
        PracticeDb db,
        WriteGate gate,
        IPasswordHasher<PersonRow> hasher,
        CancellationToken cancel
    )
    {
        var device = asker.Device ?? throw Refusal.Conflict("Nobody is signed in here: whoever sits at the machine needs no password.");
        await guard.CountAsync(http, device.Person!.Name, cancel);
        var person = await db.People.SingleAsync(p => p.Id == device.PersonId, cancel);
        if (person.PasswordHash is { } hash && hasher.VerifyHashedPassword(person, hash, entry.Current ?? "") == PasswordVerificationResult.Failed)
            throw Refusal.Field("current", "This is not the password until now.");
        await guard.RightAsync(http, person.Name, cancel);
        await gate.WriteAsync(
            db,
            async () =>
            {
                Persons.SetPassword(person, entry.Password, hasher);
                return await db.SaveChangesAsync(cancel);
            },
            cancel
        );
        await SignIns.CookieAsync(http, person, device);
        return TypedResults.NoContent();
    }

    private static Task<IReadOnlyList<DeviceDto>> DevicesAsync(Asker asker, PracticeDb db, CancellationToken cancel) =>
        asker.Device is { } device
            ? PhoneEndpoints.ListAsync(db, d => d.PersonId == device.PersonId && d.WithdrawnAt == null, asker, cancel)
            : Task.FromResult<IReadOnlyList<DeviceDto>>([]);

    private static async Task<NoContent> SignOutThereAsync(
        Guid deviceId,
        Asker asker,
        PracticeDb db,
        WriteGate gate,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var own = asker.Device?.PersonId;
        return await gate.WriteAsync(
            db,
            () => PhoneEndpoints.WithdrawDeviceAsync(db.Devices.Where(d => d.Id == deviceId && d.PersonId == own), db, clock, cancel),
            cancel
        );
    }

    private static Refusal UsedUp() => Refusal.NotFound("This link was used, or has run out. Ask a fitter for a new one, or make one on the machine.");
}
