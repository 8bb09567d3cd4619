using System.Threading.RateLimiting;
using Microsoft.AspNetCore.RateLimiting;

namespace HourGrid.Server.Students;

/// <summary>How much one student, and all newcomers together, may ask at once.</summary>
internal static class RequestLimits
{
    private const string NewStudents = "new students";
    private const string Answers = "answers";
    private const string Calendars = "calendars";

    private const int NewStudentsPerMinute = 300;

    /// <summary>Calendar programs of all students; many times more than they come by themselves.</summary>
    private const int CalendarsPerMinute = 600;

    /// <summary>A window has a draft, a save and a few pages under way; the rest waits its turn.</summary>
    private const int AnswersAtOnce = 8;
    private const int AnswersWaiting = 64;

    public static void Configure(RateLimiterOptions limits)
    {
        limits.RejectionStatusCode = StatusCodes.Status429TooManyRequests;
        limits.AddFixedWindowLimiter(
            NewStudents,
            window =>
            {
                window.PermitLimit = NewStudentsPerMinute;
                window.Window = TimeSpan.FromMinutes(1);
            }
        );
        limits.AddFixedWindowLimiter(
            Calendars,
            window =>
            {
                window.PermitLimit = CalendarsPerMinute;
                window.Window = TimeSpan.FromMinutes(1);
            }
        );
        limits.AddPolicy(
            Answers,
            http =>
                RateLimitPartition.GetConcurrencyLimiter(
                    CurrentStudent.IdOf(http.User) ?? Guid.Empty,
                    _ => new() { PermitLimit = AnswersAtOnce, QueueLimit = AnswersWaiting }
                )
        );
    }

    public static T LimitNewStudents<T>(this T endpoint)
        where T : IEndpointConventionBuilder => endpoint.RequireRateLimiting(NewStudents);

    public static T LimitCalendars<T>(this T endpoint)
        where T : IEndpointConventionBuilder => endpoint.RequireRateLimiting(Calendars);

    public static T LimitAnswers<T>(this T endpoint)
        where T : IEndpointConventionBuilder => endpoint.RequireRateLimiting(Answers);
}
