using JauntyBadge.Core;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Handover;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Handover;

/// <summary>Where backups go.</summary>
/// <param name="Folder">A folder on this machine, such as that of a stick; the practice's own when left out.</param>
/// <param name="Nightly">One every night.</param>
/// <param name="Encrypted">Closed with the passphrase.</param>
/// <param name="Passphrase">A new passphrase; the one there is stays when left out.</param>
public sealed record BackupSettingsEntry(string? Folder = null, bool? Nightly = null, bool? Encrypted = null, string? Passphrase = null);

/// <summary>A backup to put back: one of the folder, or one that was sent.</summary>
/// <param name="Name">Its name in the folder.</param>
/// <param name="Sent">What sending a file answered.</param>
/// <param name="Passphrase">What it is closed with.</param>
/// <param name="Id">Made where it was entered, so that sent twice it is done once.</param>
public sealed record RestoreEntry(string? Name = null, string? Sent = null, string? Passphrase = null, Guid? Id = null);

/// <summary>What to undo.</summary>
/// <param name="At">When it was put back, as undo says.</param>
public sealed record UndoEntry(DateTime? At = null);

/// <summary>A backup of the folder.</summary>
/// <param name="At">When it was made, by the practice's clock.</param>
public sealed record BackupDto(string Name, DateTime At, long Bytes, bool Sealed)
{
    internal static BackupDto Of(BackupFile file) => new(file.Name, file.At, file.Bytes, file.Sealed);
}

/// <summary>The practice that was put back last, to be undone.</summary>
public sealed record RestoredDto(DateTime At, string From);

/// <summary>How the practice is backed up.</summary>
/// <param name="Folder">Where; null for the practice's own folder.</param>
/// <param name="At">The same, in full.</param>
/// <param name="HasPassphrase">One is set.</param>
/// <param name="LastGood">When the last good one was made, UTC.</param>
/// <param name="IsOld">That is too long ago.</param>
/// <param name="OldSays">The same in words, for the round; null where it is not.</param>
/// <param name="Problem">Why the last try failed; null where it did not.</param>
/// <param name="Undo">What was put back last; null where there is nothing to undo.</param>
/// <param name="Keeps">What is kept, in words.</param>
public sealed record BackupsDto(
    string? Folder,
    string At,
    bool Nightly,
    bool Encrypted,
    bool HasPassphrase,
    DateTime? LastGood,
    bool IsOld,
    string? OldSays,
    string? Problem,
    RestoredDto? Undo,
    string Keeps,
    IReadOnlyList<BackupDto> Backups,
    long Version
) : IAtVersion;

/// <summary>What a backup holds, beside what is here.</summary>
public sealed record GlanceDto(string? Name, int Dogs, DateTime? LastEntry, string Release, bool IsOlder)
{
    internal static GlanceDto Of(PracticeGlance glance) => new(glance.Name, glance.Dogs, glance.LastEntry, glance.Release, glance.IsOlder);
}

/// <summary>What putting a backup back would do.</summary>
/// <param name="Backup">What it holds.</param>
/// <param name="Here">What is here now, and would be set aside.</param>
public sealed record RestorePreviewDto(GlanceDto Backup, GlanceDto Here);

/// <summary>A file that was sent, by what it goes.</summary>
public sealed record SentDto(string Sent, long Bytes);

/// <summary>Backups: made, kept, taken along, put back and undone.</summary>
internal static class BackupEndpoints
{
    private const long LargestBackup = 16L * 1024 * 1024 * 1024;

    public static void MapBackups(this IEndpointRouteBuilder api)
    {
        var backups = api.MapGroup("/backups").WithTags("Keeping").ProducesProblem(StatusCodes.Status409Conflict);
        backups
            .MapGet(
                "/",
                (PracticeDb db, Pen pen, BackupKeeper keeper, PracticeFolder folder, CancellationToken cancel) => StateAsync(db, pen, keeper, folder, cancel)
            )
            .WithName("backups")
            .May(Concern.WholePractice)
            .WithSummary("Where backups go, those that are there, and whether the last good one is too old.");
        api.MapGroup("/backups")
            .WithTags("Keeping")
            .OneWriterAtATime()
            .MapPut("/settings", SetAsync)
            .WithName("setBackups")
            .May(Concern.WholePractice)
            .WithSummary("Where backups go, and whether by night and closed with a passphrase.")
            .NeedsVersion();
        backups.MapPost("/", MakeAsync).WithName("makeBackup").May(Concern.WholePractice).WithSummary("Make one now, whole and checked.");
        backups
            .MapGet("/{name}", OneAsync)
            .WithName("backupFile")
            .May(Concern.WholePractice)
            .WithSummary("A backup, to take along.")
            .Produces<byte[]>(contentType: "application/octet-stream");
        backups
            .MapPost("/sent", SendAsync)
            .WithName("sendBackup")
            .May(Concern.WholePractice)
            .WithSummary("Send a backup of another machine; it is kept until it is put back, or for a day.")
            .Accepts<byte[]>("application/octet-stream")
            .WithMetadata(new RequestSizeLimitAttribute(LargestBackup))
            .ProducesProblem(StatusCodes.Status413PayloadTooLarge);
        backups
            .MapPost("/preview", PreviewAsync)
            .WithName("previewRestore")
            .May(Concern.WholePractice)
            .WithSummary("What a backup holds, beside what is here. Nothing is changed.");
        backups
            .MapPost("/restore", RestoreAsync)
            .WithName("restoreBackup")
            .May(Concern.WholePractice)
            .WithSummary("Put a backup in the practice's place; the one here is set aside first and can be brought back.");
        backups.MapPost("/undo", UndoAsync).WithName("undoRestore").May(Concern.WholePractice).WithSummary("Bring the practice back that was set aside last.");
    }

    private static async Task<BackupsDto> StateAsync(PracticeDb db, Pen pen, BackupKeeper keeper, PracticeFolder folder, CancellationToken cancel)
    {
        var (practice, rules, writing) = (await PracticeRow.LoadAsync(db, cancel), await db.RulesAsync(cancel), await pen.TakeAsync(cancel));
        var (to, log, old) = (await keeper.FolderAsync(db, cancel), keeper.Log, await keeper.IsOldAsync(db, rules, cancel));
        var words = new Core.Handover.HandoverWords(writing);
        return new(
            practice.BackupFolder,
            to.Path,
            practice.BackupNightly,
            practice.BackupEncrypted,
            keeper.Passphrase is not null,
            log.LastGood,
            old,
            old ? words.BackupOld(log.LastGood is { } good ? db.DayOf(good) : null, db.Today) : null,
            log.Problem,
            Restore.Last(folder) is { } last ? new(last.At, Path.GetFileName(last.From)) : null,
            words.BackupsKept,
            [.. to.List().Select(BackupDto.Of)],
            practice.Version
        );
    }

    private static async Task<BackupsDto> SetAsync(
        BackupSettingsEntry entry,
        PracticeDb db,
        Pen pen,
        BackupKeeper keeper,
        PracticeFolder folder,
        CancellationToken cancel,
        [Edited] string? edited = null
    )
    {
        var row = await db.Practice.FindAsync([PracticeRow.OnlyId], cancel);
        await Versions.NeedAsync(edited, row?.Version ?? 0, async () => ("How backups are kept", await StateAsync(db, pen, keeper, folder, cancel)));
        var to = entry.Folder.OrNull();
        if (to is not null && !(Path.IsPathFullyQualified(to) && Directory.Exists(to)))
            throw Refusal.Field(
                "folder",
                "A folder that is there, from the root of this machine, such as /media/stick/backups; or none for the practice's own."
            );
        if (entry.Passphrase.OrNull() is { } passphrase)
        {
            if (passphrase.Length is < SealedFile.ShortestPassphrase or > 200)
                throw Refusal.Field("passphrase", $"{SealedFile.ShortestPassphrase} to 200 letters: a few words are easier to keep than signs.");
            keeper.Passphrase = passphrase;
        }

        if (entry.Encrypted == true && keeper.Passphrase is null)
            throw Refusal.Field("passphrase", "Backups can be closed once there is a passphrase.");
        if (row is null)
            db.Practice.Add(row = new PracticeRow());
        (row.BackupFolder, row.BackupNightly, row.BackupEncrypted) = (to, entry.Nightly ?? row.BackupNightly, entry.Encrypted ?? row.BackupEncrypted);
        await db.SaveChangesAsync(cancel);
        return await StateAsync(db, pen, keeper, folder, cancel);
    }

    private static async Task<BackupDto> MakeAsync(BackupKeeper keeper, CancellationToken cancel) =>
        BackupDto.Of(await OrRefusal(() => keeper.MakeAsync(cancel)));

    private static async Task<IResult> OneAsync(string name, PracticeDb db, BackupKeeper keeper, HttpContext http, CancellationToken cancel)
    {
        var file = (await keeper.FolderAsync(db, cancel)).Find(name) ?? throw Refusal.NotFound("There is no backup of this name.");
        http.Response.Headers.CacheControl = "no-store";
        return TypedResults.PhysicalFile(file, "application/octet-stream", name);
    }

    private static async Task<SentDto> SendAsync(HttpRequest request, PracticeFolder folder, CancellationToken cancel)
    {
        var path = folder.NewPart();
        foreach (var old in Directory.EnumerateFiles(folder.Parts).Where(f => File.GetLastWriteTimeUtc(f) < DateTime.UtcNow.AddDays(-1)))
            File.Delete(old);
        try
        {
            await using var file = new FileStream(
                path,
                new FileStreamOptions
                {
                    Mode = FileMode.CreateNew,
                    Access = FileAccess.Write,
                    Options = FileOptions.Asynchronous,
                    UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite,
                }
            );
            await request.Body.CopyToAsync(file, cancel);
            if (file.Length == 0)
                throw Refusal.Field("file", "Choose a backup: a file that this product made.");
            return new(Path.GetFileName(path), file.Length);
        }
        catch
        {
            File.Delete(path);
            throw;
        }
    }

    private static async Task<RestorePreviewDto> PreviewAsync(
        RestoreEntry entry,
        PracticeDb db,
        BackupKeeper keeper,
        PracticeFolder folder,
        CancellationToken cancel
    )
    {
        var (plain, _) = await OrRefusal(() => OpenedAsync(entry, db, keeper, folder, cancel));
        try
        {
            var migrations = db.Database.GetMigrations().ToList();
            return await OrRefusal(() =>
                Task.FromResult(
                    new RestorePreviewDto(GlanceDto.Of(Restore.Look(plain, migrations)), GlanceDto.Of(Restore.Look(folder.DatabasePath, migrations)))
                )
            );
        }
        finally
        {
            File.Delete(plain);
        }
    }

    private static async Task<BackupsDto> RestoreAsync(
        RestoreEntry entry,
        PracticeDb db,
        WriteGate gate,
        Pen pen,
        BackupKeeper keeper,
        PracticeFolder folder,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (entry.Id is { } id && Restore.Last(folder)?.Id == id)
            return await StateAsync(db, pen, keeper, folder, cancel);
        var (plain, name) = await OrRefusal(() => OpenedAsync(entry, db, keeper, folder, cancel));
        try
        {
            await OrRefusal(() => Task.FromResult(Restore.Look(plain, [.. db.Database.GetMigrations()])));
            await OrRefusal(() => gate.AloneAsync(() => Restore.PutAsync(folder, plain, name, db, clock, entry.Id, cancel), cancel));
        }
        finally
        {
            File.Delete(plain);
        }

        if (entry.Sent is not null && SentPath(entry.Sent, folder) is { } sent)
            File.Delete(sent);
        return await StateAsync(db, pen, keeper, folder, cancel);
    }

    private static async Task<BackupsDto> UndoAsync(
        UndoEntry entry,
        PracticeDb db,
        WriteGate gate,
        Pen pen,
        BackupKeeper keeper,
        PracticeFolder folder,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var at = entry.At?.ToUniversalTime() ?? throw Refusal.Field("at", "Say which is to be undone: when it was put back.");
        await OrRefusal(() => gate.AloneAsync(() => Restore.UndoAsync(folder, db, clock, at), cancel));
        return await StateAsync(db, pen, keeper, folder, cancel);
    }

    /// <summary>The backup asked for as an open file of its own, to be looked at or put in place, and what it is called.</summary>
    private static async Task<(string Plain, string Name)> OpenedAsync(
        RestoreEntry entry,
        PracticeDb db,
        BackupKeeper keeper,
        PracticeFolder folder,
        CancellationToken cancel
    )
    {
        var file =
            entry.Name is { } name ? (await keeper.FolderAsync(db, cancel)).Find(name) ?? throw Refusal.NotFound("There is no backup of this name.")
            : entry.Sent is { } sent ? SentPath(sent, folder) ?? throw Refusal.NotFound("This file was not sent here, or too long ago: send it again.")
            : throw Refusal.Field("name", "Say which backup: one of the folder, or one that was sent.");
        var plain = folder.NewPart();
        try
        {
            await Task.Run(() => Unfold(file, plain, entry.Passphrase.OrNull() ?? keeper.Passphrase), cancel);
        }
        catch
        {
            File.Delete(plain);
            throw;
        }

        return (plain, entry.Name ?? entry.Sent!);
    }

    private static void Unfold(string file, string plain, string? passphrase)
    {
        if (Backup.IsPractice(file))
            File.Copy(file, plain);
        else if (passphrase is null)
            throw new PracticeProblem("This backup is closed with a passphrase, or is none. Type the passphrase.");
        else
            SealedFile.Open(file, plain, passphrase);
    }

    private static string? SentPath(string sent, PracticeFolder folder) =>
        Guid.TryParseExact(sent, "N", out var id) && folder.Part(id) is var path && File.Exists(path) ? path : null;

    private static async Task<T> OrRefusal<T>(Func<Task<T>> work)
    {
        try
        {
            return await work();
        }
        catch (PracticeProblem problem)
        {
            throw new Refusal(StatusCodes.Status409Conflict, "It cannot be done like this", problem.Message);
        }
    }
}
