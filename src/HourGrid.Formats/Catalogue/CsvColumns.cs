using System.Text.Json.Nodes;
using HourGrid.Core.Catalogue;

namespace HourGrid.Formats.Catalogue;

/// <summary>The columns of a catalogue as CSV: those of a course, of a section and of a meeting, in this order.</summary>
internal static class CsvColumns
{
    /// <summary>The column of the name of a course's subject, which the subject has and not the course.</summary>
    public const string SubjectName = "subjectName";

    /// <summary>The column of the season of a section's term, which the term has and not the section.</summary>
    public const string Season = "season";

    /// <summary>The column of the cycle of seasons, which the catalogue has.</summary>
    public const string Seasons = "seasons";

    /// <summary>What stands between the values of a list in one cell.</summary>
    public const char ListMark = ';';

    /// <summary>By column, the field of a course.</summary>
    public static readonly (string Column, string Field)[] OfCourse =
    [
        ("course", "id"),
        ("subject", "subject"),
        ("courseNumber", "number"),
        ("title", "title"),
        ("courseCredits", "credits"),
        ("courseMaterials", "materials"),
        ("level", "level"),
        ("attributes", "attributes"),
        ("usuallyOffered", "usuallyOffered"),
    ];

    /// <summary>By column, the field of a section.</summary>
    public static readonly (string Column, string Field)[] OfSection =
    [
        .. new[]
        {
            "number",
            "term",
            "label",
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
        }.Select(field => (field, field)),
    ];

    /// <summary>By column, the field of a meeting.</summary>
    public static readonly (string Column, string Field)[] OfMeeting =
    [
        ("days", "days"),
        ("start", "start"),
        ("end", "end"),
        ("room", "room"),
        ("meetingCampus", "campus"),
        ("from", "from"),
        ("to", "to"),
        ("everyWeeks", "everyWeeks"),
    ];

    public static readonly string[] All =
    [
        .. OfCourse.Concat(OfSection).Concat(OfMeeting).Select(pair => pair.Column),
        SubjectName,
        Season,
        Seasons,
    ];

    /// <summary>Columns whose cells hold lists.</summary>
    public static readonly HashSet<string> Lists =
    [
        "attributes",
        "usuallyOffered",
        "instructors",
        "linkedTo",
        "days",
    ];

    /// <summary>Columns whose cells hold numbers.</summary>
    public static readonly HashSet<string> Numbers =
    [
        "credits",
        "capacity",
        "enrolled",
        "waitlistCapacity",
        "waitlisted",
        "everyWeeks",
    ];

    /// <summary>The word for a meeting that is on no campus though its section is on one.</summary>
    public const string NoCampus = "none";

    /// <summary>The word for a course that is usually not offered in any season.</summary>
    public const string Never = "never";

    /// <summary>The rows of a catalogue, cells by column.</summary>
    public static IEnumerable<Dictionary<string, string>> RowsOf(UniversityCatalogue catalogue)
    {
        var seasons = string.Join(ListMark, catalogue.Seasons.Select(Escape));
        var seasonOf = catalogue.Terms.ToDictionary(term => term.Id.Value, term => term.Season);
        var names = catalogue.Subjects.ToDictionary(subject => subject.Code, subject => subject.Name);
        foreach (var course in CatalogueWriter.Write(catalogue)["courses"]!.AsArray().OfType<JsonObject>())
        {
            var ofCourse = Cells(course, OfCourse);
            if (names.GetValueOrDefault(ofCourse["subject"]) is { } name)
                ofCourse[SubjectName] = name;
            if (seasons.Length > 0)
                ofCourse[Seasons] = seasons;
            var sections = course["sections"]?.AsArray() ?? [];
            if (sections.Count == 0)
                yield return ofCourse;
            foreach (var section in sections.OfType<JsonObject>())
            {
                var ofSection = Cells(section, OfSection, ofCourse);
                if (seasonOf[ofSection["term"]] is { } season)
                    ofSection[Season] = season;
                var meetings = section["meetings"]?.AsArray() ?? [];
                if (meetings.Count == 0)
                    yield return ofSection;
                foreach (var meeting in meetings.OfType<JsonObject>())
                    yield return Cells(meeting, OfMeeting, ofSection);
            }
        }
    }

    private static Dictionary<string, string> Cells(
        JsonObject from,
        (string Column, string Field)[] columns,
        Dictionary<string, string>? before = null
    )
    {
        var cells = before is null ? [] : new Dictionary<string, string>(before);
        foreach (var (column, field) in columns)
            if (from.TryGetPropertyValue(field, out var value) && value is not null)
                cells[column] = Cell(column, value);
        return cells;
    }

    private static string Cell(string column, JsonNode value) =>
        value switch
        {
            JsonArray { Count: 0 } => Never,
            JsonArray list => string.Join(ListMark, list.Select(item => Escape(item!.GetValue<string>()))),
            JsonObject range => $"{range["min"]}-{range["max"]}",
            _ when column == "meetingCampus" && value.ToString().Length == 0 => NoCampus,
            _ => value.ToString(),
        };

    /// <summary>A list mark inside a value stands doubled.</summary>
    private static string Escape(string item) => item.Replace(";", ";;", StringComparison.Ordinal);

    /// <summary>The values of a cell that holds a list.</summary>
    public static IEnumerable<string> ItemsOf(string cell)
    {
        const char stand = '\uE000';
        return cell.Replace(";;", stand.ToString(), StringComparison.Ordinal)
            .Split(ListMark, StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
            .Select(item => item.Replace(stand, ListMark));
    }
}
