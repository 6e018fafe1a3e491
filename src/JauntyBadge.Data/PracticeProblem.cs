using Microsoft.Data.Sqlite;

namespace JauntyBadge.Data;

/// <summary>A practice cannot be opened, copied or set aside. The message says what is wrong and what to do, in words for whoever started the product.</summary>
public sealed class PracticeProblem(string message, Exception? inner = null) : Exception(message, inner);

/// <summary>What SQLite cannot do, in words. Codes: sqlite.org/rescode.html (Published).</summary>
public static class SqliteWords
{
    /// <summary>The kinds of failure that are nobody's mistake in the program.</summary>
    public enum Trouble
    {
        /// <summary>Another program holds the file's lock; trying again may do.</summary>
        Busy,

        /// <summary>The disk is full.</summary>
        Full,

        /// <summary>The file or its folder may not be written.</summary>
        ReadOnly,

        /// <summary>The disk failed, or the file is gone.</summary>
        Unreachable,

        /// <summary>The file is no longer what SQLite wrote.</summary>
        Damaged,
    }

    /// <summary>The trouble behind an exception; null where it is another kind of failure.</summary>
    public static Trouble? Of(Exception? exception) =>
        exception switch
        {
            SqliteException { SqliteErrorCode: 5 or 6 } => Trouble.Busy,
            SqliteException { SqliteErrorCode: 13 } => Trouble.Full,
            SqliteException { SqliteErrorCode: 8 or 3 or 23 } => Trouble.ReadOnly,
            SqliteException { SqliteErrorCode: 10 or 14 } => Trouble.Unreachable,
            SqliteException { SqliteErrorCode: 11 or 26 } => Trouble.Damaged,
            null => null,
            _ => Of(exception.InnerException),
        };

    /// <summary>What is wrong with the practice's file and what to do.</summary>
    public static string Say(Trouble trouble, string path) =>
        trouble switch
        {
            Trouble.Busy => $"Another program holds {path}. Close it, then try again.",
            Trouble.Full => $"The disk that holds {path} is full. Make room on it, then try again.",
            Trouble.ReadOnly =>
                $"{path} may not be written by this user. Give it the right to write the file and its folder, or choose another folder with --data.",
            Trouble.Unreachable =>
                $"{path} cannot be opened or read: the disk failed, or the folder is gone. Look after the disk, or choose another folder with --data.",
            _ => $"{path} is damaged and was left as it is. Put a backup in its place (see \"Backups\" in the README), or choose another folder with --data.",
        };
}
