using HourGrid.Core.Catalogue;

namespace HourGrid.Core.PutBy;

/// <summary>What a student has picked for a term: the line-up, and the choice.</summary>
/// <param name="LineUp">Timetables from the shortlists of the term's sketches, side by side, each once.</param>
/// <param name="Baseline">The one of them that the others are held against, or null.</param>
/// <param name="Choice">The chosen timetable with what is prepared for it, or null.</param>
public sealed record TermPicks(IReadOnlyList<LineUpPlace> LineUp, LineUpPlace? Baseline, Choice? Choice)
{
    /// <summary>The most timetables in a line-up.</summary>
    public const int MostInLineUp = 8;

    /// <summary>Nothing picked yet.</summary>
    public static TermPicks None { get; } = new([], null, null);
}

/// <summary>A timetable on the shortlist of a sketch.</summary>
/// <param name="Sketch">The sketch.</param>
/// <param name="Timetable">Which of its shortlist.</param>
public readonly record struct LineUpPlace(Guid Sketch, Guid Timetable);

/// <summary>The one timetable of a term that the student means to register, with what to take if it cannot be had.</summary>
/// <param name="Sketch">The sketch it comes from.</param>
/// <param name="Timetable">The timetable.</param>
/// <param name="Fallbacks">What to take if a section fills, each section once.</param>
/// <param name="Second">A whole second timetable behind it, or null.</param>
public sealed record Choice(
    Guid Sketch,
    PutByTimetable Timetable,
    IReadOnlyList<PreparedFallback> Fallbacks,
    PutByTimetable? Second
)
{
    /// <summary>What the student decided for courses that are full when they are to be registered, each once.</summary>
    public IReadOnlyList<CourseWhenFull> WhenFull { get; init; } = [];
}

/// <summary>What to take if a section of the choice fills.</summary>
/// <param name="Section">The section.</param>
/// <param name="Instead">All sections of the timetable to take then.</param>
public sealed record PreparedFallback(RegistrationNumber Section, IReadOnlyList<SeenSection> Instead);
