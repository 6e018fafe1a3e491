using JauntyBadge.Data.Conditioning;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Data.Measuring;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;

namespace JauntyBadge.Data;

/// <summary>The practice's database.</summary>
public sealed class PracticeDb(DbContextOptions<PracticeDb> options) : DbContext(options)
{
    public DbSet<DogRow> Dogs => Set<DogRow>();
    public DbSet<ReadingRow> Readings => Set<ReadingRow>();
    public DbSet<ChoiceRow> Choices => Set<ChoiceRow>();
    public DbSet<SessionRow> Sessions => Set<SessionRow>();
    public DbSet<SetRow> Sets => Set<SetRow>();
    public DbSet<GoRow> Goes => Set<GoRow>();
    public DbSet<SignRow> Signs => Set<SignRow>();
    public DbSet<PlanMoveRow> PlanMoves => Set<PlanMoveRow>();

    /// <summary>Brings the schema up to date and switches to a write-ahead log, which survives a crash and lets readers read on.</summary>
    public async Task PrepareAsync(CancellationToken cancel = default)
    {
        await Database.MigrateAsync(cancel);
        await Database.ExecuteSqlRawAsync("PRAGMA journal_mode=WAL;", cancel);
    }

    protected override void ConfigureConventions(ModelConfigurationBuilder configurationBuilder)
    {
        configurationBuilder.Properties<Enum>().HaveConversion<string>();
        configurationBuilder.Properties<DateTime>().HaveConversion<UtcConverter>();
    }

    protected override void OnModelCreating(ModelBuilder modelBuilder)
    {
        modelBuilder.Entity<DogRow>(dog =>
        {
            dog.Property(d => d.Version).IsConcurrencyToken();
            dog.PrimitiveCollection(d => d.Purposes).ElementType().HasConversion<string>();
            dog.PrimitiveCollection(d => d.Sensitivities).ElementType().HasConversion<string>();
        });
        modelBuilder.Entity<ReadingRow>().HasOne<DogRow>().WithMany().HasForeignKey(r => r.DogId);
        modelBuilder.Entity<ChoiceRow>(choice =>
        {
            choice.Ignore(c => c.KeptFit);
            choice.HasOne<DogRow>().WithMany().HasForeignKey(c => c.DogId);
        });
        modelBuilder.Entity<SessionRow>(session =>
        {
            session.HasOne<DogRow>().WithMany().HasForeignKey(s => s.DogId);
            session.HasMany(s => s.Sets).WithOne().HasForeignKey(s => s.SessionId);

            // One session of a dog at a time, whoever writes.
            session.HasIndex(s => s.DogId).IsUnique().HasFilter("\"EndedAt\" IS NULL").HasDatabaseName("IX_Sessions_OneOpenPerDog");
        });
        modelBuilder.Entity<SetRow>(set =>
        {
            set.HasMany(s => s.Goes).WithOne().HasForeignKey(g => g.SetId);
            set.HasMany(s => s.Signs).WithOne().HasForeignKey(g => g.SetId);
            set.HasIndex(s => s.DogId);
            set.HasIndex(s => new { s.SessionId, s.Number }).IsUnique();
        });
        modelBuilder.Entity<PlanMoveRow>().HasOne<DogRow>().WithMany().HasForeignKey(m => m.DogId);
    }

    /// <summary>Times are stored and read back as UTC.</summary>
    private sealed class UtcConverter() : ValueConverter<DateTime, DateTime>(
        value => value.ToUniversalTime(), value => DateTime.SpecifyKind(value, DateTimeKind.Utc));
}
