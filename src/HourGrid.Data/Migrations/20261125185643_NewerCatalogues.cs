using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace HourGrid.Data.Migrations
{
    /// <inheritdoc />
    public partial class NewerCatalogues : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "ChangesRead",
                table: "Sketches",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0
            );

            migrationBuilder.AddColumn<DateTime>(
                name: "SeatsAsOfUtc",
                table: "Sections",
                type: "TEXT",
                nullable: false,
                defaultValue: new DateTime(1, 1, 1, 0, 0, 0, 0, DateTimeKind.Unspecified)
            );

            // When seats read before were true is not known; they are as old as this moment at least.
            migrationBuilder.Sql("UPDATE Sections SET SeatsAsOfUtc = strftime('%Y-%m-%d %H:%M:%f', 'now')");

            migrationBuilder.CreateTable(
                name: "SectionChanges",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false).Annotation("Sqlite:Autoincrement", true),
                    TermId = table.Column<string>(type: "TEXT", nullable: false),
                    CourseId = table.Column<string>(type: "TEXT", nullable: false),
                    Number = table.Column<string>(type: "TEXT", nullable: false),
                    Label = table.Column<string>(type: "TEXT", nullable: false),
                    IsGone = table.Column<bool>(type: "INTEGER", nullable: false),
                    ImportedUtc = table.Column<DateTime>(type: "TEXT", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_SectionChanges", x => x.Id);
                }
            );

            migrationBuilder.CreateIndex(
                name: "IX_SectionChanges_TermId_Number",
                table: "SectionChanges",
                columns: new[] { "TermId", "Number" }
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(name: "SectionChanges");

            migrationBuilder.DropColumn(name: "ChangesRead", table: "Sketches");

            migrationBuilder.DropColumn(name: "SeatsAsOfUtc", table: "Sections");
        }
    }
}
