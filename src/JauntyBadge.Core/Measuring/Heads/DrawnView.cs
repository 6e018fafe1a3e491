namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>One view of a head as it is drawn.</summary>
/// <param name="Fields">What is drawn, the hindmost first.</param>
/// <param name="Contour">The head's outline, which bounds the fields inside it.</param>
/// <param name="FadeFrom">Where the neck begins to fade; null where nothing fades.</param>
/// <param name="FadeTo">Where it is gone.</param>
public sealed record DrawnView(IReadOnlyList<EnamelField> Fields, Curve Contour, PointMm? FadeFrom = null, PointMm? FadeTo = null)
{
    /// <summary>The same with its mouth open.</summary>
    /// <param name="hinge">What the jaw turns about, mm.</param>
    /// <param name="degrees">How far it is turned.</param>
    public DrawnView Opened(PointMm hinge, double degrees) =>
        degrees == 0 ? this : this with { Fields = [.. Fields.Select(f => f.Turns ? f with { Curve = f.Curve.Moved(p => p.Turned(hinge, -degrees)) } : f)] };

    /// <summary>The same with something before it.</summary>
    public DrawnView With(IEnumerable<EnamelField> beside) => this with { Fields = [.. Fields, .. beside] };

    /// <summary>The same turned round.</summary>
    /// <param name="middle">About where, mm.</param>
    public DrawnView TurnedAbout(double middle)
    {
        PointMm Over(PointMm p) => new(2 * middle - p.X, p.Y);
        return this with
        {
            Fields = [.. Fields.Select(f => f with { Curve = f.Curve.Moved(Over) })],
            Contour = Contour.Moved(Over),
            FadeFrom = FadeFrom is { } from ? Over(from) : null,
            FadeTo = FadeTo is { } to ? Over(to) : null,
        };
    }

    /// <summary>Points that bound what is to be seen of it: all of the head, and of the neck as much as has not faded.</summary>
    public IReadOnlyList<PointMm> Reach()
    {
        var points = Fields.Where(f => !f.Inside).SelectMany(f => f.Curve.Points());
        return FadeTo is { } to ? [.. points.Where(p => p.X < to.X).Append(to)] : [.. points];
    }
}
