using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Wearing;

namespace JauntyBadge.Core.Handover.Sheets;

/// <summary>Which dog a row is of.</summary>
public readonly record struct SheetDog(Guid Id, string Name);

/// <summary>A go; of a set without one, the set with its signs.</summary>
public sealed record GoLine(
    SheetDog Dog,
    Guid Session,
    DateOnly Day,
    DateTime SessionStarted,
    int Set,
    string StepId,
    string Step,
    int Target,
    string Asked,
    double? AskedSeconds,
    int? Go,
    DateTime? At,
    bool? WentWell,
    double? HeldSeconds,
    IReadOnlyList<string> Signs,
    DecisionKind? Decision
);

public sealed record WornLine(
    SheetDog Dog,
    Guid Id,
    DateOnly Day,
    DateTime On,
    DateTime? Off,
    double? Minutes,
    double? CapMinutes,
    Occasion Occasion,
    string? Place,
    string? ForWhat,
    string? Muzzle,
    string? Strap,
    bool Exercise,
    IReadOnlyList<string> Signs,
    WearEnding Ending,
    IReadOnlyList<RubPlace> Rubs,
    string? Treat,
    int TreatPieces,
    string? Note
);

public sealed record InspectionLine(SheetDog Dog, Guid Id, DateOnly Day, string Muzzle, IReadOnlyList<string> Failed, string? Note);

public sealed record VisitLine(
    SheetDog Dog,
    Guid Id,
    DateOnly Day,
    TimeOnly? Time,
    AppointmentKind Kind,
    Occasion Occasion,
    string? Place,
    string? ReadyAt,
    string? Note
);

public sealed record ReadingLine(
    SheetDog Dog,
    DateTime SetStarted,
    Measure Measure,
    Side? Side,
    string AsTaken,
    double Millimetres,
    double? UncertaintyMm,
    Tool Tool,
    JawHeld? Held,
    string? TakenBy,
    DateTime TakenAt,
    string? SetAside
);

/// <summary>Treats of a day; pieces of what is given in training and of what was fed at wears.</summary>
public sealed record TreatLine(SheetDog Dog, DateOnly Day, string Treat, int InSessions, int AtWears, double Kcal, double Grams);

public sealed record CatalogueLine(MuzzleModel Model, MuzzleSize Size, string Currency, bool Shipped);

/// <summary>The tables that are handed out, each with its columns.</summary>
public static class HandoverSheets
{
    public static Sheet<GoLine> Sessions { get; } =
        new(
            "sessions",
            [
                .. Of<GoLine>(g => g.Dog),
                new("session_id", g => g.Session),
                new("day", g => g.Day),
                new("session_started", g => g.SessionStarted),
                new("set", g => g.Set),
                new("step_id", g => g.StepId),
                new("step", g => g.Step),
                new("target", g => g.Target),
                new("asked", g => g.Asked),
                new("asked_s", g => g.AskedSeconds),
                new("go", g => g.Go),
                new("at", g => g.At),
                new("went_well", g => g.WentWell),
                new("held_s", g => g.HeldSeconds),
                new("signs", g => g.Signs),
                new("decision", g => g.Decision),
            ]
        );

    public static Sheet<WornLine> Wears { get; } =
        new(
            "wears",
            [
                .. Of<WornLine>(w => w.Dog),
                new("wear_id", w => w.Id),
                new("day", w => w.Day),
                new("on", w => w.On),
                new("off", w => w.Off),
                new("worn_min", w => w.Minutes),
                new("cap_min", w => w.CapMinutes),
                new("occasion", w => w.Occasion),
                new("place", w => w.Place),
                new("for_what", w => w.ForWhat),
                new("muzzle", w => w.Muzzle),
                new("strap", w => w.Strap),
                new("exercise", w => w.Exercise),
                new("signs", w => w.Signs),
                new("ending", w => w.Ending),
                new("rub_marks", w => Terms(w.Rubs)),
                new("treat", w => w.Treat),
                new("treat_pieces", w => w.TreatPieces),
                new("note", w => w.Note),
            ]
        );

    public static Sheet<InspectionLine> Inspections { get; } =
        new(
            "inspections",
            [
                .. Of<InspectionLine>(i => i.Dog),
                new("inspection_id", i => i.Id),
                new("day", i => i.Day),
                new("muzzle", i => i.Muzzle),
                new("failed", i => i.Failed),
                new("note", i => i.Note),
            ]
        );

    public static Sheet<VisitLine> Visits { get; } =
        new(
            "visits",
            [
                .. Of<VisitLine>(v => v.Dog),
                new("visit_id", v => v.Id),
                new("day", v => v.Day),
                new("time_local", v => v.Time),
                new("kind", v => v.Kind),
                new("occasion", v => v.Occasion),
                new("place", v => v.Place),
                new("ready_at_step", v => v.ReadyAt),
                new("note", v => v.Note),
            ]
        );

    public static Sheet<ReadingLine> Readings { get; } =
        new(
            "readings",
            [
                .. Of<ReadingLine>(r => r.Dog),
                new("set_started", r => r.SetStarted),
                new("measure", r => r.Measure),
                new("side", r => r.Side),
                new("as_taken", r => r.AsTaken),
                new("value_mm", r => r.Millimetres),
                new("uncertainty_mm", r => r.UncertaintyMm),
                new("tool", r => r.Tool),
                new("held", r => r.Held),
                new("taken_by", r => r.TakenBy),
                new("taken_at", r => r.TakenAt),
                new("set_aside", r => r.SetAside),
            ]
        );

    public static Sheet<TreatLine> Treats { get; } =
        new(
            "treats",
            [
                .. Of<TreatLine>(t => t.Dog),
                new("day", t => t.Day),
                new("treat", t => t.Treat),
                new("pieces_in_sessions", t => t.InSessions),
                new("pieces_at_wears", t => t.AtWears),
                new("energy_kcal", t => t.Kcal),
                new("mass_g", t => t.Grams),
            ]
        );

    public static Sheet<CatalogueLine> Catalogue { get; } =
        new(
            "catalogue",
            [
                new("model_id", c => c.Model.Id),
                new("model", c => c.Model.Name),
                new("maker", c => c.Model.Maker),
                new("invented", c => c.Shipped),
                new("type", c => c.Model.Type),
                new("material", c => c.Model.Material),
                new("closure", c => c.Model.Closure),
                new("forehead_strap", c => c.Model.ForeheadStrap),
                new("front_opening", c => c.Model.FrontOpening),
                new("front_bar_gap_mm", c => c.Model.FrontBarGap?.Millimeters),
                new("hole_pitch_mm", c => c.Model.HolePitch?.Millimeters),
                new("lead_time_d", c => c.Model.LeadDays),
                new("size_id", c => c.Size.Id),
                new("size", c => c.Size.Label),
                new("length_mm", c => c.Size.Length.Millimeters),
                new("depth_front_mm", c => c.Size.DepthFront?.Millimeters),
                new("depth_rear_mm", c => c.Size.DepthRear?.Millimeters),
                new("width_rear_mm", c => c.Size.WidthRear?.Millimeters),
                new("width_front_mm", c => c.Size.WidthFront?.Millimeters),
                new("opening_girth_mm", c => c.Size.OpeningGirth?.Millimeters),
                new("girth_min_mm", c => c.Size.GirthMin?.Millimeters),
                new("girth_max_mm", c => c.Size.GirthMax?.Millimeters),
                new("neck_strap_min_mm", c => c.Size.NeckStrapMin?.Millimeters),
                new("neck_strap_max_mm", c => c.Size.NeckStrapMax?.Millimeters),
                new("mass_g", c => c.Size.Mass?.Grams),
                new("price", c => c.Size.Price),
                new("currency", c => c.Size.Price is null ? null : c.Currency),
            ]
        );

    private static IEnumerable<SheetColumn<T>> Of<T>(Func<T, SheetDog> dog) => [new("dog_id", r => dog(r).Id), new("dog", r => dog(r).Name)];

    private static IEnumerable<string> Terms<TTerm>(IEnumerable<TTerm> terms)
        where TTerm : struct, Enum => terms.Select(t => System.Text.Json.JsonNamingPolicy.CamelCase.ConvertName(t.ToString()));
}
