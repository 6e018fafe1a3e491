namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>One view of a head as it is drawn.</summary>
/// <param name="Fields">What is drawn, the hindmost first.</param>
/// <param name="Contour">The head's outline, which bounds the fields inside it.</param>
/// <param name="FadeFrom">Where the neck begins to fade; null where nothing fades.</param>
/// <param name="FadeTo">Where it is gone.</param>
public sealed record DrawnView(IReadOnlyList<EnamelField> Fields, Curve Contour, PointMm? FadeFrom = null, PointMm? FadeTo = null)
{
    /// <summary>Points that bound what is to be seen of it: all of the head, and of the neck as much as has not faded.</summary>
    public IReadOnlyList<PointMm> Reach()
    {
        var points = Fields.Where(f => !f.Inside).SelectMany(f => f.Curve.Points());
        return FadeTo is { } to ? [.. points.Where(p => p.X < to.X).Append(to)] : [.. points];
    }
}
