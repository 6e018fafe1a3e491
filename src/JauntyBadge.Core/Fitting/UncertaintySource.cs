using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>How a number behind the snout model may be off.</summary>
public enum UncertaintyKind
{
    /// <summary>A reading, by its standard uncertainty.</summary>
    Reading,

    /// <summary>A height, width or girth made from the other two, by the section's shape.</summary>
    Section,

    /// <summary>A height or width taken from the head shape.</summary>
    Assumed,

    /// <summary>A jaw hinge worked out from the eye line.</summary>
    Hinge,

    /// <summary>A gap between fit line and eyes that nobody wrote down, where the eye line is worked out by it.</summary>
    Gap,

    /// <summary>How far the hinge lies below the bridge line: differs from dog to dog, and no reading tells it.</summary>
    HingeDrop,

    /// <summary>How deep the chin lies; no reading tells it.</summary>
    Chin,

    /// <summary>The lower border of the jaw; no reading tells it.</summary>
    LowerBorder,
}

/// <summary>One source of doubt about a snout, named by the reading that would lessen it, or that it goes by.</summary>
/// <param name="Line">The reading.</param>
/// <param name="Kind">How it enters.</param>
/// <param name="Standard">Standard uncertainty, mm of length.</param>
public sealed record UncertaintySource(MeasureLine Line, UncertaintyKind Kind, Length Standard)
{
    /// <summary>Whether a reading could lessen it.</summary>
    public bool CanBeRead => Kind is not (UncertaintyKind.HingeDrop or UncertaintyKind.Chin or UncertaintyKind.LowerBorder);

    /// <summary>Every doubt about a snout: its readings' own, and those of what the model makes of what was not read.</summary>
    /// <param name="snout">The snout.</param>
    /// <param name="readings">Standard uncertainties of the readings it was built from; readings without one count as exact.</param>
    public static IReadOnlyList<UncertaintySource> Of(SnoutModel snout, IReadOnlyDictionary<MeasureLine, Length> readings)
    {
        var numbers = snout.Numbers;
        List<UncertaintySource> doubts =
        [
            .. readings
                .Where(r => r.Value > Length.Zero)
                .OrderBy(r => (r.Key.Measure, r.Key.Side))
                .Select(r => new UncertaintySource(r.Key, UncertaintyKind.Reading, r.Value)),
        ];
        void Add(Measure measure, UncertaintyKind kind, Length standard) => doubts.Add(new UncertaintySource(new MeasureLine(measure, null), kind, standard));
        void Side(Measure measure, ModelLength side, bool varied)
        {
            if (side.Provenance == Provenance.Derived)
                Add(measure, UncertaintyKind.Section, side.Value * snout.Rules[CompletedMeasures.SectionDoubt]);
            else if (side.Provenance == Provenance.Assumed && varied)
                Add(measure, UncertaintyKind.Assumed, side.Value * snout.Rules[CompletedMeasures.AssumedDoubt]);
        }

        // An assumed pair under a girth that was read is one doubt: the girth gives the other side.
        Side(Measure.SnoutWidth, snout.Width, true);
        Side(Measure.SnoutHeight, snout.Height, numbers.SnoutGirth is null);
        if (numbers.SnoutGirth is null)
            Add(Measure.SnoutGirth, UncertaintyKind.Section, snout.Girth.Value * snout.Rules[CompletedMeasures.SectionDoubt]);
        if (numbers.JawToNose is null)
            Add(Measure.JawToNose, UncertaintyKind.Hinge, snout.Hinge.Value * snout.Rules[CompletedMeasures.HingeDoubt]);
        if (numbers is { FitLineGap: null, FitLineLength: not null, NoseToInnerEyeLeft: null, NoseToInnerEyeRight: null })
            Add(Measure.NoseToInnerEye, UncertaintyKind.Gap, CompletedMeasures.GapDoubtOf(snout.EyeLine.Value - snout.FitLine.Value, snout.Rules));
        Add(Measure.SnoutHeight, UncertaintyKind.HingeDrop, snout.Height.Value * snout.Rules[CompletedMeasures.HingeDropDoubt]);
        Add(Measure.SnoutHeight, UncertaintyKind.Chin, snout.Height.Value * snout.Rules[CompletedMeasures.ChinDoubt]);
        Add(Measure.SnoutHeight, UncertaintyKind.LowerBorder, snout.Height.Value * snout.Rules[CompletedMeasures.LowerBorderDoubt]);
        return doubts;
    }

    /// <summary>The doubts of an assessed dog; none while it has no snout model.</summary>
    public static IReadOnlyList<UncertaintySource> Of(Assessment assessment) =>
        assessment.Snout is not { } snout
            ? []
            : Of(snout, assessment.Measured.ToDictionary(m => new MeasureLine(m.Measure, m.Side), m => m.StandardUncertainty));
}
