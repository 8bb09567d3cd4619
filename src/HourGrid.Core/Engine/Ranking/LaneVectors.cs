using System.Runtime.CompilerServices;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// Where everything stands among the vectors of days, those of an option as those of what is chosen: the first has the
/// busy minutes over all weeks, a whole number, and is 0 beyond; then come three for each sixteen lanes.
/// </summary>
internal static class LaneVectors
{
    /// <summary>Lanes in a vector of 256 bits.</summary>
    public const int Lanes = 16;

    private const int Each = 3;

    /// <summary>How many there are, with so many for each of the three.</summary>
    public static int Count(int vectors) => 1 + Each * vectors;

    /// <summary>The first start of each day; <see cref="OptionTable.NoStart"/> without a meeting.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static int Starts(int vector) => 1 + Each * vector;

    /// <summary>The last end of each day; 0 without a meeting.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static int Ends(int vector) => 2 + Each * vector;

    /// <summary>The campuses of each day, a bit each.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static int Campuses(int vector) => 3 + Each * vector;
}
