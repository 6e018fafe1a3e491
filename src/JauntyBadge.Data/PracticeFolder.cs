using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data;

/// <summary>
/// The folder that holds a practice. One process has it at a time: the lock is the operating system's and ends with the process, however that ends,
/// so a lock that is held is held by somebody alive.
/// </summary>
public sealed class PracticeFolder : IDisposable
{
    private const string Database = "practice.db";
    private const string MadeByDemo = "made-by-demo";

    private const UnixFileMode OnlyMine = UnixFileMode.UserRead | UnixFileMode.UserWrite;
    private const UnixFileMode OnlyMineFolder = OnlyMine | UnixFileMode.UserExecute;

    private readonly FileStream held;

    private PracticeFolder(string path, FileStream held) => (Path, this.held) = (path, held);

    /// <summary>The folder.</summary>
    public string Path { get; }

    /// <summary>The practice's file.</summary>
    public string DatabasePath => DatabaseIn(Path);

    /// <summary>Whether there is a practice in it.</summary>
    public bool HasPractice => File.Exists(DatabasePath);

    /// <summary>Whether the practice in it was filled by the demo.</summary>
    public bool IsDemo => File.Exists(In(MadeByDemo));

    /// <summary>The practice's file in a folder.</summary>
    public static string DatabaseIn(string folder) => System.IO.Path.Combine(folder, Database);

    /// <summary>How to reach it. A lock held by another program is waited for a second at a time, never longer on one thread.</summary>
    public static string ConnectionTo(string folder, bool readOnly = false) =>
        new SqliteConnectionStringBuilder
        {
            DataSource = DatabaseIn(folder),
            DefaultTimeout = 1,
            Mode = readOnly ? SqliteOpenMode.ReadOnly : SqliteOpenMode.ReadWriteCreate,
        }.ToString();

    /// <summary>Takes a folder for this process, making it where there is none, readable and writable by this user only.</summary>
    /// <exception cref="PracticeProblem">It cannot be made or written, or another process has it.</exception>
    public static PracticeFolder Hold(string path)
    {
        path = System.IO.Path.GetFullPath(path);
        var ours = System.IO.Path.Combine(path, "practice.lock");
        try
        {
            if (!Directory.Exists(path))
                Directory.CreateDirectory(path, OnlyMineFolder);
            var folder = new PracticeFolder(path, new FileStream(ours, FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None));
            folder.Close();
            return folder;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            throw new PracticeProblem(
                File.Exists(ours) && IsHeld(ours)
                    ? $"Another Jaunty Badge is using {path} already. Stop that one first, or choose another folder with --data."
                    : $"{path} cannot be used to keep a practice: {e.Message.TrimEnd('.')}. Choose a folder this user may write with --data.",
                e
            );
        }
    }

    /// <summary>Brings the practice up to date: looks it over, copies it before its schema changes, and never waits for a process that is gone.</summary>
    /// <param name="db">The practice's database.</param>
    /// <param name="clock">Names the copy.</param>
    /// <param name="cancel">Stops between steps.</param>
    /// <exception cref="PracticeProblem">The file is damaged, of a newer release, not a practice, or cannot be written. It is left as it was.</exception>
    public async Task PrepareAsync(PracticeDb db, TimeProvider clock, CancellationToken cancel = default)
    {
        try
        {
            var applied = HasPractice ? LookOver(db) : [];
            var pending = db.Database.GetMigrations().Except(applied).ToList();
            if (applied.Count > 0 && pending.Count > 0)
                Backup.Make(
                    DatabasePath,
                    System.IO.Path.Combine(MakeFolder("backups"), $"practice-{clock.GetLocalNow():yyyy-MM-dd-HHmmss}-before-{pending[^1][15..]}.db")
                );
            if (pending.Count > 0)
            {
                // This process holds the folder: a lock left in the database is that of a process that was cut short.
                await db.Database.ExecuteSqlRawAsync("""DROP TABLE IF EXISTS "__EFMigrationsLock";""", cancel);
                await db.Database.MigrateAsync(cancel);
            }

            // Survives a crash, and lets readers read on while another writes.
            await db.Database.ExecuteSqlRawAsync("PRAGMA journal_mode=WAL;", cancel);
            Close();
        }
        catch (Exception e) when (SqliteWords.Of(e) is { } trouble)
        {
            throw new PracticeProblem(SqliteWords.Say(trouble, DatabasePath), e);
        }
    }

    /// <summary>Notes that the practice was filled by the demo, so that it may be begun afresh without asking.</summary>
    public void MarkDemo()
    {
        File.WriteAllText(In(MadeByDemo), "This practice was filled by bin/demo.\n");
        Close();
    }

    /// <summary>Moves the practice into a folder of its own beside it, so that another can begin.</summary>
    /// <returns>Where it lies now; null where there was none.</returns>
    public string? SetAside(TimeProvider clock)
    {
        if (!HasPractice)
            return null;
        var day = System.IO.Path.Combine(MakeFolder("set-aside"), $"{clock.GetLocalNow():yyyy-MM-dd-HHmmss}");
        var to = day;
        for (var again = 2; Directory.Exists(to); again++)
            to = $"{day}-{again}";
        Directory.CreateDirectory(to, OnlyMineFolder);
        foreach (var name in new[] { Database, $"{Database}-wal", $"{Database}-shm", MadeByDemo }.Where(n => File.Exists(In(n))))
            File.Move(In(name), System.IO.Path.Combine(to, name));
        return to;
    }

    /// <summary>Lets another process have it.</summary>
    public void Dispose() => held.Dispose();

    private static bool IsHeld(string file)
    {
        try
        {
            using var free = new FileStream(file, FileMode.Open, FileAccess.ReadWrite, FileShare.None);
            return false;
        }
        catch (IOException)
        {
            return true;
        }
        catch (UnauthorizedAccessException)
        {
            return false;
        }
    }

    private string In(string name) => System.IO.Path.Combine(Path, name);

    private string MakeFolder(string name) => Directory.CreateDirectory(In(name), OnlyMineFolder).FullName;

    /// <summary>Reads, without writing anything, what was applied to the file.</summary>
    private List<string> LookOver(PracticeDb db)
    {
        using var connection = new SqliteConnection(
            new SqliteConnectionStringBuilder
            {
                DataSource = DatabasePath,
                Mode = SqliteOpenMode.ReadOnly,
                Pooling = false,
                DefaultTimeout = 5,
            }.ToString()
        );
        connection.Open();
        List<string> Read(string sql)
        {
            using var command = connection.CreateCommand();
            command.CommandText = sql;
            using var rows = command.ExecuteReader();
            var read = new List<string>();
            while (rows.Read())
                read.Add(rows.GetString(0));
            return read;
        }

        var tables = Read("SELECT name FROM sqlite_master WHERE type = 'table'");
        if (Read("PRAGMA quick_check(1)") is not ["ok"])
            throw new PracticeProblem(SqliteWords.Say(SqliteWords.Trouble.Damaged, DatabasePath));
        if (!tables.Contains("__EFMigrationsHistory"))
        {
            return tables.All(t => t is "__EFMigrationsLock" || t.StartsWith("sqlite_", StringComparison.Ordinal))
                ? []
                : throw new PracticeProblem(
                    $"{DatabasePath} is a database, but not one of Jaunty Badge. It was left as it is; choose another folder with --data."
                );
        }

        var applied = Read("""SELECT "MigrationId" FROM "__EFMigrationsHistory" """);
        return applied.Except(db.Database.GetMigrations()).Any()
            ? throw new PracticeProblem(
                $"{DatabasePath} was kept by a newer release of Jaunty Badge than this one. It was left as it is: start the newer release, or choose another folder with --data."
            )
            : applied;
    }

    /// <summary>Only this user may look into the folder and the practice's files. A folder that holds other things is left as open as it is.</summary>
    private void Close()
    {
        string[] known = [Database, $"{Database}-wal", $"{Database}-shm", "practice.lock", MadeByDemo, "backups", "set-aside"];
        if (Directory.EnumerateFileSystemEntries(Path).All(e => known.Contains(System.IO.Path.GetFileName(e))))
            File.SetUnixFileMode(Path, OnlyMineFolder);
        foreach (var file in Directory.EnumerateFiles(Path).Where(f => known.Contains(System.IO.Path.GetFileName(f))))
            File.SetUnixFileMode(file, OnlyMine);
    }
}
