using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace JauntyBadge.Data.Migrations
{
    /// <inheritdoc />
    public partial class ChoosingAndFitting : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "ExpectedDogs",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Count = table.Column<int>(type: "INTEGER", nullable: false),
                    HeadShape = table.Column<string>(type: "TEXT", nullable: false),
                    EyeMm = table.Column<double>(type: "REAL", nullable: false),
                    GirthMm = table.Column<double>(type: "REAL", nullable: true),
                    WidthMm = table.Column<double>(type: "REAL", nullable: true),
                    NeckMm = table.Column<double>(type: "REAL", nullable: true),
                    BiteTier = table.Column<string>(type: "TEXT", nullable: false),
                    Purposes = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_ExpectedDogs", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "FitSettings",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false),
                    Material = table.Column<string>(type: "TEXT", nullable: false),
                    Visibility = table.Column<string>(type: "TEXT", nullable: false),
                    FingerMm = table.Column<double>(type: "REAL", nullable: false),
                    Comfort = table.Column<double>(type: "REAL", nullable: false),
                    Safety = table.Column<double>(type: "REAL", nullable: false),
                    Feeding = table.Column<double>(type: "REAL", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_FitSettings", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Muzzles",
                columns: table => new
                {
                    ModelId = table.Column<string>(type: "TEXT", nullable: false),
                    Version = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Body = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Muzzles", x => new { x.ModelId, x.Version });
                });

            migrationBuilder.CreateTable(
                name: "Overrules",
                columns: table => new
                {
                    DogId = table.Column<Guid>(type: "TEXT", nullable: false),
                    LineId = table.Column<string>(type: "TEXT", nullable: false),
                    Note = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Overrules", x => new { x.DogId, x.LineId });
                    table.ForeignKey(
                        name: "FK_Overrules_Dogs_DogId",
                        column: x => x.DogId,
                        principalTable: "Dogs",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "TryOns",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    DogId = table.Column<Guid>(type: "TEXT", nullable: false),
                    SizeId = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: false),
                    RemovedAt = table.Column<DateTime>(type: "TEXT", nullable: true),
                    HasPicture = table.Column<bool>(type: "INTEGER", nullable: false),
                    Record = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_TryOns", x => x.Id);
                    table.ForeignKey(
                        name: "FK_TryOns_Dogs_DogId",
                        column: x => x.DogId,
                        principalTable: "Dogs",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Van",
                columns: table => new
                {
                    SizeId = table.Column<string>(type: "TEXT", nullable: false),
                    Count = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Van", x => x.SizeId);
                });

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

            migrationBuilder.CreateIndex(
                name: "IX_TryOns_DogId",
                table: "TryOns",
                column: "DogId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "ExpectedDogs");

            migrationBuilder.DropTable(
                name: "FitSettings");

            migrationBuilder.DropTable(
                name: "Muzzles");

            migrationBuilder.DropTable(
                name: "Overrules");

            migrationBuilder.DropTable(
                name: "TryOnPictures");

            migrationBuilder.DropTable(
                name: "Van");

            migrationBuilder.DropTable(
                name: "TryOns");
        }
    }
}
