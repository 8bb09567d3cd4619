using System.Buffers.Text;
using System.Security.Cryptography;
using System.Text;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;
using HourGrid.Data;
using HourGrid.Data.Calendars;
using HourGrid.Formats.PutBy;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Requests;
using HourGrid.Server.Students;
using Microsoft.AspNetCore.Http.HttpResults;
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

    private static async Task<Results<Ok<CalendarAddressRecord>, ProblemHttpResult>> GiveAsync(
        string term,
        HourGridContext database,
        WriteTurns writes,
        CurrentStudent student,
        CurrentCatalogue catalogue,
        TimeProvider clock,
        CancellationToken cancellation
    )
    {
        if (catalogue.Find(new TermId(term)) is null)
            return Refusals.NoSuchTerm(term);
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
        return TypedResults.Ok(new CalendarAddressRecord(PathOf(token)));
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

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult, EmptyHttpResult>> ReadAsync(
        string token,
        HttpContext http,
        CalendarLimits limits,
        HourGridContext database,
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
        {
            await RequestLimits.RefuseAsync(http, lease);
            return TypedResults.Empty;
        }
        if (address is null || catalogue.Find(new TermId(address.TermId)) is not { } snapshot)
            return TypedResults.Problem(
                statusCode: StatusCodes.Status404NotFound,
                detail: "There is no calendar at this address (any more)."
            );
        var picked = await database
            .Picks.Where(row => row.StudentId == address.StudentId && row.TermId == address.TermId)
            .SelectMany(row => row.Steps.Where(step => step.Number == row.CurrentStep))
            .Select(step => step.PicksJson)
            .SingleOrDefaultAsync(cancellation);
        var choice = picked is null ? null : PutByJson.StoredPicks(picked).Value.Choice;
        var timetable = choice is null ? null : Timetable.Of(snapshot, choice.Timetable.Numbers);
        var name = $"{snapshot.Term.Name}, planned";
        var text = ExportEndpoints.Calendar(snapshot, timetable, name, catalogue, clock);
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
