using HourGrid.StandIns.Campus;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.StandIns.Registering;

/// <summary>What a student holds and waits for, and what ended.</summary>
internal static class Standing
{
    private const string ByLine = "line";
    private const string ByInstructor = "instructor";

    public static StandingRecord Of(
        CampusContext campus,
        TermBooks books,
        LineFindings findings,
        string student,
        StudentFile file
    )
    {
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
        var dropped = campus
            .Registrations.AsNoTracking()
            .Where(row => row.Student == student && row.Term == books.Term && row.DroppedUtc != null)
            .OrderBy(row => row.Id)
            .ToArray()
            .GroupBy(row => row.Confirmation)
            .Select(bundle => new EndedRecord(
                LineResult.Dropped,
                bundle.First().Course,
                [.. bundle.Select(row => row.Number)],
                bundle.First().Why,
                Utc(bundle.First().DroppedUtc!.Value)
            ));
        var ended = campus
            .Waiting.AsNoTracking()
            .Where(row => row.Student == student && row.Term == books.Term && row.EndedUtc != null)
            .OrderBy(row => row.Id)
            .ToArray()
            .Select(row => new EndedRecord(row.End!, row.Course, row.Sections, row.Why, Utc(row.EndedUtc!.Value)));
        return new(
            books.NowUtc,
            books.Phases.At(books.NowUtc),
            books.Phases.EndsAfter(books.NowUtc) is { } ends ? Utc(ends) : null,
            books.Phases.OpensFor(file.Record) is { } opens ? Utc(opens) : null,
            held,
            [.. books.WaitingOf(student).Select(row => RecordOf(books, row))],
            [.. dropped.Concat(ended).OrderBy(one => one.AtUtc)],
            held.Sum(one => one.Credits)
        );
    }

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
