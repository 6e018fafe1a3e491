using System.Runtime.InteropServices;
using JauntyBadge.Data;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Data.Demo;
using JauntyBadge.Data.Handover;
using JauntyBadge.Server.People;
using JauntyBadge.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Start;

/// <summary>The practice as it is opened when the server starts, and copied by <c>backup</c>.</summary>
internal static class Practice
{
    /// <summary>Where the practice is kept: "data" when nobody says. The build, which runs this only to read its endpoints, leaves nothing beside the sources.</summary>
    public static string FolderOf(IConfiguration settings) =>
        OpenApiSetup.IsOnlyGenerating ? Directory.CreateTempSubdirectory("jaunty-badge-build-").FullName : settings["data"] ?? "data";

    /// <summary>Takes the folder, sets an old practice aside where that was asked for, brings it up to date and fills it with the demo where that was asked for.</summary>
    /// <exception cref="PracticeProblem">It cannot be opened.</exception>
    public static async Task OpenAsync(WebApplication app)
    {
        var folder = app.Services.GetRequiredService<PracticeFolder>();
        var clock = app.Services.GetRequiredService<TimeProvider>();
        var settings = app.Configuration;
        if (settings.GetValue<bool>("fresh"))
            BeginAfresh(folder, settings.GetValue<bool>("yes"), clock);
        using var scope = app.Services.CreateScope();
        var db = scope.ServiceProvider.GetRequiredService<PracticeDb>();
        await folder.PrepareAsync(db, clock);
        await AnswerRow.ForgetAsync(db, clock, CancellationToken.None);
        var isEmpty = !await db.Dogs.AnyAsync();
        if (isEmpty && settings.GetValue<bool>("demo"))
            await FillAsync(folder, db, clock);
        else if (isEmpty && folder.IsDemoCutShort)
            Console.WriteLine($"The practice in {folder.Path} is empty: the demo was cut short before it had filled it. {AgainByDemo}");
        var at = app.Services.GetRequiredService<PublicAddress>();
        if (!at.IsOpen && await Links.FirstAsync(db, clock, CancellationToken.None) is { } secret)
            Console.WriteLine($"No fitter can come in yet. Open this once, within a day: {at.PageAt(Links.Page)}#{secret}");
        folder.Note(await CounterRow.LastAsync(db, CancellationToken.None));
    }

    private const string AgainByDemo = "Run bin/demo again to fill it.";

    /// <summary>Fills an empty practice with the demo, all of it or, where it is stopped meanwhile, nothing.</summary>
    private static async Task FillAsync(PracticeFolder folder, PracticeDb db, TimeProvider clock)
    {
        using var stop = new CancellationTokenSource();
        void Stop(PosixSignalContext signal)
        {
            signal.Cancel = true;
            stop.Cancel();
        }

        using var interrupted = PosixSignalRegistration.Create(PosixSignal.SIGINT, Stop);
        using var ended = PosixSignalRegistration.Create(PosixSignal.SIGTERM, Stop);
        try
        {
            folder.MarkDemoBegun();
            await DemoPractice.FillAsync(db, clock, stop.Token);
            folder.MarkDemo();
        }
        catch (OperationCanceledException)
        {
            throw new PracticeProblem($"Stopped before the demo had filled the practice in {folder.Path}: it is empty. {AgainByDemo}");
        }
        catch (Exception e) when (e is IOException || SqliteWords.Of(e) is not null)
        {
            throw new PracticeProblem(SqliteWords.Say(SqliteWords.Of(e) ?? SqliteWords.Trouble.Unreachable, folder.DatabasePath), e);
        }
    }

    /// <summary>Makes a backup: <c>backup --data FOLDER --to FILE</c>.</summary>
    public static int BackUp(string[] args)
    {
        var settings = new ConfigurationBuilder().AddCommandLine(args).Build();
        var folder = Path.GetFullPath(FolderOf(settings));
        var name = $"jaunty-badge-{TimeProvider.System.GetLocalNow():yyyy-MM-dd-HHmmss}.db";
        var to = Path.GetFullPath(settings["to"] ?? name);
        if (Directory.Exists(to))
            to = Path.Combine(to, name);
        Backup.Make(PracticeFolder.DatabaseIn(folder), to);
        Console.WriteLine($"{to} holds the practice of {folder}: one file, whole, checked.");
        return 0;
    }

    /// <summary>
    /// Puts a backup in the practice's place: <c>restore --data FOLDER --from FILE [--passphrase-file FILE] [--yes true]</c>; <c>--undo true</c> brings back what it set aside.
    /// Without <c>--yes</c> it only says what would come of it.
    /// </summary>
    public static async Task<int> RestoreAsync(string[] args)
    {
        var settings = new ConfigurationBuilder().AddCommandLine(args).Build();
        using var folder = PracticeFolder.Hold(FolderOf(settings));
        await using var db = new PracticeDb(new DbContextOptionsBuilder<PracticeDb>().UseSqlite(PracticeFolder.ConnectionTo(folder.Path)).Options);
        var clock = TimeProvider.System;
        if (settings.GetValue<bool>("undo"))
        {
            var undone = await Restore.UndoAsync(folder, db, clock, of: null);
            Console.WriteLine($"The practice from before is back in {folder.Path}; the other is set aside in {undone.SetAside}.");
            return 0;
        }

        var from = Path.GetFullPath(settings["from"] ?? throw new PracticeProblem("Say which backup: --from FILE."));
        if (!File.Exists(from))
            throw new PracticeProblem($"There is no backup at {from}.");
        var plain = folder.NewPart();
        try
        {
            if (Backup.IsPractice(from))
                File.Copy(from, plain);
            else
                SealedFile.Open(from, plain, PassphraseOf(settings, folder));
            var migrations = db.Database.GetMigrations().ToList();
            Console.WriteLine($"In the backup: {Say(Restore.Look(plain, migrations))}");
            Console.WriteLine($"Here now: {(folder.HasPractice ? Say(Restore.Look(folder.DatabasePath, migrations)) : "no practice")}");
            if (!settings.GetValue<bool>("yes"))
            {
                Console.WriteLine("Nothing was done. To put the backup in place, say --yes; what is here is set aside first.");
                return 0;
            }

            var restored = await Restore.PutAsync(folder, plain, Path.GetFileName(from), db, clock, id: null, CancellationToken.None);
            Console.WriteLine(restored.SetAside is { } aside ? $"Done. What was here lies in {aside}; bin/restore --undo brings it back." : "Done.");
            return 0;
        }
        finally
        {
            File.Delete(plain);
        }
    }

    private static string Say(PracticeGlance glance) =>
        $"{glance.Name ?? "a practice without a name"}, {glance.Dogs} dogs, last entry {(glance.LastEntry is { } last ? $"{last:yyyy-MM-dd HH:mm} UTC" : "none")}{(glance.IsOlder ? ", of an earlier release" : "")}.";

    /// <summary>From a file, from beside the practice, or typed.</summary>
    private static string PassphraseOf(IConfiguration settings, PracticeFolder folder) =>
        settings["passphrase-file"] is { } file ? File.ReadAllText(Path.GetFullPath(file)).TrimEnd('\r', '\n')
        : folder.Read("passphrase") is { Length: > 0 } kept ? kept
        : throw new PracticeProblem("This backup is closed with a passphrase, or is none. Put the passphrase into a file and say --passphrase-file FILE.");

    /// <summary>Decides every set anew from its log: <c>replay --data FOLDER</c>. It ends with 1 where something differs.</summary>
    public static async Task<int> ReplayAsync(string[] args)
    {
        var folder = Path.GetFullPath(FolderOf(new ConfigurationBuilder().AddCommandLine(args).Build()));
        if (!File.Exists(PracticeFolder.DatabaseIn(folder)))
            throw new PracticeProblem($"There is no practice at {folder}.");
        await using var db = new PracticeDb(new DbContextOptionsBuilder<PracticeDb>().UseSqlite(PracticeFolder.ConnectionTo(folder, readOnly: true)).Options);
        if ((await db.Database.GetPendingMigrationsAsync()).Any())
            throw new PracticeProblem($"{folder} was kept by an earlier release. Open it with this one first.");
        var result = await Replay.RunAsync(db, CancellationToken.None);
        foreach (var differs in result.Differences)
            Console.WriteLine($"{differs.Dog}, {differs.Day:yyyy-MM-dd}, {differs.Step}: recorded {differs.Recorded}; its log gives {differs.Now}.");
        Console.WriteLine(
            $"{result.Decided} sets decided anew, {result.Differences.Count} differ{(result.Older == 0 ? "" : $"; {result.Older} from before plans and numbers were kept")}."
        );
        return result.Differences.Count == 0 ? 0 : 1;
    }

    private static void BeginAfresh(PracticeFolder folder, bool yes, TimeProvider clock)
    {
        if (folder is { HasPractice: true, IsDemo: false } && !yes)
            throw new PracticeProblem(
                $"{folder.Path} holds a practice that the demo did not make. Nothing was done. To set it aside and begin afresh, say --yes as well."
            );
        if (folder.SetAside(clock) is { } aside)
            Console.WriteLine($"The practice so far is set aside in {aside}.");
    }
}
