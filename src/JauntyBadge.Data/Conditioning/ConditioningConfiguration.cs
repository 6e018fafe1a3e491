using JauntyBadge.Data.Dogs;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace JauntyBadge.Data.Conditioning;

/// <summary>How the rows of this room lie in the database.</summary>
internal sealed class ConditioningConfiguration
    : IEntityTypeConfiguration<SessionRow>,
        IEntityTypeConfiguration<SetRow>,
        IEntityTypeConfiguration<GoRuleRow>,
        IEntityTypeConfiguration<PlanChoiceRow>,
        IEntityTypeConfiguration<StepPassRow>,
        IEntityTypeConfiguration<PlanMoveRow>
{
    public void Configure(EntityTypeBuilder<SessionRow> session)
    {
        session.Ignore(s => s.BegunWith);
        session.Ignore(s => s.Away);
        session.HasOne<DogRow>().WithMany().HasForeignKey(s => s.DogId);
        session.HasMany(s => s.Sets).WithOne().HasForeignKey(s => s.SessionId);

        // One session of a dog at a time, whoever writes.
        session.HasIndex(s => new { s.DogId, s.Number });
        session.HasIndex(s => s.DogId).IsUnique().HasFilter("\"EndedAt\" IS NULL").HasDatabaseName("IX_Sessions_OneOpenPerDog");
    }

    public void Configure(EntityTypeBuilder<SetRow> set)
    {
        set.Ignore(s => s.DecidedBy);
        set.HasMany(s => s.Goes).WithOne().HasForeignKey(g => g.SetId);
        set.HasMany(s => s.Signs).WithOne().HasForeignKey(g => g.SetId);
        set.HasIndex(s => s.DogId);
        set.HasIndex(s => new { s.SessionId, s.Number }).IsUnique();
    }

    public void Configure(EntityTypeBuilder<GoRuleRow> rule)
    {
        rule.HasIndex(r => r.Uid).IsUnique();
        rule.HasOne<DogRow>().WithMany().HasForeignKey(r => r.DogId);
    }

    public void Configure(EntityTypeBuilder<PlanChoiceRow> choice)
    {
        choice.HasIndex(c => c.Uid).IsUnique();
        choice.Ignore(c => c.Policies).Ignore(c => c.Days).HasOne<DogRow>().WithMany().HasForeignKey(c => c.DogId);
    }

    public void Configure(EntityTypeBuilder<StepPassRow> pass)
    {
        pass.HasIndex(p => p.Uid).IsUnique();
        pass.Ignore(p => p.Why);
        pass.HasOne<DogRow>().WithMany().HasForeignKey(p => p.DogId);
        pass.HasOne(p => p.Set).WithMany().HasForeignKey(p => p.SetId);
        // What was withdrawn stays on record beside what is passed anew.
        pass.HasIndex(p => new { p.DogId, p.StepId }).IsUnique().HasFilter("\"WithdrawnAt\" IS NULL");
    }

    public void Configure(EntityTypeBuilder<PlanMoveRow> move)
    {
        move.HasIndex(m => m.Uid).IsUnique();
        move.Ignore(m => m.Why).Ignore(m => m.Position);
        move.HasOne<DogRow>().WithMany().HasForeignKey(m => m.DogId);
    }
}
