namespace JauntyBadge.Core.Handover.Dossiers;

/// <summary>What is wrong with a file that was to be a dossier.</summary>
public enum DossierTrouble
{
    /// <summary>No ZIP, or one that was cut short.</summary>
    Damaged,
    TooManyParts,

    /// <summary>A ZIP without a dossier in it.</summary>
    NoDossier,

    /// <summary>Unfolded it is larger than anything is.</summary>
    TooLarge,
    NotJson,
    NotUtf8,

    /// <summary>JSON of something else.</summary>
    Foreign,

    /// <summary>Of a release that knows more.</summary>
    Newer,
    UnknownMember,
    MissingMember,
    NotATerm,
    NotAnId,
    NotATime,

    /// <summary>Something else than the schema has there.</summary>
    NotAsExpected,
    Unreadable,
    ControlCharacter,
    PictureName,
    PictureMissing,
    NotAPicture,
    IdTwice,
    OrderTwice,
    UnknownStep,
    UnknownSign,
    UnknownBreed,
    UnknownCoat,
    ForgedNumbers,

    /// <summary>The id stands for another dog's record here.</summary>
    OfAnotherDog,
    NoSuchSet,
}

/// <summary>What is wrong, and where.</summary>
/// <param name="What">What.</param>
/// <param name="Place">Where in the file.</param>
/// <param name="Detail">What stands there, or how much is accepted.</param>
/// <param name="More">How much else is wrong.</param>
public sealed record DossierFault(DossierTrouble What, string Place = "", string Detail = "", int More = 0);

/// <summary>A dossier cannot be taken in.</summary>
public sealed class DossierProblem(DossierFault fault) : Exception($"{fault.What} at {fault.Place}")
{
    public DossierFault Fault { get; } = fault;

    public DossierProblem(DossierTrouble what, string place = "", string detail = "")
        : this(new DossierFault(what, place, detail)) { }
}
