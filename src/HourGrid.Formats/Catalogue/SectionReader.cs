using HourGrid.Core.Catalogue;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Catalogue;

internal sealed class SectionReader(HashSet<CampusId> campuses, Dictionary<TermId, Term> terms)
{
    private readonly HashSet<(TermId, RegistrationNumber)> seen = [];

    public IReadOnlyList<Section> ReadAll(JsonPlace place)
    {
        var read = new List<(JsonPlace Place, Section Section)>();
        foreach (var item in place.Items(CatalogueLimits.SectionsOfCourse))
            if (Read(item) is { } section)
                read.Add((item, section));
        var byNumber = read.Select(pair => pair.Section).ToLookup(section => (section.Term, section.Number));
        foreach (var (item, section) in read)
            CheckLinks(item, section, byNumber);
        return [.. read.Select(pair => pair.Section)];
    }

    private Section? Read(JsonPlace place)
    {
        var section = place.Object(
            "number",
            "label",
            "term",
            "component",
            "arrangement",
            "part",
            "credits",
            "mode",
            "campus",
            "instructors",
            "capacity",
            "enrolled",
            "waitlistCapacity",
            "waitlisted",
            "status",
            "consent",
            "notes",
            "materials",
            "linkedTo",
            "seatsShared",
            "meetings"
        );
        var number = SharedValues.Number(section["number"]);
        if (!terms.TryGetValue(new(section["term"].FilledText(40)), out var term))
        {
            section["term"].Refuse("the id of one of the terms");
            return null;
        }
        if (!seen.Add((term.Id, number)))
            section["number"].Refuse($"each number once in {term.Id}");
        var part = section.Or<PartOfTerm?>("part", null, one => Part(one, term));
        var mode = section.Or("mode", DeliveryMode.InPerson, word => word.Word(Words.Modes) ?? DeliveryMode.InPerson);
        var campus = section.Or("campus", null, one => (CampusId?)CatalogueReader.KnownCampus(one, campuses));
        var defaults = MeetingDefaults.Of(mode, campus, part?.Id, term);
        return new()
        {
            Number = number,
            Label = section.Or("label", "", text => text.Text(40)),
            Term = term.Id,
            Component = section["component"].FilledText(40),
            Arrangement = section.Or("arrangement", "", text => text.Text(80)),
            Part = part?.Id,
            Credits = section.Or("credits", null, SharedValues.CreditsOf),
            Mode = mode,
            Campus = campus,
            Instructors = section["instructors"].List(text => text.FilledText(), CatalogueLimits.Values),
            Seats = new(
                Figure(section, "capacity"),
                Figure(section, "enrolled"),
                Figure(section, "waitlistCapacity"),
                Figure(section, "waitlisted")
            ),
            Status = section.Or(
                "status",
                SectionStatus.Open,
                word => word.Word(Words.Statuses) ?? SectionStatus.Open
            ),
            Consent = section.Or("consent", false, flag => flag.Flag()),
            Notes = section.Or("notes", "", text => text.Text(2000)),
            Materials = section.Or("materials", "", text => text.Text(CatalogueReader.LongestMaterials)),
            LinkedTo =
            [
                .. section["linkedTo"]
                    .Values(one => (RegistrationNumber?)SharedValues.Number(one), CatalogueLimits.LinksOfSection)
                    .Distinct(),
            ],
            SeatsShared = section.Or<string?>("seatsShared", null, text => text.FilledText(80)),
            Patterns = section["meetings"]
                .List(meeting => Pattern(meeting, term, defaults), CatalogueLimits.MeetingsOfSection),
        };
    }

    private static int Figure(JsonObjectPlace section, string field) =>
        section.Or(field, 0, figure => figure.Whole(0, 1_000_000));

    private static PartOfTerm? Part(JsonPlace place, Term term)
    {
        var id = place.FilledText(40);
        var part = term.Parts.FirstOrDefault(one => one.Id == id);
        if (part is null)
            place.Refuse($"the id of one of the parts of {term.Id}");
        return part;
    }

    private MeetingPattern? Pattern(JsonPlace place, Term term, MeetingDefaults defaults)
    {
        var meeting = place.Object("days", "start", "end", "room", "campus", "from", "to", "everyWeeks");
        var days = SharedValues.Days(meeting["days"]);
        var from = meeting.Or("from", defaults.From, date => date.Date() ?? defaults.From);
        var to = meeting.Or("to", defaults.To, date => date.Date() ?? defaults.To);
        if (to < from)
            meeting["to"].Refuse($"a date not before {from:yyyy-MM-dd}");
        if (from < term.FirstMonday)
            meeting["from"].Refuse($"a date in the term, {term.FirstMonday:yyyy-MM-dd} or later");
        if (term.WeekOf(to) > WeekSet.MaxWeek)
            meeting["to"].Refuse($"a date within {WeekSet.MaxWeek} weeks of the term's start");
        var everyWeeks = meeting.Or("everyWeeks", 1, stride => stride.Whole(1, WeekSet.MaxWeek));
        var room = meeting.Or("room", "", text => text.Text());
        var campus = meeting.Or("campus", defaults.Campus, Campus);
        return SharedValues.Interval(meeting["start"], meeting["end"]) is { } time
            ? new(days, time, room, campus, from, to, everyWeeks)
            : null;
    }

    /// <summary>An empty campus says that the meeting has none: the online meeting of a hybrid section.</summary>
    private CampusId? Campus(JsonPlace place) =>
        place.Text().Length == 0 ? null : CatalogueReader.KnownCampus(place, campuses);

    private static void CheckLinks(
        JsonPlace place,
        Section section,
        ILookup<(TermId, RegistrationNumber), Section> byNumber
    )
    {
        for (var i = 0; i < section.LinkedTo.Count; i++)
        {
            var number = section.LinkedTo[i];
            var target = byNumber[(section.Term, number)].FirstOrDefault();
            var path = JsonPlace.Join(place.Path, $"linkedTo[{i}]");
            if (target is null)
                place.Notes.Refuse(new(path, $"\"{number}\"", "the number of a section of the same course and term"));
            else if (target.Component == section.Component)
                place.Notes.Refuse(
                    new(path, $"\"{number}\", also a {section.Component}", "a section of another component")
                );
        }
    }
}
