using JauntyBadge.Core.Handover.Keeping;

namespace JauntyBadge.Core.Handover;

public sealed partial class HandoverWords
{
    /// <summary>What stands in a dossier's README.</summary>
    /// <param name="dog">The dog; null for all of a practice.</param>
    /// <param name="today">The day it is made.</param>
    public string DossierReadme(string? dog, DateOnly today) =>
        string.Join(
            "\n",
            dog is null
                ? writing.Say($"Every dog of a practice, as of {writing.Day(today)}: a folder each.")
                : writing.Say($"Everything on record of {dog}, as of {writing.Day(today)}."),
            "",
            writing.Say("dossier.json holds the record; its JSON Schema is published with Jaunty Badge as docs/formats/dossier-1.schema.json."),
            writing.Say("pictures/ holds its pictures, as JPEG. Times are UTC, lengths mm, masses kg, holds ms."),
            writing.Say("Jaunty Badge takes it in under Keeping, Take in a dossier: it shows what would come in first, and overwrites nothing unasked."),
            writing.Say("It holds names, telephone numbers and notes of people. Hand it only to whoever is to have them."),
            ""
        );

    /// <summary>That the last good backup is too old.</summary>
    public string BackupOld(DateOnly? last, DateOnly today) =>
        last is { } day
            ? writing.Say($"The last good backup is {today.DayNumber - day.DayNumber} days old.")
            : writing.Say("There is no backup of this practice yet.");

    /// <summary>Which backups are kept.</summary>
    public string BackupsKept =>
        writing.Say(
            $"Kept: the newest of each of {writing.Rules[BackupKeeping.Days]} days, {writing.Rules[BackupKeeping.Weeks]} weeks and {writing.Rules[BackupKeeping.Months]} months."
        );
}
