using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Handover.Papers;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Wearing;
using UnitsNet;

namespace JauntyBadge.Core.Handover;

/// <summary>The words of what is handed over: cards, papers, calendars, reports. They decide nothing.</summary>
/// <param name="writing">How they are said.</param>
public sealed partial class HandoverWords(Writing writing)
{
    internal string Strip => writing.Say("Fit strip");

    internal string NoseTip => writing.Say("nose tip");

    internal string FitLine => writing.Say("fit line");

    internal string EyeLine => writing.Say("eye line");

    /// <summary>The room a fit style leaves before nose and eyes.</summary>
    internal string Room(FitStyle style, Window window) => writing.Say($"{writing.Term(style)}: {writing.Range(window.Low, window.High)} before nose and eyes");

    internal IReadOnlyList<string> StripNotes =>
        [
            writing.Say("Cut it out and lay it on the bridge, the nose tip at zero."),
            writing.Say("The basket's rear edge belongs at the fit line; it never reaches the eye line."),
            writing.Say("Print at 100 %: check the square first."),
        ];

    internal string Strap => writing.Say("Strap strip");

    internal string Buckle => writing.Say("buckle here");

    /// <summary>The setting to mark, short.</summary>
    internal string Mark(StrapSetting setting) => new WearingWords(writing).Strap(setting.Hole, setting.Holes, setting.FromTightest, setting.Loop);

    internal IReadOnlyList<string> StrapNotes(StrapSetting setting) =>
        [
            writing.Say($"Lay it along the neck strap from the buckle and mark {Mark(setting)}: a loop of {writing.Length(setting.Loop)}."),
            writing.Say("Then try with the fingers on the dog: the strip does not know its coat today."),
            writing.Say("Print at 100 %: check the square first."),
        ];

    internal string Cup => writing.Say("Practice cup");

    internal string CupFront => writing.Say("front edge below");

    internal IReadOnlyList<string> CupNotes =>
        [
            writing.Say("Soft paper only. Roll it, glue the dashed flap inside, open at both ends."),
            writing.Say("Held by hand, never tied on; nose and eyes stay free. It tears before it hurts."),
            writing.Say("Print at 100 %: check the square first."),
        ];

    /// <summary>The heading of a muzzle's template.</summary>
    internal string Template(string muzzle) => writing.Say($"Template: {muzzle}");

    internal IReadOnlyList<string> TemplateNotes(bool assumed) =>
        [
            assumed ? writing.Say("Depth and width are assumed: the chart tells length and girth only.") : writing.Say("Inner sizes, as its maker lists them."),
            writing.Say("Cut out and hold to the head: the side along the bridge, the opening round the fit line."),
            writing.Say("Print at 100 %: check the square first."),
        ];

    /// <summary>Which of several pages it is.</summary>
    internal string Tile(int page, int of) => writing.Say($"Page {page} of {of}: lay the crosses on each other.");

    internal string CheckSquare(double mm) => writing.Say($"{mm:0} mm");

    internal string Of(BasketView view) => view == BasketView.Side ? writing.Say("side") : writing.Say("opening");

    /// <summary>A dimension of a basket with its length.</summary>
    internal string Of(BasketDimension dimension) =>
        dimension.Part switch
        {
            BasketPart.Length => writing.Say($"inner length {writing.Length(dimension.Value)}"),
            BasketPart.DepthFront => writing.Say($"front {writing.Length(dimension.Value)}"),
            BasketPart.DepthRear => writing.Say($"rear {writing.Length(dimension.Value)}"),
            BasketPart.WidthRear => writing.Say($"width {writing.Length(dimension.Value)}"),
            _ => writing.Say($"around the inside {writing.Length(dimension.Value)}"),
        };

    /// <summary>Why a paper cannot be made.</summary>
    public string CannotMake(PaperKind paper) =>
        paper switch
        {
            PaperKind.Strip or PaperKind.Cup => writing.Say("The snout has to be measured first: nose to inner eye, or the fit line."),
            PaperKind.Strap => writing.Say("A strap strip needs a muzzle whose strap is on its chart, and a neck that was read."),
            _ => writing.Say("A template needs a basket that was chosen; a sleeve or cover has no shape of its own."),
        };
}
