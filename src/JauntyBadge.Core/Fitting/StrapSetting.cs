using JauntyBadge.Core.Fitting.Criteria;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>Where to set and mark a neck strap.</summary>
/// <param name="Loop">The loop that setting makes.</param>
/// <param name="Hole">The hole, counted from the tightest as 1; null for a strap that slides.</param>
/// <param name="Holes">How many it has; null for a strap that slides.</param>
/// <param name="FromTightest">For a sliding strap how far the slider stands from its tightest; null for holes.</param>
public sealed record StrapSetting(Length Loop, int? Hole, int? Holes, Length? FromTightest)
{
    /// <summary>The setting nearest to the loop wanted, of two as near the tighter one; null where none lies within half a pitch of it.</summary>
    /// <param name="wanted">The loop the finger rule asks for.</param>
    /// <param name="range">The loops the strap makes.</param>
    /// <param name="holePitch">Distance of its holes, over 0; null for a strap that slides.</param>
    public static StrapSetting? For(Length wanted, Window range, Length? holePitch)
    {
        var loop = NearestMm(wanted.Millimeters, range.Low.Millimeters, range.High.Millimeters, holePitch?.Millimeters ?? 0);
        if (double.IsNaN(loop))
            return null;
        return holePitch is { } pitch
            ? AtHole((int)Math.Round((loop - range.Low.Millimeters) / pitch.Millimeters) + 1, range, pitch)
            : new StrapSetting(wanted, null, null, wanted - range.Low);
    }

    /// <summary>The hole on the other side of the loop wanted, where that lies between two; null where the one marked makes it to the tape's own doubt, or there is no other.</summary>
    public static StrapSetting? OtherSide(StrapSetting marked, Length wanted, Window range, Length? holePitch, HouseRules rules) =>
        holePitch is { } pitch && marked.Hole is { } hole && (marked.Loop - wanted).Abs() >= rules[FitRules.Marginal]
            ? AtHole(marked.Loop > wanted ? hole - 1 : hole + 1, range, pitch)
            : null;

    /// <summary>A strap fastened at a hole, 1 the tightest; null where it has no such hole.</summary>
    public static StrapSetting? AtHole(int hole, Window range, Length pitch) =>
        hole >= 1 && hole <= HolesIn(range, pitch) ? new StrapSetting(range.Low + pitch * (hole - 1), hole, HolesIn(range, pitch), null) : null;

    /// <summary>How many holes a strap has.</summary>
    public static int HolesIn(Window range, Length pitch) => (int)HolesMm(range.Low.Millimeters, range.High.Millimeters, pitch.Millimeters);

    /// <summary>The loop set, in plain mm; a pitch of 0 slides. NaN where no setting is near enough, or a number is missing.</summary>
    internal static double NearestMm(double wanted, double low, double high, double pitch)
    {
        if (LowMarginMm(wanted, low, high, pitch) is var margin && (double.IsNaN(margin) || Margins.IsMissed(margin)))
            return double.NaN;
        if (pitch == 0)
            return wanted;
        var hole = Math.Ceiling((wanted - low) / pitch - 0.5 - 1e-9);
        return low + pitch * Math.Clamp(hole, 0, HolesMm(low, high, pitch) - 1);
    }

    /// <summary>By how many mm a loop lies inside what the strap makes; the last hole of a chart's range serves half a pitch beyond it.</summary>
    internal static double LowMarginMm(double wanted, double low, double high, double pitch) =>
        Math.Min(wanted - low, (pitch == 0 ? high : Math.Min(high, low + pitch * (HolesMm(low, high, pitch) - 0.5))) - wanted);

    private static double HolesMm(double low, double high, double pitch) => Math.Floor((high - low) / pitch + 1e-9) + 1;
}
