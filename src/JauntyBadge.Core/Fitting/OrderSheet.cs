using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>One inner dimension of a custom muzzle.</summary>
/// <param name="Name">Which, in words a maker uses.</param>
/// <param name="Wanted">What to aim for.</param>
/// <param name="Least">Least accepted; null for no least.</param>
/// <param name="Most">Most accepted; null for no most.</param>
/// <param name="Why">What it rests on.</param>
public sealed record OrderDimension(string Name, Length Wanted, Length? Least, Length? Most, string Why);

/// <summary>What a maker needs for a muzzle made to measure.</summary>
/// <param name="Dimensions">Inner dimensions with their windows.</param>
/// <param name="Features">What it has to have, and what it must not.</param>
/// <param name="ShapeNotes">What the maker should know of this head.</param>
/// <param name="Confirm">What the maker has to confirm before making it.</param>
/// <param name="Check">The wanted dimensions judged on the snout they came from.</param>
public sealed record OrderSheet(
    IReadOnlyList<OrderDimension> Dimensions, IReadOnlyList<string> Features, IReadOnlyList<string> ShapeNotes, IReadOnlyList<string> Confirm, FitAssessment Check)
{
    public static readonly Grounded<double> FrontDepthAllowance = new(
        "order.front-allowance", "Most the front may be deeper than needed, as a share", 0.25, Basis.House("deeper hangs and catches"));

    public static readonly Grounded<Length> StrapEitherWay = new(
        "order.strap-either-way", "What the neck strap takes up or lets out around its setting", Length.FromMillimeters(40), Basis.House("coat, growth and weight over a year"));

    public static readonly Grounded<Length> MakersTolerance = new(
        "order.tolerance", "Room beyond the least, so that a maker's tolerance does not use it up", Length.FromMillimeters(3), Basis.House("wire and leather are made to a few millimetres"));

    /// <summary>Works the sheet out for a snout and a brief.</summary>
    public static OrderSheet For(DogProfile dog, FitQuestion question)
    {
        var (snout, brief) = (question.Snout, question.Brief);
        var request = question.Request(ForeheadStrap.Fitted);
        var (window, _) = FitRules.SeatWindow(brief.School, snout);
        var (eye, slack) = (snout.EyeLine.Value, window.High - window.Low);
        var tolerance = MakersTolerance.Value;
        var longest = request.ShoveMustHold ? eye : eye + slack;
        var length = request.ShoveMustHold ? eye - UnitMath.Min(tolerance, slack / 2) : eye;
        var rear = snout.Height.Value + FitRules.ChinRoom.Value + tolerance;
        var width = snout.Width.Value + (FitRules.WidthLow.Value + FitRules.WidthHigh.Value) / 2;
        var strap = NeckStrap.LoopMm(snout.NeckGirth?.Millimeters ?? double.NaN, brief.Fingers, question.Finger.Millimeters) is var mm && double.IsNaN(mm) ? (Length?)null : Length.FromMillimeters(mm);
        var (low, high) = strap is { } loop ? (loop - StrapEitherWay.Value, loop + StrapEitherWay.Value) : (Length.FromMillimeters(200), Length.FromMillimeters(700));
        BasketModel With(Length front, Length back) => new(length, front, back, width, Girth(back, width), low, high);

        // The rear edge must go round the open mouth: deepen it until it does.
        var needed = BasketFit.NeededGirth(snout, brief.NeededGape) + tolerance;
        if (Girth(rear, width) < needed && SnoutSection.OtherSide(needed, width) is { } deeper)
            rear = UnitMath.Max(rear, deeper);
        var seat = Seat.Of(snout, With(rear, rear), window);
        bool Opens(BasketModel basket) => Gape.FloorRoom(snout, basket, seat, brief.NeededGape) >= FitRules.FloorClearance.Value && Gape.FloorRoom(snout, basket, seat, Angle.Zero) >= FitRules.ChinRoom.Value;

        // However deep the front, the turned jaw must clear the rear edge; then the front is as deep as it has to be.
        var bottomless = 20 * (snout.Height.Value + eye);
        rear = UnitMath.Max(rear, Least(back => Opens(With(bottomless, back)), bottomless) + tolerance);
        var least = Least(deep => Opens(With(deep, rear)), bottomless);
        var front = UnitMath.Max(least + tolerance, rear);
        var made = With(front, rear);

        List<OrderDimension> dimensions =
        [
            new("Inner length", length, eye - slack, longest, request.ShoveMustHold ? "Rear edge of the nose rest to the inside of the front; no longer than nose to eye, for this dog will push." : "Rear edge of the nose rest to the inside of the front."),
            new("Depth in front", front, least, front * (1 + FrontDepthAllowance.Value), $"Nose rest to floor in front, so that the mouth opens {brief.NeededGape.Degrees:0}° or more; never shallower than the rear."),
            new("Depth at the rear edge", rear, rear - tolerance, rear * (1 + FrontDepthAllowance.Value), "Snout, chin room and the opening jaw; a basket deeper at the neck than in front cannot let the mouth open."),
            new("Width at the rear edge", width, snout.Width.Value + FitRules.WidthLow.Value, snout.Width.Value + FitRules.WidthHigh.Value, "Jowls not jammed, basket not twisting."),
            new("Girth at the rear edge", made.OpeningGirth, needed - tolerance, null, $"Around the inside, with the mouth open {brief.NeededGape.Degrees:0}°."),
        ];
        if (strap is { } setting)
            dimensions.Add(new("Neck strap loop", setting, low, high, $"With {NeckStrap.FingersInWords(brief.Fingers)} under it, and room for coat and growth."));
        return new OrderSheet(dimensions, FeaturesOf(brief), Notes(dog, snout), Confirmations(dog, brief), BasketFit.Assess(snout, made, request));
    }

    private static Length Girth(Length depth, Length width) => SnoutSection.Girth(depth, width);

    /// <summary>The least depth that is enough, to a tenth of a millimetre; deeper is never less.</summary>
    private static Length Least(Func<Length, bool> enough, Length most)
    {
        var (low, high) = (1.0, most.Millimeters);
        while (high - low > 0.05)
        {
            var middle = (low + high) / 2;
            (low, high) = enough(Length.FromMillimeters(middle)) ? (low, middle) : (middle, high);
        }

        return Length.FromMillimeters(Math.Ceiling(high * 10) / 10);
    }

    private static List<string> FeaturesOf(MuzzleBrief brief) =>
    [
        .. brief.Lines.Where(l => l.Overruled is null && l.Demand is Demand.Required or Demand.RuledOut && l.Topic is not "Type" and not "Mouth" and not "Seat" and not "Neck strap").Select(l => $"{(l.Demand == Demand.RuledOut ? $"Not {char.ToLowerInvariant(l.Says[0])}{l.Says[1..]}" : l.Says)}: {l.Reason}"),
        .. brief.Lines.Where(l => l is { Overruled: null, Demand: Demand.Wanted }).Select(l => $"If it can be had: {l.Says.ToLowerInvariant()}. {l.Reason}"),
    ];

    private static List<string> Notes(DogProfile dog, SnoutModel snout)
    {
        List<string> notes = [$"{snout.HeadShape} head."];
        foreach (var trait in dog.Breeds.SelectMany(b => b.Traits).Distinct())
        {
            notes.Add(trait switch
            {
                BreedTrait.NoBridge => "No bridge to rest on: carry it from the forehead strap, with a curved nose rest.",
                BreedTrait.HeavyJowls => "Heavy jowls: roll or pad the rear edge.",
                BreedTrait.BroadHead => "Broad head: the sides must not press on the cheeks.",
                BreedTrait.NarrowHead => "Head narrower than the neck: fit a forehead strap and a collar link.",
                BreedTrait.LongCoat => "Long coat: measured under the coat; keep hair out of the fastening.",
                _ => "Toy size: keep every edge thin and light.",
            });
        }

        foreach (var (name, number) in snout.Sources.Where(s => s.Number.Provenance == Provenance.Assumed))
            notes.Add($"{name} was not read but assumed ({number.How}): take it before ordering.");
        return notes;
    }

    private static List<string> Confirmations(DogProfile dog, MuzzleBrief brief)
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
