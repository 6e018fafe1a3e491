using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>What a maker is told, in words.</summary>
public sealed partial class FittingWords
{
    internal string InnerLength => writing.Say("Inner length");

    internal string DepthFront => writing.Say("Depth in front");

    internal string DepthRear => writing.Say("Depth at the rear edge");

    internal string WidthRear => writing.Say("Width at the rear edge");

    internal string GirthRear => writing.Say("Girth at the rear edge");

    internal string StrapLoop => writing.Say("Neck strap loop");

    internal string InnerLengthWhy(bool pushes) =>
        pushes
            ? writing.Say("Rear edge of the nose rest to the inside of the front; no longer than nose to eye, for this dog will push.")
            : writing.Say("Rear edge of the nose rest to the inside of the front.");

    internal string DepthFrontWhy(Angle opening) =>
        writing.Say($"Nose rest to floor in front, so that the mouth opens {opening.Degrees:0}° or more and it does not hang; never shallower than the rear.");

    internal string DepthRearWhy => writing.Say("Snout, chin room and the opening jaw; a basket deeper at the neck than in front cannot let the mouth open.");

    internal string WidthRearWhy => writing.Say("Jowls not jammed, basket not twisting.");

    internal string GirthRearWhy(Angle opening) => writing.Say($"Around the inside, with the mouth open {opening.Degrees:0}°.");

    internal string StrapLoopWhy(int fingers) => writing.Say($"With {Fingers(fingers)} under it, and room for coat and growth.");

    internal List<string> OrderFeatures(MuzzleBrief brief) =>
        [
            .. brief
                .Lines.Where(l =>
                    l
                        is {
                            Overruled: null,
                            Demand: Demand.Required or Demand.RuledOut,
                            Topic: not (BriefTopic.Type or BriefTopic.Mouth or BriefTopic.Seat or BriefTopic.NeckStrap)
                        }
                )
                .Select(l => $"{(l.Demand == Demand.RuledOut ? writing.Say($"Not {Writing.Lower(l.Says)}") : l.Says)}: {l.Reason}"),
            .. brief
                .Lines.Where(l => l is { Overruled: null, Demand: Demand.Wanted })
                .Select(l => writing.Say($"If it can be had: {l.Says.ToLowerInvariant()}. {l.Reason}")),
        ];

    internal List<string> ShapeNotes(DogProfile dog, SnoutModel snout)
    {
        List<string> notes = [writing.Say($"{writing.Say(snout.HeadShape.ToString())} head.")];
        foreach (var trait in dog.Traits)
        {
            notes.Add(
                trait switch
                {
                    BreedTrait.NoBridge => writing.Say("No bridge to rest on: carry it from the forehead strap, with a curved nose rest."),
                    BreedTrait.HeavyJowls => writing.Say("Heavy jowls: roll or pad the rear edge."),
                    BreedTrait.BroadHead => writing.Say("Broad head: the sides must not press on the cheeks."),
                    BreedTrait.NarrowHead => writing.Say("Head narrower than the neck: fit a forehead strap and a collar link."),
                    BreedTrait.LongCoat => writing.Say("Long coat: measured under the coat; keep hair out of the fastening."),
                    _ => writing.Say("Toy size: keep every edge thin and light."),
                }
            );
        }

        foreach (var (part, number) in snout.Sources.Where(s => s.Number.Provenance == Provenance.Assumed))
            notes.Add(
                writing.Say(
                    $"{new MeasuringWords(writing).Of(part)} was not read but assumed ({new MeasuringWords(writing).Of(number.Origin)}): take it before ordering."
                )
            );
        return notes;
    }

    internal List<string> Confirmations(DogProfile dog, MuzzleBrief brief)
    {
        List<string> confirm =
        [
            writing.Say("Inner dimensions are inside the material, coating and padding."),
            writing.Say("Each dimension as it will be made, before it is made."),
            writing.Say("How the nose rest is padded, and that nothing presses on or in front of the nose."),
            writing.Say("Mass when finished, and the price and delivery."),
            writing.Say("How the fastening adjusts, and in what steps."),
            writing.Say("That it can be returned or altered after a fitting."),
        ];
        if (brief.BiteTier >= BiteTier.Injured)
            confirm.Add(writing.Say("That it does not give when gripped, and how it was tried."));
        if (dog.HeadShape.Shape == HeadShape.Short)
            confirm.Add(writing.Say("That air passes freely on all sides of the nose."));
        return confirm;
    }
}
