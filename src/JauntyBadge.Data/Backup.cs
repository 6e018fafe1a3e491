using Microsoft.Data.Sqlite;

namespace JauntyBadge.Data;

/// <summary>One whole file of a practice, made while it may be in use.</summary>
public static class Backup
{
    /// <summary>Seconds that a copy waits for another's writing.</summary>
    private const int Waits = 30;

    /// <summary>Copies a practice by SQLite's own backup and checks the copy.</summary>
    /// <param name="from">The practice's file.</param>
    /// <param name="to">The file to make; there must be none of that name.</param>
    /// <exception cref="PracticeProblem">There is no practice, the copy cannot be written, or it is not whole; then no copy is left behind.</exception>
    public static void Make(string from, string to)
    {
        if (!File.Exists(from))
            throw new PracticeProblem($"There is no practice at {from}.");
        if (File.Exists(to))
            throw new PracticeProblem($"{to} is there already. Give the backup another name.");
        if (Path.GetDirectoryName(to) is { Length: > 0 } folder && !Directory.Exists(folder))
            throw new PracticeProblem($"There is no folder {folder}. Make it, or choose another place for the backup.");
        var made = false;
        try
        {
            // Made first, so that it is never readable by others.
            new FileStream(
                to,
                new FileStreamOptions
                {
                    Mode = FileMode.CreateNew,
                    Access = FileAccess.Write,
                    UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite,
                }
            ).Dispose();
            made = true;
            using var source = SqliteFile.Open(from, SqliteOpenMode.ReadOnly, Waits);
            if (Ask(source, """SELECT "name" FROM "sqlite_master" WHERE "name" = '__EFMigrationsHistory'""") is null)
                throw new PracticeProblem($"{from} is empty: there is no practice in it. No backup was made; keep the ones there are.");
            using (var copy = SqliteFile.Open(to, SqliteOpenMode.ReadWrite, Waits))
            {
                source.BackupDatabase(copy);
                Ask(copy, "PRAGMA journal_mode=DELETE");
                Ask(copy, $"PRAGMA user_version={PracticeFolder.IsCopy}");
                if (Ask(copy, "PRAGMA integrity_check") is not "ok")
                    throw new PracticeProblem(SqliteWords.Say(SqliteWords.Trouble.Damaged, from));
            }
        }
        catch (Exception e)
        {
            // With what SQLite keeps beside a file while it writes.
            foreach (var left in made ? new[] { to, $"{to}-journal", $"{to}-wal", $"{to}-shm" } : [])
                File.Delete(left);
            throw e switch
            {
                PracticeProblem => e,
                _ when SqliteWords.Of(e) is { } trouble => new PracticeProblem(
                    SqliteWords.Say(trouble, trouble is SqliteWords.Trouble.Damaged or SqliteWords.Trouble.Busy ? from : to),
                    e
                ),
                IOException or UnauthorizedAccessException => new PracticeProblem(
                    $"{to} cannot be written: {e.Message.TrimEnd('.')}. Choose another place for the backup.",
                    e
                ),
                _ => e,
            };
        }
    }

    /// <summary>Whether a file begins as every database does (Published: sqlite.org/fileformat.html).</summary>
    public static bool IsPractice(string file)
    {
        using var read = File.OpenRead(file);
        var head = new byte[16];
        return read.ReadAtLeast(head, head.Length, throwOnEndOfStream: false) == head.Length && head.AsSpan().SequenceEqual("SQLite format 3\0"u8);
    }

    private static string? Ask(SqliteConnection connection, string sql)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        return command.ExecuteScalar() as string;
    }
}
