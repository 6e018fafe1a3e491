using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace JauntyBadge.Data.Migrations
{
    /// <inheritdoc />
    public partial class HowWearsEnded : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Ending",
                table: "Wears",
                type: "TEXT",
                nullable: false,
                defaultValue: "TakenOff");

            migrationBuilder.AddColumn<bool>(
                name: "Red",
                table: "Wears",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "Ending",
                table: "Wears");

            migrationBuilder.DropColumn(
                name: "Red",
                table: "Wears");
        }
    }
}
