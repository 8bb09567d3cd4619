using System.Globalization;

namespace HourGrid.Core.Catalogue;

/// <summary>A time of day in whole minutes after midnight, local to the campus: 0 (0:00) to 1440 (24:00).</summary>
public readonly record struct Minute : IComparable<Minute>
{
    /// <summary>Minutes in a day, and the largest value a <see cref="Minute"/> takes.</summary>
    public const int PerDay = 24 * 60;

    /// <param name="value">Minutes after midnight, 0…1440.</param>
    /// <exception cref="ArgumentOutOfRangeException">The value lies outside the day.</exception>
    public Minute(int value)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(value);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(value, PerDay);
        Value = value;
    }

    /// <summary>Minutes after midnight, 0…1440.</summary>
    public int Value { get; }

    /// <summary>Reads <c>HH:MM</c> on the 24-hour clock; 24:00 is the end of the day.</summary>
    public static bool TryParse(string? text, out Minute minute)
    {
        minute = default;
        if (text is not { Length: 5 } || text[2] != ':')
            return false;
        if (
            !int.TryParse(text.AsSpan(0, 2), NumberStyles.None, CultureInfo.InvariantCulture, out var hours)
            || !int.TryParse(text.AsSpan(3, 2), NumberStyles.None, CultureInfo.InvariantCulture, out var minutes)
        )
            return false;
        if (minutes > 59 || hours * 60 + minutes > PerDay)
            return false;
        minute = new Minute(hours * 60 + minutes);
        return true;
    }

    /// <inheritdoc />
    public int CompareTo(Minute other) => Value.CompareTo(other.Value);

    /// <summary>Whether <paramref name="left"/> comes before <paramref name="right"/>.</summary>
    public static bool operator <(Minute left, Minute right) => left.Value < right.Value;

    /// <summary>Whether <paramref name="left"/> comes after <paramref name="right"/>.</summary>
    public static bool operator >(Minute left, Minute right) => left.Value > right.Value;

    /// <summary>Whether <paramref name="left"/> does not come after <paramref name="right"/>.</summary>
    public static bool operator <=(Minute left, Minute right) => left.Value <= right.Value;

    /// <summary>Whether <paramref name="left"/> does not come before <paramref name="right"/>.</summary>
    public static bool operator >=(Minute left, Minute right) => left.Value >= right.Value;

    /// <summary><c>HH:MM</c>, the form of the file formats.</summary>
    public override string ToString() =>
        string.Create(CultureInfo.InvariantCulture, $"{Value / 60:00}:{Value % 60:00}");
}
