using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.People;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Data.People;

namespace JauntyBadge.Server.People;

/// <summary>Whoever asks, of one request.</summary>
internal sealed class Asker
{
    /// <summary>What kind of person; null for one who is not signed in.</summary>
    public PersonKind? Kind { get; private set; }

    /// <summary>Who, where somebody is signed in; null for whoever sits at the machine itself.</summary>
    public DeviceRow? Device { get; private set; }

    /// <summary>The dogs of one who has own dogs only.</summary>
    public IReadOnlySet<Guid> Dogs { get; private set; } = new HashSet<Guid>();

    /// <summary>A device that may come in no more: what it kept may still be looked at.</summary>
    public DeviceRow? Withdrawn { get; private set; }

    /// <summary>Why somebody who was let in once is not any more.</summary>
    public Ended Ended { get; private set; }

    /// <summary>Whether they have own dogs only.</summary>
    public bool HasOwnDogsOnly => Kind is { } kind && May.HasOwnDogsOnly(kind);

    /// <summary>Whether they have a dog.</summary>
    public bool Has(Guid dog) => !HasOwnDogsOnly || Dogs.Contains(dog);

    /// <summary>What of a dog is not sent to them.</summary>
    public Withheld Withheld(DogRow dog) =>
        Core.People.Withheld.Of(Kind ?? PersonKind.Clinic, dog.NotesForUs, dog.FamilyWasTold, dog.BiteTier != BiteTier.None || dog.BitesAbout is not null);

    /// <summary>Whoever sits at the machine: nobody has to sign in.</summary>
    public void IsHere() => Kind = PersonKind.Fitter;

    /// <summary>Somebody who is signed in.</summary>
    public void Is(DeviceRow device, IReadOnlySet<Guid> dogs) => (Device, Kind, Dogs) = (device, device.Person!.Kind, dogs);

    /// <summary>Somebody who was.</summary>
    public void Was(DeviceRow device, Ended ended) => (Withdrawn, Ended) = (device, ended);

    /// <summary>Tells one person's answers from another's, in tags and kept answers.</summary>
    public string Mark => Device is { } device ? device.PersonId.ToString("N")[..12] : "here";
}
