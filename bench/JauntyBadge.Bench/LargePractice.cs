using System.Globalization;
using System.Text.Json;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Wearing;
using JauntyBadge.Data;
using JauntyBadge.Data.Demo;
using JauntyBadge.Data.Wearing;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Bench;

/// <summary>A practice as large as it may get: the demo's dogs many times over, each of another breed and size, with its whole record.</summary>
internal static class LargePractice
{
    /// <summary>Fills a new folder: the demo practice, so many more dogs on the round, so many archived, and so many wears in all, spread over a year.</summary>
    public static async Task FillAsync(string path, int more, int archived, int wears)
    {
        using var folder = PracticeFolder.Hold(path);
        await using var db = new PracticeDb(new DbContextOptionsBuilder<PracticeDb>().UseSqlite(PracticeFolder.ConnectionTo(path)).Options);
        await folder.PrepareAsync(db, TimeProvider.System);
        await DemoPractice.FillAsync(db, TimeProvider.System);
        folder.MarkDemo();

        await db.Database.OpenConnectionAsync();
        var connection = (SqliteConnection)db.Database.GetDbConnection();
        await using var whole = (SqliteTransaction)await connection.BeginTransactionAsync();
        var templates = await db.Database.SqlQuery<string>($"""SELECT "Id" AS "Value" FROM "Dogs" WHERE "ArchivedAt" IS NULL ORDER BY "Name" """).ToListAsync();
        var dog = 0;
        for (; dog < more + archived; dog++)
            Copy(connection, templates[dog % templates.Count], dog + 1, archive: dog >= more);
        await whole.CommitAsync();
        await WearAsync(path, wears);
    }

    private static async Task WearAsync(string path, int wears)
    {
        await using var db = new PracticeDb(new DbContextOptionsBuilder<PracticeDb>().UseSqlite(PracticeFolder.ConnectionTo(path)).Options);
        var dogs = await db.Dogs.Where(d => d.ArchivedAt == null).Select(d => d.Id).ToListAsync();
        var (random, now) = (new Random(12), DateTime.UtcNow);
        foreach (var some in Enumerable.Range(0, wears).Chunk(5000))
        {
            foreach (var i in some)
            {
                var start = now.AddDays(-365 * random.NextDouble() - 1);
                db.Wears.Add(
                    new WearRow
                    {
                        Id = Guid.NewGuid(),
                        DogId = dogs[i % dogs.Count],
                        Day = DateOnly.FromDateTime(start),
                        StartedAt = start,
                        EndedAt = start.AddMinutes(5 + random.Next(40)),
                        Occasion = (Occasion)random.Next(3),
                        Seen = [new(Guid.NewGuid(), "eats", start)],
                    }
                );
            }

            await db.SaveChangesAsync();
            db.ChangeTracker.Clear();
        }
    }

    private static void Copy(SqliteConnection connection, string template, int number, bool archive)
    {
        var breeds = BreedList.Shipped.All;
        var size = (0.8 + number * 7919 % 450 / 1000.0).ToString(CultureInfo.InvariantCulture);
        var breed = JsonSerializer.Serialize(new[] { breeds[number * 31 % breeds.Count].Id });
        var other = number.ToString(CultureInfo.InvariantCulture);
        Dictionary<string, string> dogs = new()
        {
            ["Name"] = $"\"Name\" || ' {other}'",
            ["BreedIds"] = $"'{breed}'",
            ["BodyMassKg"] = $"\"BodyMassKg\" * {size}",
            ["ArchivedAt"] = archive ? "\"CreatedAt\"" : "NULL",
        };
        Insert(connection, "Dogs", $"\"Id\" = '{template}'", number, dogs);
        var ofDog = $"\"DogId\" = '{template}'";
        Insert(connection, "MeasuringSets", ofDog, number);
        Insert(connection, "Readings", ofDog, number, new() { ["Millimetres"] = $"\"Millimetres\" * {size} + {number % 7} - 3" });
        Insert(connection, "Choices", ofDog, number);
        Insert(connection, "TryOns", ofDog, number, new() { ["HasPicture"] = "0" });
        if (archive)
            return;
        Insert(connection, "Overrules", ofDog, number);
        Insert(connection, "PlanMoves", ofDog, number);
        Insert(connection, "Sessions", ofDog, number);
        Insert(connection, "Sets", ofDog, number);
        foreach (var table in new[] { "Wears", "Inspections", "Appointments", "WearingHabits" })
            Insert(connection, table, ofDog, number);
        var ofSets = $"\"SetId\" IN (SELECT \"Id\" FROM \"Sets\" WHERE {ofDog})";
        Insert(connection, "Goes", ofSets, number);
        Insert(connection, "Signs", ofSets, number);
    }

    /// <summary>Copies rows, each id moved by the number of the copy.</summary>
    private static void Insert(SqliteConnection connection, string table, string where, int number, Dictionary<string, string>? changed = null)
    {
        const int Between = 100_000;
        var columns = new List<(string Name, string Type)>();
        using (var ask = connection.CreateCommand())
        {
            ask.CommandText = $"SELECT name, type FROM pragma_table_info('{table}')";
            using var rows = ask.ExecuteReader();
            while (rows.Read())
                columns.Add((rows.GetString(0), rows.GetString(1)));
        }

        string Value((string Name, string Type) column) =>
            changed?.GetValueOrDefault(column.Name)
            ?? (
                column.Name is "Id" or "Uid" or "DogId" or "SetId" or "SessionId"
                    ? column.Type == "INTEGER"
                        ? $"\"{column.Name}\" + {(long)number * Between}"
                        : $"substr(\"{column.Name}\", 1, 28) || '{number:X8}'"
                    : $"\"{column.Name}\""
            );
        using var copy = connection.CreateCommand();
        copy.CommandText =
            $"INSERT INTO \"{table}\" ({string.Join(", ", columns.Select(c => $"\"{c.Name}\""))}) SELECT {string.Join(", ", columns.Select(Value))} FROM \"{table}\" WHERE {where}";
        copy.ExecuteNonQuery();
    }
}
