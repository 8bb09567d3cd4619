using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Engine;

/// <summary>Holds an ask against the catalogue and against the rules the engine answers.</summary>
/// <remarks>A rule that is not answered is refused, never silently left out of the count.</remarks>
internal static class AnswerableAsk
{
    public static void Check(CatalogueSnapshot snapshot, Ask ask)
    {
        if (ask.Term != snapshot.Term.Id)
            throw new AskRefusedException("term", $"found {ask.Term}; this catalogue is of {snapshot.Term.Id}.");
        for (var i = 0; i < ask.Wanted.Count; i++)
            CheckWanted(snapshot, ask.Wanted[i], $"wanted[{i}]");
        var inPlay = ask.Wanted.Count(wanted => wanted.Role != CourseRole.SetAside);
        if (inPlay > Problem.MaxCoursesInPlay)
            throw new AskTooLargeException(
                $"{inPlay} courses are in play; {Problem.MaxCoursesInPlay} can be answered together. Set some aside."
            );
        CheckRules(ask);
    }

    private static void CheckWanted(CatalogueSnapshot snapshot, WantedCourse wanted, string path)
    {
        if (snapshot.Find(wanted.Course) is not { } offered)
            throw new AskRefusedException($"{path}.course", $"{wanted.Course} is not in the catalogue.");
        if (wanted.Role == CourseRole.IfItFits)
            throw NotAnswered($"{path}.role", "if it fits");
        CheckNumbers(offered, wanted.Keep, $"{path}.keep");
        CheckNumbers(offered, wanted.RuleOut, $"{path}.ruleOut");
    }

    private static void CheckNumbers(OfferedCourse offered, IReadOnlyList<RegistrationNumber> numbers, string path)
    {
        for (var i = 0; i < numbers.Count; i++)
            if (offered.Sections.All(section => section.Number != numbers[i]))
                throw new AskRefusedException(
                    $"{path}[{i}]",
                    $"{numbers[i]} is not a section of {offered.Course.Id} in this term."
                );
    }

    private static void CheckRules(Ask ask)
    {
        if (ask.EitherOr.Count > 0)
            throw NotAnswered("eitherOr[0]", "either-or");
        if (ask.Credits is not { Min: null, Max: null })
            throw NotAnswered("credits", "a credit range");
        for (var i = 0; i < ask.Breaks.Count; i++)
            if (ask.Breaks[i].Strength == Strength.Cannot)
                throw NotAnswered($"breaks[{i}]", "a hard break");
        if (ask.DayLimits.MaxDays is not null)
            throw NotAnswered("dayLimits.maxDays", "most class days");
        if (ask.DayLimits.MaxMinutesPerDay is not null)
            throw NotAnswered("dayLimits.maxMinutesPerDay", "most minutes a day");
        if (ask.DayLimits.MaxStretchMinutes is not null)
            throw NotAnswered("dayLimits.maxStretchMinutes", "longest unbroken stretch");
        if (ask.Campus.OnePerDay)
            throw NotAnswered("campus.onePerDay", "one campus a day");
    }

    private static AskRefusedException NotAnswered(string path, string rule) =>
        new(path, $"this version does not answer the rule \u201c{rule}\u201d.");
}
