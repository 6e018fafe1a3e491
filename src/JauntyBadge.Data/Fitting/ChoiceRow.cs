using System.Text.Json;
using System.Text.Json.Serialization;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Data.Fitting;

/// <summary>A muzzle chosen for a dog, with everything as it was on that day.</summary>
public sealed class ChoiceRow
{
    public Guid Id { get; set; }
    public Guid DogId { get; set; }
    public DateTime ChosenAt { get; set; }
    public DateTime? WithdrawnAt { get; set; }
    public required string SizeId { get; set; }

    /// <summary>A <see cref="KeptFit"/> as JSON.</summary>
    public required string Kept { get; set; }

    public KeptFit KeptFit => JsonSerializer.Deserialize<KeptFit>(Kept, KeptFit.Json)!;

    /// <summary>Keeps a ranked fit for a dog.</summary>
    public static ChoiceRow Of(Guid dogId, RankedFit fit, SnoutModel snout, MuzzleBrief brief, string? note, DateTime at) => new()
    {
        Id = Guid.NewGuid(),
        DogId = dogId,
        ChosenAt = at,
        SizeId = fit.Size.Id,
        Kept = JsonSerializer.Serialize(KeptFit.Of(fit, snout, brief, note), KeptFit.Json),
    };
}

/// <summary>The reasons of a choice as they were: later catalogues, readings or rules do not change it.</summary>
public sealed record KeptFit(
    string Model, string Maker, MuzzleType Type, MuzzleSize Size, School School, int Fingers, double NeededGapeDeg, Verdict Verdict,
    double? GapeDeg, double? NeckLoopMm, IReadOnlyList<KeptCriterion> Criteria, IReadOnlyList<KeptNumber> Snout, IReadOnlyList<string> NotChecked,
    string? Note)
{
    internal static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
    };

    internal static KeptFit Of(RankedFit fit, SnoutModel snout, MuzzleBrief brief, string? note) => new(
        fit.Model.Name, fit.Model.Maker, fit.Model.Type, fit.Size, brief.School, brief.Fingers, brief.NeededGape.Degrees, fit.Verdict,
        fit.Assessment?.Gape.Degrees, fit.Assessment?.NeckLoop?.Millimeters,
        [.. fit.Criteria.Select(c => new KeptCriterion(c.Name, c.Verdict, c.Margin?.Millimeters, c.Reason, c.Basis.ToString()))],
        [.. snout.Sources.Select(s => new KeptNumber(s.Name, Math.Round(s.Number.Mm, 2), s.Number.Provenance, s.Number.How))],
        [.. fit.NotChecked.Select(n => n.Reason)], note);
}

/// <summary>One criterion as it was.</summary>
public sealed record KeptCriterion(CriterionName Name, Verdict Verdict, double? MarginMm, string Reason, string Basis);

/// <summary>One number of the snout as it was.</summary>
public sealed record KeptNumber(string Name, double Mm, Provenance Provenance, string How);
