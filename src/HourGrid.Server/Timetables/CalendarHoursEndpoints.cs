using System.ComponentModel.DataAnnotations;
using HourGrid.Formats.Asking;
using HourGrid.Formats.Calendars;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Computing;
using HourGrid.Server.Requests;

namespace HourGrid.Server.Timetables;

/// <summary>The hours that a calendar of the student's takes in a term. Nothing is kept; the student picks from them.</summary>
internal static class CalendarHoursEndpoints
{
    public static void MapCalendarHours(this IEndpointRouteBuilder api) =>
        api.MapPost("/terms/{term}/calendar-hours", Read)
            .WithName("CalendarHours")
            .RequireAuthorization()
            .InTurnWhole();

    private static CalendarHoursRecord Read(
        string term,
        Body<CalendarRequest> body,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    )
    {
        var findings = CalendarReader.Read(
            body.Value.Calendar,
            catalogue.Get(term).Term,
            catalogue.TimeZone,
            cancellation
        );
        return (
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
internal sealed record CalendarRequest([property: MaxLength(CalendarReader.LongestText)] string Calendar);

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
