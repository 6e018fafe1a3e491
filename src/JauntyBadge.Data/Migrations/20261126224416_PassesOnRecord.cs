using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace JauntyBadge.Data.Migrations
{
    /// <inheritdoc />
    public partial class PassesOnRecord : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Plan",
                table: "Sessions",
                type: "TEXT",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "GoRules",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    DogId = table.Column<Guid>(type: "TEXT", nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Rule = table.Column<string>(type: "TEXT", nullable: false),
                    Reason = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_GoRules", x => x.Id);
                    table.ForeignKey(
                        name: "FK_GoRules_Dogs_DogId",
                        column: x => x.DogId,
                        principalTable: "Dogs",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "StepPasses",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    DogId = table.Column<Guid>(type: "TEXT", nullable: false),
                    StepId = table.Column<string>(type: "TEXT", nullable: false),
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    How = table.Column<string>(type: "TEXT", nullable: false),
                    SetId = table.Column<int>(type: "INTEGER", nullable: true),
                    Note = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_StepPasses", x => x.Id);
                    table.ForeignKey(
                        name: "FK_StepPasses_Dogs_DogId",
                        column: x => x.DogId,
                        principalTable: "Dogs",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_StepPasses_Sets_SetId",
                        column: x => x.SetId,
                        principalTable: "Sets",
                        principalColumn: "Id");
                });

            migrationBuilder.CreateIndex(
                name: "IX_GoRules_DogId",
                table: "GoRules",
                column: "DogId");

            migrationBuilder.CreateIndex(
                name: "IX_StepPasses_DogId_StepId",
                table: "StepPasses",
                columns: new[] { "DogId", "StepId" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_StepPasses_SetId",
                table: "StepPasses",
                column: "SetId");

            // What was passed in a set is on record there; what only lay before where the plan stood was never trained.
            migrationBuilder.Sql(
                """
                INSERT OR IGNORE INTO "StepPasses" ("DogId", "StepId", "Day", "How", "SetId")
                SELECT "DogId", "StepId", "Day", 'Trained', "Id" FROM "Sets" WHERE "Decision" = 'Passed' ORDER BY "Id";
                """);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "GoRules");

            migrationBuilder.DropTable(
                name: "StepPasses");

            migrationBuilder.DropColumn(
                name: "Plan",
                table: "Sessions");
        }
    }
}
