using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>What a maker is told, in words.</summary>
public sealed partial class FittingWords
{
    internal string InnerLength => "Inner length";

    internal string DepthFront => "Depth in front";

    internal string DepthRear => "Depth at the rear edge";

    internal string WidthRear => "Width at the rear edge";

    internal string GirthRear => "Girth at the rear edge";

    internal string StrapLoop => "Neck strap loop";

    internal string InnerLengthWhy(bool pushes) =>
        pushes
            ? "Rear edge of the nose rest to the inside of the front; no longer than nose to eye, for this dog will push."
            : "Rear edge of the nose rest to the inside of the front.";

    internal string DepthFrontWhy(Angle opening) =>
        $"Nose rest to floor in front, so that the mouth opens {opening.Degrees:0}° or more and it does not hang; never shallower than the rear.";

    internal string DepthRearWhy => "Snout, chin room and the opening jaw; a basket deeper at the neck than in front cannot let the mouth open.";

    internal string WidthRearWhy => "Jowls not jammed, basket not twisting.";

    internal string GirthRearWhy(Angle opening) => $"Around the inside, with the mouth open {opening.Degrees:0}°.";

    internal string StrapLoopWhy(int fingers) => $"With {Fingers(fingers)} under it, and room for coat and growth.";

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
                .Select(l => $"{(l.Demand == Demand.RuledOut ? $"Not {Writing.Lower(l.Says)}" : l.Says)}: {l.Reason}"),
            .. brief
                .Lines.Where(l => l is { Overruled: null, Demand: Demand.Wanted })
                .Select(l => $"If it can be had: {l.Says.ToLowerInvariant()}. {l.Reason}"),
        ];

    internal List<string> ShapeNotes(DogProfile dog, SnoutModel snout)
    {
        List<string> notes = [$"{snout.HeadShape} head."];
        foreach (var trait in dog.Traits)
        {
            notes.Add(
                trait switch
                {
                    BreedTrait.NoBridge => "No bridge to rest on: carry it from the forehead strap, with a curved nose rest.",
                    BreedTrait.HeavyJowls => "Heavy jowls: roll or pad the rear edge.",
                    BreedTrait.BroadHead => "Broad head: the sides must not press on the cheeks.",
                    BreedTrait.NarrowHead => "Head narrower than the neck: fit a forehead strap and a collar link.",
                    BreedTrait.LongCoat => "Long coat: measured under the coat; keep hair out of the fastening.",
                    _ => "Toy size: keep every edge thin and light.",
                }
            );
        }

        foreach (var (name, number) in snout.Sources.Where(s => s.Number.Provenance == Provenance.Assumed))
            notes.Add($"{name} was not read but assumed ({new MeasuringWords(writing).Of(number.Origin)}): take it before ordering.");
        return notes;
    }

    internal List<string> Confirmations(DogProfile dog, MuzzleBrief brief)
    {
        List<string> confirm =
        [
            "Inner dimensions are inside the material, coating and padding.",
            "Each dimension as it will be made, before it is made.",
            "How the nose rest is padded, and that nothing presses on or in front of the nose.",
            "Mass when finished, and the price and delivery.",
            "How the fastening adjusts, and in what steps.",
            "That it can be returned or altered after a fitting.",
        ];
        if (brief.BiteTier >= BiteTier.Injured)
            confirm.Add("That it does not give when gripped, and how it was tried.");
        if (dog.HeadShape.Shape == HeadShape.Short)
            confirm.Add("That air passes freely on all sides of the nose.");
        return confirm;
    }
}
