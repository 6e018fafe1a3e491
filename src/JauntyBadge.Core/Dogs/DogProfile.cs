using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Dogs;

/// <summary>What a muzzle is wanted for.</summary>
public enum Purpose
{
    Clinic,
    Walks,
    Visitors,
    Transport,
    Scavenging,
    Working,
}

/// <summary>How the dog meets new things.</summary>
public enum Temperament
{
    Bold,
    Typical,
    Wary,

    /// <summary>Had a bad time with a muzzle before.</summary>
    Soured,
}

/// <summary>What is asked of a temperament.</summary>
public static class Temperaments
{
    /// <summary>Such a dog is heeded at once: wary of the world, or soured by a muzzle.</summary>
    public static bool IsFearful(this Temperament temperament) => temperament is Temperament.Wary or Temperament.Soured;
}

/// <summary>Something that makes a part of the training harder for this dog.</summary>
public enum Sensitivity
{
    OddObjects,
    HandsBehindHead,
    PeopleNear,
    Clicks,
    LowFoodDrive,
    Snatchy,
    Paws,
}

/// <summary>Something about its health that decides what may lie on its face.</summary>
public enum HealthNote
{
    /// <summary>Airway disease, noisy breathing, or a veterinarian's word about it.</summary>
    AirwayTrouble,

    ProneToVomiting,

    /// <summary>It is sedated at the clinic.</summary>
    SedatedAtClinic,

    /// <summary>It weighs more than it should.</summary>
    Overweight,

    /// <summary>In whelp or with puppies at its side.</summary>
    Pregnant,

    /// <summary>Ill, or on a diet that a veterinarian ordered.</summary>
    Ill,
}

/// <summary>Bite history, from which containment follows. Own wording; compare the published six-level bite scale by Ian Dunbar (Memory).</summary>
public enum BiteTier
{
    None = 0,
    Threatens = 1,
    ContactNoInjury = 2,
    Injured = 3,
    SeveralOrDeep = 4,
}

/// <summary>What the rules need to know of a dog.</summary>
public sealed record DogProfile
{
    public required string Name { get; init; }
    public IReadOnlyList<Breed> Breeds { get; init; } = [];

    /// <summary>The head shape the fitter saw; null leaves it to the breeds.</summary>
    public HeadShape? HeadShapeSeen { get; init; }

    public DateOnly? BirthDate { get; init; }
    public Mass? BodyMass { get; init; }
    public IReadOnlyList<Purpose> Purposes { get; init; } = [];
    public Temperament Temperament { get; init; } = Temperament.Typical;
    public IReadOnlyList<Sensitivity> Sensitivities { get; init; } = [];
    public BiteTier BiteTier { get; init; }
    public IReadOnlyList<HealthNote> Health { get; init; } = [];

    /// <summary>Traits seen on this dog, whatever its breed.</summary>
    public IReadOnlyList<BreedTrait> TraitsSeen { get; init; } = [];

    /// <summary>Its breeds by name.</summary>
    public string BreedsInWords => Breeds.Count == 0 ? "Breed unknown" : string.Join(" × ", Breeds.Select(b => b.Name));

    /// <summary>What matters to a fitter: the breeds' usual traits and those seen on this dog.</summary>
    public IReadOnlyList<BreedTrait> Traits => [.. Breeds.SelectMany(b => b.Traits).Concat(TraitsSeen).Distinct()];

    /// <summary>Why its airway is to be minded, in words that follow "because"; null when nothing says so.</summary>
    public string? AirwayConcern =>
        Health.Contains(HealthNote.AirwayTrouble) ? "airway trouble is noted"
        : HeadShape.AirwayCaution ? $"its face is less than {HeadShapes.AirwayRatio.Ours:0%} as long as the skull behind it"
        : HeadShape.Shape == Measuring.HeadShape.Short ? "its face is short"
        : Breeds.FirstOrDefault(b => b.Shape == Measuring.HeadShape.Short) is { } flat ? $"{flat.Name} is a flat-faced breed"
        : null;

    /// <summary>The fit style it is usually measured and fitted by: the working one for working dogs and after several or deep bites.</summary>
    public FitStyle UsualFitStyle => Purposes.Contains(Purpose.Working) || BiteTier == BiteTier.SeveralOrDeep ? FitStyle.Working : FitStyle.Everyday;

    /// <summary>What the dog's own measures say of its head shape.</summary>
    public IReadOnlyList<ShapeReading> MeasuredShape { get; init; } = [];

    /// <summary>What is known of the head shape besides the measures.</summary>
    public IReadOnlyList<ShapeReading> OtherShapes => BreedShape.Ways(HeadShapeSeen, Breeds);

    public HeadShapeChoice HeadShape => HeadShapeChoice.From([.. OtherShapes, .. MeasuredShape]);

    /// <summary>The coat, as the fitter set it or as usual for the breed.</summary>
    public Coat Coat => CoatSeen ?? (Breeds.Any(b => b.Traits.Contains(BreedTrait.LongCoat)) ? Coat.Thick : Coat.Ordinary);

    /// <summary>The coat the fitter set; null leaves it to the breeds.</summary>
    public Coat? CoatSeen { get; init; }

    /// <summary>The age in words, such as "7 months" or "3 years 8 months"; null when the birth date is not known.</summary>
    public string? Age(DateOnly today)
    {
        if (BirthDate is not { } born || born > today)
            return null;
        var months = 12 * (today.Year - born.Year) + today.Month - born.Month - (today.Day < born.Day ? 1 : 0);
        static string Count(int number, string unit) => number == 1 ? $"1 {unit}" : $"{number} {unit}s";
        var (years, rest) = Math.DivRem(months, 12);
        return years == 0 ? Count(rest, "month")
            : rest == 0 ? Count(years, "year")
            : $"{Count(years, "year")} {Count(rest, "month")}";
    }

    /// <summary>Why it should be measured again, as it is known now; empty when it need not.</summary>
    /// <param name="last">Its last measuring set; null where none was begun.</param>
    /// <param name="today">The practice's day.</param>
    /// <param name="rules">The numbers that decide.</param>
    public IReadOnlyList<RemeasureCause> MeasureAgain(SetOnRecord? last, DateOnly today, HouseRules rules) =>
        Remeasure.Causes(last, new SetState(today, BodyMass, Coat), IsGrowing(today), rules);

    /// <summary>Whether the head may still grow, so that a fit will not last.</summary>
    public bool IsGrowing(DateOnly today) => BirthDate is { } born && today < born.AddMonths(Breeds.Count == 0 ? 15 : Breeds.Max(b => b.GrowingMonths));

    /// <summary>The cautions that belong beside every decision about this dog, most pressing first.</summary>
    public IReadOnlyList<string> Cautions(DateOnly today)
    {
        var cautions = new List<string>();
        if (BiteTier >= BiteTier.Injured)
            cautions.Add(
                "A bite that injured belongs with a qualified behaviour professional as well: a muzzle does not treat the cause. Local rules on dangerous dogs decide."
            );
        if (Health.Contains(HealthNote.AirwayTrouble))
            cautions.Add(
                "Airway trouble is noted: nothing that closes its mouth or lies on its face, and a veterinarian looks at its breathing before any muzzle."
            );
        if (HeadShape.AirwayCaution)
            cautions.Add(
                "The face is less than half as long as the skull behind it: airway disease was seen in such dogs (Packer et al. 2015). A veterinarian looks at its breathing before any muzzle."
            );
        if (HeadShape.Shape == Measuring.HeadShape.Short)
            cautions.Add("A short face pants and cools poorly: ask the veterinarian about its airway before any muzzle, and keep wears short and cool.");
        else if (AirwayConcern is { } why && !HeadShape.AirwayCaution && !Health.Contains(HealthNote.AirwayTrouble))
            cautions.Add($"Mind its airway, because {why}: ask the veterinarian before any muzzle, and nothing that closes its mouth.");
        if (Health.Contains(HealthNote.ProneToVomiting))
            cautions.Add("Prone to vomiting: nothing that closes its mouth, and off at once when it retches.");
        if (Health.Contains(HealthNote.SedatedAtClinic))
            cautions.Add("Sedated at the clinic: what closes its mouth is put on, watched and taken off by the clinic's own staff only.");
        if (Temperament == Temperament.Soured)
            cautions.Add("This dog has had a bad time with a muzzle. If it changed suddenly or seems in pain, see the veterinarian first.");
        if (IsGrowing(today))
            cautions.Add("Still growing: measure again before each new muzzle and at least every month.");
        cautions.Add(
            "Always watched, never left alone in it, never all day, never as a punishment. Off at any sign of breathing trouble, overheating or panic."
        );
        return cautions;
    }
}
