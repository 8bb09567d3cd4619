using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Engine;

/// <summary>Which sections of a wanted course an ask admits, each looked at by itself.</summary>
internal sealed class Admission
{
    private readonly Ask ask;
    private readonly WantedCourse wanted;
    private readonly TimeBlock[] cannot;
    private readonly HashSet<RegistrationNumber> ruledOut;
    private readonly HashSet<RegistrationNumber> kept;
    private readonly HashSet<RegistrationNumber> registered;
    private readonly HashSet<string> componentsWithKept;

    public Admission(Ask ask, WantedCourse wanted, OfferedCourse offered)
    {
        this.ask = ask;
        this.wanted = wanted;
        cannot = [.. ask.TimeBlocks.Where(block => block.Strength == Strength.Cannot)];
        ruledOut = [.. wanted.RuleOut];
        kept = [.. wanted.Keep];
        registered = [.. ask.Registered];
        componentsWithKept =
        [
            .. offered.Sections.Where(section => kept.Contains(section.Number)).Select(s => s.Section.Component),
        ];
    }

    public bool Admits(OfferedSection offered)
    {
        var section = offered.Section;
        return section.Status != SectionStatus.Cancelled
            && !ruledOut.Contains(section.Number)
            && (kept.Contains(section.Number) || !componentsWithKept.Contains(section.Component))
            && SeatsAllow(offered)
            && ListAllows(ask.Modes, section.Mode)
            && ListAllows(wanted.Modes, section.Mode)
            && CampusesAllow(ask.Campus.Allowed, offered)
            && CampusesAllow(wanted.Campuses, offered)
            && (wanted.Instructors.Count == 0 || section.Instructors.Any(wanted.Instructors.Contains))
            && offered.Meetings.All(meeting => HoursAllow(meeting));
    }

    private bool SeatsAllow(OfferedSection offered) =>
        registered.Contains(offered.Number)
        || ask.Seats switch
        {
            SeatsRule.Open => offered.FreeSeats > 0,
            SeatsRule.Waitlist => offered.FreeSeats > 0 || offered.FreeWaitlistPlaces > 0,
            SeatsRule.Any => true,
            _ => throw new InvalidOperationException($"Unknown seats rule {ask.Seats}."),
        };

    private static bool ListAllows<T>(IReadOnlyList<T> allowed, T value) =>
        allowed.Count == 0 || allowed.Contains(value);

    private static bool CampusesAllow(IReadOnlyList<CampusId> allowed, OfferedSection offered) =>
        allowed.Count == 0
        || (
            IsAllowed(allowed, offered.Section.Campus)
            && offered.Meetings.All(meeting => IsAllowed(allowed, meeting.Campus))
        );

    private static bool IsAllowed(IReadOnlyList<CampusId> allowed, CampusId? campus) =>
        campus is not { } place || allowed.Contains(place);

    private bool HoursAllow(in Meeting meeting)
    {
        if (meeting.Time.Start < (ask.DayLimits.EarliestStart ?? new Minute(0)))
            return false;
        if (meeting.Time.End > (ask.DayLimits.LatestEnd ?? new Minute(Minute.PerDay)))
            return false;
        if (ask.DayLimits.DaysOff.Contains(meeting.Day))
            return false;
        foreach (var block in cannot)
            if (block.Meets(meeting))
                return false;
        return true;
    }
}
