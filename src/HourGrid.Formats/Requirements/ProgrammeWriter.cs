using System.Text.Json.Nodes;
using HourGrid.Core.Records;
using HourGrid.Core.Requirements;

namespace HourGrid.Formats.Requirements;

/// <summary>Writes what <see cref="ProgrammeReader"/> reads. What is left out there by default is left out here.</summary>
internal static class ProgrammeWriter
{
    public static JsonObject Write(Programme programme)
    {
        var file = new JsonObject
        {
            ["format"] = ProgrammeJson.Format,
            ["version"] = 1,
            ["id"] = programme.Id,
            ["name"] = programme.Name,
        };
        if (programme.From.Length > 0)
            file["from"] = programme.From;
        file["credits"] = programme.Credits.Value;
        file["requirements"] = Node(programme.Root);
        return file;
    }

    private static JsonObject Node(Requirement requirement)
    {
        var node = new JsonObject { ["id"] = requirement.Id, ["name"] = requirement.Name };
        switch (requirement)
        {
            case Requirement.All all:
                node["all"] = Nodes(all.Of);
                break;
            case Requirement.Any any:
                node["any"] = new JsonObject { ["take"] = any.Take, ["of"] = Nodes(any.Of) };
                break;
            case Requirement.Leaf leaf:
                Leaf(node, leaf);
                break;
            default:
                throw new ArgumentOutOfRangeException(nameof(requirement));
        }
        return node;
    }

    private static void Leaf(JsonObject node, Requirement.Leaf leaf)
    {
        if (leaf.Need is LeafNeed.Courses courses)
        {
            node["take"] = courses.Count;
            if (courses.Each != LeafNeed.Courses.DefaultEach)
                node["eachCredits"] = courses.Each.Value;
        }
        else
            node["credits"] = leaf.Need.Total.Value;
        node["from"] = Filter(leaf.From);
        if (leaf.MinGrade is { } grade)
            node["minGrade"] = Grades.Text(grade);
        if (leaf.Counting != Requirement.Leaf.ProgrammePool)
            node["counting"] = leaf.Counting;
    }

    private static JsonObject Filter(CourseFilter filter)
    {
        var from = new JsonObject();
        Put("courses", [.. filter.Courses.Select(course => course.Value)]);
        Put("subjects", filter.Subjects);
        Put("attributes", filter.Attributes);
        if (filter.Numbers is { } range)
        {
            var numbers = new JsonObject();
            if (range.Min is { } min)
                numbers["min"] = min;
            if (range.Max is { } max)
                numbers["max"] = max;
            from["numbers"] = numbers;
        }
        Put("except", [.. filter.Except.Select(course => course.Value)]);
        return from;

        void Put(string field, IReadOnlyList<string> values)
        {
            if (values.Count > 0)
                from[field] = new JsonArray([.. values.Select(value => (JsonNode)value)]);
        }
    }

    private static JsonArray Nodes(IReadOnlyList<Requirement> of) => [.. of.Select(Node)];
}
