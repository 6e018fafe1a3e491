using System.Globalization;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Heads;
using UnitsNet;

namespace JauntyBadge.Core.Conditioning;

/// <summary>A stage of conditioning, in teaching order.</summary>
public enum Stage
{
    Ready,
    OddObjects,
    MeetIt,
    ComeToIt,
    NoseIn,
    Hold,
    TheWord,
    SoundsAndHands,
    FirstFastening,
    WearingStill,
    Moving,
    Places,
    ThePurpose,
    Upkeep,
}

/// <summary>What a step's ladder of targets counts.</summary>
public enum LadderKind
{
    Count,
    Cm,
    Seconds,
    Context,
}

/// <summary>How a target is worked at: what makes a set of it clear (House).</summary>
public enum StepKind
{
    /// <summary>Again and again: a sequential test of the goes.</summary>
    Repeat,

    /// <summary>The same on time.</summary>
    Hold,

    /// <summary>So many in a row; a miss halves what was reached.</summary>
    Count,

    /// <summary>An event that must not become a drill: a go or two a session, each at ease.</summary>
    Once,
}

/// <summary>By which rules a session is decided: those it was begun under, whatever a later release has.</summary>
public enum Edition
{
    /// <summary>Every target by the same count; late signs of unsureness, the hour and the day's other sessions do not matter.</summary>
    First,

    /// <summary>By the kind of step; signs before the count wherever they come.</summary>
    Kinds,
}

/// <summary>What a target of a step asks for. <see cref="ConditioningWords"/> has the words.</summary>
public abstract record StepTarget
{
    /// <summary>A target as a table has it; null for what is none of its kind.</summary>
    internal static StepTarget? Read(LadderKind kind, string text) =>
        kind == LadderKind.Context ? new Situation(text)
        : !int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var number) || number < 1 ? null
        : kind switch
        {
            LadderKind.Count => new Times(number),
            LadderKind.Cm => new Depth(Length.FromCentimeters(number)),
            _ => new Hold(TimeSpan.FromSeconds(number)),
        };
}

/// <summary>So many times.</summary>
public sealed record Times(int Count) : StepTarget;

/// <summary>So deep into the muzzle.</summary>
public sealed record Depth(Length Into) : StepTarget;

/// <summary>For so long.</summary>
public sealed record Hold(TimeSpan Lasting) : StepTarget;

/// <summary>In a place, at a distance or in a situation.</summary>
public sealed record Situation(string What) : StepTarget;

/// <summary>Dogs a row of a table is for: any one match is enough.</summary>
public sealed record DogMatch(
    IReadOnlyList<Purpose>? Purposes = null,
    IReadOnlyList<Temperament>? Temperaments = null,
    IReadOnlyList<Sensitivity>? Sensitivities = null,
    IReadOnlyList<HeadShape>? HeadShapes = null,
    IReadOnlyList<HealthNote>? Health = null,
    BiteTier? BiteFrom = null
)
{
    /// <summary>Whether the dog matches in at least one way.</summary>
    public bool Holds(DogProfile dog) =>
        (Purposes?.Any(p => dog.Purposes.Contains(p)) ?? false)
        || (Temperaments?.Contains(dog.Temperament) ?? false)
        || (Sensitivities?.Any(s => dog.Sensitivities.Contains(s)) ?? false)
        || (HeadShapes?.Contains(dog.HeadShape.Shape) ?? false)
        || (Health?.Any(h => dog.Health.Contains(h)) ?? false)
        || dog.BiteTier >= BiteFrom;
}

/// <summary>What a step was in the first edition, where it was otherwise: what was trained then is read by it.</summary>
public sealed record FormerStep(LadderKind? LadderKind = null, IReadOnlyList<string>? Ladder = null, Stage? Stage = null);

/// <summary>One micro-step of the default school.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Kind">How its targets are worked at; the rungs below them are repeated whatever it is.</param>
/// <param name="Stage">The stage it belongs to.</param>
/// <param name="Name">Short name.</param>
/// <param name="Purpose">What it is good for.</param>
/// <param name="SetUp">How things stand before a go.</param>
/// <param name="Success">What counts as a success.</param>
/// <param name="Reward">What is given, and where.</param>
/// <param name="LadderKind">What the targets count.</param>
/// <param name="Ladder">The targets, easiest first: numbers, or places and situations.</param>
/// <param name="Easier">Three easier rungs below the first target, the hardest of them first.</param>
/// <param name="IfStuck">What to try when it does not go on.</param>
/// <param name="After">Ids of the steps that come first.</param>
/// <param name="Basis">What the step stands on.</param>
/// <param name="Sketch">How things are placed: what its drawing shows.</param>
/// <param name="Caution">What could hurt or frighten.</param>
/// <param name="OnlyFor">The dogs it is for; null for all.</param>
/// <param name="Meets">The fears it is met with: a dog that has one is not spared it for having done something else.</param>
/// <param name="OnceFrom">The first target that is an event, where the step has easier ones that may be repeated.</param>
/// <param name="NewPlace">Each of its targets is a new place.</param>
/// <param name="Formerly">What it was in the first edition; null where it was the same.</param>
public sealed record Step(
    string Id,
    StepKind Kind,
    Stage Stage,
    string Name,
    string Purpose,
    string SetUp,
    string Success,
    string Reward,
    LadderKind LadderKind,
    IReadOnlyList<string> Ladder,
    IReadOnlyList<string> Easier,
    string IfStuck,
    IReadOnlyList<string> After,
    Basis Basis,
    Scene Sketch,
    string? Caution = null,
    DogMatch? OnlyFor = null,
    IReadOnlyList<Sensitivity>? Meets = null,
    int OnceFrom = 0,
    bool NewPlace = false,
    FormerStep? Formerly = null
)
{
    private const string Table = "steps.json";

    /// <summary>The shipped steps in teaching order, checked when loaded.</summary>
    public static IReadOnlyList<Step> All { get; } = Load();

    private static readonly Dictionary<string, Step> ById = All.ToDictionary(s => s.Id);

    /// <summary>The targets, easiest first; null for one that the table's check refuses.</summary>
    private IReadOnlyList<StepTarget?> Read => read ??= [.. Ladder.Select(t => StepTarget.Read(LadderKind, t))];

    private IReadOnlyList<StepTarget?>? read;

    /// <summary>The targets, easiest first.</summary>
    public IReadOnlyList<StepTarget> Targets => Read!;

    public int TopTarget => Ladder.Count - 1;

    /// <summary>How a target is worked at.</summary>
    public StepKind KindAt(int target) => target < 0 || (Kind == StepKind.Once && target < OnceFrom) ? StepKind.Repeat : Kind;

    /// <summary>How many in a row a target asks for; 0 where it counts nothing.</summary>
    public int CountOf(int target) => target >= 0 && Targets[target] is Times times ? times.Count : 0;

    /// <summary>The step as sessions of an edition have it.</summary>
    public Step In(Edition edition)
    {
        if (edition != Edition.First)
            return this;
        return this with
        {
            Kind = StepKind.Repeat,
            NewPlace = false,
            Stage = Formerly?.Stage ?? Stage,
            LadderKind = Formerly?.LadderKind ?? LadderKind,
            Ladder = Formerly?.Ladder ?? Ladder,
            read = null,
        };
    }

    /// <summary>Whether it meets something that this dog is afraid of.</summary>
    public bool MeetsFearOf(DogProfile dog) => Meets?.Any(dog.Sensitivities.Contains) == true;

    /// <summary>The shipped step with this id; null where there is none.</summary>
    public static Step? Find(string id) => ById.GetValueOrDefault(id);

    /// <summary>Ids of the gates among steps in order: the last of each stage.</summary>
    internal static HashSet<string> Gates(IEnumerable<Step> steps) => [.. steps.GroupBy(s => s.Stage).Select(g => g.Last().Id)];

    /// <summary>A target that the step has: none beyond its last, none below its easiest rung.</summary>
    public int Within(int target) => Math.Clamp(target, SetStart.EasiestRung, TopTarget);

    /// <summary>The last target that asks for no more than a hold; the first where all ask for more.</summary>
    internal int TargetUpTo(TimeSpan hold) => Math.Max(0, Targets.Count(t => t is Hold h && h.Lasting <= hold) - 1);

    /// <summary>How far up the ladder a hold stands, counted in targets; between two of them in proportion. A target of another kind stands at its own place.</summary>
    public double Level(Criterion at)
    {
        var target = at.Target;
        if (at.Asked is not { } hold || HoldOf(target) is not { } rung)
            return target;
        var (from, to) = hold < rung ? (TimeSpan.Zero, rung) : (rung, HoldOf(Math.Min(TopTarget, target + 1))!.Value);
        return (hold < rung ? target - 1 : target) + (to > from ? (hold - from) / (to - from) : 0);
    }

    /// <summary>The hold a target asks for, or null when it has no timer, or is one that a former ladder had.</summary>
    public TimeSpan? HoldOf(int target) => target >= 0 && target <= TopTarget && Targets[target] is Hold hold ? hold.Lasting : null;

    private static IReadOnlyList<Step> Load()
    {
        var rows = Tables.Read<Step>(Table);
        var known = rows.Select(s => s.Id).ToHashSet();
        Tables.RefuseTwins(Table, rows.Select(s => s.Id));
        Tables.Refuse(Table, "a ladder of at least one target", rows.Where(s => s.Ladder.Count == 0).Select(s => s.Id));
        Tables.Refuse(
            Table,
            "three easier rungs",
            rows.Where(s => s.Easier.Count != -SetStart.EasiestRung || s.Easier.Any(string.IsNullOrWhiteSpace)).Select(s => s.Id)
        );
        Tables.Refuse(Table, "whole numbers from 1 unless the targets are contexts", rows.Where(s => s.Read.Contains(null)).Select(s => s.Id));
        Tables.Refuse(
            Table,
            "a kind that goes with what the ladder counts",
            rows.Where(s => (s.Kind == StepKind.Count) != (s.LadderKind == LadderKind.Count) || (s.Kind == StepKind.Hold && s.LadderKind != LadderKind.Seconds))
                .Select(s => s.Id)
        );
        Tables.Refuse(
            Table,
            "an event among the targets where there is one",
            rows.Where(s => s.OnceFrom < 0 || s.OnceFrom >= s.Ladder.Count || (s.OnceFrom > 0 && s.Kind != StepKind.Once)).Select(s => s.Id)
        );
        Tables.Refuse(Table, "known steps in 'after'", rows.Where(s => s.After.Any(a => !known.Contains(a))).Select(s => s.Id));
        Tables.Refuse(Table, "no step that needs itself, by whatever way", rows.Where(s => NeedsItself(s, rows)).Select(s => s.Id));
        Tables.Refuse(Table, "stages in order", rows.Zip(rows.Skip(1)).Where(p => p.First.Stage > p.Second.Stage).Select(p => p.Second.Id));
        Tables.Refuse(Table, "a basis on every row", rows.Where(s => string.IsNullOrWhiteSpace(s.Basis?.Note)).Select(s => s.Id));
        return rows;
    }

    private static bool NeedsItself(Step step, IReadOnlyList<Step> rows)
    {
        var needed = new HashSet<string>();
        var open = new Stack<string>(step.After);
        while (open.TryPop(out var id))
        {
            if (needed.Add(id))
                rows.Where(r => r.Id == id).SelectMany(r => r.After).ToList().ForEach(open.Push);
        }

        return needed.Contains(step.Id);
    }
}

/// <summary>How a group of signs reads, from at ease to over threshold.</summary>
public enum SignGroup
{
    AtEase,
    Unsure,
    Worried,
    OverThreshold,
}

/// <summary>An observable sign. Basis of the grouping: Practice.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Group">How it reads.</param>
/// <param name="Name">What is seen.</param>
/// <param name="Shows">What its picture shows.</param>
public sealed record Sign(string Id, SignGroup Group, string Name, Shown Shows)
{
    private const string Table = "signs.json";

    public static IReadOnlyList<Sign> All { get; } = Load();

    /// <summary>Whether one of it ends everything at once.</summary>
    public bool EndsNow => Progression.EndsNow(Group);

    /// <summary>The sign with this id, or null.</summary>
    public static Sign? Find(string id) => All.FirstOrDefault(s => s.Id == id);

    private static IReadOnlyList<Sign> Load()
    {
        var rows = Tables.Read<Sign>(Table);
        Tables.RefuseTwins(Table, rows.Select(s => s.Id));
        return rows;
    }
}
