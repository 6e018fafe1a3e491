using Microsoft.Data.Sqlite;

namespace JauntyBadge.Data;

/// <summary>A database file as such, beside the practice that EF Core opens.</summary>
internal static class SqliteFile
{
    /// <summary>Opens a file for once: it is let go of as soon as the connection is closed.</summary>
    /// <param name="path">The file.</param>
    /// <param name="mode">What may be done with it.</param>
    /// <param name="waits">How many seconds to wait where another is writing.</param>
    public static SqliteConnection Open(string path, SqliteOpenMode mode, int waits)
    {
        var connection = new SqliteConnection(
            new SqliteConnectionStringBuilder
            {
                DataSource = path,
                Mode = mode,
                Pooling = false,
                DefaultTimeout = waits,
            }.ToString()
        );
        connection.Open();
        return connection;
    }
}
