using JauntyBadge.Data.Dogs;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace JauntyBadge.Data.People;

/// <summary>How the rows of this room lie in the database: Identity's person and passkeys, and what is ours.</summary>
internal sealed class PeopleConfiguration
    : IEntityTypeConfiguration<PersonRow>,
        IEntityTypeConfiguration<IdentityUserPasskey<Guid>>,
        IEntityTypeConfiguration<GrantRow>,
        IEntityTypeConfiguration<DeviceRow>,
        IEntityTypeConfiguration<LinkRow>,
        IEntityTypeConfiguration<TryRow>,
        IEntityTypeConfiguration<DeedRow>,
        IEntityTypeConfiguration<NewsRow>,
        IEntityTypeConfiguration<LookedRow>,
        IEntityTypeConfiguration<AsideRow>
{
    public void Configure(EntityTypeBuilder<PersonRow> person)
    {
        person.ToTable("People");
        person.Property(p => p.ConcurrencyStamp).IsConcurrencyToken();
        person.HasIndex(p => p.NormalizedUserName).IsUnique();
        // No mail and no message is sent, and pauses after wrong tries are our own.
        person.Ignore(p => p.Email);
        person.Ignore(p => p.NormalizedEmail);
        person.Ignore(p => p.EmailConfirmed);
        person.Ignore(p => p.PhoneNumber);
        person.Ignore(p => p.PhoneNumberConfirmed);
        person.Ignore(p => p.TwoFactorEnabled);
        person.Ignore(p => p.LockoutEnabled);
        person.Ignore(p => p.LockoutEnd);
        person.Ignore(p => p.AccessFailedCount);
        person.HasMany<IdentityUserPasskey<Guid>>().WithOne().HasForeignKey(k => k.UserId).IsRequired();
        person.HasMany<GrantRow>().WithOne().HasForeignKey(g => g.PersonId).IsRequired();
    }

    public void Configure(EntityTypeBuilder<IdentityUserPasskey<Guid>> passkey)
    {
        passkey.ToTable("Passkeys");
        passkey.HasKey(k => k.CredentialId);
        passkey.Property(k => k.CredentialId).HasMaxLength(1024);
        passkey.OwnsOne(k => k.Data, data => data.ToJson());
    }

    public void Configure(EntityTypeBuilder<GrantRow> grant)
    {
        grant.HasKey(g => new { g.PersonId, g.DogId });
        grant.HasOne<DogRow>().WithMany().HasForeignKey(g => g.DogId).IsRequired();
    }

    public void Configure(EntityTypeBuilder<DeviceRow> device)
    {
        device.Property(d => d.Id).ValueGeneratedNever();
        device.HasOne(d => d.Person).WithMany().HasForeignKey(d => d.PersonId).IsRequired();
    }

    public void Configure(EntityTypeBuilder<LinkRow> link)
    {
        link.Property(l => l.Id).ValueGeneratedNever();
        link.HasIndex(l => l.Secret).IsUnique();
    }

    public void Configure(EntityTypeBuilder<TryRow> wrong)
    {
        wrong.HasKey(t => t.Key);
        wrong.HasIndex(t => t.LastAt);
    }

    public void Configure(EntityTypeBuilder<DeedRow> deed)
    {
        deed.HasIndex(d => new { d.DogId, d.Number });
        deed.HasOne<DogRow>().WithMany().HasForeignKey(d => d.DogId).IsRequired();
    }

    public void Configure(EntityTypeBuilder<NewsRow> news)
    {
        news.Property(n => n.Id).ValueGeneratedNever();
        news.HasIndex(n => new { n.DogId, n.Number });
        news.HasOne<DogRow>().WithMany().HasForeignKey(n => n.DogId).IsRequired();
    }

    public void Configure(EntityTypeBuilder<LookedRow> looked)
    {
        looked.HasKey(l => l.DogId);
        looked.HasOne<DogRow>().WithMany().HasForeignKey(l => l.DogId).IsRequired();
    }

    public void Configure(EntityTypeBuilder<AsideRow> aside)
    {
        aside.ToTable("Aside");
        aside.Property(a => a.Id).ValueGeneratedNever();
    }
}
