using System.Globalization;
using System.Text;
using System.Text.Json;
using CsvHelper;
using HourGrid.Core.Catalogue;
using HourGrid.Formats.Catalogue;
using HourGrid.Formats.Json;
using Json.Schema;

namespace HourGrid.Formats.Tests;

/// <summary>What is written, as JSON or CSV, is read back as it was.</summary>
public sealed class CatalogueWriterTests
{
    private static readonly UniversityCatalogue Saltmere = CatalogueJson
        .Read(File.ReadAllBytes(Repository.PathOf("demo", "saltmere.catalogue.json")))
        .Value;

    private static readonly UniversityCatalogue Small = CatalogueJson
        .Read(Encoding.UTF8.GetBytes(CatalogueReaderTests.Small))
        .Value;

    /// <summary>Text that trips writers: quotes, marks of lists and formulas, line ends, accents.</summary>
    private static UniversityCatalogue Awkward =>
        Small with
        {
            Courses =
            [
                Small.Courses[0] with
                {
                    Title = "=SUM(A1) \"Tides\", and; currents",
                    Description = "One line\nand another, with é and \u2026",
                    Attributes = ["Natural; science", "-1"],
                    Credits = new(Credits.Of(1.5m), Credits.Of(3)),
                    Sections =
                    [
                        .. Small
                            .Courses[0]
                            .Sections.Select(section =>
                                section with
                                {
                                    Notes = "'quoted', @home\r\n+ more",
                                    Instructors = ["O. Comma, Jr.", "N; Semicolon", "=Formula"],
                                    Credits = Credits.Of(0.75m),
                                    SeatsShared = "pool \"A\"",
                                }
                            ),
                        Small.Courses[0].Sections[0] with
                        {
                            Number = new("10299"),
                            Patterns = [],
                        },
                    ],
                },
                Small.Courses[0] with
                {
                    Id = new("TID 999"),
                    Sections = [],
                    UsuallyOffered = [],
                },
            ],
        };

    public static TheoryData<string> Names => ["saltmere", "small", "awkward"];

    private static UniversityCatalogue Named(string name) =>
        name switch
        {
            "saltmere" => Saltmere,
            "small" => Small,
            _ => Awkward,
        };

    [Theory]
    [MemberData(nameof(Names))]
    public void Json_is_read_back_as_it_was(string name)
    {
        var catalogue = Named(name);
        var written = CatalogueJson.Write(catalogue);
        var read = CatalogueJson.Read(written);
        Assert.Empty(read.IgnoredFields);
        Assert.Equal(Say(catalogue), Say(read.Value));
        Assert.True(SchemaTests.CatalogueSchema.Evaluate(JsonDocument.Parse(written).RootElement).IsValid);
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void Csv_is_read_back_as_it_was(string name)
    {
        var catalogue = Named(name);
        var read = CatalogueCsv.Read(CatalogueCsv.Write(catalogue), catalogue);
        Assert.Empty(read.IgnoredFields);
        Assert.Equal(Say(catalogue), Say(read.Value));
    }

    [Fact]
    public void No_cell_is_a_formula()
    {
        using var rows = new CsvParser(
            new StringReader(Encoding.UTF8.GetString(CatalogueCsv.Write(Awkward))),
            CultureInfo.InvariantCulture
        );
        while (rows.Read())
            Assert.DoesNotContain(rows.Record!, cell => cell is ['=' or '+' or '-' or '@', ..]);
    }

    /// <summary>One wrong thing at a time, each refused with its row and column.</summary>
    [Theory]
    [InlineData("course", 0, "", "row 2, course", "a course's code")]
    [InlineData("number", 1, "10231", "row 3, label", "the same as in row 2, which is the same section")]
    [InlineData("term", 0, "1999XX", "row 2, term", "the id of one of the terms")]
    [InlineData("component", 0, "", "row 2, component", "text")]
    [InlineData("part", 1, "H9", "row 3, part", "the id of one of the parts of 2027SP")]
    [InlineData("credits", 0, "four", "row 2, credits", "a number")]
    [InlineData("courseCredits", 0, "3-x", "row 2, courseCredits", "a number")]
    [InlineData("mode", 0, "remote", "row 2, mode", "one of inPerson, hybrid, onlineLive, online")]
    [InlineData("campus", 0, "XXX", "row 2, campus", "the id of one of the campuses")]
    [InlineData("capacity", 0, "-1", "row 2, capacity", "a whole number, 0 to 1000000")]
    [InlineData("enrolled", 0, "2.5", "row 2, enrolled", "a whole number, 0 to 1000000")]
    [InlineData("status", 0, "ajar", "row 2, status", "one of open, closed, cancelled")]
    [InlineData("consent", 0, "maybe", "row 2, consent", "true or false")]
    [InlineData("linkedTo", 1, "99999", "row 3, linkedTo", "the number of a section of the same course and term")]
    [InlineData("days", 0, "mon;noday", "row 2, days", "one of mon, tue, wed, thu, fri, sat, sun")]
    [InlineData("start", 0, "9h30", "row 2, start", "a time such as 09:30")]
    [InlineData("end", 0, "09:30", "row 2, end", "a time after 09:30")]
    [InlineData("meetingCampus", 0, "XXX", "row 2, meetingCampus", "the id of one of the campuses")]
    [InlineData("from", 0, "2027-13-01", "row 2, from", "a date such as 2027-01-11")]
    [InlineData("to", 0, "2026-01-01", "row 2, to", "a date not before 2027-01-13")]
    [InlineData("season", 1, "winter", "row 3, season", "\"spring\", as row 2 has for 2027SP")]
    [InlineData("seasons", 1, "spring", "row 3, seasons", "\"autumn;spring\", as in row 2")]
    [InlineData("everyWeeks", 0, "0", "row 2, everyWeeks", "a whole number, 1 to 64")]
    public void A_wrong_cell_is_refused_with_its_row_and_column(
        string column,
        int row,
        string cell,
        string path,
        string expected
    )
    {
        var refused = Assert.Throws<FormatProblemsException>(() => Read(Rows(column, row, cell)));
        Assert.Equal((path, expected), (refused.Problems[0].Path, refused.Problems[0].Expected));
    }

    [Theory]
    [InlineData("", "row 1")]
    [InlineData("title,level\r\nTides,\r\n", "row 1")]
    [InlineData("course,number,term,component,course\r\n", "row 1, course")]
    [InlineData("course,number,term,component\r\nTID 210,10231,2027SP,lec\"ture\r\n", "row 2")]
    public void A_file_that_is_no_such_table_is_refused(string text, string path)
    {
        var refused = Assert.Throws<FormatProblemsException>(() => Read(text));
        Assert.StartsWith(path, refused.Problems[0].Path, StringComparison.Ordinal);
    }

    [Fact]
    public void Other_line_ends_other_orders_and_unknown_columns_are_read()
    {
        var rows = Table();
        var text = string.Join(
            '\n',
            rows.Select(row => string.Join(',', row.Reverse().Append(row == rows[0] ? "colour" : "red")))
        );
        var read = CatalogueCsv.Read(
            Encoding.UTF8.GetPreamble().Concat(Encoding.UTF8.GetBytes(text)).ToArray(),
            Small
        );
        Assert.Equal(["colour"], read.IgnoredFields);
        Assert.Equal(Say(Small), Say(read.Value));
    }

    private static void Read(string text) => CatalogueCsv.Read(Encoding.UTF8.GetBytes(text), Small);

    /// <summary>The small catalogue as cells; it has none with a comma.</summary>
    private static string[][] Table() =>
        [
            .. Encoding
                .UTF8.GetString(CatalogueCsv.Write(Small))
                .Split("\r\n", StringSplitOptions.RemoveEmptyEntries)
                .SkipLast(1)
                .Select(row => row.Split(',')),
        ];

    private static string Rows(string column, int row, string cell)
    {
        var rows = Table();
        var at = Array.IndexOf(rows[0], column);
        rows[row + 1][at] = cell;
        // The second section has two rows, which must say the same of it.
        if (row == 1 && column is "part" or "linkedTo")
            rows[row + 2][at] = cell;
        return string.Join("\r\n", rows.Select(cells => string.Join(',', cells)));
    }

    /// <summary>Everything a catalogue holds, as text, by its own fields.</summary>
    private static string Say(object? value) =>
        value switch
        {
            null => "null",
            string text => $"\"{text}\"",
            System.Collections.IEnumerable list => $"[{string.Join(", ", list.Cast<object?>().Select(Say))}]",
            _ when value.GetType().IsPrimitive || value is Enum or DateOnly or decimal => $"{value}",
            _ =>
                $"{value.GetType().Name}({string.Join(", ", value.GetType().GetProperties().Where(one => one.GetIndexParameters().Length == 0 && one.PropertyType != value.GetType()).Select(one => $"{one.Name}={Say(one.GetValue(value))}"))})",
        };
}
