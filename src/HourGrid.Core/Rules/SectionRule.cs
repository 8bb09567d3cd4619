using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>A rule that looks at each section of a wanted course by itself.</summary>
public abstract class SectionRule : Rule
{
    private protected SectionRule(string path, int index = 0)
        : base(path, index) { }

    internal sealed override void AddTo(RuleForms forms, int number) => forms.Sections.Add((number, this));

    /// <summary>Whether a section is admitted, for the sections of one wanted course; null where the rule is not about it.</summary>
    /// <param name="ask">The ask.</param>
    /// <param name="wanted">The course's place in the ask.</param>
    /// <param name="offered">The course as the term offers it.</param>
    internal abstract Func<OfferedSection, bool>? Admits(Ask ask, int wanted, OfferedCourse offered);
}
