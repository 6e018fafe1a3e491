using FluentValidation;

namespace JauntyBadge.Server.Shared;

internal static class Needed
{
    /// <summary>A number that must be there and lie within bounds, both bounds allowed: one sentence says both.</summary>
    public static IRuleBuilderOptions<T, TNumber?> NeededBetween<T, TNumber>(this IRuleBuilder<T, TNumber?> rule, TNumber least, TNumber most)
        where TNumber : struct, IComparable<TNumber> => rule.Must(given => given is { } number && number.CompareTo(least) >= 0 && number.CompareTo(most) <= 0);
}
