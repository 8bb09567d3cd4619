using System.Globalization;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Measures;
using HourGrid.Core.Registration;
using HourGrid.Formats.Json;

namespace HourGrid.Server.Workbench;

/// <summary>Counts travel as decimal text: they outgrow what a JSON number holds exactly in a browser.</summary>
internal static class Digits
{
    public static string Of(UInt128 number) => number.ToString(CultureInfo.InvariantCulture);

    public static string Of(Int128 number) => number.ToString(CultureInfo.InvariantCulture);
}

/// <param name="Timetables">How many timetables there are.</param>
/// <param name="WeekShapes">How many week shapes among them.</param>
/// <param name="IsExact">Whether there are just so many; otherwise at least so many.</param>
/// <param name="Estimate">About how many timetables, where that is not exact and could be told.</param>
/// <param name="Courses">What the ask leaves of each wanted course, in its order.</param>
/// <param name="Clashes">Where kept sections are in each other's way.</param>
/// <param name="CountMs">Milliseconds that the count took when it was made; 0 where there is none.</param>
internal sealed record AnswerRecord(
    string Timetables,
    string WeekShapes,
    bool IsExact,
    EstimateRecord? Estimate,
    IReadOnlyList<CourseInPlayRecord> Courses,
    IReadOnlyList<ClashRecord> Clashes,
    double CountMs
);

/// <summary>About how many timetables there are, with the standard error of saying so.</summary>
/// <param name="Timetables">The estimate.</param>
/// <param name="RelativeError">Its standard error as a share of it.</param>
internal sealed record EstimateRecord(double Timetables, double RelativeError)
{
    public static EstimateRecord? Of(Estimate? estimate) =>
        estimate is null ? null : new(estimate.Timetables, estimate.RelativeError);
}

/// <param name="Course">The course's code.</param>
/// <param name="Sections">Its sections this term, cancelled ones left out.</param>
/// <param name="SectionsInPlay">Those that stand in some bundle the ask admits; 0 when it is set aside.</param>
internal sealed record CourseInPlayRecord(string Course, int Sections, int SectionsInPlay);

/// <param name="One">The registration number of the kept section that starts first.</param>
/// <param name="Other">That of the other.</param>
/// <param name="Day">The weekday.</param>
/// <param name="From">Where the hours they share begin or, where they share none, the pause between them.</param>
/// <param name="To">Where these end.</param>
/// <param name="Minutes">By how many minutes the later comes too soon.</param>
internal sealed record ClashRecord(string One, string Other, string Day, string From, string To, int Minutes)
{
    public static ClashRecord Of(KeptClash clash) =>
        new(
            clash.One.Number.Value,
            clash.Other.Number.Value,
            Words.Days.Write(clash.Day),
            clash.From.ToString(),
            clash.To.ToString(),
            clash.Minutes
        );
}

/// <summary>A timetable with its place in the order of what matters.</summary>
/// <param name="Rank">Its place, the best being 1.</param>
/// <param name="Score">Its score; the lowest is the best.</param>
/// <param name="Alike">How many timetables have its week shape, itself among them.</param>
/// <param name="Credits">Credits of all its courses.</param>
/// <param name="Sections">Its registration numbers, sorted.</param>
/// <param name="Measures">What it is like.</param>
internal sealed record RankedRecord(
    int Rank,
    int Score,
    string Alike,
    decimal Credits,
    IReadOnlyList<string> Sections,
    WeekMeasures Measures
)
{
    public static RankedRecord Of(RankedTimetable ranked, UInt128 alike) =>
        new(
            ranked.Rank,
            ranked.Score,
            Digits.Of(alike),
            ranked.Timetable.Credits.Value,
            [.. ranked.Timetable.Sections.Select(section => section.Number.Value)],
            ranked.Measures
        );
}

/// <param name="Timetables">The best first.</param>
/// <param name="IsExact">Whether no better one was left out for want of time.</param>
internal sealed record RankedPage(IReadOnlyList<RankedRecord> Timetables, bool IsExact);

/// <param name="Swaps">Courses held that it takes in other sections.</param>
/// <param name="Drops">Courses held that it does not take.</param>
/// <param name="Adds">Courses it takes that are not held.</param>
/// <param name="Sections">Its registration numbers, sorted.</param>
/// <param name="Credits">Its credits.</param>
/// <param name="Measures">What it is like.</param>
internal sealed record ChangedRecord(
    int Swaps,
    int Drops,
    int Adds,
    IReadOnlyList<string> Sections,
    decimal Credits,
    WeekMeasures Measures
)
{
    public static ChangedRecord Of(ChangePlan plan, ChangedTimetable one) =>
        new(
            plan.Swaps,
            plan.Drops,
            plan.Adds,
            [.. one.Timetable.Timetable.Sections.Select(section => section.Number.Value)],
            one.Timetable.Timetable.Credits.Value,
            one.Timetable.Measures
        );
}

/// <param name="Timetables">Those that change the fewest courses first, and of those the best.</param>
/// <param name="IsExact">Whether none was left out for want of time.</param>
internal sealed record ChangedPage(IReadOnlyList<ChangedRecord> Timetables, bool IsExact);

/// <param name="Costs">By the path of a rule in the ask, timetables without it less timetables with it.</param>
/// <param name="IsExact">Whether the figures are exact.</param>
/// <param name="AreBounds">Whether each is at least what is said.</param>
internal sealed record CostsRecord(IReadOnlyDictionary<string, string> Costs, bool IsExact, bool AreBounds);

/// <param name="Timetables">How many timetables there are.</param>
/// <param name="Sections">By registration number, in how many of them the section stands.</param>
/// <param name="IsExact">Whether the figures are exact; otherwise each is the least there is.</param>
internal sealed record StandingsRecord(string Timetables, IReadOnlyDictionary<string, string> Sections, bool IsExact);

/// <summary>The best timetable of those that go against the fewest rules.</summary>
/// <param name="Sections">Its registration numbers, sorted; none where nothing comes near.</param>
/// <param name="Broken">The rules it goes against, one or two, by their paths in the ask.</param>
/// <param name="Marked">Its sections that go against them.</param>
/// <param name="IsExact">Whether the time sufficed to be sure that none is better.</param>
internal sealed record NearestWeekRecord(
    IReadOnlyList<string> Sections,
    IReadOnlyList<string> Broken,
    IReadOnlyList<string> Marked,
    bool IsExact
);

/// <param name="Together">Paths of rules that cannot live together.</param>
/// <param name="WaysOut">Changes that give timetables.</param>
/// <param name="IsExact">Whether the time sufficed for all of it.</param>
internal sealed record WhyRecord(IReadOnlyList<string> Together, IReadOnlyList<WayOutRecord> WaysOut, bool IsExact);

/// <param name="Rules">The paths of one or two rules to lift.</param>
/// <param name="Timetables">How many timetables there are without them.</param>
internal sealed record WayOutRecord(IReadOnlyList<string> Rules, string Timetables);
