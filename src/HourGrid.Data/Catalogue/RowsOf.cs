using HourGrid.Core.Catalogue;

namespace HourGrid.Data.Catalogue;

/// <summary>The rows that hold a catalogue.</summary>
internal static class RowsOf
{
    public static SubjectRow Subject(Subject subject, int position) =>
        new()
        {
            Code = subject.Code,
            Position = position,
            Name = subject.Name,
        };

    public static CampusRow Campus(Campus campus, int position) =>
        new()
        {
            Id = campus.Id.Value,
            Position = position,
            Name = campus.Name,
        };

    /// <summary>A direction given twice keeps its last figure, as <see cref="TravelTimes"/> does.</summary>
    public static IEnumerable<TravelRow> Travel(IEnumerable<Travel> travel) =>
        travel
            .GroupBy(entry => (entry.From, entry.To))
            .Select(entries => new TravelRow
            {
                FromCampusId = entries.Key.From.Value,
                ToCampusId = entries.Key.To.Value,
                Minutes = entries.Last().Minutes,
            });

    public static TermRow Term(Term term, int position) =>
        new()
        {
            Id = term.Id.Value,
            Position = position,
            Name = term.Name,
            Start = term.Start,
            End = term.End,
            Season = term.Season,
            Parts =
            [
                .. term.Parts.Select(
                    (part, i) =>
                        new PartOfTermRow
                        {
                            TermId = term.Id.Value,
                            Id = part.Id,
                            Position = i,
                            Name = part.Name,
                            Start = part.Start,
                            End = part.End,
                        }
                ),
            ],
            NoClass =
            [
                .. term.NoClass.Select(
                    (days, i) =>
                        new NoClassRow
                        {
                            TermId = term.Id.Value,
                            Position = i,
                            From = days.From,
                            To = days.To,
                            Name = days.Name,
                        }
                ),
            ],
        };

    public static CourseRow Course(Course course, int position, DateTime asOfUtc) =>
        new()
        {
            Id = course.Id.Value,
            Position = position,
            Subject = course.Subject,
            Number = course.Number,
            Title = course.Title,
            Description = course.Description,
            Materials = course.Materials,
            MinCreditsHundredths = course.Credits.Min.Hundredths,
            MaxCreditsHundredths = course.Credits.Max.Hundredths,
            Level = course.Level,
            Attributes = [.. course.Attributes],
            Prerequisites = course.Prerequisites,
            Corequisites = [.. course.Corequisites.Select(other => other.Value)],
            Restrictions = course.Restrictions,
            IsRepeatable = course.IsRepeatable,
            UsuallyOffered = course.UsuallyOffered?.ToList(),
            Sections = [.. course.Sections.Select((section, i) => Section(course, section, i, asOfUtc))],
        };

    public static SectionRow Section(Course course, Section section, int position, DateTime asOfUtc) =>
        new()
        {
            CourseId = course.Id.Value,
            TermId = section.Term.Value,
            Number = section.Number.Value,
            Position = position,
            Label = section.Label,
            Component = section.Component,
            Arrangement = section.Arrangement,
            PartId = section.Part,
            CreditsHundredths = section.Credits?.Hundredths,
            Mode = section.Mode,
            CampusId = section.Campus?.Value,
            Instructors = [.. section.Instructors],
            Capacity = section.Seats.Capacity,
            Enrolled = section.Seats.Enrolled,
            WaitlistCapacity = section.Seats.WaitlistCapacity,
            Waitlisted = section.Seats.Waitlisted,
            SeatsAsOfUtc = asOfUtc,
            Status = section.Status,
            Consent = section.Consent,
            Notes = section.Notes,
            Materials = section.Materials,
            SeatsShared = section.SeatsShared,
            Meetings =
            [
                .. section.Patterns.Select(
                    (pattern, i) =>
                        new MeetingRow
                        {
                            Position = i,
                            Days = pattern.Days.Bits,
                            StartMinute = pattern.Time.Start.Value,
                            EndMinute = pattern.Time.End.Value,
                            Room = pattern.Room,
                            CampusId = pattern.Campus?.Value,
                            From = pattern.From,
                            To = pattern.To,
                            EveryWeeks = pattern.EveryWeeks,
                        }
                ),
            ],
            Links =
            [
                .. section.LinkedTo.Select(
                    (number, i) => new SectionLinkRow { Position = i, LinkedNumber = number.Value }
                ),
            ],
        };
}
