using System.Runtime.CompilerServices;

namespace JauntyBadge.Core.Fitting.Criteria;

/// <summary>Takes the margins of a muzzle, one criterion after another, each by its name.</summary>
internal interface ITakesMargins
{
    /// <summary>A criterion's margin, mm.</summary>
    void Take(CriterionName name, double margin);

    /// <summary>By how many mm a basket is not so large that it is no fit.</summary>
    void TakeFarTooLarge(double margin);
}

/// <summary>
/// By how many mm each criterion holds, by its name, negative when missed; NaN where a number for it is missing, 0 where it does not concern the
/// muzzle. The one arithmetic of the fit: verdict, sentence, chance, remedy and order sheet are made from it.
/// </summary>
[InlineArray(Count + 1)]
internal struct Margins : ITakesMargins
{
    /// <summary>Criteria that are a matter of measures: those of the enum before the first that is not.</summary>
    public const int Count = (int)CriterionName.Use;

    /// <summary>Doubles of numbers that meet a bound exactly may land this far beyond it.</summary>
    public const double Slack = 1e-9;

    private double first;

    public readonly double this[CriterionName name] => this[(int)name];

    /// <summary>By how many mm a basket is not so large that it is no fit.</summary>
    public readonly double FarTooLarge => this[Count];

    public void Take(CriterionName name, double margin) => this[(int)name] = margin;

    public void TakeFarTooLarge(double margin) => this[Count] = margin;

    /// <summary>Whether a margin is missed; what cannot be told is not.</summary>
    public static bool IsMissed(double margin) => margin < -Slack;
}

/// <summary>The same, but for which are missed: a bit for each criterion. Counting over many draws asks for no more.</summary>
internal struct Missed : ITakesMargins
{
    /// <summary>The bit of a basket so large that it is no fit.</summary>
    public const uint FarTooLarge = 1u << Margins.Count;

    public uint Bits { get; private set; }

    /// <summary>The bit of a criterion.</summary>
    public static uint Bit(CriterionName name) => 1u << (int)name;

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public void Take(CriterionName name, double margin) => Bits |= Margins.IsMissed(margin) ? Bit(name) : 0;

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public void TakeFarTooLarge(double margin) => Bits |= Margins.IsMissed(margin) ? FarTooLarge : 0;
}
