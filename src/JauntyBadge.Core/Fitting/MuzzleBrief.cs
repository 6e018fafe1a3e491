using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>One thing the brief asks for, with its reason.</summary>
public sealed record BriefLine(string Topic, string Says, string Reason, Basis Basis);

/// <summary>What this dog and purpose need of a muzzle, said before any muzzle is looked at.</summary>
public sealed record MuzzleBrief(
    IReadOnlyList<Purpose> Uses, HeadShape HeadShape, School School, int Fingers, Angle NeededGape, BiteTier BiteTier, IReadOnlyList<BriefLine> Lines)
{
    private static readonly Basis TypeRule = Basis.Practice("sleeves and face covers are for short, watched minutes only");
    private static readonly Basis Containment = Basis.House("what a dog that has injured someone must not be able to bend, slip or reach through");

    /// <summary>Derives the brief.</summary>
    /// <param name="dog">The dog.</param>
    /// <param name="uses">The purposes the muzzle is for; empty takes all of the dog's.</param>
    /// <param name="school">Overrules the school that follows from purpose and history.</param>
    /// <param name="fingers">Overrules the finger rule, 0 to 4.</param>
    public static MuzzleBrief For(DogProfile dog, IReadOnlyList<Purpose> uses, School? school = null, int? fingers = null)
    {
        uses = uses.Count > 0 ? uses : dog.Purposes;
        var shape = dog.HeadShape.Shape;
        var chosen = SchoolFor(dog, uses, school);
        var gape = GapeFor(uses, shape);
        var under = fingers ?? FitRules.Fingers(chosen.School);
        var lines = new List<BriefLine> { Types(uses, shape), gape.Line, chosen.Line };
        lines.Add(new BriefLine(
            "Neck strap", under == 1 ? "One finger under it" : under == 2 ? "Two fingers under it" : $"{under} fingers under it",
            fingers is null ? $"The {chosen.School.ToString().ToLowerInvariant()} school's rule." : "Set by the fitter.", Basis.Practice("finger rules of the two schools")));
        lines.AddRange(HistoryLines(dog.BiteTier));
        if (uses.Contains(Purpose.Scavenging))
            lines.Add(new BriefLine("Front", "Closed", "It picks things up; an open front lets it.", Basis.Practice("closed front for scavengers")));
        return new MuzzleBrief(uses, shape, chosen.School, under, gape.Angle, dog.BiteTier, lines);
    }

    /// <summary>The yes-or-no rules a model breaks, each as a criterion that is out; empty when it may be used.</summary>
    public IReadOnlyList<Criterion> Refusals(MuzzleModel model)
    {
        var refusals = new List<Criterion>();
        void Refuse(CriterionName name, bool when, string reason, Basis basis)
        {
            if (when)
                refusals.Add(new Criterion(name, Verdict.Out, null, reason, basis));
        }

        var clinicOnly = ClinicOnly(Uses);
        var longer = string.Join(", ", Uses.Where(u => u != Purpose.Clinic).Select(u => u.ToString().ToLowerInvariant()));
        var otherUse = longer == "" ? "no purpose is set" : $"this one is also for {longer}";
        Refuse(CriterionName.Use, model.Type == MuzzleType.Sleeve && HeadShape == HeadShape.Short, "A sleeve is never for a short face: it closes the mouth of a dog that needs it to breathe.", TypeRule);
        Refuse(CriterionName.Use, model.Type == MuzzleType.Sleeve && !clinicOnly, $"A sleeve is for a veterinary minute only; {otherUse}.", TypeRule);
        Refuse(CriterionName.Use, model.Type == MuzzleType.FaceCover && HeadShape != HeadShape.Short, "A face cover is for short faces with no bridge to rest on.", TypeRule);
        Refuse(CriterionName.Use, model.Type == MuzzleType.FaceCover && !clinicOnly, $"A face cover is for short visits only; {otherUse}.", TypeRule);
        if (model.Type == MuzzleType.Basket)
        {
            var bites = BiteTier >= BiteTier.Injured;
            Refuse(CriterionName.Containment, bites && !model.DoesNotGive, "It gives when pressed; after a bite that injured it must not.", Containment);
            Refuse(CriterionName.Containment, bites && model.ForeheadStrap == ForeheadStrap.None, "No forehead strap can be fitted, so a paw could haul it off.", Containment);
            Refuse(CriterionName.Containment, bites && !model.CollarLink, "It has no link to the collar.", Containment);
            Refuse(CriterionName.Containment, bites && !model.FrontBar, "It has no front bar, so front teeth can reach someone.", Containment);
            Refuse(CriterionName.Containment, BiteTier == BiteTier.SeveralOrDeep && model.Closure != Closure.Both, "It has one closure only; two independent ones are needed.", Containment);
            Refuse(CriterionName.Front, Uses.Contains(Purpose.Scavenging) && model.FrontOpening == FrontOpening.Fixed, "The front is open and this dog picks things up.", Basis.Practice("closed front for scavengers"));
        }

        return refusals;
    }

    private static bool ClinicOnly(IReadOnlyList<Purpose> uses) => uses.Count > 0 && uses.All(u => u == Purpose.Clinic);

    private static BriefLine Types(IReadOnlyList<Purpose> uses, HeadShape shape) =>
        (ClinicOnly(uses), shape) switch
        {
            (true, HeadShape.Short) => new("Type", "Basket, or a face cover for short visits", "A short face may have no bridge for a basket to rest on.", TypeRule),
            (true, _) => new("Type", "Basket, or a sleeve for a veterinary minute", "For the clinic alone a sleeve may do for up to five minutes, watched all the time. Front teeth can still nip.", TypeRule),
            _ => new("Type", "Basket", "It must pant, drink and take treats in it.", TypeRule),
        };

    private static (Angle Angle, BriefLine Line) GapeFor(IReadOnlyList<Purpose> uses, HeadShape shape)
    {
        var calmMinutes = ClinicOnly(uses) && shape != HeadShape.Short;
        return calmMinutes
            ? (FitRules.HalfPant.Value, new("Mouth", $"Opens {FitRules.HalfPant.Value.Degrees:0}° or more: half a pant", "Short calm wear at the clinic.", FitRules.HalfPant.Basis))
            : (FitRules.FullPant.Value, new(
                "Mouth", $"Opens {FitRules.FullPant.Value.Degrees:0}° or more: a full pant",
                shape == HeadShape.Short ? "A short face needs all its panting." : "Walks, warmth or more than twenty minutes.", FitRules.FullPant.Basis));
    }

    private static (School School, BriefLine Line) SchoolFor(DogProfile dog, IReadOnlyList<Purpose> uses, School? set)
    {
        var (school, reason, basis) = set is { } given
            ? (given, "Set by the fitter.", Basis.Practice("two schools, both in use"))
            : dog.BiteTier == BiteTier.SeveralOrDeep
                ? (Fitting.School.Working, "Several or deep bites ask for a snug fit.", Basis.House("containment tier 4"))
                : uses.Contains(Purpose.Working)
                    ? (Fitting.School.Working, "Working fits sit snug.", Basis.Practice("the working school"))
                    : (Fitting.School.Everyday, "Room to pant comes first.", Basis.Practice("the everyday school"));
        return (school, new("Seat", school == Fitting.School.Working ? "Working: snug" : "Everyday: roomy", reason, basis));
    }

    private static IEnumerable<BriefLine> HistoryLines(BiteTier tier)
    {
        if (tier >= BiteTier.Injured)
            yield return new("Containment", "Does not give; forehead strap, collar link, front bar", "It has injured someone with a bite.", Containment);
        if (tier == BiteTier.SeveralOrDeep)
            yield return new("Closure", "Two independent closures, no quick clip alone", "Several or deep bites.", Containment);
    }
}
