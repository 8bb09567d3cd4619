using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>The delivery modes allowed.</summary>
public sealed class ModesRule() : SectionRule("modes")
{
    internal static IEnumerable<ModesRule> Of(Ask ask) => ask.Modes.Count > 0 ? [new()] : [];

    /// <inheritdoc/>
    public override Ask Without(Ask ask) => ask with { Modes = [] };

    internal override Func<OfferedSection, bool> Admits(Ask ask, int wanted, OfferedCourse offered) =>
        section => ask.Modes.Contains(section.Section.Mode);
}
