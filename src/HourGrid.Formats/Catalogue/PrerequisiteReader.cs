using HourGrid.Core.Catalogue;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Catalogue;

internal static class PrerequisiteReader
{
    public static Prerequisite? Read(JsonPlace place)
    {
        var node = place.Object("all", "any", "course", "minGrade", "exam", "minScore");
        if (!place.IsObject)
            return null;
        string[] kinds = ["all", "any", "course", "exam"];
        var given = kinds.Where(kind => !node[kind].IsAbsent).ToArray();
        switch (given)
        {
            case ["all"]:
                return new Prerequisite.All(Several(node["all"]));
            case ["any"]:
                return new Prerequisite.Any(Several(node["any"]));
            case ["course"]:
                return new Prerequisite.CourseTaken(
                    SharedValues.Course(node["course"]),
                    node.Or<string?>("minGrade", null, grade => grade.FilledText(10))
                );
            case ["exam"]:
                return new Prerequisite.ExamTaken(
                    node["exam"].FilledText(),
                    node.Or("minScore", null, score => score.Number())
                );
            default:
                place.Refuse("just one of all, any, course, exam");
                return null;
        }
    }

    private static IReadOnlyList<Prerequisite> Several(JsonPlace place)
    {
        var conditions = place.List(Read);
        if (conditions.Count == 0)
            place.Refuse("a list of at least one condition");
        return conditions;
    }
}
