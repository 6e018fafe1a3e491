using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Heads;
using JauntyBadge.Core.Wearing;

namespace JauntyBadge.Core.Caseload;

/// <summary>A dog as it shows a sign.</summary>
/// <param name="SignId">The sign, of training or of a worn muzzle.</param>
/// <param name="Picture">The dog.</param>
public sealed record SignPicture(string SignId, HeadPortrait Picture)
{
    /// <summary>This dog with every sign there is.</summary>
    /// <param name="snout">Its lengths.</param>
    /// <param name="look">What it looks like besides.</param>
    public static IReadOnlyList<SignPicture> All(SnoutModel snout, HeadLook look) =>
        [
            .. Sign
                .All.Select(s => (s.Id, s.Shows))
                .Concat(WornSign.All.Select(s => (s.Id, s.Shows)))
                .Select(s => new SignPicture(s.Id, HeadPortrait.Showing(snout, look, s.Shows, HeadPortrait.TraySize))),
        ];
}
