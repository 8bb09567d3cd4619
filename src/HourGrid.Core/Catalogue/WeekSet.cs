using System.Numerics;

namespace HourGrid.Core.Catalogue;

/// <summary>
/// A set of weeks of a term. Weeks are numbered from 1 at the Monday of the week in which the term starts.
/// </summary>
/// <param name="Bits">Bit 0 is week 1, bit 63 week 64.</param>
public readonly record struct WeekSet(ulong Bits) : IComparable<WeekSet>
{
    /// <summary>The last week a term can have.</summary>
    public const int MaxWeek = 64;

    /// <summary>No week.</summary>
    public static WeekSet None => default;

    /// <summary>Every week, 1 to 64.</summary>
    public static WeekSet All => new(ulong.MaxValue);

    /// <summary>The set that holds just these weeks.</summary>
    /// <exception cref="ArgumentOutOfRangeException">A week lies outside 1…64.</exception>
    public static WeekSet Of(params IEnumerable<int> weeks)
    {
        var bits = 0UL;
        foreach (var week in weeks)
        {
            ArgumentOutOfRangeException.ThrowIfLessThan(week, 1);
            ArgumentOutOfRangeException.ThrowIfGreaterThan(week, MaxWeek);
            bits |= 1UL << (week - 1);
        }
        return new(bits);
    }

    /// <summary>Whether no week is in it.</summary>
    public bool IsEmpty => Bits == 0;

    /// <summary>How many weeks it holds.</summary>
    public int Count => BitOperations.PopCount(Bits);

    /// <summary>Whether it holds the week, 1…64.</summary>
    public bool Contains(int week) => (Bits >> (week - 1) & 1) != 0;

    /// <summary>Whether the two share at least one week.</summary>
    public bool Overlaps(WeekSet other) => (Bits & other.Bits) != 0;

    /// <summary>The weeks in either.</summary>
    public WeekSet Union(WeekSet other) => new(Bits | other.Bits);

    /// <summary>Its week numbers, ascending.</summary>
    public IEnumerable<int> Weeks()
    {
        for (var rest = Bits; rest != 0; rest &= rest - 1)
            yield return BitOperations.TrailingZeroCount(rest) + 1;
    }

    /// <summary>A total order without further meaning: by the bits.</summary>
    public int CompareTo(WeekSet other) => Bits.CompareTo(other.Bits);

    /// <summary>Whether <paramref name="left"/> sorts before <paramref name="right"/>.</summary>
    public static bool operator <(WeekSet left, WeekSet right) => left.Bits < right.Bits;

    /// <summary>Whether <paramref name="left"/> sorts after <paramref name="right"/>.</summary>
    public static bool operator >(WeekSet left, WeekSet right) => left.Bits > right.Bits;

    /// <summary>Whether <paramref name="left"/> does not sort after <paramref name="right"/>.</summary>
    public static bool operator <=(WeekSet left, WeekSet right) => left.Bits <= right.Bits;

    /// <summary>Whether <paramref name="left"/> does not sort before <paramref name="right"/>.</summary>
    public static bool operator >=(WeekSet left, WeekSet right) => left.Bits >= right.Bits;
}
