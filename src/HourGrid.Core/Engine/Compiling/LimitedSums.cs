using HourGrid.Core.Rules;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Compiling;

/// <summary>
/// A rule in the normal form <em>a sum stays under a limit</em>. Every course has an option that adds 0, so what is
/// left of the limit is what later courses may still add beyond the least they must.
/// </summary>
/// <param name="Rule">The number of the rule.</param>
/// <param name="Adds">What each option adds, by course and option; 0 or more.</param>
/// <param name="Limit">The limit; negative when even the least of every course is too much.</param>
internal sealed record LimitedSum(int Rule, int[][] Adds, int Limit)
{
    /// <summary>The most that all courses together can add.</summary>
    public int MostAdded => Adds.Sum(course => course.Max());
}

/// <summary>Brings the rules that bound sums into the form of <see cref="LimitedSum"/>.</summary>
internal sealed class LimitedSums
{
    private readonly IReadOnlyList<CoursePlay> courses;
    private readonly WorkLimit limit;
    private readonly List<LimitedSum> sums = [];

    private LimitedSums(IReadOnlyList<CoursePlay> courses, WorkLimit limit)
    {
        this.limit = limit;
        this.courses = courses;
    }

    /// <summary>The sums of the rules of an ask; those that cannot be broken are left out.</summary>
    public static IReadOnlyList<LimitedSum> Of(
        RuleForms forms,
        IReadOnlyList<CoursePlay> courses,
        MeetingTable table,
        WorkLimit limit
    )
    {
        var found = new LimitedSums(courses, limit);
        // Without any option the course has no timetable, whatever else is asked.
        if (courses.Any(course => course.Options.Count == 0))
            return [];
        foreach (var (number, rule) in forms.Sums)
        foreach (var sum in rule.Sums(table.WeekSets))
            found.Add(number, sum);
        return found.sums;
    }

    private void Add(int id, BoundedSum sum)
    {
        int[][] amounts =
        [
            .. courses.Select(course =>
                course
                    .Options.Select(option =>
                        sum.Amount(new(course.Wanted.Course, !option.IsAbsent, option.Credits, option.Meetings))
                    )
                    .ToArray()
            ),
        ];
        if (sum.Most is { } most)
            AddAtMost(id, amounts, most);
        if (sum.Least is { } least)
            AddAtLeast(id, amounts, least);
    }

    private void AddAtLeast(int id, int[][] amounts, int least)
    {
        int[] most = [.. amounts.Select(course => course.Max())];
        int[][] shortOfMost =
        [
            .. amounts.Zip(most, (course, bound) => course.Select(amount => bound - amount).ToArray()),
        ];
        AddAtMost(id, shortOfMost, most.Sum() - least);
    }

    private void AddAtMost(int id, int[][] amounts, int most)
    {
        limit.ThrowIfOver();
        int[] least = [.. amounts.Select(course => course.Min())];
        int[][] beyondLeast =
        [
            .. amounts.Zip(least, (course, bound) => course.Select(amount => amount - bound).ToArray()),
        ];
        var sum = new LimitedSum(id, beyondLeast, most - least.Sum());
        if (sum.MostAdded > sum.Limit)
            sums.Add(sum);
    }
}
