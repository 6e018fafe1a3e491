namespace JauntyBadge.Core.Handover;

/// <summary>The numbers of the job and what another one would change, in words.</summary>
public sealed class HouseNumberWords
{
    public string Next => "What is next";

    public string Checks => "Readings to check";

    public string FirstInList => "First in the list";

    public string BasketsThatFit => "Baskets that fit";

    public string MuzzleInUse => "The muzzle in use";

    public string None => "none";

    /// <summary>The reason of a number set back without one.</summary>
    public string SetBack => "Set back to ours.";

    /// <summary>What a practice may set a number to.</summary>
    public string Accepted(IGrounded number) => $"{number.Show(number.Least)} to {number.Show(number.Most)}{(number.IsWhole ? ", whole" : "")}";

    public string DecidesSetsToCome => "It decides sets that are yet to be trained: what was decided stays as it was.";
}
