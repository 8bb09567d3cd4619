using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace HourGrid.Data.Migrations
{
    /// <inheritdoc />
    public partial class ShortlistsAndPicks : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "ShortlistJson",
                table: "SketchSteps",
                type: "TEXT",
                nullable: false,
                defaultValue: "[]"
            );

            migrationBuilder.CreateTable(
                name: "Picks",
                columns: table => new
                {
                    StudentId = table.Column<Guid>(type: "TEXT", nullable: false),
                    TermId = table.Column<string>(type: "TEXT", nullable: false),
                    Version = table.Column<long>(type: "INTEGER", nullable: false),
                    CurrentStep = table.Column<int>(type: "INTEGER", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Picks", x => new { x.StudentId, x.TermId });
                    table.ForeignKey(
                        name: "FK_Picks_Students_StudentId",
                        column: x => x.StudentId,
                        principalTable: "Students",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "PicksSteps",
                columns: table => new
                {
                    StudentId = table.Column<Guid>(type: "TEXT", nullable: false),
                    TermId = table.Column<string>(type: "TEXT", nullable: false),
                    Number = table.Column<int>(type: "INTEGER", nullable: false),
                    PicksJson = table.Column<string>(type: "TEXT", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey(
                        "PK_PicksSteps",
                        x => new
                        {
                            x.StudentId,
                            x.TermId,
                            x.Number,
                        }
                    );
                    table.ForeignKey(
                        name: "FK_PicksSteps_Picks_StudentId_TermId",
                        columns: x => new { x.StudentId, x.TermId },
                        principalTable: "Picks",
                        principalColumns: new[] { "StudentId", "TermId" },
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(name: "PicksSteps");

            migrationBuilder.DropTable(name: "Picks");

            migrationBuilder.DropColumn(name: "ShortlistJson", table: "SketchSteps");
        }
    }
}
