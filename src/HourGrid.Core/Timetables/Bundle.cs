using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Timetables;

/// <summary>One course taken whole: one section for each component it needs, links respected.</summary>
public sealed class Bundle
{
    internal Bundle(OfferedCourse course, OfferedSection[] sections)
    {
        Course = course;
        Array.Sort(sections, static (one, other) => one.Number.CompareTo(other.Number));
        Sections = sections;
        Meetings = Merge(sections);
        var credits = default(Credits);
        var given = false;
        FewestFreeSeats = int.MaxValue;
        foreach (var section in sections)
        {
            FewestFreeSeats = Math.Min(FewestFreeSeats, section.FreeSeats);
            if (section.Section.Credits is not { } own)
                continue;
            credits += own;
            given = true;
        }
        Credits = given ? credits : course.Course.Credits.Min;
    }

    /// <summary>The course.</summary>
    public OfferedCourse Course { get; }

    /// <summary>Its sections, by registration number.</summary>
    public IReadOnlyList<OfferedSection> Sections { get; }

    /// <summary>All their meetings, in the order a week reads.</summary>
    public IReadOnlyList<Meeting> Meetings { get; }

    /// <summary>The sum of the sections' credits where any gives them, else the smaller bound of the course's.</summary>
    public Credits Credits { get; }

    /// <summary>The fewest seats a student could still take of any of its sections.</summary>
    public int FewestFreeSeats { get; }

    private static IReadOnlyList<Meeting> Merge(OfferedSection[] sections)
    {
        if (sections.Length == 1)
            return sections[0].Meetings;
        var meetings = new List<Meeting>();
        foreach (var section in sections)
            meetings.AddRange(section.Meetings);
        meetings.Sort();
        return meetings.ToArray();
    }
}
