using System.Text;
using HourGrid.Core.Catalogue;
using HourGrid.Formats.Catalogue;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Tests;

/// <summary>A catalogue as CSV that lost something on its way is refused; what it does not speak of stays.</summary>
public sealed class CutCsvTests
{
    private static readonly UniversityCatalogue Saltmere = CatalogueJson
        .Read(File.ReadAllBytes(Repository.PathOf("demo", "saltmere.catalogue.json")))
        .Value;

    private static readonly string Whole = Encoding.UTF8.GetString(CatalogueCsv.Write(Saltmere));

    private static FormatProblem Refused(byte[] file) =>
        Assert.Throws<FormatProblemsException>(() => CatalogueCsv.Read(file, Saltmere)).Problems[0];

    private static FormatProblem Refused(string file) => Refused(Encoding.UTF8.GetBytes(file));

    private static UniversityCatalogue Read(string file) =>
        CatalogueCsv.Read(Encoding.UTF8.GetBytes(file), Saltmere).Value;

    private static string[] Lines => Whole.Split("\r\n", StringSplitOptions.RemoveEmptyEntries);

    [Fact]
    public void An_export_ends_with_how_many_rows_it_has() => Assert.Equal($"# {Lines.Length - 2} rows", Lines[^1]);

    /// <summary>The middle of a file is gone, its end is there, as when blocks are lost.</summary>
    [Theory]
    [InlineData(1)]
    [InlineData(100)]
    [InlineData(400)]
    public void Rows_that_are_missing_are_missed(int missing)
    {
        var problem = Refused(string.Join("\r\n", Lines.Take(50).Concat(Lines.Skip(50 + missing))));
        Assert.Equal("the last line", problem.Path);
        Assert.Equal(
            $"that there are {Lines.Length - 2} rows, and {Lines.Length - 2 - missing} of them",
            problem.Found
        );
    }

    /// <summary>Cut within its last line, or before it in the middle of a row: what is left of the row tells.</summary>
    [Theory]
    [InlineData("# 6 rows")]
    [InlineData("\"# 6 rows\",,,,")]
    [InlineData("# 6 rows,,,,,,,")]
    public void The_line_is_known_again_after_a_spreadsheet(string line)
    {
        var rows = Lines.Take(7).Append(line);
        Assert.Equal(["2027SP"], Read(string.Join("\r\n", rows)).Terms.Select(term => term.Id.Value));
        Assert.Equal(
            "the last line",
            Refused(string.Join("\n", rows.Skip(1).Prepend(Lines[0]).Where((_, i) => i != 3))).Path
        );
    }

    [Fact]
    public void A_header_alone_is_refused()
    {
        Assert.Equal("the names of the columns alone", Refused(Lines[0]).Found);
        Assert.Equal("the names of the columns alone", Refused(Lines[0] + "\r\n# 0 rows\r\n").Found);
    }

    [Fact]
    public void A_file_without_the_line_is_read() =>
        Assert.Equal(Saltmere.Courses.Count, Read(string.Join("\r\n", Lines.SkipLast(1))).Courses.Count);

    [Fact]
    public void Other_bytes_than_UTF_8_are_refused_with_their_line()
    {
        var file = Encoding.UTF8.GetBytes(Whole);
        var fifth = Whole.IndexOf(Lines[4], StringComparison.Ordinal);
        file[Encoding.UTF8.GetByteCount(Whole[..fifth])] = 0xE9;
        var problem = Refused(file);
        Assert.Equal(("line 5", "bytes that are no UTF-8"), (problem.Path, problem.Found));
    }

    [Fact]
    public void Rows_of_one_term_speak_of_no_other()
    {
        var rows = Lines.Skip(1).Where(line => line.Contains(",2027SP,", StringComparison.Ordinal));
        var read = Read(string.Join("\r\n", rows.Prepend(Lines[0])));
        Assert.Equal(["2027SP"], read.Terms.Select(term => term.Id.Value));
        var changes = CatalogueChanges.Between(Saltmere, read);
        Assert.DoesNotContain(changes.Sections, one => one.Term.Value != "2027SP");
        Assert.Empty(changes.GoneCourses);
        Assert.Equal(
            Saltmere.Courses.Select(course => course.Id.Value).Order(StringComparer.Ordinal),
            read.Courses.Select(course => course.Id.Value).Order(StringComparer.Ordinal)
        );
    }

    [Theory]
    [InlineData("\"\\ud800\"")]
    [InlineData("\"a\\udc00b\"")]
    public void Half_a_character_in_a_catalogue_is_refused(string institution)
    {
        var text = $"{{\"format\":\"hour-grid-catalogue\",\"version\":1,\"institution\":{institution}}}";
        var problem = Assert
            .Throws<FormatProblemsException>(() => CatalogueJson.Read(Encoding.UTF8.GetBytes(text)))
            .Problems[0];
        Assert.Equal("text with half of a character", problem.Found);
    }

    [Fact]
    public void Bytes_that_are_no_UTF_8_are_refused_in_JSON_too()
    {
        byte[] file = [.. "{\"institution\":\"caf"u8, 0xE9, .. "\"}"u8];
        Assert.Equal(
            "bytes that are no UTF-8",
            Assert.Throws<FormatProblemsException>(() => CatalogueJson.Read(file)).Problems[0].Found
        );
    }

    [Theory]
    [InlineData("9999-10-01", "9999-12-31")]
    [InlineData("0001-01-01", "0001-03-01")]
    [InlineData("2199-12-01", "2200-02-01")]
    public void A_term_is_of_years_in_which_there_are_universities(string start, string end)
    {
        var text = $$"""
            {"format":"hour-grid-catalogue","version":1,"institution":"I","campuses":[],"courses":[],
            "terms":[{"id":"T","name":"T","start":"{{start}}","end":"{{end}}"}]}
            """;
        var problems = Assert
            .Throws<FormatProblemsException>(() => CatalogueJson.Read(Encoding.UTF8.GetBytes(text)))
            .Problems;
        Assert.Contains(problems, one => one.Expected == "a date of the years 1900 to 2199");
    }
}
