using System.Numerics;

namespace HourGrid.Core.Catalogue;

/// <summary>A set of weekdays.</summary>
/// <param name="Bits">Bit 0 is Monday, bit 6 Sunday; higher bits are 0.</param>
public readonly record struct WeekdaySet(byte Bits)
{
    /// <summary>No day.</summary>
    public static WeekdaySet None => default;

    /// <summary>The set that holds just these days.</summary>
    public static WeekdaySet Of(params IEnumerable<Weekday> days) =>
        days.Aggregate(None, (set, day) => new((byte)(set.Bits | 1 << (int)day)));

    /// <summary>How many days it holds, 0…7.</summary>
    public int Count => BitOperations.PopCount(Bits);

    /// <summary>Whether it holds the day.</summary>
    public bool Contains(Weekday day) => (Bits >> (int)day & 1) != 0;

    /// <summary>Its days, Monday first.</summary>
    public IEnumerable<Weekday> Days()
    {
        foreach (var day in Weekdays.All)
            if (Contains(day))
                yield return day;
    }
}
