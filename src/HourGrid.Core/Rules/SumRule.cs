using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>A rule that bounds sums over the courses.</summary>
public abstract class SumRule : Rule
{
    private protected SumRule(string path, int index = 0)
        : base(path, index) { }

    internal sealed override void AddTo(RuleForms forms, int number) => forms.Sums.Add((number, this));

    /// <summary>The sums that it bounds.</summary>
    /// <param name="weeks">The distinct sets of weeks of all meetings.</param>
    internal abstract IEnumerable<BoundedSum> Sums(IReadOnlyCollection<WeekSet> weeks);
}

/// <summary>A sum over the courses, and its bounds.</summary>
/// <param name="Amount">What the choice for a course adds.</param>
/// <param name="Least">The least that it may be; null for no bound.</param>
/// <param name="Most">The most that it may be; null for no bound.</param>
internal sealed record BoundedSum(Func<CourseChoice, int> Amount, int? Least, int? Most);

/// <summary>What is chosen for a course.</summary>
/// <param name="Course">The course.</param>
/// <param name="IsTaken">Whether it is taken.</param>
/// <param name="Credits">The credits; 0 where it is not taken.</param>
/// <param name="Meetings">The meetings, in the order a week reads; none where it is not taken.</param>
internal readonly record struct CourseChoice(
    CourseId Course,
    bool IsTaken,
    Credits Credits,
    IReadOnlyList<Meeting> Meetings
);
