using HourGrid.Core.Catalogue;
using HourGrid.Core.Comparing;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Measures;
using HourGrid.Core.PutBy;
using HourGrid.Core.Timetables;
using HourGrid.Formats.Json;
using HourGrid.Server.Wording;
using HourGrid.Server.Workbench;

namespace HourGrid.Server.LineUp;

/// <param name="Timetables">How each stands, in the order asked.</param>
internal sealed record PutByStatesRecord(IReadOnlyList<PutByStateRecord> Timetables);

/// <summary>How a timetable put by stands against an ask and the catalogue of now.</summary>
/// <param name="IsTimetable">Whether it is a timetable at all: all there, whole, and can be attended.</param>
/// <param name="Holds">Whether it is one of the ask's.</param>
/// <param name="Broken">Paths of rules it goes against.</param>
/// <param name="NotAsked">Courses it takes that the ask does not want or has set aside.</param>
/// <param name="NotWhole">Courses of which its sections are no bundle any more.</param>
/// <param name="Clashes">Where its sections are in each other's way.</param>
/// <param name="Gone">Sections that are gone or cancelled.</param>
/// <param name="Moved">Sections that meet otherwise than when it was put by.</param>
/// <param name="Full">Sections without a free seat.</param>
/// <param name="IsExact">Whether every rule was looked at.</param>
/// <param name="Credits">Credits of its courses.</param>
/// <param name="Measures">What it is like; null when none of its sections is left.</param>
internal sealed record PutByStateRecord(
    bool IsTimetable,
    bool Holds,
    IReadOnlyList<string> Broken,
    IReadOnlyList<string> NotAsked,
    IReadOnlyList<string> NotWhole,
    IReadOnlyList<ClashRecord> Clashes,
    IReadOnlyList<string> Gone,
    IReadOnlyList<string> Moved,
    IReadOnlyList<string> Full,
    bool IsExact,
    decimal Credits,
    WeekMeasures? Measures
)
{
    public static PutByStateRecord Of(
        BrokenAnswer broken,
        SectionNews news,
        Timetable timetable,
        WeekMeasures? measures
    ) =>
        new(
            broken.IsTimetable,
            broken.Holds,
            [.. broken.Broken.Select(rule => rule.Path)],
            [.. broken.NotAsked.Select(course => course.Value)],
            [.. broken.NotWhole.Select(course => course.Value)],
            [.. broken.Clashes.Select(ClashRecord.Of)],
            Numbers(news.Gone),
            Numbers(news.Moved),
            Numbers(news.Full),
            broken.IsExact,
            timetable.Credits.Value,
            measures
        );

    private static IReadOnlyList<string> Numbers(IReadOnlyList<RegistrationNumber> numbers) =>
        [.. numbers.Select(number => number.Value)];
}

/// <summary>How a timetable survives its sections filling up.</summary>
/// <param name="Summary">In a sentence.</param>
/// <param name="Swaps">How many sections have a straight swap.</param>
/// <param name="OutOf">Of so many that are not registered.</param>
/// <param name="Sections">The most urgent to get first.</param>
internal sealed record SurvivalRecord(
    string Summary,
    int Swaps,
    int OutOf,
    IReadOnlyList<SectionSurvivalRecord> Sections
)
{
    public static SurvivalRecord Of(IReadOnlyList<SectionSurvival> found, IReadOnlySet<RegistrationNumber> held)
    {
        var open = found.Where(one => !one.IsRegistered).ToArray();
        return new(
            SurvivalSentence.Of(found),
            open.Count(one => one.Rescue == Rescue.StraightSwap),
            open.Length,
            [.. found.Select(one => SectionSurvivalRecord.Of(one, held))]
        );
    }
}

/// <summary>What happens if one section fills.</summary>
/// <param name="Number">Its registration number.</param>
/// <param name="Course">Its course.</param>
/// <param name="FreeSeats">Seats that are left.</param>
/// <param name="IsRegistered">Whether the student already holds it.</param>
/// <param name="IsAtRisk">Whether it may soon be full.</param>
/// <param name="Rescue">What is left to do: <c>straightSwap</c>, <c>otherTimetable</c> or <c>none</c>.</param>
/// <param name="Instead">All sections of the timetable to take then, or null.</param>
/// <param name="In">Those of them that are new, or null.</param>
/// <param name="Out">Those it gives up, or null.</param>
/// <param name="Changed">The courses that it takes otherwise.</param>
/// <param name="IsExact">Whether no nearer or better one was left out.</param>
internal sealed record SectionSurvivalRecord(
    string Number,
    string Course,
    int FreeSeats,
    bool IsRegistered,
    bool IsAtRisk,
    string Rescue,
    IReadOnlyList<string>? Instead,
    IReadOnlyList<string>? In,
    IReadOnlyList<string>? Out,
    IReadOnlyList<string> Changed,
    bool IsExact
)
{
    private static readonly WordTable<Rescue> Rescues = new(
        ("none", Core.Engine.Answers.Rescue.None),
        ("otherTimetable", Core.Engine.Answers.Rescue.OtherTimetable),
        ("straightSwap", Core.Engine.Answers.Rescue.StraightSwap)
    );

    public static SectionSurvivalRecord Of(SectionSurvival one, IReadOnlySet<RegistrationNumber> held)
    {
        var instead = one.Instead?.Sections.Select(section => section.Number).ToArray();
        return new(
            one.Section.Number.Value,
            one.Course.Value,
            one.Section.FreeSeats,
            one.IsRegistered,
            one.IsAtRisk,
            Rescues.Write(one.Rescue),
            Numbers(instead),
            Numbers(instead?.Except(held)),
            instead is null ? null : Numbers(held.Except(instead).Order()),
            [.. one.Changed.Select(course => course.Value)],
            one.IsExact
        );
    }

    private static string[]? Numbers(IEnumerable<RegistrationNumber>? numbers) =>
        numbers?.Select(number => number.Value).ToArray();
}

/// <summary>The timetable of an ask nearest to given sections.</summary>
/// <param name="Sections">Its registration numbers, sorted; null when the ask has no timetable.</param>
/// <param name="Changed">The courses it takes otherwise.</param>
/// <param name="IsExact">Whether no nearer or better one was left out.</param>
internal sealed record NearestRecord(IReadOnlyList<string>? Sections, IReadOnlyList<string> Changed, bool IsExact)
{
    public static NearestRecord Of(NearestTimetable nearest) =>
        new(
            nearest.Timetable?.Sections.Select(section => section.Number.Value).ToArray(),
            [.. nearest.Changed.Select(course => course.Value)],
            nearest.IsExact
        );
}

/// <param name="Name">The name.</param>
internal sealed record NameRecord(string Name);

/// <summary>Where a timetable stands among the week shapes that are listed.</summary>
/// <param name="IsOfAsk">Whether it is one of the ask's timetables.</param>
/// <param name="Rank">The place of its week shape, from 1; null when it is not listed.</param>
/// <param name="Alike">Its place among the timetables of its week shape, from 0.</param>
internal sealed record PlaceRecord(bool IsOfAsk, int? Rank, int Alike);

/// <summary>Timetables side by side.</summary>
/// <param name="Rows">The measures, what matters most first.</param>
/// <param name="Pairs">In what each two differ.</param>
internal sealed record ComparisonRecord(IReadOnlyList<MeasureRowRecord> Rows, IReadOnlyList<PairRecord> Pairs);

/// <param name="First">The place of the first in the list asked about, from 0.</param>
/// <param name="Second">The place of the second.</param>
/// <param name="Sentence">In what they differ.</param>
internal sealed record PairRecord(int First, int Second, string Sentence);

/// <summary>One measure of several timetables.</summary>
/// <param name="Measure">Which, by its name in an answer.</param>
/// <param name="Values">Its values, minutes, minutes after midnight, tenths or counts; null where there is none.</param>
/// <param name="Best">Which are the best; none where all are equal.</param>
/// <param name="IsEqual">Whether all are equal.</param>
/// <param name="Weight">How much it matters, 0 to 100.</param>
internal sealed record MeasureRowRecord(
    string Measure,
    IReadOnlyList<int?> Values,
    IReadOnlyList<bool> Best,
    bool IsEqual,
    int Weight
)
{
    public static MeasureRowRecord Of(MeasureRow row) =>
        new(row.Measure.Name, row.Values, row.Best, row.IsEqual, row.Weight);
}
