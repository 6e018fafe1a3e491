using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace JauntyBadge.Data.Migrations
{
    /// <inheritdoc />
    public partial class Wearing : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "Appointments",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    Number = table.Column<long>(type: "INTEGER", nullable: false),
                    Version = table.Column<long>(type: "INTEGER", nullable: false),
                    DogId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Time = table.Column<TimeOnly>(type: "TEXT", nullable: true),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Occasion = table.Column<string>(type: "TEXT", nullable: false),
                    Place = table.Column<string>(type: "TEXT", nullable: true),
                    ReadyAt = table.Column<string>(type: "TEXT", nullable: true),
                    Note = table.Column<string>(type: "TEXT", nullable: true),
                    RemovedAt = table.Column<DateTime>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Appointments", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Appointments_Dogs_DogId",
                        column: x => x.DogId,
                        principalTable: "Dogs",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Inspections",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    Number = table.Column<long>(type: "INTEGER", nullable: false),
                    DogId = table.Column<Guid>(type: "TEXT", nullable: false),
                    SizeId = table.Column<string>(type: "TEXT", nullable: false),
                    Muzzle = table.Column<string>(type: "TEXT", nullable: false),
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Failed = table.Column<string>(type: "TEXT", nullable: false),
                    Note = table.Column<string>(type: "TEXT", nullable: true),
                    RemovedAt = table.Column<DateTime>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Inspections", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Inspections_Dogs_DogId",
                        column: x => x.DogId,
                        principalTable: "Dogs",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Stops",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false),
                    Version = table.Column<long>(type: "INTEGER", nullable: false),
                    Places = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Stops", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "WearingHabits",
                columns: table => new
                {
                    DogId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Version = table.Column<long>(type: "INTEGER", nullable: false),
                    Loves = table.Column<string>(type: "TEXT", nullable: false),
                    HasSpare = table.Column<bool>(type: "INTEGER", nullable: false),
                    VeterinarianMinutes = table.Column<double>(type: "REAL", nullable: true),
                    VeterinarianSays = table.Column<string>(type: "TEXT", nullable: true),
                    Neutered = table.Column<bool>(type: "INTEGER", nullable: true),
                    Activity = table.Column<string>(type: "TEXT", nullable: true),
                    Factor = table.Column<double>(type: "REAL", nullable: true),
                    FoodKcal = table.Column<double>(type: "REAL", nullable: true),
                    TreatId = table.Column<string>(type: "TEXT", nullable: true),
                    KcalPerPiece = table.Column<double>(type: "REAL", nullable: true),
                    Avoids = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_WearingHabits", x => x.DogId);
                    table.ForeignKey(
                        name: "FK_WearingHabits_Dogs_DogId",
                        column: x => x.DogId,
                        principalTable: "Dogs",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Wears",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    Number = table.Column<long>(type: "INTEGER", nullable: false),
                    Version = table.Column<long>(type: "INTEGER", nullable: false),
                    DogId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    StartedAt = table.Column<DateTime>(type: "TEXT", nullable: false),
                    EndedAt = table.Column<DateTime>(type: "TEXT", nullable: true),
                    Occasion = table.Column<string>(type: "TEXT", nullable: false),
                    HappyId = table.Column<string>(type: "TEXT", nullable: true),
                    Place = table.Column<string>(type: "TEXT", nullable: true),
                    ForWhat = table.Column<string>(type: "TEXT", nullable: true),
                    Who = table.Column<string>(type: "TEXT", nullable: true),
                    Exercise = table.Column<bool>(type: "INTEGER", nullable: false),
                    Muzzle = table.Column<string>(type: "TEXT", nullable: true),
                    Strap = table.Column<string>(type: "TEXT", nullable: true),
                    CapMinutes = table.Column<double>(type: "REAL", nullable: true),
                    Signs = table.Column<string>(type: "TEXT", nullable: false),
                    Worst = table.Column<string>(type: "TEXT", nullable: true),
                    Rubs = table.Column<string>(type: "TEXT", nullable: false),
                    TreatId = table.Column<string>(type: "TEXT", nullable: true),
                    TreatPieces = table.Column<int>(type: "INTEGER", nullable: false),
                    Note = table.Column<string>(type: "TEXT", nullable: true),
                    HasPicture = table.Column<bool>(type: "INTEGER", nullable: false),
                    RemovedAt = table.Column<DateTime>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Wears", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Wears_Dogs_DogId",
                        column: x => x.DogId,
                        principalTable: "Dogs",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Weather",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    Number = table.Column<long>(type: "INTEGER", nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Place = table.Column<string>(type: "TEXT", nullable: true),
                    AirC = table.Column<double>(type: "REAL", nullable: false),
                    HumidityPercent = table.Column<double>(type: "REAL", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Weather", x => x.Id);
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

            migrationBuilder.CreateIndex(
                name: "IX_Appointments_DogId",
                table: "Appointments",
                column: "DogId");

            migrationBuilder.CreateIndex(
                name: "IX_Inspections_DogId",
                table: "Inspections",
                column: "DogId");

            migrationBuilder.CreateIndex(
                name: "IX_Wears_DogId_Day",
                table: "Wears",
                columns: new[] { "DogId", "Day" });

            migrationBuilder.CreateIndex(
                name: "IX_Wears_OneOnPerDog",
                table: "Wears",
                column: "DogId",
                unique: true,
                filter: "\"EndedAt\" IS NULL AND \"RemovedAt\" IS NULL");

            migrationBuilder.CreateIndex(
                name: "IX_Weather_At",
                table: "Weather",
                column: "At");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Appointments");

            migrationBuilder.DropTable(
                name: "Inspections");

            migrationBuilder.DropTable(
                name: "Stops");

            migrationBuilder.DropTable(
                name: "WearPictures");

            migrationBuilder.DropTable(
                name: "WearingHabits");

            migrationBuilder.DropTable(
                name: "Weather");

            migrationBuilder.DropTable(
                name: "Wears");
        }
    }
}
