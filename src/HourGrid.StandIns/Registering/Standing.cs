using HourGrid.StandIns.Campus;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.StandIns.Registering;

/// <summary>What a student holds and waits for, and what ended.</summary>
internal static class Standing
{
    private const string ByLine = "line";
    private const string ByInstructor = "instructor";

    /// <summary>The standings of students, by who they are.</summary>
    /// <param name="campus">What is on the disk.</param>
    /// <param name="books">The books of the term.</param>
    /// <param name="catalogue">What is offered.</param>
    /// <param name="students">Whose; the books know each.</param>
    /// <param name="lastEvent">The last event that is in the books.</param>
    public static IReadOnlyDictionary<string, StandingRecord> Of(
        CampusContext campus,
        TermBooks books,
        CampusCatalogue catalogue,
        IReadOnlyCollection<string> students,
        long lastEvent
    )
    {
        var findings = new LineFindings(books, catalogue);
        var dropped = campus
            .Registrations.AsNoTracking()
            .Where(row => students.Contains(row.Student) && row.Term == books.Term && row.DroppedUtc != null)
            .OrderBy(row => row.Id)
            .ToLookup(row => row.Student);
        var ended = campus
            .Waiting.AsNoTracking()
            .Where(row => students.Contains(row.Student) && row.Term == books.Term && row.EndedUtc != null)
            .OrderBy(row => row.Id)
            .ToLookup(row => row.Student);
        return students.ToDictionary(
            student => student,
            student => Of(books, findings, student, [.. Ended(dropped[student], ended[student])], lastEvent)
        );
    }

    private static StandingRecord Of(
        TermBooks books,
        LineFindings findings,
        string student,
        IReadOnlyList<EndedRecord> ended,
        long lastEvent
    )
    {
        var file = books.Student(student)!;
        HeldRecord[] held =
        [
            .. file.Held.Select(bundle => new HeldRecord(
                bundle.Course.Value,
                bundle.Numbers,
                bundle.Confirmation,
                Utc(bundle.Rows[0].AtUtc),
                findings.Credits(bundle.Course, bundle.Numbers)
            )),
        ];
        return new(
            books.NowUtc,
            lastEvent,
            books.Phases.At(books.NowUtc),
            books.Phases.EndsAfter(books.NowUtc) is { } ends ? Utc(ends) : null,
            books.Phases.OpensFor(file.Record) is { } opens ? Utc(opens) : null,
            held,
            [.. books.WaitingOf(student).Select(row => RecordOf(books, row))],
            ended,
            held.Sum(one => one.Credits)
        );
    }

    private static IEnumerable<EndedRecord> Ended(
        IEnumerable<RegistrationRow> dropped,
        IEnumerable<WaitingRow> waited
    ) =>
        dropped
            .GroupBy(row => row.Confirmation)
            .Select(bundle => new EndedRecord(
                LineResult.Dropped,
                bundle.First().Course,
                [.. bundle.Select(row => row.Number)],
                bundle.First().Why,
                Utc(bundle.First().DroppedUtc!.Value)
            ))
            .Concat(
                waited.Select(row => new EndedRecord(
                    row.End!,
                    row.Course,
                    row.Sections,
                    row.Why,
                    Utc(row.EndedUtc!.Value)
                ))
            )
            .OrderBy(one => one.AtUtc);

    private static WaitingRecord RecordOf(TermBooks books, WaitingRow row)
    {
        var place = WaitingPlace.Find(books, row);
        var isInstructors = row.WaitsOn.Exists(number => books.Section(number)?.IsLetInByInstructor == true);
        return new(
            row.Id,
            row.Course,
            row.Sections,
            row.GivingUp,
            place.Place,
            place.Of,
            row.FirstPlace,
            Utc(row.AtUtc),
            isInstructors ? ByInstructor : ByLine,
            row.PassedOver
        );
    }

    private static DateTime Utc(DateTime time) => DateTime.SpecifyKind(time, DateTimeKind.Utc);
}
