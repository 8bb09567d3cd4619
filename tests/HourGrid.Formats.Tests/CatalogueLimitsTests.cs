using System.Text;
using System.Text.Json.Nodes;
using HourGrid.Formats.Catalogue;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Tests;

/// <summary>Nothing in a catalogue may be without bound: each list says how long it may be.</summary>
public sealed class CatalogueLimitsTests
{
    public static TheoryData<string, int> Lists =>
        new()
        {
            { "subjects", CatalogueLimits.Subjects },
            { "campuses", CatalogueLimits.Campuses },
            { "travel", CatalogueLimits.TravelEntries },
            { "terms", CatalogueLimits.Terms },
            { "courses", CatalogueLimits.Courses },
            { "terms[0].noClass", CatalogueLimits.Periods },
            { "terms[0].parts", CatalogueLimits.Periods },
            { "courses[0].attributes", CatalogueLimits.Values },
            { "courses[0].corequisites", CatalogueLimits.Values },
            { "courses[0].restrictions", CatalogueLimits.Values },
            { "courses[0].sections", CatalogueLimits.SectionsOfCourse },
            { "courses[0].sections[0].instructors", CatalogueLimits.Values },
            { "courses[0].sections[0].linkedTo", CatalogueLimits.LinksOfSection },
            { "courses[0].sections[0].meetings", CatalogueLimits.MeetingsOfSection },
        };

    [Theory]
    [MemberData(nameof(Lists))]
    public void One_more_than_there_may_be_is_refused(string path, int most)
    {
        var catalogue = JsonNode.Parse(CatalogueReaderTests.Small)!;
        var steps = path.Split('.');
        var parent = steps.SkipLast(1).Aggregate(catalogue, Step);
        parent[steps[^1]] = new JsonArray([.. Enumerable.Range(0, most + 1).Select(_ => (JsonNode?)0)]);
        var problems = Assert
            .Throws<FormatProblemsException>(() =>
                CatalogueJson.Read(Encoding.UTF8.GetBytes(catalogue.ToJsonString()))
            )
            .Problems;
        Assert.Contains(problems, one => (one.Path, one.Found) == (path, $"{most + 1} items"));
    }

    private static JsonNode Step(JsonNode node, string step)
    {
        var parts = step.TrimEnd(']').Split('[');
        return node[parts[0]]![int.Parse(parts[1], System.Globalization.CultureInfo.InvariantCulture)]!;
    }

    /// <summary>The same link three hundred thousand times was looked up as often.</summary>
    [Fact]
    public void A_link_that_stands_twice_is_one()
    {
        var catalogue = JsonNode.Parse(CatalogueReaderTests.Small)!;
        var linked = catalogue["courses"]![0]!["sections"]!
            .AsArray()
            .First(section => section!["linkedTo"]?.AsArray().Count > 0)!;
        var number = linked["linkedTo"]![0]!.GetValue<string>();
        linked["linkedTo"] = new JsonArray(number, number, number);
        var read = CatalogueJson.Read(Encoding.UTF8.GetBytes(catalogue.ToJsonString())).Value;
        Assert.Equal(
            [number],
            read.Courses[0]
                .Sections.Single(section => section.Number.Value == linked["number"]!.GetValue<string>())
                .LinkedTo.Select(link => link.Value)
        );
    }
}
