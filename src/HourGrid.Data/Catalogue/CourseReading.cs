using HourGrid.Core.Catalogue;

namespace HourGrid.Data.Catalogue;

/// <summary>
/// Reads courses one after the other, each with its sections. Who makes something else of them at once never has all the
/// rows of a catalogue in memory, which the collector would have to go through again and again.
/// </summary>
internal static class CourseReading
{
    /// <summary>The courses of an open connection, in order.</summary>
    /// <exception cref="InvalidDataException">Some row belongs to none of them.</exception>
    public static IEnumerable<CourseRow> Each(RowSource rows)
    {
        using var sections = new RowsInOrder<SectionRow>(Sections(rows));
        using var meetings = new RowsInOrder<MeetingRow>(Meetings(rows));
        using var links = new RowsInOrder<SectionLinkRow>(Links(rows));
        foreach (var course in Courses(rows))
        {
            foreach (var section in sections.While(section => section.CourseId == course.Id))
            {
                section.Meetings.AddRange(meetings.While(meeting => meeting.SectionId == section.Id));
                section.Links.AddRange(links.While(link => link.SectionId == section.Id));
                course.Sections.Add(section);
            }
            yield return course;
        }
        sections.End();
        meetings.End();
        links.End();
    }

    private static IEnumerable<CourseRow> Courses(RowSource rows) =>
        rows.Each(
            $"""
            SELECT Id, Position, Subject, Number, Title, Description, Materials, MinCreditsHundredths,
                MaxCreditsHundredths, Level, Attributes, Prerequisites, Corequisites, Restrictions,
                {rows.ColumnOr("Courses", "IsRepeatable", "0")}, {rows.ColumnOr("Courses", "UsuallyOffered", "NULL")}
            FROM Courses ORDER BY Position
            """,
            row => new CourseRow
            {
                Id = row.Text(),
                Position = row.Whole(),
                Subject = row.Text(),
                Number = row.Text(),
                Title = row.Text(),
                Description = row.Text(),
                Materials = row.Text(),
                MinCreditsHundredths = row.Whole(),
                MaxCreditsHundredths = row.Whole(),
                Level = row.Text(),
                Attributes = row.Texts(),
                Prerequisites = CourseConditions.PrerequisitesOf(row.OptionalText()),
                Corequisites = row.Texts(),
                Restrictions = CourseConditions.RestrictionsOf(row.Text()),
                IsRepeatable = row.Flag(),
                UsuallyOffered = row.OptionalTexts(),
            }
        );

    private static IEnumerable<SectionRow> Sections(RowSource rows) =>
        rows.Each(
            """
            SELECT s.Id, CourseId, TermId, s.Number, s.Position, Label, Component, Arrangement, PartId, CreditsHundredths,
                Mode, CampusId, Instructors, Capacity, Enrolled, WaitlistCapacity, Waitlisted, SeatsAsOfUtc, Status,
                Consent, Notes, s.Materials, SeatsShared
            FROM Sections s JOIN Courses c ON c.Id = CourseId
            ORDER BY c.Position, s.Position, s.Id
            """,
            row => new SectionRow
            {
                Id = row.Whole(),
                CourseId = row.Text(),
                TermId = row.Text(),
                Number = row.Text(),
                Position = row.Whole(),
                Label = row.Text(),
                Component = row.Text(),
                Arrangement = row.Text(),
                PartId = row.OptionalText(),
                CreditsHundredths = row.OptionalWhole(),
                Mode = row.Word<DeliveryMode>(),
                CampusId = row.OptionalText(),
                Instructors = row.Texts(),
                Capacity = row.Whole(),
                Enrolled = row.Whole(),
                WaitlistCapacity = row.Whole(),
                Waitlisted = row.Whole(),
                SeatsAsOfUtc = row.Moment(),
                Status = row.Word<SectionStatus>(),
                Consent = row.Flag(),
                Notes = row.Text(),
                Materials = row.Text(),
                SeatsShared = row.OptionalText(),
            }
        );

    private static IEnumerable<MeetingRow> Meetings(RowSource rows) =>
        rows.Each(
            """
            SELECT SectionId, m.Position, Days, StartMinute, EndMinute, Room, m.CampusId, "From", "To", EveryWeeks
            FROM Meetings m JOIN Sections s ON s.Id = SectionId JOIN Courses c ON c.Id = CourseId
            ORDER BY c.Position, s.Position, s.Id, m.Position
            """,
            row => new MeetingRow
            {
                SectionId = row.Whole(),
                Position = row.Whole(),
                Days = (byte)row.Whole(),
                StartMinute = row.Whole(),
                EndMinute = row.Whole(),
                Room = row.Text(),
                CampusId = row.OptionalText(),
                From = row.Date(),
                To = row.Date(),
                EveryWeeks = row.Whole(),
            }
        );

    private static IEnumerable<SectionLinkRow> Links(RowSource rows) =>
        rows.Each(
            """
            SELECT SectionId, l.Position, LinkedNumber
            FROM SectionLinks l JOIN Sections s ON s.Id = SectionId JOIN Courses c ON c.Id = CourseId
            ORDER BY c.Position, s.Position, s.Id, l.Position
            """,
            row => new SectionLinkRow
            {
                SectionId = row.Whole(),
                Position = row.Whole(),
                LinkedNumber = row.Text(),
            }
        );
}
