using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace HourGrid.Data.Migrations
{
    /// <inheritdoc />
    public partial class StepSizes : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "Size",
                table: "SketchSteps",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0
            );

            migrationBuilder.AddColumn<int>(
                name: "Size",
                table: "PicksSteps",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0
            );

            // Steps that are there already take room, too.
            migrationBuilder.Sql("UPDATE SketchSteps SET Size = length(AskJson) + length(ShortlistJson);");
            migrationBuilder.Sql("UPDATE PicksSteps SET Size = length(PicksJson);");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(name: "Size", table: "SketchSteps");

            migrationBuilder.DropColumn(name: "Size", table: "PicksSteps");
        }
    }
}
