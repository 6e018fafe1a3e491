using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Core.Dogs;

/// <summary>What is said of a dog itself. It decides nothing.</summary>
/// <param name="writing">How it is said.</param>
public sealed class DogWords(Writing writing)
{
    /// <summary>Its breeds by name.</summary>
    public string Breeds(DogProfile dog) => dog.Breeds.Count == 0 ? writing.Say("Breed unknown") : string.Join(" × ", dog.Breeds.Select(b => b.Name));

    /// <summary>The age, such as "7 months" or "3 years 8 months"; null when the birth date is not known.</summary>
    public string? Age(DogProfile dog, DateOnly today)
    {
        if (dog.MonthsOld(today) is not { } months)
            return null;
        var (years, rest) = Math.DivRem(months, 12);
        var (full, left) = (
            years == 1 ? writing.Say("1 year") : writing.Say($"{years} years"),
            rest == 1 ? writing.Say("1 month") : writing.Say($"{rest} months")
        );
        return years == 0 ? left
            : rest == 0 ? full
            : $"{full} {left}";
    }

    /// <summary>Why its airway is to be minded, in words that follow "because"; null when nothing says so.</summary>
    public string? Airway(DogProfile dog) =>
        dog.AirwayConcern switch
        {
            null => null,
            AirwayConcern.Noted => writing.Say("airway trouble is noted"),
            AirwayConcern.FaceMeasured => writing.Say($"its face is less than {HeadShapes.AirwayRatio.Ours:0%} as long as the skull behind it"),
            AirwayConcern.ShortHead => writing.Say("its face is short"),
            _ => writing.Say($"{dog.FlatFaced?.Name} is a flat-faced breed"),
        };

    /// <summary>The cautions that belong beside every decision about this dog, most pressing first.</summary>
    public IReadOnlyList<string> Cautions(DogProfile dog, DateOnly today) =>
        [
            .. dog.Cautions(today)
                .Select(caution =>
                    caution switch
                    {
                        DogCaution.Bites => writing.Say(
                            "A bite that injured belongs with a qualified behaviour professional as well: a muzzle does not treat the cause. Local rules on dangerous dogs decide."
                        ),
                        DogCaution.AirwayTrouble => writing.Say(
                            "Airway trouble is noted: nothing that closes its mouth or lies on its face, and a veterinarian looks at its breathing before any muzzle."
                        ),
                        DogCaution.FaceMeasured => writing.Say(
                            "The face is less than half as long as the skull behind it: airway disease was seen in such dogs (Packer et al. 2015). A veterinarian looks at its breathing before any muzzle."
                        ),
                        DogCaution.ShortHead => writing.Say(
                            "A short face pants and cools poorly: ask the veterinarian about its airway before any muzzle, and keep wears short and cool."
                        ),
                        DogCaution.MindAirway => writing.Say(
                            $"Mind its airway, because {Airway(dog)}: ask the veterinarian before any muzzle, and nothing that closes its mouth."
                        ),
                        DogCaution.Vomits => writing.Say("Prone to vomiting: nothing that closes its mouth, and off at once when it retches."),
                        DogCaution.Sedated => writing.Say(
                            "Sedated at the clinic: what closes its mouth is put on, watched and taken off by the clinic's own staff only."
                        ),
                        DogCaution.Soured => writing.Say(
                            "This dog has had a bad time with a muzzle. If it changed suddenly or seems in pain, see the veterinarian first."
                        ),
                        DogCaution.Growing => writing.Say("Still growing: measure again before each new muzzle and at least every month."),
                        _ => writing.Say(
                            "Always watched, never left alone in it, never all day, never as a punishment. Off at any sign of breathing trouble, overheating or panic."
                        ),
                    }
                ),
        ];

    /// <summary>A row of a table in the reader's language.</summary>
    public CoatColour Told(CoatColour colour) => colour with { Name = writing.Say(colour.Name) };
}
