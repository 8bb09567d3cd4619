using System.Diagnostics;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;
using HourGrid.Core.Measuring;
using HourGrid.Formats.Asking;
using HourGrid.Server.Catalogues;
using Microsoft.Extensions.Caching.Memory;

namespace HourGrid.Server.Answers;

/// <summary>Answers asks, and keeps the walks of the last ones: paging through one ask compiles and counts it once.</summary>
internal sealed class AnswerRoom(CurrentCatalogue catalogue) : IDisposable
{
    /// <summary>Bytes that the walks kept may take together.</summary>
    private const long MostKept = 256 << 20;

    private static readonly TimeSpan LongestAnswer = TimeSpan.FromSeconds(10);

    private readonly MemoryCache walks = new(new MemoryCacheOptions { SizeLimit = MostKept });

    /// <exception cref="AskRefusedException">The ask names what is not there.</exception>
    /// <exception cref="AskTooLargeException">It has too many courses in play.</exception>
    public void Check(Ask ask) => Problem.Check(catalogue.SnapshotOf(ask), ask);

    public AnswerRecord Answer(Ask ask, IReadOnlyList<RegistrationNumber> held, CancellationToken cancellation)
    {
        var started = Stopwatch.GetTimestamp();
        return WithinTime(
            inTime =>
            {
                var walk = WalkOf(ask, inTime);
                var nearest = walk.Nearest(held);
                return new AnswerRecord(
                    WalkedRecord.Text(walk.Total.Timetables),
                    WalkedRecord.Text(walk.Total.WeekShapes),
                    [.. ask.Wanted.Select(wanted => InPlay(walk.Problem, wanted))],
                    nearest is null ? null : WalkedRecord.Of(nearest, new Measures(ask)),
                    Stopwatch.GetElapsedTime(started).TotalMilliseconds
                );
            },
            cancellation
        );
    }

    /// <summary>Timetables from one place on; past the end there are none.</summary>
    public TimetablesRecord Timetables(Ask ask, UInt128 first, int count, CancellationToken cancellation) =>
        WithinTime(
            inTime =>
            {
                var walk = WalkOf(ask, inTime);
                var left = first < walk.Total.Timetables ? walk.Total.Timetables - first : 0;
                var numbers = Enumerable.Range(0, (int)UInt128.Min((UInt128)count, left));
                return Records(ask, numbers.Select(i => walk.At(first + (UInt128)i)));
            },
            cancellation
        );

    /// <summary>The first timetable of each week shape from one place on.</summary>
    public TimetablesRecord WeekShapes(Ask ask, UInt128 first, int count, CancellationToken cancellation) =>
        WithinTime(inTime => Records(ask, WalkOf(ask, inTime).Shapes(first, count)), cancellation);

    public void Dispose() => walks.Dispose();

    private static TimetablesRecord Records(Ask ask, IEnumerable<WalkedTimetable> walked)
    {
        var measures = new Measures(ask);
        return new([.. walked.Select(one => WalkedRecord.Of(one, measures))]);
    }

    private TimetableWalk WalkOf(Ask ask, CancellationToken cancellation)
    {
        var key = (catalogue.Version, Convert.ToBase64String(AskJson.Write(ask)));
        if (walks.TryGetValue<TimetableWalk>(key, out var known))
            return known!;
        var walk = new TimetableWalk(Problem.Compile(catalogue.SnapshotOf(ask), ask, cancellation), cancellation);
        return walks.Set(key, walk, new MemoryCacheEntryOptions { Size = walk.Size });
    }

    private static CourseInPlayRecord InPlay(Problem problem, WantedCourse wanted)
    {
        var offered = problem.Snapshot.Find(wanted.Course)!;
        return new(
            wanted.Course.Value,
            offered.SectionsHeld.Count(),
            problem.Courses.FirstOrDefault(course => course.Wanted.Course == wanted.Course)?.SectionsInPlay ?? 0
        );
    }

    /// <summary>An ask that would take too long is given up with a sentence instead of holding the server.</summary>
    private static T WithinTime<T>(Func<CancellationToken, T> answer, CancellationToken cancellation)
    {
        using var inTime = CancellationTokenSource.CreateLinkedTokenSource(cancellation);
        inTime.CancelAfter(LongestAnswer);
        try
        {
            return answer(inTime.Token);
        }
        catch (OperationCanceledException) when (!cancellation.IsCancellationRequested)
        {
            throw new AskTooLargeException(
                "There are too many possibilities to count in time. Set a course aside, or take out more hours."
            );
        }
    }
}
