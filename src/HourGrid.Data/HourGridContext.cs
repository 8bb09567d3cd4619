using HourGrid.Data.Calendars;
using HourGrid.Data.Catalogue;
using HourGrid.Data.Mail;
using HourGrid.Data.People;
using HourGrid.Data.Picks;
using HourGrid.Data.Registration;
using HourGrid.Data.Requirements;
using HourGrid.Data.Sketches;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data;

/// <summary>What Hour Grid keeps of its students, and which catalogue holds, in one SQLite file.</summary>
public sealed class HourGridContext(DbContextOptions<HourGridContext> options) : DbContext(options)
{
    public DbSet<CatalogueStateRow> CatalogueState => Set<CatalogueStateRow>();
    public DbSet<StudentRow> Students => Set<StudentRow>();
    public DbSet<PersonRow> People => Set<PersonRow>();
    public DbSet<SketchRow> Sketches => Set<SketchRow>();
    public DbSet<SectionChangeRow> SectionChanges => Set<SectionChangeRow>();
    public DbSet<SketchStepRow> SketchSteps => Set<SketchStepRow>();
    public DbSet<PicksRow> Picks => Set<PicksRow>();
    public DbSet<PicksStepRow> PicksSteps => Set<PicksStepRow>();
    public DbSet<ProgrammeRow> Programmes => Set<ProgrammeRow>();
    public DbSet<PlanRow> Plans => Set<PlanRow>();
    public DbSet<PlanStepRow> PlanSteps => Set<PlanStepRow>();
    public DbSet<CalendarAddressRow> CalendarAddresses => Set<CalendarAddressRow>();
    public DbSet<PressRow> Presses => Set<PressRow>();
    public DbSet<SeatNoticeRow> SeatNotices => Set<SeatNoticeRow>();
    public DbSet<NoticeRow> Notices => Set<NoticeRow>();
    public DbSet<RegistrarPositionRow> RegistrarPosition => Set<RegistrarPositionRow>();
    public DbSet<OutgoingMailRow> OutgoingMails => Set<OutgoingMailRow>();

    protected override void OnModelCreating(ModelBuilder modelBuilder)
    {
        CatalogueStateConfiguration.Configure(modelBuilder);
        SketchConfiguration.Configure(modelBuilder);
        PicksConfiguration.Configure(modelBuilder);
        CalendarConfiguration.Configure(modelBuilder);
        PersonConfiguration.Configure(modelBuilder);
        ProgrammeConfiguration.Configure(modelBuilder);
        PlanConfiguration.Configure(modelBuilder);
        RegistrationConfiguration.Configure(modelBuilder);
        OutgoingMailConfiguration.Configure(modelBuilder);
    }
}
