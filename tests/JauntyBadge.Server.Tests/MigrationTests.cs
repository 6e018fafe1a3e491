using System.Security.Cryptography;
using System.Text;
using JauntyBadge.Core.Measuring.Heads;
using JauntyBadge.Data;
using JauntyBadge.Data.Handover;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

namespace JauntyBadge.Server.Tests;

/// <summary>A practice that was kept by an earlier version keeps everything.</summary>
public class MigrationTests
{
    [Fact]
    public void Every_change_of_the_model_has_its_migration()
    {
        using var db = Nowhere();
        Assert.False(db.Database.HasPendingModelChanges());
    }

    /// <summary>What was released is on somebody's machine: a step that is edited afterwards would make tables that nobody has. A change is a step of its own.</summary>
    [Fact]
    public void A_released_step_is_never_edited()
    {
        using var db = Nowhere();
        var made = db.GetService<IMigrator>().GenerateScript(null, "Release1");
        // The last line but one names the version of the library that wrote it.
        var tables = made[..made.IndexOf("INSERT INTO \"__EFMigrationsHistory\"", StringComparison.Ordinal)];
        Assert.StartsWith(
            "36756e317a3288de6819b77b6c56d298",
            Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(tables))),
            StringComparison.Ordinal
        );
    }

    /// <summary>Two practices of one release: made by it, and taken over from 0.9.0. What either has the other has, in whatever order it was added.</summary>
    [Fact]
    public async Task A_practice_of_the_release_before_has_the_tables_of_a_new_one()
    {
        var (before, begun) = (Opening.Unpacked(Opening.Of09), Opening.NewFolder());
        foreach (var folder in new[] { before, begun })
            await PrepareAsync(folder);
        var (old, made) = (Tables(before), Tables(begun));
        Assert.True(made.Count > 300);
        Assert.Equal(made, old);
        Assert.Equal([await LastStepAsync(begun)], Ask(before, """SELECT "MigrationId" FROM "__EFMigrationsHistory" """));
    }

    /// <summary>A backup of the release before can be put back; of an older one it is said why not.</summary>
    [Fact]
    public void A_backup_is_looked_at_by_the_release_that_made_it()
    {
        using var db = Nowhere();
        string[] steps = [.. db.Database.GetMigrations()];
        PracticeGlance Look(string practice) => Restore.Look(PracticeFolder.DatabaseIn(Opening.Unpacked(practice)), steps);
        var before = Look(Opening.Of09);
        Assert.True(before is { IsOlder: true, Dogs: > 10 });
        var why = Assert.Throws<PracticeProblem>(() => Look(Opening.TooOld));
        Assert.StartsWith("The file was kept by a release of Jaunty Badge before 0.9.0", why.Message, StringComparison.Ordinal);
    }

    /// <summary>Cut short between the copy and the taking over, or opened twice: it is the same practice.</summary>
    [Fact]
    public async Task Taking_over_twice_changes_nothing()
    {
        var folder = Opening.Unpacked(Opening.Of09);
        var dogs = Ask(folder, """SELECT "Id" FROM "Dogs" ORDER BY 1""");
        Assert.NotEmpty(dogs);
        await PrepareAsync(folder);
        await PrepareAsync(folder);
        Assert.Equal(dogs, Ask(folder, """SELECT "Id" FROM "Dogs" ORDER BY 1"""));
        Assert.Single(Directory.GetFiles(Path.Combine(folder, "backups")));
    }

    /// <summary>The model alone.</summary>
    private static PracticeDb Nowhere() => new PracticeDb(new DbContextOptionsBuilder<PracticeDb>().UseSqlite("Data Source=:memory:").Options);

    private static PracticeDb Open(string folder) => new(new DbContextOptionsBuilder<PracticeDb>().UseSqlite(PracticeFolder.ConnectionTo(folder)).Options);

    private static async Task PrepareAsync(string folder)
    {
        using var held = PracticeFolder.Hold(folder);
        await using var db = Open(folder);
        await held.PrepareAsync(db, TimeProvider.System, TestContext.Current.CancellationToken);
    }

    private static async Task<string> LastStepAsync(string folder)
    {
        await using var db = Open(folder);
        return (await db.Database.GetAppliedMigrationsAsync(TestContext.Current.CancellationToken)).Last();
    }

    /// <summary>Every column with its type and whether it may be empty, every index, every reference; a default is what only a step that added a column to rows needed.</summary>
    private static List<string> Tables(string folder) =>
        Ask(
            folder,
            """
            SELECT t.name || ' ' || c.name || ' ' || c.type || ' ' || c."notnull" || ' ' || c.pk FROM sqlite_master t, pragma_table_info(t.name) c WHERE t.type = 'table' AND t.name NOT LIKE '\_\_EF%' ESCAPE '\'
            UNION ALL SELECT t.name || ' ' || i.name || ' ' || i."unique" || ' ' || i.partial || ' ' || x.name FROM sqlite_master t, pragma_index_list(t.name) i, pragma_index_info(i.name) x WHERE t.type = 'table' AND i.name NOT LIKE 'sqlite%'
            UNION ALL SELECT t.name || ' ' || f."from" || ' -> ' || f."table" || ' ' || f."to" || ' ' || f.on_delete FROM sqlite_master t, pragma_foreign_key_list(t.name) f WHERE t.type = 'table'
            ORDER BY 1
            """
        );

    private static List<string> Ask(string folder, string sql)
    {
        using var connection = new SqliteConnection($"Data Source={PracticeFolder.DatabaseIn(folder)};Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        using var rows = command.ExecuteReader();
        var read = new List<string>();
        while (rows.Read())
            read.Add(rows.GetString(0));
        return read;
    }

    /// <summary>A choice as the first version kept it: no model, no numbers, no brief. It still shows, without a drawing.</summary>
    [Fact]
    public void A_choice_kept_before_models_had_versions_is_still_read()
    {
        const string Kept = """
            {"model":"Withy","maker":"Hobb & Daughter","type":"basket","size":{"id":"withy-5","label":"5","lengthMm":98,"neckStrapMinMm":340,"neckStrapMaxMm":560,"massG":298,
             "depthFrontMm":119,"depthRearMm":101,"widthRearMm":88,"openingGirthMm":340,"girthMinMm":null,"girthMaxMm":null},"school":"everyday","fingers":2,"neededGapeDeg":15,"verdict":"fits",
             "gapeDeg":16.2,"neckLoopMm":447.1,"criteria":[{"name":"seat","verdict":"fits","marginMm":6.35,"reason":"19 mm of each.","basis":"Practice: half an inch"}],
             "snout":[{"name":"Eye line","mm":98,"provenance":"measured","how":"as read"}],"notChecked":[],"note":null}
            """;
        var row = new JauntyBadge.Data.Fitting.ChoiceRow { SizeId = "withy-5", Kept = Kept };
        Assert.Equal(("Withy", 98, 298), (row.KeptFit.Model, row.KeptFit.Size.Length.Millimeters, row.KeptFit.Size.Mass?.Grams));
        Assert.Null(row.KeptFit.Draw(HeadLook.Plain));
        Assert.Null(row.KeptFit.Muzzle);
    }
}
