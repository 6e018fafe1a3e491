using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Tests;

/// <summary>Made-up heads and baskets the tests share.</summary>
internal static class Heads
{
    /// <summary>A finding in words, millimetres.</summary>
    public static string Said(Finding finding) => Words.Measuring.Message(finding);

    public static Length Mm(double value) => Length.FromMillimeters(value);

    /// <summary>A medium-large head, all measured, girth of a rounded box.</summary>
    public static SnoutNumbers Medium(double eye = 100, double height = 80, double width = 72) =>
        new()
        {
            NoseToInnerEyeLeft = Mm(eye),
            NoseToInnerEyeRight = Mm(eye + 2),
            SnoutHeight = Mm(height),
            SnoutWidth = Mm(width),
            SnoutGirth = SnoutSection.Girth(Mm(height), Mm(width)),
            JawToNose = Mm(eye * 1.51),
            NeckGirth = Mm(430),
        };

    /// <summary>A basket taken as a box.</summary>
    public static BasketModel Box(double length, double depth, double width = 86, double? depthRear = null) =>
        new(Mm(length), Mm(depth), Mm(depthRear ?? depth), Mm(width), SnoutSection.Girth(Mm(depthRear ?? depth), Mm(width)), Mm(380), Mm(560));

    public static FitRequest Everyday(double gapeDeg = 15) => new(FitStyle.Everyday, Angle.FromDegrees(gapeDeg), 2, Mm(16));

    public static Seat SeatOf(SnoutModel snout, BasketModel basket) => Seat.Of(snout, basket, FitRules.SeatWindow(FitStyle.Everyday, snout).Window);

    public static Reading Read(Measure measure, double mm, Side? side = null) => new(measure, side, Mm(mm), ReadingUnit.Mm);

    /// <summary>Draws from a millimetre and a half of doubt about every reading the head has.</summary>
    public static SnoutDraws Draws(SnoutModel snout, int count = 1000, double u = 1.5) =>
        SnoutDraws.Of(snout, UncertaintySource.Of(snout, snout.Numbers.Lengths.ToDictionary(l => l.Key, _ => Mm(u))), count, new Random(SnoutDraws.Seed));
}
