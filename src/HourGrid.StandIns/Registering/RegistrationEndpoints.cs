using System.Text;
using HourGrid.StandIns.Campus;
using HourGrid.StandIns.Registrar;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.StandIns.Registering;

/// <summary>Registering, checking, dropping, and what a student holds.</summary>
internal static class RegistrationEndpoints
{
    public static void MapRegistrations(this IEndpointRouteBuilder api)
    {
        api.MapPost("/registrations", RegisterAsync).WithName("Register");
        api.MapPost("/checks", CheckAsync).WithName("Check");
        api.MapDelete("/registrations/{term}/{section}", DropAsync).WithName("Drop");
        api.MapGet("/students/{student}/registrations", StandingAsync).WithName("Registrations");
    }

    private static async Task<Results<Ok<RegistrationAnswer>, ProblemHttpResult, EmptyHttpResult>> RegisterAsync(
        RegistrationRequest request,
        RegistrationTurns turns,
        FaultSettings faults,
        HttpContext http
    )
    {
        if (RequestShape.WrongIn(request, needsKey: true) is { } wrong)
            return Refused(wrong);
        RegistrationAnswer answer;
        try
        {
            answer = await turns.DoAsync(request);
        }
        catch (RequestRefusedException refused)
        {
            return Refused(refused.Message);
        }
        // It is done, and the student does not hear of it.
        if (faults.LosesNext(FaultSettings.Losing.Answer))
        {
            http.Abort();
            return TypedResults.Empty;
        }
        if (faults.LosesNext(FaultSettings.Losing.HalfOfAnswer))
        {
            var whole = Encoding.UTF8.GetBytes(RegistrationJson.Write(answer));
            http.Response.ContentType = "application/json";
            http.Response.ContentLength = whole.Length;
            await http.Response.Body.WriteAsync(whole.AsMemory(0, whole.Length / 2));
            await http.Response.Body.FlushAsync();
            http.Abort();
            return TypedResults.Empty;
        }
        return TypedResults.Ok(answer);
    }

    /// <summary>Does everything but the registering.</summary>
    private static async Task<Results<Ok<RegistrationAnswer>, ProblemHttpResult>> CheckAsync(
        RegistrationRequest request,
        IDbContextFactory<CampusContext> contexts,
        CampusCatalogue catalogue,
        CampusClock clock,
        CancellationToken cancellation
    )
    {
        if (RequestShape.WrongIn(request, needsKey: false) is { } wrong)
            return Refused(wrong);
        if (catalogue.Of(request.Term) is not { } snapshot)
            return Refused($"term: there is no term {request.Term}.");
        // What is done to it is never saved.
        await using var campus = await contexts.CreateDbContextAsync(cancellation);
        var books = new TermBooks(campus, new EventLog(campus, clock.UtcNow), catalogue, snapshot);
        return books.Student(request.Student) is null
            ? Refused($"student: there is no student {request.Student}.")
            : TypedResults.Ok(new RequestRun(books, catalogue, isCheck: true).Do(request));
    }

    private static async Task<Results<Ok<RegistrationAnswer>, ProblemHttpResult>> DropAsync(
        string term,
        string section,
        string student,
        RegistrationTurns turns,
        CampusCatalogue catalogue
    )
    {
        if (catalogue.Of(term)?.CourseOf(new(section)) is not { } course)
            return Refused($"section: there is no section {section} in {term}.");
        var line = new LineRecord(course.Course.Id.Value, [], GivingUp: [section]);
        try
        {
            return TypedResults.Ok(await turns.DoAsync(new($"{Guid.NewGuid():N}", student, term, [line])));
        }
        catch (RequestRefusedException refused)
        {
            return Refused(refused.Message);
        }
    }

    private static async Task<Results<Ok<StandingRecord>, ProblemHttpResult>> StandingAsync(
        string student,
        string term,
        IDbContextFactory<CampusContext> contexts,
        CampusCatalogue catalogue,
        CampusClock clock,
        CancellationToken cancellation
    )
    {
        if (catalogue.Of(term) is not { } snapshot)
            return Refused($"term: there is no term {term}.");
        await using var campus = await contexts.CreateDbContextAsync(cancellation);
        // Before all else: what happens while it is read may be in it, or is told afterwards.
        var last = await campus.Events.MaxAsync(row => (long?)row.Id, cancellation) ?? 0;
        var books = new TermBooks(campus, new EventLog(campus, clock.UtcNow), catalogue, snapshot);
        return books.Student(student) is not null
            ? TypedResults.Ok(Standing.Of(campus, books, catalogue, [student], last)[student])
            : TypedResults.Problem(
                statusCode: StatusCodes.Status404NotFound,
                detail: $"There is no student {student}."
            );
    }

    private static ProblemHttpResult Refused(string detail) =>
        TypedResults.Problem(statusCode: StatusCodes.Status422UnprocessableEntity, detail: detail);
}
