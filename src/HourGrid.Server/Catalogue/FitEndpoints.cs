using System.ComponentModel.DataAnnotations;
using System.Globalization;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Work;
using HourGrid.Formats.Wording;
using HourGrid.Server.Computing;
using HourGrid.Server.Requests;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Catalogue;

/// <summary>What courses would do to a sketch: timetables with each of them, and where its sections stand.</summary>
internal static class FitEndpoints
{
    /// <summary>No single course holds up the others.</summary>
    private static readonly TimeSpan LongestFit = TimeSpan.FromMilliseconds(500);

    public static void MapFits(this IEndpointRouteBuilder api)
    {
        var fits = api.MapGroup("/answers").RequireAuthorization().InTurn();
        fits.MapPost("/fits", Fits).WithName("Fits");
        fits.MapPost("/standing", Standing).WithName("Standing");
    }

    private static FitsRecord Fits(Body<FitsRequest> body, CurrentCatalogue catalogue, CancellationToken cancellation)
    {
        var (ask, courses) = body.Value;
        var snapshot = catalogue.SnapshotOf(ask);
        Problem.Check(snapshot, ask);
        for (var i = 0; i < courses.Count; i++)
            Require(snapshot, courses[i], $"courses[{i}]");
        var fits = new FitRecord[courses.Count];
        ParallelRun.ForEach(fits.Length, i => fits[i] = FitOf(snapshot, ask, courses[i], cancellation));
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
            return new(course.Value, "0", false, AskWords.Of(problem));
        }
    }

    /// <summary>In how many timetables each section of a course stands, with the course taken.</summary>
    private static CourseStandingRecord Standing(
        Body<StandingRequest> body,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    )
    {
        var (ask, course) = body.Value;
        var snapshot = catalogue.SnapshotOf(ask);
        Problem.Check(snapshot, ask);
        var offered = Require(snapshot, course, "course");
        var with = Core.Engine.Answers.Fits.Taking(ask, course);
        var standings = Standings.Of(
            Problem.Compile(snapshot, with, cancellation: cancellation),
            LongestFit,
            cancellation
        );
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

    private static OfferedCourse Require(CatalogueSnapshot snapshot, CourseId course, string path) =>
        snapshot.Find(course) ?? throw new AskRefusedException(path, AskFault.NoSuchCourse, course.Value);
}

/// <param name="Ask">What the sketch asks.</param>
/// <param name="Courses">Codes of courses, 50 at most.</param>
internal sealed record FitsRequest(Ask Ask, [property: MaxLength(50)] IReadOnlyList<CourseId> Courses);

/// <param name="Fits">One for each course, in their order.</param>
internal sealed record FitsRecord(IReadOnlyList<FitRecord> Fits);

/// <param name="Course">The course.</param>
/// <param name="Timetables">Timetables that take it.</param>
/// <param name="IsExact">Whether there are just so many; otherwise at least so many.</param>
/// <param name="WhyNot">Where there is none, why: a few words.</param>
internal sealed record FitRecord(string Course, string Timetables, bool IsExact, string? WhyNot);

/// <param name="Ask">What the sketch asks.</param>
/// <param name="Course">The code of the course.</param>
internal sealed record StandingRequest(Ask Ask, CourseId Course);

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
