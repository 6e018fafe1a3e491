using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace JauntyBadge.Data.Migrations
{
    /// <inheritdoc />
    public partial class OrderAndVersions : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<long>(
                name: "Version",
                table: "Van",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0L);

            migrationBuilder.AddColumn<long>(
                name: "Number",
                table: "TryOns",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0L);

            migrationBuilder.AddColumn<long>(
                name: "Number",
                table: "Signs",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0L);

            migrationBuilder.AddColumn<long>(
                name: "Number",
                table: "Sessions",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0L);

            migrationBuilder.AddColumn<long>(
                name: "Number",
                table: "Readings",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0L);

            migrationBuilder.AddColumn<long>(
                name: "Number",
                table: "Photos",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0L);

            migrationBuilder.AddColumn<long>(
                name: "Version",
                table: "Photos",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0L);

            migrationBuilder.AddColumn<long>(
                name: "Number",
                table: "MeasuringSets",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0L);

            migrationBuilder.AddColumn<long>(
                name: "Version",
                table: "MeasuringSets",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0L);

            migrationBuilder.AddColumn<long>(
                name: "Number",
                table: "Goes",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0L);

            migrationBuilder.AddColumn<long>(
                name: "Version",
                table: "FitSettings",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0L);

            migrationBuilder.AddColumn<long>(
                name: "Version",
                table: "ExpectedDogs",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0L);

            migrationBuilder.AddColumn<long>(
                name: "Number",
                table: "Choices",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0L);

            migrationBuilder.AddColumn<long>(
                name: "Version",
                table: "Breeds",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0L);

            migrationBuilder.CreateTable(
                name: "Counter",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false),
                    Last = table.Column<long>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Counter", x => x.Id);
                });

            migrationBuilder.InsertData(
                table: "Counter",
                columns: new[] { "Id", "Last" },
                values: new object[] { 1, 0L });

            // What is there already is numbered in the order of its times, all kinds together; what anyone entered is at some version over 0.
            migrationBuilder.Sql(
                """
                CREATE TABLE "Ordered" AS SELECT "Kind", "Id", ROW_NUMBER() OVER (ORDER BY "At", "Rank", "Row") AS "Number" FROM (
                    SELECT 'MeasuringSets' AS "Kind", "Id", "StartedAt" AS "At", 1 AS "Rank", rowid AS "Row" FROM "MeasuringSets"
                    UNION ALL SELECT 'Readings' AS "Kind", "Id", "TakenAt" AS "At", 2 AS "Rank", rowid AS "Row" FROM "Readings"
                    UNION ALL SELECT 'Photos' AS "Kind", "Id", "AddedAt" AS "At", 3 AS "Rank", rowid AS "Row" FROM "Photos"
                    UNION ALL SELECT 'Choices' AS "Kind", "Id", "ChosenAt" AS "At", 4 AS "Rank", rowid AS "Row" FROM "Choices"
                    UNION ALL SELECT 'TryOns' AS "Kind", "Id", "At" AS "At", 5 AS "Rank", rowid AS "Row" FROM "TryOns"
                    UNION ALL SELECT 'Sessions' AS "Kind", "Id", "StartedAt" AS "At", 6 AS "Rank", rowid AS "Row" FROM "Sessions"
                    UNION ALL SELECT 'Goes' AS "Kind", "Id", "At" AS "At", 7 AS "Rank", rowid AS "Row" FROM "Goes"
                    UNION ALL SELECT 'Signs' AS "Kind", "Id", "At" AS "At", 8 AS "Rank", rowid AS "Row" FROM "Signs");
                CREATE UNIQUE INDEX "IX_Ordered" ON "Ordered" ("Kind", "Id");
                UPDATE "MeasuringSets" SET "Number" = (SELECT "Number" FROM "Ordered" o WHERE o."Kind" = 'MeasuringSets' AND o."Id" = "MeasuringSets"."Id");
                UPDATE "Readings" SET "Number" = (SELECT "Number" FROM "Ordered" o WHERE o."Kind" = 'Readings' AND o."Id" = "Readings"."Id");
                UPDATE "Photos" SET "Number" = (SELECT "Number" FROM "Ordered" o WHERE o."Kind" = 'Photos' AND o."Id" = "Photos"."Id");
                UPDATE "Choices" SET "Number" = (SELECT "Number" FROM "Ordered" o WHERE o."Kind" = 'Choices' AND o."Id" = "Choices"."Id");
                UPDATE "TryOns" SET "Number" = (SELECT "Number" FROM "Ordered" o WHERE o."Kind" = 'TryOns' AND o."Id" = "TryOns"."Id");
                UPDATE "Sessions" SET "Number" = (SELECT "Number" FROM "Ordered" o WHERE o."Kind" = 'Sessions' AND o."Id" = "Sessions"."Id");
                UPDATE "Goes" SET "Number" = (SELECT "Number" FROM "Ordered" o WHERE o."Kind" = 'Goes' AND o."Id" = "Goes"."Id");
                UPDATE "Signs" SET "Number" = (SELECT "Number" FROM "Ordered" o WHERE o."Kind" = 'Signs' AND o."Id" = "Signs"."Id");
                UPDATE "Counter" SET "Last" = MAX((SELECT COUNT(*) FROM "Ordered"), (SELECT COALESCE(MAX("Version"), 0) FROM "Dogs")) + 1;
                DROP TABLE "Ordered";
                DELETE FROM "Van" WHERE "Count" = 0;
                UPDATE "Van" SET "Version" = 1;
                UPDATE "FitSettings" SET "Version" = 1;
                UPDATE "ExpectedDogs" SET "Version" = 1;
                UPDATE "Breeds" SET "Version" = 1;
                UPDATE "Photos" SET "Version" = 1;
                UPDATE "MeasuringSets" SET "Version" = 1;
                """);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Counter");

            migrationBuilder.DropColumn(
                name: "Version",
                table: "Van");

            migrationBuilder.DropColumn(
                name: "Number",
                table: "TryOns");

            migrationBuilder.DropColumn(
                name: "Number",
                table: "Signs");

            migrationBuilder.DropColumn(
                name: "Number",
                table: "Sessions");

            migrationBuilder.DropColumn(
                name: "Number",
                table: "Readings");

            migrationBuilder.DropColumn(
                name: "Number",
                table: "Photos");

            migrationBuilder.DropColumn(
                name: "Version",
                table: "Photos");

            migrationBuilder.DropColumn(
                name: "Number",
                table: "MeasuringSets");

            migrationBuilder.DropColumn(
                name: "Version",
                table: "MeasuringSets");

            migrationBuilder.DropColumn(
                name: "Number",
                table: "Goes");

            migrationBuilder.DropColumn(
                name: "Version",
                table: "FitSettings");

            migrationBuilder.DropColumn(
                name: "Version",
                table: "ExpectedDogs");

            migrationBuilder.DropColumn(
                name: "Number",
                table: "Choices");

            migrationBuilder.DropColumn(
                name: "Version",
                table: "Breeds");
        }
    }
}
