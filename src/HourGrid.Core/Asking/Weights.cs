namespace HourGrid.Core.Asking;

/// <summary>
/// What matters: how much each measure counts, 0 (not at all) to 100, by the name of its weight. What is not said counts as
/// it usually does; each measure knows what that is.
/// </summary>
public sealed record Weights
{
    /// <summary>The most a measure can count.</summary>
    public const int Most = 100;

    /// <summary>What was said, by name, in the order of the names.</summary>
    public IReadOnlyList<Weight> Said { get; private init; } = [];

    /// <summary>How much is said of one; null where nothing is.</summary>
    public int? this[string name]
    {
        get
        {
            foreach (var weight in Said)
                if (weight.Name == name)
                    return weight.Value;
            return null;
        }
    }

    /// <summary>The same with one of them said, 0 to <see cref="Most"/>.</summary>
    public Weights With(string name, int value) =>
        new()
        {
            Said =
            [
                .. Said.Where(weight => weight.Name != name)
                    .Append(new(name, value))
                    .OrderBy(weight => weight.Name, StringComparer.Ordinal),
            ],
        };

    /// <inheritdoc/>
    public bool Equals(Weights? other) => other is not null && Said.SequenceEqual(other.Said);

    /// <inheritdoc/>
    public override int GetHashCode() => Said.Aggregate(0, HashCode.Combine);
}

/// <summary>How much a measure counts.</summary>
/// <param name="Name">The name of the weight.</param>
/// <param name="Value">0 to <see cref="Weights.Most"/>.</param>
public readonly record struct Weight(string Name, int Value);
