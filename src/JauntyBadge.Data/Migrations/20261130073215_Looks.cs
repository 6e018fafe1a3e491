using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace JauntyBadge.Data.Migrations
{
    /// <inheritdoc />
    public partial class Looks : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "EarsSeen",
                table: "Dogs",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "FurSeen",
                table: "Dogs",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "PatternSeen",
                table: "Dogs",
                type: "TEXT",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "EarsSeen",
                table: "Dogs");

            migrationBuilder.DropColumn(
                name: "FurSeen",
                table: "Dogs");

            migrationBuilder.DropColumn(
                name: "PatternSeen",
                table: "Dogs");
        }
    }
}
