using System.Globalization;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;
using HourGrid.Core.Measuring;
using HourGrid.Formats.Asking;

namespace HourGrid.Server.Answers;

// Counts and places travel as decimal text: they outgrow what a JSON number holds exactly in a browser.

/// <param name="Ask">What is asked.</param>
/// <param name="Held">Sections of the timetable in view; the answer's stays as near to them as it can.</param>
internal sealed record AnswerRequest(AskDocument Ask, IReadOnlyList<string> Held);

/// <param name="Ask">What is asked.</param>
/// <param name="First">The place of the first one, from 0.</param>
/// <param name="Count">How many, 1 to 100.</param>
internal sealed record PageRequest(AskDocument Ask, string First, int Count);

/// <param name="Timetables">How many timetables there are, exactly.</param>
/// <param name="WeekShapes">How many week shapes among them, exactly.</param>
/// <param name="Courses">What the ask leaves of each wanted course, in its order.</param>
/// <param name="InView">The timetable nearest to the one held; null when there is none.</param>
/// <param name="ElapsedMs">How long the engine took, in milliseconds.</param>
internal sealed record AnswerRecord(
    string Timetables,
    string WeekShapes,
    IReadOnlyList<CourseInPlayRecord> Courses,
    WalkedRecord? InView,
    double ElapsedMs
);

/// <param name="Course">The course's code.</param>
/// <param name="Sections">Its sections this term, cancelled ones left out.</param>
/// <param name="SectionsInPlay">Those that stand in some bundle the ask admits; 0 when it is set aside.</param>
internal sealed record CourseInPlayRecord(string Course, int Sections, int SectionsInPlay);

/// <summary>A timetable and its place in the walk.</summary>
/// <param name="Number">Its place among all timetables, from 0.</param>
/// <param name="Shape">The place of its week shape among all week shapes, from 0.</param>
/// <param name="AlikeNumber">Its place among the timetables of that week shape, from 0.</param>
/// <param name="Alike">How many timetables have that week shape.</param>
/// <param name="Credits">Credits of all its courses.</param>
/// <param name="Sections">Its registration numbers, sorted.</param>
/// <param name="Measures">What it is like.</param>
internal sealed record WalkedRecord(
    string Number,
    string Shape,
    string AlikeNumber,
    string Alike,
    decimal Credits,
    IReadOnlyList<string> Sections,
    MeasuresRecord Measures
)
{
    public static WalkedRecord Of(WalkedTimetable walked, Measures measures) =>
        new(
            Text(walked.Number),
            Text(walked.ShapeNumber),
            Text(walked.AlikeNumber),
            Text(walked.Alike),
            walked.Timetable.Credits.Value,
            [.. walked.Timetable.Sections.Select(section => section.Number.Value)],
            MeasuresRecord.Of(measures.Of(walked.Timetable))
        );

    public static string Text(UInt128 number) => number.ToString(CultureInfo.InvariantCulture);
}

/// <param name="ClassDays">Weekdays with a meeting, in the fullest week.</param>
/// <param name="IdleMinutes">Minutes between classes in a week, on average.</param>
/// <param name="EarliestStart">The earliest start of any day, or null without meetings.</param>
/// <param name="LatestEnd">The latest end of any day, or null without meetings.</param>
/// <param name="CampusMovesTenths">Moves between campuses in a week, on average, in tenths.</param>
/// <param name="SeatsToSpare">The fewest free seats of any section.</param>
internal sealed record MeasuresRecord(
    int ClassDays,
    int IdleMinutes,
    string? EarliestStart,
    string? LatestEnd,
    int CampusMovesTenths,
    int SeatsToSpare
)
{
    public static MeasuresRecord Of(WeekMeasures measures) =>
        new(
            measures.ClassDays,
            measures.IdleMinutes,
            measures.EarliestStart?.ToString(),
            measures.LatestEnd?.ToString(),
            measures.CampusMovesTenths,
            measures.SeatsToSpare
        );
}

internal sealed record TimetablesRecord(IReadOnlyList<WalkedRecord> Timetables);
