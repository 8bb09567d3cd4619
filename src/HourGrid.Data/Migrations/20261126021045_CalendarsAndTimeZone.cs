using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace HourGrid.Data.Migrations
{
    /// <inheritdoc />
    public partial class CalendarsAndTimeZone : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "TimeZone",
                table: "Catalogue",
                type: "TEXT",
                nullable: false,
                defaultValue: "Etc/UTC"
            );

            migrationBuilder.CreateTable(
                name: "CalendarAddresses",
                columns: table => new
                {
                    StudentId = table.Column<Guid>(type: "TEXT", nullable: false),
                    TermId = table.Column<string>(type: "TEXT", nullable: false),
                    Token = table.Column<string>(type: "TEXT", nullable: false),
                    CreatedUtc = table.Column<DateTime>(type: "TEXT", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_CalendarAddresses", x => new { x.StudentId, x.TermId });
                    table.ForeignKey(
                        name: "FK_CalendarAddresses_Students_StudentId",
                        column: x => x.StudentId,
                        principalTable: "Students",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateIndex(
                name: "IX_CalendarAddresses_Token",
                table: "CalendarAddresses",
                column: "Token",
                unique: true
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(name: "CalendarAddresses");

            migrationBuilder.DropColumn(name: "TimeZone", table: "Catalogue");
        }
    }
}
