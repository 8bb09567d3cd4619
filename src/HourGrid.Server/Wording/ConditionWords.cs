using HourGrid.Core.Catalogue;

namespace HourGrid.Server.Wording;

/// <summary>What a course asks of a student, as sentences to read.</summary>
internal static class ConditionWords
{
    /// <summary>As in <c>CAR 110 with C or better and (LOG 118 or MTH 120)</c>; null for nothing.</summary>
    public static string? Of(Prerequisite? condition) => condition is null ? null : Say(condition, isInner: false);

    /// <summary>As in <c>Only for students whose programme is Coastal science or Cartography.</c></summary>
    public static string Of(Restriction restriction) =>
        $"Only for students whose {restriction.Kind} is {Saying.List(restriction.AnyOf, "or")}.";

    private static string Say(Prerequisite condition, bool isInner) =>
        condition switch
        {
            Prerequisite.All all => Several(all.Of, "and", isInner),
            Prerequisite.Any any => Several(any.Of, "or", isInner),
            Prerequisite.CourseTaken { MinGrade: { } grade } taken => $"{taken.Course} with {grade} or better",
            Prerequisite.CourseTaken taken => taken.Course.Value,
            Prerequisite.ExamTaken { MinScore: { } score } exam => $"the {exam.Exam} exam with {score:0.##} or more",
            Prerequisite.ExamTaken exam => $"the {exam.Exam} exam",
            _ => throw new ArgumentOutOfRangeException(nameof(condition)),
        };

    private static string Several(IReadOnlyList<Prerequisite> conditions, string word, bool isInner)
    {
        var text = string.Join($" {word} ", conditions.Select(one => Say(one, isInner: conditions.Count > 1)));
        return isInner && conditions.Count > 1 ? $"({text})" : text;
    }
}
