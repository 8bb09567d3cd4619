using System.Text.Json.Nodes;
using HourGrid.Core.Catalogue;
using HourGrid.Formats.Answers;
using HourGrid.Formats.Asking;
using HourGrid.Formats.Catalogue;
using Json.Schema;

namespace HourGrid.Formats.Tests;

/// <summary>Answers as a file: writer, schema and example hold to each other.</summary>
public sealed class AnswerFileTests
{
    private static readonly JsonSchema Schema = SchemaTests.AnswerSchema;

    private static readonly UniversityCatalogue Catalogue = CatalogueJson
        .Read(File.ReadAllBytes(Repository.PathOf("demo", "saltmere.catalogue.json")))
        .Value;

    private static readonly AnswerParts Everything = new()
    {
        Top = 2,
        Shapes = true,
        Sections = true,
        Costs = true,
        Explain = true,
        Fallbacks = 1,
        Spread = 2,
        WhatIf = [new("PHI 220")],
    };

    public static TheoryData<string> Asks =>
        [.. Directory.GetFiles(Repository.PathOf("demo"), "*.ask.json").Select(file => Path.GetFileName(file)!)];

    [Theory]
    [MemberData(nameof(Asks))]
    public void Every_answer_holds_to_the_schema(string ask)
    {
        AssertValid(Answer(ask, Everything));
        AssertValid(Answer(ask, new()));
        AssertValid(Answer(ask, Everything with { Budget = TimeSpan.Zero }));
        AssertValid(Answer(ask, Everything with { Budget = TimeSpan.FromMilliseconds(3) }));
    }

    [Fact]
    public void The_schema_refuses_an_answer_with_any_value_of_another_kind()
    {
        var changed = 0;
        var written = Answer("lunch-every-day.ask.json", Everything);
        foreach (var path in Leaves(written, []))
        {
            var answer = written.DeepClone();
            var parent = path[..^1].Aggregate(answer, (node, step) => step is int i ? node[i]! : node[(string)step]!);
            JsonNode wrong = new JsonObject { ["x"] = 1 };
            if (path[^1] is int place)
                parent[place] = wrong;
            else
                parent[(string)path[^1]] = wrong;
            Assert.False(Schema.Evaluate(answer).IsValid, string.Join('/', path));
            changed++;
        }
        Assert.True(changed > 150);
    }

    private static JsonNode Answer(string ask, AnswerParts parts)
    {
        var asked = AskJson.Read(File.ReadAllBytes(Repository.PathOf("demo", ask))).Value;
        return JsonNode.Parse(AnswerFile.Write(Catalogue.SnapshotOf(asked.Term)!, asked, parts).Span)!;
    }

    private static void AssertValid(JsonNode answer)
    {
        var result = Schema.Evaluate(answer, new() { OutputFormat = OutputFormat.List });
        Assert.True(
            result.IsValid,
            string.Join(
                '\n',
                (result.Details ?? [])
                    .Where(one => one.HasErrors)
                    .Select(one => $"{one.InstanceLocation}: {string.Join(' ', one.Errors!.Values)}")
            )
        );
    }

    private static IEnumerable<object[]> Leaves(JsonNode? node, object[] path) =>
        node switch
        {
            JsonObject all => all.SelectMany(one => Leaves(one.Value, [.. path, one.Key])),
            JsonArray list => list.SelectMany((one, i) => Leaves(one, [.. path, i])),
            _ => [path],
        };
}
