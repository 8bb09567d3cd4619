namespace HourGrid.Core.Asking;

/// <summary>Something in an ask that cannot be answered, with the place where it stands.</summary>
public sealed class AskRefusedException : Exception
{
    /// <param name="path">Where in the ask, as in <c>wanted[2].course</c>.</param>
    /// <param name="reason">What was found and what was expected, as a sentence.</param>
    public AskRefusedException(string path, string reason)
        : base($"{path}: {reason}")
    {
        Path = path;
        Reason = reason;
    }

    /// <summary>Where in the ask.</summary>
    public string Path { get; }

    /// <summary>What was found and what was expected.</summary>
    public string Reason { get; }
}

/// <summary>An ask that is well formed but larger than the engine takes on.</summary>
/// <param name="message">What is too large, and what to do about it.</param>
public sealed class AskTooLargeException(string message) : Exception(message);
