using System.Globalization;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Work;
using HourGrid.Formats.Asking;
using HourGrid.Server.Computing;
using HourGrid.Server.Hosting;
using HourGrid.Server.Requests;
using HourGrid.Server.Workbench;

namespace HourGrid.Server.Catalogue;

/// <summary>What courses would do to a sketch: timetables with each of them, and where its sections stand.</summary>
internal static class FitEndpoints
{
    private const int MostCourses = 50;

    /// <summary>No single course holds up the others.</summary>
    private static readonly TimeSpan LongestFit = TimeSpan.FromMilliseconds(500);

    public static void MapFits(this IEndpointRouteBuilder api)
    {
        var fits = api.MapGroup("/answers").RequireAuthorization().InTurn();
        fits.MapPost("/fits", Fits).WithName("Fits").ReadsBody(typeof(FitsRequest)).ProducesProblems();
        fits.MapPost("/standing", Standing)
            .WithName("Standing")
            .ReadsBody(typeof(StandingRequest))
            .ProducesProblems();
    }

    private static FitsRecord Fits(RequestBody body, CurrentCatalogue catalogue, CancellationToken cancellation)
    {
        var ask = body.Ask();
        var snapshot = catalogue.SnapshotOf(ask);
        var courses = body.Texts("courses", MostCourses);
        Problem.Check(snapshot, ask);
        for (var i = 0; i < courses.Count; i++)
            if (snapshot.Find(new CourseId(courses[i])) is null)
                throw new AskRefusedException($"courses[{i}]", $"{courses[i]} is not in the catalogue.");
        var fits = new FitRecord[courses.Count];
        ParallelRun.ForEach(fits.Length, i => fits[i] = FitOf(snapshot, ask, new CourseId(courses[i]), cancellation));
        return new(fits);
    }

    private static FitRecord FitOf(
        CatalogueSnapshot snapshot,
        Ask ask,
        CourseId course,
        CancellationToken cancellation
    )
    {
        try
        {
            var fit = Core.Engine.Answers.Fits.Of(snapshot, ask, course, LongestFit, cancellation);
            return new(
                course.Value,
                fit.Timetables.ToString(CultureInfo.InvariantCulture),
                fit.IsExact,
                fit.Timetables == 0 ? FitWords.WhyNot(fit, snapshot) : null
            );
        }
        catch (AskTooLargeException problem)
        {
            return new(course.Value, "0", false, problem.Message);
        }
    }

    /// <summary>In how many timetables each section of a course stands, with the course taken.</summary>
    private static CourseStandingRecord Standing(
        RequestBody body,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    )
    {
        var ask = body.Ask();
        var snapshot = catalogue.SnapshotOf(ask);
        var course = new CourseId(body.Texts("courses", 1) is [var one] ? one : "");
        var with = Core.Engine.Answers.Fits.Taking(ask, course);
        var standings = Standings.Of(
            Problem.Compile(snapshot, with, cancellation: cancellation),
            LongestFit,
            cancellation
        );
        var offered = snapshot.Find(course)!;
        return new(
            course.Value,
            standings.Total.ToString(CultureInfo.InvariantCulture),
            standings.IsExact,
            offered.Sections.ToDictionary(
                section => section.Number.Value,
                section => standings.Sections[section.Number].ToString(CultureInfo.InvariantCulture)
            )
        );
    }
}

/// <param name="Ask">What the sketch asks.</param>
/// <param name="Courses">Codes of courses, 50 at most.</param>
internal sealed record FitsRequest(AskDocument Ask, IReadOnlyList<string> Courses);

/// <param name="Fits">One for each course, in their order.</param>
internal sealed record FitsRecord(IReadOnlyList<FitRecord> Fits);

/// <param name="Course">The course.</param>
/// <param name="Timetables">Timetables that take it.</param>
/// <param name="IsExact">Whether there are just so many; otherwise at least so many.</param>
/// <param name="WhyNot">Where there is none, why: a few words.</param>
internal sealed record FitRecord(string Course, string Timetables, bool IsExact, string? WhyNot);

/// <param name="Ask">What the sketch asks.</param>
/// <param name="Courses">The code of the course.</param>
internal sealed record StandingRequest(AskDocument Ask, IReadOnlyList<string> Courses);

/// <param name="Course">The course.</param>
/// <param name="Timetables">Timetables that take it.</param>
/// <param name="IsExact">Whether the figures are exact; otherwise each is the least there is.</param>
/// <param name="Sections">By registration number, in how many of them the section stands.</param>
internal sealed record CourseStandingRecord(
    string Course,
    string Timetables,
    bool IsExact,
    IReadOnlyDictionary<string, string> Sections
);
