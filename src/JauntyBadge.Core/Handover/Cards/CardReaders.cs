using JauntyBadge.Core.People;

namespace JauntyBadge.Core.Handover.Cards;

/// <summary>Which cards somebody may read (House).</summary>
public static class CardReaders
{
    /// <summary>A clinic its own; a keeper the family's, and the others only where those say nothing that the family was not told.</summary>
    /// <param name="kind">Who asks.</param>
    /// <param name="withheld">What of the dog is not sent to them.</param>
    public static IReadOnlyList<Audience> MayRead(PersonKind kind, Withheld withheld) =>
        kind switch
        {
            PersonKind.Clinic => [Audience.Clinic],
            PersonKind.Keeper when withheld.Bites => [Audience.Family],
            _ => Enum.GetValues<Audience>(),
        };

    /// <summary>What a card is made from for somebody: on a keeper's phone, which children hold too, stands no number but the fitter's and the clinic's.</summary>
    public static CardFacts For(PersonKind kind, CardFacts facts) => kind == PersonKind.Keeper ? facts with { Keeper = new(null, null) } : facts;
}
