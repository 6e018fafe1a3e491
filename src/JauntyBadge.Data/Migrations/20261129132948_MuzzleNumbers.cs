using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace JauntyBadge.Data.Migrations
{
    /// <inheritdoc />
    public partial class MuzzleNumbers : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<long>(
                name: "Number",
                table: "Muzzles",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0L);

            // What is there already is numbered after all that was given so far.
            migrationBuilder.Sql("""
                UPDATE "Muzzles" SET "Number" = (SELECT "Last" FROM "Counter") + rowid;
                UPDATE "Counter" SET "Last" = MAX("Last", (SELECT COALESCE(MAX("Number"), 0) FROM "Muzzles"));
                """);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "Number",
                table: "Muzzles");
        }
    }
}
