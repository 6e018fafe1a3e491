using JauntyBadge.Core.Conditioning;

namespace JauntyBadge.Core.Handover.Cards;

/// <summary>Whom a card is for.</summary>
public enum Audience
{
    Clinic,
    Walker,
    Groomer,
    Family,
}

/// <summary>What may stand on a card, in the order it stands there.</summary>
public enum CardItem
{
    WornToday,
    Signs,
    Present,
    Muzzle,
    Bites,
    Airway,
    Vomiting,
    Sedation,
    PossibleInIt,
    SecondPerson,
    Passed,
    NotTrained,
    People,
    Treats,
    Heat,
    Cautions,
    Call,
}

/// <summary>Whether an audience gets an item.</summary>
public enum CardGrant
{
    No,
    Yes,

    /// <summary>Only where it was told of it: somebody said so of this dog.</summary>
    IfTold,
}

/// <summary>Who gets what: to each what it needs and no more (House, on practice).</summary>
internal sealed record CardRow(CardItem Item, CardGrant Clinic, CardGrant Walker, CardGrant Groomer, CardGrant Family)
{
    private const string Table = "card.json";

    public static IReadOnlyList<CardRow> All { get; } = Load();

    public CardGrant For(Audience audience) =>
        audience switch
        {
            Audience.Clinic => Clinic,
            Audience.Walker => Walker,
            Audience.Groomer => Groomer,
            _ => Family,
        };

    private static IReadOnlyList<CardRow> Load()
    {
        var rows = Tables.Read<CardRow>(Table);
        Tables.Refuse(
            Table,
            "every item once, in order",
            Enum.GetValues<CardItem>().Where((item, i) => rows.Count <= i || rows[i].Item != item).Select(i => $"{i}")
        );
        return rows;
    }
}

/// <summary>A step that an audience asks about, in the words of somebody who does not train.</summary>
/// <param name="Step">Its id.</param>
/// <param name="Says">What it can do by then.</param>
/// <param name="For">Who asks about it.</param>
public sealed record CardStep(string Step, string Says, IReadOnlyList<Audience> For)
{
    private const string Table = "card-steps.json";

    /// <summary>The step that tells whether a second person may close it.</summary>
    public const string SecondPerson = "other-hands";

    public static IReadOnlyList<CardStep> All { get; } = Load();

    private static IReadOnlyList<CardStep> Load()
    {
        var rows = Tables.Read<CardStep>(Table);
        Tables.RefuseTwins(Table, rows.Select(r => r.Step));
        Tables.Refuse(Table, "steps that there are", rows.Where(r => Conditioning.Step.Find(r.Step) is null).Select(r => r.Step));
        Tables.Refuse(Table, "somebody who asks", rows.Where(r => r.For.Count == 0).Select(r => r.Step));
        return rows;
    }
}
