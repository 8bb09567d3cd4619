using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace HourGrid.Data.Migrations
{
    /// <inheritdoc />
    public partial class SeatsOfTheRegistrar : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(name: "Seats");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "Seats",
                columns: table => new
                {
                    TermId = table.Column<string>(type: "TEXT", nullable: false),
                    Number = table.Column<string>(type: "TEXT", nullable: false),
                    AsOfUtc = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Capacity = table.Column<int>(type: "INTEGER", nullable: false),
                    CourseId = table.Column<string>(type: "TEXT", nullable: false),
                    Enrolled = table.Column<int>(type: "INTEGER", nullable: false),
                    WaitlistCapacity = table.Column<int>(type: "INTEGER", nullable: false),
                    Waitlisted = table.Column<int>(type: "INTEGER", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Seats", x => new { x.TermId, x.Number });
                }
            );

            migrationBuilder.CreateIndex(
                name: "IX_Seats_TermId_CourseId",
                table: "Seats",
                columns: new[] { "TermId", "CourseId" }
            );
        }
    }
}
