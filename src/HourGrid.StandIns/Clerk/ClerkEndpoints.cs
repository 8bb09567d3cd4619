using HourGrid.StandIns.Campus;
using HourGrid.StandIns.Hosting;
using HourGrid.StandIns.Mail;
using HourGrid.StandIns.Registrar;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.StandIns.Clerk;

/// <summary>Pages of those who work at the campus: the registrar's clerk, instructors, and the mail that was received.</summary>
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
        forms.MapPost("/seats", SetSeatsAsync);
        forms.MapPost("/holds", PutHoldAsync);
        forms.MapPost("/holds/lift", LiftHoldAsync);
        forms.MapPost("/crowd", SetCrowd);
        forms.MapPost("/faults", SetFaults);
        app.MapPost("/instructor", DecideAsync);
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
                        .OrderByDescending(row => row.Id)
                        .ToListAsync(cancellation),
            }
        );

    /// <summary>Moves the clock so that a phase begins in so many seconds.</summary>
    private static async Task<IResult> MoveClockAsync(
        [FromForm] string term,
        [FromForm] string phase,
        [FromForm] int seconds,
        CampusWrites writes,
        CampusClock clock,
        TimeProvider machine,
        CancellationToken cancellation
    )
    {
        var moved = await writes.ChangeAsync(
            async (campus, log) =>
            {
                if (await campus.Phases.FindAsync([term, phase], cancellation) is not { } row)
                    return (TimeSpan?)null;
                var by = row.FromUtc - TimeSpan.FromSeconds(seconds) - machine.GetUtcNow().UtcDateTime;
                // Whole seconds, and never too few: now is not a moment before.
                var ahead = (long)Math.Ceiling(by.TotalSeconds);
                (await campus.Clocks.SingleAsync(cancellation)).AheadSeconds = ahead;
                log.Clock(term);
                return TimeSpan.FromSeconds(ahead);
            },
            cancellation
        );
        if (moved is { } ahead)
            clock.Ahead = ahead;
        return Back("/clerk");
    }

    private static async Task<IResult> SetSeatsAsync(
        [FromForm] string term,
        [FromForm] string number,
        [FromForm] int capacity,
        [FromForm] int enrolled,
        CampusWrites writes,
        CancellationToken cancellation
    )
    {
        await writes.ChangeAsync(
            async (campus, log) =>
            {
                if (await campus.Sections.FindAsync([term, number], cancellation) is not { } section)
                    return false;
                section.Capacity = Math.Clamp(capacity, 0, 9_999);
                section.Enrolled = Math.Clamp(enrolled, 0, 9_999);
                log.Seats(section);
                return true;
            },
            cancellation
        );
        return Back("/clerk");
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
        await writes.ChangeAsync(
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
        return Back("/clerk");
    }

    private static async Task<IResult> LiftHoldAsync(
        [FromForm] string student,
        [FromForm] string id,
        CampusWrites writes,
        CampusClock clock,
        CancellationToken cancellation
    )
    {
        await writes.ChangeAsync(
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
        return Back("/clerk");
    }

    private static IResult SetCrowd([FromForm] double pace, CrowdSettings crowd)
    {
        crowd.ChangesPerSecond = Math.Clamp(pace, 0, 200);
        return Back("/clerk");
    }

    private static IResult SetFaults(
        [FromForm] int delay,
        [FromForm] bool? down,
        [FromForm] bool? nonsense,
        FaultSettings faults
    )
    {
        faults.Delay = TimeSpan.FromSeconds(Math.Clamp(delay, 0, 60));
        faults.IsDown = down ?? false;
        faults.IsNonsense = nonsense ?? false;
        return Back("/clerk");
    }

    private static async Task<IResult> DecideAsync(
        [FromForm] int id,
        [FromForm] bool granted,
        [FromForm] string? answer,
        CampusWrites writes,
        CampusClock clock,
        CancellationToken cancellation
    )
    {
        await writes.ChangeAsync(
            (campus, log) => Permissions.DecideAsync(campus, log, id, granted, answer ?? "", clock.UtcNow),
            cancellation
        );
        return Back("/instructor");
    }

    private static IResult Back(string page) => Results.LocalRedirect(page);
}
