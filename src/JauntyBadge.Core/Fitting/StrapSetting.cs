using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>Where to set and mark a neck strap.</summary>
/// <param name="Loop">The loop that setting makes.</param>
/// <param name="Hole">The hole, counted from the tightest as 1; null for a strap that slides.</param>
/// <param name="Holes">How many it has; null for a strap that slides.</param>
/// <param name="FromTightest">For a sliding strap how far the slider stands from its tightest; null for holes.</param>
public sealed record StrapSetting(Length Loop, int? Hole, int? Holes, Length? FromTightest)
{
    /// <summary>The tightest setting that leaves the loop wanted; null where the strap cannot make it.</summary>
    /// <param name="wanted">The loop the finger rule asks for.</param>
    /// <param name="range">The loops the strap makes.</param>
    /// <param name="holePitch">Distance of its holes, over 0; null for a strap that slides.</param>
    public static StrapSetting? For(Length wanted, Window range, Length? holePitch)
    {
        if (range.MarginOf(wanted) < Length.Zero)
            return null;
        if (holePitch is not { } pitch)
            return new StrapSetting(wanted, null, null, wanted - range.Low);
        var holes = HolesIn(range, pitch);
        var hole = Math.Min(holes, (int)Math.Ceiling((wanted - range.Low) / pitch - 1e-9) + 1);
        return new StrapSetting(range.Low + pitch * (hole - 1), hole, holes, null);
    }

    /// <summary>A strap fastened at a hole, 1 the tightest; null where it has no such hole.</summary>
    public static StrapSetting? AtHole(int hole, Window range, Length pitch) =>
        hole >= 1 && hole <= HolesIn(range, pitch) ? new StrapSetting(range.Low + pitch * (hole - 1), hole, HolesIn(range, pitch), null) : null;

    /// <summary>How many holes a strap has.</summary>
    public static int HolesIn(Window range, Length pitch) => (int)Math.Floor((range.High - range.Low) / pitch + 1e-9) + 1;
}
