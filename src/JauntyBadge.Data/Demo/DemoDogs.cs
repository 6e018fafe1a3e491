using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Data.Dogs;

namespace JauntyBadge.Data.Demo;

/// <summary>What was written down: measure, side, the text as taken, and why it was set aside if it was.</summary>
internal sealed record DemoReading(Measure Measure, Side? Side, string Text, string? SetAside = null);

/// <summary>An earlier measuring set.</summary>
internal sealed record DemoSet(int DaysAgo, double MassKg, IReadOnlyList<DemoReading> Readings);

/// <summary>An invented dog of the demo practice, and how far it has come.</summary>
/// <param name="Row">Who it is.</param>
/// <param name="Readings">What was written down: measure, side and the text as taken.</param>
/// <param name="Fitted">Whether a muzzle was chosen.</param>
/// <param name="TrainedUpTo">The step its training has come to; null for none.</param>
/// <param name="LastSession">Days since its last session.</param>
/// <param name="Quick">How much quicker than usual for its temperament it learns.</param>
/// <param name="HardAt">A step that it finds very hard, for reasons of its own.</param>
/// <param name="MostSessions">Sessions after which the story ends, wherever it stands.</param>
/// <param name="WantedInDays">Days until it has to be ready; null for no date.</param>
/// <param name="EndsBadly">Its last set went over threshold.</param>
/// <param name="Tool">What its readings were taken with.</param>
/// <param name="Earlier">Sets taken before, the oldest first.</param>
/// <param name="MeasuredDaysAgo">When the readings were taken; null for shortly before the training began.</param>
/// <param name="MassThen">What it weighed when measured, if not what it weighs now.</param>
/// <param name="Pictured">Pictures of its head are on record.</param>
internal sealed record DemoDog(
    DogRow Row,
    IReadOnlyList<DemoReading> Readings,
    bool Fitted = false,
    string? TrainedUpTo = null,
    int LastSession = 0,
    double Quick = 1,
    int MostSessions = 400,
    int? WantedInDays = null,
    string? HardAt = null,
    bool EndsBadly = false,
    Tool Tool = Tool.SoftTape,
    IReadOnlyList<DemoSet>? Earlier = null,
    int? MeasuredDaysAgo = null,
    double? MassThen = null,
    bool Pictured = false
)
{
    private const string LabradorId = "labrador-retriever";

    /// <summary>The dogs along the made-up Wend valley, born relative to today.</summary>
    public static IReadOnlyList<DemoDog> All(DateOnly today) =>
        [
            new(
                Dog(
                    "Bracken",
                    "Ida Holme",
                    "Overwend Farm",
                    today.AddMonths(-44),
                    [LabradorId],
                    29.5,
                    "golden",
                    [Purpose.Walks, Purpose.Scavenging],
                    Temperament.Bold,
                    notes: "Eats sheep droppings and worse on the top pasture."
                ),
                [.. Head("98", "100", "272", "80", "73", "149", "430", ["97", "101"]), .. FitLine("80")],
                Fitted: true,
                TrainedUpTo: "first-close",
                LastSession: 1,
                HardAt: "click-near",
                MostSessions: 26
            ),
            new(
                Dog(
                    "Fern",
                    "Ida Holme",
                    "Overwend Farm",
                    today.AddMonths(-30),
                    ["border-collie"],
                    18.2,
                    "black",
                    [Purpose.Clinic, Purpose.Walks],
                    Temperament.Wary,
                    [Sensitivity.OddObjects, Sensitivity.HandsBehindHead],
                    BiteTier.Threatens,
                    "Works the hill; hates being reached over."
                ),
                [.. Head("9,2 cm", "9,4 cm", "21,6 cm", "6,3 cm", "5,9 cm", "13,6 cm", "36 cm"), .. FitLine("7,4 cm")],
                Fitted: true,
                TrainedUpTo: "nose-halfway",
                LastSession: 2,
                WantedInDays: 12
            ),
            new(
                Dog(
                    "Dumpling",
                    "Perrin Sallow",
                    "Wend Lock, canal side",
                    today.AddMonths(-61),
                    ["french-bulldog"],
                    12.8,
                    "brindle",
                    [Purpose.Clinic],
                    Temperament.Typical,
                    notes: "Snores. Vet at Wend Lock has seen its airway: short and calm wears only."
                ),
                [
                    new(Measure.NoseToInnerEye, Side.Left, "38"),
                    new(Measure.NoseToInnerEye, Side.Right, "45"),
                    new(Measure.SnoutGirth, null, "215"),
                    new(Measure.SnoutHeight, null, "52"),
                    new(Measure.NeckGirth, null, "380"),
                    new(Measure.StopToNose, null, "42"),
                    new(Measure.StopToOcciput, null, "112"),
                    new(Measure.SkullWidth, null, "126"),
                ]
            ),
            new(
                Dog(
                    "Admiral",
                    "The Thwaites",
                    "The Old Toll House",
                    today.AddMonths(-77),
                    ["greyhound"],
                    31,
                    "grey",
                    [Purpose.Visitors],
                    Temperament.Typical,
                    [Sensitivity.Clicks],
                    BiteTier.ContactNoInjury,
                    "Retired. Sleeps on the sofa, minds the doorbell."
                ),
                [.. Head("4 3/8 in", "4 1/2 in", "8 1/4 in", "2 1/2 in", "2 1/8 in", "6 3/8 in", "15 1/2 in"), .. FitLine("3 5/8 in")],
                Fitted: true,
                TrainedUpTo: "worn-step",
                LastSession: 1
            ),
            new(
                Dog(
                    "Mop",
                    "Odile Marsh",
                    "Number 3, Ferry Street",
                    today.AddMonths(-98),
                    ["yorkshire-terrier"],
                    3.4,
                    "black-tan",
                    [Purpose.Clinic],
                    Temperament.Wary,
                    [Sensitivity.HandsBehindHead, Sensitivity.LowFoodDrive]
                ),
                [
                    new(Measure.NoseToInnerEye, Side.Left, "40"),
                    new(Measure.NoseToInnerEye, Side.Right, "41"),
                    .. FitLine("29"),
                    new(Measure.SnoutGirth, null, "13 cm"),
                    new(Measure.SnoutHeight, null, "38"),
                    new(Measure.SnoutWidth, null, "35"),
                    new(Measure.NeckGirth, null, "21 cm"),
                ],
                TrainedUpTo: "nose-all-in",
                LastSession: 1,
                Quick: 0.35,
                MostSessions: 45,
                Tool: Tool.String
            ),
            new(
                Dog(
                    "Juno",
                    "Corbin Ashdale",
                    "Quarry yard",
                    today.AddMonths(-40),
                    ["malinois"],
                    27,
                    "fawn",
                    [Purpose.Working],
                    Temperament.Bold,
                    [],
                    BiteTier.ContactNoInjury,
                    "Search dog; the snug fit comes last."
                ),
                [.. Head("110", "112", "254", "74", "66", "162", "410", ["111", "112"]), new(Measure.NoseToOcciput, null, "244")],
                Fitted: true,
                TrainedUpTo: "work-snug",
                LastSession: 3,
                WantedInDays: 20
            ),
            new(
                Dog(
                    "Otis",
                    "Wynne Latchet",
                    "Ferry Cottage",
                    today.AddMonths(-52),
                    ["boxer"],
                    30.4,
                    "red",
                    [Purpose.Transport, Purpose.Walks],
                    Temperament.Bold,
                    [Sensitivity.Paws],
                    notes: "Crosses on the Saturday ferry, which asks for muzzles on deck."
                ),
                [.. Head("64", "65", "266", "76", "81", "112", "450"), .. FitLine("47")],
                Fitted: true,
                TrainedUpTo: "happy-wear",
                LastSession: 4,
                MassThen: 34.2
            ),
            new(
                Dog(
                    "Nettle",
                    "Hollin Bank",
                    "Hollin Bank kennel",
                    null,
                    [],
                    22,
                    "pied",
                    [Purpose.Walks, Purpose.Clinic],
                    Temperament.Soured,
                    [Sensitivity.OddObjects, Sensitivity.PeopleNear],
                    BiteTier.Injured,
                    "Came in with a muzzle on, taken off by nobody knows whom. Photo or string only."
                ),
                [],
                TrainedUpTo: "look-at-it",
                LastSession: 2,
                MostSessions: 60,
                Pictured: true
            ),
            new(
                Dog(
                    "Biscuit",
                    "Sefa Tarn",
                    "The Maltings",
                    today.AddMonths(-26),
                    ["cocker-spaniel"],
                    13.6,
                    "golden",
                    [Purpose.Walks, Purpose.Transport],
                    Temperament.Typical,
                    [Sensitivity.Snatchy]
                ),
                [.. Head("83", "84", "218", "63", "58", "126", "345"), .. FitLine("65")],
                Fitted: true,
                TrainedUpTo: "neck-rub",
                LastSession: 0,
                EndsBadly: true
            ),
            new(
                Dog(
                    "Sorrel",
                    "Hollin Bank",
                    "Hollin Bank kennel",
                    today.AddMonths(-7),
                    ["rough-collie", "german-shepherd-dog"],
                    17.5,
                    "sable",
                    [Purpose.Walks, Purpose.Visitors],
                    Temperament.Typical,
                    notes: "Still growing; measure every visit."
                ),
                [
                    .. Head("96", "97", "208", "61", "55", "139", "350"),
                    .. FitLine("77"),
                    new(Measure.NeckGirth, null, "352"),
                    new(Measure.NeckGirth, null, "371", "She swallowed."),
                ],
                MeasuredDaysAgo: 33,
                Earlier:
                [
                    new(95, 11.2, [.. Head("79", "80", "176", "50", "46", "113", "292"), .. FitLine("60")]),
                    new(64, 14.6, [.. Head("88", "89", "194", "56", "51", "127", "322"), .. FitLine("70")]),
                ]
            ),
        ];

    /// <summary>Labradors fitted in earlier years and off the round since, so that the practice has a range of its own.</summary>
    public static IReadOnlyList<DemoDog> EarlierLabradors(DateOnly today, Random random)
    {
        string Around(double mm, double scatter) => $"{mm + scatter * (random.NextDouble() + random.NextDouble() - 1):0}";
        string[] names = ["Barley", "Sedge", "Tumble", "Wick", "Marram", "Pippin", "Teasel", "Rook", "Clover"];
        return
        [
            .. names.Select(
                (name, i) =>
                    new DemoDog(
                        Dog(name, null, "Off the round", today.AddMonths(-60 - 7 * i), [LabradorId], 25 + i, "black", [Purpose.Walks], Temperament.Typical),
                        [
                            .. Head(Around(98, 6), Around(99, 6), Around(270, 14), Around(80, 5), Around(73, 5), Around(149, 8), Around(428, 24)),
                            .. FitLine(Around(80, 6)),
                        ],
                        MeasuredDaysAgo: 200 + 90 * i
                    )
            ),
        ];
    }

    private static DemoReading[] FitLine(string text) => [new(Measure.FitLineLength, null, text)];

    private static DogRow Dog(
        string name,
        string? keeper,
        string place,
        DateOnly? born,
        List<string> breeds,
        double kg,
        string coat,
        List<Purpose> purposes,
        Temperament temperament,
        List<Sensitivity>? sensitivities = null,
        BiteTier tier = BiteTier.None,
        string? notes = null
    ) =>
        new()
        {
            Id = Guid.NewGuid(),
            Name = name,
            Keeper = keeper,
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

    private static DemoReading[] Head(string left, string right, string girth, string height, string width, string jaw, string neck, string[]? again = null) =>
        [
            new(Measure.NoseToInnerEye, Side.Left, left),
            new(Measure.NoseToInnerEye, Side.Right, right),
            .. again is null ? [] : new DemoReading[] { new(Measure.NoseToInnerEye, Side.Left, again[0]), new(Measure.NoseToInnerEye, Side.Right, again[1]) },
            new(Measure.SnoutGirth, null, girth),
            new(Measure.SnoutHeight, null, height),
            new(Measure.SnoutWidth, null, width),
            new(Measure.JawToNose, null, jaw),
            new(Measure.NeckGirth, null, neck),
        ];
}
