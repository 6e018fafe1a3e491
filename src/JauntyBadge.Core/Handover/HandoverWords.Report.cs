using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Handover.Reports;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Wearing;

namespace JauntyBadge.Core.Handover;

public sealed partial class HandoverWords
{
    private readonly MeasuringWords measuring = new(writing);

    /// <summary>The heading of a report.</summary>
    public string ReportOn(string dog) => writing.Say($"{dog}: report");

    /// <summary>What a report is, and what it is not.</summary>
    public string ReportIs(DateOnly today) =>
        writing.Say($"Facts on record on {writing.Day(today)}, for a veterinarian or a qualified behaviour professional. No diagnosis.");

    /// <summary>Every part of a report.</summary>
    public IReadOnlyList<ReportPart> Parts(ReportFacts facts) =>
        [Who(facts), Measures(facts), MuzzleAndWhy(facts), TrainingSoFar(facts), WhenStuck(facts), WearsSoFar(facts), HeatAndCautions(facts)];

    private static ReportPart Part(string heading, IEnumerable<string> lines, ReportChart? chart = null) => new(heading, [.. lines], [], [], chart);

    private ReportPart Who(ReportFacts facts)
    {
        var (dog, card) = (facts.Card.Record.Profile, facts.Card);
        List<string> lines =
        [
            string.Join(
                ", ",
                new[]
                {
                    dogs.Breeds(dog),
                    dogs.Age(dog, card.Today),
                    dog.BodyMass is { } mass ? writing.Say($"{Writing.Number(mass.Kilograms)} kg") : null,
                    writing.Say($"{writing.Term(dog.HeadShape.Shape)} head"),
                }.OfType<string>()
            ) + ".",
        ];
        if (card.Keeper.Who is { } keeper)
            lines.Add(writing.Say($"Kept by {keeper}."));
        if (dog.Purposes.Count > 0)
            lines.Add(writing.Say($"The muzzle is wanted for: {writing.And(dog.Purposes.Select(writing.Term))}."));
        lines.Add(writing.Say($"Meets new things as: {writing.Term(dog.Temperament)}."));
        if (dog.Sensitivities.Count > 0)
            lines.Add(writing.Say($"Harder for it: {writing.And(dog.Sensitivities.Select(Of))}."));
        if (dog.Health.Count > 0)
            lines.Add(writing.Say($"Health, as told to the fitter: {writing.And(dog.Health.Select(Of))}."));
        lines.AddRange(Bites(card));
        return Part(writing.Say("The dog"), lines);
    }

    private ReportPart Measures(ReportFacts facts)
    {
        var assessed = facts.Card.Record.Assessed;
        return new(
            writing.Say("Measures"),
            assessed.Measured.Count == 0
                ? [writing.Say("Not measured yet.")]
                : [writing.Say("Mean of the readings in use; the doubt is about 95 % (twice the standard uncertainty).")],
            [
                .. assessed.Measured.Select(m =>
                    (IReadOnlyList<string>)
                        [
                            measuring.Named(new(m.Measure, m.Side)),
                            writing.Length(m.Mean),
                            writing.Say($"± {writing.Length(m.StandardUncertainty * Uncertainty.Coverage.Ours)}"),
                            writing.Say($"{m.Count}"),
                        ]
                ),
            ],
            assessed.Measured.Count == 0 ? [] : [writing.Say("Measure"), writing.Say("Mean"), writing.Say("Doubt"), writing.Say("Readings")]
        );
    }

    private ReportPart MuzzleAndWhy(ReportFacts facts)
    {
        var heading = writing.Say("The muzzle, and why");
        if (facts.Card.Muzzle is not { } muzzle)
            return Part(heading, [writing.Say("No muzzle is chosen.")]);
        List<string> lines = [.. Muzzle(facts.Card)];
        if (muzzle.Chance is { } chance)
            lines.Add(writing.Say($"Chance that all of it fits, from the doubt of the measures, when it was chosen: {Writing.Percent(chance)}."));
        if (facts.Card.Record.Muzzle?.Tried is { } tried)
            lines.Add(
                fitting.Wrong(tried.Finding) is { } wrong
                    ? writing.Say($"Tried on {writing.Day(tried.On)}: {wrong}.")
                    : writing.Say($"Tried on {writing.Day(tried.On)}: nothing wrong was found.")
            );
        if (muzzle.Note is { } note)
            lines.Add(writing.Say($"Noted when it was chosen: {note}"));
        return new(
            heading,
            lines,
            [.. muzzle.Criteria.Select(c => (IReadOnlyList<string>)[fitting.Word(c.Name), Of(c.Verdict), c.Reason])],
            [writing.Say("Criterion"), writing.Say("Came out"), writing.Say("Because")]
        );
    }

    private ReportPart TrainingSoFar(ReportFacts facts)
    {
        var (training, sessions) = (facts.Card.Record.Training, facts.Sessions);
        List<string> lines =
        [
            training.Position is { } at && training.Find(at.StepId) is { } step
                ? writing.Say($"{training.Passed.Count} steps passed; it stands at “{conditioning.Called(step)}”, {conditioning.Target(step, at)}.")
                : writing.Say($"{training.Passed.Count} steps passed: all of its plan."),
        ];
        if (training.Stop is { } stop)
            lines.Add(conditioning.Stopped(stop));
        if (training.Stuck is { } stuck && Step.Find(stuck.StepId) is { } here)
            lines.Add(
                writing.Say(
                    $"{Writing.Capital(writing.Count(stuck.Sessions, "one session", "{0} sessions"))} in a row brought it no further at “{conditioning.Called(here)}”."
                )
            );
        int Of(SignGroup group) => sessions.Sum(s => s.Signs[group]);
        int Days(SignGroup group) => sessions.Where(s => s.Signs[group] > 0).Select(s => s.Day).Distinct().Count();
        if (sessions.Count > 0)
            lines.Add(
                writing.Say(
                    $"Signs in {writing.Count(sessions.Count, "one session", "{0} sessions")}: unsure {Of(SignGroup.Unsure)}, worried {Of(SignGroup.Worried)}, over threshold {Of(SignGroup.OverThreshold)} (on {Days(SignGroup.OverThreshold)} days)."
                )
            );
        return Part(writing.Say("Training"), lines, sessions.Count < 2 ? null : TrainingChart(sessions));
    }

    private ReportChart TrainingChart(IReadOnlyList<SessionProgress> sessions)
    {
        var passed = 0;
        IReadOnlyList<DayValue> Signs(SignGroup group) => [.. sessions.Where(s => s.Signs[group] > 0).Select(s => new DayValue(s.Day, s.Signs[group]))];
        return new(
            writing.Say("Steps passed in sessions, and signs seen, by day"),
            [
                new(writing.Say("steps passed"), SeriesKind.Line, [.. sessions.Select(s => new DayValue(s.Day, passed += s.Passed))]),
                new(writing.Say("worried"), SeriesKind.Bar, Signs(SignGroup.Worried)),
                new(writing.Say("over threshold"), SeriesKind.Alarm, Signs(SignGroup.OverThreshold)),
            ]
        );
    }

    private ReportPart WhenStuck(ReportFacts facts) =>
        Part(
            writing.Say("What was tried when it did not get on"),
            facts.Tried.Count == 0
                ? [writing.Say("Nothing of that kind is on record.")]
                : facts.Tried.TakeLast(ReportFacts.MostTold).Select(t => $"{writing.Day(t.On)}: {t.Says}")
        );

    private ReportPart WearsSoFar(ReportFacts facts)
    {
        var worn = facts.Card.Record.Worn;
        var rules = facts.Card.Record.Rules;
        List<string> lines = [writing.Say($"Wears on record: {worn.Wears.Count}.")];
        var longest = facts.Card.Record.PastWears(facts.Card.Today, DateTime.MaxValue).Longest;
        if (longest is { } comfortable)
            lines.Add(writing.Say($"Longest comfortable one: {writing.Minutes(comfortable)}."));
        if (worn.Wears.Count > 0 && AssociationBalance.On(facts.Card.Today, worn.Occasions(rules), rules) is { Ratio: { } ratio })
            lines.Add(
                writing.Say(
                    $"Good wears to one bad, older ones counting less: {wearing.Ratio(ratio)}; {Writing.Number(rules[AssociationBalance.Wanted])} are wanted."
                )
            );
        lines.AddRange(
            facts
                .Bad.TakeLast(ReportFacts.MostTold)
                .Select(b =>
                {
                    var signs = b.Signs.Select(SignName).OfType<string>().ToList();
                    var lasted = b.Lasted is { } on ? writing.Minutes(on) : writing.Say("length unknown");
                    return signs.Count == 0
                        ? writing.Say($"{writing.Day(b.On)}: went badly after {lasted}.")
                        : writing.Say($"{writing.Day(b.On)}: went badly after {lasted}; seen: {writing.And(signs)}.");
                })
        );
        return Part(
            writing.Say("Wears and what the muzzle has come to mean"),
            lines,
            facts.Balance.Count < 2
                ? null
                : new(
                    writing.Say("Good wears to one bad, by day"),
                    [
                        new(writing.Say("balance"), SeriesKind.Line, facts.Balance),
                        new(writing.Say("wanted"), SeriesKind.Level, [new(facts.Balance[0].Day, rules[AssociationBalance.Wanted])]),
                    ]
                )
        );
    }

    private ReportPart HeatAndCautions(ReportFacts facts) =>
        Part(writing.Say("Heat and cautions"), [.. Heats(facts.Card), .. dogs.Cautions(facts.Card.Record.Profile, facts.Card.Today)]);

    private string? SignName(string id) =>
        Sign.Find(id) is { } sign ? Writing.Lower(conditioning.Told(sign).Name)
        : WornSign.Find(id) is { } red ? Writing.Lower(wearing.Told(red).Name)
        : null;

    /// <summary>How a criterion came out.</summary>
    internal string Of(Verdict verdict) =>
        verdict switch
        {
            Verdict.Fits => writing.Say("holds"),
            Verdict.Marginal => writing.Say("just holds"),
            _ => writing.Say("missed"),
        };

    private string Of(Sensitivity sensitivity) =>
        sensitivity switch
        {
            Sensitivity.OddObjects => writing.Say("odd objects"),
            Sensitivity.HandsBehindHead => writing.Say("hands behind its head"),
            Sensitivity.PeopleNear => writing.Say("people close by"),
            Sensitivity.Clicks => writing.Say("clicks"),
            Sensitivity.LowFoodDrive => writing.Say("little interest in food"),
            Sensitivity.Snatchy => writing.Say("snatches food"),
            _ => writing.Say("paws at what is on its face"),
        };

    private string Of(HealthNote note) =>
        note switch
        {
            HealthNote.AirwayTrouble => writing.Say("airway trouble"),
            HealthNote.ProneToVomiting => writing.Say("prone to vomiting"),
            HealthNote.SedatedAtClinic => writing.Say("sedated at the clinic"),
            HealthNote.Overweight => writing.Say("overweight"),
            HealthNote.Pregnant => writing.Say("in whelp or nursing"),
            _ => writing.Say("ill or on an ordered diet"),
        };
}
