namespace HourGrid.Core.Engine.Counting;

/// <summary>How many there are, exactly.</summary>
/// <param name="Timetables">Timetables.</param>
/// <param name="WeekShapes">Week shapes among them.</param>
public readonly record struct Tally(UInt128 Timetables, UInt128 WeekShapes)
{
    /// <summary>None at all.</summary>
    public static Tally None => default;

    /// <summary>Both together.</summary>
    /// <exception cref="OverflowException">More than 128 bits hold.</exception>
    public static Tally operator +(Tally left, Tally right) => left.Add(right);

    /// <summary>Both together.</summary>
    /// <exception cref="OverflowException">More than 128 bits hold.</exception>
    public Tally Add(Tally other) =>
        new(checked(Timetables + other.Timetables), checked(WeekShapes + other.WeekShapes));

    /// <summary>As many timetables, each in so many ways; the week shapes stay.</summary>
    /// <exception cref="OverflowException">More than 128 bits hold.</exception>
    internal Tally Times(uint ways) => new(Product(Timetables, ways), WeekShapes);

    /// <summary>Each of these with each of the others.</summary>
    /// <exception cref="OverflowException">More than 128 bits hold.</exception>
    internal Tally Times(Tally other) =>
        new(Product(Timetables, other.Timetables), Product(WeekShapes, other.WeekShapes));

    private static UInt128 Product(UInt128 one, UInt128 other) =>
        one <= ulong.MaxValue && other <= ulong.MaxValue
            ? Math.BigMul((ulong)one, (ulong)other)
            : checked(one * other);
}
