namespace HourGrid.Server.Computing;

/// <summary>
/// What is found once, whoever asks for it: who asks meanwhile waits, and lets others work. Where finding it fails or is given
/// up, the next one finds it.
/// </summary>
/// <param name="isKept">Whether what was found is kept; otherwise it is tried anew the next time. Null for always.</param>
internal sealed class Once<T>(Func<T, bool>? isKept = null)
    where T : class
{
    private readonly Gate gate = new();
    private volatile T? known;

    /// <summary>Whether it is there.</summary>
    public bool IsFound => known is not null;

    /// <summary>Gives it, found by now or known before.</summary>
    /// <param name="find">Finds it.</param>
    /// <param name="cancellation">Ends the wait for another who finds it.</param>
    public T OrFind(Func<T> find, CancellationToken cancellation) =>
        known
        ?? gate.Within(
            () =>
            {
                if (known is { } already)
                    return already;
                var found = find();
                if (isKept?.Invoke(found) ?? true)
                    known = found;
                return found;
            },
            cancellation
        );
}
