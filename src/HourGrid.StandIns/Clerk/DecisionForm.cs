using HourGrid.StandIns.Campus;
using HourGrid.StandIns.Registrar;
using Microsoft.AspNetCore.Mvc;

namespace HourGrid.StandIns.Clerk;

/// <summary>What was asked of instructors and advisers is granted or refused, with words.</summary>
internal static class DecisionForm
{
    /// <param name="app">What is mapped to.</param>
    /// <param name="action">Where the form is sent.</param>
    /// <param name="page">The page on which it stands.</param>
    public static void MapDecisions(this IEndpointRouteBuilder app, string action, string page) =>
        app.MapPost(
            action,
            async (
                [FromForm] int id,
                [FromForm] bool granted,
                [FromForm] string? answer,
                CampusWrites writes,
                CampusClock clock,
                CancellationToken cancellation
            ) =>
            {
                var isDone = await writes.ChangeAsync(
                    (campus, log) => Permissions.DecideAsync(campus, log, id, granted, answer ?? "", clock.UtcNow),
                    cancellation
                );
                return FormAnswer.Of(page, isDone, "such request");
            }
        );
}
