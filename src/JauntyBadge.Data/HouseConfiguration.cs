using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace JauntyBadge.Data;

/// <summary>How the rows of this room lie in the database.</summary>
internal sealed class HouseConfiguration
    : IEntityTypeConfiguration<CounterRow>,
        IEntityTypeConfiguration<WritingRow>,
        IEntityTypeConfiguration<StopsRow>,
        IEntityTypeConfiguration<HouseNumberRow>,
        IEntityTypeConfiguration<AnswerRow>
{
    public void Configure(EntityTypeBuilder<CounterRow> counter)
    {
        counter.ToTable("Counter");
        counter.Property(c => c.Id).ValueGeneratedNever();
        counter.HasData(new CounterRow());
    }

    public void Configure(EntityTypeBuilder<WritingRow> writing)
    {
        writing.Property(w => w.Id).ValueGeneratedNever();
    }

    public void Configure(EntityTypeBuilder<StopsRow> stops)
    {
        stops.Property(s => s.Id).ValueGeneratedNever();
    }

    public void Configure(EntityTypeBuilder<HouseNumberRow> number)
    {
        number.HasIndex(n => n.NumberId);
    }

    public void Configure(EntityTypeBuilder<AnswerRow> answer)
    {
        answer.Property(a => a.Id).ValueGeneratedNever();
        answer.HasIndex(a => a.At);
    }
}
