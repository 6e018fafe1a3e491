namespace JauntyBadge.Core.Handover;

/// <summary>The numbers of the job and what another one would change, in words.</summary>
/// <param name="writing">How they are said.</param>
public sealed class HouseNumberWords(Writing writing)
{
    public string Next => writing.Say("What is next");

    public string Checks => writing.Say("Readings to check");

    public string FirstInList => writing.Say("First in the list");

    public string BasketsThatFit => writing.Say("Baskets that fit");

    public string MuzzleInUse => writing.Say("The muzzle in use");

    public string None => writing.Say("none");

    public string Ours => writing.Say("ours");

    /// <summary>What a number decides, where it is set, or the room it belongs to.</summary>
    public string Told(string text) => writing.Say(text);

    /// <summary>The reason of a number set back without one.</summary>
    public string SetBack => writing.Say("Set back to ours.");

    /// <summary>What a practice may set a number to.</summary>
    public string Accepted(IGrounded number) =>
        writing.Say($"{number.Show(number.Least)} to {number.Show(number.Most)}{(number.IsWhole ? writing.Say(", whole") : "")}");

    public string DecidesSetsToCome => writing.Say("It decides sets that are yet to be trained: what was decided stays as it was.");
}
