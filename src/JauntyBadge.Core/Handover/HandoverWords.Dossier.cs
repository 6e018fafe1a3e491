using JauntyBadge.Core.Handover.Dossiers;
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

    /// <summary>What is wrong with a file that was to be a dossier, the place before the words.</summary>
    public string Of(DossierFault fault)
    {
        var (at, detail) = (fault.Place, fault.Detail);
        var says = fault.What switch
        {
            DossierTrouble.Damaged => writing.Say("The file is damaged, or no ZIP file."),
            DossierTrouble.TooManyParts => writing.Say($"The file holds too many parts; up to {detail} are taken."),
            DossierTrouble.NoDossier => writing.Say($"There is no {at} in it: this is no dossier."),
            DossierTrouble.TooLarge => writing.Say($"{at} unfolds to more than {detail} MB."),
            DossierTrouble.NotJson => writing.Say($"{at}, line {detail}: this is no JSON."),
            DossierTrouble.NotUtf8 => writing.Say($"{at} is no JSON in UTF-8."),
            DossierTrouble.Foreign => writing.Say($"{at}, format: \"{detail}\" is expected. This is no dossier."),
            DossierTrouble.Newer => writing.Say(
                $"{at}, version: {detail} was written by a newer release; this one reads up to {DossierFormat.Version}. Bring this practice up to date first."
            ),
            DossierTrouble.UnknownMember => writing.Say($"{at}: this member is not known."),
            DossierTrouble.MissingMember => writing.Say($"{at}: this member is missing."),
            DossierTrouble.NotATerm => writing.Say($"{at}: this is none of the words that are known."),
            DossierTrouble.NotAnId => writing.Say($"{at}: an id is expected."),
            DossierTrouble.NotATime => writing.Say($"{at}: a day or time of ISO 8601 is expected."),
            DossierTrouble.NotAsExpected => writing.Say($"{at}: not what is expected here ({detail})."),
            DossierTrouble.Unreadable => writing.Say($"{at} cannot be read."),
            DossierTrouble.ControlCharacter => writing.Say($"{at} holds a character that cannot be seen."),
            DossierTrouble.PictureName => writing.Say($"{at}, pictures: {detail} is no name of a picture."),
            DossierTrouble.PictureMissing => writing.Say($"{at} is missing from the file."),
            DossierTrouble.NotAPicture => writing.Say($"{at} is no JPEG picture of up to {detail} pixels a side."),
            DossierTrouble.IdTwice => writing.Say($"{at}: this id is there twice."),
            DossierTrouble.OrderTwice => writing.Say($"{at}: {detail} is there twice, or is no place."),
            DossierTrouble.UnknownStep => writing.Say($"{at}: no step has this id; a newer release may know it."),
            DossierTrouble.UnknownSign => writing.Say($"{at}: no sign is called {detail}."),
            DossierTrouble.UnknownBreed => writing.Say($"{at}: {detail} is no breed of the list, and the file brings none of that name."),
            DossierTrouble.UnknownCoat => writing.Say($"{at}: no coat colour has this id."),
            DossierTrouble.ForgedNumbers => writing.Say($"{at}: these numbers are not those the fingerprint stands for."),
            DossierTrouble.OfAnotherDog => writing.Say($"{at}: a record of it has the id of another dog's record here."),
            _ => writing.Say($"{at} names a set that is not in the file."),
        };
        return fault.More > 0 ? writing.Say($"{says} And {fault.More} more.") : says;
    }
}
