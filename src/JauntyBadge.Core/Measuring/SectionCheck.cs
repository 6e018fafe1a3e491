using MathNet.Numerics.Distributions;
using MathNet.Numerics.LinearAlgebra;
using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>A slip that height, width and girth of a snout show together, where none shows alone.</summary>
public enum SectionSlip
{
    /// <summary>The mouth was open at the height.</summary>
    MouthOpen,

    /// <summary>The girth was taken further forward, where the snout is thinner.</summary>
    GirthForward,

    /// <summary>The width was taken without the lips.</summary>
    WithoutLips,
}

/// <summary>
/// Tells which slip, if any, explains a snout's height, width and girth better than heads do that merely differ: three numbers (width against the eye line, height against the width,
/// girth against a rounded box of both) with the spread of heads and the doubt of every reading in them, held against each slip's own shift by a likelihood ratio.
/// </summary>
/// <remarks>No test of the same numbers finds more at as few false alarms (Neyman and Pearson 1933, recalled): <see cref="Power"/> is the bound.</remarks>
public sealed class SectionCheck
{
    public static readonly Grounded<double> OpenMouth = new(
        "check.open-mouth",
        "How much an open mouth adds to the snout's height, as a share",
        0.25,
        Basis.Practice("a panting mouth at the fit line")
    );

    public static readonly Grounded<double> MidSnout = new(
        "check.mid-snout",
        "How much a girth taken in the middle of the snout is short, as a share",
        0.12,
        Basis.Practice("the snout tapers")
    );

    public static readonly Grounded<double> Lips = new(
        "check.lips",
        "How much a width taken without the lips is short, as a share",
        0.15,
        Basis.House("lips and jowls of an ordinary head")
    );

    public static readonly Grounded<double> WidthSpread = new(
        "check.width-spread",
        "Spread of a snout's width against the eye line among heads of one shape, as a share",
        0.12,
        Basis.House("heads of one shape differ")
    );

    public static readonly Grounded<double> RatioSpread = new(
        "check.section-spread",
        "Spread of a snout's height against its width among heads of one shape, as a share",
        0.10,
        Basis.House("heads of one shape differ")
    );

    public static readonly Grounded<double> FalseAlarms = new(
        "check.section-false-alarms",
        "Share of right sections that may be asked about",
        0.05,
        Basis.House("more, and the question is no longer heeded")
    );

    public static IReadOnlyList<IGrounded> All { get; } = [OpenMouth, MidSnout, Lips, WidthSpread, RatioSpread, FalseAlarms];

    private readonly Matrix<double> covariance;
    private readonly Vector<double> off;
    private readonly Dictionary<SectionSlip, Vector<double>> shifts;
    private readonly double called;

    private SectionCheck(Matrix<double> covariance, Vector<double> off, Dictionary<SectionSlip, Vector<double>> shifts, double falseAlarms)
    {
        (this.covariance, this.off, this.shifts) = (covariance, off, shifts);
        called = Normal.InvCDF(0, 1, 1 - falseAlarms / shifts.Count);
    }

    /// <summary>Sets a section up.</summary>
    /// <param name="eye">The eye line, with its standard uncertainty.</param>
    /// <param name="height">The height as read.</param>
    /// <param name="width">The width as read.</param>
    /// <param name="girth">The girth as read.</param>
    /// <param name="shape">The head shape, whose usual proportions are taken.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static SectionCheck For((Length Value, Length U) eye, Measured height, Measured width, Measured girth, HeadShape shape, HouseRules rules)
    {
        var (h, w, c) = (height.Mean.Millimeters, width.Mean.Millimeters, girth.Mean.Millimeters);
        static double Box(double high, double wide) => Math.Log(SnoutSection.Girth(Length.FromMillimeters(high), Length.FromMillimeters(wide)).Millimeters);
        const double Step = 0.01;
        var byHeight = (Box(h * (1 + Step), w) - Box(h, w)) / Math.Log(1 + Step);
        var byWidth = (Box(h, w * (1 + Step)) - Box(h, w)) / Math.Log(1 + Step);
        var readings = Matrix<double>.Build.DenseOfDiagonalArray([
            Share(eye.U, eye.Value),
            Share(height.StandardUncertainty, height.Mean),
            Share(width.StandardUncertainty, width.Mean),
            Share(girth.StandardUncertainty, girth.Mean),
        ]);
        var from = Matrix<double>.Build.DenseOfRowArrays([-1, 0, 1, 0], [0, 1, -1, 0], [0, -byHeight, -byWidth, 1]);
        var heads = Matrix<double>.Build.DenseOfDiagonalArray([
            Squared(rules[WidthSpread]),
            Squared(rules[RatioSpread]),
            Squared(rules[CompletedMeasures.SectionDoubt]),
        ]);
        Vector<double> Shift(double high, double wide, double round) => from * Vector<double>.Build.Dense([0, high, wide, round]);
        return new SectionCheck(
            heads + from * readings * from.Transpose(),
            Vector<double>.Build.Dense([
                Math.Log(w / (eye.Value.Millimeters * rules[SnoutRules.WidthRatio(shape)])),
                Math.Log(h / (w * rules[SnoutRules.HeightRatio(shape)])),
                Math.Log(c) - Box(h, w),
            ]),
            new()
            {
                [SectionSlip.MouthOpen] = Shift(Math.Log(1 + rules[OpenMouth]), 0, 0),
                [SectionSlip.GirthForward] = Shift(0, 0, Math.Log(1 - rules[MidSnout])),
                [SectionSlip.WithoutLips] = Shift(0, Math.Log(1 - rules[Lips]), 0),
            },
            rules[FalseAlarms]
        );
    }

    /// <summary>The slip that explains the readings best, where one explains them clearly better than heads that differ; null for none.</summary>
    public SectionSlip? Found =>
        shifts
            .Select(s => (Slip: s.Key, Towards: Weighed(s.Value) * off, Size: Reach(s.Value)))
            .Where(s => s.Towards > called * s.Size)
            .OrderByDescending(s => s.Towards - s.Size * s.Size / 2)
            .Select(s => (SectionSlip?)s.Slip)
            .FirstOrDefault();

    /// <summary>Share of readings with this slip that can be told on such a head, 0 to 1.</summary>
    public double Power(SectionSlip slip) => 1 - Normal.CDF(0, 1, called - Reach(shifts[slip]));

    private Vector<double> Weighed(Vector<double> shift) => covariance.Solve(shift);

    /// <summary>How far a slip stands out from heads that differ, in standard deviations.</summary>
    private double Reach(Vector<double> shift) => Math.Sqrt(Weighed(shift) * shift);

    private static double Share(Length u, Length of) => Squared(u / of);

    private static double Squared(double value) => value * value;
}
