using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Catalogue;

internal static class CatalogueConfiguration
{
    public static void Configure(ModelBuilder model)
    {
        model.Entity<CatalogueRow>().ToTable("Catalogue").Property(row => row.Id).ValueGeneratedNever();
        model.Entity<SubjectRow>().ToTable("Subjects").HasKey(row => row.Code);
        model.Entity<CampusRow>().ToTable("Campuses");
        model.Entity<TravelRow>(travel =>
        {
            travel.ToTable("Travel").HasKey(row => new { row.FromCampusId, row.ToCampusId });
            travel.HasOne<CampusRow>().WithMany().HasForeignKey(row => row.FromCampusId);
            travel.HasOne<CampusRow>().WithMany().HasForeignKey(row => row.ToCampusId);
        });
        model.Entity<TermRow>(term =>
        {
            term.ToTable("Terms");
            term.HasMany(row => row.Parts).WithOne().HasForeignKey(part => part.TermId);
            term.HasMany(row => row.NoClass).WithOne().HasForeignKey(days => days.TermId);
        });
        model.Entity<PartOfTermRow>().ToTable("PartsOfTerm").HasKey(row => new { row.TermId, row.Id });
        model.Entity<NoClassRow>().ToTable("NoClass").HasKey(row => new { row.TermId, row.Position });
        model.Entity<CourseRow>(course =>
        {
            course.ToTable("Courses");
            course.HasIndex(row => row.Position);
            course.Property(row => row.Prerequisites).HasConversion(CourseConditions.Prerequisites);
            course
                .Property(row => row.Restrictions)
                .HasConversion(CourseConditions.Restrictions, CourseConditions.SameRestrictions);
        });
        model.Entity<SectionRow>(section =>
        {
            section.ToTable("Sections");
            section.HasIndex(row => new { row.TermId, row.Number }).IsUnique();
            section.HasOne<CourseRow>().WithMany(course => course.Sections).HasForeignKey(row => row.CourseId);
            section.HasOne<TermRow>().WithMany().HasForeignKey(row => row.TermId);
            section.HasOne<CampusRow>().WithMany().HasForeignKey(row => row.CampusId);
            section.Property(row => row.Mode).HasConversion<string>();
            section.Property(row => row.Status).HasConversion<string>();
            section.HasMany(row => row.Meetings).WithOne().HasForeignKey(meeting => meeting.SectionId);
            section.HasMany(row => row.Links).WithOne().HasForeignKey(link => link.SectionId);
        });
        model.Entity<MeetingRow>(meeting =>
        {
            meeting.ToTable("Meetings").HasKey(row => new { row.SectionId, row.Position });
            meeting.HasOne<CampusRow>().WithMany().HasForeignKey(row => row.CampusId);
        });
        model.Entity<SectionLinkRow>().ToTable("SectionLinks").HasKey(row => new { row.SectionId, row.Position });
    }
}
