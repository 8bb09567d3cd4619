using HourGrid.Core.Catalogue;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Catalogue;

/// <summary>Writes a catalogue into an empty database.</summary>
public static class CatalogueImport
{
    /// <summary>Imports the catalogue unless the database already holds one, in one transaction.</summary>
    /// <returns>Whether it was imported.</returns>
    public static async Task<bool> ImportFirstAsync(
        HourGridContext database,
        UniversityCatalogue catalogue,
        CancellationToken cancellation = default
    )
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        if (await database.Catalogue.AnyAsync(cancellation))
            return false;
        database.Catalogue.Add(
            new()
            {
                Id = 1,
                Institution = catalogue.Institution,
                Version = 1,
            }
        );
        database.Campuses.AddRange(
            catalogue.Campuses.Select(
                (campus, i) =>
                    new CampusRow
                    {
                        Id = campus.Id.Value,
                        Position = i,
                        Name = campus.Name,
                    }
            )
        );
        // A direction given twice keeps its last figure, as TravelTimes does.
        database.Travel.AddRange(
            catalogue
                .Travel.GroupBy(entry => (entry.From, entry.To))
                .Select(entries => new TravelRow
                {
                    FromCampusId = entries.Key.From.Value,
                    ToCampusId = entries.Key.To.Value,
                    Minutes = entries.Last().Minutes,
                })
        );
        database.Terms.AddRange(catalogue.Terms.Select(TermOf));
        database.Courses.AddRange(catalogue.Courses.Select(CourseOf));
        await database.SaveChangesAsync(cancellation);
        await transaction.CommitAsync(cancellation);
        return true;
    }

    private static TermRow TermOf(Term term, int position) =>
        new()
        {
            Id = term.Id.Value,
            Position = position,
            Name = term.Name,
            Start = term.Start,
            End = term.End,
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

    private static CourseRow CourseOf(Course course, int position) =>
        new()
        {
            Id = course.Id.Value,
            Position = position,
            Subject = course.Subject,
            Number = course.Number,
            Title = course.Title,
            Description = course.Description,
            MinCreditsHundredths = course.Credits.Min.Hundredths,
            MaxCreditsHundredths = course.Credits.Max.Hundredths,
            Level = course.Level,
            Attributes = [.. course.Attributes],
            Prerequisites = course.Prerequisites,
            Corequisites = [.. course.Corequisites.Select(other => other.Value)],
            Restrictions = course.Restrictions,
            Sections = [.. course.Sections.Select((section, i) => SectionOf(course, section, i))],
        };

    private static SectionRow SectionOf(Course course, Section section, int position) =>
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
            Status = section.Status,
            Consent = section.Consent,
            Notes = section.Notes,
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
