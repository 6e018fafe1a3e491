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

/// <summary>When what is read belongs to a new measuring set.</summary>
public static class Sitting
{
    public static readonly Grounded<TimeSpan> GoesOn = new(
        "set.goes-on",
        "A measuring set of the day before still goes on until so long after its last reading",
        TimeSpan.FromHours(3),
        Basis.House("midnight does not cut a sitting in two")
    );

    /// <summary>Whether a set is of an earlier day: what is read now belongs to a new one.</summary>
    /// <param name="startedOn">The practice's day it was begun.</param>
    /// <param name="lastRead">When something was last read in it, UTC; null where nothing was.</param>
    /// <param name="today">The practice's day.</param>
    /// <param name="now">The moment, UTC.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static bool IsOver(DateOnly startedOn, DateTime? lastRead, DateOnly today, DateTime now, HouseRules rules) =>
        lastRead is { } last && startedOn < today && now - last >= rules[GoesOn];
}

/// <summary>What a dog was like when a set was taken, and is like now.</summary>
public sealed record SetState(DateOnly TakenOn, Mass? BodyMass, Coat Coat);

/// <summary>The last measuring set of a dog.</summary>
/// <param name="State">What the dog was like then, and the practice's day.</param>
/// <param name="HasReadings">Something was read in it.</param>
public sealed record SetOnRecord(SetState State, bool HasReadings);

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

    /// <summary>Why a dog should be measured again; empty when it need not.</summary>
    /// <param name="last">The last set; none where none was begun, or nothing read in it.</param>
    /// <param name="now">Today.</param>
    /// <param name="growing">Whether the dog is under its breed's growing age.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static IReadOnlyList<RemeasureCause> Causes(SetOnRecord? last, SetState now, bool growing, HouseRules rules)
    {
        if (last is not { HasReadings: true, State: var then })
            return [];
        var causes = new List<RemeasureCause>();
        var days = now.TakenOn.DayNumber - then.TakenOn.DayNumber;
        if (growing && days >= rules[GrowingEvery].TotalDays)
            causes.Add(new StillGrowing(days));
        if (then.BodyMass is { } before && now.BodyMass is { } after && Math.Round(Math.Abs(after / before - 1), 9) > rules[MassChange])
            causes.Add(new MassChanged(before, after));
        if (now.Coat == Coat.Clipped && then.Coat != Coat.Clipped)
            causes.Add(new CoatClipped());
        return causes;
    }
}

/// <summary>Why a dog should be measured again; the words stand in <see cref="MeasuringWords"/>.</summary>
public abstract record RemeasureCause;

/// <summary>It is growing, and so many days have gone by.</summary>
public sealed record StillGrowing(int Days) : RemeasureCause;

/// <summary>It weighs more or less than when it was measured.</summary>
public sealed record MassChanged(Mass Before, Mass After) : RemeasureCause;

/// <summary>Its coat was clipped since.</summary>
public sealed record CoatClipped : RemeasureCause;
