using FluentValidation;
using JauntyBadge.Core;
using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Heads;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Server.Measuring;
using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Dogs;

/// <summary>A dog as entered. Every field may be missing; the validator says which must not.</summary>
public sealed record DogEntry(
    string? Name = null,
    string? Keeper = null,
    string? Place = null,
    DateOnly? BirthDate = null,
    int? AgeMonths = null,
    IReadOnlyList<string>? BreedIds = null,
    HeadShape? HeadShapeSeen = null,
    double? BodyMassKg = null,
    string? CoatId = null,
    Coat? CoatSeen = null,
    IReadOnlyList<Purpose>? Purposes = null,
    Temperament? Temperament = null,
    IReadOnlyList<Sensitivity>? Sensitivities = null,
    BiteTier? BiteTier = null,
    string? Notes = null,
    IReadOnlyList<HealthNote>? Health = null,
    IReadOnlyList<BreedTrait>? TraitsSeen = null,
    Guid? Id = null,
    string? KeeperPhone = null,
    string? ClinicName = null,
    string? ClinicPhone = null,
    string? Cue = null,
    string? BitesAbout = null,
    bool? FamilyWasTold = null,
    bool? NotesForUs = null,
    Ears? EarsSeen = null,
    Fur? FurSeen = null,
    CoatPattern? PatternSeen = null
)
{
    /// <summary>Writes what was entered onto a row.</summary>
    public void Onto(DogRow dog, DateOnly today)
    {
        dog.Name = Name!.Trim();
        dog.Keeper = Keeper.OrNull();
        dog.Place = Place.OrNull();
        (dog.BirthDate, dog.BirthDateEstimated) =
            BirthDate is { } born ? (born, dog.BirthDateEstimated && dog.BirthDate == born)
            : AgeMonths is { } age ? (today.AddMonths(-age), true)
            : ((DateOnly?)null, false);
        dog.BreedIds = [.. BreedIds ?? []];
        dog.HeadShapeSeen = HeadShapeSeen;
        dog.BodyMassKg = BodyMassKg;
        dog.CoatId = CoatId;
        dog.CoatSeen = CoatSeen;
        (dog.EarsSeen, dog.FurSeen, dog.PatternSeen) = (EarsSeen, FurSeen, PatternSeen);
        dog.Purposes = [.. (Purposes ?? []).Distinct()];
        dog.Temperament = Temperament ?? Core.Dogs.Temperament.Typical;
        dog.Sensitivities = [.. (Sensitivities ?? []).Distinct()];
        dog.Health = [.. (Health ?? []).Distinct()];
        dog.TraitsSeen = [.. (TraitsSeen ?? []).Distinct()];
        dog.BiteTier = BiteTier ?? Core.Dogs.BiteTier.None;
        (dog.Notes, dog.NotesForUs) = (Notes.OrNull(), NotesForUs ?? true);
        (dog.KeeperPhone, dog.ClinicName, dog.ClinicPhone) = (KeeperPhone.OrNull(), ClinicName.OrNull(), ClinicPhone.OrNull());
        (dog.Cue, dog.BitesAbout, dog.FamilyWasTold) = (Cue.OrNull(), BitesAbout.OrNull(), FamilyWasTold == true);
    }
}

/// <summary>What may be entered for a dog.</summary>
public sealed class DogEntryValidator : AbstractValidator<DogEntry>
{
    private const int OldestYears = 30;

    public DogEntryValidator(TimeProvider clock, PracticeDb db)
    {
        RuleFor(d => d.Name).NotEmpty().WithMessage("Give the dog a name.").MaximumLength(60).WithMessage("A name has up to 60 letters.");
        RuleFor(d => d.Keeper).MaximumLength(120).WithMessage("Up to 120 letters, please.");
        RuleFor(d => d.Place).MaximumLength(120).WithMessage("Up to 120 letters, please.");
        RuleFor(d => d.Notes).MaximumLength(4000).WithMessage("Up to 4000 letters, please.");
        RuleFor(d => d.KeeperPhone).IsPhone();
        RuleFor(d => d.ClinicPhone).IsPhone();
        RuleFor(d => d.ClinicName).MaximumLength(120).WithMessage("Up to 120 letters, please.");
        RuleFor(d => d.Cue).MaximumLength(40).WithMessage("Up to 40 letters, please.");
        RuleFor(d => d.BitesAbout).MaximumLength(400).WithMessage("Up to 400 letters, please.");
        RuleFor(d => d.BirthDate).Must(d => d is null || d <= clock.Today()).WithMessage("A birth date cannot be in the future.");
        RuleFor(d => d.BirthDate).Must(d => d is null || d >= clock.Today().AddYears(-OldestYears)).WithMessage($"A dog is up to {OldestYears} years old.");
        RuleFor(d => d.AgeMonths).InclusiveBetween(0, OldestYears * 12).WithMessage($"An age is 0 to {OldestYears * 12} months.");
        RuleFor(d => d.BodyMassKg).InclusiveBetween(0.4, 120).WithMessage("A body mass is 0.4 to 120 kg.");
        RuleFor(d => d.BreedIds).Must(b => b is null || b.Count <= 2).WithMessage("Up to two breeds; leave it empty when unknown.");
        RuleForEach(d => d.BreedIds)
            .MustAsync(async (b, cancel) => (await BreedRow.ListAsync(db, cancel)).Find(b) is not null)
            .WithMessage("\"{PropertyValue}\" is not a breed on the list.");
        RuleFor(d => d.CoatId).Must(c => c is null || CoatColour.Find(c) is not null).WithMessage("\"{PropertyValue}\" is not a coat colour on the list.");
    }
}

/// <summary>A dog on record.</summary>
public sealed record DogDto(
    Guid Id,
    string Name,
    string? Keeper,
    string? Place,
    DateOnly? BirthDate,
    bool BirthDateEstimated,
    IReadOnlyList<string> BreedIds,
    HeadShape? HeadShapeSeen,
    double? BodyMassKg,
    string? CoatId,
    Coat? CoatSeen,
    IReadOnlyList<Purpose> Purposes,
    Temperament Temperament,
    IReadOnlyList<Sensitivity> Sensitivities,
    BiteTier BiteTier,
    string? Notes,
    bool Archived,
    long Version,
    IReadOnlyList<HealthNote> Health,
    IReadOnlyList<BreedTrait> TraitsSeen,
    string? KeeperPhone,
    string? ClinicName,
    string? ClinicPhone,
    string? Cue,
    string? BitesAbout,
    bool FamilyWasTold,
    bool HandedOver,
    bool NotesForUs,
    Ears? EarsSeen,
    Fur? FurSeen,
    CoatPattern? PatternSeen
) : IAtVersion
{
    /// <summary>As it is sent to somebody.</summary>
    internal DogDto Without(Withheld withheld)
    {
        var dog = withheld.Whereabouts ? this with { Keeper = null, KeeperPhone = null, Place = null } : this;
        dog = withheld.Notes ? dog with { Notes = null } : dog;
        return withheld.Bites ? dog with { BiteTier = BiteTier.None, BitesAbout = null } : dog;
    }

    public static DogDto Of(DogRow d) =>
        new(
            d.Id,
            d.Name,
            d.Keeper,
            d.Place,
            d.BirthDate,
            d.BirthDateEstimated,
            d.BreedIds,
            d.HeadShapeSeen,
            d.BodyMassKg,
            d.CoatId,
            d.CoatSeen,
            d.Purposes,
            d.Temperament,
            d.Sensitivities,
            d.BiteTier,
            d.Notes,
            d.ArchivedAt is not null,
            d.Version,
            d.Health,
            d.TraitsSeen,
            d.KeeperPhone,
            d.ClinicName,
            d.ClinicPhone,
            d.Cue,
            d.BitesAbout,
            d.FamilyWasTold,
            d.HandedOverAt is not null,
            d.NotesForUs,
            d.EarsSeen,
            d.FurSeen,
            d.PatternSeen
        );
}

/// <summary>How far each phase is, 0 to 1.</summary>
public sealed record BadgeDto(double Measured, double Fitted, double Conditioned, double Wearing)
{
    public static BadgeDto Of(Standing standing)
    {
        var badge = standing.Badge;
        return new(badge[Phase.Measured], badge[Phase.Fitted], badge[Phase.Conditioned], badge[Phase.Wearing]);
    }
}

/// <summary>What to do next, as a short title and one sentence.</summary>
public sealed record NextThing(NextKind Kind, Matter Matter, string Title, string Detail)
{
    internal static NextThing Of(ThingToDo thing, Standing standing, CaseloadWords words) =>
        new(thing.Kind, thing.Matter, words.Title(thing, standing), words.Detail(thing, standing));
}

/// <summary>A dog with where it stands, for headers and lists.</summary>
public sealed record DogCardDto(
    DogDto Dog,
    BadgeDto Badge,
    NextThing Next,
    IReadOnlyList<NextThing> Things,
    IReadOnlyList<string> Done,
    string Breeds,
    string? Age,
    HeadShapeDto HeadShape,
    string CoatHex,
    HeadPortrait Portrait,
    IReadOnlyList<string> Cautions,
    ChoiceDto? Choice,
    TriedDto? Tried,
    Guid? OpenSessionId
)
{
    /// <summary>As it is sent to somebody.</summary>
    internal DogCardDto Without(Withheld withheld) =>
        withheld.Choosing ? this with { Dog = Dog.Without(withheld), Choice = null, Tried = null } : this with { Dog = Dog.Without(withheld) };

    internal static DogCardDto Of(DogFile file, DateOnly today, Writing writing)
    {
        var (standing, words, dog) = (Standing.Of(file.Record, today), new CaseloadWords(writing), new DogWords(writing));
        IReadOnlyList<NextThing> things = [.. standing.Things.Select(t => NextThing.Of(t, standing, words))];
        return new DogCardDto(
            DogDto.Of(file.Dog),
            BadgeDto.Of(standing),
            things[0],
            things,
            [.. standing.Done.Select(words.Done)],
            dog.Breeds(file.Profile),
            dog.Age(file.Profile, today),
            HeadShapeDto.Of(file.Profile.HeadShape, new MeasuringWords(writing)),
            file.Record.Profile.Look.CoatHex,
            file.Record.Portrait,
            dog.Cautions(file.Profile, today),
            file.Muzzle.Choice is { } choice ? ChoiceDto.Of(choice, writing) : null,
            TriedDto.Of(file.Muzzle, new FittingWords(writing)),
            file.Trained.OpenSession?.Id
        );
    }
}

/// <summary>The muzzle in use, with the reasons as they were.</summary>
public sealed record ChoiceDto(Guid Id, DateTime ChosenAt, string SizeId, KeptFit Kept)
{
    internal static ChoiceDto Of(ChoiceRow row, Writing writing) => new(row.Id, row.ChosenAt, row.SizeId, row.KeptFit.In(writing));
}

/// <summary>How the muzzle in use did on the dog when it was last tried.</summary>
/// <param name="FineShare">Share of the checks found fine, 0 to 1.</param>
/// <param name="Wrong">What was not right; null when nothing was.</param>
/// <param name="Strap">The setting it was fastened at.</param>
public sealed record TriedDto(DateTime At, double FineShare, string? Wrong, KeptStrap? Strap)
{
    internal static TriedDto? Of(MuzzleInUse muzzle, FittingWords words) =>
        muzzle is { LastTryOn: { } row, Tried: { } found } ? new(row.At, found.FineShare, words.Wrong(found), row.Seen.Strap) : null;
}
