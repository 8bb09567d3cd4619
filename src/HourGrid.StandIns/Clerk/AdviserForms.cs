using System.Text;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;
using HourGrid.Formats.Records;
using HourGrid.StandIns.Campus;
using HourGrid.StandIns.Registrar;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.StandIns.Clerk;

/// <summary>What an adviser does: approves a term, asked or not, and recommends courses.</summary>
internal static class AdviserForms
{
    private const string Page = "/adviser";
    private const int LongestWords = 1_000;

    public static void MapAdviser(this IEndpointRouteBuilder app)
    {
        app.MapGet(Page, PageAsync);
        app.MapDecisions("/adviser/requests", Page);
        app.MapPost("/adviser/approvals", ApproveAsync);
        app.MapPost("/adviser/recommended", RecommendAsync);
        app.MapPost("/adviser/recommended/withdraw", WithdrawAsync);
    }

    private static async Task<RazorComponentResult> PageAsync(CampusContext campus, CancellationToken cancellation) =>
        new RazorComponentResult<AdviserPage>(
            new
            {
                Asked = (IReadOnlyList<PermissionRow>)
                    await campus
                        .Permissions.AsNoTracking()
                        .Where(row => row.Kind == Permissions.Approval)
                        .OrderByDescending(row => row.Id)
                        .ToListAsync(cancellation),
                Records = (IReadOnlyList<StudentRecord>)
                    [
                        .. (await campus.Records.AsNoTracking().ToListAsync(cancellation))
                            .Select(row => RecordJson.Read(Encoding.UTF8.GetBytes(row.Json)).Value)
                            .Where(record => record.Adviser is not null)
                            .OrderBy(record => record.Name, StringComparer.Ordinal),
                    ],
            }
        );

    private static async Task<IResult> ApproveAsync(
        [FromForm] string term,
        [FromForm] string student,
        [FromForm] bool given,
        CampusWrites writes,
        CancellationToken cancellation
    )
    {
        var isDone = await writes.ChangeAsync(
            (campus, log) => Advising.ApproveAsync(campus, log, student, term, given),
            cancellation
        );
        return FormAnswer.Of(Page, isDone, $"student {student}");
    }

    private static async Task<IResult> RecommendAsync(
        [FromForm] string student,
        [FromForm] string course,
        [FromForm] string? words,
        CampusWrites writes,
        CampusCatalogue catalogue,
        CancellationToken cancellation
    )
    {
        var id = new CourseId(course.Trim());
        if (!catalogue.Whole.Courses.Any(one => one.Id == id))
            return FormAnswer.Of(Page, isDone: false, $"course {course} in the catalogue");
        var said = words?.Trim() ?? "";
        var isDone = await writes.ChangeAsync(
            (campus, log) =>
                Advising.RecommendAsync(campus, log, student, id, said[..Math.Min(said.Length, LongestWords)]),
            cancellation
        );
        return FormAnswer.Of(Page, isDone, $"student {student}");
    }

    private static async Task<IResult> WithdrawAsync(
        [FromForm] string student,
        [FromForm] string course,
        CampusWrites writes,
        CancellationToken cancellation
    )
    {
        var isDone = await writes.ChangeAsync(
            (campus, log) => Advising.WithdrawAsync(campus, log, student, new(course)),
            cancellation
        );
        return FormAnswer.Of(Page, isDone, $"student {student}");
    }
}
