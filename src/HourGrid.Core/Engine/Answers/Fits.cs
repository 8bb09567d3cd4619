using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Rules;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Answers;

/// <summary>How a course fits into what is asked.</summary>
/// <param name="Course">The course.</param>
/// <param name="Timetables">Timetables that take it.</param>
/// <param name="IsExact">Whether there are just so many; otherwise at least so many.</param>
/// <param name="With">The ask whose timetables they are: the same, with the course taken.</param>
/// <param name="Together">
/// Where there is none: a smallest set of rules of <paramref name="With"/> that cannot live together. Empty otherwise,
/// and where the time did not suffice.
/// </param>
public sealed record Fit(CourseId Course, UInt128 Timetables, bool IsExact, Ask With, IReadOnlyList<Rule> Together);

/// <summary>Tells of a course in how many timetables it could be taken, and why not where it cannot.</summary>
public static class Fits
{
    /// <param name="snapshot">The catalogue.</param>
    /// <param name="ask">What is asked.</param>
    /// <param name="course">The course; it may be part of the ask already.</param>
    /// <param name="budget">How long it may take; null for as long as it takes.</param>
    /// <param name="cancellation">Stops at any moment.</param>
    /// <exception cref="AskRefusedException">The ask names what the catalogue does not have.</exception>
    /// <exception cref="AskTooLargeException">It is too large to be answered.</exception>
    /// <exception cref="OperationCanceledException">The token was cancelled.</exception>
    public static Fit Of(
        CatalogueSnapshot snapshot,
        Ask ask,
        CourseId course,
        TimeSpan? budget = null,
        CancellationToken cancellation = default
    )
    {
        var fit = Of(snapshot, Taking(ask, course), course, new WorkLimit(budget, cancellation));
        cancellation.ThrowIfCancellationRequested();
        return fit;
    }

    private static Fit Of(CatalogueSnapshot snapshot, Ask with, CourseId course, WorkLimit limit)
    {
        try
        {
            var problem = Problem.Compile(snapshot, with, CompileScope.AskAlone, limit);
            var count = Counts.Of(problem, Root.Of(problem, Lifted.None(problem.Rules.Count)), limit);
            if (count.Total.Timetables > 0 || !count.IsExact)
                return new(course, count.Total.Timetables, count.IsExact, with, []);
            return new(course, 0, true, with, WhyNone.Of(snapshot, with, limit)?.Together ?? []);
        }
        catch (OperationCanceledException)
        {
            return new(course, 0, false, with, []);
        }
    }

    /// <summary>
    /// The ask whose timetables are those of another one that take a course, as a must. In an either–or it is one of
    /// those taken.
    /// </summary>
    public static Ask Taking(Ask ask, CourseId course)
    {
        var setAside = new HashSet<CourseId>();
        var eitherOr = new List<EitherOr>();
        foreach (var choice in ask.EitherOr)
        {
            CourseId[] others = [.. choice.Courses.Where(other => other != course)];
            if (others.Length == choice.Courses.Count)
                eitherOr.Add(choice);
            else if (choice.Max <= 1)
                setAside.UnionWith(others);
            else if (others.Length > 0)
                eitherOr.Add(
                    choice with
                    {
                        Courses = others,
                        Min = Math.Max(0, choice.Min - 1),
                        Max = Math.Min(others.Length, choice.Max - 1),
                    }
                );
        }
        return ask with
        {
            EitherOr = eitherOr,
            Wanted =
            [
                .. ask.Wanted.Select(wanted =>
                    wanted.Course == course ? wanted with { Role = CourseRole.Must }
                    : setAside.Contains(wanted.Course) ? wanted with { Role = CourseRole.SetAside }
                    : wanted
                ),
                .. ask.Wanted.Any(wanted => wanted.Course == course)
                    ? Array.Empty<WantedCourse>()
                    : [new WantedCourse { Course = course }],
            ],
        };
    }
}
