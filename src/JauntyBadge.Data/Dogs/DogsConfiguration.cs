using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace JauntyBadge.Data.Dogs;

/// <summary>How the rows of this room lie in the database.</summary>
internal sealed class DogsConfiguration : IEntityTypeConfiguration<DogRow>, IEntityTypeConfiguration<BreedRow>
{
    public void Configure(EntityTypeBuilder<DogRow> dog)
    {
        dog.PrimitiveCollection(d => d.Purposes).ElementType().HasConversion<string>();
        dog.PrimitiveCollection(d => d.Sensitivities).ElementType().HasConversion<string>();
        dog.PrimitiveCollection(d => d.Health).ElementType().HasConversion<string>();
        dog.PrimitiveCollection(d => d.TraitsSeen).ElementType().HasConversion<string>();
        dog.HasIndex(d => d.ArchivedAt);
        dog.HasIndex(d => new { d.BreedIds, d.Remeasured });
    }

    public void Configure(EntityTypeBuilder<BreedRow> breed)
    {
        breed.PrimitiveCollection(b => b.Traits).ElementType().HasConversion<string>();
    }
}
