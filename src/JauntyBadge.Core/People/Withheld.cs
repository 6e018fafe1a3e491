namespace JauntyBadge.Core.People;

/// <summary>
/// What of a dog is not sent to somebody (House): a keeper gets own dogs without what is marked for us, without bites nobody told the family of, without telephone numbers and places, without
/// the reasons and prices of a choice.
/// </summary>
/// <param name="Notes">Notes marked for us.</param>
/// <param name="Bites">Its bites and what they were about.</param>
/// <param name="Whereabouts">Where people live, and where the keeper is rung.</param>
/// <param name="Choosing">Why a muzzle was chosen, what else there was, what it costs.</param>
public sealed record Withheld(bool Notes, bool Bites, bool Whereabouts, bool Choosing)
{
    /// <summary>What is withheld from a kind of person.</summary>
    /// <param name="kind">Who asks.</param>
    /// <param name="notesForUs">The dog's notes are marked for us.</param>
    /// <param name="familyWasTold">Its family was told about its bites.</param>
    /// <param name="hasBites">It has bites on record.</param>
    public static Withheld Of(PersonKind kind, bool notesForUs, bool familyWasTold, bool hasBites)
    {
        var own = May.HasOwnDogsOnly(kind);
        return new(own && notesForUs, own && hasBites && !familyWasTold, own, own);
    }
}
