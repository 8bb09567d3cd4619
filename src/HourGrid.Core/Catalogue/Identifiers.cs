namespace HourGrid.Core.Catalogue;

/// <summary>A campus's short code, such as <c>HAR</c>. Compared as ordinal text.</summary>
/// <param name="Value">The code, never empty.</param>
public readonly record struct CampusId(string Value) : IComparable<CampusId>
{
    /// <inheritdoc />
    public int CompareTo(CampusId other) => string.CompareOrdinal(Value, other.Value);

    /// <summary>Whether <paramref name="left"/> sorts before <paramref name="right"/>.</summary>
    public static bool operator <(CampusId left, CampusId right) => left.CompareTo(right) < 0;

    /// <summary>Whether <paramref name="left"/> sorts after <paramref name="right"/>.</summary>
    public static bool operator >(CampusId left, CampusId right) => left.CompareTo(right) > 0;

    /// <summary>Whether <paramref name="left"/> does not sort after <paramref name="right"/>.</summary>
    public static bool operator <=(CampusId left, CampusId right) => left.CompareTo(right) <= 0;

    /// <summary>Whether <paramref name="left"/> does not sort before <paramref name="right"/>.</summary>
    public static bool operator >=(CampusId left, CampusId right) => left.CompareTo(right) >= 0;

    /// <inheritdoc />
    public override string ToString() => Value;
}

/// <summary>A term's code, such as <c>2027SP</c>. Compared as ordinal text.</summary>
/// <param name="Value">The code, never empty.</param>
public readonly record struct TermId(string Value)
{
    /// <inheritdoc />
    public override string ToString() => Value;
}

/// <summary>A course's code, such as <c>TID 210</c>. Compared as ordinal text.</summary>
/// <param name="Value">The code, never empty.</param>
public readonly record struct CourseId(string Value)
{
    /// <inheritdoc />
    public override string ToString() => Value;
}

/// <summary>The number under which a student registers for a section; unique within a term. Ordinal text.</summary>
/// <param name="Value">The number as printed, never empty.</param>
public readonly record struct RegistrationNumber(string Value) : IComparable<RegistrationNumber>
{
    /// <inheritdoc />
    public int CompareTo(RegistrationNumber other) => string.CompareOrdinal(Value, other.Value);

    /// <summary>Whether <paramref name="left"/> sorts before <paramref name="right"/>.</summary>
    public static bool operator <(RegistrationNumber left, RegistrationNumber right) => left.CompareTo(right) < 0;

    /// <summary>Whether <paramref name="left"/> sorts after <paramref name="right"/>.</summary>
    public static bool operator >(RegistrationNumber left, RegistrationNumber right) => left.CompareTo(right) > 0;

    /// <summary>Whether <paramref name="left"/> does not sort after <paramref name="right"/>.</summary>
    public static bool operator <=(RegistrationNumber left, RegistrationNumber right) => left.CompareTo(right) <= 0;

    /// <summary>Whether <paramref name="left"/> does not sort before <paramref name="right"/>.</summary>
    public static bool operator >=(RegistrationNumber left, RegistrationNumber right) => left.CompareTo(right) >= 0;

    /// <inheritdoc />
    public override string ToString() => Value;
}
