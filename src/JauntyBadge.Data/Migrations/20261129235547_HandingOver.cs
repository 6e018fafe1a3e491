using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace JauntyBadge.Data.Migrations
{
    /// <inheritdoc />
    public partial class HandingOver : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<Guid>(
                name: "Uid",
                table: "StepPasses",
                type: "TEXT",
                nullable: false,
                defaultValue: new Guid("00000000-0000-0000-0000-000000000000"));

            migrationBuilder.AddColumn<Guid>(
                name: "Uid",
                table: "PlanMoves",
                type: "TEXT",
                nullable: false,
                defaultValue: new Guid("00000000-0000-0000-0000-000000000000"));

            migrationBuilder.AddColumn<Guid>(
                name: "Uid",
                table: "PlanChoices",
                type: "TEXT",
                nullable: false,
                defaultValue: new Guid("00000000-0000-0000-0000-000000000000"));

            migrationBuilder.AddColumn<Guid>(
                name: "Uid",
                table: "GoRules",
                type: "TEXT",
                nullable: false,
                defaultValue: new Guid("00000000-0000-0000-0000-000000000000"));

            migrationBuilder.AddColumn<string>(
                name: "BitesAbout",
                table: "Dogs",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "ClinicName",
                table: "Dogs",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "ClinicPhone",
                table: "Dogs",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Cue",
                table: "Dogs",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "FamilyWasTold",
                table: "Dogs",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<DateTime>(
                name: "HandedOverAt",
                table: "Dogs",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "KeeperPhone",
                table: "Dogs",
                type: "TEXT",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "Handovers",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    Number = table.Column<long>(type: "INTEGER", nullable: false),
                    DogId = table.Column<Guid>(type: "TEXT", nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    From = table.Column<string>(type: "TEXT", nullable: true),
                    To = table.Column<string>(type: "TEXT", nullable: true),
                    Note = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Handovers", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Handovers_Dogs_DogId",
                        column: x => x.DogId,
                        principalTable: "Dogs",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Practice",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false),
                    Version = table.Column<long>(type: "INTEGER", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: true),
                    Place = table.Column<string>(type: "TEXT", nullable: true),
                    Phone = table.Column<string>(type: "TEXT", nullable: true),
                    BackupFolder = table.Column<string>(type: "TEXT", nullable: true),
                    BackupNightly = table.Column<bool>(type: "INTEGER", nullable: false),
                    BackupEncrypted = table.Column<bool>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Practice", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Published",
                columns: table => new
                {
                    DogId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Key = table.Column<string>(type: "TEXT", nullable: false),
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Sequence = table.Column<int>(type: "INTEGER", nullable: false),
                    Cancelled = table.Column<bool>(type: "INTEGER", nullable: false),
                    ChangedAt = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Entry = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Published", x => new { x.DogId, x.Key });
                    table.ForeignKey(
                        name: "FK_Published_Dogs_DogId",
                        column: x => x.DogId,
                        principalTable: "Dogs",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            // Each row on record gets an id of its own, the same in whichever practice the dog is.
            foreach (var table in new[] { "StepPasses", "PlanMoves", "PlanChoices", "GoRules" })
                migrationBuilder.Sql($"""
                    UPDATE "{table}" SET "Uid" = upper(
                        hex(randomblob(4)) || '-' || hex(randomblob(2)) || '-4' || substr(hex(randomblob(2)), 2) || '-A' || substr(hex(randomblob(2)), 2) || '-' || hex(randomblob(6)));
                    """);

            migrationBuilder.CreateIndex(
                name: "IX_StepPasses_Uid",
                table: "StepPasses",
                column: "Uid",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_PlanMoves_Uid",
                table: "PlanMoves",
                column: "Uid",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_PlanChoices_Uid",
                table: "PlanChoices",
                column: "Uid",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_GoRules_Uid",
                table: "GoRules",
                column: "Uid",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_Handovers_DogId",
                table: "Handovers",
                column: "DogId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Handovers");

            migrationBuilder.DropTable(
                name: "Practice");

            migrationBuilder.DropTable(
                name: "Published");

            migrationBuilder.DropIndex(
                name: "IX_StepPasses_Uid",
                table: "StepPasses");

            migrationBuilder.DropIndex(
                name: "IX_PlanMoves_Uid",
                table: "PlanMoves");

            migrationBuilder.DropIndex(
                name: "IX_PlanChoices_Uid",
                table: "PlanChoices");

            migrationBuilder.DropIndex(
                name: "IX_GoRules_Uid",
                table: "GoRules");

            migrationBuilder.DropColumn(
                name: "Uid",
                table: "StepPasses");

            migrationBuilder.DropColumn(
                name: "Uid",
                table: "PlanMoves");

            migrationBuilder.DropColumn(
                name: "Uid",
                table: "PlanChoices");

            migrationBuilder.DropColumn(
                name: "Uid",
                table: "GoRules");

            migrationBuilder.DropColumn(
                name: "BitesAbout",
                table: "Dogs");

            migrationBuilder.DropColumn(
                name: "ClinicName",
                table: "Dogs");

            migrationBuilder.DropColumn(
                name: "ClinicPhone",
                table: "Dogs");

            migrationBuilder.DropColumn(
                name: "Cue",
                table: "Dogs");

            migrationBuilder.DropColumn(
                name: "FamilyWasTold",
                table: "Dogs");

            migrationBuilder.DropColumn(
                name: "HandedOverAt",
                table: "Dogs");

            migrationBuilder.DropColumn(
                name: "KeeperPhone",
                table: "Dogs");
        }
    }
}
