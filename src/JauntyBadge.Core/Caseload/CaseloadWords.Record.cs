using JauntyBadge.Core.Wearing;

namespace JauntyBadge.Core.Caseload;

/// <summary>What is on a dog's record, in words.</summary>
public sealed partial class CaseloadWords
{
    public string Measured => writing.Say("Measured");

    public string PictureTaken => writing.Say("Picture taken");

    public string SessionUnderWay => writing.Say("Session under way");

    public string PlanSetByHand => writing.Say("Plan set by hand");

    /// <summary>What stands in the place of a record that cannot be read.</summary>
    public string CannotBeRead => writing.Say("This record cannot be read. Nothing is decided by it.");

    public string WasWorried => writing.Say("It was worried.");

    public string LeftMark => writing.Say("It left a mark.");

    public string Readings(int number, double? bodyMassKg) =>
        $"{Writing.Capital(writing.Count(number, "one reading", "{0} readings"))}{(bodyMassKg is { } kg ? $", {Writing.Number(kg)} kg" : "")}.";

    public string Chosen(string muzzle) => writing.Say($"{muzzle} chosen");

    public string TriedOn(string muzzle) => writing.Say($"{muzzle} tried on");

    public string Checked(int checks, int wrong) =>
        wrong == 0
            ? writing.Say($"{Writing.Capital(writing.Count(checks, "one check", "{0} checks"))}, all fine.")
            : writing.Say($"{Writing.Capital(writing.Count(wrong, "one thing", "{0} things"))} not right.");

    public string Passed(IEnumerable<string> steps) => writing.Say($"Passed: {string.Join(", ", steps)}");

    public string Trained(IEnumerable<string> steps) => writing.Say($"Trained: {string.Join(", ", steps)}");

    public string Worn(TimeSpan? lasted, Occasion occasion) => wearing.Worn(lasted, occasion);

    public string Inspected(string muzzle, bool fine) => fine ? writing.Say($"{muzzle} inspected: fine") : writing.Say($"{muzzle} inspected: out of use");

    public string? For(string? happyWear) => HappyWear.Find(happyWear ?? "") is { } wear ? wearing.Told(wear).Name : null;

    public string Failed(InspectionCheck check) => writing.Say($"{writing.Say(check.Name)} failed.");

    public string Visit(AppointmentKind kind) => wearing.Of(kind);
}
