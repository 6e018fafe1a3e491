using JauntyBadge.Data.Dogs;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace JauntyBadge.Data.Handover;

/// <summary>How the rows of this room lie in the database.</summary>
internal sealed class HandoverConfiguration
    : IEntityTypeConfiguration<PracticeRow>,
        IEntityTypeConfiguration<HandoverRow>,
        IEntityTypeConfiguration<PublishedRow>
{
    public void Configure(EntityTypeBuilder<PracticeRow> practice)
    {
        practice.Property(p => p.Id).ValueGeneratedNever();
    }

    public void Configure(EntityTypeBuilder<HandoverRow> handover)
    {
        handover.HasOne<DogRow>().WithMany().HasForeignKey(h => h.DogId);
    }

    public void Configure(EntityTypeBuilder<PublishedRow> published)
    {
        published.HasKey(p => new { p.DogId, p.Key });
        published.HasOne<DogRow>().WithMany().HasForeignKey(p => p.DogId);
    }
}
