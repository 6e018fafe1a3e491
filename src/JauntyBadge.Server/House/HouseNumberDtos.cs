using JauntyBadge.Core;
using JauntyBadge.Core.Handover;
using JauntyBadge.Data;
using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.House;

/// <summary>One change of a number.</summary>
/// <param name="Value">What it was set to, with its unit; "ours" where it was set back.</param>
/// <param name="Reason">Why.</param>
/// <param name="At">When.</param>
public sealed record HouseNumberChangeDto(string Value, string Reason, DateTime At);

/// <summary>A number of the job with what it stands on.</summary>
/// <param name="Value">The value that holds, with its unit.</param>
/// <param name="Plain">The same as a plain number in that unit.</param>
/// <param name="Unit">"mm", "°", "min", "days", or empty.</param>
/// <param name="Ours">Our own value, with its unit.</param>
/// <param name="Basis">What our own value stands on.</param>
/// <param name="IsOwn">Whether the practice set its own.</param>
/// <param name="IsEditable">Whether it may.</param>
/// <param name="SetElsewhere">Where it is set instead, or why it is not; null for most.</param>
/// <param name="Least">Least plain number accepted.</param>
/// <param name="Most">Greatest plain number accepted.</param>
/// <param name="Accepted">The same in words.</param>
/// <param name="Changes">Every change, the newest first.</param>
/// <param name="Version">The number of the last change; 0 where there was none.</param>
public sealed record HouseNumberDto(
    string Id,
    string Room,
    string What,
    string Value,
    double Plain,
    string Unit,
    string Ours,
    Basis Basis,
    bool IsOwn,
    bool IsEditable,
    string? SetElsewhere,
    double Least,
    double Most,
    string Accepted,
    IReadOnlyList<HouseNumberChangeDto> Changes,
    long Version
) : IAtVersion
{
    internal static HouseNumberDto Of(string room, IGrounded number, HouseRules rules, IReadOnlyList<HouseNumberRow> changes, HouseNumberWords words) =>
        new(
            number.Id,
            words.Told(room),
            words.Told(number.What),
            words.Show(number, rules.Plain(number)),
            rules.Plain(number),
            number.Unit,
            words.Show(number, number.Plain),
            number.Basis,
            rules.Plain(number) != number.Plain,
            number.IsEditable,
            number.SetElsewhere is { } where ? words.Told(where) : null,
            number.Least,
            number.Most,
            words.Accepted(number),
            [
                .. changes
                    .OrderByDescending(c => c.Number)
                    .Select(c => new HouseNumberChangeDto(
                        c.Value is { } value ? words.Show(number, value) : words.Ours,
                        c.Reason.Length > 0 ? c.Reason : words.SetBack,
                        c.At
                    )),
            ],
            changes.Count == 0 ? 0 : changes.Max(c => c.Number)
        );
}

/// <summary>A number as set.</summary>
/// <param name="Value">In the number's own unit; left out, it is set back to ours.</param>
/// <param name="Reason">Why; it stays on record. Needed where a value is set.</param>
public sealed record HouseNumberEntry(double? Value = null, string? Reason = null);

/// <summary>What a changed number would change for one dog: before and after.</summary>
public sealed record DogChangeDto(string What, string Before, string After);

/// <summary>A dog for which a changed number would change something.</summary>
public sealed record ChangedDogDto(Guid Id, string Name, IReadOnlyList<DogChangeDto> Changes);

/// <summary>What a number would change for the dogs there are, before it is kept.</summary>
/// <param name="Before">The value that holds now.</param>
/// <param name="After">The value tried.</param>
/// <param name="LookedAt">How many dogs were looked at: those touched last.</param>
/// <param name="Of">How many there are on the round.</param>
/// <param name="Dogs">Those for which something would change.</param>
/// <param name="NotSeen">What such a number decides that cannot be seen beforehand; null where everything can.</param>
public sealed record HouseNumberTrialDto(string Before, string After, int LookedAt, int Of, IReadOnlyList<ChangedDogDto> Dogs, string? NotSeen);
