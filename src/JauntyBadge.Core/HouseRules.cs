using System.Collections.Frozen;
using System.Globalization;
using UnitsNet;

namespace JauntyBadge.Core;

/// <summary>Why a practice cannot set a number so.</summary>
/// <param name="Id">Which number.</param>
/// <param name="Says">What would be accepted, in one sentence.</param>
public sealed record RuleRefusal(string Id, string Says);

/// <summary>
/// The numbers whatever decides is handed: ours, with the practice's own over them. It does not change; equal where every own number is.
/// </summary>
public sealed class HouseRules : IEquatable<HouseRules>
{
    private readonly FrozenDictionary<string, double> own;

    /// <summary>Ours with these over them, by id in each number's own unit. They are taken as they are: <see cref="Refusals"/> looks at what a person sets.</summary>
    public HouseRules(IEnumerable<KeyValuePair<string, double>> own) => this.own = own.ToFrozenDictionary(StringComparer.Ordinal);

    /// <summary>Our own numbers alone.</summary>
    public static HouseRules Ours { get; } = new([]);

    /// <summary>The practice's own numbers, in the order of their ids.</summary>
    public IEnumerable<KeyValuePair<string, double>> Own => own.OrderBy(o => o.Key, StringComparer.Ordinal);

    public Length this[Grounded<Length> number] => Of(number);

    public Angle this[Grounded<Angle> number] => Of(number);

    public TimeSpan this[Grounded<TimeSpan> number] => Of(number);

    public Temperature this[Grounded<Temperature> number] => Of(number);

    public double this[Grounded<double> number] => Of(number);

    public int this[Grounded<int> number] => Of(number);

    /// <summary>The plain number that holds, in its own unit.</summary>
    public double Plain(IGrounded number) => own.TryGetValue(number.Id, out var plain) ? plain : number.Plain;

    /// <summary>The number that holds, with its unit.</summary>
    public string Show(IGrounded number) => number.Show(Plain(number));

    /// <summary>The ground of the number that holds: ours, or that the practice set it.</summary>
    public Basis Basis(IGrounded number) =>
        own.ContainsKey(number.Id)
            ? Core.Basis.House($"this practice's own number, {Show(number)}; ours is {number.Show(number.Plain)} ({number.Basis})")
            : number.Basis;

    /// <summary>The same with one number set; null sets it back to ours.</summary>
    public HouseRules With(IGrounded number, double? plain)
    {
        var changed = own.ToDictionary();
        changed.Remove(number.Id);
        if (plain is { } value && value != number.Plain)
            changed[number.Id] = value;
        return new HouseRules(changed);
    }

    /// <summary>What speaks against these own numbers: out of range, not whole, not to be set, unknown, or in the wrong order with another.</summary>
    /// <param name="all">Every number there is.</param>
    /// <param name="inOrder">Pairs of which the first is less than the second.</param>
    public IEnumerable<RuleRefusal> Refusals(IEnumerable<IGrounded> all, IEnumerable<(IGrounded Less, IGrounded More)> inOrder)
    {
        var known = all.ToDictionary(n => n.Id);
        foreach (var (id, plain) in Own)
        {
            if (!known.TryGetValue(id, out var number))
                yield return new(id, $"There is no number called {id}.");
            else if (!number.IsEditable)
                yield return new(id, $"{number.What} is not set by a practice: {number.SetElsewhere ?? $"{number.Basis}."}");
            else if (number.IsWhole && plain != Math.Floor(plain))
                yield return new(id, $"{number.What} is a whole number.");
            else if (!double.IsFinite(plain) || plain < number.Least || plain > number.Most)
                yield return new(id, $"{number.What}: {number.Show(number.Least)} to {number.Show(number.Most)}.");
        }

        foreach (var (less, more) in inOrder)
        {
            if (Plain(less) >= Plain(more))
                yield return new(
                    own.ContainsKey(less.Id) ? less.Id : more.Id,
                    $"{less.What} ({Show(less)}) has to be less than {Lower(more.What)} ({Show(more)})."
                );
        }
    }

    public bool Equals(HouseRules? other) => other is not null && (ReferenceEquals(this, other) || Own.SequenceEqual(other.Own));

    public override bool Equals(object? obj) => Equals(obj as HouseRules);

    public override int GetHashCode() => Own.Aggregate(0, HashCode.Combine);

    /// <summary>The own numbers in one line, such as "fit.chin-room 8; fit.marginal 3"; "ours" where there are none.</summary>
    public override string ToString() =>
        own.Count == 0 ? "ours" : string.Join("; ", Own.Select(o => string.Create(CultureInfo.InvariantCulture, $"{o.Key} {o.Value}")));

    private T Of<T>(Grounded<T> number)
        where T : notnull => own.Count > 0 && own.TryGetValue(number.Id, out var plain) ? number.Of(plain) : number.Ours;

    private static string Lower(string what) => char.ToLowerInvariant(what[0]) + what[1..];
}
