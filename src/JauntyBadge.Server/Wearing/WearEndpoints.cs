using System.ComponentModel;
using JauntyBadge.Core;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.People;
using JauntyBadge.Core.Wearing;
using JauntyBadge.Data;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Data.Wearing;
using JauntyBadge.Server.Devices;
using JauntyBadge.Server.Fitting;
using JauntyBadge.Server.Measuring;
using JauntyBadge.Server.People;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Wearing;

/// <summary>How long now, the log of wears, and what they make of the muzzle.</summary>
internal static class WearEndpoints
{
    private const int MostListed = 400;
    private const int DaysDrawn = 60;

    public static void MapWearing(this IEndpointRouteBuilder api)
    {
        api.MapGet(
                "/happy-wears",
                async (Pen pen, CancellationToken cancel) => HappyWear.All.Select(new WearingWords(await pen.TakeAsync(cancel)).Told).ToList()
            )
            .WithTags("Wearing")
            .WithName("happyWears")
            .May(Concern.Trade)
            .WithSummary("What a dog may love to do in its muzzle.");
        api.MapGet("/worn-signs", WornSignsAsync)
            .WithTags("Wearing")
            .WithName("wornSigns")
            .May(Concern.Trade)
            .WithSummary("What a dog may show in a muzzle that is on, and what to do then.");
        api.MapPost("/dogs/{id:guid}/wears/{wearId:guid}/picture", AddPictureAsync)
            .WithName("addWearPicture")
            .May(Concern.Wearing)
            .WithTags("Wearing")
            .WithSummary("Attach a picture, of a mark say: JPEG, PNG or WebP up to 20 MB.")
            .TakesPicture();
        var dog = api.MapGroup("/dogs/{id:guid}").WithTags("Wearing").ProducesProblem(StatusCodes.Status409Conflict).OneWriterAtATime();
        dog.MapPost("/wearing/limit", LimitAsync)
            .WithName("wearLimit")
            .May(Concern.Wearing)
            .WithSummary("How long this dog may wear its muzzle now, and what decides it.")
            .OnlyReads();
        dog.MapGet("/wearing/limits", LimitsAsync)
            .WithName("wearLimits")
            .May(Concern.Wearing)
            .WithSummary("The same for every way it may be worn, so that each is at hand when the line is gone.")
            .OfThisMoment();
        dog.MapGet("/wears", ListAsync).WithName("wears").May(Concern.Wearing).WithSummary("Its wears, the newest first.");
        dog.MapPut("/wears/{wearId:guid}", PutAsync)
            .WithName("putWear")
            .May(Concern.Wearing)
            .WithSummary("Save a wear as it goes on, or afterwards; version \"0\" begins one, and sent twice it counts once.")
            .NeedsVersion();
        dog.MapDelete(
                "/wears/{wearId:guid}",
                (Guid id, Guid wearId, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel) =>
                    RemoveAsync(id, wearId, clock.UtcNow(), db, pen, clock, cancel)
            )
            .WithName("removeWear")
            .May(Concern.Wearing)
            .WithSummary("Take a wear out; it can be put back.");
        dog.MapPost(
                "/wears/{wearId:guid}/restore",
                (Guid id, Guid wearId, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel) =>
                    RemoveAsync(id, wearId, null, db, pen, clock, cancel)
            )
            .WithName("restoreWear")
            .May(Concern.Wearing)
            .WithSummary("Put a wear back.");
        dog.MapGet("/wears/{wearId:guid}/picture", PictureAsync)
            .WithName("wearPicture")
            .May(Concern.Wearing)
            .WithSummary("Its picture.")
            .Produces<byte[]>(contentType: "image/jpeg");
        dog.MapGet("/balance", BalanceAsync)
            .WithName("balance")
            .May(Concern.Wearing)
            .WithSummary("What the muzzle has come to mean to it, day by day, and what is coming.");
    }

    private static async Task<WornSignsDto> WornSignsAsync(Pen pen, CancellationToken cancel)
    {
        var writing = await pen.TakeAsync(cancel);
        var (words, signs) = (new WearingWords(writing), new ConditioningWords(writing));
        return new(
            [
                .. WornSign.All.Select(s => new WornSignDto(s.Id, words.Told(s).Name, null, true, true)),
                .. Sign
                    .All.OrderByDescending(s => s.Group)
                    .Select(s => new WornSignDto(s.Id, signs.Told(s).Name, s.Group, s.Group == SignGroup.OverThreshold, s.Group >= SignGroup.Worried)),
            ],
            words.FirstAid,
            words.AfterBad
        );
    }

    private static async Task<WearLimitDto> LimitAsync(
        Guid id,
        LimitEntry entry,
        PracticeDb db,
        Pen pen,
        StationService station,
        Asker asker,
        TimeProvider clock,
        CancellationToken cancel
    ) => (await HowLong.LoadAsync(await FitFile.LoadAsync(db, pen, id, clock, cancel), db, pen, station, asker, clock, cancel)).Of(entry);

    private static async Task<IReadOnlyList<LimitWhenDto>> LimitsAsync(
        Guid id,
        PracticeDb db,
        Pen pen,
        StationService station,
        Asker asker,
        TimeProvider clock,
        CancellationToken cancel,
        [Description("where the weather is read; the newest reading of any place when left out")] string? place = null
    ) => (await HowLong.LoadAsync(await FitFile.LoadAsync(db, pen, id, clock, cancel), db, pen, station, asker, clock, cancel)).However(place);

    private static async Task<IReadOnlyList<WearDto>> ListAsync(Guid id, PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        await db.DogAsync(id, cancel);
        var rows = await db
            .Wears.AsNoTracking()
            .Where(w => w.DogId == id && w.RemovedAt == null)
            .OrderByDescending(w => w.StartedAt)
            .ThenByDescending(w => w.Number)
            .Take(MostListed)
            .ToListAsync(cancel);
        var rules = await db.RulesAsync(cancel);
        return [.. rows.Select(r => WearDto.Of(r, rules, clock.UtcNow()))];
    }

    private static async Task<WearDto> PutAsync(
        Guid id,
        Guid wearId,
        WearEntry entry,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel,
        [Edited] string? edited = null
    )
    {
        var row = await db.Wears.SingleOrDefaultAsync(w => w.Id == wearId, cancel);
        if (row is not null && row.DogId != id)
            throw Refusal.NotFound("No wear has this id.");
        var rules = await db.RulesAsync(cancel);
        if (row?.RemovedAt is not null)
            throw Refusal.Conflict("This wear was taken out. Put it back first, then change it.");
        var together = row is not null && entry.Said is not null;
        if (!together)
            Versions.Need(edited, row?.Version ?? 0, "This wear", row is null ? null : WearDto.Of(row, rules, clock.UtcNow()));
        await db.DogAsync(id, cancel);
        if (row is null && entry.BegunAgo is { } begun)
            entry = entry with { StartedAt = clock.GetUtcNow().AddSeconds(-begun) };
        if (entry.EndedAgo is { } ended)
            entry = entry with { EndedAt = clock.GetUtcNow().AddSeconds(-ended) };
        var on = entry.EndedAt is null && (row is null || (row.EndedAt is not null && !together));
        if (on && await db.Wears.AnyAsync(w => w.DogId == id && w.Id != wearId && w.EndedAt == null && w.RemovedAt == null, cancel))
            throw Refusal.Conflict(
                "It wears its muzzle already, by another device. End that wear first; what was tapped here stays on this device until then."
            );
        var (whole, told) = TwoHands.Told(row, entry, clock.UtcNow());
        if (whole.EndedAt < whole.StartedAt)
            whole = whole with { EndedAt = whole.StartedAt };
        await NeedApartAsync(id, wearId, whole.StartedAt!.Value.UtcDateTime, whole.EndedAt?.UtcDateTime, db, pen, clock, cancel);
        if (row is null)
        {
            var muzzle = (await MuzzleInUse.LoadAsync(db, [id], cancel))[id].Choice?.KeptFit;
            row = new WearRow
            {
                Id = wearId,
                DogId = id,
                Muzzle = muzzle is null ? null : $"{muzzle.Model} {muzzle.Size.Label}",
            };
            db.Wears.Add(row);
        }

        Onto(row, whole, told, clock);
        await db.SaveChangesAsync(cancel);
        return WearDto.Of(row, rules, clock.UtcNow(), row.EndedAt is null ? null : await FeedBackAsync(id, db, pen, clock, cancel));
    }

    private static void Onto(WearRow row, WearEntry entry, WearTold told, TimeProvider clock)
    {
        row.StartedAt = entry.StartedAt!.Value.UtcDateTime;
        row.EndedAt = entry.EndedAt?.UtcDateTime;
        row.Day = Wear.DayOf(clock, row.StartedAt, row.EndedAt);
        row.Occasion = entry.Occasion!.Value;
        row.HappyId = entry.HappyId;
        row.Place = entry.Place.OrNull();
        row.ForWhat = entry.ForWhat.OrNull();
        row.Who = entry.Who.OrNull();
        row.Strap = entry.Strap.OrNull();
        row.Exercise = entry.Exercise == true;
        row.CapMinutes = entry.CapMinutes;
        row.Ending = entry.Ending ?? WearEnding.TakenOff;
        row.Seen = [.. (entry.Signs ?? []).DistinctBy(s => s.Id).Select(s => new WearSign(s.Id!.Value, s.SignId!, s.At!.Value.UtcDateTime))];
        row.Rubs = [.. (entry.Rubs ?? []).Distinct()];
        row.TreatId = entry.TreatId;
        row.TreatPieces = entry.TreatPieces ?? 0;
        row.Note = entry.Note.OrNull();
        row.LastTold = told;
    }

    /// <summary>Over threshold, or badly twice in a row, the plan goes back to what was easy; what was done, in words, or null.</summary>
    private static async Task<string?> FeedBackAsync(Guid id, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel)
    {
        var file = await db.DogFileAsync(id, cancel);
        if (file.Record.BackTo() is not { } back)
            return null;
        var why = file.Record.BackWhy(back);
        db.PlanMoves.Add(
            new PlanMoveRow
            {
                DogId = id,
                At = clock.UtcNow(),
                StepId = back.StepId,
                Target = back.Target,
                Why = why,
            }
        );
        await db.SaveChangesAsync(cancel);
        return new ConditioningWords(await pen.WithAsync(file.Measured.Rules, cancel)).Moved(why);
    }

    /// <summary>A dog wears one muzzle at a time.</summary>
    /// <exception cref="Refusal">It wore one then already: 409, with both times and the other wear.</exception>
    private static async Task NeedApartAsync(
        Guid id,
        Guid wearId,
        DateTime from,
        DateTime? to,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var until = to ?? clock.UtcNow();
        var other = await db
            .Wears.AsNoTracking()
            .Where(w => w.DogId == id && w.Id != wearId && w.RemovedAt == null && w.StartedAt < until && (w.EndedAt == null || w.EndedAt > from))
            .OrderBy(w => w.StartedAt)
            .FirstOrDefaultAsync(cancel);
        if (other is null)
            return;
        var rules = await db.RulesAsync(cancel);
        var words = new WearingWords(await pen.WithAsync(rules, cancel));
        TimeOnly Time(DateTime at) => TimeOnly.FromDateTime(clock.LocalOf(at));
        string Span(DateTime on, DateTime? off) => words.Span(clock.DayOf(on), Time(on), off is { } end ? Time(end) : null);
        throw Refusal.Conflict(words.TwoAtOnce(Span(from, to), Span(other.StartedAt, other.EndedAt)), WearDto.Of(other, rules, clock.UtcNow()));
    }

    private static async Task<WearDto> RemoveAsync(Guid id, Guid wearId, DateTime? at, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel)
    {
        var row = await FindAsync(id, wearId, db, cancel);
        if (
            at is null
            && row.EndedAt is null
            && await db.Wears.AnyAsync(w => w.DogId == id && w.Id != wearId && w.EndedAt == null && w.RemovedAt == null, cancel)
        )
            throw Refusal.Conflict("It wears its muzzle just now by another record. End that one first.");
        if (at is null)
            await NeedApartAsync(id, wearId, row.StartedAt, row.EndedAt, db, pen, clock, cancel);
        row.RemovedAt = at;
        await db.SaveChangesAsync(cancel);
        return WearDto.Of(row, await db.RulesAsync(cancel), clock.UtcNow());
    }

    private static async Task<WearDto> AddPictureAsync(
        Guid id,
        Guid wearId,
        IFormFile? file,
        HttpContext http,
        PracticeDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var row = await FindAsync(id, wearId, db, cancel);
        await PictureShelf.PutAsync(db, wearId, PictureIntake.TakenFrom(http), cancel);
        row.HasPicture = true;
        await db.SaveChangesAsync(cancel);
        return WearDto.Of(row, await db.RulesAsync(cancel), clock.UtcNow());
    }

    private static async Task<FileContentHttpResult> PictureAsync(Guid id, Guid wearId, PracticeDb db, CancellationToken cancel)
    {
        await FindAsync(id, wearId, db, cancel);
        return await PictureShelf.ReadAsync(db, wearId, cancel);
    }

    private static async Task<BalanceDto> BalanceAsync(Guid id, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel)
    {
        var (file, today) = (await db.DogFileAsync(id, cancel), clock.Today());
        var words = new WearingWords(await pen.WithAsync(file.Measured.Rules, cancel));
        var (rules, worn) = (file.Measured.Rules, file.Record.Worn.Occasions(file.Measured.Rules));
        var (balance, lastHappy) = (AssociationBalance.On(today, worn, rules), file.Record.Worn.LastHappy(today, rules));
        return new BalanceDto(
            balance.Verdict(rules),
            balance.Ratio,
            balance.Ratio is { } ratio ? words.Ratio(ratio) : null,
            words.Owed(balance, lastHappy, today),
            balance.HappyWithinWeek,
            lastHappy,
            rules[AssociationBalance.Wanted],
            rules[AssociationBalance.Sours],
            [
                .. Enumerable
                    .Range(0, DaysDrawn + 1)
                    .Select(i => today.AddDays(i - DaysDrawn))
                    .Select(d => new BalancePointDto(d, AssociationBalance.On(d, worn, rules).Ratio)),
            ],
            [.. worn.Where(w => w.Day >= today.AddDays(-DaysDrawn) && w.Day <= today).Select(w => new BalanceWearDto(w.Day, w.Occasion))],
            file.Record.Worn.AheadOn(today, rules) is { } visit
                ? new BalanceAheadDto(visit.Balance.On, visit.Balance.After, visit.Balance.HappyOn, visit.Balance.ThenAfter, words.Ahead(visit))
                : null,
            rules.Basis(AssociationBalance.Wanted)
        );
    }

    private static async Task<WearRow> FindAsync(Guid id, Guid wearId, PracticeDb db, CancellationToken cancel) =>
        await db.Wears.SingleOrDefaultAsync(w => w.Id == wearId && w.DogId == id, cancel) ?? throw Refusal.NotFound("No wear has this id.");
}
