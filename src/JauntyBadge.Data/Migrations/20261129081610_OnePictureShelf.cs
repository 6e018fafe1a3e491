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
            // By hand, so that it happens all at once: the table would be rebuilt outside the transaction.
            migrationBuilder.Sql("""
                CREATE TABLE "Shelf" ("OfId" TEXT NOT NULL CONSTRAINT "PK_Pictures" PRIMARY KEY, "Jpeg" BLOB NOT NULL);
                INSERT INTO "Shelf" SELECT "PhotoId", "Jpeg" FROM "Pictures";
                INSERT INTO "Shelf" SELECT "TryOnId", "Jpeg" FROM "TryOnPictures";
                INSERT INTO "Shelf" SELECT "WearId", "Jpeg" FROM "WearPictures";
                DROP TABLE "Pictures";
                DROP TABLE "TryOnPictures";
                DROP TABLE "WearPictures";
                ALTER TABLE "Shelf" RENAME TO "Pictures";
                """);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql("""
                CREATE TABLE "Shelf" ("PhotoId" TEXT NOT NULL CONSTRAINT "PK_Pictures" PRIMARY KEY, "Jpeg" BLOB NOT NULL,
                  CONSTRAINT "FK_Pictures_Photos_PhotoId" FOREIGN KEY ("PhotoId") REFERENCES "Photos" ("Id") ON DELETE CASCADE);
                CREATE TABLE "TryOnPictures" ("TryOnId" TEXT NOT NULL CONSTRAINT "PK_TryOnPictures" PRIMARY KEY, "Jpeg" BLOB NOT NULL,
                  CONSTRAINT "FK_TryOnPictures_TryOns_TryOnId" FOREIGN KEY ("TryOnId") REFERENCES "TryOns" ("Id") ON DELETE CASCADE);
                CREATE TABLE "WearPictures" ("WearId" TEXT NOT NULL CONSTRAINT "PK_WearPictures" PRIMARY KEY, "Jpeg" BLOB NOT NULL,
                  CONSTRAINT "FK_WearPictures_Wears_WearId" FOREIGN KEY ("WearId") REFERENCES "Wears" ("Id") ON DELETE CASCADE);
                INSERT INTO "TryOnPictures" SELECT "OfId", "Jpeg" FROM "Pictures" WHERE "OfId" IN (SELECT "Id" FROM "TryOns");
                INSERT INTO "WearPictures" SELECT "OfId", "Jpeg" FROM "Pictures" WHERE "OfId" IN (SELECT "Id" FROM "Wears");
                INSERT INTO "Shelf" SELECT "OfId", "Jpeg" FROM "Pictures" WHERE "OfId" IN (SELECT "Id" FROM "Photos");
                DROP TABLE "Pictures";
                ALTER TABLE "Shelf" RENAME TO "Pictures";
                """);
        }
    }
}
