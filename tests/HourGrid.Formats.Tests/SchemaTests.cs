using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using HourGrid.Core.Measures;
using HourGrid.Formats.Asking;
using HourGrid.Formats.Catalogue;
using HourGrid.Formats.Json;
using HourGrid.Formats.Records;
using HourGrid.Formats.Requirements;
using HourGrid.Formats.Sketches;
using Json.Schema;

namespace HourGrid.Formats.Tests;

/// <summary>The published schemas and the readers take and refuse the same.</summary>
public sealed class SchemaTests
{
    private static readonly JsonSchema Catalogue = Load("catalogue");

    internal static JsonSchema CatalogueSchema => Catalogue;

    // Asks and answers refer to it.
    private static readonly JsonSchema Measures = Load("measures");

    private static readonly JsonSchema Ask = Load("ask");

    internal static JsonSchema AnswerSchema { get; } = Load("answer");

    // Refers to the schema of asks.
    private static readonly JsonSchema Sketch = Load("sketch");

    // Named so that it is not taken for xUnit's.
    private static readonly JsonSchema RecordSchema = Load("record");

    private static readonly JsonSchema ProgrammeSchema = Load("programme");

    private static readonly JsonSchema PlanSchema = Load("plan");

    private static string RecordExample(string name) =>
        File.ReadAllText(Repository.PathOf("demo", "records", $"{name}.record.json"));

    private static readonly string SketchExample = File.ReadAllText(
        Repository.PathOf("demo", "two-plans.sketch.json")
    );

    private static JsonSchema Load(string name)
    {
        var schema = JsonSchema.FromText(
            File.ReadAllText(Repository.PathOf("docs", "formats", $"{name}.schema.json"))
        );
        SchemaRegistry.Global.Register(schema);
        return schema;
    }

    [Fact]
    public void The_examples_hold_to_their_schemas()
    {
        AssertValid(Catalogue, CatalogueReaderTests.Small);
        AssertValid(Catalogue, File.ReadAllText(Repository.PathOf("demo", "saltmere.catalogue.json")));
        AssertValid(Ask, AskJsonTests.Full);
        AssertValid(Sketch, SketchExample);
        AssertValid(Sketch, Encoding.UTF8.GetString(SketchJson.Write(SketchJson.Read(Bytes(SketchExample)).Value)));
        foreach (var file in Directory.GetFiles(Repository.PathOf("demo"), "*.ask.json"))
            AssertValid(Ask, File.ReadAllText(file));
        foreach (var file in Directory.GetFiles(Repository.PathOf("demo", "records")))
            AssertValid(RecordSchema, File.ReadAllText(file));
        foreach (var file in Directory.GetFiles(Repository.PathOf("demo", "programmes")))
        {
            AssertValid(ProgrammeSchema, File.ReadAllText(file));
            var written = ProgrammeJson.Write(ProgrammeJson.Read(File.ReadAllBytes(file)).Value);
            AssertValid(ProgrammeSchema, Encoding.UTF8.GetString(written));
        }
        AssertValid(
            Ask,
            Encoding.UTF8.GetString(AskJson.Write(AskJson.Read(Encoding.UTF8.GetBytes(AskJsonTests.Full)).Value))
        );
    }

    [Fact]
    public void Measures_and_weights_are_those_of_the_list()
    {
        var shared = JsonNode.Parse(File.ReadAllText(Repository.PathOf("docs", "formats", "measures.schema.json")))!;
        IEnumerable<KeyValuePair<string, JsonNode?>> Fields(string name) =>
            shared["$defs"]![name]!["properties"]!.AsObject();
        Assert.Equal(MeasureList.All.Select(measure => measure.Name), Fields("measures").Select(field => field.Key));
        Assert.Equal(
            MeasureList.Weighed.Select(measure => (measure.Weight!, measure.UsualWeight)),
            Fields("weights").Select(field => (field.Key, field.Value!["default"]!.GetValue<int>()))
        );
    }

    /// <summary>
    /// Every value of an example in turn is replaced by each of these, or taken away; schema and reader must agree.
    /// What only the reader can know (an end after a start, an id that exists) may be refused by it alone.
    /// </summary>
    [Fact]
    public void Schema_and_reader_agree_on_every_single_change()
    {
        JsonNode?[] replacements =
        [
            null,
            true,
            -1,
            2.5,
            1_000_000_000,
            "",
            "x",
            new JsonArray(),
            new JsonObject(),
            new JsonArray(7),
        ];
        var compared =
            Compare(Catalogue, CatalogueReaderTests.Small, text => CatalogueJson.Read(text), replacements)
            + Compare(Ask, AskJsonTests.Full, text => AskJson.Read(text), replacements)
            + Compare(Sketch, SketchExample, text => SketchJson.Read(text), replacements)
            + Compare(RecordSchema, RecordExample("wren-halloran"), text => RecordJson.Read(text), replacements)
            + Compare(RecordSchema, RecordExample("idris-vane"), text => RecordJson.Read(text), replacements)
            + Compare(ProgrammeSchema, ProgrammeJsonTests.Full, text => ProgrammeJson.Read(text), replacements)
            + Compare(
                PlanSchema,
                ProgrammeJsonTests.Plan,
                text => PlanJson.Read(JsonSerializer.Deserialize<JsonElement>(text.Span)),
                replacements
            );
        Assert.True(compared > 1000);
    }

    [Fact]
    public void A_sketch_is_read_back_equal()
    {
        var written = SketchJson.Write(SketchJson.Read(Bytes(SketchExample)).Value);
        Assert.Equal(
            Encoding.UTF8.GetString(written),
            Encoding.UTF8.GetString(SketchJson.Write(SketchJson.Read(written).Value))
        );
        Assert.Equal(2, SketchJson.Read(written).Value.Shortlist.Count);
        var example = JsonNode.Parse(SketchExample)!;
        Assert.Equal(example["shortlist"]!.ToJsonString(), JsonNode.Parse(written)!["shortlist"]!.ToJsonString());
    }

    [Fact]
    public void A_record_is_read_back_equal()
    {
        foreach (var file in Directory.GetFiles(Repository.PathOf("demo", "records")))
        {
            var read = RecordJson.Read(File.ReadAllBytes(file));
            Assert.Empty(read.IgnoredFields);
            Assert.Equivalent(read.Value, RecordJson.Read(RecordJson.Write(read.Value)).Value, strict: true);
        }
    }

    private static ReadOnlyMemory<byte> Bytes(string text) => Encoding.UTF8.GetBytes(text);

    private static int Compare(
        JsonSchema schema,
        string example,
        Action<ReadOnlyMemory<byte>> read,
        JsonNode?[] replacements
    )
    {
        var compared = 0;
        foreach (var path in PathsOf(JsonNode.Parse(example)!, []))
        {
            foreach (
                var changed in replacements
                    .Select(value => Changed(example, path, value))
                    .Append(Without(example, path))
            )
            {
                var text = changed.ToJsonString();
                var bySchema = schema.Evaluate(changed).IsValid;
                var problem = Record.Exception(() => read(Encoding.UTF8.GetBytes(text)));
                Assert.True(problem is null or FormatProblemsException, $"{string.Join("/", path)}: {problem}");
                if (!bySchema)
                    Assert.True(
                        problem is not null,
                        $"The schema refuses but the reader takes {string.Join("/", path)} in {text}"
                    );
                else if (problem is FormatProblemsException refused)
                    Assert.All(
                        refused.Problems,
                        one => Assert.True(IsBeyondSchema(one), $"The reader refuses but the schema takes: {one}")
                    );
                compared++;
            }
        }
        return compared;
    }

    private static bool IsBeyondSchema(FormatProblem problem) =>
        problem.Expected.StartsWith("the id of one of", StringComparison.Ordinal)
        || problem.Expected.StartsWith("the number of a section", StringComparison.Ordinal)
        || problem.Expected.StartsWith("each ", StringComparison.Ordinal)
        || problem.Expected.StartsWith("a date ", StringComparison.Ordinal)
        || problem.Expected.StartsWith("a time after", StringComparison.Ordinal)
        || problem.Expected.StartsWith("a course that stands in wanted", StringComparison.Ordinal)
        || problem.Expected.EndsWith("or more", StringComparison.Ordinal)
        || problem.Expected.StartsWith("a moment ", StringComparison.Ordinal)
        || problem.Path.EndsWith(".minutes", StringComparison.Ordinal)
        || problem.Path.EndsWith("any.take", StringComparison.Ordinal)
        || problem.Path.EndsWith("take.max", StringComparison.Ordinal);

    private static void AssertValid(JsonSchema schema, string json)
    {
        var result = schema.Evaluate(JsonNode.Parse(json), new() { OutputFormat = OutputFormat.List });
        Assert.True(
            result.IsValid,
            string.Join(
                "; ",
                result
                    .Details.Where(d => d.HasErrors)
                    .Select(d => $"{d.InstanceLocation}: {string.Join(", ", d.Errors!.Values)}")
            )
        );
    }

    private static IEnumerable<object[]> PathsOf(JsonNode? node, object[] path)
    {
        if (path.Length > 0)
            yield return path;
        IEnumerable<(object Step, JsonNode? Child)> children = node switch
        {
            JsonObject fields => fields.Select(field => ((object)field.Key, field.Value)),
            // The items of a list are of one kind: a third one says nothing that two do not.
            JsonArray items => items.Take(2).Select((item, i) => ((object)i, item)),
            _ => [],
        };
        foreach (var (step, child) in children)
        foreach (var below in PathsOf(child, [.. path, step]))
            yield return below;
    }

    private static JsonNode Changed(string example, object[] path, JsonNode? value)
    {
        var root = JsonNode.Parse(example)!;
        var parent = Parent(root, path);
        if (path[^1] is string field)
            parent[field] = value?.DeepClone();
        else
            parent[(int)path[^1]] = value?.DeepClone();
        return root;
    }

    private static JsonNode Without(string example, object[] path)
    {
        var root = JsonNode.Parse(example)!;
        var parent = Parent(root, path);
        if (path[^1] is string field)
            parent.AsObject().Remove(field);
        else
            parent.AsArray().RemoveAt((int)path[^1]);
        return root;
    }

    private static JsonNode Parent(JsonNode root, object[] path) =>
        path.SkipLast(1).Aggregate(root, (node, step) => step is string field ? node[field]! : node[(int)step]!);
}
