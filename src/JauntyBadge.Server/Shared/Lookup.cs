using System.Text.Json;
using JauntyBadge.Core;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Data;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Data.Measuring;
using UnitsNet;

namespace JauntyBadge.Server.Shared;

/// <summary>Small things every room asks for.</summary>
internal static class Lookup
{
    /// <summary>So far the clocks of a device and of the server may be apart (House).</summary>
    public static readonly TimeSpan ClocksApart = TimeSpan.FromMinutes(5);

    /// <summary>The dog, or a 404.</summary>
    public static async Task<DogRow> DogAsync(this PracticeDb db, Guid id, CancellationToken cancel) =>
        await db.Dogs.FindAsync([id], cancel) ?? throw NoSuchDog();

    /// <summary>The dog with what was measured on it, or a 404.</summary>
    public static async Task<MeasuredDog> MeasuredDogAsync(this PracticeDb db, Guid id, CancellationToken cancel) =>
        await MeasuredDog.FindAsync(db, id, cancel) ?? throw NoSuchDog();

    /// <summary>The dog with its readings, for its profile only, or a 404.</summary>
    public static async Task<MeasuredDog> ProfiledDogAsync(this PracticeDb db, Guid id, CancellationToken cancel) =>
        await MeasuredDog.FindProfileAsync(db, id, cancel) ?? throw NoSuchDog();

    /// <summary>The dog with its plan, or a 404.</summary>
    public static async Task<TrainedDog> TrainedDogAsync(this PracticeDb db, Guid id, CancellationToken cancel) =>
        await TrainedDog.FindAsync(db, id, cancel) ?? throw NoSuchDog();

    /// <summary>Everything that decides how far a dog has come, or a 404.</summary>
    public static async Task<DogFile> DogFileAsync(this PracticeDb db, Guid id, CancellationToken cancel) =>
        await DogFile.FindAsync(db, id, cancel) ?? throw NoSuchDog();

    /// <summary>Whether two records say the same, lists and all: what was sent again is what is there.</summary>
    public static bool SaysTheSame<T>(this T one, T other) => JsonSerializer.Serialize(one, Units) == JsonSerializer.Serialize(other, Units);

    private static readonly JsonSerializerOptions Units = new() { Converters = { new LengthInMm(), new MassInGrams() } };

    internal static Refusal NoSuchDog() => Refusal.NotFound("No dog has this id.");

    internal static Refusal NoSuchSession() => Refusal.NotFound("No session has this id.");

    /// <summary>The text without blanks around it; null where nothing is left.</summary>
    public static string? OrNull(this string? text) => string.IsNullOrWhiteSpace(text) ? null : text.Trim();

    public static int WholeGrams(this Mass mass) => (int)Math.Round(mass.Grams);

    /// <summary>A length or angle as the API gives it: free of the noise of double arithmetic.</summary>
    public static double Tidy(this double value) => Math.Round(value, 6);

    /// <summary>What the snout model rests on, as the API gives it.</summary>
    public static IReadOnlyList<SourceDto> SourcesDto(this SnoutModel snout, MeasuringWords words) =>
        [.. snout.Sources.Select(s => new SourceDto(s.Part, words.Of(s.Part), s.Number.Mm.Tidy(), s.Number.Provenance, words.Of(s.Number.Origin)))];
}

/// <summary>One number of the snout model and what it rests on.</summary>
public sealed record SourceDto(SnoutPart Part, string Name, double Mm, Provenance Provenance, string How);
