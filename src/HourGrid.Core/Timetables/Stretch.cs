namespace HourGrid.Core.Timetables;

/// <summary>An unbroken stretch of meetings of a day.</summary>
public static class Stretch
{
    /// <summary>Minutes of pause from which a stretch is broken.</summary>
    public const int Pause = 20;
}
