using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.People;
using JauntyBadge.Server.People;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Options;

namespace JauntyBadge.Server.Start;

/// <summary>People added on the machine itself: <c>person add NAME --kind fitter --password-stdin true --data FOLDER</c>. Whoever is there already gets the new password.</summary>
internal static class PersonCommand
{
    public static async Task<int> AddAsync(string[] args)
    {
        if (args is not [{ Length: > 0 } name, .. var more] || name.StartsWith('-'))
            throw new PracticeProblem("Say who: person add NAME --kind fitter --password-stdin.");
        var settings = new ConfigurationBuilder().AddCommandLine(more).Build();
        if (!Enum.TryParse<PersonKind>(settings["kind"] ?? "fitter", ignoreCase: true, out var kind) || !May.HasOwnKeys(kind))
            throw new PracticeProblem("--kind takes fitter or helper; a keeper's phone and a clinic come in by a code of the dog.");
        if (name.Trim().Length is 0 or > PersonEntryValidator.LongestName || Sound.HasControls(name))
            throw new PracticeProblem("A name has up to 60 letters.");
        var password = settings.GetValue<bool>("password-stdin")
            ? await Console.In.ReadLineAsync()
            : throw new PracticeProblem("Hand the password over by --password-stdin.");
        if (Passwords.TroubleWith(password ?? "", name) is { } trouble)
            throw new PracticeProblem(new PeopleWords(Core.Writing.Usual).Of(trouble));
        var path = Path.GetFullPath(Practice.FolderOf(settings));
        var clock = TimeProvider.System;
        await using var db = new PracticeDb(new DbContextOptionsBuilder<PracticeDb>().UseSqlite(PracticeFolder.ConnectionTo(path)).Options);
        // A server that runs has brought the practice up to date; else it is done here.
        using var held = PracticeFolder.TryHold(path);
        if (held is not null)
            await held.PrepareAsync(db, clock);
        await using var transaction = await db.Database.BeginTransactionAsync();
        var normal = Persons.Normal(name);
        var person = await db.People.SingleOrDefaultAsync(p => p.NormalizedUserName == normal);
        var isNew = person is null;
        person ??= Persons.Add(db, name, kind, clock);
        (person.Kind, person.WithdrawnAt) = (kind, null);
        var hasher = new PasswordHasher<PersonRow>(Options.Create(new PasswordHasherOptions { IterationCount = SignIns.HashRounds }));
        Persons.SetPassword(person, password, hasher);
        await db.SaveChangesAsync();
        await transaction.CommitAsync();
        if (held is not null && db.LastGiven is { } last)
            held.Note(last);
        Console.WriteLine(
            isNew
                ? $"{person.Name} can come in as {kind.ToString().ToLowerInvariant()}."
                : $"{person.Name} was here already, has the new password, and is signed out everywhere."
        );
        return 0;
    }
}
