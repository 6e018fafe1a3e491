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
            StillGrowing growing => writing.Say($"It is still growing, and was last measured {growing.Days} days ago."),
            MassChanged mass => writing.Say(
                $"It weighs {Writing.Number(mass.After.Kilograms)} kg, {Math.Abs(mass.After / mass.Before - 1):0%} {(mass.After > mass.Before ? writing.Say("more") : writing.Say("less"))} than when it was measured ({Writing.Number(mass.Before.Kilograms)} kg)."
            ),
            _ => writing.Say("Its coat was clipped since: girths and the strap read less now."),
        };

    /// <summary>What disagrees and by how much.</summary>
    public string Message(Finding finding) =>
        finding switch
        {
            OneSideOnly f => writing.Say(
                $"Only the {(f.Wanting == Side.Left ? writing.Say("right") : writing.Say("left"))} nose to inner eye was taken; the two seldom agree and the shorter one rules the fit."
            ),
            SidesDiffer f => writing.Say(
                $"Left and right nose to inner eye differ by {Say((f.Left - f.Right).Abs())} ({Say(f.Left)} and {Say(f.Right)}). The shorter side rules the fit."
            ),
            ImpossibleSpacing f => writing.Say(
                $"Eyes {Say(f.Spacing)} apart cannot both be {Say(f.Eye)} from the nose tip. The spacing is left out until then."
            ),
            GirthBounds f => writing.Say(
                $"A snout {Say(f.Height)} high and {Say(f.Width)} wide is {(f.Girth < f.Bound ? writing.Say("at least") : writing.Say("at most"))} {Say(f.Bound)} around; "
                    + $"the girth reads {Say(f.Girth)}, {Say((f.Girth - f.Bound).Abs())} {(f.Girth < f.Bound ? writing.Say("less") : writing.Say("more"))}."
            ),
            SectionSlipped f => writing.Say(
                $"A snout {Say(f.Height)} high, {Say(f.Width)} wide and {Say(f.Girth)} around is an unusual one; {Explained(f.Slip)}"
            ),
            FitLineGap f => writing.Say(
                $"Fit line to nose ({Say(f.FitLine)}) and {(f.GapIsUsual ? writing.Say("the usual gap") : writing.Say("the gap"))} to the eyes ({Say(f.Gap)}) make {Say(f.FitLine + f.Gap)}; "
                    + $"nose to inner eye says {Say(f.EyeLine)}, {Say((f.FitLine + f.Gap - f.EyeLine).Abs())} {(f.FitLine + f.Gap > f.EyeLine ? writing.Say("less") : writing.Say("more"))}."
            ),
            FaceShare { Share: >= 1 } f => writing.Say(
                $"Nose to inner eye reads {Say(f.Eye)} and nose to base of skull {Say(f.Whole)}: a part cannot be longer than the whole."
            ),
            FaceShare f => writing.Say(
                $"Nose to inner eye ({Say(f.Eye)}) is {f.Share:0%} of nose to base of skull ({Say(f.Whole)}); {f.Least:0%} to {f.Greatest:0%} is usual."
            ),
            JawReading f => writing.Say(
                $"Jaw to nose reads {Say(f.Jaw)}. Level, a head like this gives about {Say(f.Level)} ± {Say(2 * f.LevelDoubt)}; point to point about {Say(f.Slanted)}{Explained(f.Verdict)}"
            ),
            HeadShapeWays f => writing.Say(
                $"The ways of telling the head shape differ ({string.Join("; ", f.Ways.Select(w => $"{Way(w.Way)}: {writing.Term(w.Shape)}"))}). The first is used."
            ),
            OutsideOwnRange f => writing.Say(
                $"{Named(f.Line)} reads {Say(f.Mean)}; {f.Range.Dogs} earlier dogs of this breed had {writing.Range(f.Range.Low, f.Range.High)}, half of them around {Say(f.Range.Median)}."
            ),
            Implausible f => writing.Say(
                $"{Named(f.Line)} reads {Say(f.Mean)}; for {(f.BodyMass is { } mass ? writing.Say($"a {writing.Term(f.Shape)} head on a dog of {mass.Kilograms:0.#} kg") : writing.Say("any dog"))} we expect {writing.Range(f.Low, f.High)}."
            ),
            ThirdReading f => writing.Say(
                $"The two readings of {Name(f.Line)} are {Say(f.Spread)} apart; two of one hand with this tool stay within {Say(f.Limit)}."
            ),
            OddOneOut f => writing.Say(
                $"Of {f.Count} readings of {Name(f.Line)}, {Say(f.Odd)} stands apart: they spread over {Say(f.Spread)}, where {Say(f.Limit)} is usual."
            ),
            _ => throw new ArgumentOutOfRangeException(nameof(finding)),
        };

    /// <summary>Which reading to take again, and how.</summary>
    public string Retake(Finding finding) =>
        finding switch
        {
            OneSideOnly f => writing.Say($"Take the {writing.Term(f.Wanting)} side too."),
            SidesDiffer => writing.Say("Take both again, head straight, from the nose tip to the tear duct."),
            ImpossibleSpacing => writing.Say("Take the inner eye spacing again, corner to corner across the bridge."),
            GirthBounds => writing.Say("Take all three again at one and the same place on the snout, mouth closed."),
            SectionSlipped { Slip: SectionSlip.MouthOpen } => writing.Say("Was the mouth closed? If not, take the height again."),
            SectionSlipped { Slip: SectionSlip.GirthForward } => writing.Say(
                "Was the tape right in front of the eyes, and did it stay there? If not, take the girth again."
            ),
            SectionSlipped => writing.Say("Were lips and jowls taken in? If not, take the width again."),
            FitLineGap => writing.Say("Take the fit line again, and write down the gap you leave to the eyes."),
            FaceShare => writing.Say("Take nose to base of skull again: along the top, to where the bone ends."),
            JawReading { Verdict: JawVerdict.Neither } => writing.Say("Take it again, and check the unit: throat bump to below the nose tip, horizontally."),
            JawReading { Verdict: JawVerdict.PointToPoint } => writing.Say(
                "How was it held? Or take it again level: head straight, a plumb line down from the nose, and from the throat bump along a level tape to that line."
            ),
            JawReading => writing.Say("How was it held?"),
            HeadShapeWays => writing.Say("Look at the dog, and take the stop and skull measures again if the first seems wrong."),
            OutsideOwnRange f => writing.Say($"Take it again. {writing.Say(MeasureDefinition.For(f.Line.Measure).Guide.How)}"),
            Implausible f => writing.Say(
                $"Take it again and check the unit and the head shape. {writing.Say(MeasureDefinition.For(f.Line.Measure).Guide.How)}"
            ),
            ThirdReading => writing.Say("Take a third."),
            OddOneOut => writing.Say("Set it aside with a reason, keep it, or take another."),
            _ => throw new ArgumentOutOfRangeException(nameof(finding)),
        };

    /// <summary>What one way says of the head shape.</summary>
    public string Of(ShapeReading way) =>
        way.Way switch
        {
            ShapeWay.Seen => writing.Say("As the fitter saw it."),
            ShapeWay.CraniofacialRatio => writing.Say($"The face is {way.Value:0.00} times as long as the skull behind the stop."),
            ShapeWay.CranialIndex => writing.Say($"The skull is {way.Value:0} % as wide as it is long."),
            _ when way.IsBetween => writing.Say($"{writing.And(way.Breeds)} differ in head shape, so the middle is taken. Set the shape if you can see it."),
            _ => writing.Say($"Usual for {writing.And(way.Breeds)}."),
        };

    /// <summary>Why a head shape is worked with.</summary>
    public string Of(HeadShapeChoice choice) =>
        choice.Ways.Count > 0 ? Of(choice.Ways[0]) : writing.Say("The breed is unknown, so a medium head is assumed. Set the shape if you can see it.");

    /// <summary>How a number of the snout model came about.</summary>
    public string Of(Origin origin) =>
        origin.Kind switch
        {
            OriginKind.Read => writing.Say($"{Name(new(origin.Measure))}, as read"),
            OriginKind.InnerEye => (origin.OneSide ? writing.Say("nose to inner eye, one side only") : writing.Say("the shorter nose to inner eye"))
                + origin.Spacing switch
                {
                    SpacingUse.MadeStraight => writing.Say(", made straight with the inner eye spacing"),
                    SpacingUse.LeftOut => writing.Say("; the inner eye spacing contradicts it and is left out"),
                    _ => "",
                },
            OriginKind.TimesEyeLine => writing.Say($"{origin.Ratio} times the eye line"),
            OriginKind.FitLineAndGap => writing.Say($"the fit line's length and a gap of {Gap(origin)}"),
            OriginKind.EyeLineLessGap => writing.Say($"the eye line less a gap of {Gap(origin)}"),
            OriginKind.UsualWidth => writing.Say("the head shape's usual proportion to the eye line"),
            OriginKind.UsualHeight => writing.Say("the head shape's usual height for its width"),
            OriginKind.BoxAround => writing.Say("a rounded box of the height and width"),
            OriginKind.BoxSide => writing.Say(
                $"the {(origin.Measure == Measure.SnoutHeight ? writing.Say("height") : writing.Say("width"))} of a rounded box with that girth"
            ),
            OriginKind.BasketDepth => writing.Say("the basket's depth, taken from a box of its girth"),
            OriginKind.Square => writing.Say("girth and the other side do not go together; taken as square"),
            _ => throw new ArgumentOutOfRangeException(nameof(origin)),
        };

    private string Explained(SectionSlip slip) =>
        slip switch
        {
            SectionSlip.MouthOpen => writing.Say("a mouth open at the height would explain it."),
            SectionSlip.GirthForward => writing.Say("a girth taken further forward would explain it."),
            _ => writing.Say("a width without the lips would explain it."),
        };

    private string Explained(JawVerdict verdict) =>
        verdict switch
        {
            JawVerdict.Neither => writing.Say(": neither explains it."),
            JawVerdict.PointToPoint => writing.Say(", which explains it better."),
            _ => writing.Say(": on such a head the numbers cannot tell the two apart."),
        };

    private string Way(ShapeWay way) =>
        way switch
        {
            ShapeWay.Seen => writing.Say("the fitter"),
            ShapeWay.CraniofacialRatio => writing.Say("face against skull"),
            ShapeWay.CranialIndex => writing.Say("breadth of the skull"),
            _ => writing.Say("the breed"),
        };

    /// <summary>A line's measure, such as "Nose to inner eye, left".</summary>
    public string Named(MeasureLine line) =>
        writing.Say(MeasureDefinition.For(line.Measure).Guide.Name) + (line.Side is { } side ? $", {writing.Term(side)}" : "");

    /// <summary>The same within a sentence.</summary>
    public string Name(MeasureLine line) => Writing.Lower(Named(line));

    private string Gap(Origin origin) => origin.Gap is { } gap ? Say(gap) : "";

    private string Say(Length length) => writing.Length(length);

    /// <summary>A row of a table in the reader's language.</summary>
    public MeasureGuide Told(MeasureGuide guide) =>
        guide with
        {
            Name = writing.Say(guide.Name),
            Where = writing.Say(guide.Where),
            Find = writing.Say(guide.Find),
            How = writing.Say(guide.How),
            Mistake = writing.Say(guide.Mistake),
            Asks = guide.Asks is { } asks ? writing.Say(asks) : null,
        };

    /// <summary>A drawing with the names of its landmarks.</summary>
    public HeadDrawing Told(HeadDrawing drawing) =>
        drawing with
        {
            Marks = [.. drawing.Marks.Select(m => m with { Landmarks = [.. m.Landmarks.Select(l => l with { Name = writing.Say(l.Name) })] })],
        };

    /// <summary>What is missing, and what cannot be answered without it.</summary>
    public MissingMeasure Told(MissingMeasure missing) =>
        missing with
        {
            NeededFor = writing.Say(missing.NeededFor),
            Name = Named(new(missing.Measure, missing.Side)),
        };

    /// <summary>A number of the snout model by name.</summary>
    public string Of(SnoutPart part) =>
        part switch
        {
            SnoutPart.EyeLine => writing.Say("Eye line"),
            SnoutPart.FitLine => writing.Say("Fit line"),
            SnoutPart.Height => writing.Say("Snout height"),
            SnoutPart.Width => writing.Say("Snout width"),
            SnoutPart.Girth => writing.Say("Snout girth"),
            _ => writing.Say("Jaw hinge"),
        };
}
