using System.Globalization;
using UnitsNet;

namespace JauntyBadge.Core;

/// <summary>A number of the job with its ground, as the house rules list it.</summary>
public interface IGrounded
{
    /// <summary>Stable identifier: room, dot, short name.</summary>
    string Id { get; }

    /// <summary>What the number decides, in plain words.</summary>
    string What { get; }

    /// <summary>What our own value stands on.</summary>
    Basis Basis { get; }

    /// <summary>Our own value as a plain number in <see cref="Unit"/>.</summary>
    double Plain { get; }

    /// <summary>The unit of the plain number: "mm", "°", "°C", "min", "days", or empty for a ratio or a count.</summary>
    string Unit { get; }

    /// <summary>Least plain number a practice may set.</summary>
    double Least { get; }

    /// <summary>Greatest plain number a practice may set.</summary>
    double Most { get; }

    /// <summary>Whether only whole numbers make sense.</summary>
    bool IsWhole { get; }

    /// <summary>Whether a practice may set its own: not what was published, and not what is set elsewhere.</summary>
    bool IsEditable { get; }

    /// <summary>Where it is set instead, or that it only guards the program; null for most.</summary>
    string? SetElsewhere { get; }

    /// <summary>A plain number with its unit, as text.</summary>
    string Show(double plain);
}

/// <summary>A typed number of the job that carries its basis. <see cref="Ours"/> holds where the practice has set none of its own: <see cref="HouseRules"/> tell.</summary>
/// <typeparam name="T">A length, an angle, a temperature, a time, or a plain number for a ratio or a count.</typeparam>
/// <param name="Id">Stable identifier: room, dot, short name.</param>
/// <param name="What">What the number decides, in plain words.</param>
/// <param name="Ours">Our own value.</param>
/// <param name="Basis">What that stands on.</param>
public sealed record Grounded<T>(string Id, string What, T Ours, Basis Basis) : IGrounded
    where T : notnull
{
    // Half to twice ours is a choice; more is a slip of the finger (House).
    private const double Either = 2;
    private readonly double? least;
    private readonly double? most;

    public string Unit =>
        Ours switch
        {
            Length => "mm",
            Angle => "°",
            TimeSpan t => t.TotalDays >= 1 ? "days" : "min",
            Temperature => "°C",
            _ => "",
        };

    public double Plain => ToPlain(Ours);

    /// <summary>Half of ours unless said otherwise; a whole number is never under 1.</summary>
    public double Least
    {
        get => least ?? (IsWhole ? Math.Max(1, Math.Ceiling(Plain / Either)) : Plain / Either);
        init => least = value;
    }

    /// <summary>Twice ours unless said otherwise; what is under 1 goes half of the way there at most, for it may be a share.</summary>
    public double Most
    {
        get => most ?? (Ours is double share and < 1 ? Math.Min(share * Either, (1 + share) / 2) : Plain * Either);
        init => most = value;
    }

    public bool IsWhole => Ours is int;

    public bool IsEditable => Basis.Kind != BasisKind.Published && SetElsewhere is null;

    public string? SetElsewhere { get; init; }

    /// <summary>A plain number in <see cref="Unit"/> as a value.</summary>
    public T Of(double plain) =>
        (T)
            (object)(
                Ours switch
                {
                    Length => Length.FromMillimeters(plain),
                    Angle => Angle.FromDegrees(plain),
                    Temperature => Temperature.FromDegreesCelsius(plain),
                    TimeSpan => Unit == "days" ? TimeSpan.FromDays(plain) : TimeSpan.FromMinutes(plain),
                    int => (int)Math.Round(plain),
                    _ => plain,
                }
            );

    public string Show(double plain)
    {
        var number = plain.ToString("0.####", CultureInfo.InvariantCulture);
        return Unit switch
        {
            "" => number,
            "°" => $"{number}°",
            _ => $"{number} {Unit}",
        };
    }

    private static double ToPlain(T value) =>
        value switch
        {
            Length length => length.Millimeters,
            Angle angle => angle.Degrees,
            TimeSpan time => time.TotalDays >= 1 ? time.TotalDays : time.TotalMinutes,
            Temperature temperature => temperature.DegreesCelsius,
            int count => count,
            double plain => plain,
            _ => throw new InvalidOperationException($"A number cannot be a {typeof(T).Name}."),
        };
}
