using JauntyBadge.Data.Dogs;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace JauntyBadge.Data.Wearing;

/// <summary>How the rows of this room lie in the database.</summary>
internal sealed class WearingConfiguration
    : IEntityTypeConfiguration<WearRow>,
        IEntityTypeConfiguration<InspectionRow>,
        IEntityTypeConfiguration<AppointmentRow>,
        IEntityTypeConfiguration<WearingHabitsRow>,
        IEntityTypeConfiguration<WeatherRow>
{
    public void Configure(EntityTypeBuilder<WearRow> wear)
    {
        wear.Ignore(w => w.Seen).Ignore(w => w.LastTold).Ignore(w => w.AsRecord);
        wear.PrimitiveCollection(w => w.Rubs).ElementType().HasConversion<string>();
        wear.HasOne<DogRow>().WithMany().HasForeignKey(w => w.DogId);
        wear.HasIndex(w => new { w.DogId, w.Day });

        // A dog wears one muzzle at a time, whoever writes.
        wear.HasIndex(w => w.DogId).IsUnique().HasFilter("\"EndedAt\" IS NULL AND \"RemovedAt\" IS NULL").HasDatabaseName("IX_Wears_OneOnPerDog");
    }

    public void Configure(EntityTypeBuilder<InspectionRow> inspection)
    {
        inspection.HasOne<DogRow>().WithMany().HasForeignKey(i => i.DogId);
    }

    public void Configure(EntityTypeBuilder<AppointmentRow> appointment)
    {
        appointment.HasOne<DogRow>().WithMany().HasForeignKey(a => a.DogId);
    }

    public void Configure(EntityTypeBuilder<WearingHabitsRow> habits)
    {
        habits.HasKey(h => h.DogId);
        habits.HasOne<DogRow>().WithOne().HasForeignKey<WearingHabitsRow>(h => h.DogId);
    }

    public void Configure(EntityTypeBuilder<WeatherRow> weather)
    {
        weather.Ignore(w => w.Reading).HasIndex(w => w.At);
    }
}
