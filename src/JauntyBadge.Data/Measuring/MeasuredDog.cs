using JauntyBadge.Core;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Data.Dogs;
using Microsoft.EntityFrameworkCore;
using UnitsNet;

namespace JauntyBadge.Data.Measuring;

/// <summary>A dog with what was measured on it.</summary>
/// <param name="Dog">Who it is.</param>
/// <param name="Breeds">The breeds the practice works with.</param>
/// <param name="Ranges">What the practice's other dogs of the breed measure; null where it was not asked for, and then nothing can be judged.</param>
/// <param name="Sets">Its measuring sets, the oldest first; the last one is open.</param>
/// <param name="Rules">The numbers that decide.</param>
/// <param name="ReadingRows">The readings of the last set, those set aside among them.</param>
public sealed record MeasuredDog(
    DogRow Dog,
    BreedList Breeds,
    DogRanges? Ranges,
    HouseRules Rules,
    IReadOnlyList<MeasuringSetRow> Sets,
    IReadOnlyList<ReadingRow> ReadingRows
)
{
    private DogProfile? profile;
    private Assessment? assessment;

    public MeasuringSetRow? CurrentSet => Sets.Count > 0 ? Sets[^1] : null;

    public FitStyle FitStyle => CurrentSet?.FitStyle ?? Profile.UsualFitStyle;

    /// <summary>The dog, its head shape as far as it was measured included.</summary>
    public DogProfile Profile => profile ??= Dog.ToProfile(Breeds) with { MeasuredShape = HeadShapes.Read(Measured, Rules) };

    /// <summary>The readings in use.</summary>
    public IReadOnlyList<Reading> Readings { get; } = [.. ReadingRows.Where(r => r.SetAside is null).Select(r => r.ToReading())];

    public IReadOnlyList<Measured> Measured => Core.Measuring.Measured.From(Readings, CurrentSet?.Coat ?? Coat.Ordinary, Rules);

    /// <summary>The snout as measured, or null while neither nose to inner eye nor the fit line is read.</summary>
    public SnoutModel? Snout => Assessed.Snout;

    public Assessment Assessed => assessment ??= Assess();

    /// <summary>The head it is drawn with: as measured, or as usual for its kind.</summary>
    public SnoutModel ToDraw => HeadDrawing.ModelToDraw(Assessed.Numbers, Profile.BodyMass);

    /// <summary>Judges the readings, and any that are only being typed.</summary>
    /// <exception cref="InvalidOperationException">It was loaded without the ranges of its breed.</exception>
    public Assessment Assess(params IReadOnlyList<Reading> typed) =>
        Assessment.Of(
            [.. Readings, .. typed],
            new Circumstances
            {
                FitStyle = FitStyle,
                OtherWays = Profile.OtherShapes,
                BodyMass = CurrentSet?.BodyMass ?? Profile.BodyMass,
                Coat = CurrentSet?.Coat ?? Profile.Coat,
                FitLineGap = CurrentSet?.FitLineGapMm is { } gap ? Length.FromMillimeters(gap) : null,
                OwnRanges = (Ranges ?? throw new InvalidOperationException("The dog was loaded without the ranges of its breed.")).ByMeasure,
                Rules = Rules,
            }
        );

    /// <summary>Its last set as the rules see it; null where none was begun.</summary>
    public SetOnRecord? LastSet { get; init; }

    /// <summary>Loads some dogs with their readings, to be judged by the practice's numbers or by others that are tried.</summary>
    public static Task<IReadOnlyList<MeasuredDog>> LoadAsync(PracticeDb db, IQueryable<DogRow> which, CancellationToken cancel, HouseRules? tried = null) =>
        LoadAsync(db, which, withRanges: true, cancel, tried);

    /// <summary>One dog with its readings, to be judged; null when there is none with this id.</summary>
    public static async Task<MeasuredDog?> FindAsync(PracticeDb db, Guid id, CancellationToken cancel) =>
        (await LoadAsync(db, db.Dogs.Where(d => d.Id == id), cancel)).SingleOrDefault();

    /// <summary>One dog with its readings, for its profile only; null when there is none with this id.</summary>
    public static async Task<MeasuredDog?> FindProfileAsync(PracticeDb db, Guid id, CancellationToken cancel) =>
        (await LoadAsync(db, db.Dogs.Where(d => d.Id == id), withRanges: false, cancel)).SingleOrDefault();

    private static async Task<IReadOnlyList<MeasuredDog>> LoadAsync(
        PracticeDb db,
        IQueryable<DogRow> which,
        bool withRanges,
        CancellationToken cancel,
        HouseRules? tried = null
    )
    {
        var dogs = await which.AsNoTracking().ToListAsync(cancel);
        var ids = dogs.Select(d => d.Id).ToList();
        var rules = tried ?? await db.RulesAsync(cancel);
        var breeds = await BreedRow.ListAsync(db, cancel);
        var ranges = withRanges ? await db.BreedRanges.ReadAsync(db, dogs, rules, cancel) : null;
        var sets = (
            await db.MeasuringSets.AsNoTracking().Where(s => ids.Contains(s.DogId) && s.RemovedAt == null).OrderBy(s => s.Number).ToListAsync(cancel)
        ).ToLookup(s => s.DogId);
        var open = sets.Select(g => g.Last().Id).ToList();
        var readings = (
            await db.Readings.AsNoTracking().Where(r => open.Contains(r.SetId) && r.RemovedAt == null).OrderBy(r => r.Number).ToListAsync(cancel)
        ).ToLookup(r => r.DogId);
        return
        [
            .. dogs.Select(d =>
            {
                var last = sets[d.Id].LastOrDefault();
                return new MeasuredDog(d, breeds, ranges?[d.Id], rules, [.. sets[d.Id]], [.. readings[d.Id]])
                {
                    LastSet = last is null ? null : new(new SetState(db.Clock.DayOf(last.StartedAt), last.BodyMass, last.Coat), readings[d.Id].Any()),
                };
            }),
        ];
    }
}
