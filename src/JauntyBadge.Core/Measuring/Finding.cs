namespace JauntyBadge.Core.Measuring;

/// <summary>How much a finding matters.</summary>
public enum Severity
{
    /// <summary>Worth knowing.</summary>
    Note,

    /// <summary>A reading has to be taken again before it is relied on.</summary>
    Check,
}

/// <summary>Something that does not add up, and which reading to take again.</summary>
/// <param name="Code">Stable code of the check.</param>
/// <param name="Severity">How much it matters.</param>
/// <param name="Measures">The measures concerned.</param>
/// <param name="Message">What disagrees and by how much.</param>
/// <param name="Retake">Which reading to take again, and how.</param>
/// <param name="Basis">Why the limit is where it is.</param>
public sealed record Finding(
    string Code, Severity Severity, IReadOnlyList<Measure> Measures, string Message, string Retake, Basis Basis);
