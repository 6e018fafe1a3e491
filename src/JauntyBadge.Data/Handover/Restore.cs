using System.Globalization;
using System.Text.Json;
using JauntyBadge.Core;
using JauntyBadge.Data.People;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data.Handover;

/// <summary>What a practice's file holds, looked at without opening it as a practice.</summary>
/// <param name="Name">What the practice is called; null where it has no name or comes from before names.</param>
/// <param name="Dogs">How many dogs it has, archived ones too.</param>
/// <param name="LastEntry">The last moment on record, UTC; null where there is none.</param>
/// <param name="Release">The last change of its layout: when and which.</param>
/// <param name="IsOlder">Its layout is of an earlier release, and is brought up to date when it is put back.</param>
public sealed record PracticeGlance(string? Name, int Dogs, DateTime? LastEntry, string Release, bool IsOlder);

/// <summary>A practice put in the place of another.</summary>
/// <param name="At">When, UTC.</param>
/// <param name="From">The file it came from.</param>
/// <param name="SetAside">Where the one before lies.</param>
/// <param name="Id">Of the wish, so that sent twice it counts once; null where none was given.</param>
public sealed record Restored(DateTime At, string From, string? SetAside, Guid? Id = null);

/// <summary>Puts a backup in the place of the practice: looked at first, the present one set aside, and undone where that was wrong.</summary>
public static class Restore
{
    private const string Note = "restored.json";

    private static readonly (string Table, string Column)[] Moments =
    [
        ("Dogs", "CreatedAt"),
        ("Readings", "TakenAt"),
        ("Choices", "ChosenAt"),
        ("TryOns", "At"),
        ("Sessions", "StartedAt"),
        ("Goes", "At"),
        ("PlanMoves", "At"),
        ("Wears", "StartedAt"),
        ("Inspections", "At"),
    ];

    /// <summary>Looks at a file.</summary>
    /// <exception cref="PracticeProblem">It is none of ours, damaged, or of a newer release.</exception>
    public static PracticeGlance Look(string file, IReadOnlyList<string> migrations)
    {
        try
        {
            using var connection = SqliteFile.Open(file, SqliteOpenMode.ReadOnly, waits: 5);
            string? Ask(string sql)
            {
                using var command = connection.CreateCommand();
                command.CommandText = sql;
                return Convert.ToString(command.ExecuteScalar(), CultureInfo.InvariantCulture) is { Length: > 0 } text ? text : null;
            }

            bool Has(string table) => Ask($"PRAGMA table_info(\"{table}\")") is not null;
            if (Ask("PRAGMA integrity_check(1)") != "ok")
                throw new PracticeProblem("The file is damaged. Take another backup.");
            if (!Has("__EFMigrationsHistory"))
                throw new PracticeProblem("The file is no practice of Jaunty Badge.");
            var last = Ask("""SELECT MAX("MigrationId") FROM "__EFMigrationsHistory" """) ?? "";
            if (Releases.Refuses("The file", last, migrations) is { } problem)
                throw problem;
            var moments = Moments.Where(m => Has(m.Table)).Select(m => Ask($"SELECT MAX(\"{m.Column}\") FROM \"{m.Table}\"")).OfType<string>().ToList();
            return new(
                Has("Practice") ? Ask("""SELECT "Name" FROM "Practice" LIMIT 1""") : null,
                int.Parse(Ask("""SELECT COUNT(*) FROM "Dogs" """) ?? "0", CultureInfo.InvariantCulture),
                moments.Count == 0
                    ? null
                    : moments.Max(m => DateTime.Parse(m, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal | DateTimeStyles.AdjustToUniversal)),
                last,
                last != migrations[^1]
            );
        }
        catch (SqliteException e)
        {
            throw new PracticeProblem("The file is damaged, or no practice of Jaunty Badge.", e);
        }
    }

    /// <summary>Puts a file in the practice's place. Nobody else may be writing.</summary>
    /// <param name="folder">The practice's folder.</param>
    /// <param name="file">A file that was looked at, inside the folder: it is moved.</param>
    /// <param name="from">What it is called.</param>
    /// <param name="db">Opens the practice once it is in place.</param>
    /// <param name="clock">Names what is set aside.</param>
    /// <param name="id">Of the wish: what was done under it is not done again.</param>
    /// <param name="cancel">Stops it before anything is moved.</param>
    public static async Task<Restored> PutAsync(
        PracticeFolder folder,
        string file,
        string from,
        PracticeDb db,
        TimeProvider clock,
        Guid? id,
        CancellationToken cancel
    )
    {
        if (id is not null && Last(folder) is { } done && done.Id == id)
            return done;
        cancel.ThrowIfCancellationRequested();
        var shutOut = ShutOut.Nobody;
        if (folder.HasPractice)
        {
            shutOut = await ShutOut.OfAsync(db);
            await CloseAsync(folder, db);
        }

        var aside = folder.SetAside(clock, isMissed: true);
        try
        {
            folder.Take(file);
            await folder.PrepareAsync(db, clock, CancellationToken.None);
            await shutOut.KeepOutAsync(db);
        }
        catch
        {
            // What cannot be opened does not stay in the place of what could.
            folder.LetGo();
            folder.SetAside(clock, isMissed: true);
            if (aside is not null)
            {
                folder.BringBack(aside);
                await folder.PrepareAsync(db, clock, CancellationToken.None);
            }

            throw;
        }

        var restored = new Restored(clock.UtcNow(), from, aside, id);
        folder.Write(Note, JsonSerializer.Serialize(restored));
        return restored;
    }

    /// <summary>The practice that was put in place last, where the one before is still there; null where there is nothing to undo.</summary>
    public static Restored? Last(PracticeFolder folder)
    {
        try
        {
            return folder.Read(Note) is { } text && JsonSerializer.Deserialize<Restored>(text) is { SetAside: { } aside } last && Directory.Exists(aside)
                ? last
                : null;
        }
        catch (JsonException)
        {
            return null;
        }
    }

    /// <summary>Brings the practice back that was set aside; the one in place is set aside in its turn.</summary>
    /// <param name="folder">The practice's folder.</param>
    /// <param name="db">Opens the practice once it is in place.</param>
    /// <param name="clock">Names what is set aside.</param>
    /// <param name="of">When that was put back which is to be undone, so that two hands do not undo each other; null for whatever was last.</param>
    public static async Task<Restored> UndoAsync(PracticeFolder folder, PracticeDb db, TimeProvider clock, DateTime? of)
    {
        var last = Last(folder) ?? throw new PracticeProblem("There is nothing to undo: no practice was put back here, or the one before is gone.");
        if (of is { } meant && meant != last.At)
            throw new PracticeProblem("That was undone already, or another backup was put back since. Look again at what is in place.");
        var shutOut = await ShutOut.OfAsync(db);
        await CloseAsync(folder, db);
        var aside = folder.SetAside(clock, isMissed: true);
        folder.BringBack(last.SetAside!);
        await folder.PrepareAsync(db, clock, CancellationToken.None);
        await shutOut.KeepOutAsync(db);
        var undone = new Restored(clock.UtcNow(), last.SetAside!, aside);
        folder.Write(Note, JsonSerializer.Serialize(undone));
        return undone;
    }

    /// <summary>Writes what is still beside the file into it, and lets go of it.</summary>
    private static async Task CloseAsync(PracticeFolder folder, PracticeDb db)
    {
        await db.Database.ExecuteSqlRawAsync("PRAGMA wal_checkpoint(TRUNCATE);");
        await db.Database.CloseConnectionAsync();
        folder.LetGo();
    }
}
