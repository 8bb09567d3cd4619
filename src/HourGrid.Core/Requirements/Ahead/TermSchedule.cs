using System.Numerics;
using HourGrid.Core.Work;

namespace HourGrid.Core.Requirements.Ahead;

/// <summary>A course to be put into a term. Sets are bits by place in the list that is scheduled.</summary>
/// <param name="Credits">What it carries, in hundredths.</param>
/// <param name="Offered">A bit for each term in which it may stand.</param>
/// <param name="Before">What must stand in earlier terms.</param>
/// <param name="Beside">What must stand in earlier terms or the same.</param>
internal readonly record struct ScheduledCourse(int Credits, uint Offered, ulong Before, ulong Beside);

/// <summary>
/// Puts given courses into terms, each term with no more than so many credits: depth first, term by term, with sets to which
/// nothing can be added. Moving a course to an earlier term where it fits spoils nothing, so those are enough.
/// </summary>
internal sealed class TermSchedule
{
    /// <summary>The most courses that are scheduled: a bit each.</summary>
    public const int MostCourses = 64;

    private readonly IReadOnlyList<ScheduledCourse> courses;
    private readonly int terms;
    private readonly long maximum;
    private readonly WorkLimit limit;
    private readonly int[] latest;
    private readonly int[] order;
    private readonly ulong[] inTerm;
    private readonly HashSet<(int Term, ulong Left)> hopeless = [];
    private bool isCut;

    private TermSchedule(
        IReadOnlyList<ScheduledCourse> courses,
        int terms,
        long maximum,
        int[] latest,
        WorkLimit limit
    )
    {
        (this.courses, this.terms, this.maximum, this.latest, this.limit) = (courses, terms, maximum, latest, limit);
        inTerm = new ulong[terms];
        order =
        [
            .. Enumerable
                .Range(0, courses.Count)
                .OrderBy(course => latest[course])
                .ThenByDescending(course => courses[course].Credits),
        ];
    }

    /// <summary>By term, the courses in it; null where there is no way.</summary>
    /// <param name="courses">The courses, no more than <see cref="MostCourses"/>.</param>
    /// <param name="terms">How many terms there are.</param>
    /// <param name="maximum">The most credits of a term, in hundredths.</param>
    /// <param name="limit">How long it may take.</param>
    /// <param name="isExact">False where time ran out before a way was found or excluded.</param>
    public static ulong[]? Find(
        IReadOnlyList<ScheduledCourse> courses,
        int terms,
        long maximum,
        WorkLimit limit,
        out bool isExact
    )
    {
        isExact = true;
        if (LatestTerms(courses, terms) is not { } latest)
            return null;
        var schedule = new TermSchedule(courses, terms, maximum, latest, limit);
        var all = courses.Count == MostCourses ? ulong.MaxValue : (1UL << courses.Count) - 1;
        if (schedule.Fill(0, all))
            return schedule.inTerm;
        isExact = !schedule.isCut;
        return null;
    }

    /// <summary>The last term, from 0, in which each course can stand so that what needs it can come after; null where there is none.</summary>
    private static int[]? LatestTerms(IReadOnlyList<ScheduledCourse> courses, int terms)
    {
        var latest = new int[courses.Count];
        Array.Fill(latest, terms - 1);
        for (var isChanged = true; isChanged; )
        {
            isChanged = false;
            for (var course = 0; course < courses.Count; course++)
            {
                var within = courses[course].Offered & (uint)((1UL << (latest[course] + 1)) - 1);
                if (within == 0)
                    return null;
                var last = BitOperations.Log2(within);
                isChanged |= last < latest[course];
                latest[course] = last;
                isChanged |= Lower(courses[course].Before, last - 1) | Lower(courses[course].Beside, last);
            }
        }
        return latest;

        bool Lower(ulong set, int last)
        {
            var isLower = false;
            for (; set != 0; set &= set - 1)
            {
                var course = BitOperations.TrailingZeroCount(set);
                if (latest[course] <= last)
                    continue;
                latest[course] = last;
                isLower = true;
            }
            return isLower;
        }
    }

    private bool Fill(int term, ulong left)
    {
        if (left == 0)
            return true;
        if (term == terms || hopeless.Contains((term, left)))
            return false;
        if (limit.IsOver())
        {
            isCut = true;
            return false;
        }
        if (IsTooMuch(term, left))
            return false;
        var possible = order.Where(course =>
            (left >> course & 1) != 0
            && (courses[course].Offered >> term & 1) != 0
            && (courses[course].Before & left) == 0
        );
        if (Choose(term, left, [.. possible], 0, 0, maximum))
            return true;
        if (!isCut)
            hopeless.Add((term, left));
        return false;
    }

    /// <summary>Whether what is left does not fit into the terms that are left, or some of it comes too late.</summary>
    private bool IsTooMuch(int term, ulong left)
    {
        var byTerm = new long[terms];
        for (var set = left; set != 0; set &= set - 1)
        {
            var course = BitOperations.TrailingZeroCount(set);
            if (latest[course] < term)
                return true;
            byTerm[latest[course]] += courses[course].Credits;
        }
        var sum = 0L;
        for (var until = term; until < terms; until++)
        {
            sum += byTerm[until];
            if (sum > maximum * (until - term + 1))
                return true;
        }
        return false;
    }

    /// <summary>Goes on with the possible courses of a term, each in or out.</summary>
    private bool Choose(int term, ulong left, int[] possible, int at, ulong chosen, long room)
    {
        if (at == possible.Length)
        {
            // What is chosen must have its like beside it, and nothing more may fit.
            for (var set = chosen; set != 0; set &= set - 1)
                if ((courses[BitOperations.TrailingZeroCount(set)].Beside & left & ~chosen) != 0)
                    return false;
            foreach (var course in possible)
                if (
                    (chosen >> course & 1) == 0
                    && courses[course].Credits <= room
                    && (courses[course].Beside & left & ~chosen) == 0
                )
                    return false;
            inTerm[term] = chosen;
            return Fill(term + 1, left & ~chosen);
        }
        var next = possible[at];
        if (courses[next].Credits <= room)
        {
            if (Choose(term, left, possible, at + 1, chosen | (1UL << next), room - courses[next].Credits))
                return true;
        }
        if (isCut || latest[next] == term)
            return false;
        return Choose(term, left, possible, at + 1, chosen, room);
    }
}
