using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Requirements.Ahead;

/// <summary>A course that a plan may hold. Sets of courses are bits by place in the problem's list.</summary>
/// <param name="Id">Its code.</param>
/// <param name="Credits">The least it carries, in hundredths.</param>
/// <param name="Offered">A bit for each term in which it is offered, bit 0 for the first.</param>
/// <param name="Before">Sets of courses one of which must come before; one empty set where nothing must.</param>
/// <param name="Beside">Courses that must come before or beside.</param>
internal sealed record PlannedCourse(
    CourseId Id,
    int Credits,
    uint Offered,
    IReadOnlyList<CourseSet> Before,
    CourseSet Beside
)
{
    /// <summary>Whether a plan may hold it at all: nothing it needs is out of reach.</summary>
    public bool IsReachable { get; init; } = true;

    /// <summary>Courses that are alike in all that matters have one key; null for one that others depend on.</summary>
    public string? Alike { get; init; }
}

/// <summary>A set of courses of a problem, as bits.</summary>
internal readonly struct CourseSet : IEquatable<CourseSet>
{
    private readonly ulong[] words;

    private CourseSet(ulong[] words) => this.words = words;

    public static CourseSet Of(int size, IEnumerable<int> places)
    {
        var words = new ulong[(size + 63) / 64];
        foreach (var place in places)
            words[place / 64] |= 1UL << (place % 64);
        return new(words);
    }

    public bool this[int place] => (words[place / 64] >> (place % 64) & 1) != 0;

    public bool IsEmpty => words.All(word => word == 0);

    public CourseSet With(int place)
    {
        var next = (ulong[])words.Clone();
        next[place / 64] |= 1UL << (place % 64);
        return new(next);
    }

    public CourseSet Or(CourseSet other) => new([.. words.Zip(other.words, (one, two) => one | two)]);

    public CourseSet Without(CourseSet other) => new([.. words.Zip(other.words, (one, two) => one & ~two)]);

    public bool Meets(CourseSet other) => words.Zip(other.words).Any(pair => (pair.First & pair.Second) != 0);

    public bool IsWithin(CourseSet other) => !words.Zip(other.words).Any(pair => (pair.First & ~pair.Second) != 0);

    public IEnumerable<int> Places()
    {
        for (var i = 0; i < words.Length; i++)
        for (var word = words[i]; word != 0; word &= word - 1)
            yield return (i * 64) + System.Numerics.BitOperations.TrailingZeroCount(word);
    }

    public bool Equals(CourseSet other) => words.AsSpan().SequenceEqual(other.words);

    public override bool Equals(object? obj) => obj is CourseSet other && Equals(other);

    public override int GetHashCode()
    {
        var hash = new HashCode();
        foreach (var word in words)
            hash.Add(word);
        return hash.ToHashCode();
    }
}
