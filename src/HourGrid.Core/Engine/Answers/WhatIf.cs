using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Answers;

/// <summary>How many timetables an ask would have with something added that is not asked yet.</summary>
public static class WhatIf
{
    /// <summary>The count with a course added as a must; one that is wanted already becomes a must.</summary>
    /// <param name="snapshot">The catalogue.</param>
    /// <param name="ask">The ask.</param>
    /// <param name="course">The course.</param>
    /// <param name="budget">How long it may take; null for as long as it takes.</param>
    /// <param name="cancellation">Stops at any moment.</param>
    /// <exception cref="AskRefusedException">The catalogue does not have the course.</exception>
    /// <exception cref="AskTooLargeException">It is too large to be answered.</exception>
    /// <exception cref="OperationCanceledException">The token was cancelled.</exception>
    public static CountAnswer WithCourse(
        CatalogueSnapshot snapshot,
        Ask ask,
        CourseId course,
        TimeSpan? budget = null,
        CancellationToken cancellation = default
    )
    {
        var added = new WantedCourse { Course = course };
        var with = ask.Wanted.Any(wanted => wanted.Course == course)
            ? ask.Wanted.Select(wanted => wanted.Course == course ? wanted with { Role = CourseRole.Must } : wanted)
            : ask.Wanted.Append(added);
        return Count(snapshot, ask with { Wanted = [.. with] }, budget, cancellation);
    }

    /// <summary>The count with a time block added, as one that is being drawn.</summary>
    /// <inheritdoc cref="WithCourse" />
    public static CountAnswer WithTimeBlock(
        CatalogueSnapshot snapshot,
        Ask ask,
        TimeBlock block,
        TimeSpan? budget = null,
        CancellationToken cancellation = default
    ) => Count(snapshot, ask with { TimeBlocks = [.. ask.TimeBlocks, block] }, budget, cancellation);

    /// <summary>The count with a section kept, whose course is added as a must where it is not wanted yet.</summary>
    /// <inheritdoc cref="WithCourse" />
    public static CountAnswer WithSection(
        CatalogueSnapshot snapshot,
        Ask ask,
        RegistrationNumber section,
        TimeSpan? budget = null,
        CancellationToken cancellation = default
    )
    {
        var course =
            snapshot.Courses.FirstOrDefault(offered => offered.Sections.Any(one => one.Number == section))
            ?? throw new AskRefusedException("section", AskFault.NoSuchSection, section.Value);
        var wanted = ask.Wanted.FirstOrDefault(one => one.Course == course.Course.Id);
        var kept = (wanted ?? new WantedCourse { Course = course.Course.Id }) with
        {
            Keep = [.. wanted?.Keep ?? [], section],
        };
        var with = wanted is null ? ask.Wanted.Append(kept) : ask.Wanted.Select(one => one == wanted ? kept : one);
        return Count(snapshot, ask with { Wanted = [.. with] }, budget, cancellation);
    }

    private static CountAnswer Count(
        CatalogueSnapshot snapshot,
        Ask ask,
        TimeSpan? budget,
        CancellationToken cancellation
    )
    {
        var limit = new WorkLimit(budget, cancellation);
        try
        {
            var count = Counts.OrAbout(Problem.Compile(snapshot, ask, CompileScope.AskAlone, limit), limit);
            cancellation.ThrowIfCancellationRequested();
            return count;
        }
        catch (OperationCanceledException) when (!cancellation.IsCancellationRequested)
        {
            // Time was up before it was compiled: that there may be none is all that is known.
            return new(Count128.None, false, null);
        }
    }
}
