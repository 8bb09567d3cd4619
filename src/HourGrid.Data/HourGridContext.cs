using HourGrid.Data.Calendars;
using HourGrid.Data.Catalogue;
using HourGrid.Data.Picks;
using HourGrid.Data.Sketches;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data;

/// <summary>Everything Hour Grid keeps, in one SQLite file.</summary>
public sealed class HourGridContext(DbContextOptions<HourGridContext> options) : DbContext(options)
{
    public DbSet<CatalogueRow> Catalogue => Set<CatalogueRow>();
    public DbSet<SubjectRow> Subjects => Set<SubjectRow>();
    public DbSet<CampusRow> Campuses => Set<CampusRow>();
    public DbSet<TravelRow> Travel => Set<TravelRow>();
    public DbSet<TermRow> Terms => Set<TermRow>();
    public DbSet<CourseRow> Courses => Set<CourseRow>();
    public DbSet<SectionRow> Sections => Set<SectionRow>();
    public DbSet<StudentRow> Students => Set<StudentRow>();
    public DbSet<SketchRow> Sketches => Set<SketchRow>();
    public DbSet<SectionChangeRow> SectionChanges => Set<SectionChangeRow>();
    public DbSet<SketchStepRow> SketchSteps => Set<SketchStepRow>();
    public DbSet<PicksRow> Picks => Set<PicksRow>();
    public DbSet<PicksStepRow> PicksSteps => Set<PicksStepRow>();
    public DbSet<CalendarAddressRow> CalendarAddresses => Set<CalendarAddressRow>();

    protected override void OnModelCreating(ModelBuilder modelBuilder)
    {
        CatalogueConfiguration.Configure(modelBuilder);
        SketchConfiguration.Configure(modelBuilder);
        PicksConfiguration.Configure(modelBuilder);
        CalendarConfiguration.Configure(modelBuilder);
    }
}
