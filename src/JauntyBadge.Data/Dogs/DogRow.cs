using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Heads;
using UnitsNet;

namespace JauntyBadge.Data.Dogs;

/// <summary>A dog on the round.</summary>
public sealed class DogRow : IVersioned
{
    public Guid Id { get; set; }
    public required string Name { get; set; }

    /// <summary>Who keeps it.</summary>
    public string? Keeper { get; set; }

    /// <summary>Where its keeper is rung.</summary>
    public string? KeeperPhone { get; set; }

    /// <summary>Its own veterinary clinic.</summary>
    public string? ClinicName { get; set; }

    public string? ClinicPhone { get; set; }

    /// <summary>The word it puts its nose in by.</summary>
    public string? Cue { get; set; }

    /// <summary>What its bites were about.</summary>
    public string? BitesAbout { get; set; }

    /// <summary>Its family was told about its bites, so that their card may tell it too.</summary>
    public bool FamilyWasTold { get; set; }

    /// <summary>Where it is met.</summary>
    public string? Place { get; set; }

    public DateOnly? BirthDate { get; set; }

    /// <summary>The birth date was worked out from an age.</summary>
    public bool BirthDateEstimated { get; set; }

    public List<string> BreedIds { get; set; } = [];
    public HeadShape? HeadShapeSeen { get; set; }
    public double? BodyMassKg { get; set; }
    public string? CoatId { get; set; }

    /// <summary>The coat under the tape as the fitter set it; null leaves it to the breeds.</summary>
    public Coat? CoatSeen { get; set; }

    /// <summary>How it carries its ears; null leaves it to the breeds.</summary>
    public Ears? EarsSeen { get; set; }

    /// <summary>Its coat as it is drawn; null leaves it to the breeds.</summary>
    public Fur? FurSeen { get; set; }

    /// <summary>How its colours lie; null leaves it to coat and breeds.</summary>
    public CoatPattern? PatternSeen { get; set; }

    public List<Purpose> Purposes { get; set; } = [];
    public Temperament Temperament { get; set; } = Temperament.Typical;
    public List<Sensitivity> Sensitivities { get; set; } = [];
    public BiteTier BiteTier { get; set; }
    public List<HealthNote> Health { get; set; } = [];

    /// <summary>Traits seen on this dog, whatever its breed.</summary>
    public List<BreedTrait> TraitsSeen { get; set; } = [];
    public string? Notes { get; set; }

    /// <summary>Only fitters and helpers read the notes.</summary>
    public bool NotesForUs { get; set; } = true;

    public DateTime CreatedAt { get; set; }
    public DateTime? ArchivedAt { get; set; }

    /// <summary>Since when another practice has it; null while it is ours. It is archived then, and only here.</summary>
    public DateTime? HandedOverAt { get; set; }

    public long Version { get; set; }

    /// <summary>When something on record of this dog changed last, in the practice's own count.</summary>
    public long Touched { get; set; }

    /// <summary>The same of what it measures, or of who it is.</summary>
    public long Remeasured { get; set; }

    /// <summary>The dog as the rules see it.</summary>
    /// <param name="breeds">The breeds the practice works with; the shipped ones when left out.</param>
    public DogProfile ToProfile(BreedList? breeds = null) =>
        new()
        {
            Name = Name,
            Breeds = [.. BreedIds.Select((breeds ?? BreedList.Shipped).Find).OfType<Breed>()],
            CoatSeen = CoatSeen,
            HeadShapeSeen = HeadShapeSeen,
            BirthDate = BirthDate,
            BodyMass = BodyMassKg is { } kg ? Mass.FromKilograms(kg) : null,
            Purposes = Purposes,
            Temperament = Temperament,
            Sensitivities = Sensitivities,
            BiteTier = BiteTier,
            Health = Health,
            TraitsSeen = TraitsSeen,
            LookSeen = new(CoatId, EarsSeen, FurSeen, PatternSeen),
        };
}
