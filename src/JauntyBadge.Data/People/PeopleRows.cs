using JauntyBadge.Core.People;
using Microsoft.AspNetCore.Identity;

namespace JauntyBadge.Data.People;

/// <summary>Somebody who works with this practice. Never deleted: what they did keeps their name.</summary>
public sealed class PersonRow : IdentityUser<Guid>
{
    public PersonKind Kind { get; set; }
    public DateTime CreatedAt { get; set; }

    /// <summary>Since when they may come in no more; null while they may.</summary>
    public DateTime? WithdrawnAt { get; set; }

    /// <summary>What they are called, and sign in by.</summary>
    public string Name => UserName ?? "";
}

/// <summary>A dog somebody keeps, or may read the card of.</summary>
public sealed class GrantRow
{
    public Guid PersonId { get; set; }
    public Guid DogId { get; set; }

    /// <summary>The last day it holds, the practice's own; null for always.</summary>
    public DateOnly? Until { get; set; }
}

/// <summary>What somebody is signed in on: a phone that was paired, a browser, a clinic's link.</summary>
public sealed class DeviceRow
{
    public Guid Id { get; set; }
    public Guid PersonId { get; set; }

    /// <summary>What it was named.</summary>
    public required string Name { get; set; }

    public DateTime Since { get; set; }
    public DateTime LastHereAt { get; set; }

    /// <summary>Since when it may come in no more; null while it may.</summary>
    public DateTime? WithdrawnAt { get; set; }

    public PersonRow? Person { get; set; }
}

/// <summary>What a link or code opens.</summary>
public enum Opening
{
    /// <summary>Pairs a phone.</summary>
    Pair,

    /// <summary>Makes the practice's first fitter.</summary>
    FirstFitter,

    /// <summary>Sets a password of somebody who is there.</summary>
    Password,
}

/// <summary>A link or code: opens one thing, runs out, is used once. Only its fingerprint is kept.</summary>
public sealed class LinkRow
{
    public Guid Id { get; set; }

    /// <summary>SHA-256 of what it says, as hexadecimal digits.</summary>
    public required string Secret { get; set; }

    public Opening Opens { get; set; }

    /// <summary>Whom it lets in; null for the first fitter.</summary>
    public Guid? PersonId { get; set; }

    /// <summary>The dog it gives; null for none.</summary>
    public Guid? DogId { get; set; }

    /// <summary>The last day that holds; null for always.</summary>
    public DateOnly? Until { get; set; }

    public DateTime RunsOutAt { get; set; }
    public DateTime? UsedAt { get; set; }
}

/// <summary>Wrong tries to come in, by name or by address, under a fingerprint of either.</summary>
public sealed class TryRow
{
    public required string Key { get; set; }
    public int Wrong { get; set; }
    public DateTime LastAt { get; set; }
}

/// <summary>Who did something, and on what.</summary>
/// <param name="PersonId">Who.</param>
/// <param name="Person">What they were called then.</param>
/// <param name="DeviceId">On what.</param>
/// <param name="Device">What that was named then.</param>
public sealed record Hand(Guid PersonId, string Person, Guid DeviceId, string Device);

/// <summary>A record of a dog added, changed or removed by somebody who was signed in. Written as the record itself is saved, never changed.</summary>
public sealed class DeedRow : INumbered, IOfDog
{
    public int Id { get; set; }

    /// <summary>Its own in whichever practice it is.</summary>
    public Guid Uid { get; set; } = Guid.NewGuid();

    public long Number { get; set; }
    public Guid DogId { get; set; }
    public DateTime At { get; set; }

    /// <summary>Who; their name stays though they may come in no more.</summary>
    public Guid PersonId { get; set; }

    public required string Person { get; set; }
    public Guid DeviceId { get; set; }
    public required string Device { get; set; }
    public DeedKind What { get; set; }

    /// <summary>What kind of record it was done to.</summary>
    public DeedOn On { get; set; }

    /// <summary>The record's id, where it has one of its own.</summary>
    public Guid? OfId { get; set; }
}

/// <summary>A note from home, or the answer to one. Never changed; who read it is noted once.</summary>
public sealed class NewsRow : INumbered, IOfDog
{
    /// <summary>Most pictures of one note (House).</summary>
    public const int MostPictures = 3;

    /// <summary>Made where it was written.</summary>
    public Guid Id { get; set; }

    public long Number { get; set; }
    public Guid DogId { get; set; }
    public DateTime At { get; set; }

    /// <summary>Who wrote it; null where nobody had to sign in.</summary>
    public Guid? PersonId { get; set; }

    /// <summary>What they were called then; null where nobody had to sign in.</summary>
    public string? Person { get; set; }

    /// <summary>It comes from the dog's home rather than from the practice.</summary>
    public bool FromHome { get; set; }

    public required string Text { get; set; }

    /// <summary>The screen it was written on, as an address of the product.</summary>
    public string? About { get; set; }

    /// <summary>The note it answers; null for none.</summary>
    public Guid? AnswerTo { get; set; }

    /// <summary>Its pictures, each under an id of its own.</summary>
    public List<Guid> Pictures { get; set; } = [];

    /// <summary>When the other side read it first; null while it did not.</summary>
    public DateTime? ReadAt { get; set; }

    public string? ReadBy { get; set; }
}

/// <summary>When the practice last looked at what came from a dog's home.</summary>
public sealed class LookedRow
{
    public Guid DogId { get; set; }
    public DateTime At { get; set; }
}

/// <summary>What a device sent that was withdrawn meanwhile: to be looked at before it counts.</summary>
public sealed class AsideRow : INumbered
{
    /// <summary>The id it was sent under, so that it is here once.</summary>
    public Guid Id { get; set; }

    public long Number { get; set; }
    public DateTime At { get; set; }
    public Guid PersonId { get; set; }
    public required string Person { get; set; }
    public required string Device { get; set; }

    /// <summary>The dog it is about; null where that cannot be told.</summary>
    public Guid? DogId { get; set; }

    public required string Method { get; set; }
    public required string Path { get; set; }
    public required string Body { get; set; }

    /// <summary>When somebody looked at it; null while nobody did.</summary>
    public DateTime? LookedAt { get; set; }

    /// <summary>It was taken in, rather than left.</summary>
    public bool Taken { get; set; }
}
