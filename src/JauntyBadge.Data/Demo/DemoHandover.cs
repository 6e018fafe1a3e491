using JauntyBadge.Data.Handover;

namespace JauntyBadge.Data.Demo;

/// <summary>What the demo's dogs are handed over with: whom to ring, the word they know, what a bite was about. All invented.</summary>
internal static class DemoHandover
{
    private const string Lock = "Wend Lock Clinic";
    private const string LockPhone = "0555 014 220";

    private static readonly (string Dog, string? Phone, string? Cue, string? About, bool Told)[] Known =
    [
        ("Bracken", "0555 014 611", "Mug", null, false),
        ("Fern", "0555 014 380", null, "Snaps at the air when somebody reaches over its head.", true),
        ("Dumpling", "0555 014 742", null, null, false),
        ("Admiral", "0555 014 105", "Hat on", "Took a sleeve at the door, no mark.", true),
        ("Juno", "0555 014 967", "Kit", null, false),
        ("Otis", "0555 014 558", "Basket", null, false),
        ("Biscuit", "0555 014 433", "Nosey", null, false),
        ("Sorrel", "0555 014 826", null, null, false),
        ("Mop", "0555 014 291", "Thimble", null, false),
    ];

    /// <summary>Fills it in.</summary>
    public static void Fill(PracticeDb db)
    {
        db.Practice.Add(
            new PracticeRow
            {
                Name = "The Wend Horsebox",
                Place = "Wend valley",
                Phone = "0555 014 007",
            }
        );
        foreach (var (name, phone, cue, about, told) in Known)
        {
            foreach (var dog in db.Dogs.Local.Where(d => d.Name == name && d.ArchivedAt is null))
                (dog.KeeperPhone, dog.Cue, dog.BitesAbout, dog.FamilyWasTold, dog.ClinicName, dog.ClinicPhone) = (phone, cue, about, told, Lock, LockPhone);
        }
    }
}
