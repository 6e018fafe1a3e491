using JauntyBadge.Core.Wearing;

namespace JauntyBadge.Core.Caseload;

/// <summary>What is on a dog's record, in words.</summary>
public sealed partial class CaseloadWords
{
    public string Measured => "Measured";

    public string PictureTaken => "Picture taken";

    public string SessionUnderWay => "Session under way";

    public string PlanSetByHand => "Plan set by hand";

    public string WasWorried => "It was worried.";

    public string LeftMark => "It left a mark.";

    public string Readings(int number, double? bodyMassKg) =>
        $"{Writing.Capital(Writing.Count(number, "reading"))}{(bodyMassKg is { } kg ? $", {Writing.Number(kg)} kg" : "")}.";

    public string Chosen(string muzzle) => $"{muzzle} chosen";

    public string TriedOn(string muzzle) => $"{muzzle} tried on";

    public string Checked(int checks, int wrong) =>
        wrong == 0 ? $"{Writing.Capital(Writing.Count(checks, "check"))}, all fine." : $"{Writing.Capital(Writing.Count(wrong, "thing"))} not right.";

    public string Passed(IEnumerable<string> steps) => $"Passed: {string.Join(", ", steps)}";

    public string Trained(IEnumerable<string> steps) => $"Trained: {string.Join(", ", steps)}";

    public string Worn(TimeSpan? lasted, Occasion occasion) => wearing.Worn(lasted, occasion);

    public string Inspected(string muzzle, bool fine) => fine ? $"{muzzle} inspected: fine" : $"{muzzle} inspected: out of use";

    public string Failed(InspectionCheck check) => $"{check.Name} failed.";

    public string Visit(AppointmentKind kind) => wearing.Of(kind);
}
