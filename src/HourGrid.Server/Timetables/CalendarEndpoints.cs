using System.Buffers.Text;
using System.Security.Cryptography;
using System.Text;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;
using HourGrid.Data;
using HourGrid.Data.Calendars;
using HourGrid.Server.Catalogue;
using HourGrid.Server.LineUp;
using HourGrid.Server.Records;
using HourGrid.Server.Requests;
using HourGrid.Server.Students;
using HourGrid.Server.Wording;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.Timetables;

/// <summary>
/// An address for calendar programs, under which they find the choice of a term as it is then. Who knows the address may
/// read it; the student can withdraw it.
/// </summary>
internal static class CalendarEndpoints
{
    private const int TokenBytes = 32;

    public static void MapCalendarAddresses(this IEndpointRouteBuilder api)
    {
        var addresses = api.MapGroup("/terms/{term}/calendar-address").RequireAuthorization().LimitAtOnce();
        addresses.MapGet("/", FindAsync).WithName("CalendarAddress");
        addresses.MapPost("/", GiveAsync).WithName("GiveCalendarAddress");
        addresses.MapDelete("/", WithdrawAsync).WithName("WithdrawCalendarAddress");
    }

    /// <summary>Calendar programs come without a visit.</summary>
    public static void MapCalendars(this IEndpointRouteBuilder app) =>
        app.MapGet("/calendars/{token:length(43)}.ics", ReadAsync).ExcludeFromDescription();

    private static async Task<CalendarAddressRecord> FindAsync(
        string term,
        HourGridContext database,
        CurrentStudent student,
        CancellationToken cancellation
    ) =>
        new(
            await Mine(term, database, student).Select(row => row.Token).SingleOrDefaultAsync(cancellation)
                is { } token
                ? PathOf(token)
                : null
        );

    private static async Task<CalendarAddressRecord> GiveAsync(
        string term,
        HourGridContext database,
        WriteTurns writes,
        CurrentStudent student,
        CurrentCatalogue catalogue,
        TimeProvider clock,
        CancellationToken cancellation
    )
    {
        _ = catalogue.Get(term);
        var token = Base64Url.EncodeToString(RandomNumberGenerator.GetBytes(TokenBytes));
        await using var transaction = await writes.BeginAsync(database, cancellation);
        await Mine(term, database, student).ExecuteDeleteAsync(cancellation);
        database.CalendarAddresses.Add(
            new()
            {
                StudentId = student.Id,
                TermId = term,
                Token = token,
                CreatedUtc = clock.GetUtcNow().UtcDateTime,
            }
        );
        await database.SaveChangesAsync(cancellation);
        await transaction.CommitAsync(cancellation);
        return new(PathOf(token));
    }

    private static async Task<NoContent> WithdrawAsync(
        string term,
        HourGridContext database,
        WriteTurns writes,
        CurrentStudent student,
        CancellationToken cancellation
    )
    {
        await using var transaction = await writes.BeginAsync(database, cancellation);
        await Mine(term, database, student).ExecuteDeleteAsync(cancellation);
        await transaction.CommitAsync(cancellation);
        return TypedResults.NoContent();
    }

    private static async Task<FileContentHttpResult> ReadAsync(
        string token,
        HttpContext http,
        CalendarLimits limits,
        HourGridContext database,
        PicksService picks,
        HeldSections registered,
        CurrentCatalogue catalogue,
        TimeProvider clock,
        CancellationToken cancellation
    )
    {
        var address = await database
            .CalendarAddresses.AsNoTracking()
            .SingleOrDefaultAsync(row => row.Token == token, cancellation);
        using var lease = address is null ? limits.MadeUp(http) : limits.Read(token);
        if (!lease.IsAcquired)
            throw RequestLimits.Refused(lease);
        if (address is null || catalogue.Find(new TermId(address.TermId)) is not { } snapshot)
            throw Refusals.NoSuchCalendar();
        var choice = await picks.ChoiceOfAsync(address.StudentId, snapshot.Term.Id, cancellation);
        var timetable = choice is null ? null : Timetable.Of(snapshot, choice.Timetable.Numbers);
        var person = await database
            .People.Where(row => row.StudentId == address.StudentId)
            .Select(row => row.Number)
            .SingleOrDefaultAsync(cancellation);
        var held = await registered.OfAsync(person, snapshot.Term.Id, cancellation);
        var name = $"{snapshot.Term.Name}, planned";
        var text = ExportEndpoints.Calendar(snapshot, timetable, name, held, catalogue, clock);
        return TypedResults.File(Encoding.UTF8.GetBytes(text), "text/calendar; charset=utf-8");
    }

    private static IQueryable<CalendarAddressRow> Mine(
        string term,
        HourGridContext database,
        CurrentStudent student
    ) => database.CalendarAddresses.Where(row => row.StudentId == student.Id && row.TermId == term);

    private static string PathOf(string token) => $"/calendars/{token}.ics";
}

/// <param name="Path">Where calendar programs find the choice, from the root of this server; null while there is none.</param>
internal sealed record CalendarAddressRecord(string? Path);
