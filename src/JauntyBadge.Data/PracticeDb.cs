using JauntyBadge.Core;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Data.Handover;
using JauntyBadge.Data.Measuring;
using JauntyBadge.Data.People;
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
    public DbSet<InspectionRow> Inspections => Set<InspectionRow>();
    public DbSet<AppointmentRow> Appointments => Set<AppointmentRow>();
    public DbSet<WearingHabitsRow> WearingHabits => Set<WearingHabitsRow>();
    public DbSet<WeatherRow> Weather => Set<WeatherRow>();
    public DbSet<HouseNumberRow> HouseNumbers => Set<HouseNumberRow>();
    public DbSet<RuleBookRow> RuleBooks => Set<RuleBookRow>();
    public DbSet<WritingRow> Writing => Set<WritingRow>();
    public DbSet<StopsRow> Stops => Set<StopsRow>();
    public DbSet<PracticeRow> Practice => Set<PracticeRow>();
    public DbSet<HandoverRow> Handovers => Set<HandoverRow>();
    public DbSet<PublishedRow> Published => Set<PublishedRow>();
    public DbSet<AnswerRow> Answers => Set<AnswerRow>();
    public DbSet<PersonRow> People => Set<PersonRow>();
    public DbSet<GrantRow> Grants => Set<GrantRow>();
    public DbSet<DeviceRow> Devices => Set<DeviceRow>();
    public DbSet<LinkRow> Links => Set<LinkRow>();
    public DbSet<TryRow> Tries => Set<TryRow>();
    public DbSet<DeedRow> Deeds => Set<DeedRow>();
    public DbSet<NewsRow> News => Set<NewsRow>();
    public DbSet<LookedRow> Looked => Set<LookedRow>();
    public DbSet<AsideRow> Aside => Set<AsideRow>();

    internal BreedRanges BreedRanges { get; } = breedRanges ?? new();

    /// <summary>Tells on which of the practice's days a moment on record lies.</summary>
    internal TimeProvider Clock { get; } = clock ?? TimeProvider.System;

    /// <summary>The practice's day now.</summary>
    public DateOnly Today => Clock.Today();

    /// <summary>The practice's day a moment on record lies on.</summary>
    public DateOnly DayOf(DateTime utc) => Clock.DayOf(utc);

    /// <summary>Whoever works with it and is signed in: what is saved is noted as theirs. Null where nobody had to sign in.</summary>
    public Hand? Hand { get; set; }

    /// <summary>The last number given by this context; null while it saved nothing.</summary>
    public long? LastGiven { get; private set; }

    /// <summary>Saves what was changed, numbered and with its new versions, all of it or nothing.</summary>
    public override async Task<int> SaveChangesAsync(bool acceptAllChangesOnSuccess, CancellationToken cancellationToken = default)
    {
        // Looking through the entries finds what changed.
        var changed = Numbering.Changed(this);
        if (changed.Count == 0)
            return 0;
        IReadOnlyList<object> records = [.. changed.Select(e => e.Entity)];
        if (Hand is { } hand)
        {
            var deeds = await JauntyBadge.Data.People.Deeds.OfAsync(this, hand, Clock.GetUtcNow().UtcDateTime, changed, cancellationToken);
            changed = [.. changed, .. deeds.Select(Add)];
        }

        await using var own = Database.CurrentTransaction is null ? await Database.BeginTransactionAsync(cancellationToken) : null;
        var number = await Numbering.NumberAsync(this, changed, cancellationToken);
        var saved = await base.SaveChangesAsync(acceptAllChangesOnSuccess, cancellationToken);
        await Numbering.TouchAsync(this, records, number, cancellationToken);
        LastGiven = number;
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

    protected override void OnConfiguring(DbContextOptionsBuilder optionsBuilder) => optionsBuilder.AddInterceptors(OneByOne.Instance);

    /// <summary>Each room says in its own folder how its rows lie.</summary>
    protected override void OnModelCreating(ModelBuilder modelBuilder)
    {
        modelBuilder.ApplyConfigurationsFromAssembly(typeof(PracticeDb).Assembly);
        foreach (var versioned in modelBuilder.Model.GetEntityTypes().Where(t => typeof(IVersioned).IsAssignableFrom(t.ClrType)))
            versioned.FindProperty(nameof(IVersioned.Version))!.IsConcurrencyToken = true;
    }

    /// <summary>Times are stored and read back as UTC.</summary>
    private sealed class UtcConverter()
        : ValueConverter<DateTime, DateTime>(value => value.ToUniversalTime(), value => DateTime.SpecifyKind(value, DateTimeKind.Utc));
}
