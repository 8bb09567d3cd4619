using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>Hours that are taken.</summary>
/// <param name="block">The hours.</param>
/// <param name="index">Their place in the ask.</param>
public sealed class TimeBlockRule(TimeBlock block, int index)
    : HourRule($"timeBlocks[{index}]", index, block.Strength == Strength.Cannot)
{
    /// <summary>The hours.</summary>
    public TimeBlock Block => block;

    internal static IEnumerable<TimeBlockRule> Of(Ask ask) =>
        ask.TimeBlocks.Select((block, index) => new TimeBlockRule(block, index));

    /// <inheritdoc/>
    public override Ask Without(Ask ask) => ask with { TimeBlocks = WithoutAt(ask.TimeBlocks, Index) };

    internal override bool IsAgainst(in Meeting meeting) => block.Meets(meeting);
}
