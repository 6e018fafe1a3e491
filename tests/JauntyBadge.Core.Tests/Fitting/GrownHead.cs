using JauntyBadge.Core;
using JauntyBadge.Core.Measuring;
using MathNet.Numerics.Distributions;
using UnitsNet;

namespace JauntyBadge.Core.Tests.Fitting;

/// <summary>A kind of head: facial length and mandible of the average skull, mm; the body mass such a head sits on, kg; and how much smaller and larger heads come.</summary>
internal readonly record struct HeadKind(HeadShape Shape, double Face, double Mandible, double Mass, double Least, double Most);

/// <summary>What was truly measured, by which tool.</summary>
internal readonly record struct Truth(Measure Measure, Side? Side, double Mm, Tool Tool);

/// <summary>
/// A made-up head in the proportions of the average skulls (Evans &amp; de Lahunta, Miller's Anatomy of the Dog, recalled), from toy to giant, and how a tape reads it. The bench
/// compiles this file too.
/// </summary>
internal sealed record GrownHead(HeadShape Shape, double Eye, double Width, double Height, double MassKg, double Neck, double Hinge)
{
    private const double Spread = 0.07;

    public static readonly HeadKind[] Kinds =
    [
        new(HeadShape.Long, 114, 163, 30, 0.60, 1.30),
        new(HeadShape.Medium, 89, 134, 24, 0.40, 1.40),
        new(HeadShape.Short, 48, 85, 12, 0.55, 1.75),
    ];

    /// <summary>A head of a kind.</summary>
    public static GrownHead Of(HeadKind kind, Random random)
    {
        double Near(double value) => value * (1 + Spread * Normal.InvCDF(0, 1, random.NextDouble()));
        var size = Math.Exp(Math.Log(kind.Least) + random.NextDouble() * Math.Log(kind.Most / kind.Least));
        var eye = kind.Face * size;
        var width = Near(eye * SnoutRules.WidthRatio(kind.Shape).Ours);
        var height = Near(width * SnoutRules.HeightRatio(kind.Shape).Ours);
        var mass = Near(kind.Mass * Math.Pow(size, 3));
        return new(kind.Shape, eye, width, height, mass, Near(141 * Math.Cbrt(mass)), eye * Near(kind.Mandible / kind.Face));
    }

    /// <summary>What a fitter would read without any error: lengths by one tool, girths and the jaw by the soft tape.</summary>
    /// <param name="lengths">The tool of the lengths.</param>
    /// <param name="round">The snout's girth, times that of a rounded box.</param>
    public Truth[] Read(Tool lengths, double round = 1) =>
        [
            new(Measure.NoseToInnerEye, Side.Left, Eye, lengths),
            new(Measure.NoseToInnerEye, Side.Right, Eye * 1.01, lengths),
            new(Measure.SnoutHeight, null, Height, lengths),
            new(Measure.SnoutWidth, null, Width, lengths),
            new(Measure.SnoutGirth, null, round * SnoutSection.Girth(Length.FromMillimeters(Height), Length.FromMillimeters(Width)).Millimeters, Tool.SoftTape),
            new(Measure.JawToNose, null, Hinge, Tool.SoftTape),
            new(Measure.NeckGirth, null, Neck, Tool.SoftTape),
            new(Measure.HeadGirth, null, Neck * 1.12, Tool.SoftTape),
        ];

    /// <summary>The same read twice by hand: off by what the tool itself is off, and by a scatter each time, in whole millimetres.</summary>
    public static List<Reading> Twice(IEnumerable<Truth> truth, Random random)
    {
        List<Reading> readings = [];
        foreach (var (measure, side, mm, tool) in truth)
        {
            var slip = ToolRules.Own(tool, HouseRules.Ours).Millimeters * Normal.InvCDF(0, 1, random.NextDouble());
            for (var i = 0; i < 2; i++)
            {
                var scatter = ToolRules.Scatter(tool, HouseRules.Ours).Millimeters * Normal.InvCDF(0, 1, random.NextDouble());
                readings.Add(new Reading(measure, side, Length.FromMillimeters(Math.Round(mm + slip + scatter)), ReadingUnit.Mm, tool));
            }
        }

        return readings;
    }
}
