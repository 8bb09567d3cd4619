using HourGrid.Core.Asking;

namespace HourGrid.Formats.Wording;

/// <summary>Why an ask cannot be answered, as the server and the command line say it.</summary>
public static class AskWords
{
    /// <summary>As in <c>wanted[2].course: TID 999 is not in the catalogue.</c></summary>
    public static string Of(AskRefusedException refused)
    {
        ArgumentNullException.ThrowIfNull(refused);
        return $"{refused.Path}: {Reason(refused)}";
    }

    /// <summary>What is too large, and what to do about it.</summary>
    public static string Of(AskTooLargeException tooLarge)
    {
        ArgumentNullException.ThrowIfNull(tooLarge);
        return tooLarge.Excess switch
        {
            AskExcess.CoursesTaken =>
                $"A timetable could take {tooLarge.Found} courses; {tooLarge.Most} at most can be answered. Set some aside.",
            AskExcess.CoursesInPlay =>
                $"{tooLarge.Found} courses are in play; {tooLarge.Most} can be answered together. Set some aside.",
            AskExcess.BundlesOfCourse =>
                $"{tooLarge.Course} has more than {tooLarge.Most} bundles. Keep a section of it, or rule some out.",
            AskExcess.Bundles =>
                $"{tooLarge.Found} bundles are too many to answer together. Set a course aside, or keep some sections.",
            AskExcess.Timetables =>
                "There are more possibilities than a number of 38 digits holds. Set some courses aside.",
            AskExcess.Ranked => $"No more than the best {tooLarge.Most} are ranked; {tooLarge.Found} were wanted.",
            AskExcess.Time =>
                "There are too many possibilities to answer in time. Set a course aside, or take out more hours.",
            _ => throw new ArgumentOutOfRangeException(nameof(tooLarge)),
        };
    }

    private static string Reason(AskRefusedException refused) =>
        refused.Fault switch
        {
            AskFault.NoSuchTerm => $"{refused.Found} is not a term of the catalogue.",
            AskFault.OtherTerm => $"found {refused.Found}; this catalogue is of {refused.Expected}.",
            AskFault.NoSuchCourse => $"{refused.Found} is not in the catalogue.",
            AskFault.NoSuchSection => $"{refused.Found} is not a section of this term.",
            AskFault.NotOfCourse => $"{refused.Found} is not a section of {refused.Expected} in this term.",
            AskFault.NotWanted => $"{refused.Found} is not a wanted course.",
            _ => throw new ArgumentOutOfRangeException(nameof(refused)),
        };
}
