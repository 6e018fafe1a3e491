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
    private const string DemoBegun = "demo-begun";
    private static readonly string[] Practice = [Database, $"{Database}-wal", $"{Database}-shm", MadeByDemo, DemoBegun];
    private static readonly string[] Others = ["practice.lock", "backups", "set-aside", "on-its-way", "restored.json", "backups.json", "passphrase", "keys"];

    /// <summary>What a copy says of itself in SQLite's user_version, until it is opened as a practice.</summary>
    internal const int IsCopy = 1;

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

    /// <summary>Whether the demo began to fill it and was cut short.</summary>
    public bool IsDemoCutShort => File.Exists(In(DemoBegun));

    /// <summary>Whether its files are where they were when it was opened: what is written to files that were taken away is lost when the server ends.</summary>
    public bool IsWhole => File.Exists(DatabasePath) && File.Exists($"{DatabasePath}-wal");

    /// <summary>The practice's file in a folder.</summary>
    public static string DatabaseIn(string folder) => System.IO.Path.Combine(folder, Database);

    /// <summary>How to reach it. A lock held by another program is waited for a second at a time, never longer on one thread.</summary>
    public static string ConnectionTo(string folder, bool readOnly = false) =>
        new SqliteConnectionStringBuilder
        {
            DataSource = DatabaseIn(folder),
            DefaultTimeout = 1,
            // Never made by opening it: a file that is gone is missed.
            Mode = readOnly ? SqliteOpenMode.ReadOnly : SqliteOpenMode.ReadWrite,
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

    /// <summary>The same; null where another process has it.</summary>
    /// <exception cref="PracticeProblem">It cannot be made or written.</exception>
    public static PracticeFolder? TryHold(string path) =>
        IsHeld(System.IO.Path.Combine(path, "practice.lock")) && File.Exists(System.IO.Path.Combine(path, "practice.lock")) ? null : Hold(path);

    /// <summary>Brings the practice up to date: looks it over, copies it before its schema changes, and never waits for a process that is gone.</summary>
    /// <param name="db">The practice's database.</param>
    /// <param name="clock">Names the copy.</param>
    /// <param name="cancel">Stops between steps.</param>
    /// <exception cref="PracticeProblem">The file is gone, empty, damaged, of another release, not a practice, or cannot be written. It is left as it was.</exception>
    public async Task PrepareAsync(PracticeDb db, TimeProvider clock, CancellationToken cancel = default)
    {
        try
        {
            var noted = Noted();
            if (!HasPractice)
            {
                Begin(noted);
                noted = 0;
            }

            var (applied, isCopy) = LookOver(db, noted);
            var isOf09 = Releases.IsOf09(applied);
            var steps = db.Database.GetMigrations().ToList();
            var pending = steps.Except(isOf09 ? steps[..1] : applied).ToList();
            if (isOf09 || (applied.Count > 0 && pending.Count > 0))
                Backup.Make(
                    DatabasePath,
                    System.IO.Path.Combine(MakeFolder("backups"), $"practice-{clock.GetLocalNow():yyyy-MM-dd-HHmmss}-before-{steps[^1][15..]}.db")
                );
            if (isOf09)
                await Releases.TakeOverAsync(db, steps[0], cancel);
            if (pending.Count > 0)
            {
                // This process holds the folder: a lock left in the database is that of a process that was cut short.
                await db.Database.ExecuteSqlRawAsync("""DROP TABLE IF EXISTS "__EFMigrationsLock";""", cancel);
                await db.Database.MigrateAsync(cancel);
            }

            // Survives a crash, and lets readers read on while another writes.
            await db.Database.ExecuteSqlRawAsync("PRAGMA journal_mode=WAL;", cancel);
            if (isCopy || await CounterRow.LastAsync(db, cancel) < noted)
            {
                await CounterRow.LeapAsync(db, noted ?? 0, cancel);
                await db.Database.ExecuteSqlRawAsync("PRAGMA user_version=0;", cancel);
            }

            Note(await CounterRow.LastAsync(db, cancel));
            Close();
        }
        catch (Exception e) when (SqliteWords.Of(e) is { } trouble)
        {
            throw new PracticeProblem(SqliteWords.Say(trouble, DatabasePath), e);
        }
    }

    /// <summary>
    /// Notes beside the practice the last number given in it: a practice that is behind its note was put back from a copy, and one that is gone is missed.
    /// </summary>
    public void Note(long last)
    {
        var text = System.Text.Encoding.ASCII.GetBytes($"{last}\n");
        RandomAccess.Write(held.SafeFileHandle, text, 0);
        RandomAccess.SetLength(held.SafeFileHandle, text.Length);
    }

    /// <summary>Notes that the demo begins to fill the practice.</summary>
    public void MarkDemoBegun() => File.WriteAllText(In(DemoBegun), "bin/demo has begun to fill this practice.\n");

    /// <summary>Notes that the practice was filled by the demo, so that it may be begun afresh without asking.</summary>
    public void MarkDemo()
    {
        File.WriteAllText(In(MadeByDemo), "This practice was filled by bin/demo.\n");
        File.Delete(In(DemoBegun));
        Close();
    }

    /// <summary>Moves the practice into a folder of its own beside it, so that another can begin; one that is gone is missed no more.</summary>
    /// <param name="clock">Names where it lies.</param>
    /// <param name="isMissed">Another is put in its place at once: cut short in between, it is missed and nothing is begun anew.</param>
    /// <returns>Where it lies now; null where there was none.</returns>
    public string? SetAside(TimeProvider clock, bool isMissed = false)
    {
        if (!isMissed)
            Note(0);
        if (!HasPractice)
            return null;
        var day = System.IO.Path.Combine(MakeFolder("set-aside"), $"{clock.GetLocalNow():yyyy-MM-dd-HHmmss}");
        var to = day;
        for (var again = 2; Directory.Exists(to); again++)
            to = $"{day}-{again}";
        Directory.CreateDirectory(to, OnlyMineFolder);
        foreach (var name in Practice.Where(n => File.Exists(In(n))))
            File.Move(In(name), System.IO.Path.Combine(to, name));
        return to;
    }

    /// <summary>Puts a file in the practice's place, where there is none.</summary>
    public void Take(string file)
    {
        File.Move(file, DatabasePath);
        File.SetUnixFileMode(DatabasePath, OnlyMine);
    }

    /// <summary>Moves a practice that was set aside back into its place, where there is none.</summary>
    public void BringBack(string aside)
    {
        foreach (var name in Practice.Where(n => File.Exists(System.IO.Path.Combine(aside, n))))
            File.Move(System.IO.Path.Combine(aside, name), In(name));
        if (!Directory.EnumerateFileSystemEntries(aside).Any())
            Directory.Delete(aside);
    }

    /// <summary>Keeps a note of ours beside the practice.</summary>
    public void Write(string name, string text)
    {
        File.WriteAllText($"{In(name)}.part", text);
        File.SetUnixFileMode($"{In(name)}.part", OnlyMine);
        File.Move($"{In(name)}.part", In(name), overwrite: true);
    }

    /// <summary>Reads it; null where there is none.</summary>
    public string? Read(string name) => File.Exists(In(name)) ? File.ReadAllText(In(name)) : null;

    /// <summary>Where something of ours lies on its way in or out; only this user may read it.</summary>
    public string NewPart() => Part(Guid.NewGuid());

    /// <summary>The same, found again by its id.</summary>
    public string Part(Guid id) => System.IO.Path.Combine(Parts, id.ToString("N"));

    /// <summary>Where all of that lies.</summary>
    public string Parts => MakeFolder("on-its-way");

    /// <summary>Where the keys lie by which people stay signed in.</summary>
    public string Keys => MakeFolder("keys");

    /// <summary>Where backups go when nobody says.</summary>
    public string UsualBackups => In("backups");

    /// <summary>Lets go of every connection to its practice that is not in use, so that the files that are there are opened anew. Other practices keep theirs.</summary>
    public void LetGo()
    {
        foreach (var readOnly in new[] { false, true })
        {
            using var any = new SqliteConnection(ConnectionTo(Path, readOnly));
            lock (OneByOne.Instance.Turn)
                SqliteConnection.ClearPool(any);
        }
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

    /// <summary>The last number noted; 0 where a practice was begun and nothing is known of it yet, null where no note was ever made.</summary>
    private long? Noted()
    {
        var text = new byte[32];
        var read = RandomAccess.Read(held.SafeFileHandle, text, 0);
        return long.TryParse(System.Text.Encoding.ASCII.GetString(text, 0, read).Trim(), out var noted) ? noted : null;
    }

    /// <summary>Makes an empty file for a new practice, where none was lost.</summary>
    private void Begin(long? noted)
    {
        if (noted > 0)
            throw new PracticeProblem(
                $"{DatabasePath} is gone, though a practice was kept in this folder. Put it or a backup back (see \"Backups\" in the README); to begin a new practice here, say --fresh true --yes true."
            );
        Note(0);
        using var empty = new FileStream(
            DatabasePath,
            new FileStreamOptions
            {
                Mode = FileMode.CreateNew,
                Access = FileAccess.Write,
                UnixCreateMode = OnlyMine,
            }
        );
    }

    private string In(string name) => System.IO.Path.Combine(Path, name);

    private string MakeFolder(string name) => Directory.CreateDirectory(In(name), OnlyMineFolder).FullName;

    /// <summary>Reads, without writing anything, what was applied to the file.</summary>
    private (IReadOnlyList<string> Applied, bool IsCopy) LookOver(PracticeDb db, long? noted)
    {
        using var connection = SqliteFile.Open(DatabasePath, SqliteOpenMode.ReadOnly, waits: 5);
        List<string> Read(string sql)
        {
            using var command = connection.CreateCommand();
            command.CommandText = sql;
            using var rows = command.ExecuteReader();
            var read = new List<string>();
            while (rows.Read())
                read.Add(Convert.ToString(rows.GetValue(0), System.Globalization.CultureInfo.InvariantCulture)!);
            return read;
        }

        var tables = Read("SELECT name FROM sqlite_master WHERE type = 'table'");
        if (Read("PRAGMA quick_check(1)") is not ["ok"])
            throw new PracticeProblem(SqliteWords.Say(SqliteWords.Trouble.Damaged, DatabasePath));
        if (tables.Count == 0 && noted != 0)
            throw new PracticeProblem(
                $"{DatabasePath} is empty: there is no practice in it. Put a backup in its place (see \"Backups\" in the README); to set it aside and begin a new practice, say --fresh true --yes true."
            );
        if (!tables.Contains("__EFMigrationsHistory"))
        {
            return tables.All(t => t is "__EFMigrationsLock" || t.StartsWith("sqlite_", StringComparison.Ordinal))
                ? ([], false)
                : throw new PracticeProblem(
                    $"{DatabasePath} is a database, but not one of Jaunty Badge. It was left as it is; choose another folder with --data."
                );
        }

        var applied = Read("""SELECT "MigrationId" FROM "__EFMigrationsHistory" """);
        if (applied.Max(StringComparer.Ordinal) is { } last && Releases.Refuses(DatabasePath, last, [.. db.Database.GetMigrations()]) is { } problem)
            throw problem;
        return (applied, Read("PRAGMA user_version") is [var version] && version == $"{IsCopy}");
    }

    /// <summary>Only this user may look into the folder and the practice's files. A folder that holds other things is left as open as it is.</summary>
    private void Close()
    {
        string[] known = [.. Practice, .. Others];
        if (Directory.EnumerateFileSystemEntries(Path).All(e => known.Contains(System.IO.Path.GetFileName(e))))
            File.SetUnixFileMode(Path, OnlyMineFolder);
        foreach (var file in Directory.EnumerateFiles(Path).Where(f => known.Contains(System.IO.Path.GetFileName(f))))
            File.SetUnixFileMode(file, OnlyMine);
    }
}
