using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Heads;
using JauntyBadge.Data;
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
        using var db = new PracticeDb(new DbContextOptionsBuilder<PracticeDb>().UseSqlite("Data Source=:memory:").Options);
        Assert.False(db.Database.HasPendingModelChanges());
    }

    [Fact]
    public async Task Readings_taken_before_there_were_sets_come_into_one_set_a_dog()
    {
        var path = Path.Combine(Directory.CreateTempSubdirectory("jaunty-badge-").FullName, "practice.db");
        await using var db = new PracticeDb(new DbContextOptionsBuilder<PracticeDb>().UseSqlite($"Data Source={path}").Options);
        await db.GetService<IMigrator>().MigrateAsync("FirstPractice", TestContext.Current.CancellationToken);
        var (dog, other) = (Guid.NewGuid(), Guid.NewGuid());
        foreach (var id in new[] { dog, other })
        {
            await db.Database.ExecuteSqlAsync(
                $"""
                INSERT INTO "Dogs" ("Id", "Name", "BirthDateEstimated", "BreedIds", "BodyMassKg", "Purposes", "Temperament", "Sensitivities", "BiteTier", "CreatedAt", "Version")
                VALUES ({id}, 'Bracken', 0, '["beagle"]', 12.5, '["Walks"]', 'Typical', '[]', 'None', '2026-05-01 10:00:00', 1)
                """,
                TestContext.Current.CancellationToken
            );
        }

        foreach (var (mm, at) in new[] { (98.0, "2026-05-02 10:00:00"), (100.0, "2026-05-01 11:00:00") })
        {
            await db.Database.ExecuteSqlAsync(
                $"""
                INSERT INTO "Readings" ("Id", "DogId", "Measure", "Side", "Millimetres", "Unit", "AsTaken", "TakenAt")
                VALUES ({Guid.NewGuid()}, {dog}, 'NoseToInnerEye', 'Left', {mm}, 'Mm', '98 mm', {at})
                """,
                TestContext.Current.CancellationToken
            );
        }

        using var folder = PracticeFolder.Hold(Path.GetDirectoryName(path)!);
        await folder.PrepareAsync(db, TimeProvider.System, TestContext.Current.CancellationToken);
        var set = await db.MeasuringSets.SingleAsync(TestContext.Current.CancellationToken);
        Assert.Equal((dog, 12.5, new DateTime(2026, 5, 1, 11, 0, 0, DateTimeKind.Utc)), (set.DogId, set.BodyMassKg, set.StartedAt));
        var readings = await db.Readings.ToListAsync(TestContext.Current.CancellationToken);
        Assert.Equal(2, readings.Count);
        Assert.All(readings, r => Assert.Equal((set.Id, Tool.SoftTape, false), (r.SetId, r.Tool, r.Kept)));
        Assert.Equal(2, await db.Dogs.CountAsync(TestContext.Current.CancellationToken));
    }

    /// <summary>A choice kept when the snout's lengths were fields by name: it draws the same head, and keeps its fit style.</summary>
    [Fact]
    public async Task A_kept_snout_becomes_rows_of_measure_side_and_length()
    {
        var cancel = TestContext.Current.CancellationToken;
        var path = Path.Combine(Directory.CreateTempSubdirectory("jaunty-badge-").FullName, "practice.db");
        await using var db = new PracticeDb(new DbContextOptionsBuilder<PracticeDb>().UseSqlite($"Data Source={path}").Options);
        await db.GetService<IMigrator>().MigrateAsync("OrderAndVersions", cancel);
        var dog = Guid.NewGuid();
        await db.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO "Dogs" ("Id", "Name", "BirthDateEstimated", "BreedIds", "BodyMassKg", "Purposes", "Temperament", "Sensitivities", "BiteTier", "CreatedAt", "Version",
              "Health", "TraitsSeen")
            VALUES ({dog}, 'Bracken', 0, '["beagle"]', 12.5, '["Walks"]', 'Typical', '[]', 'None', '2026-05-01 10:00:00', 1, '[]', '[]')
            """,
            cancel
        );
        const string Kept = """
            {"model":"Withy","maker":"Hobb & Daughter","type":"basket","size":{"id":"withy-5","label":"5","lengthMm":98,"neckStrapMinMm":340,"neckStrapMaxMm":560,"massG":298,
             "depthFrontMm":119,"depthRearMm":101,"widthRearMm":88,"openingGirthMm":340,"girthMinMm":null,"girthMaxMm":null},"school":"working","fingers":1,"neededGapeDeg":15,"verdict":"fits",
             "gapeDeg":16.2,"neckLoopMm":447.1,"criteria":[],"snout":[],"notChecked":[],"note":"Kept.",
             "numbers":{"eyeLeft":98,"eyeRight":100.5,"eyeSpacing":null,"fitLine":80,"fitLineGap":15,"girth":272,"height":80,"width":73,"jaw":149,"neck":430,"headGirth":470,
              "occiput":205,"stopToNose":95,"stopToOcciput":110,"skullWidth":108,"headShape":"long"}}
            """;
        await db.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO "Choices" ("Id", "Number", "DogId", "ChosenAt", "SizeId", "Kept")
            VALUES ({Guid.NewGuid()}, 1, {dog}, '2026-05-02 10:00:00', 'withy-5', {Kept})
            """,
            cancel
        );
        await db.Database.MigrateAsync(cancel);
        var fit = (await db.Choices.SingleAsync(cancel)).KeptFit;
        Assert.Equal((FitStyle.Working, "Kept."), (fit.FitStyle, fit.Note));
        var numbers = fit.Numbers!.ToNumbers();
        Assert.Equal((HeadShape.Long, 15), (numbers.HeadShape, numbers.FitLineGap!.Value.Millimeters));
        Assert.Equal([98, 100.5, 80, 272, 80, 73, 149, 205, 430, 95, 110, 108, 470], numbers.Lengths.Select(l => l.Value.Millimeters));
        Assert.Null(numbers.InnerEyeSpacing);
        Assert.NotNull(fit.Draw(HeadLook.Plain));
    }

    /// <summary>Pictures of heads, of try-ons and of wears lay in three tables; each is still there, under the id of what it is of.</summary>
    [Fact]
    public async Task Pictures_come_onto_one_shelf()
    {
        var cancel = TestContext.Current.CancellationToken;
        var path = Path.Combine(Directory.CreateTempSubdirectory("jaunty-badge-").FullName, "practice.db");
        // What they belong to is not looked at here.
        await using var db = new PracticeDb(new DbContextOptionsBuilder<PracticeDb>().UseSqlite($"Data Source={path};Foreign Keys=False").Options);
        await db.GetService<IMigrator>().MigrateAsync("DecisionsInFacts", cancel);
        var (head, tried, worn) = (Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid());
        await db.Database.ExecuteSqlAsync($"""INSERT INTO "Pictures" ("PhotoId", "Jpeg") VALUES ({head}, {new byte[] { 1 }})""", cancel);
        await db.Database.ExecuteSqlAsync($"""INSERT INTO "TryOnPictures" ("TryOnId", "Jpeg") VALUES ({tried}, {new byte[] { 2 }})""", cancel);
        await db.Database.ExecuteSqlAsync($"""INSERT INTO "WearPictures" ("WearId", "Jpeg") VALUES ({worn}, {new byte[] { 3 }})""", cancel);
        await db.Database.MigrateAsync(cancel);
        Assert.Equal(
            new Dictionary<Guid, byte>
            {
                [head] = 1,
                [tried] = 2,
                [worn] = 3,
            },
            await db.Pictures.ToDictionaryAsync(p => p.OfId, p => p.Jpeg.Single(), cancel)
        );
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
