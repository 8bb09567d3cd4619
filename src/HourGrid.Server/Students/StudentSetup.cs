using System.Security.Claims;
using HourGrid.Data;
using HourGrid.Data.Sketches;
using HourGrid.Server.Requests;
using HourGrid.Server.SignIn;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;

namespace HourGrid.Server.Students;

/// <summary>Who is asking. A browser becomes a student of its own at its first visit, by a cookie only we can read.</summary>
internal static class StudentSetup
{
    public static void AddStudents(this IServiceCollection services)
    {
        services
            .AddAuthentication(CookieAuthenticationDefaults.AuthenticationScheme)
            .AddCookie(cookie =>
            {
                cookie.Cookie.Name = "hour-grid";
                cookie.Cookie.HttpOnly = true;
                cookie.Cookie.SameSite = SameSiteMode.Lax;
                cookie.ExpireTimeSpan = TimeSpan.FromDays(400);
                cookie.SlidingExpiration = true;
                cookie.Events.OnValidatePrincipal = RejectUnknownAsync;
                cookie.Events.OnRedirectToLogin = context =>
                {
                    context.Response.StatusCode = StatusCodes.Status401Unauthorized;
                    return Task.CompletedTask;
                };
            });
        services.AddAuthorization();
        services.AddRateLimiter(RequestLimits.Configure);
        services.AddHttpContextAccessor();
        services.AddSingleton<KnownStudents>();
        services.AddScoped<CurrentStudent>();
    }

    public static void UseStudents(this WebApplication app)
    {
        app.UseAuthentication();
        app.UseRateLimiter();
        app.UseAuthorization();
    }

    public static void MapStudents(this IEndpointRouteBuilder api) =>
        api.MapPost("/visit", VisitAsync).WithName("Visit").LimitVisits();

    private static async Task RejectUnknownAsync(CookieValidatePrincipalContext context)
    {
        var services = context.HttpContext.RequestServices;
        if (
            CurrentStudent.IdOf(context.Principal!) is not { } id
            || !SignInSetup.Lasts(context, services.GetRequiredService<TimeProvider>().GetUtcNow())
            || !await services
                .GetRequiredService<KnownStudents>()
                .AreAsync(id, services.GetRequiredService<HourGridContext>(), context.HttpContext.RequestAborted)
        )
            context.RejectPrincipal();
    }

    /// <summary>Called once by each page: knows the browser again, or makes it a new student.</summary>
    private static async Task<VisitRecord> VisitAsync(
        HttpContext http,
        HourGridContext database,
        WriteTurns writes,
        KnownStudents known,
        TimeProvider clock,
        CancellationToken cancellation
    )
    {
        if (CurrentStudent.IdOf(http.User) is not null)
            return new(IsNew: false);
        var student = new StudentRow { Id = Guid.NewGuid(), CreatedUtc = clock.GetUtcNow().UtcDateTime };
        await using (var transaction = await writes.BeginAsync(database, cancellation))
        {
            database.Students.Add(student);
            await database.SaveChangesAsync(cancellation);
            await transaction.CommitAsync(cancellation);
        }
        known.Remember(student.Id);
        await http.SignInAsync(
            CurrentStudent.PrincipalOf(student.Id),
            new AuthenticationProperties { IsPersistent = true }
        );
        return new(IsNew: true);
    }
}

/// <param name="IsNew">Whether this browser was not known before.</param>
internal sealed record VisitRecord(bool IsNew);

/// <summary>The student who sent the request. Every query of a student's data starts from it.</summary>
internal sealed class CurrentStudent(IHttpContextAccessor http)
{
    public Guid Id =>
        IdOf(http.HttpContext!.User)
        ?? throw new InvalidOperationException("The endpoint was reached without a student; it must require one.");

    public static Guid? IdOf(ClaimsPrincipal user) =>
        Guid.TryParse(user.FindFirstValue(ClaimTypes.NameIdentifier), out var id) ? id : null;

    public static ClaimsPrincipal PrincipalOf(Guid id) =>
        new(
            new ClaimsIdentity(
                [new Claim(ClaimTypes.NameIdentifier, id.ToString())],
                CookieAuthenticationDefaults.AuthenticationScheme
            )
        );
}
