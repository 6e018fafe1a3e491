using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace JauntyBadge.Data.Migrations
{
    /// <inheritdoc />
    public partial class OnePictureShelf : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "FK_Pictures_Photos_PhotoId",
                table: "Pictures");

            migrationBuilder.RenameColumn(
                name: "PhotoId",
                table: "Pictures",
                newName: "OfId");

            migrationBuilder.Sql("""INSERT INTO "Pictures" ("OfId", "Jpeg") SELECT "TryOnId", "Jpeg" FROM "TryOnPictures";""");
            migrationBuilder.Sql("""INSERT INTO "Pictures" ("OfId", "Jpeg") SELECT "WearId", "Jpeg" FROM "WearPictures";""");

            migrationBuilder.DropTable(
                name: "TryOnPictures");

            migrationBuilder.DropTable(
                name: "WearPictures");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.RenameColumn(
                name: "OfId",
                table: "Pictures",
                newName: "PhotoId");

            migrationBuilder.CreateTable(
                name: "TryOnPictures",
                columns: table => new
                {
                    TryOnId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Jpeg = table.Column<byte[]>(type: "BLOB", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_TryOnPictures", x => x.TryOnId);
                    table.ForeignKey(
                        name: "FK_TryOnPictures_TryOns_TryOnId",
                        column: x => x.TryOnId,
                        principalTable: "TryOns",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "WearPictures",
                columns: table => new
                {
                    WearId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Jpeg = table.Column<byte[]>(type: "BLOB", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_WearPictures", x => x.WearId);
                    table.ForeignKey(
                        name: "FK_WearPictures_Wears_WearId",
                        column: x => x.WearId,
                        principalTable: "Wears",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.Sql("""INSERT INTO "TryOnPictures" SELECT "PhotoId", "Jpeg" FROM "Pictures" WHERE "PhotoId" IN (SELECT "Id" FROM "TryOns");""");
            migrationBuilder.Sql("""INSERT INTO "WearPictures" SELECT "PhotoId", "Jpeg" FROM "Pictures" WHERE "PhotoId" IN (SELECT "Id" FROM "Wears");""");
            migrationBuilder.Sql("""DELETE FROM "Pictures" WHERE "PhotoId" NOT IN (SELECT "Id" FROM "Photos");""");

            migrationBuilder.AddForeignKey(
                name: "FK_Pictures_Photos_PhotoId",
                table: "Pictures",
                column: "PhotoId",
                principalTable: "Photos",
                principalColumn: "Id",
                onDelete: ReferentialAction.Cascade);
        }
    }
}
