using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>A choice among courses. Without it they have their own roles again.</summary>
/// <param name="choice">The choice.</param>
/// <param name="index">Its place in the ask.</param>
public sealed class EitherOrRule(EitherOr choice, int index) : SumRule($"eitherOr[{index}]", index)
{
    internal static IEnumerable<EitherOrRule> Of(Ask ask) =>
        ask.EitherOr.Select((choice, index) => new EitherOrRule(choice, index));

    /// <summary>Which either–or a course is in, or null.</summary>
    internal static int? Of(Ask ask, WantedCourse wanted)
    {
        for (var i = 0; i < ask.EitherOr.Count; i++)
            if (ask.EitherOr[i].Courses.Contains(wanted.Course))
                return i;
        return null;
    }

    /// <inheritdoc/>
    public override Ask Without(Ask ask) => ask with { EitherOr = WithoutAt(ask.EitherOr, Index) };

    internal override IEnumerable<BoundedSum> Sums(IReadOnlyCollection<WeekSet> weeks) =>
        [new(course => course.IsTaken && choice.Courses.Contains(course.Course) ? 1 : 0, choice.Min, choice.Max)];
}
