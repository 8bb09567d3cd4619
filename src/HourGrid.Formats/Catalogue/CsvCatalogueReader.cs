using System.Globalization;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using CsvHelper;
using CsvHelper.Configuration;
using HourGrid.Core.Catalogue;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Catalogue;

/// <summary>
/// Reads a catalogue from rows: they are put together as the JSON format has it and go through its reader, so that both
/// formats have the same rules; where something is refused there, the row and the column are said.
/// </summary>
internal sealed class CsvCatalogueReader(UniversityCatalogue over)
{
    private const int MostRows = 500_000;

    private static readonly UTF8Encoding StrictUtf8 = new(
        encoderShouldEmitUTF8Identifier: false,
        throwOnInvalidBytes: true
    );

    private readonly Dictionary<string, Course> known = over.Courses.ToDictionary(course => course.Id.Value);
    private readonly Dictionary<string, JsonObject> courses = [];
    private readonly JsonArray all = [];
    private readonly Dictionary<string, Subject> subjects = over.Subjects.ToDictionary(subject => subject.Code);
    private readonly Dictionary<string, (string Name, int Row)> namedSubjects = [];
    private readonly CsvSeasons seasons = new();
    private readonly Dictionary<
        (string Course, string Term, string Number),
        (JsonObject Section, int Row)
    > sections = [];

    // By the path of a course, section or meeting: the row it came from.
    private readonly Dictionary<string, int> rowOf = [];
    private readonly List<FormatProblem> problems = [];
    private readonly SortedSet<string> ignored = new(StringComparer.Ordinal);

    public Reading<UniversityCatalogue> Read(ReadOnlyMemory<byte> utf8)
    {
        ReadRows(utf8);
        if (problems.Count > 0)
            throw new FormatProblemsException([.. problems.Take(FormatProblemsException.MaxProblems)]);
        var file = CatalogueWriter.Write(over with { Courses = [], Subjects = [.. subjects.Values] });
        file["courses"] = all;
        seasons.WriteTo(file);
        try
        {
            var reading = CatalogueJson.Read(JsonSerializer.SerializeToUtf8Bytes(file));
            return new(OfItsTerms(reading.Value), ignored);
        }
        catch (FormatProblemsException refused)
        {
            throw new FormatProblemsException([.. refused.Problems.Select(InRow)]);
        }
    }

    /// <summary>
    /// The catalogue of the terms that have rows: a file of one term says nothing of another. Courses that it does not
    /// name and that have no section in those terms stay.
    /// </summary>
    private UniversityCatalogue OfItsTerms(UniversityCatalogue read)
    {
        var terms = sections.Keys.Select(key => new TermId(key.Term)).ToHashSet();
        var left = over.Courses.Where(course =>
            !courses.ContainsKey(course.Id.Value) && !course.Sections.Any(section => terms.Contains(section.Term))
        );
        return read with
        {
            Terms = [.. read.Terms.Where(term => terms.Contains(term.Id))],
            Courses = [.. read.Courses, .. left.Select(course => course with { Sections = [] })],
        };
    }

    private void ReadRows(ReadOnlyMemory<byte> utf8)
    {
        if (Text(utf8.Span) is not { } whole)
            return;
        var (body, rows) = CsvEnd.Split(whole.TrimStart('\uFEFF'));
        using var text = new StringReader(body);
        var format = new CsvConfiguration(CultureInfo.InvariantCulture)
        {
            // A row that ends early has nothing in its last cells.
            MissingFieldFound = null,
            BadDataFound = bad =>
                problems.Add(
                    new(
                        $"row {bad.Context.Parser!.Row}",
                        "a quote inside a cell that does not begin with one",
                        "cells with quotes in quotes, each quote doubled"
                    )
                ),
        };
        using var csv = new CsvReader(text, format);
        if (!csv.Read() || !csv.ReadHeader())
        {
            problems.Add(new("row 1", "nothing", "the names of the columns"));
            return;
        }
        var columns = csv.HeaderRecord!;
        ignored.UnionWith(columns.Where(column => !CsvColumns.All.Contains(column)));
        foreach (var needed in new[] { "course", "number", "term", "component" })
            if (!columns.Contains(needed))
                problems.Add(new("row 1", "no such column", $"a column {needed}"));
        foreach (var twice in columns.GroupBy(column => column).Where(group => group.Count() > 1))
            problems.Add(new($"row 1, {twice.Key}", "the column twice", "each column once"));
        var row = 2;
        for (; problems.Count == 0 && csv.Read(); row++)
        {
            if (row > MostRows)
            {
                problems.Add(new("", $"more than {MostRows} rows", $"{MostRows} at most"));
                return;
            }
            Add(
                row,
                CsvColumns
                    .All.Where(columns.Contains)
                    .Select(column => (column, text: CsvText.Plain(csv.GetField(column) ?? "")))
                    .Where(cell => cell.text.Length > 0)
                    .ToDictionary(cell => cell.column, cell => cell.text)
            );
        }
        var read = row - 2;
        if (problems.Count == 0 && read == 0)
            problems.Add(new("the file", "the names of the columns alone", "rows"));
        else if (problems.Count == 0 && rows is { } said && said != read)
            problems.Add(
                new(
                    "the last line",
                    $"that there are {said} rows, and {read} of them",
                    "as many rows as it says; take the line away if rows were added or removed"
                )
            );
    }

    /// <summary>The text of a file that is UTF-8 throughout; null where it is not, which is a problem.</summary>
    private string? Text(ReadOnlySpan<byte> utf8)
    {
        try
        {
            return StrictUtf8.GetString(utf8);
        }
        catch (DecoderFallbackException problem)
        {
            var row = utf8[..problem.Index].Count((byte)'\n') + 1;
            problems.Add(new($"line {row}", "bytes that are no UTF-8", "the file saved as UTF-8"));
            return null;
        }
    }

    private void Add(int row, Dictionary<string, string> cells)
    {
        if (cells.Count == 0)
            return;
        if (!cells.TryGetValue("course", out var id))
        {
            problems.Add(new($"row {row}, course", "nothing", "a course's code"));
            return;
        }
        var course = CourseOf(row, id, cells);
        NameSubject(row, course, cells);
        if (seasons.Take(row, cells) is { } problem)
            problems.Add(problem);
        if (!cells.TryGetValue("number", out var number))
            return;
        var ofCourse = course["sections"]!.AsArray();
        var key = (id, cells.GetValueOrDefault("term", ""), number);
        var fields = Fields(cells, CsvColumns.OfSection);
        if (!sections.TryGetValue(key, out var section))
        {
            fields["meetings"] = new JsonArray();
            sections[key] = section = (fields, row);
            rowOf[$"{PathOf(course)}.sections[{ofCourse.Count}]"] = row;
            ofCourse.Add(fields);
        }
        else if (DifferentColumn(section.Section, fields) is { } column)
        {
            problems.Add(
                new(
                    $"row {row}, {column}",
                    cells.GetValueOrDefault(column, "nothing"),
                    $"the same as in row {section.Row}, which is the same section"
                )
            );
            return;
        }
        var meeting = Fields(cells, CsvColumns.OfMeeting);
        if (meeting.Count == 0)
            return;
        var meetings = section.Section["meetings"]!.AsArray();
        rowOf[$"{PathOf(course)}.sections[{ofCourse.IndexOf(section.Section)}].meetings[{meetings.Count}]"] = row;
        meetings.Add(meeting);
    }

    private JsonObject CourseOf(int row, string id, Dictionary<string, string> cells)
    {
        if (courses.TryGetValue(id, out var course))
            return course;
        course = known.TryGetValue(id, out var already) ? CatalogueWriter.Course(already) : [];
        foreach (var (field, value) in Fields(cells, CsvColumns.OfCourse).ToArray())
            course[field] = value!.DeepClone();
        course["sections"] = new JsonArray();
        rowOf[$"courses[{all.Count}]"] = row;
        all.Add(course);
        courses[id] = course;
        return course;
    }

    /// <summary>The rows name the subject of their course; they may not name one in two ways.</summary>
    private void NameSubject(int row, JsonObject course, Dictionary<string, string> cells)
    {
        if (
            !cells.TryGetValue(CsvColumns.SubjectName, out var name)
            || course["subject"]?.GetValue<string>() is not { } code
        )
            return;
        if (namedSubjects.TryAdd(code, (name, row)))
            subjects[code] = new(code, name);
        else if (namedSubjects[code] is var before && before.Name != name)
            problems.Add(
                new(
                    $"row {row}, {CsvColumns.SubjectName}",
                    $"\"{name}\"",
                    $"\"{before.Name}\", as row {before.Row} names {code}"
                )
            );
    }

    private string PathOf(JsonObject course) => $"courses[{all.IndexOf(course)}]";

    private static JsonObject Fields(Dictionary<string, string> cells, (string Column, string Field)[] columns)
    {
        var fields = new JsonObject();
        foreach (var (column, field) in columns)
            if (cells.TryGetValue(column, out var text))
                fields[field] = Value(column, text);
        return fields;
    }

    /// <summary>What a cell says, as the JSON format has it; what it cannot be stays text, and is refused there.</summary>
    private static JsonNode Value(string column, string text)
    {
        if (column == "usuallyOffered" && text == CsvColumns.Never)
            return new JsonArray();
        if (CsvColumns.Lists.Contains(column))
            return new JsonArray([.. CsvColumns.ItemsOf(text).Select(item => (JsonNode)item)]);
        if (CsvColumns.Numbers.Contains(column) && Number(text) is { } number)
            return number;
        return column switch
        {
            "courseCredits" when Number(text) is { } credits => credits,
            "courseCredits"
                when text.Split('-') is [var min, var max] && Number(min) is { } least && Number(max) is { } most =>
                new JsonObject { ["min"] = least, ["max"] = most },
            "consent" when text is "true" or "false" => text == "true",
            "meetingCampus" when text == CsvColumns.NoCampus => "",
            _ => text,
        };
    }

    private static decimal? Number(string text) =>
        decimal.TryParse(
            text,
            NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign,
            CultureInfo.InvariantCulture,
            out var number
        )
            ? number
            : null;

    private static string? DifferentColumn(JsonObject first, JsonObject other)
    {
        foreach (var (column, field) in CsvColumns.OfSection)
            if (!JsonNode.DeepEquals(first[field], other[field]))
                return column;
        return null;
    }

    /// <summary>A problem with a path of the JSON format, by the row and the column.</summary>
    private FormatProblem InRow(FormatProblem problem)
    {
        var path = problem.Path;
        var field = "";
        while (path.Length > 0 && !rowOf.ContainsKey(path))
        {
            var dot = path.LastIndexOf('.');
            field = dot < 0 ? path : path[(dot + 1)..];
            path = dot < 0 ? "" : path[..dot];
        }
        if (path.Length == 0)
            return problem;
        var columns =
            path.Contains("meetings", StringComparison.Ordinal) ? CsvColumns.OfMeeting
            : path.Contains("sections", StringComparison.Ordinal) ? CsvColumns.OfSection
            : CsvColumns.OfCourse;
        var name = field.Split('[')[0];
        var column = columns.FirstOrDefault(pair => pair.Field == name).Column ?? name;
        return problem with { Path = $"row {rowOf[path]}, {column}" };
    }
}
