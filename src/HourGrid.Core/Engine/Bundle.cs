using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Engine;

/// <summary>One course taken whole: one section for each component it needs, links respected.</summary>
public sealed class Bundle
{
    internal Bundle(OfferedCourse course, OfferedSection[] sections)
    {
        Course = course;
        Sections = [.. sections.OrderBy(section => section.Number)];
        Meetings = [.. sections.SelectMany(section => section.Meetings).Order()];
        Credits = sections.Any(section => section.Section.Credits is not null)
            ? sections.Aggregate(default(Credits), (sum, section) => sum + (section.Section.Credits ?? default))
            : course.Course.Credits.Min;
    }

    /// <summary>The course.</summary>
    public OfferedCourse Course { get; }

    /// <summary>Its sections, by registration number.</summary>
    public IReadOnlyList<OfferedSection> Sections { get; }

    /// <summary>All their meetings, in the order a week reads.</summary>
    public IReadOnlyList<Meeting> Meetings { get; }

    /// <summary>The sum of the sections' credits where any gives them, else the smaller bound of the course's.</summary>
    public Credits Credits { get; }
}
