using FluentValidation;
using JauntyBadge.Core;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.House;

/// <summary>How the practice writes dates and prices, as entered.</summary>
/// <param name="Locale">One of the locales offered.</param>
/// <param name="Currency">ISO 4217, one of those offered.</param>
public sealed record WritingEntry(string? Locale = null, string? Currency = null);

/// <summary>How the practice writes dates and prices, and what it can choose among.</summary>
public sealed record WritingDto(string Locale, string Currency, IReadOnlyList<string> Locales, IReadOnlyList<string> Currencies, long Version) : IAtVersion
{
    public static WritingDto Of(WritingRow row) => new(row.Locale, row.Currency, [.. Core.Locale.All.Select(l => l.Tag)], Writing.Currencies, row.Version);
}

public sealed class WritingEntryValidator : AbstractValidator<WritingEntry>
{
    public WritingEntryValidator()
    {
        RuleFor(w => w.Locale).Must(l => Locale.Find(l) is not null).WithMessage($"locale is one of {string.Join(", ", Locale.All.Select(l => l.Tag))}.");
        RuleFor(w => w.Currency)
            .Must(c => c is not null && Writing.Currencies.Contains(c))
            .WithMessage($"currency is one of {string.Join(", ", Writing.Currencies)}.");
    }
}

/// <summary>How the practice writes dates and prices. The words stay English: a locale is English as a country writes it.</summary>
internal static class WritingEndpoints
{
    public static void MapWriting(this IEndpointRouteBuilder api)
    {
        var writing = api.MapGroup("/writing").WithTags("House").OneWriterAtATime();
        writing
            .MapGet("/", async (PracticeDb db, CancellationToken cancel) => WritingDto.Of(await WritingRow.LoadAsync(db, cancel)))
            .WithName("writing")
            .May(Concern.Trade)
            .WithSummary("How the practice writes dates and prices.");
        writing
            .MapPut("/", SetAsync)
            .WithName("setWriting")
            .May(Concern.WholePractice)
            .WithSummary("Set how the practice writes dates and prices.")
            .NeedsVersion();
    }

    private static async Task<WritingDto> SetAsync(WritingEntry entry, PracticeDb db, CancellationToken cancel, [Edited] string? edited = null)
    {
        var row = await db.Writing.FindAsync([WritingRow.OnlyId], cancel);
        Versions.Need(edited, row?.Version ?? 0, "How dates and prices are written", WritingDto.Of(row ?? new WritingRow()));
        if (row is null)
            db.Writing.Add(row = new WritingRow());
        (row.Locale, row.Currency) = (entry.Locale!, entry.Currency!);
        await db.SaveChangesAsync(cancel);
        return WritingDto.Of(row);
    }
}
