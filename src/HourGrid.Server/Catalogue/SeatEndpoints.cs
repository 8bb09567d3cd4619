using HourGrid.Core.Catalogue;
using HourGrid.Data;
using HourGrid.Data.Catalogue;
using HourGrid.Server.Registrar;
using HourGrid.Server.Requests;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Catalogue;

/// <summary>Seats as they are now, asked of the registrar for one course at a time.</summary>
internal static class SeatEndpoints
{
    /// <summary>Figures younger than this are not asked for again.</summary>
    private static readonly TimeSpan Fresh = TimeSpan.FromSeconds(10);

    public static void MapSeats(this IEndpointRouteBuilder api) =>
        api.MapPost("/terms/{term}/courses/{course}/seats", RefreshAsync)
            .WithName("RefreshSeats")
            .RequireAuthorization()
            .LimitAtOnce();

    private static async Task<CourseRecord> RefreshAsync(
        string term,
        string course,
        CurrentCatalogue catalogue,
        HourGridContext database,
        WriteTurns writes,
        IRegistrar registrar,
        TimeProvider time,
        CancellationToken cancellation
    )
    {
        var (termId, courseId) = (new TermId(term), CourseEndpoints.IdIn(course));
        var snapshot = catalogue.Get(term);
        var offered = snapshot.Find(courseId) ?? throw Refusals.NoSuchCourse(course, snapshot.Term);
        var now = time.GetUtcNow().UtcDateTime;
        if (now - catalogue.SeatsAsOf(termId, courseId) >= Fresh)
        {
            Section[] sections = [.. offered.Sections.Select(section => section.Section)];
            var seats = await registrar.SeatsAsync(termId, sections, cancellation);
            await SeatKeeping.KeepAsync(database, writes, termId, courseId, seats, now, cancellation);
            await catalogue.ReadSeatsAsync(database, termId, courseId, seats, now, cancellation);
        }
        return CourseEndpoints.RecordOf(catalogue, term, courseId);
    }
}
