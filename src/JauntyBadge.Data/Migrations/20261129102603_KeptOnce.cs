using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace JauntyBadge.Data.Migrations
{
    /// <inheritdoc />
    public partial class KeptOnce : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Told",
                table: "Wears",
                type: "TEXT",
                nullable: false,
                defaultValue: "{}");

            migrationBuilder.AddColumn<long>(
                name: "Version",
                table: "Sets",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0L);

            migrationBuilder.AddColumn<long>(
                name: "Number",
                table: "PlanMoves",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0L);

            migrationBuilder.AddColumn<long>(
                name: "Number",
                table: "PlanChoices",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0L);

            migrationBuilder.AddColumn<long>(
                name: "Version",
                table: "Overrules",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0L);

            migrationBuilder.AddColumn<long>(
                name: "Number",
                table: "GoRules",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0L);

            // What is there already is at a version that nobody takes for "not there yet".
            migrationBuilder.Sql("""
                UPDATE "PlanMoves" SET "Number" = "Id";
                UPDATE "PlanChoices" SET "Number" = "Id";
                UPDATE "GoRules" SET "Number" = "Id";
                UPDATE "Sets" SET "Version" = "Id";
                UPDATE "Overrules" SET "Version" = 1;
                """);

            migrationBuilder.CreateTable(
                name: "Answers",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    Asked = table.Column<string>(type: "TEXT", nullable: false),
                    Status = table.Column<int>(type: "INTEGER", nullable: false),
                    Location = table.Column<string>(type: "TEXT", nullable: true),
                    Version = table.Column<long>(type: "INTEGER", nullable: true),
                    Body = table.Column<byte[]>(type: "BLOB", nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Answers", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Answers_At",
                table: "Answers",
                column: "At");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Answers");

            migrationBuilder.DropColumn(
                name: "Told",
                table: "Wears");

            migrationBuilder.DropColumn(
                name: "Version",
                table: "Sets");

            migrationBuilder.DropColumn(
                name: "Number",
                table: "PlanMoves");

            migrationBuilder.DropColumn(
                name: "Number",
                table: "PlanChoices");

            migrationBuilder.DropColumn(
                name: "Version",
                table: "Overrules");

            migrationBuilder.DropColumn(
                name: "Number",
                table: "GoRules");
        }
    }
}
