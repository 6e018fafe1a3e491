using System.Collections.Frozen;

namespace JauntyBadge.Core.People;

/// <summary>The kinds of person who work with a practice.</summary>
public enum PersonKind
{
    /// <summary>Whose practice it is, or works in it: everything.</summary>
    Fitter,

    /// <summary>Trains and logs any dog, and changes nothing else.</summary>
    Helper,

    /// <summary>Trains and logs own dogs.</summary>
    Keeper,

    /// <summary>Reads one dog's card until a day.</summary>
    Clinic,
}

/// <summary>What somebody may or may not do, a row of the table each.</summary>
public enum Concern
{
    /// <summary>Who a dog is.</summary>
    Dogs,

    /// <summary>Today of all dogs.</summary>
    Round,

    /// <summary>Readings, held jaws and pictures with their marks.</summary>
    Readings,

    /// <summary>Measuring sets and what they come to.</summary>
    Measuring,

    /// <summary>Choosing, catalogue, van, order and prices.</summary>
    Choosing,

    /// <summary>School, policies, place, passes by hand, overruling.</summary>
    Plan,

    /// <summary>On which days a dog is trained.</summary>
    TrainingWeek,

    /// <summary>Sessions, goes, signs, holds, stop.</summary>
    Sessions,

    /// <summary>Wears, visits, inspections, treats.</summary>
    Wearing,

    /// <summary>Weather read off by hand.</summary>
    Weather,

    /// <summary>The card.</summary>
    Card,

    /// <summary>Calendar and papers.</summary>
    Papers,

    /// <summary>One whole dog in a file.</summary>
    Dossier,

    /// <summary>Tables, report, backup, house numbers, breeds, writing, people and their devices.</summary>
    WholePractice,

    /// <summary>What was done, by whom.</summary>
    WhoDidWhat,

    /// <summary>Notes from home and their answers.</summary>
    News,

    /// <summary>The devices one is signed in on.</summary>
    OwnDevices,

    /// <summary>One's own password and passkeys.</summary>
    OwnKeys,

    /// <summary>What is the same for every dog: signs, ideas for happy wears, how dates are written, practice without a dog.</summary>
    Trade,
}

/// <summary>What somebody may do about a concern.</summary>
public enum Right
{
    None,

    /// <summary>Reads it, of own dogs only.</summary>
    OwnRead,

    /// <summary>Reads and changes it, of own dogs only.</summary>
    Own,

    /// <summary>Reads it, of every dog.</summary>
    Read,

    /// <summary>Reads and changes it, of every dog.</summary>
    All,
}

/// <summary>Who may do what. Basis: House, from what each one's task needs; never sent is better than hidden.</summary>
public static class May
{
    private static readonly FrozenDictionary<Concern, MayRow> Table = Load();

    /// <summary>What a kind of person may do about a concern.</summary>
    public static Right Of(PersonKind kind, Concern concern) => Table[concern].Of(kind);

    /// <summary>Whether a kind of person may read, or change, a concern of some dog at least.</summary>
    public static bool Do(PersonKind kind, Concern concern, bool changes) =>
        Of(kind, concern) switch
        {
            Right.All or Right.Own => true,
            Right.Read or Right.OwnRead => !changes,
            _ => false,
        };

    /// <summary>Everybody who may, in the order of the kinds.</summary>
    public static IReadOnlyList<PersonKind> Who(Concern concern, bool changes) => [.. Enum.GetValues<PersonKind>().Where(k => Do(k, concern, changes))];

    /// <summary>Whether a kind of person has own dogs only, rather than every dog.</summary>
    public static bool HasOwnDogsOnly(PersonKind kind) => kind is PersonKind.Keeper or PersonKind.Clinic;

    /// <summary>Whether a kind of person comes in by a password or passkey of their own, rather than by a code.</summary>
    public static bool HasOwnKeys(PersonKind kind) => Do(kind, Concern.OwnKeys, changes: true);

    private static FrozenDictionary<Concern, MayRow> Load()
    {
        const string name = "may.json";
        var rows = Tables.Read<MayRow>(name);
        Tables.RefuseTwins(name, rows.Select(r => $"{r.Matter}"));
        Tables.Refuse(name, "a row for every concern", Enum.GetValues<Concern>().Except(rows.Select(r => r.Matter)).Select(c => $"{c}"));
        Tables.Refuse(name, "a fitter may do all", rows.Where(r => r.Fitter != Right.All).Select(r => $"{r.Matter}"));
        Tables.Refuse(
            name,
            "whoever has own dogs only never has the right to all",
            rows.Where(r => r.Keeper is Right.All or Right.Read || r.Clinic is Right.All or Right.Read).Select(r => $"{r.Matter}")
        );
        return rows.ToFrozenDictionary(r => r.Matter);
    }

    private sealed record MayRow(Concern Matter, Right Fitter, Right Helper, Right Keeper, Right Clinic)
    {
        public Right Of(PersonKind kind) =>
            kind switch
            {
                PersonKind.Fitter => Fitter,
                PersonKind.Helper => Helper,
                PersonKind.Keeper => Keeper,
                _ => Clinic,
            };
    }
}
