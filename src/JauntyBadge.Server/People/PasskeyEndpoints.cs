using System.Buffers.Text;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.People;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.People;

/// <summary>Passkeys (W3C Web Authentication), made and asked for by ASP.NET Core Identity.</summary>
internal static class PasskeyEndpoints
{
    private const int Most = 10;

    public static void MapPasskeys(this IEndpointRouteBuilder api)
    {
        var group = api.MapGroup("/").WithTags("People").ProducesProblem(StatusCodes.Status429TooManyRequests);
        group
            .MapPost("/sign-in/passkey/ask", AskAsync)
            .WithName("askForPasskey")
            .MayAnyone()
            .WithSummary("What a browser signs to come in; the same for everybody, whoever there is.");
        group.MapPost("/sign-in/passkey", SignInAsync).WithName("signInByPasskey").MayAnyone().WithSummary("Come in by what the browser signed.");
        group.MapGet("/me/passkeys", ListAsync).WithName("ownPasskeys").May(Concern.OwnKeys).WithSummary("One's own passkeys.");
        group.MapPost("/me/passkeys/ask", AskToMakeAsync).WithName("askToMakePasskey").May(Concern.OwnKeys).WithSummary("What a browser makes a passkey from.");
        group.MapPost("/me/passkeys", AddAsync).WithName("addPasskey").May(Concern.OwnKeys).WithSummary("Keep a passkey that the browser made.");
        group.MapDelete("/me/passkeys/{passkeyId}", RemoveAsync).WithName("removePasskey").May(Concern.OwnKeys).WithSummary("Forget a passkey.");
    }

    private static async Task<PasskeyAskedDto> AskAsync(SignInManager<PersonRow> identity) => new(await identity.MakePasskeyRequestOptionsAsync(user: null));

    private static async Task<MeDto> SignInAsync(
        PasskeyEntry entry,
        HttpContext http,
        SignInManager<PersonRow> identity,
        UserManager<PersonRow> people,
        Guard guard,
        SignIns signIns,
        PracticeDb db,
        WriteGate gate,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        await guard.CountAsync(http, what: null, cancel);
        var found = await PerformAsync(() => identity.PerformPasskeyAssertionAsync(NeedCredential(entry)));
        if (found is not { Succeeded: true, User: { WithdrawnAt: null } person })
            throw new Refusal(StatusCodes.Status401Unauthorized, "Not let in", "This passkey is not known here.");
        await guard.RightAsync(http, what: null, cancel);
        var device = await gate.WriteAsync(
            db,
            async () =>
            {
                // Counts how often it signed: a copy of it is found out.
                await people.AddOrUpdatePasskeyAsync(person, found.Passkey);
                return await signIns.InAsync(http, person, entry.Device, cancel);
            },
            cancel
        );
        return await SignInEndpoints.TellAsync(person, device, db, clock, cancel);
    }

    private static async Task<IReadOnlyList<PasskeyDto>> ListAsync(Asker asker, UserManager<PersonRow> people, PracticeDb db, CancellationToken cancel) =>
        asker.Device is { } device ? [.. (await people.GetPasskeysAsync(await FindAsync(device, db, cancel))).Select(Told)] : [];

    private static async Task<PasskeyAskedDto> AskToMakeAsync(Asker asker, SignInManager<PersonRow> identity)
    {
        var person = NeedPerson(asker);
        return new(
            await identity.MakePasskeyCreationOptionsAsync(
                new PasskeyUserEntity
                {
                    Id = $"{person.Id}",
                    Name = person.Name,
                    DisplayName = person.Name,
                }
            )
        );
    }

    private static async Task<PasskeyDto> AddAsync(
        PasskeyEntry entry,
        Asker asker,
        SignInManager<PersonRow> identity,
        UserManager<PersonRow> people,
        PracticeDb db,
        WriteGate gate,
        CancellationToken cancel
    )
    {
        _ = NeedPerson(asker);
        var made = await PerformAsync(() => identity.PerformPasskeyAttestationAsync(NeedCredential(entry)));
        if (made is not { Succeeded: true, Passkey: { } passkey })
            throw Refusal.Field("credential", "The browser's passkey cannot be used. Try again.");
        passkey.Name = entry.Name.OrNull() is { } name ? name[..Math.Min(name.Length, PersonEntryValidator.LongestName)] : asker.Device!.Name;
        return await gate.WriteAsync(
            db,
            async () =>
            {
                var person = await FindAsync(asker.Device!, db, cancel);
                if ((await people.GetPasskeysAsync(person)).Count >= Most)
                    throw Refusal.Conflict($"There are {Most} passkeys already. Forget one first.");
                await people.AddOrUpdatePasskeyAsync(person, passkey);
                return Told(passkey);
            },
            cancel
        );
    }

    private static async Task<NoContent> RemoveAsync(
        string passkeyId,
        Asker asker,
        UserManager<PersonRow> people,
        PracticeDb db,
        WriteGate gate,
        CancellationToken cancel
    )
    {
        _ = NeedPerson(asker);
        return await gate.WriteAsync(
            db,
            async () =>
            {
                var person = await FindAsync(asker.Device!, db, cancel);
                var passkey =
                    (await people.GetPasskeysAsync(person)).FirstOrDefault(k => IdOf(k) == passkeyId) ?? throw Refusal.NotFound("No passkey has this id.");
                await people.RemovePasskeyAsync(person, passkey.CredentialId);
                return TypedResults.NoContent();
            },
            cancel
        );
    }

    /// <summary>What the library says of a credential that cannot be read, and of a question nobody asked, is a no.</summary>
    private static async Task<T?> PerformAsync<T>(Func<Task<T>> perform)
        where T : class
    {
        try
        {
            return await perform();
        }
        catch (InvalidOperationException)
        {
            return null;
        }
        catch (System.Text.Json.JsonException)
        {
            return null;
        }
    }

    private static string NeedCredential(PasskeyEntry entry) =>
        entry.Credential.OrNull() ?? throw Refusal.Field("credential", "What the browser made or signed is missing.");

    private static PersonRow NeedPerson(Asker asker) =>
        asker.Device?.Person ?? throw Refusal.Conflict("Nobody is signed in here: whoever sits at the machine needs no passkey.");

    private static Task<PersonRow> FindAsync(DeviceRow device, PracticeDb db, CancellationToken cancel) =>
        db.People.SingleAsync(p => p.Id == device.PersonId, cancel);

    private static PasskeyDto Told(UserPasskeyInfo passkey) => new(IdOf(passkey), passkey.Name ?? "", passkey.CreatedAt);

    private static string IdOf(UserPasskeyInfo passkey) => Base64Url.EncodeToString(passkey.CredentialId);
}
