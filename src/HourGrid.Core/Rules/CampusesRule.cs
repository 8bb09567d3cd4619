using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>The campuses allowed. What has no campus is allowed everywhere.</summary>
public sealed class CampusesRule() : SectionRule("campus.allowed")
{
    internal static IEnumerable<CampusesRule> Of(Ask ask) => ask.Campus.Allowed.Count > 0 ? [new()] : [];

    /// <inheritdoc/>
    public override Ask Without(Ask ask) => ask with { Campus = ask.Campus with { Allowed = [] } };

    /// <summary>Whether a section and its meetings are on campuses that are allowed.</summary>
    internal static bool Admits(IReadOnlyList<CampusId> allowed, OfferedSection section) =>
        IsAllowed(allowed, section.Section.TaughtOn)
        && section.Meetings.All(meeting => IsAllowed(allowed, meeting.Campus));

    internal override Func<OfferedSection, bool> Admits(Ask ask, int wanted, OfferedCourse offered) =>
        section => Admits(ask.Campus.Allowed, section);

    private static bool IsAllowed(IReadOnlyList<CampusId> allowed, CampusId? campus) =>
        campus is not { } place || allowed.Contains(place);
}
