namespace JauntyBadge.Core.Conditioning;

/// <summary>A way of conditioning a dog, as one group of practitioners has it.</summary>
public enum SchoolId
{
    GoodNewsFirst,
    TastyFloor,
    HiddenTreat,
    OwnChoice,
    MealtimeCup,
    ThreeWeeks,
    HeadThrough,
    LeftAlone,
}

/// <summary>Something about which schools disagree, set one by one in a plan.</summary>
public enum PolicyTopic
{
    FoodNear,
    OnRemoval,
    OnPawing,
    FirstFastening,
    Marker,
    Oversize,
}

/// <summary>How a school words a step; null leaves it as it is.</summary>
public sealed record StepWords(string? Purpose = null, string? SetUp = null, string? Reward = null);

/// <summary>A school: a row of the table. Names and wording are ours.</summary>
/// <param name="Id">Which.</param>
/// <param name="Name">Its name.</param>
/// <param name="Says">What it does, in a sentence or two.</param>
/// <param name="Adds">Steps that only this school and some others have.</param>
/// <param name="Drops">Steps it does without.</param>
/// <param name="Words">Steps it words differently.</param>
/// <param name="Policies">What it chooses of each policy, by option.</param>
/// <param name="Basis">What it stands on.</param>
public sealed record School(
    SchoolId Id,
    string Name,
    string Says,
    IReadOnlyList<string> Adds,
    IReadOnlyList<string> Drops,
    IReadOnlyDictionary<string, StepWords> Words,
    IReadOnlyDictionary<PolicyTopic, string> Policies,
    Basis Basis
)
{
    private const string Table = "schools.json";

    /// <summary>Its way in is a lure: not for a dog that had a bad time with a muzzle.</summary>
    [System.Text.Json.Serialization.JsonInclude]
    internal bool Lure { get; init; }

    /// <summary>Whether it is offered to a dog.</summary>
    public bool IsFor(Dogs.DogProfile dog) => !Lure || dog.Temperament != Dogs.Temperament.Soured;

    /// <summary>The eight, the default first, checked when loaded.</summary>
    public static IReadOnlyList<School> All { get; } = Load();

    /// <summary>Steps that are trained only where a school adds them.</summary>
    public static IReadOnlySet<string> Special { get; } = All.SelectMany(s => s.Adds).ToHashSet();

    /// <summary>The House's own choice.</summary>
    public static School Default => All[0];

    /// <summary>The school of an id.</summary>
    public static School Of(SchoolId id) => All[(int)id];

    private static IReadOnlyList<School> Load()
    {
        var rows = Tables.Read<School>(Table);
        Tables.Refuse(
            Table,
            "every school once, in the order of the enum",
            Enum.GetValues<SchoolId>().Where((id, i) => i >= rows.Count || rows[i].Id != id).Select(id => $"{id}")
        );
        Tables.Refuse(
            Table,
            "known steps only",
            rows.Where(s => s.Adds.Concat(s.Drops).Concat(s.Words.Keys).Any(id => Step.Find(id) is null)).Select(s => $"{s.Id}")
        );
        Tables.Refuse(
            Table,
            "an option of every policy",
            rows.Where(s => PolicyRow.All.Any(p => !s.Policies.TryGetValue(p.Topic, out var option) || p.Options.All(o => o.Id != option)))
                .Select(s => $"{s.Id}")
        );
        return rows;
    }
}

/// <summary>One way of a policy.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Says">What is done.</param>
/// <param name="Reason">Why some do so.</param>
public sealed record PolicyOption(string Id, string Says, string Reason);

/// <summary>What a policy is for some dogs, in one school or in all.</summary>
internal sealed record PolicyForDog(DogMatch When, string Option, string Reason, SchoolId? School = null);

/// <summary>A policy: a row of the table.</summary>
/// <param name="Topic">What it is about.</param>
/// <param name="Name">In words.</param>
/// <param name="Options">What may be chosen.</param>
/// <param name="Basis">What it stands on.</param>
public sealed record PolicyRow(PolicyTopic Topic, string Name, IReadOnlyList<PolicyOption> Options, Basis Basis)
{
    private const string Table = "policies.json";

    [System.Text.Json.Serialization.JsonInclude]
    internal IReadOnlyList<PolicyForDog> ByDog { get; init; } = [];

    /// <summary>The policies in order, checked when loaded.</summary>
    public static IReadOnlyList<PolicyRow> All { get; } = Load();

    /// <summary>The option of an id; null where there is none.</summary>
    public PolicyOption? Option(string id) => Options.FirstOrDefault(o => o.Id == id);

    /// <summary>What holds for a dog in a school: as somebody chose, as the dog asks, as the school has it.</summary>
    internal Policy For(Dogs.DogProfile dog, School school, string? chosen)
    {
        if (chosen is not null && Option(chosen) is { } own)
            return new(Topic, Name, own.Id, own.Says, own.Reason, Basis) { ChosenHere = true };
        if (ByDog.FirstOrDefault(d => (d.School is null || d.School == school.Id) && d.When.Holds(dog)) is { } asked)
            return new(Topic, Name, asked.Option, Option(asked.Option)!.Says, asked.Reason, Basis);
        var option = Option(school.Policies[Topic])!;
        return new(Topic, Name, option.Id, option.Says, option.Reason, Basis);
    }

    private static IReadOnlyList<PolicyRow> Load()
    {
        var rows = Tables.Read<PolicyRow>(Table);
        Tables.Refuse(
            Table,
            "every topic once, in the order of the enum",
            Enum.GetValues<PolicyTopic>().Where((t, i) => i >= rows.Count || rows[i].Topic != t).Select(t => $"{t}")
        );
        foreach (var row in rows)
            Tables.RefuseTwins(Table, row.Options.Select(o => o.Id));
        Tables.Refuse(Table, "known options only", rows.SelectMany(r => r.ByDog.Where(d => r.Option(d.Option) is null).Select(d => $"{r.Topic} {d.Option}")));
        return rows;
    }
}
