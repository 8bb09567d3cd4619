using System.Numerics;
using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>The days of what is chosen, all weekdays and week classes at once: laid out as those of an option are.</summary>
/// <remarks>
/// Unsafe: <c>first</c> points at <see cref="WeekTables.VectorsOfLanes"/> vectors, which whoever made this keeps, and every
/// loop over them ends there.
/// </remarks>
internal readonly unsafe struct WeekLanes
{
    private readonly WeekTables tables;
    private readonly Vector256<short>* first;
    private readonly Vector256<short>* weights;
    private readonly int vectors;
    private readonly int mostCampuses;

    /// <summary>Days without any meeting.</summary>
    /// <param name="tables">How lanes are laid out.</param>
    /// <param name="first">Room for them.</param>
    public WeekLanes(WeekTables tables, Vector256<short>* first)
    {
        this.tables = tables;
        this.first = first;
        weights = tables.WeightOfVector;
        vectors = tables.Vectors;
        mostCampuses = tables.MostCampuses;
        first[0] = default;
        for (var i = 0; i < vectors; i++)
        {
            first[LaneVectors.Starts(i)] = Vector256.Create(OptionTable.NoStart);
            first[LaneVectors.Ends(i)] = default;
            first[LaneVectors.Campuses(i)] = default;
        }
    }

    /// <summary>The first of the vectors.</summary>
    public Vector256<short>* First => first;

    /// <summary>Becomes another's days with those of an option added.</summary>
    /// <returns>Idle minutes over all weeks.</returns>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public int Become(WeekLanes other, Vector256<short>* added)
    {
        var busy = other.first[0].AsInt32() + added[0].AsInt32();
        var idle = -busy;
        for (var i = 0; i < vectors; i++)
        {
            var starts = Vector256.Min(other.first[LaneVectors.Starts(i)], added[LaneVectors.Starts(i)]);
            var ends = Vector256.Max(other.first[LaneVectors.Ends(i)], added[LaneVectors.Ends(i)]);
            first[LaneVectors.Starts(i)] = starts;
            first[LaneVectors.Ends(i)] = ends;
            first[LaneVectors.Campuses(i)] = other.first[LaneVectors.Campuses(i)] | added[LaneVectors.Campuses(i)];
            idle += IdleLanes.Spans(starts, ends, weights[i]);
        }
        first[0] = busy.AsInt16();
        return Vector256.Sum(idle);
    }

    /// <summary>
    /// Campus moves over all weeks, with an option added, that no meeting added takes away: on each day at least one
    /// fewer than there are campuses.
    /// </summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public int MovesWith(Vector256<short>* added)
    {
        var moves = Vector256<int>.Zero;
        for (var i = 0; i < vectors; i++)
            moves += IdleLanes.Weighed(
                MovesAmong(first[LaneVectors.Campuses(i)] | added[LaneVectors.Campuses(i)]),
                weights[i]
            );
        return Vector256.Sum(moves);
    }

    /// <summary>Class days in the worst week, and weeks with any meeting.</summary>
    public (int ClassDays, int Weeks) DaysAndWeeks()
    {
        var (most, weeks) = (0, 0);
        for (var weekClass = 0; weekClass < tables.Classes.Length; weekClass++)
        {
            var classDays = 0;
            for (var i = 0; i < vectors; i++)
            {
                var meets = Vector256.GreaterThan(first[LaneVectors.Ends(i)], Vector256<short>.Zero);
                classDays += BitOperations.PopCount(
                    meets.ExtractMostSignificantBits() & tables.LanesOf(weekClass, i)
                );
            }
            most = Math.Max(most, classDays);
            weeks += classDays > 0 ? tables.WeeksIn[weekClass] : 0;
        }
        return (most, weeks);
    }

    /// <summary>Minutes from the first start to the last end of the longest day.</summary>
    public int LongestDay()
    {
        var longest = 0;
        for (var i = 0; i < vectors; i++)
        for (var lane = 0; lane < LaneVectors.Lanes; lane++)
            longest = Math.Max(longest, first[LaneVectors.Ends(i)][lane] - first[LaneVectors.Starts(i)][lane]);
        return longest;
    }

    /// <summary>For each lane one fewer than it has campuses: each round takes one, and all but the last are moves.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private Vector256<short> MovesAmong(Vector256<short> campuses)
    {
        var several = campuses & (campuses - Vector256<short>.One);
        var count = Vector256<short>.Zero;
        for (var round = 1; round < mostCampuses; round++)
        {
            count += ~Vector256.Equals(several, Vector256<short>.Zero) & Vector256<short>.One;
            several &= several - Vector256<short>.One;
        }
        return count;
    }
}
