using JauntyBadge.Core;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Data;

namespace JauntyBadge.Server.Shared;

/// <summary>How what is answered is written: dates and prices as the practice writes them, lengths in the unit and words in the language that are asked for.</summary>
/// <param name="db">The practice.</param>
/// <param name="asked">The request.</param>
internal sealed class Pen(PracticeDb db, IHttpContextAccessor asked)
{
    /// <summary>Names the unit for a whole request: the device's own. A unit in the query goes before it.</summary>
    public const string Header = "Length-Unit";

    /// <summary>The unit asked for; millimetres when none is.</summary>
    /// <exception cref="Refusal">It is none.</exception>
    public static ReadingUnit UnitOf(HttpRequest request) =>
        QueryWords.Read<ReadingUnit>(request.Query["unit"], "unit") ?? QueryWords.Read<ReadingUnit>(request.Headers[Header], Header) ?? ReadingUnit.Mm;

    /// <summary>The first language asked for that is spoken here; English when none is. Looked up once a request.</summary>
    public static Language LanguageOf(HttpRequest? request)
    {
        if (request is null)
            return Language.English;
        if (request.HttpContext.Items[typeof(Language)] is not Language language)
        {
            var asked = request.GetTypedHeaders().AcceptLanguage.OrderByDescending(l => l.Quality ?? 1);
            language = asked.Select(l => Language.Find(l.Value.ToString())).OfType<Language>().FirstOrDefault() ?? Language.English;
            request.HttpContext.Items[typeof(Language)] = language;
        }

        return language;
    }

    /// <summary>The writing, with numbers that its sentences speak of.</summary>
    /// <param name="rules">Those numbers.</param>
    /// <param name="cancel">Stops it.</param>
    /// <param name="unit">A unit that goes before the one asked for: that of what was entered.</param>
    public async Task<Writing> WithAsync(HouseRules rules, CancellationToken cancel, ReadingUnit? unit = null)
    {
        var row = await WritingRow.LoadAsync(db, cancel);
        return new Writing(
            unit ?? (asked.HttpContext is { } http ? UnitOf(http.Request) : ReadingUnit.Mm),
            Locale.Find(row.Locale) ?? Locale.Usual,
            row.Currency,
            rules,
            LanguageOf(asked.HttpContext?.Request)
        );
    }

    /// <summary>The same with the numbers the practice decides by.</summary>
    public async Task<Writing> TakeAsync(CancellationToken cancel) => await WithAsync(await db.RulesAsync(cancel), cancel);
}
