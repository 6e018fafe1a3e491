using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;

namespace JauntyBadge.Core.Handover;

/// <summary>What an order sheet says.</summary>
/// <param name="Title">Its heading.</param>
/// <param name="Under">For whom and when.</param>
/// <param name="By">Who ordered it.</param>
/// <param name="Heads">Heads of the table of dimensions.</param>
/// <param name="Rows">The dimensions.</param>
/// <param name="Colour">What colour is wanted, or a line to write it on.</param>
/// <param name="Parts">What it must have, what the maker should know and confirm.</param>
public sealed record OrderText(
    string Title,
    string Under,
    string By,
    IReadOnlyList<string> Heads,
    IReadOnlyList<IReadOnlyList<string>> Rows,
    string Colour,
    IReadOnlyList<(string Heading, IReadOnlyList<string> Lines)> Parts
);

public sealed partial class HandoverWords
{
    /// <summary>What an order sheet says.</summary>
    /// <param name="sheet">The sheet.</param>
    /// <param name="name">The dog.</param>
    /// <param name="dog">The same as the rules see it.</param>
    /// <param name="brief">What it needs.</param>
    /// <param name="practice">Who orders; null where nobody said.</param>
    /// <param name="phone">Where to ring.</param>
    /// <param name="today">The day.</param>
    public OrderText Order(OrderSheet sheet, string name, DogProfile dog, MuzzleBrief brief, string? practice, string? phone, DateOnly today) =>
        new(
            writing.Say($"A muzzle made to measure for {name}"),
            string.Join(
                ", ",
                new[]
                {
                    dogs.Breeds(dog),
                    dog.BodyMass is { } mass ? writing.Say($"{Writing.Number(mass.Kilograms)} kg") : null,
                    writing.Day(today),
                }.OfType<string>()
            ),
            practice is null
                ? writing.Say("Ordered by: ______________________   Ring: ____________________")
                : writing.Say($"Ordered by: {string.Join(", ", new[] { practice, phone }.OfType<string>())}"),
            [writing.Say("Inner dimension"), writing.Say("Wanted"), writing.Say("From – to")],
            [
                .. sheet.Dimensions.Select(d =>
                    (IReadOnlyList<string>)
                        [
                            d.Name,
                            writing.Length(d.Wanted),
                            $"{(d.Least is { } least ? writing.Length(least) : "")} – {(d.Most is { } most ? writing.Length(most) : writing.Say("any more"))}",
                        ]
                ),
            ],
            brief.Lines.FirstOrDefault(l => l is { Topic: BriefTopic.Visibility, Overruled: null }) is { } seen
                ? writing.Say($"Colour: {Writing.Lower(seen.Says)} – ____________________")
                : writing.Say("Colour: ____________________"),
            [
                (writing.Say("It must have, and must not"), sheet.Features),
                (writing.Say("Shape of this head"), sheet.ShapeNotes),
                (writing.Say("To be confirmed by the maker"), sheet.Confirm),
                (
                    writing.Say("Before it is worn"),
                    [.. dogs.Cautions(dog, today).TakeLast(1), writing.Say("Local rules on muzzles, transport and dangerous dogs decide.")]
                ),
            ]
        );
}
