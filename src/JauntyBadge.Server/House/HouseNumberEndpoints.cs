using JauntyBadge.Core;
using JauntyBadge.Core.Handover;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.House;

/// <summary>The numbers everything rests on, and the practice's own over them.</summary>
internal static class HouseNumberEndpoints
{
    private const int LongestReason = 400;

    public static void MapHouseNumbers(this IEndpointRouteBuilder api)
    {
        var numbers = api.MapGroup("/house-numbers").WithTags("House").OneWriterAtATime();
        numbers
            .MapGet("/", ListAsync)
            .WithName("houseNumbers")
            .May(Concern.WholePractice)
            .WithSummary("Every number of the job with its basis, and the practice's own where it set one.");
        numbers
            .MapPut("/{numberId}", SetAsync)
            .WithName("setHouseNumber")
            .May(Concern.WholePractice)
            .WithSummary("Set a number of the practice's own, with the reason; without a value it is set back to ours.")
            .NeedsVersion();
        numbers
            .MapPost("/{numberId}/trial", TryAsync)
            .WithName("tryHouseNumber")
            .May(Concern.WholePractice)
            .WithSummary("What a number would change for the dogs there are. Nothing is stored.")
            .OnlyReads();
    }

    private static async Task<IReadOnlyList<HouseNumberDto>> ListAsync(PracticeDb db, Pen pen, CancellationToken cancel)
    {
        var rules = await db.RulesAsync(cancel);
        var changes = (await db.HouseNumbers.AsNoTracking().ToListAsync(cancel)).ToLookup(c => c.NumberId);
        var words = new HouseNumberWords(await pen.WithAsync(rules, cancel));
        return [.. HouseNumbers.All.SelectMany(r => r.Numbers.Select(n => HouseNumberDto.Of(r.Room, n, rules, [.. changes[n.Id]], words)))];
    }

    private static async Task<HouseNumberDto> SetAsync(
        string numberId,
        HouseNumberEntry entry,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel,
        [Edited] string? edited = null
    )
    {
        var number = Known(numberId);
        var rules = await db.RulesAsync(cancel);
        var words = new HouseNumberWords(await pen.WithAsync(rules, cancel));
        var changes = await db.HouseNumbers.AsNoTracking().Where(c => c.NumberId == numberId).ToListAsync(cancel);
        HouseNumberDto Dto(HouseRules now) => HouseNumberDto.Of(HouseNumbers.RoomOf(number), number, now, changes, words);
        Versions.Need(edited, changes.Select(c => c.Number).DefaultIfEmpty(0).Max(), number.What, Dto(rules));
        var proposed = Proposed(rules, number, entry.Value);
        var reason = entry.Reason?.Trim() ?? "";
        if (reason.Length > LongestReason || (reason.Length == 0 && entry.Value is not null))
            throw Refusal.Field("reason", $"Write down why, in up to {LongestReason} letters; it stays beside the number.");
        var change = new HouseNumberRow
        {
            Id = Guid.NewGuid(),
            NumberId = numberId,
            Value = entry.Value == number.Plain ? null : entry.Value,
            Reason = reason,
            At = clock.UtcNow(),
        };
        db.HouseNumbers.Add(change);
        await db.SaveChangesAsync(cancel);
        changes.Add(change);
        return Dto(proposed);
    }

    private static async Task<HouseNumberTrialDto> TryAsync(
        string numberId,
        HouseNumberEntry entry,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var number = Known(numberId);
        var rules = await db.RulesAsync(cancel);
        return await HouseNumberTrial.RunAsync(
            db,
            number,
            rules,
            Proposed(rules, number, entry.Value),
            clock.Today(),
            await pen.WithAsync(rules, cancel),
            cancel
        );
    }

    private static IGrounded Known(string numberId) => HouseNumbers.Find(numberId) ?? throw Refusal.NotFound("No number has this id.");

    private static HouseRules Proposed(HouseRules rules, IGrounded number, double? value)
    {
        var proposed = rules.With(number, value);
        return HouseNumbers.Refusals(proposed).FirstOrDefault() is { } refused ? throw Refusal.Field("value", refused.Says) : proposed;
    }
}
