using JauntyBadge.Core.Wearing;
using JauntyBadge.Data.Wearing;

namespace JauntyBadge.Data.Demo;

/// <summary>
/// What the demo's dogs wore in the last weeks, what is coming, and the state of their muzzles: one that wears it happily, one whose balance a clinic visit is
/// about to sour, one whose muzzle failed.
/// </summary>
internal static class DemoWearing
{
    private const int Weeks = 7;

    /// <summary>Adds the wears of the dogs that are that far.</summary>
    public static void Fill(PracticeDb db, DateTime now, DateOnly today, Random random)
    {
        var dogs = db.Dogs.Local.ToDictionary(d => d.Name);
        var muzzles = db.Choices.Local.ToDictionary(c => c.DogId, c => (c.SizeId, Words: $"{c.KeptFit.Model} {c.KeptFit.Size.Label}"));
        void Wears(string name, params (DayOfWeek Day, Occasion Occasion, string? Happy, string? Place, string? For, double Minutes)[] week)
        {
            var dog = dogs[name];
            for (var day = today.AddDays(-7 * Weeks); day < today; day = day.AddDays(1))
            {
                foreach (var (_, occasion, happy, place, what, minutes) in week.Where(w => w.Day == day.DayOfWeek))
                {
                    // Now and then it was left out, and early ones were shorter.
                    if (random.NextDouble() < 0.15)
                        continue;
                    var share = Math.Min(1, 0.4 + 0.6 * (7.0 * Weeks - today.DayNumber + day.DayNumber) / (5 * Weeks));
                    var start = day.ToDateTime(new TimeOnly(8, 0), DateTimeKind.Utc).AddMinutes(random.Next(90));
                    var lasted = Math.Round(minutes * share * (0.85 + 0.3 * random.NextDouble()));
                    db.Wears.Add(
                        new WearRow
                        {
                            Id = Guid.NewGuid(),
                            DogId = dog.Id,
                            Day = day,
                            StartedAt = start,
                            EndedAt = start.AddMinutes(lasted),
                            Occasion = occasion,
                            HappyId = happy,
                            Place = place,
                            ForWhat = what,
                            Who = dog.Keeper,
                            Muzzle = muzzles.TryGetValue(dog.Id, out var muzzle) ? muzzle.Words : null,
                            Seen =
                                occasion == Occasion.Stressful ? [new(Guid.NewGuid(), "ears-back", start.AddMinutes(2))]
                                : random.NextDouble() < 0.3 ? [new(Guid.NewGuid(), "eats", start.AddMinutes(1))]
                                : [],
                            TreatPieces = random.Next(4, 12),
                        }
                    );
                }
            }
        }

        Wears(
            "Otis",
            (DayOfWeek.Saturday, Occasion.Ordinary, null, "Saturday ferry", "The crossing", 35),
            (DayOfWeek.Sunday, Occasion.Fun, "friend", "Ferry Cottage", null, 30),
            (DayOfWeek.Tuesday, Occasion.Ordinary, null, "The quay", "Walk", 25),
            (DayOfWeek.Thursday, Occasion.Fun, "search", "Ferry Cottage", null, 15)
        );
        Wears(
            "Juno",
            (DayOfWeek.Monday, Occasion.Ordinary, null, "Quarry yard", "Exercise", 20),
            (DayOfWeek.Wednesday, Occasion.Fun, "run-along", "Quarry yard", null, 12),
            (DayOfWeek.Friday, Occasion.Stressful, null, "Wend Lock clinic", "Dressing changed", 8)
        );
        Wears(
            "Admiral",
            (DayOfWeek.Wednesday, Occasion.Ordinary, null, "The Old Toll House", "Doorbell rung by a helper", 3),
            (DayOfWeek.Sunday, Occasion.Fun, "lick-mat", "The sofa", null, 2)
        );

        void Visit(string name, int inDays, AppointmentKind kind, string place, TimeOnly at, string? note = null) =>
            db.Appointments.Add(
                new AppointmentRow
                {
                    Id = Guid.NewGuid(),
                    DogId = dogs[name].Id,
                    Day = today.AddDays(inDays),
                    Time = at,
                    Kind = kind,
                    Occasion = Appointments.Usual(kind),
                    Place = place,
                    Note = note,
                }
            );
        Visit("Juno", 4, AppointmentKind.Clinic, "Wend Lock clinic", new(10, 30), "Stitches out.");
        Visit("Fern", 12, AppointmentKind.Clinic, "Wend Lock clinic", new(9, 0), "Blood sample.");
        Visit("Otis", 1 + (int)(DayOfWeek.Saturday - today.AddDays(1).DayOfWeek + 7) % 7, AppointmentKind.Ferry, "Saturday ferry", new(14, 15));

        void Inspected(string name, int daysAgo, string? note, params string[] failed)
        {
            var muzzle = muzzles[dogs[name].Id];
            db.Inspections.Add(
                new InspectionRow
                {
                    Id = Guid.NewGuid(),
                    DogId = dogs[name].Id,
                    SizeId = muzzle.SizeId,
                    Muzzle = muzzle.Words,
                    Day = today.AddDays(-daysAgo),
                    At = now.AddDays(-daysAgo),
                    Failed = [.. failed],
                    Note = note,
                }
            );
        }

        Inspected("Otis", 9, null);
        Inspected("Juno", 12, null);
        Inspected("Admiral", 1, "The clip opens under a hard pull.", "clip");

        db.WearingHabits.AddRange(
            new()
            {
                DogId = dogs["Otis"].Id,
                Loves = ["friend", "ride", "search"],
                HasSpare = true,
                Neutered = true,
                Activity = Activity.Usual,
                TreatId = "sausage",
            },
            new()
            {
                DogId = dogs["Juno"].Id,
                Loves = ["run-along", "search"],
                Activity = Activity.Working,
                FoodKcal = 1650,
                TreatId = "cheese",
                Avoids = ["poultry"],
            },
            new()
            {
                DogId = dogs["Dumpling"].Id,
                VeterinarianMinutes = 10,
                VeterinarianSays = "Wend Lock clinic, last spring: short and calm.",
                Neutered = true,
                Activity = Activity.Quiet,
                TreatId = "cucumber",
            }
        );
    }
}
