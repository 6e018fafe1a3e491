using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Wearing;
using UnitsNet;

namespace JauntyBadge.Data.Wearing;

/// <summary>A sign seen while it was worn.</summary>
/// <param name="Id">Made by the phone, so that a sign sent twice counts once.</param>
/// <param name="SignId">A sign of the list.</param>
/// <param name="At">When it was tapped.</param>
public sealed record WearSign(Guid Id, string SignId, DateTime At);

/// <summary>A muzzle worn once, from on to off.</summary>
public sealed class WearRow : INumbered, IVersioned, IOfDog
{
    /// <summary>Made by the phone.</summary>
    public Guid Id { get; set; }

    public long Number { get; set; }
    public long Version { get; set; }
    public Guid DogId { get; set; }

    /// <summary>The day it counts to, by the practice's clock.</summary>
    public DateOnly Day { get; set; }

    public DateTime StartedAt { get; set; }

    /// <summary>Null while it is on.</summary>
    public DateTime? EndedAt { get; set; }

    public Occasion Occasion { get; set; }

    /// <summary>What was done, of the list of happy wears; null for anything else.</summary>
    public string? HappyId { get; set; }

    public string? Place { get; set; }
    public string? ForWhat { get; set; }
    public string? Who { get; set; }
    public bool Exercise { get; set; }

    /// <summary>The muzzle as it was then, in words; null where none was chosen.</summary>
    public string? Muzzle { get; set; }

    /// <summary>The strap's setting, in words.</summary>
    public string? Strap { get; set; }

    /// <summary>How long it was told to be worn at most, when it was put on; null where it was entered afterwards.</summary>
    public double? CapMinutes { get; set; }

    public string Signs { get; set; } = "[]";

    /// <summary>The worst of its signs of training; null where none was seen.</summary>
    public SignGroup? Worst { get; set; }

    /// <summary>A sign of trouble with breath, heat or swallowing was seen.</summary>
    public bool Red { get; set; }

    /// <summary>How it ended.</summary>
    public WearEnding Ending { get; set; }

    public List<RubPlace> Rubs { get; set; } = [];
    public string? TreatId { get; set; }
    public int TreatPieces { get; set; }
    public string? Note { get; set; }
    public bool HasPicture { get; set; }
    public DateTime? RemovedAt { get; set; }

    /// <summary>A <see cref="WearTold"/> as JSON: what was said of it when, and which signs were taken back.</summary>
    public string Told { get; set; } = "{}";

    /// <summary>What was said of it when, and which signs were taken back.</summary>
    public WearTold LastTold
    {
        get => JsonColumn.Find<WearTold>(Told) ?? WearTold.Nothing;
        set => Told = JsonColumn.Write(value);
    }

    /// <summary>As lists and rules need it.</summary>
    public WearOnRecord AsRecord =>
        new(Day, StartedAt, EndedAt, Occasion, HappyId, Worst >= SignGroup.Worried, Rubs.Count > 0)
        {
            Id = Id,
            Version = Version,
            OverThreshold = Worst == SignGroup.OverThreshold,
            Red = Red,
            Ending = Ending,
            Cap = CapMinutes is { } minutes ? TimeSpan.FromMinutes(minutes) : null,
        };

    /// <summary>Every sign seen, in the order they were tapped.</summary>
    public IReadOnlyList<WearSign> Seen
    {
        get => JsonColumn.Find<List<WearSign>>(Signs) ?? [];
        set
        {
            Signs = JsonColumn.Write(value);
            Worst = value.Select(s => Sign.Find(s.SignId)?.Group).Max();
            Red = value.Any(s => WornSign.Find(s.SignId) is not null);
        }
    }
}

/// <summary>A muzzle looked over, off the dog.</summary>
public sealed class InspectionRow : INumbered, IOfDog
{
    public Guid Id { get; set; }
    public long Number { get; set; }
    public Guid DogId { get; set; }

    /// <summary>The size inspected.</summary>
    public required string SizeId { get; set; }

    public required string Muzzle { get; set; }
    public DateOnly Day { get; set; }
    public DateTime At { get; set; }

    /// <summary>Ids of the checks that were not fine.</summary>
    public List<string> Failed { get; set; } = [];

    public string? Note { get; set; }
    public DateTime? RemovedAt { get; set; }
}

/// <summary>A day on which a dog has to wear its muzzle somewhere.</summary>
public sealed class AppointmentRow : INumbered, IVersioned, IOfDog
{
    public Guid Id { get; set; }
    public long Number { get; set; }
    public long Version { get; set; }
    public Guid DogId { get; set; }
    public DateOnly Day { get; set; }
    public TimeOnly? Time { get; set; }
    public AppointmentKind Kind { get; set; }
    public Occasion Occasion { get; set; }

    /// <summary>Where.</summary>
    public string? Place { get; set; }

    /// <summary>The step that has to be passed by then; null for its purpose's last.</summary>
    public string? ReadyAt { get; set; }

    public string? Note { get; set; }
    public DateTime? RemovedAt { get; set; }

    public AppointmentOnRecord ToRecord() => new(Day, Time, Kind, Occasion, Place, ReadyAt);
}

/// <summary>What wearing needs to know of a dog besides who it is: what it loves, what it eats, what a veterinarian allows. One row a dog.</summary>
public sealed class WearingHabitsRow : IVersioned, IOfDog
{
    public Guid DogId { get; set; }
    public long Version { get; set; }

    /// <summary>Ids of happy wears that it loves.</summary>
    public List<string> Loves { get; set; } = [];

    /// <summary>A second muzzle is at hand.</summary>
    public bool HasSpare { get; set; }

    /// <summary>How long a veterinarian who looked at its breathing lets it wear one, in minutes.</summary>
    public double? VeterinarianMinutes { get; set; }

    /// <summary>Who said so, and when.</summary>
    public string? VeterinarianSays { get; set; }

    public bool? Neutered { get; set; }
    public Activity? Activity { get; set; }

    /// <summary>Times resting energy, where the fitter sets it.</summary>
    public double? Factor { get; set; }

    /// <summary>Energy of the food its owner measures for a day.</summary>
    public double? FoodKcal { get; set; }

    public string? TreatId { get; set; }

    /// <summary>Energy of a piece of its treat, where it is known better than the list has it.</summary>
    public double? KcalPerPiece { get; set; }

    /// <summary>What it may not have.</summary>
    public List<string> Avoids { get; set; } = [];
}

/// <summary>Weather read off by hand.</summary>
public sealed class WeatherRow : INumbered
{
    public Guid Id { get; set; }
    public long Number { get; set; }
    public DateTime At { get; set; }
    public string? Place { get; set; }

    /// <summary>The dog at whose home it was read off; null for where the practice is.</summary>
    public Guid? DogId { get; set; }

    public double AirC { get; set; }
    public double HumidityPercent { get; set; }

    /// <summary>As the rules see it.</summary>
    public WeatherReading Reading => new(At, new(Temperature.FromDegreesCelsius(AirC), RelativeHumidity.FromPercent(HumidityPercent)));
}
