using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace HourGrid.Data.Migrations
{
    /// <inheritdoc />
    public partial class CatalogueFiles : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "CatalogueState",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false),
                    Import = table.Column<int>(type: "INTEGER", nullable: false),
                    Version = table.Column<int>(type: "INTEGER", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_CatalogueState", x => x.Id);
                }
            );

            // The catalogue stands in a file of its own by now: CatalogueMove.
            migrationBuilder.Sql(
                "INSERT INTO CatalogueState (Id, Import, Version) SELECT Id, 1, Version FROM Catalogue;"
            );

            migrationBuilder.DropTable(name: "Catalogue");

            migrationBuilder.DropTable(name: "Meetings");

            migrationBuilder.DropTable(name: "NoClass");

            migrationBuilder.DropTable(name: "PartsOfTerm");

            migrationBuilder.DropTable(name: "SectionLinks");

            migrationBuilder.DropTable(name: "Subjects");

            migrationBuilder.DropTable(name: "Travel");

            migrationBuilder.DropTable(name: "Sections");

            migrationBuilder.DropTable(name: "Campuses");

            migrationBuilder.DropTable(name: "Courses");

            migrationBuilder.DropTable(name: "Terms");

            migrationBuilder.AddColumn<int>(
                name: "Import",
                table: "SectionChanges",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0
            );

            migrationBuilder.CreateTable(
                name: "Seats",
                columns: table => new
                {
                    TermId = table.Column<string>(type: "TEXT", nullable: false),
                    Number = table.Column<string>(type: "TEXT", nullable: false),
                    CourseId = table.Column<string>(type: "TEXT", nullable: false),
                    Capacity = table.Column<int>(type: "INTEGER", nullable: false),
                    Enrolled = table.Column<int>(type: "INTEGER", nullable: false),
                    WaitlistCapacity = table.Column<int>(type: "INTEGER", nullable: false),
                    Waitlisted = table.Column<int>(type: "INTEGER", nullable: false),
                    AsOfUtc = table.Column<DateTime>(type: "TEXT", nullable: false),
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

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(name: "CatalogueState");

            migrationBuilder.DropTable(name: "Seats");

            migrationBuilder.DropColumn(name: "Import", table: "SectionChanges");

            migrationBuilder.CreateTable(
                name: "Campuses",
                columns: table => new
                {
                    Id = table.Column<string>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Position = table.Column<int>(type: "INTEGER", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Campuses", x => x.Id);
                }
            );

            migrationBuilder.CreateTable(
                name: "Catalogue",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false),
                    Institution = table.Column<string>(type: "TEXT", nullable: false),
                    TimeZone = table.Column<string>(type: "TEXT", nullable: false),
                    Version = table.Column<int>(type: "INTEGER", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Catalogue", x => x.Id);
                }
            );

            migrationBuilder.CreateTable(
                name: "Courses",
                columns: table => new
                {
                    Id = table.Column<string>(type: "TEXT", nullable: false),
                    Attributes = table.Column<string>(type: "TEXT", nullable: false),
                    Corequisites = table.Column<string>(type: "TEXT", nullable: false),
                    Description = table.Column<string>(type: "TEXT", nullable: false),
                    Level = table.Column<string>(type: "TEXT", nullable: false),
                    Materials = table.Column<string>(type: "TEXT", nullable: false),
                    MaxCreditsHundredths = table.Column<int>(type: "INTEGER", nullable: false),
                    MinCreditsHundredths = table.Column<int>(type: "INTEGER", nullable: false),
                    Number = table.Column<string>(type: "TEXT", nullable: false),
                    Position = table.Column<int>(type: "INTEGER", nullable: false),
                    Prerequisites = table.Column<string>(type: "TEXT", nullable: true),
                    Restrictions = table.Column<string>(type: "TEXT", nullable: false),
                    Subject = table.Column<string>(type: "TEXT", nullable: false),
                    Title = table.Column<string>(type: "TEXT", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Courses", x => x.Id);
                }
            );

            migrationBuilder.CreateTable(
                name: "Subjects",
                columns: table => new
                {
                    Code = table.Column<string>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Position = table.Column<int>(type: "INTEGER", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Subjects", x => x.Code);
                }
            );

            migrationBuilder.CreateTable(
                name: "Terms",
                columns: table => new
                {
                    Id = table.Column<string>(type: "TEXT", nullable: false),
                    End = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Position = table.Column<int>(type: "INTEGER", nullable: false),
                    Start = table.Column<DateOnly>(type: "TEXT", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Terms", x => x.Id);
                }
            );

            migrationBuilder.CreateTable(
                name: "Travel",
                columns: table => new
                {
                    FromCampusId = table.Column<string>(type: "TEXT", nullable: false),
                    ToCampusId = table.Column<string>(type: "TEXT", nullable: false),
                    Minutes = table.Column<int>(type: "INTEGER", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Travel", x => new { x.FromCampusId, x.ToCampusId });
                    table.ForeignKey(
                        name: "FK_Travel_Campuses_FromCampusId",
                        column: x => x.FromCampusId,
                        principalTable: "Campuses",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "FK_Travel_Campuses_ToCampusId",
                        column: x => x.ToCampusId,
                        principalTable: "Campuses",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "NoClass",
                columns: table => new
                {
                    TermId = table.Column<string>(type: "TEXT", nullable: false),
                    Position = table.Column<int>(type: "INTEGER", nullable: false),
                    From = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    To = table.Column<DateOnly>(type: "TEXT", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_NoClass", x => new { x.TermId, x.Position });
                    table.ForeignKey(
                        name: "FK_NoClass_Terms_TermId",
                        column: x => x.TermId,
                        principalTable: "Terms",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "PartsOfTerm",
                columns: table => new
                {
                    TermId = table.Column<string>(type: "TEXT", nullable: false),
                    Id = table.Column<string>(type: "TEXT", nullable: false),
                    End = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Position = table.Column<int>(type: "INTEGER", nullable: false),
                    Start = table.Column<DateOnly>(type: "TEXT", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_PartsOfTerm", x => new { x.TermId, x.Id });
                    table.ForeignKey(
                        name: "FK_PartsOfTerm_Terms_TermId",
                        column: x => x.TermId,
                        principalTable: "Terms",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "Sections",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false).Annotation("Sqlite:Autoincrement", true),
                    Arrangement = table.Column<string>(type: "TEXT", nullable: false),
                    CampusId = table.Column<string>(type: "TEXT", nullable: true),
                    Capacity = table.Column<int>(type: "INTEGER", nullable: false),
                    Component = table.Column<string>(type: "TEXT", nullable: false),
                    Consent = table.Column<bool>(type: "INTEGER", nullable: false),
                    CourseId = table.Column<string>(type: "TEXT", nullable: false),
                    CreditsHundredths = table.Column<int>(type: "INTEGER", nullable: true),
                    Enrolled = table.Column<int>(type: "INTEGER", nullable: false),
                    Instructors = table.Column<string>(type: "TEXT", nullable: false),
                    Label = table.Column<string>(type: "TEXT", nullable: false),
                    Materials = table.Column<string>(type: "TEXT", nullable: false),
                    Mode = table.Column<string>(type: "TEXT", nullable: false),
                    Notes = table.Column<string>(type: "TEXT", nullable: false),
                    Number = table.Column<string>(type: "TEXT", nullable: false),
                    PartId = table.Column<string>(type: "TEXT", nullable: true),
                    Position = table.Column<int>(type: "INTEGER", nullable: false),
                    SeatsAsOfUtc = table.Column<DateTime>(type: "TEXT", nullable: false),
                    SeatsShared = table.Column<string>(type: "TEXT", nullable: true),
                    Status = table.Column<string>(type: "TEXT", nullable: false),
                    TermId = table.Column<string>(type: "TEXT", nullable: false),
                    WaitlistCapacity = table.Column<int>(type: "INTEGER", nullable: false),
                    Waitlisted = table.Column<int>(type: "INTEGER", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Sections", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Sections_Campuses_CampusId",
                        column: x => x.CampusId,
                        principalTable: "Campuses",
                        principalColumn: "Id"
                    );
                    table.ForeignKey(
                        name: "FK_Sections_Courses_CourseId",
                        column: x => x.CourseId,
                        principalTable: "Courses",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "FK_Sections_Terms_TermId",
                        column: x => x.TermId,
                        principalTable: "Terms",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "Meetings",
                columns: table => new
                {
                    SectionId = table.Column<int>(type: "INTEGER", nullable: false),
                    Position = table.Column<int>(type: "INTEGER", nullable: false),
                    CampusId = table.Column<string>(type: "TEXT", nullable: true),
                    Days = table.Column<byte>(type: "INTEGER", nullable: false),
                    EndMinute = table.Column<int>(type: "INTEGER", nullable: false),
                    EveryWeeks = table.Column<int>(type: "INTEGER", nullable: false),
                    From = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Room = table.Column<string>(type: "TEXT", nullable: false),
                    StartMinute = table.Column<int>(type: "INTEGER", nullable: false),
                    To = table.Column<DateOnly>(type: "TEXT", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Meetings", x => new { x.SectionId, x.Position });
                    table.ForeignKey(
                        name: "FK_Meetings_Campuses_CampusId",
                        column: x => x.CampusId,
                        principalTable: "Campuses",
                        principalColumn: "Id"
                    );
                    table.ForeignKey(
                        name: "FK_Meetings_Sections_SectionId",
                        column: x => x.SectionId,
                        principalTable: "Sections",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "SectionLinks",
                columns: table => new
                {
                    SectionId = table.Column<int>(type: "INTEGER", nullable: false),
                    Position = table.Column<int>(type: "INTEGER", nullable: false),
                    LinkedNumber = table.Column<string>(type: "TEXT", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_SectionLinks", x => new { x.SectionId, x.Position });
                    table.ForeignKey(
                        name: "FK_SectionLinks_Sections_SectionId",
                        column: x => x.SectionId,
                        principalTable: "Sections",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateIndex(name: "IX_Courses_Position", table: "Courses", column: "Position");

            migrationBuilder.CreateIndex(name: "IX_Meetings_CampusId", table: "Meetings", column: "CampusId");

            migrationBuilder.CreateIndex(name: "IX_Sections_CampusId", table: "Sections", column: "CampusId");

            migrationBuilder.CreateIndex(name: "IX_Sections_CourseId", table: "Sections", column: "CourseId");

            migrationBuilder.CreateIndex(
                name: "IX_Sections_TermId_Number",
                table: "Sections",
                columns: new[] { "TermId", "Number" },
                unique: true
            );

            migrationBuilder.CreateIndex(name: "IX_Travel_ToCampusId", table: "Travel", column: "ToCampusId");
        }
    }
}
