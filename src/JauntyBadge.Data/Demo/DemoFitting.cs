using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Data.Fitting;
using UnitsNet;

namespace JauntyBadge.Data.Demo;

/// <summary>What the demo practice's fitting room holds beside the choices: a van, expected dogs, a chart of its own, a try-on, a line overruled.</summary>
internal static class DemoFitting
{
    public static void Fill(PracticeDb db, DateTime now)
    {
        (string SizeId, int Count)[] van = [("lantern-m", 2), ("lantern-ml", 1), ("withy-4", 1), ("bellows-48", 1), ("sedge-d", 1), ("puddock-4", 1)];
        db.Van.AddRange(van.Select(v => new VanRow { SizeId = v.SizeId, Count = v.Count }));
        db.ExpectedDogs.AddRange(
            new ExpectedDogRow
            {
                Id = Guid.NewGuid(),
                Name = "young spaniels from the ferry",
                Count = 3,
                HeadShape = HeadShape.Medium,
                EyeMm = 81,
                GirthMm = 212,
                WidthMm = 56,
                NeckMm = 340,
                Purposes = [Purpose.Transport, Purpose.Walks],
            },
            new ExpectedDogRow
            {
                Id = Guid.NewGuid(),
                Name = "lurchers from Hollin Bank",
                Count = 2,
                HeadShape = HeadShape.Long,
                EyeMm = 116,
                GirthMm = 214,
                WidthMm = 55,
                NeckMm = 390,
                Purposes = [Purpose.Walks],
            }
        );

        // A chart that came with length and girth only, as many do; and an older version of it.
        var barge = new MuzzleModel(
            "barge",
            "Barge",
            "Wend Lock chandlery",
            MuzzleType.Basket,
            Material.MouldedRubber,
            Closure.Buckle,
            ForeheadStrap.Optional,
            true,
            false,
            FrontOpening.CanBeCut,
            [new MuzzleColour("tar black", "#26241f")],
            "Bought by the box; the chart gives length and girth only.",
            [Size(1, 76, 270, 420, 280, 15), Size(2, 90, 310, 480, 325, 16), Size(3, 104, 350, 540, 372, 17)],
            HolePitch: Length.FromMillimeters(20),
            LeadDays: 2
        );
        static MuzzleSize Size(int number, double length, double strapMin, double strapMax, double girth, decimal price) =>
            new(
                $"barge-{number}",
                $"{number}",
                Length.FromMillimeters(length),
                Length.FromMillimeters(strapMin),
                Length.FromMillimeters(strapMax),
                Price: price,
                OpeningGirth: Length.FromMillimeters(girth)
            );
        db.Muzzles.Add(MuzzleRow.Of("barge", barge with { Sizes = [.. barge.Sizes.Take(2)] }, 1, now.AddDays(-140)));
        db.Muzzles.Add(MuzzleRow.Of("barge", barge, 2, now.AddDays(-31)));

        var admiral = Dog(db, "Admiral");
        db.Overrules.Add(
            new OverruleRow
            {
                DogId = admiral.Id,
                LineId = "tier2-sturdy",
                Note = "Only for the doorbell, five minutes at a time; soft will do.",
                At = now.AddDays(-20),
            }
        );
        Try(db, "Admiral", now.AddDays(-2), wrong: [], [], "Sat as drawn; two fingers went under.");
        Try(db, "Juno", now.AddDays(-5), wrong: [], [], null);
        Try(db, "Otis", now.AddDays(-9), wrong: ["rub"], ["rubs-bridge"], "A line on the bridge after five minutes; padded it.");
    }

    /// <summary>The chosen muzzle tried on the dog, all fine but what is named.</summary>
    private static void Try(PracticeDb db, string name, DateTime at, string[] wrong, string[] symptoms, string? note)
    {
        var worn = db.Choices.Local.First(c => c.DogId == Dog(db, name).Id);
        var seen = new TryOnRecord(
            $"{worn.KeptFit.Model} {worn.KeptFit.Size.Label}",
            TryOnCheck.For(worn.KeptFit.Type).ToDictionary(c => c.Id, c => !wrong.Contains(c.Id)),
            symptoms,
            worn.KeptFit.Strap,
            note
        );
        db.TryOns.Add(
            new TryOnRow
            {
                Id = Guid.NewGuid(),
                DogId = worn.DogId,
                SizeId = worn.SizeId,
                At = at,
                Record = TryOnRow.Write(seen),
            }
        );
    }

    private static DogRow Dog(PracticeDb db, string name) => db.Dogs.Local.First(d => d.Name == name);
}
