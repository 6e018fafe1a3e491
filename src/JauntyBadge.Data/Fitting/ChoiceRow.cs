using JauntyBadge.Core.Fitting;

namespace JauntyBadge.Data.Fitting;

/// <summary>A muzzle chosen for a dog, with everything as it was on that day.</summary>
public sealed class ChoiceRow : INumbered, IOfDog
{
    public Guid Id { get; set; }
    public long Number { get; set; }
    public Guid DogId { get; set; }
    public DateTime ChosenAt { get; set; }
    public DateTime? WithdrawnAt { get; set; }
    public required string SizeId { get; set; }

    /// <summary>A <see cref="KeptFit"/> as JSON.</summary>
    public required string Kept { get; set; }

    /// <summary>The reasons as they were; a record that cannot be read is told as such.</summary>
    public KeptFit KeptFit =>
        keptFit ??= JsonColumn.Find<KeptFit>(Kept) is { Model: not null, Size: not null, Criteria: not null, Snout: not null, NotChecked: not null } kept
            ? kept
            : KeptFit.Unread(SizeId);

    private KeptFit? keptFit;

    /// <summary>Keeps a ranked fit for a dog.</summary>
    /// <param name="dogId">The dog.</param>
    /// <param name="fit">The muzzle as judged.</param>
    /// <param name="note">What the fitter adds.</param>
    /// <param name="at">When.</param>
    /// <param name="rulesId">The kept numbers it stood on.</param>
    /// <param name="toTrainIn">That is what it is kept for; it is then judged as such.</param>
    /// <param name="terms">What it was judged for.</param>
    public static ChoiceRow Of(Guid dogId, RankedFit fit, string? note, DateTime at, string rulesId, bool toTrainIn = false, KeptTerms? terms = null) =>
        new()
        {
            Id = Guid.NewGuid(),
            DogId = dogId,
            ChosenAt = at,
            SizeId = fit.Size.Id,
            Kept = JsonColumn.Write(KeptFit.Of(fit, note, rulesId, toTrainIn, terms)),
        };
}
