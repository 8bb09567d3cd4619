using System.Text;
using HourGrid.Core.Records;
using HourGrid.Formats.Records;
using HourGrid.StandIns.Campus;
using HourGrid.StandIns.Registering;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.StandIns.Registrar;

/// <summary>The registrar's service: terms, seats, records, holds, permissions, and what happens.</summary>
internal static class RegistrarEndpoints
{
    private const int LongestWords = 1_000;

    public static void MapRegistrar(this IEndpointRouteBuilder app)
    {
        var api = app.MapGroup("/registrar").AddEndpointFilter<Faults>().AddEndpointFilter<RegistrarKey>();
        api.MapGet("/terms/{term}", TermAsync).WithName("Term");
        api.MapGet("/terms/{term}/seats", SeatsAsync).WithName("Seats");
        api.MapGet("/students/{student}/record", RecordAsync)
            .WithName("Record")
            .Produces<string>(StatusCodes.Status200OK, "application/json");
        api.MapPost("/students/{student}/holds/{hold}/agreement", AgreeAsync).WithName("AgreeToHold");
        api.MapGet("/students/{student}/permissions", PermissionsAsync).WithName("Permissions");
        api.MapPost("/permissions", AskAsync).WithName("AskPermission");
        api.MapGet("/events", EventStream.Open).WithName("Events");
        api.MapRegistrations();
    }

    private static async Task<Results<Ok<TermRecord>, ProblemHttpResult>> TermAsync(
        string term,
        CampusContext campus,
        CampusClock clock,
        CancellationToken cancellation
    )
    {
        var phases = await campus
            .Phases.Where(row => row.Term == term)
            .OrderBy(row => row.FromUtc)
            .ToListAsync(cancellation);
        if (phases.Count == 0)
            return Unknown($"There is no term {term}.");
        var now = clock.UtcNow;
        return TypedResults.Ok(
            new TermRecord(
                term,
                now,
                phases.LastOrDefault(row => row.FromUtc <= now)?.Phase,
                [
                    .. phases.Select(row => new PhaseRecord(
                        row.Phase,
                        DateTime.SpecifyKind(row.FromUtc, DateTimeKind.Utc)
                    )),
                ]
            )
        );
    }

    private static async Task<TermSeatsRecord> SeatsAsync(
        string term,
        CampusContext campus,
        CancellationToken cancellation
    )
    {
        // The event first: what happens between the two is told again, and told twice is as good as once.
        var last = await EventStream.LastAsync(campus, cancellation);
        var sections = await campus.Sections.AsNoTracking().Where(row => row.Term == term).ToListAsync(cancellation);
        return new(last, [.. sections.Select(SeatsRecord.Of)]);
    }

    private static async Task<Results<ContentHttpResult, ProblemHttpResult>> RecordAsync(
        string student,
        CampusContext campus,
        CancellationToken cancellation
    )
    {
        var row = await campus
            .Records.AsNoTracking()
            .SingleOrDefaultAsync(row => row.Student == student, cancellation);
        if (row is null)
            return Unknown($"There is no student {student}.");
        var holds = await campus
            .Holds.AsNoTracking()
            .Where(hold => hold.Student == student && hold.ClearedUtc == null)
            .OrderBy(hold => hold.Id)
            .ToListAsync(cancellation);
        var record = RecordJson.Read(Encoding.UTF8.GetBytes(row.Json)).Value with
        {
            Holds =
            [
                .. holds.Select(hold => new Hold(
                    hold.Id,
                    hold.Name,
                    hold.Office,
                    hold.Text,
                    hold.IsClearedByReading ? HoldClearing.Reading : HoldClearing.Office,
                    hold.Blocks
                )),
            ],
        };
        return TypedResults.Text(Encoding.UTF8.GetString(RecordJson.Write(record)), "application/json");
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> AgreeAsync(
        string student,
        string hold,
        CampusWrites writes,
        CampusClock clock,
        CancellationToken cancellation
    )
    {
        var wrong = await writes.ChangeAsync<ProblemHttpResult?>(
            async (campus, log) =>
            {
                if (await campus.Holds.FindAsync([student, hold], cancellation) is not { } row)
                    return Unknown($"{student} has no hold {hold}.");
                if (!row.IsClearedByReading)
                    return Refused($"{row.Name} is cleared by its office: {row.Office}.");
                // Agreed to twice is agreed to.
                if (row.ClearedUtc is not null)
                    return null;
                row.ClearedUtc = clock.UtcNow;
                log.OfStudent("hold", student, "");
                return null;
            },
            cancellation
        );
        return wrong is null ? TypedResults.NoContent() : wrong;
    }

    private static async Task<IReadOnlyList<PermissionRecord>> PermissionsAsync(
        string student,
        string term,
        CampusContext campus,
        CancellationToken cancellation
    ) =>
        [
            .. (
                await campus
                    .Permissions.AsNoTracking()
                    .Where(row => row.Student == student && row.Term == term)
                    .OrderBy(row => row.Id)
                    .ToListAsync(cancellation)
            ).Select(PermissionRecord.Of),
        ];

    private static async Task<Results<Ok<PermissionRecord>, ProblemHttpResult>> AskAsync(
        PermissionRequest asked,
        CampusWrites writes,
        CampusClock clock,
        CancellationToken cancellation
    )
    {
        if (asked.Words is { Length: > LongestWords })
            return Refused($"words: found {asked.Words.Length} characters; expected {LongestWords} at most.");
        var permission = await writes.ChangeAsync(
            (campus, log) =>
                asked.Code is { } code
                    ? Permissions.UseAsync(campus, log, asked.Student, asked.Term, code, clock.UtcNow)
                    : Permissions.AskAsync(campus, log, asked, clock.UtcNow),
            cancellation
        );
        return permission.Row is { } row ? TypedResults.Ok(PermissionRecord.Of(row)) : Refused(permission.Why);
    }

    private static ProblemHttpResult Unknown(string detail) =>
        TypedResults.Problem(statusCode: StatusCodes.Status404NotFound, detail: detail);

    private static ProblemHttpResult Refused(string detail) =>
        TypedResults.Problem(statusCode: StatusCodes.Status422UnprocessableEntity, detail: detail);
}
