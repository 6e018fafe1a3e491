using JauntyBadge.Core.People;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Data.Handover;
using JauntyBadge.Data.Measuring;
using JauntyBadge.Data.Wearing;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;

namespace JauntyBadge.Data.People;

/// <summary>Notes who did what as records are saved.</summary>
internal static class Deeds
{
    /// <summary>What somebody does by the records that are about to be saved.</summary>
    public static async Task<IReadOnlyList<DeedRow>> OfAsync(
        PracticeDb db,
        Hand hand,
        DateTime at,
        IReadOnlyList<EntityEntry> changed,
        CancellationToken cancel
    )
    {
        var deeds = new List<DeedRow>();
        foreach (var entry in changed)
        {
            if (OnOf(entry) is not { } on || await DogOfAsync(db, entry, cancel) is not { } dog)
                continue;
            deeds.Add(
                new DeedRow
                {
                    DogId = dog,
                    At = at,
                    PersonId = hand.PersonId,
                    Person = hand.Person,
                    DeviceId = hand.DeviceId,
                    Device = hand.Device,
                    What = entry.State switch
                    {
                        EntityState.Added => DeedKind.Added,
                        EntityState.Deleted => DeedKind.Removed,
                        _ => IsPutAway(entry) ? DeedKind.Removed : DeedKind.Changed,
                    },
                    On = on,
                    OfId =
                        entry.Metadata.FindPrimaryKey()?.Properties is [{ ClrType: var type } key] && type == typeof(Guid)
                            ? (Guid?)entry.Property(key.Name).CurrentValue
                            : null,
                }
            );
        }

        return deeds;
    }

    private static readonly string[] PutAway = ["RemovedAt", "WithdrawnAt"];

    /// <summary>What is put away is kept, and counts no more.</summary>
    private static bool IsPutAway(EntityEntry entry) =>
        PutAway.Any(name => entry.Metadata.FindProperty(name) is { } property && entry.Property(property.Name) is { IsModified: true, CurrentValue: not null });

    private static DeedOn? OnOf(EntityEntry entry) =>
        entry.Entity switch
        {
            DogRow => DeedOn.Dog,
            MeasuringSetRow => DeedOn.MeasuringSet,
            ReadingRow => DeedOn.Reading,
            PhotoRow => DeedOn.Photo,
            ChoiceRow => DeedOn.Choice,
            OverruleRow => DeedOn.Brief,
            TryOnRow => DeedOn.TryOn,
            SessionRow => DeedOn.Session,
            GoRow => DeedOn.Go,
            SignRow => DeedOn.Sign,
            // A set begins by itself; what is done to it is closing or overruling it.
            SetRow
                when entry.State == EntityState.Modified
                    && (entry.Property(nameof(SetRow.ClosedAt)).IsModified || entry.Property(nameof(SetRow.Overruled)).IsModified) => DeedOn.Decision,
            StepPassRow => DeedOn.Pass,
            GoRuleRow => DeedOn.SetRule,
            PlanChoiceRow => DeedOn.WayOfWorking,
            PlanMoveRow { ByHand: true } => DeedOn.Plan,
            WearRow => DeedOn.Wear,
            InspectionRow => DeedOn.Inspection,
            AppointmentRow => DeedOn.Visit,
            WearingHabitsRow => DeedOn.Habits,
            HandoverRow => DeedOn.Handover,
            NewsRow when entry.State == EntityState.Added => DeedOn.Note,
            _ => null,
        };

    private static async ValueTask<Guid?> DogOfAsync(PracticeDb db, EntityEntry entry, CancellationToken cancel) =>
        entry.Entity switch
        {
            DogRow dog => dog.Id,
            IOfDog of => of.DogId,
            GoRow go => await DogOfSetAsync(db, go.SetId, go, cancel),
            SignRow sign => await DogOfSetAsync(db, sign.SetId, sign, cancel),
            _ => null,
        };

    /// <summary>The dog of a set that is at hand already, or is looked up.</summary>
    private static async ValueTask<Guid?> DogOfSetAsync(PracticeDb db, int setId, object part, CancellationToken cancel) =>
        db.Sets.Local.FirstOrDefault(s => s.Id == setId || (part is GoRow go && s.Goes.Contains(go)) || (part is SignRow sign && s.Signs.Contains(sign)))?.DogId
        ?? await db.Sets.Where(s => s.Id == setId).Select(s => (Guid?)s.DogId).SingleOrDefaultAsync(cancel);
}
