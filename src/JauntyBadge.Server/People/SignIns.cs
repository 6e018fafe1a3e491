using System.Security.Claims;
using JauntyBadge.Core;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.People;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.People;

/// <summary>Signs people in on devices, and knows them again.</summary>
internal sealed class SignIns(PracticeDb db, TimeProvider clock)
{
    public const string Scheme = "Jaunty";
    private const string Stamp = "stamp";

    /// <summary>Rounds of PBKDF2 with HMAC-SHA512. Published: OWASP Password Storage Cheat Sheet, 210,000 (from memory).</summary>
    public const int HashRounds = 210_000;

    /// <summary>A device named by nobody.</summary>
    private const string Unnamed = "A browser";

    /// <summary>So often at most it is noted that a device was here (House): it is for people to read, not for rules.</summary>
    private static readonly TimeSpan NotedEvery = TimeSpan.FromMinutes(1);

    public static void Add(IServiceCollection services, PublicAddress at)
    {
        services
            .AddAuthentication(Scheme)
            .AddCookie(
                Scheme,
                cookie =>
                {
                    // The prefix keeps a neighbour's name from setting it (RFC 6265bis); it needs TLS.
                    cookie.Cookie.Name = at.IsSecure ? "__Host-jaunty-badge" : "jaunty-badge";
                    Harden(cookie.Cookie, at);
                    cookie.ExpireTimeSpan = Stay.CookieLives;
                    cookie.SlidingExpiration = true;
                }
            )
            // Holds the challenge of a passkey between question and answer.
            .AddTwoFactorUserIdCookie();
        services.Configure<CookieAuthenticationOptions>(
            IdentityConstants.TwoFactorUserIdScheme,
            cookie =>
            {
                cookie.Cookie.Name = at.IsSecure ? "__Host-jaunty-badge-passkey" : "jaunty-badge-passkey";
                Harden(cookie.Cookie, at);
            }
        );
        services
            .AddIdentityCore<PersonRow>(identity => identity.User.AllowedUserNameCharacters = "")
            .AddUserStore<Microsoft.AspNetCore.Identity.EntityFrameworkCore.UserOnlyStore<
                PersonRow,
                PracticeDb,
                Guid,
                IdentityUserClaim<Guid>,
                IdentityUserLogin<Guid>,
                IdentityUserToken<Guid>,
                IdentityUserPasskey<Guid>
            >>()
            .AddSignInManager();
        services.Configure<PasswordHasherOptions>(hasher => hasher.IterationCount = HashRounds);
        services.Configure<IdentityPasskeyOptions>(passkeys =>
        {
            passkeys.ServerDomain = at.Url?.Host;
            passkeys.UserVerificationRequirement = "required";
            passkeys.ResidentKeyRequirement = "required";
        });
        services.AddScoped<SignIns>();
        services.AddScoped<Guard>();
        services.AddScoped<Asker>();
    }

    private static void Harden(CookieBuilder cookie, PublicAddress at)
    {
        cookie.HttpOnly = true;
        cookie.SameSite = SameSiteMode.Lax;
        cookie.SecurePolicy = at.IsSecure ? CookieSecurePolicy.Always : CookieSecurePolicy.SameAsRequest;
        cookie.Path = "/";
        cookie.IsEssential = true;
    }

    /// <summary>Lets somebody in on this device. The caller saves within its turn.</summary>
    public async Task<DeviceRow> InAsync(HttpContext http, PersonRow person, string? device, CancellationToken cancel)
    {
        var now = clock.UtcNow();
        var row = new DeviceRow
        {
            Id = Guid.NewGuid(),
            PersonId = person.Id,
            Person = person,
            Name = device.OrNull() ?? Unnamed,
            Since = now,
            LastHereAt = now,
        };
        db.Devices.Add(row);
        await db.SaveChangesAsync(cancel);
        await CookieAsync(http, person, row);
        return row;
    }

    /// <summary>Hands this device its cookie.</summary>
    public static Task CookieAsync(HttpContext http, PersonRow person, DeviceRow device) =>
        http.SignInAsync(
            Scheme,
            new ClaimsPrincipal(new ClaimsIdentity([new(ClaimTypes.NameIdentifier, $"{device.Id:N}"), new(Stamp, person.SecurityStamp ?? "")], Scheme)),
            new AuthenticationProperties { IsPersistent = true }
        );

    /// <summary>Finds out who asks.</summary>
    public async Task RecogniseAsync(HttpContext http, Asker asker, bool isOpen)
    {
        var cancel = http.RequestAborted;
        var known = await http.AuthenticateAsync(Scheme);
        if (
            known.Principal is { } principal
            && Guid.TryParse(principal.FindFirstValue(ClaimTypes.NameIdentifier), out var id)
            && await db.Devices.AsNoTracking().Include(d => d.Person).SingleOrDefaultAsync(d => d.Id == id, cancel) is { Person: { } person } device
        )
        {
            var now = clock.UtcNow();
            var isWithdrawn = device.WithdrawnAt is not null || person.WithdrawnAt is not null || person.SecurityStamp != principal.FindFirstValue(Stamp);
            var dogs = May.HasOwnDogsOnly(person.Kind) ? await DogsAsync(person, cancel) : [];
            if (Stay.WhyOver(person.Kind, isWithdrawn, dogs.Count, device.Since, device.LastHereAt, now) is var ended && ended != Ended.Not)
                asker.Was(device, ended);
            else
            {
                asker.Is(device, dogs);
                db.Hand = new(person.Id, person.Name, device.Id, device.Name);
                if (now - device.LastHereAt >= NotedEvery)
                    await NoteAsync(http, device.Id, now, cancel);
            }
        }

        if (isOpen && asker is { Device: null, Withdrawn: null })
            asker.IsHere();
    }

    private async Task<HashSet<Guid>> DogsAsync(PersonRow person, CancellationToken cancel)
    {
        var today = clock.Today();
        return [.. await db.GivenDogs().Where(g => g.PersonId == person.Id && (g.Until == null || g.Until >= today)).Select(g => g.DogId).ToListAsync(cancel)];
    }

    /// <summary>Notes that a device was here; another time where others write.</summary>
    private async Task NoteAsync(HttpContext http, Guid device, DateTime now, CancellationToken cancel)
    {
        try
        {
            await http
                .RequestServices.GetRequiredService<WriteGate>()
                .WriteAsync(db, () => db.Devices.Where(d => d.Id == device).ExecuteUpdateAsync(d => d.SetProperty(x => x.LastHereAt, now), cancel), cancel);
        }
        catch (Refusal)
        {
            // It is noted with the next request.
        }
    }
}
