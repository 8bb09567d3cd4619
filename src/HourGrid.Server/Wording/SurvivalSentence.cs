using HourGrid.Core.Engine.Answers;

namespace HourGrid.Server.Wording;

/// <summary>Sums up how a timetable survives its sections filling up.</summary>
internal static class SurvivalSentence
{
    /// <summary>
    /// As in <c>6 of 7 sections have a straight swap; GLZ 140 lab L02 has 1 seat and none.</c> The first without one is
    /// named.
    /// </summary>
    /// <param name="sections">The most urgent first, as <see cref="Survival"/> gives them.</param>
    public static string Of(IReadOnlyList<SectionSurvival> sections)
    {
        SectionSurvival[] open = [.. sections.Where(one => !one.IsRegistered)];
        if (open.Length == 0)
            return "Every section is registered.";
        var swaps = open.Count(one => one.Rescue == Rescue.StraightSwap);
        var all = Saying.Count(open.Length, "section");
        if (swaps == open.Length)
            return open.Length == 1 ? "Its one section has a straight swap." : $"All {all} have a straight swap.";
        var worst = open.First(one => one.Rescue != Rescue.StraightSwap);
        var section = worst.Section.Section;
        var what = worst.Rescue == Rescue.None ? "none" : "only another timetable";
        var have =
            swaps == 0 ? "No section has"
            : swaps == 1 ? $"1 of {all} has"
            : $"{swaps} of {all} have";
        return $"{have} a straight swap; {worst.Course} {section.Component} {section.Label} has "
            + $"{Saying.Count(worst.Section.FreeSeats, "seat")} and {what}.";
    }
}
