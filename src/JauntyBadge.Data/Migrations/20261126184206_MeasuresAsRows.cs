using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace JauntyBadge.Data.Migrations
{
    /// <inheritdoc />
    public partial class MeasuresAsRows : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.RenameColumn(
                name: "School",
                table: "MeasuringSets",
                newName: "FitStyle");

            // A kept choice names its fit style, and its snout's lengths are rows of measure, side and mm.
            migrationBuilder.Sql("""
                UPDATE "Choices" SET "Kept" = json_remove(json_set("Kept", '$.fitStyle', json_extract("Kept", '$.school')), '$.school')
                WHERE json_type("Kept", '$.school') IS NOT NULL;
                """);
            migrationBuilder.Sql("""
                UPDATE "Choices" SET "Kept" = json_set("Kept", '$.numbers', json_object(
                    'lengths', (
                        SELECT json_group_array(json_object('measure', line."measure", 'side', line."side", 'mm', json_extract("Kept", '$.numbers.' || line."was")))
                        FROM (
                            SELECT 'eyeLeft' AS "was", 'noseToInnerEye' AS "measure", 'left' AS "side"
                            UNION ALL SELECT 'eyeRight', 'noseToInnerEye', 'right'
                            UNION ALL SELECT 'fitLine', 'fitLineLength', NULL
                            UNION ALL SELECT 'girth', 'snoutGirth', NULL
                            UNION ALL SELECT 'height', 'snoutHeight', NULL
                            UNION ALL SELECT 'width', 'snoutWidth', NULL
                            UNION ALL SELECT 'jaw', 'jawToNose', NULL
                            UNION ALL SELECT 'occiput', 'noseToOcciput', NULL
                            UNION ALL SELECT 'neck', 'neckGirth', NULL
                            UNION ALL SELECT 'eyeSpacing', 'innerEyeSpacing', NULL
                            UNION ALL SELECT 'stopToNose', 'stopToNose', NULL
                            UNION ALL SELECT 'stopToOcciput', 'stopToOcciput', NULL
                            UNION ALL SELECT 'skullWidth', 'skullWidth', NULL
                            UNION ALL SELECT 'headGirth', 'headGirth', NULL
                        ) AS line
                        WHERE json_extract("Kept", '$.numbers.' || line."was") IS NOT NULL),
                    'fitLineGapMm', json_extract("Kept", '$.numbers.fitLineGap'),
                    'headShape', json_extract("Kept", '$.numbers.headShape')))
                WHERE json_type("Kept", '$.numbers') = 'object';
                """);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.RenameColumn(
                name: "FitStyle",
                table: "MeasuringSets",
                newName: "School");
        }
    }
}
