using HourGrid.Core.Catalogue;
using HourGrid.Formats.Calendars;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Catalogue;

internal sealed class CatalogueReader
{
    private const int LongestDescription = 4000;

    /// <summary>The most characters of what a course or a section needs.</summary>
    public const int LongestMaterials = 2000;

    private readonly HashSet<string> subjects = [];
    private readonly HashSet<string> seasonsSeen = [];
    private readonly HashSet<CampusId> campuses = [];
    private readonly Dictionary<TermId, Term> terms = [];

    public UniversityCatalogue? Read(JsonPlace root)
    {
        var file = root.Object(
            "format",
            "version",
            "institution",
            "timeZone",
            "seasons",
            "subjects",
            "campuses",
            "travel",
            "terms",
            "courses"
        );
        if (!root.IsObject)
            return null;
        SharedValues.CheckFormat(file, CatalogueJson.Format);
        var institution = file["institution"].FilledText();
        var readSubjects = file["subjects"].List(Subject, CatalogueLimits.Subjects);
        var readCampuses = file["campuses"].List(Campus, CatalogueLimits.Campuses);
        var travel = file["travel"].List(TravelEntry, CatalogueLimits.TravelEntries);
        var readTerms = file["terms"].List(place => TermReader.Read(place, terms), CatalogueLimits.Terms);
        if (file["courses"].IsAbsent)
            file["courses"].Refuse("a list of courses");
        var sections = new SectionReader(campuses, terms);
        var seen = new HashSet<CourseId>();
        var courses = file["courses"].List(place => Course(place, sections, seen), CatalogueLimits.Courses);
        return new(institution, readCampuses, travel, readTerms, courses)
        {
            TimeZone = file.Or("timeZone", UniversityCatalogue.DefaultTimeZone, TimeZone),
            Subjects = readSubjects,
            Seasons = file["seasons"].List(Season, CatalogueLimits.Seasons),
        };
    }

    private string? Season(JsonPlace place)
    {
        var season = place.FilledText(40);
        if (!seasonsSeen.Add(season))
            place.Refuse("each season once");
        return season;
    }

    private static string TimeZone(JsonPlace place)
    {
        var name = place.Text(60);
        if (TimeZones.Find(name) is null)
            place.Refuse("a time zone of the IANA database, such as Europe/Lisbon");
        return name;
    }

    private Subject? Subject(JsonPlace place)
    {
        var subject = place.Object("code", "name");
        var code = subject["code"].FilledText(40);
        if (!subjects.Add(code))
            subject["code"].Refuse("each subject once");
        return new(code, subject["name"].FilledText());
    }

    private Campus? Campus(JsonPlace place)
    {
        var campus = place.Object("id", "name");
        var id = SharedValues.Campus(campus["id"]);
        if (!campuses.Add(id))
            campus["id"].Refuse("each campus once");
        return new(id, campus["name"].FilledText());
    }

    private Travel? TravelEntry(JsonPlace place)
    {
        var entry = place.Object("from", "to", "minutes");
        return new(
            KnownCampus(entry["from"], campuses),
            KnownCampus(entry["to"], campuses),
            entry["minutes"].Whole(0, Minute.PerDay)
        );
    }

    public static CampusId KnownCampus(JsonPlace place, HashSet<CampusId> known)
    {
        var id = SharedValues.Campus(place);
        if (!known.Contains(id))
            place.Refuse("the id of one of the campuses");
        return id;
    }

    private static Course? Course(JsonPlace place, SectionReader sections, HashSet<CourseId> seen)
    {
        var course = place.Object(
            "id",
            "subject",
            "number",
            "title",
            "description",
            "materials",
            "credits",
            "level",
            "attributes",
            "prerequisites",
            "corequisites",
            "restrictions",
            "repeatable",
            "usuallyOffered",
            "sections"
        );
        var id = SharedValues.Course(course["id"]);
        if (!seen.Add(id))
            course["id"].Refuse("each course once");
        return new()
        {
            Id = id,
            Subject = course["subject"].FilledText(40),
            Number = course["number"].FilledText(40),
            Title = course["title"].FilledText(),
            Description = course.Or("description", "", text => text.Text(LongestDescription)),
            Materials = course.Or("materials", "", text => text.Text(LongestMaterials)),
            Credits = CourseCredits(course["credits"]),
            Level = course.Or("level", "", text => text.Text()),
            Attributes = course["attributes"].List(text => text.FilledText(), CatalogueLimits.Values),
            Prerequisites = course.Or("prerequisites", null, PrerequisiteReader.Read),
            Corequisites = course["corequisites"]
                .Values(one => (CourseId?)SharedValues.Course(one), CatalogueLimits.Values),
            Restrictions = course["restrictions"].List(Restriction, CatalogueLimits.Values),
            IsRepeatable = course.Or("repeatable", false, flag => flag.Flag()),
            UsuallyOffered = course.Or<IReadOnlyList<string>?>(
                "usuallyOffered",
                null,
                seasons => seasons.List(text => text.FilledText(40), CatalogueLimits.Seasons)
            ),
            Sections = sections.ReadAll(course["sections"]),
        };
    }

    private static CreditRange CourseCredits(JsonPlace place)
    {
        if (!place.IsObject)
            return CreditRange.Of(SharedValues.CreditsOf(place) ?? default);
        var range = place.Object("min", "max");
        var min = SharedValues.CreditsOf(range["min"]) ?? default;
        var max = SharedValues.CreditsOf(range["max"]) ?? default;
        if (max.Hundredths < min.Hundredths)
            range["max"].Refuse($"{min} or more");
        return new(min, max);
    }

    private static Restriction? Restriction(JsonPlace place)
    {
        var restriction = place.Object("kind", "anyOf");
        return new(
            restriction["kind"].FilledText(),
            restriction["anyOf"].List(text => text.FilledText(), CatalogueLimits.Values)
        );
    }
}
