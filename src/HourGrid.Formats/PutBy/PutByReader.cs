using HourGrid.Core.Catalogue;
using HourGrid.Core.PutBy;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.PutBy;

internal static class PutByReader
{
    private const int MostMeetings = 60;

    public static IReadOnlyList<PutByTimetable>? Shortlist(JsonPlace root)
    {
        var all = root.List(Timetable, PutByTimetable.MostOfSketch);
        if (all.GroupBy(one => one.Id).FirstOrDefault(same => same.Count() > 1) is { } twice)
            root.Notes.Refuse(new(root.Path, $"the id {twice.Key} twice", "each timetable once"));
        return all;
    }

    public static PutByTimetable? Timetable(JsonPlace root)
    {
        var place = root.Object("id", "name", "note", "sections");
        return Id(place["id"]) is { } id
            ? new(
                id,
                place["name"].FilledText(PutByTimetable.LongestName),
                place.Or("note", "", note => note.Text(PutByTimetable.LongestNote)),
                Sections(place["sections"])
            )
            : null;
    }

    public static TermPicks? Picks(JsonPlace root)
    {
        var picks = root.Object("lineUp", "baseline", "choice");
        var lineUp = picks["lineUp"].Values(item => Place(item), TermPicks.MostInLineUp);
        if (lineUp.Distinct().Count() < lineUp.Count)
            picks["lineUp"].Refuse("each timetable once");
        var baseline = picks.Or("baseline", null, Place);
        if (baseline is { } one && !lineUp.Contains(one))
            picks["baseline"].Refuse("one of the line-up");
        return new(lineUp, baseline, picks.Or("choice", null, Choice));
    }

    private static Choice? Choice(JsonPlace root)
    {
        var choice = root.Object("sketch", "timetable", "fallbacks", "second", "whenFull");
        var (sketch, timetable) = (Id(choice["sketch"]), Timetable(choice["timetable"]));
        if (sketch is not { } from || timetable is null)
            return null;
        var fallbacks = choice["fallbacks"].List(item => Fallback(item, timetable), PutByTimetable.MostSections);
        if (fallbacks.DistinctBy(fallback => fallback.Section).Count() < fallbacks.Count)
            choice["fallbacks"].Refuse("one for each section at most");
        var whenFull = choice.Or("whenFull", [], list => list.Values(WhenFull, PutByTimetable.MostSections));
        if (whenFull.DistinctBy(one => one.Course).Count() < whenFull.Count)
            choice["whenFull"].Refuse("one for each course at most");
        return new(from, timetable, fallbacks, choice.Or("second", null, Timetable)) { WhenFull = whenFull };
    }

    private static CourseWhenFull? WhenFull(JsonPlace root)
    {
        var one = root.Object("course", "whenFull");
        return one["whenFull"].Word(WhenFullDocument.Words) is { } when
            ? new(SharedValues.Course(one["course"]), when)
            : null;
    }

    private static PreparedFallback? Fallback(JsonPlace root, PutByTimetable timetable)
    {
        var fallback = root.Object("section", "instead");
        var section = SharedValues.Number(fallback["section"]);
        if (!timetable.Numbers.Contains(section))
            fallback["section"].Refuse("a section of the choice");
        return new(section, Sections(fallback["instead"]));
    }

    private static IReadOnlyList<SeenSection> Sections(JsonPlace root)
    {
        var sections = root.List(Section, PutByTimetable.MostSections);
        if (sections.Count == 0)
            root.Refuse("a list of at least one section");
        if (sections.DistinctBy(section => section.Number).Count() < sections.Count)
            root.Refuse("each section once");
        return sections;
    }

    private static SeenSection? Section(JsonPlace root)
    {
        var section = root.Object("number", "course", "component", "label", "meetings");
        return new(
            SharedValues.Number(section["number"]),
            SharedValues.Course(section["course"]),
            section["component"].FilledText(40),
            section["label"].Text(40),
            [.. section["meetings"].Values(Meeting, MostMeetings).Order()]
        );
    }

    private static Meeting? Meeting(JsonPlace root)
    {
        var meeting = root.Object("day", "start", "end", "weeks", "campus");
        var weeks = WeekSet.Of(
            meeting["weeks"].Values(week => (int?)week.Whole(1, WeekSet.MaxWeek), WeekSet.MaxWeek)
        );
        if (weeks.IsEmpty)
            meeting["weeks"].Refuse("a list of at least one week");
        return
            meeting["day"].Word(Words.Days) is { } day
            && SharedValues.Interval(meeting["start"], meeting["end"]) is { } time
            ? new(day, time, weeks, meeting.Or("campus", null, place => (CampusId?)SharedValues.Campus(place)))
            : null;
    }

    private static LineUpPlace? Place(JsonPlace root)
    {
        var place = root.Object("sketch", "timetable");
        return Id(place["sketch"]) is { } sketch && Id(place["timetable"]) is { } timetable
            ? new(sketch, timetable)
            : null;
    }

    private static Guid? Id(JsonPlace place)
    {
        if (!place.IsAbsent && Guid.TryParseExact(place.Text(40), "D", out var id))
            return id;
        place.Refuse("an id such as 3f2504e0-4f89-11d3-9a0c-0305e82c3301");
        return null;
    }
}
