using HourGrid.Core.Catalogue;

namespace HourGrid.Server.Wording;

/// <summary>Says in what two sections differ: hours first, then weeks and campus, and only then what no grid shows.</summary>
/// <param name="campuses">The campuses, for their names.</param>
internal sealed class SectionAlternatives(IReadOnlyList<Campus> campuses)
{
    /// <summary>As in <c>Monday 12:30 or 11:00</c>.</summary>
    public string Between(OfferedSection one, OfferedSection other)
    {
        var (ones, others) = (Lines(one), Lines(other));
        if (!ones.Select(line => (line.Days, line.Time)).SequenceEqual(others.Select(line => (line.Days, line.Time))))
            return Hours(ones, others);
        var (weeks, otherWeeks) = (WeeksOf(one), WeeksOf(other));
        if (weeks != otherWeeks)
            return $"{Hours(ones)} in weeks {Saying.Weeks(weeks)} or {Saying.Weeks(otherWeeks)}";
        var (campus, otherCampus) = (CampusOf(one), CampusOf(other));
        if (campus != otherCampus)
            return $"at the same hours, {campus} or {otherCampus}";
        var (room, otherRoom) = (Rooms(one), Rooms(other));
        if (!one.Section.Instructors.SequenceEqual(other.Section.Instructors))
            return $"at the same hours, with {Instructors(one)} or {Instructors(other)}";
        return room != otherRoom
            ? $"at the same hours, in {room} or {otherRoom}"
            : $"at the same hours, {one.Section.Label} or {other.Section.Label}";
    }

    private static string Hours(IReadOnlyList<Line> ones, IReadOnlyList<Line> others)
    {
        // The same days once: Monday 12:30 or 11:00.
        if (ones is [var one] && others is [var other] && one.Days == other.Days)
            return one.Time.Start == other.Time.Start
                ? $"{one.Days} {Span(one.Time)} or {Span(other.Time)}"
                : $"{one.Days} {Saying.Time(one.Time.Start)} or {Saying.Time(other.Time.Start)}";
        return $"{Hours(ones)} or {Hours(others)}";
    }

    private static string Hours(IReadOnlyList<Line> lines) =>
        lines.Count == 0
            ? "no set hours"
            : Saying.List([.. lines.Select(line => $"{line.Days} {Saying.Time(line.Time.Start)}")]);

    private static string Span(MinuteInterval time) => $"{Saying.Time(time.Start)}–{Saying.Time(time.End)}";

    /// <summary>Its hours, weekdays of the same hours together.</summary>
    private static List<Line> Lines(OfferedSection section) =>
        [
            .. section
                .Meetings.GroupBy(meeting => meeting.Time)
                .Select(sameHours => new Line(
                    Saying.Days([.. sameHours.Select(meeting => meeting.Day).Distinct()]),
                    sameHours.Key
                )),
        ];

    private static WeekSet WeeksOf(OfferedSection section) =>
        section.Meetings.Aggregate(WeekSet.None, (weeks, meeting) => weeks.Union(meeting.Weeks));

    private string CampusOf(OfferedSection section)
    {
        string[] names =
        [
            .. section
                .Meetings.Select(meeting => meeting.Campus)
                .DefaultIfEmpty(section.Section.TaughtOn)
                .Distinct()
                .Select(id => campuses.FirstOrDefault(campus => campus.Id == id)?.Name ?? "online"),
        ];
        return Saying.List(names);
    }

    private static string Rooms(OfferedSection section)
    {
        string[] rooms =
        [
            .. section.Section.Patterns.Select(pattern => pattern.Room).Where(room => room != "").Distinct(),
        ];
        return rooms.Length == 0 ? "no room yet" : Saying.List(rooms);
    }

    private static string Instructors(OfferedSection section) =>
        section.Section.Instructors.Count == 0 ? "no instructor yet" : Saying.List(section.Section.Instructors);

    private readonly record struct Line(string Days, MinuteInterval Time);
}
