using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Measures;
using HourGrid.Core.Timetables;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Answers;

/// <summary>What is left to do if a section fills; the worst first.</summary>
public enum Rescue
{
    /// <summary>No other timetable is left.</summary>
    None,

    /// <summary>Another timetable, which changes more than the one course.</summary>
    OtherTimetable,

    /// <summary>Other sections of the one course, all else as it is.</summary>
    StraightSwap,
}

/// <summary>What happens to a timetable if one of its sections fills.</summary>
/// <param name="Section">The section.</param>
/// <param name="Course">Its course.</param>
/// <param name="IsRegistered">Whether the student already holds it, so that it cannot be lost.</param>
/// <param name="Rescue">What is left to do.</param>
/// <param name="Instead">The timetable nearest to it; null when there is none.</param>
/// <param name="Measures">What that is like; null when there is none.</param>
/// <param name="Changed">The courses that it takes otherwise.</param>
/// <param name="IsExact">Whether no nearer or better one was left out.</param>
public sealed record SectionSurvival(
    OfferedSection Section,
    CourseId Course,
    bool IsRegistered,
    Rescue Rescue,
    Timetable? Instead,
    WeekMeasures? Measures,
    IReadOnlyList<CourseId> Changed,
    bool IsExact
)
{
    /// <summary>Whether it may soon be full: fewer seats than <see cref="SeatsToSpare.Enough"/>, and not held yet.</summary>
    public bool IsAtRisk => !IsRegistered && Section.FreeSeats < SeatsToSpare.Enough;
}

/// <summary>How a timetable survives each of its sections filling up.</summary>
/// <remarks>
/// A section that is full takes those of its pool of seats along, and what takes its place must have a seat itself:
/// sections without one are no rescue, whatever the seats rule allows. A section that is kept is kept no more once it
/// is full.
/// </remarks>
public static class Survival
{
    /// <summary>Each section of a timetable, the most urgent to get first.</summary>
    /// <remarks>
    /// Those that may soon be full come before the others; then what has nothing to take its place, what has only another
    /// timetable, and what has a straight swap; then the fewest seats; then the registration number. What the student
    /// holds already comes last.
    /// </remarks>
    /// <param name="snapshot">The catalogue.</param>
    /// <param name="ask">The ask whose timetable it is.</param>
    /// <param name="sections">The registration numbers of the timetable.</param>
    /// <param name="budget">How long it may take; null for as long as it takes.</param>
    /// <param name="cancellation">Stops at any moment.</param>
    /// <exception cref="AskRefusedException">The ask names what the catalogue does not have.</exception>
    /// <exception cref="AskTooLargeException">It is too large to be answered.</exception>
    /// <exception cref="OperationCanceledException">The token was cancelled.</exception>
    public static IReadOnlyList<SectionSurvival> Of(
        CatalogueSnapshot snapshot,
        Ask ask,
        IReadOnlySet<RegistrationNumber> sections,
        TimeSpan? budget = null,
        CancellationToken cancellation = default
    )
    {
        Problem.Check(snapshot, ask);
        var limit = new WorkLimit(budget, cancellation);
        SectionSurvival[] found =
        [
            .. Timetable
                .Of(snapshot, sections)
                .Sections.Select(section => IfFull(snapshot, ask, sections, section, limit))
                .OrderBy(one => one.IsRegistered)
                .ThenBy(one => !one.IsAtRisk)
                .ThenBy(one => one.Rescue)
                .ThenBy(one => one.Section.FreeSeats)
                .ThenBy(one => one.Section.Number),
        ];
        cancellation.ThrowIfCancellationRequested();
        return found;
    }

    private static SectionSurvival IfFull(
        CatalogueSnapshot snapshot,
        Ask ask,
        IReadOnlySet<RegistrationNumber> held,
        OfferedSection section,
        WorkLimit limit
    )
    {
        var course = snapshot.CourseOf(section.Number)!.Course.Id;
        var nearest = limit.IsOver()
            ? NearestTimetable.Unknown
            : Nearest.To(snapshot, Filled(snapshot, ask, held, section), held, limit);
        var rescue =
            nearest.Timetable is null ? Rescue.None
            : nearest.Changed is [var only] && only == course ? Rescue.StraightSwap
            : Rescue.OtherTimetable;
        return new(
            section,
            course,
            ask.Registered.Contains(section.Number),
            rescue,
            nearest.Timetable,
            nearest.Measures,
            nearest.Changed,
            nearest.IsExact
        );
    }

    /// <summary>The ask once the section is full.</summary>
    private static Ask Filled(
        CatalogueSnapshot snapshot,
        Ask ask,
        IReadOnlySet<RegistrationNumber> held,
        OfferedSection section
    )
    {
        return ask with
        {
            Wanted =
            [
                .. ask.Wanted.Select(wanted =>
                    wanted with
                    {
                        Keep = [.. wanted.Keep.Where(number => !FillsToo(snapshot.Find(number)!))],
                        RuleOut =
                        [
                            .. wanted.RuleOut.Union(
                                snapshot
                                    .Find(wanted.Course)!
                                    .Sections.Where(other => FillsToo(other) || IsOutOfReach(other))
                                    .Select(other => other.Number)
                            ),
                        ],
                    }
                ),
            ],
        };

        bool FillsToo(OfferedSection other) =>
            other.Number == section.Number
            || (section.Section.SeatsShared is { } pool && other.Section.SeatsShared == pool && !Holds(other));

        bool IsOutOfReach(OfferedSection other) =>
            other.FreeSeats == 0 && !held.Contains(other.Number) && !Holds(other);

        bool Holds(OfferedSection other) => ask.Registered.Contains(other.Number);
    }
}
