namespace HourGrid.Core.Measures;

/// <summary>The fewest free seats of any section. Many are good, up to <see cref="Enough"/>.</summary>
/// <remarks>Lower bound: the fewest so far, and the most that the options to come have.</remarks>
public sealed class SeatsToSpare : Measure
{
    private SeatsToSpare()
        : base("seatsToSpare", MeasureUnit.Count) { }

    /// <summary>The measure.</summary>
    public static SeatsToSpare Measure { get; } = new();

    /// <inheritdoc/>
    public override string Weight => "seats";

    /// <inheritdoc/>
    public override bool IsMoreBetter => true;

    internal override int? Of(MeasuredTimetable timetable) => timetable.FewestFreeSeats;

    /// <inheritdoc/>
    public override int BadnessOf(int figure, int coursesInPlay) => Badness(figure);

    /// <summary>Of so many seats to spare.</summary>
    public static int Badness(int spare) => WorstBadness - Share(Math.Min(spare, Enough), Enough);

    /// <summary>Seats to spare beyond which more are no better.</summary>
    public const int Enough = 10;
}
