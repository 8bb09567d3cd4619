namespace HourGrid.Core.Catalogue;

/// <summary>What became of a section from one catalogue to the next.</summary>
public enum SectionChange
{
    /// <summary>It was not there before.</summary>
    New,

    /// <summary>It is not there any more, or was cancelled.</summary>
    Gone,

    /// <summary>It meets at other hours, in other weeks or on another campus.</summary>
    Moved,

    /// <summary>Its seats or its waitlist differ.</summary>
    Seats,

    /// <summary>Anything else of it differs.</summary>
    Other,
}

/// <summary>A section that differs between two catalogues.</summary>
/// <param name="Term">Its term.</param>
/// <param name="Course">Its course, as the newer catalogue has it where it is there.</param>
/// <param name="Number">Its registration number, by which it is the same section in both.</param>
/// <param name="Change">What became of it: the first of those that hold, in their order.</param>
/// <param name="Before">The section before; null when it is new.</param>
/// <param name="After">The section now; null when it is gone.</param>
public sealed record ChangedSection(
    TermId Term,
    CourseId Course,
    RegistrationNumber Number,
    SectionChange Change,
    Section? Before,
    Section? After
);

/// <summary>What differs between two catalogues, in the terms that the newer one has.</summary>
/// <param name="NewCourses">Courses that were not there.</param>
/// <param name="GoneCourses">Courses with a section in those terms before, or with none at all, and no place in the newer catalogue.</param>
/// <param name="Sections">Sections that differ.</param>
public sealed record CatalogueChanges(
    IReadOnlyList<CourseId> NewCourses,
    IReadOnlyList<CourseId> GoneCourses,
    IReadOnlyList<ChangedSection> Sections
)
{
    /// <summary>Compares two catalogues. Sections are the same by term and registration number.</summary>
    /// <param name="before">The catalogue before.</param>
    /// <param name="after">The newer one.</param>
    public static CatalogueChanges Between(UniversityCatalogue before, UniversityCatalogue after)
    {
        var terms = after.Terms.Select(term => term.Id).ToHashSet();
        var old = ByNumber(before, terms);
        var current = ByNumber(after, terms);
        var changed = new List<ChangedSection>();
        foreach (var (key, (course, section)) in current)
            if (!old.TryGetValue(key, out var was))
                changed.Add(new(key.Term, course, key.Number, SectionChange.New, null, section));
            else if (Change(was.Section, section, was.Course != course) is { } change)
                changed.Add(new(key.Term, course, key.Number, change, was.Section, section));
        foreach (var (key, (course, section)) in old)
            if (!current.ContainsKey(key))
                changed.Add(new(key.Term, course, key.Number, SectionChange.Gone, section, null));
        var had = before.Courses.Select(course => course.Id).ToHashSet();
        var has = after.Courses.Select(course => course.Id).ToHashSet();
        return new(
            [.. after.Courses.Select(course => course.Id).Where(course => !had.Contains(course))],
            [
                .. old
                    .Values.Select(one => one.Course)
                    .Concat(before.Courses.Where(course => course.Sections.Count == 0).Select(course => course.Id))
                    .Distinct()
                    .Where(course => !has.Contains(course)),
            ],
            changed
        );
    }

    private static Dictionary<(TermId Term, RegistrationNumber Number), (CourseId Course, Section Section)> ByNumber(
        UniversityCatalogue catalogue,
        HashSet<TermId> terms
    ) =>
        catalogue
            .Courses.SelectMany(course => course.Sections.Select(section => (course.Id, section)))
            .Where(pair => terms.Contains(pair.section.Term))
            .ToDictionary(pair => (pair.section.Term, pair.section.Number), pair => (pair.Id, pair.section));

    private static SectionChange? Change(Section before, Section after, bool isOtherCourse)
    {
        if (after.Status == SectionStatus.Cancelled && before.Status != SectionStatus.Cancelled)
            return SectionChange.Gone;
        if (!before.Patterns.Select(Hours).SequenceEqual(after.Patterns.Select(Hours)))
            return SectionChange.Moved;
        if (before.Seats != after.Seats || before.Status != after.Status)
            return SectionChange.Seats;
        return isOtherCourse || !IsSame(before, after) ? SectionChange.Other : null;
    }

    private static (WeekdaySet, MinuteInterval, CampusId?, DateOnly, DateOnly, int) Hours(MeetingPattern pattern) =>
        (pattern.Days, pattern.Time, pattern.Campus, pattern.From, pattern.To, pattern.EveryWeeks);

    private static bool IsSame(Section one, Section other) =>
        one.Patterns.SequenceEqual(other.Patterns)
        && one.Instructors.SequenceEqual(other.Instructors)
        && one.LinkedTo.SequenceEqual(other.LinkedTo)
        && one with
        {
            Patterns = [],
            Instructors = [],
            LinkedTo = [],
        } == other with { Patterns = [], Instructors = [], LinkedTo = [] };
}
