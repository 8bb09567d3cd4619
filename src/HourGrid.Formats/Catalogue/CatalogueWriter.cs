using System.Text.Json.Nodes;
using HourGrid.Core.Catalogue;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Catalogue;

/// <summary>Writes what <see cref="CatalogueReader"/> reads. What is left out there by default is left out here.</summary>
internal static class CatalogueWriter
{
    public static JsonObject Write(UniversityCatalogue catalogue)
    {
        var terms = catalogue.Terms.ToDictionary(term => term.Id);
        var file = new JsonObject
        {
            ["format"] = CatalogueJson.Format,
            ["version"] = 1,
            ["institution"] = catalogue.Institution,
            ["timeZone"] = catalogue.TimeZone,
        };
        Put(file, "seasons", catalogue.Seasons, text => text);
        Put(
            file,
            "subjects",
            catalogue.Subjects,
            subject => new JsonObject { ["code"] = subject.Code, ["name"] = subject.Name }
        );
        Put(file, "campuses", catalogue.Campuses, Campus);
        Put(file, "travel", catalogue.Travel, Travel);
        Put(file, "terms", catalogue.Terms, Term);
        file["courses"] = List(catalogue.Courses, course => Course(course, terms));
        return file;
    }

    /// <summary>A course without its sections.</summary>
    public static JsonObject Course(Course course)
    {
        var one = new JsonObject
        {
            ["id"] = course.Id.Value,
            ["subject"] = course.Subject,
            ["number"] = course.Number,
            ["title"] = course.Title,
        };
        PutText(one, "description", course.Description);
        PutText(one, "materials", course.Materials);
        one["credits"] =
            course.Credits.Min == course.Credits.Max
                ? course.Credits.Min.Value
                : new JsonObject { ["min"] = course.Credits.Min.Value, ["max"] = course.Credits.Max.Value };
        PutText(one, "level", course.Level);
        Put(one, "attributes", course.Attributes, text => text);
        if (course.Prerequisites is { } condition)
            one["prerequisites"] = Prerequisite(condition);
        Put(one, "corequisites", course.Corequisites, other => other.Value);
        Put(
            one,
            "restrictions",
            course.Restrictions,
            restriction => new JsonObject
            {
                ["kind"] = restriction.Kind,
                ["anyOf"] = List(restriction.AnyOf, text => text),
            }
        );
        if (course.IsRepeatable)
            one["repeatable"] = true;
        if (course.UsuallyOffered is { } seasons)
            one["usuallyOffered"] = List(seasons, text => text);
        return one;
    }

    private static JsonNode Campus(Campus campus) =>
        new JsonObject { ["id"] = campus.Id.Value, ["name"] = campus.Name };

    private static JsonNode Travel(Travel entry) =>
        new JsonObject
        {
            ["from"] = entry.From.Value,
            ["to"] = entry.To.Value,
            ["minutes"] = entry.Minutes,
        };

    private static JsonNode Term(Term term)
    {
        var one = new JsonObject { ["id"] = term.Id.Value, ["name"] = term.Name };
        if (term.Season is { } season)
            one["season"] = season;
        one["start"] = Date(term.Start);
        one["end"] = Date(term.End);
        Put(
            one,
            "noClass",
            term.NoClass,
            days => new JsonObject
            {
                ["from"] = Date(days.From),
                ["to"] = Date(days.To),
                ["name"] = days.Name,
            }
        );
        Put(
            one,
            "parts",
            term.Parts,
            part => new JsonObject
            {
                ["id"] = part.Id,
                ["name"] = part.Name,
                ["start"] = Date(part.Start),
                ["end"] = Date(part.End),
            }
        );
        return one;
    }

    private static JsonObject Course(Course course, Dictionary<TermId, Term> terms)
    {
        var one = Course(course);
        Put(one, "sections", course.Sections, section => Section(section, terms[section.Term]));
        return one;
    }

    private static JsonNode Prerequisite(Prerequisite condition)
    {
        switch (condition)
        {
            case Prerequisite.All all:
                return new JsonObject { ["all"] = List(all.Of, Prerequisite) };
            case Prerequisite.Any any:
                return new JsonObject { ["any"] = List(any.Of, Prerequisite) };
            case Prerequisite.CourseTaken taken:
                var course = new JsonObject { ["course"] = taken.Course.Value };
                if (taken.MinGrade is { } grade)
                    course["minGrade"] = grade;
                return course;
            case Prerequisite.ExamTaken passed:
                var exam = new JsonObject { ["exam"] = passed.Exam };
                if (passed.MinScore is { } score)
                    exam["minScore"] = score;
                return exam;
            default:
                throw new ArgumentOutOfRangeException(nameof(condition));
        }
    }

    private static JsonObject Section(Section section, Term term)
    {
        var one = new JsonObject { ["number"] = section.Number.Value };
        PutText(one, "label", section.Label);
        one["term"] = section.Term.Value;
        one["component"] = section.Component;
        PutText(one, "arrangement", section.Arrangement);
        if (section.Part is { } part)
            one["part"] = part;
        if (section.Credits is { } credits)
            one["credits"] = credits.Value;
        one["mode"] = Words.Modes.Write(section.Mode);
        if (section.Campus is { } campus)
            one["campus"] = campus.Value;
        Put(one, "instructors", section.Instructors, text => text);
        one["capacity"] = section.Seats.Capacity;
        one["enrolled"] = section.Seats.Enrolled;
        one["waitlistCapacity"] = section.Seats.WaitlistCapacity;
        one["waitlisted"] = section.Seats.Waitlisted;
        one["status"] = Words.Statuses.Write(section.Status);
        if (section.Consent)
            one["consent"] = true;
        PutText(one, "notes", section.Notes);
        PutText(one, "materials", section.Materials);
        Put(one, "linkedTo", section.LinkedTo, number => number.Value);
        if (section.SeatsShared is { } pool)
            one["seatsShared"] = pool;
        var defaults = MeetingDefaults.Of(section.Mode, section.Campus, section.Part, term);
        Put(one, "meetings", section.Patterns, pattern => Meeting(pattern, defaults));
        return one;
    }

    private static JsonObject Meeting(MeetingPattern pattern, MeetingDefaults defaults)
    {
        var one = new JsonObject
        {
            ["days"] = List(Words.Write(pattern.Days), day => day),
            ["start"] = pattern.Time.Start.ToString(),
            ["end"] = pattern.Time.End.ToString(),
        };
        PutText(one, "room", pattern.Room);
        if (pattern.Campus != defaults.Campus)
            one["campus"] = pattern.Campus?.Value ?? "";
        if (pattern.From != defaults.From)
            one["from"] = Date(pattern.From);
        if (pattern.To != defaults.To)
            one["to"] = Date(pattern.To);
        if (pattern.EveryWeeks != 1)
            one["everyWeeks"] = pattern.EveryWeeks;
        return one;
    }

    private static string Date(DateOnly date) =>
        date.ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture);

    private static void PutText(JsonObject into, string field, string text)
    {
        if (text.Length > 0)
            into[field] = text;
    }

    private static void Put<T>(JsonObject into, string field, IReadOnlyList<T> items, Func<T, JsonNode?> write)
    {
        if (items.Count > 0)
            into[field] = List(items, write);
    }

    private static JsonArray List<T>(IReadOnlyList<T> items, Func<T, JsonNode?> write) => [.. items.Select(write)];
}
