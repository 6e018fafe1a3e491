using System.Globalization;
using System.Text.RegularExpressions;
using JauntyBadge.Core;
using JauntyBadge.Core.Handover.Keeping;

namespace JauntyBadge.Data.Handover;

/// <summary>A backup that lies in a folder.</summary>
/// <param name="Name">Its file's name.</param>
/// <param name="At">When it was made, by the practice's clock.</param>
/// <param name="Bytes">How large it is.</param>
/// <param name="Sealed">It is closed with a passphrase.</param>
public sealed record BackupFile(string Name, DateTime At, long Bytes, bool Sealed);

/// <summary>The folder that backups are kept in: made, found by their names, and those that are no longer kept taken away.</summary>
/// <param name="path">The folder.</param>
public sealed partial class BackupFolder(string path)
{
    private const string Stamp = "yyyy-MM-dd-HHmmss";
    private const UnixFileMode OnlyMine = UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute;

    [GeneratedRegex(@"^jaunty-badge-(\d{4}-\d{2}-\d{2}-\d{6})(-\d+)?\.db(\.gpg)?$")]
    private static partial Regex Ours();

    public string Path => path;

    /// <summary>What lies in it, the newest first; empty where the folder is not there.</summary>
    public IReadOnlyList<BackupFile> List()
    {
        if (!Directory.Exists(path))
            return [];
        return
        [
            .. new DirectoryInfo(path)
                .EnumerateFiles()
                .Select(f => (File: f, Match: Ours().Match(f.Name)))
                .Where(f => f.Match.Success)
                .Select(f => new BackupFile(
                    f.File.Name,
                    DateTime.ParseExact(f.Match.Groups[1].Value, Stamp, CultureInfo.InvariantCulture),
                    f.File.Length,
                    f.Match.Groups[3].Success
                ))
                .OrderByDescending(f => f.At)
                .ThenByDescending(f => f.Name, StringComparer.Ordinal),
        ];
    }

    /// <summary>The file of this name; null where none of ours is called so.</summary>
    public string? Find(string name) => Ours().IsMatch(name) && File.Exists(System.IO.Path.Combine(path, name)) ? System.IO.Path.Combine(path, name) : null;

    /// <summary>Makes a backup: whole, checked, and closed where there is a passphrase. Where it fails nothing of it is left.</summary>
    /// <exception cref="PracticeProblem">It cannot be made.</exception>
    public BackupFile Make(string practice, string? passphrase, TimeProvider clock)
    {
        var at = clock.GetLocalNow().DateTime;
        try
        {
            Directory.CreateDirectory(path, OnlyMine);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            throw new PracticeProblem($"{path} cannot be used for backups: {e.Message.TrimEnd('.')}. Choose another folder.", e);
        }

        var name = $"jaunty-badge-{at.ToString(Stamp, CultureInfo.InvariantCulture)}";
        for (var again = 2; File.Exists(In($"{name}.db")) || File.Exists(In($"{name}.db{SealedFile.Suffix}")); again++)
            name = $"jaunty-badge-{at.ToString(Stamp, CultureInfo.InvariantCulture)}-{again}";
        var (plain, done) = ($"{In(name)}.part", $"{In(name)}.db");
        if (passphrase is not null)
            done += SealedFile.Suffix;
        try
        {
            File.Delete(plain);
            Backup.Make(practice, plain);
            if (passphrase is null)
                File.Move(plain, done);
            else
            {
                SealedFile.Close(plain, $"{done}.part", passphrase);
                File.Move($"{done}.part", done);
            }

            return new(System.IO.Path.GetFileName(done), at, new FileInfo(done).Length, passphrase is not null);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            throw new PracticeProblem($"{done} cannot be written: {e.Message.TrimEnd('.')}. Make room, or choose another folder.", e);
        }
        finally
        {
            File.Delete(plain);
            File.Delete($"{done}.part");
        }
    }

    /// <summary>Takes away what is no longer kept.</summary>
    /// <returns>The names of what went.</returns>
    public IReadOnlyList<string> Thin(DateOnly today, HouseRules rules)
    {
        var files = List();
        var keep = BackupKeeping.Keep(files.Select(f => f.At), today, rules);
        var gone = files.Where(f => !keep.Contains(f.At)).Select(f => f.Name).ToList();
        foreach (var name in gone)
            File.Delete(In(name));
        return gone;
    }

    private string In(string name) => System.IO.Path.Combine(path, name);
}
