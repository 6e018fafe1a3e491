using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Data.Measuring;

namespace JauntyBadge.Data.Dogs;

/// <summary>Everything on record that decides how far a dog has come.</summary>
/// <param name="Trained">The dog, its readings and its plan.</param>
/// <param name="Muzzle">The muzzle it uses.</param>
public sealed record DogFile(TrainedDog Trained, MuzzleInUse Muzzle)
{
    public MeasuredDog Measured => Trained.Measured;

    public DogRow Dog => Measured.Dog;

    public DogProfile Profile => Measured.Profile;

    /// <summary>Its head for a badge, as measured or as usual for its kind.</summary>
    public HeadPortrait Portrait => HeadPortrait.Of(HeadDrawing.Of(HeadDrawing.ModelToDraw(Measured.Assessed.Numbers, Profile.BodyMass)));

    /// <summary>How far it has come, in the numbers that decide what is next.</summary>
    public DogProgress ProgressOn(DateOnly today)
    {
        var (plan, passed, at) = (Trained.Plan, Trained.Passed, Trained.Position);
        var step = at is null ? null : Step.Find(at.StepId);
        return new DogProgress(
            Profile.Purposes.Count > 0,
            Completeness.Share(Measured.Assessed.Measured, Measured.FitStyle),
            Measured.Assessed.Findings.Count(f => f.Severity == Severity.Check),
            Measured.MeasureAgain(today) is [var why, ..] ? why : null,
            Muzzle.Choice is not null,
            Muzzle.Tried?.FineShare ?? 0,
            Muzzle.Tried?.Wrong,
            plan.PassedShare(passed, upToFirstFastening: true),
            plan.PassedShare(passed, upToFirstFastening: false),
            step?.Name,
            step?.TargetText(at!.Target),
            Trained.LastTrained,
            at?.NotBefore,
            Trained.OpenSession is not null
        )
        {
            SessionsStuck = Trained.Stuck?.Sessions ?? 0,
            WantedBy = Trained.Week.By,
            StepsLeft = Trained.StepsLeft,
        };
    }

    /// <summary>The files of some dogs, in a handful of queries.</summary>
    public static async Task<IReadOnlyList<DogFile>> LoadAsync(PracticeDb db, IQueryable<DogRow> which, CancellationToken cancel)
    {
        var measured = await MeasuredDog.LoadAsync(db, which, cancel);
        var muzzles = await MuzzleInUse.LoadAsync(db, [.. measured.Select(d => d.Dog.Id)], cancel);
        return [.. (await TrainedDog.LoadAsync(db, measured, cancel)).Select(t => new DogFile(t, muzzles[t.Measured.Dog.Id]))];
    }

    /// <summary>One dog's file; null when there is none with this id.</summary>
    public static async Task<DogFile?> FindAsync(PracticeDb db, Guid id, CancellationToken cancel) =>
        (await LoadAsync(db, db.Dogs.Where(d => d.Id == id), cancel)).SingleOrDefault();
}
