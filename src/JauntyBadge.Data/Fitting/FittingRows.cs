using System.Text.Json.Serialization;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data.Fitting;

/// <summary>A line of a dog's brief the fitter overruled, with the note that stays beside it.</summary>
public sealed class OverruleRow : IVersioned, IOfDog
{
    public long Version { get; set; }
    public Guid DogId { get; set; }
    public required string LineId { get; set; }
    public required string Note { get; set; }
    public DateTime At { get; set; }

    /// <summary>What was overruled for a dog, by line.</summary>
    public static async Task<IReadOnlyDictionary<string, OverruleRow>> OfAsync(PracticeDb db, Guid dogId, CancellationToken cancel) =>
        await db.Overrules.AsNoTracking().Where(o => o.DogId == dogId).ToDictionaryAsync(o => o.LineId, cancel);
}

/// <summary>How this practice fits: schools, its finger, and what it weighs. One row.</summary>
public sealed class FitSettingsRow : IVersioned
{
    public const int OnlyId = 1;

    public int Id { get; set; } = OnlyId;
    public long Version { get; set; }
    public MaterialSchool Material { get; set; }
    public VisibilitySchool Visibility { get; set; }
    public double FingerMm { get; set; } = FitRules.Finger.Ours.Millimeters;
    public double Comfort { get; set; } = Weights.UsualWeight.Ours;
    public double Safety { get; set; } = Weights.UsualWeight.Ours;
    public double Feeding { get; set; } = Weights.UsualWeight.Ours;

    public Weights Weights => new(Comfort, Safety, Feeding);

    /// <summary>The practice's, or ours until it sets its own.</summary>
    public static async Task<FitSettingsRow> LoadAsync(PracticeDb db, CancellationToken cancel) =>
        await db.FitSettings.AsNoTracking().SingleOrDefaultAsync(cancel) ?? new FitSettingsRow();
}

/// <summary>What was seen when a muzzle was tried on a dog.</summary>
public sealed class TryOnRow : INumbered, IOfDog
{
    public Guid Id { get; set; }
    public long Number { get; set; }
    public Guid DogId { get; set; }
    public required string SizeId { get; set; }
    public DateTime At { get; set; }
    public DateTime? RemovedAt { get; set; }
    public bool HasPicture { get; set; }

    /// <summary>A <see cref="TryOnRecord"/> as JSON.</summary>
    public required string Record { get; set; }

    /// <summary>What was seen; a record that cannot be read is told as such.</summary>
    public TryOnRecord Seen =>
        seen ??= JsonColumn.Find<TryOnRecord>(Record) is { Muzzle: not null, Answers: not null, Symptoms: not null } read ? read : TryOnRecord.Unread(SizeId);

    private TryOnRecord? seen;

    public static string Write(TryOnRecord record) => JsonColumn.Write(record);
}

/// <summary>Answers and setting of a try-on.</summary>
/// <param name="Muzzle">The muzzle as it was then, in words.</param>
/// <param name="Answers">By check: true for fine, false for not; checks not looked at are left out.</param>
/// <param name="Symptoms">What was wrong.</param>
/// <param name="Strap">The setting it was fastened at.</param>
/// <param name="Note">Anything else.</param>
public sealed record TryOnRecord(string Muzzle, IReadOnlyDictionary<string, bool> Answers, IReadOnlyList<string> Symptoms, KeptStrap? Strap, string? Note)
{
    /// <summary>What was kept cannot be read.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool Unreadable { get; init; }

    internal static TryOnRecord Unread(string sizeId) => new(sizeId, new Dictionary<string, bool>(), [], null, null) { Unreadable = true };
}

/// <summary>How many of a size lie in the van.</summary>
public sealed class VanRow : IVersioned
{
    public required string SizeId { get; set; }
    public long Version { get; set; }
    public int Count { get; set; }
}

/// <summary>Dogs the practice expects, described by a head.</summary>
public sealed class ExpectedDogRow : IVersioned
{
    public Guid Id { get; set; }
    public long Version { get; set; }
    public required string Name { get; set; }
    public int Count { get; set; }
    public HeadShape HeadShape { get; set; }
    public double EyeMm { get; set; }
    public double? GirthMm { get; set; }
    public double? WidthMm { get; set; }
    public double? NeckMm { get; set; }
    public BiteTier BiteTier { get; set; }
    public List<Purpose> Purposes { get; set; } = [];
}
