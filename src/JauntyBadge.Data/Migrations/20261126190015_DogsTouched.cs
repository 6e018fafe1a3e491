using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace JauntyBadge.Data.Migrations
{
    /// <inheritdoc />
    public partial class DogsTouched : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Keeper",
                table: "Dogs",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<long>(
                name: "Remeasured",
                table: "Dogs",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0L);

            migrationBuilder.AddColumn<long>(
                name: "Touched",
                table: "Dogs",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0L);

            migrationBuilder.CreateIndex(
                name: "IX_Sessions_DogId_Number",
                table: "Sessions",
                columns: new[] { "DogId", "Number" });

            migrationBuilder.CreateIndex(
                name: "IX_Dogs_ArchivedAt",
                table: "Dogs",
                column: "ArchivedAt");

            migrationBuilder.CreateIndex(
                name: "IX_Dogs_BreedIds_Remeasured",
                table: "Dogs",
                columns: new[] { "BreedIds", "Remeasured" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_Sessions_DogId_Number",
                table: "Sessions");

            migrationBuilder.DropIndex(
                name: "IX_Dogs_ArchivedAt",
                table: "Dogs");

            migrationBuilder.DropIndex(
                name: "IX_Dogs_BreedIds_Remeasured",
                table: "Dogs");

            migrationBuilder.DropColumn(
                name: "Keeper",
                table: "Dogs");

            migrationBuilder.DropColumn(
                name: "Remeasured",
                table: "Dogs");

            migrationBuilder.DropColumn(
                name: "Touched",
                table: "Dogs");
        }
    }
}
