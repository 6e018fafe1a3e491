using JauntyBadge.Core.People;
using JauntyBadge.Data.People;

namespace JauntyBadge.Data.Demo;

/// <summary>Two who train at home with a phone of their own, what they did on it, and the notes they wrote. All invented.</summary>
internal static class DemoPeople
{
    private static readonly (string Keeper, string Device, int SinceDays, string[] Dogs)[] AtHome =
    [
        ("Ida Holme", "Ida's phone", 40, ["Bracken", "Fern"]),
        ("Sefa Tarn", "Sefa's phone", 21, ["Biscuit"]),
    ];

    /// <summary>Fills them in, once everything they did is there.</summary>
    public static void Fill(PracticeDb db, DateTime now)
    {
        foreach (var (name, phone, days, dogs) in AtHome)
        {
            var person = new PersonRow
            {
                Id = Guid.NewGuid(),
                UserName = name,
                NormalizedUserName = name.ToUpperInvariant(),
                Kind = PersonKind.Keeper,
                CreatedAt = now.AddDays(-days),
                SecurityStamp = Guid.NewGuid().ToString("N"),
            };
            var device = new DeviceRow
            {
                Id = Guid.NewGuid(),
                PersonId = person.Id,
                Name = phone,
                Since = person.CreatedAt,
                LastHereAt = now.AddHours(-14),
            };
            db.People.Add(person);
            db.Devices.Add(device);
            foreach (var dog in db.Dogs.Local.Where(d => dogs.Contains(d.Name) && d.ArchivedAt is null).ToList())
            {
                db.Grants.Add(new GrantRow { PersonId = person.Id, DogId = dog.Id });
                db.Looked.Add(new LookedRow { DogId = dog.Id, At = now.AddDays(-6) });
                foreach (var session in db.Sessions.Local.Where(s => s.DogId == dog.Id && s.StartedAt > person.CreatedAt).OrderBy(s => s.StartedAt))
                {
                    db.Deeds.Add(
                        new DeedRow
                        {
                            DogId = dog.Id,
                            At = session.StartedAt,
                            PersonId = person.Id,
                            Person = name,
                            DeviceId = device.Id,
                            Device = phone,
                            What = DeedKind.Added,
                            On = DeedOn.Session,
                            OfId = session.Id,
                        }
                    );
                }
            }
        }

        var (bracken, ida) = (db.Dogs.Local.Single(d => d.Name == "Bracken" && d.ArchivedAt is null), db.People.Local.Single(p => p.UserName == "Ida Holme"));
        db.News.Add(
            new NewsRow
            {
                Id = Guid.NewGuid(),
                DogId = bracken.Id,
                At = now.AddHours(-14),
                PersonId = ida.Id,
                Person = ida.Name,
                FromHome = true,
                Text = "It turned its head away twice when the tractor started. Shall I train in the barn until the lambing is over?",
                About = $"/dogs/{bracken.Id}/plan",
            }
        );
    }
}
