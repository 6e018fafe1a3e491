using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>The words of the measuring room. They decide nothing.</summary>
/// <param name="writing">How they are said.</param>
public sealed class MeasuringWords(Writing writing)
{
    /// <summary>Why a dog should be measured again.</summary>
    public string Of(RemeasureCause cause) =>
        cause switch
        {
            StillGrowing growing => $"It is still growing, and was last measured {growing.Days} days ago.",
            MassChanged mass =>
                $"It weighs {Writing.Number(mass.After.Kilograms)} kg, {Math.Abs(mass.After / mass.Before - 1):0%} {(mass.After > mass.Before ? "more" : "less")} than when it was measured ({Writing.Number(mass.Before.Kilograms)} kg).",
            _ => "Its coat was clipped since: girths and the strap read less now.",
        };

    /// <summary>What disagrees and by how much.</summary>
    public string Message(Finding finding) =>
        finding switch
        {
            OneSideOnly f =>
                $"Only the {(f.Wanting == Side.Left ? "right" : "left")} nose to inner eye was taken; the two seldom agree and the shorter one rules the fit.",
            SidesDiffer f =>
                $"Left and right nose to inner eye differ by {Say((f.Left - f.Right).Abs())} ({Say(f.Left)} and {Say(f.Right)}). The shorter side rules the fit.",
            ImpossibleSpacing f => $"Eyes {Say(f.Spacing)} apart cannot both be {Say(f.Eye)} from the nose tip. The spacing is left out until then.",
            GirthBounds f => $"A snout {Say(f.Height)} high and {Say(f.Width)} wide is {(f.Girth < f.Bound ? "at least" : "at most")} {Say(f.Bound)} around; "
                + $"the girth reads {Say(f.Girth)}, {Say((f.Girth - f.Bound).Abs())} {(f.Girth < f.Bound ? "less" : "more")}.",
            FitLineGap f =>
                $"Fit line to nose ({Say(f.FitLine)}) and {(f.GapIsUsual ? "the usual gap" : "the gap")} to the eyes ({Say(f.Gap)}) make {Say(f.FitLine + f.Gap)}; "
                    + $"nose to inner eye says {Say(f.EyeLine)}, {Say((f.FitLine + f.Gap - f.EyeLine).Abs())} {(f.FitLine + f.Gap > f.EyeLine ? "less" : "more")}.",
            FaceShare { Share: >= 1 } f =>
                $"Nose to inner eye reads {Say(f.Eye)} and nose to base of skull {Say(f.Whole)}: a part cannot be longer than the whole.",
            FaceShare f =>
                $"Nose to inner eye ({Say(f.Eye)}) is {f.Share:0%} of nose to base of skull ({Say(f.Whole)}); {f.Least:0%} to {f.Greatest:0%} is usual.",
            JawReading f =>
                $"Jaw to nose reads {Say(f.Jaw)}. Level, a head like this gives about {Say(f.Level)} ± {Say(2 * f.LevelDoubt)}; point to point about {Say(f.Slanted)}{Explained(f.Verdict)}",
            HeadShapeWays f =>
                $"The ways of telling the head shape differ ({string.Join("; ", f.Ways.Select(w => $"{Way(w.Way)}: {Lower(w.Shape)}"))}). The first is used.",
            OutsideOwnRange f =>
                $"{MeasureDefinition.NameOf(f.Line)} reads {Say(f.Mean)}; {f.Range.Dogs} earlier dogs of this breed had {writing.Range(f.Range.Low, f.Range.High)}, half of them around {Say(f.Range.Median)}.",
            Implausible f =>
                $"{MeasureDefinition.NameOf(f.Line)} reads {Say(f.Mean)}; for {(f.BodyMass is { } mass ? $"a {Lower(f.Shape)} head on a dog of {mass.Kilograms:0.#} kg" : "any dog")} we expect {writing.Range(f.Low, f.High)}.",
            ThirdReading f => $"The two readings of {Name(f.Line)} are {Say(f.Spread)} apart; two of one hand with this tool stay within {Say(f.Limit)}.",
            OddOneOut f =>
                $"Of {f.Count} readings of {Name(f.Line)}, {Say(f.Odd)} stands apart: they spread over {Say(f.Spread)}, where {Say(f.Limit)} is usual.",
            _ => throw new ArgumentOutOfRangeException(nameof(finding)),
        };

    /// <summary>Which reading to take again, and how.</summary>
    public string Retake(Finding finding) =>
        finding switch
        {
            OneSideOnly f => $"Take the {Lower(f.Wanting)} side too.",
            SidesDiffer => "Take both again, head straight, from the nose tip to the tear duct.",
            ImpossibleSpacing => "Take the inner eye spacing again, corner to corner across the bridge.",
            GirthBounds => "Take all three again at one and the same place on the snout, mouth closed.",
            FitLineGap => "Take the fit line again, and write down the gap you leave to the eyes.",
            FaceShare => "Take nose to base of skull again: along the top, to where the bone ends.",
            JawReading { Verdict: JawVerdict.Neither } => "Take it again, and check the unit: throat bump to below the nose tip, horizontally.",
            JawReading { Verdict: JawVerdict.PointToPoint } =>
                "How was it held? Or take it again level: head straight, a plumb line down from the nose, and from the throat bump along a level tape to that line.",
            JawReading => "How was it held?",
            HeadShapeWays => "Look at the dog, and take the stop and skull measures again if the first seems wrong.",
            OutsideOwnRange f => $"Take it again. {MeasureDefinition.For(f.Line.Measure).Guide.How}",
            Implausible f => $"Take it again and check the unit and the head shape. {MeasureDefinition.For(f.Line.Measure).Guide.How}",
            ThirdReading => "Take a third.",
            OddOneOut => "Set it aside with a reason, keep it, or take another.",
            _ => throw new ArgumentOutOfRangeException(nameof(finding)),
        };

    /// <summary>How a number of the snout model came about.</summary>
    public string Of(Origin origin) =>
        origin.Kind switch
        {
            OriginKind.Read => $"{MeasureDefinition.NameOf(new(origin.Measure)).ToLowerInvariant()}, as read",
            OriginKind.InnerEye => (origin.OneSide ? "nose to inner eye, one side only" : "the shorter nose to inner eye")
                + origin.Spacing switch
                {
                    SpacingUse.MadeStraight => ", made straight with the inner eye spacing",
                    SpacingUse.LeftOut => "; the inner eye spacing contradicts it and is left out",
                    _ => "",
                },
            OriginKind.TimesEyeLine => $"{origin.Ratio} times the eye line",
            OriginKind.FitLineAndGap => $"the fit line's length and a gap of {Gap(origin)}",
            OriginKind.EyeLineLessGap => $"the eye line less a gap of {Gap(origin)}",
            OriginKind.UsualWidth => "the head shape's usual proportion to the eye line",
            OriginKind.UsualHeight => "the head shape's usual height for its width",
            OriginKind.BoxAround => "a rounded box of the height and width",
            OriginKind.BoxSide => $"the {(origin.Measure == Measure.SnoutHeight ? "height" : "width")} of a rounded box with that girth",
            OriginKind.BasketDepth => "the basket's depth, taken from a box of its girth",
            OriginKind.Square => "girth and the other side do not go together; taken as square",
            _ => throw new ArgumentOutOfRangeException(nameof(origin)),
        };

    private static string Explained(JawVerdict verdict) =>
        verdict switch
        {
            JawVerdict.Neither => ": neither explains it.",
            JawVerdict.PointToPoint => ", which explains it better.",
            _ => ": on such a head the numbers cannot tell the two apart.",
        };

    private static string Way(ShapeWay way) =>
        way switch
        {
            ShapeWay.Seen => "the fitter",
            ShapeWay.CraniofacialRatio => "face against skull",
            ShapeWay.CranialIndex => "breadth of the skull",
            _ => "the breed",
        };

    private static string Name(MeasureLine line) => MeasureDefinition.NameOf(line).ToLowerInvariant();

    private static string Lower<T>(T term)
        where T : struct, Enum => term.ToString().ToLowerInvariant();

    private string Gap(Origin origin) => origin.Gap is { } gap ? Say(gap) : "";

    private string Say(Length length) => writing.Length(length);
}
