using System.Text;
using HourGrid.Core.Records;
using HourGrid.Formats.Records;
using HourGrid.StandIns.Campus;
using HourGrid.StandIns.Hosting;
using HourGrid.StandIns.Mail;
using HourGrid.StandIns.Registering;
using HourGrid.StandIns.Registrar;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.StandIns.Clerk;

/// <summary>Pages of those who work at the campus: the registrar's clerk, instructors, advisers, and the mail that was received.</summary>
internal static class ClerkEndpoints
{
    private const int MailsShown = 100;

    public static void MapPages(this IEndpointRouteBuilder app)
    {
        app.MapGet("/", () => new RazorComponentResult<HomePage>());
        app.MapGet("/mail", MailAsync);
        app.MapGet("/clerk", ClerkAsync);
        app.MapGet("/instructor", InstructorAsync);
        var forms = app.MapGroup("/clerk");
        forms.MapPost("/opening", MoveClockAsync);
        forms.MapPost("/turn", LetTurnBeginAsync);
        forms.MapPost("/seats", SectionForms.SetSeatsAsync);
        forms.MapPost("/cancel", SectionForms.CancelAsync);
        forms.MapPost("/holds", PutHoldAsync);
        forms.MapPost("/holds/lift", LiftHoldAsync);
        forms.MapPost("/crowd", SetCrowd);
        forms.MapPost("/faults", SetFaults);
        app.MapDecisions("/instructor", "/instructor");
        app.MapPost("/instructor/let-in", LineForms.LetInAsync);
        app.MapPost("/instructor/remove", LineForms.RemoveAsync);
        app.MapAdviser();
    }

    private static async Task<RazorComponentResult> MailAsync(CampusContext campus, CancellationToken cancellation) =>
        new RazorComponentResult<MailPage>(
            new
            {
                Mails = (IReadOnlyList<MailRow>)
                    await campus
                        .Mails.AsNoTracking()
                        .OrderByDescending(row => row.Id)
                        .Take(MailsShown)
                        .ToListAsync(cancellation),
            }
        );

    private static async Task<RazorComponentResult> ClerkAsync(
        CampusContext campus,
        CampusClock clock,
        CrowdSettings crowd,
        FaultSettings faults,
        CancellationToken cancellation
    ) =>
        new RazorComponentResult<ClerkPage>(
            new
            {
                Now = clock.UtcNow,
                Phases = (IReadOnlyList<PhaseRow>)
                    await campus.Phases.AsNoTracking().OrderBy(row => row.FromUtc).ToListAsync(cancellation),
                Students = (IReadOnlyList<PersonRow>)
                    await campus
                        .People.AsNoTracking()
                        .Where(row => row.Role == Roles.Student)
                        .OrderBy(row => row.Name)
                        .ToListAsync(cancellation),
                Holds = (IReadOnlyList<HoldRow>)
                    await campus
                        .Holds.AsNoTracking()
                        .Where(row => row.ClearedUtc == null)
                        .OrderBy(row => row.Student)
                        .ToListAsync(cancellation),
                Records = (IReadOnlyList<StudentRecord>)
                    [
                        .. (await campus.Records.AsNoTracking().ToListAsync(cancellation)).Select(row =>
                            RecordJson.Read(Encoding.UTF8.GetBytes(row.Json)).Value
                        ),
                    ],
                Crowd = crowd,
                Faults = faults,
            }
        );

    private static async Task<RazorComponentResult> InstructorAsync(
        CampusContext campus,
        CancellationToken cancellation
    ) =>
        new RazorComponentResult<InstructorPage>(
            new
            {
                Asked = (IReadOnlyList<PermissionRow>)
                    await campus
                        .Permissions.AsNoTracking()
                        .Where(row => row.Kind != Permissions.Approval)
                        .OrderByDescending(row => row.Id)
                        .ToListAsync(cancellation),
                Lines = (IReadOnlyList<InstructorLine>)await InstructorLine.AllAsync(campus, cancellation),
            }
        );

    /// <summary>Moves the clock so that a phase begins in so many seconds.</summary>
    private static async Task<IResult> MoveClockAsync(
        [FromForm] string term,
        [FromForm] string phase,
        [FromForm] int seconds,
        ClockMove move,
        CancellationToken cancellation
    )
    {
        var isDone = await move.ToAsync(
            term,
            async campus => (await campus.Phases.FindAsync([term, phase], cancellation))?.FromUtc,
            seconds,
            cancellation
        );
        return FormAnswer.Of("/clerk", isDone, $"phase {phase} of {term}");
    }

    /// <summary>Moves the clock so that a student’s turn begins in so many seconds.</summary>
    private static async Task<IResult> LetTurnBeginAsync(
        [FromForm] string term,
        [FromForm] string student,
        [FromForm] int seconds,
        ClockMove move,
        CampusCatalogue catalogue,
        CancellationToken cancellation
    )
    {
        var isDone = await move.ToAsync(
            term,
            campus =>
                Task.FromResult(
                    catalogue.Of(term) is { } snapshot
                    && new TermBooks(campus, new EventLog(campus, default), catalogue, snapshot) is var books
                    && books.Student(student) is { } file
                        ? books.Phases.OpensFor(file.Record)
                        : null
                ),
            seconds,
            cancellation
        );
        return FormAnswer.Of("/clerk", isDone, $"turn of {student} in {term}");
    }

    private static async Task<IResult> PutHoldAsync(
        [FromForm] string student,
        [FromForm] string name,
        [FromForm] string text,
        [FromForm] bool? reading,
        CampusWrites writes,
        CancellationToken cancellation
    )
    {
        var isDone = await writes.ChangeAsync(
            async (campus, log) =>
            {
                if (!await campus.Records.AnyAsync(row => row.Student == student, cancellation))
                    return false;
                campus.Holds.Add(
                    new()
                    {
                        Student = student,
                        Id = $"C{Guid.NewGuid():N}"[..12],
                        Name = name.Trim() is { Length: > 0 } given ? given : "Hold",
                        Office = "Registrar",
                        Text = text,
                        IsClearedByReading = reading ?? false,
                        Blocks = ["register"],
                    }
                );
                log.OfStudent("hold", student, "");
                return true;
            },
            cancellation
        );
        return FormAnswer.Of("/clerk", isDone, $"student {student}");
    }

    private static async Task<IResult> LiftHoldAsync(
        [FromForm] string student,
        [FromForm] string id,
        CampusWrites writes,
        CampusClock clock,
        CancellationToken cancellation
    )
    {
        var isDone = await writes.ChangeAsync(
            async (campus, log) =>
            {
                if (await campus.Holds.FindAsync([student, id], cancellation) is not { } hold)
                    return false;
                hold.ClearedUtc = clock.UtcNow;
                log.OfStudent("hold", student, "");
                return true;
            },
            cancellation
        );
        return FormAnswer.Of("/clerk", isDone, $"hold {id} of {student}");
    }

    private static IResult SetCrowd(
        [FromForm] double pace,
        [FromForm] int students,
        [FromForm] string? course,
        CrowdSettings crowd
    )
    {
        crowd.LinesPerSecond = Math.Clamp(pace, 0, CrowdSettings.Rush);
        crowd.Students = Math.Clamp(students, 1, CrowdStudents.Count);
        crowd.Wants = course?.Trim() is { Length: > 0 } wanted ? wanted : null;
        return Results.LocalRedirect("/clerk");
    }

    private static IResult SetFaults(
        [FromForm] int delay,
        [FromForm] bool? down,
        [FromForm] bool? nonsense,
        [FromForm] FaultSettings.Losing losing,
        [FromForm] int answers,
        FaultSettings faults
    )
    {
        faults.Lose(losing, Math.Clamp(answers, 0, 1_000));
        faults.Delay = TimeSpan.FromSeconds(Math.Clamp(delay, 0, 60));
        faults.IsDown = down ?? false;
        faults.IsNonsense = nonsense ?? false;
        return Results.LocalRedirect("/clerk");
    }
}
