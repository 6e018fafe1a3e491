using JauntyBadge.Core;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.People;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.People;

/// <summary>People made, named and given passwords, wherever that is asked for: on a page, by a link, on the machine.</summary>
internal static class Persons
{
    /// <summary>Adds somebody; the caller saves.</summary>
    public static PersonRow Add(PracticeDb db, string name, PersonKind kind, TimeProvider clock)
    {
        var person = new PersonRow
        {
            Id = Guid.NewGuid(),
            UserName = name.Trim(),
            NormalizedUserName = Normal(name),
            Kind = kind,
            CreatedAt = clock.UtcNow(),
            SecurityStamp = Guid.NewGuid().ToString("N"),
        };
        db.People.Add(person);
        return person;
    }

    /// <summary>Fitters who can come in, and let others in.</summary>
    public static IQueryable<PersonRow> FittersIn(PracticeDb db) =>
        db.People.Where(p => p.Kind == PersonKind.Fitter && p.WithdrawnAt == null && p.PasswordHash != null);

    /// <summary>The name as it is compared.</summary>
    public static string Normal(string name) => new UpperInvariantLookupNormalizer().NormalizeName(name.Trim())!;

    /// <summary>Sets a password; whoever is signed in elsewhere is not any more. The caller saves.</summary>
    /// <exception cref="Refusal">It is not taken; names the field.</exception>
    public static void SetPassword(PersonRow person, string? password, IPasswordHasher<PersonRow> hasher)
    {
        if (Passwords.TroubleWith(password ?? "", person.Name) is { } trouble)
            throw Refusal.Field("password", new PeopleWords(Core.Writing.Usual).Of(trouble));
        person.PasswordHash = hasher.HashPassword(person, password!);
        person.SecurityStamp = Guid.NewGuid().ToString("N");
    }

    /// <summary>That nobody else is called so.</summary>
    /// <exception cref="Refusal">Somebody is; names the field.</exception>
    public static async Task NeedFreeAsync(PracticeDb db, string name, Guid? besides, CancellationToken cancel)
    {
        var normal = Normal(name);
        if (await db.People.AnyAsync(p => p.NormalizedUserName == normal && p.Id != besides, cancel))
            throw Refusal.Field("name", $"Somebody here is called {name.Trim()} already. Add something that tells them apart.");
    }

    /// <summary>A name like this one that nobody has yet.</summary>
    public static async Task<string> FreeNameAsync(PracticeDb db, string like, CancellationToken cancel)
    {
        var name = like.Trim();
        name = name.Length > PersonEntryValidator.LongestName - 5 ? name[..(PersonEntryValidator.LongestName - 5)] : name;
        for (var again = 1; ; again++)
        {
            var tried = again == 1 ? name : $"{name} ({again})";
            var normal = Normal(tried);
            if (!await db.People.AnyAsync(p => p.NormalizedUserName == normal, cancel))
                return tried;
        }
    }
}
