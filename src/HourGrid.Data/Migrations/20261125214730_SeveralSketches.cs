using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace HourGrid.Data.Migrations
{
    /// <inheritdoc />
    public partial class SeveralSketches : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<bool>(
                name: "IsDeleted",
                table: "Sketches",
                type: "INTEGER",
                nullable: false,
                defaultValue: false
            );

            migrationBuilder.AddColumn<int>(
                name: "Place",
                table: "Sketches",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0
            );

            migrationBuilder.AddColumn<string>(
                name: "Name",
                table: "SketchSteps",
                type: "TEXT",
                nullable: false,
                defaultValue: ""
            );

            migrationBuilder.AddColumn<DateTime>(
                name: "OpenedUtc",
                table: "Sketches",
                type: "TEXT",
                nullable: false,
                defaultValue: new DateTime(1, 1, 1, 0, 0, 0, 0, DateTimeKind.Unspecified)
            );

            // A sketch had one name through all its steps, and was the only one of its term.
            migrationBuilder.Sql(
                "UPDATE SketchSteps SET Name = (SELECT Name FROM Sketches WHERE Sketches.Id = SketchSteps.SketchId);"
            );
            migrationBuilder.Sql("UPDATE Sketches SET OpenedUtc = CreatedUtc;");

            // In place: EF would copy the table, outside of the transaction.
            migrationBuilder.Sql("ALTER TABLE Sketches DROP COLUMN Name;");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(name: "IsDeleted", table: "Sketches");

            migrationBuilder.DropColumn(name: "Place", table: "Sketches");

            migrationBuilder.DropColumn(name: "Name", table: "SketchSteps");

            migrationBuilder.DropColumn(name: "OpenedUtc", table: "Sketches");

            migrationBuilder.AddColumn<string>(
                name: "Name",
                table: "Sketches",
                type: "TEXT",
                nullable: false,
                defaultValue: ""
            );
        }
    }
}
