using HourGrid.Core.Catalogue;
using HourGrid.Core.Eligibility;
using HourGrid.Core.Records;

namespace HourGrid.Core.Tests.Plain;

/// <summary>What may be taken, as the page says it, with nothing clever: every set of conditions is tried.</summary>
internal sealed class PlainEligibility(EligibilityQuestion question)
{
    /// <summary>Grades that count, the best first; P stands where a C does for every minimum.</summary>
    private static readonly string[] Order = ["A", "A-", "B+", "B", "B-", "C+", "C", "C-", "D"];

    public bool MeetsAll(
        Prerequisite condition,
        bool countUnderWay,
        IReadOnlyCollection<Prerequisite>? given = null
    ) =>
        condition switch
        {
            Prerequisite.All all => all.Of.All(one => MeetsAll(one, countUnderWay, given)),
            Prerequisite.Any any => any.Of.Any(one => MeetsAll(one, countUnderWay, given)),
            _ => Meets(condition, countUnderWay) || (given ?? []).Any(one => IsAtLeast(one, condition)),
        };

    /// <summary>The sets of leaves each of which would be enough, none with a smaller or easier one beside it.</summary>
    public HashSet<string> Missing(Prerequisite tree)
    {
        var leaves = Leaves(tree).Where(leaf => !Meets(leaf, true)).Distinct().ToArray();
        var enough = Enumerable
            .Range(0, 1 << leaves.Length)
            .Select(mask => leaves.Where((_, i) => (mask >> i & 1) != 0).ToArray())
            .Where(set => MeetsAll(tree, true, set))
            .ToArray();
        return
        [
            .. enough
                .Where(set =>
                    !enough.Any(other => Covers(set, other) && (!Covers(other, set) || other.Length < set.Length))
                )
                .Select(Text),
        ];
    }

    public static string Text(IEnumerable<Prerequisite> set) =>
        string.Join(" and ", set.Select(one => one.ToString()).Order(StringComparer.Ordinal));

    private static bool Covers(Prerequisite[] set, Prerequisite[] easier) =>
        easier.All(one => set.Any(harder => IsAtLeast(harder, one)));

    private static IEnumerable<Prerequisite> Leaves(Prerequisite tree) =>
        tree switch
        {
            Prerequisite.All all => all.Of.SelectMany(Leaves),
            Prerequisite.Any any => any.Of.SelectMany(Leaves),
            _ => [tree],
        };

    private static bool IsAtLeast(Prerequisite one, Prerequisite other) =>
        (one, other) switch
        {
            (Prerequisite.CourseTaken a, Prerequisite.CourseTaken b) => a.Course == b.Course
                && Place(a.MinGrade ?? "D") <= Place(b.MinGrade ?? "D"),
            (Prerequisite.ExamTaken a, Prerequisite.ExamTaken b) => a.Exam == b.Exam
                && (a.MinScore ?? -1) >= (b.MinScore ?? -1),
            _ => false,
        };

    private static int Place(string grade) => Array.IndexOf(Order, grade == "P" ? "C" : grade);

    private bool Meets(Prerequisite leaf, bool countUnderWay)
    {
        var record = question.Record;
        if (leaf is Prerequisite.ExamTaken exam)
            return record.Exams.Any(one =>
                one.Exam == exam.Exam && (exam.MinScore is null || one.Score >= exam.MinScore)
            );
        var taken = (Prerequisite.CourseTaken)leaf;
        return record.Exams.Any(one => one.CountsAs.Contains(taken.Course))
            || record.Transfer.Any(one => one.As == taken.Course)
            || record
                .Taken.Where(one => one.Course == taken.Course && question.IsBefore(one.Term))
                .Any(one =>
                    one.Status == TakenStatus.UnderWay
                        ? countUnderWay
                        : one.Status == TakenStatus.Completed
                            && one.Grade is { } grade
                            && Grades.Text(grade) is not ("F" or "W") and var text
                            && Place(text) <= Place(taken.MinGrade ?? "D")
                );
    }
}
