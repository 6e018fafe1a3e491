using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Data.Dogs;

namespace JauntyBadge.Data.Demo;

/// <summary>An invented dog of the demo practice, and how far it has come.</summary>
/// <param name="Row">Who it is.</param>
/// <param name="Readings">What was written down: measure, side and the text as taken.</param>
/// <param name="Fitted">Whether a muzzle was chosen.</param>
/// <param name="TrainedUpTo">The step its training has come to; null for none.</param>
/// <param name="LastSession">Days since its last session.</param>
/// <param name="Ease">How easily a go succeeds, 0 to 1.</param>
/// <param name="EndsBadly">Its last set went over threshold.</param>
internal sealed record DemoDog(
    DogRow Row, IReadOnlyList<(Measure Measure, Side? Side, string Text)> Readings, bool Fitted = false, string? TrainedUpTo = null,
    int LastSession = 0, double Ease = 0.9, bool EndsBadly = false)
{
    /// <summary>The dogs along the made-up Wend valley, born relative to today.</summary>
    public static IReadOnlyList<DemoDog> All(DateOnly today) =>
    [
        new(
            Dog("Bracken", "Overwend Farm", today.AddMonths(-44), ["labrador-retriever"], 29.5, "golden", [Purpose.Walks, Purpose.Scavenging], Temperament.Bold,
                notes: "Eats sheep droppings and worse on the top pasture."),
            Head("98", "100", "272", "80", "73", "149", "430", ["97", "101"]), Fitted: true, TrainedUpTo: "click-near", LastSession: 1),
        new(
            Dog("Fern", "Overwend Farm", today.AddMonths(-30), ["border-collie"], 18.2, "black", [Purpose.Clinic, Purpose.Walks], Temperament.Wary,
                [Sensitivity.OddObjects, Sensitivity.HandsBehindHead], BiteTier.Threatens, "Works the hill; hates being reached over."),
            Head("9,2 cm", "9,4 cm", "21,6 cm", "6,3 cm", "5,9 cm", "13,6 cm", "36 cm"), Fitted: true, TrainedUpTo: "nose-halfway", LastSession: 2, Ease: 0.82),
        new(
            Dog("Dumpling", "Wend Lock, canal side", today.AddMonths(-61), ["french-bulldog"], 12.8, "brindle", [Purpose.Clinic], Temperament.Typical,
                notes: "Snores. Vet at Wend Lock has seen its airway: short and calm wears only."),
            [
                (Measure.NoseToInnerEye, Side.Left, "38"), (Measure.NoseToInnerEye, Side.Right, "45"), (Measure.SnoutGirth, null, "215"),
                (Measure.SnoutHeight, null, "52"), (Measure.SnoutWidth, null, "66"), (Measure.NeckGirth, null, "380"),
            ]),
        new(
            Dog("Admiral", "The Old Toll House", today.AddMonths(-77), ["greyhound"], 31, "grey", [Purpose.Visitors], Temperament.Typical, [Sensitivity.Clicks],
                BiteTier.ContactNoInjury, "Retired. Sleeps on the sofa, minds the doorbell."),
            Head("4 3/8 in", "4 1/2 in", "8 1/4 in", "2 1/2 in", "2 1/8 in", "6 3/8 in", "15 1/2 in"), Fitted: true, TrainedUpTo: "worn-step", LastSession: 1, Ease: 0.93),
        new(
            Dog("Mop", "Number 3, Ferry Street", today.AddMonths(-98), ["yorkshire-terrier"], 3.4, "black-tan", [Purpose.Clinic], Temperament.Wary, [Sensitivity.HandsBehindHead, Sensitivity.LowFoodDrive]),
            [(Measure.NoseToInnerEye, Side.Left, "40"), (Measure.NoseToInnerEye, Side.Right, "41"), (Measure.NeckGirth, null, "21 cm")]),
        new(
            Dog("Juno", "Quarry yard", today.AddMonths(-40), ["malinois"], 27, "fawn", [Purpose.Working], Temperament.Bold, [], BiteTier.ContactNoInjury, "Search dog; the snug fit comes last."),
            Head("110", "112", "254", "74", "66", "162", "410", ["111", "112"]), Fitted: true, TrainedUpTo: "work-snug", LastSession: 3, Ease: 0.96),
        new(
            Dog("Otis", "Ferry Cottage", today.AddMonths(-52), ["boxer"], 30.4, "red", [Purpose.Transport, Purpose.Walks], Temperament.Bold, [Sensitivity.Paws],
                notes: "Crosses on the Saturday ferry, which asks for muzzles on deck."),
            Head("64", "65", "266", "76", "81", "112", "450"), Fitted: true, TrainedUpTo: "happy-wear", LastSession: 4, Ease: 0.95),
        new(
            Dog("Nettle", "Hollin Bank kennel", null, [], 22, "pied", [Purpose.Walks, Purpose.Clinic], Temperament.Soured,
                [Sensitivity.OddObjects, Sensitivity.PeopleNear], BiteTier.Injured, "Came in with a muzzle on, taken off by nobody knows whom. Photo or string only."), []),
        new(
            Dog("Biscuit", "The Maltings", today.AddMonths(-26), ["cocker-spaniel"], 13.6, "golden", [Purpose.Walks, Purpose.Transport], Temperament.Typical, [Sensitivity.Snatchy]),
            Head("83", "84", "218", "63", "58", "126", "345"), Fitted: true, TrainedUpTo: "neck-rub", LastSession: 0, Ease: 0.88, EndsBadly: true),
        new(
            Dog("Sorrel", "Hollin Bank kennel", today.AddMonths(-7), ["rough-collie", "german-shepherd-dog"], 17.5, "sable", [Purpose.Walks, Purpose.Visitors], Temperament.Typical,
                notes: "Still growing; measure every visit."),
            Head("96", "97", "208", "61", "55", "139", "350")),
    ];

    private static DogRow Dog(
        string name, string place, DateOnly? born, List<string> breeds, double kg, string coat, List<Purpose> purposes, Temperament temperament,
        List<Sensitivity>? sensitivities = null, BiteTier tier = BiteTier.None, string? notes = null) => new()
        {
            Id = Guid.NewGuid(),
            Name = name,
            Place = place,
            BirthDate = born,
            BirthDateEstimated = born is not null,
            BreedIds = breeds,
            BodyMassKg = kg,
            CoatId = coat,
            Purposes = purposes,
            Temperament = temperament,
            Sensitivities = sensitivities ?? [],
            BiteTier = tier,
            Notes = notes,
        };

    private static (Measure, Side?, string)[] Head(
        string left, string right, string girth, string height, string width, string jaw, string neck, string[]? again = null) =>
    [
        (Measure.NoseToInnerEye, Side.Left, left), (Measure.NoseToInnerEye, Side.Right, right),
        .. again is null ? [] : new (Measure, Side?, string)[] { (Measure.NoseToInnerEye, Side.Left, again[0]), (Measure.NoseToInnerEye, Side.Right, again[1]) },
        (Measure.SnoutGirth, null, girth), (Measure.SnoutHeight, null, height), (Measure.SnoutWidth, null, width),
        (Measure.JawToNose, null, jaw), (Measure.NeckGirth, null, neck),
    ];
}
