using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace JauntyBadge.Data.Migrations
{
    /// <inheritdoc />
    public partial class MeasuringBench : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<bool>(
                name: "Kept",
                table: "Readings",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "SetAside",
                table: "Readings",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "SetId",
                table: "Readings",
                type: "TEXT",
                nullable: false,
                defaultValue: new Guid("00000000-0000-0000-0000-000000000000"));

            migrationBuilder.AddColumn<string>(
                name: "TakenBy",
                table: "Readings",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Tool",
                table: "Readings",
                type: "TEXT",
                nullable: false,
                defaultValue: "SoftTape");

            migrationBuilder.AddColumn<double>(
                name: "UncertaintyMm",
                table: "Readings",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "CoatSeen",
                table: "Dogs",
                type: "TEXT",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "Breeds",
                columns: table => new
                {
                    Id = table.Column<string>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Shape = table.Column<string>(type: "TEXT", nullable: false),
                    Traits = table.Column<string>(type: "TEXT", nullable: false),
                    GrowingMonths = table.Column<int>(type: "INTEGER", nullable: false),
                    AlsoCalled = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Breeds", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "MeasuringSets",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    DogId = table.Column<Guid>(type: "TEXT", nullable: false),
                    StartedAt = table.Column<DateTime>(type: "TEXT", nullable: false),
                    School = table.Column<string>(type: "TEXT", nullable: true),
                    BodyMassKg = table.Column<double>(type: "REAL", nullable: true),
                    Coat = table.Column<string>(type: "TEXT", nullable: false),
                    FitLineGapMm = table.Column<double>(type: "REAL", nullable: true),
                    RemovedAt = table.Column<DateTime>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_MeasuringSets", x => x.Id);
                    table.ForeignKey(
                        name: "FK_MeasuringSets_Dogs_DogId",
                        column: x => x.DogId,
                        principalTable: "Dogs",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Photos",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    DogId = table.Column<Guid>(type: "TEXT", nullable: false),
                    View = table.Column<string>(type: "TEXT", nullable: false),
                    Side = table.Column<string>(type: "TEXT", nullable: false),
                    Width = table.Column<int>(type: "INTEGER", nullable: false),
                    Height = table.Column<int>(type: "INTEGER", nullable: false),
                    AddedAt = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Marks = table.Column<string>(type: "TEXT", nullable: false),
                    RemovedAt = table.Column<DateTime>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Photos", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Photos_Dogs_DogId",
                        column: x => x.DogId,
                        principalTable: "Dogs",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Pictures",
                columns: table => new
                {
                    PhotoId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Jpeg = table.Column<byte[]>(type: "BLOB", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Pictures", x => x.PhotoId);
                    table.ForeignKey(
                        name: "FK_Pictures_Photos_PhotoId",
                        column: x => x.PhotoId,
                        principalTable: "Photos",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Readings_SetId",
                table: "Readings",
                column: "SetId");

            migrationBuilder.CreateIndex(
                name: "IX_MeasuringSets_DogId",
                table: "MeasuringSets",
                column: "DogId");

            migrationBuilder.CreateIndex(
                name: "IX_Photos_DogId",
                table: "Photos",
                column: "DogId");

            // Every dog that was measured before there were sets has one set with all of its readings. Its id is the dog's.
            migrationBuilder.Sql(
                """
                INSERT INTO "MeasuringSets" ("Id", "DogId", "StartedAt", "BodyMassKg", "Coat")
                SELECT d."Id", d."Id", MIN(r."TakenAt"), d."BodyMassKg", 'Ordinary'
                FROM "Dogs" d JOIN "Readings" r ON r."DogId" = d."Id" GROUP BY d."Id";
                """);
            migrationBuilder.Sql("""UPDATE "Readings" SET "SetId" = "DogId";""");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Breeds");

            migrationBuilder.DropTable(
                name: "MeasuringSets");

            migrationBuilder.DropTable(
                name: "Pictures");

            migrationBuilder.DropTable(
                name: "Photos");

            migrationBuilder.DropIndex(
                name: "IX_Readings_SetId",
                table: "Readings");

            migrationBuilder.DropColumn(
                name: "Kept",
                table: "Readings");

            migrationBuilder.DropColumn(
                name: "SetAside",
                table: "Readings");

            migrationBuilder.DropColumn(
                name: "SetId",
                table: "Readings");

            migrationBuilder.DropColumn(
                name: "TakenBy",
                table: "Readings");

            migrationBuilder.DropColumn(
                name: "Tool",
                table: "Readings");

            migrationBuilder.DropColumn(
                name: "UncertaintyMm",
                table: "Readings");

            migrationBuilder.DropColumn(
                name: "CoatSeen",
                table: "Dogs");
        }
    }
}
