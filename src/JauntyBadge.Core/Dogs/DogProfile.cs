using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Heads;
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

    /// <summary>Washed, combed and clipped by a groomer.</summary>
    Grooming,
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

    /// <summary>What matters to a fitter: the breeds' usual traits and those seen on this dog.</summary>
    public IReadOnlyList<BreedTrait> Traits => [.. Breeds.SelectMany(b => b.Traits).Concat(TraitsSeen).Distinct()];

    /// <summary>A short-headed breed in it; null where there is none.</summary>
    internal Breed? FlatFaced => Breeds.FirstOrDefault(b => b.Shape == Measuring.HeadShape.Short);

    /// <summary>Why its airway is to be minded; null when nothing says so.</summary>
    public AirwayConcern? AirwayConcern =>
        Health.Contains(HealthNote.AirwayTrouble) ? Dogs.AirwayConcern.Noted
        : HeadShape.AirwayCaution ? Dogs.AirwayConcern.FaceMeasured
        : HeadShape.Shape == Measuring.HeadShape.Short ? Dogs.AirwayConcern.ShortHead
        : FlatFaced is not null ? Dogs.AirwayConcern.FlatBreed
        : null;

    /// <summary>A veterinarian looks at its breathing before any muzzle: trouble is noted, or its face is less than half as long as the skull behind it.</summary>
    public bool VeterinarianFirst => AirwayConcern is Dogs.AirwayConcern.Noted or Dogs.AirwayConcern.FaceMeasured;

    /// <summary>The fit style it is usually measured and fitted by: the working one for working dogs and after several or deep bites.</summary>
    public FitStyle UsualFitStyle => Purposes.Contains(Purpose.Working) || BiteTier == BiteTier.SeveralOrDeep ? FitStyle.Working : FitStyle.Everyday;

    /// <summary>What the dog's own measures say of its head shape.</summary>
    public IReadOnlyList<ShapeReading> MeasuredShape { get; init; } = [];

    /// <summary>What is known of the head shape besides the measures.</summary>
    public IReadOnlyList<ShapeReading> OtherShapes => BreedShape.Ways(HeadShapeSeen, Breeds);

    public HeadShapeChoice HeadShape => HeadShapeChoice.From([.. OtherShapes, .. MeasuredShape]);

    /// <summary>The coat, as the fitter set it or as usual for the breed.</summary>
    public Coat Coat => CoatSeen ?? (Breeds.Any(b => b.Traits.Contains(BreedTrait.LongCoat)) ? Coat.Thick : Coat.Ordinary);

    /// <summary>What was seen of its head besides lengths.</summary>
    public LookSeen LookSeen { get; init; } = new();

    /// <summary>What its head looks like, for drawings.</summary>
    public HeadLook Look => LookSeen.With(Breeds);

    /// <summary>The coat the fitter set; null leaves it to the breeds.</summary>
    public Coat? CoatSeen { get; init; }

    /// <summary>Its age in whole months; null when the birth date is not known.</summary>
    public int? MonthsOld(DateOnly today) =>
        BirthDate is { } born && born <= today ? 12 * (today.Year - born.Year) + today.Month - born.Month - (today.Day < born.Day ? 1 : 0) : null;

    /// <summary>Why it should be measured again, as it is known now; empty when it need not.</summary>
    /// <param name="last">Its last measuring set; null where none was begun.</param>
    /// <param name="today">The practice's day.</param>
    /// <param name="rules">The numbers that decide.</param>
    public IReadOnlyList<RemeasureCause> MeasureAgain(SetOnRecord? last, DateOnly today, HouseRules rules) =>
        Remeasure.Causes(last, new SetState(today, BodyMass, Coat), IsGrowing(today), rules);

    /// <summary>Whether the head may still grow, so that a fit will not last.</summary>
    public bool IsGrowing(DateOnly today) => BirthDate is { } born && today < born.AddMonths(Breeds.Count == 0 ? 15 : Breeds.Max(b => b.GrowingMonths));

    /// <summary>The cautions that belong beside every decision about this dog, most pressing first.</summary>
    public IReadOnlyList<DogCaution> Cautions(DateOnly today)
    {
        var cautions = new List<DogCaution>();
        void If(bool holds, DogCaution caution)
        {
            if (holds)
                cautions.Add(caution);
        }

        If(BiteTier >= BiteTier.Injured, DogCaution.Bites);
        If(Health.Contains(HealthNote.AirwayTrouble), DogCaution.AirwayTrouble);
        If(HeadShape.AirwayCaution, DogCaution.FaceMeasured);
        If(HeadShape.Shape == Measuring.HeadShape.Short, DogCaution.ShortHead);
        If(AirwayConcern == Dogs.AirwayConcern.FlatBreed, DogCaution.MindAirway);
        If(Health.Contains(HealthNote.ProneToVomiting), DogCaution.Vomits);
        If(Health.Contains(HealthNote.SedatedAtClinic), DogCaution.Sedated);
        If(Temperament == Temperament.Soured, DogCaution.Soured);
        If(IsGrowing(today), DogCaution.Growing);
        cautions.Add(DogCaution.Always);
        return cautions;
    }
}

/// <summary>Why an airway is to be minded, the weightiest first.</summary>
public enum AirwayConcern
{
    /// <summary>Trouble is noted.</summary>
    Noted,

    /// <summary>The measured face is short against the skull.</summary>
    FaceMeasured,

    /// <summary>The head is short.</summary>
    ShortHead,

    /// <summary>A flat-faced breed is in it.</summary>
    FlatBreed,
}

/// <summary>What is to be minded with a dog, most pressing first; <see cref="DogWords"/> says it.</summary>
public enum DogCaution
{
    Bites,
    AirwayTrouble,
    FaceMeasured,
    ShortHead,
    MindAirway,
    Vomits,
    Sedated,
    Soured,
    Growing,

    /// <summary>What holds for every dog.</summary>
    Always,
}
