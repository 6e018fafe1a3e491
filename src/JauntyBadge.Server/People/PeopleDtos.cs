using FluentValidation;
using JauntyBadge.Core.People;

namespace JauntyBadge.Server.People;

/// <summary>A dog, by name.</summary>
/// <param name="Until">The last day somebody has it; null for always.</param>
public sealed record NamedDogDto(Guid Id, string Name, DateOnly? Until);

/// <summary>Whoever asks.</summary>
/// <param name="Name">What they are called; empty for whoever sits at the machine itself.</param>
/// <param name="Dogs">The dogs of one who has own dogs only; empty for others, who have every dog.</param>
/// <param name="SignedIn">Signed in, rather than sitting at the machine itself.</param>
/// <param name="Device">What this device is named; null at the machine itself.</param>
public sealed record MeDto(string Name, PersonKind Kind, IReadOnlyList<NamedDogDto> Dogs, bool SignedIn, string? Device);

/// <summary>Somebody coming in by name and password.</summary>
/// <param name="Device">What this device is to be called in lists.</param>
public sealed record SignInEntry(string? Name = null, string? Password = null, string? Device = null);

public sealed class SignInEntryValidator : AbstractValidator<SignInEntry>
{
    public SignInEntryValidator()
    {
        RuleFor(e => e.Name)
            .NotEmpty()
            .WithMessage("Say who you are.")
            .MaximumLength(PersonEntryValidator.LongestName)
            .WithMessage("A name has up to 60 letters.");
        RuleFor(e => e.Password)
            .NotEmpty()
            .WithMessage("Type the password.")
            .MaximumLength(Passwords.Longest)
            .WithMessage($"A password has up to {Passwords.Longest} letters.");
        RuleFor(e => e.Device).MaximumLength(PersonEntryValidator.LongestName).WithMessage("Up to 60 letters, please.");
    }
}

/// <summary>A one-time link used: it makes the first fitter, or sets a password.</summary>
/// <param name="Token">What stands in the link.</param>
/// <param name="Name">What the first fitter is called; left out where the link is somebody's.</param>
public sealed record ComeInEntry(string? Token = null, string? Name = null, string? Password = null, string? Device = null);

/// <summary>A one-time link looked at.</summary>
public sealed record LinkEntry(string? Token = null);

/// <summary>What a one-time link does.</summary>
/// <param name="Name">Whose it is; null where it makes the first fitter.</param>
public sealed record LinkDto(string? Name);

/// <summary>A password changed.</summary>
/// <param name="Current">The one until now; needed where there is one.</param>
public sealed record PasswordEntry(string? Current = null, string? Password = null);

/// <summary>A person as entered.</summary>
/// <param name="Password">Of a fitter or helper; left out, a one-time link sets it.</param>
/// <param name="DogIds">A keeper's dogs; left out, they stay as they are.</param>
public sealed record PersonEntry(string? Name = null, PersonKind? Kind = null, string? Password = null, IReadOnlyList<Guid>? DogIds = null);

public sealed class PersonEntryValidator : AbstractValidator<PersonEntry>
{
    public const int LongestName = 60;

    public PersonEntryValidator()
    {
        RuleFor(e => e.Name).NotEmpty().WithMessage("Give a name.").MaximumLength(LongestName).WithMessage("A name has up to 60 letters.");
        RuleFor(e => e.Kind).NotNull().WithMessage("kind is needed: fitter, helper, keeper or clinic.");
    }
}

/// <summary>Somebody who works with the practice.</summary>
/// <param name="Withdrawn">May come in no more; what they did keeps their name.</param>
/// <param name="HasPassword">Has set a password.</param>
/// <param name="Passkeys">How many passkeys they have.</param>
/// <param name="IsYou">Whoever asks.</param>
public sealed record PersonDto(
    Guid Id,
    string Name,
    PersonKind Kind,
    bool Withdrawn,
    bool HasPassword,
    int Passkeys,
    IReadOnlyList<NamedDogDto> Dogs,
    bool IsYou
);

/// <summary>A link to be used once.</summary>
public sealed record OneTimeLinkDto(string Address, DateTime Expires);

/// <summary>A person just added.</summary>
/// <param name="Link">Sets their password; null where they have one, or need none.</param>
public sealed record PersonAddedDto(PersonDto Person, OneTimeLinkDto? Link);

/// <summary>What somebody is signed in on.</summary>
/// <param name="Person">Who.</param>
/// <param name="Dogs">The dogs it reaches; empty where it reaches all.</param>
/// <param name="LastHere">When it was here last.</param>
/// <param name="Withdrawn">May come in no more.</param>
/// <param name="IsThis">The device that asks.</param>
public sealed record DeviceDto(
    Guid Id,
    string Name,
    string Person,
    PersonKind Kind,
    IReadOnlyList<NamedDogDto> Dogs,
    DateTime Since,
    DateTime LastHere,
    bool Withdrawn,
    bool IsThis
);

/// <summary>A dog given to a phone.</summary>
/// <param name="Kind">keeper or clinic.</param>
/// <param name="Until">The last day a clinic may read; the day after the next visit when left out.</param>
/// <param name="PersonId">A keeper who is known already; the dog's own when left out.</param>
public sealed record PairingEntry(PersonKind? Kind = null, DateOnly? Until = null, Guid? PersonId = null);

public sealed class PairingEntryValidator : AbstractValidator<PairingEntry>
{
    public PairingEntryValidator() =>
        RuleFor(e => e.Kind).Must(k => k is PersonKind.Keeper or PersonKind.Clinic).WithMessage("kind is needed: keeper or clinic.");
}

/// <summary>The code for a phone.</summary>
/// <param name="Code">To be typed.</param>
/// <param name="Address">To be opened; the code stands behind its #, which is sent to nobody.</param>
/// <param name="Expires">Until when it may be used, once.</param>
/// <param name="For">Whom it lets in.</param>
/// <param name="Until">The last day it lets in; null for always.</param>
/// <param name="Square">The address as a QR code: a path on a square of <paramref name="Across"/> units, its quiet zone included.</param>
public sealed record PairingDto(string Code, string Address, DateTime Expires, string For, DateOnly? Until, string Square, int Across);

/// <summary>A phone that has a code.</summary>
public sealed record PairEntry(string? Code = null, string? Device = null);

public sealed class PairEntryValidator : AbstractValidator<PairEntry>
{
    public PairEntryValidator()
    {
        RuleFor(e => e.Code).Must(c => PairingCode.Read(c) is not null).WithMessage("A code is two words of four letters, such as ZUKA-ROMI.");
        RuleFor(e => e.Device).MaximumLength(PersonEntryValidator.LongestName).WithMessage("Up to 60 letters, please.");
    }
}

/// <summary>A passkey somebody has.</summary>
public sealed record PasskeyDto(string Id, string Name, DateTimeOffset Since);

/// <summary>What a browser is asked to make or sign: the options of the Web Authentication standard, as JSON in a text.</summary>
public sealed record PasskeyAskedDto(string Options);

/// <summary>What a browser made or signed, as JSON in a text.</summary>
/// <param name="Name">What the passkey is to be called.</param>
public sealed record PasskeyEntry(string? Credential = null, string? Name = null, string? Device = null);
