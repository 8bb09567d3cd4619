namespace HourGrid.Data;

/// <summary>Rows that belong to those of another query, both in the same order, so that each is read when its turn comes.</summary>
/// <param name="rows">The rows.</param>
internal sealed class RowsInOrder<T>(IEnumerable<T> rows) : IDisposable
{
    private readonly IEnumerator<T> at = rows.GetEnumerator();
    private bool isBegun;
    private bool hasOne;

    /// <summary>Those that come next and belong together.</summary>
    public IEnumerable<T> While(Func<T, bool> belongs)
    {
        if (!isBegun)
            Advance();
        for (; hasOne && belongs(at.Current); Advance())
            yield return at.Current;
    }

    /// <exception cref="InvalidDataException">Some belonged to nothing.</exception>
    public void End()
    {
        if (!isBegun)
            Advance();
        if (hasOne)
            throw new InvalidDataException($"A {typeof(T).Name} of the catalogue belongs to nothing.");
    }

    public void Dispose() => at.Dispose();

    private void Advance()
    {
        isBegun = true;
        hasOne = at.MoveNext();
    }
}
