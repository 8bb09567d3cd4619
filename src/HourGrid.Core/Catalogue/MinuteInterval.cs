namespace HourGrid.Core.Catalogue;

/// <summary>A half-open stretch of one day, <c>[Start, End)</c>; never empty.</summary>
public readonly record struct MinuteInterval : IComparable<MinuteInterval>
{
    /// <exception cref="ArgumentException">The end does not come after the start.</exception>
    public MinuteInterval(Minute start, Minute end)
    {
        if (end <= start)
            throw new ArgumentException(
                $"An interval must end after it starts; found {start} to {end}.",
                nameof(end)
            );
        Start = start;
        End = end;
    }

    /// <summary>The first minute inside.</summary>
    public Minute Start { get; }

    /// <summary>The first minute after.</summary>
    public Minute End { get; }

    /// <summary>Length in minutes, at least 1.</summary>
    public int Length => End.Value - Start.Value;

    /// <summary>Whether the two share at least one minute; touching ends do not.</summary>
    public bool Overlaps(MinuteInterval other) => Start < other.End && other.Start < End;

    /// <summary>Minutes that lie in both, 0 when none do.</summary>
    public int MinutesShared(MinuteInterval other) =>
        Math.Max(0, Math.Min(End.Value, other.End.Value) - Math.Max(Start.Value, other.Start.Value));

    /// <summary>Ordered by start, then by end.</summary>
    public int CompareTo(MinuteInterval other) =>
        Start != other.Start ? Start.CompareTo(other.Start) : End.CompareTo(other.End);

    /// <summary>Whether <paramref name="left"/> sorts before <paramref name="right"/>.</summary>
    public static bool operator <(MinuteInterval left, MinuteInterval right) => left.CompareTo(right) < 0;

    /// <summary>Whether <paramref name="left"/> sorts after <paramref name="right"/>.</summary>
    public static bool operator >(MinuteInterval left, MinuteInterval right) => left.CompareTo(right) > 0;

    /// <summary>Whether <paramref name="left"/> does not sort after <paramref name="right"/>.</summary>
    public static bool operator <=(MinuteInterval left, MinuteInterval right) => left.CompareTo(right) <= 0;

    /// <summary>Whether <paramref name="left"/> does not sort before <paramref name="right"/>.</summary>
    public static bool operator >=(MinuteInterval left, MinuteInterval right) => left.CompareTo(right) >= 0;

    /// <summary><c>HH:MM-HH:MM</c>.</summary>
    public override string ToString() => $"{Start}-{End}";

    /// <summary>The same minutes as disjoint intervals in order; touching ones are joined.</summary>
    public static IReadOnlyList<MinuteInterval> Merged(IEnumerable<MinuteInterval> intervals)
    {
        var merged = new List<MinuteInterval>();
        foreach (var next in intervals.Order())
            if (merged.Count == 0 || next.Start > merged[^1].End)
                merged.Add(next);
            else if (next.End > merged[^1].End)
                merged[^1] = new(merged[^1].Start, next.End);
        return merged;
    }
}
