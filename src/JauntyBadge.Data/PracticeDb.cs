using JauntyBadge.Core;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Data.Measuring;
using JauntyBadge.Data.Wearing;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;

namespace JauntyBadge.Data;

/// <summary>The practice's database.</summary>
/// <param name="options">Where it is.</param>
/// <param name="breedRanges">What is known of the breeds, kept from one context to the next.</param>
/// <param name="clock">Tells where the practice is, so that a moment on record lies on the practice's own day.</param>
public sealed class PracticeDb(DbContextOptions<PracticeDb> options, BreedRanges? breedRanges = null, TimeProvider? clock = null) : DbContext(options)
{
    public DbSet<DogRow> Dogs => Set<DogRow>();
    public DbSet<BreedRow> Breeds => Set<BreedRow>();
    public DbSet<MeasuringSetRow> MeasuringSets => Set<MeasuringSetRow>();
    public DbSet<ReadingRow> Readings => Set<ReadingRow>();
    public DbSet<PhotoRow> Photos => Set<PhotoRow>();
    public DbSet<PictureRow> Pictures => Set<PictureRow>();
    public DbSet<ChoiceRow> Choices => Set<ChoiceRow>();
    public DbSet<MuzzleRow> Muzzles => Set<MuzzleRow>();
    public DbSet<OverruleRow> Overrules => Set<OverruleRow>();
    public DbSet<FitSettingsRow> FitSettings => Set<FitSettingsRow>();
    public DbSet<TryOnRow> TryOns => Set<TryOnRow>();
    public DbSet<TryOnPictureRow> TryOnPictures => Set<TryOnPictureRow>();
    public DbSet<VanRow> Van => Set<VanRow>();
    public DbSet<ExpectedDogRow> ExpectedDogs => Set<ExpectedDogRow>();
    public DbSet<SessionRow> Sessions => Set<SessionRow>();
    public DbSet<SetRow> Sets => Set<SetRow>();
    public DbSet<GoRow> Goes => Set<GoRow>();
    public DbSet<SignRow> Signs => Set<SignRow>();
    public DbSet<PlanMoveRow> PlanMoves => Set<PlanMoveRow>();
    public DbSet<GoRuleRow> GoRules => Set<GoRuleRow>();
    public DbSet<PlanChoiceRow> PlanChoices => Set<PlanChoiceRow>();
    public DbSet<StepPassRow> StepPasses => Set<StepPassRow>();
    public DbSet<WearRow> Wears => Set<WearRow>();
    public DbSet<WearPictureRow> WearPictures => Set<WearPictureRow>();
    public DbSet<InspectionRow> Inspections => Set<InspectionRow>();
    public DbSet<AppointmentRow> Appointments => Set<AppointmentRow>();
    public DbSet<WearingHabitsRow> WearingHabits => Set<WearingHabitsRow>();
    public DbSet<WeatherRow> Weather => Set<WeatherRow>();
    public DbSet<HouseNumberRow> HouseNumbers => Set<HouseNumberRow>();
    public DbSet<RuleBookRow> RuleBooks => Set<RuleBookRow>();
    public DbSet<WritingRow> Writing => Set<WritingRow>();
    public DbSet<StopsRow> Stops => Set<StopsRow>();

    /// <summary>Numbers that everything read through this context is judged by instead of the practice's, to see what they would change.</summary>
    public HouseRules? RulesTried { get; set; }

    internal BreedRanges BreedRanges { get; } = breedRanges ?? new();

    /// <summary>Where the practice is.</summary>
    internal TimeZoneInfo Zone { get; } = (clock ?? TimeProvider.System).LocalTimeZone;

    /// <summary>Saves what was changed, numbered and with its new versions, all of it or nothing.</summary>
    public override async Task<int> SaveChangesAsync(bool acceptAllChangesOnSuccess, CancellationToken cancellationToken = default)
    {
        // Looking through the entries finds what changed.
        var changed = Numbering.Changed(this);
        if (changed.Count == 0)
            return 0;
        IReadOnlyList<object> records = [.. changed.Select(e => e.Entity)];
        await using var own = Database.CurrentTransaction is null ? await Database.BeginTransactionAsync(cancellationToken) : null;
        var number = await Numbering.NumberAsync(this, changed, cancellationToken);
        var saved = await base.SaveChangesAsync(acceptAllChangesOnSuccess, cancellationToken);
        await Numbering.TouchAsync(this, records, number, cancellationToken);
        if (own is not null)
            await own.CommitAsync(cancellationToken);
        return saved;
    }

    /// <summary>Not offered: numbers are given on the asynchronous way only.</summary>
    public override int SaveChanges(bool acceptAllChangesOnSuccess) => throw new NotSupportedException("Save asynchronously.");

    protected override void ConfigureConventions(ModelConfigurationBuilder configurationBuilder)
    {
        configurationBuilder.Properties<Enum>().HaveConversion<string>();
        configurationBuilder.Properties<DateTime>().HaveConversion<UtcConverter>();
    }

    protected override void OnModelCreating(ModelBuilder modelBuilder)
    {
        modelBuilder.Entity<CounterRow>(counter =>
        {
            counter.ToTable("Counter");
            counter.Property(c => c.Id).ValueGeneratedNever();
            counter.HasData(new CounterRow());
        });
        foreach (var versioned in modelBuilder.Model.GetEntityTypes().Where(t => typeof(IVersioned).IsAssignableFrom(t.ClrType)))
            versioned.FindProperty(nameof(IVersioned.Version))!.IsConcurrencyToken = true;
        modelBuilder.Entity<DogRow>(dog =>
        {
            dog.PrimitiveCollection(d => d.Purposes).ElementType().HasConversion<string>();
            dog.PrimitiveCollection(d => d.Sensitivities).ElementType().HasConversion<string>();
            dog.PrimitiveCollection(d => d.Health).ElementType().HasConversion<string>();
            dog.PrimitiveCollection(d => d.TraitsSeen).ElementType().HasConversion<string>();
            dog.HasIndex(d => d.ArchivedAt);
            dog.HasIndex(d => new { d.BreedIds, d.Remeasured });
        });
        modelBuilder.Entity<BreedRow>().PrimitiveCollection(b => b.Traits).ElementType().HasConversion<string>();
        modelBuilder.Entity<MeasuringSetRow>(set =>
        {
            set.Ignore(s => s.BodyMass);
            set.HasOne<DogRow>().WithMany().HasForeignKey(s => s.DogId);
        });
        modelBuilder.Entity<ReadingRow>(reading =>
        {
            reading.HasOne<DogRow>().WithMany().HasForeignKey(r => r.DogId);

            // No foreign key: adding one to a table that holds readings would rebuild it outside a transaction. Sets are never deleted.
            reading.HasIndex(r => r.SetId);
        });
        modelBuilder.Entity<PhotoRow>().HasOne<DogRow>().WithMany().HasForeignKey(p => p.DogId);
        modelBuilder.Entity<PictureRow>(picture =>
        {
            picture.HasKey(p => p.PhotoId);
            picture.HasOne<PhotoRow>().WithOne().HasForeignKey<PictureRow>(p => p.PhotoId);
        });
        modelBuilder.Entity<ChoiceRow>(choice =>
        {
            choice.Ignore(c => c.KeptFit);
            choice.HasOne<DogRow>().WithMany().HasForeignKey(c => c.DogId);
        });
        modelBuilder.Entity<MuzzleRow>(muzzle =>
        {
            muzzle.HasKey(m => new { m.ModelId, m.Version });
            muzzle.Ignore(m => m.Model);
        });
        modelBuilder.Entity<OverruleRow>(overrule =>
        {
            overrule.HasKey(o => new { o.DogId, o.LineId });
            overrule.HasOne<DogRow>().WithMany().HasForeignKey(o => o.DogId);
        });
        modelBuilder.Entity<FitSettingsRow>(settings =>
        {
            settings.Property(s => s.Id).ValueGeneratedNever();
            settings.Ignore(s => s.Weights);
        });
        modelBuilder.Entity<TryOnRow>(tried =>
        {
            tried.Ignore(t => t.Seen);
            tried.HasOne<DogRow>().WithMany().HasForeignKey(t => t.DogId);
        });
        modelBuilder.Entity<TryOnPictureRow>(picture =>
        {
            picture.HasKey(p => p.TryOnId);
            picture.HasOne<TryOnRow>().WithOne().HasForeignKey<TryOnPictureRow>(p => p.TryOnId);
        });
        modelBuilder.Entity<VanRow>().HasKey(v => v.SizeId);
        modelBuilder.Entity<ExpectedDogRow>().PrimitiveCollection(d => d.Purposes).ElementType().HasConversion<string>();
        modelBuilder.Entity<SessionRow>(session =>
        {
            session.Ignore(s => s.BegunWith);
            session.HasOne<DogRow>().WithMany().HasForeignKey(s => s.DogId);
            session.HasMany(s => s.Sets).WithOne().HasForeignKey(s => s.SessionId);

            // One session of a dog at a time, whoever writes.
            session.HasIndex(s => new { s.DogId, s.Number });
            session.HasIndex(s => s.DogId).IsUnique().HasFilter("\"EndedAt\" IS NULL").HasDatabaseName("IX_Sessions_OneOpenPerDog");
        });
        modelBuilder.Entity<SetRow>(set =>
        {
            set.HasMany(s => s.Goes).WithOne().HasForeignKey(g => g.SetId);
            set.HasMany(s => s.Signs).WithOne().HasForeignKey(g => g.SetId);
            set.HasIndex(s => s.DogId);
            set.HasIndex(s => new { s.SessionId, s.Number }).IsUnique();
        });
        modelBuilder.Entity<WearRow>(wear =>
        {
            wear.Ignore(w => w.Seen);
            wear.PrimitiveCollection(w => w.Rubs).ElementType().HasConversion<string>();
            wear.HasOne<DogRow>().WithMany().HasForeignKey(w => w.DogId);
            wear.HasIndex(w => new { w.DogId, w.Day });

            // A dog wears one muzzle at a time, whoever writes.
            wear.HasIndex(w => w.DogId).IsUnique().HasFilter("\"EndedAt\" IS NULL AND \"RemovedAt\" IS NULL").HasDatabaseName("IX_Wears_OneOnPerDog");
        });
        modelBuilder.Entity<WearPictureRow>(picture =>
        {
            picture.HasKey(p => p.WearId);
            picture.HasOne<WearRow>().WithOne().HasForeignKey<WearPictureRow>(p => p.WearId);
        });
        modelBuilder.Entity<InspectionRow>().HasOne<DogRow>().WithMany().HasForeignKey(i => i.DogId);
        modelBuilder.Entity<AppointmentRow>().HasOne<DogRow>().WithMany().HasForeignKey(a => a.DogId);
        modelBuilder.Entity<WearingHabitsRow>(habits =>
        {
            habits.HasKey(h => h.DogId);
            habits.HasOne<DogRow>().WithOne().HasForeignKey<WearingHabitsRow>(h => h.DogId);
        });
        modelBuilder.Entity<WeatherRow>().Ignore(w => w.Reading).HasIndex(w => w.At);
        modelBuilder.Entity<WritingRow>().Property(w => w.Id).ValueGeneratedNever();
        modelBuilder.Entity<StopsRow>().Property(s => s.Id).ValueGeneratedNever();
        modelBuilder.Entity<HouseNumberRow>().HasIndex(n => n.NumberId);
        modelBuilder.Entity<GoRuleRow>().HasOne<DogRow>().WithMany().HasForeignKey(r => r.DogId);
        modelBuilder.Entity<PlanChoiceRow>().Ignore(c => c.Policies).Ignore(c => c.Days).HasOne<DogRow>().WithMany().HasForeignKey(c => c.DogId);
        modelBuilder.Entity<StepPassRow>(pass =>
        {
            pass.HasOne<DogRow>().WithMany().HasForeignKey(p => p.DogId);
            pass.HasOne(p => p.Set).WithMany().HasForeignKey(p => p.SetId);
            pass.HasIndex(p => new { p.DogId, p.StepId }).IsUnique();
        });
        modelBuilder.Entity<PlanMoveRow>().HasOne<DogRow>().WithMany().HasForeignKey(m => m.DogId);
    }

    /// <summary>Times are stored and read back as UTC.</summary>
    private sealed class UtcConverter()
        : ValueConverter<DateTime, DateTime>(value => value.ToUniversalTime(), value => DateTime.SpecifyKind(value, DateTimeKind.Utc));
}
