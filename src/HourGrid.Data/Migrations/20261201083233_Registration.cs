using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace HourGrid.Data.Migrations
{
    /// <inheritdoc />
    public partial class Registration : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "Notices",
                columns: table => new
                {
                    Id = table
                        .Column<long>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Person = table.Column<string>(type: "TEXT", nullable: false),
                    TermId = table.Column<string>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Sections = table.Column<string>(type: "TEXT", nullable: false),
                    Sentence = table.Column<string>(type: "TEXT", nullable: false),
                    AtUtc = table.Column<DateTime>(type: "TEXT", nullable: false),
                    SeenUtc = table.Column<DateTime>(type: "TEXT", nullable: true),
                    EventId = table.Column<long>(type: "INTEGER", nullable: true),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Notices", x => x.Id);
                }
            );

            migrationBuilder.CreateTable(
                name: "OutgoingMails",
                columns: table => new
                {
                    Id = table
                        .Column<long>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    To = table.Column<string>(type: "TEXT", nullable: false),
                    Subject = table.Column<string>(type: "TEXT", nullable: false),
                    Text = table.Column<string>(type: "TEXT", nullable: false),
                    CreatedUtc = table.Column<DateTime>(type: "TEXT", nullable: false),
                    SentUtc = table.Column<DateTime>(type: "TEXT", nullable: true),
                    Tries = table.Column<int>(type: "INTEGER", nullable: false),
                    NextTryUtc = table.Column<DateTime>(type: "TEXT", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_OutgoingMails", x => x.Id);
                }
            );

            migrationBuilder.CreateTable(
                name: "Presses",
                columns: table => new
                {
                    Id = table
                        .Column<long>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Key = table.Column<string>(type: "TEXT", nullable: false),
                    Person = table.Column<string>(type: "TEXT", nullable: false),
                    TermId = table.Column<string>(type: "TEXT", nullable: false),
                    LinesJson = table.Column<string>(type: "TEXT", nullable: false),
                    SentUtc = table.Column<DateTime>(type: "TEXT", nullable: false),
                    AnsweredUtc = table.Column<DateTime>(type: "TEXT", nullable: true),
                    AnswerJson = table.Column<string>(type: "TEXT", nullable: true),
                    Refused = table.Column<string>(type: "TEXT", nullable: true),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Presses", x => x.Id);
                }
            );

            migrationBuilder.CreateTable(
                name: "RegistrarPosition",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false),
                    LastEvent = table.Column<long>(type: "INTEGER", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_RegistrarPosition", x => x.Id);
                }
            );

            migrationBuilder.CreateTable(
                name: "SeatNotices",
                columns: table => new
                {
                    Id = table
                        .Column<long>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Person = table.Column<string>(type: "TEXT", nullable: false),
                    TermId = table.Column<string>(type: "TEXT", nullable: false),
                    Sections = table.Column<string>(type: "TEXT", nullable: false),
                    CreatedUtc = table.Column<DateTime>(type: "TEXT", nullable: false),
                    EndsUtc = table.Column<DateTime>(type: "TEXT", nullable: true),
                    ToldUtc = table.Column<DateTime>(type: "TEXT", nullable: true),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_SeatNotices", x => x.Id);
                }
            );

            migrationBuilder.CreateIndex(
                name: "IX_Notices_EventId",
                table: "Notices",
                column: "EventId",
                unique: true
            );

            migrationBuilder.CreateIndex(
                name: "IX_Notices_Person_TermId",
                table: "Notices",
                columns: new[] { "Person", "TermId" }
            );

            migrationBuilder.CreateIndex(
                name: "IX_OutgoingMails_SentUtc_NextTryUtc",
                table: "OutgoingMails",
                columns: new[] { "SentUtc", "NextTryUtc" }
            );

            migrationBuilder.CreateIndex(name: "IX_Presses_AnsweredUtc", table: "Presses", column: "AnsweredUtc");

            migrationBuilder.CreateIndex(name: "IX_Presses_Key", table: "Presses", column: "Key", unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_Presses_Person_TermId",
                table: "Presses",
                columns: new[] { "Person", "TermId" }
            );

            migrationBuilder.CreateIndex(
                name: "IX_SeatNotices_Person_TermId",
                table: "SeatNotices",
                columns: new[] { "Person", "TermId" }
            );

            migrationBuilder.CreateIndex(name: "IX_SeatNotices_ToldUtc", table: "SeatNotices", column: "ToldUtc");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(name: "Notices");

            migrationBuilder.DropTable(name: "OutgoingMails");

            migrationBuilder.DropTable(name: "Presses");

            migrationBuilder.DropTable(name: "RegistrarPosition");

            migrationBuilder.DropTable(name: "SeatNotices");
        }
    }
}
