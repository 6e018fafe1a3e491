using System.Text.Json;
using JauntyBadge.Core;
using JauntyBadge.Core.Handover.Keeping;
using JauntyBadge.Data;
using JauntyBadge.Data.Handover;
using JauntyBadge.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Handover;

/// <summary>What became of the last backups.</summary>
/// <param name="LastGood">When the last one that is whole was made, UTC; null for none.</param>
/// <param name="Problem">Why the last try failed; null where it did not.</param>
/// <param name="ProblemAt">When.</param>
internal sealed record BackupLog(DateTime? LastGood, string? Problem, DateTime? ProblemAt)
{
    public static BackupLog Empty { get; } = new(null, null, null);
}

/// <summary>Makes backups: when somebody asks, and by itself every night, or as soon as the machine is awake again.</summary>
internal sealed class BackupKeeper(PracticeFolder folder, IServiceScopeFactory scopes, TimeProvider clock, IConfiguration settings, ILogger<BackupKeeper> log)
    : BackgroundService
{
    private const string LogName = "backups.json";
    private const string PassphraseName = "passphrase";

    /// <summary>When the night's backup is due, by the practice's clock (House: between the last wear and the first session).</summary>
    private static readonly TimeOnly DueAt = new(2, 15);

    private static readonly TimeSpan LooksEvery = TimeSpan.FromMinutes(10);

    private readonly SemaphoreSlim turn = new(1);

    /// <summary>What became of the last ones.</summary>
    public BackupLog Log
    {
        get
        {
            try
            {
                return folder.Read(LogName) is { } text ? JsonSerializer.Deserialize<BackupLog>(text) ?? BackupLog.Empty : BackupLog.Empty;
            }
            catch (JsonException)
            {
                return BackupLog.Empty;
            }
        }
    }

    /// <summary>The passphrase backups are closed with. It lies beside the practice, never in it: who has only a backup has it not.</summary>
    public string? Passphrase
    {
        get => folder.Read(PassphraseName) is { Length: > 0 } text ? text : null;
        set => folder.Write(PassphraseName, value ?? "");
    }

    /// <summary>The folder backups go to.</summary>
    public async Task<BackupFolder> FolderAsync(PracticeDb db, CancellationToken cancel) =>
        new((await PracticeRow.LoadAsync(db, cancel)).BackupFolder ?? folder.UsualBackups);

    /// <summary>Makes one and takes away what is no longer kept.</summary>
    /// <exception cref="PracticeProblem">It cannot be made; that is noted.</exception>
    public async Task<BackupFile> MakeAsync(CancellationToken cancel)
    {
        await turn.WaitAsync(cancel);
        try
        {
            using var scope = scopes.CreateScope();
            var db = scope.ServiceProvider.GetRequiredService<PracticeDb>();
            var practice = await PracticeRow.LoadAsync(db, cancel);
            var (to, rules, passphrase) = (await FolderAsync(db, cancel), await db.RulesAsync(cancel), practice.BackupEncrypted ? Passphrase : null);
            if (practice.BackupEncrypted && passphrase is null)
                throw new PracticeProblem("Backups are to be closed with a passphrase, and there is none. Set one, or keep them open.");
            // A copy of a large practice takes a while: it holds no request's thread.
            var made = await Task.Run(() => to.Make(folder.DatabasePath, passphrase, clock), cancel);
            to.Thin(clock.Today(), rules);
            Keep(new(clock.UtcNow(), null, null));
            return made;
        }
        catch (PracticeProblem problem)
        {
            Keep(Log with { Problem = problem.Message, ProblemAt = clock.UtcNow() });
            throw;
        }
        finally
        {
            turn.Release();
        }
    }

    /// <summary>Whether the last good one is too old.</summary>
    public async Task<bool> IsOldAsync(PracticeDb db, HouseRules rules, CancellationToken cancel)
    {
        var since = await db.Dogs.MinAsync(d => (DateTime?)d.CreatedAt, cancel);
        return !folder.IsDemo
            && BackupKeeping.IsOld(Log.LastGood is { } good ? clock.DayOf(good) : null, since is { } first ? clock.DayOf(first) : null, clock.Today(), rules);
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        // Tests turn the clock by days.
        if (!settings.GetValue("nightly", true))
            return;
        using var timer = new PeriodicTimer(LooksEvery, clock);
        try
        {
            while (await timer.WaitForNextTickAsync(stoppingToken))
                await MakeIfDueAsync(stoppingToken);
        }
        catch (OperationCanceledException)
        {
            // The server stops.
        }
    }

    private async Task MakeIfDueAsync(CancellationToken cancel)
    {
        try
        {
            using var scope = scopes.CreateScope();
            var db = scope.ServiceProvider.GetRequiredService<PracticeDb>();
            if (!(await PracticeRow.LoadAsync(db, cancel)).BackupNightly || !await db.Dogs.AnyAsync(cancel) || !IsDue())
                return;
            await MakeAsync(cancel);
        }
        catch (PracticeProblem problem)
        {
            log.LogWarning("No backup was made: {Problem}", problem.Message);
        }
        catch (Exception e) when (SqliteWords.Of(e) is { } trouble)
        {
            log.LogWarning("No backup was made: {Problem}", SqliteWords.Say(trouble, folder.DatabasePath));
        }
    }

    /// <summary>No good one since the last night's hour, and the last try failed an hour ago or more.</summary>
    private bool IsDue()
    {
        var today = clock.Today();
        var due = clock.MomentOf(today, DueAt);
        if (clock.UtcNow() < due)
            due = clock.MomentOf(today.AddDays(-1), DueAt);
        var kept = Log;
        return !(kept.LastGood >= due) && !(kept.ProblemAt > clock.UtcNow().AddHours(-1));
    }

    private void Keep(BackupLog now) => folder.Write(LogName, JsonSerializer.Serialize(now));
}
