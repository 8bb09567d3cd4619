using HourGrid.Core.Catalogue;

namespace HourGrid.Core.PutBy;

/// <summary>A section as it was when its timetable was put by, so that it can be told what became of it.</summary>
/// <param name="Number">Its registration number.</param>
/// <param name="Course">Its course.</param>
/// <param name="Component">Lecture, lab, recitation or another kind of class.</param>
/// <param name="Label">Its label.</param>
/// <param name="Meetings">Its meetings, in the order a week reads.</param>
public sealed record SeenSection(
    RegistrationNumber Number,
    CourseId Course,
    string Component,
    string Label,
    IReadOnlyList<Meeting> Meetings
)
{
    /// <summary>The section as the catalogue has it now.</summary>
    public static SeenSection Of(CourseId course, OfferedSection section) =>
        new(section.Number, course, section.Section.Component, section.Section.Label, section.Meetings);
}

/// <summary>A timetable put by with a name and a note. It is kept as sections, so it outlives any change of rules.</summary>
/// <param name="Id">Which it is, among those of its sketch.</param>
/// <param name="Name">Its name, 1 to <see cref="LongestName"/> characters.</param>
/// <param name="Note">What the student notes of it, at most <see cref="LongestNote"/> characters.</param>
/// <param name="Sections">Its sections, at least one and at most <see cref="MostSections"/>.</param>
public sealed record PutByTimetable(Guid Id, string Name, string Note, IReadOnlyList<SeenSection> Sections)
{
    /// <summary>Characters of the longest name.</summary>
    public const int LongestName = 80;

    /// <summary>Characters of the longest note.</summary>
    public const int LongestNote = 1000;

    /// <summary>The most sections of one timetable.</summary>
    public const int MostSections = 80;

    /// <summary>The most timetables on the shortlist of a sketch.</summary>
    public const int MostOfSketch = 30;

    /// <summary>The registration numbers of its sections.</summary>
    public IReadOnlySet<RegistrationNumber> Numbers { get; } = Sections.Select(section => section.Number).ToHashSet();
}
