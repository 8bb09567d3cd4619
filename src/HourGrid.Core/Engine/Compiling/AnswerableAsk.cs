using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Rules;

namespace HourGrid.Core.Engine.Compiling;

/// <summary>Holds an ask against the catalogue and against what the engine takes on.</summary>
internal static class AnswerableAsk
{
    public static void Check(CatalogueSnapshot snapshot, Ask ask)
    {
        if (ask.Term != snapshot.Term.Id)
            throw new AskRefusedException("term", AskFault.OtherTerm, ask.Term.Value, snapshot.Term.Id.Value);
        for (var i = 0; i < ask.Wanted.Count; i++)
            CheckWanted(snapshot, ask.Wanted[i], $"wanted[{i}]");
        for (var i = 0; i < ask.EitherOr.Count; i++)
        for (var j = 0; j < ask.EitherOr[i].Courses.Count; j++)
            if (ask.Wanted.All(wanted => wanted.Course != ask.EitherOr[i].Courses[j]))
                throw new AskRefusedException(
                    $"eitherOr[{i}].courses[{j}]",
                    AskFault.NotWanted,
                    ask.EitherOr[i].Courses[j].Value
                );
        var inPlay = ask.Wanted.Count(wanted => CourseRule.IsInPlay(ask, wanted));
        if (inPlay > Problem.MaxCoursesInPlay)
            throw new AskTooLargeException(AskExcess.CoursesInPlay, inPlay, Problem.MaxCoursesInPlay);
    }

    /// <summary>
    /// Bounds what a timetable could take. An ask with an either–or lifted may be beyond that, since its courses have their own
    /// roles then.
    /// </summary>
    public static void CheckTaken(Ask ask)
    {
        var taken =
            ask.Wanted.Count(wanted => CourseRule.IsInPlay(ask, wanted) && EitherOrRule.Of(ask, wanted) is null)
            + ask.EitherOr.Sum(either => Math.Min(either.Max, either.Courses.Count));
        if (taken > Problem.MaxCoursesTaken)
            throw new AskTooLargeException(AskExcess.CoursesTaken, taken, Problem.MaxCoursesTaken);
    }

    private static void CheckWanted(CatalogueSnapshot snapshot, WantedCourse wanted, string path)
    {
        if (snapshot.Find(wanted.Course) is not { } offered)
            throw new AskRefusedException($"{path}.course", AskFault.NoSuchCourse, wanted.Course.Value);
        CheckNumbers(snapshot, offered, wanted.Keep, $"{path}.keep");
        CheckNumbers(snapshot, offered, wanted.RuleOut, $"{path}.ruleOut");
    }

    private static void CheckNumbers(
        CatalogueSnapshot snapshot,
        OfferedCourse offered,
        IReadOnlyList<RegistrationNumber> numbers,
        string path
    )
    {
        for (var i = 0; i < numbers.Count; i++)
            if (snapshot.CourseOf(numbers[i]) != offered)
                throw new AskRefusedException(
                    $"{path}[{i}]",
                    AskFault.NotOfCourse,
                    numbers[i].Value,
                    offered.Course.Id.Value
                );
    }
}
