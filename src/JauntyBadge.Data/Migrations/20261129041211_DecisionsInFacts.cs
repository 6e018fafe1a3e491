using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace JauntyBadge.Data.Migrations
{
    /// <inheritdoc />
    public partial class DecisionsInFacts : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Facts",
                table: "Sets",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "OverruledTo",
                table: "Sets",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Cause",
                table: "PlanMoves",
                type: "TEXT",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "Facts",
                table: "Sets");

            migrationBuilder.DropColumn(
                name: "OverruledTo",
                table: "Sets");

            migrationBuilder.DropColumn(
                name: "Cause",
                table: "PlanMoves");
        }
    }
}
