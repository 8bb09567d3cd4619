using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;

namespace HourGrid.Core.Requirements;

/// <summary>A part of a programme: one of the records nested here.</summary>
/// <param name="Id">Its id, once in a programme.</param>
/// <param name="Name">What it is called.</param>
public abstract record Requirement(string Id, string Name)
{
    /// <summary>Every one of its parts.</summary>
    public sealed record All(string Id, string Name, IReadOnlyList<Requirement> Of) : Requirement(Id, Name);

    /// <summary>Some of its parts.</summary>
    /// <param name="Id">Its id.</param>
    /// <param name="Name">What it is called.</param>
    /// <param name="Take">How many, from 1 to the number of its parts.</param>
    /// <param name="Of">Its parts.</param>
    public sealed record Any(string Id, string Name, int Take, IReadOnlyList<Requirement> Of) : Requirement(Id, Name);

    /// <summary>Courses, so many or of so many credits.</summary>
    /// <param name="Id">Its id.</param>
    /// <param name="Name">What it is called.</param>
    /// <param name="Need">How much of them.</param>
    /// <param name="From">Which.</param>
    public sealed record Leaf(string Id, string Name, LeafNeed Need, CourseFilter From) : Requirement(Id, Name)
    {
        /// <summary>The pool in which nothing counts twice where nothing is said.</summary>
        public const string ProgrammePool = "programme";

        /// <summary>The least grade of a completed course; null where any that counts will do.</summary>
        public Grade? MinGrade { get; init; }

        /// <summary>The pool within which nothing counts twice.</summary>
        public string Counting { get; init; } = ProgrammePool;
    }
}

/// <summary>How much a leaf asks for: one of the records nested here.</summary>
public abstract record LeafNeed
{
    private LeafNeed() { }

    /// <summary>So many courses.</summary>
    /// <param name="Count">How many, at least 1.</param>
    /// <param name="Each">What one course is reckoned at.</param>
    public sealed record Courses(int Count, Credits Each) : LeafNeed
    {
        /// <summary>What one course is reckoned at where nothing is said.</summary>
        public static Credits DefaultEach { get; } = new(300);
    }

    /// <summary>Courses that add up to at least so many credits.</summary>
    /// <param name="Amount">How many.</param>
    public sealed record InCredits(TotalCredits Amount) : LeafNeed;

    /// <summary>All that it asks for, reckoned in credits.</summary>
    public TotalCredits Total =>
        this switch
        {
            Courses courses => new((long)courses.Count * courses.Each.Hundredths),
            InCredits credits => credits.Amount,
            _ => default,
        };
}

/// <summary>Credits of several courses, which may be more than one course can carry.</summary>
/// <param name="Hundredths">Hundredths of a credit, 0 or more.</param>
public readonly record struct TotalCredits(long Hundredths) : IComparable<TotalCredits>
{
    /// <summary>The amount in credits.</summary>
    public decimal Value => Hundredths / 100m;

    /// <inheritdoc />
    public int CompareTo(TotalCredits other) => Hundredths.CompareTo(other.Hundredths);

    /// <summary>Whether <paramref name="left"/> is less than <paramref name="right"/>.</summary>
    public static bool operator <(TotalCredits left, TotalCredits right) => left.Hundredths < right.Hundredths;

    /// <summary>Whether <paramref name="left"/> is more than <paramref name="right"/>.</summary>
    public static bool operator >(TotalCredits left, TotalCredits right) => left.Hundredths > right.Hundredths;

    /// <summary>Whether <paramref name="left"/> is not more than <paramref name="right"/>.</summary>
    public static bool operator <=(TotalCredits left, TotalCredits right) => left.Hundredths <= right.Hundredths;

    /// <summary>Whether <paramref name="left"/> is not less than <paramref name="right"/>.</summary>
    public static bool operator >=(TotalCredits left, TotalCredits right) => left.Hundredths >= right.Hundredths;

    /// <summary>The sum of two amounts.</summary>
    public static TotalCredits operator +(TotalCredits left, TotalCredits right) => left.Add(right);

    /// <summary>The sum of two amounts.</summary>
    public TotalCredits Add(TotalCredits other) => new(Hundredths + other.Hundredths);
}
