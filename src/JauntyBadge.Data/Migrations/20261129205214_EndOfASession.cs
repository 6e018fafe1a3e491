using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace JauntyBadge.Data.Migrations
{
    /// <inheritdoc />
    public partial class EndOfASession : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_StepPasses_DogId_StepId",
                table: "StepPasses");

            migrationBuilder.AddColumn<DateTime>(
                name: "WithdrawnAt",
                table: "StepPasses",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "WithdrawnNote",
                table: "StepPasses",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "IsAfter",
                table: "Sets",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "Note",
                table: "Sessions",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "Resumes",
                table: "PlanMoves",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.CreateIndex(
                name: "IX_StepPasses_DogId_StepId",
                table: "StepPasses",
                columns: new[] { "DogId", "StepId" },
                unique: true,
                filter: "\"WithdrawnAt\" IS NULL");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_StepPasses_DogId_StepId",
                table: "StepPasses");

            migrationBuilder.DropColumn(
                name: "WithdrawnAt",
                table: "StepPasses");

            migrationBuilder.DropColumn(
                name: "WithdrawnNote",
                table: "StepPasses");

            migrationBuilder.DropColumn(
                name: "IsAfter",
                table: "Sets");

            migrationBuilder.DropColumn(
                name: "Note",
                table: "Sessions");

            migrationBuilder.DropColumn(
                name: "Resumes",
                table: "PlanMoves");

            migrationBuilder.CreateIndex(
                name: "IX_StepPasses_DogId_StepId",
                table: "StepPasses",
                columns: new[] { "DogId", "StepId" },
                unique: true);
        }
    }
}
