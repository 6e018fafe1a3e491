using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>One inner dimension of a custom muzzle.</summary>
/// <param name="Name">Which, in words a maker uses.</param>
/// <param name="Wanted">What to aim for.</param>
/// <param name="Least">Least accepted; null for no least.</param>
/// <param name="Most">Most accepted; null for no most.</param>
/// <param name="Why">What it rests on.</param>
public sealed record OrderDimension(string Name, Length Wanted, Length? Least, Length? Most, string Why);

/// <summary>What a maker needs for a muzzle made to measure.</summary>
/// <param name="Dimensions">Inner dimensions with their windows.</param>
/// <param name="Features">What it has to have, and what it must not.</param>
/// <param name="ShapeNotes">What the maker should know of this head.</param>
/// <param name="Confirm">What the maker has to confirm before making it.</param>
/// <param name="Check">The wanted dimensions judged on the snout they came from.</param>
/// <param name="Made">The basket as it is wanted.</param>
public sealed record OrderSheet(
    IReadOnlyList<OrderDimension> Dimensions,
    IReadOnlyList<string> Features,
    IReadOnlyList<string> ShapeNotes,
    IReadOnlyList<string> Confirm,
    FitAssessment Check,
    BasketModel Made
)
{
    public static readonly Grounded<double> FrontDepthAllowance = new(
        "order.front-allowance",
        "Most the front may be deeper than needed, as a share",
        0.25,
        Basis.House("deeper hangs and catches")
    );

    public static readonly Grounded<Length> StrapEitherWay = new(
        "order.strap-either-way",
        "What the neck strap takes up or lets out around its setting",
        Length.FromMillimeters(40),
        Basis.House("coat, growth and weight over a year")
    );

    public static readonly Grounded<Length> MakersTolerance = new(
        "order.tolerance",
        "Room beyond the least, so that a maker's tolerance does not use it up",
        Length.FromMillimeters(3),
        Basis.House("wire and leather are made to a few millimetres")
    );

    /// <summary>Works the sheet out for a snout and a brief: windows that hold together, so that whatever lies within all of them fits.</summary>
    public static OrderSheet For(DogProfile dog, FitQuestion question)
    {
        var (snout, brief, words) = (question.Snout, question.Brief, new FittingWords(question.Writing));
        var request = question.Request(ForeheadStrap.Fitted);
        var strap =
            NeckStrap.LoopMm(snout.NeckGirth?.Millimeters ?? double.NaN, brief.Fingers, question.Finger.Millimeters) is var mm && double.IsNaN(mm)
                ? (Length?)null
                : Length.FromMillimeters(mm);
        var (low, high) = strap is { } loop
            ? (loop - snout.Rules[StrapEitherWay], loop + snout.Rules[StrapEitherWay])
            : (Length.FromMillimeters(200), Length.FromMillimeters(700));

        // The wider the windows the easier to make; they are narrowed until they hold together.
        var windows = Windows.Widest(snout, request, low, high);
        var made = windows.Wanted(low, high);
        List<OrderDimension> dimensions =
        [
            new(words.InnerLength, made.Length, windows.Inner.Low, windows.Inner.High, words.InnerLengthWhy(request.ShoveMustHold)),
            new(words.DepthFront, made.DepthFront, windows.Front.Low, windows.Front.High, words.DepthFrontWhy(brief.NeededGape)),
            new(words.DepthRear, made.DepthRear, windows.Rear.Low, windows.Rear.High, words.DepthRearWhy),
            new(words.WidthRear, made.WidthRear, windows.Width.Low, windows.Width.High, words.WidthRearWhy),
            new(words.GirthRear, made.OpeningGirth, windows.Girth.Low, windows.Girth.High, words.GirthRearWhy(brief.NeededGape)),
        ];
        if (strap is { } setting)
            dimensions.Add(new(words.StrapLoop, setting, low, high, words.StrapLoopWhy(brief.Fingers)));
        return new OrderSheet(
            dimensions,
            words.OrderFeatures(brief),
            words.ShapeNotes(dog, snout),
            words.Confirmations(dog, brief),
            BasketFit.Assess(snout, made, request),
            made
        );
    }

    /// <summary>The windows of the inner dimensions.</summary>
    private sealed record Windows(Window Inner, Window Front, Window Rear, Window Width, Window Girth)
    {
        /// <summary>The middle of every window; of the girth what such an edge measures, where that leaves a quarter of its window to either side.</summary>
        public BasketModel Wanted(Length strapMin, Length strapMax) =>
            new(
                Inner.Middle,
                Front.Middle,
                Rear.Middle,
                Width.Middle,
                UnitMath.Clamp(SnoutSection.Girth(Rear.Middle, Width.Middle), (3 * Girth.Low + Girth.High) / 4, (Girth.Low + 3 * Girth.High) / 4),
                strapMin,
                strapMax
            );

        private const int Narrowings = 20;

        /// <summary>Kept beyond what is needed, for the room does not shrink quite evenly between the corners (House).</summary>
        private static readonly Length Spare = Length.FromMillimeters(0.5);

        /// <summary>Spare widths aimed for: the middle of what is allowed, and less on a small head, whose rear edge would else go around it too wide.</summary>
        private static readonly double[] SpareMm = [18, 14, 10, 8, 6.5];

        /// <summary>Shares of the doubt about chin and jaw that are made room for, the most first; none where there is no room for it (House).</summary>
        private static readonly double[] JawShares = [1.3, 0.65, 0];

        /// <summary>The widest windows that hold together.</summary>
        public static Windows Widest(SnoutModel snout, FitRequest request, Length strapMin, Length strapMax)
        {
            var tries =
                from narrowed in Enumerable.Range(0, Narrowings + 1)
                from jaw in JawShares
                from spare in SpareMm
                select Of(snout, request, 1 - narrowed / (double)Narrowings, Length.FromMillimeters(spare), jaw, strapMin, strapMax);
            return tries.OfType<Windows>().FirstOrDefault() ?? AsWanted(snout, request);
        }

        /// <summary>Windows as wide as a share of what is allowed at the most; null where they do not hold together.</summary>
        private static Windows? Of(SnoutModel snout, FitRequest request, double share, Length aim, double jawShare, Length strapMin, Length strapMax)
        {
            var (seat, _) = FitRules.SeatWindow(request.FitStyle, snout);
            var eye = snout.EyeLine.Value;
            var slack = (seat.High - seat.Low) * share;
            var tolerance = snout.Rules[MakersTolerance];
            var length = request.ShoveMustHold ? new Window(eye - slack, eye) : new Window(eye - slack, eye + slack);
            var spare = UnitMath.Min(snout.Rules[FitRules.WidthHigh] - aim, aim - snout.Rules[FitRules.WidthLow]) * share;
            var middle = snout.Width.Value + aim;
            var width = new Window(middle - spare, middle + spare);
            var needed = BasketFit.NeededGirth(snout, request.NeededGape);
            var jaw = snout.Height.Value * (snout.Rules[CompletedMeasures.ChinDoubt] * jawShare);
            bool Opens(Length inner, Length front, Length rear)
            {
                var basket = new BasketModel(inner, front, rear, middle, needed);
                var at = Seat.Of(snout, basket, seat);
                return Gape.FloorRoom(snout, basket, at, request.NeededGape) >= snout.Rules[FitRules.FloorClearance] + Spare + jaw
                    && Gape.FloorRoom(snout, basket, at, Angle.Zero) >= snout.Rules[FitRules.ChinRoom] + Spare;
            }

            bool OpensAtAll(Length front, Length rear) => new[] { length.Low, length.Middle, length.High }.All(inner => Opens(inner, front, rear));

            // However deep the front, the turned jaw must clear the rear edge, and a rear edge that deep must be able to go round the open mouth.
            var bottomless = 20 * (snout.Height.Value + eye);
            var least = Least(rear => OpensAtAll(bottomless, rear), bottomless);
            if (2 * (least + width.Low) < needed + 2 * tolerance)
                least = needed / 2 + tolerance - width.Low;
            var rearWindow = new Window(least, least + 2 * tolerance);
            var front = UnitMath.Max(
                rearWindow.High,
                UnitMath.Max(Least(deep => OpensAtAll(deep, rearWindow.Low), bottomless), Least(deep => OpensAtAll(deep, rearWindow.High), bottomless))
            );

            // A front deeper than it has to be hangs.
            var deepest = front;
            while (deepest < front * (1 + snout.Rules[FrontDepthAllowance]) && !Hangs(deepest + tolerance))
                deepest += tolerance;
            var girth = new Window(
                UnitMath.Max(needed, SnoutSection.GirthBounds(rearWindow.High, width.High).Least),
                UnitMath.Min(needed * snout.Rules[FitRules.LargeGirth], SnoutSection.GirthBounds(rearWindow.Low, width.Low).Greatest)
            );
            var windows = new Windows(length, new Window(front, deepest), rearWindow, width, girth);
            return girth.High - girth.Low >= tolerance && deepest > front && windows.HoldTogether(snout, request, strapMin, strapMax) ? windows : null;

            bool Hangs(Length deep) =>
                Corners(length, new Window(deep, deep), rearWindow)
                    .Any(c => IsLarge(BasketFit.Judge(snout, new BasketModel(c.Length, c.Front, c.Rear, middle, needed), request)));
        }

        /// <summary>What is wanted, with no room to miss it, for a head on which no windows hold together.</summary>
        private static Windows AsWanted(SnoutModel snout, FitRequest request)
        {
            var (eye, rear) = (snout.EyeLine.Value, snout.Height.Value + snout.Rules[FitRules.ChinRoom] + snout.Rules[MakersTolerance]);
            var width = snout.Width.Value + (snout.Rules[FitRules.WidthLow] + snout.Rules[FitRules.WidthHigh]) / 2;
            var needed = UnitMath.Max(BasketFit.NeededGirth(snout, request.NeededGape), SnoutSection.Girth(rear, width));
            rear = UnitMath.Max(rear, SnoutSection.OtherSide(needed, width) ?? rear);
            static Window Only(Length value) => new(value, value);
            return new Windows(Only(eye), Only(rear), Only(rear), Only(width), Only(SnoutSection.Girth(rear, width)));
        }

        /// <summary>Whether every corner of the windows fits by the product's own criteria.</summary>
        private bool HoldTogether(SnoutModel snout, FitRequest request, Length strapMin, Length strapMax) =>
            Corners(Inner, Front, Rear)
                .All(c =>
                    new[] { Width.Low, Width.High }.All(wide =>
                        new[] { Girth.Low, Girth.High }.All(round =>
                            BasketFit.Judge(snout, new BasketModel(c.Length, c.Front, c.Rear, wide, round, strapMin, strapMax), request)
                                is { IsMissed: false } fit
                            && !IsLarge(fit)
                        )
                    )
                );

        private static bool IsLarge(Judgement fit) => fit.Of(CriterionName.Large) is not { Outcome: Outcome.Holds };

        private static IEnumerable<(Length Length, Length Front, Length Rear)> Corners(Window length, Window front, Window rear) =>
            from l in new[] { length.Low, length.High }
            from f in new[] { front.Low, front.High }
            from r in new[] { rear.Low, rear.High }
            select (l, f, r);
    }

    /// <summary>The least depth that is enough, to a tenth of a millimetre; deeper is never less.</summary>
    private static Length Least(Func<Length, bool> enough, Length most)
    {
        var (low, high) = (1.0, most.Millimeters);
        while (high - low > 0.05)
        {
            var middle = (low + high) / 2;
            (low, high) = enough(Length.FromMillimeters(middle)) ? (low, middle) : (middle, high);
        }

        return Length.FromMillimeters(Math.Ceiling(high * 10) / 10);
    }
}
