using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Formats.Json;

/// <summary>The words by which a format names the values of a type, both ways.</summary>
public sealed class WordTable<T>
    where T : struct
{
    private readonly (string Word, T Value)[] pairs;

    public WordTable(params (string Word, T Value)[] pairs) => this.pairs = pairs;

    public string Listed => string.Join(", ", pairs.Select(pair => pair.Word));

    public bool TryRead(string word, out T value)
    {
        foreach (var pair in pairs)
            if (pair.Word == word)
            {
                value = pair.Value;
                return true;
            }
        value = default;
        return false;
    }

    public string Write(T value) => pairs.First(pair => pair.Value.Equals(value)).Word;
}

/// <summary>The words both formats share.</summary>
public static class Words
{
    public static WordTable<Weekday> Days { get; } =
        new(
            ("mon", Weekday.Monday),
            ("tue", Weekday.Tuesday),
            ("wed", Weekday.Wednesday),
            ("thu", Weekday.Thursday),
            ("fri", Weekday.Friday),
            ("sat", Weekday.Saturday),
            ("sun", Weekday.Sunday)
        );

    public static WordTable<DeliveryMode> Modes { get; } =
        new(
            ("inPerson", DeliveryMode.InPerson),
            ("hybrid", DeliveryMode.Hybrid),
            ("onlineLive", DeliveryMode.OnlineLive),
            ("online", DeliveryMode.Online)
        );

    public static WordTable<SectionStatus> Statuses { get; } =
        new(("open", SectionStatus.Open), ("closed", SectionStatus.Closed), ("cancelled", SectionStatus.Cancelled));

    public static WordTable<CourseRole> Roles { get; } =
        new(("must", CourseRole.Must), ("ifItFits", CourseRole.IfItFits), ("setAside", CourseRole.SetAside));

    public static WordTable<Strength> Strengths { get; } =
        new(("cannot", Strength.Cannot), ("ratherNot", Strength.RatherNot));

    public static WordTable<SeatsAdmitted> SeatsRules { get; } =
        new(("open", SeatsAdmitted.Open), ("waitlist", SeatsAdmitted.Waitlist), ("any", SeatsAdmitted.Any));

    public static IReadOnlyList<string> Write(WeekdaySet days) => [.. days.Days().Select(Days.Write)];
}
