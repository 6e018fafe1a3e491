using JauntyBadge.Data.Dogs;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace JauntyBadge.Data.Measuring;

/// <summary>How the rows of this room lie in the database.</summary>
internal sealed class MeasuringConfiguration
    : IEntityTypeConfiguration<MeasuringSetRow>,
        IEntityTypeConfiguration<ReadingRow>,
        IEntityTypeConfiguration<PhotoRow>
{
    public void Configure(EntityTypeBuilder<MeasuringSetRow> set)
    {
        set.Ignore(s => s.BodyMass);
        set.HasOne<DogRow>().WithMany().HasForeignKey(s => s.DogId);
    }

    public void Configure(EntityTypeBuilder<ReadingRow> reading)
    {
        reading.HasOne<DogRow>().WithMany().HasForeignKey(r => r.DogId);

        // No foreign key: adding one to a table that holds readings would rebuild it outside a transaction. Sets are never deleted.
        reading.HasIndex(r => r.SetId);
    }

    public void Configure(EntityTypeBuilder<PhotoRow> photo)
    {
        photo.HasOne<DogRow>().WithMany().HasForeignKey(p => p.DogId);
    }
}
