using System.Text.Json;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Data;
using JauntyBadge.Data.Dogs;

namespace JauntyBadge.Server.Shared;

/// <summary>Small things every room asks for.</summary>
internal static class Lookup
{
    /// <summary>The dog, or a 404.</summary>
    public static async Task<DogRow> DogAsync(this PracticeDb db, Guid id, CancellationToken cancel) =>
        await db.Dogs.FindAsync([id], cancel) ?? throw Refusal.NotFound("No dog has this id.");

    /// <summary>Whether two records say the same, lists and all: what was sent again is what is there.</summary>
    public static bool SaysTheSame<T>(this T one, T other) => JsonSerializer.Serialize(one) == JsonSerializer.Serialize(other);

    public static DateOnly Today(this TimeProvider clock) => DateOnly.FromDateTime(clock.GetLocalNow().DateTime);

    public static DateTime UtcNow(this TimeProvider clock) => clock.GetUtcNow().UtcDateTime;

    /// <summary>A length or angle as the API gives it: free of the noise of double arithmetic.</summary>
    public static double Tidy(this double value) => Math.Round(value, 6);

    /// <summary>What the snout model rests on, as the API gives it.</summary>
    public static IReadOnlyList<SourceDto> SourcesDto(this SnoutModel snout) =>
        [.. snout.Sources.Select(s => new SourceDto(s.Name, s.Number.Mm.Tidy(), s.Number.Provenance, s.Number.How))];
}

/// <summary>One number of the snout model and what it rests on.</summary>
public sealed record SourceDto(string Name, double Mm, Provenance Provenance, string How);
