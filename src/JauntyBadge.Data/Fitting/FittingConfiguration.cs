using JauntyBadge.Data.Dogs;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace JauntyBadge.Data.Fitting;

/// <summary>How the rows of this room lie in the database.</summary>
internal sealed class FittingConfiguration
    : IEntityTypeConfiguration<ChoiceRow>,
        IEntityTypeConfiguration<MuzzleRow>,
        IEntityTypeConfiguration<OverruleRow>,
        IEntityTypeConfiguration<FitSettingsRow>,
        IEntityTypeConfiguration<TryOnRow>,
        IEntityTypeConfiguration<VanRow>,
        IEntityTypeConfiguration<ExpectedDogRow>
{
    public void Configure(EntityTypeBuilder<ChoiceRow> choice)
    {
        choice.Ignore(c => c.KeptFit);
        choice.HasOne<DogRow>().WithMany().HasForeignKey(c => c.DogId);
    }

    public void Configure(EntityTypeBuilder<MuzzleRow> muzzle)
    {
        muzzle.HasKey(m => new { m.ModelId, m.Version });
        muzzle.Ignore(m => m.Model);
    }

    public void Configure(EntityTypeBuilder<OverruleRow> overrule)
    {
        overrule.HasKey(o => new { o.DogId, o.LineId });
        overrule.HasOne<DogRow>().WithMany().HasForeignKey(o => o.DogId);
    }

    public void Configure(EntityTypeBuilder<FitSettingsRow> settings)
    {
        settings.Property(s => s.Id).ValueGeneratedNever();
        settings.Ignore(s => s.Weights);
    }

    public void Configure(EntityTypeBuilder<TryOnRow> tried)
    {
        tried.Ignore(t => t.Seen);
        tried.HasOne<DogRow>().WithMany().HasForeignKey(t => t.DogId);
    }

    public void Configure(EntityTypeBuilder<VanRow> van)
    {
        van.HasKey(v => v.SizeId);
    }

    public void Configure(EntityTypeBuilder<ExpectedDogRow> expected)
    {
        expected.PrimitiveCollection(d => d.Purposes).ElementType().HasConversion<string>();
    }
}
