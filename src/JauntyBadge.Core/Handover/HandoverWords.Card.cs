using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Handover.Cards;
using JauntyBadge.Core.Wearing;
using UnitsNet;

namespace JauntyBadge.Core.Handover;

/// <summary>What a card says.</summary>
/// <param name="Item">Which part of it.</param>
/// <param name="Heading">Its heading.</param>
/// <param name="Lines">A sentence each, the most pressing first.</param>
public sealed record CardPart(CardItem Item, string Heading, IReadOnlyList<string> Lines);

public sealed partial class HandoverWords
{
    private const int SignsNamed = 4;
    private readonly WearingWords wearing = new(writing);
    private readonly ConditioningWords conditioning = new(writing);
    private readonly FittingWords fitting = new(writing);
    private readonly DogWords dogs = new(writing);

    /// <summary>An audience within a heading.</summary>
    public string Of(Audience audience) =>
        audience switch
        {
            Audience.Clinic => writing.Say("For the clinic"),
            Audience.Walker => writing.Say("For the walker"),
            Audience.Groomer => writing.Say("For the groomer"),
            _ => writing.Say("For the family"),
        };

    /// <summary>How long at most, as the big words of a card; never a promise.</summary>
    public string Headline(CardFacts facts) => facts is not { Limit: { } limit, Question: { } question } ? wearing.NoMuzzle : wearing.Headline(limit, question);

    /// <summary>Until when the card holds, and why no longer.</summary>
    public string Holds(HandoverCard card, CardFacts facts)
    {
        var due = card.Due is { } d ? Upkeep(d) : null;
        return card.Until == facts.Today && due is not null ? writing.Say($"Made {writing.Weekday(facts.Today)}. Holds today only: {due} is due.")
            : due is not null ? writing.Say($"Made {writing.Weekday(facts.Today)}. Holds until {writing.Weekday(card.Until)}: {due} is due then.")
            : writing.Say($"Made {writing.Weekday(facts.Today)}. Holds until {writing.Weekday(card.Until)}.");
    }

    /// <summary>Every part of a card.</summary>
    public IReadOnlyList<CardPart> Parts(HandoverCard card, CardFacts facts) =>
        [.. card.Items.Select(item => new CardPart(item, Heading(item), Lines(item, card, facts))).Where(p => p.Lines.Count > 0)];

    private string Heading(CardItem item) =>
        item switch
        {
            CardItem.WornToday => writing.Say("How long"),
            CardItem.Signs => writing.Say("Off at once"),
            CardItem.Present => writing.Say("How it goes on"),
            CardItem.Muzzle => writing.Say("What it wears"),
            CardItem.Bites => writing.Say("Bites"),
            CardItem.Airway => writing.Say("Airway"),
            CardItem.Vomiting => writing.Say("Vomiting"),
            CardItem.Sedation => writing.Say("Sedation"),
            CardItem.PossibleInIt => writing.Say("What can be done in it"),
            CardItem.SecondPerson => writing.Say("Closed by somebody else"),
            CardItem.Passed => writing.Say("Trained"),
            CardItem.NotTrained => writing.Say("Not trained"),
            CardItem.People => writing.Say("Meeting people"),
            CardItem.Treats => writing.Say("Treats"),
            CardItem.Heat => writing.Say("Heat"),
            CardItem.Cautions => writing.Say("Always"),
            _ => writing.Say("Whom to call"),
        };

    private List<string> Lines(CardItem item, HandoverCard card, CardFacts facts) =>
        item switch
        {
            CardItem.WornToday => [.. Worn(facts)],
            CardItem.Signs => [.. Signs(facts)],
            CardItem.Present => [.. Present(facts)],
            CardItem.Muzzle => [.. Muzzle(facts)],
            CardItem.Bites => [.. Bites(facts)],
            CardItem.Airway => [writing.Say($"Mind its breathing: {dogs.Airway(facts.Record.Profile)}. Nothing that holds its mouth shut.")],
            CardItem.Vomiting => [writing.Say("Prone to vomiting: off at once when it retches; nothing that closes its mouth.")],
            CardItem.Sedation => [writing.Say("It is sedated at the clinic: off as soon as it lies, and nobody leaves it alone in it.")],
            CardItem.PossibleInIt => [.. Possible(facts)],
            CardItem.SecondPerson => [SecondPerson(facts)],
            CardItem.Passed => Steps(card),
            CardItem.NotTrained => [.. NotTrained(card, facts)],
            CardItem.People => [.. People(facts.Record.Profile)],
            CardItem.Treats => [.. Treats(facts)],
            CardItem.Heat => [.. Heats(facts)],
            CardItem.Cautions => [.. dogs.Cautions(facts.Record.Profile, facts.Today).TakeLast(1)],
            _ => [.. Call(card, facts)],
        };

    private IEnumerable<string> Worn(CardFacts facts)
    {
        if (facts is not { Limit: { } limit, Question: { } question })
            yield break;
        yield return $"{wearing.Says(limit.Decides, question, limit)}.";
        if (facts.WhenCool is { NotNow: false } cool && cool.Cap > limit.Cap)
            yield return writing.Say($"On a cool day, watched all the time: {writing.Minutes(cool.Cap)} at most.");
    }

    private IEnumerable<string> Signs(CardFacts facts)
    {
        yield return writing.Say(
            $"{Writing.Capital(string.Join("; ", WornSign.All.Select(s => Writing.Lower(wearing.Told(s).Name))))}: off now, shade, cool water, ring the veterinarian."
        );
        var own = facts.OwnSigns.Select(Sign.Find).OfType<Sign>().Take(SignsNamed).Select(s => Writing.Lower(conditioning.Told(s).Name)).ToList();
        if (own.Count > 0)
            yield return writing.Say($"What this dog shows first: {writing.And(own)}. Stop there.");
    }

    private IEnumerable<string> Present(CardFacts facts)
    {
        yield return facts.GoesIn
            ? writing.Say("Hold it still at its side, low, and wait: it puts its own nose in. Never pushed on.")
            : writing.Say("It does not put its nose in by itself yet: do not put it on. Never pushed on.");
        yield return (facts.Cue, facts.KnowsWord) switch
        {
            ({ } cue, true) => writing.Say($"Its word is “{cue}”."),
            ({ } cue, false) => writing.Say($"Its word will be “{cue}”; it does not know it yet."),
            (null, true) => writing.Say("It knows a word for it, which is not on record: ask its keeper."),
            _ => writing.Say("It knows no word for it."),
        };
        var marker = facts.Record.Training.Plan.Policies.Single(p => p.Topic == PolicyTopic.Marker);
        yield return writing.Say($"Marker: {Writing.Lower(conditioning.Told(marker).Choice)}.");
    }

    private IEnumerable<string> Muzzle(CardFacts facts)
    {
        if (facts.Muzzle is not { } muzzle)
        {
            yield return writing.Say("No muzzle is chosen.");
            yield break;
        }

        var strap = facts.Strap is { } set
            ? writing.Say(
                $"{wearing.Strap(set.Hole, set.Holes, set.FromTightestMm is { } open ? Length.FromMillimeters(open) : null, Length.FromMillimeters(set.LoopMm))}, {fitting.Fingers(muzzle.Fingers)} under the strap"
            )
            : writing.Say($"{fitting.Fingers(muzzle.Fingers)} under the strap");
        yield return $"{muzzle.Model} {muzzle.Size.Label}: {strap}.";
        if (facts.Record.IsOutOfUse(facts.Today))
            yield return facts.HasSpare ? wearing.UseTheSpare : writing.Say("Out of use until it is mended.");
        if (muzzle.ToTrainIn)
            yield return fitting.ToTrainIn;
        if (fitting.Caution(muzzle.Type) is { } caution)
            yield return caution;
    }

    private IEnumerable<string> Bites(CardFacts facts)
    {
        yield return Bites(facts.Record.Profile.BiteTier);
        if (facts.Record.Profile.BiteTier > BiteTier.None)
            yield return facts.BitesAbout is { } about
                ? writing.Say($"What it was about: {about}")
                : writing.Say("What it was about is not on record: ask its keeper.");
    }

    /// <summary>Bites in plain words.</summary>
    public string Bites(BiteTier tier) =>
        tier switch
        {
            BiteTier.None => writing.Say("No threat and no bite is on record."),
            BiteTier.Threatens => writing.Say("It threatens: growls, shows its teeth or snaps at the air. No bite is on record."),
            BiteTier.ContactNoInjury => writing.Say("Its teeth have touched somebody, without injury."),
            BiteTier.Injured => writing.Say("It has bitten and injured."),
            _ => writing.Say("It has bitten more than once, or deep."),
        };

    private IEnumerable<string> Possible(CardFacts facts)
    {
        var muzzle = facts.Muzzle!;
        var gape = muzzle.GapeDeg is { } degrees ? Gape.Classify(Angle.FromDegrees(degrees), facts.Record.Rules) : GapeClass.Closed;
        yield return (muzzle.Type, gape) switch
        {
            (not MuzzleType.Basket, _) or (_, GapeClass.Closed) => writing.Say("Panting, drinking, vomiting: not possible. Minutes only."),
            (_, GapeClass.HalfPant) => writing.Say("Panting: half way only. Calm, short handling."),
            _ => writing.Say("Panting: yes, its mouth opens for it."),
        };
        yield return muzzle.Muzzle?.Has(Feature.TreatWay) switch
        {
            true => writing.Say("Feeding: through the front."),
            false => writing.Say("Feeding: only before it is on."),
            _ => writing.Say("Feeding: not on record."),
        };
        yield return facts.IsHeldInIt
            ? writing.Say("Injection or blood sample: neck and legs are free, and being held is trained.")
            : writing.Say("Injection or blood sample: neck and legs are free; being held in it is not trained.");
    }

    private string SecondPerson(CardFacts facts) =>
        HandoverCard.StateOf(new CardStep(CardStep.SecondPerson, "", []), facts) switch
        {
            { Progress: CardProgress.Passed, On: { } on } => writing.Say($"Trained ({writing.Day(on)})."),
            { Progress: CardProgress.NotTrainedHere } => writing.Say("Tried, not trained here: let its keeper close it."),
            { Progress: CardProgress.Begun } => writing.Say("Being trained, not yet passed: its keeper closes it."),
            _ => writing.Say("Not trained: its keeper closes it."),
        };

    private List<string> Steps(HandoverCard card)
    {
        var passed = card.Steps.Where(s => s.Progress == CardProgress.Passed).Select(s => Says(s.Step)).ToList();
        return passed.Count == 0 ? [writing.Say("Nothing of what is asked here yet.")] : [$"{Writing.Capital(string.Join("; ", passed))}."];
    }

    private IEnumerable<string> NotTrained(HandoverCard card, CardFacts facts)
    {
        if (facts.Record.Training.Stop is not null)
            yield return writing.Say("Its training is stopped: ask the fitter before it is worn.");
        var not = card.Steps.Where(s => s.Progress != CardProgress.Passed).Select(NotYet).ToList();
        if (not.Count > 0)
            yield return $"{Writing.Capital(string.Join("; ", not))}.";
    }

    /// <summary>What a step is about, and how long its last target is where that is a time.</summary>
    private string Says(CardStep step) =>
        Step.Find(step.Step)!.Targets[^1] is Hold hold ? writing.Say($"{writing.Say(step.Says)}, {conditioning.Target(hold)}") : writing.Say(step.Says);

    private string NotYet(CardStepState step) =>
        step.Progress switch
        {
            CardProgress.NotTrainedHere => writing.Say($"{Says(step.Step)} (tried, not trained here)"),
            CardProgress.Begun => writing.Say($"{Says(step.Step)} (begun)"),
            _ => Says(step.Step),
        };

    private IEnumerable<string> People(DogProfile dog)
    {
        if (dog.Sensitivities.Contains(Sensitivity.PeopleNear))
            yield return writing.Say("It minds people close by: keep the distance it asks for.");
        if (dog.BiteTier > BiteTier.None)
            yield return writing.Say("A muzzle is no invitation: nobody strokes it in passing.");
    }

    private IEnumerable<string> Treats(CardFacts facts)
    {
        if (facts.Avoids.Count > 0)
            yield return wearing.MayNotHave(facts.Avoids);
        if (Treat.Find(facts.TreatId) is { } treat)
        {
            var told = wearing.Told(treat);
            yield return writing.Say($"{told.Name}. {told.How}");
        }
        else
        {
            yield return facts.Muzzle?.Muzzle?.Has(Feature.TreatWay) == true
                ? writing.Say("Soft, small, through the front.")
                : writing.Say("Before it is on, and after.");
        }
    }

    private IEnumerable<string> Heats(CardFacts facts)
    {
        var rules = facts.Record.Rules;
        yield return writing.Say(
            $"From {rules[Wearing.Heat.AirHalvesFrom].DegreesCelsius:0.#} °C in the air half as long, from {rules[Wearing.Heat.AirMinutesFrom].DegreesCelsius:0.#} minutes only, from {rules[Wearing.Heat.AirNoneFrom].DegreesCelsius:0.#} not at all; in muggy air sooner."
        );
        if (facts.Question is { } question && Wearing.Heat.Movers(question.Dog, rules).ToList() is { Count: > 0 } movers)
            yield return writing.Say($"One step earlier for this dog: {writing.And(movers.Select(wearing.Of))}.");
    }

    private IEnumerable<string> Call(HandoverCard card, CardFacts facts)
    {
        foreach (
            var (who, contact) in new[] { (writing.Say("Keeper"), facts.Keeper), (writing.Say("Clinic"), facts.Clinic), (writing.Say("Fitter"), facts.Fitter) }
        )
        {
            if (contact.Phone is not null || (contact.Who is not null && card.For != Audience.Family))
                yield return $"{who}: {string.Join(", ", new[] { contact.Who, contact.Phone }.OfType<string>())}";
        }
    }

    /// <summary>What keeps a muzzle right, within a sentence.</summary>
    internal string Upkeep(UpkeepDue due) =>
        due.What switch
        {
            Wearing.Upkeep.Inspect => writing.Say("a look over the muzzle"),
            Wearing.Upkeep.TryOn => writing.Say("trying the fit again"),
            _ => writing.Say("measuring it again"),
        };
}
