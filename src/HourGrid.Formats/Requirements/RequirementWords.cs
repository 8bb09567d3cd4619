using HourGrid.Core.Requirements;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Requirements;

/// <summary>The words of requirements.</summary>
public static class RequirementWords
{
    public static WordTable<RequirementState> States { get; } =
        new(
            ("done", RequirementState.Done),
            ("underWay", RequirementState.UnderWay),
            ("planned", RequirementState.Planned),
            ("short", RequirementState.ShortBy),
            ("notNeeded", RequirementState.NotNeeded)
        );
}
