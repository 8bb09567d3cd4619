using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;
using HourGrid.Core.Requirements;
using HourGrid.Formats.Json;
using HourGrid.Formats.Records;

namespace HourGrid.Formats.Requirements;

/// <summary>Reads a programme.</summary>
internal sealed class ProgrammeReader
{
    private const int LargestNumber = 999_999_999;

    private static readonly string[] Kinds = ["all", "any", "take", "credits"];

    private readonly HashSet<string> ids = [];

    public Programme? Read(JsonPlace root)
    {
        var file = root.Object("format", "version", "id", "name", "from", "credits", "requirements");
        if (!root.IsObject)
            return null;
        SharedValues.CheckFormat(file, ProgrammeJson.Format);
        var requirements = Requirement(file["requirements"]);
        return requirements is null
            ? null
            : new(
                file["id"].FilledText(40),
                file["name"].FilledText(),
                file.Or("from", "", text => text.Text(40)),
                file.Or("credits", default, Amount),
                requirements
            );
    }

    private Requirement? Requirement(JsonPlace place)
    {
        var node = place.Object(
            "id",
            "name",
            "all",
            "any",
            "take",
            "credits",
            "from",
            "minGrade",
            "eachCredits",
            "counting"
        );
        if (!place.IsObject)
            return null;
        var id = node["id"].FilledText(40);
        if (!ids.Add(id))
            node["id"].Refuse("each id once");
        if (ids.Count > ProgrammeLimits.Requirements)
        {
            place.Refuse($"{ProgrammeLimits.Requirements} requirements at most");
            return null;
        }
        var name = node["name"].FilledText();
        var given = Kinds.Where(kind => !node[kind].IsAbsent).ToArray();
        switch (given)
        {
            case ["all"]:
                return new Requirement.All(id, name, node["all"].List(Requirement, ProgrammeLimits.Requirements));
            case ["any"]:
                return Any(node["any"], id, name);
            case ["take"]:
                return Leaf(
                    node,
                    id,
                    name,
                    new LeafNeed.Courses(
                        node["take"].Whole(0, ProgrammeLimits.Take),
                        node.Or(
                            "eachCredits",
                            LeafNeed.Courses.DefaultEach,
                            each => SharedValues.CreditsOf(each) ?? default
                        )
                    )
                );
            case ["credits"]:
                if (!node["eachCredits"].IsAbsent)
                    node["eachCredits"]
                        .Refuse("nothing beside credits: it says what a course is reckoned at beside take");
                return Leaf(node, id, name, new LeafNeed.InCredits(Amount(node["credits"])));
            default:
                place.Refuse("just one of all, any, take, credits");
                return null;
        }
    }

    private Requirement.Any? Any(JsonPlace place, string id, string name)
    {
        var any = place.Object("take", "of");
        if (!place.IsObject)
            return null;
        var parts = any["of"].List(Requirement, ProgrammeLimits.Requirements);
        if (parts.Count == 0)
        {
            any["of"].Refuse("a list of at least one requirement");
            return null;
        }
        return new(id, name, any["take"].Whole(1, any["of"].Items().Count()), parts);
    }

    private static Requirement.Leaf Leaf(JsonObjectPlace node, string id, string name, LeafNeed need) =>
        new(id, name, need, Filter(node["from"]))
        {
            MinGrade = node.Or<Grade?>("minGrade", null, grade => grade.Word(RecordWords.AllGrades)),
            Counting = node.Or(
                "counting",
                Core.Requirements.Requirement.Leaf.ProgrammePool,
                text => text.FilledText(40)
            ),
        };

    private static CourseFilter Filter(JsonPlace place)
    {
        var from = place.Object("courses", "subjects", "attributes", "numbers", "except");
        return new()
        {
            Courses = Courses(from["courses"]),
            Subjects = from["subjects"].List(text => text.FilledText(40), ProgrammeLimits.Values),
            Attributes = from["attributes"].List(text => text.FilledText(), ProgrammeLimits.Values),
            Numbers = from.Or<NumberRange?>("numbers", null, Numbers),
            Except = Courses(from["except"]),
        };
    }

    private static IReadOnlyList<CourseId> Courses(JsonPlace place) =>
        place.Values(course => (CourseId?)SharedValues.Course(course), ProgrammeLimits.Values);

    private static NumberRange? Numbers(JsonPlace place)
    {
        var range = place.Object("min", "max");
        if (!place.IsObject)
            return null;
        var numbers = new NumberRange(
            range.Or<int?>("min", null, min => min.Whole(0, LargestNumber)),
            range.Or<int?>("max", null, max => max.Whole(0, LargestNumber))
        );
        if (numbers.Max < numbers.Min)
            range["max"].Refuse($"{numbers.Min} or more");
        return numbers;
    }

    private static TotalCredits Amount(JsonPlace place)
    {
        if (place.Number() is not { } amount)
            return default;
        if (amount is >= 0 and <= ProgrammeLimits.Credits && decimal.Truncate(amount * 100) == amount * 100)
            return new((long)(amount * 100));
        place.Refuse($"credits from 0 to {ProgrammeLimits.Credits}, two decimals at most");
        return default;
    }
}
