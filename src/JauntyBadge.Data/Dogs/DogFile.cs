using JauntyBadge.Core;
using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Data.Measuring;
using JauntyBadge.Data.Wearing;

namespace JauntyBadge.Data.Dogs;

/// <summary>Everything on record that decides how far a dog has come.</summary>
/// <param name="Trained">The dog, its readings and its training.</param>
/// <param name="Muzzle">The muzzle it uses.</param>
/// <param name="Worn">What it wore, and what is coming.</param>
/// <param name="Record">The same as the rules see it.</param>
public sealed record DogFile(TrainedDog Trained, MuzzleInUse Muzzle, WornDog Worn, DogRecord Record)
{
    public MeasuredDog Measured => Trained.Measured;

    public DogRow Dog => Measured.Dog;

    public DogProfile Profile => Measured.Profile;

    /// <summary>The files of some dogs, in a handful of queries.</summary>
    /// <param name="db">The practice.</param>
    /// <param name="which">The dogs.</param>
    /// <param name="cancel">Stops it.</param>
    /// <param name="tried">Numbers to judge them by instead of the practice's, to see what they would change.</param>
    public static async Task<IReadOnlyList<DogFile>> LoadAsync(PracticeDb db, IQueryable<DogRow> which, CancellationToken cancel, HouseRules? tried = null)
    {
        var measured = await MeasuredDog.LoadAsync(db, which, cancel, tried);
        var muzzles = await MuzzleInUse.LoadAsync(db, [.. measured.Select(d => d.Dog.Id)], cancel);
        var worn = await WornDog.LoadAsync(db, muzzles, cancel);
        return [.. (await TrainedDog.LoadAsync(db, measured, cancel)).Select(t => Of(t, muzzles[t.Measured.Dog.Id], worn[t.Measured.Dog.Id], db.Clock))];
    }

    /// <summary>One dog's file; null when there is none with this id.</summary>
    public static async Task<DogFile?> FindAsync(PracticeDb db, Guid id, CancellationToken cancel) =>
        (await LoadAsync(db, db.Dogs.Where(d => d.Id == id), cancel)).SingleOrDefault();

    private static DogFile Of(TrainedDog trained, MuzzleInUse muzzle, WornDog worn, TimeProvider clock)
    {
        var dog = trained.Measured;
        return new(
            trained,
            muzzle,
            worn,
            new DogRecord(dog.Profile, dog.FitStyle, dog.Assessed, dog.LastSet, muzzle.ToRecord(clock), trained.Training, worn.Record, dog.Rules)
        );
    }
}
