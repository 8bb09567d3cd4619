using System.Globalization;

namespace HourGrid.Core.Catalogue;

/// <summary>An amount of credit, kept in hundredths so that sums are exact.</summary>
/// <param name="Hundredths">Hundredths of a credit, 0 or more.</param>
public readonly record struct Credits(int Hundredths)
{
    /// <summary>The most credit one course or section may carry.</summary>
    public const int Max = 100;

    /// <summary>An amount in credits; more than two decimals are refused.</summary>
    /// <exception cref="ArgumentOutOfRangeException">Negative, above <see cref="Max"/>, or finer than a hundredth.</exception>
    public static Credits Of(decimal credits) =>
        TryOf(credits, out var result)
            ? result
            : throw new ArgumentOutOfRangeException(nameof(credits), credits, $"0 to {Max}, two decimals at most.");

    /// <summary>As <see cref="Of"/>, saying whether the amount can be kept instead of throwing.</summary>
    public static bool TryOf(decimal credits, out Credits result)
    {
        var fits = credits is >= 0 and <= Max && decimal.Truncate(credits * 100) == credits * 100;
        result = fits ? new((int)(credits * 100)) : default;
        return fits;
    }

    /// <summary>The amount in credits.</summary>
    public decimal Value => Hundredths / 100m;

    /// <summary>The sum of two amounts.</summary>
    public static Credits operator +(Credits left, Credits right) => left.Add(right);

    /// <summary>The sum of two amounts.</summary>
    public Credits Add(Credits other) => new(Hundredths + other.Hundredths);

    /// <summary>As written: <c>4</c>, <c>1.5</c>.</summary>
    public override string ToString() => Value.ToString("0.##", CultureInfo.InvariantCulture);
}

/// <summary>What a course carries: one amount, or a range where it varies.</summary>
/// <param name="Min">The smaller bound; what a bundle counts when its sections give no credits.</param>
/// <param name="Max">The larger bound, at least <paramref name="Min"/>.</param>
public readonly record struct CreditRange(Credits Min, Credits Max)
{
    /// <summary>A single amount.</summary>
    public static CreditRange Of(Credits amount) => new(amount, amount);
}
