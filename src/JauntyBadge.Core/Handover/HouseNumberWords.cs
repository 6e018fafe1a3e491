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

    /// <summary>A number with its unit.</summary>
    public string Show(IGrounded number, double plain) =>
        number.Unit is "min" or "days" ? $"{number.Show(plain).Split(' ')[0]} {writing.Say(number.Unit)}" : number.Show(plain);

    public string Ours => writing.Say("ours");

    /// <summary>What a number decides, where it is set, or the room it belongs to.</summary>
    public string Told(string text) => writing.Say(text);

    /// <summary>The reason of a number set back without one.</summary>
    public string SetBack => writing.Say("Set back to ours.");

    /// <summary>What a practice may set a number to.</summary>
    public string Accepted(IGrounded number) =>
        writing.Say($"{Show(number, number.Least)} to {Show(number, number.Most)}{(number.IsWhole ? writing.Say(", whole") : "")}");

    public string DecidesSetsToCome => writing.Say("It decides sets that are yet to be trained: what was decided stays as it was.");
}
