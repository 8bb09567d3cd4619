using HourGrid.Core.Asking;

namespace HourGrid.Core.Measures;

/// <summary>Minutes from the first start to the last end of a day; the largest.</summary>
public sealed class LongestDay : Measure
{
    private LongestDay()
        : base("longestDay", MeasureUnit.Minutes) { }

    /// <summary>The measure.</summary>
    public static LongestDay Measure { get; } = new();

    internal override int? Of(MeasuredTimetable timetable) =>
        timetable.Most(week => week.Most(day => day.End - day.Start)) ?? 0;

    /// <summary>Long days count in no score; they stand by where a short stretch does.</summary>
    public override int MattersIn(Weights weights) => LongestStretch.Measure.MattersIn(weights);
}
