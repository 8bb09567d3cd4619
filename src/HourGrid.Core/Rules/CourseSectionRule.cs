using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>A rule that looks at the sections of one wanted course.</summary>
public abstract class CourseSectionRule : SectionRule
{
    private protected CourseSectionRule(int wanted, string field)
        : base($"wanted[{wanted}].{field}", wanted) { }

    /// <inheritdoc/>
    public sealed override Ask Without(Ask ask) => WithWanted(ask, Index, Without);

    internal sealed override Func<OfferedSection, bool>? Admits(Ask ask, int wanted, OfferedCourse offered) =>
        wanted == Index ? Admits(ask, offered) : null;

    /// <summary>Whether a section of the course is admitted.</summary>
    private protected abstract Func<OfferedSection, bool> Admits(Ask ask, OfferedCourse offered);

    /// <summary>The wanted course without the rule.</summary>
    private protected abstract WantedCourse Without(WantedCourse wanted);
}
