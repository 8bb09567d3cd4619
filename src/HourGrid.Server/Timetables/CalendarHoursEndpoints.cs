using HourGrid.Core.Catalogue;
using HourGrid.Formats.Asking;
using HourGrid.Formats.Calendars;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Computing;
using HourGrid.Server.Hosting;
using HourGrid.Server.Requests;
using HourGrid.Server.Workbench;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HourGrid.Server.Timetables;

/// <summary>The hours that a calendar of the student's takes in a term. Nothing is kept; the student picks from them.</summary>
internal static class CalendarHoursEndpoints
{
    public static void MapCalendarHours(this IEndpointRouteBuilder api) =>
        api.MapPost("/terms/{term}/calendar-hours", Read)
            .WithName("CalendarHours")
            .RequireAuthorization()
            .InTurnWhole()
            .ReadsBody(typeof(CalendarRequest))
            .ProducesProblems();

    private static Results<Ok<CalendarHoursRecord>, ProblemHttpResult> Read(
        string term,
        RequestBody body,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    )
    {
        if (catalogue.Find(new TermId(term)) is not { } snapshot)
            return Refusals.NoSuchTerm(term);
        var text = body.Text("calendar", CalendarReader.LongestText);
        var findings = CalendarReader.Read(text, snapshot.Term, catalogue.TimeZone, cancellation);
        return TypedResults.Ok(
            new CalendarHoursRecord(
                [
                    .. findings.Found.Select(one => new EventHoursRecord(
                        one.Label,
                        one.IsWeekly,
                        one.IsAllDay,
                        [.. one.Blocks.Select(AskDocument.Of)]
                    )),
                ],
                [.. findings.PassedOver.Select(one => new PassedOverRecord(one.Label, one.Why))]
            )
        );
    }
}

/// <param name="Calendar">The text of an iCalendar file.</param>
internal sealed record CalendarRequest(string Calendar);

/// <param name="Found">Events with hours in the term.</param>
/// <param name="PassedOver">Events that could not be taken, each with why.</param>
internal sealed record CalendarHoursRecord(
    IReadOnlyList<EventHoursRecord> Found,
    IReadOnlyList<PassedOverRecord> PassedOver
);

/// <param name="Label">What the event is called; may be empty.</param>
/// <param name="IsWeekly">Whether it takes place in more than one week.</param>
/// <param name="IsAllDay">Whether it is of days and not of hours.</param>
/// <param name="Blocks">Its hours as time blocks, bound to their weeks.</param>
internal sealed record EventHoursRecord(
    string Label,
    bool IsWeekly,
    bool IsAllDay,
    IReadOnlyList<AskDocument.TimeBlockDocument> Blocks
);

/// <param name="Label">What the event is called; may be empty.</param>
/// <param name="Why">Why it was passed over, as a sentence.</param>
internal sealed record PassedOverRecord(string Label, string Why);
