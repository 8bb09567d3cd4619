using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Engine.Compiling;

/// <summary>Which wishes a section of a wanted course goes against, looked at by itself.</summary>
internal sealed class Admission
{
    private readonly Ask ask;
    private readonly WantedCourse wanted;
    private readonly HashSet<RegistrationNumber> kept;
    private readonly HashSet<RegistrationNumber> ruledOut;
    private readonly HashSet<RegistrationNumber> registered;
    private readonly HashSet<string> componentsWithKept;
    private readonly HourWishes hours;
    private readonly (int Id, Func<OfferedSection, bool> Admits)[] checks;

    /// <param name="ask">The ask.</param>
    /// <param name="wishes">Its wishes; a wish's number is its place in the list.</param>
    /// <param name="wanted">The course's place in the ask.</param>
    /// <param name="offered">The course as the term offers it.</param>
    /// <param name="hours">What the ask's hours say of each meeting.</param>
    public Admission(Ask ask, IReadOnlyList<Wish> wishes, int wanted, OfferedCourse offered, HourWishes hours)
    {
        this.ask = ask;
        this.wanted = ask.Wanted[wanted];
        this.hours = hours;
        kept = [.. this.wanted.Keep];
        ruledOut = [.. this.wanted.RuleOut];
        registered = [.. ask.Registered];
        componentsWithKept =
        [
            .. offered.Sections.Where(section => kept.Contains(section.Number)).Select(s => s.Section.Component),
        ];
        checks =
        [
            .. wishes
                .Select((wish, id) => (id, check: CheckOf(wish, wanted)))
                .Where(pair => pair.check is not null)
                .Select(pair => (pair.id, pair.check!)),
        ];
    }

    /// <summary>
    /// The numbers of the wishes that a section goes against, ascending; null for one that no wish could admit, and
    /// as soon as there are more than <paramref name="most"/>.
    /// </summary>
    public int[]? Against(OfferedSection section, int most)
    {
        if (section.Section.Status == SectionStatus.Cancelled)
            return null;
        var against = new List<int>();
        foreach (var (id, admits) in checks)
            if (!admits(section))
                against.Add(id);
        foreach (var meeting in section.Meetings)
            against.AddRange(hours.Against(meeting));
        if (against.Count == 0)
            return [];
        int[] distinct = [.. against.Distinct().Order()];
        return distinct.Length > most ? null : distinct;
    }

    private Func<OfferedSection, bool>? CheckOf(Wish wish, int course) =>
        wish.Kind switch
        {
            WishKind.RuleOut when wish.Index == course => offered => !ruledOut.Contains(offered.Number),
            WishKind.Keep when wish.Index == course => offered =>
                kept.Contains(offered.Number) || !componentsWithKept.Contains(offered.Section.Component),
            WishKind.CourseInstructors when wish.Index == course => offered =>
                offered.Section.Instructors.Any(wanted.Instructors.Contains),
            WishKind.CourseModes when wish.Index == course => offered => wanted.Modes.Contains(offered.Section.Mode),
            WishKind.CourseCampuses when wish.Index == course => offered => CampusesAllow(wanted.Campuses, offered),
            WishKind.Modes => offered => ask.Modes.Contains(offered.Section.Mode),
            WishKind.Campuses => offered => CampusesAllow(ask.Campus.Allowed, offered),
            WishKind.CourseSeats when wish.Index == course => offered => SeatsAllow(wanted.Seats!.Value, offered),
            WishKind.Seats when wanted.Seats is null => offered => SeatsAllow(ask.Seats, offered),
            _ => null,
        };

    private bool SeatsAllow(SeatsRule rule, OfferedSection offered) =>
        offered.FreeSeats > 0
        || registered.Contains(offered.Number)
        || (rule == SeatsRule.Waitlist && offered.FreeWaitlistPlaces > 0);

    private static bool CampusesAllow(IReadOnlyList<CampusId> allowed, OfferedSection offered) =>
        IsAllowed(allowed, offered.Section.TaughtOn)
        && offered.Meetings.All(meeting => IsAllowed(allowed, meeting.Campus));

    private static bool IsAllowed(IReadOnlyList<CampusId> allowed, CampusId? campus) =>
        campus is not { } place || allowed.Contains(place);
}
