using JauntyBadge.Core;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.People;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.People;

/// <summary>Who works with the practice. Nobody is deleted: what they did keeps their name.</summary>
internal static class PeopleEndpoints
{
    public static void MapPeople(this IEndpointRouteBuilder api)
    {
        var people = api.MapGroup("/people").WithTags("People").OneWriterAtATime();
        people.MapGet("/", ListAsync).WithName("people").May(Concern.WholePractice).WithSummary("Who works with the practice.");
        people
            .MapPost("/", AddAsync)
            .WithName("addPerson")
            .May(Concern.WholePractice)
            .WithSummary("Add somebody; without a password, with a one-time link to set it.");
        people.MapPut("/{personId:guid}", EditAsync).WithName("editPerson").May(Concern.WholePractice).WithSummary("Rename somebody, or change what they may.");
        people
            .MapDelete("/{personId:guid}", WithdrawAsync)
            .WithName("withdrawPerson")
            .May(Concern.WholePractice)
            .WithSummary("Let somebody in no more, at once and everywhere.");
        people.MapPost("/{personId:guid}/back", BringBackAsync).WithName("bringPersonBack").May(Concern.WholePractice).WithSummary("Let somebody in again.");
        people
            .MapPost("/{personId:guid}/link", LinkAsync)
            .WithName("passwordLink")
            .May(Concern.WholePractice)
            .WithSummary("A one-time link by which somebody sets a new password.");
    }

    private static async Task<IReadOnlyList<PersonDto>> ListAsync(PracticeDb db, Asker asker, CancellationToken cancel) =>
        await TellAsync(await db.People.AsNoTracking().OrderBy(p => p.UserName).ToListAsync(cancel), db, asker, cancel);

    private static async Task<IReadOnlyList<PersonDto>> TellAsync(IReadOnlyList<PersonRow> people, PracticeDb db, Asker asker, CancellationToken cancel)
    {
        IReadOnlyList<Guid> ids = [.. people.Select(p => p.Id)];
        var dogs = (await SignInEndpoints.DogsOfAsync(db, ids, cancel)).ToLookup(d => d.Person, d => d.Dog);
        var passkeys = await db.Set<IdentityUserPasskey<Guid>>()
            .GroupBy(k => k.UserId)
            .Select(k => new { Person = k.Key, Count = k.Count() })
            .ToDictionaryAsync(k => k.Person, k => k.Count, cancel);
        return
        [
            .. people.Select(p => new PersonDto(
                p.Id,
                p.Name,
                p.Kind,
                p.WithdrawnAt is not null,
                p.PasswordHash is not null,
                passkeys.GetValueOrDefault(p.Id),
                [.. dogs[p.Id]],
                asker.Device?.PersonId == p.Id
            )),
        ];
    }

    private static async Task<PersonDto> TellAsync(PersonRow person, PracticeDb db, Asker asker, CancellationToken cancel) =>
        (await TellAsync([person], db, asker, cancel))[0];

    private static async Task<Created<PersonAddedDto>> AddAsync(
        PersonEntry entry,
        PracticeDb db,
        Asker asker,
        PublicAddress at,
        HttpContext http,
        IPasswordHasher<PersonRow> hasher,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (entry.Kind == PersonKind.Clinic)
            throw Refusal.Field("kind", "A clinic comes in by a link of one dog: open the dog and give its card.");
        await Persons.NeedFreeAsync(db, entry.Name!, besides: null, cancel);
        var person = Persons.Add(db, entry.Name!, entry.Kind!.Value, clock);
        if (entry.Password is not null)
            Persons.SetPassword(person, entry.Password, hasher);
        await GiveAsync(person, entry.DogIds, db, cancel);
        await db.SaveChangesAsync(cancel);
        var link = entry.Password is null && May.HasOwnKeys(person.Kind) ? await MakeLinkAsync(person, db, at, http, clock, cancel) : null;
        return TypedResults.Created($"/api/people/{person.Id}", new PersonAddedDto(await TellAsync(person, db, asker, cancel), link));
    }

    private static async Task<PersonDto> EditAsync(
        Guid personId,
        PersonEntry entry,
        PracticeDb db,
        Asker asker,
        IPasswordHasher<PersonRow> hasher,
        CancellationToken cancel
    )
    {
        var person = await FindAsync(personId, db, cancel);
        await Persons.NeedFreeAsync(db, entry.Name!, personId, cancel);
        if (entry.Kind != person.Kind)
        {
            if (person.Kind == PersonKind.Clinic || entry.Kind == PersonKind.Clinic)
                throw Refusal.Field("kind", "A clinic's link stays one; give a new one instead.");
            if (person.Kind == PersonKind.Fitter)
                await NeedAnotherFitterAsync(person, db, cancel);
            // Whoever is signed in as what they were comes in anew as what they are.
            (person.Kind, person.SecurityStamp) = (entry.Kind!.Value, Guid.NewGuid().ToString("N"));
        }

        (person.UserName, person.NormalizedUserName) = (entry.Name!.Trim(), Persons.Normal(entry.Name!));
        if (entry.Password is not null)
            Persons.SetPassword(person, entry.Password, hasher);
        await GiveAsync(person, entry.DogIds, db, cancel);
        await db.SaveChangesAsync(cancel);
        return await TellAsync(person, db, asker, cancel);
    }

    private static async Task<PersonDto> WithdrawAsync(Guid personId, PracticeDb db, Asker asker, TimeProvider clock, CancellationToken cancel)
    {
        var person = await FindAsync(personId, db, cancel);
        if (person.Kind == PersonKind.Fitter)
            await NeedAnotherFitterAsync(person, db, cancel);
        person.WithdrawnAt ??= clock.UtcNow();
        await db.SaveChangesAsync(cancel);
        return await TellAsync(person, db, asker, cancel);
    }

    private static async Task<PersonDto> BringBackAsync(Guid personId, PracticeDb db, Asker asker, CancellationToken cancel)
    {
        var person = await FindAsync(personId, db, cancel);
        person.WithdrawnAt = null;
        await db.SaveChangesAsync(cancel);
        return await TellAsync(person, db, asker, cancel);
    }

    private static async Task<OneTimeLinkDto> LinkAsync(
        Guid personId,
        PracticeDb db,
        PublicAddress at,
        HttpContext http,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var person = await FindAsync(personId, db, cancel);
        if (!May.HasOwnKeys(person.Kind))
            throw Refusal.Conflict("A keeper's phone comes in by a code, without a password. Open the dog and give it to its keeper.");
        return await MakeLinkAsync(person, db, at, http, clock, cancel);
    }

    private static async Task<OneTimeLinkDto> MakeLinkAsync(
        PersonRow person,
        PracticeDb db,
        PublicAddress at,
        HttpContext http,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var secret = Links.NewSecret();
        var link = Links.Add(db, Opening.Password, secret, clock.UtcNow() + Links.Lives, person.Id);
        await db.SaveChangesAsync(cancel);
        return new($"{at.PageAt(Links.Page, http.Request)}#{secret}", link.RunsOutAt);
    }

    /// <summary>Gives a keeper exactly these dogs; null leaves them as they are.</summary>
    private static async Task GiveAsync(PersonRow person, IReadOnlyList<Guid>? dogs, PracticeDb db, CancellationToken cancel)
    {
        if (dogs is null)
            return;
        if (person.Kind != PersonKind.Keeper && dogs.Count > 0)
            throw Refusal.Field("dogIds", "Only a keeper has own dogs; fitters and helpers have every dog.");
        var known = await db.Dogs.Where(d => dogs.Contains(d.Id)).Select(d => d.Id).ToListAsync(cancel);
        if (dogs.Except(known).Any())
            throw Refusal.Field("dogIds", "One of them is no dog here.");
        db.Grants.RemoveRange(await db.Grants.Where(g => g.PersonId == person.Id && !dogs.Contains(g.DogId)).ToListAsync(cancel));
        var has = await db.Grants.Where(g => g.PersonId == person.Id).Select(g => g.DogId).ToListAsync(cancel);
        db.Grants.AddRange(dogs.Distinct().Except(has).Select(d => new GrantRow { PersonId = person.Id, DogId = d }));
    }

    /// <summary>Somebody must be able to let others in.</summary>
    private static async Task NeedAnotherFitterAsync(PersonRow person, PracticeDb db, CancellationToken cancel)
    {
        if (!await Persons.FittersIn(db).AnyAsync(p => p.Id != person.Id, cancel))
            throw Refusal.Conflict("This is the only fitter who can come in. Add another first.");
    }

    private static async Task<PersonRow> FindAsync(Guid personId, PracticeDb db, CancellationToken cancel) =>
        await db.People.SingleOrDefaultAsync(p => p.Id == personId, cancel) ?? throw Refusal.NotFound("Nobody has this id.");
}
