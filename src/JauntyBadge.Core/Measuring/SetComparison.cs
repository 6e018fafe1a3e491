using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>One measure in two sets.</summary>
/// <param name="Measure">Which measure.</param>
/// <param name="Side">Its side, where it has two.</param>
/// <param name="Before">In the earlier set, when read then.</param>
/// <param name="After">In the later set, when read then.</param>
/// <param name="Change">Later less earlier, when both are there.</param>
/// <param name="Doubt">What the readings' own doubt allows a change to look like, twice the combined standard uncertainty.</param>
public sealed record MeasureChange(Measure Measure, Side? Side, Length? Before, Length? After, Length? Change, Length? Doubt)
{
    /// <summary>Whether the change is more than the doubt.</summary>
    public bool IsReal => Change?.Abs() > Doubt;
}

/// <summary>Two measuring sets beside each other.</summary>
public static class SetComparison
{
    /// <summary>Every measure read in either set, in the order of the enum.</summary>
    public static IReadOnlyList<MeasureChange> Of(IReadOnlyList<Measured> before, IReadOnlyList<Measured> after) =>
        [
            .. before
                .Concat(after)
                .Select(m => (m.Measure, m.Side))
                .Distinct()
                .Order()
                .Select(line =>
                {
                    var (old, now) = (before.FirstOrDefault(m => (m.Measure, m.Side) == line), after.FirstOrDefault(m => (m.Measure, m.Side) == line));
                    if (old is null || now is null)
                        return new MeasureChange(line.Measure, line.Side, old?.Mean, now?.Mean, null, null);
                    var combined = Math.Sqrt(Math.Pow(old.StandardUncertainty.Millimeters, 2) + Math.Pow(now.StandardUncertainty.Millimeters, 2));
                    return new MeasureChange(
                        line.Measure,
                        line.Side,
                        old.Mean,
                        now.Mean,
                        now.Mean - old.Mean,
                        Length.FromMillimeters(Uncertainty.Coverage.Ours * combined)
                    );
                }),
        ];
}

/// <summary>What a dog was like when a set was taken, and is like now.</summary>
public sealed record SetState(DateOnly TakenOn, Mass? BodyMass, Coat Coat);

/// <summary>Whether a dog has to be measured again.</summary>
public static class Remeasure
{
    public static readonly Grounded<double> MassChange = new(
        "remeasure.mass-change",
        "A body mass change of more than this share asks for new measures",
        0.10,
        Basis.House("a collar notch, and about 3 % on every length of a head")
    );

    public static readonly Grounded<TimeSpan> GrowingEvery = new(
        "remeasure.growing-every",
        "A growing dog is measured again after this long",
        TimeSpan.FromDays(28),
        Basis.House("a head of seven months gains a finger's breadth in two")
    );

    /// <summary>Why a dog should be measured again, in sentences; empty when it need not.</summary>
    /// <param name="then">The last set.</param>
    /// <param name="now">Today.</param>
    /// <param name="growing">Whether the dog is under its breed's growing age.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static IReadOnlyList<string> Reasons(SetState then, SetState now, bool growing, HouseRules rules)
    {
        var reasons = new List<string>();
        var days = now.TakenOn.DayNumber - then.TakenOn.DayNumber;
        if (growing && days >= rules[GrowingEvery].TotalDays)
            reasons.Add($"It is still growing, and was last measured {days} days ago.");
        if (then.BodyMass is { } before && now.BodyMass is { } after && Math.Round(Math.Abs(after / before - 1), 9) > rules[MassChange])
            reasons.Add(
                $"It weighs {after.Kilograms:0.#} kg, {Math.Abs(after / before - 1):0%} {(after > before ? "more" : "less")} than when it was measured ({before.Kilograms:0.#} kg)."
            );
        if (now.Coat == Coat.Clipped && then.Coat != Coat.Clipped)
            reasons.Add("Its coat was clipped since: girths and the strap read less now.");
        return reasons;
    }
}
