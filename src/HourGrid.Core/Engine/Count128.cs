namespace HourGrid.Core.Engine;

/// <summary>How many there are, exactly.</summary>
/// <param name="Timetables">Timetables.</param>
/// <param name="WeekShapes">Week shapes among them.</param>
public readonly record struct Count128(UInt128 Timetables, UInt128 WeekShapes)
{
    /// <summary>None at all.</summary>
    public static Count128 None => default;

    /// <summary>Both together.</summary>
    /// <exception cref="OverflowException">More than 128 bits hold.</exception>
    public static Count128 operator +(Count128 left, Count128 right) => left.Add(right);

    /// <summary>Both together.</summary>
    /// <exception cref="OverflowException">More than 128 bits hold.</exception>
    public Count128 Add(Count128 other) =>
        new(checked(Timetables + other.Timetables), checked(WeekShapes + other.WeekShapes));

    /// <summary>As many timetables, each in so many ways; the week shapes stay.</summary>
    /// <exception cref="OverflowException">More than 128 bits hold.</exception>
    internal Count128 Times(uint ways) => new(Product(Timetables, ways), WeekShapes);

    /// <summary>Each of these with each of the others.</summary>
    /// <exception cref="OverflowException">More than 128 bits hold.</exception>
    internal Count128 Times(Count128 other) =>
        new(Product(Timetables, other.Timetables), Product(WeekShapes, other.WeekShapes));

    private static UInt128 Product(UInt128 one, UInt128 other) =>
        one <= ulong.MaxValue && other <= ulong.MaxValue
            ? Math.BigMul((ulong)one, (ulong)other)
            : checked(one * other);
}
